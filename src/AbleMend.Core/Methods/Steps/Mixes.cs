using AbleMend.Core.Materials;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods.Steps;

/// <summary>What is to be mixed.</summary>
/// <param name="Prefix">Prefix of its figures and identifier of its step, such as <c>glass</c>.</param>
/// <param name="Title">What the hand does.</param>
/// <param name="What">What it is for, in words, such as <c>to wet out the cloth</c>.</param>
/// <param name="NeedMl">Volume needed, filler included, as a worked figure.</param>
/// <param name="WorkMin">Minutes to put it on.</param>
/// <param name="Filler">Filler stirred in, or null.</param>
/// <param name="Wax">Whether this coat carries wax so that its surface cures in air.</param>
internal sealed record MixOrder(string Prefix, string Title, string What, Worked NeedMl, double WorkMin, Material? Filler, bool Wax);

/// <summary>Turns an order into a mixing step with its figures: need, batch, parts, pot life, split.</summary>
internal static class Mixes
{
    /// <summary>What stays in cup, on brush and card, in mL. From memory.</summary>
    public const double CupLossMl = 2;

    private const double MixingMin = 3;

    /// <summary>The mixing step.</summary>
    public static PlanStep Mix(MethodInputs inputs, MixOrder order)
    {
        var resin = inputs.Materials.Main;
        if (inputs.Sheet.TimingOnly)
        {
            return PlanStep.Timed(Stage.Mix, new StepTiming($"{order.Prefix}-mix", MixingMin, false, null));
        }

        var before = inputs.Sheet.Figures.Count;
        var need = inputs.Sheet.Put($"{order.Prefix}.need", order.Filler is null ? "Needed" : "Needed, filler and all", order.NeedMl, 1);
        var resinMl = order.Filler is { } filler ? WithFiller(inputs, order.Prefix, need, filler) : need;
        var (instruction, useWithin) = resin.Cure switch
        {
            CureKind.TwoPart => TwoPart(inputs, order, resinMl),
            CureKind.Catalysed => Catalysed(inputs, order, resinMl),
            _ => LightCured(inputs, order, resinMl),
        };
        return new PlanStep(
            $"{order.Prefix}-mix", Stage.Mix, order.Title, instruction,
            [.. inputs.Sheet.Figures.Skip(before).Select(figure => figure.Id)],
            [.. resin.Hazards, .. order.Filler?.Hazards ?? [], .. UsesPeroxide(inputs) && !resin.Hazards.Contains("peroxide") ? ["peroxide"] : Array.Empty<string>()],
            Forgotten(order, resin),
            new StepTiming($"{order.Prefix}-mix", MixingMin, false, null), useWithin, []);
    }

    private static bool UsesPeroxide(MethodInputs inputs) =>
        inputs.Materials.Main.Cure == CureKind.Light
        && inputs.Materials.Main.Catalyst is not null
        && inputs.View.School("uv-resin") == "light-and-catalyst";

    private static string? Forgotten(MixOrder order, Material resin) =>
        order.Filler is { } filler ? $"The {StepText.InSentence(filler.Name)}: plain resin runs and sinks, and breaks under a foot."
        : order.Wax && resin.AirInhibited ? "Wax first, then catalyst: without wax the surface stays sticky."
        : resin.Cure == CureKind.Light ? "Mix and spread in the shade: light reflected off sand or a wall sets it."
        : "Scrape the sides and the bottom of the cup.";

    private static double WithFiller(MethodInputs inputs, string prefix, double mixMl, Material filler)
    {
        var share = filler.FillerMassShare!.Value;
        var density = ResinMixture.DensityGPerMl(inputs.Materials.Main.DensityGPerMl!.Value, filler.DensityGPerMl!.Value, share);
        var fillerG = inputs.Sheet.Put($"{prefix}.filler", filler.Name, new Worked(mixMl * density * share, "g",
            new Derivation("Volume × density of the mix × share of filler", Source.FromMemory("Share and density of the filler: stir in until it stands as wanted"),
                [new("Mix", mixMl, "mL"), new("Density of the mix", density, "g/mL"), new("Share by mass", share * 100, "%")])), 1);
        return ((mixMl * density) - fillerG) / inputs.Materials.Main.DensityGPerMl.Value;
    }

