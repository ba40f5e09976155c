using AbleMend.Core.Mixing;

namespace AbleMend.Core.Tests.Mixing;

public class CupsTests
{
    private static readonly Cup Epoxy = Cup.Fit(Cases.Planner.Catalogue.Materials["epoxy-2to1"]);

    private static Cups Of(double neededMl, double airC, CupLimits limits, double leastMl = 1) =>
        Cups.Of(neededMl, ml => Math.Max(ml, leastMl) is var measured ? new OneCup(measured, measured * 1.09) : default, grams => Epoxy.Simulate(grams, airC, CupShape.Cup), limits);

    [Fact]
    public void What_fits_stays_in_one_cup() => Of(20, 20, new CupLimits(60, 3, 5, 110)).ShouldBe(new Cups(1, 20, false, false));

    // Arithmetic: 100 mL in cups of 40.
    [Fact]
    public void A_cup_holds_no_more_than_it_holds()
    {
        var cups = Of(100, 15, new CupLimits(40, 3, 5, 250));
        (cups.Count, cups.EachMl).ShouldBe((3, 100.0 / 3));
    }

    [Fact]
    public void What_would_smoke_is_split_until_it_does_not()
    {
        var limits = new CupLimits(500, 3, 5, 110);
        var cups = Of(120, 24, limits);
        cups.TooHot.ShouldBeFalse();
        cups.Count.ShouldBeGreaterThan(1);
        Epoxy.Simulate(cups.EachMl * 1.09, 24, CupShape.Cup).PeakC.ShouldBeLessThanOrEqualTo(110);
        Epoxy.Simulate(120.0 / (cups.Count - 1) * 1.09, 24, CupShape.Cup).PeakC.ShouldBeGreaterThan(110, "one cup fewer would be too hot");
    }

    [Fact]
    public void What_cannot_be_measured_any_finer_is_told_to_be_too_hot() => Of(120, 30, new CupLimits(500, 3, 5, 80), 60).ShouldBe(new Cups(1, 120, true, false));

    [Fact]
    public void What_even_a_spoonful_cannot_do_is_told_to_be_too_quick() => Of(50, 40, new CupLimits(500, 3, 6000, 250)).TooQuick.ShouldBeTrue();
}
