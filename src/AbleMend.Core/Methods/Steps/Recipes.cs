using AbleMend.Core.Figures;
using AbleMend.Core.Materials;
using AbleMend.Core.Mixing;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>
/// What goes into one cup: resin for a share of the need, no less than can be measured, and then hardener, catalyst, filler and
/// wax for what is really mixed and not for what is needed.
/// </summary>
internal static class Recipes
{
    /// <summary>Minutes that light-cured resin stays spreadable once it is catalysed, in the shade at 20 °C. From memory.</summary>
    private const double CatalysedLightPotMin = 10;

    /// <summary>The recipe of an order.</summary>
    public static Recipe Of(Job job, MixOrder order) =>
        job.Main.Cure switch
        {
            CureKind.TwoPart => TwoPart(job, order),
            CureKind.Catalysed => Catalysed(job, order),
            _ => LightCured(job, order),
        };

    /// <summary>Whether a light-cured resin is given catalyst as well.</summary>
    public static bool UsesPeroxide(Job job) =>
        job.Main.Cure == CureKind.Light && job.Main.Catalyst is not null && job.View.School("uv-resin") == "light-and-catalyst";

    /// <summary>One drop of catalyst: of the shop's own dropper where its drops were weighed, else of the usual one.</summary>
    public static Figure<Mass> Drop(this Job job)
    {
        if (job.View.Case.Tools.Dropper is not { } own)
        {
            return job.Label.Drop;
        }

        var (counted, weighed) = (job.Figures.Fact("dropper.drops", "Drops that were counted", InDrops(own.Drops)), job.Figures.Fact("dropper.grams", "They weighed", Grams(own.Grams)));
        return job.Figures.Find("dropper.drop") as Figure<Mass> ?? job.Figures.Work("dropper.drop", "One drop of your dropper", () => Grams(weighed.G / counted.N), "What was weighed ÷ drops that were counted", Source.Arithmetic, 3);
    }

    /// <summary>Drops of catalyst for some grams, with what they come to.</summary>
    /// <param name="job">The job.</param>
    /// <param name="prefix">Prefix of their figures.</param>
    /// <param name="grams">Resin in the cup.</param>
    /// <param name="percent">What is wanted.</param>
    public static Figure<Drops> CatalystDrops(this Job job, string prefix, Figure<Mass> grams, Figure<Share> percent)
    {
        var (drop, own) = (job.Drop(), job.View.Case.Tools.Dropper);
        var drops = job.Figure($"{prefix}.catalyst-drops", "Catalyst in drops", () => InDrops(Math.Max(1, Math.Round(grams.G * percent.Percent / 100 / drop.G))),
            "Mass of catalyst ÷ mass of a drop", Source.Arithmetic, wouldChange: () => own is null ? "Count twenty drops of your own dropper onto a scale, under Shop." : "Another dropper.");
        job.Figure($"{prefix}.catalyst-true", "That is", () => Percent(drops.N * drop.G / grams.G * 100), "Drops × mass of a drop ÷ resin", Source.Arithmetic, 2);
        job.Figure($"{prefix}.catalyst-error", "The dose is off by at most", () => Percent(Catalyst.BandPercent(drops.N, own)),
            own is null ? "Nineteen times out of twenty: 1.96 × spread of a drop ÷ √drops" : "Nineteen times out of twenty: spread of a drop ÷ √drops, and how well your drop is known, added as squares",
            Source.FromMemory(own is null ? "A drop varies by a fifth" : "A drop of one dropper varies by a tenth"), 0, () => "More drops, or the catalyst on a fine scale.");
        return drops;
    }

    /// <summary>Resin that whole drops of catalyst go with: what is needed, up to the next drop, and no less than the fewest drops that hold the dose.</summary>
    /// <param name="job">The job.</param>
    /// <param name="neededG">Resin needed in grams.</param>
    /// <param name="percent">Catalyst in percent.</param>
    public static double WholeDropsG(this Job job, double neededG, double percent)
    {
        var drop = job.Drop().G;
        var drops = Math.Max(Catalyst.FewestDrops(job.Main.Catalyst!, percent, job.View.Case.Tools.Dropper), Math.Ceiling((neededG * percent / 100 / drop) - 1e-9));
        return drops * drop * 100 / percent;
    }

