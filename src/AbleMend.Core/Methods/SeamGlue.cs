using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>An open butt seam of a neoprene suit: cement on both edges, butted at tack, taped until it holds.</summary>
public sealed class SeamGlue : MendMethod
{
    public override string Id => "seam-glue";

    public override string Name => "Butt-glue the seam";

    public override string Why => "Edge to edge as it was made; nothing bulky over it.";

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.SeamOpen];

    public override bool Takes(Material material) => material is { Role: Role.Cement, Chemistry: "polychloroprene" };

    protected override string? Unfit(CaseView view) => OuterIs(view, "neoprene") ? null : "It is for neoprene.";

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var edge = list.View.Reach.Layers[0].Layer.ThicknessMm;
        list.Find().Dry().Clean();
        list.Coats(list.View.Outline.LengthMm * edge / 100, "both edges of the seam");
        list.Do("butt", Stage.Apply, "Butt the edges at tack, pinch along", "Edge to edge from one end, pinching every finger's width from both faces; a strip of tape across the ends.", 5,
            "Edge to edge, not lapped: a lap rubs.", Waits.Loadable(list.View, list.Main, null), [.. list.Main.Hazards], ["glue"]);
        list.Prove("flex").Prove("inside-wet");
        list.Section("glue", MarkKind.Glue, false, "glued edge", (0, 0), (0, edge));
        return list.End(list.View.Outline, list.View.Outline.Grown(4));
    }
}
