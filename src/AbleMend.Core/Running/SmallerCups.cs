using System.Text.Json;
using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Methods;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;

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
            ? Following(plan, whole, halved)
            : null;

    /// <summary>A plan with a mix in half as many cups: what made them smaller is taken back.</summary>
    public static RepairPlan TakenBack(RepairPlan plan, PlanStep mix, RepairCase repairCase, Planner planner) =>
        CountIn(plan, mix) is { } count
        && new CupCounts(mix, repairCase, planner) is var counts
        && counts.In(count / 2) is { } whole && counts.In(count) is { } halved
            ? Following(plan, halved, whole)
            : plan;

    private static int? CountIn(RepairPlan plan, PlanStep mix) => (int?)ValueIn(plan, mix.Pour?.Cups);

    private static double? MeasuredIn(RepairPlan plan, PlanStep mix) =>
        plan.Steps.FirstOrDefault(step => step.Id == mix.Id)?.Pour?.Cup?.Ingredients.FirstOrDefault(each => each.Part == MixPart.Resin) is { } resin ? ValueIn(plan, resin.Figure) : null;

    private static double? ValueIn(RepairPlan plan, string? figure) => plan.Figures.FirstOrDefault(each => each.Id == figure)?.Value;

    /// <summary>The frozen plan with what differs between two others; what is the same in both stays as it was frozen.</summary>
    private static RepairPlan Following(RepairPlan frozen, RepairPlan before, RepairPlan after) => frozen with
    {
        Figures = Following(frozen.Figures, before.Figures, after.Figures, figure => figure.Id),
        Steps = Following(frozen.Steps, before.Steps, after.Steps, step => step.Id),
        Warnings = Following(frozen.Warnings, before.Warnings, after.Warnings, Written),
    };

    private static List<T> Following<T>(IReadOnlyList<T> frozen, IReadOnlyList<T> before, IReadOnlyList<T> after, Func<T, string> key)
    {
        var (was, becomes, stood) = (before.ToDictionary(key), after.ToDictionary(key), frozen.Select(key).ToHashSet());
        var all = frozen.Where(each => becomes.ContainsKey(key(each)) || !was.ContainsKey(key(each)))
            .Select(each => becomes.TryGetValue(key(each), out var then) && (!was.TryGetValue(key(each), out var old) || Written(old) != Written(then)) ? then : each).ToList();
        for (var i = 0; i < after.Count; i++)
        {
            if (!was.ContainsKey(key(after[i])) && !stood.Contains(key(after[i])))
            {
                // It stands after what it stands after where it comes from, so that what is taken back is where it was.
                all.Insert(after.Take(i).Reverse().Select(each => all.FindIndex(one => key(one) == key(each))).FirstOrDefault(place => place >= 0, -1) + 1, after[i]);
            }
        }

        return all;
    }

    private static string Written<T>(T value) => JsonSerializer.Serialize(value, OpenJson.Options);

    /// <summary>A case planned with a mix in one number of cups or another.</summary>
    private sealed class CupCounts(PlanStep mix, RepairCase repairCase, Planner planner)
    {
        private readonly RepairPlan? _asItIs = planner.Plan(repairCase).Value;

        /// <summary>The plan with so many cups; null where it cannot be planned so.</summary>
        public RepairPlan? In(int count) =>
            _asItIs is null || _asItIs.Steps.All(step => step.Id != mix.Id) ? null
            : CountIn(_asItIs, mix) == count ? _asItIs
            : planner.Plan(repairCase with { Damages = [.. repairCase.Damages.Select((damage, i) => i + 1 == mix.Damage ? With(damage, count) : damage)] }).Value is { } plan
                ? plan with { Figures = [.. plan.Figures.Select(figure => figure.Id == mix.Pour!.Cups ? Doubled(figure) : figure)] }
            : null;

        private DamageToMend With(DamageToMend damage, int count)
        {
            var cups = Numbering.Parse(mix.Pour!.Cups!).Id;
            return damage with { Overrides = [.. (damage.Overrides ?? []).Where(each => each.Figure != cups), new Override(cups, count, "It set before it was spread.")] };
        }

        /// <summary>It was not set by hand: what happened has set it.</summary>
        private static Figure Doubled(Figure cups) =>
            cups with { SetByHand = null, FoundedOn = SourceKind.CommonPractice, Derivation = cups.Derivation with { Rule = "Twice as many each time that one set before it was spread", Source = Source.CommonPractice } };
    }
}
