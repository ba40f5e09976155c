using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>An open butt seam of a neoprene suit: cement on both edges, butted at tack, taped until it holds.</summary>
internal sealed class SeamGlue : MendMethod
{
    public override string Id => "seam-glue";

    public override string Name => "Butt-glue the seam";

    public override string Why => "Edge to edge as it was made; nothing bulky over it.";

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.SeamOpen];

    public override bool Takes(Material material) => material is { Role: Role.Cement, Chemistry: "polychloroprene" };

    protected override Message? Unfit(CaseView view) => OuterIs(view, "neoprene") ? null : "It is for neoprene.";

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.Find().Dry().Clean();
        job.Coats(job.Figures.Work("seam.area", "One edge of the seam", () => Cm2(job.Hurt.Length.Mm * job.Skin.Mm / 100), "Length × thickness", Source.Arithmetic, 1), "both edges of the seam");
        job.Do("butt", Stage.Apply, "Butt the edges at tack, pinch along", "Edge to edge from one end, pinching every finger's width from both faces; a strip of tape across the ends, which comes off before the test.", 5,
            "Edge to edge, not lapped: a lap rubs.", job.Loadable(job.Label, null), [.. job.Main.Hazards], ["glue"]);
        job.Prove("flex").Prove("blow");
        job.Draw(sketch => sketch.Section("glue", MarkKind.Glue, false, "glued edge", (0, 0), (0, job.Skin.Mm)));
        return job.End(job.Hurt, job.Around(4));
    }
}
