using System.Text.Json.Serialization;
using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Limits;
using AbleMend.Core.Methods;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;
using AbleMend.Core.Proving;
using AbleMend.Core.Rescuing;
using AbleMend.Core.Words;

namespace AbleMend.Core.Running;

/// <summary>Where a mend stands as a record.</summary>
[JsonConverter(typeof(Kebab<MendStatus>))]
public enum MendStatus
{
    /// <summary>Looked at or planned; nothing frozen.</summary>
    Draft,

    /// <summary>Under way, from a frozen plan.</summary>
    Running,

    /// <summary>Proven and handed back.</summary>
    HandedBack,

    /// <summary>Not mended here: warranty, referred, retired.</summary>
    SentOn,
}

/// <summary>Something that happened at the bench, as it is told: who keeps it gives it its number and its time.</summary>
/// <param name="Kind">What.</param>
/// <param name="StepId">Step that it concerns, or null.</param>
/// <param name="Text">Words of a note, the place of a find, or what to watch on hand-back.</param>
/// <param name="Value">Measure, in the unit of its kind.</param>
/// <param name="Passed">Whether a test by touch passed.</param>
/// <param name="AirC">Air in °C at a reading of a hold test.</param>
/// <param name="BarometerKpa">Barometer in kPa at a reading of a hold test.</param>
/// <param name="At">When it happened, by the device that it was told to; null for when it is kept.</param>
/// <param name="Resolution">Smallest step of the instrument that the value was read from, in its unit; null where a hand said it.</param>
/// <param name="Device">What is measured with from now on.</param>
public sealed record Happening(
    RunEventKind Kind,
    [property: Size(0, 80)] string? StepId = null,
    [property: Size(0, Happening.MostCharacters, Lines = true)] string? Text = null,
    double? Value = null,
    bool? Passed = null,
    double? AirC = null,
    double? BarometerKpa = null,
    DateTimeOffset? At = null,
    [property: Limits(0.0001, 100)] double? Resolution = null,
    MeasuringDevice? Device = null)
{
    /// <summary>Most characters of a note.</summary>
    public const int MostCharacters = 2000;

    private static readonly Dictionary<RunEventKind, string[]> Said = new()
    {
        [RunEventKind.Begin] = ["stepId"],
        [RunEventKind.HandsDone] = ["stepId"],
        [RunEventKind.Ready] = ["stepId"],
        [RunEventKind.NotYet] = ["stepId"],
        [RunEventKind.Proof] = ["stepId", "value", "passed"],
        [RunEventKind.Redo] = ["stepId"],
        [RunEventKind.Poured] = ["stepId", "text", "value", "resolution"],
        [RunEventKind.Stirred] = ["stepId"],
        [RunEventKind.ThrownOut] = ["stepId"],
        [RunEventKind.CupTogether] = ["stepId"],
        [RunEventKind.CupApart] = ["stepId"],
        [RunEventKind.CupShared] = ["stepId"],
        [RunEventKind.MeasuredWith] = ["device"],
        [RunEventKind.Mishap] = ["stepId", "text"],
        [RunEventKind.Note] = ["stepId", "text"],
        [RunEventKind.Reading] = ["value", "resolution"],
        [RunEventKind.Surface] = ["value", "resolution"],
        [RunEventKind.Humidity] = ["value", "resolution"],
        [RunEventKind.Light] = ["text", "value", "resolution"],
        [RunEventKind.Probe] = ["text", "passed"],
        [RunEventKind.Warm] = ["value", "passed"],
        [RunEventKind.Pace] = ["text", "value", "resolution"],
        [RunEventKind.Gauge] = ["stepId", "text"],
        [RunEventKind.Pressure] = ["stepId", "text", "value", "airC", "barometerKpa", "resolution"],
        [RunEventKind.Weighed] = ["stepId", "value", "resolution"],
        [RunEventKind.Measured] = ["stepId", "value", "resolution"],
        [RunEventKind.Find] = ["stepId", "text"],
        [RunEventKind.Undo] = [],
        [RunEventKind.HandBack] = ["text"],
        [RunEventKind.LookedAgain] = ["text", "passed"],
    };

    /// <summary>How far ahead of the shop's clock a device's may be.</summary>
    private static readonly TimeSpan MostAhead = TimeSpan.FromMinutes(2);

    /// <summary>How far behind it may be at the start of a run: the page learns the shop's time over a network that takes its own.</summary>
    private static readonly TimeSpan MostBehind = TimeSpan.FromSeconds(30);

    /// <summary>What is wrong with it whatever the state of the mend; null for nothing.</summary>
    /// <param name="startedAt">When the run was started.</param>
    /// <param name="now">The shop's present.</param>
    public Problem? Fault(DateTimeOffset startedAt, DateTimeOffset now) =>
        LimitTable.Check(this).FirstOrDefault()
        ?? Unsaid().FirstOrDefault()
        ?? (At < startedAt - MostBehind ? new Problem("before-start", "at", "That was before the mend was begun.", "Set the device's clock.")
            : At > now + MostAhead ? new Problem("clock-ahead", "at", "That lies in the future: the device's clock is ahead of the shop's.", "Set the device's clock.")
            : null);

    /// <summary>What its kind has no place for: kept, it would be read as something that it is not.</summary>
    private IEnumerable<Problem> Unsaid() =>
        new (string Field, bool Given)[] { ("stepId", StepId is not null), ("text", Text is not null), ("value", Value is not null), ("passed", Passed is not null), ("airC", AirC is not null), ("barometerKpa", BarometerKpa is not null), ("resolution", Resolution is not null), ("device", Device is not null) }
            .Where(each => each.Given && !Said[Kind].Contains(each.Field))
            .Select(each => new Problem("not-for-this", each.Field, $"A “{Kebab<RunEventKind>.Id(Kind):as-is}” has no {each.Field:as-is}.", "Leave it out."));
}

