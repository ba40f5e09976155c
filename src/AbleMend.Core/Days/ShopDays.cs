using AbleMend.Core.Cases;
using AbleMend.Core.Methods;

namespace AbleMend.Core.Days;

/// <summary>Lays what is left of all mends out over the coming days, as one shop does them.</summary>
/// <param name="floor">Who mends, and what there is only so much of.</param>
/// <param name="bench">The shop's hours and zone.</param>
public sealed class ShopDays(ShopFloor floor, BenchFacts bench)
{
    /// <summary>What moving a stretch costs against a mend that is late: five minutes. From memory: for less nobody wants to be told anew.</summary>
    private const double MoveCostMin = 5;

    /// <summary>A stretch that stands this much elsewhere has moved.</summary>
    private static readonly TimeSpan Noticed = TimeSpan.FromMinutes(15);

    /// <summary>Makes a plan.</summary>
    /// <param name="mends">What there is to do.</param>
    /// <param name="now">The present.</param>
    /// <param name="progress">How much of the time for looking is gone, 0 to 1.</param>
    /// <param name="before">The plan before this one, which is kept to where little speaks against it; null for none.</param>
    /// <param name="seed">Of the search's random choices.</param>
    public DaysPlan Plan(IReadOnlyList<MendToPlan> mends, DateTimeOffset now, Func<double> progress, DaysPlan? before = null, int seed = 1)
    {
        var draft = Begin(mends, now, before, seed);
        draft.Improve(progress);
        return draft.Laid();
    }

    /// <summary>Begins to look for a plan: what is found first stands in it, and it can be looked on for.</summary>
    /// <param name="mends">What there is to do.</param>
    /// <param name="now">The present.</param>
    /// <param name="before">The plan before this one, which is kept to where little speaks against it; null for none.</param>
    /// <param name="seed">Of the search's random choices.</param>
    public DaysDraft Begin(IReadOnlyList<MendToPlan> mends, DateTimeOffset now, DaysPlan? before = null, int seed = 1)
    {
        var calendar = SlotCalendar.From(now, TimeZoneInfo.FindSystemTimeZoneById(bench.Zone));
        var jobs = new MendJobs(calendar, floor);
        var laid = mends.Select(mend => (Mend: mend, Laid: jobs.Of(mend))).Where(each => each.Laid.Runs.Count > 0).ToList();
        var running = mends.SelectMany(mend => jobs.RunningOf(mend).Select(each => (mend.Id, Wait: each))).ToList();
        var problem = ProblemOf(calendar, [.. laid.Select(each => each.Laid.Job)]) with { Running = [.. running.Select(each => each.Wait)] };
        var search = new DaySearch(problem, seed, before is null ? null : [.. laid.Select(each => StoodAt(each.Mend, each.Laid, before, calendar))], before is null ? 0 : MoveCostMin / DayProblem.SlotMin);
        return new DaysDraft(problem, search, best => LaidOut(problem, DayMixes.Gathered(problem, best), now, calendar, laid, running, before));
    }

    private DaysPlan LaidOut(
        DayProblem problem, IReadOnlyList<Placed?> best, DateTimeOffset now, SlotCalendar calendar, IReadOnlyList<(MendToPlan Mend, (DayJob Job, IReadOnlyList<StepRun> Runs) Laid)> laid,
        IReadOnlyList<(int Id, RunningWait Wait)> running, DaysPlan? before)
    {
        var blocks = laid.SelectMany((each, j) => best[j] is { } placed ? Blocks(each.Mend, each.Laid, placed, calendar) : []).OrderBy(block => block.StartsAt).ThenBy(block => block.Person).ToList();
        var ready = laid.Select((each, j) => Ready(each.Mend, each.Laid.Job, best[j], calendar)).OrderBy(each => each.ReadyAt ?? DateTimeOffset.MaxValue).ToList();
        var together = DayMixes.Together(problem, best).Select(group => Told(group, best, laid, calendar)).OrderBy(each => each.At).ToList();
        return new DaysPlan(now, calendar.At(calendar.Slots), [.. floor.People.Select(person => person.Name)], blocks, ready, before is null ? [] : Moves(before, blocks, together, now))
        {
            Together = together,
            Taken = DayTaken.Numbered([
                .. running.SelectMany(each => each.Wait.Holds.Select(hold => new DayTaken((SharedThing)hold.Resource, 0, each.Id, now, calendar.At(each.Wait.Until)))),
                .. laid.SelectMany((each, j) => best[j] is { } placed ? Taken(each.Mend.Id, each.Laid.Job, placed, calendar) : []),
            ]),
        };
    }

