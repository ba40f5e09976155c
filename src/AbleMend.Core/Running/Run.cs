using AbleMend.Core.Cases;
using AbleMend.Core.Curing;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using AbleMend.Core.Proving;
using AbleMend.Core.Rescuing;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Running;

/// <summary>A run is a fold over its events: nothing is kept but what happened, so a restart changes nothing.</summary>
public static class Run
{
    /// <summary>Folds the events of a run.</summary>
    /// <param name="repairCase">Case that the plan was made from.</param>
    /// <param name="plan">Plan that the run started from.</param>
    /// <param name="startedAt">When the run was started.</param>
    /// <param name="events">Events in order.</param>
    /// <param name="now">The present.</param>
    public static RunState Fold(
        RepairCase repairCase, RepairPlan plan, DateTimeOffset startedAt, IReadOnlyList<RunEvent> events, DateTimeOffset now)
    {
        var kept = Standing(events);
        var steps = plan.Steps.ToDictionary(step => step.Id, _ => new Progress());
        foreach (var each in kept)
        {
            Apply(plan, steps, each);
        }

        FillStarts(plan, steps, startedAt);
        var air = Surroundings.Air(repairCase, startedAt, kept);
        var paces = new PacesLearnt(repairCase.Paces, kept);
        var warm = Surroundings.Warm(kept).FirstOrDefault(spell => spell.Until is null);
        var climate = Surroundings.AtItem(repairCase, startedAt, kept, warm is null ? null : OutOfTheWarm(plan, steps, paces, Surroundings.AtItem(repairCase, startedAt, kept), now));
        var bench = new Bench(repairCase.Bench.ClimateFrom(startedAt), air, climate, paces, new CupsInHand(plan, repairCase.Tools.Measure, kept, air, now), now);
        var actuals = steps.Where(pair => pair.Value.StartedAt is not null)
            .ToDictionary(pair => pair.Key, pair => new Actual(pair.Value.StartedAt!.Value, pair.Value.HandsEndedAt, pair.Value.NextLookAt));
        var timeline = Timeline.Lay([.. plan.Steps.Select(step => Dryings.At(step, paces.At(step.Timing), steps[step.Id].HandsEndedAt, kept))], startedAt, climate, HoursOf(repairCase), actuals, now);
        var readyAt = Timeline.ReadyAt(timeline);
        var fronts = plan.Steps.Where(step => steps[step.Id].DoneAt is null).GroupBy(step => step.Damage).OrderBy(front => front.Key)
            .Select(front => FrontOf(plan, front.First(), steps, timeline, repairCase, kept, bench)).ToList();
        var lead = BenchOrder.Lead(fronts, timeline, now);
        return new RunState(
            lead?.StepId,
            lead?.Phase ?? StepPhase.Done,
            [.. plan.Steps.Select(step => State(step, steps[step.Id], fronts.Any(front => front.StepId == step.Id)))],
            lead?.Window,
            lead?.UseBy,
            timeline,
            readyAt,
            FullCure.At([.. plan.Damages.Select(paces.At)], timeline, climate),
            readyAt + (plan.Damages.Min(damage => damage.Aftercare?.LookAgainAt) - plan.ReadyAt),
            kept.LastOrDefault(each => each.Kind == RunEventKind.HandBack)?.At,
            events.Count == 0 ? 0 : events[^1].Number,
            lead?.Hold,
            [.. kept.Where(each => each.Kind == RunEventKind.Find).Select(each => each.Text!)],
            lead?.LeadsBackTo,
            fronts,
            lead?.HeldUntil,
            kept.LastOrDefault(each => !each.IsByItself) is { } last && last.Number > SharedUpTo(plan, kept),
            Surroundings.Probes(kept),
            WarmOf(plan, fronts, warm, now),
            new DevicesInHand(repairCase.Tools.Measure, plan, kept).Now);
    }