/// <summary>The repair that a mend for now puts off, as it is booked.</summary>
/// <param name="Case">Case to begin from: for good, with nothing chosen.</param>
/// <param name="DueAt">When it is due.</param>
public sealed record FollowUp(RepairCase Case, DateTimeOffset DueAt);

/// <summary>
/// A mend from first look to hand-back. Commands go in, and a new mend or the problems in its way come out: what may happen
/// when, what a test shows, what has to follow and what an item remembers is decided here and nowhere else.
/// </summary>
/// <param name="Case">The case.</param>
/// <param name="Plan">The plan that its run started from; null for a draft.</param>
/// <param name="Status">Where it stands.</param>
/// <param name="StartedAt">When its run was started.</param>
/// <param name="ClosedAt">When it was handed back or sent on.</param>
/// <param name="Events">What happened, in order.</param>
public sealed record Mend(RepairCase Case, RepairPlan? Plan, MendStatus Status, DateTimeOffset? StartedAt, DateTimeOffset? ClosedAt, IReadOnlyList<RunEvent> Events)
{
    /// <summary>A mend that is only looked at.</summary>
    /// <returns>The draft, or every problem of its case.</returns>
    public static Outcome<Mend> Open(RepairCase repairCase, Planner planner, DateTimeOffset now) =>
        planner.Plan(repairCase.StartingAt(now)) is { Problems.Count: > 0 } refused
            ? Outcome<Mend>.Failed(refused.Problems)
            : Outcome<Mend>.Of(new Mend(repairCase, null, MendStatus.Draft, null, null, []));

    /// <summary>Changes the case of a draft.</summary>
    public Outcome<Mend> Change(RepairCase repairCase, Planner planner, DateTimeOffset now) =>
        Status != MendStatus.Draft
            ? Refuse("already-started", "This mend is under way: its plan is frozen.", "Go on from the plan, or take the mend back to the bench as a new one.")
            : Open(repairCase, planner, now) is { Value: { } opened } ? Outcome<Mend>.Of(this with { Case = opened.Case })
            : Outcome<Mend>.Failed(planner.Plan(repairCase.StartingAt(now)).Problems);

    /// <summary>A draft that is due at another time; what was started keeps its case, whatever is due.</summary>
    /// <param name="at">When it is needed, or null.</param>
    public Mend Due(DateTimeOffset? at) => Status == MendStatus.Draft ? this with { Case = Case with { Wanted = Case.Wanted with { NeededBy = at } } } : this;

