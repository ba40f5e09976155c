using System.CommandLine;
using AbleMend.Core;
using AbleMend.Core.Instruments;
using AbleMend.Devices;

var to = new Option<string>("--to") { Description = "Where the bench listens for instruments.", DefaultValueFactory = _ => "127.0.0.1:5081" };
var seed = new Option<int>("--seed") { Description = "Seed of all chance.", DefaultValueFactory = _ => 1 };
var only = new Option<string[]>("--only") { Description = "Identifiers of the instruments to attach; all without it.", AllowMultipleArgumentsPerToken = true };
var with = new Option<int?>("--with") { Description = "Number of a process that they stop with." };
var labels = new Option<DirectoryInfo>("--labels") { Description = "Where the label printer writes its labels.", DefaultValueFactory = _ => new DirectoryInfo("labels") };
var script = new Option<FileInfo?>("--script") { Description = "A file of what they are told and when: seconds since the start, instrument, what to do, such as '12.5 bench-scale pour 20'." };
var simulate = new RootCommand("Able Mend's simulated instruments: stand-ins that speak the same lines as real ones.") { to, seed, only, with, labels, script };
var port = new Argument<string>("port") { Description = "The serial port, such as /dev/ttyUSB0." };
var baud = new Option<int>("--baud") { Description = "Its speed, as set on the scale.", DefaultValueFactory = _ => 9600 };
var step = new Option<double>("--step") { Description = "Step of its display in grams.", DefaultValueFactory = _ => 0.1 };
var serial = new Command("serial", "A real scale on a serial port, set to send without being asked.") { port, baud, step, to };
serial.SetAction(async (given, cancel) =>
{
    if (Address.Parse(given.GetValue(to)!) is not { } bench || given.GetValue(step) is not (> 0 and <= 1000))
    {
        await Console.Error.WriteLineAsync("Say where as 127.0.0.1:5081, and a step above 0 g.");
        return 2;
    }

    var scale = new SerialScale(given.GetValue(port)!, given.GetValue(baud), given.GetValue(step), Console.Error);
    await new Cable(bench.Host, bench.Port, Console.Error).CarryAsync(scale.Instrument, scale.ReadAsync, scale.Heard, cancel);
    return 0;
});
simulate.Add(serial);
var broker = new Argument<string>("broker") { Description = "Where the broker listens, such as 192.168.1.10:1883." };
var reads = new Option<string[]>("--read") { Description = "What is read from which topic, such as humidity=shop/bench, or humidity=shop/bench@climate.rh inside JSON.", AllowMultipleArgumentsPerToken = true, Required = true };
var called = new Option<string>("--id") { Description = "What the instrument is called on the line.", DefaultValueFactory = _ => "mqtt-probes" };
var user = new Option<string?>("--user") { Description = "Who asks; the password is taken from ABLE_MEND_MQTT_PASSWORD." };
var mqtt = new Command("mqtt", "Probes that publish to an MQTT broker: temperatures in °C, humidity in %, pressures in kPa, light in mW/cm².") { broker, reads, called, user, to };
mqtt.SetAction(async (given, cancel) =>
{
    IReadOnlyList<MqttTopic?> topics = [.. (given.GetValue(reads) ?? []).Select(MqttTopic.Parse)];
    if (Address.Parse(given.GetValue(to)!) is not { } bench || Address.Parse(given.GetValue(broker)!) is not { } address || topics.Contains(null) || topics.Count == 0)
    {
        await Console.Error.WriteLineAsync($"Say where as 127.0.0.1:1883, and what as humidity=shop/bench. There are {string.Join(", ", Enum.GetValues<Measurand>().Select(Kebab<Measurand>.Id))}.");
        return 2;
    }

    var probe = new MqttProbe(new Broker(address, given.GetValue(user), Environment.GetEnvironmentVariable("ABLE_MEND_MQTT_PASSWORD")), [.. topics.OfType<MqttTopic>()], given.GetValue(called)!, _ => 0.1, Console.Error);
    await new Cable(bench.Host, bench.Port, Console.Error).CarryAsync(probe.Instrument, probe.ReadAsync, MqttProbe.Heard, cancel);
    return 0;
});
simulate.Add(mqtt);
simulate.SetAction(async (given, stopped) =>
{
    using var stop = CancellationTokenSource.CreateLinkedTokenSource(stopped);
    var cancel = stop.Token;
    if (given.GetValue(with) is { } shop)
    {
        _ = Companion.EndsWithAsync(shop, stop);
    }

    if (Address.Parse(given.GetValue(to)!) is not { } bench)
    {
        await Console.Error.WriteLineAsync("Say where as 127.0.0.1:5081.");
        return 2;
    }

    var (first, clock, wanted) = (given.GetValue(seed), TimeProvider.System, given.GetValue(only) ?? []);
    var climate = new SimulatedClimate(new Chance(first), clock);
    Simulated[] all = [climate, new SimulatedScale(new Chance(first + 1)), new SimulatedGauge(new Chance(first + 2), () => climate.AirC), new SimulatedUvMeter(new Chance(first + 3), clock), new SimulatedLabelPrinter(given.GetValue(labels)!)];
    if (wanted.Except(all.Select(each => each.Instrument.Id)).ToList() is { Count: > 0 } unknown)
    {
        await Console.Error.WriteLineAsync($"There is no {string.Join(", ", unknown)}; there are {string.Join(", ", all.Select(each => each.Instrument.Id))}.");
        return 2;
    }

    Simulated[] attached = [.. all.Where(each => wanted.Length == 0 || wanted.Contains(each.Instrument.Id))];
    if (await CuesAsync(given.GetValue(script), attached) is not { } cues)
    {
        return 2;
    }

    var stands = attached.ToDictionary(each => each.Instrument.Id, each => new Stand(each, clock, Console.Error));
    var cable = new Cable(bench.Host, bench.Port, Console.Error);
    await Task.WhenAll(
        [
            Script.PlayAsync(cues, cue => stands[cue.Instrument].Heard($"do {cue.Words}"), clock, cancel),
            .. attached.Select(each => cable.CarryAsync(each.Instrument, stands[each.Instrument.Id].ReadAsync, stands[each.Instrument.Id].Heard, cancel)),
        ]);
    return 0;
});
return await simulate.Parse(args).InvokeAsync();

static async Task<IReadOnlyList<Cue>?> CuesAsync(FileInfo? file, IReadOnlyList<Simulated> attached)
{
    if (file is null)
    {
        return [];
    }

    if (!file.Exists)
    {
        await Console.Error.WriteLineAsync($"There is no script {file.FullName}.");
        return null;
    }

    var (cues, faults) = Script.Parse(await File.ReadAllTextAsync(file.FullName), attached);
    foreach (var fault in faults)
    {
        await Console.Error.WriteLineAsync(fault);
    }

    return faults.Count > 0 ? null : cues;
}
