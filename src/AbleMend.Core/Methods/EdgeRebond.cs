using AbleMend.Core.Cases;
using AbleMend.Core.Clamping;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>An edge, sidewall, topsheet or skin that has pulled away, glued back with epoxy under clamps.</summary>
internal sealed class EdgeRebond : MendMethod
{
    public override string Id => "edge-rebond";

    public override string Name => "Glue it back under clamps";

    public override string Why => "An edge or sheet that is only pulled is as good as before once it is clean, keyed and pressed.";

    public override IReadOnlyList<string> Needs => ["clamps"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.EdgePulled, DamageKind.Parted];

    public override bool Takes(Material material) => material is { Chemistry: "epoxy", Cure: CureKind.TwoPart };

    protected override Message? Unfit(CaseView view) => view.Construction.Family == GearFamily.Skis ? null : "It is for skis and snowboards.";

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var gap = job.Figures.Fact("damage.gap", "Gap", Mm(job.Damage.GapMm ?? 1));
        job.Dry();
        job.Do("open", Stage.Prepare, "Open it a little, pick it clean", "Lift it with a thin blade, no further than it comes by itself. Pick out ice, rust and old glue, bevel off rust with a file.", 8,
            "Hot air first: nothing holds on a wet core.", cautions: ["blades"], draws: ["cut"]);
        job.Scuff("P80", "both faces inside the gap", 5).Clean();
        var loss = job.CupLoss();
        var need = job.Need("glue", false, () => Ml((job.Hurt.Area.Cm2 * gap.Mm / 20) + loss.Ml), "Area × half the gap (it is a wedge) + what stays in the cup", Source.Published("Solid geometry, textbook"));
        job.Mix(new MixOrder("glue", "Mix the epoxy", "to fill the gap", need, job.SpreadingTime("glue", 8), null, false));
        var spacing = job.Constant("clamp.spacing", "Widest spacing", Mm(50), Source.FromMemory("Widest spacing of clamps along an edge"));
        var clamps = job.Figure("clamp.count", "Clamps", () => Count(Clamps.Count(job.Hurt.Length.Mm, spacing.Mm)), "Length ÷ widest spacing, at least two", Source.CommonPractice, between: (1, 200));
        job.Do("glue", Stage.Apply, "Work it in, film, caul, clamps", $"Wet both faces, work it to the end of the gap, wipe. Release film, a straight caul, {clamps} clamps from the middle outwards, until a bead shows all along.", 8,
            "Look along the edge with the clamps on: it stays where it is set.", job.Hold(job.Label, "glue-mix"), [.. job.Main.Hazards], ["glue", "caul"], follows: true);
        job.Do("clean-up", Stage.Finish, "Clamps off, scrape the bead, tune the edge", "Scrape flush, file the edge true with the base.", 8,
            job.View.Construction.Pair ? "Tune the mate's edge to match." : "File towards the tip, never across the base.", job.Loadable(job.Label, "glue-mix"), ["blades"], ["finish"]);
        job.Prove("tap").Prove("fingernail");
        job.Draw(sketch => sketch
            .Section("glue", MarkKind.Glue, true, null, (-job.HalfMm(), job.Depth.Mm - 0.2), (job.HalfMm(), job.Depth.Mm - 0.2), (job.HalfMm(), job.Depth.Mm))
            .Slab("caul", MarkKind.Clamp, "caul", job.HalfMm(), -0.5, -2.5));
        return job.End(job.Hurt, job.Around(6));
    }
}
