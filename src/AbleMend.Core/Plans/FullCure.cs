using AbleMend.Core.Curing;
using AbleMend.Core.Timing;

namespace AbleMend.Core.Plans;

/// <summary>When a mended item has its full properties.</summary>
public static class FullCure
{
    /// <summary>
    /// When the last cure of all damages has its full properties, and no sooner than it is ready: what is still sanded or tested has none.
    /// Null where nothing cures, where a step is never reached, or where a cure never ends.
    /// </summary>
    public static DateTimeOffset? At(IReadOnlyList<PlannedDamage> damages, IReadOnlyList<TimedStep> timeline, Climate climate)
    {
        var ends = damages.Select(damage => damage.LastCure).OfType<LastCure>()
            .Select(cure => timeline.First(each => each.StepId == cure.StepId).StartsAt is { } from ? cure.Clock.TryFindReached(cure.FullMin, from, climate) : null)
            .ToList();
        return ends.Contains(null) || ends.Count == 0 ? null : Later(ends.Max()!.Value, Timeline.ReadyAt(timeline));
    }

    private static DateTimeOffset Later(DateTimeOffset cured, DateTimeOffset? ready) => ready > cured ? ready.Value : cured;
}