    /// <summary>Freezes the plan as it is now and starts the run.</summary>
    public Outcome<Mend> Start(Planner planner, DateTimeOffset now)
    {
        if (Status != MendStatus.Draft)
        {
            return Refuse("already-started", "This mend is under way already.", "Reload the mend.");
        }

        var started = Case with { Wanted = Case.Wanted with { StartAt = now } };
        var outcome = planner.Plan(started);
        return outcome.Value is not { } plan ? Outcome<Mend>.Failed(outcome.Problems)
            : plan.Verdict.MendedHere ? Outcome<Mend>.Of(this with { Case = started, Plan = plan, Status = MendStatus.Running, StartedAt = now })
            : Refuse("not-mended-here", plan.Verdict.Reasons[0].Text, "Send it on; the reason is kept in the log.");
    }

    /// <summary>Closes a draft that is not mended here, with the verdict.</summary>
    public Outcome<Mend> SendOn(Planner planner, DateTimeOffset now) =>
        Status == MendStatus.Draft && planner.Plan(Case.StartingAt(now)).Value is { Verdict.MendedHere: false } plan
            ? Outcome<Mend>.Of(this with { Plan = plan, Status = MendStatus.SentOn, ClosedAt = now })
            : Refuse("mended-here", "The verdict does not send this one on.", "Mend it, or change what was seen.");

    /// <summary>Keeps something that happened: the newest of <see cref="Events"/>, a test judged by its own limit and not by what was said.</summary>
    /// <param name="happening">What happened.</param>
    /// <param name="now">The present.</param>
    /// <param name="planner">Knows the mishaps, and works out what one changes; null where none is told.</param>
    public Outcome<Mend> Keep(Happening happening, DateTimeOffset now, Planner? planner = null)
    {
        if (Plan is not { } plan || Status is MendStatus.Draft or MendStatus.SentOn)
        {
            return Refuse("not-started", "This mend is not under way.", "Start it first.");
        }

        if (happening.Fault(StartedAt!.Value, now) is { } fault)
        {
            return Outcome<Mend>.Failed(fault);
        }

        var state = StateAt(now);
        // A device that is a moment behind taps before the start that it tapped after.
        var next = new RunEvent(state.LastNumber + 1, happening.At is not { } at ? now : at < StartedAt!.Value ? StartedAt.Value : at, happening.Kind, happening.StepId, happening.Text, happening.Value, happening.Passed, happening.AirC, happening.BarometerKpa, now, happening.Resolution, Device: happening.Device);
        if (Run.Refuse(plan, state, next) is { } refused)
        {
            return Outcome<Mend>.Failed(refused);
        }

        if (next.Kind == RunEventKind.MeasuredWith && OtherDevices.Refuse(this, next, planner) is { } unmeasured)
        {
            return unmeasured;
        }

        var cause = next.Kind == RunEventKind.Mishap && planner is not null ? Mishaps.Find(this, state, next, planner.Catalogue) : null;
        if (next.Kind == RunEventKind.Mishap && cause is null)
        {
            return Refuse("unknown-id", "text", $"Nothing called '{next.Text ?? "":as-is}' goes wrong at this step.", "Pick one of those that are offered there.");
        }

        IReadOnlyList<RunEvent> events = [.. Events, next.Kind == RunEventKind.Proof ? Judged(plan, state, next) : next];
        var kept = this with { Plan = OtherDevices.PlanAfter(this, Mishaps.PlanAfter(this, plan, state, next, cause, planner), events, planner), Events = events };
        var handedBack = kept.StateAt(now).HandedBackAt;
        return Outcome<Mend>.Of(kept with { Status = handedBack is null ? MendStatus.Running : MendStatus.HandedBack, ClosedAt = handedBack });
    }

    /// <summary>Whether something has happened since that can have changed the plan, so that it has to be kept anew.</summary>
    /// <param name="count">How many events were kept with the plan as it was.</param>
    public bool MayBeReplannedSince(int count) =>
        Events.Skip(count).Any(each => each.Kind is RunEventKind.Mishap or RunEventKind.MeasuredWith or RunEventKind.Undo or RunEventKind.Redo or RunEventKind.ThrownOut);

    /// <summary>What touch has said in this run of how fast products set; empty before it was started.</summary>
    public IReadOnlyList<TouchedWait> Touched() => Plan is { } plan && StartedAt is { } started ? Run.Touched(Case, plan, started, Events) : [];

    /// <summary>The materials whose pace this run still waits by, or has waited by.</summary>
    public IReadOnlyList<string> Paced() => [.. (Plan?.Steps ?? []).Select(step => step.Timing.Wait?.Material).OfType<string>().Distinct()];

