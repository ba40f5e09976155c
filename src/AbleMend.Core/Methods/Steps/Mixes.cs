using AbleMend.Core.Figures;
using AbleMend.Core.Materials;
using AbleMend.Core.Mixing;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>What is to be mixed.</summary>
/// <param name="Prefix">Prefix of its figures and identifier of its step, such as <c>glass</c>.</param>
/// <param name="Title">What the hand does.</param>
/// <param name="What">What it is for, in words, such as <c>to wet out the cloth</c>.</param>
/// <param name="Need">Volume needed, filler included.</param>
/// <param name="Work">Time to put it on.</param>
/// <param name="Filler">Filler stirred in, or null.</param>
/// <param name="Wax">Whether this coat carries wax so that its surface cures in air.</param>
/// <param name="Shows">Figures of earlier steps that are needed as well.</param>
internal sealed record MixOrder(string Prefix, Message Title, Message What, Figure<Volume> Need, Figure<WallTime> Work, Material? Filler, bool Wax, IReadOnlyList<IFigure>? Shows = null);

/// <summary>What a mix is poured from, as figures.</summary>
/// <param name="Parts">What goes in, in that order.</param>
/// <param name="Lead">The one or two that the hand reads from two metres.</param>
/// <param name="Cups">How many cups it is split into; null for one.</param>
internal sealed record Poured(IReadOnlyList<IFigure> Parts, IReadOnlyList<IFigure> Lead, IFigure? Cups = null)
{
    /// <value>As a plan keeps it.</value>
    public Pour Told => new([.. Parts.Select(figure => figure.Id)], [.. Lead.Select(figure => figure.Id)], Cups?.Id);
}

/// <summary>How a mix is made: in words, for how long it may be used, and what it is poured from.</summary>
internal sealed record Recipe(Message How, Figure<WallTime>? UseWithin, Poured Pour);

/// <summary>Turns an order into a mixing step with its figures: need, batch, parts, pot life, split.</summary>
internal static class Mixes
{
    private const double MixingMin = 3;

    /// <summary>What stays in cup, on brush and card.</summary>
    public static Figure<Volume> CupLoss(this Job job) => job.Constant("mix.cup-loss", "Stays in the cup", Ml(2), Source.FromMemory("What stays in cup, on brush and card"));

    /// <summary>Time to put a mix on.</summary>
    public static Figure<WallTime> SpreadingTime(this Job job, string prefix, double minutes) =>
        job.Constant($"{prefix}.work", "Time to spread it", WallMin(minutes), Source.FromMemory("Time to spread it"));

    /// <summary>Time to lay and wet cloth: some minutes, and more with the area.</summary>
    /// <param name="job">The job.</param>
    /// <param name="prefix">Prefix of its figure.</param>
    /// <param name="least">Minutes for the smallest.</param>
    /// <param name="area">Area of all cloth.</param>
    public static Figure<WallTime> LayingTime(this Job job, string prefix, double least, Figure<Area> area) =>
        job.Figures.Work($"{prefix}.work", "Time to lay it", () => WallMin(least + (area.Cm2 * 0.012)), "A few minutes, and one more for every patch the size of a hand", Source.FromMemory("Time to lay and wet cloth"));

    /// <summary>Share of fibre in a hand lay-up.</summary>
    public static Figure<Share> FibreShare(this Job job) =>
        job.Constant("glass.fibre", "Fibre share w", Percent(Laminate.HandLayUpFibreShare * 100), Source.FromMemory("Fibre share of a hand lay-up squeezed out with a card"), (20, 80));

    /// <summary>The volume that is needed, filler and all, as a figure.</summary>
    public static Figure<Volume> Need(this Job job, string prefix, bool filled, Func<Volume> work, Message rule, Source source) =>
        job.Figure($"{prefix}.need", filled ? "Needed, filler and all" : "Needed", work, rule, source, 1);

    /// <summary>Resin that wets some cloth out by hand.</summary>
    /// <param name="job">The job.</param>
    /// <param name="prefix">Begin of the identifiers.</param>
    /// <param name="area">All cloth.</param>
    public static Figure<Volume> WettingOut(this Job job, string prefix, Figure<Area> area)
    {
        var (cloth, fibre, loss) = (job.LabelOf(job.Materials.Cloth), job.FibreShare(), job.CupLoss());
        return job.Need(prefix, false, () => Ml((Laminate.ResinG(area.Cm2, cloth.ArealWeight.GPerM2, fibre.Percent / 100) / job.Label.Density.GPerMl) + loss.Ml),
            "Area × areal weight × (1 − w)/w ÷ density + what stays in the cup", Source.Arithmetic);
    }

