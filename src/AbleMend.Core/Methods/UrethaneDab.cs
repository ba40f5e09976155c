using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>Pinholes, worn places and seams of waders and suits sealed with a film of urethane, rubbed in and scraped thin.</summary>
internal sealed class UrethaneDab : MendMethod
{
    public override string Id => "urethane-dab";

    public override string Name => "Seal it with urethane";

    public override string Why => "A film that stretches, on the inside where nothing wears it.";

    public override int Skill => 1;

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Pinholes, DamageKind.WornAway, DamageKind.SeamOpen];

    public override bool Takes(Material material) => material is { Role: Role.Sealant };

    protected override Message? Unfit(CaseView view) => view.Construction.Family == GearFamily.WadersAndSuits ? null : "It is for waders and suits.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.Find().Dry();
        var spots = job.Figure("find.count", "Spots", Count(Math.Max(1, job.Damage.Finds?.Count ?? 1)), "Spots found so far, at least this one", Source.Arithmetic, between: (1, 400));
        job.Do("ring", Stage.Prepare, "Ring every spot with a pencil", "On the inside, a finger's width round it.", 3, "Ring them all before the tube is open.", draws: ["key"]);
        job.Clean();
        var margin = job.Constant("dab.margin", "Past the spot", Mm(6), Source.FromMemory("Margin past a spot"));
        var ring = job.Hurt.Grown("ring", "Ring", margin);
        var film = job.Constant("dab.film", "Film of urethane", Mm(0.5), Source.FromMemory("Film of urethane"));
        job.Takes(job.Main, job.Figure("dab.need", "Urethane", () => Grams(ring.Area.Cm2 * spots.N * film.Mm / 10 * job.Label.Density.GPerMl), "Area of all rings × film × density", Source.Arithmetic, 2));
        job.Do("dab", Stage.Apply, "Dab, rub in, scrape thin", "A dab on each ring, rubbed in with a gloved finger, scraped thin past the line, hung so that nothing touches it.", 3 + (2 * spots.N),
            "Cap the tube and squeeze the air out; store it frozen.", job.LoadableThrough(job.Label, null, film), [.. job.Main.Hazards], ["dab"]);
        job.Prove(OuterIs(job.View, "neoprene") ? "blow" : "alcohol").Prove("flex");
        job.Draw(sketch => sketch.Section("dab", MarkKind.Glue, true, "urethane inside", (-job.HalfMm() - margin.Mm, job.Skin.Mm), (job.HalfMm() + margin.Mm, job.Skin.Mm),
            (job.HalfMm(), job.Skin.Mm + 0.3), (-job.HalfMm(), job.Skin.Mm + 0.3)));
        return job.End(job.Hurt, ring);
    }
}
