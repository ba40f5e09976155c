using AbleMend.Core.Cases;
using AbleMend.Core.Curing;
using AbleMend.Core.Gear;
using AbleMend.Core.Instruments;
using AbleMend.Core.Running;

namespace AbleMend.Core.Tests.Running;

public class SurroundingsTests
{
    private static readonly DateTimeOffset Start = Cases.Morning;

    /// <summary>Warm by day, and cold from eight in the evening.</summary>
    private static readonly RepairCase Glassed = Cases.DeckDing(0.6).Choosing("fill-glass-coat", "epoxy-2to1").AtBench(bench => bench with { NightTemperatureC = 12 });

    private static readonly RepairCase Clamped = Gallery.GalleryTests.Read("ski-tip-parted").AtBench(bench => bench with { TemperatureC = 20, NightTemperatureC = 20 }).Wanting(wanted => wanted with { StartAt = Start });

    private static readonly RepairCase UnderFilm = Cases.DeckDing(1).Choosing("uv-under-film", "uv-polyester");

    private static Mend Begun(RepairCase repairCase) => Mend.Open(repairCase, Cases.Planner, Start).Value!.Start(Cases.Planner, Start).Value!;

    private static Mend Kept(Mend mend, Happening happening, DateTimeOffset at)
    {
        var outcome = mend.Keep(happening, at);
        outcome.Problems.ShouldBeEmpty();
        return outcome.Value!;
    }

    /// <summary>On to a wait, every step done as it comes, five minutes each.</summary>
    private static (Mend Mend, DateTimeOffset At) Until(Mend mend, Func<LiveWindow, bool> wanted)
    {
        var at = Start;
        for (var i = 0; i < 60; i++)
        {
            var state = mend.StateAt(at);
            if (state.Window is { } window && wanted(window))
            {
                return (mend, at);
            }

            at = state.Phase == StepPhase.Waiting && state.Window!.OpensAt is { } opens && opens > at ? opens : at.AddMinutes(5);
            var proof = mend.Plan!.Steps.First(step => step.Id == state.CurrentStepId).Proof is not null && state.Phase != StepPhase.Waiting;
            mend = Kept(mend, new Happening(proof ? RunEventKind.Proof : state.Phase == StepPhase.Waiting ? RunEventKind.Ready : RunEventKind.HandsDone, state.CurrentStepId, Passed: proof ? true : null, Value: null), at);
        }

        throw new ShouldAssertException("no such wait came");
    }

    private static Happening Surface(double celsius) => new(RunEventKind.Surface, Value: celsius);

    [Fact]
    public void A_board_that_is_colder_than_its_room_sets_by_the_board()
    {
        var (mend, at) = Until(Begun(Glassed), window => window.OpensAt > Start.AddHours(3));
        var before = mend.StateAt(at).Window!;
        var cold = Kept(mend, Surface(15), at);
        var later = Kept(cold, new Happening(RunEventKind.Reading, Value: 21), at.AddMinutes(10)).StateAt(at.AddMinutes(10)).Window!;
        later.OpensAt!.Value.ShouldBeGreaterThan(before.OpensAt!.Value);
        later.Moved.ShouldNotBeNull().Cause.ShouldBe(MoveCause.Surface);
        later.Moved!.WarmerK.ShouldBeLessThan(-2);
        // The same cold, read in the air alone, gives the same window.
        Kept(mend, new Happening(RunEventKind.Reading, Value: 15), at).StateAt(at).Window!.OpensAt.ShouldBe(cold.StateAt(at).Window!.OpensAt);
    }