    /// <summary>Wax that lets a surface cure in air, by the resin that is mixed; null where this coat takes none.</summary>
    public static Figure<Mass>? Wax(this Job job, string prefix, Figure<Mass> grams, bool wanted)
    {
        if (!wanted)
        {
            return null;
        }

        var share = job.Constant("wax.share", "Wax solution, of the resin", Percent(3), Source.FromMemory("Wax in styrene, 2 to 5 % of the resin"), (0.5, 10));
        return job.Figure($"{prefix}.wax", "Wax solution", () => Grams(grams.G * share.Percent / 100), "Share of the resin that is mixed", Source.Arithmetic, 1);
    }

    private static Derived<double> ResinMl(Job job, MixOrder order)
    {
        if (order.Filler is not { } filler)
        {
            return job.Derive(() => order.Need.Ml);
        }

        var (resin, solid) = (job.Label, job.LabelOf(filler));
        var density = job.Figures.Work($"{order.Prefix}.mix-density", "Density of the mix", () =>
            GPerMl(ResinMixture.DensityGPerMl(resin.Density.GPerMl, solid.Density.GPerMl, solid.FillerShare.Percent / 100)),
            "Volumes of resin and filler add up", Source.Arithmetic, 2);
        return job.Derive(() => Math.Max(order.Need.Ml * density.GPerMl * (1 - (solid.FillerShare.Percent / 100)) / resin.Density.GPerMl, 0.1));
    }

    /// <summary>Filler for the resin that is mixed, so that it stands as it should however much was measured.</summary>
    private static IReadOnlyList<IFigure> Filler(Job job, MixOrder order, Derived<double> resinG, IFigure? cups = null)
    {
        if (order.Filler is not { } filler)
        {
            return [];
        }

        var share = job.LabelOf(filler).FillerShare;
        var grams = job.Figure($"{order.Prefix}.filler", $"{filler.Name}", () => Grams(resinG.Value * share.Percent / (100 - share.Percent)),
            "Resin that is mixed × share ÷ (1 − share)", Source.FromMemory("Share and density of the filler: stir in until it stands as wanted"), 1);
        job.Takes(filler, grams, cups);
        return [grams];
    }

    private static Recipe TwoPart(Job job, MixOrder order)
    {
        var (resin, label, device, prefix) = (job.Main, job.Label, job.View.Case.Tools.Measure, order.Prefix);
        var (resinMl, measure) = (ResinMl(job, order), new Measuring(job, device));
        OneCup Measured(double ml)
        {
            measure.Read();
            _ = label.RatioTolerance.Value;
            return BatchMaker.Least(resin, ml, device) is var least ? new OneCup(least.TotalMl, least.TotalG) : default;
        }

        var heat = new CupHeat(job, order, resinMl, Measured);
        var each = job.Figure($"{prefix}.batch", heat.Each, () => Ml(heat.EachMl), measure.LeastRule, BatchMaker.Source, 1, () => Spared(job, heat, resinMl));
        if (job.Warnings.All(warning => warning.Code != "coarse-measure") && Spared(job, heat, resinMl) is { } spared)
        {
            job.Warnings.Add(new Warning("coarse-measure", spared, $"{prefix}-mix"));
        }

        var batch = job.Derive(() =>
        {
            _ = (label.PartsA.Value, label.PartsB.Value);
            return each.Ml == heat.EachMl ? BatchMaker.Least(resin, resinMl.Value / heat.Cups.N, device) : BatchMaker.OfVolume(resin, each.Ml, device);
        });
        Message share = resin.Ratio!.By == RatioBasis.Volume ? "Its share of the batch by volume" : "Its share of the batch by weight, as volume";
        var a = job.Figure($"{prefix}.part-a", "Resin (A)", () => Ml(batch.Value.AMl), share, Source.Arithmetic, 1);
        var b = job.Figure($"{prefix}.part-b", "Hardener (B)", () => Ml(batch.Value.BMl), share, Source.Arithmetic, 1);
        var aGrams = job.Figure($"{prefix}.part-a-g", "Resin (A) by weight", () => Grams(a.Ml * label.DensityA.GPerMl), "Volume × density", Source.Arithmetic, 1);
        var bGrams = job.Figure($"{prefix}.part-b-g", "Hardener (B) by weight", () => Grams(b.Ml * label.DensityB.GPerMl), "Volume × density", Source.Arithmetic, 1);
        job.Figure($"{prefix}.ratio-error", "The ratio is off by at most", () => Percent(measure.RatioBandPercent(a, b, aGrams, bGrams)),
            measure.BandRule, BatchMaker.Source, 1, () => "A larger batch or a finer scale.");
        var grams = job.Derive(() => aGrams.G + bGrams.G);
        var filler = Filler(job, order, grams, heat.Cups);
        job.Takes(resin, each, heat.Cups);
        var life = heat.Life(grams);
        var tolerance = label.RatioTolerance.Percent;
        var (parts, lead) = measure.Parts(prefix, a, b, aGrams, bGrams);
        return new Recipe($"{parts}, {order.What}. Stir a full minute, then spread it out of the cup: the pot clock runs from here.", life,
            new Poured([.. lead.Except<IFigure>([a, b, aGrams, bGrams]), a, aGrams, b, bGrams, .. filler], lead, heat.Cups, heat.Warning, heat.Contents(
                device is PumpDevice pump ? Math.Round(a.Ml / pump.StrokeMl) : null, [new Ingredient(MixPart.Resin, Read(a).Id, aGrams.Id), new Ingredient(MixPart.Hardener, Read(b).Id, bGrams.Id, null, tolerance, tolerance), .. Stirred(filler)])));

        // Strokes are counted and weights are weighed: what the hand reads is what leads.
        IFigure Read(IFigure volume) => lead.Count == 1 ? lead[0] : volume;
    }

