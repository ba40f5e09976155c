using AbleMend.Core.Clamping;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>Parted plies: opened a little, bottom plies first, plenty of wood glue, a flat caul and two or more clamps for a day. Glue first, chip second.</summary>
public sealed class PlyGlue : MendMethod
{
    /// <summary>Spread of wood glue on each face in g/m². From memory; plenty.</summary>
    private const double WastePercent = 30;

    /// <summary>Length that squaring the edge costs in millimetres. Common practice: about 3 mm (1/8 in).</summary>
    public const double SquaringMm = 3;

    public override string Id => "ply-glue";

    public override string Name => "Glue and clamp the plies";

    public override string Why => "Wood glue under pressure is stronger than the wood; skipping the clamps fails.";

    public override IReadOnlyList<string> Needs => ["clamps", "cauls"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Parted, DamageKind.Chip];

    public override bool Takes(Material material) => material.Chemistry == "pvac";

    protected override string? Unfit(CaseView view) => view.Construction.Silhouette == Silhouette.Deck ? null : "It is for plywood decks.";

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var lines = list.Damage.Plies ?? 1;
        var length = Math.Max(list.View.Outline.LengthMm, list.View.Outline.WidthMm);
        var area = list.View.Outline.AreaMm2;
        list.Dry();
        list.Do("open", Stage.Prepare, "Lift the grip over long cracks, open the plies", "Small screwdriver, a half turn, no more than lets the glue in. Brush the dust out.", 5, "A half turn: a crack that is levered runs.", draws: ["cut"]);
        list.Figure("glue.need", "Wood glue", area * lines * list.Main.SpreadGPerM2!.Value / 1e6 * (1 + (WastePercent / 100)), "g", "Area × parted lines × spread rate, plenty", Source.FromMemory("Spread rate of the label"),
            [new("Area", area / 100, "cm²"), new("Lines", lines, ""), new("Spread rate", list.Main.SpreadGPerM2.Value, "g/m²")], 1);
        list.Do("glue", Stage.Apply, "Bottom plies first, plenty of glue", "Bottom plies first so that drips do not bury the work; work it in with card or floss until it comes out; wipe.", 6, "Glue first, chip second.", cautions: [.. list.Main.Hazards], draws: ["glue"]);
        var clamps = list.Figure("clamp.count", "Clamps", Clamps.Count(length, Clamps.WidestSpacingMm), "", "Length ÷ 75 mm (50 to 75), at least two", Source.CommonPractice, [new("Length", length, "mm"), new("Spacing", Clamps.WidestSpacingMm, "mm")]);
        list.Figure("clamp.force", "Each clamp", Clamps.ForceEachN(area, Clamps.MaplePressureMpa, (int)clamps), "N", "Area × pressure ÷ clamps: tighten until glue shows all round", Clamps.Source, [new("Area", area / 100, "cm²"), new("Pressure", Clamps.MaplePressureMpa, "MPa"), new("Clamps", clamps, "")]);
        list.Figure("caul.thickness", "Caul at least", Clamps.CaulMm(Clamps.WidestSpacingMm, 25), "mm", "Half the free span between the pads: pressure leaves a clamp at 45°", Source.CommonPractice, [new("Spacing", Clamps.WidestSpacingMm, "mm"), new("Pad", 25, "mm")]);
        list.Do("clamp", Stage.Apply, $"Release sheet, flat caul, {clamps:0} clamps", "Over the middle of the trouble, 50 to 75 mm (2 to 3 in) apart, none glued to the edge. Tighten until glue shows all round, wipe.", 5,
            "Release sheet between glue and caul, and no clamp glued to the edge.", Waits.Loadable(list.View, list.Main, "glue") with { Kind = WaitKind.Hold }, draws: ["caul"], follows: true);
        Square(list);
        list.Prove("tap").Prove("stand");
        for (var line = 1; line <= lines; line++)
        {
            var y = list.Damage.DepthMm * line / lines;
            list.Section("glue", MarkKind.Glue, false, line == 1 ? "glue line" : null, (-list.HalfMm(), y), (list.HalfMm(), y));
        }

        list.Section("caul", MarkKind.Clamp, true, "caul", (-list.HalfMm(), -1), (list.HalfMm(), -1), (list.HalfMm(), -4), (-list.HalfMm(), -4));
        return list.End(list.View.Outline, list.View.Outline.Grown(4));
    }

    private static void Square(StepList list)
    {
        list.Figure("square.cost", "Squaring costs", SquaringMm, "mm", "About 3 mm (1/8 in) of length, and it takes the thin tail away", Source.CommonPractice);
        var grit = Ground.NearestGrit(list.View.Drawer, "P60");
        list.Do("square", Stage.Finish, $"Sand the edge square with {grit.Label}", "60; 80 or 100 is slower. Square, then break the edge with P150.", 8, "Both ends if both are thin.", cautions: ["resin-dust"], draws: ["finish"]);
    }
}
