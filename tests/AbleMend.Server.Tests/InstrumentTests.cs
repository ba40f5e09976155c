using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Text;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Instruments;
using AbleMend.Core.Running;
using AbleMend.Server.Instruments;
using AbleMend.Server.Mends;

namespace AbleMend.Server.Tests;

/// <summary>Instruments on their lines: what they say is shown, what is broken is refused, and what is pulled comes back.</summary>
public sealed class InstrumentTests : IDisposable
{
    private readonly int _port = Shop.FreePort();
    private readonly Shop _shop;

    public InstrumentTests() => _shop = Shop.WithInstruments(_port);

    public void Dispose() => _shop.Dispose();

    [Fact]
    public async Task An_instrument_that_says_what_it_is_is_shown_with_what_it_reads()
    {
        using var scale = await PlugInAsync("hello bench-scale mass:0.1 name=Bench scale");
        (await scale.HearsAsync()).ShouldBe("ok");
        await scale.SaysAsync("mass 12.3 ~", "mass 12.4");
        var seen = await SeenAsync(each => each.Readings.Single().Value == 12.4);
        (seen.Name, seen.IsAttached, seen.IsSimulated).ShouldBe(("Bench scale", true, false));
        seen.Readings.Single().ShouldSatisfyAllConditions(
            each => (each.What, each.Unit, each.Step, each.IsStill).ShouldBe((Measurand.Mass, "g", 0.1, true)), each => each.At.ShouldBe(_shop.Time.GetUtcNow()));
    }

    [Fact]
    public async Task A_pulled_cable_is_said_and_one_put_back_takes_its_old_place()
    {
        var scale = await PlugInAsync("hello bench-scale mass:0.1");
        await scale.HearsAsync();
        scale.Dispose();
        (await SeenAsync(each => !each.IsAttached)).LeftAt.ShouldBe(_shop.Time.GetUtcNow());
        using var again = await PlugInAsync("hello bench-scale mass:0.01");
        (await again.HearsAsync()).ShouldBe("ok");
        (await SeenAsync(each => each.IsAttached)).Readings.Single().Step.ShouldBe(0.01);
        // The same once more while the old line still seems open: the new one counts.
        using var third = await PlugInAsync("hello bench-scale mass:0.1");
        (await third.HearsAsync()).ShouldBe("ok");
        (await again.HearsAsync()).ShouldBeNull();
        await third.SaysAsync("mass 5");
        (await SeenAsync(each => each.Readings.Single().Value == 5)).IsAttached.ShouldBeTrue();
    }

    [Fact]
    public async Task A_label_goes_to_the_printer_line_by_line_and_to_nothing_else()
    {
        using var printer = await PlugInAsync("hello bench-labels labels:1 name=Label printer");
        using var scale = await PlugInAsync("hello bench-scale mass:0.1");
        await printer.HearsAsync();
        await scale.HearsAsync();
        Task<HttpResponseMessage> Print(string id, params string?[] lines) => _shop.Client.PostAsJsonAsync($"/api/instruments/{id}/print", new { lines });
        (await Print("bench-labels", "BRD-07", "Resin (A): 20 mL")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await printer.HearsAsync(), await printer.HearsAsync(), await printer.HearsAsync()).ShouldBe(("label 2", "- BRD-07", "- Resin (A): 20 mL"));

        (await Print("bench-scale", "BRD-07")).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await Print("nobody", "BRD-07")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        foreach (var bad in new string?[][] { [], [""], [null], ["a\nlabel 9"], [new string('x', 161)], [.. Enumerable.Repeat("x", 25)] })
        {
            (await Print("bench-labels", bad)).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity, string.Join('|', bad));
        }

