using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Days;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;

namespace AbleMend.Benchmarks.Fortnight;

/// <summary>What came of a fortnight.</summary>
internal sealed record Told(int Arrived, int HandedBack, int Late, double HoursLate, int Missed, int Foreseen, int LostMixes, double HandsHours);

/// <summary>An item in the shop.</summary>
internal sealed class Item(int id, RepairCase repairCase, DateTimeOffset arrivedAt, DateTimeOffset dueAt)
{
    public int Id { get; } = id;

    public DateTimeOffset ArrivedAt { get; } = arrivedAt;

    public DateTimeOffset DueAt { get; } = dueAt;

    public RepairCase Case { get; } = repairCase;

    /// <value>The mend; null until somebody begins it.</value>
    public Mend? Mend { get; set; }

    /// <value>Hands are on it until then.</value>
    public DateTimeOffset BusyUntil { get; set; }

    public DateTimeOffset? ReadyAt { get; set; }
}

/// <summary>What somebody takes up: a mend, the step that they begin with, how many steps they do in one go, and whether it was known that its window would be missed when what opens it was begun.</summary>
internal sealed record Taken(Item Item, string? StepId, int Steps, bool Foreseen = false);

/// <summary>How the next piece of work is chosen.</summary>
internal interface IChoose
{
    /// <summary>What a person takes up now, or null.</summary>
    Taken? Next(int person, IReadOnlyList<Item> items, Planner planner, ShopFloor floor, BenchFacts bench, DateTimeOffset now);
}

/// <summary>A shop with two pairs of hands, and what happens to it.</summary>
internal sealed class Shop(int seed)
{
    private static readonly DateTimeOffset Monday = new(2026, 5, 4, 7, 0, 0, TimeSpan.Zero);
    private static readonly Planner Planner = Planner.Shipped();
    private static readonly BenchFacts Bench = new(19, 55, NightTemperatureC: 14, Zone: "Europe/Dublin", OpensHour: 8, ClosesHour: 18);
    private static readonly ShopFloor Floor = new([new Technician("Wren"), new Technician("Ash", Skill: 3, ComesHour: 9, GoesHour: 17)], Clamps: 4, Places: 8, ClosedDays: [Weekday.Saturday, Weekday.Sunday], BreakFromHour: 13, BreakMin: 60);
    // Read last: the cases are planned at this bench.
    private static readonly IReadOnlyList<RepairCase> Cases = WorkedCases();
    private readonly Dictionary<int, Random> _luck = [];
    private int _missed;
    private int _foreseen;
    private int _lost;
    private double _handsMin;

    public Told Live(IChoose choose)
    {
        var arrivals = Arrivals();
        var (items, busy) = (new List<Item>(), new DateTimeOffset[Floor.People.Count]);
        for (var now = Monday; now < Monday.AddDays(21); now = now.AddMinutes(5))
        {
            items.AddRange(arrivals.Where(item => item.ArrivedAt > now.AddMinutes(-5) && item.ArrivedAt <= now));
            foreach (var item in items.Where(item => item.BusyUntil <= now && item is { Mend: not null, ReadyAt: null }))
            {
                LookAtLastWaits(item, now);
            }

            for (var person = 0; person < busy.Length; person++)
            {
                if (busy[person] <= now && IsThere(person, now) && choose.Next(person, items, Planner, Floor, Bench, now) is { } taken)
                {
                    busy[person] = Do(taken, now);
                }
            }
        }

        var late = items.Where(item => (item.ReadyAt ?? Monday.AddDays(21)) > item.DueAt).ToList();
        return new Told(items.Count, items.Count(item => item.ReadyAt is not null), late.Count, late.Sum(item => ((item.ReadyAt ?? Monday.AddDays(21)) - item.DueAt).TotalHours), _missed, _foreseen, _lost, _handsMin / 60);
    }

    private static bool IsThere(int person, DateTimeOffset now)
    {
        var local = TimeZoneInfo.ConvertTime(now, TimeZoneInfo.FindSystemTimeZoneById(Bench.Zone));
        var who = Floor.People[person];
        return local.DayOfWeek is not (DayOfWeek.Saturday or DayOfWeek.Sunday) && local.Hour != 13
            && local.Hour >= (who.ComesHour ?? Bench.OpensHour) && local.TimeOfDay < TimeSpan.FromHours(who.GoesHour ?? Bench.ClosesHour);
    }

    /// <summary>Two weeks of items: nine to thirteen a working day, due two to six days later at one o'clock.</summary>
    private List<Item> Arrivals()
    {
        var (random, items) = (new Random(seed), new List<Item>());
        foreach (var day in Enumerable.Range(0, 12).Where(day => day % 7 < 5))
        {
            for (var left = 9 + random.Next(5); left > 0; left--)
            {
                var at = Monday.AddDays(day).AddMinutes(5 * random.Next(100));
                var worked = Cases[random.Next(Cases.Count)];
                items.Add(new Item(items.Count + 1, worked with { Bench = Bench, Wanted = worked.Wanted with { StartAt = null, NeededBy = null } }, at, Monday.AddDays(day + 2 + random.Next(5)).AddHours(5)));
            }
        }

        return items;
    }