    /// <summary>
    /// How warm an item may stand: as warm as everything may that waits on it now. What may be looked at already has set: it forbids nothing
    /// for being fresh, and gains nothing; what softens under it still does, and so does a window that closes, which would close the sooner.
    /// </summary>
    private static WarmStand? WarmOf(RepairPlan plan, IReadOnlyList<Front> fronts, Surroundings.WarmSpell? warm, DateTimeOffset now)
    {
        var waiting = fronts.Where(front => front.Phase == StepPhase.Waiting)
            .Select(front => (front.Damage, HasSet: front.Window?.OpensAt <= now && front.Window.ClosesAt is null, Limit: plan.Steps.First(step => step.Id == front.StepId).Timing.Wait?.Warm)).ToList();
        var setting = waiting.Where(each => !each.HasSet).ToList();
        if (setting.Count == 0 || setting.Exists(each => each.Limit is null))
        {
            return warm is null ? null : new WarmStand(null, null, warm.TemperatureC, warm.From);
        }

        var least = setting.Concat(waiting.Where(each => each.HasSet && each.Limit?.UpToC is not null)).MinBy(each => each.Limit!.UpToC ?? double.NegativeInfinity);
        Message because = plan.Damages.Count > 1 ? (Message)$"Damage {least.Damage}: {least.Limit!.Because}" : least.Limit!.Because;
        return new WarmStand(least.Limit.UpToC, because, warm?.TemperatureC, warm?.From);
    }

    /// <summary>What stands in the warm is taken out when what it waits for is over, as far as is known: what comes after that sets at the bench.</summary>
    private static DateTimeOffset OutOfTheWarm(RepairPlan plan, Dictionary<string, Progress> steps, PacesLearnt paces, Climate climate, DateTimeOffset now) =>
        plan.Steps.Where(step => PhaseOf(steps[step.Id], true) == StepPhase.Waiting).Select(step => paces.At(step.Timing).Wait is { } wait ? wait.Clock.TryFindReached(wait.OpensMin, CountedFrom(step, wait, steps), climate) : null)
            .OfType<DateTimeOffset>().Append(now).Max();

    private static DateTimeOffset CountedFrom(PlanStep step, StepWait wait, Dictionary<string, Progress> steps)
    {
        var ended = steps[step.Id].HandsEndedAt!.Value;
        return wait.CountsFrom is { } counted ? steps.GetValueOrDefault(counted)?.StartedAt ?? ended : ended;
    }

    /// <summary>
    /// The last event that a shared cup rests on: what lies before it is not taken back at one mend while the others go by it. 0 where
    /// nothing is shared.
    /// </summary>
    private static int SharedUpTo(RepairPlan plan, IReadOnlyList<RunEvent> kept) =>
        plan.Steps.Where(step => step.Pour?.Cup is not null && CupsInHand.TogetherOf(plan, step, kept) is not null)
            .Select(mix => kept.Last(each => each.StepId == mix.Id && each.Kind is RunEventKind.CupTogether or RunEventKind.CupShared or RunEventKind.HandsDone).Number)
            .DefaultIfEmpty(0).Max();

    private static Front FrontOf(
        RepairPlan plan, PlanStep step, Dictionary<string, Progress> steps, IReadOnlyList<TimedStep> timeline, RepairCase repairCase, IReadOnlyList<RunEvent> kept, Bench bench)
    {
        var hold = Holds.Of(repairCase, plan, step, bench.Air, kept);
        List<Wet> wet = PhaseOf(steps[step.Id], true) == StepPhase.Next ? StillWet(plan, step, steps, timeline, bench) : [];
        return new Front(
            step.Damage,
            step.Id,
            PhaseOf(steps[step.Id], true),
            Window(step, steps, timeline, bench),
            UseBy(plan, step, steps, bench.Cups),
            hold?.Result,
            steps[step.Id].Failed ? BackFrom(plan, step) : null,
            PhaseOf(steps[step.Id], true) == StepPhase.Next && timeline.First(each => each.StepId == step.Id) is { HeldFrom: not null, StartsAt: { } start } ? start : null,
            PhaseOf(steps[step.Id], true) == StepPhase.Next ? Awaited(plan, step, steps, wet) : null,
            PhaseOf(steps[step.Id], true) is StepPhase.Next or StepPhase.Hands ? bench.Cups.StandOf(step) : null,
            Dryings.Of(step, kept),
            hold?.Trace,
            plan.Steps.FirstOrDefault(each => each.Id == (step.Uses ?? step.Id) && each.Pour?.Cup is not null) is { } mix ? bench.Cups.TogetherOf(mix) : null,
            wet.All(each => each.Until is not null) ? wet.Max(each => each.Until) : null,
            TestsInHand.Of(plan, step, steps[step.Id].StartedAt, kept));
    }

