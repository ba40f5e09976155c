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
        double? factor = light switch
        {
            LightLevel.UvLamp => Sky.LabelMwPerCm2 / Guard.Positive(lampMwPerCm2 ?? Sky.LabelMwPerCm2, nameof(lampMwPerCm2)),
            LightLevel.FullSun => 1,
            LightLevel.HazySun => 2,
            LightLevel.OpenShade => 6,
            _ => null,
        };
        return catalysed
            ? Math.Min(CatalystOnlyMin, (factor ?? double.MaxValue) * labelMin * CatalystFactor)
            : factor * labelMin;
    }
}
