using AbleMend.Core.Curing;
using AbleMend.Core.Materials;

namespace AbleMend.Core.Tests.Curing;

public class CureClockTests
{
    private static readonly DateTimeOffset Start = Cases.Morning;
    private static readonly CureClock Clock = new(25, 53, 12);

    [Fact]
    public void At_the_labels_temperature_the_labels_minutes_hold() =>
        Clock.TryFindReached(new(90), Start, Climate.Steady(25)).ShouldBe(Start.AddMinutes(90));

    [Fact]
    public void Below_its_lowest_temperature_it_never_gets_there() => Clock.TryFindReached(new(1), Start, Climate.Steady(11.9)).ShouldBeNull();

    [Fact]
    public void At_its_lowest_temperature_it_still_cures() => Clock.TryFindReached(new(1), Start, Climate.Steady(12)).ShouldNotBeNull();

    [Fact]
    public void A_cold_night_is_added_and_not_averaged()
    {
        var climate = Climate.Of([new(Start, 25), new(Start.AddMinutes(60), 5), new(Start.AddMinutes(660), 25)]);
        // An hour before the cold, none in it, the other half hour after it.
        Clock.TryFindReached(new(90), Start, climate).ShouldBe(Start.AddMinutes(690));
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

        var reached = Clock.TryFindReached(new(240), Start, climate)!.Value;
        (reached - Start).TotalSeconds.ShouldBe(second, 1.5, "the sum steps in whole seconds");
    }

    [Fact]
    public void Nothing_is_looked_for_past_sixty_days() => Clock.TryFindReached(new(61 * 24 * 60), Start, Climate.Steady(25)).ShouldBeNull();

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
    public void After_thirty_nights_the_day_stays()
    {
        var climate = Climate.DayAndNight(20, 12, Start, TimeZoneInfo.Utc);
        climate.TemperatureCAt(Start.Date.AddDays(29).AddHours(23)).ShouldBe(12);
        climate.TemperatureCAt(Start.Date.AddDays(31).AddHours(23)).ShouldBe(20);
        climate.Spans[0].From.ShouldBeLessThan(Start, "work that began before the first change has its temperature too");
    }

    [Fact]
    public void An_hour_that_the_clocks_leave_out_is_read_as_the_one_after_it()
    {
        // A zone whose clocks leave out the hour from 20:00, which is when the night begins.
        var skips = TimeZoneInfo.CreateCustomTimeZone("skips", TimeSpan.Zero, "skips", "skips", "skips",
            [TimeZoneInfo.AdjustmentRule.CreateAdjustmentRule(new DateTime(2026, 1, 1), new DateTime(2026, 12, 31), TimeSpan.FromHours(1),
                TimeZoneInfo.TransitionTime.CreateFixedDateRule(new DateTime(1, 1, 1, 20, 0, 0), 5, 6), TimeZoneInfo.TransitionTime.CreateFixedDateRule(new DateTime(1, 1, 1, 3, 0, 0), 10, 6))]);
        var climate = Climate.DayAndNight(20, 12, Start, skips);
        climate.TemperatureCAt(new DateTimeOffset(2026, 5, 6, 19, 59, 0, TimeSpan.Zero)).ShouldBe(20);
        climate.TemperatureCAt(new DateTimeOffset(2026, 5, 6, 20, 0, 0, TimeSpan.Zero)).ShouldBe(12);
    }

    [Fact]
    public void What_was_known_before_the_first_reading_is_kept_and_no_more()
    {
        var climate = Climate.Of([new(Start, 15), new(Start.AddHours(5), 10)]).WithReadings([new(Start.AddHours(5), 20)]);
        climate.Spans.ShouldBe([new(Start, 15), new(Start.AddHours(5), 20)]);
        climate.WithReadings([]).ShouldBeSameAs(climate);
    }

