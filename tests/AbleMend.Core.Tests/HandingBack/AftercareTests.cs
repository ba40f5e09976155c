using AbleMend.Core.Gear;
using AbleMend.Core.Plans;
using AbleMend.Core.Tests.Gallery;

namespace AbleMend.Core.Tests.HandingBack;

/// <summary>What goes back with the item. Lines and days: common practice, no source.</summary>
public class AftercareTests
{
    private static readonly IReadOnlyList<RepairPlan> Worked = [.. GalleryTests.Ids.Select(id => GalleryTests.Read(id).Planned())];

    public static TheoryData<string> Lines => [.. Cases.Planner.Catalogue.Aftercare.Select(line => line.Id)];

    [Theory]
    [MemberData(nameof(Lines))]
    public void Every_line_is_said_of_some_worked_case_and_of_no_other_kind(string line)
    {
        var said = Worked.Count(plan => plan.Damages.Any(damage => damage.Aftercare?.Watch.Any(watch => watch.Id == line) == true));
        said.ShouldBeGreaterThan(0);
        said.ShouldBeLessThan(Worked.Count / 3);
    }

    [Theory]
    [MemberData(nameof(GalleryTests.All), MemberType = typeof(GalleryTests))]
    public void Whatever_is_mended_goes_back_with_something_to_watch_and_a_day_to_look_again(string id)
    {
        var plan = GalleryTests.Read(id).Planned();
        foreach (var damage in plan.Damages)
        {
            if (damage.System is null)
            {
                damage.Aftercare.ShouldBeNull();
                continue;
            }

            damage.Aftercare!.Watch.ShouldNotBeEmpty();
            damage.Aftercare.LookAgainAt!.Value.ShouldBeGreaterThan(plan.ReadyAt!.Value);
            damage.Aftercare.LookAgainAt!.Value.ShouldBeLessThan(plan.ProperRepairBy ?? DateTimeOffset.MaxValue);
        }
    }

    [Fact]
    public void A_glassed_board_is_looked_at_after_two_weeks()
    {
        var plan = Cases.DeckDing().Choosing("fill-glass-coat", "epoxy-2to1").Planned();
        plan.Aftercare!.LookAgainAt.ShouldBe(plan.ReadyAt!.Value.AddDays(14));
        plan.Aftercare.Watch.Select(watch => watch.Id).ShouldBe(["laminate", "epoxy-sun"]);
    }

    [Fact]
    public void Polyester_is_not_told_to_keep_out_of_the_sun_as_epoxy_is() =>
        Cases.DeckDing().Choosing("fill-glass-coat", "polyester-laminating").Planned().Aftercare!.Watch.ShouldNotContain(watch => watch.Id == "epoxy-sun");

    [Fact]
    public void What_holds_for_now_is_looked_at_in_a_week_however_it_is_mended()
    {
        var plan = Cases.DeckDing().Choosing("uv-under-film", "uv-polyester").Planned();
        plan.Aftercare!.Watch[0].Id.ShouldBe("for-now");
        plan.Aftercare.LookAgainAt.ShouldBe(plan.ReadyAt!.Value.AddDays(7));
    }

    [Fact]
    public void What_holds_air_goes_back_with_the_pressure_to_bleed_to()
    {
        var plan = Cases.Usual("drop-stitch-board", DamageKind.Puncture).Planned();
        var watch = plan.Aftercare!.Watch.Single(each => each.Id == "sun-and-air");
        plan.Figures.ShouldContain(figure => figure.Id == watch.Figure);
    }

    [Fact]
    public void A_line_whose_figure_the_plan_lacks_is_said_without_it() =>
        Cases.Usual("pvc-boat", DamageKind.StripLifted).Planned().Aftercare!.Watch.Single(each => each.Id == "sun-and-air").Figure.ShouldBeNull();

    [Fact]
    public void A_cracked_fin_box_goes_back_with_the_fins_to_rock() =>
        Cases.FinBox().Planned().Aftercare!.Watch.ShouldContain(watch => watch.Id == "fins");
}
