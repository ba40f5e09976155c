using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Mixing;

namespace AbleMend.Core.Tests.Mixing;

public class CatalystTests
{
    private static CatalystDose Dose => Cases.Planner.Catalogue.Materials["gel-coat"].Catalyst!;

    // By counting: drops whose mass varies by a fifth; the mean of so many stays inside the label's band nineteen times out of twenty.
    [Theory]
    [InlineData(2)]
    [InlineData(1.8)]
    public void The_fewest_drops_hold_the_dose(double percent)
    {
        var random = new Random(5);
        var drops = Catalyst.FewestDrops(Dose, percent);
        var inside = Enumerable.Range(0, 100_000).Count(_ => Enumerable.Range(0, drops).Average(_ => 1 + (0.2 * Normal(random))) * percent is var got && got >= Dose.MinPercent - (percent * 0.05) && got <= Dose.MaxPercent + (percent * 0.05));
        inside.ShouldBeGreaterThan(94_000);
        drops.ShouldBeLessThanOrEqualTo(4, "nobody counts more into a small cup");
    }

    private static double Normal(Random random) => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());

    [Fact]
    public void Four_times_the_drops_halve_the_error() => (Catalyst.BandPercent(4) / Catalyst.BandPercent(16)).ShouldBe(2, 1e-12);

    // Arithmetic: drops are whole, so the resin is: 0.025 g a drop at 2 % is 1.25 g of resin for each.
    [Fact]
    public void Resin_is_measured_for_whole_drops()
    {
        var plan = Cases.Usual("gel-coat-hull", DamageKind.Scratch).Planned();
        double Of(string id) => plan.Figures.First(figure => figure.Id == id).Value;
        foreach (var coat in new[] { "first", "second" })
        {
            Of($"{coat}.catalyst-true").ShouldBe(Of($"{coat}.catalyst-percent"), 0.005);
            (Of($"{coat}.resin-g") / 1.25).ShouldBe(Of($"{coat}.catalyst-drops"), 1e-6);
        }

        // From memory: wax solution is 2 to 5 % of the resin.
        (Of("second.wax") / Of("second.resin-g")).ShouldBeInRange(0.02, 0.05);
        plan.Figures.ShouldNotContain(figure => figure.Id == "first.wax");
    }
}
