using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Gear;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Tests.Methods;

/// <summary>The check values of the trade, job by job: common practice, no source. Fin box and quick deck ding have their own file.</summary>
public class CheckValueTests
{
    private static RepairPlan Worked(string id) => Gallery.GalleryTests.Read(id).Planned();

    private static double Hours(RepairPlan plan, string step) => (plan.Time(step).OpensAt!.Value - plan.Time(step).HandsEndAt!.Value).TotalHours;

    [Fact]
    public void J01_a_soft_board_takes_epoxy_safe_resin_and_about_five_minutes_of_full_sun()
    {
        var plan = Worked("soft-board-slice");
        plan.System!.Material.ShouldBe("uv-epoxy-safe");
        plan.Candidates.Single(candidate => candidate is { Method: "uv-slice-fill", Material: "uv-polyester" }).Findings
            .ShouldContain(finding => finding.Weight == Core.Matching.Weight.Veto && finding.Layer == "core");
        var shallow = Gallery.GalleryTests.Read("soft-board-slice").Damaged(damage => damage with { DepthMm = 2.5 }).Planned();
        shallow.Figure("light.minutes").Value.ShouldBe(5, 1);
    }

    [Fact]
    public void J02_scratches_stand_half_to_one_millimetre_proud_in_two_passes()
    {
        var plan = Worked("ski-base-scratch");
        plan.Figure("fill.proud").Value.ShouldBeInRange(0.5, 1);
        plan.Figure("fill.passes").Value.ShouldBe(2);
    }

    [Fact]
    public void J02_a_core_shot_takes_weld_and_not_filler_three_to_four_proud_80_to_rough_220_wet_to_level()
    {
        var plan = Worked("ski-core-shot");
        plan.System!.Material.ShouldBe("base-weld");
        plan.Candidates.Single(candidate => candidate is { Method: "base-weld", Material: "base-filler" }).Vetoed.ShouldBeTrue();
        plan.Figure("weld.proud").Value.ShouldBeInRange(3, 4);
        plan.Figure("scuff.grit").Value.ShouldBe(80);
        plan.Figure("level.grit").Value.ShouldBe(220);
        plan.ShouldGoThrough("cut", "anchor", "beads", "level");
    }

    [Fact]
    public void J02_belting_one_ski_asks_for_its_mate() =>
        Gallery.GalleryTests.Read("ski-core-shot").OfSchool("base-finish", "belt").Planned().Step("level").DoNotForget!.ToString().ShouldContain("mate");

    [Fact]
    public void J03_the_drain_is_2_4_mm_and_50_mm_below_the_neck_and_the_paddle_lies_level_for_an_hour()
    {
        var plan = Worked("paddle-water-inside");
        plan.Figure("drill.size").Value.ShouldBe(2.4);
        plan.Figure("drill.largest").Value.ShouldBe(3);
        plan.Figure("drill.place").Value.ShouldBe(50);
        Hours(plan, "close").ShouldBe(1, 0.01);
        plan.Figure("air.drawn-in").Value.ShouldBe(124.5, 0.5);
    }

    [Fact]
    public void J04_lacquer_dries_a_day_then_2000_and_2500_wet()
    {
        var plan = Worked("fork-stanchion-scratch");
        Hours(plan, "fill").ShouldBe(24, 0.5);
        plan.Figures.Where(figure => figure.Id.StartsWith("sand.", StringComparison.Ordinal)).Select(figure => figure.Label.ToString()).ShouldBe(["P2000 wet", "P2500 wet"]);
    }

