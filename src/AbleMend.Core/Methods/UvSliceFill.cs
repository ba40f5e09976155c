using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A slice in a soft skin, filled with light-cured resin of the epoxy-safe kind: lever up, scuff, spread in the shade, carry into the sun.</summary>
internal sealed class UvSliceFill : MendMethod
{
    public override string Id => "uv-slice-fill";

    public override string Name => "UV resin, spread and sunned";

    public override string Why => "Watertight and in the water minutes after it has hardened; it stands the heat of a car.";

    public override int Skill => 1;

    public override IReadOnlyList<string> Schools => ["soft-board", "fill-thickness"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.WaterInside, DamageKind.Slice, DamageKind.Hole];

    public override bool Takes(Material material) => material is { Cure: CureKind.Light };

    protected override Message? Unfit(CaseView view) =>
        view.Reach.Layers.Any(layer => layer.Substance.Families.Contains("soft-skin")) ? null : "It is for soft boards.";

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var margin = job.Figure("rim.margin", "Scuff past the slice", Mm(12), "How far the skin is scuffed and covered", Source.FromMemory("How far the skin is scuffed and covered"), 1);
        var rim = job.Hurt.Grown("rim", "Scuffed", margin);
        _ = job.Damage.Kind == DamageKind.WaterInside ? job.Find().DryByWeight() : job.Dry();
        job.Do("lever", Stage.Prepare, "Pick it clean, lever the skin back up",
            "Pick out sand and loose skin. Slide a blunt blade under what is pushed in and lever it up until the edges meet and no core shows.", 6,
            "No core showing: resin on the core is resin where the skin should be.", cautions: ["blades"], draws: ["cut"]);
        job.Scuff("P80", $"{margin} of the skin round it", 3).Clean();
        var film = job.Constant("rim.film", "Film over the scuffed skin", Mm(0.4), Source.FromMemory("Film over the scuffed skin"));
        Pour(job, rim, film);
        var needed = Spread(job);
        var (coarse, fine) = (job.Grit("sand.coarse", "Take it down with", "P80"), job.Grit("sand.fine", "Smooth it with", "P220"));
        job.Do("sand", Stage.Finish, "Sand the resin, coarse then fine, and only the resin",
            $"{coarse} to take it down, {fine} to smooth it. Stay off the skin round it: sanded skin stays scratched.", 6,
            "On the resin only: the skin scratches.", job.Loadable(job.Label, "sun") with { CountsFrom = "sun", OpensMin = needed.Value, Because = needed.Id }, ["resin-dust"], ["finish"]);
        job.Prove("edge").Prove("float");
        job.Draw(sketch => sketch.Section("fill", MarkKind.Fill, true, null, (-job.HalfMm(), 0), (0, job.Depth.Mm), (job.HalfMm(), 0))
            .Section("film", MarkKind.Glue, false, "resin over the scuffed rim", (-job.HalfMm() - margin.Mm, -film.Mm), (job.HalfMm() + margin.Mm, -film.Mm)));
        return job.End(job.Hurt, rim);
    }

    private static void Pour(Job job, Field rim, Figure<Length> film)
    {
        var slit = job.Figures.Work("fill.slit", "Slit", () => Ml(job.Hurt.Area.Cm2 * job.Depth.Mm / 20), "Half its area × depth", Source.Published("Solid geometry, textbook"), 1);
        var loss = job.CupLoss();
        var ml = job.Figure("fill.need", "Resin", () => Ml(slit.Ml + (rim.Area.Cm2 * film.Mm / 10) + loss.Ml), "Slit, a film over the scuffed rim, and what stays on the card", Source.Arithmetic, 1);
        job.Sharable.Add(new SharableMix("pour", job.Main.Id, null, false, ml, null, null));
        if (job.TakeFromShared("pour", ml))
        {
            return;
        }

        var all = job.ForAll("pour", ml);
        job.Takes(job.Main, all);
        job.Do("pour", Stage.Mix, "In the shade, squeeze out what is needed",
            $"{all} on a card{job.Whom("pour")}, in the shade and with your back to the light. Close the tube at once.", 1,
            "Light reflected off sand sets it in the shade; an old or half-exposed tube gels early: try a drop first.", cautions: [.. job.Main.Hazards],
            pour: new Poured([all], [all]));
    }

    private static Figure<CureTime> Spread(Job job)
    {
        var label = job.Label;
        var thin = job.View.School("fill-thickness") == "thin-passes";
        var layers = job.Figure("fill.layers", "Passes", () => Count(thin ? Math.Max(1, Math.Ceiling(job.Depth.Mm / label.LightLayer.Mm)) : 1),
            "Depth ÷ the most that light cures at once, rounded up; one thick pass by the other school", Source.CommonPractice, between: (1, 60));
        Message passes = layers.N > 1 ? (Message)$"in {layers} passes, each carried into the light until it is hard before the next, " : Message.Empty;
        job.Do("spread", Stage.Apply, "Spread it with a flat card, top up the deep one",
            $"Press it into the slice, draw it flat over the scuffed rim, {passes}top up where it sinks. In the shade while you spread.",
            4 * layers.N, "Top up the deep slice: it sinks while you do the others.", follows: true, draws: ["fill", "film"]);
        var bare = job.Constant("light.bare", "Bare, of the time under film", Times(0.5), Source.CommonPractice);
        var deeper = job.Figures.Work("light.deeper", "A pass thicker than a layer", () => Times(Deeper(job, job.Depth.Mm / layers.N)), "× e for each penetration depth that a pass is thicker than a layer", Curing.WorkingCurve.Source, 2);
        var time = job.LightTime(label, label.Sandable);
        var needed = job.Figures.Work("light.daylight", "Light that it takes", () => CureMin(time.CureMin * bare.Times * layers.N * deeper.Times),
            "Label's minutes under film × half for bare resin × this light × passes, more for thick ones", Curing.Daylight.Source);
        job.InTheLight("Look at it after", needed);
        job.Do("sun", Stage.Cure, "Carry it into the sun",
            "Face it to the sun. Touch the edge with a stick, not a finger.", 1, "Take the scrap on the card along: it is your witness.",
            job.Sandable(label, null).OfLayers(layers.N) with { OpensMin = needed.Value, Check = "Is the scrap on the card hard to the stick?", Because = needed.Id });
        return needed;
    }

    /// <summary>How many times the dose of one layer a pass of some thickness takes; never less than one, since the surface wants the label's time.</summary>
    private static double Deeper(Job job, double passMm)
    {
        var light = job.Main.Light!;
        var curve = Curing.WorkingCurve.ForLabel(light, job.Label.Sandable.CureMin);
        return Math.Max(1, curve.DoseMjPerCm2(passMm) / curve.DoseMjPerCm2(job.Label.LightLayer.Mm));
    }
}
