using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A tear in coated cloth, by its coating: self-adhesive cloth, or a patch of the same cloth in urethane, or in silicone where nothing else holds.</summary>
internal sealed class ClothTear : MendMethod
{
    public override string Id => "cloth-tear";

    public override string Name => "Patch the cloth by its coating";

    public override string Why => "What holds is decided by the coating: urethane on urethane, silicone on silicone.";

    public override int Skill => 1;

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Tear, DamageKind.Hole, DamageKind.Melt, DamageKind.SeamOpen];

    public override bool Takes(Material material) => material.Role is Role.Sealant or Role.SelfAdhesive;

    protected override Message? Unfit(CaseView view) => OuterIs(view, "pu-coated", "silicone-coated", "film-laminate", "membrane") ? null : "It is for coated cloth.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var sticks = job.Main.Role == Role.SelfAdhesive;
        job.Find().Dry();
        job.Do("trim", Stage.Shape, "Trim threads, lay the tear shut and flat", "Edge to edge on a hard board, no overlap; a strip of tape on the face that is not glued holds it shut.", 4,
            "Know which face is coated: wet a corner, the coated face beads.", cautions: ["blades"], draws: ["cut"]);
        var margin = job.Margin(job.LeastMargin(25, Source.CommonPractice), "A good finger's width past the tear, all round");
        var patch = job.CutPatch(margin, sticks ? "Every corner round, backing on." : "From the same cloth, every corner round.", 3, ofItself: sticks);
        job.Clean();
        if (sticks)
        {
            job.Do("stick", Stage.Apply, "Peel, lay from one edge, rub warm", "Lay it without a wrinkle, rub hard with a spoon through paper, warm it with the hand.", 4, "Rub the edge longest.",
                job.Loadable(job.Label, null), draws: ["patch", "patch-1"]);
        }
        else
        {
            Glue(job, patch);
        }

        job.Do("untape", Stage.Finish, "Take the tape off the other face", "Slowly, back over itself, with the patch held flat.", 1, "A strip that stays holds water against the coating.");
        job.Prove("edge").Prove("inside-wet");
        job.Draw(sketch => sketch.Patch("patch", patch.HalfMm, 0.15, "patch"));
        return job.End(job.Hurt, patch.Field, patch.Layers);
    }

    private static void Glue(Job job, PlannedPatch patch)
    {
        job.Takes(job.Main, job.Figure("glue.need", "Adhesive", () => Grams(patch.Field.Area.Cm2 / 1e4 * job.Label.Spread.GPerM2), "Area × spread rate", Source.Arithmetic, 1));
        var film = job.Constant("glue.film", "Film of adhesive", Mm(0.2), Source.FromMemory("Film of adhesive"));
        job.Do("glue", Stage.Apply, "Thin film on the coated face, patch on, scrape it out", "A thin film past the line, lay the patch from one edge, scrape the air and the surplus out under film, weight on a flat board.", 6,
            "Release film on both sides: it glues itself to the table as well.", job.LoadableThrough(job.Label, null, film), [.. job.Main.Hazards], ["glue", "patch", "patch-1"]);
        job.Draw(sketch => sketch.Section("glue", MarkKind.Glue, false, null, (-patch.HalfMm, -0.02), (patch.HalfMm, -0.02)));
    }
}