    /// <summary>What a run is folded at.</summary>
    /// <param name="Planned">The air that was planned with.</param>
    /// <param name="Air">The same, as it was read since.</param>
    /// <param name="AtItem">What the item cures in, as it was read since.</param>
    /// <param name="Paces">How fast products set, as touch has taught since.</param>
    /// <param name="Cups">The cups as they are filled.</param>
    /// <param name="Now">The present.</param>
    private sealed record Bench(Climate Planned, Climate Air, Climate AtItem, PacesLearnt Paces, CupsInHand Cups, DateTimeOffset Now);

    /// <summary>The damages whose steps a step waits for and that have not got there yet.</summary>
    private static IReadOnlyList<int>? Awaited(RepairPlan plan, PlanStep step, Dictionary<string, Progress> steps, IReadOnlyList<Wet> wet) =>
        (step.Timing.After ?? []).Where(id => steps[id].DoneAt is null).Concat(wet.Select(each => each.StepId))
            .Select(id => plan.Steps.First(each => each.Id == id).Damage).Distinct().Order().ToList() is { Count: > 0 } awaited ? awaited : null;

    /// <summary>What was put on, or is still to be, on the other side of the item, and when it no longer runs; null while that is not known.</summary>
    private sealed record Wet(string StepId, DateTimeOffset? Until);

    /// <summary>What still runs, or is not put on yet, on the side that is up before the item is turned to a step.</summary>
    private static List<Wet> StillWet(RepairPlan plan, PlanStep step, Dictionary<string, Progress> steps, IReadOnlyList<TimedStep> timeline, Bench bench) =>
    [
        .. (step.Timing.WhenFirm ?? []).Where(firm => steps[firm.StepId].DoneAt is null)
            .Select(firm => new Wet(firm.StepId, steps[firm.StepId].HandsEndedAt is null ? null : Timeline.FirmAt(firm, bench.Paces.At(plan.Steps.First(each => each.Id == firm.StepId).Timing), timeline, bench.AtItem)))
            .Where(each => each.Until is not { } until || until > bench.Now),
    ];

    /// <summary>The last step before a test on which what it tests depends: the last mix, else the last application, else the first step.</summary>
    private static string BackFrom(RepairPlan plan, PlanStep test)
    {
        var all = plan.Steps.Where(step => step.Damage == test.Damage).ToList();
        var before = all.TakeWhile(step => step != test).ToList();
        return (before.LastOrDefault(step => step.Stage == Stage.Mix) ?? before.LastOrDefault(step => step.Stage == Stage.Apply) ?? all[0]).Id;
    }

    /// <summary>The most that a test may measure: what the plan has worked out, else the test's own limit; null for a test by touch.</summary>
    internal static double? LimitOf(RepairPlan plan, PlanStep test) =>
        test.Proof == HoldTest.ProofId ? Holds.CriterionOf(plan, test.Damage).MattersPercentPerHour : ProofTest.All[test.Proof!].Limit;