    /// <summary>The mixing step.</summary>
    public static Job Mix(this Job job, MixOrder order)
    {
        var resin = job.Main;
        if (!job.WantsWords)
        {
            // No time hangs on how much is mixed.
            return job.Do($"{order.Prefix}-mix", Stage.Mix, Message.Empty, Message.Empty, MixingMin);
        }

        var (resinMl, solid) = order.Filler is { } filler ? WithFiller(job, order, filler) : (job.Derive(() => order.Need.Ml), null);
        var recipe = resin.Cure switch
        {
            CureKind.TwoPart => TwoPart(job, order, resinMl),
            CureKind.Catalysed => Catalysed(job, order, resinMl),
            _ => LightCured(job, order, resinMl),
        };
        return job.Do($"{order.Prefix}-mix", Stage.Mix, order.Title, recipe.How, MixingMin, Forgotten(order, resin), useWithin: recipe.UseWithin, shows: order.Shows,
            pour: solid is null ? recipe.Pour : recipe.Pour with { Parts = [.. recipe.Pour.Parts, solid] },
            cautions: [.. resin.Hazards, .. order.Filler?.Hazards ?? [], .. UsesPeroxide(job) && !resin.Hazards.Contains("peroxide") ? ["peroxide"] : Array.Empty<string>()]);
    }

    private static bool UsesPeroxide(Job job) =>
        job.Main.Cure == CureKind.Light && job.Main.Catalyst is not null && job.View.School("uv-resin") == "light-and-catalyst";

    private static Message Forgotten(MixOrder order, Material resin) =>
        order.Filler is { } filler ? (Message)$"The {filler.Name:inside}: plain resin runs and sinks, and sets brittle."
        : order.Wax && resin.AirInhibited ? "Wax first, then catalyst: without wax the surface stays sticky."
        : resin.Cure == CureKind.Light ? "Mix and spread in the shade: light reflected off sand or a wall sets it."
        : "Scrape the sides and the bottom of the cup.";

    private static (Derived<double> ResinMl, IFigure? Filler) WithFiller(Job job, MixOrder order, Material filler)
    {
        var (resin, solid) = (job.Label, job.LabelOf(filler));
        var density = job.Figures.Work($"{order.Prefix}.mix-density", "Density of the mix", () =>
            GPerMl(ResinMixture.DensityGPerMl(resin.Density.GPerMl, solid.Density.GPerMl, solid.FillerShare.Percent / 100)),
            "Volumes of resin and filler add up", Source.Arithmetic, 2);
        var grams = job.Figure($"{order.Prefix}.filler", $"{filler.Name}", () => Grams(order.Need.Ml * density.GPerMl * solid.FillerShare.Percent / 100),
            "Volume × density of the mix × share of filler", Source.FromMemory("Share and density of the filler: stir in until it stands as wanted"), 1);
        return (job.Derive(() => Math.Max(((order.Need.Ml * density.GPerMl) - grams.G) / resin.Density.GPerMl, 0.1)), grams);
    }

