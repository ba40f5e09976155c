using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using AbleMend.Core.Proving;
using AbleMend.Core.Quantities;
using AbleMend.Core.Timing;

namespace AbleMend.Core.Running;

/// <summary>What dries in a run, by its weighings.</summary>
internal static class Dryings
{
    /// <summary>Step of a usual hanging or kitchen scale in grams, where a hand reads it. From memory.</summary>
    public const double UsualStepG = 5;

    /// <summary>Most grams that are believed: a hull with water in it.</summary>
    public const double MostG = 200_000;

    /// <summary>Whether a step is one that dries.</summary>
    public static bool IsDrying(PlanStep step) => step.Timing.Wait?.Kind == WaitKind.Dry;

    /// <summary>How far what a step dries has dried; null for another step.</summary>
    /// <param name="step">The step.</param>
    /// <param name="kept">What stands, in order.</param>
    public static DryingStand? Of(PlanStep step, IReadOnlyList<RunEvent> kept)
    {
        if (!IsDrying(step))
        {
            return null;
        }

        var since = kept.LastOrDefault(each => each.Kind == RunEventKind.Redo && step.Timing.IsFor(Numbering.Parse(each.StepId!).Number))?.Number ?? 0;
        var weighed = kept.Where(each => each.Kind == RunEventKind.Weighed && each.StepId == step.Id && each.Number > since).OrderBy(each => each.At).ToList();
        if (weighed.Count == 0)
        {
            return new DryingStand(new DryingResult(DryingVerdict.TooFew, 0), null, null, null, null, []);
        }

        var first = weighed[0].At;
        var result = DryingTest.Judge([.. weighed.Select(each => new Weighing((each.At - first).TotalHours, each.Value!.Value, each.Resolution ?? UsualStepG))]);
        DateTimeOffset? At(double? hours) => hours is { } after ? first.AddHours(after) : null;
        return new DryingStand(result, first, At(result.DryHour), At(result.EarliestHour), At(result.LatestHour), [.. weighed.Select(each => new WeighedAt(each.At, each.Value!.Value))]);
    }

    /// <summary>The time of a step, its wait until what dries is dry as its weighings say; as it was planned where they do not.</summary>
    /// <param name="step">The step.</param>
    /// <param name="timing">Its time as it stands.</param>
    /// <param name="handsEndedAt">When its hands ended, or null.</param>
    /// <param name="kept">What stands, in order.</param>
    public static StepTiming At(PlanStep step, StepTiming timing, DateTimeOffset? handsEndedAt, IReadOnlyList<RunEvent> kept) =>
        handsEndedAt is { } ended && timing.Wait is { } wait && Of(step, kept) is { DryAt: { } dry }
            ? timing with { Wait = wait with { OpensMin = new CureTime(Math.Max(0.1, (dry - ended).TotalMinutes)), CountsFrom = null } }
            : timing;
}
