using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A cracked or bent pole under a splint sleeve: straightened no further than it goes, taped at both ends.</summary>
internal sealed class PoleSplint : MendMethod
{
    public override string Id => "pole-splint";

    public override string Name => "Splint it with a sleeve";

    public override string Why => "It is ready tonight, with nothing to wait for.";

    public override int Skill => 1;

    public override int Tidiness => 2;

    public override ProperRepair? Proper { get; } = new("Replace the pole section", 90);

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Split, DamageKind.Bent];

    public override bool Takes(Material material) => material.Role == Role.Splint;

    protected override Message? Unfit(CaseView view) => view.Location.Has("tube") ? null : "It is for tubes.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var tube = job.Tube();
        var reach = job.Constant("splint.reach", "Tube diameters past each end", Times(5), Source.CommonPractice, (1, 20));
        var length = job.Figure("splint.length", "Splint", () => Mm(job.Hurt.Length.Mm + (2 * reach.Times * tube.Mm)), "Damage and five diameters past each end", Source.CommonPractice, 1);
        var bent = job.Damage.Kind == DamageKind.Bent;
        job.Do("straighten", Stage.Prepare, bent ? "Ease it straight over the knee, once" : "Press the split shut, tape it",
            bent ? "Slowly, over a padded edge, no further than it goes by itself: bent back and forth it snaps." : "Round it with pliers padded with cloth, one turn of tape over the split.", 4,
            "Once: metal bent twice breaks.", draws: ["cut"]);
        var grit = job.Grit("deburr.grit", "Or deburr with", "P150");
        job.Do("deburr", Stage.Prepare, "File burrs flush", $"Fine file or {grit}: a burr keeps the sleeve from sliding and cuts the tent. Wipe the filings off with alcohol: tape does not hold on them.", 2, "Feel it with a cotton swab: it finds burrs a finger does not.", cautions: ["metal-chips"]);
        job.Takes(job.Main);
        job.Do("splint", Stage.Apply, "Slide the splint over the middle, tape both ends", $"{length} with its middle over the damage. Two turns of tape over each end, half on the splint, half on the pole.", 3,
            "The part that slides into a ferrule stays clear.", job.Loadable(job.Label, null), draws: ["wrap", "forbidden"]);
        job.Prove("slide").Prove("flex");
        job.Draw(sketch => sketch.Slab("wrap", MarkKind.Wrap, "splint", length.Mm / 2, 0, -1)
            .Section("forbidden", MarkKind.Forbidden, false, "ferrule: nothing here", ((length.Mm / 2) + 8, -0.3), ((length.Mm / 2) + 40, -0.3)));
        return job.End(job.Hurt, job.Around(4));
    }
}
