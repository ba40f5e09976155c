using AbleMend.Core.Curing;
using CsCheck;
using MathNet.Numerics.Integration;

namespace AbleMend.Core.Tests.Curing;

public class FallenLightTests
{
    private static readonly DateTimeOffset Noon = new(2026, 6, 21, 12, 0, 0, TimeSpan.Zero);
    private static readonly Sky North = new(50, 0);

    /// <summary>What full daylight sets minute by minute.</summary>
    private static readonly CureClock Label = new(20, 0, 5, LightFactor: 1);

    private static readonly CureClock BySun = Label with { BySun = true };

    private static Climate Read(params LightSpan[] light) => Climate.Steady(20).Under(North).Lit(light);

    // Worked by hand: dose = irradiance × time, so half the light takes twice as long.
    [Theory]
    [InlineData(Sky.LabelMwPerCm2, 10)]
    [InlineData(Sky.LabelMwPerCm2 / 2, 20)]
    [InlineData(46, 1)]
    public void Under_a_steady_meter_the_time_goes_by_what_it_reads(double irradiance, double minutes) =>
        Label.TryFindReached(new(10), Noon, Read(new LightSpan(Noon, irradiance))).ShouldNotBeNull().ShouldBe(Noon.AddMinutes(minutes), TimeSpan.FromSeconds(1));

    // Worked by hand: 5 of 10 minutes fell before the cloud, the other 5 at a quarter of it take 20.
    [Fact]
    public void A_cloud_that_comes_half_way_counts_from_when_it_came()
    {
        var climate = Read(new LightSpan(Noon, Sky.LabelMwPerCm2), new LightSpan(Noon.AddMinutes(5), Sky.LabelMwPerCm2 / 4));
        Label.TryFindReached(new(10), Noon, climate).ShouldNotBeNull().ShouldBe(Noon.AddMinutes(25), TimeSpan.FromSeconds(1));
        Label.MinutesBetween(Noon, Noon.AddMinutes(9), climate).ShouldBe(6, 1e-6);
    }

    [Fact]
    public void What_was_carried_in_never_sets_until_it_is_carried_out_again()
    {
        LightSpan[] inside = [new(Noon, Sky.LabelMwPerCm2), new(Noon.AddMinutes(6), 0)];
        Label.TryFindReached(new(10), Noon, Read(inside)).ShouldBeNull();
        Label.TryFindReached(new(10), Noon, Read([.. inside, new LightSpan(Noon.AddMinutes(60), Sky.LabelMwPerCm2)])).ShouldNotBeNull().ShouldBe(Noon.AddMinutes(64), TimeSpan.FromSeconds(1));
        new FallenLight(Label, Read(inside)).DoseMjPerCm2(Label.MinutesBetween(Noon, Noon.AddMinutes(30), Read(inside))).ShouldBe(6 * 60 * 4.6, 1e-6, "6 min × 60 s × 4.6 mW/cm²");
    }

    [Fact]
    public void A_plan_for_haze_keeps_its_dose_when_a_meter_reads_full_sun()
    {
        // Twice the minutes were planned for haze; in the sun that comes, half of them are enough.
        var haze = Label with { LightFactor = 2 };
        haze.TryFindReached(new(20), Noon, Read(new LightSpan(Noon, Sky.LabelMwPerCm2))).ShouldNotBeNull().ShouldBe(Noon.AddMinutes(10), TimeSpan.FromSeconds(1));
        new FallenLight(haze, Read()).DoseMjPerCm2(20).ShouldBe(new FallenLight(Label, Read()).DoseMjPerCm2(10), 1e-9);
    }

    [Fact]
    public void Until_it_is_read_the_light_is_as_it_was_planned()
    {
        var before = BySun.TryFindReached(new(30), Noon, Climate.Steady(20).Under(North))!.Value;
        BySun.TryFindReached(new(30), Noon, Read(new LightSpan(Noon.AddHours(5), 0))).ShouldNotBeNull().ShouldBe(before, TimeSpan.FromSeconds(1), "what is read later changes nothing");
    }

    // Reference: Gauss and Legendre's quadrature of MathNet.Numerics over the share of a clear sky that was read.
    [Theory]
    [InlineData(6, 0.5)]
    [InlineData(15, 0.8)]
    public void What_was_read_stays_a_share_of_the_sky_while_the_sun_moves(int hour, double share)
    {
        var start = Noon.AddHours(hour - 12);
        var climate = Read(new LightSpan(start, share * North.MwPerCm2At(start)));
        var exact = share * GaussLegendreRule.Integrate(min => North.ShareAt(start.AddMinutes(min)), 0, 120, 64);
        BySun.MinutesBetween(start, start.AddMinutes(120), climate).ShouldBe(exact, exact * 0.002);
        Label.MinutesBetween(start, start.AddMinutes(120), climate).ShouldBe(120 * share * North.ShareAt(start), 1e-6, "a lamp stands still");
    }

    [Fact]
    public void What_reads_far_more_than_a_clear_sky_is_no_sun_and_a_reading_at_dusk_says_nothing_of_clouds()
    {
        var light = new FallenLight(BySun, Read());
        light.ShareOfClearSky(new LightSpan(Noon, 40)).ShouldBeNull();
        light.ShareOfClearSky(new LightSpan(Noon.AddHours(12), 0.01)).ShouldBeNull();
        light.ShareOfClearSky(new LightSpan(Noon, North.MwPerCm2At(Noon) / 4)).ShouldNotBeNull().ShouldBe(0.25, 1e-9);
    }

    [Fact]
    public void In_the_cold_no_light_sets_it() => Label.TryFindReached(new(1), Noon, Climate.Steady(4).Lit([new LightSpan(Noon, 10)])).ShouldBeNull();

    [Fact]
    public void Light_that_falls_before_and_after_an_instant_is_the_light_that_falls_in_all() =>
        Gen.Select(Gen.Double[0, 20], Gen.Double[0, 20], Gen.Int[1, 300], Gen.Int[1, 300], Gen.Bool).Sample((first, second, change, part, sun) =>
        {
            var clock = sun ? BySun : Label;
            var climate = Read(new LightSpan(Noon.AddHours(-3), first), new LightSpan(Noon.AddHours(-3).AddMinutes(change), second));
            var (from, to) = (Noon.AddHours(-3), Noon.AddHours(3));
            var whole = clock.MinutesBetween(from, to, climate);
            (clock.MinutesBetween(from, from.AddMinutes(part), climate) + clock.MinutesBetween(from.AddMinutes(part), to, climate)).ShouldBe(whole, 0.001 + (whole * 0.002));
            var found = clock.TryFindReached(new(whole * 0.7), from, climate);
            clock.MinutesBetween(from, found!.Value, climate).ShouldBe(whole * 0.7, 0.001 + (whole * 0.002));
        });

    [Fact]
    public void A_light_told_in_words_is_what_its_factor_says()
    {
        Daylight.MwPerCm2(LightLevel.FullSun, 4.6).ShouldBe(4.6);
        Daylight.MwPerCm2(LightLevel.OpenShade, 4.6).ShouldBe(4.6 / 6, 1e-9);
        Daylight.MwPerCm2(LightLevel.Indoors, 4.6).ShouldBe(0);
        Daylight.MwPerCm2(LightLevel.UvLamp, 0, 20).ShouldBe(20, "a lamp does not ask the sun");
    }
}
