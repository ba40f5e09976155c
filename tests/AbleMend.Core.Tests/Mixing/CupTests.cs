using AbleMend.Core.Curing;
using AbleMend.Core.Materials;
using AbleMend.Core.Mixing;
using MathNet.Numerics.LinearAlgebra;
using MathNet.Numerics.OdeSolvers;

namespace AbleMend.Core.Tests.Mixing;

public class CupTests
{
    private static readonly Material Epoxy = Cases.Planner.Catalogue.Materials["epoxy-2to1"];
    private static readonly Cup Fitted = Cup.Fit(Epoxy);

    public static TheoryData<string> HeatingResins =>
        [.. Cases.Planner.Catalogue.MaterialList.Where(material => material.Heat is not null).Select(material => material.Id)];

    [Theory]
    [MemberData(nameof(HeatingResins))]
    public void The_labels_mass_at_the_labels_temperature_has_the_labels_pot_life(string id)
    {
        var material = Cases.Planner.Catalogue.Materials[id];
        var result = Cup.Fit(material).Simulate(material.Label!.PotMassG!.Value, material.Label.ReferenceC, CupShape.Cup);
        result.PotLifeMin.ShouldBe(material.Label.PotLifeMin!.Value, 0.05);
    }

    [Theory]
    [MemberData(nameof(HeatingResins))]
    public void Warmer_is_shorter_and_larger_is_shorter(string id)
    {
        var cup = Cup.Fit(Cases.Planner.Catalogue.Materials[id]);
        double Life(double grams, double air) => cup.Simulate(grams, air, CupShape.Cup).PotLifeMin;
        Life(30, 15).ShouldBeGreaterThan(Life(30, 20));
        Life(30, 20).ShouldBeGreaterThan(Life(30, 28));
        Life(15, 22).ShouldBeGreaterThan(Life(60, 22));
        Life(60, 22).ShouldBeGreaterThan(Life(240, 22));
    }

    // Common practice: a cup too big or too warm smokes; the same resin spread out stays cool.
    [Fact]
    public void A_cup_runs_hot_and_a_tray_stays_near_the_air()
    {
        Fitted.Simulate(200, 25, CupShape.Cup).PeakC.ShouldBeGreaterThan(120);
        Fitted.Simulate(200, 25, CupShape.Tray).PeakC.ShouldBeLessThan(50, "what a hand bears");
        Fitted.Simulate(16, 20, CupShape.Cup).PeakC.ShouldBeLessThan(60);
    }

    // Worked by hand with the correlation of Churchill and Chu (1975) and the law of Stefan and Boltzmann, air at 320 K from handbook
    // tables: a cup of 40 mm in air of 20 °C. At 20 K above it Ra = 8.9e4, Nu = 9.6, 6.7 + 5.7 W/(m²·K); at 100 K above 3.9e5 and 13.6, 9.5 + 8.4.
    [Theory]
    [InlineData(40, 12.4)]
    [InlineData(120, 17.9)]
    public void The_loss_grows_with_the_difference(double surfaceC, double transfer) =>
        StillAir.TransferWPerM2K(surfaceC, 20, 0.04).ShouldBe(transfer, 0.4);

    // Bands of the order that a materials engineer expects of an open cup, from memory: well below the adiabatic rise, ΔH/cp.
    [Theory]
    [InlineData("epoxy-2to1", 33, 21, 60, 150)]
    [InlineData("epoxy-5to1", 33, 20, 150, 190)]
    [InlineData("epoxy-metal", 24, 20, 75, 130)]
    [InlineData("epoxy-2to1", 15, 20, 21, 60)]
    public void A_cup_gets_as_hot_as_such_cups_do(string id, double grams, double airC, double least, double most) =>
        Cup.Fit(Cases.Planner.Catalogue.Materials[id]).Simulate(grams, airC, CupShape.Cup).PeakC.ShouldBeInRange(least, most);

    [Theory]
    [MemberData(nameof(HeatingResins))]
    public void A_batch_a_little_larger_is_a_little_hotter_and_does_not_jump(string id)
    {
        var cup = Cup.Fit(Cases.Planner.Catalogue.Materials[id]);
        var peaks = Enumerable.Range(0, 60).Select(i => cup.Simulate(5 * Math.Pow(1.05, i), 20, CupShape.Cup).PeakC).ToList();
        peaks.Zip(peaks.Skip(1), (before, after) => after - before).ShouldAllBe(rise => rise >= -1 && rise < 15);
    }