    /// <summary>Why an event cannot happen now, or null when it can.</summary>
    public static Problem? Refuse(RepairPlan plan, RunState state, RunEvent next)
    {
        if (state.HandedBackAt is not null && next.Kind is not RunEventKind.Undo and not RunEventKind.Note and not RunEventKind.LookedAgain)
        {
            return new Problem("handed-back", "kind", "This mend was handed back.", "Undo the hand-back first, or start a new mend.");
        }

        var front = state.Fronts.FirstOrDefault(each => each.StepId == next.StepId);
        var phase = front?.Phase ?? state.Phase;
        return next.Kind switch
        {
            RunEventKind.CupTogether or RunEventKind.CupShared => new Problem("not-by-hand", "kind", "A cup is shared between mends, and not at one alone.", "Share it from the mend that mixes it."),
            RunEventKind.CupApart when front is not { Together.BeganAt: null, Phase: StepPhase.Next or StepPhase.Hands } || front.Cup?.Parts.Any(part => part.Poured > 0) == true =>
                Wrong("Nothing is shared at this step, or it is being mixed already."),
            RunEventKind.Begin or RunEventKind.HandsDone when front?.WaitsForCup == true =>
                new Problem("mixed-elsewhere", "kind", $"Its cup is mixed with “{front.Together!.Others[0].Item:as-is}”.", "Wait for that cup, or mix it apart."),
            RunEventKind.Begin when phase != StepPhase.Next => Wrong("It is already being worked on."),
            RunEventKind.HandsDone when phase is not (StepPhase.Next or StepPhase.Hands) => Wrong("Nothing has been begun."),
            RunEventKind.Ready or RunEventKind.NotYet when phase != StepPhase.Waiting => Wrong("Nothing is being waited for."),
            RunEventKind.Proof => RefuseProof(plan, front, next),
            RunEventKind.Redo when plan.Steps.All(step => step.Id != next.StepId) => new Problem("unknown-id", "stepId", $"The plan has no step '{next.StepId ?? "":as-is}'.", "Reload the mend."),
            RunEventKind.Note when string.IsNullOrWhiteSpace(next.Text) || next.Text.Length > 2000 => new Problem("bad-note", "text", "The note is empty, or longer than 2000 characters.", "Write something shorter."),
            RunEventKind.Reading or RunEventKind.Surface or RunEventKind.Humidity or RunEventKind.Light or RunEventKind.Probe => Surroundings.Refuse(next),
            RunEventKind.Warm => Surroundings.RefuseWarm(state, next),
            RunEventKind.Pace => new Problem("not-by-hand", "kind", "How fast a product sets is learnt from looks, and not said.", "Say what the look found: ready, or not yet."),
            RunEventKind.Poured or RunEventKind.Stirred or RunEventKind.ThrownOut => CupsInHand.Refuse(plan, state, next),
            RunEventKind.Weighed when front?.Drying is null => new Problem("not-this-step", "stepId", "Nothing dries at this step.", "Reload the mend: it went on elsewhere."),
            RunEventKind.Weighed when next.Value is not (>= 1 and <= Dryings.MostG) => new Problem("out-of-range", "value", $"A weight lies from {Grams(1)} to {Grams(Dryings.MostG)}.", "Weigh it again, in grams."),
            RunEventKind.Measured => TestsInHand.RefuseReading(plan, front, next),
            RunEventKind.Gauge or RunEventKind.Pressure when next.Text is { Length: > Surroundings.LongestInstrument } => new Problem("too-long", "text", $"An instrument's name has at most {Surroundings.LongestInstrument} characters.", "Pick one of those that are attached."),
            RunEventKind.Gauge when front?.Hold is null => new Problem("not-this-step", "stepId", "No hold test is current.", "Reload the mend: it went on elsewhere."),
            RunEventKind.Pressure => RefusePressure(front, next),
            RunEventKind.Find when next.Text is not { Length: >= 1 and <= 120 } || string.IsNullOrWhiteSpace(next.Text) =>
                new Problem("bad-place", "text", "The place is empty or longer than 120 characters.", "Say where in a few words."),
            RunEventKind.HandBack when state.CurrentStepId is not null => Wrong("Steps are still open."),
            RunEventKind.LookedAgain when state.HandedBackAt is not { } handedBack || next.At < handedBack => Wrong("It was not handed back yet."),
            RunEventKind.LookedAgain when next.Passed is null => new Problem("bad-look", "passed", "It holds or it has failed: neither is said.", "Say which."),
            RunEventKind.LookedAgain when next.Passed == false && string.IsNullOrWhiteSpace(next.Text) => new Problem("bad-look", "text", "Where and how it failed is not said.", "Say it in a few words."),
            RunEventKind.Undo when !state.CanUndo => Wrong("There is nothing to undo, or other mends have gone on by it."),
            RunEventKind.Begin or RunEventKind.HandsDone or RunEventKind.Ready or RunEventKind.NotYet or RunEventKind.Mishap when front is null =>
                new Problem("not-this-step", "stepId", "Another step is current.", "Reload the mend: it went on elsewhere."),
            _ => null,
        };
    }

