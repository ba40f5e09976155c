using AbleMend.Core.Curing;
using AbleMend.Core.Methods;
using AbleMend.Core.Quantities;
using AbleMend.Core.Running;
using AbleMend.Core.Timing;

namespace AbleMend.Core.Days;

/// <summary>A stretch of a mend: the steps that one pair of hands does in one go.</summary>
/// <param name="Steps">Its steps, 1 or more, in order.</param>
/// <param name="Offsets">Minutes from its start at which each step begins.</param>
internal sealed record StepRun(IReadOnlyList<PlanStep> Steps, IReadOnlyList<double> Offsets)
{
    public double Minutes => Offsets[^1] + Steps[^1].Timing.HandsOnMin;

    public int Work => Math.Max(1, (int)Math.Ceiling((Minutes / DayProblem.SlotMin) - 1e-9));
}

/// <summary>
/// What is left of a mend as a job: steps that follow one another without a wait are one stretch, and each wait is a lag whose ends
/// move with the bench's climate.
/// </summary>
internal sealed class MendJobs(SlotCalendar calendar, ShopFloor floor)
{
    /// <summary>Longest stretch in minutes that is not put down; longer work goes on after a break. From memory.</summary>
    private const double LongestMin = 60;

    /// <summary>A mix that is too short for the hands is told where it is mixed; standing for longer than this is what the days are laid out to avoid.</summary>
    private const double NoPauseMin = 60;

    /// <summary>Hands begin nothing else for so long before they have to be there for a window that closes. From memory: work runs over by a few minutes more often than not.</summary>
    private const int ClearMin = 10;

    /// <summary>For less nobody carries an item into the warm: half an hour. From memory.</summary>
    private const int WorthItSlots = 30 / DayProblem.SlotMin;

    private readonly Air _warm = new(Climate.Steady(floor.WarmC));

    private readonly Dictionary<(string Climate, CureClock Clock, double Minutes, bool Opens), SlotWait> _waits = [];

    /// <summary>The shared things in the order of a problem's capacities.</summary>
    public static IReadOnlyList<int> Capacities(ShopFloor floor) => [floor.Clamps, floor.Places, floor.WarmPlaces];

    /// <summary>What is left of a mend.</summary>
    /// <returns>The job, and the steps of each of its stretches; no stretches where nothing is left.</returns>
    public (DayJob Job, IReadOnlyList<StepRun> Runs) Of(MendToPlan mend)
    {
        var runs = Runs(mend);
        var places = runs.SelectMany((run, i) => run.Steps.Select((step, k) => (step.Id, Place: i, OffsetMin: run.Offsets[k]))).ToDictionary(each => each.Id, each => (each.Place, each.OffsetMin));
        var bench = new Air(mend.Climate);
        IReadOnlyList<Stretch> With(IReadOnlyList<int> warmed) => [.. runs.Select((run, i) => StretchOf(mend, run, i, runs, places, new Airing(bench, _warm, warmed)))];
        var job = new DayJob(mend.DueAt is { } due ? Math.Max(0, calendar.Floor(due)) : SlotWait.Never, mend.Wish.Weight, With([]));
        return (job with { Warmed = [.. Subsets(MayBeWarmed(mend, runs, bench)).Select(warmed => job with { Stretches = With(warmed) })] }, runs);
    }

    /// <summary>
    /// The stretches whose wait may stand in the warm and is over sooner there by more than it takes to carry the item to and fro. An item with
    /// several damages is worked on while one of them waits, and stays at the bench.
    /// </summary>
    private List<int> MayBeWarmed(MendToPlan mend, IReadOnlyList<StepRun> runs, Air bench) =>
        floor.WarmPlaces == 0 || mend.Plan.Damages.Count > 1 ? []
        : [.. runs.Index().Where(each => each.Item.Steps[^1].Timing.Wait is { Warm.UpToC: { } most, ClosesMin: null } wait && most >= floor.WarmC
            && WaitOf(bench, wait.Clock, wait.OpensMin.CureMin, opens: true).At(0) - WorthItSlots > WaitOf(_warm, wait.Clock, wait.OpensMin.CureMin, opens: true).At(0)).Select(each => each.Index)];

