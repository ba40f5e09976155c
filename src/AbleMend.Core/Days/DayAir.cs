using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Safety;

namespace AbleMend.Core.Days;

/// <summary>A vapour that a mend gives to the room, or will.</summary>
/// <param name="Mend">Number of the mend.</param>
/// <param name="StepId">Its step.</param>
/// <param name="Release">What, how much and when.</param>
public sealed record MendVapour(int Mend, string StepId, VapourRelease Release);

/// <summary>What the mends of a shop give to its air: of what was done when it was done, of what is to come when the plan of the days has it.</summary>
public static class DayAir
{
    /// <summary>Minutes in which what was wiped on or spread goes on giving off once hands are off it. From memory: a solvent has flashed, styrene gels.</summary>
    public const double GoesOffMin = 20;

    /// <summary>The vapours of a mend.</summary>
    /// <param name="mend">Its number.</param>
    /// <param name="plan">Its plan.</param>
    /// <param name="run">Its run; null for a draft.</param>
    /// <param name="days">The plan of the days; null where nothing of it is still to come.</param>
    public static IReadOnlyList<MendVapour> Of(int mend, RepairPlan plan, RunState? run, DaysPlan? days) =>
    [
        .. from step in plan.Steps
           where step.GivesOff is not null
           let at = DoneAt(step, run) ?? PlannedAt(mend, plan, step, days)
           where at is not null
           from vapour in step.GivesOff ?? []
           let figure = plan.Figures.FirstOrDefault(each => each.Id == vapour.Figure)
           where figure is not null && RoomAir.Limits.ContainsKey(vapour.Solvent)
           select new MendVapour(mend, step.Id, new VapourRelease(vapour.Solvent, figure.Value, at.Value, at.Value.AddMinutes(step.Timing.HandsOnMin + GoesOffMin))),
    ];

    private static DateTimeOffset? DoneAt(PlanStep step, RunState? run) =>
        run?.Steps.FirstOrDefault(each => each.StepId == step.Id) is { Phase: not StepPhase.Ahead and not StepPhase.Next } state ? state.StartedAt : null;

    /// <summary>A stretch holds steps that follow one another; each begins when hands are off the one before.</summary>
    private static DateTimeOffset? PlannedAt(int mend, RepairPlan plan, PlanStep step, DaysPlan? days)
    {
        var lane = plan.Steps.Where(each => each.Damage == step.Damage).ToList();
        foreach (var block in (days?.Blocks ?? []).Where(block => block.Mend == mend))
        {
            var stretch = lane.SkipWhile(each => each.Id != block.StepId).Take(block.Titles.Count).ToList();
            if (stretch.Contains(step))
            {
                return block.StartsAt.AddMinutes(stretch.TakeWhile(each => each != step).Sum(each => each.Timing.HandsOnMin));
            }
        }

        return null;
    }
}
