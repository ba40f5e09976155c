using AbleMend.Core.Cases;
using AbleMend.Core.Curing;

namespace AbleMend.Core.Running;

/// <summary>
/// Whether the light was measured in which something set. A light that was told in a word lies within twice of what it says, so that a finger
/// under it tells of the sky and not of the resin.
/// </summary>
internal static class MeasuredLight
{
    /// <summary>For how long a reading by hand tells of the sky. From memory: clouds come and go.</summary>
    public static readonly TimeSpan UnderTheSky = TimeSpan.FromMinutes(15);

    /// <summary>Whether the light is known from one instant to another without a gap.</summary>
    /// <param name="bench">The bench as it was planned with.</param>
    /// <param name="events">Events that stand.</param>
    /// <param name="from">When it was carried into the light.</param>
    /// <param name="to">When it was looked at.</param>
    public static bool Throughout(BenchFacts bench, IReadOnlyList<RunEvent> events, DateTimeOffset from, DateTimeOffset to)
    {
        var told = Surroundings.Read(events, RunEventKind.Light);
        var during = told.Where(each => each.At > from && each.At < to).ToList();
        return (told.LastOrDefault(each => each.At <= from) is { } before ? Holds(bench, before, during.Count > 0 ? during[0].At : to) : IsMeasured(bench))
            && during.Zip(during.Skip(1).Select(each => each.At).Append(to), (read, until) => Holds(bench, read, until)).All(holds => holds);
    }

    /// <summary>Whether what was read or told still holds at an instant.</summary>
    private static bool Holds(BenchFacts bench, RunEvent read, DateTimeOffset until) =>
        read.Text is { } word ? word == Kebab<LightLevel>.Id(LightLevel.Indoors) || (word == Kebab<LightLevel>.Id(LightLevel.UvLamp) && bench.LampMwPerCm2 is not null)
        // A meter that lies there tells whatever changes; under a lamp nothing does.
        : read.Resolution is not null || bench.Light == LightLevel.UvLamp || until - read.At <= UnderTheSky;

    /// <summary>Whether the plan itself knows the light: a lamp that was measured.</summary>
    private static bool IsMeasured(BenchFacts bench) => bench is { Light: LightLevel.UvLamp, LampMwPerCm2: not null };
}
