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

    // By counting: drops of one dropper vary by a tenth, and the pan is read before and after, each time to the nearest step.
    [Theory]
    [InlineData(20, 0.01)]
    [InlineData(40, 0.02)]
    [InlineData(60, 0.05)]
    public void A_drop_that_was_weighed_is_known_as_well_as_it_says(int count, double step)
    {
        var random = new Random(7);
        double Read(double grams) => Math.Round(grams / step) * step;
        var inside = Enumerable.Range(0, 20_000).Count(_ =>
        {
            var (pan, drop) = (random.NextDouble(), 0.025 + (0.015 * random.NextDouble()));
            var fell = Enumerable.Range(0, count).Sum(_ => drop * (1 + (0.1 * Normal(random))));
            var own = new WeighedDrops(count, Read(pan + fell) - Read(pan), step);
            return Math.Abs((own.DropG / drop) - 1) * 100 <= own.BandPercent;
        });
        inside.ShouldBeInRange(18_800, 19_300);
        new WeighedDrops(count, count * 0.031, step).Fault("tools.dropper").ShouldBeNull();
    }

    [Theory]
    [InlineData(20, 0.6, 0.1, "tools.dropper.drops")]
    [InlineData(5, 0.15, 0.001, "tools.dropper.drops")]
    [InlineData(20, 10.0, 0.01, "tools.dropper.grams")]
    [InlineData(0, 0.6, 0.01, "tools.dropper.drops")]
    [InlineData(int.MinValue, double.NaN, -1.0, "tools.dropper.drops")]
    [InlineData(20, double.NaN, 0.01, "tools.dropper.grams")]
    [InlineData(20, 0.6, 0.0, "tools.dropper.stepG")]
    public void Drops_that_say_nothing_are_refused_and_what_would_is_named(int drops, double grams, double step, string field)
    {
        var board = Cases.DeckDing();
        Cases.Planner.Plan(board with { Tools = board.Tools with { Dropper = new WeighedDrops(drops, grams, step) } }).Problems.Select(problem => problem.Field).ShouldContain(field);
    }

    [Fact]
    public void Too_few_are_told_how_many_would_do()
    {
        var remedy = Voice.Plain.Say(new WeighedDrops(5, 0.15, 0.001).Fault("dropper")!.Remedy);
        var enough = int.Parse(System.Text.RegularExpressions.Regex.Match(remedy, @"\d+").Value, System.Globalization.CultureInfo.InvariantCulture);
        new WeighedDrops(enough, enough * 0.03, 0.001).Fault("dropper").ShouldBeNull();
        new WeighedDrops(enough - 1, (enough - 1) * 0.03, 0.001).Fault("dropper").ShouldNotBeNull();
        Voice.Plain.Say(new WeighedDrops(20, 0.6, 1).Fault("dropper")!.Remedy).ShouldBe("Use a finer scale.");
    }

    // Arithmetic: 20 drops of 0.04 g take the same grams of catalyst in fewer drops, and a drop that is known needs fewer of them to hold a dose.
    [Fact]
    public void A_plan_counts_in_the_drops_that_were_weighed()
    {
        var hull = Cases.Usual("gel-coat-hull", DamageKind.Scratch);
        var plan = (hull with { Tools = hull.Tools with { Dropper = new WeighedDrops(20, 0.8) } }).Planned();
        double Of(string id) => plan.Figures.First(figure => figure.Id == id).Value;
        Of("dropper.drop").ShouldBe(0.04, 1e-9);
        (Of("first.resin-g") / Of("first.catalyst-drops")).ShouldBe(0.04 * 100 / Of("first.catalyst-percent"), 1e-6);
        Of("first.catalyst-error").ShouldBe(Math.Sqrt((19.6 * 19.6 / Of("first.catalyst-drops")) + Math.Pow(new WeighedDrops(20, 0.8).BandPercent, 2)), 0.5);
        Of("first.catalyst-error").ShouldBeLessThan(hull.Planned().Figures.First(figure => figure.Id == "first.catalyst-error").Value);
        Catalyst.FewestDrops(Dose, 2, new WeighedDrops(20, 0.8)).ShouldBeLessThan(Catalyst.FewestDrops(Dose, 2));
        plan.Steps.SelectMany(step => step.Pour?.Cup?.Ingredients ?? []).Where(part => part.Part == MixPart.Catalyst).ShouldAllBe(part => part.Each == "dropper.drop");
    }

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