    private static Recipe TwoPart(Job job, MixOrder order, Derived<double> resinMl)
    {
        var (resin, label, device, prefix) = (job.Main, job.Label, job.View.Case.Tools.Measure, order.Prefix);
        var measure = new Measuring(job, device);
        var least = job.Derive(() =>
        {
            measure.Read();
            _ = label.RatioTolerance.Value;
            return BatchMaker.Least(resin, resinMl.Value, device);
        });
        var total = job.Figure($"{prefix}.batch", "Batch", () => Ml(least.Value.TotalMl), measure.LeastRule, BatchMaker.Source, 1,
            () => least.Value.TotalMl > resinMl.Value * 1.5
                ? (Message)$"{Ml(least.Value.TotalMl)} are mixed where {Ml(resinMl.Value)} would do, because less cannot be measured well enough. A finer scale would change that."
                : null);
        var batch = job.Derive(() =>
        {
            _ = (label.PartsA.Value, label.PartsB.Value);
            return total.Ml == least.Value.TotalMl ? least.Value : BatchMaker.OfVolume(resin, total.Ml, device);
        });
        Message share = resin.Ratio!.By == RatioBasis.Volume ? "Its share of the batch by volume" : "Its share of the batch by weight, as volume";
        var a = job.Figure($"{prefix}.part-a", "Resin (A)", () => Ml(batch.Value.AMl), share, Source.Arithmetic, 1);
        var b = job.Figure($"{prefix}.part-b", "Hardener (B)", () => Ml(batch.Value.BMl), share, Source.Arithmetic, 1);
        var aGrams = job.Figure($"{prefix}.part-a-g", "Resin (A) by weight", () => Grams(a.Ml * label.DensityA.GPerMl), "Volume × density", Source.Arithmetic, 1);
        var bGrams = job.Figure($"{prefix}.part-b-g", "Hardener (B) by weight", () => Grams(b.Ml * label.DensityB.GPerMl), "Volume × density", Source.Arithmetic, 1);
        job.Figure($"{prefix}.ratio-error", "Error of the ratio", () => Percent(measure.RatioErrorPercent(a, b, aGrams, bGrams)),
            "√((u/A)² + (u/B)²) with u = half-width/√3", BatchMaker.Source, 1, () => "A larger batch or a finer scale.");
        var grams = job.Derive(() => aGrams.G + bGrams.G);
        var (life, cups, heat) = PotLife(job, order, grams);
        Message parts = device is ScaleDevice
            ? (Message)$"On the scale {aGrams} of resin and {bGrams} of hardener"
            : $"By the lines of the cup {a} of resin and {b} of hardener";
        return new Recipe($"{parts}, {order.What}. Stir a full minute, then spread it out of the cup: the pot clock runs from here.{heat}", life,
            new Poured([a, aGrams, b, bGrams], device is ScaleDevice ? [aGrams, bGrams] : [a, b], cups));
    }

    private static Recipe Catalysed(Job job, MixOrder order, Derived<double> resinMl)
    {
        var (resin, label, prefix) = (job.Main, job.Label, order.Prefix);
        var total = job.Figure($"{prefix}.batch", "Resin", () => Ml(resinMl.Value), "What is needed; resin of this kind is dosed by drops, so there is no least batch for a cup", Source.Arithmetic, 1);
        var grams = Weight(job, prefix, total);
        var percent = job.Figure($"{prefix}.catalyst-percent", "Catalyst", () =>
            {
                _ = (label.Catalyst.Value, label.CatalystLeast.Value, label.CatalystMost.Value, label.Reference.Value);
                return Percent(Catalyst.For(resin.Catalyst!, 100, job.Bench.C, label.Reference.C).Percent);
            },
            $"Label's dose, {Percent(0.5):0.0} of the resin more for {Apart(8)} colder and less for warmer, held inside the label's band", Source.CommonPractice, 2,
            () => Catalyst.For(resin.Catalyst!, 100, job.Bench.C, label.Reference.C).Held ? "The band's limit holds it: warm or cool the bench instead." : null);
        var drops = Drops(job, prefix, grams, percent);
        Fumes.Put(job, prefix, resin, grams);
        var (life, cups, heat) = PotLife(job, order, job.Derive(() => grams.G));
        Message wax = order.Wax && resin.AirInhibited ? "Stir in the wax first. " : Message.Empty;
        return new Recipe($"{wax}{total} of resin and {drops} of catalyst, {order.What}. Stir it into the corners of the cup for a full minute.{heat}", life, new Poured([total, grams, drops], [total, drops], cups));
    }

    private static Recipe LightCured(Job job, MixOrder order, Derived<double> resinMl)
    {
        var (resin, label, prefix) = (job.Main, job.Label, order.Prefix);
        var total = job.Figure($"{prefix}.batch", "Resin", () => Ml(resinMl.Value), "What is needed: light-cured resin keeps in the dark, so there is no least batch", Source.Arithmetic, 1);
        var grams = Weight(job, prefix, total);
        Fumes.Put(job, prefix, resin, grams);
        if (!UsesPeroxide(job))
        {
            return new Recipe($"In the shade: {total} of resin, {order.What}.", null, new Poured([total, grams], [total]));
        }

        var percent = job.Figures.Work($"{prefix}.catalyst-percent", "Catalyst", () => Percent(Catalyst.For(resin.Catalyst!, 100, job.Bench.C, label.Reference.C).Percent),
            "Label's dose, more in the cold, held inside the label's band", Source.CommonPractice, 2);
        var drops = Drops(job, prefix, grams, percent);
        var life = job.Figure($"{prefix}.pot-life", "Time to spread", WallMin(CatalysedLightPotMin), "Catalysed and in the shade", Source.FromMemory("Spreading time of catalysed light-cured resin in the shade"));
        return new Recipe($"In the shade: {total} of resin, {order.What}, and {drops} of catalyst. It heats, so be quick.", life, new Poured([total, grams, drops], [total, drops]));
    }

