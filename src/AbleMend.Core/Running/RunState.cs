using System.Text.Json.Serialization;
using AbleMend.Core.Mixing;
using AbleMend.Core.Proving;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;

namespace AbleMend.Core.Running;

/// <summary>Where a step stands.</summary>
[JsonConverter(typeof(Kebab<StepPhase>))]
public enum StepPhase
{
    /// <summary>Not yet come to.</summary>
    Ahead,

    /// <summary>Next by hand, not begun.</summary>
    Next,

    /// <summary>Hands are on it.</summary>
    Hands,

    /// <summary>Its wait runs.</summary>
    Waiting,

    /// <summary>Its test failed.</summary>
    Failed,

    /// <summary>Over.</summary>
    Done,
}

/// <summary>A step of a run.</summary>
/// <param name="StepId">Identifier.</param>
/// <param name="Phase">Where it stands.</param>
/// <param name="StartedAt">When hands began.</param>
/// <param name="DoneAt">When it was done, its wait included.</param>
/// <param name="Measured">Measure of its test.</param>
public sealed record StepState(string StepId, StepPhase Phase, DateTimeOffset? StartedAt, DateTimeOffset? DoneAt, double? Measured);

/// <summary>The wait that runs now.</summary>
/// <param name="StepId">Step that it belongs to.</param>
/// <param name="Kind">What is waited for.</param>
/// <param name="FromAt">When it began.</param>
/// <param name="OpensAt">When it opens; null when it does not end at this bench.</param>
/// <param name="ClosesAt">When it closes, or null.</param>
/// <param name="Check">What to look at or touch.</param>
/// <param name="WhenLate">What to do when it was missed.</param>
/// <param name="Moved">Where it stood before the bench was read, and why it moved; null where it stands as planned.</param>
/// <param name="Pace">How fast what is waited for sets here, and what that makes of the window; null where its label is all that is known.</param>
/// <param name="Light">How much light has fallen on it; null where light does not set it.</param>
public sealed record LiveWindow(
    string StepId, WaitKind Kind, DateTimeOffset FromAt, DateTimeOffset? OpensAt, DateTimeOffset? ClosesAt, Message Check, Message? WhenLate, WindowMove? Moved = null, PacedWindow? Pace = null,
    LightStand? Light = null);

/// <summary>What touch has taught of a window.</summary>
/// <param name="Material">Identifier of the material.</param>
/// <param name="Rate">Its pace beside its label.</param>
/// <param name="Least">Lower end of the pace's band at 90 %.</param>
/// <param name="Most">Upper end.</param>
/// <param name="Looks">Looks that it was learnt from.</param>
/// <param name="IsReckonedWith">Whether the window goes by it; else it is known too roughly, or is close to the label's.</param>
/// <param name="LabelAt">When it would open by the label, or null.</param>
/// <param name="EarliestAt">When it opens at the fast end of what is known, a finger's doubt included; null where it never does.</param>
/// <param name="LatestAt">When it opens at the slow end.</param>
/// <param name="ByLabel">Whether it is held to the label's time though it seems to set faster, because it bears load.</param>
public sealed record PacedWindow(
    string Material, double Rate, double Least, double Most, int Looks, bool IsReckonedWith, DateTimeOffset? LabelAt, DateTimeOffset? EarliestAt, DateTimeOffset? LatestAt, bool ByLabel);

/// <summary>What of all that is read moves a window.</summary>
[JsonConverter(typeof(Kebab<MoveCause>))]
public enum MoveCause
{
    /// <summary>The air at the bench.</summary>
    Air,

    /// <summary>The item itself, which is colder or warmer than the air was planned to be.</summary>
    Surface,

    /// <summary>The water in the air.</summary>
    Humidity,

    /// <summary>The light that fell on it.</summary>
    Light,

    /// <summary>The warm box or corner that it stands in, or stood in.</summary>
    Warm,
}

/// <summary>What readings did to a window.</summary>
/// <param name="OpenedAt">When it would have opened in what was planned with.</param>
/// <param name="WarmerK">How much warmer it was since it began than planned, in K; below 0 for colder.</param>
/// <param name="Cause">What moved it.</param>
public sealed record WindowMove(DateTimeOffset OpenedAt, double WarmerK, MoveCause Cause);

/// <summary>How much light has fallen on what light sets.</summary>
/// <param name="FallenMjPerCm2">Dose so far, in mJ/cm².</param>
/// <param name="NeededMjPerCm2">Dose that sets it.</param>
/// <param name="NowMwPerCm2">Ultraviolet now, in mW/cm².</param>
/// <param name="ReadAt">When it was last read or told; null where it is as planned.</param>
/// <param name="ShareOfClearSky">What was read of a clear sky; null where that is not known.</param>
public sealed record LightStand(double FallenMjPerCm2, double NeededMjPerCm2, double NowMwPerCm2, DateTimeOffset? ReadAt, double? ShareOfClearSky);

/// <summary>How far something has dried, by the clock.</summary>
/// <param name="Result">What the weighings say.</param>
/// <param name="Since">When it was first weighed; null before that.</param>
/// <param name="DryAt">When it is dry enough; null with too few weighings.</param>
/// <param name="EarliestAt">Lower end of the band.</param>
/// <param name="LatestAt">Upper end; null where that cannot be told yet.</param>
/// <param name="Weighings">What was weighed, in order.</param>
public sealed record DryingStand(DryingResult Result, DateTimeOffset? Since, DateTimeOffset? DryAt, DateTimeOffset? EarliestAt, DateTimeOffset? LatestAt, IReadOnlyList<WeighedAt> Weighings);

/// <summary>A weighing.</summary>
/// <param name="At">When.</param>
/// <param name="Grams">What it weighed.</param>
public sealed record WeighedAt(DateTimeOffset At, double Grams);