    /// <summary>Every choice of some of them where there are few; else each alone, and all.</summary>
    private static IEnumerable<IReadOnlyList<int>> Subsets(List<int> of) =>
        of.Count <= 3
            ? Enumerable.Range(1, (1 << of.Count) - 1).Select(mask => of.Where((_, i) => (mask >> i & 1) == 1).ToList())
            : of.Select(each => (IReadOnlyList<int>)[each]).Append(of);

    /// <summary>What is left to do, in the order of the plan's timeline, put together into stretches.</summary>
    private static IReadOnlyList<StepRun> Runs(MendToPlan mend)
    {
        var done = (mend.Run?.Steps ?? []).Where(step => step.Phase is StepPhase.Done or StepPhase.Waiting).Select(step => step.StepId).ToHashSet();
        var left = mend.Plan.Steps.Where(step => !done.Contains(step.Id)).ToList();
        var awaited = left.SelectMany(step => step.Timing.Awaits()).ToHashSet();
        var runs = new List<StepRun>();
        // Of several damages each goes its own way; what one waits for in another is kept by their order.
        foreach (var lane in left.GroupBy(step => step.Damage))
        {
            var (steps, offsets, minutes) = (new List<PlanStep>(), new List<double>(), 0.0);
            void Close()
            {
                if (steps.Count > 0)
                {
                    runs.Add(new StepRun(steps, offsets));
                    (steps, offsets, minutes) = ([], [], 0);
                }
            }

            foreach (var step in lane)
            {
                // What opens a window is begun when the window can be met, not when the work before it happens to be done.
                if (step.Timing.Awaits().Any() || (steps.Count > 0 && !step.Timing.FollowsOn && (step.Timing.Wait?.ClosesMin is not null || minutes + step.Timing.HandsOnMin > LongestMin)))
                {
                    Close();
                }

                steps.Add(step);
                offsets.Add(minutes);
                minutes += step.Timing.HandsOnMin;
                if (step.Timing.Wait is not null || awaited.Contains(step.Id))
                {
                    Close();
                }
            }

            Close();
        }

        return InOrder(runs);
    }

    /// <summary>The stretches of all damages, each after those that it waits for.</summary>
    private static IReadOnlyList<StepRun> InOrder(IReadOnlyList<StepRun> runs)
    {
        var placeOf = runs.SelectMany((run, i) => run.Steps.Select(step => (step.Id, i))).ToDictionary(each => each.Id, each => each.i);
        var (ordered, taken) = (new List<StepRun>(), new HashSet<int>());
        while (ordered.Count < runs.Count)
        {
            var next = Enumerable.Range(0, runs.Count).FirstOrDefault(i => !taken.Contains(i) && IsFree(i), Enumerable.Range(0, runs.Count).First(i => !taken.Contains(i)));
            taken.Add(next);
            ordered.Add(runs[next]);
        }

        return ordered;

        bool IsFree(int i) =>
            (i == 0 || runs[i - 1].Steps[0].Damage != runs[i].Steps[0].Damage || taken.Contains(i - 1))
            && runs[i].Steps[0].Timing.Awaits().All(id => !placeOf.TryGetValue(id, out var place) || taken.Contains(place));
    }

