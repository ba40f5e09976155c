extern alias devices;

using AbleMend.Core.Instruments;
using devices::AbleMend.Devices;
using Microsoft.Extensions.Time.Testing;

namespace AbleMend.Server.Tests;

/// <summary>What the stand-ins show is what such things do: gas laws, humidity tables, the laws of chance.</summary>
public sealed class SimulatedInstrumentTests
{
    // Gay-Lussac's law: at one volume the absolute pressure goes with the absolute temperature.
    [Theory]
    [InlineData(20, 10)]
    [InlineData(20, 5)]
    [InlineData(12, 27)]
    public void A_sound_board_goes_with_the_air(double fromC, double toC)
    {
        var airC = fromC;
        var gauge = new SimulatedGauge(new Chance(3), () => airC);
        gauge.TryDo("inflate 100").ShouldBeTrue();
        Pass(gauge, hours: 3);
        var before = gauge.TrueKpa + gauge.TrueBarometerKpa;
        airC = toC;
        ((gauge.TrueKpa + gauge.TrueBarometerKpa) / before).ShouldBe((toC + 273.15) / (fromC + 273.15), 1e-4);
    }

    // By hand: 201.3 kPa over nothing at 28 °C are 195.96 at 20, of which cloth that gives by 2 % leaves 192.04: 90.7 over the air.
    [Fact]
    public void The_pumps_heat_leaves_and_cloth_creeps_before_a_board_has_settled()
    {
        var settled = Mean(seed =>
        {
            var gauge = new SimulatedGauge(new Chance(seed), () => 20);
            gauge.TryDo("inflate 100");
            gauge.TrueKpa.ShouldBe(100, 1e-9);
            Pass(gauge, hours: 1.5);
            return gauge.TrueKpa + gauge.TrueBarometerKpa - 101.3;
        });
        settled.ShouldBe(90.74, 0.05);
    }

    // What leaks goes with what is left: after an hour at k there is e⁻ᵏ of it.
    [Theory]
    [InlineData(2)]
    [InlineData(10)]
    [InlineData(40)]
    public void A_leak_takes_its_share_of_what_is_left(double percentPerH)
    {
        var left = Mean(seed =>
        {
            var gauge = new SimulatedGauge(new Chance(seed), () => 20);
            gauge.TryDo("inflate 100");
            Pass(gauge, hours: 2);
            var before = gauge.TrueKpa + gauge.TrueBarometerKpa - 101.3;
            gauge.TryDo(FormattableString.Invariant($"leak {percentPerH}")).ShouldBeTrue();
            Pass(gauge, hours: 1);
            return (gauge.TrueKpa + gauge.TrueBarometerKpa - 101.3) / before;
        });
        left.ShouldBe(Math.Exp(-percentPerH / 100), 0.004);
    }

    [Fact]
    public void An_opened_valve_leaves_nothing()
    {
        var gauge = new SimulatedGauge(new Chance(1), () => 20);
        gauge.TryDo("inflate 100");
        gauge.TryDo("open").ShouldBeTrue();
        gauge.TrueKpa.ShouldBe(0);
    }

    [Fact]
    public void A_printer_writes_each_label_into_a_file_and_counts_its_roll()
    {
        var into = Directory.CreateTempSubdirectory("able-mend-labels");
        try
        {
            var printer = new SimulatedLabelPrinter(into);
            double Left() => printer.Read().Single().Value;
            var roll = Left();
            var label = new LabelToPrint(["BRD-07", "Mix the resin <for> the cloth & the fill", new string('x', 150)]);
            label.Said().ShouldAllBe(line => line.Length < InstrumentLine.MostCharacters);
            label.Said().ShouldAllBe(line => printer.TryPrint(line));
            Left().ShouldBe(roll - 1);
            var drawn = System.Xml.Linq.XDocument.Load(Path.Combine(into.FullName, "label-0001.svg"));
            var texts = drawn.Root!.Elements().Where(each => each.Name.LocalName == "text").ToList();
            texts[0].Value.ShouldBe("BRD-07");
            texts.Count.ShouldBeGreaterThan(4, "what is wider than the label is broken");
            string.Concat(texts.Skip(1).Select(each => each.Value)).Replace(" ", "", StringComparison.Ordinal).ShouldBe(string.Concat(label.Lines.Skip(1)).Replace(" ", "", StringComparison.Ordinal), "and nothing of it is lost");

            // What breaks off is not printed, and what no label begins is none.
            printer.TryPrint("- alone").ShouldBeFalse();
            printer.TryPrint("label 3").ShouldBeTrue();
            printer.TryPrint("- half").ShouldBeTrue();
            label.Said().ShouldAllBe(line => printer.TryPrint(line));
            into.GetFiles().Select(file => file.Name).Order().ShouldBe(["label-0001.svg", "label-0002.svg"]);

            // A code stands on the label that it was said of, and on no other.
            new LabelToPrint(["BRD-07"], "http://127.0.0.1/tags/BRD-07").Said().ShouldAllBe(line => printer.TryPrint(line));
            label.Said().ShouldAllBe(line => printer.TryPrint(line));
            int Codes(string file) => System.Xml.Linq.XDocument.Load(Path.Combine(into.FullName, file)).Root!.Elements().Count(each => each.Name.LocalName == "path");
            (Codes("label-0002.svg"), Codes("label-0003.svg"), Codes("label-0004.svg")).ShouldBe((0, 1, 0));
            printer.TryPrint("code http://127.0.0.1/").ShouldBeFalse("no label was begun");

            printer.TryDo("empty").ShouldBeTrue();
            label.Said().ShouldAllBe(line => printer.TryPrint(line));
            (Left(), into.GetFiles().Length).ShouldBe((0, 4));
            printer.TryDo("roll 50").ShouldBeTrue();
            Left().ShouldBe(50);
        }
        finally
        {
            into.Delete(recursive: true);
        }
    }

