using AbleMend.Core.Curing;
using AbleMend.Core.Quantities;
using AbleMend.Core.Timing;

namespace AbleMend.Core.Tests.Timing;

/// <summary>Steps in clock time, worked by hand: the clock runs with the wall at its reference temperature.</summary>
public class TimelineTests
{
    private static readonly DateTimeOffset Opening = new(2026, 5, 6, 13, 0, 0, TimeSpan.Zero);
    private static readonly Climate Steady = Climate.Steady(20);
    private static readonly CureClock Clock = new(20, 0, -50);
    private static readonly Dictionary<string, Actual> NothingYet = [];

    private static StepTiming Step(string id, double hands, double? opens = null, double? closes = null, bool followsOn = false, MixLife? uses = null) =>
        new(id, hands, followsOn, opens is { } from ? new StepWait(WaitKind.Recoat, new CureTime(from), closes is { } to ? new CureTime(to) : null, null, Clock, "Look at it.", 10) : null, Uses: uses);

    private static IReadOnlyList<TimedStep> Lay(int opens, int closes, params StepTiming[] steps) => Timeline.Lay(steps, Opening, Steady, new ShopHours(TimeZoneInfo.Utc, opens, closes), NothingYet);

    /// <summary>
    /// Open 13:00 to 22:00. The second pass could go on at 18:10, and its window would be open from 21:45 to 10:15: too late for 20 minutes of work, and over
    /// before anybody comes. Put on at 21:55 it is open from 01:30 to 14:00.
    /// </summary>
    [Fact]
    public void What_opens_a_window_that_would_close_in_the_night_is_done_late_in_its_own()
    {
        var laid = Lay(13, 22, Step("first", 10, 300, 1000), Step("second", 5, 210, 960), Step("third", 20));
        laid.ShouldAllBe(step => !step.MissesWindow);
        laid[1].ShouldSatisfyAllConditions(second => second.StartsAt.ShouldBe(Opening.AddHours(8).AddMinutes(55)), second => second.HeldFrom.ShouldBe(Opening.AddMinutes(310)));
        laid[2].StartsAt.ShouldBe(Opening.AddDays(1));
    }

    [Fact]
    public void What_cannot_be_met_by_anything_is_said_to_be_missed() =>
        Lay(13, 22, Step("first", 10, 300, 330), Step("second", 5, 240, 300), Step("third", 20)).Single(step => step.MissesWindow).StepId.ShouldBe("second");

    /// <summary>A mix lives 60 minutes: the third coat ends 81 minutes after it, whether it stood for long before the second coat or before the third.</summary>
    [Theory]
    [InlineData(65, 4, true)]
    [InlineData(4, 65, true)]
    [InlineData(35, 34, false)]
    public void A_mix_that_stood_for_long_before_any_of_its_coats_is_a_window_missed(double first, double second, bool stood)
    {
        var mix = new MixLife("mix", 60);
        var laid = Lay(0, 24, Step("mix", 3), Step("one", 3, first, 1000, true, mix), Step("two", 3, second, 1000, false, mix), Step("three", 3, uses: mix));
        laid.Any(step => step.MissesWindow).ShouldBe(stood);
    }
}
