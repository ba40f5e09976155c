using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A scratch that stays in the base: polyethylene filler melted in, thin layers, a little proud.</summary>
internal sealed class BaseFill : MendMethod
{
    /// <summary>Passes. Common practice: two or so.</summary>
    public const int Passes = 2;

    public override string Id => "base-fill";

    public override string Name => "Melt-fill the base";

    public override string Why => "The same polyethylene as the base: it takes wax and glides.";

    public override IReadOnlyList<string> Needs => ["base-gun", "scraper"];

    public override IReadOnlyList<string> Schools => ["base-finish", "fill-thickness"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Scratch];

    public override bool Takes(Material material) => material is { Role: Role.Melt, Chemistry: "polyethylene" };

    protected override Message? Unfit(CaseView view) => OuterIs(view, "base") ? null : "It is for ski and snowboard bases.";

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.OpenBase(false);
        var passes = job.Figure("fill.passes", "Passes", Count(job.View.School("fill-thickness") == "thin-passes" ? 2 : 1),
            "Two or so thin passes trap less air; one thick pass by the other school", Source.CommonPractice, between: (1, 6));
        var proud = job.Figure("fill.proud", "Stands proud", Mm(0.75), $"{Mm(0.5):0.0} to {Mm(1)} proud in two passes or so", Source.CommonPractice, 2);
        var rim = job.Constant("fill.rim", "Rim that the proud part covers", Mm(1), Source.FromMemory("Rim of a filled scratch"));
        var covered = job.Hurt.Grown("covered", "Covered", rim);
        var loss = job.Constant("melt.loss", "Burns and drips", Percent(20), Source.FromMemory("What burns and drips"));
        var grams = job.Figure("melt.need", "Filler", () => Grams(((job.Hurt.Area.Cm2 * job.Depth.Mm / 2) + (covered.Area.Cm2 * proud.Mm)) / 10 * job.Label.Density.GPerMl * (1 + (loss.Percent / 100))),
            "(Half the groove + the proud rim) × density, and what burns and drips", Source.Arithmetic, 1);
        var each = job.Figure("melt.each", "Filler for one pass", () => Grams(grams.G / passes.N), "Filler ÷ passes", Source.Arithmetic, 1);
        job.Takes(job.Main, grams);
        for (var pass = 1; pass <= (int)passes.N; pass++)
        {
            job.Do($"pass-{pass}", Stage.Apply, passes.N > 1 ? (Message)$"Pass {pass} of {passes}" : "Fill it in one pass",
                $"Run the gun clear first. Draw it along the scratch slowly, about {each}, no soot and no bubble.", 3,
                pass == 1 ? "Do every scratch on the ski in one heat-up of the gun." : null, job.Cooled(job.Label), [.. job.Main.Hazards], [$"bead-{pass}"]);
            DrawPass(job, pass, passes, proud);
        }

        var field = job.Levelled(job.Hurt);
        return job.LevelBase(field, $"pass-{(int)passes.N}").End(job.Hurt, field);
    }

    private static void DrawPass(Job job, int pass, Figure<Count> passes, Figure<Length> proud) =>
        job.Draw(sketch => sketch.Section($"bead-{pass}", MarkKind.Bead, true, $"{pass}",
            (-job.HalfMm(), -proud.Mm * pass / passes.N), (0, job.Depth.Mm * (passes.N - pass + 1) / passes.N), (job.HalfMm(), -proud.Mm * pass / passes.N)));
}