    [Fact]
    public void What_was_read_of_the_surface_ends_with_the_heating_or_with_the_probe()
    {
        var mend = Kept(Begun(Glassed), Surface(30), Start.AddHours(1));
        mend.Climate.TemperatureCAt(Start.AddHours(10)).ShouldBe(30);
        mend.Air.TemperatureCAt(Start.AddHours(2)).ShouldBe(20, "the cup stands in the air");
        mend.Climate.At(Start.AddHours(12)).ShouldSatisfyAllConditions(span => span.TemperatureC.ShouldBe(12), span => span.IsSurface.ShouldBeFalse());

        var laid = Kept(Kept(mend, new Happening(RunEventKind.Probe, Text: "bench-climate", Passed: true), Start.AddHours(2)), new Happening(RunEventKind.Surface, Value: 25, Resolution: 0.1), Start.AddHours(2.5));
        var taken = Kept(laid, new Happening(RunEventKind.Probe, Text: "bench-climate", Passed: false), Start.AddHours(3));
        taken.StateAt(Start.AddHours(3)).Probes.ShouldBeEmpty();
        (taken.Climate.TemperatureCAt(Start.AddHours(2.9)), taken.Climate.TemperatureCAt(Start.AddHours(4))).ShouldBe((25, 20), "nothing lies on it any more");
        var other = Kept(Kept(mend, new Happening(RunEventKind.Probe, Text: "door-uv", Passed: true), Start.AddHours(2)), new Happening(RunEventKind.Probe, Text: "door-uv", Passed: false), Start.AddHours(3));
        other.Climate.TemperatureCAt(Start.AddHours(4)).ShouldBe(30, "what a thermometer said by hand does not go with a probe");
    }

    [Fact]
    public void A_cup_goes_by_the_air_and_not_by_the_item()
    {
        var mend = Begun(Glassed);
        var warm = Kept(mend, Surface(35), Start);
        warm.Air.TemperatureCAt(Start.AddMinutes(30)).ShouldBe(mend.Air.TemperatureCAt(Start.AddMinutes(30)));
        warm.Climate.TemperatureCAt(Start.AddMinutes(30)).ShouldBe(35);
    }

    [Fact]
    public void A_probe_that_was_laid_by_mistake_leaves_nothing_behind_when_that_is_taken_back()
    {
        var laid = Kept(Begun(Glassed), new Happening(RunEventKind.Probe, Text: "bench-climate", Passed: true), Start.AddMinutes(1));
        var read = Kept(laid, new Happening(RunEventKind.Surface, Value: 8, Resolution: 0.1), Start.AddMinutes(2));
        read.Climate.TemperatureCAt(Start.AddMinutes(3)).ShouldBe(8);
        read.Events[^1].IsByItself.ShouldBeTrue();
        var undone = Kept(read, new Happening(RunEventKind.Undo), Start.AddMinutes(3));
        undone.Climate.TemperatureCAt(Start.AddMinutes(4)).ShouldBe(20);
    }

    // Worked by hand: half the water in the air, twice the time; the temperature is the plan's, and absolute humidity goes as relative humidity does.
    [Fact]
    public void What_moisture_sets_takes_twice_as_long_in_air_with_half_the_water()
    {
        var seam = Cases.Usual("neoprene-wader", DamageKind.Tear).AtBench(bench => bench with { RelativeHumidityPercent = 60 });
        var method = Cases.Planner.Plan(seam).Value!.Candidates.First(each => !each.Vetoed && Cases.Planner.Plan(seam.Choosing(each.Method, each.Material)).Value!.Steps.Any(step => step.Timing.Wait?.Clock.ByMoisture == true));
        var (mend, at) = Until(Begun(seam.Choosing(method.Method, method.Material)), window => window.Kind is Core.Timing.WaitKind.Loadable);
        var before = mend.StateAt(at).Window!;
        var dry = Kept(mend, new Happening(RunEventKind.Humidity, Value: 30), before.FromAt < at ? at : before.FromAt).StateAt(at).Window!;
        ((dry.OpensAt!.Value - at) / (before.OpensAt!.Value - at)).ShouldBe(2, 0.01);
        dry.Moved.ShouldNotBeNull().Cause.ShouldBe(MoveCause.Humidity);
    }