    private static Problem? RefusePressure(Front? front, RunEvent next) =>
        front?.Hold is null
            ? new Problem("not-this-step", "stepId", "No hold test is current.", "Reload the mend: it went on elsewhere.")
            : next.Value is not (>= 0 and <= 1000) ? new Problem("out-of-range", "value", $"Gauge pressure lies from {Kpa(0)} to {Kpa(1000)}.", "Read the gauge again.")
            : next.AirC is not (null or >= -30 and <= 70) ? new Problem("out-of-range", "airC", $"Air temperature lies from {Celsius(-30)} to {Celsius(70)}.", "Read the thermometer again.")
            : next.BarometerKpa is not (null or >= 50 and <= 110) ? new Problem("out-of-range", "barometerKpa", $"A barometer shows {Kpa(50)} to {Kpa(110)}.", "Read it again, at the shop and not reduced to sea level.")
            : null;

    private static Problem Wrong(Message message) => new("not-now", "kind", message, "Reload the mend: it may have gone on in another window.");

    /// <summary>More than this, in the unit of any test, is a slip of the finger.</summary>
    private const double MostMeasured = 1000;

    private static Problem? RefuseProof(RepairPlan plan, Front? front, RunEvent next)
    {
        var test = plan.Steps.FirstOrDefault(step => step.Id == next.StepId)?.Proof;
        if (front is null || test is null)
        {
            return new Problem("not-this-step", "stepId", "This test is not the current step.", "Reload the mend: it went on elsewhere.");
        }

        var measured = next.Value ?? front.Test?.Difference;
        return ProofTest.All[test].Measures is not null && measured is not (>= -MostMeasured and <= MostMeasured)
            ? new Problem("out-of-range", "value", "This test needs a measurement.", "Measure it and give a number.")
            : TestsInHand.RefuseSooner(front, test, next);
    }

    /// <summary>The events that still stand: those that were taken back are left out, and the taking back with them.</summary>
    public static IReadOnlyList<RunEvent> Standing(IReadOnlyList<RunEvent> events)
    {
        var kept = new List<RunEvent>(events.Count);
        foreach (var each in events)
        {
            if (each.Kind != RunEventKind.Undo)
            {
                kept.Add(each);
            }
            else if (kept.FindLastIndex(one => !one.IsByItself) is >= 0 and var last)
            {
                kept.RemoveAt(last);
            }
        }

        return kept;
    }

    private static void Apply(RepairPlan plan, Dictionary<string, Progress> steps, RunEvent each)
    {
        if (each.StepId is null || !steps.TryGetValue(each.StepId, out var progress))
        {
            return;
        }

        var step = plan.Steps.First(one => one.Id == each.StepId);
        switch (each.Kind)
        {
            case RunEventKind.Begin:
                progress.StartedAt = each.At;
                break;
            case RunEventKind.Poured when progress.HandsEndedAt is null && CupsInHand.Sets(step, each):
                progress.StartedAt ??= each.At;
                break;
            case RunEventKind.ThrownOut when progress.HandsEndedAt is null:
                progress.StartedAt = null;
                break;
            case RunEventKind.HandsDone:
                EndHands(progress, step, each.At);
                break;
            case RunEventKind.CupShared:
                progress.StartedAt = each.Cup?.BeganAt ?? each.At;
                EndHands(progress, step, each.At);
                break;
            case RunEventKind.Ready:
                progress.DoneAt = each.At;
                break;
            case RunEventKind.NotYet:
                progress.NextLookAt = each.At.AddMinutes(step.Timing.Wait?.RecheckMin ?? 0);
                break;
            case RunEventKind.Proof:
                progress.Measured = each.Value;
                progress.Failed = each.Passed != true;
                if (!progress.Failed)
                {
                    EndHands(progress, step, each.At);
                }

                break;
            case RunEventKind.Redo:
                DoAgainFrom(plan, steps, step, each.At);
                break;
            case RunEventKind.Mishap when plan.Steps.FirstOrDefault(one => RescueDesk.IsOf(one.Id, each.Number)) is { } first:
                // The remedy takes the place of the wait that it stands after; else what stands after it is done again.
                if (plan.Steps.TakeWhile(one => one != first).Contains(step))
                {
                    progress.DoneAt = each.At;
                }
                else
                {
                    DoAgainFrom(plan, steps, first, each.At);
                }

                break;
        }
    }

