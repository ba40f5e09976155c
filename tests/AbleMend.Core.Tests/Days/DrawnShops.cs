using AbleMend.Core.Days;

namespace AbleMend.Core.Tests.Days;

/// <summary>Shops drawn at random: hands with hours, breaks and skills; windows, shared things, and airs that must not meet.</summary>
internal static class DrawnShops
{
    private const int Day = 1440 / DayProblem.SlotMin;
    private const int Days = 12;
    private const int Hour = 60 / DayProblem.SlotMin;

    public static DayProblem Draw(int jobs, int seed)
    {
        var random = new Random(seed);
        var shop = new DayProblem(
            Days * Day,
            [.. Enumerable.Range(0, jobs).Select(_ => Job(random))],
            [Person(random, skill: 3), .. Enumerable.Range(0, random.Next(3)).Select(_ => Person(random, 1 + random.Next(3)))],
            [2 + random.Next(5), 1 + random.Next(3), 1]);
        // The first can do everything: keeping anybody else from a job leaves somebody who does it.
        IReadOnlyList<DayJob> kept = [.. shop.Jobs.Select(job => random.Next(6) == 0 && shop.People.Count > 1 ? Kept(job, 1 + random.Next(shop.People.Count - 1)) : job)];
        var warm = new Random(seed + 2);
        return shop with { Jobs = [.. kept.Select(job => warm.Next(2) == 0 ? job with { Warmed = Warmed(warm, job) } : job)], Running = Running(new Random(seed + 1)) };
    }

    /// <summary>One or two ways in which some of the waits that nothing closes stand in the one warm place, and are over in half the time.</summary>
    private static IReadOnlyList<DayJob> Warmed(Random random, DayJob job)
    {
        var may = Enumerable.Range(0, job.Stretches.Count).Where(k => job.Stretches.All(each => each.Lags.All(lag => lag.From != k || lag.Closes is null))).ToList();
        return [.. Enumerable.Range(0, 1 + random.Next(2)).Select(_ => may.Where(_ => random.Next(2) == 0).ToHashSet()).Where(warm => warm.Count > 0).Select(warm => job with
        {
            Stretches = [.. job.Stretches.Select((stretch, k) => (warm.Contains(k) ? stretch with { IsWarm = true, Over = Halved(stretch.Over), Holds = [new Hold(2)] } : stretch) with
            {
                Lags = [.. stretch.Lags.Select(lag => warm.Contains(lag.From) ? lag with { Opens = Halved(lag.Opens) } : lag)],
            })],
        })];
    }

    private static SlotWait Halved(SlotWait wait) => SlotWait.Table([.. Enumerable.Range(0, Days * Day).Select(slot => wait.At(slot) is var over && over < SlotWait.Never ? slot + ((over - slot + 1) / 2) : SlotWait.Never)]);

    /// <summary>What waits already: now and then more of it than there are places.</summary>
    private static IReadOnlyList<RunningWait> Running(Random random) =>
        [.. Enumerable.Range(0, random.Next(5)).Select(_ => new RunningWait([new Hold(random.Next(2))], random.Next(3) switch { 0 => Airs.WetFace, 1 => Airs.Fumes, _ => Airs.None }, 1 + random.Next(2 * Day)))];

    private static DayJob Kept(DayJob job, int from) => job with { Stretches = [.. job.Stretches.Select(stretch => stretch with { NotBy = [from] })] };

    private static Hands Person(Random random, int skill)
    {
        var (opens, closes, rest) = (7 + random.Next(4), 15 + random.Next(5), random.Next(7));
        return new Hands(skill, [.. Enumerable.Range(0, Days * Day).Select(slot => slot / Day % 7 != rest && slot % Day >= opens * Hour && slot % Day < closes * Hour && slot % Day / Hour != 12)]);
    }

    private static DayJob Job(Random random)
    {
        var stretches = new List<Stretch>();
        var count = 1 + random.Next(7);
        // One in three has two places on one item: its stretches follow by twos.
        var lanes = random.Next(3) == 0 && count > 2 ? 2 : 1;
        for (var k = 0; k < count; k++)
        {
            IReadOnlyList<Lag> lags = k >= lanes ? [LagAfter(random, k - lanes, stretches[k - lanes])] : [];
            var next = k + lanes < count ? k + lanes : -1;
            stretches.Add(new Stretch(1 + random.Next(9), lags, Wait(random))
            {
                Skill = 1 + (random.Next(4) / 3 * random.Next(3)),
                ClearBefore = lags.Any(lag => lag.Closes is not null) ? random.Next(3) : 0,
                NotBefore = k == 0 ? random.Next(2 * Day) : 0,
                LastStart = k == 0 && random.Next(10) == 0 ? 2 * Day : int.MaxValue,
                Holds = random.Next(3) switch { 0 => [new Hold(random.Next(2))], 1 => [new Hold(0, 1 + random.Next(2))], _ => [] },
                HeldUntil = next,
                Hands = (Airs)(1 << random.Next(8)) & (Airs.Fumes | Airs.Sparks | Airs.Dust),
                Waits = random.Next(4) == 0 ? Airs.WetFace : random.Next(8) == 0 ? Airs.Fumes : Airs.None,
            });
        }

        return new DayJob(Day + random.Next(8 * Day), 1 + random.Next(5), stretches);
    }

    private static Lag LagAfter(Random random, int from, Stretch before)
    {
        var opens = before.Over;
        // Now and then a window is too short to hold a slot at all.
        var closes = random.Next(3) == 0 ? Later(opens, random.Next(12) == 0 ? random.Next(3) - 1 : Hour + random.Next(10 * Hour)) : null;
        return new Lag(from, before.Work, opens, closes);
    }

    private static SlotWait Wait(Random random)
    {
        var slots = (int)(2 * Math.Pow(144, random.NextDouble()));
        // Half of them stand still at night: what begins in the evening is over the next day.
        return random.Next(2) == 0 ? SlotWait.After(slots) : SlotWait.Table([.. Enumerable.Range(0, Days * Day).Select(slot => ByDay(slot, slots))]);
    }

    private static int ByDay(int slot, int left)
    {
        while (left > 0 && slot < Days * Day)
        {
            left -= slot % Day >= 7 * Hour && slot % Day < 20 * Hour ? 1 : 0;
            slot++;
        }

        return left > 0 ? SlotWait.Never : slot;
    }

    private static SlotWait Later(SlotWait reach, int slots) => SlotWait.Table([.. Enumerable.Range(0, Days * Day).Select(slot => reach.At(slot) is var over && over < SlotWait.Never ? over + slots : SlotWait.Never)]);
}
