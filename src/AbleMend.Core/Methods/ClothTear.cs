using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Patching;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A tear in coated cloth, by its coating: self-adhesive cloth, or a patch of the same cloth in urethane, or in silicone where nothing else holds.</summary>
public sealed class ClothTear : MendMethod
{
    /// <summary>Margin past the tear in millimetres. Common practice: an inch.</summary>
    public const double MarginMm = 25;

    /// <summary>Film of adhesive in millimetres. From memory.</summary>
    public const double FilmMm = 0.2;

    public override string Id => "cloth-tear";

    public override string Name => "Patch the cloth by its coating";

    public override string Why => "What holds is decided by the coating: urethane on urethane, silicone on silicone.";

    public override int Skill => 1;

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Tear, DamageKind.Hole, DamageKind.Melt, DamageKind.SeamOpen];

    public override bool Takes(Material material) => material.Role is Role.Sealant or Role.SelfAdhesive;

    protected override string? Unfit(CaseView view) => OuterIs(view, "pu-coated", "silicone-coated", "film-laminate", "membrane") ? null : "It is for coated cloth.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var sticks = list.Main.Role == Role.SelfAdhesive;
        list.Find().Dry();
        list.Do("trim", Stage.Shape, "Trim threads, lay the tear shut and flat", "Edge to edge on a hard board, no overlap; a strip of tape on the face that is not glued holds it shut.", 4,
            "Know which face is coated: wet a corner, the coated face beads.", cautions: ["blades"], draws: ["cut"]);
        list.Clean();
        var margin = list.Margin(MarginMm, "An inch past the tear, all round");
        var patch = list.CutPatch(margin, $"From {(sticks ? "the self-adhesive cloth" : "the same cloth")}, every corner round.", 3);
        if (sticks)
        {
            list.Do("stick", Stage.Apply, "Peel, lay from one edge, rub warm", "Lay it without a wrinkle, rub hard with a spoon through paper, warm it with the hand.", 4, "Rub the edge longest.",
                Waits.Loadable(list.View, list.Main, null), draws: ["patch", "patch-1"]);
        }
        else
        {
            Glue(list, patch);
        }

        list.Prove("edge").Prove("inside-wet");
        list.DrawPatch("patch", patch.LengthMm / 2, 0.15, "patch");
        return list.End(list.View.Outline, list.View.Outline.Grown(margin), [patch]);
    }

    private static void Glue(StepList list, Patch patch)
    {
        list.Figure("glue.need", "Adhesive", patch.AreaCm2 / 1e4 * list.Main.SpreadGPerM2!.Value, "g", "Area × spread rate", Source.FromMemory("Spread rate of the label"),
            [new("Area", patch.AreaCm2, "cm²"), new("Spread rate", list.Main.SpreadGPerM2.Value, "g/m²")], 1);
        list.Do("glue", Stage.Apply, "Thin film on the coated face, patch on, scrape it out", "A thin film past the line, lay the patch from one edge, scrape the air and the surplus out under film, weight on a flat board.", 6,
            "Release film on both sides: it glues itself to the table as well.", Waits.LoadableThrough(list.View, list.Main, null, FilmMm), [.. list.Main.Hazards], ["glue", "patch", "patch-1"]);
        list.Section("glue", MarkKind.Glue, false, null, (-patch.LengthMm / 2, -0.02), (patch.LengthMm / 2, -0.02));
    }
}
