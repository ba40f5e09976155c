using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A worn heel built up: a dam of tape, the shoe level, urethane poured a millimetre or two proud, because it is softer than rubber.</summary>
internal sealed class HeelPour : MendMethod
{
    public override string Id => "heel-pour";

    public override string Name => "Dam and pour the heel";

    public override string Why => "Gives the worn corner back without a cobbler.";

    public override int Skill => 1;

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.WornAway];

    public override bool Takes(Material material) => material is { Chemistry: "urethane", Role: Role.Sealant };

    protected override Message? Unfit(CaseView view) => OuterIs(view, "outsole") ? null : "It is for soles.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var missing = job.Figures.Fact("damage.missing", "Worn or broken away", Mm(job.Damage.MissingMm ?? job.Damage.DepthMm));
        job.Dry().Scuff("P60", "the worn face", 4).Clean();
        job.Do("dam", Stage.Shape, "Tape dam round it, level the shoe", "Two layers of tape round the edge, pressed on below, standing above the finished height. Sole up, wedge it until a drop of water stands still.", 6,
            "Level it: the pour finds the level, not the sole.", draws: ["dam"]);
        var proud = job.Figure("pour.proud", "Stands proud", Mm(1.5), $"{Mm(1)} or {Mm(2)} proud, being softer than rubber", Source.CommonPractice, 1);
        var depth = job.Figure("pour.depth", "Deepest", () => Mm(missing.Mm + proud.Mm), "What is gone and the proud part", Source.Arithmetic, 1);
        job.Takes(job.Main, job.Figure("pour.need", "Urethane", () => Ml(job.Hurt.Area.Cm2 * ((missing.Mm / 2) + proud.Mm) / 10), "Area × (half of what is gone, a wedge, and the proud part)", Source.Published("Solid geometry, textbook"), 1));
        var wait = job.LoadableThrough(job.Label, null, depth);
        var through = (Figure<CureTime>)job.Figures.Find(wait.Because!)!;
        job.Figure("pour.cure", "Cured through in", () => Hours(through.CureMin / 60), "The cure through its depth, in hours", Source.Arithmetic);
        job.Do("pour", Stage.Apply, "Pour it in one go, pop the bubbles", "Close to the face, from one side. Pop bubbles with a needle: they show in clear.", 4, "Store the opened tube frozen.", wait, [.. job.Main.Hazards], ["pour"]);
        var grit = job.Grit("cut-back.grit", "Sand it with", "P60");
        job.Do("cut-back", Stage.Finish, "Dam off, cut it back", $"Sharp blade, then {grit}, {proud} proud.", 5, "Do its mate too: a mismatched pair is worse than a worn one.", cautions: ["blades"], draws: ["finish"]);
        job.Prove("edge").Prove("walk");
        job.Draw(sketch => sketch
            .Section("pour", MarkKind.Fill, true, "pour", (-job.HalfMm(), -proud.Mm), (job.HalfMm(), -proud.Mm), (job.HalfMm(), missing.Mm), (-job.HalfMm(), 0))
            .Section("dam", MarkKind.Tape, false, "tape dam", (job.HalfMm(), job.Depth.Mm), (job.HalfMm(), -proud.Mm - 2))
            .Section("dam", MarkKind.Tape, false, null, (-job.HalfMm(), job.Depth.Mm), (-job.HalfMm(), -proud.Mm - 2)));
        return job.End(job.Hurt, job.Around(3));
    }
}
