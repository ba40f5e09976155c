using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A tear in neoprene: a bevelled patch, three thin coats of cement on both faces, urethane over the edge by the default school.</summary>
public sealed class NeoprenePatch : MendMethod
{
    /// <summary>Margin past the tear in millimetres. From memory.</summary>
    public const double MarginMm = 20;

    /// <summary>Width of the bevel in millimetres. From memory: thin all round.</summary>
    public const double BevelMm = 8;

    /// <summary>Film of urethane that still bends, in millimetres. From memory.</summary>
    public const double FilmMm = 0.4;

    public override string Id => "neoprene-patch";

    public override string Name => "Bevelled patch in neoprene cement";

    public override string Why => "It stretches with the suit, and a bevel has no edge to catch.";

    public override int Tidiness => 4;

    public override IReadOnlyList<string> Schools => ["neoprene-patch"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Tear, DamageKind.WornAway];

    public override bool Takes(Material material) => material is { Role: Role.Cement, Chemistry: "polychloroprene" };

    protected override string? Unfit(CaseView view) => OuterIs(view, "neoprene") ? null : "It is for neoprene.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        list.Find().Dry();
        var margin = list.Margin(MarginMm, "Past the tear, so that the bevel lies on sound neoprene");
        var patch = list.CutPatch(margin, $"Larger than the damage, round corners; then bevel the edge thin all round over {BevelMm:0} mm with scissors held flat.", 8);
        list.Figure("patch.bevel", "Bevel", BevelMm, "mm", "Edge thinned all round", Source.FromMemory("Width of the bevel"));
        list.TraceAndMask().Clean();
        list.Coats(patch.AreaCm2, "patch and suit, just past the line");
        list.Do("press", Stage.Apply, "Dry to no transfer: press from the middle, then the bevel", "Lay the middle, press outwards, then the bevel all round with a thumbnail, then a roller.", 4,
            "The bevel last and longest: it is what lifts.", Waits.Hold(list.View, list.Main, null), draws: ["patch", "patch-1", "glue"]);
        var sealedOver = list.View.School("neoprene-patch") == "cement-and-urethane";
        if (sealedOver)
        {
            Seal(list, patch.AreaCm2);
        }
        else
        {
            list.Do("rub", Stage.Finish, "Rub proud cement off", "Roll it off with a thumb, towards the patch.", 2, "Same coat pre-empts wear at the other knee.", Waits.Loadable(list.View, list.Main, "press"));
        }

        list.Prove("edge").Prove("inside-wet");
        list.DrawPatch("patch", patch.LengthMm / 2, 2, "bevelled patch").Section("glue", MarkKind.Glue, false, null, (-patch.LengthMm / 2, -0.05), (patch.LengthMm / 2, -0.05));
        if (sealedOver)
        {
            list.Section("seal", MarkKind.Glue, false, "urethane, scraped thin", (-(patch.LengthMm / 2) - 6, -0.3), (-patch.LengthMm / 2, -1.2), (patch.LengthMm / 2, -1.2), ((patch.LengthMm / 2) + 6, -0.3));
        }

        return list.End(list.View.Outline, list.View.Outline.Grown(margin + 6), [patch]);
    }

    private static void Seal(StepList list, double areaCm2)
    {
        var urethane = list.View.Catalogue.Materials["urethane-sealant"];
        list.Figure("seal.need", "Urethane", areaCm2 * 1.3 / 1e4 * FilmMm * 1000 * urethane.DensityGPerMl!.Value, "g", "Patch and a rim × film × density", Source.FromMemory("Film that still bends"),
            [new("Area", areaCm2, "cm²"), new("Film", FilmMm, "mm")], 1);
        list.Do("seal", Stage.Apply, "Urethane over patch and edge, scraped thin", "Scrape it with a card until the cloth shows through: it has to bend. Leave it flat.", 5,
            "Scraped thin: a thick skin cracks at the first bend. Cap the tube, into the freezer.", Waits.LoadableThrough(list.View, urethane, null, FilmMm), [.. urethane.Hazards], ["seal"]);
    }
}
