using AbleMend.Core.Mixing;

namespace AbleMend.Core.Tests.Mixing;

/// <summary>A cup as it is filled. The amounts are the trade's own: 20 + 10 mL of a 2:1 epoxy of 1.15 and 0.97 g/mL are 23 and 9.7 g.</summary>
public class CupCoachTests
{
    private static readonly DateTimeOffset At = Cases.Morning;
    private static readonly ScaleDevice Scale = new(0.1);

    private static CupOrder TwoToOne(double? holdsMl = 60, double workMin = 14, double tolerance = 5, double safePeakC = 200, MeasuringDevice? device = null, params IEnumerable<PartOrder> after) =>
        new([new PartOrder(MixPart.Resin, 23, 20, 1.15, 50, 50), new PartOrder(MixPart.Hardener, 9.7, 10, 0.97, tolerance, tolerance), .. after], holdsMl, workMin,
            Heat(safePeakC), device ?? Scale);

    private static CupModel Heat(double safePeakC) => Cup.Fit(Cases.Planner.Catalogue.Materials["epoxy-2to1"]).Model is var model ? model with { Heat = model.Heat with { SafePeakC = safePeakC } } : null!;

    private static CupPour In(MixPart part, double grams, double? step = null) => new(part, grams, At, step);

    private static CupAdvice Advise(CupOrder order, params IReadOnlyList<CupPour> pours) => CupCoach.Advise(order, pours, 20);

    [Fact]
    public void An_empty_cup_asks_for_its_resin_and_then_for_its_hardener_at_their_marks()
    {
        Advise(TwoToOne()).ShouldSatisfyAllConditions(each => (each.Turn, each.Next, each.Change).ShouldBe((CupTurn.Pour, MixPart.Resin, 23)), each => each.SpreadMin.ShouldBeNull());
        Advise(TwoToOne(), In(MixPart.Resin, 23)).ShouldSatisfyAllConditions(each => (each.Turn, each.Next, each.Change).ShouldBe((CupTurn.Pour, MixPart.Hardener, 9.7)), each => each.Says.ShouldBeEmpty());
        Advise(TwoToOne(), In(MixPart.Resin, 23), In(MixPart.Hardener, 9.7)).ShouldSatisfyAllConditions(
            each => (each.Turn, each.Next).ShouldBe((CupTurn.Stir, null)), each => each.OffPercent!.Value.ShouldBe(0, 1e-9), each => each.SpreadMin!.Value.ShouldBeInRange(20, 60), each => each.Says.ShouldBeEmpty());
    }

    // 25.3 g of resin are a tenth more than 23: the hardener's mark goes a tenth up, 9.7 to 10.67.
    [Fact]
    public void Too_much_resin_moves_the_hardeners_mark()
    {
        var over = Advise(TwoToOne(), In(MixPart.Resin, 25.3));
        (over.Turn, over.Next).ShouldBe((CupTurn.Pour, MixPart.Hardener));
        over.Change.ShouldBe(10.67, 1e-9);
        over.Wanted.ShouldBe([25.3, 10.67], 1e-9);
    }

    [Fact]
    public void Too_little_resin_moves_the_mark_down_and_says_that_it_may_not_cover()
    {
        var under = Advise(TwoToOne(), In(MixPart.Resin, 18.4));
        under.Change.ShouldBe(7.76, 1e-9, "four fifths of 9.7");
        under.Says.Single().ToString().ShouldContain("20 % less");
    }

