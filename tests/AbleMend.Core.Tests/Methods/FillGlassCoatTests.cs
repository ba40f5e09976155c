using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Plans;
using AbleMend.Core.Timing;
using AbleMend.Core.Mixing;

namespace AbleMend.Core.Tests.Methods;

/// <summary>J21: a fin box, cracked round. Check values: common practice, no source.</summary>
public class FillGlassCoatTests
{
    private static readonly RepairPlan J21 = Cases.FinBox().Planned();

    [Fact]
    public void J21_the_cup_and_the_patches_call_for_20_and_10()
    {
        J21.Figure("glass.part-a").Value.ShouldBe(20, 1e-9);
        J21.Figure("glass.part-b").Value.ShouldBe(10, 1e-9);
        J21.Figure("glass.batch").Value.ShouldBe(30, 1e-9);
    }

    [Fact]
    public void J21_the_sanding_coat_takes_10_and_5()
    {
        J21.Figure("coat.part-a").Value.ShouldBe(10, 1e-9);
        J21.Figure("coat.part-b").Value.ShouldBe(5, 1e-9);
    }

    [Fact]
    public void J21_keys_with_60_and_sands_150_220_320_and_400_wet()
    {
        J21.Figure("key.grit").Value.ShouldBe(60);
        Ladder(J21).ShouldBe(["P150", "P220", "P320", "P400 wet"]);
    }

    [Fact]
    public void J21_the_other_school_stops_dry_at_400_before_400_wet() =>
        Ladder(Cases.FinBox().OfSchool("dry-finish", "P400").Planned())
            .ShouldBe(["P150", "P220", "P400", "P400 wet"]);

    [Fact]
    public void J21_the_box_stays_and_is_rocked_taped_and_proven()
    {
        J21.Verdict.Reasons.Select(reason => reason.Code).ShouldContain("fin-cant-same");
        J21.Steps[0].Id.ShouldBe("fin-rock");
        J21.Step("mask").Instruction.ToString().ShouldContain("drip edge");
        J21.Step("mask").DoNotForget.ShouldBe("Tape over the box.");
        J21.Step("prove-fin-fit").Proof.ShouldBe("fin-fit");
    }

    [Fact]
    public void J21_two_patches_the_smaller_first()
    {
        J21.Patches.Count.ShouldBe(2);
        J21.Patches[0].AreaCm2.ShouldBeLessThan(J21.Patches[1].AreaCm2);
    }

    [Fact]
    public void The_other_school_lays_the_large_patch_first()
    {
        var plan = Cases.FinBox().OfSchool("patch-order", "large-first").Planned();
        plan.Patches[0].AreaCm2.ShouldBeGreaterThan(plan.Patches[1].AreaCm2);
        plan.Step("glass").Instruction.ToString().ShouldContain("Larger patch first");
    }

    [Theory]
    [InlineData(0.2, false, 0)]
    [InlineData(0.5, false, 1)]
    [InlineData(4, true, 2)]
    public void Depth_decides_how_much_of_it_is_needed(double depth, bool filled, int patches)
    {
        var plan = Cases.DeckDing(depth).Choosing("fill-glass-coat", "epoxy-2to1").Planned();
        plan.Steps.Any(step => step.Id == "fill").ShouldBe(filled);
        plan.Patches.Count.ShouldBe(patches);
    }

    // Common practice: laminating polyester stays tacky in air; the coat goes on inside its window and carries the wax.
    [Fact]
    public void Polyester_is_coated_inside_its_window_and_waxed()
    {
        var plan = Cases.DeckDing(4).Choosing("fill-glass-coat", "polyester-laminating").Planned();
        plan.Step("glass").Timing.Wait!.Kind.ShouldBe(WaitKind.Recoat);
        plan.Time("glass").ClosesAt.ShouldNotBeNull();
        plan.Step("coat-mix").DoNotForget!.ToString().ShouldStartWith("Wax first, then catalyst");
        plan.Step("coat-mix").Cautions.ShouldContain("peroxide");
    }

    [Fact]
    public void Deep_fill_of_light_cured_resin_goes_in_layers()
    {
        var plan = Cases.DeckDing(9).Choosing("fill-glass-coat", "uv-polyester").Planned();
        plan.Figure("fill.layers").Value.ShouldBe(3);
        (plan.Time("fill").OpensAt - plan.Time("fill").HandsEndAt)!.Value.TotalMinutes.ShouldBe(30, 1e-6);
    }

    [Fact]
    public void A_hand_set_batch_carries_through_to_its_parts()
    {
        var plan = Cases.FinBox().ByHand([new Override("glass.batch", 45, "two helpers, the large cup")]).Planned();
        plan.Figure("glass.batch").SetByHand!.ShouldBe(new SetByHand(30, "two helpers, the large cup"));
        plan.Figure("glass.part-a").Value.ShouldBe(30, 1e-9);
        plan.Figure("glass.part-b").Value.ShouldBe(15, 1e-9);
    }

