using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Figures;
using AbleMend.Core.Methods;
using AbleMend.Core.Mixing;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Rescuing;

/// <summary>The numbers of a remedy, worked out from those of the mix that went wrong, or from what its wait was.</summary>
internal static class RemedyFigures
{
    /// <summary>The least share of its label's time that what has not set by now is given. From memory: a finger finds little change sooner.</summary>
    private const double LeastShare = 0.1;

    /// <summary>What a remedy's step works out; nothing where the mix or the wait says nothing of it.</summary>
    /// <param name="remedy">The remedy's step, as the catalogue has it.</param>
    /// <param name="stepId">Identifier of the remedy's step.</param>
    /// <param name="mix">The mix, or null where there is none.</param>
    /// <param name="notSet">What has not set, or null where its clock is not known.</param>
    /// <param name="figures">Figures of the plan.</param>
    public static IReadOnlyList<Figure> Of(RemedyStep remedy, string stepId, PlanStep? mix, NotSet? notSet, IReadOnlyList<Figure> figures) =>
        remedy.Works == RemedyFigure.HardenerToResin && mix?.Pour?.Cup is { } cup ? [.. ToResin(stepId, cup, figures)]
        : remedy is { Works: RemedyFigure.LeftInTheWarm, WarmC: { } warmC } && notSet is not null ? InTheWarm(stepId, warmC, notSet, figures)
        : [];

    /// <summary>Minutes to wait in the warm, where they were worked out.</summary>
    public static Figure? WaitOf(IEnumerable<Figure> worked, string stepId) => worked.FirstOrDefault(figure => figure.Id == $"{stepId}.warm");

    /// <summary>What was worked out for a step and is shown there: what no other of its figures is worked out from.</summary>
    public static IEnumerable<string> ShownAt(string stepId, IReadOnlyList<Figure> worked) =>
        worked.Where(figure => figure.Id.StartsWith($"{stepId}.", StringComparison.Ordinal) && worked.All(other => !other.Derivation.Inputs.Contains(figure.Id))).Select(figure => figure.Id);

    /// <summary>The figures of a mix that goes into smaller cups: how many, and what goes into each.</summary>
    /// <param name="mix">The mix.</param>
    public static IEnumerable<string> CupsOf(PlanStep mix) => mix.Pour is { Cups: { } cups, Cup: { } cup } ? [cups, .. cup.Ingredients.Select(each => each.Figure)] : [];

    /// <summary>In percent, which holds in any unit: by weight where that is known of both, else by volume.</summary>
    private static IEnumerable<Figure> ToResin(string stepId, CupContents cup, IReadOnlyList<Figure> figures)
    {
        if (cup.Ingredients.FirstOrDefault(ingredient => ingredient.Part == MixPart.Resin) is not { } resin
            || cup.Ingredients.FirstOrDefault(ingredient => ingredient.Part is MixPart.Hardener or MixPart.Catalyst) is not { } hardener)
        {
            return [];
        }

        var byWeight = resin.Grams is not null && hardener.Grams is not null;
        var (a, b) = (Measured(resin), Measured(hardener));
        Message weighed = "Hardener, of the weight in the cup";
        Message measured = "Hardener, of the volume in the cup";
        return a.Unit != b.Unit || a.Value <= 0 ? []
            : [Worked($"{stepId}.to-resin", byWeight ? weighed : measured, b.Value / a.Value * 100, "%", 1, "Hardener ÷ resin, as it was planned", [b, a], Source.Arithmetic)];

        Figure Measured(Ingredient each) => figures.First(figure => figure.Id == (byWeight ? each.Grams : each.Figure));
    }

    /// <summary>What its label still wants at the pace that it can have at most, since it has not set by now; and how long that takes in the warm.</summary>
    private static IReadOnlyList<Figure> InTheWarm(string stepId, double warmC, NotSet notSet, IReadOnlyList<Figure> figures)
    {
        // What does not set at that warmth either is left to the remedy's own time.
        if (figures.FirstOrDefault(figure => figure.Id == notSet.Wait.Because) is not { } label || notSet.Wait.Clock.RateAt(warmC) <= 0)
        {
            return [];
        }

        var pace = Math.Min(notSet.Pace, LearntPace.From("", [new PaceLook(notSet.Wait.OpensMin.CureMin, notSet.RanMin, null)])!.Rate);
        var left = Math.Max((notSet.Wait.OpensMin.CureMin / pace) - notSet.RanMin, LeastShare * notSet.Wait.OpensMin.CureMin);
        var ran = Told($"{stepId}.ran", "Its clock has run", notSet.RanMin, CureTime.Unit, "Minutes of the label that passed since it was laid, by the temperatures that were read", Source.Shop);
        var warm = Told($"{stepId}.at", "Made warm", warmC, Temperature.Unit, "What the remedy says", Source.CommonPractice);
        var slow = Worked($"{stepId}.pace", "Its pace beside its label, since it has not set", pace, Factor.Unit.Symbol, 2, "What a look that found it not set says, or what is known of its lot, where that is slower", [ran, label], LearntPace.Source);
        var rest = Worked($"{stepId}.left", "Still to run", left, CureTime.Unit.Symbol, 0, $"Label's time ÷ pace, less what has run; {Percent(LeastShare * 100)} of the label's time at the least", [label, slow, ran], Source.Arithmetic);
        return [ran, warm, slow, rest, Worked($"{stepId}.warm", "In the warm it still takes", left / notSet.Wait.Clock.RateAt(warmC), WallTime.Unit.Symbol, 0, "What is left ÷ rate at this temperature", [rest, warm], EquivalentAge.Source)];
    }

    private static Figure Told(string id, Message label, double value, Unit unit, Message rule, Source source) =>
        new(id, label, value, unit.Symbol, unit.Decimals, FigureKind.Fact, new Derivation(rule, source, []), source.Kind, null);

    private static Figure Worked(string id, Message label, double value, string unit, int decimals, Message rule, IReadOnlyList<Figure> inputs, Source source) =>
        new(id, label, value, unit, decimals, FigureKind.Worked, new Derivation(rule, source, [.. inputs.Select(input => input.Id)]), inputs.Select(input => input.FoundedOn).Aggregate(source.Kind, Firmness.Weaker), null);
}
