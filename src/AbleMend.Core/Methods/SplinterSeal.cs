using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A splinter on the corner bead of a bow limb: clipped where it dies, wicked, left proud, shaped with 320. Only the corner bead.</summary>
public sealed class SplinterSeal : MendMethod
{
    /// <summary>Deepest that still is the corner bead, in millimetres. From memory.</summary>
    public const double DeepestMm = 1.2;

    public override string Id => "splinter-seal";

    public override string Name => "Clip it, wick it, shape it";

    public override string Why => "It stops the splinter running towards the limb pocket.";

    public override int Skill => 3;

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Splinter];

    public override bool Takes(Material material) => material.Chemistry == "cyanoacrylate";

    protected override string? Unfit(CaseView view) => !view.Location.Has("corner") ? "Only the corner bead is sealed." : view.Case.Damage.DepthMm > DeepestMm ? "It goes into the laminate." : null;

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        list.Find();
        list.Do("look", Stage.Prepare, "Unstring it, look along both limbs", "In raking light, with a cotton swab along every edge. Anything across the limb, into the laminate, twisted, or near pocket or tip: stop, refuse it.", 5,
            "Look at the other limb as well: both took the same shots.");
        list.Do("clip", Stage.Shape, "Clip the splinter at both ends where it dies", "Sharp clippers, flat; never pull it: it runs.", 3, "Never pull it.", cautions: ["blades"], draws: ["cut"]);
        list.Clean();
        list.Figure("wick.need", "Adhesive", Math.Max(0.2, list.View.Outline.LengthMm * 0.006), "g", "About 6 mg a millimetre", Source.FromMemory("What a splinter drinks"), [new("Splinter", list.View.Outline.LengthMm, "mm")], 1);
        list.Do("wick", Stage.Apply, "Wick adhesive under both lifts, leave it proud", "Hold the lift down with a strip of polyethylene, touch, let it run, leave a proud bead.", 3, "Proud: it is shaped, not filled twice.", Waits.Sandable(list.View, list.Main, null), [.. list.Main.Hazards], ["wick"]);
        var grit = Ground.NearestGrit(list.View.Drawer, "P320");
        list.Figure("shape.grit", "Shape with", grit.Grade, "P", "320: along the limb, only the bead", Source.CommonPractice, [new("Median particle", grit.MedianUm, "µm")]);
        list.Do("shape", Stage.Finish, $"Shape it with {grit.Label}, touch up", "Along the limb, back to the round of the corner, not into the laminate. Varnish over it.", 5, "Stop at the bead: laminate sanded away is strength.",
            Waits.Loadable(list.View, list.Main, "wick"), ["glass-dust"], ["finish"]);
        list.Prove("swab").Prove("flex");
        list.Section("wick", MarkKind.Glue, true, "wicked, proud", (-list.HalfMm(), 0), (list.HalfMm(), 0), (list.HalfMm(), list.Damage.DepthMm), (-list.HalfMm(), list.Damage.DepthMm));
        return list.End(list.View.Outline, list.View.Outline.Grown(3));
    }
}
