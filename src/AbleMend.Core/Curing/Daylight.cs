using AbleMend.Core.Figures;

namespace AbleMend.Core.Curing;

/// <summary>How much longer than its label's daylight a light-cured resin takes.</summary>
public static class Daylight
{
    /// <summary>Share of the label's time left when a catalyst helps. From memory: about two thirds.</summary>
    public const double CatalystFactor = 0.7;

    /// <summary>Minutes to set without light when a catalyst is in, at 20 °C. From memory.</summary>
    public const double CatalystOnlyMin = 60;

    /// <summary>The citation that goes with a light time.</summary>
    public static Source Source { get; } =
        Source.FromMemory("Label time is for full daylight (common practice: about five minutes of full sun bare, ten under film); the factors for haze, shade and lamp are from memory");

    /// <summary>Minutes of light for a label's minutes, or null when it does not set in this light.</summary>
    /// <param name="labelMin">Minutes in full daylight, above 0.</param>
    /// <param name="light">Light at the bench.</param>
    /// <param name="catalysed">Whether a catalyst is in.</param>
    /// <param name="lampMwPerCm2">Ultraviolet of the lamp at the work in mW/cm², above 0; null for as much as full daylight.</param>
    public static double? Minutes(double labelMin, LightLevel light, bool catalysed, double? lampMwPerCm2 = null)
    {
        Guard.Positive(labelMin, nameof(labelMin));
        var factor = Factor(light, lampMwPerCm2);
        return catalysed
            ? Math.Min(CatalystOnlyMin, (factor ?? double.MaxValue) * labelMin * CatalystFactor)
            : factor * labelMin;
    }

    /// <summary>Minutes of a light for a minute of full daylight, or null where there is none.</summary>
    /// <param name="light">Light at the bench.</param>
    /// <param name="lampMwPerCm2">Ultraviolet of the lamp at the work in mW/cm², above 0; null for as much as full daylight.</param>
    private static double? Factor(LightLevel light, double? lampMwPerCm2) =>
        light switch
        {
            LightLevel.UvLamp => Sky.LabelMwPerCm2 / Guard.Positive(lampMwPerCm2 ?? Sky.LabelMwPerCm2, nameof(lampMwPerCm2)),
            LightLevel.FullSun => 1,
            LightLevel.HazySun => 2,
            LightLevel.OpenShade => 6,
            _ => null,
        };

    /// <summary>Ultraviolet that a light told in words stands for, in mW/cm²; 0 indoors.</summary>
    /// <param name="light">The light.</param>
    /// <param name="fullDaylightMwPerCm2">Full daylight there and then, in mW/cm², 0 or more.</param>
    /// <param name="lampMwPerCm2">Ultraviolet of the lamp at the work in mW/cm², above 0; null for as much as a label's full daylight.</param>
    public static double MwPerCm2(LightLevel light, double fullDaylightMwPerCm2, double? lampMwPerCm2 = null) =>
        light == LightLevel.UvLamp ? Guard.Positive(lampMwPerCm2 ?? Sky.LabelMwPerCm2, nameof(lampMwPerCm2))
        : Guard.NotNegative(fullDaylightMwPerCm2, nameof(fullDaylightMwPerCm2)) / Factor(light, null) ?? 0;
}
