using AbleMend.Core.Cases;
using AbleMend.Core.Curing;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A sole, heel or midsole parting: pulled off as far as it is weak, scuffed, glued with urethane, bound and clamped for a day.</summary>
internal sealed class SoleBond : MendMethod
{
    public override string Id => "sole-bond";

    public override string Name => "Glue and bind the sole";

    public override string Why => "Urethane fills the gap and bends with the step.";

    public override int Skill => 1;

    public override IReadOnlyList<string> Needs => ["rubber-bands"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.SoleParted, DamageKind.Parted];

    public override bool Takes(Material material) => material is { Chemistry: "urethane", Role: Role.Sealant };

    protected override Message? Unfit(CaseView view) => view.Construction.Family == GearFamily.Footwear ? null : "It is for footwear.";

    /// <summary>The faces that part: the outermost layer and the one under it.</summary>
    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => [.. view.Reach.Layers.Take(2)];

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.Dry();
        job.Do("pull", Stage.Prepare, "Pull the weak part off", "As far as it comes by hand, so that both faces can be scuffed. A midsole that crumbles in the hand: stop, retire it.", 4,
            "Pull all of the weak part: half-loose glue lets go next week.", draws: ["cut"]);
        job.Scuff("P60", "both faces, brushed first", 5).Clean();
        var film = job.Constant("glue.film", "Film of glue", Mm(0.8), Source.FromMemory("Film of glue"));
        var grams = job.Figure("glue.need", "Adhesive", () => Grams(job.Hurt.Area.Cm2 * film.Mm / 10 * job.Label.Density.GPerMl), "Area × film × density", Source.Arithmetic, 1);
        var mist = Mist(job);
        job.Takes(job.Main, grams);
        job.Do("glue", Stage.Apply, "Urethane on all contact, seat it, bind it", $"About {grams} on all contact of one face. {mist}Seat it, rubber bands or a clamp, with sticks to spread the force. Wipe what comes out.", 6,
            "Sticks under the bands: bands alone press a furrow.", job.LoadableThrough(job.Label, null, film), [.. job.Main.Hazards], ["glue", "bands"]);
        job.Do("unbind", Stage.Finish, "Bands off, trim", "Trim proud urethane with a sharp blade.", 3, "Look at its mate: glue of the same age lets go at the same time.", cautions: ["blades"]);
        job.Prove("edge").Prove("walk");
        job.Draw(sketch => sketch.Slab("glue", MarkKind.Glue, "urethane", job.HalfMm(), job.Skin.Mm - 0.3, job.Skin.Mm + 0.3).Slab("bands", MarkKind.Clamp, "sticks and bands", job.HalfMm() * 0.7, -1, -3));
        return job.End(job.Hurt, job.Around(3));
    }

    /// <summary>
    /// Moisture sets it, and rubber lets none through: what lies further from the nearest open edge than a film is thick would take
    /// weeks, so one face is misted.
    /// </summary>
    private static Message Mist(Job job)
    {
        if (!job.WantsWords)
        {
            return Message.Empty;
        }

        var edge = job.Figures.Work("glue.edge", "From the nearest open edge", () => Mm(Math.Max(0.1, Math.Min(job.Hurt.Length.Mm, job.Hurt.Width.Mm) / 2)), "Half the narrow side of the bond", Source.Arithmetic, 1);
        job.Figure("glue.unmisted", "Without the mist it takes", () => Hours(Math.Ceiling(job.Label.Loadable.CureMin * MoistureCure.Factor(edge.Mm, job.Label.Film.Mm, job.Bench.C, job.Humidity.Percent) / 60)),
            "Label's time × (way from the open edge ÷ label's film)² × humidity of the label's air ÷ this air", MoistureCure.Source, wouldChange: () => "A mist of water on one face: then every part of it has its water beside it.");
        return "Mist the other face with clean water, so fine that no drop runs: no air reaches the middle of a sole. ";
    }
}