    private static List<RepairCase> WorkedCases()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!Directory.Exists(Path.Combine(folder!.FullName, "examples")))
        {
            folder = folder.Parent;
        }

        return
        [
            .. Directory.GetFiles(Path.Combine(folder.FullName, "examples"), "*.case.json").Order()
                .Select(path => OpenJson.ReadCase(File.ReadAllText(path)).Value!)
                .Where(each => Planner.Plan(each with { Bench = Bench, Wanted = each.Wanted with { StartAt = Monday, NeededBy = null } }).Value is { Verdict.MendedHere: true, ReadyAt: { } ready } && ready < Monday.AddDays(8)),
        ];
    }

    /// <summary>Hands do some steps of a mend; each takes as long as it takes, and a test fails now and then.</summary>
    private DateTimeOffset Do(Taken taken, DateTimeOffset now)
    {
        var item = taken.Item;
        item.Mend ??= Mend.Open(item.Case, Planner, now).Value!.Start(Planner, now).Value!;
        var luck = _luck.TryGetValue(item.Id, out var known) ? known : _luck[item.Id] = new Random((seed * 1000) + item.Id);
        var at = now;
        var state = item.Mend.StateAt(now);
        var front = state.Fronts.FirstOrDefault(each => each.StepId == taken.StepId) ?? state.Fronts.First(each => each.StepId == state.CurrentStepId);
        if (front.Phase == StepPhase.Waiting)
        {
            if (front.Window!.ClosesAt < now)
            {
                // What lay open too long is keyed and wiped again.
                _missed++;
                _foreseen += taken.Foreseen ? 1 : 0;
                var again = item.Mend.Plan!.Steps.First(step => step.Id == front.StepId).Timing.HandsOnMin * (0.8 + (0.6 * luck.NextDouble()));
                (at, _handsMin) = (at.AddMinutes(again), _handsMin + again);
            }

            Keep(item, new Happening(RunEventKind.Ready, front.StepId, At: at), at);
        }

        var lane = item.Mend.Plan!.Steps.Where(step => step.Damage == front.Damage).ToList();
        // What a redo at another damage has left done is not done again.
        var done = state.Steps.Where(each => each.Phase == StepPhase.Done).Select(each => each.StepId).ToHashSet();
        var steps = lane.SkipWhile(step => step.Id != front.StepId).Skip(front.Phase == StepPhase.Waiting ? 1 : 0).Where(step => !done.Contains(step.Id)).Take(taken.Steps).ToList();
        foreach (var step in steps)
        {
            if (item.Mend.StateAt(at).Fronts.FirstOrDefault(each => each.StepId == step.Id)?.UseBy < at.AddMinutes(-60))
            {
                _lost++;
            }

            if (step.UseWithinMin is not null)
            {
                Keep(item, new Happening(RunEventKind.Begin, step.Id, At: at), at);
            }

            var minutes = step.Timing.HandsOnMin * (0.8 + (0.6 * luck.NextDouble()));
            (at, _handsMin) = (at.AddMinutes(minutes), _handsMin + minutes);
            if (step.Proof is not null)
            {
                var fails = luck.Next(40) == 0;
                Keep(item, Result(step, fails, at), at);
                if (fails && item.Mend.StateAt(at).Fronts.FirstOrDefault(each => each.LeadsBackTo is not null)?.LeadsBackTo is { } back)
                {
                    Keep(item, new Happening(RunEventKind.Redo, back, At: at), at);
                    break;
                }
            }
            else
            {
                Keep(item, new Happening(RunEventKind.HandsDone, step.Id, At: at), at);
            }
        }

        item.BusyUntil = at;
        if (item.Mend.StateAt(at) is { Phase: StepPhase.Done })
        {
            item.ReadyAt = at;
        }

        return at;
    }

    /// <summary>Where nothing follows a wait, somebody who walks by looks and taps.</summary>
    private static void LookAtLastWaits(Item item, DateTimeOffset now)
    {
        foreach (var front in item.Mend!.StateAt(now).Fronts.Where(front => front.Phase == StepPhase.Waiting && front.Window?.OpensAt <= now && item.Mend.Plan!.Steps.Last(step => step.Damage == front.Damage).Id == front.StepId))
        {
            Keep(item, new Happening(RunEventKind.Ready, front.StepId, At: now), now);
        }

        if (item.Mend.StateAt(now).Phase == StepPhase.Done)
        {
            item.ReadyAt = now;
        }
    }

    private static Happening Result(PlanStep step, bool fails, DateTimeOffset at)
    {
        var test = AbleMend.Core.Proving.ProofTest.All[step.Proof!];
        return test.Measures is null ? new Happening(RunEventKind.Proof, step.Id, Passed: !fails, At: at) : new Happening(RunEventKind.Proof, step.Id, Value: fails ? 900 : 0, At: at);
    }

    private static void Keep(Item item, Happening happening, DateTimeOffset at)
    {
        var kept = item.Mend!.Keep(happening, at);
        item.Mend = kept.Value ?? throw new InvalidOperationException($"{item.Id} {happening.Kind} {happening.StepId}: {kept.Problems[0].Message}");
    }
}