    [Fact]
    public void No_batch_gets_hotter_than_its_own_heat_can_make_it() =>
        Fitted.Simulate(5000, 25, CupShape.Cup).PeakC.ShouldBeLessThan(25 + (Epoxy.Heat!.EnthalpyJPerG / Epoxy.Heat.HeatCapacityJPerGK) + 1);

    // Reference: the same two equations (Kamal and Sourour 1973, lumped heat balance) by the classical fourth-order
    // Runge-Kutta method of a general numerical library, at fine fixed steps.
    [Theory]
    [InlineData(30, 20)]
    [InlineData(100, 25)]
    [InlineData(60, 30)]
    public void The_steps_agree_with_a_reference_solver(double grams, double air)
    {
        var ours = Fitted.Simulate(grams, air, CupShape.Cup);
        var k1 = FittedRate();
        var volume = grams / Epoxy.DensityGPerMl!.Value * 1e-6;
        var area = 1.5 * Math.PI * Math.Pow(4 * volume / Math.PI, 2.0 / 3);
        var capacity = (grams * Epoxy.Heat!.HeatCapacityJPerGK) + Cup.CupHeatCapacityJPerK;
        var height = Math.Cbrt(4 * volume / Math.PI);
        Vector<double> Slope(double time, Vector<double> y)
        {
            var rate = k1 * EquivalentAge.Rate(EquivalentAge.DefaultActivationKjPerMol, Math.Min(y[1], 199), 25)
                * (1 + (Cup.Autocatalysis * y[0])) * Math.Pow(1 - y[0], 2);
            var loss = StillAir.TransferWPerM2K(y[1], air, height) * area * (y[1] - air);
            return Vector<double>.Build.Dense([rate, ((grams * Epoxy.Heat!.EnthalpyJPerG * rate) - loss) / capacity]);
        }

        const int Steps = 8000;
        var seconds = ours.PotLifeMin * 60 * 1.05;
        var path = RungeKutta.FourthOrder(Vector<double>.Build.Dense([0.0, air]), 0, seconds, Steps, Slope);
        var gel = Array.FindIndex(path, y => y[0] >= Epoxy.Heat.GelConversion) * seconds / (Steps - 1) / 60;
        ours.PotLifeMin.ShouldBe(gel, gel * 0.004, "the fit closes in to 0.01 %, the steps to a few parts in a thousand");
    }

    // Castro and Macosko: a thermoset thickens without bound towards gel, so it is past spreading well before that.
    [Theory]
    [InlineData(20, 20)]
    [InlineData(100, 25)]
    [InlineData(400, 30)]
    public void It_stops_spreading_before_it_gels(double grams, double air)
    {
        var result = Fitted.Simulate(grams, air, CupShape.Cup);
        (result.SpreadMin / result.PotLifeMin).ShouldBeInRange(0.5, 0.95);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(-1)]
    [InlineData(double.NaN)]
    public void A_batch_has_a_mass(double grams) =>
        Should.Throw<ArgumentOutOfRangeException>(() => Fitted.Simulate(grams, 20, CupShape.Cup)).ParamName.ShouldBe("massG");

    /// <summary>k1 that gives the label's pot life, found with the reference's own equations from one isothermal-enough run.</summary>
    private static double FittedRate()
    {
        // A nanogram sheds its heat at once, so conversion follows the rate law alone: k1 is the integral of its inverse over time.
        var tiny = Fitted.Simulate(1e-9, 25, CupShape.Cup);
        const int Steps = 20000;
        var gel = Epoxy.Heat!.GelConversion;
        var integral = Enumerable.Range(0, Steps).Sum(i =>
        {
            var alpha = gel * (i + 0.5) / Steps;
            return gel / Steps / ((1 + (Cup.Autocatalysis * alpha)) * (1 - alpha) * (1 - alpha));
        });
        return integral / (tiny.PotLifeMin * 60);
    }
}
