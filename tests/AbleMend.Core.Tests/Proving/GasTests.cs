using AbleMend.Core.Patching;
using AbleMend.Core.Proving;

namespace AbleMend.Core.Tests.Proving;

public class GasTests
{
    // Ideal gas at sea level, worked by hand: (15 psi + 14.696) × T2/T1 − 14.696.
    [Theory]
    [InlineData(45, 17.5)]
    [InlineData(60, 19.1)]
    [InlineData(20, 15.0)]
    public void Fifteen_psi_rises_in_the_sun(double hotC, double psi) =>
        (Gas.GaugeKpaAt(15 * Lap.KpaPerPsi, 20, hotC) / Lap.KpaPerPsi).ShouldBe(psi, 0.06);

    // ISO 2533, standard atmosphere: 89.9 kPa at 1000 m, 79.5 at 2000 m, 22.6 at 11 000 m.
    [Theory]
    [InlineData(0, 101.325)]
    [InlineData(1000, 89.87)]
    [InlineData(2000, 79.50)]
    [InlineData(11000, 22.63)]
    public void Pressure_falls_with_altitude(double metres, double kpa) => Gas.AtmosphereKpa(metres).ShouldBe(kpa, 0.05);

    // Ideal gas, worked by hand: 1200·(1 − 285.15/318.15) = 124.5 mL; a sealed shaft from 18 to 50 °C rises by 101.325·(323.15/291.15 − 1) = 11.1 kPa.
    [Fact]
    public void A_warm_paddle_draws_water_in_at_each_dunk()
    {
        Gas.DrawnInMl(1200, 45, 12).ShouldBe(124.5, 0.1);
        Gas.DrawnInMl(1200, 12, 45).ShouldBe(0);
        Gas.GaugeKpaAt(0, 18, 50).ShouldBe(11.1, 0.05);
    }

    [Fact]
    public void What_is_bled_off_before_the_sun_just_reaches_the_working_pressure_in_it()
    {
        var bled = Gas.BleedToKpa(103, 20, 50);
        bled.ShouldBeLessThan(103);
        Gas.GaugeKpaAt(bled, 20, 50).ShouldBe(103, 1e-9);
    }

    // Ideal gas and ISO 2533, worked by hand: what is lost outside is gained inside, 101.325 − 79.50 = 21.8 kPa from sea level to 2000 m.
    [Fact]
    public void What_is_carried_up_gains_what_the_air_round_it_loses()
    {
        var (sea, high) = (Gas.SeaLevelKpa, Gas.AtmosphereKpa(2000));
        Gas.CarriedKpa(20, 20, 20, sea, high).ShouldBe(41.83, 0.02);
        Gas.CarriedKpa(20, 20, 45, sea, high).ShouldBe((121.325 * 318.15 / 293.15) - 79.50, 0.02);
        var bled = Gas.BleedToKpa(60, 20, 45, sea, high);
        Gas.CarriedKpa(bled, 20, 45, sea, high).ShouldBe(60, 1e-9);
        Gas.BleedToKpa(5, 20, 45, sea, high).ShouldBe(0);
        Gas.CarriedKpa(3, 20, 20, high, sea).ShouldBe(0, "brought down, it goes limp");
    }

    [Theory]
    [InlineData(-0.1, 20, 30)]
    [InlineData(10, -41, 30)]
    [InlineData(10, 20, 101)]
    public void What_cannot_be_is_refused(double gauge, double from, double to) =>
        Should.Throw<ArgumentOutOfRangeException>(() => Gas.GaugeKpaAt(gauge, from, to));
}