    private Stretch StretchOf(MendToPlan mend, StepRun run, int place, IReadOnlyList<StepRun> runs, Dictionary<string, (int Place, double OffsetMin)> places, Airing air)
    {
        var (first, last) = (run.Steps[0], run.Steps[^1]);
        var before = Enumerable.Range(0, place).LastOrDefault(i => runs[i].Steps[0].Damage == first.Damage, -1);
        var next = Enumerable.Range(place + 1, runs.Count - place - 1).FirstOrDefault(i => runs[i].Steps[0].Damage == first.Damage, -1);
        var lags = new List<Lag>();
        if (before >= 0)
        {
            lags.Add(After(runs, before, places, air.Of(before), runs[before].Steps[^1].Timing.Wait));
        }

        foreach (var id in first.Timing.After ?? [])
        {
            if (places.TryGetValue(id, out var at) && at.Place < place)
            {
                lags.Add(After(runs, at.Place, places, air.Of(at.Place), runs[at.Place].Steps[^1].Timing.Wait is { } wait ? wait with { ClosesMin = null } : null));
            }
        }

        foreach (var firm in first.Timing.WhenFirm ?? [])
        {
            if (places.TryGetValue(firm.StepId, out var at) && at.Place < place && runs[at.Place].Steps[^1].Timing.Wait is { } wait)
            {
                lags.Add(After(runs, at.Place, places, air.Of(at.Place), firm.FirmMin.CureMin == 0 ? null : wait with { OpensMin = firm.FirmMin, ClosesMin = null }));
            }
        }

        lags.AddRange(MixLives(run, place, places));
        var (standing, lastStart) = before < 0 ? Standing(mend, first) : (0, int.MaxValue);
        var notBefore = Math.Max(standing, OnceOthersLet(mend, first));
        // What waits or is in hand goes by its window and by its cup; only what may begin at any time can be pinned.
        var pinned = place == 0 && lastStart == int.MaxValue && mend.Wish.BeginAt is { } begin && calendar.Ceiling(begin) is var slot && slot >= Math.Max(1, notBefore) ? slot : (int?)null;
        var notBy = NotBy(mend);
        var closing = before < 0 ? mend.Run?.Fronts.FirstOrDefault(front => front.Damage == first.Damage && front.Phase == StepPhase.Waiting)?.Window?.ClosesAt : null;
        var (overFrom, over) = OverOf(run, place, places, air.Of(place));
        return new Stretch(run.Work, lags, over)
        {
            OverOffset = overFrom,
            NotBefore = pinned ?? notBefore,
            LastStart = pinned ?? lastStart,
            IsPinned = pinned is not null,
            ClearBefore = closing is not null || lags.Exists(lag => lag.Closes is not null && lag.Opens != SlotWait.AtOnce) ? ClearMin / DayProblem.SlotMin : 0,
            Person = PersonOf(mend),
            NotBy = notBy,
            Skill = Math.Min(SkillOf(mend, first), floor.People.Where((_, i) => !notBy.Contains(i)).Max(person => person.Skill)),
            Holds = HoldsOf(last.Timing.Wait, air.IsWarm(place)),
            IsWarm = air.IsWarm(place),
            HeldUntil = next,
            Hands = HandsOf(run),
            Waits = AirsOf(last.Timing.Wait),
            Mix = MixOf(mend, run) ?? HeatOf(run),
        };
    }

    /// <summary>The cup that a stretch mixes, where it is one cup: what goes in, in which parts, and how it is measured.</summary>
    private static DayMix? MixOf(MendToPlan mend, StepRun run)
    {
        if (MixedIn(run) is not { Pour.Cup: { } cup } step || mend.Plan.Steps.FirstOrDefault(each => each.Uses == step.Id && each.Id != step.Id && each.Stage != Stage.Mix) is not { } user)
        {
            return null;
        }

        var parts = cup.Ingredients.Select(each => $"{each.Part}{(each.Grams is not null ? "g" : each.Each is not null ? "x" : "")}");
        return new DayMix(
            string.Join(' ', (step.Takes ?? []).Select(taking => taking.Material).Distinct().Order(StringComparer.Ordinal).Concat(parts)),
            OffsetOf(run, step), user.Timing.HandsOnMin, step.UseWithinMin ?? double.PositiveInfinity);
    }

