using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A core shot welded with copolymer: an anchor bead down the middle, then beads at 45° from one side and the other.</summary>
public sealed class BaseWeld : MendMethod
{
    /// <summary>How far the weld stands proud in millimetres. Common practice: 3 to 4.</summary>
    public const double ProudMm = 3.5;

    /// <summary>Width that one bead covers in millimetres. From memory of a 6 mm tip.</summary>
    public const double BeadMm = 6;

    /// <summary>Widest wound in millimetres that is welded: wider wants an inset of base sheet. From memory.</summary>
    public const double WidestMm = 30;

    public override string Id => "base-weld";

    public override string Name => "Weld the base";

    public override string Why => "Copolymer holds on base, core, glass and steel, where filler does not.";

    public override int Skill => 3;

    public override IReadOnlyList<string> Needs => ["base-gun", "scraper"];

    public override IReadOnlyList<string> Schools => ["base-finish"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.CoreShot];

    public override bool Takes(Material material) => material is { Role: Role.Melt, Chemistry: "polyethylene" };

    protected override string? Unfit(CaseView view) =>
        !OuterIs(view, "base") ? "It is for ski and snowboard bases."
        : Math.Min(view.Outline.WidthMm, view.Outline.LengthMm) > WidestMm ? $"Wider than {WidestMm:0} mm: inset a piece of base sheet." : null;

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var cut = list.View.Outline.Grown(2);
        BaseWork.Open(list, true);
        list.Figure("weld.proud", "Weld stands proud", ProudMm, "mm", "3 to 4 mm proud: it shrinks, and it is cut back", Source.CommonPractice, decimals: 1);
        var beads = list.Figure("weld.beads", "Beads on each side", Math.Ceiling(cut.WidthMm / 2 / BeadMm), "", "Half the width ÷ what one bead covers, at 45° to the anchor",
            Source.FromMemory("Width of a bead"), [new("Width", cut.WidthMm, "mm"), new("Bead", BeadMm, "mm")]);
        list.Figure("melt.need", "Weld", cut.AreaMm2 * (list.Damage.DepthMm + ProudMm) / 1000 * list.Main.DensityGPerMl!.Value * 1.15, "g", "Area × (depth + proud) × density, and a little for the tip",
            Source.FromMemory("Loss; solid geometry"), [new("Area", cut.AreaMm2 / 100, "cm²"), new("Depth", list.Damage.DepthMm, "mm"), new("Proud", ProudMm, "mm")], 1);
        list.Do("anchor", Stage.Apply, "One anchor bead down the middle", "Run the gun clear. One bead the whole length, pressed into the roughed core.", 3,
            "Run the gun clear before use: the first centimetres are burnt.", cautions: [.. list.Main.Hazards], draws: ["anchor"]);
        list.Do("beads", Stage.Apply, $"Then {beads:0} beads at 45° from one side, turn, the other side", "Each leans on the one before, until base and rim are covered. Press lightly with a cold block. Let it cool.", 4 + beads,
            "Fill the scratches while the weld cools: it is one heat-up of the gun.", Waits.Cooled(list.View, list.Main), [.. list.Main.Hazards], ["beads"]);
        DrawBeads(list, cut.WidthMm / 2);
        BaseWork.Level(list, cut.Grown(10).AreaMm2 / 100, "beads");
        return list.End(cut, cut.Grown(8));
    }

    private static void DrawBeads(StepList list, double halfWidth)
    {
        var half = list.HalfMm();
        list.Section("anchor", MarkKind.Bead, true, "1", (-2, list.Damage.DepthMm), (2, list.Damage.DepthMm), (2, -ProudMm), (-2, -ProudMm));
        list.Section("beads", MarkKind.Bead, true, "2", (-half, 0), (-2, list.Damage.DepthMm), (-2, -ProudMm), (-half, -ProudMm / 2));
        list.Section("beads", MarkKind.Bead, true, "3", (half, 0), (2, list.Damage.DepthMm), (2, -ProudMm), (half, -ProudMm / 2));
        list.Above("anchor", MarkKind.Bead, false, "1", (-half, 0), (half, 0));
        for (var x = -half; x < half; x += BeadMm)
        {
            // The last ones end with the cut: at 45° they would lean out over sound base.
            var reach = Math.Min(halfWidth, half - x);
            list.Above("beads", MarkKind.Bead, false, null, (x, 0), (x + reach, -reach)).Above("beads", MarkKind.Bead, false, null, (x, 0), (x + reach, reach));
        }
    }
}
