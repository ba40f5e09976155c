namespace AbleMend.Core.Curing;

/// <summary>Light on the item from an instant on, as it was read: by a meter beside it, or told in words.</summary>
/// <param name="From">When, UTC.</param>
/// <param name="MwPerCm2">Ultraviolet in mW/cm², 0 or more; 0 once it was carried in.</param>
public sealed record LightSpan(DateTimeOffset From, double MwPerCm2);

/// <summary>
/// The light that falls on what light sets: as it was planned until somebody read it, and from then on as it was read. The sun does not stand
/// still between two readings: where the shop's place is known, what was read stays the same share of a clear sky.
/// </summary>
/// <param name="clock">Clock of what is set by it; its <see cref="CureClock.LightFactor"/> is known.</param>
/// <param name="climate">Light and sky over it.</param>
public sealed class FallenLight(CureClock clock, Climate climate)
{
    /// <summary>A clear sky under which a reading tells nothing of clouds, in mW/cm²: dawn and dusk.</summary>
    private const double TooLowMwPerCm2 = 0.2;

    /// <summary>What reads more than this times a clear sky is no sun; the edge of a bright cloud adds about a fifth. From memory.</summary>
    private const double MostOfClearSky = 1.3;

    private static readonly TimeSpan Stride = TimeSpan.FromMinutes(5);

    private readonly double _factor = clock.LightFactor ?? throw new ArgumentException("Light does not set this.", nameof(clock));

    /// <summary>Ultraviolet at an instant in mW/cm².</summary>
    public double MwPerCm2At(DateTimeOffset at) =>
        climate.Light.LastOrDefault(span => span.From <= at) is not { } read ? Sky.LabelMwPerCm2 * (clock.BySun && climate.Sky is { } planned ? planned.ShareAt(at) : 1) / _factor
        : ShareOfClearSky(read) is { } share ? share * climate.Sky!.MwPerCm2At(at)
        : read.MwPerCm2;

    /// <summary>What a reading is of a clear sky; null where the sun does not set the pace, or says nothing then.</summary>
    public double? ShareOfClearSky(LightSpan read) =>
        clock.BySun && climate.Sky?.MwPerCm2At(read.From) is >= TooLowMwPerCm2 and var clear && read.MwPerCm2 <= clear * MostOfClearSky ? read.MwPerCm2 / clear : null;

    /// <summary>Dose that some of the clock's minutes stand for, in mJ/cm²: what sets at 0.7 of its label's pace takes 1 ÷ 0.7 of its dose.</summary>
    /// <param name="minutes">Minutes of the clock, 0 or more.</param>
    public double DoseMjPerCm2(double minutes) => Guard.NotNegative(minutes, nameof(minutes)) / clock.Pace / _factor * Sky.LabelMwPerCm2 * 60;

    /// <summary>The clock's minutes that pass between two instants: dose = ∫ irradiance dt, by the midpoint rule in steps of five minutes at most.</summary>
    /// <param name="from">First instant.</param>
    /// <param name="to">Last instant; before the first, nothing falls.</param>
    public double MinutesBetween(DateTimeOffset from, DateTimeOffset to) => Strides(from, to).Sum(each => each.Gained);

    /// <summary>When some of the clock's minutes have passed.</summary>
    /// <param name="minutes">Minutes, 0 or more.</param>
    /// <param name="start">When it is carried into the light.</param>
    /// <returns>The instant, or null when it is not reached within the <see cref="Sky.Horizon"/>.</returns>
    public DateTimeOffset? TryFindDosed(double minutes, DateTimeOffset start)
    {
        var left = Guard.NotNegative(minutes, nameof(minutes));
        foreach (var (at, span, gained) in Strides(start, start + Sky.Horizon))
        {
            if (gained >= left)
            {
                return gained > 0 ? at + (span * (left / gained)) : at;
            }

            left -= gained;
        }

        return null;
    }

    private IEnumerable<(DateTimeOffset At, TimeSpan Span, double Gained)> Strides(DateTimeOffset from, DateTimeOffset to)
    {
        var reads = climate.Light.Select(span => span.From).Where(read => read > from && read < to).Append(to).ToList();
        foreach (var end in reads)
        {
            for (; from < end; from += Stride)
            {
                var span = end - from < Stride ? end - from : Stride;
                var rate = clock.RateAt(climate.TemperatureCAt(from)) > 0 ? MwPerCm2At(from + (span / 2)) * _factor / Sky.LabelMwPerCm2 * clock.Pace : 0;
                yield return (from, span, rate * span.TotalMinutes);
            }

            from = end;
        }
    }
}
