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
        var weighed = MendOrReplace.Of(80, Permanence.Lasting, new Replacement(600, 60, 36));
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
        var weighed = MendOrReplace.Of(80, Permanence.Lasting, new Replacement(120, 24, 6));
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
        var (lasting, forNow) = (MendOrReplace.Of(0, Permanence.Lasting, replacement), MendOrReplace.Of(0, Permanence.ForNow, replacement));
        MendOrReplace.Of(lasting.WorthUpTo, Permanence.Lasting, replacement).Mend.ShouldBeTrue();
        MendOrReplace.Of(lasting.WorthUpTo + 0.01, Permanence.Lasting, replacement).Mend.ShouldBeFalse();
        forNow.WorthUpTo.ShouldBeLessThan(lasting.WorthUpTo);
    }
}
