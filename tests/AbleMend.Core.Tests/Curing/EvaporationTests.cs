using AbleMend.Core.Curing;

namespace AbleMend.Core.Tests.Curing;

public class EvaporationTests
{
    // CRC Handbook of Chemistry and Physics, vapour pressures and normal boiling points; from memory.
    [Theory]
    [InlineData("acetone", 20, 24.6, 0.4)]
    [InlineData("acetone", 56.1, 101.3, 1.0)]
    [InlineData("mek", 79.6, 101.3, 1.5)]
    [InlineData("toluene", 25, 3.79, 0.1)]
    [InlineData("toluene", 110.6, 101.3, 1.0)]
    [InlineData("isopropanol", 82.3, 101.3, 1.5)]
    public void Vapour_pressure_is_that_of_the_handbook(string solvent, double celsius, double kpa, double toleranceKpa) =>
        Evaporation.VapourPressureKpa(Evaporation.Solvents[solvent], celsius).ShouldBe(kpa, toleranceKpa);

    // Relative evaporation rates, n-butyl acetate = 1: acetone 5.7, MEK 3.8, toluene 1.9, isopropanol 1.5, xylene 0.6 (from memory).
    [Fact]
    public void The_quicker_solvent_leaves_first()
    {
        string[] quickestFirst = ["acetone", "mek", "toluene", "isopropanol", "xylene"];
        var minutes = quickestFirst.Select(id => Evaporation.FlashMin(Evaporation.Solvents[id], 20, 20, false)).ToList();
        minutes.ShouldBe(minutes.Order());
        (minutes[^1] / minutes[0]).ShouldBe(5.7 / 0.6, 1e-9);
    }

    // Common practice: about two minutes in the open for a wiped film of acetone; a couple of minutes and more inside a seam.
    [Fact]
    public void A_seam_holds_it_longer_than_an_open_face()
    {
        var acetone = Evaporation.Solvents["acetone"];
        Evaporation.FlashMin(acetone, 20, 20, false).ShouldBe(2, 0.1);
        Evaporation.FlashMin(acetone, 20, 20, true).ShouldBe(8, 0.4);
    }

    [Fact]
    public void Cold_slows_it_as_the_vapour_pressure_falls()
    {
        var mek = Evaporation.Solvents["mek"];
        var slower = Evaporation.FlashMin(mek, 20, 5, false) / Evaporation.FlashMin(mek, 20, 20, false);
        slower.ShouldBe(Evaporation.VapourPressureKpa(mek, 20) / Evaporation.VapourPressureKpa(mek, 5), 1e-9);
        slower.ShouldBeGreaterThan(1.9);
    }

    [Theory]
    [InlineData(-20.5)]
    [InlineData(120.5)]
    [InlineData(double.NaN)]
    public void A_temperature_outside_the_constants_is_refused(double celsius) =>
        Should.Throw<ArgumentOutOfRangeException>(() => Evaporation.VapourPressureKpa(Evaporation.Solvents["acetone"], celsius));

    [Theory]
    [InlineData(0)]
    [InlineData(-1)]
    public void A_film_that_is_not_there_is_refused(double film) =>
        Should.Throw<ArgumentOutOfRangeException>(() => Evaporation.FlashMin(Evaporation.Solvents["acetone"], film, 20, false));
}