    /// <value>Its plan, with every wait at the pace that was learnt since it was frozen; null for a draft.</value>
    [JsonIgnore]
    public RepairPlan? PlanAtPace =>
        Plan is not { } plan ? null
        : new PacesLearnt(Case.Paces, Run.Standing(Events)) is var paces ? plan with { Steps = [.. plan.Steps.Select(step => step with { Timing = paces.At(step.Timing) })] }
        : plan;

    /// <summary>The pace that this run reckons with: the newest that it was told, else what its plan knew; null for the label's.</summary>
    /// <param name="material">Identifier of the material.</param>
    public LearntPace? PaceOf(string material) =>
        Run.Standing(Events).LastOrDefault(each => each.Kind == RunEventKind.Pace && each.Text == material) is { } told ? told.Pace : Case.Paces?.FirstOrDefault(pace => pace.Material == material);

    /// <summary>Tells this run what touch has taught of a product, here or elsewhere; what it knows already is not told again.</summary>
    /// <param name="material">Identifier of the material.</param>
    /// <param name="pace">What was learnt; null where everything that it was learnt from was taken back.</param>
    /// <param name="now">The present.</param>
    /// <returns>The mend with the pace as its newest event, or as it is.</returns>
    public Mend Learn(string material, LearntPace? pace, DateTimeOffset now) =>
        Status != MendStatus.Running || !Paced().Contains(material) || Equals(PaceOf(material), pace)
            ? this
            : this with { Events = [.. Events, RunEvent.OfPace(Events.Count == 0 ? 1 : Events[^1].Number + 1, now, material, pace)] };

    /// <summary>Tells this run of a cup that it shares with others: nobody does that at one mend alone.</summary>
    internal Mend With(RunEventKind kind, string stepId, DateTimeOffset at, CupTogether? cup) =>
        this with { Events = [.. Events, new RunEvent(Events.Count == 0 ? 1 : Events[^1].Number + 1, at, kind, stepId, KeptAt: at, Cup: cup)] };

    /// <summary>What a mix is measured with, as it was begun, or as it would be now.</summary>
    /// <param name="mix">The mixing step.</param>
    internal MeasuringDevice DeviceOf(PlanStep mix) => new DevicesInHand(Case.Tools.Measure, Plan!, Run.Standing(Events)).Of(mix);

    /// <summary>The case as a mix of it is measured.</summary>
    /// <param name="mix">The mixing step.</param>
    internal RepairCase CaseFor(PlanStep mix) => Case with { Tools = Case.Tools with { Measure = DeviceOf(mix) } };

    /// <summary>When the cup of a mix began to set, and when it can no longer be spread.</summary>
    /// <param name="mix">The mix, done.</param>
    /// <param name="doneAt">When it was.</param>
    internal (DateTimeOffset BeganAt, DateTimeOffset? UseBy) CupTimes(PlanStep mix, DateTimeOffset doneAt)
    {
        var (state, kept) = (StateAt(doneAt), Run.Standing(Events));
        var times = new CupsInHand(Plan!, Case.Tools.Measure, kept, Air, doneAt).TimesOf(mix);
        var began = times.BeganAt ?? state.Steps.First(step => step.StepId == mix.Id).StartedAt ?? doneAt;
        var life = CupsInHand.TogetherOf(Plan!, mix, kept)?.LifeMin ?? mix.UseWithinMin;
        return (began, times.UseBy ?? (life is { } minutes ? began.AddMinutes(minutes) : null));
    }

    /// <value>The same at the bench, whatever stands in the warm now: what comes next sets there.</value>
    /// <exception cref="InvalidOperationException">It was never started.</exception>
    [JsonIgnore]
    public Climate ClimateAtBench => Surroundings.AtItem(Case, Began, [.. Run.Standing(Events).Where(each => each.Kind != RunEventKind.Warm)]);

    /// <summary>The run as it stands at an instant.</summary>
    /// <exception cref="InvalidOperationException">It was never started.</exception>
    public RunState StateAt(DateTimeOffset now) =>
        Plan is { } plan && StartedAt is { } started
            ? Run.Fold(Case, plan, started, Events, now)
            : throw new InvalidOperationException("A mend that was never started has no run.");