    [Fact]
    public void Light_is_counted_and_a_cloud_is_seen_to_have_come()
    {
        var (mend, at) = Until(Begun(UnderFilm), window => window.Light is not null);
        var planned = mend.StateAt(at).Window!;
        planned.Light.ShouldNotBeNull().ReadAt.ShouldBeNull();
        var needed = planned.Light!.NeededMjPerCm2;
        needed.ShouldBe((planned.OpensAt!.Value - planned.FromAt).TotalMinutes * 60 * Sky.LabelMwPerCm2, needed * 1e-6, "in full sun, as planned");

        mend = Kept(mend, new Happening(RunEventKind.Light, Value: Sky.LabelMwPerCm2 / 4), at);
        var clouded = mend.StateAt(at.AddMinutes(2)).Window!;
        clouded.Moved.ShouldNotBeNull().Cause.ShouldBe(MoveCause.Light);
        clouded.Light!.FallenMjPerCm2.ShouldBe(((at - planned.FromAt).TotalSeconds * Sky.LabelMwPerCm2) + (120 * Sky.LabelMwPerCm2 / 4), 1e-3);
        mend = Kept(mend, new Happening(RunEventKind.Light, Text: "indoors"), at.AddMinutes(2));
        mend.StateAt(at.AddMinutes(3)).Window!.OpensAt.ShouldBeNull("carried in");
        mend = Kept(mend, new Happening(RunEventKind.Light, Text: "full-sun"), at.AddMinutes(4));
        mend.StateAt(at.AddMinutes(4)).Window!.OpensAt.ShouldNotBeNull();
    }

    // Worked by hand from the clock itself (Arrhenius): what is left of a wait runs as much faster as 35 °C is than the bench.
    [Fact]
    public void What_stands_in_the_warm_sets_by_the_warm_until_it_is_taken_out_or_hands_are_on_it()
    {
        var (mend, at) = Until(Begun(Clamped), window => window.Kind == Core.Timing.WaitKind.Hold);
        var clock = mend.Plan!.Steps.First(step => step.Id == mend.StateAt(at).CurrentStepId).Timing.Wait!.Clock;
        var bench = mend.StateAt(at).Window!;
        var faster = clock.RateAt(35) / clock.RateAt(20);
        faster.ShouldBeGreaterThan(2);
        var warm = Kept(mend, new Happening(RunEventKind.Warm, Value: 35, Passed: true), at).StateAt(at);
        ((bench.OpensAt!.Value - at) / (warm.Window!.OpensAt!.Value - at)).ShouldBe(faster, 1e-6);
        warm.Window.Moved.ShouldNotBeNull().ShouldSatisfyAllConditions(moved => moved.Cause.ShouldBe(MoveCause.Warm), moved => moved.OpenedAt.ShouldBe(bench.OpensAt.Value));
        mend.OverInWarm(35, at).ShouldBe(warm.Window.OpensAt);
        (mend.OverInWarm(60, at), Kept(mend, new Happening(RunEventKind.Warm, Value: 35, Passed: true), at).OverInWarm(35, at)).ShouldBe((null, null), "too warm, and there already");
        warm.Warm.ShouldBe(new WarmStand(mend.StateAt(at).Warm!.UpToC, warm.Warm!.Because, 35, at));
        warm.ReadyAt!.Value.ShouldBeLessThan(mend.StateAt(at).ReadyAt!.Value);

        // An hour in the warm and out again: that hour counts as so many.
        var outAgain = Kept(Kept(mend, new Happening(RunEventKind.Warm, Value: 35, Passed: true), at), new Happening(RunEventKind.Warm, Passed: false), at.AddHours(1));
        var left = outAgain.StateAt(at.AddHours(1));
        (bench.OpensAt.Value - left.Window!.OpensAt!.Value).TotalHours.ShouldBe(faster - 1, 1e-6);
        left.Warm!.StandsAtC.ShouldBeNull();
        outAgain.Keep(new Happening(RunEventKind.Undo), at.AddHours(1)).Value!.StateAt(at.AddHours(1)).Warm!.StandsAtC.ShouldBe(35);

        // Hands took it out: what comes next is at the bench, and was foreseen there.
        var over = warm.Window.OpensAt.Value;
        var done = Kept(Kept(mend, new Happening(RunEventKind.Warm, Value: 35, Passed: true), at), new Happening(RunEventKind.Ready, mend.StateAt(at).CurrentStepId), over);
        var begun = Kept(done, new Happening(RunEventKind.Begin, done.StateAt(over).CurrentStepId), over);
        begun.Climate.TemperatureCAt(over.AddMinutes(1)).ShouldBe(20);
        begun.Climate.TemperatureCAt(over.AddMinutes(-1)).ShouldBe(35);
        begun.ClimateAtBench.TemperatureCAt(over.AddMinutes(-1)).ShouldBe(20);
        begun.StateAt(over).Warm.ShouldBeNull();
        (begun.StateAt(over).ReadyAt!.Value - warm.ReadyAt.Value).Duration().ShouldBeLessThan(TimeSpan.FromMinutes(30));
    }