    [Fact]
    public void J05_metal_epoxy_sets_in_about_45_minutes_faster_in_heat_and_takes_its_thickener()
    {
        var plan = Gallery.GalleryTests.Read("canoe-keel-crack").AtBench(bench => bench with { TemperatureC = 23 }).Planned();
        (plan.Time("outside").OpensAt!.Value - plan.Time("outside-mix").StartsAt!.Value).TotalMinutes.ShouldBe(45, 1);
        var warm = Gallery.GalleryTests.Read("canoe-keel-crack").AtBench(bench => bench with { TemperatureC = 33 }).Planned();
        (warm.Time("outside").OpensAt!.Value - warm.Time("outside-mix").StartsAt!.Value).TotalMinutes.ShouldBeLessThan(25);
        plan.Step("outside").DoNotForget!.ToString().ShouldContain("thickener");
        // Common practice: the second look a couple of hours after the first batch.
        (plan.Time("again-mix").StartsAt!.Value - plan.Time("outside-mix").StartsAt!.Value).TotalMinutes.ShouldBe(120, 5);
        plan.ShouldGoThrough("outside", "leave", "again", "turn", "inside", "prove-inside-wet", "blend");
    }

    [Fact]
    public void J07_a_strip_is_scuffed_with_100_holds_for_now_and_the_proper_cement_takes_24_48_hours_and_6_days()
    {
        var plan = Worked("boat-strip-lifted");
        plan.Verdict.Decision.ShouldBe(Core.Catalogue.Decision.MendForNow);
        plan.Figure("scuff.grit").Value.ShouldBe(100);
        plan.ProperRepair!.ToString().ShouldContain("24 h, 48 h, then 6 days");
    }

    [Fact]
    public void J08_a_small_hole_in_PVC_gets_one_patch_and_24_hours_before_water()
    {
        var plan = Worked("pvc-floor-hole");
        plan.System!.Material.ShouldBe("cement-vinyl");
        (plan.ReadyAt!.Value - plan.Time("close").StartsAt!.Value).TotalHours.ShouldBe(24, 1);
    }

    [Fact]
    public void J09_a_deck_is_clamped_at_50_to_75_mm_for_24_hours_and_squared_with_60()
    {
        var plan = Worked("skate-deck-plies");
        plan.Figure("clamp.count").Value.ShouldBeGreaterThanOrEqualTo(2);
        Core.Clamping.Clamps.WidestSpacingMm.ShouldBeInRange(50, 75);
        Hours(plan, "clamp").ShouldBe(24, 0.5);
        plan.Step("square").Title.ToString().ShouldContain("P60");
        plan.Figure("square.cost").Value.ShouldBe(3);
    }

    [Fact]
    public void J09_a_month_old_and_never_slammed_goes_back_to_the_shop() =>
        (Cases.Usual("skate-deck", DamageKind.Parted) with { Item = new ItemFacts("SKA-09", "skate-deck", 1, Warranty.Unknown) })
            .Damaged(damage => damage with { Cause = Cause.ByItself }).Planned().Verdict.Decision.ShouldBe(Core.Catalogue.Decision.Warranty);

    [Fact]
    public void J10_the_patch_covers_all_that_lost_its_print()
    {
        var plan = Worked("printed-vinyl-pinhole");
        plan.Patches.Single().MarginMm.ShouldBeGreaterThanOrEqualTo(plan.Figure("print.margin").Value);
        plan.ShouldGoThrough("deflate", "print", "place", "inflate");
    }

    [Fact]
    public void J11_a_corner_splinter_is_shaped_with_320() => Worked("bow-limb-splinter").Figure("shape.grit").Value.ShouldBe(320);

    [Fact]
    public void J12_gel_coat_ten_millimetres_of_tape_150_two_percent_500_1000_2000()
    {
        var plan = Worked("foil-gel-coat-scratch");
        plan.Figure("tape.margin").Value.ShouldBe(10);
        plan.Figure("scuff.grit").Value.ShouldBe(150);
        plan.Figure("first.catalyst-percent").Value.ShouldBe(2);
        plan.Figure("second.catalyst-percent").Value.ShouldBe(2);
        plan.Figures.Where(figure => figure.Id.StartsWith("sand.", StringComparison.Ordinal)).Select(figure => figure.Label.ToString()).ShouldBe(["P500 wet", "P1000 wet", "P2000 wet"]);
        plan.Step("second-mix").DoNotForget!.ToString().ShouldStartWith("Wax first, then catalyst");
        plan.Step("first-mix").Instruction.ToString().ShouldNotContain("wax");
    }

