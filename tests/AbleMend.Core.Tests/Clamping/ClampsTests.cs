using AbleMend.Core.Clamping;

namespace AbleMend.Core.Tests.Clamping;

public class ClampsTests
{
    // Common practice: two or more clamps, 50 to 75 mm (2 to 3 in) apart.
    [Theory]
    [InlineData(20, 2)]
    [InlineData(150, 2)]
    [InlineData(151, 3)]
    [InlineData(300, 4)]
    public void At_least_two_and_no_further_apart_than_75_mm(double lengthMm, int clamps) => Clamps.Count(lengthMm, 75).ShouldBe(clamps);

    // USDA Wood Handbook: 1.2 MPa is 1.2 N/mm²; 50 × 60 mm over two clamps by hand: 1800 N each.
    [Fact]
    public void Each_clamp_carries_its_share() => Clamps.ForceEachN(3000, 1.2, 2).ShouldBe(1800, 1e-9);

    [Fact]
    public void A_caul_is_half_the_free_span_and_never_a_sheet()
    {
        Clamps.CaulMm(75, 25).ShouldBe(25);
        Clamps.CaulMm(30, 28).ShouldBe(3);
    }

    // 1 kPa over 100 cm² is 10 N, by hand 1.02 kg.
    [Fact]
    public void A_weight_presses_by_its_area() => Clamps.WeightKg(10_000, 3).ShouldBe(3.06, 0.001);

    // Helix: a 20 mm tape without overlap on a 10 mm tube climbs 20 mm a turn of √((10π)² + 20²) = 37.24 mm: 200 mm take 372.4 mm.
    [Fact]
    public void A_wrap_is_a_helix()
    {
        Clamps.WrapLengthMm(10, 200, 20, 0, 1).ShouldBe(372.4, 0.1);
        Clamps.WrapLengthMm(10, 200, 20, 0, 3).ShouldBe(3 * 372.4, 0.3);
        Clamps.WrapLengthMm(10, 200, 20, 0.5, 1).ShouldBeGreaterThan(600);
    }

    [Fact]
    public void A_full_vacuum_presses_with_the_atmosphere() => Clamps.VacuumN(10_000, 101.325).ShouldBe(1013.25, 1e-6);

    [Theory]
    [InlineData(0, 75)]
    [InlineData(100, 0)]
    [InlineData(double.NaN, 75)]
    public void What_cannot_be_is_refused(double length, double spacing) => Should.Throw<ArgumentOutOfRangeException>(() => Clamps.Count(length, spacing));
}
