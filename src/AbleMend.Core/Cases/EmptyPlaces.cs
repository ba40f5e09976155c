using AbleMend.Core.Gear;
using AbleMend.Core.Materials;

namespace AbleMend.Core.Cases;

/// <summary>
/// Finds lists of a case that have nothing at one of their places. JSON may write <c>null</c> where the type of an
/// element forbids it, and reading does not look there, so it is asked for before anything else looks at the case.
/// </summary>
internal static class EmptyPlaces
{
    /// <summary>Every list with an empty place, by its field.</summary>
    public static IReadOnlyList<Problem> In(RepairCase repairCase) =>
    [
        .. Lists(repairCase).SelectMany(list => (list.Items ?? []).Select((item, i) => (item, i)).Where(each => each.item is null)
            .Select(each => new Problem("missing", $"{list.Field}[{each.i}]", "This entry of the list is empty.", "Fill it in, or remove the entry."))),
    ];

    private static IEnumerable<(string Field, IEnumerable<object?>? Items)> Lists(RepairCase repairCase)
    {
        yield return ("damages", repairCase.Damages);
        yield return ("tools.grits", repairCase.Tools.Grits);
        yield return ("tools.has", repairCase.Tools.Has);
        yield return ("shelf", repairCase.Shelf);
        yield return ("offcuts", repairCase.Offcuts);
        yield return ("products", repairCase.Products);
        yield return ("paces", repairCase.Paces);
        foreach (var list in repairCase.Damages.SelectMany((damage, i) => damage is null ? [] : Lists(damage, $"damages[{i}]")))
        {
            yield return list;
        }

        foreach (var (product, i) in (repairCase.Products ?? []).Select((product, i) => ((Material?)product, i)))
        {
            yield return ($"products[{i}].hazards", product?.Hazards);
            yield return ($"products[{i}].bondsTo", product?.BondsTo);
            yield return ($"products[{i}].suits", product?.Suits);
        }
    }

    private static IEnumerable<(string Field, IEnumerable<object?>? Items)> Lists(DamageToMend damage, string at)
    {
        yield return ($"{at}.overrides", damage.Overrides);
        yield return ($"{at}.choice.schools", damage.Choice?.Schools?.Values);
        yield return ($"{at}.seen.neighbours", damage.Seen.Neighbours);
        yield return ($"{at}.seen.finds", damage.Seen.Finds);
        yield return ($"{at}.seen.shape.points", (damage.Seen.Shape as TracedShape)?.Points);
        foreach (var (neighbour, i) in (damage.Seen.Neighbours ?? []).Select((neighbour, i) => (neighbour, i)))
        {
            yield return ($"{at}.seen.neighbours[{i}].shape.points", (neighbour?.Shape as TracedShape)?.Points);
        }
    }
}
