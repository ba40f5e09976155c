using AbleMend.Core.Gear;
using AbleMend.Core.Plans;
using AbleMend.Core.Triage;

namespace AbleMend.Core.Tests.Triage;

public class TriageTests
{
    [Fact]
    public void A_plain_ding_is_mended() => Cases.DeckDing().Planned().Verdict.Decision.ShouldBe(Decision.Mend);

    // Common practice: the cant compared with its twin; unchanged, so the box stays.
    [Theory]
    [InlineData(7, 7, Decision.Mend)]
    [InlineData(7, 8, Decision.Mend)]
    [InlineData(7, 8.1, Decision.Refer)]
    [InlineData(7, 4, Decision.Refer)]
    public void A_box_stays_while_its_fin_stands_as_its_twin_does(double cant, double twin, Decision decision) =>
        Cases.FinBox(cant, twin).Planned().Verdict.Decision.ShouldBe(decision);

    [Fact]
    public void A_box_that_moved_is_not_glassed_round_by_choosing_to() =>
        Cases.FinBox(7, 3).Planned().Steps.ShouldBeEmpty();

    [Theory]
    [InlineData(12, Decision.Warranty)]
    [InlineData(13, Decision.Mend)]
    public void A_new_board_that_nobody_hit_goes_back_first(int months, Decision decision) =>
        Young(months, Warranty.Unknown, Cause.ByItself).Planned().Verdict.Decision.ShouldBe(decision);

    [Fact]
    public void A_new_board_that_was_hit_is_mended_with_a_word_of_warning()
    {
        var verdict = Young(5, Warranty.Unknown, Cause.Knock).Planned().Verdict;
        verdict.Decision.ShouldBe(Decision.Mend);
        verdict.Reasons.Select(reason => reason.Code).ShouldContain("warranty-maybe");
    }

    [Fact]
    public void A_declined_claim_frees_the_board() =>
        Young(5, Warranty.Declined, Cause.ByItself).Planned().Verdict.Decision.ShouldBe(Decision.Mend);

    [Fact]
    public void A_board_broken_across_is_retired()
    {
        var snapped = Cases.DeckDing().Damaged(damage => damage with { Kind = DamageKind.Crack, Shape = new CrackShape(480, 6), DepthMm = 20, AcrossWholeWidth = true });
        snapped.Planned().Verdict.Decision.ShouldBe(Decision.Retire);
    }

    [Fact]
    public void A_crease_across_that_leaves_the_foam_alone_is_mended() =>
        Cases.DeckDing().Damaged(damage => damage with { Kind = DamageKind.Crack, Shape = new CrackShape(480, 1), DepthMm = 0.5, AcrossWholeWidth = true })
            .Planned().Verdict.Decision.ShouldBe(Decision.Mend);

    [Fact]
    public void Through_both_faces_is_for_a_board_builder() =>
        Cases.DeckDing().Damaged(damage => damage with { DepthMm = 59.2 }).Planned().Verdict.Decision.ShouldBe(Decision.Refer);

    [Fact]
    public void Too_large_is_for_a_board_builder() => Cases.DeckDing(2, 290).Planned().Verdict.Decision.ShouldBe(Decision.Refer);

    // Common practice: nothing holds on wet foam.
    [Fact]
    public void Wet_foam_is_dried_before_anything_else()
    {
        var plan = Cases.DeckDing(8).Damaged(damage => damage with { Wet = true }).Planned();
        plan.Verdict.Reasons.Select(reason => reason.Code).ShouldContain("wet-core");
        plan.Steps[0].Id.ShouldBe("dry");
        (plan.Timeline[0].OpensAt - plan.StartAt)!.Value.ShouldBeGreaterThan(TimeSpan.FromDays(1));
    }

    [Fact]
    public void A_mend_for_now_is_named_as_such_and_the_proper_one_is_booked()
    {
        var plan = Cases.DeckDing().Wanting(wanted => wanted with { Permanence = Permanence.ForNow }).Planned();
        plan.Verdict.Decision.ShouldBe(Decision.MendForNow);
        plan.ProperRepairBy.ShouldNotBeNull();
    }

    [Fact]
    public void Choosing_the_quick_way_makes_it_a_mend_for_now() =>
        Cases.DeckDing().Choosing("uv-under-film", "uv-polyester").Planned().Verdict.Decision.ShouldBe(Decision.MendForNow);

    [Fact]
    public void Every_reason_says_where_it_comes_from() =>
        Cases.FinBox().Planned().Verdict.Reasons.ShouldAllBe(reason => reason.Source.Length > 0 && reason.Text.Length > 0);

    private static RepairCase Young(int months, Warranty warranty, Cause cause) =>
        Cases.DeckDing().Damaged(damage => damage with { Cause = cause }) with { Item = new ItemFacts("BRD-08", "pu-polyester-board", months, warranty) };
}
