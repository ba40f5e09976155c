using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A waterlogged board: opened low, drained, dried by weight day by day, then its opening sealed.</summary>
public sealed class DryByWeight : MendMethod
{
    public override string Id => "dry-by-weight";

    public override string Name => "Dry it by weight, then seal it";

    public override string Why => "Water that cannot be seen can be weighed: nothing holds on wet foam.";

    public override int Skill => 1;

    public override string Filler(CaseView view) => "fumed-silica";

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.WaterInside];

    public override bool Takes(Material material) => material is { Role: Role.Resin, Suits: null } && material.Cure != CureKind.Light;

    protected override string? Unfit(CaseView view) => view.Construction.Family == GearFamily.Boards && view.Reach.Layers.Any(layer => layer.Substance.Families.Contains("laminate")) ? null : "It is for laminated boards.";

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        list.Find();
        list.Add(Ground.Dry());
        list.Scuff("P80", "round the opening", 4).Clean();
        var need = new Worked((list.View.Outline.AreaMm2 * list.Damage.DepthMm / 1000) + (list.View.Outline.Grown(20).AreaMm2 * 0.3 / 1000) + Mixes.CupLossMl, "mL", new Derivation("The opening and a skim round it + what stays in the cup", Source.FromMemory("Skim and loss"), [new("Opening", list.View.Outline.AreaMm2 / 100, "cm²")]));
        list.Add(Mixes.Mix(inputs, new MixOrder("fill", "Mix the seal", "thickened so that it stands", need, 4, inputs.Materials.Filler, true)));
        list.Do("seal", Stage.Apply, "Seal the opening, thin over its rim", "Pressed in, skimmed thin over the rim. Larger than a coin: glass it as a hole.", 4, "Seal it the day it is dry: dry foam drinks the night's damp.",
            Waits.Loadable(list.View, list.Main, "fill-mix"), [.. list.Main.Hazards], ["fill"], follows: true);
        list.Prove("dry-weight").Prove("float");
        list.Section("fill", MarkKind.Fill, true, "seal", (-list.HalfMm(), 0), (list.HalfMm(), 0), (list.HalfMm(), list.Damage.DepthMm), (-list.HalfMm(), list.Damage.DepthMm));
        return list.End(list.View.Outline, list.View.Outline.Grown(20));
    }
}
