using System.Diagnostics;
using System.Globalization;
using AbleMend.Core.Days;

// Generated shops of eight steps a mend (hands and wait in turn), two pairs of hands, six clamps and three places, a third of the waits with
// a latest end, three working weeks: how good a plan is after how long, and how long a plan takes that keeps to the one before it.
double[] after = [0, 1, 10];
Console.WriteLine("weighted lateness in hours + sum of ends in days, after a time; median of three searches; each alone is a bound that no plan beats");
foreach (var mends in args.Length > 0 ? args[0].Split(',').Select(each => int.Parse(each, CultureInfo.InvariantCulture)) : [20, 60, 120])
{
    var problem = Generated.Shop(mends, 1);
    Searched(problem, 1, 0.3);
    var line = after.Select(seconds => Enumerable.Range(1, 3).Select(seed => Searched(problem, seed, seconds)).Order().ElementAt(1)).Select(Words);
    var alone = problem.Jobs.Select(job => Searched(problem with { Jobs = [job] }, 1, 0)).Aggregate((one, other) => new DayScore(one.Missed + other.Missed, one.LateSlots + other.LateSlots, one.EndSlots + other.EndSlots));
    Console.WriteLine($"{mends} mends: {string.Join("; ", line.Zip(after, (words, seconds) => $"after {seconds:0} s {words}"))}; each alone {Words(alone)}");
    Console.WriteLine($"{mends} mends: made anew after one change in {Replanned(problem):0} ms");
}

static DayScore Searched(DayProblem problem, int seed, double seconds)
{
    var clock = Stopwatch.StartNew();
    var plan = DaySearch.Find(problem, seed, () => seconds == 0 ? 1 : clock.Elapsed.TotalSeconds / seconds, Environment.ProcessorCount).Plan;
    IReadOnlyList<Placed> placed = [.. plan.Select(each => each ?? throw new InvalidOperationException("A mend fits into no day."))];
    var faults = DayCheck.Faults(problem, placed);
    return faults.Count == 0 ? DayCheck.Score(problem, placed) : throw new InvalidOperationException(faults[0]);
}

static double Replanned(DayProblem problem)
{
    var before = DaySearch.Find(problem, 1, () => 1).Plan;
    // One mend has to begin a day later than it stood.
    var first = problem.Jobs[0].Stretches[0] with { NotBefore = before[0]!.Starts[0] + 288 };
    var changed = problem with { Jobs = [problem.Jobs[0] with { Stretches = [first, .. problem.Jobs[0].Stretches.Skip(1)] }, .. problem.Jobs.Skip(1)] };
    return Enumerable.Range(0, 15).Select(_ =>
    {
        var clock = Stopwatch.StartNew();
        new DaySearch(changed, 1, before, 1).Improve(() => 1);
        return clock.Elapsed.TotalMilliseconds;
    }).Order().ElementAt(7);
}

static string Words(DayScore score) => $"{score.LateSlots * DayProblem.SlotMin / 60.0:0} h + {score.EndSlots * DayProblem.SlotMin / 1440.0:0.0} d";

/// <summary>Shops drawn from a seed.</summary>
internal static class Generated
{
    private const int Day = 1440 / DayProblem.SlotMin, Days = 23, Opens = 96, Closes = 204;

    public static DayProblem Shop(int mends, int seed)
    {
        var random = new Random((seed * 7919) + mends);
        List<bool> there = [.. Enumerable.Range(0, Days * Day).Select(slot => slot / Day < 21 && slot / Day % 7 < 5 && slot % Day is >= Opens and < Closes)];
        var lastDue = Math.Clamp(mends * 8 / 120, 3, 14);
        return new DayProblem(Days * Day, [.. Enumerable.Range(0, mends).Select(_ => Mend(random, lastDue))], [new Hands(1, there), new Hands(1, there)], [6, 3]);
    }

    private static DayJob Mend(Random random, int lastDue)
    {
        var stretches = new List<Stretch>();
        Lag? lag = null;
        for (var k = 0; k < 4; k++)
        {
            var (work, opens) = (1 + random.Next(8), (int)Math.Round(2 * Math.Pow(144, random.NextDouble())));
            int? closes = null;
            if (k < 3 && random.Next(9) < 4)
            {
                (opens, closes) = random.Next(3) switch { 0 => (3, 5), 1 => (24, 144), _ => (6, 24) };
            }

            var holds = random.NextDouble() switch { < 0.35 => 0, < 0.55 => 1, _ => -1 };
            stretches.Add(new Stretch(work, lag is null ? [] : [lag], SlotWait.After(opens)) { Holds = holds < 0 ? [] : [new Hold(holds)], HeldUntil = k < 3 ? k + 1 : -1 });
            lag = new Lag(k, work, stretches[^1].Over, closes is { } until ? SlotWait.After(until) : null);
        }

        var due = Enumerable.Range(0, Days).Where(day => day % 7 < 5).ElementAt(random.Next(1, lastDue + 1));
        return new DayJob((due * Day) + Closes, new[] { 1, 1, 2, 3, 5 }[random.Next(5)], stretches);
    }
}
