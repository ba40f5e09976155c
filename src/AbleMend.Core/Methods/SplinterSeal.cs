using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;

namespace AbleMend.Core.Methods;

/// <summary>A splinter on the corner bead of a bow limb: clipped where it dies, wicked, left proud, shaped with 320. Only the corner bead.</summary>
internal sealed class SplinterSeal : MendMethod
{
    /// <summary>Deepest that still is the corner bead, in millimetres. From memory.</summary>
    public const double DeepestMm = 1.2;

    public override string Id => "splinter-seal";

    public override string Name => "Clip it, wick it, shape it";

    public override string Why => "It stops the splinter running towards the limb pocket.";

    public override int Skill => 3;

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Splinter];

    public override bool Takes(Material material) => material.Chemistry == "cyanoacrylate";

    protected override Message? Unfit(CaseView view) => !view.Location.Has("corner") ? "Only the corner bead is sealed." : view.Damage.DepthMm > DeepestMm ? "It goes into the laminate." : null;

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.Find();
        job.Do("look", Stage.Prepare, "Unstring it, look along both limbs", "In raking light, with a cotton swab along every edge. Anything across the limb, into the laminate, twisted, or near pocket or tip: stop, refuse it.", 5,
            "Look at the other limb as well: both took the same shots.");
        job.Do("clip", Stage.Shape, "Clip the splinter at both ends where it dies", "Sharp clippers, flat; never pull it: it runs.", 3, "Never pull it.", cautions: ["blades"], draws: ["cut"]);
        job.Clean();
        job.Wick("A splinter soaks up", 6, 0.2);
        job.Takes(job.Main, job.Figures.Find("wick.need"));
        job.Do("wick", Stage.Apply, "Wick adhesive under both lifts, leave it proud", "Hold the lift down with a strip of polyethylene, touch, let it run, leave a proud bead.", 3, "Proud: it is shaped, not filled twice.", job.Sandable(job.Label, null), [.. job.Main.Hazards], ["wick"]);
        var grit = new PlannedGrit(job, "shape.grit", "Shape with", "P320", "Along the limb, only the bead");
        job.Do("shape", Stage.Finish, $"Shape it with {grit}, touch up", "Along the limb, back to the round of the corner, not into the laminate. Varnish over it.", 5, "Stop at the bead: laminate sanded away is strength.",
            job.Loadable(job.Label, "wick"), ["glass-dust"], ["finish"]);
        job.Prove("swab").Prove("draw");
        job.Draw(sketch => sketch.Slab("wick", MarkKind.Glue, "wicked, proud", job.HalfMm(), 0, job.Depth.Mm));
        return job.End(job.Hurt, job.Around(3));
    }
}