    [Fact]
    public void A_display_shows_whole_steps_and_trembles_by_about_one()
    {
        var scale = new SimulatedScale(new Chance(5), stepG: 0.1);
        scale.TryDo("put 50");
        var shown = Enumerable.Range(0, 600).Select(_ => After(scale, 0.1)).ToList();
        shown.ShouldAllBe(grams => Math.Abs((grams * 10) - Math.Round(grams * 10)) < 1e-6);
        shown.ShouldAllBe(grams => Math.Abs(grams - 50) < 0.25);
        shown.Distinct().Count().ShouldBeGreaterThan(1);
    }

    [Fact]
    public void A_hand_pours_at_its_pace_and_slips_a_little_to_both_sides_of_its_mark()
    {
        var slips = Enumerable.Range(1, 400).Select(seed =>
        {
            var scale = new SimulatedScale(new Chance(seed));
            scale.TryDo("pour 20").ShouldBeTrue();
            scale.Pass(0.1);
            scale.Read().Single().IsStill.ShouldBeFalse("it is still being poured");
            for (var i = 0; i < 300; i++)
            {
                scale.Pass(0.1);
            }

            scale.Read().Single().IsStill.ShouldBeTrue();
            return scale.TrueG - 20;
        }).ToList();
        slips.Average().ShouldBe(0, 0.03);
        Spread(slips).ShouldBe(0.15, 0.02);
    }

    // What wanders by chance alone wanders with the root of the time.
    [Fact]
    public void A_display_wanders_with_the_root_of_the_time()
    {
        double SpreadAfter(int hours) => Spread([.. Enumerable.Range(1, 400).Select(seed =>
        {
            var scale = new SimulatedScale(new Chance(seed), stepG: 0.001);
            Pass(scale, hours);
            return scale.Read().Single().Value;
        })]);
        SpreadAfter(1).ShouldBe(0.2, 0.03);
        SpreadAfter(4).ShouldBe(0.4, 0.06);
    }

    [Fact]
    public void Tare_shows_nothing_and_what_comes_after_it_alone()
    {
        var scale = new SimulatedScale(new Chance(2));
        scale.TryDo("put 31.4");
        scale.Tare();
        scale.TryDo("put 12");
        After(scale, 0.1).ShouldBe(12, 0.25);
    }

    [Fact]
    public void The_same_seed_shows_the_same_and_another_another()
    {
        static List<double> Shown(int seed)
        {
            var scale = new SimulatedScale(new Chance(seed), stepG: 0.01);
            scale.TryDo("pour 20");
            return [.. Enumerable.Range(0, 100).Select(_ => After(scale, 0.1))];
        }

        Shown(7).ShouldBe(Shown(7));
        Shown(7).ShouldNotBe(Shown(8));
    }

    // Psychrometric tables: air of 20 °C with its dew point at 10 °C has 53 % of what it could hold; of 30 °C with 10 °C it has 29 %.
    [Theory]
    [InlineData(20, 10, 53)]
    [InlineData(30, 10, 29)]
    [InlineData(20, 0, 26)]
    public void Air_is_as_damp_as_the_tables_say(double airC, double dewC, double percent)
    {
        var climate = new SimulatedClimate(new Chance(1), Noon());
        climate.TryDo(FormattableString.Invariant($"mean {airC}"));
        climate.TryDo("swing 0");
        climate.TryDo(FormattableString.Invariant($"dew {dewC}"));
        climate.Read().Single(each => each.What == Measurand.Humidity).Value.ShouldBe(percent, 1);
    }

    [Fact]
    public void It_is_warmest_in_the_afternoon_and_coldest_twelve_hours_from_it()
    {
        var clock = Noon();
        var climate = new SimulatedClimate(new Chance(1), clock);
        climate.TryDo("mean 18");
        climate.TryDo("swing 4");
        var day = Enumerable.Range(0, 24).Select(_ =>
        {
            var (hour, airC) = (clock.GetLocalNow().Hour, climate.AirC);
            clock.Advance(TimeSpan.FromHours(1));
            return (hour, airC);
        }).ToList();
        day.MaxBy(each => each.airC).ShouldBe((15, 22));
        day.MinBy(each => each.airC).ShouldBe((3, 14));
    }