    private static DayTogether Told(
        IReadOnlyList<MixOfJob> group, IReadOnlyList<Placed?> best, IReadOnlyList<(MendToPlan Mend, (DayJob Job, IReadOnlyList<StepRun> Runs) Laid)> laid, SlotCalendar calendar)
    {
        StepRun RunOf(MixOfJob each) => laid[each.Job].Laid.Runs[each.Stretch];
        PlanStep StepOf(MixOfJob each) => (each.Mix.Kind == OnceKind.Cup ? MendJobs.MixedIn(RunOf(each)) : MendJobs.HeatedIn(RunOf(each)))!;
        return new DayTogether(
            calendar.At(best[group[0].Job]!.Starts[group[0].Stretch] + group[0].Mix.Offset),
            [.. group.Select(each => new MixOfDay(laid[each.Job].Mend.Id, RunOf(each).Steps[0].Id, StepOf(each).Title))],
            group[0].Mix.Kind);
    }

    private static IEnumerable<DayTaken> Taken(int mend, DayJob job, Placed placed, SlotCalendar calendar) =>
        job.As(placed).Stretches.SelectMany((stretch, k) => stretch.Holds.Select(hold => new DayTaken(
            (SharedThing)hold.Resource, 0, mend, calendar.At(placed.Starts[k]), calendar.At(Math.Min(calendar.Slots, stretch.HeldUntil >= 0 ? placed.Starts[stretch.HeldUntil] : stretch.Over.At(placed.Starts[k] + stretch.OverOffset))))));

    private DayProblem ProblemOf(SlotCalendar calendar, IReadOnlyList<DayJob> jobs) =>
        new(calendar.Slots, jobs, [.. floor.People.Select(person => new Hands(person.Skill, calendar.HoursOf(person, floor, bench.OpensHour, bench.ClosesHour)))], MendJobs.Capacities(floor));

    /// <summary>
    /// Where a mend's stretches stood in an earlier plan; null where one of them stood nowhere, and where it came to another's cup: it is
    /// placed anew and brought there again, for straight after other work is nowhere that it would be left.
    /// </summary>
    private Placed? StoodAt(MendToPlan mend, (DayJob Job, IReadOnlyList<StepRun> Runs) laid, DaysPlan before, SlotCalendar calendar)
    {
        if (before.Together.Any(each => each.Mixes.Skip(1).Any(mix => mix.Mend == mend.Id)))
        {
            return null;
        }

        var stood = laid.Runs.Select(run => before.Blocks.FirstOrDefault(block => block.Mend == mend.Id && block.StepId == run.Steps[0].Id)).ToList();
        return stood.Any(block => block is null || block.Person >= floor.People.Count) ? null
            : new Placed([.. stood.Select(block => Math.Max(0, calendar.Floor(block!.StartsAt)))], [.. stood.Select(block => block!.Person)], WayOf(laid.Job, stood));
    }

    /// <summary>The way of a job whose waits in the warm are those that stood there; the bench where it has no such way any more.</summary>
    private static int WayOf(DayJob job, IReadOnlyList<DayBlock?> stood) =>
        1 + job.Warmed.ToList().FindIndex(warmed => warmed.Stretches.Select(stretch => stretch.IsWarm).SequenceEqual(stood.Select(block => block!.InWarm)));

    private static IEnumerable<DayBlock> Blocks(MendToPlan mend, (DayJob Job, IReadOnlyList<StepRun> Runs) laid, Placed placed, SlotCalendar calendar) =>
        laid.Runs.Select((run, k) =>
        {
            var (stretch, start) = (laid.Job.As(placed).Stretches[k], placed.Starts[k]);
            var wait = run.Steps[^1].Timing.Wait;
            var over = wait is null ? (int?)null : stretch.Over.At(start + stretch.OverOffset);
            return new DayBlock(
                mend.Id, run.Steps[0].Id, [.. run.Steps.Select(step => step.Title)], placed.People[k], calendar.At(start), calendar.At(start + stretch.Work), wait?.Kind,
                over is { } end && end < SlotWait.Never ? calendar.At(end) : null, ClosesAt(laid.Job.As(placed), placed, k, calendar), IsMissed(stretch, placed, start), stretch.IsPinned, stretch.IsWarm);
        });

