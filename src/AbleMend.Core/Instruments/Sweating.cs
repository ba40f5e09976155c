using AbleMend.Core.Preparing;

namespace AbleMend.Core.Instruments;

/// <summary>How far what is to be coated is from where dew falls on it, as instruments read it.</summary>
/// <param name="SurfaceC">What is coated, in °C.</param>
/// <param name="IsAir">Whether nobody measures the surface, so that the air stands for it: what came in from the cold is colder.</param>
/// <param name="DewPointC">Where dew falls, in °C.</param>
/// <param name="ApartK">How much warmer the surface is, in K; below 0 it is wet.</param>
/// <param name="LeastSurfaceC">Least that a surface is to have before it is wiped, glued or coated, in °C.</param>
/// <param name="IsDry">Whether it has that.</param>
public sealed record Sweating(double SurfaceC, bool IsAir, double DewPointC, double ApartK, double LeastSurfaceC, bool IsDry)
{
    /// <summary>Judges what instruments read: the surface, and not the air, decides.</summary>
    /// <param name="readOf">What is read of a measure now; null where nothing reads it.</param>
    /// <returns>Null where air or humidity are not read, or are no weather that people work in.</returns>
    public static Sweating? Of(Func<Measurand, double?> readOf)
    {
        if (readOf(Measurand.AirTemperature) is not (>= -40 and <= 60 and var airC) || readOf(Measurand.Humidity) is not (> 0 and <= 100 and var humidity))
        {
            return null;
        }

        var (surface, dewC) = (readOf(Measurand.SurfaceTemperature), DewPoint.Celsius(airC, humidity));
        var (surfaceC, leastC) = (surface ?? airC, dewC + DewPoint.MarginK);
        return new Sweating(surfaceC, surface is null, dewC, surfaceC - dewC, leastC, surfaceC >= leastC);
    }
}
