using System.Text.Json.Serialization;
using AbleMend.Core.Timing;

namespace AbleMend.Core.Running;

/// <summary>How soon a mend needs hands.</summary>
[JsonConverter(typeof(Kebab<Urgency>))]
public enum Urgency
{
    /// <summary>Something is being lost: a mix in the cup, a window about to close or closed.</summary>
    AboutToBeLost,

    /// <summary>Hands can go on now.</summary>
    HandsNow,

    /// <summary>Waits; too early.</summary>
    Waiting,
}

/// <summary>Which mend leads: whoever walks up to the bench sees first what needs hands now.</summary>
public static class BenchOrder
{
    /// <summary>How long before the end of a window a mend counts as about to be lost.</summary>
    public static readonly TimeSpan LastCall = TimeSpan.FromMinutes(30);

    /// <summary>How long before the end of a window it is rung for: later than a mend begins to lead, for an alarm that comes too soon is silenced and forgotten.</summary>
    public static readonly TimeSpan RingsBefore = TimeSpan.FromMinutes(5);

    /// <summary>How soon a run needs hands.</summary>
    public static Urgency UrgencyOf(RunState state, DateTimeOffset now) => UrgencyOf(state.Phase, state.Window, state.UseBy, NotBefore(state), LeadOf(state) is { } lead && WaitsForAnother(lead), now);

    /// <summary>The damage of an item that needs hands first; of those that can go on alike, the one in hand, then the one that the plan comes to first. Null when all are done.</summary>
    /// <param name="fronts">How far each has got.</param>
    /// <param name="timeline">The steps as they now look.</param>
    /// <param name="now">The present.</param>
    public static Front? Lead(IReadOnlyList<Front> fronts, IReadOnlyList<TimedStep> timeline, DateTimeOffset now) =>
        fronts
            .OrderBy(front => UrgencyOf(front.Phase, front.Window, front.UseBy, front.NotBefore, WaitsForAnother(front), now))
            .ThenBy(front => front.Phase is not (StepPhase.Hands or StepPhase.Failed))
            .ThenBy(front => (front.Window?.OpensAt <= now ? front.Window.ClosesAt : front.Window?.OpensAt) ?? timeline.First(step => step.StepId == front.StepId).StartsAt ?? DateTimeOffset.MaxValue)
            .FirstOrDefault();

    private static bool WaitsForAnother(Front front) => front.WaitsFor is not null || front.WaitsForCup;

    private static Urgency UrgencyOf(StepPhase phase, LiveWindow? window, DateTimeOffset? useBy, DateTimeOffset? notBefore, bool waitsForAnother, DateTimeOffset now) =>
        useBy is not null || window?.ClosesAt - now < LastCall ? Urgency.AboutToBeLost
        : notBefore > now || waitsForAnother ? Urgency.Waiting
        : phase == StepPhase.Waiting && (window?.OpensAt is not { } opens || opens > now) ? Urgency.Waiting
        : Urgency.HandsNow;

    /// <summary>The instant that a run is sorted by within its urgency: the end of what is being lost, else the opening of its wait.</summary>
    public static DateTimeOffset MomentOf(RunState state, DateTimeOffset now) =>
        state.UseBy ?? (UrgencyOf(state, now) == Urgency.AboutToBeLost ? state.Window?.ClosesAt : state.Window?.OpensAt ?? NotBefore(state)) ?? now;

    private static Front? LeadOf(RunState state) => state.Fronts.FirstOrDefault(front => front.StepId == state.CurrentStepId);

    private static DateTimeOffset? NotBefore(RunState state) => LeadOf(state)?.NotBefore ?? state.HeldUntil;
}
