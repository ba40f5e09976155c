using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A cracked or bent pole under a splint sleeve: straightened no further than it goes, taped at both ends.</summary>
public sealed class PoleSplint : MendMethod
{
    /// <summary>Reach of the splint past the hurt on each side, in tube diameters. Common practice: five.</summary>
    public const double ReachDiameters = 5;

    public override string Id => "pole-splint";

    public override string Name => "Splint it with a sleeve";

    public override string Why => "It stands tonight, with nothing to wait for.";

    public override int Skill => 1;

    public override int Tidiness => 2;

    public override ProperRepair? Proper { get; } = new("Replace the pole section", 90);

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Split, DamageKind.Bent];

    public override bool Takes(Material material) => material.Role == Role.Splint;

    protected override string? Unfit(CaseView view) => view.Location.Has("tube") ? null : "It is for tubes.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var diameter = 2 * (list.View.Construction.RadiusMm ?? 5);
        var length = list.Figure("splint.length", "Splint", list.View.Outline.LengthMm + (2 * ReachDiameters * diameter), "mm", "Hurt and five diameters past each end", Source.CommonPractice,
            [new("Hurt", list.View.Outline.LengthMm, "mm"), new("Tube", diameter, "mm")]);
        list.Do("straighten", Stage.Prepare, list.Damage.Kind == DamageKind.Bent ? "Ease it straight over the knee, once" : "Press the split shut, tape it",
            list.Damage.Kind == DamageKind.Bent ? "Slowly, over a padded edge, no further than it goes by itself: bent back and forth it snaps." : "Round it with pliers padded with cloth, one turn of tape over the split.", 4,
            "Once: metal bent twice breaks.", draws: ["cut"]);
        list.Do("deburr", Stage.Prepare, "File burrs flush", "Fine file or P150: a burr keeps the sleeve from sliding and cuts the tent.", 2, "Feel it with a cotton swab: it finds burrs a finger does not.", cautions: ["metal-chips"]);
        list.Do("splint", Stage.Apply, "Slide the splint over the middle, tape both ends", $"{length:0} mm with its middle over the hurt. Two turns of tape over each end, half on the splint, half on the pole.", 3,
            "The part that slides into a ferrule stays clear.", Waits.Loadable(list.View, list.Main, null), draws: ["wrap", "forbidden"]);
        list.Prove("slide").Prove("flex");
        list.Section("wrap", MarkKind.Wrap, true, "splint", (-length / 2, 0), (length / 2, 0), (length / 2, -1), (-length / 2, -1))
            .Section("forbidden", MarkKind.Forbidden, false, "ferrule: nothing here", ((length / 2) + 8, -0.3), ((length / 2) + 40, -0.3));
        return list.End(list.View.Outline, list.View.Outline.Grown(4));
    }
}
