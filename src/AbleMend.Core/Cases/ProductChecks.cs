using AbleMend.Core.Catalogue;
using AbleMend.Core.Limits;
using AbleMend.Core.Materials;
using AbleMend.Core.Safety;

namespace AbleMend.Core.Cases;

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
            .Select(group => new Problem("twice", "products", $"'{group.Key}' is listed twice.", "Give each product an identifier of its own."));

    private static IEnumerable<Problem> Check(Material product, string at)
    {
        if (product.Id is not { Length: >= 1 and <= 60 } || product.Id.Any(letter => !char.IsAsciiLetterLower(letter) && !char.IsAsciiDigit(letter) && letter != '-'))
        {
            yield return new Problem("bad-id", $"{at}.id", "The identifier is made of small letters, digits and hyphens, at most 60.", "Write it like marine-epoxy-slow.");
        }


        if (product.Vapour is { } vapour && !RoomAir.Limits.ContainsKey(vapour.Solvent ?? ""))
        {
            yield return new Problem("unknown-id", $"{at}.vapour.solvent", $"'{vapour.Solvent ?? "":as-is}' is not a vapour with a known limit.", $"Use one of: {string.Join(", ", RoomAir.Limits.Keys):as-is}.");
        }

        foreach (var problem in LimitTable.Check(product, at))
        {
            yield return problem;
        }
    }
}
