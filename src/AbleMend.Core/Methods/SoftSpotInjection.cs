using AbleMend.Core.Clamping;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A skin that has left its core: holes on a grid, epoxy injected low to high, weighted or under vacuum until it holds.</summary>
public sealed class SoftSpotInjection : MendMethod
{
    /// <summary>Spacing of the holes in millimetres. From memory.</summary>
    public const double GridMm = 40;

    /// <summary>Size of a hole in millimetres. From memory.</summary>
    public const double HoleMm = 3;

    /// <summary>Gap between skin and core when nothing was measured, in millimetres. From memory.</summary>
    public const double GapMm = 0.8;

    /// <summary>Pressure under the weight in kPa. From memory: foam dents above 20.</summary>
    public const double WeightKpa = 4;

    public override string Id => "soft-spot-injection";

    public override string Name => "Inject it and weight it down";

    public override string Why => "The skin is whole: it is glued back to its core through a few small holes.";

    public override int Skill => 3;

    public override IReadOnlyList<string> Needs => ["drill", "syringe"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.SoftSpot];

    public override bool Takes(Material material) => material is { Role: Role.Resin, Chemistry: "epoxy", Cure: CureKind.TwoPart };

    /// <summary>Skin and core both: the hole goes through to the core whatever depth was seen.</summary>
    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => view.Reach.Layers.Take(5).ToList() is var layers ? [.. layers.TakeWhile((_, i) => i <= layers.FindIndex(layer => layer.Layer.Id == view.Construction.CoreLayer))] : [];

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var area = list.View.Outline.AreaMm2;
        var gap = list.Damage.GapMm ?? GapMm;
        list.Find().Dry();
        var holes = list.Figure("grid.holes", "Holes", Math.Max(2, Math.Ceiling(area / (GridMm * GridMm))), "", "Area ÷ one square of the grid, at least an inlet and an outlet", Source.FromMemory("Spacing of the grid"), [new("Area", area / 100, "cm²"), new("Grid", GridMm, "mm")]);
        list.Do("drill", Stage.Shape, $"Drill {holes:0} holes of {HoleMm:0} mm, skin only", "On the line drawn by the tap test and on a grid inside it, with a stop on the drill at the skin's thickness.", 3 + holes, "A stop on the drill: through the skin, not into the core.", cautions: ["glass-dust"], draws: ["holes"]);
        list.Clean();
        var need = new Worked((area * gap / 1000) + Mixes.CupLossMl, "mL", new Derivation("Area × gap + what stays in the syringe", Source.FromMemory("Gap where none was measured"), [new("Area", area / 100, "cm²"), new("Gap", gap, "mm")]));
        list.Add(Mixes.Mix(inputs, new MixOrder("fill", "Mix the epoxy, runny", "for the syringe", need, 2 + holes, null, false)));
        list.Do("inject", Stage.Apply, "Inject from the lowest hole until it shows at the next", "Low to high, tape each hole as it shows, press the skin down with the hand and feel it go hard-backed.", 2 + holes, "Stop if it takes more than was mixed: it runs into the core.", cautions: [.. list.Main.Hazards], draws: ["inject"], follows: true);
        var kg = list.Figure("weight.mass", "Weight", Clamps.WeightKg(area, WeightKpa), "kg", "Area × pressure ÷ g; or a vacuum of the same pressure", Source.FromMemory("Pressure that foam stands"), [new("Area", area / 100, "cm²"), new("Pressure", WeightKpa, "kPa")]);
        list.Figure("vacuum.force", $"Or a bag at {WeightKpa:0} kPa under the air outside", Clamps.VacuumN(area, WeightKpa), "N", "Area × vacuum: the same press without sandbags, and no more than foam stands", Source.FromMemory("Pressure that foam stands"), [new("Area", area / 100, "cm²"), new("Vacuum", WeightKpa, "kPa")]);
        list.Do("weight", Stage.Apply, $"Film, soft pad, {kg:0} kg", "Release film, a pad that follows the curve, sandbags; or a vacuum bag.", 4, "Film first: or the sandbag stays.", Waits.Hold(list.View, list.Main, "fill-mix"), draws: ["weight"]);
        list.Do("close", Stage.Finish, "Sand flush, seal the holes", "A drop of resin on each hole, flush when hard.", 6, "Count the holes: one left open lets the water in.", Waits.Loadable(list.View, list.Main, "fill-mix"), ["resin-dust"], ["finish"]);
        list.Prove("tap").Prove("thumb");
        var skin = list.View.Reach.SkinDepthMm > 0 ? list.View.Reach.SkinDepthMm : 0.7;
        for (var x = -list.HalfMm(); x <= list.HalfMm(); x += Math.Max(GridMm, list.HalfMm() / 2))
        {
            list.Section("holes", MarkKind.Drill, true, null, (x - 1.5, 0), (x + 1.5, 0), (x + 1.5, skin), (x - 1.5, skin));
        }

        list.Section("inject", MarkKind.Glue, false, "injected", (-list.HalfMm(), skin), (list.HalfMm(), skin)).Section("weight", MarkKind.Clamp, true, "weight", (-list.HalfMm(), -1.5), (list.HalfMm(), -1.5), (list.HalfMm(), -5), (-list.HalfMm(), -5));
        return list.End(list.View.Outline, list.View.Outline.Grown(15));
    }
}
