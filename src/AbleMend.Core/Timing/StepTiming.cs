using System.Text.Json.Serialization;
using AbleMend.Core.Curing;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;

namespace AbleMend.Core.Timing;

/// <summary>What is waited for.</summary>
[JsonConverter(typeof(Kebab<WaitKind>))]
public enum WaitKind
{
    /// <summary>Water to leave, by weight.</summary>
    Dry,

    /// <summary>Solvent to leave.</summary>
    Flash,

    /// <summary>Light to set it.</summary>
    Light,

    /// <summary>Firm enough for the next coat.</summary>
    Recoat,

    /// <summary>Dry to the touch and still gripping: opens and closes.</summary>
    Tack,

    /// <summary>Cooling down.</summary>
    Cool,

    /// <summary>Setting, not to be moved: under clamps, bands or plates until they may come off, or lying by itself.</summary>
    Hold,

    /// <summary>Hard enough to sand.</summary>
    Sandable,

    /// <summary>Strong enough for water and load.</summary>
    Loadable,

    /// <summary>At pressure, until a gauge can see a leak that matters: read, and not touched.</summary>
    Pressure,
}

/// <summary>A wait with its window: too early, good, too late.</summary>
/// <param name="Kind">What is waited for.</param>
/// <param name="OpensMin">Minutes at the clock's reference until it may go on, above 0.</param>
/// <param name="ClosesMin">Minutes at the clock's reference until it is too late, or null.</param>
/// <param name="CountsFrom">Identifier of the step whose start the minutes count from; null for the end of this step's hands-on work.</param>
/// <param name="Clock">How temperature changes the minutes.</param>
/// <param name="Check">What to look at or touch before going on: touch beats the clock.</param>
/// <param name="RecheckMin">Minutes until the next look when it was not ready.</param>
/// <param name="WhenLate">What to do when the window was missed, or null.</param>
/// <param name="Because">Identifier of the figure that its opening follows from, or null.</param>
/// <param name="Material">Identifier of the material whose cure it is, where touch says how fast that sets; else null.</param>
/// <param name="Warm">How warm it may stand meanwhile, to be over sooner; null where warmth does not drive it, or would close its window sooner.</param>
public sealed record StepWait(
    WaitKind Kind,
    CureTime OpensMin,
    CureTime? ClosesMin,
    string? CountsFrom,
    CureClock Clock,
    Message Check,
    double RecheckMin,
    Message? WhenLate = null,
    string? Because = null,
    string? Material = null,
    WarmLimit? Warm = null
)
{
    /// <summary>The same at a pace that was learnt. What bears load waits at least as long as the label says, however fast it seems.</summary>
    /// <param name="pace">The pace beside the label's, above 0.</param>
    public StepWait At(double pace) => this with { Clock = Clock with { Pace = Kind is WaitKind.Hold or WaitKind.Loadable ? Math.Min(1, pace) : pace } };
}

/// <summary>How warm an item may stand while something sets on it.</summary>
/// <param name="UpToC">In °C; null for no warmer than the bench.</param>
/// <param name="Because">What it protects.</param>
public sealed record WarmLimit(double? UpToC, Message Because);

/// <summary>The time that a step takes.</summary>
/// <param name="StepId">Identifier of the step.</param>
/// <param name="HandsOnMin">Minutes of work by hand.</param>
/// <param name="FollowsOn">Whether it must come straight after the step before it.</param>
/// <param name="Wait">The wait after it, or null.</param>
/// <param name="Damage">Which of the item's damages it is for, from 1.</param>
/// <param name="Uses">The mix that it uses, or null.</param>
/// <param name="After">Steps of other damages that must be over, waits and all, before it begins; null for none.</param>
/// <param name="Also">The other damages that it is done for at once, such as a test of the whole item; null for none.</param>
/// <param name="WhenFirm">Steps on the other side of the item that have to be firm enough for it to be turned; null for none.</param>
public sealed record StepTiming(
    string StepId, double HandsOnMin, bool FollowsOn, StepWait? Wait, int Damage = 1, MixLife? Uses = null, IReadOnlyList<string>? After = null, IReadOnlyList<int>? Also = null, IReadOnlyList<Firm>? WhenFirm = null)
{
    /// <summary>All steps of other damages that have to be done before it begins, set or firm.</summary>
    public IEnumerable<string> Awaits() => (After ?? []).Concat((WhenFirm ?? []).Select(firm => firm.StepId));

    /// <summary>Whether it is done for a damage.</summary>
    /// <param name="damage">Which, from 1.</param>
    public bool IsFor(int damage) => Damage == damage || Also?.Contains(damage) == true;
}

/// <summary>What was put on in a step, and when it no longer runs: the item may be turned while it goes on setting.</summary>
/// <param name="StepId">Identifier of the step.</param>
/// <param name="FirmMin">Minutes at the reference of its wait's clock until it is firm, counted as its wait is: 0 as soon as hands are off, at most what the wait takes.</param>
public sealed record Firm(string StepId, CureTime FirmMin);

/// <summary>A mix, and for how long it may be used.</summary>
/// <param name="StepId">Identifier of the step that mixes it.</param>
/// <param name="WithinMin">Minutes from the start of that step, above 0.</param>
public sealed record MixLife(string StepId, double WithinMin);