    // A body that follows its air has gone 1 − 1/e of the way after one time constant: 40 minutes here.
    [Fact]
    public void A_surface_follows_its_air_slowly()
    {
        var ways = Mean(seed =>
        {
            var climate = new SimulatedClimate(new Chance(seed), Noon());
            climate.TryDo("mean 20");
            climate.TryDo("swing 0");
            Pass(climate, hours: 0.01);
            climate.TryDo("mean 10");
            Pass(climate, hours: 2.0 / 3);
            return 20 - climate.Read().Single(each => each.What == Measurand.SurfaceTemperature).Value;
        });
        ways.ShouldBe(10 * (1 - (1 / Math.E)), 0.3);
    }

    [Fact]
    public void There_is_no_light_at_night_and_a_third_of_it_under_a_grey_sky()
    {
        var clock = new FakeTimeProvider(new DateTimeOffset(2026, 6, 21, 13, 0, 0, TimeSpan.Zero));
        var meter = new SimulatedUvMeter(new Chance(1), clock);
        double Reads() => meter.Read().Single().Value;
        meter.TryDo("cloud 0");
        Reads().ShouldBe(5, 0.01);
        meter.TryDo("cloud 100");
        Reads().ShouldBe(1.5, 0.01);
        clock.Advance(TimeSpan.FromHours(12));
        Reads().ShouldBe(0);
    }

    [Theory]
    [InlineData("pour")]
    [InlineData("pour much")]
    [InlineData("pour -3")]
    [InlineData("pour NaN")]
    [InlineData("pour 1e400")]
    [InlineData("pour 3 4")]
    [InlineData("clear 1")]
    [InlineData("speed 60")]
    [InlineData("")]
    public void What_it_does_not_know_it_does_not_do(string words)
    {
        var scale = new SimulatedScale(new Chance(1));
        (scale.Knows(words), scale.TryDo(words)).ShouldBe((false, false));
        Pass(scale, hours: 0.1);
        scale.TrueG.ShouldBe(0);
    }

    [Fact]
    public async Task A_script_is_told_cue_for_cue_at_its_times()
    {
        var (cues, faults) = Script.Parse("# a session\n\n12.5 bench-scale pour 20  # part A\r\n0\tbench-scale\tput 8\n12.5 test-gauge open\n", All());
        faults.ShouldBeEmpty();
        cues.ShouldBe([new Cue(TimeSpan.Zero, "bench-scale", "put 8"), new Cue(TimeSpan.FromSeconds(12.5), "bench-scale", "pour 20"), new Cue(TimeSpan.FromSeconds(12.5), "test-gauge", "open")]);

        var (clock, told) = (Noon(), new List<string>());
        var playing = Script.PlayAsync(cues, cue => told.Add(cue.Words), clock, TestContext.Current.CancellationToken);
        told.ShouldBe(["put 8"]);
        clock.Advance(TimeSpan.FromSeconds(12));
        told.ShouldBe(["put 8"]);
        clock.Advance(TimeSpan.FromSeconds(1));
        await playing.WaitAsync(TimeSpan.FromSeconds(30), TestContext.Current.CancellationToken);
        told.ShouldBe(["put 8", "pour 20", "open"]);
    }

    [Theory]
    [InlineData("bench-scale pour 20", "Line 1: 'bench-scale' is no number of seconds")]
    [InlineData("5 bench-scale", "say the seconds")]
    [InlineData("-1 bench-scale clear", "is no number of seconds")]
    [InlineData("NaN bench-scale clear", "is no number of seconds")]
    [InlineData("1e12 bench-scale clear", "is no number of seconds")]
    [InlineData("0 kitchen-scale clear", "there are bench-climate, bench-scale, test-gauge, door-uv, label-printer")]
    [InlineData("0 bench-scale inflate 3", "it knows 'pour' with 0.01 to 5000")]
    public void A_line_that_is_no_cue_is_told_with_what_to_say(string line, string words)
    {
        var (cues, faults) = Script.Parse(line, All());
        cues.ShouldBeEmpty();
        faults.ShouldHaveSingleItem().ShouldContain(words);
    }

    private static FakeTimeProvider Noon() => new(new DateTimeOffset(2026, 5, 6, 12, 0, 0, TimeSpan.Zero));

    private static IReadOnlyList<Simulated> All() =>
        [new SimulatedClimate(new Chance(1), Noon()), new SimulatedScale(new Chance(2)), new SimulatedGauge(new Chance(3), () => 20), new SimulatedUvMeter(new Chance(4), Noon()), new SimulatedLabelPrinter(new DirectoryInfo(Path.Combine(Path.GetTempPath(), "able-mend-none")))];

    private static void Pass(Simulated simulated, double hours)
    {
        for (var i = 0; i < 720; i++)
        {
            simulated.Pass(hours * 3600 / 720);
        }
    }

    private static double After(Simulated simulated, double seconds)
    {
        simulated.Pass(seconds);
        return simulated.Read().First().Value;
    }

    private static double Mean(Func<int, double> of) => Enumerable.Range(1, 60).Average(of);

    private static double Spread(IReadOnlyList<double> values) => Math.Sqrt(values.Sum(each => Math.Pow(each - values.Average(), 2)) / (values.Count - 1));
}