    // 12 g of hardener go with 12 ÷ 9.7 × 23 = 28.45 g of resin.
    [Fact]
    public void Too_much_hardener_is_put_right_by_more_resin()
    {
        var over = Advise(TwoToOne(), In(MixPart.Resin, 23), In(MixPart.Hardener, 12));
        (over.Turn, over.Next).ShouldBe((CupTurn.Pour, MixPart.Resin));
        over.Change.ShouldBe(5.4536, 1e-3);
        over.Says.Single().ToString().ShouldContain("23.7 % over");
        var mended = Advise(TwoToOne(), In(MixPart.Resin, 23), In(MixPart.Hardener, 12), In(MixPart.Resin, 5.4));
        (mended.Turn, mended.Next).ShouldBe((CupTurn.Stir, null));
        mended.Says[0].ToString().ShouldContain("More is in than planned");
        Advise(TwoToOne(safePeakC: 93), In(MixPart.Resin, 23), In(MixPart.Hardener, 12)).Says[1].ToString().ShouldContain("flat into a tray", customMessage: "heat alone loses no mix");
        mended.SpreadMin!.Value.ShouldBeLessThan(Advise(TwoToOne(), In(MixPart.Resin, 23), In(MixPart.Hardener, 9.7)).SpreadMin!.Value, "a larger cup is a quicker one");
    }

    [Fact]
    public void Too_little_hardener_is_put_right_by_more_of_it()
    {
        var under = Advise(TwoToOne(), In(MixPart.Resin, 23), In(MixPart.Hardener, 8));
        (under.Turn, under.Next).ShouldBe((CupTurn.Pour, MixPart.Hardener));
        under.Change.ShouldBe(1.7, 1e-9);
    }

    // 40 g of 1.15 g/mL are 34.8 mL, and with their hardener 52.2 mL: more than a cup of 45 mL holds, which takes 34.5 g.
    [Fact]
    public void What_the_cup_does_not_hold_is_taken_out_before_it_sets_and_thrown_out_after()
    {
        var open = Advise(TwoToOne(holdsMl: 45), In(MixPart.Resin, 40));
        (open.Turn, open.Next).ShouldBe((CupTurn.TakeOut, MixPart.Resin));
        open.Change.ShouldBe(5.5, 0.02);
        open.Says.Single().ToString().ShouldContain("45 mL");
        var set = Advise(TwoToOne(holdsMl: 45), In(MixPart.Resin, 23), In(MixPart.Hardener, 16));
        (set.Turn, set.Next, set.Change).ShouldBe((CupTurn.ThrowOut, null, 0));
        set.Says.Count.ShouldBe(2);
        var back = Advise(TwoToOne(holdsMl: 45), In(MixPart.Resin, 40), In(MixPart.Resin, -6));
        (back.Turn, back.Next).ShouldBe((CupTurn.Pour, MixPart.Hardener));
    }

    [Fact]
    public void What_would_set_before_it_is_spread_or_get_too_hot_is_stopped()
    {
        var planned = Advise(TwoToOne(), In(MixPart.Resin, 23), In(MixPart.Hardener, 9.7)).SpreadMin!.Value;
        var quick = Advise(TwoToOne(holdsMl: null, workMin: planned - 1), In(MixPart.Resin, 60));
        (quick.Turn, quick.Next).ShouldBe((CupTurn.TakeOut, MixPart.Resin));
        quick.Says.Single().ToString().ShouldContain("sooner than it is spread");
        var large = Advise(TwoToOne(holdsMl: null, safePeakC: 110), In(MixPart.Resin, 400));
        large.Turn.ShouldBe(CupTurn.TakeOut);
        large.Says.Single().ToString().ShouldContain("hotter");
    }

    [Fact]
    public void What_is_stirred_in_last_goes_by_what_was_really_poured()
    {
        var filler = new PartOrder(MixPart.Filler, 4, 4, null, 50, 50);
        var advice = Advise(TwoToOne(after: filler), In(MixPart.Resin, 25.3), In(MixPart.Hardener, 10.67));
        (advice.Turn, advice.Next).ShouldBe((CupTurn.Pour, MixPart.Filler));
        advice.Change.ShouldBe(4.4, 1e-9);
    }

