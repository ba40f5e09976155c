using AbleMend.Core.Figures;

namespace AbleMend.Core.Preparing;

/// <summary>Dew point and humidity by the Magnus formula.</summary>
public static class DewPoint
{
    /// <summary>Magnus coefficient over water, Sonntag 1990; no unit.</summary>
    public const double MagnusA = 17.62;

    /// <summary>Magnus coefficient over water in °C, Sonntag 1990.</summary>
    public const double MagnusBC = 243.12;

    /// <summary>Saturation vapour pressure at 0 °C in hPa, Sonntag 1990.</summary>
    public const double SaturationAtZeroHPa = 6.112;

    /// <summary>Least distance of a surface above the dew point in kelvin before it is coated, ISO 8502-4.</summary>
    public const double MarginK = 3;

    /// <summary>The citation for both.</summary>
    public static Source Source { get; } = Source.Published("Magnus formula, Sonntag (1990); margin over the dew point, ISO 8502-4");

    /// <summary>Dew point of air.</summary>
    /// <param name="airC">Air temperature in °C, -40 to 60.</param>
    /// <param name="relativeHumidityPercent">Relative humidity in percent, above 0, at most 100.</param>
    /// <returns>Dew point in °C: 12.0 for 20 °C and 60 %.</returns>
    public static double Celsius(double airC, double relativeHumidityPercent)
    {
        Guard.Within(airC, -40, 60, nameof(airC));
        Guard.Positive(Guard.Within(relativeHumidityPercent, 0, 100, nameof(relativeHumidityPercent)), nameof(relativeHumidityPercent));
        var gamma = Math.Log(relativeHumidityPercent / 100) + (MagnusA * airC / (MagnusBC + airC));
        return MagnusBC * gamma / (MagnusA - gamma);
    }

    /// <summary>Highest relative humidity in percent at which a surface at air temperature keeps the margin.</summary>
    public static double HighestHumidityPercent(double airC)
    {
        return HumidityPercent(Guard.Within(airC, -37, 60, nameof(airC)), airC - MarginK);
    }

    /// <summary>Relative humidity in percent of air with a dew point.</summary>
    /// <param name="airC">Air in °C.</param>
    /// <param name="dewC">Its dew point in °C.</param>
    public static double HumidityPercent(double airC, double dewC) => 100 * Math.Exp((MagnusA * dewC / (MagnusBC + dewC)) - (MagnusA * airC / (MagnusBC + airC)));
}