    /// <summary>
    /// What touch has said of how fast products set in this run: every wait that a finger tells, looked at when it was not ready and when it
    /// was; and a cup that gelled before its time. A wait that was begun anew counts anew.
    /// </summary>
    /// <param name="repairCase">Case that the plan was made from.</param>
    /// <param name="plan">Plan of the run.</param>
    /// <param name="startedAt">When it was started.</param>
    /// <param name="events">Everything that happened, in order.</param>
    public static IReadOnlyList<TouchedWait> Touched(RepairCase repairCase, RepairPlan plan, DateTimeOffset startedAt, IReadOnlyList<RunEvent> events)
    {
        var kept = Standing(events);
        var climate = Surroundings.AtItem(repairCase, startedAt, kept);
        var steps = plan.Steps.ToDictionary(step => step.Id, _ => new Progress());
        var touched = new List<TouchedWait>();
        foreach (var each in kept)
        {
            if (each.StepId is { } id && steps.ContainsKey(id) && plan.Steps.First(step => step.Id == id) is var step)
            {
                FillStarts(plan, steps, startedAt);
                if (each.Kind is RunEventKind.Ready or RunEventKind.NotYet && LookAt(step, steps, repairCase.Bench, kept, climate, each) is { } look)
                {
                    TouchedWait.Add(touched, look);
                }
                else if (each.Kind == RunEventKind.Mishap && GelledAt(plan, step, steps, each) is { } gelled)
                {
                    touched.Add(gelled);
                }
            }

            Apply(plan, steps, each);
        }

        return touched;
    }

    private static TouchedWait? LookAt(PlanStep step, Dictionary<string, Progress> steps, BenchFacts bench, IReadOnlyList<RunEvent> kept, Climate climate, RunEvent look)
    {
        if (step.Timing.Wait is not { Material: { } material } wait || steps[step.Id].HandsEndedAt is not { } ended)
        {
            return null;
        }

        var from = CountedFrom(step, wait, steps);
        var minutes = wait.At(1).Clock.MinutesBetween(from, look.At, climate);
        return minutes <= 0 || (wait.Clock.LightFactor is not null && !MeasuredLight.Throughout(bench, kept, from, look.At)) ? null
            : new TouchedWait(material, step.Id, ended, look.Number, new PaceLook(wait.OpensMin.CureMin, look.Kind == RunEventKind.NotYet ? minutes : null, look.Kind == RunEventKind.Ready ? minutes : null));
    }

    /// <summary>A cup that gelled while it was spread was past using sooner than its plan says: how much sooner is its pace.</summary>
    private static TouchedWait? GelledAt(RepairPlan plan, PlanStep step, Dictionary<string, Progress> steps, RunEvent mishap)
    {
        var mix = step.UseWithinMin is not null ? step : plan.Steps.FirstOrDefault(each => each.Id == step.Uses);
        return mishap.Text?.StartsWith("gelled/", StringComparison.Ordinal) == true && mix is { UseWithinMin: { } within } && steps[mix.Id].StartedAt is { } started && mishap.At > started
            && plan.Steps.SkipWhile(each => each != mix).FirstOrDefault(each => each.Damage == mix.Damage && each.Timing.Wait?.Material is not null)?.Timing.Wait!.Material is { } material
            ? new TouchedWait(material, mix.Id, started, mishap.Number, new PaceLook(within, null, (mishap.At - started).TotalMinutes))
            : null;
    }