    [Theory]
    [InlineData(CureKind.Light, 0)]
    [InlineData(CureKind.Moisture, 0)]
    [InlineData(CureKind.Cooling, 0)]
    [InlineData(CureKind.AtOnce, 0)]
    [InlineData(CureKind.Solvent, CureClock.EvaporationActivationKjPerMol)]
    [InlineData(CureKind.TwoPart, EquivalentAge.DefaultActivationKjPerMol)]
    [InlineData(CureKind.Catalysed, EquivalentAge.DefaultActivationKjPerMol)]
    public void What_drives_a_cure_sets_how_much_warmth_counts(CureKind cure, double kjPerMol)
    {
        var material = Cases.Planner.Catalogue.Materials["epoxy-2to1"] with { Cure = cure, ActivationKjPerMol = null };
        CureClock.For(material).ActivationKjPerMol.ShouldBe(kjPerMol);
        CureClock.For(material with { ActivationKjPerMol = 71 }).ActivationKjPerMol.ShouldBe(71, "its own label goes before its class");
    }

    [Fact]
    public void By_the_sun_a_cold_bench_still_stops_it()
    {
        var noon = new DateTimeOffset(2026, 6, 21, 12, 0, 0, TimeSpan.Zero);
        var bySun = new CureClock(20, 0, 5, BySun: true);
        bySun.TryFindReached(new(5), noon, Climate.Steady(4).Under(new Sky(50, 0))).ShouldBeNull();
        bySun.TryFindReached(new(5), noon, Climate.Steady(5).Under(new Sky(50, 0))).ShouldNotBeNull();
        bySun.TryFindReached(new(5), noon, Climate.Steady(20)).ShouldBe(noon.AddMinutes(5), "without a sky the label's daylight holds");
    }

    [Fact]
    public void What_was_over_before_the_start_does_not_count_and_what_ends_as_it_is_reached_does()
    {
        var clock = new CureClock(20, 0, 5);
        var climate = Climate.Of([new(Start.AddHours(-2), 4), new(Start.AddHours(-1), 20), new(Start.AddHours(1), 4), new(Start.AddHours(2), 20)]);
        clock.TryFindReached(new(60), Start, climate).ShouldBe(Start.AddHours(1));
        clock.TryFindReached(new(61), Start, climate).ShouldBe(Start.AddHours(2).AddMinutes(1), "the cold hour stands still");
        clock.TryFindReached(new(60), Start.AddHours(-2), climate).ShouldBe(Start);
    }

    [Fact]
    public void Sixty_days_are_waited_and_not_a_minute_more()
    {
        var clock = new CureClock(20, 0, 5);
        clock.TryFindReached(new(60 * 1440), Start, Climate.Steady(20)).ShouldBe(Start.AddDays(60));
        clock.TryFindReached(new((60 * 1440) + 1), Start, Climate.Steady(20)).ShouldBeNull();
    }

    [Fact]
    public void Spans_out_of_order_are_refused()
    {
        Should.Throw<ArgumentException>(() => Climate.Of([new(Start, 20), new(Start.AddHours(2), 21), new(Start.AddHours(1), 22)]));
        Should.Throw<ArgumentException>(() => Climate.Of([]));
        Should.Throw<ArgumentException>(() => Climate.Of([new(Start, 20), new(Start, 21)]));
    }

    // Common practice: about five minutes of full sun bare, ten under film; the label is for daylight under film.
    [Fact]
    public void Shade_is_slower_than_sun_and_indoors_never_sets()
    {
        Daylight.Minutes(10, LightLevel.FullSun, false).ShouldBe(10);
        Daylight.Minutes(10, LightLevel.OpenShade, false)!.Value.ShouldBeGreaterThan(30);
        Daylight.Minutes(10, LightLevel.Indoors, false).ShouldBeNull();
    }

    [Theory]
    [InlineData(LightLevel.FullSun, 10)]
    [InlineData(LightLevel.HazySun, 20)]
    [InlineData(LightLevel.OpenShade, 60)]
    [InlineData(LightLevel.UvLamp, 10)]
    public void Each_light_has_its_factor(LightLevel light, double minutes)
    {
        Daylight.Minutes(10, light, false).ShouldBe(minutes);
        Daylight.Minutes(10, light, true)!.Value.ShouldBe(minutes * Daylight.CatalystFactor, 1e-9);
        Should.Throw<ArgumentOutOfRangeException>(() => Daylight.Minutes(0, light, false));
    }

    [Fact]
    public void A_catalyst_speeds_it_and_sets_it_without_light()
    {
        Daylight.Minutes(10, LightLevel.FullSun, true)!.Value.ShouldBeLessThan(10);
        Daylight.Minutes(10, LightLevel.Indoors, true).ShouldBe(Daylight.CatalystOnlyMin);
    }
}
