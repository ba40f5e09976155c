using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Mixing;
using AbleMend.Core.Patching;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A cracked thin laminate, shaft or hull, scarfed back and relaminated ply for ply; round a tube the plies go right round as a sleeve.</summary>
public sealed class ScarfOrSleeve : MendMethod
{
    /// <summary>Taper of a scarf in thin-skinned structure. Common practice: more than a hull's 8 to 12; 20 to 1.</summary>
    public const double Taper = 20;

    public override string Id => "scarf-or-sleeve";

    public override string Name => "Scarf it and laminate";

    public override string Why => "A long taper carries the load round the crack, ply for ply.";

    public override int Skill => 3;

    public override int Tidiness => 4;

    public override IReadOnlyList<string> Schools => ["patch-order"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Crack, DamageKind.Hole];

    public override string Cloth(CaseView view) => "carbon-200";

    public override bool Takes(Material material) => material is { Role: Role.Resin, Chemistry: "epoxy", Cure: CureKind.TwoPart };

    protected override string? Unfit(CaseView view) => view.Reach.Layers.Any(layer => layer.Touched && layer.Substance.Families.Contains("carbon")) ? null : "It is for thin carbon laminates.";

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var (cloth, resin) = (inputs.Materials.Cloth, list.Main);
        var tube = list.View.Location.Has("tube");
        var wall = list.View.Reach.Layers.First(layer => layer.Substance.Families.Contains("carbon")).Layer.ThicknessMm;
        var scarf = list.Figure("scarf.width", "Scarf", Feather.WidthMm(wall, Taper), "mm", "Thickness of the laminate × taper, 20 to 1 for thin-skinned structure", Source.CommonPractice, [new("Laminate", wall, "mm"), new("Taper", Taper, "to 1")]);
        var plies = list.Figure("laminate.plies", "Plies", Math.Max(2, Math.Ceiling(wall / cloth.PlyMm!.Value)), "", "Thickness ÷ thickness of a ply, rounded up", Source.Arithmetic, [new("Laminate", wall, "mm"), new("Ply", cloth.PlyMm.Value, "mm")]);
        list.Find().Dry();
        list.Do("scarf", Stage.Shape, "Grind the scarf", $"From the crack outwards to nothing over {scarf:0} mm{(tube ? ", all the way round" : "")}, wet or with extraction. Stop-drill the ends of the crack.", 15, "All the way: a step in the scarf is where it breaks next.", cautions: ["carbon-dust", "grinder"], draws: ["cut"]);
        list.Clean();
        var patches = Patches(list, (int)plies, scarf);
        var clothCm2 = patches.Sum(patch => patch.AreaCm2);
        list.Figure("glass.area", "Cloth, all plies", clothCm2, "cm²", "Sum of the plies' areas", Source.Arithmetic);
        list.Do("cut-cloth", Stage.Shape, "Cut the plies", tube ? "Long enough to go right round and lap; each ply larger than the last." : "To the template, each ply larger than the last, corners round.", 8, "Cut all cloth before anything is mixed.", cautions: ["carbon-dust"], draws: ["patches-dry"]);
        var ml = Laminate.ResinG(clothCm2, cloth.ArealWeightGPerM2!.Value, Laminate.HandLayUpFibreShare) / resin.DensityGPerMl!.Value;
        var need = new Worked(ml + Mixes.CupLossMl, "mL", new Derivation("Area × areal weight × (1 − w)/w ÷ density + what stays in the cup", Source.FromMemory("Fibre share of a hand lay-up; the formula is arithmetic"), [new("Cloth", clothCm2, "cm²"), new("Areal weight", cloth.ArealWeightGPerM2.Value, "g/m²")]));
        list.Add(Mixes.Mix(inputs, new MixOrder("glass", "Mix the resin", "to wet scarf and plies", need, 5 + (clothCm2 * 0.012), null, false)));
        list.Do("laminate", Stage.Apply, tube ? "Lay the plies round, wrap with release tape" : "Lay the plies, film and pad over", tube ? "Wet the shaft, lay ply for ply, wrap release tape over it tight from the middle outwards." : "Wet the scarf, ply for ply, draw through, release film, a soft pad.", 8 + plies,
            "Turn the fibre of each ply as the old one ran.", Waits.Sandable(list.View, resin, "glass-mix"), draws: [.. patches.Select(patch => $"patch-{patch.Order}"), "sleeve"], follows: true);
        list.Do("fair", Stage.Finish, "Fair it, wet", "P120 then P240, wet; a coat of resin or varnish where fibre shows.", 12, "Not one fibre bare: it cuts hands and drinks water.", Waits.Loadable(list.View, resin, "glass-mix"), ["carbon-dust", "resin-dust"], ["finish"]);
        list.Prove("tap").Prove("flex");
        var half = list.HalfMm();
        list.Section("cut", MarkKind.Cut, true, $"scarf {scarf:0} mm", (-half - scarf, 0), (-half, wall), (half, wall), (half + scarf, 0));
        for (var ply = 1; ply <= (int)plies; ply++)
        {
            var reach = half + (scarf * ply / plies);
            var y = wall * (1 - (ply / plies));
            list.Section("sleeve", tube ? MarkKind.Wrap : MarkKind.Patch, false, null, (-reach, y), (reach, y));
        }

        return list.End(list.View.Outline, list.View.Outline.Grown(scarf + 6), patches);
    }

    private static IReadOnlyList<Patch> Patches(StepList list, int plies, double scarf)
    {
        var cloths = Enumerable.Repeat(list.Inputs.Materials.Cloth.Id, plies).ToList();
        return PatchStack.Over(list.View.Outline, cloths, scarf / plies, scarf / plies, list.View.School("patch-order") == "large-first");
    }
}
