using AbleMend.Core.Cases;
using AbleMend.Core.Clamping;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>Parted plies: opened a little, bottom plies first, plenty of wood glue, a flat caul and two or more clamps for a day. Glue first, chip second.</summary>
internal sealed class PlyGlue : MendMethod
{
    public override string Id => "ply-glue";

    public override string Name => "Glue and clamp the plies";

    public override string Why => "Wood glue under pressure is stronger than the wood; skipping the clamps fails.";

    public override IReadOnlyList<string> Needs => ["clamps", "cauls"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Parted, DamageKind.Chip];

    public override bool Takes(Material material) => material.Chemistry == "pvac";

    protected override Message? Unfit(CaseView view) => view.Construction.Silhouette == Silhouette.Deck ? null : "It is for plywood decks.";

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var lines = job.Figures.Fact("damage.plies", "Glue lines parted", Count(job.Damage.Plies ?? 1));
        job.Dry();
        job.Do("open", Stage.Prepare, "Lift the grip over long cracks, open the plies", "Small screwdriver, a half turn, no more than lets the glue in. Brush the dust out.", 5, "A half turn: a crack that is levered runs.", draws: ["cut"]);
        var waste = job.Constant("glue.waste", "Squeezes out", Percent(30), Source.FromMemory("Plenty: what squeezes out"), (0, 200));
        job.Takes(job.Main, job.Figure("glue.need", "Wood glue", () => Grams(job.Hurt.Area.Cm2 * lines.N * job.Label.Spread.GPerM2 / 1e4 * (1 + (waste.Percent / 100))), "Area × parted lines × spread rate, plenty", Source.Arithmetic, 1));
        job.Do("glue", Stage.Apply, "Bottom plies first, plenty of glue", "Bottom plies first so that drips do not bury the work; work it in with card or floss until it comes out; wipe.", 6, "Glue first, chip second.", cautions: [.. job.Main.Hazards], draws: ["glue"]);
        Clamp(job);
        Square(job);
        job.Prove("tap").Prove("stand");
        job.Draw(sketch =>
        {
            for (var line = 1; line <= lines.N; line++)
            {
                var y = job.Depth.Mm * line / lines.N;
                sketch.Section("glue", MarkKind.Glue, false, line == 1 ? "glue line" : null, (-job.HalfMm(), y), (job.HalfMm(), y));
            }

            sketch.Slab("caul", MarkKind.Clamp, "caul", job.HalfMm(), -1, -4);
        });
        return job.End(job.Hurt, job.Around(4));
    }

    private static void Clamp(Job job)
    {
        var spacing = job.Constant("clamp.spacing", "Widest spacing", Mm(Clamps.WidestSpacingMm), Source.CommonPractice);
        var pressure = job.Constant("clamp.pressure", "Pressure for wood glue", Mpa(Clamps.MaplePressureMpa), Clamps.Source);
        var pad = job.Constant("clamp.pad", "Pad of a clamp", Mm(25), Source.FromMemory("Pad of a usual clamp"));
        var clamps = job.Figure("clamp.count", "Clamps", () => Count(Clamps.Count(Math.Max(job.Hurt.Length.Mm, job.Hurt.Width.Mm), spacing.Mm)), "Length ÷ widest spacing, at least two; two thirds of it is usual too", Source.CommonPractice, between: (1, 200));
        job.Figure("clamp.force", "Each clamp", () => Newtons(Clamps.ForceEachN(job.Hurt.Area.Cm2 * 100, pressure.Mpa, (int)clamps.N)), "Area × pressure ÷ clamps: tighten until glue shows all round", Clamps.Source);
        job.Figure("caul.thickness", "Caul at least", () => Mm(Clamps.CaulMm(spacing.Mm, pad.Mm)), "Half the free span between the pads: pressure leaves a clamp at 45°", Source.CommonPractice, 1);
        job.Do("clamp", Stage.Apply, $"Release sheet, flat caul, {clamps} clamps", $"Over the middle of the trouble, at most {spacing} apart, none glued to the edge. Tighten until glue shows all round, wipe.", 5,
            "Release sheet between glue and caul, and no clamp glued to the edge.", job.Loadable(job.Label, "glue") with { Kind = WaitKind.Hold }, draws: ["caul"], follows: true);
    }

    private static void Square(Job job)
    {
        job.Figure("square.cost", "Squaring costs", Mm(3), $"About {Mm(3)} of length, and it takes the thin tail away", Source.CommonPractice, 1);
        var grit = new PlannedGrit(job, "square.grit", "Square it with", "P60", "Coarse: a finer one is slower");
        var edge = job.Grit("square.edge", "Break the edge with", "P150");
        job.Do("square", Stage.Finish, $"Sand the edge square with {grit}", $"A finer grit is slower. Square, then break the edge with {edge}.", 8, "Both ends if both are thin.", cautions: ["wood-dust"], draws: ["finish"]);
    }
}
