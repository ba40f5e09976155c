using AbleMend.Core.Catalogue;
using AbleMend.Core.Worth;

namespace AbleMend.Core.Tests.Worth;

/// <summary>What a mend and its risk cost against a new one.</summary>
public class MendOrReplaceTests
{
    /// <summary>
    /// Worked by hand, by straight-line depreciation: 600 over 60 months is 10 a month, 36 months are 360. Of lasting mends 1 − 0.97³ = 0.087327
    /// fail in three years, half way through: 0.087327 × 10 × 18 = 15.72.
    /// </summary>
    [Fact]
    public void A_small_mend_of_a_dear_thing_is_worth_it()
    {
        var weighed = MendOrReplace.Of(80, FailRate.Of(Permanence.Lasting), new Replacement(600, 60, 36));
        weighed.Mend.ShouldBeTrue();
        weighed.ReplaceCost.ShouldBe(360);
        weighed.RiskCost.ShouldBe(15.72);
        weighed.MendCost.ShouldBe(95.72);
        weighed.FailShare.ShouldBe(0.087327, 1e-6);
        weighed.WorthUpTo.ShouldBe(344.28);
    }

    [Fact]
    public void A_mend_dearer_than_the_months_it_buys_is_not()
    {
        var weighed = MendOrReplace.Of(80, FailRate.Of(Permanence.Lasting), new Replacement(120, 24, 6));
        weighed.Mend.ShouldBeFalse();
        weighed.ReplaceCost.ShouldBe(30);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(12)]
    [InlineData(120)]
    public void A_mend_is_worth_exactly_what_it_may_cost_at_most_and_a_mend_for_now_less(double left)
    {
        var replacement = new Replacement(300, 48, left);
        var (lasting, forNow) = (MendOrReplace.Of(0, FailRate.Of(Permanence.Lasting), replacement), MendOrReplace.Of(0, FailRate.Of(Permanence.ForNow), replacement));
        MendOrReplace.Of(lasting.WorthUpTo, FailRate.Of(Permanence.Lasting), replacement).Mend.ShouldBeTrue();
        MendOrReplace.Of(lasting.WorthUpTo + 0.01, FailRate.Of(Permanence.Lasting), replacement).Mend.ShouldBeFalse();
        forNow.WorthUpTo.ShouldBeLessThan(lasting.WorthUpTo);
    }

    // Worked by hand: general experience is one failure in 1 ÷ −ln 0.97 = 32.83 years; three more in 30 years make 4 ÷ 62.83 = 0.06366 a year.
    [Fact]
    public void What_the_shop_has_seen_corrects_what_is_generally_found()
    {
        var rate = FailRate.Of(Permanence.Lasting, new SeenOf(14, 3, 30));
        rate.PerYear.ShouldBe(0.06366, 1e-5);
        rate.Share(1).ShouldBe(1 - Math.Exp(-0.06366), 1e-5);
        FailRate.Of(Permanence.Lasting).Share(1).ShouldBe(0.03, 1e-9, "nothing was seen yet");
        MendOrReplace.Of(80, rate, new Replacement(600, 60, 36)).ShouldSatisfyAllConditions(
            weighed => weighed.RiskCost.ShouldBeGreaterThan(MendOrReplace.Of(80, FailRate.Of(Permanence.Lasting), new Replacement(600, 60, 36)).RiskCost), weighed => weighed.Seen.Mends.ShouldBe(14));
    }

    // Reference: gamma distribution of MathNet.Numerics; the rate is the mean of the posterior gamma(a + failures, b + years).
    [Theory]
    [InlineData(0, 40)]
    [InlineData(7, 12.5)]
    public void The_rate_is_the_mean_of_the_posterior(int failed, double years)
    {
        var b = 1 / -Math.Log(0.6);
        FailRate.Of(Permanence.ForNow, new SeenOf(20, failed, years)).PerYear.ShouldBe(new MathNet.Numerics.Distributions.Gamma(1 + failed, b + years).Mean, 1e-12);
    }

    // 4,000 shops drawn at random: with a rate of its own each, and fifty years seen, what is worked out lies closer to the truth than what is generally found.
    [Fact]
    public void A_log_knows_better_than_memory()
    {
        var luck = new Random(7);
        double byLog = 0, byMemory = 0;
        for (var i = 0; i < 4000; i++)
        {
            var truth = 0.01 + (luck.NextDouble() * 0.2);
            var failed = MathNet.Numerics.Distributions.Poisson.Sample(luck, truth * 50);
            byLog += Math.Abs(FailRate.Of(Permanence.Lasting, new SeenOf(60, failed, 50)).PerYear - truth);
            byMemory += Math.Abs(FailRate.Of(Permanence.Lasting).PerYear - truth);
        }

        byLog.ShouldBeLessThan(byMemory / 2);
    }
}
