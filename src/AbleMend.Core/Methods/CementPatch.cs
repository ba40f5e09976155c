using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>
/// A patch cemented on a skin that holds air or keeps water out: PVC, CSM rubber or TPU. One-part cement closes wet and is
/// warmed; multi-coat cement closes at tack. A floor of TPU is patched on both faces.
/// </summary>
public sealed class CementPatch : MendMethod
{
    /// <summary>Least margin past the hole in millimetres. Common practice: at least 25 mm.</summary>
    public const double LeastMarginMm = 25;

    public override string Id => "cement-patch";

    public override string Name => "Cement a patch";

    public override string Why => "The skin's own cloth in its own cement: it stands working pressure.";

    public override IReadOnlyList<string> Schools => ["pvc-patch", "pvc-cleaner"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Puncture, DamageKind.Tear, DamageKind.Hole];

    public override bool Takes(Material material) => material.Role == Role.Cement && material.Chemistry is not "contact";

    protected override string? Unfit(CaseView view) =>
        !OuterIs(view, "pvc", "csm", "tpu") ? "It is for PVC, CSM rubber and TPU."
        : OuterIs(view, "printed") ? "Printed vinyl has to lose its print first."
        : view.Location.Has("seam") ? "At a seam the lap is glued, not a patch." : null;

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        list.Find().Dry().Deflate();
        var margin = list.Margin(LeastMarginMm, "At least 25 mm beyond the hole");
        var patch = list.CutPatch(margin, "Trace the template on the stock, cut it, every corner round. Lay it dry: it lies flat without a pucker.");
        var bothFaces = OuterIs(list.View, "tpu") && !list.View.Location.Has("airtight");
        list.TraceAndMask().Scuff("P220", "hull and patch").Clean();
        list.Coats(patch.AreaCm2 * (bothFaces ? 2 : 1), "skin and patch");
        Close(list);
        if (bothFaces)
        {
            list.Do("inside", Stage.Apply, "Turn it over, coat the inside face and its patch", "Scuff, wipe and coat it in the same way, for a patch of the same size whose edge is not in line with the first. Let it come to tack.", 15,
                "Both faces: a floor is scraped from outside and pushed from inside.", Waits.Tack(list.View, list.Main, null), [.. list.Main.Hazards], ["patch-inside"]);
            list.Do("close-inside", Stage.Apply, "At tack, set the inside patch, roll", "Set it once, from one edge, work it from the middle outwards, roll hard, the rim last.", 5,
                null, Waits.Hold(list.View, list.Main, null), draws: ["patch-inside"]);
            list.DrawPatch("patch-inside", patch.LengthMm / 2, 0.8, "inside patch", list.View.Reach.Layers[0].Layer.ThicknessMm);
        }

        list.Do("rim", Stage.Finish, "Clean the rim", "After a couple of hours rub the proud cement off the rim with a rag, towards the patch.", 4, "Never lift an edge to look under it.",
            Waits.Loadable(list.View, list.Main, bothFaces ? "close-inside" : "close"), ["solvent"], ["finish"]);
        Test(list);
        list.DrawPatch("patch", patch.LengthMm / 2, 0.9, "patch").Section("glue", MarkKind.Glue, false, null, (-patch.LengthMm / 2, -0.05), (patch.LengthMm / 2, -0.05));
        return list.End(list.View.Outline, list.View.Outline.Grown(margin + 3), [patch]);
    }

    private static void Close(StepList list)
    {
        var onePart = list.Main.Coats == 1;
        list.Do("close", Stage.Apply, onePart ? "Set it once, press from the middle outwards" : "At tack, set it once, work it from the middle, roll",
            onePart
                ? "Set it once, press with a straight edge from the middle outwards, warm it with a hair dryer or a heat gun, press again."
                : "Lay one edge to the marks, let it down without air, work with a blunt tool from the middle outwards, roll hard, the rim last.",
            5, "Set it once: at tack it never moves again.", Waits.Hold(list.View, list.Main, null), onePart ? ["heat-gun"] : [], ["patch", "patch-1"]);
    }

    private static void Test(StepList list)
    {
        if (list.View.Location.Has("airtight"))
        {
            Airtight.Inflate(list);
            list.Prove("soap").Prove("hold").Prove("edge");
            return;
        }

        list.Prove("edge").Prove("inside-wet");
    }
}
