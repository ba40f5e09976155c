using AbleMend.Core.Materials;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Stock;

namespace AbleMend.Core.Worth;

/// <summary>What of a material a mend takes, and what that costs.</summary>
/// <param name="Material">Identifier of the material.</param>
/// <param name="Value">How much, in <paramref name="Unit"/>: what is really mixed and cut, and not what is needed.</param>
/// <param name="Unit">What it is counted in.</param>
/// <param name="Cost">Money for it; null where no lot of it has a price.</param>
public sealed record MaterialCost(string Material, double Value, StockUnit Unit, double? Cost);

/// <summary>What a mend costs, line by line.</summary>
/// <param name="HandsOnMin">Minutes of hands.</param>
/// <param name="Labour">Money for them.</param>
/// <param name="Materials">Materials, each with its money.</param>
/// <param name="Consumables">Money for what is used up beside.</param>
/// <param name="Raised">What is added so that it comes to the least that a mend costs; 0 where it does.</param>
/// <param name="Tax">Tax on all of it.</param>
/// <param name="Total">What is asked.</param>
public sealed record Bill(double HandsOnMin, double Labour, IReadOnlyList<MaterialCost> Materials, double Consumables, double Raised, double Tax, double Total)
{
    /// <summary>Adds a bill up. Money is rounded line by line to hundredths, so that its lines add up on paper.</summary>
    /// <param name="rates">What the shop asks.</param>
    /// <param name="minutes">Minutes of hands, 0 or more.</param>
    /// <param name="materials">Materials with their money.</param>
    public static Bill Of(Rates rates, double minutes, IReadOnlyList<MaterialCost> materials)
    {
        var labour = Cents(minutes / 60 * rates.HourRate);
        var consumables = Cents(labour * rates.ConsumablesPercent / 100);
        var net = labour + consumables + materials.Sum(each => each.Cost ?? 0);
        var raised = Cents(Math.Max(0, rates.Minimum - net));
        var tax = Cents((net + raised) * rates.TaxPercent / 100);
        return new Bill(minutes, labour, materials, consumables, raised, tax, Cents(net + raised + tax));
    }

    /// <summary>Money in hundredths.</summary>
    public static double Cents(double money) => Math.Round(money, 2, MidpointRounding.AwayFromZero);
}

/// <summary>What a mend is likely to cost, how far that is known, and what it came to.</summary>
/// <param name="Currency">What the money is called.</param>
/// <param name="Planned">By the plan.</param>
/// <param name="Least">The total with quick hands.</param>
/// <param name="Most">The total on a bad day.</param>
/// <param name="Actual">By what was stamped at the bench and came off the shelf; null while nothing was done.</param>
public sealed record Estimate(string Currency, Bill Planned, double Least, double Most, Bill? Actual)
{
    /// <summary>Quick hands take this share of the planned minutes. From memory.</summary>
    public const double QuickHands = 0.85;

    /// <summary>On a bad day hands take this much longer, as the plan of the days counts with. From memory.</summary>
    public const double BadDay = 1.5;

    /// <summary>The estimate of a plan.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="rates">What the shop asks.</param>
    /// <param name="lots">The shelf, for the prices.</param>
    /// <param name="materials">All materials.</param>
    /// <param name="actual">What was done so far; null for nothing.</param>
    public static Estimate Of(RepairPlan plan, Rates rates, IReadOnlyList<Lot> lots, IReadOnlyDictionary<string, Material> materials, Worked? actual = null)
    {
        var minutes = plan.Steps.Sum(step => step.Timing.HandsOnMin);
        var costs = CostsOf([.. plan.Steps.SelectMany(step => Amount.TakenBy(plan, step))], lots, materials);
        return new Estimate(
            rates.Currency, Bill.Of(rates, minutes, costs), Bill.Of(rates, minutes * QuickHands, costs).Total, Bill.Of(rates, minutes * BadDay, costs).Total,
            actual is null ? null : Bill.Of(rates, actual.HandsOnMin, CostsOf(actual.Taken, lots, materials)));
    }

    private static IReadOnlyList<MaterialCost> CostsOf(IReadOnlyList<Amount> taken, IReadOnlyList<Lot> lots, IReadOnlyDictionary<string, Material> materials) =>
    [
        .. taken.Where(amount => materials.ContainsKey(amount.Material)).GroupBy(amount => (amount.Material, amount.Unit))
            .Select(each => new Amount(each.Key.Material, each.Sum(amount => amount.Value), each.Key.Unit))
            .Select(amount => new MaterialCost(amount.Material, amount.Value, amount.Unit, CostOf(amount, lots, materials[amount.Material]))),
    ];

    /// <summary>By the dearest lot of it that is there, so that what is told holds whichever is taken; by the last that was, where none is.</summary>
    private static double? CostOf(Amount amount, IReadOnlyList<Lot> lots, Material material)
    {
        var priced = lots.Where(lot => lot.Material == amount.Material && lot is { Price: not null, Had: not null })
            .Select(lot => (lot.IsThere, Money: amount.In(lot.Unit, material) is { } value ? value / lot.Had!.Value * lot.Price!.Value : (double?)null))
            .Where(each => each.Money is not null).ToList();
        var there = priced.Where(each => each.IsThere).ToList();
        return (there.Count > 0 ? there : priced).Max(each => each.Money) is { } dearest ? Bill.Cents(dearest) : null;
    }
}

/// <summary>What was done at the bench.</summary>
/// <param name="HandsOnMin">Minutes from the begin of each step to the end of its work by hand.</param>
/// <param name="Taken">What came off the shelf with what was done.</param>
public sealed record Worked(double HandsOnMin, IReadOnlyList<Amount> Taken)
{
    /// <summary>What stands in the events of a mend; null while no step was done.</summary>
    /// <param name="plan">Its plan.</param>
    /// <param name="events">What happened.</param>
    public static Worked? Of(RepairPlan plan, IReadOnlyList<RunEvent> events)
    {
        var steps = plan.Steps.ToDictionary(step => step.Id);
        var (minutes, taken, begun, any) = (0.0, new List<Amount>(), new Dictionary<string, DateTimeOffset>(), false);
        var standing = Run.Standing(events);
        foreach (var (each, i) in standing.Select((each, i) => (each, i)).Where(each => each.each.StepId is not null && steps.ContainsKey(each.each.StepId)))
        {
            if (each.Kind == RunEventKind.Begin)
            {
                begun[each.StepId!] = each.At;
            }
            else if (each.Kind == RunEventKind.HandsDone)
            {
                any = true;
                minutes += begun.Remove(each.StepId!, out var at) ? (each.At - at).TotalMinutes : steps[each.StepId!].Timing.HandsOnMin;
                taken.AddRange(Amount.TakenBy(plan, steps[each.StepId!], [.. standing.Take(i + 1)]));
            }
        }

        return any ? new Worked(minutes, taken) : null;
    }
}