    private static (string Instruction, double? UseWithin) TwoPart(MethodInputs inputs, MixOrder order, double resinMl)
    {
        var resin = inputs.Materials.Main;
        var device = inputs.View.Case.Tools.Measure;
        var sheet = inputs.Sheet;
        var least = BatchMaker.Least(resin, resinMl, device);
        var total = sheet.Put($"{order.Prefix}.batch", "Batch", new Worked(least.TotalMl, "mL", BatchReason(resin, resinMl, device, least)), least.TotalMl < 20 ? 1 : 0);
        var batch = total == least.TotalMl ? least : BatchMaker.OfVolume(resin, total, device);
        var ratio = resin.Ratio!;
        Derivation Part(string rule) => new(rule, Source.Arithmetic,
            [new("Batch", batch.TotalMl, "mL"), new("Parts of A", ratio.A, ""), new("Parts of B", ratio.B, "")]);
        sheet.Put($"{order.Prefix}.part-a", "Resin (A)", new Worked(batch.AMl, "mL", Part($"Share of A by {Kebab<RatioBasis>.Id(ratio.By)}, as volume")), 1);
        sheet.Put($"{order.Prefix}.part-b", "Hardener (B)", new Worked(batch.BMl, "mL", Part($"Share of B by {Kebab<RatioBasis>.Id(ratio.By)}, as volume")), 1);
        sheet.Put($"{order.Prefix}.part-a-g", "Resin (A) by weight", new Worked(batch.AG, "g", Part($"Volume × density of A, {resin.DensityAGPerMl:0.##} g/mL")), 1);
        sheet.Put($"{order.Prefix}.part-b-g", "Hardener (B) by weight", new Worked(batch.BG, "g", Part($"Volume × density of B, {resin.DensityBGPerMl:0.##} g/mL")), 1);
        sheet.Put($"{order.Prefix}.ratio-error", "Error of the ratio", new Worked(batch.RatioErrorPercent, "%",
            new Derivation("√((u/A)² + (u/B)²) with u = half-width/√3", BatchMaker.Source, [new("Tolerance of the resin", ratio.TolerancePercent, "%"), .. DeviceInputs(device)],
                "A larger batch or a finer scale.")), 1);
        var potLife = PotLife(inputs, order, batch.TotalG);
        var parts = device is ScaleDevice
            ? $"On the scale {StepText.G(batch.AG)} of resin and {StepText.G(batch.BG)} of hardener"
            : $"By the lines of the cup {StepText.Ml(batch.AMl)} of resin and {StepText.Ml(batch.BMl)} of hardener";
        return ($"{parts}, {order.What}. Stir a full minute, then spread it out of the cup: the pot clock runs from here.", potLife);
    }

    private static (string Instruction, double? UseWithin) Catalysed(MethodInputs inputs, MixOrder order, double resinMl)
    {
        var resin = inputs.Materials.Main;
        var dose = resin.Catalyst!;
        var total = inputs.Sheet.Put($"{order.Prefix}.batch", "Resin", new Worked(resinMl, "mL",
            new Derivation("What is needed; resin of this kind is dosed by drops, so there is no least batch for a cup", Source.Arithmetic, [new("Needed", resinMl, "mL")])), 1);
        var grams = total * resin.DensityGPerMl!.Value;
        var amount = Catalyst.For(dose, grams, inputs.View.Case.Bench.TemperatureC, resin.Label!.ReferenceC);
        inputs.Sheet.Put($"{order.Prefix}.resin-g", "Resin by weight", new Worked(grams, "g",
            new Derivation("Volume × density", Source.Arithmetic, [new("Resin", total, "mL"), new("Density", resin.DensityGPerMl.Value, "g/mL")])), 1);
        inputs.Sheet.Put($"{order.Prefix}.catalyst-percent", "Catalyst", CatalystReason(inputs, dose, amount), 2);
        inputs.Sheet.Put($"{order.Prefix}.catalyst-drops", "Catalyst in drops", new Worked(amount.Drops, "drops",
            new Derivation("Mass of catalyst ÷ mass of a drop", Source.Arithmetic, [new("Catalyst", amount.MassG, "g"), new("One drop", dose.DropMassG, "g")],
                "Weigh twenty drops of your own dropper.")));
        Fumes.Put(inputs, order.Prefix, resin, grams);
        var potLife = PotLife(inputs, order, grams);
        var wax = order.Wax && resin.AirInhibited ? "Stir in the wax first. " : "";
        return ($"{wax}{StepText.Ml(total)} of resin and {amount.Drops} drops of catalyst, {order.What}. Stir it into the corners of the cup for a full minute.", potLife);
    }

    private static (string Instruction, double? UseWithin) LightCured(MethodInputs inputs, MixOrder order, double resinMl)
    {
        var resin = inputs.Materials.Main;
        var total = inputs.Sheet.Put($"{order.Prefix}.batch", "Resin", new Worked(resinMl, "mL",
            new Derivation("What is needed: light-cured resin keeps in the dark, so there is no least batch", Source.Arithmetic, [new("Needed", resinMl, "mL")])), 1);
        var grams = inputs.Sheet.Put($"{order.Prefix}.resin-g", "Resin by weight", new Worked(total * resin.DensityGPerMl!.Value, "g",
            new Derivation("Volume × density", Source.Arithmetic, [new("Resin", total, "mL"), new("Density", resin.DensityGPerMl.Value, "g/mL")])), 1);
        Fumes.Put(inputs, order.Prefix, resin, grams);
        if (!UsesPeroxide(inputs))
        {
            return ($"In the shade: {StepText.Ml(total)} of resin, {order.What}.", null);
        }

        var amount = Catalyst.For(resin.Catalyst!, grams, inputs.View.Case.Bench.TemperatureC, resin.Label!.ReferenceC);
        inputs.Sheet.Put($"{order.Prefix}.catalyst-drops", "Catalyst in drops", new Worked(amount.Drops, "drops",
            new Derivation("Mass of catalyst ÷ mass of a drop", Source.Arithmetic, [new("Catalyst", amount.MassG, "g"), new("One drop", resin.Catalyst!.DropMassG, "g")])));
        return ($"In the shade: {StepText.Ml(total)} of resin, {order.What}, and {amount.Drops} drops of catalyst. It heats, so be quick.", CatalysedLightPotMin);
    }

