using AbleMend.Core.Materials;
using AbleMend.Core.Mixing;

namespace AbleMend.Core.Tests.Mixing;

public class VolumeTests
{
    // Cap of a sphere, solid geometry: a cap as deep as its radius is half a sphere, 2/3·π·r³.
    [Fact]
    public void A_bowl_as_deep_as_its_radius_is_half_a_sphere() =>
        Cavity.BowlMl(40, 40, 20).ShouldBe(2.0 / 3 * Math.PI * 8000 / 1000, 1e-9);

    // π·6/6·(3·20² + 6²)/1000 = 3.883 mL.
    [Fact]
    public void A_shallow_bowl_follows_the_cap() => Cavity.BowlMl(40, 40, 6).ShouldBe(3.883, 0.001);

    [Fact]
    public void A_cone_is_a_third_of_its_cylinder() =>
        Cavity.ConeMl(20, 9).ShouldBe(Cavity.RecessMl(Math.PI * 100, 9) / 3, 1e-9);

    [Fact]
    public void A_groove_is_half_a_slit()
    {
        Cavity.SlitMl(100, 4, 5).ShouldBe(2, 1e-12);
        Cavity.GrooveMl(100, 4, 5).ShouldBe(1, 1e-12);
    }

    [Theory]
    [InlineData(-1, 200, 0.45)]
    [InlineData(100, 0, 0.45)]
    [InlineData(100, 200, 0.19)]
    [InlineData(100, 200, 0.81)]
    public void A_laminate_that_cannot_be_is_refused(double areaCm2, double gPerM2, double fibre) =>
        Should.Throw<ArgumentOutOfRangeException>(() => Laminate.ResinG(areaCm2, gPerM2, fibre));

    [Fact]
    public void A_slit_is_length_by_width_by_depth() => Cavity.SlitMl(50, 2, 30).ShouldBe(3, 1e-12);

    [Fact]
    public void Shrink_and_cup_loss_are_added() => Cavity.ToMixMl(9.4, 6, 2).ShouldBe(12, 1e-9);

    // International yard and pound: 1 oz/yd² = 33.906 g/m².
    [Theory]
    [InlineData(1, 33.906)]
    [InlineData(4, 135.6)]
    [InlineData(6, 203.4)]
    public void Ounces_per_square_yard_become_grams_per_square_metre(double ounces, double grams) =>
        (ounces * Laminate.GPerM2PerOzPerYd2).ShouldBe(grams, 0.05);

    [Fact]
    public void Half_fibre_takes_its_own_weight_of_resin() => Laminate.ResinG(1000, 200, 0.5).ShouldBe(20, 1e-9);

    [Fact]
    public void Less_fibre_takes_more_resin() => Laminate.ResinG(1000, 200, 0.4).ShouldBe(30, 1e-9);

    [Fact]
    public void A_coat_is_area_by_thickness() => Laminate.CoatMl(400, 0.2).ShouldBe(8, 1e-9);

    [Fact]
    public void Cement_counts_both_faces_and_every_coat() => Spread.BothFacesG(100, 3, 150).ShouldBe(9, 1e-9);

    // (1/ρ) = 0.8/1.1 + 0.2/0.2, so ρ = 0.579.
    [Fact]
    public void Light_filler_makes_a_light_mix() => ResinMixture.DensityGPerMl(1.1, 0.2, 0.2).ShouldBe(0.579, 0.0005);

    [Theory]
    [InlineData(0, 5, 1)]
    [InlineData(-1, 5, 1)]
    [InlineData(double.NaN, 5, 1)]
    [InlineData(5, 5, -0.1)]
    public void Sizes_are_above_zero(double length, double width, double depth) =>
        Should.Throw<ArgumentOutOfRangeException>(() => Cavity.BowlMl(length, width, depth));
}
