using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Patching;

namespace AbleMend.Core.Cases;

/// <summary>A shop as a new case starts from it.</summary>
/// <param name="Bench">Air, light and hours.</param>
/// <param name="Tools">Tools at hand.</param>
/// <param name="Shelf">What is on the shelf; null when everything is.</param>
/// <param name="Products">The shop's own products.</param>
/// <param name="Offcuts">Pieces at hand.</param>
public sealed record ShopFacts(BenchFacts Bench, Tools Tools, IReadOnlyList<OnShelf>? Shelf, IReadOnlyList<Material>? Products, IReadOnlyList<Offcut>? Offcuts);

/// <summary>What a new mend starts from: every number of it a visible default.</summary>
public static class FirstCase
{
    private static readonly DamageKind[] Narrow = [DamageKind.Crack, DamageKind.Slice, DamageKind.Scratch, DamageKind.Tear, DamageKind.SeamOpen, DamageKind.Split];

    /// <summary>The usual damage of a construction, at the shop's own bench.</summary>
    /// <param name="item">The item.</param>
    /// <param name="construction">Its construction.</param>
    /// <param name="shop">The shop.</param>
    public static RepairCase Of(ItemFacts item, Construction construction, ShopFacts shop) =>
        new(RepairCase.CurrentFormat, item, [new DamageToMend(Usual(construction.Damages[0]))], shop.Bench, new Wanted(Weights: new Weights()), shop.Tools, shop.Shelf, Products: shop.Products, Offcuts: shop.Offcuts ?? []);

    /// <summary>A damage as it usually comes.</summary>
    public static Damage Usual(UsualDamage usual) =>
        new(usual.Kind, usual.Location, ShapeOf(usual), usual.DepthMm, false, Cause.Knock,
            Fin: usual.Kind == DamageKind.FinBoxSurround ? new FinCheck(0, 0, false) : null,
            GapMm: usual.GapMm, MissingMm: usual.MissingMm, Plies: usual.Plies, Located: usual.Leaks ? true : null);

    /// <summary>A line for what is narrow, a circle for what is as wide as it is long.</summary>
    private static Shape ShapeOf(UsualDamage usual) =>
        Narrow.Contains(usual.Kind) || usual.WidthMm < 1 ? new CrackShape(usual.LengthMm, usual.WidthMm)
        : usual.LengthMm == usual.WidthMm ? new RoundShape(usual.LengthMm)
        : new OvalShape(usual.LengthMm, usual.WidthMm);
}
