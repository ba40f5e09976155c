using AbleMend.Core.Catalogue;
using AbleMend.Core.Materials;

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

        foreach (var (value, low, high, field, unit) in Numbers(product))
        {
            if (value is { } some && !(double.IsFinite(some) && some >= low && some <= high))
            {
                var range = $"{low:0.###} to {high:0.###} {unit}".TrimEnd();
                yield return new Problem("out-of-range", $"{at}.{field}", $"{some:0.###} {unit} is outside {range}.", $"Give a number from {range}.");
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