    /// <summary>The tool that a stretch heats: what it melts tells it, and is loaded into it.</summary>
    private static DayMix? HeatOf(StepRun run) =>
        HeatedIn(run) is { } step
            ? new DayMix(string.Join(' ', step.Takes!.Select(taking => taking.Material).Distinct().Order(StringComparer.Ordinal)), OffsetOf(run, step), step.Timing.HandsOnMin, double.PositiveInfinity, OnceKind.Heat)
            : null;

    private static int OffsetOf(StepRun run, PlanStep step) => (int)(run.Offsets[run.Steps.ToList().IndexOf(step)] / DayProblem.SlotMin);

    /// <summary>The step of a stretch that mixes a cup; the first where there are several, null where there is none.</summary>
    public static PlanStep? MixedIn(StepRun run) => run.Steps.FirstOrDefault(step => step.Pour?.Cup is not null);

    /// <summary>The step of a stretch that melts what it takes; null where there is none. What only a flame passes over takes nothing.</summary>
    public static PlanStep? HeatedIn(StepRun run) => run.Steps.FirstOrDefault(step => step.Cautions.Contains("hot-metal") && step.Takes is { Count: > 0 });

    private static Airs AirsOf(StepWait? wait) => wait?.Kind switch
    {
        WaitKind.Tack or WaitKind.Recoat or WaitKind.Light => Airs.WetFace,
        WaitKind.Flash => Airs.Fumes,
        _ => Airs.None,
    };

    /// <summary>The waits of a mend that run already: until its window opens, what it lies on and is clamped with is not to be had, and nothing may fall on it.</summary>
    public IReadOnlyList<RunningWait> RunningOf(MendToPlan mend) =>
    [
        .. (mend.Run?.Fronts ?? []).Where(front => front is { Phase: StepPhase.Waiting, Window: not null })
            .Select(front => (mend.Plan.Steps.First(step => step.Id == front.StepId).Timing.Wait, Opens: front.Window!.OpensAt))
            .Select(each => new RunningWait(HoldsOf(each.Wait, mend.Run?.Warm?.StandsAtC is not null), AirsOf(each.Wait), each.Opens is { } opens ? Math.Clamp(calendar.Ceiling(opens), 0, calendar.Slots) : calendar.Slots))
            .Where(running => running.Until > 0 && (running.Holds.Count > 0 || running.Airs != Airs.None)),
    ];

    private static int SkillOf(MendToPlan mend, PlanStep step) => mend.Plan.Damages[step.Damage - 1] is { System: { } system } damage ? damage.Candidates.FirstOrDefault(each => each.Method == system.Method && each.Material == system.Material)?.Skill ?? 1 : 1;

    private IReadOnlyList<Hold> HoldsOf(StepWait? wait, bool isWarm) =>
        wait?.Kind switch
        {
            WaitKind.Hold when floor.Clamps > 0 => [new Hold((int)SharedThing.Clamp), new Hold((int)(isWarm ? SharedThing.Warm : SharedThing.Place))],
            not null when isWarm => [new Hold((int)SharedThing.Warm)],
            WaitKind.Hold or WaitKind.Tack or WaitKind.Recoat or WaitKind.Sandable or WaitKind.Light or WaitKind.Flash => [new Hold((int)SharedThing.Place)],
            _ => [],
        };

    private Airs HandsOf(StepRun run)
    {
        var airs = Airs.None;
        foreach (var caution in run.Steps.SelectMany(step => step.Cautions))
        {
            airs |= caution switch
            {
                "solvent" or "no-flame" => Airs.Fumes,
                "heat-gun" or "hot-metal" or "grinder" => Airs.Sparks,
                "glass-dust" or "resin-dust" or "wood-dust" or "carbon-dust" when !floor.SandsElsewhere => Airs.Dust,
                _ => Airs.None,
            };
        }

        // A stretch that has both in turn keeps them apart by its own steps.
        return airs.HasFlag(Airs.Fumes) ? airs & ~Airs.Sparks : airs;
    }

