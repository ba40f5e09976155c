using AbleMend.Core.Figures;
using AbleMend.Core.Preparing;

namespace AbleMend.Core.Curing;

/// <summary>Moisture-curing adhesive: a skin that grows inward, so that depth goes with the root of time × absolute humidity.</summary>
public static class MoistureCure
{
    /// <summary>Absolute humidity in g/m³ of the label's air, 22 °C and 50 %. From memory.</summary>
    public const double LabelGPerM3 = 9.7;

    /// <summary>Gas constant of water vapour in J/(kg·K), from R and the molar mass of water.</summary>
    public const double WaterVapourJPerKgK = 461.5;

    /// <summary>The citation that goes with a moisture cure.</summary>
    public static Source Source { get; } =
        Source.Published("Diffusion-limited growth, depth ∝ √(time × absolute humidity); absolute humidity by the Magnus formula, Sonntag (1990)");

    /// <summary>Absolute humidity of air.</summary>
    /// <param name="airC">Air in °C, -40 to 60.</param>
    /// <param name="relativeHumidityPercent">Relative humidity in percent, 0 to 100.</param>
    /// <returns>g/m³: 8.6 at 20 °C and 50 %, 11.5 at 25 °C and 50 %.</returns>
    public static double AbsoluteHumidityGPerM3(double airC, double relativeHumidityPercent)
    {
        Guard.Within(airC, -40, 60, nameof(airC));
        Guard.Within(relativeHumidityPercent, 0, 100, nameof(relativeHumidityPercent));
        var saturationPa = 100 * DewPoint.SaturationAtZeroHPa * Math.Exp(DewPoint.MagnusA * airC / (DewPoint.MagnusBC + airC));
        return saturationPa * relativeHumidityPercent / 100 / (WaterVapourJPerKgK * (airC + EquivalentAge.ZeroCelsiusK)) * 1000;
    }

    /// <summary>How many times the label's minutes a depth takes in an air; a film thinner than the label's takes the label's time.</summary>
    /// <param name="depthMm">Depth to cure from one side in millimetres, above 0.</param>
    /// <param name="labelFilmMm">Film that the label's times are for in millimetres, above 0.</param>
    /// <param name="airC">Air in °C.</param>
    /// <param name="relativeHumidityPercent">Relative humidity in percent, above 0.</param>
    public static double Factor(double depthMm, double labelFilmMm, double airC, double relativeHumidityPercent)
    {
        var relative = Guard.Positive(depthMm, nameof(depthMm)) / Guard.Positive(labelFilmMm, nameof(labelFilmMm));
        var drier = LabelGPerM3 / AbsoluteHumidityGPerM3(airC, Guard.Positive(relativeHumidityPercent, nameof(relativeHumidityPercent)));
        return Math.Max(1, relative * relative) * drier;
    }
}