    /// <summary>Minutes that light-cured resin stays spreadable once it is catalysed, in the shade at 20 °C. From memory.</summary>
    private const double CatalysedLightPotMin = 10;

    private static Figure<Mass> Weight(Job job, string prefix, Figure<Volume> total) =>
        job.Figure($"{prefix}.resin-g", "Resin by weight", () => Grams(total.Ml * job.Label.Density.GPerMl), "Volume × density", Source.Arithmetic, 1);

    private static Figure<Drops> Drops(Job job, string prefix, Figure<Mass> grams, Figure<Share> percent) =>
        job.Figure($"{prefix}.catalyst-drops", "Catalyst in drops", () => InDrops(Math.Max(1, Math.Round(grams.G * percent.Percent / 100 / job.Label.Drop.G))),
            "Mass of catalyst ÷ mass of a drop", Source.Arithmetic, wouldChange: () => "Weigh twenty drops of your own dropper.");

    private static (Figure<WallTime> Life, IFigure Cups, Message Heat) PotLife(Job job, MixOrder order, Derived<double> grams)
    {
        var (label, prefix) = (job.Label, order.Prefix);
        var cup = job.View.Catalogue.CupOf(job.Main)!;
        var mixing = job.Constant("mix.minutes", "Time to mix", WallMin(MixingMin), Source.FromMemory("Time to mix"));
        var air = job.Figures.Fact("bench.at-start", "Air when work begins", Celsius(job.View.Climate.TemperatureCAt(job.View.StartAt)));
        var largest = job.Derive(() => cup.TryFindLargestBatchG(grams.Value, air.C, mixing.WallMin + order.Work.WallMin));
        var batches = job.Figure($"{prefix}.batches", "Batches", () => Count(largest.Value is { } most ? Math.Ceiling(grams.Value / most) : 1),
            "Split until each batch stays spreadable for as long as mixing and spreading take", Cup.Source, between: (1, 50),
            wouldChange: () => largest.Value is null ? "Even a small cup is too quick at this temperature: mix, pour out flat at once, and work in a tray." : null);
        var each = job.Figures.Work($"{prefix}.cup", "Mass in the cup", () => Grams(grams.Value / batches.N), "Batch ÷ cups", Source.Arithmetic, 1);
        var run = job.Derive(() =>
        {
            _ = (label.PotLife.Value, label.PotMass.Value);
            return cup.Simulate(each.G, air.C, CupShape.Cup);
        });
        var tray = job.Constant("mix.tray-depth", "Depth in the tray", Mm(Cup.TrayDepthMm), Source.FromMemory("Depth in the tray"));
        var life = job.Figure($"{prefix}.pot-life", "Pot life of this batch", () => WallMin(run.Value.PotLifeMin), "Heat balance of the cup with autocatalytic cure, until gel", Cup.Source,
            wouldChange: () => $"Poured out {tray} deep: {WallMin(cup.Simulate(grams.Value, air.C, CupShape.Tray).PotLifeMin)}.");
        var peak = job.Figure($"{prefix}.peak", "Hottest if left in the cup", () => Celsius(Math.Round(run.Value.PeakC / 10) * 10), "The same heat balance, past gel to its peak, to ten degrees: it tells no more", Cup.Source,
            wouldChange: () => run.Value.PeakC > label.SafePeak.C ? (Message)$"Cup and resin stand {label.SafePeak}: too hot to leave standing, pour it out flat into a tray at once." : null);
        return (life, batches, job.WantsWords ? HeatOf(peak) : Message.Empty);
    }

    /// <summary>What a batch does that is left in its cup, where a hand should know it before it is mixed. Limits from memory: a cup too hot to hold, and one that smokes.</summary>
    private static Message HeatOf(Figure<Temperature> peak) =>
        peak.C >= 120 ? (Message)$" Left in the cup it may smoke, at about {peak}: have a tray ready, and pour it out flat at once."
        : peak.C >= 70 ? (Message)$" Left in the cup it gets too hot to hold, about {peak}."
        : Message.Empty;
}