    /// <summary>When the first stretch of a damage may begin, and must have begun: what it waits for runs already.</summary>
    private (int NotBefore, int LastStart) Standing(MendToPlan mend, PlanStep first)
    {
        if (mend.Run is not { } run || run.Fronts.FirstOrDefault(front => front.Damage == first.Damage) is not { } front)
        {
            return (HeldUntil(mend), int.MaxValue);
        }

        return front switch
        {
            { Phase: StepPhase.Waiting, Window: { } window } => (window.OpensAt is { } opens ? Math.Max(0, calendar.Ceiling(opens)) : calendar.Slots, window.ClosesAt is { } closes ? Math.Max(0, calendar.Floor(closes)) : int.MaxValue),
            { UseBy: { } useBy } => (0, Math.Max(0, calendar.Floor(useBy))),
            { HeldUntil: { } held } => (Math.Max(HeldUntil(mend), calendar.Ceiling(held)), int.MaxValue),
            // What is in hand is not held back.
            { Phase: StepPhase.Next } => (HeldUntil(mend), int.MaxValue),
            _ => (0, int.MaxValue),
        };
    }

    /// <summary>When what waits already at other damages of the item lets a step begin: what it waits for there is over, or is firm.</summary>
    private int OnceOthersLet(MendToPlan mend, PlanStep step)
    {
        if (mend.Run is not { } run)
        {
            return 0;
        }

        var waiting = run.Fronts.Where(front => front.Phase == StepPhase.Waiting).ToDictionary(front => front.StepId, front => front.Window);
        return (step.Timing.After ?? []).Where(waiting.ContainsKey).Select(id => waiting[id]?.OpensAt)
            .Concat((step.Timing.WhenFirm ?? []).Where(firm => waiting.ContainsKey(firm.StepId)).Select(firm => Timeline.FirmAt(firm, mend.Plan.Steps.First(each => each.Id == firm.StepId).Timing, run.Timeline, mend.Climate)))
            .Select(at => at is { } over ? Math.Clamp(calendar.Ceiling(over), 0, calendar.Slots) : calendar.Slots)
            .DefaultIfEmpty(0).Max();
    }

    private int HeldUntil(MendToPlan mend) => mend.Wish.NotBefore is { } from ? Math.Max(0, calendar.Ceiling(from)) : 0;

    private int PersonOf(MendToPlan mend) => mend.Wish.Person is { } name ? floor.People.ToList().FindIndex(person => person.Name == name) : -1;

    /// <summary>Who may not do it; nobody where that would leave nobody, as when somebody has gone for good since.</summary>
    private IReadOnlyList<int> NotBy(MendToPlan mend)
    {
        var not = floor.People.Index().Where(each => mend.Wish.NotBy?.Contains(each.Item.Name) == true).Select(each => each.Index).ToList();
        return not.Count < floor.People.Count && !not.Contains(PersonOf(mend)) ? not : [];
    }

    /// <summary>The lag after an earlier stretch: its hands, and what is waited for after its last step.</summary>
    private Lag After(IReadOnlyList<StepRun> runs, int place, Dictionary<string, (int Place, double OffsetMin)> places, Air air, StepWait? awaited)
    {
        var run = runs[place];
        if (awaited is not { } wait)
        {
            return new Lag(place, run.Work, SlotWait.AtOnce);
        }

        var (from, offset, opens) = Counted(run, place, wait, places, air);
        var until = wait.ClosesMin is { } minutes ? WaitOf(air, wait.Clock, minutes.CureMin, opens: false) : null;
        return new Lag(from, offset, opens, until);
    }

    private (int Offset, SlotWait Over) OverOf(StepRun run, int place, Dictionary<string, (int Place, double OffsetMin)> places, Air air)
    {
        if (run.Steps[^1].Timing.Wait is not { } wait)
        {
            return (run.Work, SlotWait.AtOnce);
        }

        var (from, offset, opens) = Counted(run, place, wait, places, air);
        return from == place ? (offset, opens) : (run.Work, opens);
    }

