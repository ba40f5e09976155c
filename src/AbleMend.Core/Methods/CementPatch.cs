using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>
/// A patch cemented on a skin that holds air or keeps water out: PVC, CSM rubber or TPU. One-part cement closes wet and is
/// warmed; multi-coat cement closes at tack. A floor of TPU is patched on both faces.
/// </summary>
internal sealed class CementPatch : MendMethod
{
    /// <summary>Least margin past the hole in millimetres. Common practice: at least 25 mm.</summary>
    public const double LeastMarginMm = 25;

    public override string Id => "cement-patch";

    public override string Name => "Cement a patch";

    public override string Why => "The skin's own cloth in its own cement: it stands working pressure.";

    public override IReadOnlyList<string> Schools => ["pvc-patch", "pvc-cleaner"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Puncture, DamageKind.Tear, DamageKind.Hole];

    public override bool Takes(Material material) => material.Role == Role.Cement && material.Chemistry is not "contact";

    protected override Message? Unfit(CaseView view) =>
        !OuterIs(view, "pvc", "csm", "tpu") ? "It is for PVC, CSM rubber and TPU."
        : OuterIs(view, "printed") ? "Printed vinyl has to lose its print first."
        : view.Location.Has("seam") ? "At a seam the lap is glued, not a patch." : null;

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.Find().Dry().Deflate();
        var margin = job.Margin(job.LeastMargin(LeastMarginMm, Source.CommonPractice), $"At least {Mm(LeastMarginMm)} beyond the hole");
        var bothFaces = OuterIs(job.View, "tpu") && !job.View.Location.Has("airtight");
        var beyond = bothFaces ? job.Figure("patch.inside-beyond", "Inside patch reaches further by", Mm(10), "Its edge does not lie in line with the first", Source.FromMemory("Step between two patches on one hole"), 1) : null;
        var patch = beyond is null
            ? job.CutPatch(margin, "Trace the template on the stock, cut it, every corner round. Lay it dry: it lies flat without a pucker.")
            : job.CutPatch(margin, "Trace both templates on the stock, cut them, every corner round: the smaller for outside, the larger for inside. Lay them dry: they lie flat without a pucker.", inside: beyond);
        job.TraceAndMask().Scuff(OuterIs(job.View, "csm") ? "P80" : "P220", "hull and patch").Clean();
        job.Coats(patch.Field.Area, "skin and patch");
        Close(job);
        if (beyond is not null)
        {
            Inside(job, patch, beyond);
        }

        job.Do("rim", Stage.Finish, "Clean the rim", "Once what squeezed out is hard, rub it off the rim with a rag, towards the patch.", 4, "Never lift an edge to look under it.",
            job.Loadable(job.Label, bothFaces ? "close-inside" : "close"), ["solvent"], ["finish"]);
        Test(job);
        job.Draw(sketch => sketch.Patch("patch", patch.HalfMm, 0.9, "patch").Section("glue", MarkKind.Glue, false, null, (-patch.HalfMm, -0.05), (patch.HalfMm, -0.05)));
        var cleaned = job.Constant("key.beyond", "Cleaned beyond the patch", Mm(3), Source.FromMemory("How far a face is cleaned past the patch"));
        return job.End(job.Hurt, patch.Field.Grown("key", "Cleaned", cleaned), patch.Layers);
    }

    private static void Inside(Job job, PlannedPatch patch, Figure<Length> beyond)
    {
        var field = patch.Field.Grown("inside", "Inside patch", beyond);
        var grit = (ITold)job.Figures.Find("scuff.grit")!;
        job.Takes(job.Materials.Patch ?? job.Main, field.Area);
        job.Do("mask-inside", Stage.Prepare, "Turn it over, trace and tape the inside", "Lay the inside patch dry over the hole, trace round it, tape close outside the line.", 4, "Both faces: a floor is scraped from outside and pushed from inside.");
        job.Do("key-inside", Stage.Prepare, "Scuff and wipe the inside and its patch", $"{grit} inside the line and on the patch until no shine is left, brush off, wipe as outside, let it flash.", 6, "The inside is prepared as the outside is.",
            job.FlashAgain(), job.Materials.Cleaner.Hazards);
        job.Coats(field.Area, "the inside and its patch", turn: "-inside");
        job.Do("close-inside", Stage.Apply, "At tack, set the inside patch, roll", "Set it once, from one edge, pull the tape, work it from the middle outwards, roll hard, the rim last.", 5,
            null, job.Hold(job.Label, null), draws: ["patch-inside"]);
        job.Draw(sketch => sketch.Patch("patch-inside", field.Length.Mm / 2, 0.8, "inside patch", job.Skin.Mm));
    }

    private static void Close(Job job)
    {
        var onePart = job.Main.Coats == 1;
        job.Do("close", Stage.Apply, onePart ? "Set it once, press from the middle outwards" : "At tack, set it once, work it from the middle, roll",
            onePart
                ? "Set it once, pull the tape, press with a straight edge from the middle outwards. Once it no longer smells of solvent, and with the tin shut and out of the way, warm it with a hair dryer, press again."
                : "Lay one edge to the marks, let it down without air, pull the tape, work with a blunt tool from the middle outwards, roll hard, the rim last.",
            5, "Set it once: at tack it never moves again.", job.Hold(job.Label, null), onePart ? ["heat-gun"] : [], ["patch", "patch-1"]);
    }

    private static void Test(Job job)
    {
        if (job.View.Location.Has("airtight"))
        {
            job.Inflate().Prove("soap").Watch().Prove("hold").Prove("edge");
            return;
        }

        job.Prove("edge").Prove("inside-wet");
    }
}