    private static IEnumerable<Ingredient> Stirred(IEnumerable<IFigure> filler) => filler.Select(grams => new Ingredient(MixPart.Filler, grams.Id, grams.Id));

    /// <summary>Wax, where there is any.</summary>
    public static IEnumerable<Ingredient> Waxed(IFigure? wax) => wax is null ? [] : [new Ingredient(MixPart.Wax, wax.Id, wax.Id)];

    /// <summary>Catalyst in drops, between the least and the most that its label allows.</summary>
    public static Ingredient Dosed(this Job job, Figure<Drops> drops, Figure<Share> percent) =>
        new(MixPart.Catalyst, drops.Id, null, job.Drop().Id, 100 * (1 - Math.Min(1, job.Label.CatalystLeast.Percent / percent.Percent)), 100 * (Math.Max(1, job.Label.CatalystMost.Percent / percent.Percent) - 1));

    /// <summary>What a finer measure would spare, where much more is mixed than is needed only because less cannot be measured.</summary>
    private static Message? Spared(Job job, CupHeat heat, Derived<double> resinMl)
    {
        var mixed = heat.EachMl * heat.Cups.N;
        var finer = BatchMaker.Least(job.Main, resinMl.Value, Measuring.Fine);
        return mixed > resinMl.Value * 1.5 && finer.TotalMl < mixed * 0.8 && mixed - finer.TotalMl > 15
            ? (Message)$"{Ml(mixed)} are mixed where {Ml(resinMl.Value)} would do, because less cannot be measured well enough. A scale of {Grams(Measuring.Fine.StepG)} steps would mix {Ml(finer.TotalMl)}, its ratio off by at most {Percent(finer.RatioBandPercent)}."
            : null;
    }

    private static Recipe Catalysed(Job job, MixOrder order)
    {
        var (resin, label, prefix) = (job.Main, job.Label, order.Prefix);
        var resinMl = ResinMl(job, order);
        var percent = job.Figure($"{prefix}.catalyst-percent", "Catalyst", () => Wanted(job),
            $"Label's dose, {Percent(0.5):0.0} of the resin more for {Apart(8)} colder and less for warmer, held inside the label's band", Source.CommonPractice, 2,
            () => Catalyst.For(resin.Catalyst!, 100, job.Bench.C, label.Reference.C).Held ? "The band's limit holds it: warm or cool the bench instead." : null);
        OneCup Measured(double ml) => job.WholeDropsG(ml * label.Density.GPerMl, percent.Percent) is var g ? new OneCup(g / label.Density.GPerMl, g) : default;
        var heat = new CupHeat(job, order, resinMl, Measured);
        var each = job.Figure($"{prefix}.batch", heat.Each, () => Ml(heat.EachMl), "What is needed, up to the next whole drop of catalyst, and no less than the drops that hold the dose", Source.Arithmetic, 1);
        var grams = Weight(job, prefix, each);
        var drops = job.CatalystDrops(prefix, grams, percent);
        var wax = job.Wax(prefix, grams, order.Wax && resin.AirInhibited);
        Fumes.Put(job, prefix, resin, grams, heat.Cups);
        var filler = Filler(job, order, job.Derive(() => grams.G), heat.Cups);
        job.Takes(resin, each, heat.Cups);
        var life = heat.Life(job.Derive(() => grams.G));
        Message first = wax is null ? Message.Empty : $"Stir in {wax} of wax first. ";
        return new Recipe($"{first}{each} of resin and {drops} of catalyst, {order.What}. Stir it into the corners of the cup for a full minute.", life,
            new Poured([each, grams, .. wax is null ? Array.Empty<IFigure>() : [wax], drops, .. filler], [each, drops], heat.Cups, heat.Warning,
                heat.Contents(drops.N, [new Ingredient(MixPart.Resin, each.Id, grams.Id), .. Waxed(wax), job.Dosed(drops, percent), .. Stirred(filler)])));
    }

