using AbleMend.Core.Materials;
using AbleMend.Core.Quantities;

namespace AbleMend.Core.Curing;

/// <summary>Turns a label's minutes into clock time at a climate.</summary>
/// <param name="ReferenceC">Label temperature in °C.</param>
/// <param name="ActivationKjPerMol">Activation energy in kJ/mol.</param>
/// <param name="MinimumC">Below this in °C the clock stands still.</param>
/// <param name="BySun">Whether the sun drives it: its minutes are minutes of full daylight, and go by the sky where that is known.</param>
/// <param name="Pace">How fast it runs beside its label: 1 as it says, 0.7 for slower.</param>
/// <param name="LightFactor">Its minutes for a minute of full daylight where light drives it, above 0, so that what a meter reads can take the plan's place; null where light does not.</param>
/// <param name="ByMoisture">Whether the water in the air drives it, which the plan has reckoned with as it was then.</param>
public sealed record CureClock(
    double ReferenceC, double ActivationKjPerMol, double MinimumC, bool BySun = false, double Pace = 1, double? LightFactor = null, bool ByMoisture = false)
{
    /// <summary>How long is looked ahead before a milestone counts as never reached: 60 days.</summary>
    public static readonly TimeSpan Horizon = TimeSpan.FromDays(60);

    /// <summary>Default of a solvent cement in kJ/mol: about the heat of evaporation of its solvents. From memory.</summary>
    public const double EvaporationActivationKjPerMol = 33;

    /// <summary>
    /// The clock of a material. Light-cured resin is driven by light and urethane by the water in the air, not by warmth
    /// (activation 0), but they do stop in the cold; solvent cements dry as their solvent evaporates.
    /// </summary>
    public static CureClock For(Material material)
    {
        var label = material.Label ?? throw new ArgumentException($"{material.Id} has no label.", nameof(material));
        var byClass = material.Cure switch
        {
            CureKind.Light or CureKind.Moisture or CureKind.Cooling or CureKind.AtOnce => 0,
            CureKind.Solvent => EvaporationActivationKjPerMol,
            _ => EquivalentAge.DefaultActivationKjPerMol,
        };
        return new CureClock(label.ReferenceC, material.ActivationKjPerMol ?? byClass, label.MinimumC);
    }

    /// <summary>Rate at a temperature; 0 below the lowest cure temperature.</summary>
    public double RateAt(double temperatureC) =>
        temperatureC < MinimumC ? 0 : Pace * EquivalentAge.Rate(ActivationKjPerMol, temperatureC, ReferenceC);

    /// <summary>Rate in a span of a climate: by its temperature, and by its moisture where that sets it.</summary>
    public double RateIn(ClimateSpan span) => RateAt(span.TemperatureC) * (ByMoisture ? span.MoistureShare : 1);

    /// <summary>Minutes at the reference that pass between two instants.</summary>
    /// <param name="from">First instant.</param>
    /// <param name="to">Last instant; before the first, nothing passes.</param>
    /// <param name="climate">Air at the bench.</param>
    public double MinutesBetween(DateTimeOffset from, DateTimeOffset to, Climate climate)
    {
        if (LightFactor is not null && climate.Light.Count > 0)
        {
            return new FallenLight(this, climate).MinutesBetween(from, to);
        }

        var (sum, at) = (0.0, from);
        foreach (var end in climate.Spans.Select(span => span.From).Where(change => change > from && change < to).Append(to))
        {
            sum += Math.Max(0, (end - at).TotalMinutes) * RateIn(climate.At(at));
            at = end;
        }

        return sum;
    }

    /// <summary>When a milestone is reached: the integral of the rate since the start equals the label's minutes.</summary>
    /// <param name="label">Minutes at the reference temperature, 0 or more.</param>
    /// <param name="start">When the clock was started.</param>
    /// <param name="climate">Air at the bench.</param>
    /// <returns>The instant, or null when it is not reached within the <see cref="Horizon"/>.</returns>
    public DateTimeOffset? TryFindReached(CureTime label, DateTimeOffset start, Climate climate)
    {
        var left = Guard.NotNegative(label.CureMin, nameof(label));
        if (LightFactor is not null && climate.Light.Count > 0)
        {
            return new FallenLight(this, climate).TryFindDosed(left, start);
        }

        if (BySun && climate.Sky is { } sky)
        {
            return RateAt(climate.TemperatureCAt(start)) > 0 ? sky.TryFindDosed(left / Pace, start) : null;
        }

        var now = start;
        for (var i = 0; i < climate.Spans.Count; i++)
        {
            var end = i + 1 < climate.Spans.Count ? climate.Spans[i + 1].From : DateTimeOffset.MaxValue;
            if (end <= now)
            {
                continue;
            }

            var rate = RateIn(climate.Spans[i]);
            var needed = rate > 0 ? left / rate : double.PositiveInfinity;
            if (needed <= (end - now).TotalMinutes)
            {
                return needed <= (start + Horizon - now).TotalMinutes ? now.AddMinutes(needed) : null;
            }

            left -= (end - now).TotalMinutes * rate;
            now = end;
        }

        return null;
    }
}
