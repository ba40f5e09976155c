using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A waterlogged board: opened low, drained, dried by weight day by day, then its opening sealed.</summary>
internal sealed class DryByWeight : MendMethod
{
    public override string Id => "dry-by-weight";

    public override string Name => "Dry it by weight, then seal it";

    public override string Why => "Water that cannot be seen can be weighed: nothing holds on wet foam.";

    public override int Skill => 1;

    public override string Filler(CaseView view) => "fumed-silica";

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.WaterInside];

    public override bool Takes(Material material) => material is { Role: Role.Resin, Suits: null } && material.Cure != CureKind.Light;

    protected override Message? Unfit(CaseView view) => view.Construction.Family == GearFamily.Boards && view.Reach.Layers.Any(layer => layer.Substance.Families.Contains("laminate")) ? null : "It is for laminated boards.";

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.Find().DryByWeight().Prove("dry-weight").Scuff("P80", "round the opening", 4).Clean();
        var reach = job.Constant("seal.reach", "Skim past the opening", Mm(20), Source.FromMemory("Skim round an opening"));
        var field = job.Hurt.Grown("seal", "Skimmed", reach);
        var skim = job.Constant("seal.skim", "Skim", Mm(0.3), Source.FromMemory("Thickness of a skim"));
        var loss = job.CupLoss();
        var need = job.Need("fill", true, () => Ml((job.Hurt.Area.Cm2 * job.Depth.Mm / 10) + (field.Area.Cm2 * skim.Mm / 10) + loss.Ml), "The opening and a skim round it + what stays in the cup", Source.Arithmetic);
        job.Mix(new MixOrder("fill", "Mix the seal", "thickened so that it stands", need, job.SpreadingTime("fill", 4), job.Materials.Filler, true));
        job.Do("seal", Stage.Apply, "Seal the opening, thin over its rim", "Pressed in, skimmed thin over the rim. Larger than a coin: glass it as a hole.", 4, "Seal it the day it is dry: dry foam soaks up the night's damp.",
            job.Loadable(job.Label, "fill-mix"), [.. job.Main.Hazards], ["fill"], follows: true);
        job.Prove("float");
        job.Draw(sketch => sketch.Slab("fill", MarkKind.Fill, "seal", job.HalfMm(), 0, job.Depth.Mm));
        return job.End(job.Hurt, field);
    }
}
