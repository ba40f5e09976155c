using AbleMend.Core.Days;

namespace AbleMend.Core.Tests.Days;

/// <summary>What the coming days ask of the hands that are there.</summary>
public class DayLoadTests
{
    /// <summary>A Wednesday, 09:00 UTC, an hour later in the shop.</summary>
    private static readonly DateTimeOffset Now = new(2026, 5, 6, 9, 0, 0, TimeSpan.Zero);
    private static readonly TimeZoneInfo Zone = TimeZoneInfo.FindSystemTimeZoneById("Europe/Dublin");

    private static DayBlock Block(double startsInHours, double minutes) =>
        new(1, "step", [], 0, Now.AddHours(startsInHours), Now.AddHours(startsInHours).AddMinutes(minutes), null, null, null, false);

    private static IReadOnlyList<DayLoad> Of(ShopFloor floor, params DayBlock[] blocks) => DayLoad.Of(new DaysPlan(Now, Now.AddDays(21), ["Wren"], blocks, [], []), floor, 9, 18, Zone, Now);

    /// <summary>
    /// Worked by hand: open 09:00 to 18:00 with half an hour's break at 13:00. Today 8 h are left, less the break; Wren has Friday off; Ash comes at 12:00; on
    /// Sunday it is closed.
    /// </summary>
    [Fact]
    public void Hands_are_there_in_their_hours_without_breaks_days_off_and_what_is_over()
    {
        var load = Of(new ShopFloor([new Technician("Wren", DaysOff: [Weekday.Friday]), new Technician("Ash", ComesHour: 12)], ClosedDays: [Weekday.Sunday], BreakFromHour: 13));
        load.Select(each => each.Day.Day).ShouldBe([6, 7, 8, 9, 10, 11, 12]);
        load.Select(each => each.ThereMin).ShouldBe([450 + 330, 510 + 330, 330, 840, 0, 840, 840]);
    }

    [Fact]
    public void What_is_planned_counts_from_now_on_and_by_the_shops_day()
    {
        var load = Of(ShopFloor.Alone, Block(-0.5, 60), Block(2, 45), Block(14.5, 20), Block(-3, 60));
        load[0].PlannedMin.ShouldBe(30 + 45, "half of what is in hand is done, and what is over is over");
        load[1].PlannedMin.ShouldBe(20, "half past midnight in the shop is tomorrow");
        load.Skip(2).ShouldAllBe(each => each.PlannedMin == 0);
    }
}
