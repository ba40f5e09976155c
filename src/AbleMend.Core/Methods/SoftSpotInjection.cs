using AbleMend.Core.Cases;
using AbleMend.Core.Clamping;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Quantities;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A skin that has left its core: holes on a grid, epoxy injected low to high, weighted or under vacuum until it holds.</summary>
internal sealed class SoftSpotInjection : MendMethod
{
    /// <summary>Spacing of the holes in millimetres. From memory.</summary>
    public const double GridMm = 40;

    /// <summary>Gap between skin and core when nothing was measured, in millimetres. From memory.</summary>
    public const double GapMm = 0.8;

    public override string Id => "soft-spot-injection";

    public override string Name => "Inject it and weight it down";

    public override string Why => "The skin is whole: it is glued back to its core through a few small holes.";

    public override int Skill => 3;

    public override IReadOnlyList<string> Needs => ["drill", "syringe"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.SoftSpot];

    public override bool Takes(Material material) => material is { Role: Role.Resin, Chemistry: "epoxy", Cure: CureKind.TwoPart };

    /// <summary>Skin and core both: the hole goes through to the core whatever depth was seen.</summary>
    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => view.Reach.Layers.Take(5).ToList() is var layers ? [.. layers.TakeWhile((_, i) => i <= layers.FindIndex(layer => layer.Layer.Id == view.Construction.CoreLayer))] : [];

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var gap = job.Figures.Fact("damage.gap", "Gap between skin and core", Mm(job.Damage.GapMm ?? 0.8), job.Damage.GapMm is null ? Source.FromMemory("Gap where none was measured") : null);
        job.Find().Dry();
        var grid = job.Constant("grid.spacing", "Grid", Mm(GridMm), Source.FromMemory("Spacing of the holes"));
        var size = job.Figure("grid.hole", "Drill", Mm(3), "Skin only", Source.FromMemory("Size of a hole"), 1);
        var holes = job.Figure("grid.holes", "Holes", () => Count(Math.Max(2, Math.Ceiling(job.Hurt.Area.Cm2 * 100 / (grid.Mm * grid.Mm)))), "Area ÷ one square of the grid, at least an inlet and an outlet", Source.Arithmetic, between: (1, 400));
        job.Do("drill", Stage.Shape, $"Drill {holes} holes of {size}, skin only", "On the line drawn by the tap test and on a grid inside it, with a stop on the drill at the skin's thickness.", 3 + holes.N, "A stop on the drill: through the skin, not into the core.", cautions: ["glass-dust"], draws: ["holes"]);
        job.Clean();
        var loss = job.CupLoss();
        var need = job.Need("fill", false, () => Ml((job.Hurt.Area.Cm2 * gap.Mm / 10) + loss.Ml), "Area × gap + what stays in the syringe", Source.Arithmetic);
        var work = job.Figures.Work("fill.work", "Time to inject it", () => WallMin(2 + holes.N), "Two minutes and one a hole", Source.FromMemory("Time to inject"));
        job.Mix(new MixOrder("fill", "Mix the epoxy, runny", "for the syringe", need, work, null, false));
        job.Do("inject", Stage.Apply, "Inject from the lowest hole until it shows at the next", "Low to high, tape each hole as it shows, press the skin down with the hand and feel it go hard-backed.", work.WallMin, "Stop if it takes more than was mixed: it runs into the core.", cautions: [.. job.Main.Hazards], draws: ["inject"], follows: true);
        Weigh(job);
        Close(job, holes);
        job.Prove("tap").Prove("thumb");
        job.Draw(sketch => DrawHoles(sketch, job, grid.Mm, size.Mm / 2));
        return job.End(job.Hurt, job.Around(15));
    }

    private static void Close(Job job, Figure<Count> holes)
    {
        job.Do("open-holes", Stage.Prepare, "Tape off, sand the holes flush", $"Pull the tape. {job.BlushFirst()}Sand what stands proud, wipe it, let it flash.", 5, "Count the holes.", job.FlashAgain(), ["resin-dust"]);
        var drop = job.Constant("holes.drop", "On each hole", Ml(0.1), Source.FromMemory("A drop of resin"));
        var loss = job.CupLoss();
        var need = job.Need("holes", false, () => Ml((holes.N * drop.Ml) + loss.Ml), "Holes × a drop + what stays in the cup", Source.Arithmetic);
        job.Mix(new MixOrder("holes", "Mix a little to seal the holes", "to seal them", need, job.SpreadingTime("holes", 3), null, false));
        job.Do("close", Stage.Apply, "Seal the holes", "A drop on each hole, level it with a card.", 3, "Count the holes: one left open lets the water in.", job.Loadable(job.Label, "holes-mix"), draws: ["finish"], follows: true);
    }

    private static void Weigh(Job job)
    {
        var pressure = job.Constant("weight.pressure", "Pressure that foam stands", Kpa(4), Source.FromMemory("Pressure that foam stands"), (0.1, 100));
        var weight = job.Figure("weight.mass", "Weight", () => Kg(Clamps.WeightKg(job.Hurt.Area.Cm2 * 100, pressure.Kpa)), "Area × pressure ÷ g; or a vacuum of the same pressure", Source.Arithmetic, 1);
        job.Figure("vacuum.force", $"Or a bag at {pressure} under the air outside", () => Newtons(Clamps.VacuumN(job.Hurt.Area.Cm2 * 100, pressure.Kpa)), "Area × vacuum: the same press without sandbags, and no more than foam stands", Source.Arithmetic);
        job.Do("weight", Stage.Apply, $"Film, soft pad, {weight}", $"Release film, a pad that follows the curve, sandbags; or a vacuum bag at {pressure}.", 4, "Film first: or the sandbag stays.", job.Hold(job.Label, "fill-mix"), draws: ["weight"]);
    }

    private static void DrawHoles(Sketch sketch, Job job, double grid, double radius)
    {
        var (half, skin) = (job.HalfMm(), job.View.Reach.SkinDepthMm > 0 ? job.View.Reach.SkinDepthMm : 0.7);
        for (var x = -half; x <= half; x += Math.Max(grid, half / 2))
        {
            sketch.Section("holes", MarkKind.Drill, true, null, (x - radius, 0), (x + radius, 0), (x + radius, skin), (x - radius, skin));
        }

        sketch.Section("inject", MarkKind.Glue, false, "injected", (-half, skin), (half, skin)).Slab("weight", MarkKind.Clamp, "weight", half, -1.2, -5);
    }
}
