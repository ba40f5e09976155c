using AbleMend.Core.Curing;

namespace AbleMend.Core.Tests.Curing;

public class EquivalentAgeTests
{
    // Expected: exp(-41500/8.314462618 * (1/T - 1/296.15)) worked out by hand from the Arrhenius form in ASTM C1074.
    [Theory]
    [InlineData(10, 0.461)]
    [InlineData(23, 1.0)]
    [InlineData(33, 1.734)]
    public void Cure_runs_slower_in_the_cold_and_faster_in_the_warm(double celsius, double rate) =>
        EquivalentAge.Rate(41.5, celsius, 23).ShouldBe(rate, 0.0006, "three published digits");

    // Common practice: twice as fast for each 10 °C more.
    [Fact]
    public void The_default_doubles_for_ten_degrees() => EquivalentAge.Rate(EquivalentAge.DefaultActivationKjPerMol, 30, 20).ShouldBe(2.05, 0.01);

    [Theory]
    [InlineData(30)]
    [InlineData(53)]
    [InlineData(90)]
    public void Two_points_of_a_label_give_back_their_activation_energy(double activation)
    {
        var slower = 60 / EquivalentAge.Rate(activation, 12, 25);
        EquivalentAge.ActivationKjPerMol(12, slower, 25, 60).ShouldBe(activation, 1e-9);
    }

    [Theory]
    [InlineData(0, 60)]
    [InlineData(60, -1)]
    public void A_point_of_a_label_takes_some_time(double firstMin, double secondMin) =>
        Should.Throw<ArgumentOutOfRangeException>(() => EquivalentAge.ActivationKjPerMol(20, firstMin, 30, secondMin));

    [Theory]
    [InlineData(-1)]
    [InlineData(201)]
    public void An_activation_energy_lies_where_cures_have_it(double kjPerMol) =>
        Should.Throw<ArgumentOutOfRangeException>(() => EquivalentAge.Rate(kjPerMol, 20, 25));

    [Fact]
    public void Two_points_at_one_temperature_say_nothing() =>
        Should.Throw<ArgumentOutOfRangeException>(() => EquivalentAge.ActivationKjPerMol(20, 10, 20, 5)).ParamName.ShouldBe("secondC");

    [Theory]
    [InlineData(-60, true)]
    [InlineData(-60.1, false)]
    [InlineData(200, true)]
    [InlineData(200.1, false)]
    [InlineData(double.NaN, false)]
    [InlineData(double.PositiveInfinity, false)]
    public void Temperatures_end_at_their_limits(double celsius, bool fine)
    {
        var act = () => EquivalentAge.Rate(50, celsius, 20);
        if (fine)
        {
            act().ShouldBeGreaterThan(0);
        }
        else
        {
            Should.Throw<ArgumentOutOfRangeException>(() => act()).ParamName.ShouldBe("temperatureC");
        }
    }
}
