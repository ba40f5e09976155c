using AbleMend.Core.Proving;

namespace AbleMend.Core.Tests.Proving;

/// <summary>How well a difference of two readings is known: two rectangular errors add up to a triangular one (JCGM 100:2008, 4.3.7 and 4.3.9).</summary>
public class ProofToolTests
{
    [Theory]
    [InlineData(1)]
    [InlineData(5)]
    public void Ninety_five_of_a_hundred_differences_of_rounded_readings_lie_within_the_band(double step)
    {
        var chance = new Random(11);
        double Rounded(double value) => Math.Round(value / step) * step;
        const int Tries = 40_000;
        var within = 0;
        for (var i = 0; i < Tries; i++)
        {
            var (before, gain) = (3000 + (100 * chance.NextDouble()), 40 * chance.NextDouble());
            var error = Rounded(before + gain) - Rounded(before) - gain;
            within += Math.Abs(error) <= TwoReadings.OffBy(step) ? 1 : 0;
        }

        (100.0 * within / Tries).ShouldBe(95, 0.5);
    }

    [Fact]
    public void It_is_a_little_more_than_three_quarters_of_a_step() => TwoReadings.OffBy(1).ShouldBe(0.776, 0.001);

    [Theory]
    [InlineData(0)]
    [InlineData(-1)]
    [InlineData(double.NaN)]
    public void A_scale_without_a_step_is_none(double step) => Should.Throw<ArgumentOutOfRangeException>(() => TwoReadings.OffBy(step));

    [Fact]
    public void What_compares_says_what_it_measures_by_how_much_and_within_its_work()
    {
        var all = ProofTest.All.Values.ToList();
        var compares = all.Where(test => test.Tool?.Readings is not null).ToList();
        compares.Count.ShouldBe(4);
        compares.ShouldAllBe(test => test.Measures != null && test.Unit != null && test.Limit > 0);
        var lasts = all.Where(test => test.Tool?.ForMin is not null).ToList();
        lasts.Select(test => test.Id).ShouldBe(["float", "dunk", "inside-wet"], ignoreOrder: true);
        lasts.ShouldAllBe(test => test.Tool!.Begins != null && test.Tool.Ends != null && test.HandsMin > test.Tool.ForMin);
    }
}
