using AbleMend.Core.Curing;
using CsCheck;

namespace AbleMend.Core.Tests.Curing;

public class SkyTests
{
    private static readonly Sky North = new(50, 0);

    // Spherical astronomy: at noon the zenith distance is latitude − declination, ±23.44° at the solstices: 26.6° in June, 73.4° in December.
    [Theory]
    [InlineData(6, 21, 26.6)]
    [InlineData(12, 21, 73.4)]
    public void Noon_is_as_high_as_latitude_and_season_say(int month, int day, double zenithDeg) =>
        North.ShareAt(new DateTimeOffset(2026, month, day, 12, 0, 0, TimeSpan.Zero)).ShouldBe(Sun.ClearSkyMwPerCm2(zenithDeg) / Sky.LabelMwPerCm2, 0.02);

    [Fact]
    public void A_winter_noon_takes_more_than_twice_as_long_as_the_label()
    {
        var noon = new DateTimeOffset(2026, 12, 21, 12, 0, 0, TimeSpan.Zero);
        var minutes = (North.TryFindDosed(10, noon)!.Value - noon).TotalMinutes;
        minutes.ShouldBe(10 / North.ShareAt(noon), 0.5);
        minutes.ShouldBeGreaterThan(20);
    }

    [Fact]
    public void What_goes_out_in_the_evening_is_hard_in_the_morning()
    {
        var evening = new DateTimeOffset(2026, 3, 20, 21, 0, 0, TimeSpan.Zero);
        var reached = North.TryFindDosed(10, evening)!.Value;
        reached.Day.ShouldBe(21);
        reached.Hour.ShouldBeInRange(6, 8, "sunrise at an equinox is at six");
    }

    // Reference: Gauss and Legendre's quadrature of MathNet.Numerics over the same hours; a rising sun shows every slip of a step.
    [Theory]
    [InlineData(5, 20)]
    [InlineData(6, 60)]
    [InlineData(16, 12)]
    public void The_dose_is_the_integral_of_the_light(int hour, double fullDaylightMin)
    {
        var start = new DateTimeOffset(2026, 6, 21, hour, 3, 0, TimeSpan.Zero);
        var minutes = (North.TryFindDosed(fullDaylightMin, start)!.Value - start).TotalMinutes;
        var dose = MathNet.Numerics.Integration.GaussLegendreRule.Integrate(at => North.ShareAt(start.AddMinutes(at)), 0, minutes, 64);
        dose.ShouldBe(fullDaylightMin, fullDaylightMin * 0.001);
    }

    [Fact]
    public void It_is_waited_for_three_days_of_light_and_no_longer()
    {
        var start = new DateTimeOffset(2026, 6, 21, 0, 0, 0, TimeSpan.Zero);
        var threeDays = MathNet.Numerics.Integration.GaussLegendreRule.Integrate(at => North.ShareAt(start.AddMinutes(at)), 0, 3 * 1440, 512);
        North.TryFindDosed(threeDays * 0.99, start)!.Value.ShouldBeLessThan(start.AddDays(3));
        North.TryFindDosed(threeDays * 1.01, start).ShouldBeNull();
    }

    [Fact]
    public void In_a_polar_night_it_never_gets_there() =>
        new Sky(75, 20).TryFindDosed(10, new DateTimeOffset(2026, 12, 10, 12, 0, 0, TimeSpan.Zero)).ShouldBeNull();

    [Fact]
    public void Nothing_needed_is_had_at_once() =>
        North.TryFindDosed(0, new DateTimeOffset(2026, 12, 21, 2, 0, 0, TimeSpan.Zero)).ShouldBe(new DateTimeOffset(2026, 12, 21, 2, 0, 0, TimeSpan.Zero));

    [Fact]
    public void A_plan_in_winter_waits_longer_than_one_in_summer_and_a_lamp_waits_for_neither()
    {
        double Light(int month, LightLevel light, double? lamp = null)
        {
            var start = new DateTimeOffset(2026, month, 21, 10, 30, 0, TimeSpan.Zero);
            var plan = Cases.DeckDing().Choosing("uv-under-film", "uv-polyester").Wanting(wanted => wanted with { StartAt = start })
                .AtBench(bench => bench with { LatitudeDeg = 50, LongitudeDeg = 0, Light = light, LampMwPerCm2 = lamp }).Planned();
            var spread = plan.Time("spread");
            return (spread.OpensAt!.Value - spread.HandsEndAt!.Value).TotalMinutes;
        }

        Light(6, LightLevel.FullSun).ShouldBeLessThan(10);
        Light(12, LightLevel.FullSun).ShouldBeGreaterThan(20);
        Light(12, LightLevel.HazySun).ShouldBeGreaterThan(1.8 * Light(12, LightLevel.FullSun));
        Light(12, LightLevel.UvLamp).ShouldBe(10, 0.01);
        Light(12, LightLevel.UvLamp, 2 * Sky.LabelMwPerCm2).ShouldBe(5, 0.01);
    }

    // Jacobs (1992): each penetration depth more costs e times the dose.
    [Fact]
    public void A_label_gives_the_curve_and_the_curve_gives_the_label_back()
    {
        var curve = WorkingCurve.ForLabel(new Core.Materials.LightCure(3, 1.5), 10);
        curve.Minutes(3, Sky.LabelMwPerCm2).ShouldBe(10, 1e-9);
        curve.Minutes(4.5, Sky.LabelMwPerCm2).ShouldBe(10 * Math.E, 1e-9);
    }

    /// <summary>The night is stepped over and not through: that may never cost a minute of light, least of all where the sun hardly sets.</summary>
    [Fact]
    public void Stepping_over_the_night_loses_no_light() =>
        Gen.Select(Gen.Double[-75, 75], Gen.Double[-180, 180], Gen.Int[0, 366 * 24 * 60], Gen.Double[1, 400]).Sample((latitude, longitude, minute, dose) =>
        {
            var sky = new Sky(latitude, longitude);
            var start = new DateTimeOffset(2026, 1, 1, 0, 0, 0, TimeSpan.Zero).AddMinutes(minute);
            sky.TryFindDosed(dose, start).ShouldBe(MinuteByMinute(sky, dose, start), $"{latitude}, {longitude}, {start:u}, {dose}");
        }, iter: 150);

    private static DateTimeOffset? MinuteByMinute(Sky sky, double left, DateTimeOffset start)
    {
        for (var now = start; now < start + Sky.Horizon; now = now.AddMinutes(5))
        {
            var share = sky.ShareAt(now.AddMinutes(2.5));
            if (share * 5 >= left)
            {
                return now.AddMinutes(left / share);
            }

            left -= share * 5;
        }

        return null;
    }
}
