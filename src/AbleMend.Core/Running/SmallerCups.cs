using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Methods;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;
using AbleMend.Core.Words;

namespace AbleMend.Core.Running;

/// <summary>
/// A mix in more and smaller cups than it was planned in, because one set before it was spread. It is planned anew with
/// that many cups, and what differs by that, words and figures alike, takes its place in the frozen plan.
/// </summary>
internal static class SmallerCups
{
    /// <summary>A plan with a mix in twice as many cups.</summary>
    /// <param name="plan">The frozen plan.</param>
    /// <param name="mix">The mix.</param>
    /// <param name="repairCase">The case as it was started.</param>
    /// <param name="planner">Plans it.</param>
    /// <returns>The plan; null where less cannot be measured, or it can no longer be planned.</returns>
    public static RepairPlan? Of(RepairPlan plan, PlanStep mix, RepairCase repairCase, Planner planner) =>
        CountIn(plan, mix) is { } count
        && new CupCounts(mix, repairCase, planner) is var counts
        && counts.In(count) is { } whole && counts.In(count * 2) is { } halved
        && MeasuredIn(halved, mix) < MeasuredIn(whole, mix)
            ? plan.Following(whole, halved)
            : null;

    /// <summary>A plan with a mix in half as many cups: what made them smaller is taken back.</summary>
    public static RepairPlan TakenBack(RepairPlan plan, PlanStep mix, RepairCase repairCase, Planner planner) =>
        CountIn(plan, mix) is { } count
        && new CupCounts(mix, repairCase, planner) is var counts
        && counts.In(count / 2) is { } whole && counts.In(count) is { } halved
            ? plan.Following(halved, whole)
            : plan;

    /// <summary>A case with every mix in as many cups as what went wrong has made of it.</summary>
    /// <param name="plan">The plan that it goes by.</param>
    /// <param name="repairCase">The case.</param>
    public static RepairCase CaseOf(RepairPlan plan, RepairCase repairCase) =>
        plan.Steps.Where(step => step.Pour?.Cups is { } cups && plan.Figures.Any(figure => figure.Id == cups && figure.Derivation.Rule.Equals(TwiceAsMany)))
            .Aggregate(repairCase, (before, mix) => With(before, mix, CountIn(plan, mix)!.Value));

    /// <summary>A plan of that case, in which nobody set the cups by hand.</summary>
    public static RepairPlan? Planned(RepairPlan plan, RepairCase repairCase, Planner planner) =>
        planner.Plan(CaseOf(plan, repairCase)).Value is { } planned
            ? planned with { Figures = [.. planned.Figures.Select(figure => plan.Figures.Any(each => each.Id == figure.Id && each.Derivation.Rule.Equals(TwiceAsMany)) ? Doubled(figure) : figure)] }
            : null;

    private static readonly Message TwiceAsMany = "Twice as many each time that one set before it was spread";

    private static RepairCase With(RepairCase repairCase, PlanStep mix, int count) =>
        repairCase with { Damages = [.. repairCase.Damages.Select((damage, i) => i + 1 == mix.Damage ? With(damage, mix, count) : damage)] };

    private static DamageToMend With(DamageToMend damage, PlanStep mix, int count)
    {
        var cups = Numbering.Parse(mix.Pour!.Cups!).Id;
        return damage with { Overrides = [.. (damage.Overrides ?? []).Where(each => each.Figure != cups), new Override(cups, count, "It set before it was spread.")] };
    }

    /// <summary>It was not set by hand: what happened has set it.</summary>
    private static Figure Doubled(Figure cups) =>
        cups with { SetByHand = null, FoundedOn = SourceKind.CommonPractice, Derivation = cups.Derivation with { Rule = TwiceAsMany, Source = Source.CommonPractice } };

    private static int? CountIn(RepairPlan plan, PlanStep mix) => (int?)ValueIn(plan, mix.Pour?.Cups);

    private static double? MeasuredIn(RepairPlan plan, PlanStep mix) =>
        plan.Steps.FirstOrDefault(step => step.Id == mix.Id)?.Pour?.Cup?.Ingredients.FirstOrDefault(each => each.Part == MixPart.Resin) is { } resin ? ValueIn(plan, resin.Figure) : null;

    private static double? ValueIn(RepairPlan plan, string? figure) => plan.Figures.FirstOrDefault(each => each.Id == figure)?.Value;

    /// <summary>A case planned with a mix in one number of cups or another.</summary>
    private sealed class CupCounts(PlanStep mix, RepairCase repairCase, Planner planner)
    {
        private readonly RepairPlan? _asItIs = planner.Plan(repairCase).Value;

        /// <summary>The plan with so many cups; null where it cannot be planned so.</summary>
        public RepairPlan? In(int count) =>
            _asItIs is null || _asItIs.Steps.All(step => step.Id != mix.Id) ? null
            : CountIn(_asItIs, mix) == count ? _asItIs
            : planner.Plan(With(repairCase, mix, count)).Value is { } plan
                ? plan with { Figures = [.. plan.Figures.Select(figure => figure.Id == mix.Pour!.Cups ? Doubled(figure) : figure)] }
            : null;
    }
}
