using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A tear in neoprene: a bevelled patch, three thin coats of cement on both faces, urethane over the edge by the default school.</summary>
internal sealed class NeoprenePatch : MendMethod
{
    public override string Id => "neoprene-patch";

    public override string Name => "Bevelled patch in neoprene cement";

    public override string Why => "It stretches with the suit, and a bevel has no edge to catch.";

    public override int Tidiness => 4;

    public override IReadOnlyList<string> Schools => ["neoprene-patch"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Tear, DamageKind.WornAway];

    public override bool Takes(Material material) => material is { Role: Role.Cement, Chemistry: "polychloroprene" };

    protected override Message? Unfit(CaseView view) => OuterIs(view, "neoprene") ? null : "It is for neoprene.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.Find().Dry();
        var margin = job.Margin(job.LeastMargin(20, Source.FromMemory("Margin past a tear in neoprene")), "Past the tear, so that the bevel lies on sound neoprene");
        var bevel = job.Figure("patch.bevel", "Bevel", Mm(8), "Edge thinned all round", Source.FromMemory("Width of the bevel"), 1);
        var patch = job.CutPatch(margin, $"Larger than the damage, round corners; then bevel the edge thin all round over {bevel} with scissors held flat.", 8);
        job.TraceAndMask().Clean();
        job.Coats(patch.Field.Area, "patch and suit, just past the line");
        job.Do("press", Stage.Apply, "Dry to no transfer: press from the middle, then the bevel", "Pull the tape. Lay the middle, press outwards, then the bevel all round with a thumbnail, then a roller.", 4,
            "The bevel last and longest: it is what lifts.", job.Hold(job.Label, null), draws: ["patch", "patch-1", "glue"]);
        var sealedOver = job.View.School("neoprene-patch") == "cement-and-urethane";
        if (sealedOver)
        {
            Seal(job, patch);
        }
        else
        {
            job.Do("rub", Stage.Finish, "Rub proud cement off", "Roll it off with a thumb, towards the patch.", 2, "Same coat pre-empts wear at the other knee.", job.Loadable(job.Label, "press"));
        }

        job.Prove("edge").Prove("blow");
        job.Draw(sketch => sketch.Patch("patch", patch.HalfMm, 2, "bevelled patch").Section("glue", MarkKind.Glue, false, null, (-patch.HalfMm, -0.05), (patch.HalfMm, -0.05)));
        return job.End(job.Hurt, patch.Field.Grown("key", "Work area", job.Constant("key.beyond", "Work area beyond the patch", Mm(6), Source.FromMemory("How far cement and urethane reach past the patch"))), patch.Layers);
    }

    private static void Seal(Job job, PlannedPatch patch)
    {
        var urethane = job.View.Catalogue.Materials["urethane-sealant"];
        var label = job.LabelOf(urethane);
        var film = job.Constant("seal.film", "Film of urethane", Mm(0.4), Source.FromMemory("Film that still bends"));
        var rim = job.Constant("seal.rim", "Rim round the patch", Percent(30), Source.FromMemory("Rim that the urethane covers, of the patch"), (0, 200));
        job.Takes(urethane, job.Figure("seal.need", "Urethane", () => Grams(patch.Field.Area.Cm2 * (1 + (rim.Percent / 100)) / 10 * film.Mm * label.Density.GPerMl), "Patch and a rim × film × density", Source.Arithmetic, 1));
        job.Do("seal", Stage.Apply, "Urethane over patch and edge, scraped thin", "Scrape it with a card until the cloth shows through: it has to bend. Leave it flat.", 5,
            "Scraped thin: a thick skin cracks at the first bend. Cap the tube, into the freezer.", job.LoadableThrough(label, null, film), [.. urethane.Hazards], ["seal"]);
        job.Draw(sketch => sketch.Section("seal", MarkKind.Glue, false, "urethane, scraped thin", (-patch.HalfMm - 6, -0.3), (-patch.HalfMm, -1.2), (patch.HalfMm, -1.2), (patch.HalfMm + 6, -0.3)));
    }
}
