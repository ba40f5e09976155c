using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Mixing;
using AbleMend.Core.Patching;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>
/// Sand, fill, glass, coat: open it to sound material, fill the core flush, lay patches over it, and finish with a
/// sanding coat. How much of that is needed follows from the depth: no fill where the foam is closed, no cloth where
/// only the coat is hurt.
/// </summary>
internal sealed class FillGlassCoat : MendMethod
{
    public override string Id => "fill-glass-coat";

    public override string Name => "Sand, fill, glass, coat";

    public override string Why => "Rebuilds core, cloth and coat: as strong as it was, and for good.";

    public override int Skill => 2;

    public override int Tidiness => 4;

    /// <inheritdoc/>
    public override IReadOnlyList<string> Schools => ["ding", "patch-order", "uv-resin", "dry-finish", "fill-thickness", "deep-hole"];

    /// <inheritdoc/>
    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Ding, DamageKind.Crack, DamageKind.Hole, DamageKind.FinBoxSurround];

    /// <inheritdoc/>
    protected override Message? Unfit(CaseView view) =>
        !view.Reach.Layers.Any(layer => layer.Substance.Families.Contains("laminate")) ? "There is no laminate here to rebuild."
        : view.Reach.Layers.Any(layer => layer.Substance.Families.Contains("carbon")) ? "A thin carbon laminate is scarfed, ply for ply."
        : ScarfOrSleeve.HasToGiveBack(view) ? "Too much of the wall is cut: it is scarfed and given back ply for ply." : null;

    public override bool Takes(Material resin) => resin.Role == Role.Resin && resin.Suits is null;

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var (hole, inner) = (job.CutAwayField(), InnerSkin.Broken(job.View));
        var cut = inner is null ? hole : InnerSkin.CutBack(job, hole);
        var plies = PlyCount(job.View);
        var patches = plies > 0 ? Patches(job, cut, plies) : null;
        var covered = patches?.Largest ?? cut.Grown("coated", "Coated", job.Constant("coat.margin", "Coat past the cut", Mm(10), Source.FromMemory("How far the coat reaches where no cloth is laid")));
        var key = covered.Grown("key", "Keyed", job.KeyBeyond());
        job.Dry();
        if (job.View.Location.FinBox)
        {
            job.RockTheFin();
        }

        job.CutAway().Key(key, 6);
        if (patches is not null)
        {
            CutCloth(job, patches);
        }

        var plugged = job.View.Reach.FoamOpen && inner is null && FoamPlug.Fits(job, job.Cavity(cut, job.Depth));
        if (plugged)
        {
            FoamPlug.Shape(job);
        }

        job.Mask(key).Clean();
        if (job.View.Reach.FoamOpen)
        {
            Fill(job, hole, cut, inner, plugged);
        }

        if (patches is not null)
        {
            Glass(job, patches);
        }

        var coat = Coat(job, key);
        Finish(job, key);
        return job.End(cut, key, patches?.Layers, () => Profile(job, cut, key, patches, coat.Mm));
    }

    private static int PlyCount(CaseView view) =>
        view.Reach.FoamOpen || view.Damage.Kind == DamageKind.FinBoxSurround ? 2 : view.Reach.ClothBroken ? 1 : 0;

    /// <summary>The patches over a cut-out.</summary>
    private sealed record Stack(int Plies, Field Largest, Derived<IReadOnlyList<Patch>> Layers, Figure<Length> Feather, Figure<Area> Area);

    private static Stack Patches(Job job, Field cut, int plies)
    {
        var source = Source.FromMemory("Hard boards; common practice has no one figure");
        var margin = job.Figure("patch.margin", "Smallest patch reaches past the cut", Mm(20), "Enough for the feather and for a hand to lay it", source, 1);
        var step = plies < 2 ? null : job.Figure("patch.step", "Each next patch reaches further by", Mm(15), "Steps the edges so that no two end in one line", source, 1);
        var largestFirst = job.View.School("patch-order") == "large-first";
        var layers = job.Derive(() => PatchStack.Over(cut.Shape, [.. Enumerable.Repeat(job.Materials.Cloth.Id, plies)], margin.Mm, step?.Mm ?? 0, largestFirst));
        var largest = cut.Grown("covered", "Largest patch", job.Derive(() => margin.Mm + ((plies - 1) * (step?.Mm ?? 0))));
        var taper = job.Constant("feather.taper", "Taper", ToOne(Feather.HullTaper), Source.CommonPractice, (4, 60));
        var ply = job.LabelOf(job.Materials.Cloth).Ply;
        var feather = job.Figure("patch.feather", "Feather", () => Mm(Feather.WidthMm(plies * ply.Mm, taper.ToOne)), "Thickness of the laminate × taper", Source.CommonPractice, 1, () => "8 to 12 to 1 are usual.");
        var area = job.Figure("glass.area", "Cloth, all patches", () => Cm2(layers.Value.Sum(patch => patch.AreaCm2)), "Sum of the patches' areas", Source.Arithmetic);
        return new Stack(plies, largest, layers, feather, area);
    }

    private static void CutCloth(Job job, Stack patches) =>
        job.Takes(job.Materials.Cloth, patches.Area).Do("cut-cloth", Stage.Shape, patches.Plies > 1 ? "Cut the patches" : "Cut the patch",
            "Print the template, check its ruler, cut every corner round. Lay them dry, mark the middle, put them in the order in which they go on.", 6,
            "Cut all cloth before anything is mixed.", cautions: ["glass-dust"], draws: ["patches-dry"], shows: [.. Margins(job), patches.Feather, patches.Area]);

    private static IEnumerable<IFigure> Margins(Job job) => new[] { "patch.margin", "patch.step" }.Select(job.Figures.Find).OfType<IFigure>();

    private static void Fill(Job job, Field hole, Field cut, ReachedLayer? inner, bool plugged)
    {
        var (depth, left) = inner is not null ? InnerSkin.GiveBack(job, hole, cut, inner) : plugged ? FoamPlug.Bed(job, cut) : Core(job, cut);
        var proud = job.Figure("fill.proud", "Fill stands proud", Mm(0.5), "A little proud, because it is cut back; more only costs sanding", Source.CommonPractice, 1);
        var need = job.ToMix(true, left, cut, proud);
        new FillPasses(job, depth, need, proud).Lay();
        job.Do("fair", Stage.Shape, "Fair the fill flush", $"{job.BlushFirst()}Hard block and the keying grit: flush, and the rim keyed again. Blow it off, wipe it, let it flash.", 8,
            "Key the fill too: no shine may be left.", job.FlashAgain(), ["resin-dust", "glass-dust"], ["fair"]);
    }

    private static (Figure<Length> Depth, Derived<double> Ml) Core(Job job, Field cut)
    {
        var cavity = job.Cavity(cut, job.Depth);
        return (job.Depth, job.Derive(() => cavity.Ml));
    }

    private static void Glass(Job job, Stack patches)
    {
        var work = job.LayingTime("glass", 4, patches.Area);
        job.Mix(new MixOrder("glass", "Mix the resin for the cloth", "to wet the ground and the cloth", GlassNeed(job, patches), work, null, false));
        var several = patches.Plies > 1;
        var smallFirst = job.View.School("patch-order") == "small-first";
        Message order = !several ? "Lay the patch" : smallFirst ? "Smaller patch first, the larger over it" : "Larger patch first, the smaller over it";
        Message witness = job.Main.Cure == CureKind.Light ? "Lay the stick beside it, in the same light, as witness." : "Leave the stick in the cup as witness.";
        // Laminating polyester stays tacky in air and cannot be sanded: the coat goes on inside its recoat window.
        var wait = job.Main.AirInhibited ? job.Recoat(job.Label, "glass-mix") : job.Sandable(job.Label, "glass-mix");
        job.Do("glass", Stage.Apply, several ? "Lay the patches" : "Lay the patch",
            $"Wet the ground. {order}. Draw the resin through with a card from the middle outwards: saturated, no pools, no bubbles. {witness}",
            Math.Ceiling(work.WallMin), "Turn the edges down with the card: a lifted thread shows for ever.", wait,
            draws: [.. Enumerable.Range(1, patches.Plies).Select(ply => $"patch-{ply}")], follows: true, shows: [patches.Area]);
        job.Prove("tap");
        if (job.Main.AirInhibited)
        {
            return;
        }

        var grit = (ITold)job.Figures.Find("key.grit")!;
        Message box = job.View.Location.FinBox ? (Message)$", round the box as well" : Message.Empty;
        job.Do("blend", Stage.Shape, "Blend the edge and tape again",
            $"{job.BlushFirst()}{grit} on a hard pad: feather the edge of the cloth into the skin over {patches.Feather}, dull the whole face. Take the old tape off{box}. Blow it off, wipe it, let it flash. New tape.",
            8, "Stop when the weave just shows: sanding cloth away weakens it.", job.FlashAgain(), ["resin-dust", "glass-dust"], ["feather"], shows: [patches.Feather]);
    }

    private static Figure<Volume> GlassNeed(Job job, Stack patches)
    {
        var (cloth, fibre, loss) = (job.LabelOf(job.Materials.Cloth), job.FibreShare(), job.CupLoss());
        var ground = job.Constant("glass.ground", "Film on the ground", Mm(0.05), Source.FromMemory("Resin that wets the keyed ground under the cloth"));
        return job.Need("glass", false, () => Ml(
                (Laminate.ResinG(patches.Area.Cm2, cloth.ArealWeight.GPerM2, fibre.Percent / 100) / job.Label.Density.GPerMl) + Laminate.CoatMl(patches.Largest.Area.Cm2, ground.Mm) + loss.Ml),
            "Area × areal weight × (1 − w)/w ÷ density + film on the ground + what stays in the cup", Source.Arithmetic);
    }

    private static Figure<Length> Coat(Job job, Field key)
    {
        var thickness = job.Figure("coat.thickness", "Sanding coat", Mm(0.15), "Thin: enough to bury the weave and be cut back", Source.FromMemory("Sanding coat by brush"), 2);
        var loss = job.CupLoss();
        var need = job.Need("coat", false, () => Ml(Laminate.CoatMl(key.Area.Cm2, thickness.Mm) + loss.Ml), "Area × thickness + what stays in the cup", Source.Arithmetic);
        job.Mix(new MixOrder("coat", "Mix the sanding coat", "for a thin sanding coat", need, job.SpreadingTime("coat", 5), null, true));
        job.Do("coat", Stage.Apply, "Brush the sanding coat, thin",
            "Brush it out thin and even to the tape, tip it off one way, look across the light for misses. Pull the tape while it is still soft.",
            5, "Pull the tape before it sets.", job.Sandable(job.Label, "coat-mix"), draws: ["coat"], follows: true, shows: [thickness]);
        return thickness;
    }

    private static void Finish(Job job, Field key)
    {
        var loadable = job.Loadable(job.Label, job.Main.Cure == CureKind.Light ? "coat" : "coat-mix");
        job.Sand(key).Prove("fingernail", job.View.Location.FinBox ? null : loadable);
        if (job.View.Location.FinBox)
        {
            job.Prove("fin-fit", loadable);
        }

        job.Prove("float");
    }

    private static WorkProfile Profile(Job job, Field cut, Field key, Stack? patches, double coatMm)
    {
        var (foam, proud) = (job.View.Reach.FoamOpen, job.Figures.Find("fill.proud"));
        return new WorkProfile(cut.Length.Mm / 2, job.Depth.Mm, patches?.Feather.Mm ?? 0, key.Length.Mm / 2, foam ? job.Depth.Mm : 0, proud?.Magnitude ?? 0, coatMm, 0, job.LabelOf(job.Materials.Cloth).Ply.Mm);
    }
}