    /// <summary>From which moment of which stretch a wait counts; one that counts from what was done before this stretch counts from its end instead, which is later.</summary>
    private (int From, int Offset, SlotWait Opens) Counted(StepRun run, int place, StepWait wait, Dictionary<string, (int Place, double OffsetMin)> places, Air air)
    {
        var opens = WaitOf(air, wait.Clock, wait.OpensMin.CureMin, opens: true);
        return wait.CountsFrom is { } id && places.TryGetValue(id, out var at) && at.Place == place
            // Nothing goes on before the hands are off, however soon it would be ready.
            ? (place, run.Work, Sooner(opens, run.Work - (int)(at.OffsetMin / DayProblem.SlotMin)))
            : (place, run.Work, opens);
    }

    /// <summary>A wait that has been running for some slots when the hands are off.</summary>
    private SlotWait Sooner(SlotWait wait, int slots) =>
        slots == 0 ? wait : SlotWait.Worked(calendar.Slots, slot => Math.Max(slot, wait.At(Math.Max(0, slot - slots))));

    /// <summary>Until when a mix from an earlier stretch has to be used.</summary>
    private static IEnumerable<Lag> MixLives(StepRun run, int place, Dictionary<string, (int Place, double OffsetMin)> places) =>
        run.Steps.Select((step, k) => (step.Timing, EndMin: run.Offsets[k] + step.Timing.HandsOnMin))
            .Where(each => each.Timing.Uses is { } mix && places.TryGetValue(mix.StepId, out var mixed) && mixed.Place < place)
            .Select(each => (Mixed: places[each.Timing.Uses!.StepId], Within: Math.Max(each.Timing.Uses.WithinMin - each.EndMin, NoPauseMin)))
            .Select(each => new Lag(each.Mixed.Place, 0, SlotWait.AtOnce, SlotWait.After((int)((each.Mixed.OffsetMin + each.Within) / DayProblem.SlotMin))));

    private SlotWait WaitOf(Air air, CureClock clock, double minutes, bool opens)
    {
        var key = (air.Key, clock, minutes, opens);
        if (!_waits.TryGetValue(key, out var wait))
        {
            wait = Worked(air, clock, minutes, opens);
            _waits[key] = wait;
        }

        return wait;
    }

    private SlotWait Worked(Air air, CureClock clock, double minutes, bool opens)
    {
        if (air.Climate.Spans.Count == 1 && !clock.BySun && air.Climate.Light.Count == 0)
        {
            var rate = clock.RateAt(air.Climate.Spans[0].TemperatureC);
            var slots = minutes / rate / DayProblem.SlotMin;
            return rate == 0 || slots > calendar.Slots ? SlotWait.Table([]) : SlotWait.After((int)(opens ? Math.Ceiling(slots - 1e-9) : slots));
        }

        var label = Measures.CureMin(minutes);
        return SlotWait.Worked(calendar.Slots, slot => clock.TryFindReached(label, calendar.At(slot), air.Climate) is { } end ? opens ? calendar.Ceiling(end) : calendar.Floor(end) : SlotWait.Never);
    }

    /// <summary>The air that a mend cures in, under a key that tells it from another.</summary>
    private sealed class Air(Climate climate)
    {
        public Climate Climate { get; } = climate;

        public string Key => field ??= string.Join(';', Climate.Spans.Select(span => $"{span.From.UtcTicks}:{span.TemperatureC:R}:{span.MoistureShare:R}")) + string.Join(';', Climate.Light.Select(span => $"{span.From.UtcTicks}:{span.MwPerCm2:R}")) + (Climate.Sky is { } sky ? sky.ToString() : "");
    }
    /// <summary>Which of a mend's waits stand in the warm, and which at the bench.</summary>
    private sealed record Airing(Air Bench, Air Warm, IReadOnlyList<int> Warmed)
    {
        public bool IsWarm(int place) => Warmed.Contains(place);

        public Air Of(int place) => IsWarm(place) ? Warm : Bench;
    }
}
