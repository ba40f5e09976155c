using AbleMend.Core.Catalogue;
using AbleMend.Core.Figures;
using AbleMend.Core.Methods;
using AbleMend.Core.Mixing;
using AbleMend.Core.Words;

namespace AbleMend.Core.Rescuing;

/// <summary>The numbers of a remedy, worked out from those of the mix that went wrong.</summary>
internal static class RemedyFigures
{
    /// <summary>What a remedy's step works out; nothing where the mix says nothing of it.</summary>
    /// <param name="works">What it works out, or null.</param>
    /// <param name="stepId">Identifier of the remedy's step.</param>
    /// <param name="mix">The mix, or null where there is none.</param>
    /// <param name="figures">Figures of the plan.</param>
    public static IEnumerable<Figure> Of(RemedyFigure? works, string stepId, PlanStep? mix, IReadOnlyList<Figure> figures) =>
        works == RemedyFigure.HardenerToResin && mix?.Pour?.Cup is { } cup ? ToResin(stepId, cup, figures) : [];

    /// <summary>Whether a figure was worked out for a step.</summary>
    public static bool IsOf(Figure figure, string stepId) => figure.Id.StartsWith($"{stepId}.", StringComparison.Ordinal);

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
            : [Worked($"{stepId}.to-resin", byWeight ? weighed : measured, b.Value / a.Value * 100, "%", 1, "Hardener ÷ resin, as it was planned", [b, a])];

        Figure Measured(Ingredient each) => figures.First(figure => figure.Id == (byWeight ? each.Grams : each.Figure));
    }

    private static Figure Worked(string id, Message label, double value, string unit, int decimals, Message rule, IReadOnlyList<Figure> inputs) =>
        new(id, label, value, unit, decimals, FigureKind.Worked, new Derivation(rule, Source.Arithmetic, [.. inputs.Select(input => input.Id)]), inputs.Select(input => input.FoundedOn).Aggregate(Firmness.Weaker), null);
}
