using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A pinhole in printed vinyl: the print comes off only where the patch will sit, and the patch covers all that was cleaned.</summary>
internal sealed class PrintedVinylPatch : MendMethod
{
    public override string Id => "printed-vinyl-patch";

    public override string Name => "Take the print off, glue a clear patch";

    public override string Why => "Glue holds on vinyl, not on print: what is glued to print peels with it.";

    public override int Skill => 1;

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Puncture];

    public override bool Takes(Material material) => material.Chemistry == "vinyl";

    protected override Message? Unfit(CaseView view) => OuterIs(view, "printed") ? null : "There is no print to take off.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.Find().Deflate();
        var clean = job.Constant("print.margin", "Print comes off", Mm(12), Source.FromMemory("How far the print comes off round the hole"));
        var over = job.Constant("print.over", "Patch over that", Mm(1), Source.FromMemory("A little larger, so that no white rim shows"));
        var cleaned = job.Hurt.Grown("cleaned", "Without print", clean);
        var margin = job.Margin(job.Figures.Work("patch.least", "Margin at least", () => Mm(clean.Mm + over.Mm), "The spot without print and a little more", Source.Arithmetic, 1), "The spot that loses its print and a little more, so that no white rim shows");
        var patch = job.CutPatch(margin, "Round, from clear vinyl. Lay it dry and draw round it.", 3);
        var dries = job.Figure("print.dries", "Acetone leaves in", WallMin(2), "A couple of minutes in the open", Source.FromMemory("Acetone on bare vinyl"), 1);
        var stand = job.Constant("clean.stand", "A clean face may stand open", WallMin(60), Source.FromMemory("How long a cleaned face may stand open before it is wiped again"));
        job.AboveDew().Do("print", Stage.Prepare, "Pure acetone on a swab: take the print off inside the line",
            "A swab at a time, from the middle to just short of the line, until the vinyl is bare and nothing colours the swab. Not nail-polish remover: it leaves oil or gel.", 8,
            "Only where the patch will sit: a white rim shows for ever.", cautions: ["gloves", "solvent", "no-flame"], draws: ["key"],
            wait: job.Flash(dries, stand, "Is it dry, with no cold feel?", "Wipe it once more.", 31));
        job.Coats(patch.Field.Area, "the whole patch, thin");
        job.Do("place", Stage.Apply, "Place it once, press, let it dry flat", "One edge down, roll it on without air, press under a smooth weight.", 4, "Place it once.", job.Loadable(job.Label, null), [.. job.Main.Hazards], ["patch", "patch-1"]);
        job.Inflate().Prove("soap").Prove("edge");
        job.Draw(sketch => sketch.Patch("patch", patch.HalfMm, 0.3, "clear patch"));
        return job.End(job.Hurt, cleaned, patch.Layers);
    }
}
