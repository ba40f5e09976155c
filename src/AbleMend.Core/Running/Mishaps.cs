using AbleMend.Core.Catalogue;
using AbleMend.Core.Plans;
using AbleMend.Core.Rescuing;

namespace AbleMend.Core.Running;

/// <summary>What went wrong in a run: where it stands, what in it speaks for a cause, and the plan that it goes on by.</summary>
internal static class Mishaps
{
    /// <summary>How much colder or warmer than planned a bench is that it speaks for something, in K: a quarter off the pace of a cure.</summary>
    private const double WorthNamingK = 3;

    /// <summary>How much more than planned a batch is that it speaks for something.</summary>
    private const double LargeShare = 1.1;

    /// <summary>Where a run stands at a step; null where that is not the one in hand.</summary>
    public static AtStep? At(Mend mend, RunState state, string? stepId, MendCatalogue catalogue, DateTimeOffset now)
    {
        if (state.Fronts.FirstOrDefault(each => each.StepId == stepId) is not { } front || mend.Plan is not { } plan)
        {
            return null;
        }

        var system = plan.Damages[front.Damage - 1].System!;
        var cure = catalogue.Materials.GetValueOrDefault(system.Material)?.Cure ?? mend.Case.Products?.FirstOrDefault(product => product.Id == system.Material)?.Cure;
        return new AtStep(plan.Steps.First(step => step.Id == stepId), front.Phase == StepPhase.Waiting, cure, system.Method, Signs(mend, state, now));
    }

    /// <summary>The cause that an event names, where it can come over the step in hand.</summary>
    public static MishapCause? Find(Mend mend, RunState state, RunEvent next, MendCatalogue catalogue) =>
        At(mend, state, next.StepId, catalogue, next.At) is { } at ? RescueDesk.Find(next.Text, at, catalogue) : null;

    /// <summary>The plan after an event: with the steps of a remedy, or without those of one that is taken back.</summary>
    public static RepairPlan PlanAfter(Mend mend, RepairPlan plan, RunState state, RunEvent next, MishapCause? cause, Planner? planner) =>
        cause is not null && planner is not null && state.Fronts.FirstOrDefault(each => each.StepId == next.StepId) is { } front ? Joined(mend, plan, state, front, cause, next, planner)
        : next.Kind == RunEventKind.Undo && Run.Standing(mend.Events).LastOrDefault(each => !each.IsByItself) is { Kind: RunEventKind.Mishap } undone ? Without(mend, plan, undone.Number, planner)
        : plan;

    private static RepairPlan Joined(Mend mend, RepairPlan plan, RunState state, Front front, MishapCause cause, RunEvent next, Planner planner)
    {
        AtStep In(RepairPlan of) => new(of.Steps.First(step => step.Id == front.StepId), front.Phase == StepPhase.Waiting, null, "", NoSigns);
        var smaller = cause.Steps.Any(step => step.Works == RemedyFigure.SmallerCups) && RescueDesk.MixOf(plan, In(plan)) is { } mix
            ? SmallerCups.Of(plan, mix, mend.CaseFor(mix), planner)
            : null;
        var goesOn = smaller ?? plan;
        return RescueDesk.Join(goesOn, In(goesOn), cause, next.Number, smaller is null ? null : RescueDesk.MixOf(goesOn, In(goesOn)), NotSetAt(mend, plan, state, front, next.At));
    }

    /// <summary>What was laid last at a damage and is waited for, or was: how far its clock has run. Null where nothing was, or where light sets it.</summary>
    private static NotSet? NotSetAt(Mend mend, RepairPlan plan, RunState state, Front front, DateTimeOffset at)
    {
        var done = plan.Steps.Where(step => step.Damage == front.Damage).TakeWhile(step => step.Id != front.StepId).Concat(plan.Steps.Where(step => step.Id == front.StepId && front.Phase == StepPhase.Waiting));
        if (done.LastOrDefault(step => step.Timing.Wait is { Material: not null, Clock.LightFactor: null }) is not { Timing.Wait: { Material: { } material } wait } laid
            || state.Timeline.FirstOrDefault(each => each.StepId == (wait.CountsFrom ?? laid.Id)) is not { } timed
            || (wait.CountsFrom is null ? timed.HandsEndAt : timed.StartsAt) is not { } from)
        {
            return null;
        }

        var byLabel = wait.At(1);
        var ran = byLabel.Clock.MinutesBetween(from, at, mend.Climate);
        return ran > 0 ? new NotSet(byLabel, ran, mend.PaceOf(material) is { Counts: true } known ? known.Rate : 1) : null;
    }

    private static RepairPlan Without(Mend mend, RepairPlan plan, int number, Planner? planner)
    {
        var shown = plan.Steps.Where(step => RescueDesk.IsOf(step.Id, number)).SelectMany(step => step.Figures).ToHashSet();
        var without = RescueDesk.Without(plan, number);
        return planner is not null && without.Steps.FirstOrDefault(step => step.Pour?.Cups is { } cups && shown.Contains(cups)) is { } mix
            ? SmallerCups.TakenBack(without, mix, mend.CaseFor(mix), planner)
            : without;
    }

    private static readonly HashSet<RunSign> NoSigns = [];

    /// <summary>What in a run speaks for a cause.</summary>
    private static HashSet<RunSign> Signs(Mend mend, RunState state, DateTimeOffset now)
    {
        var signs = new HashSet<RunSign>();
        var (started, standing) = (mend.StartedAt!.Value, Run.Standing(mend.Events));
        if (standing.Where(each => each.Kind == RunEventKind.Reading).Select(each => each.Value!.Value - mend.Case.Bench.ClimateFrom(started).TemperatureCAt(each.At)).ToList() is { Count: > 0 } apart)
        {
            signs.UnionWith(apart.Min() <= -WorthNamingK ? [RunSign.Cold] : []);
            signs.UnionWith(apart.Max() >= WorthNamingK ? [RunSign.Warm] : []);
        }

        var cups = new CupsInHand(mend.Plan!, mend.Case.Tools.Measure, standing, mend.Air, now).Poured().ToList();
        signs.UnionWith(cups.Any(cup => cup.IsOffItsRatio) ? [RunSign.RatioOff] : []);
        signs.UnionWith(cups.Any(cup => cup.Share > LargeShare) ? [RunSign.LargeBatch] : []);

        foreach (var ready in standing.Where(each => each.Kind == RunEventKind.Ready))
        {
            var timed = state.Timeline.FirstOrDefault(each => each.StepId == ready.StepId);
            signs.UnionWith(ready.At < timed?.OpensAt ? [RunSign.TooSoon] : []);
            signs.UnionWith(ready.At > timed?.ClosesAt ? [RunSign.TooLate] : []);
        }

        signs.UnionWith(state.Fronts.Any(front => front.Window is { Light: not null } window && (window.OpensAt is not { } opens || (window.Moved is { Cause: MoveCause.Light } moved && opens > moved.OpenedAt))) ? [RunSign.Dim] : []);
        signs.UnionWith(state.Fronts.Any(front => front.Window?.ClosesAt < now) ? [RunSign.TooLate] : []);
        return signs;
    }
}