    [Fact]
    public void J13_a_blown_seam_lies_24_hours_under_6_mm_bars_then_24_hours_at_pressure()
    {
        var plan = Worked("inflatable-board-seam-blown");
        plan.Figure("plate.bar").Value.ShouldBe(6);
        Hours(plan, "clamp").ShouldBe(24, 0.5);
        Hours(plan, "watch").ShouldBe(24, 0.01);
        plan.Step("open").Instruction.ToString().ShouldContain("threads");
        plan.Figure("clean.in-seam").Value.ShouldBeInRange(2, 10);
    }

    [Fact]
    public void J14_discs_of_75_mm_four_to_a_pack_both_faces_for_a_hole_and_one_for_a_slit()
    {
        MeshDiscs.DiscMm.ShouldBe(75);
        Worked("tent-mesh-melt").Figure("disc.in-pack").Value.ShouldBe(4);
        Worked("tent-mesh-melt").Figure("disc.faces").Value.ShouldBe(2);
        Worked("tent-mesh-slit").Figure("disc.faces").Value.ShouldBe(1);
        Worked("tent-mesh-melt").Step("clean").Timing.Wait!.OpensMin.CureMin.ShouldBeInRange(1, 2);
    }

    [Fact]
    public void J15_neoprene_three_coats_five_to_six_minutes_apart_and_urethane_24_hours()
    {
        var plan = Worked("neoprene-wader-tear");
        plan.Steps.Count(step => step.Id.StartsWith("coat-", StringComparison.Ordinal)).ShouldBe(3);
        plan.Step("coat-1").Timing.Wait!.OpensMin.CureMin.ShouldBeInRange(5, 6);
        Hours(plan, "seal").ShouldBe(24, 2);
    }

    [Fact]
    public void J16_a_pole_wrap_soaks_five_seconds_sets_in_fifteen_minutes_and_stays_off_the_ferrule()
    {
        var plan = Worked("tent-pole-split");
        plan.Step("soak").Title.ToString().ShouldContain("five seconds");
        plan.Step("wrap").Timing.Wait!.OpensMin.CureMin.ShouldBe(15);
        plan.Drawing.Marks.ShouldContain(mark => mark.Kind == MarkKind.Forbidden);
        Cases.Usual("pole-fibreglass", DamageKind.Split).Damaged(damage => damage with { Location = "ferrule" }).Planned().Verdict.Decision.ShouldBe(Core.Catalogue.Decision.Refuse);
    }

    [Fact]
    public void J17_a_small_corner_leak_at_a_19_mm_lap_is_pinched_after_about_five_minutes_without_a_clamp()
    {
        var plan = Worked("inflatable-board-seam-leak");
        plan.Figure("lap.width").Value.ShouldBe(19);
        plan.Step("cement").Timing.Wait!.ShouldSatisfyAllConditions(wait => wait.OpensMin.CureMin.ShouldBeLessThan(5), wait => wait.ClosesMin!.Value.CureMin.ShouldBeGreaterThan(5));
        plan.Step("pinch").Title.ToString().ShouldContain("no clamp");
        plan.Step("inflate").DoNotForget!.ToString().ShouldContain("Nine of ten");
        (plan.Timeline.Single(each => each.StepId == "prove-soap").StartsAt!.Value - plan.StartAt).TotalHours.ShouldBeLessThan(3);
    }

    [Fact]
    public void J18_a_puncture_25_mm_margin_half_the_kit_three_coats_of_15_to_20_minutes_a_year_once_opened_24_hours_deflated()
    {
        var plan = Worked("inflatable-board-puncture");
        plan.Figure("patch.margin").Value.ShouldBeGreaterThanOrEqualTo(25);
        plan.Figure("mix.kits").Value.ShouldBe(0.5);
        plan.Step("mix").Instruction.ToString().ShouldContain("12 months once opened");
        plan.Steps.Count(step => step.Id.StartsWith("coat-", StringComparison.Ordinal)).ShouldBe(3);
        plan.Step("coat-1").Timing.Wait!.OpensMin.CureMin.ShouldBeInRange(15, 20);
        (plan.Time("rim").OpensAt!.Value - plan.Time("close").StartsAt!.Value).TotalHours.ShouldBe(24, 0.1);
        plan.ShouldGoThrough("find", "deflate", "mask", "coat-1", "rim", "inflate", "prove-soap");
    }

