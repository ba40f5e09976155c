using AbleMend.Core.Gear;
using AbleMend.Core.Mixing;
using AbleMend.Core.Patching;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Volume of the cavity once it is cut out.</summary>
internal static class Fills
{
    /// <summary>Footprint of a fin box in mm²: about 110 by 25 mm, which is not filled. From memory.</summary>
    public const double FinBoxFootprintMm2 = 2750;

    /// <summary>The cavity as a worked figure.</summary>
    /// <param name="inputs">Case and materials.</param>
    /// <param name="cut">Outline that is cut away.</param>
    /// <param name="depthMm">Depth to fill in millimetres.</param>
    public static Worked Cavity(MethodInputs inputs, Outline cut, double depthMm)
    {
        var damage = inputs.View.Case.Damage;
        var (ml, rule) = damage switch
        {
            { Kind: DamageKind.FinBoxSurround } =>
                (Mixing.Cavity.RecessMl(Math.Max(cut.AreaMm2 - FinBoxFootprintMm2, cut.AreaMm2 / 4), depthMm), "Recess round the box: (area − box) × depth"),
            { Kind: DamageKind.Hole } => (Mixing.Cavity.RecessMl(cut.AreaMm2, depthMm), "Recess: area × depth"),
            { Kind: DamageKind.Crack, Neighbours: null or { Count: 0 } } =>
                (Mixing.Cavity.GrooveMl(cut.LengthMm, cut.WidthMm, depthMm), "Groove of V section: length × width × depth / 2"),
            { Shape: RoundShape or OvalShape, Neighbours: null or { Count: 0 } } =>
                (Mixing.Cavity.BowlMl(cut.LengthMm, cut.WidthMm, depthMm), "Bowl: π·h/6·(3·a·b + h²)"),
            _ => (Mixing.Cavity.RecessMl(cut.AreaMm2, depthMm) / 2, "Bowl under a traced outline: area × depth / 2"),
        };
        return new Worked(ml, "mL", new Derivation(rule, Source.Published("Solid geometry, textbook"),
            [new("Length cut", cut.LengthMm, "mm"), new("Width cut", cut.WidthMm, "mm"), new("Area cut", cut.AreaMm2 / 100, "cm²"), new("Depth", depthMm, "mm")]));
    }

    /// <summary>Volume to mix for a cavity: proud by a little, and what stays in the cup.</summary>

    /// <param name="cavityMl">Volume of the cavity in mL.</param>
    /// <param name="areaMm2">Area of its mouth in mm².</param>
    /// <param name="proudMm">How far it stands proud in millimetres.</param>
    /// <param name="shrinkPercent">Shrink in percent.</param>
    public static Worked ToMix(double cavityMl, double areaMm2, double proudMm, double shrinkPercent) =>
        new(Mixing.Cavity.ToMixMl(cavityMl + (areaMm2 * proudMm / 1000), shrinkPercent, Mixes.CupLossMl), "mL", new Derivation(
            "(cavity + mouth × proud) / (1 − shrink) + what stays in the cup",
            Source.FromMemory("Shrink and cup loss; a little proud where it is cut back: common practice"),
            [
                new("Cavity", cavityMl, "mL"), new("Proud", proudMm, "mm"), new("Shrink", shrinkPercent, "%"),
                new("Stays in the cup", Mixes.CupLossMl, "mL"),
            ]));

    /// <summary>Shrink of a resin on cure, in percent by volume. From memory: polyester 6, acrylate 5, epoxy 2.</summary>
    public static double ShrinkPercent(string chemistry) =>
        chemistry switch { "epoxy" => 2, "acrylate" => 5, _ => 6 };
}
