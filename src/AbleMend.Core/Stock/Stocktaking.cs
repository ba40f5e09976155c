using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Stock;

/// <summary>What comes off which lot.</summary>
/// <param name="Lot">What the lot goes by.</param>
/// <param name="Value">How much, in the lot's unit.</param>
public sealed record Draw(string Lot, double Value);

/// <summary>What the mends on the bench still take of a material, beside what is there.</summary>
/// <param name="Material">Identifier of the material.</param>
/// <param name="Value">How much they take, in <paramref name="Unit"/>.</param>
/// <param name="Unit">The unit that the shelf counts it in, or that it is measured in where the shelf does not count it.</param>
/// <param name="Left">What is left of it on the shelf and may be used; null where nobody counts it.</param>
/// <param name="Mends">Numbers of the mends that take it.</param>
public sealed record Need(string Material, double Value, StockUnit Unit, double? Left, IReadOnlyList<int> Mends)
{
    /// <value>How much is missing; null where nothing is, or nobody counts.</value>
    public double? Short => Left is { } left && left < Value ? Value - left : null;
}

/// <summary>A mend on the bench with what of it is still to be done.</summary>
/// <param name="Mend">Number of the mend.</param>
/// <param name="Plan">Its plan.</param>
/// <param name="Steps">The steps that are not done.</param>
public sealed record StillToDo(int Mend, RepairPlan Plan, IReadOnlyList<PlanStep> Steps);

/// <summary>The shelf beside what is taken off it: the first to expire goes first, and what is open before what is sealed.</summary>
public static class Stocktaking
{
    /// <summary>Which lots an amount comes off: from the first that still holds some on, and from the last of them where none does.</summary>
    /// <param name="amount">What is taken.</param>
    /// <param name="lots">The shelf.</param>
    /// <param name="left">What is left of each lot that is counted, by what it goes by.</param>
    /// <param name="material">The material.</param>
    /// <param name="today">Today: what is past its last day is left standing.</param>
    /// <returns>Nothing where no lot of it is counted in a unit that says anything of the amount.</returns>
    public static IReadOnlyList<Draw> DrawnFrom(Amount amount, IReadOnlyList<Lot> lots, IReadOnlyDictionary<string, double> left, Material material, DateOnly today)
    {
        var open = InOrder(lots, material, today).Where(lot => lot.Had is not null && amount.In(lot.Unit, material) is not null).ToList();
        var (draws, rest) = (new List<Draw>(), amount);
        foreach (var (lot, i) in open.Select((lot, i) => (lot, i)))
        {
            var wanted = rest.In(lot.Unit, material)!.Value;
            // What is taken comes from somewhere: where none should hold any more, the last is the one that was counted wrongly.
            var taken = i == open.Count - 1 ? wanted : Math.Min(wanted, Math.Max(0, left.GetValueOrDefault(lot.Name)));
            if (taken > 0)
            {
                draws.Add(new Draw(lot.Name, taken));
            }

            if (wanted - taken < 1e-9)
            {
                break;
            }

            rest = new Amount(amount.Material, wanted - taken, lot.Unit);
        }

        return draws;
    }

    /// <summary>What is still taken of each material, the missing first.</summary>
    /// <param name="bench">The mends on the bench.</param>
    /// <param name="lots">The shelf.</param>
    /// <param name="left">What is left of each lot that is counted.</param>
    /// <param name="materials">All materials.</param>
    /// <param name="today">Today.</param>
    public static IReadOnlyList<Need> Needs(
        IReadOnlyList<StillToDo> bench, IReadOnlyList<Lot> lots, IReadOnlyDictionary<string, double> left, IReadOnlyDictionary<string, Material> materials, DateOnly today) =>
    [
        .. bench.SelectMany(mend => mend.Steps.SelectMany(step => Amount.OffLots(mend.Plan, Amount.TakenBy(mend.Plan, step))).Select(amount => (mend.Mend, Amount: amount)))
            .Where(each => materials.ContainsKey(each.Amount.Material))
            .GroupBy(each => each.Amount.Material)
            .Select(taken => NeedOf(materials[taken.Key], [.. taken], lots, left, today))
            .OrderByDescending(need => need.Short is not null).ThenBy(need => need.Material, StringComparer.Ordinal),
    ];

    private static Need NeedOf(Material material, IReadOnlyList<(int Mend, Amount Amount)> taken, IReadOnlyList<Lot> lots, IReadOnlyDictionary<string, double> left, DateOnly today)
    {
        var there = InOrder(lots, material, today).Where(lot => lot.Had is not null).ToList();
        var unit = there.Count > 0 ? there[0].Unit : taken[0].Amount.Unit;
        // Tins of one material in units that say nothing of each other cannot be added.
        var counted = there.Where(lot => new Amount(material.Id, 1, lot.Unit).In(unit, material) is not null).ToList();
        return new Need(
            material.Id, taken.Sum(each => each.Amount.In(unit, material) ?? 0), unit,
            counted.Count == 0 || taken.Any(each => each.Amount.In(unit, material) is null) ? null : counted.Sum(lot => new Amount(material.Id, Math.Max(0, left.GetValueOrDefault(lot.Name)), lot.Unit).In(unit, material)!.Value),
            [.. taken.Select(each => each.Mend).Distinct().Order()]);
    }

    /// <summary>What the lot goes by that a material is taken from now: the first to expire; the material itself where nobody counts lots.</summary>
    /// <param name="material">The material.</param>
    /// <param name="lots">The shelf.</param>
    /// <param name="today">Today.</param>
    public static string InUse(Material material, IReadOnlyList<Lot> lots, DateOnly today) => InOrder(lots, material, today).FirstOrDefault()?.Name ?? material.Id;

    private static IEnumerable<Lot> InOrder(IReadOnlyList<Lot> lots, Material material, DateOnly today) =>
        lots.Where(lot => lot.IsThere && lot.Material == material.Id && (lot.InCase.LastDay(material) ?? DateOnly.MaxValue) >= today)
            .OrderBy(lot => lot.InCase.LastDay(material) ?? DateOnly.MaxValue).ThenBy(lot => lot.OpenedOn is null).ThenBy(lot => lot.Name, StringComparer.Ordinal);
}