    // 5.9 % for 20 and 10 g on a scale of whole grams is the example of BatchMaker.WeighedBandPercent; its lines give 4.5 % for 20 and 10 mL.
    [Fact]
    public void The_ratio_is_as_well_known_as_what_it_was_measured_with()
    {
        var order = TwoToOne(tolerance: 8) with { Parts = [new PartOrder(MixPart.Resin, 20, 20, 1, 50, 50), new PartOrder(MixPart.Hardener, 10, 10, 1, 8, 8)] };
        Advise(order, In(MixPart.Resin, 20, 1), In(MixPart.Hardener, 10, 1)).BandPercent!.Value.ShouldBe(5.9, 0.05);
        Advise(order with { Device = new CupDevice(5, 0.5, 60) }, In(MixPart.Resin, 20), In(MixPart.Hardener, 10)).BandPercent!.Value.ShouldBe(4.5, 0.05);
        Advise(order, In(MixPart.Resin, 20, 1), In(MixPart.Hardener, 10.5, 1)).Says.Single().ToString().ShouldContain("as far as this measure can tell");
    }

    // 1 g of catalyst for 50 g is 2 %; its label allows 1 to 3 %: half less and half more.
    [Fact]
    public void Catalyst_is_held_between_the_least_and_the_most_of_its_label()
    {
        var order = new CupOrder([new PartOrder(MixPart.Resin, 50, 45, 1.1, 50, 50), new PartOrder(MixPart.Wax, 1.5, 1.5, null, 50, 50), new PartOrder(MixPart.Catalyst, 1, 40, null, 50, 50)], null, 8, null, Scale);
        Advise(order, In(MixPart.Resin, 50)).Next.ShouldBe(MixPart.Wax);
        Advise(order, In(MixPart.Resin, 50), In(MixPart.Wax, 1.5), In(MixPart.Catalyst, 1.4)).Turn.ShouldBe(CupTurn.Stir);
        var over = Advise(order, In(MixPart.Resin, 50), In(MixPart.Wax, 1.5), In(MixPart.Catalyst, 1.6));
        (over.Next, over.Change).ShouldBe((MixPart.Resin, 30));
        over.BandPercent.ShouldBeNull();
    }

    [Fact]
    public void Hardener_that_went_in_first_asks_for_its_resin()
    {
        var advice = Advise(TwoToOne(), In(MixPart.Hardener, 9.7));
        (advice.Turn, advice.Next, advice.Change, advice.OffPercent).ShouldBe((CupTurn.Pour, MixPart.Resin, 23, null));
    }

    // Whatever is poured, following the advice ends in a cup that is stirred, inside its tolerance, or says that it cannot be.
    [Fact]
    public void Following_the_advice_ends_whatever_was_poured()
    {
        var luck = new Random(20261127);
        for (var round = 0; round < 2000; round++)
        {
            var order = TwoToOne(holdsMl: luck.Next(2) == 0 ? null : 35 + (luck.NextDouble() * 60), tolerance: 2 + (luck.NextDouble() * 8), after: new PartOrder(MixPart.Filler, 4, 4, null, 50, 50));
            List<CupPour> pours = [];
            CupAdvice advice;
            for (var turn = 0; (advice = CupCoach.Advise(order, pours, 5 + (luck.NextDouble() * 30))).Turn is CupTurn.Pour or CupTurn.TakeOut; turn++)
            {
                turn.ShouldBeLessThan(60, "it never ends");
                advice.Change.ShouldBeGreaterThan(0);
                // The hand is clumsy at first and careful later.
                var slip = turn < 6 ? luck.NextDouble() + 0.5 : 1;
                pours.Add(In(advice.Next!.Value, advice.Turn == CupTurn.Pour ? advice.Change * slip : -Math.Min(advice.Change * 1.001, advice.Poured[0])));
            }

            if (advice.Turn == CupTurn.Stir)
            {
                Math.Abs(advice.OffPercent!.Value).ShouldBeLessThanOrEqualTo(order.Parts[1].MorePercent + 1e-9);
                order.HoldsMl?.ShouldBeGreaterThan(((advice.Poured[0] / 1.15) + (advice.Poured[1] / 0.97)) * 0.95, "a cup that holds so much is not brimful");
            }
        }
    }
}