    private static Share Wanted(Job job)
    {
        var (resin, label) = (job.Main, job.Label);
        _ = (label.Catalyst.Value, label.CatalystLeast.Value, label.CatalystMost.Value, label.Reference.Value);
        return Percent(Catalyst.For(resin.Catalyst!, 100, job.Bench.C, label.Reference.C).Percent);
    }

    private static Recipe LightCured(Job job, MixOrder order)
    {
        var (resin, prefix, resinMl) = (job.Main, order.Prefix, ResinMl(job, order));
        if (!UsesPeroxide(job))
        {
            var total = job.Figure($"{prefix}.batch", "Resin", () => Ml(resinMl.Value), "What is needed: light-cured resin keeps in the dark, so there is no least batch", Source.Arithmetic, 1);
            var all = Weight(job, prefix, total);
            Fumes.Put(job, prefix, resin, all);
            job.Takes(resin, total);
            var filler = Filler(job, order, job.Derive(() => all.G));
            return new Recipe($"In the shade: {total} of resin, {order.What}.", null, new Poured([total, all, .. filler], [total], Cup: new CupContents([new Ingredient(MixPart.Resin, total.Id, all.Id), .. Stirred(filler)])));
        }

        return LightAndCatalyst(job, order, resinMl);
    }

    private static Recipe LightAndCatalyst(Job job, MixOrder order, Derived<double> resinMl)
    {
        var prefix = order.Prefix;
        var percent = job.Figures.Work($"{prefix}.catalyst-percent", "Catalyst", () => Wanted(job), "Label's dose, more in the cold, held inside the label's band", Source.CommonPractice, 2);
        var life = job.Figure($"{prefix}.pot-life", "Time to spread", WallMin(CatalysedLightPotMin), "Catalysed and in the shade", Source.FromMemory("Spreading time of catalysed light-cured resin in the shade"));
        var holds = CupHeat.HoldsOf(job);
        OneCup Measured(double ml) => job.WholeDropsG(ml * job.Label.Density.GPerMl, percent.Percent) is var g ? new OneCup(g / job.Label.Density.GPerMl, g) : default;
        // Its time is the label's and its heat is not known: light takes over before it gets hot.
        var split = job.Derive(() => Cups.Of(resinMl.Value, Measured, _ => new CupResult(life.WallMin, double.NegativeInfinity, true, life.WallMin),
            new CupLimits(CupHeat.RoomMl(holds, resinMl.Value, order), Mixes.MixingMin, order.Work.WallMin, double.PositiveInfinity)));
        var cups = job.Figure($"{prefix}.batches", "Cups", () => Count(split.Value.Count), "Split until each cup holds its share and stays spreadable while it is mixed and spread; no finer than whole drops", Source.Arithmetic, between: (1, 50));
        var each = job.Figure($"{prefix}.batch", cups.N > 1 ? "Resin for each cup" : "Resin", () => Ml(Measured(resinMl.Value / cups.N).Ml),
            "What is needed, up to the next whole drop of catalyst, and no less than the drops that hold the dose", Source.Arithmetic, 1);
        var grams = Weight(job, prefix, each);
        Fumes.Put(job, prefix, job.Main, grams, cups);
        job.Takes(job.Main, each, cups);
        var drops = job.CatalystDrops(prefix, grams, percent);
        var filler = Filler(job, order, job.Derive(() => grams.G), cups);
        var warning = each.Ml > holds.Ml ? CupHeat.LargerThan(holds) : split.Value.TooQuick ? CupHeat.SetsTooFast : null;
        return new Recipe($"In the shade: {each} of resin, {order.What}, and {drops} of catalyst. It heats, so be quick.", life,
            new Poured([each, grams, drops, .. filler], [each, drops], cups, warning, new CupContents([new Ingredient(MixPart.Resin, each.Id, grams.Id), job.Dosed(drops, percent), .. Stirred(filler)], holds.Id, order.Work.Id, null, CupHeat.NeededShare(resinMl.Value, each.Ml * cups.N), (int)drops.N)));
    }

    private static Figure<Mass> Weight(Job job, string prefix, Figure<Volume> total) =>
        job.Figure($"{prefix}.resin-g", "Resin by weight", () => Grams(total.Ml * job.Label.Density.GPerMl), "Volume × density", Source.Arithmetic, 1);
}
