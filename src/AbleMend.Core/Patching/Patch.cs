using AbleMend.Core.Gear;

namespace AbleMend.Core.Patching;

/// <summary>One layer of cloth.</summary>
/// <param name="Order">1 is laid first.</param>
/// <param name="Cloth">Identifier of the cloth.</param>
/// <param name="MarginMm">How far it reaches past the cut-out, in millimetres.</param>
/// <param name="AreaCm2">Area in cm².</param>
/// <param name="LengthMm">Extent along the item in millimetres.</param>
/// <param name="WidthMm">Extent across the item in millimetres.</param>
/// <param name="Plain">A circle or rounded rectangle that is near enough, or null: cut to the template.</param>
/// <param name="Pieces">Corner points of each piece in millimetres.</param>
public sealed record Patch(
    int Order,
    string Cloth,
    double MarginMm,
    double AreaCm2,
    double LengthMm,
    double WidthMm,
    PlainShape? Plain,
    IReadOnlyList<IReadOnlyList<PointMm>> Pieces
);

/// <summary>Stacks of patches over a cut-out.</summary>
public static class PatchStack
{
    /// <summary>Builds the patches, each stepping past the one before.</summary>
    /// <param name="cutOut">Outline to cover.</param>
    /// <param name="cloths">Identifiers of the cloths, from the smallest patch to the largest.</param>
    /// <param name="marginMm">Margin of the smallest patch in millimetres, above 0.</param>
    /// <param name="stepMm">How much further each next patch reaches, in millimetres, 0 or more.</param>
    /// <param name="largestFirst">Lay the largest patch first instead of last.</param>
    /// <returns>Patches in the order in which they are laid.</returns>
    public static IReadOnlyList<Patch> Over(
        Outline cutOut, IReadOnlyList<string> cloths, double marginMm, double stepMm, bool largestFirst)
    {
        Guard.Positive(marginMm, nameof(marginMm));
        Guard.NotNegative(stepMm, nameof(stepMm));
        var bySize = cloths.Select((cloth, i) => (Cloth: cloth, Margin: marginMm + (i * stepMm)));
        var laid = largestFirst ? bySize.Reverse() : bySize;
        return [.. laid.Select((patch, i) => Cut(cutOut, patch.Cloth, patch.Margin, i + 1))];
    }

    private static Patch Cut(Outline cutOut, string cloth, double margin, int order)
    {
        var outline = cutOut.Grown(margin);
        return new Patch(
            order,
            cloth,
            margin,
            outline.AreaMm2 / 100,
            outline.LengthMm,
            outline.WidthMm,
            outline.Plain(margin),
            outline.Pieces
        );
    }
}
