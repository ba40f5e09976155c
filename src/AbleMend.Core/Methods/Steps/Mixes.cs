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
/// <param name="Warning">What it does that is left in its cup, or null.</param>
/// <param name="Cup">The same as it is weighed in, part by part.</param>
internal sealed record Poured(IReadOnlyList<IFigure> Parts, IReadOnlyList<IFigure> Lead, IFigure? Cups = null, Message? Warning = null, CupContents? Cup = null)
{
    /// <value>As a plan keeps it.</value>
    public Pour Told => new([.. Parts.Select(figure => figure.Id)], [.. Lead.Select(figure => figure.Id)], Cups?.Id, Warning?.Told(), PerCup: true, Cup);
}

/// <summary>How a mix is made: in words, for how long it may be used, and what it is poured from.</summary>
internal sealed record Recipe(Message How, Figure<WallTime>? UseWithin, Poured Pour);

/// <summary>Turns an order into a mixing step with its figures: need, batch, parts, pot life, split.</summary>
internal static class Mixes
{
    /// <summary>Minutes to mix a cup. From memory.</summary>
    public const double MixingMin = 3;

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

        if (job.TakeFromShared($"{order.Prefix}-mix", order.Need))
        {
            job.Sharable.Add(new SharableMix($"{order.Prefix}-mix", resin.Id, order.Filler?.Id, order.Wax, order.Need, order.Work, null));
            return job;
        }

        var recipe = Recipes.Of(job, job.ForAll(order));
        job.Sharable.Add(new SharableMix($"{order.Prefix}-mix", resin.Id, order.Filler?.Id, order.Wax, order.Need, order.Work, recipe.Pour.Cups as Figure<Count>));
        Message cups = recipe.Pour.Cups is Figure<Count> { N: > 1 } several ? (Message)$" In {several} cups, one after another: mix the next when this one is spread." : Message.Empty;
        Message heat = recipe.Pour.Warning is { } warning ? (Message)$" {warning}" : Message.Empty;
        return job.Do($"{order.Prefix}-mix", Stage.Mix, order.Title, $"{recipe.How}{cups}{heat}", MixingMin, Forgotten(order, resin), useWithin: recipe.UseWithin, shows: order.Shows, pour: recipe.Pour,
            cautions: [.. resin.Hazards, .. order.Filler?.Hazards ?? [], .. Recipes.UsesPeroxide(job) && !resin.Hazards.Contains("peroxide") ? ["peroxide"] : Array.Empty<string>()]);
    }

    private static Message Forgotten(MixOrder order, Material resin) =>
        order.Filler is { } filler ? (Message)$"The {filler.Name:inside}: plain resin runs and sinks, and sets brittle."
        : order.Wax && resin.AirInhibited ? "Wax first, then catalyst: without wax the surface stays sticky."
        : resin.Cure == CureKind.Light ? "Mix and spread in the shade: light reflected off sand or a wall sets it."
        : "Scrape the sides and the bottom of the cup.";
}