    /// <summary>When what waits now would be over if it stood in the warm from now on; null where it may not stand there, or does already.</summary>
    /// <param name="celsius">How warm that is.</param>
    /// <param name="now">The present.</param>
    public DateTimeOffset? OverInWarm(double celsius, DateTimeOffset now) =>
        StateAt(now).Warm is not { UpToC: { } most, StandsAtC: null } || most < celsius ? null
        : Keep(new Happening(RunEventKind.Warm, Value: celsius, Passed: true), now).Value?.StateAt(now).Window?.OpensAt;

    /// <value>The air round it: the bench's, and what was read there since.</value>
    /// <exception cref="InvalidOperationException">It was never started.</exception>
    [JsonIgnore]
    public Climate Air => Surroundings.Air(Case, Began, Run.Standing(Events));

    /// <value>What it cures in: the air, or the item's own surface where that is read, and the light and the moisture as they were read.</value>
    /// <exception cref="InvalidOperationException">It was never started.</exception>
    [JsonIgnore]
    public Climate Climate => Surroundings.AtItem(Case, Began, Run.Standing(Events));

    private DateTimeOffset Began => StartedAt ?? throw new InvalidOperationException("A mend that was never started has no run.");

    /// <value>Whether it has held, as somebody who looked at it again says; null where nobody has.</value>
    [JsonIgnore]
    public Held? Held => ClosedAt is { } closed ? Held.Of(closed, Run.Standing(Events)) : null;

    /// <value>When somebody is to look at it again, counted from when it really was ready; null where that was said of nothing, somebody has looked, or it was not handed back.</value>
    [JsonIgnore]
    public DateTimeOffset? LookAgainAt => Status == MendStatus.HandedBack && Held is null && ClosedAt is { } closed ? StateAt(closed).LookAgainAt : null;

    /// <value>The repair that has to follow, once a mend for now was handed back; null where nothing was put off.</value>
    [JsonIgnore]
    public FollowUp? Follows =>
        Status == MendStatus.HandedBack && Plan?.ProperRepairBy is { } due
            ? new FollowUp(
                Case with
                {
                    Damages = [.. Plan.Damages.Where(damage => damage.ProperRepair is not null).Select(damage => new DamageToMend(Case.Damages[damage.Number - 1].Seen))],
                    Wanted = Case.Wanted with { Permanence = Permanence.Lasting, StartAt = null, NeededBy = due },
                },
                due)
            : null;

    /// <summary>The chemistry that the item remembers of this mend, for whoever mends over it; null where it makes no difference, or it was not handed back.</summary>
    /// <param name="planner">Knows the materials; the shop's own are known by the case.</param>
    public string? Leaves(Planner planner) =>
        Status != MendStatus.HandedBack ? null
        : Plan!.Damages.Select(damage => planner.Catalogue.With(Case.Products ?? []).Materials.GetValueOrDefault(damage.System!.Material)?.Chemistry)
            .LastOrDefault(chemistry => chemistry is "epoxy" or "polyester");

    /// <summary>A result with its measure, the difference of what was read where nothing else is given, and with what that shows.</summary>
    private static RunEvent Judged(RepairPlan plan, RunState state, RunEvent result)
    {
        var test = plan.Steps.First(step => step.Id == result.StepId);
        var measured = result.Value ?? state.Fronts.FirstOrDefault(front => front.StepId == result.StepId)?.Test?.Difference;
        return result with { Value = measured, Passed = ProofTest.All[test.Proof!].Passes(measured, result.Passed == true, Run.LimitOf(plan, test)) };
    }

    /// <summary>What can go wrong at a step, for who looks for what went wrong; empty where that step is not in hand.</summary>
    /// <param name="stepId">The step.</param>
    /// <param name="catalogue">What is known of mishaps, the shop's own products beside it.</param>
    /// <param name="now">The present.</param>
    public IReadOnlyList<OfferedMishap> MishapsAt(string stepId, MendCatalogue catalogue, DateTimeOffset now) =>
        Plan is { } plan && StartedAt is not null && StateAt(now) is var state && Mishaps.At(this, state, stepId, catalogue, now) is { } at ? RescueDesk.Offer(plan, at, catalogue) : [];

    private static Outcome<Mend> Refuse(string code, Message what, Message remedy) => Refuse(code, "", what, remedy);

    private static Outcome<Mend> Refuse(string code, string field, Message what, Message remedy) => Outcome<Mend>.Failed(new Problem(code, field, what, remedy));
}
