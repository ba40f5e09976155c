using AbleMend.Core.Gear;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Tests.Safety;

/// <summary>Vapour as a plan tells it.</summary>
public class FumesTests
{
    private static RepairPlan Puncture(double? roomM3, double changes = 2) =>
        Cases.Usual("drop-stitch-board", DamageKind.Puncture).Choosing("cement-patch", "cement-polyurethane-two-part")
            .AtBench(bench => bench with { RoomM3 = roomM3, AirChangesPerHour = changes }).Planned();

    [Fact]
    public void Without_a_room_nothing_is_estimated() => Puncture(null).Figures.ShouldAllBe(figure => !figure.Id.Contains("vapour"));

    // By hand: grams × 0.75 of methyl ethyl ketone ÷ 60 m³ × 24.45/72.11, falling with two changes an hour over eight hours, ÷ 200 ppm.
    [Fact]
    public void The_share_of_the_limit_is_the_sum_done_by_hand()
    {
        var plan = Puncture(60);
        var grams = plan.Figure("cement.need").Value;
        var peak = grams * 0.75 * 1000 / 60 * 24.45 / 72.11;
        plan.Figure("cement.vapour").Value.ShouldBe(peak * (1 - Math.Exp(-16)) / 16 / 75 * 100, 0.05);
        plan.Figure("cement.vapour-peak").Value.ShouldBe(peak / 1400 * 100, 0.05);
    }

    [Fact]
    public void A_cupboard_without_air_is_warned_of_and_a_shop_is_not()
    {
        Puncture(1, 0.1).Warnings.Select(warning => warning.Code).ShouldContain("vapour");
        Puncture(1, 0.1).Warnings.Select(warning => warning.Code).ShouldContain("vapour-burns");
        Puncture(60).Warnings.ShouldAllBe(warning => !warning.Code.StartsWith("vapour"));
    }

    [Fact]
    public void Styrene_of_a_polyester_is_counted_and_an_epoxy_gives_none()
    {
        RepairPlan With(string resin) => Cases.DeckDing(6).Choosing("fill-glass-coat", resin).AtBench(bench => bench with { RoomM3 = 60 }).Planned();
        With("polyester-laminating").Figures.ShouldContain(figure => figure.Id == "fill.vapour");
        With("epoxy-2to1").Figures.ShouldNotContain(figure => figure.Id == "fill.vapour");
    }
}
