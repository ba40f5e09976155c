using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A scratch that stays in the base: polyethylene filler melted in, thin layers, a little proud.</summary>
public sealed class BaseFill : MendMethod
{
    /// <summary>How far it stands proud in millimetres. Common practice: 0.5 to 1.</summary>
    public const double ProudMm = 0.75;

    /// <summary>Passes. Common practice: two or so.</summary>
    public const int Passes = 2;

    public override string Id => "base-fill";

    public override string Name => "Melt-fill the base";

    public override string Why => "The same polyethylene as the base: it takes wax and glides.";

    public override IReadOnlyList<string> Needs => ["base-gun", "scraper"];

    public override IReadOnlyList<string> Schools => ["base-finish", "fill-thickness"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Scratch];

    public override bool Takes(Material material) => material is { Role: Role.Melt, Chemistry: "polyethylene" };

    protected override string? Unfit(CaseView view) => OuterIs(view, "base") ? null : "It is for ski and snowboard bases.";

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        BaseWork.Open(list, false);
        var passes = list.Figure("fill.passes", "Passes", list.View.School("fill-thickness") == "thin-passes" ? Passes : 1, "",
            "Thin layers trap less air; one thick pass by the other school", Source.CommonPractice);
        list.Figure("fill.proud", "Stands proud", ProudMm, "mm", "0.5 to 1 mm proud in two passes or so", Source.CommonPractice, decimals: 2);
        var grams = list.Figure("melt.need", "Filler", ((list.View.Outline.AreaMm2 * list.Damage.DepthMm / 2) + (list.View.Outline.Grown(1).AreaMm2 * ProudMm)) / 1000 * list.Main.DensityGPerMl!.Value * 1.2, "g",
            "(Half the groove + the proud rim) × density, and a fifth for what burns and drips", Source.FromMemory("Loss; solid geometry"),
            [new("Length", list.View.Outline.LengthMm, "mm"), new("Depth", list.Damage.DepthMm, "mm")], 1);
        for (var pass = 1; pass <= (int)passes; pass++)
        {
            list.Do($"pass-{pass}", Stage.Apply, passes > 1 ? $"Pass {pass} of {passes:0}" : "Fill it in one pass",
                $"Run the gun clear first. Draw it along the scratch slowly, about {StepText.G(grams / passes)}, no soot and no bubble.", 3,
                pass == 1 ? "Do every scratch on the ski in one heat-up of the gun." : null, Waits.Cooled(list.View, list.Main), [.. list.Main.Hazards], [$"bead-{pass}"]);
            list.Section($"bead-{pass}", MarkKind.Bead, true, $"{pass}", (-list.HalfMm(), -ProudMm * pass / passes), (0, list.Damage.DepthMm * (passes - pass + 1) / passes), (list.HalfMm(), -ProudMm * pass / passes));
        }

        BaseWork.Level(list, list.View.Outline.Grown(10).AreaMm2 / 100, $"pass-{passes:0}");
        return list.End(list.View.Outline, list.View.Outline.Grown(10));
    }
}
