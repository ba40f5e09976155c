using AbleMend.Core.Catalogue;
using AbleMend.Core.Materials;
using AbleMend.Core.Safety;

namespace AbleMend.Core.Plans;

/// <summary>Checks a shop's own products field by field, before the catalogue looks at how they hang together.</summary>
public static class ProductChecks
{
    /// <summary>Most products of its own that a shop may have.</summary>
    public const int Most = 300;

    /// <summary>Everything wrong with the products, each with its field and the remedy.</summary>
    public static IReadOnlyList<Problem> Check(IReadOnlyList<Material> products, MendCatalogue catalogue)
    {
        if (products.Count > Most)
        {
            return [new Problem("too-many", "products", $"More than {Most} products.", "Take out those that are no longer used.")];
        }

        return [.. products.SelectMany((product, i) => Check(product, $"products[{i}]")), .. Twice(products)];
    }

    private static IEnumerable<Problem> Twice(IReadOnlyList<Material> products) =>
        products.GroupBy(product => product.Id).Where(group => group.Count() > 1)
            .Select(group => new Problem("twice", "products", $"'{group.Key}' is there twice.", "Give each product an identifier of its own."));

    private static IEnumerable<Problem> Check(Material product, string at)
    {
        if (product.Id is not { Length: >= 1 and <= 60 } || product.Id.Any(letter => !char.IsAsciiLetterLower(letter) && !char.IsAsciiDigit(letter) && letter != '-'))
        {
            yield return new Problem("bad-id", $"{at}.id", "The identifier is made of small letters, digits and hyphens, at most 60.", "Write it like marine-epoxy-slow.");
        }

        if (product.Name is not { Length: >= 1 and <= 120 })
        {
            yield return new Problem("bad-name", $"{at}.name", "The name is empty or longer than 120 characters.", "Write what the label says.");
        }

        if (product.Vapour is { } vapour && !RoomAir.Limits.ContainsKey(vapour.Solvent ?? ""))
        {
            yield return new Problem("unknown-id", $"{at}.vapour.solvent", $"'{vapour.Solvent ?? "":as-is}' is not a vapour with a known limit.", $"Use one of: {string.Join(", ", RoomAir.Limits.Keys):as-is}.");
        }

        foreach (var (value, low, high, field, unit) in Numbers(product))
        {
            if (OutOfRange.Of(value, low, high, $"{at}.{field}", unit) is { } problem)
            {
                yield return problem;
            }
        }
    }

    private static IEnumerable<(double? Value, double Low, double High, string Field, string Unit)> Numbers(Material product)
    {
        const double Minutes = 200_000;
        yield return (product.Skill, 1, 3, "skill", "");
        yield return (product.Cost, 1, 5, "cost", "");
        yield return (product.DensityGPerMl, 0.05, 5, "densityGPerMl", "g/mL");
        yield return (product.DensityAGPerMl, 0.3, 5, "densityAGPerMl", "g/mL");
        yield return (product.DensityBGPerMl, 0.3, 5, "densityBGPerMl", "g/mL");
        yield return (product.Ratio?.A, 0.1, 1000, "ratio.a", "");
        yield return (product.Ratio?.B, 0.1, 1000, "ratio.b", "");
        yield return (product.Ratio?.TolerancePercent, 0.1, 50, "ratio.tolerancePercent", "%");
        yield return (product.Coats, 1, 10, "coats", "");
        yield return (product.SpreadGPerM2, 1, 5000, "spreadGPerM2", "g/m²");
        yield return (product.LapShearMpa, 0.01, 100, "lapShearMpa", "MPa");
        yield return (product.ActivationKjPerMol, 0, 200, "activationKjPerMol", "kJ/mol");
        yield return (product.LabelFilmMm, 0.01, 20, "labelFilmMm", "mm");
        yield return (product.Catalyst?.Percent, 0.01, 20, "catalyst.percent", "%");
        yield return (product.Catalyst?.MinPercent, 0.01, 20, "catalyst.minPercent", "%");
        yield return (product.Catalyst?.MaxPercent, 0.01, 20, "catalyst.maxPercent", "%");
        yield return (product.Catalyst?.DropMassG, 0.001, 1, "catalyst.dropMassG", "g");
        yield return (product.Catalyst?.DensityGPerMl, 0.3, 5, "catalyst.densityGPerMl", "g/mL");
        yield return (product.Heat?.EnthalpyJPerG, 1, 2000, "heat.enthalpyJPerG", "J/g");
        yield return (product.Heat?.HeatCapacityJPerGK, 0.1, 10, "heat.heatCapacityJPerGK", "J/(g·K)");
        yield return (product.Heat?.GelConversion, 0.01, 0.99, "heat.gelConversion", "");
        yield return (product.Heat?.SafePeakC, 20, 400, "heat.safePeakC", "°C");
        yield return (product.Light?.LayerMm, 0.1, 50, "light.layerMm", "mm");
        yield return (product.Light?.PenetrationMm, 0.1, 20, "light.penetrationMm", "mm");
        yield return (product.ArealWeightGPerM2, 5, 5000, "arealWeightGPerM2", "g/m²");
        yield return (product.PlyMm, 0.01, 20, "plyMm", "mm");
        yield return (product.FillerMassShare, 0.01, 0.95, "fillerMassShare", "");
        yield return (product.FlashMin, 0.1, 600, "flashMin", "min");
        yield return (product.ServiceMaxC, 0, 400, "serviceMaxC", "°C");
        yield return (product.Kit?.AMl, 0.1, 100_000, "kit.aMl", "mL");
        yield return (product.Kit?.BMl, 0.01, 100_000, "kit.bMl", "mL");
        yield return (product.Vapour?.MassShare, 0.001, 1, "vapour.massShare", "");
        yield return (product.ShelfLife?.SealedMonths, 0.1, 600, "shelfLife.sealedMonths", "months");
        yield return (product.ShelfLife?.OpenedMonths, 0.1, 600, "shelfLife.openedMonths", "months");
        if (product.Label is not { } label)
        {
            yield break;
        }

        yield return (label.ReferenceC, -10, 60, "label.referenceC", "°C");
        yield return (label.PotLifeMin, 0.1, Minutes, "label.potLifeMin", "min");
        yield return (label.PotMassG, 0.1, 10_000, "label.potMassG", "g");
        yield return (label.RecoatOpensMin, 0.1, Minutes, "label.recoatOpensMin", "min");
        yield return (label.RecoatClosesMin, 0.1, Minutes, "label.recoatClosesMin", "min");
        yield return (label.SandableMin, 0.1, Minutes, "label.sandableMin", "min");
        yield return (label.LoadableMin, 0.1, Minutes, "label.loadableMin", "min");
        yield return (label.FullMin, 0.1, Minutes, "label.fullMin", "min");
        yield return (label.TackOpensMin, 0.1, Minutes, "label.tackOpensMin", "min");
        yield return (label.TackClosesMin, 0.1, Minutes, "label.tackClosesMin", "min");
        yield return (label.HandleableMin, 0.1, Minutes, "label.handleableMin", "min");
        yield return (label.MinimumC, -30, 60, "label.minimumC", "°C");
        yield return (label.MaximumC, -30, 90, "label.maximumC", "°C");
        yield return (label.MaximumHumidityPercent, 1, 100, "label.maximumHumidityPercent", "%");
    }
}