    private static DateTimeOffset? ClosesAt(DayJob job, Placed placed, int k, SlotCalendar calendar) =>
        job.Stretches.SelectMany(stretch => stretch.Lags).Where(lag => lag.From == k && lag.Closes is not null && lag.Opens != SlotWait.AtOnce)
            .Select(lag => lag.Closes!.At(placed.Starts[k] + lag.Offset)).Where(slot => slot < SlotWait.Never).Order().Select(slot => (DateTimeOffset?)calendar.At(slot)).FirstOrDefault();

    private static bool IsMissed(Stretch stretch, Placed placed, int start) =>
        start > stretch.LastStart || stretch.Lags.Any(lag => lag.Closes is { } closes && closes.At(placed.Starts[lag.From] + lag.Offset) < start);

    private static DayReady Ready(MendToPlan mend, DayJob job, Placed? placed, SlotCalendar calendar)
    {
        if (placed is null || DayCheck.Score(job, placed) is not { EndSlots: < SlotWait.Never } score)
        {
            return new DayReady(mend.Id, null, mend.DueAt, 0, 0);
        }

        var ready = calendar.At((int)score.EndSlots);
        return new DayReady(mend.Id, ready, mend.DueAt, mend.DueAt is { } due && ready > due ? Math.Round((ready - due).TotalMinutes) : 0, score.Missed);
    }

    private static IReadOnlyList<DayMove> Moves(DaysPlan before, IReadOnlyList<DayBlock> blocks, IReadOnlyList<DayTogether> together, DateTimeOffset now)
    {
        var stood = before.Blocks.ToLookup(block => (block.Mend, block.StepId));
        return
        [
            .. from block in blocks
               let was = stood[(block.Mend, block.StepId)].FirstOrDefault()
               where was is not null && (block.StartsAt - was.StartsAt).Duration() >= Noticed
               let why = Why(was, block, before, blocks, together, now)
               select new DayMove(block.Mend, block.StepId, block.Titles[0], was.StartsAt, block.StartsAt, why.Why, why.For),
        ];
    }

    private static (WhyMoved Why, int? For) Why(DayBlock was, DayBlock block, DaysPlan before, IReadOnlyList<DayBlock> blocks, IReadOnlyList<DayTogether> together, DateTimeOffset now)
    {
        if (block.StartsAt < was.StartsAt)
        {
            return (WhyMoved.FoundRoom, null);
        }

        if (was.StartsAt < now)
        {
            return (WhyMoved.NotBegun, null);
        }

        if (OverBefore(block, blocks) - OverBefore(was, before.Blocks) >= Noticed)
        {
            return (WhyMoved.WaitMoved, null);
        }

        // What leads to it was put later along with it, so that no window closes in between.
        var leadsTo = blocks.Where(each => each.Mend == block.Mend && each.StartsAt >= block.StartsAt && !before.Together.Any(was => was.Has(each))).ToList();
        if (together.FirstOrDefault(each => leadsTo.Exists(each.Has)) is { } cup)
        {
            return (cup.Kind == OnceKind.Cup ? WhyMoved.OneCup : WhyMoved.OneHeat, cup.Mixes.First(mix => mix.Mend != block.Mend).Mend);
        }

        // Whoever has the hands in the time that it stood in before.
        var other = blocks.FirstOrDefault(each => each.Mend != block.Mend && each.Person == was.Person && each.StartsAt < was.EndsAt && was.StartsAt < each.EndsAt);
        return other is null ? (WhyMoved.WaitMoved, null) : (WhyMoved.MadeWay, other.Mend);
    }

    /// <summary>When what a stretch waits for is over.</summary>
    private static DateTimeOffset? OverBefore(DayBlock block, IReadOnlyList<DayBlock> blocks) =>
        blocks.Where(each => each.Mend == block.Mend && each.StartsAt < block.StartsAt).MaxBy(each => each.StartsAt) is { } before ? before.OverAt ?? before.EndsAt : null;
}