    /// <summary>Minutes that light-cured resin stays spreadable once it is catalysed, in the shade at 20 °C. From memory.</summary>
    private const double CatalysedLightPotMin = 10;

    private static Worked CatalystReason(MethodInputs inputs, CatalystDose dose, CatalystAmount amount) =>
        new(amount.Percent, "%", new Derivation(
            "Label's dose, 0.5 points more for 8 °C colder and less for warmer, held inside the label's band", Source.CommonPractice,
            [
                new("At the label's temperature", dose.Percent, "%"), new("Bench", inputs.View.Case.Bench.TemperatureC, "°C"),
                new("Least", dose.MinPercent, "%"), new("Most", dose.MaxPercent, "%"),
            ],
            amount.Held ? "The band's limit holds it: warm or cool the bench instead." : null));

    private static double? PotLife(MethodInputs inputs, MixOrder order, double grams)
    {
        var cup = inputs.View.Catalogue.CupOf(inputs.Materials.Main)!;
        var air = inputs.View.Climate.TemperatureCAt(inputs.View.StartAt);
        var wanted = MixingMin + order.WorkMin;
        var largest = cup.TryFindLargestBatchG(grams, air, wanted);
        var batches = largest is { } grammes ? Math.Ceiling(grams / grammes) : 1;
        batches = inputs.Sheet.Put($"{order.Prefix}.batches", "Batches", new Worked(batches, "", new Derivation(
            largest is null
                ? "Even a small cup is too quick at this temperature: mix, pour out flat at once, and work in a tray"
                : "Split until each batch stays spreadable for as long as mixing and spreading take", Cup.Source,
            [new("Mass", grams, "g"), new("Time to mix and spread", wanted, "min"), new("Air", air, "°C"), new("Largest batch", largest ?? 0, "g")])));
        var each = cup.Simulate(grams / batches, air, CupShape.Cup);
        var life = inputs.Sheet.Put($"{order.Prefix}.pot-life", "Pot life of this batch", new Worked(each.PotLifeMin, "min", new Derivation(
            "Heat balance of the cup with autocatalytic cure, until gel", Cup.Source,
            [
                new("Mass in the cup", grams / batches, "g"), new("Air", air, "°C"),
                new("Label", inputs.Materials.Main.Label!.PotLifeMin!.Value, "min"), new("Label's mass", inputs.Materials.Main.Label.PotMassG!.Value, "g"),
            ],
            $"Poured out {Cup.TrayDepthMm:0} mm deep: {cup.Simulate(grams, air, CupShape.Tray).PotLifeMin:0} min.")));
        inputs.Sheet.Put($"{order.Prefix}.peak", "Hottest if left in the cup", new Worked(each.PeakC, "°C", new Derivation(
            "The same heat balance, past gel to its peak", Cup.Source,
            [new("Mass in the cup", grams / batches, "g"), new("Cup and resin stand", inputs.Materials.Main.Heat!.SafePeakC, "°C")],
            each.PeakC > inputs.Materials.Main.Heat.SafePeakC ? "Too hot to leave standing: pour it out flat into a tray at once." : null)));
        return life;
    }

    private static Derivation BatchReason(Material resin, double neededMl, MeasuringDevice device, Batch least)
    {
        var rule = device is CupDevice
            ? "The least batch that covers the resin needed, with both parts on a line of the cup and the ratio inside its tolerance"
            : "The least batch that covers the resin needed, with the ratio inside its tolerance on this scale";
        var larger = least.TotalMl > neededMl * 1.5
            ? $"{least.TotalMl:0.#} mL are mixed where {neededMl:0.#} would do, because less cannot be measured well enough. A finer scale would change that."
            : null;
        return new Derivation(rule, BatchMaker.Source,
            [new("Resin needed, without filler", neededMl, "mL"), new("Tolerance of the ratio", resin.Ratio!.TolerancePercent, "%"), .. DeviceInputs(device)], larger);
    }

    private static Input[] DeviceInputs(MeasuringDevice device) =>
        device switch
        {
            CupDevice cup => [new("Lines every", cup.LineEveryMl, "mL"), new("Pour to a line is off by up to", cup.LineErrorMl, "mL")],
            ScaleDevice scale => [new("Scale step", scale.StepG, "g")],
            _ => [],
        };
}
