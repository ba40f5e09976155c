namespace AbleMend.Core.Curing;

/// <summary>What something cures in from an instant on.</summary>
/// <param name="From">When it begins, UTC.</param>
/// <param name="TemperatureC">Temperature in °C: the bench's air, or the item's own surface where that is read.</param>
/// <param name="MoistureShare">Water in the air beside what was planned with, for what moisture sets: 1 for as much, 0.5 for half.</param>
/// <param name="IsSurface">Whether the temperature was read on the item itself.</param>
/// <param name="IsWarm">Whether the item stands in a warm box or corner meanwhile, away from the bench.</param>
public sealed record ClimateSpan(DateTimeOffset From, double TemperatureC, double MoistureShare = 1, bool IsSurface = false, bool IsWarm = false);

/// <summary>What something cures in against time: piecewise constant, the last span without end, the first without beginning.</summary>
public sealed class Climate
{
    private Climate(IReadOnlyList<ClimateSpan> spans) => Spans = spans;

    /// <value>Spans in order of time; at least one.</value>
    public IReadOnlyList<ClimateSpan> Spans { get; }

    /// <value>The light that falls on the item as it was read, in order of time; empty where nobody read it, and it is as planned.</value>
    public IReadOnlyList<LightSpan> Light { get; private init; } = [];

    /// <value>The sky over the bench, or null where its place is not known and labels' daylight is taken as it is.</value>
    public Sky? Sky { get; private init; }

    /// <summary>The same temperature throughout.</summary>
    public static Climate Steady(double temperatureC) => new([new ClimateSpan(DateTimeOffset.MinValue, temperatureC)]);

    /// <summary>Builds a climate from spans.</summary>
    /// <exception cref="ArgumentException">There is no span, or they are out of order.</exception>
    public static Climate Of(IReadOnlyList<ClimateSpan> spans)
    {
        var ordered = spans.Zip(spans.Skip(1)).All(pair => pair.First.From < pair.Second.From);
        return spans.Count > 0 && ordered
            ? new Climate(spans)
            : throw new ArgumentException("A climate needs at least one span, in order of time.", nameof(spans));
    }

    /// <summary>
    /// Day and night: the bench temperature by day, another from 20:00 to 07:00 in the shop's zone (common practice:
    /// heating off between them), for 30 days, then the day temperature.
    /// </summary>
    public static Climate DayAndNight(double dayC, double nightC, DateTimeOffset start, TimeZoneInfo zone)
    {
        var firstDay = DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(start, zone).DateTime).AddDays(-1);
        var spans = new List<ClimateSpan>(62);
        for (var day = 0; day < 31; day++)
        {
            spans.Add(new ClimateSpan(At(firstDay.AddDays(day), new TimeOnly(7, 0), zone), dayC));
            spans.Add(new ClimateSpan(At(firstDay.AddDays(day), new TimeOnly(20, 0), zone), nightC));
        }

        spans.Add(new ClimateSpan(At(firstDay.AddDays(31), new TimeOnly(7, 0), zone), dayC));
        return new Climate(spans);
    }

    /// <summary>
    /// This climate with what was read in it: a reading holds until the next, and no longer than until the climate changes by itself, such as
    /// when the heating goes off in the evening.
    /// </summary>
    /// <param name="readings">Readings in order of time; may be empty.</param>
    public Climate WithReadings(IReadOnlyList<ClimateSpan> readings) =>
        readings.Count == 0
            ? this
            : Of([.. Spans.ExceptBy(readings.Select(reading => reading.From), span => span.From).Concat(readings).OrderBy(span => span.From)]).Under(Sky);

    /// <summary>Mean temperature between two instants, in °C.</summary>
    /// <param name="from">First instant.</param>
    /// <param name="to">Last instant, not before the first.</param>
    public double MeanC(DateTimeOffset from, DateTimeOffset to)
    {
        var (sum, at) = (0.0, from);
        foreach (var end in Spans.Select(span => span.From).Where(change => change > from && change < to).Append(to))
        {
            sum += TemperatureCAt(at) * (end - at).TotalMinutes;
            at = end;
        }

        return to > from ? sum / (to - from).TotalMinutes : TemperatureCAt(from);
    }

    /// <summary>This climate under a sky.</summary>
    public Climate Under(Sky? sky) => new(Spans) { Sky = sky, Light = Light };

    /// <summary>This climate with the light as it was read.</summary>
    /// <param name="light">Readings in order of time; may be empty.</param>
    public Climate Lit(IReadOnlyList<LightSpan> light) => new(Spans) { Sky = Sky, Light = light };

    /// <summary>Temperature at an instant in °C.</summary>
    public double TemperatureCAt(DateTimeOffset instant) => At(instant).TemperatureC;

    /// <summary>The span that an instant lies in; the first begins before everything.</summary>
    public ClimateSpan At(DateTimeOffset instant)
    {
        var current = Spans[0];
        foreach (var span in Spans)
        {
            if (span.From > instant)
            {
                break;
            }

            current = span;
        }

        return current;
    }

    private static DateTimeOffset At(DateOnly day, TimeOnly time, TimeZoneInfo zone)
    {
        var local = day.ToDateTime(time);
        // A clock change may skip this hour; the hour after it is then the honest reading.
        var valid = zone.IsInvalidTime(local) ? local.AddHours(1) : local;
        return new DateTimeOffset(valid, zone.GetUtcOffset(valid)).ToUniversalTime();
    }
}