    [Fact]
    public void J19_a_chipped_nose_lies_overnight_or_better_two_days_in_clear_epoxy()
    {
        var plan = Gallery.GalleryTests.Read("carbon-hull-chip").Choosing("taped-mould", "epoxy-clear").Planned();
        Hours(plan, "fill").ShouldBeInRange(12, 48);
        (plan.ReadyAt!.Value - plan.StartAt).TotalHours.ShouldBeInRange(36, 72);
    }

    [Fact]
    public void J20_a_sole_is_scuffed_with_60_and_bound_for_24_hours()
    {
        var plan = Worked("boot-sole-parting");
        plan.Figure("scuff.grit").Value.ShouldBe(60);
        Hours(plan, "glue").ShouldBe(24, 2);
    }

    // Common practice: a heel tip of about 6 mm takes 24 to 48 h, being thick; at 20 °C and 50 %.
    [Fact]
    public void J20_a_poured_heel_of_six_millimetres_takes_24_to_48_hours_and_stands_a_millimetre_or_two_proud()
    {
        var plan = Gallery.GalleryTests.Read("boot-heel-worn").AtBench(bench => bench with { TemperatureC = 20, RelativeHumidityPercent = 50 }).Damaged(damage => damage with { MissingMm = 6 }).Planned();
        plan.Figure("pour.depth").Value.ShouldBe(7.5, 0.01);
        plan.Figure("pour.cure").Value.ShouldBeInRange(24, 48);
        plan.Figure("pour.proud").Value.ShouldBeInRange(1, 2);
        plan.Step("pour").DoNotForget!.ToString().ShouldContain("frozen");
    }

    // ISO 2533: the air weighs 101.3 kPa at the sea and 79.5 at 2000 m, so what is taken up there as warm as here gains 21.8.
    [Fact]
    public void What_is_taken_up_a_mountain_is_bled_for_it()
    {
        RepairPlan Plan(double? metres) => Gallery.GalleryTests.Read("csm-tube-puncture").Wanting(wanted => wanted with { UsedAtM = metres, HottestInUseC = 20 }).AtBench(bench => bench with { TemperatureC = 20 }).Planned();
        var (here, up) = (Plan(null), Plan(2000));
        (up.Figure("air.in-heat").Value - here.Figure("air.in-heat").Value).ShouldBe(21.8, 0.05);
        here.Figure("air.bleed").Value.ShouldBe(here.Figure("air.working").Value, 1e-9);
        up.Figure("air.bleed").Value.ShouldBe(Math.Max(0, up.Figure("air.working").Value - 21.8), 0.05);
    }

    [Fact]
    public void Air_that_is_too_dry_for_what_moisture_sets_is_warned_of()
    {
        IEnumerable<string> Warned(double percent) => Gallery.GalleryTests.Read("boot-heel-worn").AtBench(bench => bench with { RelativeHumidityPercent = percent }).Planned().Warnings.Select(warning => warning.Code);
        Warned(25).ShouldContain("dry-air");
        Warned(45).ShouldNotContain("dry-air");
        var bone = Gallery.GalleryTests.Read("boot-heel-worn").AtBench(bench => bench with { RelativeHumidityPercent = 1 });
        Voice.Plain.Say(Cases.Planner.Plan(bone).Problems.Single().Remedy).ShouldStartWith("Damp the air");
    }

    [Fact]
    public void A_damp_day_shortens_the_heel()
    {
        double Cure(double percent) => Gallery.GalleryTests.Read("boot-heel-worn").AtBench(bench => bench with { RelativeHumidityPercent = percent }).Planned().Figure("pour.cure").Value;
        (Cure(40) / Cure(80)).ShouldBe(2, 0.01);
        MoistureCure.LabelGPerM3.ShouldBe(MoistureCure.AbsoluteHumidityGPerM3(22, 50), 0.05);
    }
}