    [Fact]
    public void What_is_read_on_an_item_in_the_warm_beats_how_warm_that_is_said_to_be()
    {
        var (mend, at) = Until(Begun(Clamped), window => window.Kind == Core.Timing.WaitKind.Hold);
        var read = Kept(Kept(Kept(mend, Surface(19), at), new Happening(RunEventKind.Warm, Value: 35, Passed: true), at.AddMinutes(10)), Surface(31), at.AddMinutes(40));
        (read.Climate.TemperatureCAt(at.AddMinutes(5)), read.Climate.TemperatureCAt(at.AddMinutes(20)), read.Climate.TemperatureCAt(at.AddMinutes(50))).ShouldBe((19, 35, 31));
        Kept(read, new Happening(RunEventKind.Warm, Passed: false), at.AddMinutes(60)).Climate.TemperatureCAt(at.AddMinutes(70)).ShouldBe(20, "what was read there does not go out with it");
    }

    [Theory]
    [InlineData(35.0, null, "passed")]
    [InlineData(null, true, "value")]
    [InlineData(80.0, true, "value")]
    [InlineData(50.0, true, "value")]
    [InlineData(35.0, false, "value")]
    [InlineData(null, false, "kind")]
    public void What_cannot_stand_in_the_warm_is_refused(double? value, bool? passed, string field)
    {
        var (mend, at) = Until(Begun(Clamped), window => window.Kind == Core.Timing.WaitKind.Hold);
        mend.Keep(new Happening(RunEventKind.Warm, Value: value, Passed: passed), at).Problems.ShouldHaveSingleItem().Field.ShouldBe(field);
    }

    [Fact]
    public void Fresh_resin_over_foam_stays_at_the_bench_and_is_told_why()
    {
        var mend = Begun(Glassed);
        mend.Keep(new Happening(RunEventKind.Warm, Value: 35, Passed: true), Start).Problems.ShouldHaveSingleItem().Code.ShouldBe("not-now", "nothing waits yet");
        var (fresh, at) = Until(mend, window => window.Kind == Core.Timing.WaitKind.Sandable);
        Voice.Plain.Say(fresh.Keep(new Happening(RunEventKind.Warm, Value: 30, Passed: true), at).Problems.ShouldHaveSingleItem().Message).ShouldContain("foam");
        var (hard, later) = Until(mend, window => window.Kind == Core.Timing.WaitKind.Loadable);
        hard.StateAt(later).Warm!.UpToC.ShouldNotBeNull();
        Kept(hard, new Happening(RunEventKind.Warm, Value: 35, Passed: true), later).StateAt(later).Window!.OpensAt!.Value.ShouldBeLessThan(hard.StateAt(later).Window!.OpensAt!.Value);
    }

