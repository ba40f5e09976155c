using AbleMend.Core.Limits;

namespace AbleMend.Core.Worth;

/// <summary>What the shop asks for its work.</summary>
/// <param name="Currency">What the money is called, such as EUR.</param>
/// <param name="HourRate">Money for an hour of hands, before tax.</param>
/// <param name="Minimum">The least that a mend costs, before tax.</param>
/// <param name="ConsumablesPercent">Cloths, gloves, grit and cups, in percent of the labour.</param>
/// <param name="TaxPercent">Tax, in percent of everything.</param>
public sealed record Rates(
    [property: Size(1, 8)] string Currency,
    [property: Limits(0, 100_000)] double HourRate,
    [property: Limits(0, 100_000)] double Minimum = 0,
    [property: Limits(0, 200, "%")] double ConsumablesPercent = 0,
    [property: Limits(0, 100, "%")] double TaxPercent = 0);
