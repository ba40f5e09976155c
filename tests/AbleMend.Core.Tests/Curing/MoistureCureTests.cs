using AbleMend.Core.Curing;

namespace AbleMend.Core.Tests.Curing;

public class MoistureCureTests
{
    // Magnus formula, Sonntag (1990): 8.6 g/m³ at 20 °C and 50 %, 11.5 at 25 °C and 50 %; 17.3 saturated at 20 °C.
    [Theory]
    [InlineData(20, 50, 8.6)]
    [InlineData(25, 50, 11.5)]
    [InlineData(20, 100, 17.3)]
    [InlineData(0, 100, 4.85)]
    public void Absolute_humidity_is_the_tabled_one(double airC, double percent, double gPerM3) =>
        MoistureCure.AbsoluteHumidityGPerM3(airC, percent).ShouldBe(gPerM3, 0.06);

    // Diffusion-limited: twice as deep takes four times as long.
    [Theory]
    [InlineData(-41, 50)]
    [InlineData(61, 50)]
    [InlineData(20, 101)]
    public void Air_that_cannot_be_is_refused(double airC, double percent) =>
        Should.Throw<ArgumentOutOfRangeException>(() => MoistureCure.AbsoluteHumidityGPerM3(airC, percent));

    [Fact]
    public void Twice_as_deep_takes_four_times_as_long() =>
        (MoistureCure.Factor(8, 4, 22, 50) / MoistureCure.Factor(4, 4, 22, 50)).ShouldBe(4, 1e-9);

    [Fact]
    public void A_film_thinner_than_the_labels_takes_the_labels_time() =>
        MoistureCure.Factor(0.2, 4, 22, 50).ShouldBe(MoistureCure.Factor(4, 4, 22, 50));

    [Fact]
    public void Damp_air_is_quicker_in_proportion_to_its_water() =>
        (MoistureCure.Factor(4, 4, 20, 40) / MoistureCure.Factor(4, 4, 20, 80)).ShouldBe(2, 1e-9);

    [Fact]
    public void In_the_labels_own_air_the_labels_time_holds() => MoistureCure.Factor(4, 4, 22, 50).ShouldBe(1, 0.01);

    [Theory]
    [InlineData(0, 4, 50)]
    [InlineData(4, 0, 50)]
    [InlineData(4, 4, 0)]
    [InlineData(4, 4, 101)]
    public void What_cannot_be_is_refused(double depth, double film, double percent) =>
        Should.Throw<ArgumentOutOfRangeException>(() => MoistureCure.Factor(depth, film, 20, percent));
}
