using AbleMend.Core.Materials;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Stock;
using AbleMend.Core.Tests.Gallery;
using AbleMend.Core.Worth;

namespace AbleMend.Core.Tests.Worth;

/// <summary>What a mend costs: arithmetic that a customer can follow on paper.</summary>
public class EstimateTests
{
    private static readonly IReadOnlyDictionary<string, Material> Materials = Cases.Planner.Catalogue.Materials;
    private static readonly Rates Rates = new("EUR", 48, 25, 5, 20);

    private static RepairPlan Planned(string example) => Cases.Planner.Plan(GalleryTests.Read(example)).Value!;

    /// <summary>By hand: 90 min at 48 an hour are 72.00, 5 % of it 3.60, with 4.40 of resin 80.00; a fifth of tax makes 96.00.</summary>
    [Fact]
    public void A_bill_adds_up_line_by_line() =>
        Bill.Of(Rates, 90, [new MaterialCost("epoxy", 30, StockUnit.Ml, 4.40)]).ShouldSatisfyAllConditions(
            bill => bill.Labour.ShouldBe(72), bill => bill.Consumables.ShouldBe(3.6), bill => bill.Raised.ShouldBe(0), bill => bill.Tax.ShouldBe(16), bill => bill.Total.ShouldBe(96));

    /// <summary>By hand: 10 min are 8.00 and 0.40; raised by 16.60 to 25.00, with tax 30.00.</summary>
    [Fact]
    public void A_small_mend_costs_the_least_that_a_mend_costs() =>
        Bill.Of(Rates, 10, []).ShouldSatisfyAllConditions(bill => bill.Raised.ShouldBe(16.6, 1e-9), bill => bill.Total.ShouldBe(30));

    [Fact]
    public void Material_costs_what_is_mixed_of_it_by_the_dearest_lot_that_is_there()
    {
        var plan = Planned("fin-box-surround");
        Lot Of(string name, double price, DateOnly? gone = null) => new("epoxy-2to1", Id: name, Had: 1500, Price: price, GoneOn: gone);
        double? Cost(params Lot[] lots) => Estimate.Of(plan, Rates, lots, Materials).Planned.Materials.Single(each => each.Material == "epoxy-2to1").Cost;
        // 45 mL, two cups, of 1500 mL.
        Cost(Of("a", 50)).ShouldBe(1.5);
        Cost(Of("a", 50), Of("b", 60), Of("c", 900, new DateOnly(2026, 1, 1))).ShouldBe(1.8);
        Cost(Of("c", 100, new DateOnly(2026, 1, 1))).ShouldBe(3);
        Cost().ShouldBeNull("nobody wrote a price on it");
    }

    [Fact]
    public void Slow_hands_cost_more_and_quick_ones_less()
    {
        var estimate = Estimate.Of(Planned("fin-box-surround"), Rates, [], Materials);
        estimate.Least.ShouldBeLessThan(estimate.Planned.Total);
        estimate.Most.ShouldBeGreaterThan(estimate.Planned.Total);
        estimate.Actual.ShouldBeNull();
    }

    [Fact]
    public void What_was_done_is_counted_by_its_stamps_and_what_was_taken_back_is_not()
    {
        var plan = Planned("fin-box-surround");
        var mix = plan.Steps.Single(step => step.Id == "glass-mix").Id;
        var start = new DateTimeOffset(2026, 5, 6, 9, 0, 0, TimeSpan.Zero);
        IReadOnlyList<RunEvent> events =
        [
            new(1, start, RunEventKind.Begin, plan.Steps[0].Id), new(2, start.AddMinutes(7), RunEventKind.HandsDone, plan.Steps[0].Id),
            new(3, start.AddMinutes(8), RunEventKind.Begin, mix), new(4, start.AddMinutes(13), RunEventKind.HandsDone, mix),
        ];
        var worked = Worked.Of(plan, events).ShouldNotBeNull();
        worked.HandsOnMin.ShouldBe(12, 1e-9);
        worked.Taken.ShouldHaveSingleItem().Value.ShouldBe(30);
        Worked.Of(plan, [.. events, new(5, start.AddMinutes(14), RunEventKind.Undo)]).ShouldNotBeNull().Taken.ShouldBeEmpty();
        Worked.Of(plan, []).ShouldBeNull();
    }
}