    /// <summary>A step and what follows it are done again; a test of the whole item tests that as well.</summary>
    private static void DoAgainFrom(RepairPlan plan, Dictionary<string, Progress> steps, PlanStep step, DateTimeOffset at)
    {
        foreach (var later in plan.Steps.SkipWhile(one => one.Id != step.Id).Where(one => one.Damage == step.Damage || (one.Stage == Stage.Prove && one.Timing.IsFor(step.Damage))))
        {
            steps[later.Id] = new Progress { NotBefore = at };
        }
    }

    private static void EndHands(Progress progress, PlanStep step, DateTimeOffset at)
    {
        progress.HandsEndedAt = at;
        progress.DoneAt = step.Timing.Wait is null ? at : null;
    }

    /// <summary>A step whose beginning nobody noted began when the one before it was done, and hands were off whatever they did last.</summary>
    private static void FillStarts(RepairPlan plan, Dictionary<string, Progress> steps, DateTimeOffset startedAt)
    {
        var handsOff = steps.Values.Select(progress => progress.HandsEndedAt).OfType<DateTimeOffset>().Order().ToList();
        foreach (var lane in plan.Steps.GroupBy(step => step.Damage))
        {
            var before = startedAt;
            foreach (var progress in lane.Select(step => steps[step.Id]))
            {
                if (progress.HandsEndedAt is { } ended)
                {
                    progress.StartedAt ??= new[] { before, progress.NotBefore ?? before, handsOff.LastOrDefault(at => at < ended, before) }.Max();
                }

                before = progress.DoneAt ?? before;
            }
        }
    }

    private static StepPhase PhaseOf(Progress progress, bool current) =>
        progress switch
        {
            { DoneAt: not null } => StepPhase.Done,
            { Failed: true } => StepPhase.Failed,
            { HandsEndedAt: not null } => StepPhase.Waiting,
            { StartedAt: not null } => StepPhase.Hands,
            _ => current ? StepPhase.Next : StepPhase.Ahead,
        };

    private static StepState State(PlanStep step, Progress progress, bool current) =>
        new(step.Id, PhaseOf(progress, current), progress.StartedAt, progress.DoneAt, progress.Measured);

    private static LiveWindow? Window(PlanStep step, Dictionary<string, Progress> steps, IReadOnlyList<TimedStep> timeline, Bench bench)
    {
        var progress = steps[step.Id];
        if (PhaseOf(progress, true) != StepPhase.Waiting || step.Timing.Wait is not { } wait)
        {
            return null;
        }

        var timed = timeline.First(each => each.StepId == step.Id);
        var ended = progress.HandsEndedAt!.Value;
        var from = CountedFrom(step, wait, steps);
        // Who has looked and found it not ready moved the window himself.
        var opens = progress.NextLookAt is not null ? timed.OpensAt : wait.Clock.TryFindReached(wait.OpensMin, from, bench.Planned);
        // Only what the air did: what a pace did is told beside it.
        var asRead = progress.NextLookAt is not null ? opens : wait.Clock.TryFindReached(wait.OpensMin, from, bench.AtItem);
        var moved = opens is { } before && asRead is { } after && (after - before).Duration() >= WorthTelling
            ? new WindowMove(before, bench.AtItem.MeanC(from, Later(from, bench.Now)) - bench.Planned.MeanC(from, Later(from, bench.Now)), MovedBy(wait.Clock, from, bench))
            : null;
        return new LiveWindow(step.Id, wait.Kind, ended, timed.OpensAt, timed.ClosesAt, wait.Check, wait.WhenLate, moved, bench.Paces.Window(wait, from, bench.AtItem), LightOf(wait, from, bench));
    }

