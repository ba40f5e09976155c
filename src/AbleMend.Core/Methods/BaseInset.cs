using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A core shot too large to weld: a piece of base sheet let in with epoxy, under a plate.</summary>
internal sealed class BaseInset : MendMethod
{
    public override string Id => "base-inset";

    public override string Name => "Let in a piece of base sheet";

    public override string Why => "A large repair glides again; a weld that wide shrinks and tears out.";

    public override int Skill => 3;

    public override int Tidiness => 4;

    public override IReadOnlyList<string> Needs => ["scraper", "plates", "clamps"];

    public override IReadOnlyList<string> Schools => ["base-finish"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.CoreShot];

    public override bool Takes(Material material) => material is { Chemistry: "epoxy", Cure: CureKind.TwoPart };

    protected override Message? Unfit(CaseView view) => OuterIs(view, "base") ? null : "It is for ski and snowboard bases.";

    /// <summary>The glue lies on the core; the base round it is met only at a butt joint, which the flamed sheet makes by itself.</summary>
    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => [.. view.Reach.Touched.Where(layer => !layer.Substance.Families.Contains("base"))];

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var past = job.Constant("inset.past", "Past the damage", Mm(4), Source.FromMemory("How far an inset reaches past the damage"));
        var cut = job.Hurt.Grown("inset", "Inset", past);
        job.OpenBase(false);
        var gap = job.Figure("inset.gap", "Gap round it", Mm(0.3), "Cut sheet and base together through both, so that they match", Source.FromMemory("Gap that epoxy and a little filler close unseen"), 1);
        job.Do("inset", Stage.Shape, "Cut base and sheet together", $"Lay base sheet of the same thickness over it, cut through both with one stroke of the blade so that the gap stays under {gap}, lift the old piece off the core. Flame and scuff the sheet's glue face.", 12,
            "Flame the glue face: bare polyethylene takes no glue.", cautions: ["blades", "hot-metal"], draws: ["patches-dry"], shows: [cut.Length, cut.Width, cut.Area]);
        var film = job.Constant("glue.film", "Glue film under it", Mm(0.3), Source.FromMemory("Glue film under an inset"));
        var loss = job.CupLoss();
        var need = job.Need("glue", false, () => Ml((cut.Area.Cm2 * film.Mm / 10) + loss.Ml), "Area × glue film + what stays in the cup", Source.Arithmetic);
        job.Mix(new MixOrder("glue", "Mix the epoxy", "for the inset", need, job.SpreadingTime("glue", 6), null, false));
        var pressure = job.Constant("plate.pressure", "Pressure under the plate", Kpa(50), Source.FromMemory("Enough to squeeze glue out, not to starve it"));
        var force = job.Figure("plate.force", "Press with", () => Newtons(cut.Area.Cm2 * pressure.Kpa / 10), "Area × pressure under the plate", Source.Arithmetic);
        job.Do("glue", Stage.Apply, "Glue it in, film over, plate and clamps", $"Wet core and sheet, seat it, release film, flat plate, at least two clamps to about {force} in all.", 6,
            "Film under the plate: a plate that is glued on takes the inset with it.", job.Hold(job.Label, "glue-mix"), [.. job.Main.Hazards], ["inset", "plate"], follows: true);
        job.Draw(sketch => sketch.Patch("inset", cut.Length.Mm / 2, job.Skin.Mm, "base sheet", 0.01).Slab("plate", MarkKind.Clamp, "plate", (cut.Length.Mm / 2) + 8, -1, -3));
        var field = job.Levelled(cut);
        return job.LevelBase(field, "glue-mix").End(cut, field);
    }
}
