using AbleMend.Core.Safety;

namespace AbleMend.Core.Tests.Safety;

/// <summary>The air over a day, against what can be worked out by hand for a well-mixed room.</summary>
public class AirOfDayTests
{
    private static readonly DateTimeOffset Morning = new(2026, 5, 6, 0, 0, 0, TimeSpan.Zero);

    private static VapourRelease Release(string solvent, double grams, double atHour, double hours) => new(solvent, grams, Morning.AddHours(atHour), Morning.AddHours(atHour + hours));

    private static AirOfDay Of(double changes, params IReadOnlyList<VapourRelease> releases) => AirOfDay.Of(releases, 60, changes, Morning, Morning.AddHours(24), Morning.AddHours(12));

    // Derived: all at once, the mean over eight hours is peak · (1 − e^(−8n))/(8n), as of a single release.
    [Theory]
    [InlineData("acetone", 40, 2)]
    [InlineData("styrene", 5, 0.5)]
    [InlineData("toluene", 12, 6)]
    public void What_goes_off_at_once_has_the_mean_of_a_single_release(string solvent, double grams, double changes)
    {
        var single = RoomAir.Estimate(RoomAir.Limits[solvent], grams, 60, changes);
        var day = Of(changes, Release(solvent, grams, 9, 1 / 60.0));
        day.WorstMean.ShouldBe(single.ShareOfLimit, single.ShareOfLimit * 0.05);
        day.HighestFlammable.ShouldBe(single.ShareOfFlammable, single.ShareOfFlammable * (1 - Math.Exp(-changes / 12) + 0.02));
    }

    // Derived: given off evenly for hours, the room comes to S/(n·V): 30 g an hour into 60 m³ at 3 changes is 167 mg/m³, 70 ppm of acetone, 0.28 of 250 ppm.
    [Fact]
    public void What_goes_off_evenly_comes_to_a_steady_level()
    {
        var day = Of(3, Release("acetone", 30 * 6, 8, 6));
        day.Highest.ShouldBe(167 * 24.45 / 58.08 / 250, 0.005);
        day.Moments.Single(each => each.At == Morning.AddHours(13)).ShareOfLimit.ShouldBe(day.Highest, 0.001);
    }

    // Derived: what comes in goes out again: ∫C·n·V dt is what was given off.
    [Fact]
    public void What_was_given_off_goes_out_again()
    {
        var day = Of(4, Release("acetone", 25, 8, 0.5), Release("acetone", 15, 10, 1));
        var gramHours = day.Moments.Sum(each => each.ShareOfLimit * 250 * 58.08 / 24.45 / 1000 * 60 * (5 / 60.0));
        (gramHours * 4).ShouldBe(40, 40 * 0.2);
    }

    [Fact]
    public void Several_vapours_count_together()
    {
        var one = Of(2, Release("acetone", 20, 9, 1));
        var two = Of(2, Release("styrene", 1, 9, 1));
        var both = Of(2, Release("acetone", 20, 9, 1), Release("styrene", 1, 9, 1));
        both.Highest.ShouldBe(one.Highest + two.Highest, 1e-9);
        both.WorstMean.ShouldBe(one.WorstMean + two.WorstMean, 1e-9);
    }

    // Derived: from a share s it is clear after ln(s/0.1)/n hours.
    [Fact]
    public void It_says_when_it_is_clear_again_and_how_long_a_cartridge_was_in_use()
    {
        var day = Of(1, Release("styrene", 20, 11.5, 0.5));
        day.Now.ShouldBeGreaterThan(1);
        day.ClearAt.ShouldNotBeNull().ShouldBe(Morning.AddHours(12 + Math.Log(day.Now / 0.1)), TimeSpan.FromMinutes(6));
        day.HoursInVapour.ShouldBe(0.5, 0.1);
        day.HoursInVapourToday.ShouldBe(0.5 + Math.Log(day.Now / 0.1), 0.2);
        Of(1).ShouldSatisfyAllConditions(empty => empty.Now.ShouldBe(0), empty => empty.ClearAt.ShouldBeNull(), empty => empty.HoursInVapourToday.ShouldBe(0));
    }

    [Fact]
    public void More_air_is_never_worse()
    {
        var before = double.PositiveInfinity;
        foreach (var changes in (double[])[0.2, 0.5, 1, 2, 4, 8, 16])
        {
            var mean = Of(changes, Release("toluene", 10, 9, 0.4)).WorstMean;
            mean.ShouldBeLessThan(before);
            before = mean;
        }

        Should.Throw<ArgumentOutOfRangeException>(() => Of(0, Release("acetone", 1, 9, 1)));
    }
}
