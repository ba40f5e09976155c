using AbleMend.Core.Curing;

namespace AbleMend.Core.Tests.Curing;

public class CureClockTests
{
    private static readonly DateTimeOffset Start = Cases.Morning;
    private static readonly CureClock Clock = new(25, 53, 12);

    [Fact]
    public void At_the_labels_temperature_the_labels_minutes_hold() =>
        Clock.TryFindReached(90, Start, Climate.Steady(25)).ShouldBe(Start.AddMinutes(90));

    [Fact]
    public void Below_its_lowest_temperature_it_never_gets_there() => Clock.TryFindReached(1, Start, Climate.Steady(11.9)).ShouldBeNull();

    [Fact]
    public void At_its_lowest_temperature_it_still_cures() => Clock.TryFindReached(1, Start, Climate.Steady(12)).ShouldNotBeNull();

    [Fact]
    public void A_cold_night_is_added_and_not_averaged()
    {
        var climate = Climate.Of([new(Start, 25), new(Start.AddMinutes(60), 5), new(Start.AddMinutes(660), 25)]);
        // An hour before the cold, none in it, the other half hour after it.
        Clock.TryFindReached(90, Start, climate).ShouldBe(Start.AddMinutes(690));
    }

    // The integral is checked against a simple sum over seconds, the slower twin.
    [Fact]
    public void The_integral_agrees_with_a_sum_over_seconds()
    {
        var climate = Climate.Of([new(Start, 19), new(Start.AddMinutes(37), 26), new(Start.AddMinutes(95), 15), new(Start.AddMinutes(300), 22)]);
        double done = 0;
        var second = 0;
        while (done < 240)
        {
            done += Clock.RateAt(climate.TemperatureCAt(Start.AddSeconds(second))) / 60;
            second++;
        }

        var reached = Clock.TryFindReached(240, Start, climate)!.Value;
        (reached - Start).TotalSeconds.ShouldBe(second, 1.5, "the sum steps in whole seconds");
    }

    [Fact]
    public void Nothing_is_looked_for_past_sixty_days() => Clock.TryFindReached(61 * 24 * 60, Start, Climate.Steady(25)).ShouldBeNull();

    [Fact]
    public void A_reading_holds_until_the_next()
    {
        var climate = Climate.Steady(20).WithReadings([new(Start, 18), new(Start.AddHours(2), 23)]);
        climate.TemperatureCAt(Start.AddMinutes(-1)).ShouldBe(20);
        climate.TemperatureCAt(Start.AddMinutes(119)).ShouldBe(18);
        climate.TemperatureCAt(Start.AddMinutes(120)).ShouldBe(23);
    }

    [Fact]
    public void Day_and_night_change_at_eight_in_the_evening_and_seven_in_the_morning_in_the_shops_zone()
    {
        var zone = TimeZoneInfo.FindSystemTimeZoneById("Europe/Dublin");
        var climate = Climate.DayAndNight(20, 12, Start, zone);
        // In May the shop is an hour ahead of UTC.
        climate.TemperatureCAt(new DateTimeOffset(2026, 5, 6, 18, 59, 0, TimeSpan.Zero)).ShouldBe(20);
        climate.TemperatureCAt(new DateTimeOffset(2026, 5, 6, 19, 0, 0, TimeSpan.Zero)).ShouldBe(12);
        climate.TemperatureCAt(new DateTimeOffset(2026, 5, 7, 5, 59, 0, TimeSpan.Zero)).ShouldBe(12);
        climate.TemperatureCAt(new DateTimeOffset(2026, 5, 7, 6, 0, 0, TimeSpan.Zero)).ShouldBe(20);
    }

    [Fact]
    public void Spans_out_of_order_are_refused()
    {
        Should.Throw<ArgumentException>(() => Climate.Of([]));
        Should.Throw<ArgumentException>(() => Climate.Of([new(Start, 20), new(Start, 21)]));
    }

    // Common practice: about five minutes of full sun bare, ten under film; the label is for daylight under film.
    [Fact]
    public void Shade_is_slower_than_sun_and_indoors_never_sets()
    {
        Daylight.Minutes(10, Core.Plans.LightLevel.FullSun, false).ShouldBe(10);
        Daylight.Minutes(10, Core.Plans.LightLevel.OpenShade, false)!.Value.ShouldBeGreaterThan(30);
        Daylight.Minutes(10, Core.Plans.LightLevel.Indoors, false).ShouldBeNull();
    }

    [Fact]
    public void A_catalyst_speeds_it_and_sets_it_without_light()
    {
        Daylight.Minutes(10, Core.Plans.LightLevel.FullSun, true)!.Value.ShouldBeLessThan(10);
        Daylight.Minutes(10, Core.Plans.LightLevel.Indoors, true).ShouldBe(Daylight.CatalystOnlyMin);
    }
}
