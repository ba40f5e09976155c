using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
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

    private static IReadOnlyList<string> Codes(RepairCase repairCase) => [.. Judged(repairCase).Reasons.Select(reason => reason.Code)];

    private static Verdict Judged(RepairCase repairCase) => TriageDesk.Judge(new CaseView(repairCase, Cases.Planner.Catalogue));

    private static string Text(RepairCase repairCase, string code) => Judged(repairCase).Reasons.Single(reason => reason.Code == code).Text.ToString();

    [Theory]
    [InlineData(20, 3, Decision.Mend)]
    [InlineData(20.1, 3, Decision.Refer)]
    public void A_coating_worn_through_over_more_than_sixty_square_millimetres_is_referred(double length, double width, Decision decision)
    {
        var scratch = Cases.Usual("fork-stanchion", DamageKind.Scratch).Damaged(damage => damage with { Shape = new CrackShape(length, width) });
        Judged(scratch).Decision.ShouldBe(decision);
        Cases.DeckDing().Damaged(damage => damage with { Shape = new CrackShape(length, width) }).Planned().Verdict.Decision.ShouldBe(Decision.Mend, "only a hard coating wears through");
    }

    [Fact]
    public void Six_hundred_square_centimetres_are_mended_and_no_more()
    {
        RepairCase Ding(double length) => Cases.DeckDing(0.5).Damaged(damage => damage with { Shape = new CrackShape(length, 200) });
        Judged(Ding(300)).Decision.ShouldBe(Decision.Mend);
        Judged(Ding(301)).Decision.ShouldBe(Decision.Refer);
        Text(Ding(301), "too-large").ShouldStartWith("602 cm² is more than 600 cm²");
    }

    [Fact]
    public void Only_what_opens_the_foam_and_comes_out_in_the_other_skin_goes_through_both_faces()
    {
        var board = Cases.Planner.Catalogue.Constructions["pu-polyester-board"];
        var through = board.ThicknessMmAt(board.Locations.First(location => location.Id == "deck"));
        Codes(Cases.DeckDing(through)).ShouldContain("through-both-faces");
        Codes(Cases.DeckDing(20)).ShouldNotContain("through-both-faces");
        var shell = Cases.Planner.Catalogue.Constructions["gel-coat-hull"];
        var hull = Cases.Usual("gel-coat-hull", DamageKind.Scratch).Damaged(damage => damage with { DepthMm = shell.ThicknessMmAt(shell.Locations[0]) });
        Codes(hull).ShouldNotContain("through-both-faces", "a shell has no foam between two faces");
    }

    [Fact]
    public void Wet_foam_and_a_wet_face_are_told_apart_and_water_inside_is_a_job_of_its_own()
    {
        RepairCase Wet(double depth) => Cases.DeckDing(depth).Damaged(damage => damage with { Wet = true });
        Text(Wet(8), "wet-core").ShouldStartWith("Water is in the foam");
        Text(Wet(0.2), "wet").ShouldStartWith("It is wet");
        Codes(Cases.DeckDing(8)).ShouldNotContain("wet-core");
        Codes(Cases.Usual("carbon-paddle", DamageKind.WaterInside).Damaged(damage => damage with { Wet = true })).ShouldNotContain("wet-core");
    }

    [Theory]
    [InlineData(5, Warranty.Unknown, true)]
    [InlineData(5, Warranty.InForce, true)]
    [InlineData(5, Warranty.Declined, false)]
    [InlineData(5, Warranty.None, false)]
    [InlineData(90, Warranty.Unknown, false)]
    public void A_warranty_is_asked_for_while_there_may_be_one(int months, Warranty warranty, bool asked) =>
        Codes(Young(months, warranty, Cause.Knock)).Contains("warranty-maybe").ShouldBe(asked);

    [Fact]
    public void The_fin_is_spoken_of_where_there_is_one()
    {
        Codes(Cases.FinBox(7, 7)).ShouldBe(["fin-cant-same", "fin-rocks"]);
        Codes(Cases.FinBox(7, 4)).ShouldBe(["fin-cant-changed", "fin-rocks"], "what decides comes first");
        Codes(Cases.FinBox(7, 7).Damaged(damage => damage with { Fin = new FinCheck(7, 7, false) })).ShouldBe(["fin-cant-same"]);
        Codes(Cases.DeckDing()).ShouldNotContain("fin-cant-same");
    }

    [Fact]
    public void What_heat_did_is_looked_for_all_over_boards_and_hulls_and_along_the_seams_of_what_is_inflated()
    {
        RepairCase Hot(RepairCase repairCase) => repairCase.Damaged(damage => damage with { Cause = Cause.Heat });
        Codes(Hot(Cases.DeckDing())).ShouldContain("heat");
        Codes(Hot(Cases.Usual("gel-coat-hull", DamageKind.Scratch))).ShouldContain("heat");
        Codes(Cases.DeckDing()).ShouldNotContain("heat");
        Codes(Hot(Cases.Usual("csm-boat", DamageKind.Puncture))).ShouldContain("heat-seams");
        Codes(Hot(Cases.Usual("csm-boat", DamageKind.Puncture))).ShouldNotContain("heat");
        Codes(Cases.Usual("csm-boat", DamageKind.Puncture)).ShouldNotContain("heat-seams");
        Codes(Hot(Cases.DeckDing())).ShouldNotContain("heat-seams");
    }

    [Fact]
    public void A_shatter_that_leaves_the_foam_alone_needs_no_fill()
    {
        Codes(Cases.DeckDing(0.2)).ShouldContain("shatter");
        Codes(Cases.DeckDing(8)).ShouldNotContain("shatter");
        Codes(Cases.Usual("gel-coat-hull", DamageKind.Scratch)).ShouldNotContain("shatter");
        Codes(Cases.Usual("rotomoulded-kayak", DamageKind.Crack)).ShouldNotContain("shatter", "there is no foam behind it");
    }

    [Fact]
    public void Only_the_reason_that_decides_is_marked_and_it_stands_first()
    {
        var reasons = Cases.FinBox(7, 3).Wanting(wanted => wanted with { Permanence = Permanence.ForNow }).Planned().Verdict.Reasons;
        reasons[0].ShouldSatisfyAllConditions(first => first.Code.ShouldBe("fin-cant-changed"), first => first.Decides.ShouldBeTrue());
        reasons.Skip(1).ShouldAllBe(reason => !reason.Decides);
        reasons.Select(reason => reason.Code).ShouldNotContain("for-now-was-asked", "a reason that would have decided otherwise is left out");
    }

    [Theory]
    [InlineData(Cause.ByItself, Decision.Warranty)]
    [InlineData(Cause.Unknown, Decision.Warranty)]
    [InlineData(Cause.Pressure, Decision.Mend)]
    [InlineData(Cause.Knock, Decision.Mend)]
    public void In_force_it_goes_back_unless_something_hit_it(Cause cause, Decision decision) =>
        Young(5, Warranty.InForce, cause).Planned().Verdict.Decision.ShouldBe(decision);

    [Fact]
    public void Every_reason_says_where_it_comes_from() =>
        Cases.FinBox().Planned().Verdict.Reasons.ShouldAllBe(reason => reason.Source.ToString().Length > 0 && reason.Text.ToString().Length > 0);

    private static RepairCase Young(int months, Warranty warranty, Cause cause) =>
        Cases.DeckDing().Damaged(damage => damage with { Cause = cause }) with { Item = new ItemFacts("BRD-08", "pu-polyester-board", months, warranty) };
}
