using AbleMend.Core.Proving;

namespace AbleMend.Core.Tests.Proving;

/// <summary>Drying by weight, against boards that are drawn with a known time constant, dry weight and scale.</summary>
public class DryingTestTests
{
    private static double Normal(Random random) => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());

    private static IReadOnlyList<Weighing> Board(double dryG, double waterG, double tauHours, double stepG, IEnumerable<double> hours, Random? random = null) =>
        [.. hours.Select(hour => new Weighing(hour, Math.Round((dryG + (waterG * Math.Exp(-hour / tauHours)) + (random is null ? 0 : Normal(random) * DryingTest.RepeatsWithinG)) / stepG) * stepG, stepG))];

    /// <summary>When a board loses at most three grams in the next day and holds at most fifteen: m(t) − m(t + 24 h) solved by hand.</summary>
    private static double DryHour(double waterG, double tauHours) => tauHours * Math.Log(waterG / Math.Min(15, 3 / (1 - Math.Exp(-24 / tauHours))));

    private static IEnumerable<double> Daily(int count) => Enumerable.Range(0, count).Select(day => day * 24.0);

    [Fact]
    public void Three_weighings_say_nothing() => DryingTest.Judge(Board(3200, 180, 40, 1, Daily(3))).ShouldBe(new DryingResult(DryingVerdict.TooFew, 3));

    [Fact]
    public void Weighings_within_an_hour_say_nothing() => DryingTest.Judge(Board(3200, 180, 40, 1, [0, 0.2, 0.4, 0.6, 0.8])).Verdict.ShouldBe(DryingVerdict.TooFew);

    [Fact]
    public void A_clean_curve_is_found_again()
    {
        var result = DryingTest.Judge(Board(3200, 180, 40, 0.001, Daily(5)));
        result.TauHours!.Value.ShouldBe(40, 1);
        result.DryG!.Value.ShouldBe(3200, 1);
        result.WaterLeftG!.Value.ShouldBe(180 * Math.Exp(-96.0 / 40), 1, "e^(−96/40) of 180 g is 16.3 g");
        result.DryHour!.Value.ShouldBe(DryHour(180, 40), 4);
        result.Verdict.ShouldBe(DryingVerdict.NotYet);
    }

    [Fact]
    public void What_has_stopped_losing_is_dry()
    {
        var result = DryingTest.Judge(Board(3200, 180, 20, 1, Daily(8)));
        result.Verdict.ShouldBe(DryingVerdict.Dry);
        result.WaterMostG!.Value.ShouldBeLessThan(DryingTest.MostLeftG);
    }

    [Fact]
    public void What_never_held_water_is_dry() => DryingTest.Judge(Board(3200, 0, 20, 1, Daily(5))).Verdict.ShouldBe(DryingVerdict.Dry);

    // Two daily weights agree, and yet a cupful of damp is in it: it leaves so slowly. The rule of thumb would seal it in.
    [Fact]
    public void What_dries_slowly_is_not_dry_because_two_weights_agree()
    {
        var board = Board(3200, 28, 24 * 9, 1, Daily(5));
        (board[^2].Grams - board[^1].Grams).ShouldBeLessThanOrEqualTo(3);
        DryingTest.Judge(board).Verdict.ShouldBe(DryingVerdict.NotYet);
    }

    [Fact]
    public void A_coarse_scale_tells_later()
    {
        DryingTest.Judge(Board(3200, 180, 30, 1, Daily(8))).Verdict.ShouldBe(DryingVerdict.Dry);
        var coarse = DryingTest.Judge(Board(3200, 180, 30, 50, Daily(8)));
        coarse.Verdict.ShouldBe(DryingVerdict.NotYet);
        coarse.WaterMostG!.Value.ShouldBeGreaterThan(DryingTest.MostLeftG);
    }

    [Fact]
    public void The_date_lies_in_its_band_nine_times_in_ten_over_drawn_boards()
    {
        var (random, held, told) = (new Random(20261127), 0, 0);
        for (var board = 0; board < 400; board++)
        {
            double tau = 15 + (60 * random.NextDouble()), water = 60 + (400 * random.NextDouble());
            var result = DryingTest.Judge(Board(2500 + (2000 * random.NextDouble()), water, tau, random.NextDouble() < 0.5 ? 1 : 2, Daily(5 + random.Next(4)), random));
            if (result is { LatestHour: { } latest, EarliestHour: { } earliest })
            {
                var truth = Math.Max(0, DryHour(water, tau));
                (told, held) = (told + 1, held + (earliest <= truth && truth <= latest ? 1 : 0));
            }
        }

        told.ShouldBeGreaterThan(300, "most can be told");
        ((double)held / told).ShouldBeInRange(0.9, 0.995);
    }

    [Fact]
    public void What_is_called_dry_is_dry_over_drawn_boards()
    {
        var (random, called, wrong) = (new Random(5), 0, 0);
        for (var board = 0; board < 400; board++)
        {
            double tau = 15 + (80 * random.NextDouble()), water = 40 + (300 * random.NextDouble());
            var weighings = Board(3000, water, tau, 1, Daily(5 + random.Next(6)), random);
            if (DryingTest.Judge(weighings).Verdict == DryingVerdict.Dry)
            {
                (called, wrong) = (called + 1, wrong + (DryHour(water, tau) > weighings[^1].Hour ? 1 : 0));
            }
        }

        called.ShouldBeGreaterThan(50);
        ((double)wrong / called).ShouldBeLessThanOrEqualTo(0.05);
    }
}
