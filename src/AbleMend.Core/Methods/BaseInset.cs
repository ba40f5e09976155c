using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A core shot too large to weld: a piece of base sheet let in with epoxy, under a plate.</summary>
public sealed class BaseInset : MendMethod
{
    /// <summary>Largest gap round the inset in millimetres. From memory: what epoxy and a little filler close unseen.</summary>
    public const double GapMm = 0.3;

    /// <summary>Glue film under the inset in millimetres. From memory.</summary>
    public const double GlueMm = 0.3;

    /// <summary>Pressure under the plate in kPa. From memory: enough to squeeze glue out, not to starve it.</summary>
    public const double PlateKpa = 50;

    public override string Id => "base-inset";

    public override string Name => "Let in a piece of base sheet";

    public override string Why => "A large wound glides again; a weld that wide shrinks and tears out.";

    public override int Skill => 3;

    public override int Tidiness => 4;

    public override IReadOnlyList<string> Needs => ["scraper", "plates", "clamps"];

    public override IReadOnlyList<string> Schools => ["base-finish"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.CoreShot];

    public override bool Takes(Material material) => material is { Chemistry: "epoxy", Cure: CureKind.TwoPart };

    protected override string? Unfit(CaseView view) => OuterIs(view, "base") ? null : "It is for ski and snowboard bases.";

    /// <summary>The glue lies on the core; the base round it is met only at a butt joint, which the flamed sheet makes by itself.</summary>
    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => [.. view.Reach.Touched.Where(layer => !layer.Substance.Families.Contains("base"))];

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var cut = list.View.Outline.Grown(4);
        BaseWork.Open(list, false);
        list.Figure("inset.area", "Inset", cut.AreaMm2 / 100, "cm²", "Wound grown to sound base, round ends", Source.Arithmetic, [new("Past the wound", 4, "mm")], 1);
        list.Figure("inset.gap", "Gap round it", GapMm, "mm", "Cut sheet and base together through both, so that they match", Source.FromMemory("Gap that closes unseen"), decimals: 1);
        list.Do("inset", Stage.Shape, "Cut wound and sheet together", "Lay base sheet of the same thickness over it, cut through both with one stroke of the blade, lift the old piece off the core. Flame and scuff the sheet's glue face.", 12,
            "Flame the glue face: bare polyethylene takes no glue.", cautions: ["blades", "hot-metal"], draws: ["patches-dry"]);
        var need = new Worked((cut.AreaMm2 * GlueMm / 1000) + Mixes.CupLossMl, "mL", new Derivation("Area × glue film + what stays in the cup", Source.FromMemory("Film and loss"), [new("Area", cut.AreaMm2 / 100, "cm²"), new("Film", GlueMm, "mm")]));
        list.Add(Mixes.Mix(inputs, new MixOrder("glue", "Mix the epoxy", "for the inset", need, 5, null, false)));
        var newton = list.Figure("plate.force", "Press with", cut.AreaMm2 * PlateKpa / 1000, "N", "Area × pressure under the plate", Source.FromMemory("Pressure"), [new("Area", cut.AreaMm2 / 100, "cm²"), new("Pressure", PlateKpa, "kPa")]);
        list.Do("glue", Stage.Apply, "Glue it in, film over, plate and clamps", $"Wet core and sheet, seat it, release film, flat plate, at least two clamps to about {newton:0} N in all.", 6,
            "Film under the plate: a plate that is glued on takes the inset with it.", Waits.Hold(list.View, list.Main, "glue-mix"), [.. list.Main.Hazards], ["inset", "plate"], follows: true);
        list.DrawPatch("inset", cut.LengthMm / 2, list.View.Reach.Layers[0].Layer.ThicknessMm, "base sheet", 0.01)
            .Section("plate", MarkKind.Clamp, true, "plate", (-cut.LengthMm / 2 - 8, -1), (cut.LengthMm / 2 + 8, -1), (cut.LengthMm / 2 + 8, -3), (-cut.LengthMm / 2 - 8, -3));
        BaseWork.Level(list, cut.Grown(10).AreaMm2 / 100, "glue-mix");
        return list.End(cut, cut.Grown(8));
    }
}
