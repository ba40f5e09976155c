using AbleMend.Core.Curing;
using AbleMend.Core.Quantities;

namespace AbleMend.Core.Tests.Curing;

/// <summary>What looks teach of a lot's pace. The likelihood is checked against lots that are drawn with a known pace.</summary>
public class LearntPaceTests
{
    private const double LabelMin = 480;

    /// <summary>Looks at one wait of a lot: the first when the label says, then again after a tenth until a finger finds it ready.</summary>
    private static PaceLook LookedAt(double pace, Random random)
    {
        // A logistic error of the logarithm: the finger, and this coat.
        var share = random.NextDouble();
        var readyMin = LabelMin / pace * Math.Exp(LearntPace.FingerScale * Math.Log(share / (1 - share)));
        var (at, notYet, looks) = (LabelMin * (0.8 + (0.3 * random.NextDouble())), (double?)null, 1);
        while (at < readyMin)
        {
            (notYet, at, looks) = (at, at + (LabelMin / 10), looks + 1);
        }

        return new PaceLook(LabelMin, notYet, at, looks);
    }

    private static double Normal(Random random) => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());

    [Fact]
    public void Nobody_has_looked_and_nothing_is_known() => LearntPace.From("epoxy-2to1", []).ShouldBeNull();

    [Fact]
    public void A_band_of_ninety_percent_holds_the_truth_nine_times_in_ten()
    {
        var (random, held) = (new Random(20261127), 0);
        for (var lot = 0; lot < 200; lot++)
        {
            var truth = Math.Exp(LearntPace.UsualSpread * Normal(random));
            var learnt = LearntPace.From("epoxy-2to1", [.. Enumerable.Range(0, 5).Select(_ => LookedAt(truth, random))])!;
            held += learnt.Least <= truth && truth <= learnt.Most ? 1 : 0;
        }

        (held / 200.0).ShouldBeInRange(0.85, 0.95);
    }

    [Fact]
    public void Five_waits_of_a_slow_lot_foretell_the_sixth()
    {
        var random = new Random(7);
        var learnt = LearntPace.From("epoxy-2to1", [.. Enumerable.Range(0, 5).Select(_ => LookedAt(0.7, random))])!;
        learnt.ShouldSatisfyAllConditions(each => each.Rate.ShouldBe(0.7, 0.05), each => each.Counts.ShouldBeTrue(), each => each.Least.ShouldBeLessThan(0.7), each => each.Most.ShouldBeGreaterThan(0.7));
    }

    [Fact]
    public void Who_only_ever_finds_it_ready_has_not_learnt_that_it_is_fast()
    {
        // Somebody who comes when the label says and finds it ready knows that it is no slower, and nothing more.
        var learnt = LearntPace.From("epoxy-2to1", [.. Enumerable.Repeat(new PaceLook(LabelMin, null, LabelMin * 1.05), 20)])!;
        learnt.Counts.ShouldBeFalse();
    }

    [Fact]
    public void The_same_looks_in_another_order_are_the_same_pace_to_the_last_digit()
    {
        var random = new Random(3);
        List<PaceLook> looks = [.. Enumerable.Range(0, 20).Select(_ => LookedAt(0.8, random))];
        LearntPace.From("epoxy-2to1", [.. looks.AsEnumerable().Reverse()]).ShouldBe(LearntPace.From("epoxy-2to1", looks));
    }

    [Fact]
    public void One_wrong_finger_among_many_hardly_moves_it()
    {
        PaceLook right = new(LabelMin, LabelMin * 1.2, LabelMin * 1.3), wrong = new(LabelMin, null, LabelMin * 0.3);
        var before = LearntPace.From("epoxy-2to1", [right, right, right, right])!;
        LearntPace.From("epoxy-2to1", [right, right, right, right, wrong])!.Rate.ShouldBe(before.Rate, 0.02);
    }

    [Theory]
    [InlineData(0.5)]
    [InlineData(0.8)]
    [InlineData(1.4)]
    [InlineData(2.2)]
    public void More_looks_narrow_the_band_about_the_truth(double truth)
    {
        PaceLook Look(double width) => new(LabelMin, LabelMin / truth * (1 - width), LabelMin / truth * (1 + width), 2);
        var (few, many) = (LearntPace.From("epoxy-2to1", [Look(0.08)])!, LearntPace.From("epoxy-2to1", [.. Enumerable.Repeat(Look(0.08), 10)])!);
        many.Spread.ShouldBeLessThan(few.Spread / 2);
        many.Rate.ShouldBe(truth, truth * 0.05);
        few.Counts.ShouldBeFalse("one wait may be a wrong finger: it is told, and waited out");
        LearntPace.From("epoxy-2to1", [Look(0.08), Look(0.06), Look(0.1)])!.Counts.ShouldBeTrue("three that agree are believed");
    }

    [Fact]
    public void A_clock_at_a_pace_takes_as_much_longer()
    {
        var (start, climate) = (Cases.Morning, Climate.Steady(15));
        var label = new CureClock(25, 53, 5);
        var slow = label with { Pace = 0.5 };
        var byLabel = label.TryFindReached(new CureTime(60), start, climate)!.Value;
        (slow.TryFindReached(new CureTime(60), start, climate)!.Value - start).TotalMinutes.ShouldBe((byLabel - start).TotalMinutes * 2, 0.01);
        label.MinutesBetween(start, byLabel, climate).ShouldBe(60, 0.01);
        label.MinutesBetween(byLabel, start, climate).ShouldBe(0);
    }

    [Fact]
    public void Minutes_of_the_label_pass_with_the_air_as_it_changes()
    {
        var (start, label) = (Cases.Morning, new CureClock(25, 53, 5));
        var climate = Climate.Of([new ClimateSpan(DateTimeOffset.MinValue, 25), new ClimateSpan(start.AddHours(1), 3), new ClimateSpan(start.AddHours(2), 25)]);
        label.MinutesBetween(start, start.AddHours(3), climate).ShouldBe(120, 0.001, "it stands still in the cold hour");
    }
}