    /// <summary>What of all that was read moves a clock.</summary>
    private static MoveCause MovedBy(CureClock clock, DateTimeOffset from, Bench bench) =>
        clock.LightFactor is not null ? MoveCause.Light
        : clock.ByMoisture ? MoveCause.Humidity
        : bench.AtItem.Spans.Any(span => span.IsWarm && span.From <= bench.Now && span.From >= from) || bench.AtItem.At(from).IsWarm ? MoveCause.Warm
        : bench.AtItem.Spans.Any(span => span.IsSurface && span.From <= bench.Now && span.From >= from) || bench.AtItem.At(from).IsSurface ? MoveCause.Surface
        : MoveCause.Air;

    /// <summary>How much light has fallen on what light sets; null where light does not.</summary>
    private static LightStand? LightOf(StepWait wait, DateTimeOffset from, Bench bench)
    {
        if (wait.Clock.LightFactor is null)
        {
            return null;
        }

        var light = new FallenLight(wait.Clock, bench.AtItem);
        var read = bench.AtItem.Light.LastOrDefault(span => span.From <= bench.Now);
        return new LightStand(
            light.DoseMjPerCm2(light.MinutesBetween(from, Later(from, bench.Now))), light.DoseMjPerCm2(wait.OpensMin.CureMin), light.MwPerCm2At(bench.Now), read?.From, read is null ? null : light.ShareOfClearSky(read));
    }

    /// <summary>A window that moved by less is where it was.</summary>
    private static readonly TimeSpan WorthTelling = TimeSpan.FromMinutes(5);

    private static DateTimeOffset? UseBy(RepairPlan plan, PlanStep current, Dictionary<string, Progress> steps, CupsInHand cups)
    {
        if (PhaseOf(steps[current.Id], true) == StepPhase.Waiting)
        {
            return null;
        }

        // A plan of before steps said what they use: then it is the mix straight before.
        var mix = current.UseWithinMin is not null ? current
            : current.Uses is { } uses ? plan.Steps.First(step => step.Id == uses)
            : current.Timing.FollowsOn ? plan.Steps.TakeWhile(step => step != current).LastOrDefault(step => step.Damage == current.Damage)
            : null;
        if (mix?.UseWithinMin is not { } planned || steps[mix.Id].StartedAt is not { } started)
        {
            return null;
        }

        var minutes = cups.TogetherOf(mix)?.LifeMin ?? planned;

        // What is taken of a shared cup when that is past using was mixed anew, or has to be.
        var past = started.AddMinutes(minutes);
        var taken = mix.Damage == current.Damage ? null : current.Stage == Stage.Mix ? current : plan.Steps.TakeWhile(step => step != current).LastOrDefault(step => step.Damage == current.Damage && step.Stage == Stage.Mix);
        var from = taken is null ? started : steps[taken.Id].StartedAt ?? steps[taken.Id].NotBefore ?? started;
        if (taken == current && steps[current.Id].StartedAt is null && from > past)
        {
            return null;
        }

        // What was really poured, and when, beats what was planned.
        return (mix.Damage == current.Damage ? cups.SetsAt(mix) : null) ?? (from > past ? from.AddMinutes(minutes) : past);
    }

    private static DateTimeOffset Later(DateTimeOffset one, DateTimeOffset other) => one > other ? one : other;

    private static ShopHours HoursOf(RepairCase repairCase) =>
        new(TimeZoneInfo.FindSystemTimeZoneById(repairCase.Bench.Zone), repairCase.Bench.OpensHour, repairCase.Bench.ClosesHour);

    /// <summary>What is known of a step while folding.</summary>
    private sealed class Progress
    {
        public DateTimeOffset? NotBefore { get; init; }

        public DateTimeOffset? StartedAt { get; set; }

        public DateTimeOffset? HandsEndedAt { get; set; }

        public DateTimeOffset? NextLookAt { get; set; }

        public DateTimeOffset? DoneAt { get; set; }

        public double? Measured { get; set; }

        public bool Failed { get; set; }
    }
}
