using AbleMend.Core.Safety;

namespace AbleMend.Core.Tests.Safety;

public class RoomAirTests
{
    // NIOSH Pocket Guide gives each limit both in ppm and in mg/m³; from memory.
    [Theory]
    [InlineData("acetone", 590, 250)]
    [InlineData("mek", 590, 200)]
    [InlineData("toluene", 375, 100)]
    [InlineData("styrene", 215, 50)]
    [InlineData("isopropanol", 980, 400)]
    public void The_two_units_of_a_limit_agree(string solvent, double mgPerM3, double ppm) =>
        RoomAir.Ppm(mgPerM3, RoomAir.Limits[solvent].MolarMassGPerMol).ShouldBe(ppm, ppm * 0.02);

    [Fact]
    public void Ten_grams_of_acetone_in_a_small_closed_shop_stay_under_its_limits()
    {
        // 10 g in 40 m³ is 250 mg/m³, 105 ppm at once; with one change of air an hour the 8-hour mean is 105·(1 − e⁻⁸)/8.
        var air = RoomAir.Estimate(RoomAir.Limits["acetone"], 10, 40, 1);
        air.PeakPpm.ShouldBe(105.2, 0.2);
        air.MeanPpm.ShouldBe(13.2, 0.1);
        air.ShareOfLimit.ShouldBeLessThan(0.06);
        air.ShareOfFlammable.ShouldBe(105.2 / 2500, 0.001);
    }

    // Mean over eight hours of C0·e^(−n·t), worked by hand: with a tenth of the air changed an hour it is C0·(1 − e^−0.8)/0.8 = 0.688·C0.
    [Fact]
    public void In_air_that_hardly_changes_most_of_the_vapour_stays()
    {
        var air = RoomAir.Estimate(RoomAir.Limits["acetone"], 10, 40, 0.1);
        (air.MeanPpm / air.PeakPpm).ShouldBe(0.6883, 0.0001);
    }

    [Fact]
    public void A_spilt_half_litre_in_a_cupboard_is_told()
    {
        var air = RoomAir.Estimate(RoomAir.Limits["acetone"], 400, 8, 0.3);
        air.ShareOfFlammable.ShouldBeGreaterThan(1);
        air.ShareOfLimit.ShouldBeGreaterThan(1);
    }

    [Fact]
    public void More_air_changes_lower_the_mean_and_not_the_peak()
    {
        var still = RoomAir.Estimate(RoomAir.Limits["mek"], 20, 40, 0.5);
        var moving = RoomAir.Estimate(RoomAir.Limits["mek"], 20, 40, 6);
        moving.MeanPpm.ShouldBeLessThan(still.MeanPpm / 8);
        moving.PeakPpm.ShouldBe(still.PeakPpm);
    }

    [Theory]
    [InlineData(-1, 40, 1)]
    [InlineData(1, 0, 1)]
    [InlineData(1, 40, 0)]
    public void What_cannot_be_is_refused(double grams, double room, double changes) =>
        Should.Throw<ArgumentOutOfRangeException>(() => RoomAir.Estimate(RoomAir.Limits["mek"], grams, room, changes));
}