        // The last of the roll: who asks again before the printer has said so is told all the same.
        await printer.SaysAsync("labels 1");
        await SeenAsync(each => each.Id == "bench-labels" && each.Readings.Single().Value == 1);
        Task<HttpResponseMessage> Coded(string code) => _shop.Client.PostAsJsonAsync("/api/instruments/bench-labels/print", new { lines = new[] { "BRD-07" }, code });
        foreach (var bad in new[] { "", "a\n- more", new string('x', 161) })
        {
            (await Coded(bad)).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity, bad);
        }

        (await Coded("http://127.0.0.1/tags/BRD-07")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await printer.HearsAsync(), await printer.HearsAsync(), await printer.HearsAsync()).ShouldBe(("label 1", "code http://127.0.0.1/tags/BRD-07", "- BRD-07"));
        (await NowAsync()).Instruments.Single(each => each.Id == "bench-labels").Readings.Single().Value.ShouldBe(0);
        (await (await Print("bench-labels", "BRD-07")).Content.ReadAsStringAsync()).ShouldContain("roll of Label printer is empty");
        printer.Dispose();
        await SeenAsync(each => each.Id == "bench-labels" && !each.IsAttached);
        (await Print("bench-labels", "BRD-07")).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Theory]
    [InlineData("mass 12")]
    [InlineData("GET / HTTP/1.1")]
    [InlineData("hello Scale mass:0.1")]
    [InlineData("hello bench-scale mass:-1")]
    public async Task Who_does_not_say_what_it_is_is_told_why_and_put_off(string line)
    {
        using var stranger = await PlugInAsync(line);
        (await stranger.HearsAsync()).ShouldStartWith("no ");
        (await stranger.HearsAsync()).ShouldBeNull();
        (await NowAsync()).Instruments.ShouldBeEmpty();
    }

    [Fact]
    public async Task A_broken_line_is_told_and_forgiven_and_a_flood_is_put_off()
    {
        using var scale = await PlugInAsync("hello bench-scale mass:0.1");
        await scale.HearsAsync();
        await scale.SaysAsync("mass 1,5", "humidity 50", "mass 1.5");
        (await scale.HearsAsync()).ShouldStartWith("no '1,5' is no number");
        (await scale.HearsAsync()).ShouldBe("no it did not say that it measures that");
        await SeenAsync(each => each.Readings.Single().Value == 1.5);
        await scale.SaysAsync(new string('x', 100_000));
        (await scale.HearsAsync()).ShouldStartWith("no the line is too long");
        await SeenAsync(each => !each.IsAttached);
    }

    // Twenty-two lines of whatever comes: the shop answers as before.
    [Fact]
    public async Task Whatever_comes_down_the_lines_the_shop_goes_on()
    {
        var luck = new Random(7);
        for (var round = 0; round < 40; round++)
        {
            try
            {
                using var line = await PlugInAsync(round % 3 == 0 ? "hello noise mass:0.1" : "");
                var bytes = new byte[luck.Next(4000)];
                luck.NextBytes(bytes);
                await line.RawAsync(bytes);
            }
            catch (IOException)
            {
                // Put off while it still spoke.
            }
        }

        using var scale = await PlugInAsync("hello bench-scale mass:0.1");
        (await scale.HearsAsync()).ShouldBe("ok");
    }

    [Fact]
    public async Task A_scale_is_tared_and_a_real_one_is_told_nothing_else()
    {
        using var scale = await PlugInAsync("hello bench-scale mass:0.1");
        await scale.HearsAsync();
        (await _shop.SendAsync(HttpMethod.Post, "/api/instruments/bench-scale/tare")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await scale.HearsAsync()).ShouldBe("tare");
        (await Shop.ProblemAsync(await _shop.SendAsync(HttpMethod.Post, "/api/instruments/bench-scale/do", new Doing("pour 20")))).Code.ShouldBe("not-simulated");
        using var simulated = await PlugInAsync("hello stand-in mass:0.1 simulated");
        await simulated.HearsAsync();
        await _shop.SendAsync(HttpMethod.Post, "/api/instruments/stand-in/do", new Doing("pour 20"));
        (await simulated.HearsAsync()).ShouldBe("do pour 20");
        (await Shop.ProblemAsync(await _shop.SendAsync(HttpMethod.Post, "/api/instruments/stand-in/do", new Doing("pour 20\nbye")))).Field.ShouldBe("words");
        (await _shop.SendAsync(HttpMethod.Post, "/api/instruments/nobody/tare")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_screen_is_told_of_a_reading_as_it_comes()
    {
        using var scale = await PlugInAsync("hello bench-scale mass:0.1");
        await scale.HearsAsync();
        await using var stream = await _shop.Client.GetStreamAsync("/api/instruments/live");
        using var reader = new StreamReader(stream);
        (await reader.ReadLineAsync())!.ShouldContain("bench-scale");
        await scale.SaysAsync("mass 7.7");
        string? line;
        do
        {
            line = await reader.ReadLineAsync().WaitAsync(TimeSpan.FromSeconds(10));
        }
        while (line?.Contains("7.7", StringComparison.Ordinal) != true);

        line.ShouldStartWith("data: ");
    }

    [Fact]
    public async Task A_bench_that_is_colder_than_planned_moves_the_windows_of_what_is_under_way_and_is_nobodys_to_take_back()
    {
        var ding = Shop.DeckDing();
        var mend = await _shop.StartAsync(await _shop.OpenMendAsync(ding with { Damages = [ding.Damages[0] with { Choice = new Choice("fill-glass-coat", "epoxy-2to1", "glass-203") }] }));
        while (mend.Run!.Window is not { } window || window.OpensAt < _shop.Time.GetUtcNow().AddHours(1))
        {
            mend = await _shop.HappenedAsync(mend, new Happening(mend.Run.Phase == StepPhase.Waiting ? RunEventKind.Ready : RunEventKind.HandsDone, mend.Run.CurrentStepId));
        }

        using var probe = await PlugInAsync("hello bench-climate air-temperature:0.1");
        await probe.HearsAsync();
        var keeper = _shop.Service<BenchClimate>();
        (await keeper.KeepAsync(default)).ShouldBe(0, "nothing was read yet");
        await probe.SaysAsync("air-temperature 20.6");
        await SeenAsync(each => each.Readings.Single().Value == 20.6);
        (await keeper.KeepAsync(default)).ShouldBe(0, "less than a degree off what is reckoned with");
        await probe.SaysAsync("air-temperature 14");
        await SeenAsync(each => each.Readings.Single().Value == 14);
        (await keeper.KeepAsync(default)).ShouldBe(1);
        (await keeper.KeepAsync(default)).ShouldBe(0, "it is reckoned with now");
        _shop.Time.Advance(TimeSpan.FromMinutes(30));
        var colder = (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{mend.Id}", OpenJson.Options))!;
        colder.Events[^1].ShouldSatisfyAllConditions(each => (each.Kind, each.Value, each.Resolution).ShouldBe((RunEventKind.Reading, 14, 0.1), "once, and not at every look"), each => each.IsByItself.ShouldBeTrue());
        colder.Run!.Window!.OpensAt!.Value.ShouldBeGreaterThan(mend.Run.Window!.OpensAt!.Value);
        var moved = colder.Run.Window.Moved.ShouldNotBeNull();
        moved.OpenedAt.ShouldBe(mend.Run.Window.OpensAt.Value);
        moved.WarmerK.ShouldBe(-6, 0.3);
        var undone = await _shop.HappenedAsync(colder, new Happening(RunEventKind.Undo));
        undone.Run!.Window.ShouldBeNull("the tap is taken back, and not the probe's reading");
    }

    [Fact]
    public async Task A_probe_that_lies_on_an_item_is_that_items_until_it_is_laid_on_another()
    {
        var ding = Shop.DeckDing();
        var glassed = ding with { Damages = [ding.Damages[0] with { Choice = new Choice("fill-glass-coat", "epoxy-2to1", "glass-203") }] };
        var (one, other) = (await _shop.StartAsync(await _shop.OpenMendAsync(glassed)), await _shop.StartAsync(await _shop.OpenMendAsync(glassed, "BRD-77")));
        using var probe = await PlugInAsync("hello bench-climate surface-temperature:0.1 air-temperature:0.1 humidity:1");
        await probe.HearsAsync();
        await probe.SaysAsync("surface-temperature 16.4", "air-temperature 20", "humidity 90");
        await SeenAsync(each => each.Readings.All(reading => reading.Value is not null));
        var keeper = _shop.Service<BenchClimate>();
        (await keeper.KeepAsync(default)).ShouldBe(0, "it lies on neither");
        (await DewAsync()).ShouldSatisfyAllConditions(view => view.Sweating!.SurfaceC.ShouldBe(16.4, "held to whatever is coated"), view => view.AtItems.ShouldBeEmpty());

        one = await _shop.HappenedAsync(one, new Happening(RunEventKind.Probe, Text: "bench-climate", Passed: true));
        one.Run!.Probes.ShouldBe(["bench-climate"]);
        (await keeper.KeepAsync(default)).ShouldBe(1);
        (await keeper.KeepAsync(default)).ShouldBe(0, "it is reckoned with now");
        (await MendAsync(one.Id)).Events[^1].ShouldSatisfyAllConditions(each => (each.Kind, each.Value, each.Resolution).ShouldBe((RunEventKind.Surface, 16.4, 0.1)), each => each.IsByItself.ShouldBeTrue());
        (await MendAsync(other.Id)).Events.ShouldBeEmpty();

        _shop.Time.Advance(TimeSpan.FromMinutes(1));
        await _shop.HappenedAsync(other, new Happening(RunEventKind.Probe, Text: "bench-climate", Passed: true));
        (await keeper.KeepAsync(default)).ShouldBe(2, "taken from the one, read for the other");
        (await MendAsync(one.Id)).Run!.Probes.ShouldBeEmpty();
        (await MendAsync(other.Id)).Events[^1].Kind.ShouldBe(RunEventKind.Surface);
        (await DewAsync()).ShouldSatisfyAllConditions(
            view => view.Sweating.ShouldNotBeNull().IsAir.ShouldBeTrue("what lies on one item says nothing of another"),
            view => view.AtItems.ShouldHaveSingleItem().ShouldSatisfyAllConditions(at => at.Mend.ShouldBe(other.Id), at => at.Sweating.IsDry.ShouldBeFalse()));
    }

    private async Task<InstrumentsView> DewAsync() => (await _shop.Client.GetFromJsonAsync<InstrumentsView>("/api/instruments", OpenJson.Options))!;

    private async Task<MendView> MendAsync(int id) => (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{id}", OpenJson.Options))!;

    [Fact]
    public async Task A_gauge_that_is_read_by_itself_goes_on_while_nobody_looks_and_until_it_is_told_to_stop()
    {
        var mend = await HoldingAsync();
        using var gauge = await PlugInAsync("hello test-gauge gauge-pressure:0.1 barometer:0.1 air-temperature:0.1");
        await gauge.HearsAsync();
        await gauge.SaysAsync("gauge-pressure 98.5", "barometer 101.2", "air-temperature 19.4");
        await SeenAsync(each => each.Readings.Count(reading => reading.Value is not null) == 3);
        var watch = _shop.Service<HoldWatch>();
        (await watch.KeepAsync(default)).ShouldBe(0, "nobody has asked for it");
        mend = await _shop.HappenedAsync(mend, new Happening(RunEventKind.Gauge, mend.Run!.CurrentStepId, "test-gauge"));
        (await watch.KeepAsync(default)).ShouldBe(1);
        (await watch.KeepAsync(default)).ShouldBe(0, "not before it is due again");
        _shop.Time.Advance(HoldWatch.OftenAtFirst);
        (await watch.KeepAsync(default)).ShouldBe(0, "a reading that stands still for minutes is none");
        await gauge.SaysAsync("gauge-pressure 98.4");
        await SeenAsync(each => each.Readings.Any(reading => reading.Value == 98.4));
        (await watch.KeepAsync(default)).ShouldBe(1);

        mend = (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{mend.Id}", OpenJson.Options))!;
        mend.Events[^1].ShouldSatisfyAllConditions(
            each => (each.Kind, each.Value, each.Text, each.BarometerKpa, each.AirC).ShouldBe((RunEventKind.Pressure, 98.4, "test-gauge", 101.2, 19.4)), each => each.IsByItself.ShouldBeTrue());
        mend.Run!.Fronts[0].Trace!.Points.Count.ShouldBe(2);
        mend = await _shop.HappenedAsync(mend, new Happening(RunEventKind.Gauge, mend.Run.CurrentStepId));
        _shop.Time.Advance(HoldWatch.OftenAtFirst);
        await gauge.SaysAsync("gauge-pressure 98.3");
        await SeenAsync(each => each.Readings.Any(reading => reading.Value == 98.3));
        (await watch.KeepAsync(default)).ShouldBe(0);
    }

    [Fact]
    public async Task A_trace_goes_out_as_a_table_and_comes_in_once()
    {
        var mend = await HoldingAsync();
        _shop.Time.Advance(TimeSpan.FromHours(3));
        var from = _shop.Time.GetUtcNow().AddHours(-2);
        string At(int minutes) => from.AddMinutes(minutes).UtcDateTime.ToString("yyyy-MM-ddTHH:mm:ss.fffZ", System.Globalization.CultureInfo.InvariantCulture);
        var table = $"gauge-kpa,At,barometer-kpa\n99.1,{At(0)},101.3\n98.9,{At(30)},101.2\n98.8,{At(60)},\n";
        var cold = $"at,gauge-kpa,air-c\n{At(70)},98.7,-4.5\n";
        Task<HttpResponseMessage> ReadIn(string csv) => _shop.Client.PostAsJsonAsync($"/api/mends/{mend.Id}/hold-trace", new TraceTable(csv), OpenJson.Options);
        var read = await Shop.ReadAsync(await ReadIn(table));
        read.Run!.Fronts[0].Trace!.Points.Select(point => point.GaugeKpa).ShouldBe([99.1, 98.9, 98.8]);
        (await Shop.ReadAsync(await ReadIn(table))).Run!.Fronts[0].Trace!.Points.Count.ShouldBe(3, "read in twice, it is there once");

        var lines = (await _shop.Client.GetStringAsync($"/api/mends/{mend.Id}/hold-trace.csv")).Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        lines[0].ShouldBe("at,gauge-kpa,air-c,barometer-kpa,air-percent,used");
        lines.Length.ShouldBe(4);
        lines[1].ShouldStartWith($"{At(0)},99.1,");
        await Shop.ReadAsync(await ReadIn(cold));
        (await _shop.Client.GetStringAsync($"/api/mends/{mend.Id}/hold-trace.csv")).ShouldContain($"{At(70)},98.7,-4.5,", Case.Sensitive, "a number below zero is no formula");

        (await Shop.ProblemAsync(await ReadIn("time,pressure\n1,2\n"))).Field.ShouldBe("csv[1]");
        (await Shop.ProblemAsync(await ReadIn($"at,gauge-kpa\n{At(5)},many\n"))).Field.ShouldBe("csv[2]");
        (await Shop.ProblemAsync(await ReadIn($"at,gauge-kpa\nyesterday,99\n"))).Field.ShouldBe("csv[2]");
        (await Shop.ProblemAsync(await ReadIn($"at,gauge-kpa\n{At(600)},99\n"))).Code.ShouldBe("clock-ahead");
        (await Shop.ProblemAsync(await ReadIn($"at,gauge-kpa\n{At(6)},1e9\n"))).Field.ShouldBe("value");
        (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{mend.Id}", OpenJson.Options))!.Run!.Fronts[0].Trace!.Points.Count.ShouldBe(4, "what is refused changes nothing");
    }

    /// <summary>A mend that is left to hold its pressure.</summary>
    private async Task<MendView> HoldingAsync()
    {
        var opened = (await (await _shop.Client.PostAsync("/api/gallery/inflatable-board-seam-leak", null)).Content.ReadFromJsonAsync<MendView>(OpenJson.Options))!;
        var mend = await Shop.ReadAsync(await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{opened.Id}/start", null, opened.Version));
        while (mend.Run!.Fronts[0].Hold is null || mend.Run.Phase != StepPhase.Waiting)
        {
            _shop.Time.Advance(TimeSpan.FromMinutes(1));
            var step = mend.Plan!.Steps.First(each => each.Id == mend.Run.CurrentStepId);
            mend = await _shop.HappenedAsync(mend, mend.Run.Phase == StepPhase.Waiting ? new Happening(RunEventKind.Ready, step.Id)
                : step.Proof is not null ? new Happening(RunEventKind.Proof, step.Id, Passed: true) : new Happening(RunEventKind.HandsDone, step.Id));
        }

        return mend;
    }

    private async Task<InstrumentsView> NowAsync() => (await _shop.Client.GetFromJsonAsync<InstrumentsView>("/api/instruments", OpenJson.Options))!;

    /// <summary>The one instrument, once it is as it should be.</summary>
    private async Task<InstrumentView> SeenAsync(Func<InstrumentView, bool> so)
    {
        for (var i = 0; i < 200; i++)
        {
            if ((await NowAsync()).Instruments.FirstOrDefault(so) is { } seen)
            {
                return seen;
            }

            await Task.Delay(25);
        }

        throw new TimeoutException(string.Join(", ", (await NowAsync()).Instruments));
    }

    private async Task<Cable> PlugInAsync(string greeting)
    {
        var client = new TcpClient();
        for (var i = 0; ; i++)
        {
            try
            {
                await client.ConnectAsync(IPAddress.Loopback, _port);
                break;
            }
            catch (SocketException) when (i < 100)
            {
                await Task.Delay(25);
            }
        }

        var cable = new Cable(client);
        await cable.SaysAsync(greeting);
        return cable;
    }

    private sealed class Cable(TcpClient client) : IDisposable
    {
        private readonly StreamReader _reader = new(client.GetStream());

        public Task SaysAsync(params string[] lines) => RawAsync(Encoding.UTF8.GetBytes(string.Concat(lines.Select(line => $"{line}\n"))));

        public async Task RawAsync(byte[] bytes) => await client.GetStream().WriteAsync(bytes);

        /// <summary>The next line, or null once nobody is at the other end.</summary>
        public async Task<string?> HearsAsync()
        {
            try
            {
                return await _reader.ReadLineAsync().WaitAsync(TimeSpan.FromSeconds(10));
            }
            catch (IOException)
            {
                return null;
            }
        }

        public void Dispose() => client.Dispose();
    }
}