    [Theory]
    [InlineData(RunEventKind.Surface, -11.0, null, null, "value")]
    [InlineData(RunEventKind.Surface, null, null, null, "value")]
    [InlineData(RunEventKind.Humidity, 0.0, null, null, "value")]
    [InlineData(RunEventKind.Humidity, 101.0, null, null, "value")]
    [InlineData(RunEventKind.Light, null, null, null, "value")]
    [InlineData(RunEventKind.Light, 3.0, "full-sun", null, "value")]
    [InlineData(RunEventKind.Light, -1.0, null, null, "value")]
    [InlineData(RunEventKind.Light, null, "moonshine", null, "text")]
    [InlineData(RunEventKind.Probe, null, null, true, "text")]
    [InlineData(RunEventKind.Probe, null, "bench-climate", null, "passed")]
    public void What_no_instrument_reads_is_refused(RunEventKind kind, double? value, string? text, bool? passed, string field) =>
        Begun(Glassed).Keep(new Happening(kind, Value: value, Text: text, Passed: passed), Start.AddMinutes(1)).Problems.ShouldHaveSingleItem().Field.ShouldBe(field);

    [Fact]
    public void Of_all_that_probes_read_a_mend_is_told_what_moves_it_and_that_once()
    {
        var mend = Kept(Begun(Glassed), new Happening(RunEventKind.Probe, Text: "bench-climate", Passed: true), Start.AddMinutes(1));
        var now = Start.AddMinutes(2);
        ReadNow? Read(string? probe, Measurand what) => (probe, what) switch
        {
            (null, Measurand.AirTemperature) => new ReadNow(20.4, 0.1, now),
            (null, Measurand.Humidity) => new ReadNow(20, 1, now),
            ("bench-climate", Measurand.SurfaceTemperature) => new ReadNow(17.2, 0.1, now),
            _ => null,
        };
        var told = ProbesRead.Of(mend, Read, now).ShouldHaveSingleItem("the air is as planned, and moisture sets nothing here");
        (told.Kind, told.Value, told.Resolution).ShouldBe((RunEventKind.Surface, 17.2, 0.1));
        ProbesRead.Of(Kept(mend, told, now), Read, now.AddMinutes(5)).ShouldBeEmpty();
    }

    [Fact]
    public void A_meter_is_followed_only_while_light_is_waited_for()
    {
        var mend = Kept(Begun(UnderFilm), new Happening(RunEventKind.Probe, Text: "door-uv", Passed: true), Start);
        var irradiance = 3.0;
        ReadNow? Read(string? probe, Measurand what) => probe == "door-uv" && what == Measurand.Ultraviolet ? new ReadNow(irradiance, 0.01, Start) : null;
        ProbesRead.Of(mend, Read, Start.AddMinutes(1)).ShouldBeEmpty();
        (mend, var at) = Until(mend, window => window.Light is not null);
        mend = Kept(mend, ProbesRead.Of(mend, Read, at).ShouldHaveSingleItem(), at);
        irradiance = 2.8;
        ProbesRead.Of(mend, Read, at.AddMinutes(1)).ShouldBeEmpty("a haze of seven in a hundred");
        irradiance = 1.1;
        ProbesRead.Of(mend, Read, at.AddMinutes(1)).ShouldHaveSingleItem().Value.ShouldBe(1.1);
        var inside = Kept(mend, new Happening(RunEventKind.Light, Text: "indoors"), at.AddMinutes(1));
        ProbesRead.Of(inside, Read, at.AddMinutes(2)).ShouldBeEmpty("the meter stayed at the door");
        var again = Kept(inside, new Happening(RunEventKind.Probe, Text: "door-uv", Passed: true), at.AddMinutes(3));
        ProbesRead.Of(again, Read, at.AddMinutes(3)).ShouldHaveSingleItem().Value.ShouldBe(1.1);
    }
}
