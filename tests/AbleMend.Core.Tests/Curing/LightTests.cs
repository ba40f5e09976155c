using AbleMend.Core.Curing;

namespace AbleMend.Core.Tests.Curing;

public class LightTests
{
    // NREL Solar Position Algorithm, worked example (Reda and Andreas): 2003-10-17 12:30:30 −7 h, 39.742476° N, 105.1786° W,
    // zenith 50.11162°, azimuth 194.34024°. The low-precision formulas here are good to a few hundredths of a degree.
    [Fact]
    public void The_sun_stands_where_the_worked_example_has_it()
    {
        var sun = Sun.At(new DateTimeOffset(2003, 10, 17, 12, 30, 30, TimeSpan.FromHours(-7)), 39.742476, -105.1786);
        sun.ZenithDeg.ShouldBe(50.11162, 0.03);
        sun.AzimuthDeg.ShouldBe(194.34024, 0.05);
    }

    // Meeus, Astronomical Algorithms, example 25.a: 1992 October 13 at 0h of dynamical time, declination −7.78507°, which from
    // the north pole is a zenith distance of 97.78507°. From memory of the printed example. The clock is taken for dynamical
    // time here: the minute between them moves it by 0.0003°.
    [Fact]
    public void The_declination_is_that_of_the_printed_example() =>
        Sun.At(new DateTimeOffset(1992, 10, 13, 0, 0, 0, TimeSpan.Zero), 90, 0).ZenithDeg.ShouldBe(97.78507, 0.00001);

    [Theory]
    [InlineData(90.1, 0)]
    [InlineData(-90.1, 0)]
    [InlineData(0, 180.1)]
    [InlineData(double.NaN, 0)]
    public void There_is_no_sun_over_a_place_that_is_not(double latitude, double longitude) =>
        Should.Throw<ArgumentOutOfRangeException>(() => Sun.At(DateTimeOffset.UnixEpoch, latitude, longitude));

    // Kasten and Young (1989): air mass 5.60 at 80° and 10.3 at 85°, as tabled; 2.00 at 60° as its secant says.
    [Theory]
    [InlineData(60, 1.995)]
    [InlineData(80, 5.58)]
    [InlineData(85, 10.3)]
    public void Light_is_lost_with_the_air_mass(double zenithDeg, double airMass)
    {
        var up = Math.Cos(zenithDeg * Math.PI / 180);
        Sun.ClearSkyMwPerCm2(zenithDeg).ShouldBe(Sun.ClearOverheadMwPerCm2 * Math.Exp(-Sun.Extinction * (airMass - 1)) * Math.Pow(up, 0.3), 0.02);
    }

    // Meeus, Astronomical Algorithms: obliquity 23.44°, so at a solstice noon on the tropic the sun is overhead.
    [Fact]
    public void At_midsummer_noon_on_the_tropic_it_is_overhead() =>
        Sun.At(new DateTimeOffset(2026, 6, 21, 12, 2, 0, TimeSpan.Zero), 23.44, 0).ZenithDeg.ShouldBeLessThan(0.5);

    // ASTM G173 reference spectrum at air mass 1.5 (zenith 48.2°): about 4.6 mW/cm² from 280 to 400 nm; from memory.
    [Fact]
    public void A_clear_sky_at_air_mass_one_and_a_half_gives_the_reference() => Sun.ClearSkyMwPerCm2(48.2).ShouldBe(4.6, 0.3);

    [Fact]
    public void A_low_sun_is_weak_and_a_set_sun_is_none()
    {
        double[] lower = [10, 40, 60, 75, 85];
        var light = lower.Select(Sun.ClearSkyMwPerCm2).ToList();
        light.ShouldBe(light.OrderDescending());
        Sun.ClearSkyMwPerCm2(90.1).ShouldBe(0);
    }

    // Jacobs (1992): C_d = D_p·ln(E/E_c); at e times the critical dose exactly one penetration depth is cured.
    [Fact]
    public void At_e_times_the_critical_dose_one_penetration_depth_is_cured()
    {
        var curve = new WorkingCurve(1.2, 50);
        curve.DepthMm(50 * Math.E).ShouldBe(1.2, 1e-12);
        curve.DepthMm(50).ShouldBe(0);
        curve.DepthMm(20).ShouldBe(0);
    }

    [Fact]
    public void Dose_and_depth_are_each_others_inverse()
    {
        var curve = new WorkingCurve(0.9, 80);
        foreach (var depth in new[] { 0.1, 1, 3, 6.5 })
        {
            curve.DepthMm(curve.DoseMjPerCm2(depth)).ShouldBe(depth, 1e-9);
        }
    }

    [Fact]
    public void One_thick_layer_takes_longer_than_two_of_half_the_thickness()
    {
        var curve = new WorkingCurve(0.9, 80);
        curve.Minutes(6, 5).ShouldBeGreaterThan(2 * curve.Minutes(3, 5));
        curve.Minutes(3, 10).ShouldBe(curve.Minutes(3, 5) / 2, 1e-12);
    }
}