    [Fact]
    public void A_wider_margin_by_hand_needs_more_cloth_and_resin()
    {
        var wide = Cases.FinBox().ByHand([new Override("patch.margin", 35, "old cracks further out")]).Planned();
        wide.Figure("glass.area").Value.ShouldBeGreaterThan(J21.Figure("glass.area").Value);
        wide.Figure("glass.need").Value.ShouldBeGreaterThan(J21.Figure("glass.need").Value);
    }

    [Fact]
    public void A_drawer_with_a_gap_says_what_to_buy()
    {
        var plan = (Cases.FinBox() with { Tools = new Tools(Cases.Cup, ["P60", "P150", "P400"]) }).Planned();
        plan.Warnings.Select(warning => warning.Code).ShouldContain("gap-in-drawer");
        Ladder(plan).Count.ShouldBeGreaterThan(2);
    }

    [Fact]
    public void On_a_scale_the_parts_are_told_in_grams() =>
        (Cases.FinBox() with { Tools = new Tools(new Core.Mixing.ScaleDevice(0.1), ["P60", "P150", "P220", "P320", "P400"]) })
            .Planned().Step("glass-mix").Instruction.ToString().ShouldStartWith("On the scale");

    private static IReadOnlyList<string> Ladder(RepairPlan plan) =>
        [.. plan.Figures.Where(figure => figure.Id.StartsWith("sand.", StringComparison.Ordinal)).Select(figure => figure.Label.ToString())];
}

/// <summary>J06: a deck ding, quick. Check values: common practice, no source.</summary>
public class UvUnderFilmTests
{
    private static readonly RepairPlan J06 = Cases.DeckDing().Wanting(wanted => wanted with { Permanence = Permanence.ForNow }).Planned();

    [Fact]
    public void J06_is_UV_polyester_under_film_keyed_with_60()
    {
        (J06.System!.Method, J06.System.Material).ShouldBe(("uv-under-film", "uv-polyester"));
        J06.Figure("key.grit").Value.ShouldBe(60);
        J06.Steps.ShouldContain(step => step.Id == "film");
    }

    [Fact]
    public void J06_the_witness_is_looked_at_after_about_ten_minutes()
    {
        J06.Figure("light.minutes").Value.ShouldBe(10);
        (J06.Time("spread").OpensAt - J06.Time("spread").HandsEndAt)!.Value.TotalMinutes.ShouldBe(10, 1e-6);
        J06.Step("spread").Timing.Wait!.Check.ToString().ShouldContain("stick");
    }

    [Fact]
    public void J06_is_for_now_and_books_the_proper_repair()
    {
        J06.Verdict.Decision.ShouldBe(Core.Catalogue.Decision.MendForNow);
        (J06.ProperRepairBy - J06.StartAt)!.Value.TotalDays.ShouldBeGreaterThan(7);
    }

    [Fact]
    public void J06_takes_chopped_glass_and_no_finish_sanding()
    {
        J06.System!.Filler.ShouldBe("chopped-glass");
        J06.Figure("fill.filler").Value.ShouldBeGreaterThan(0);
        J06.Steps.ShouldNotContain(step => step.Id == "sand");
    }

    [Fact]
    public void A_catalyst_makes_it_quicker_and_starts_a_pot_clock()
    {
        var plan = Cases.DeckDing().Choosing("uv-under-film", "uv-polyester").OfSchool("uv-resin", "light-and-catalyst").Planned();
        plan.Figure("light.minutes").Value.ShouldBeLessThan(10);
        plan.Step("fill-mix").UseWithinMin.ShouldNotBeNull();
        plan.Step("fill-mix").Cautions.ShouldContain("peroxide");
    }

    [Fact]
    public void Catalysed_light_resin_is_split_by_what_the_cup_holds()
    {
        var hole = Cases.DeckDing(diameterMm: 70);
        var plan = (hole with { Tools = hole.Tools with { Measure = new CupDevice(1, 0.2, 10) } }).Choosing("uv-under-film", "uv-polyester").OfSchool("uv-resin", "light-and-catalyst").Planned();
        var (each, cups) = (plan.Figure("fill.batch").Value, plan.Figure("fill.batches").Value);
        each.ShouldBeLessThanOrEqualTo(10);
        cups.ShouldBeGreaterThan(1);
        (each * cups).ShouldBeGreaterThanOrEqualTo(plan.Figure("fill.need").Value * 0.99);
    }

    [Theory]
    [InlineData(12, true)]
    [InlineData(12.1, false)]
    public void A_hole_too_deep_for_fibres_is_not_offered_it(double depth, bool offered) =>
        Cases.DeckDing(depth).Planned().Candidates.Any(candidate => candidate.Method == "uv-under-film").ShouldBe(offered);

    [Fact]
    public void A_fin_box_is_not_offered_it()
    {
        Cases.FinBox().Planned().Candidates.ShouldNotContain(candidate => candidate.Method == "uv-under-film");
        Cases.FinBox().Choosing("uv-under-film", "uv-polyester").Refused().Single().Code.ShouldBe("system-does-not-fit");
    }

    [Fact]
    public void Through_foam_the_film_repair_dries_first() =>
        Cases.DeckDing(8).Damaged(damage => damage with { Wet = true }).Choosing("uv-under-film", "uv-polyester").Planned().Steps[0].Id.ShouldBe("dry");
}