/// <summary>How far the mend of one damage has got.</summary>
/// <param name="Damage">Which damage, from 1.</param>
/// <param name="StepId">Its step that is next, in hand or waiting.</param>
/// <param name="Phase">Where that step stands.</param>
/// <param name="Window">The wait that runs now, or null.</param>
/// <param name="UseBy">When the mix in hand is past using, or null.</param>
/// <param name="Hold">What the readings of its hold test say so far; null when none is current.</param>
/// <param name="LeadsBackTo">Where a failed test most likely leads back; null while none has failed.</param>
/// <param name="HeldUntil">When it had better be begun, because a window that it leads to would close with nobody there; null where it may be begun now.</param>
/// <param name="WaitsFor">The other damages that have to get there first, because it is done for all of them at once or the item is turned to it; null for none.</param>
/// <param name="Cup">The cup that is being filled, or the next one of a mix in several; null where nothing is measured.</param>
/// <param name="Drying">What weighings of what dries say so far; null where nothing dries.</param>
/// <param name="Trace">The readings of its hold test, and how they come; null when none is current.</param>
/// <param name="Together">The cup that its mix, or what uses it, shares with other mends; null where it has one of its own.</param>
/// <param name="TurnFrom">When what was put on the other side no longer runs, so that the item may be turned to it; null where it waits for nothing of that kind, or that is not put on yet.</param>
/// <param name="Test">How far its test has got; null where no tool of a test is in hand.</param>
public sealed record Front(
    int Damage, string StepId, StepPhase Phase, LiveWindow? Window, DateTimeOffset? UseBy, HoldResult? Hold, string? LeadsBackTo, DateTimeOffset? HeldUntil = null, IReadOnlyList<int>? WaitsFor = null,
    CupStand? Cup = null, DryingStand? Drying = null, HoldTrace? Trace = null, CupTogether? Together = null, DateTimeOffset? TurnFrom = null, TestStand? Test = null)
{
    /// <value>Whether it waits for a cup that another mend mixes.</value>
    public bool WaitsForCup => Together is { IsMixedHere: false, BeganAt: null } && Phase is StepPhase.Next or StepPhase.Hands;

    /// <value>Until when its test lasts, or is not read again; null where no test is in hand.</value>
    [JsonIgnore]
    public DateTimeOffset? TestUntil => Phase is StepPhase.Next or StepPhase.Hands ? Test?.Until ?? Test?.ThenFrom : null;

    /// <value>When hands go on with it, where that is not at once: it is held back, or a test still lasts.</value>
    [JsonIgnore]
    public DateTimeOffset? NotBefore => HeldUntil ?? TestUntil;
}

/// <summary>Where an item stands while something sets on it, beside the bench.</summary>
/// <param name="UpToC">How warm it may stand now, in °C; null for no warmer than the bench.</param>
/// <param name="Because">What that protects; null where it stands in the warm and nothing is waited for.</param>
/// <param name="StandsAtC">How warm it stands now; null at the bench.</param>
/// <param name="Since">Since when it stands there, or null.</param>
public sealed record WarmStand(double? UpToC, Message? Because, double? StandsAtC, DateTimeOffset? Since);

/// <summary>A run, folded from its events. What stands here of a current step is that of the damage that needs hands first.</summary>
/// <param name="CurrentStepId">Step that is next, in hand or waiting; null when all are done.</param>
/// <param name="Phase">Where the current step stands.</param>
/// <param name="Steps">All steps.</param>
/// <param name="Window">The wait that runs now, or null.</param>
/// <param name="UseBy">When the mix in hand is past using, or null.</param>
/// <param name="Timeline">All steps in clock time, as it now looks.</param>
/// <param name="ReadyAt">When it may go back into use, as it now looks.</param>
/// <param name="FullCureAt">When it has its full properties, as it now looks; null where nothing cures or it never does.</param>
/// <param name="LookAgainAt">When somebody looks at it again, as it now looks; null where nothing is said of it.</param>
/// <param name="HandedBackAt">When it was handed back, or null.</param>
/// <param name="LastNumber">Number of the last event.</param>
/// <param name="Hold">What the readings of the hold test say so far; null when none is current.</param>
/// <param name="Finds">Places found while working, in order.</param>
/// <param name="LeadsBackTo">Where a failed test most likely leads back: the last mix or application before it; null while none has failed.</param>
/// <param name="Fronts">How far each damage has got, those that are done left out.</param>
/// <param name="HeldUntil">When the current step had better be begun; null where it may be begun now.</param>
/// <param name="CanUndo">Whether somebody did something that can be taken back.</param>
/// <param name="Probes">The instruments that lie at the item and are read by themselves; null of a run that was folded before there were any.</param>
/// <param name="Warm">How warm it may stand now, and stands; null where warmth makes no difference.</param>
/// <param name="Device">What the next mix is measured with; null of a run that was folded before another could be taken.</param>
public sealed record RunState(
    string? CurrentStepId,
    StepPhase Phase,
    IReadOnlyList<StepState> Steps,
    LiveWindow? Window,
    DateTimeOffset? UseBy,
    IReadOnlyList<TimedStep> Timeline,
    DateTimeOffset? ReadyAt,
    DateTimeOffset? FullCureAt,
    DateTimeOffset? LookAgainAt,
    DateTimeOffset? HandedBackAt,
    int LastNumber,
    HoldResult? Hold,
    IReadOnlyList<string> Finds,
    string? LeadsBackTo,
    IReadOnlyList<Front> Fronts,
    DateTimeOffset? HeldUntil = null,
    bool CanUndo = false,
    IReadOnlyList<string>? Probes = null,
    WarmStand? Warm = null,
    MeasuringDevice? Device = null
);
