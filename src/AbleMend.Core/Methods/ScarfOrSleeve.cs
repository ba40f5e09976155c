using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Patching;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A cracked thin laminate, shaft or hull, scarfed back and relaminated ply for ply; round a tube the plies go right round as a sleeve.</summary>
internal sealed class ScarfOrSleeve : MendMethod
{
    /// <summary>Taper of a scarf in thin-skinned structure. Common practice: more than a hull's 8 to 12; 20 to 1.</summary>
    public const double Taper = 20;

    public override string Id => "scarf-or-sleeve";

    public override string Name => "Scarf it and laminate";

    public override string Why => "A long taper carries the load round the crack, ply for ply.";

    public override int Skill => 3;

    public override int Tidiness => 4;

    public override IReadOnlyList<string> Schools => ["patch-order"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Crack, DamageKind.Hole];

    public override string Cloth(CaseView view) => "carbon-200";

    public override bool Takes(Material material) => material is { Role: Role.Resin, Chemistry: "epoxy", Cure: CureKind.TwoPart };

    protected override Message? Unfit(CaseView view) => view.Reach.Layers.Any(layer => layer.Touched && layer.Substance.Families.Contains("carbon")) ? null : "It is for thin carbon laminates.";

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var tube = job.View.Location.Has("tube");
        var laminate = job.View.Reach.Layers.First(layer => layer.Substance.Families.Contains("carbon")).Layer;
        var wall = job.Figures.Fact("item.laminate", $"{laminate.Name}: thickness", Mm(laminate.ThicknessMm), Source.OfEntry(job.View.Construction.Source));
        var taper = job.Constant("scarf.taper", "Taper", ToOne(20), Source.CommonPractice, (4, 60));
        var scarf = job.Figure("scarf.width", "Scarf", () => Mm(Feather.WidthMm(wall.Mm, taper.ToOne)), "Thickness of the laminate × taper, more for thin-skinned structure than a hull's", Source.CommonPractice, 1);
        var cloth = job.LabelOf(job.Materials.Cloth);
        var plies = job.Figure("laminate.plies", "Plies", () => Count(Math.Max(2, Math.Ceiling(wall.Mm / cloth.Ply.Mm))), "Thickness ÷ thickness of a ply, rounded up", Source.Arithmetic, between: (1, 40));
        job.Find().Dry();
        Message round = tube ? ", all the way round" : Message.Empty;
        job.Do("scarf", Stage.Shape, "Grind the scarf", $"From the crack outwards to nothing over {scarf}{round}, wet or with extraction. Stop-drill the ends of the crack.", 15, "All the way: a step in the scarf is where it breaks next.", cautions: ["carbon-dust", "grinder"], draws: ["cut"]);
        job.Clean();
        var largeFirst = job.View.School("patch-order") == "large-first";
        var patches = job.Derive(() => PatchStack.Over(job.Hurt.Shape, [.. Enumerable.Repeat(job.Materials.Cloth.Id, (int)plies.N)], scarf.Mm / plies.N, scarf.Mm / plies.N, largeFirst));
        var area = job.Figure("glass.area", "Cloth, all plies", () => Cm2(patches.Value.Sum(patch => patch.AreaCm2)), "Sum of the plies' areas", Source.Arithmetic);
        job.Do("cut-cloth", Stage.Shape, "Cut the plies", tube ? "Long enough to go right round and lap; each ply larger than the last." : "To the template, each ply larger than the last, corners round.", 8, "Cut all cloth before anything is mixed.", cautions: ["carbon-dust"], draws: ["patches-dry"]);
        Laminate(job, area, plies, tube);
        job.Do("fair", Stage.Finish, "Fair it, wet", $"{"P120":as-is} then {"P240":as-is}, wet; a coat of resin or varnish where fibre shows.", 12, "Not one fibre bare: it cuts hands and soaks up water.", job.Loadable(job.Label, "glass-mix"), ["carbon-dust", "resin-dust"], ["finish"]);
        job.Prove("tap").Prove("flex");
        job.Draw(sketch => DrawPlies(sketch, job.HalfMm(), scarf, wall.Mm, plies.N, tube));
        var beyond = job.Constant("key.beyond", "Work area beyond the scarf", Mm(6), Source.FromMemory("How far it is cleaned past the scarf"));
        return job.End(job.Hurt, job.Hurt.Grown("scarf", "Scarf", scarf).Grown("key", "Work area", beyond), patches);
    }

    private static void Laminate(Job job, Figure<Area> area, Figure<Count> plies, bool tube)
    {
        var cloth = job.LabelOf(job.Materials.Cloth);
        var (fibre, loss) = (job.FibreShare(), job.CupLoss());
        var need = job.Need("glass", false, () => Ml((Mixing.Laminate.ResinG(area.Cm2, cloth.ArealWeight.GPerM2, fibre.Percent / 100) / job.Label.Density.GPerMl) + loss.Ml),
            "Area × areal weight × (1 − w)/w ÷ density + what stays in the cup", Source.Arithmetic);
        var work = job.LayingTime("glass", 5, area);
        job.Mix(new MixOrder("glass", "Mix the resin", "to wet scarf and plies", need, work, null, false));
        job.Do("laminate", Stage.Apply, tube ? "Lay the plies round, wrap with release tape" : "Lay the plies, film and pad over", tube ? "Wet the shaft, lay ply for ply, wrap release tape over it tight from the middle outwards." : "Wet the scarf, ply for ply, draw through, release film, a soft pad.", 8 + plies.N,
            "Turn the fibre of each ply as the old one ran.", job.Sandable(job.Label, "glass-mix"), draws: [.. Enumerable.Range(1, (int)plies.N).Select(ply => $"patch-{ply}"), "sleeve"], follows: true);
    }

    private static void DrawPlies(Sketch sketch, double half, Figure<Length> scarf, double wall, double plies, bool tube)
    {
        sketch.Section("cut", MarkKind.Cut, true, $"scarf {scarf}", (-half - scarf.Mm, 0), (-half, wall), (half, wall), (half + scarf.Mm, 0));
        for (var ply = 1; ply <= (int)plies; ply++)
        {
            var (reach, y) = (half + (scarf.Mm * ply / plies), wall * (1 - (ply / plies)));
            sketch.Section("sleeve", tube ? MarkKind.Wrap : MarkKind.Patch, false, null, (-reach, y), (reach, y));
        }
    }
}
