using System.CommandLine;
using AbleMend.Devices;

var to = new Option<string>("--to") { Description = "Where the bench listens for instruments.", DefaultValueFactory = _ => "127.0.0.1:5081" };
var seed = new Option<int>("--seed") { Description = "Seed of all chance.", DefaultValueFactory = _ => 1 };
var only = new Option<string[]>("--only") { Description = "Identifiers of the instruments to attach; all without it.", AllowMultipleArgumentsPerToken = true };
var with = new Option<int?>("--with") { Description = "Number of a process that they stop with." };
var simulate = new RootCommand("Able Mend's simulated instruments: stand-ins that speak the same lines as real ones.") { to, seed, only, with };
simulate.SetAction(async (given, stopped) =>
{
    using var stop = CancellationTokenSource.CreateLinkedTokenSource(stopped);
    var cancel = stop.Token;
    if (given.GetValue(with) is { } shop)
    {
        _ = Companion.EndsWithAsync(shop, stop);
    }

    if (given.GetValue(to)!.Split(':') is not [var host, var text] || !int.TryParse(text, out var port) || port is < 1 or > 65535)
    {
        await Console.Error.WriteLineAsync("Say where as 127.0.0.1:5081.");
        return 2;
    }

    var (first, clock, wanted) = (given.GetValue(seed), TimeProvider.System, given.GetValue(only) ?? []);
    var climate = new SimulatedClimate(new Chance(first), clock);
    Simulated[] all = [climate, new SimulatedScale(new Chance(first + 1)), new SimulatedGauge(new Chance(first + 2), () => climate.AirC), new SimulatedUvMeter(new Chance(first + 3), clock)];
    if (wanted.Except(all.Select(each => each.Instrument.Id)).ToList() is { Count: > 0 } unknown)
    {
        await Console.Error.WriteLineAsync($"There is no {string.Join(", ", unknown)}; there are {string.Join(", ", all.Select(each => each.Instrument.Id))}.");
        return 2;
    }

    var cable = new Cable(host, port, Console.Error);
    await Task.WhenAll(all.Where(each => wanted.Length == 0 || wanted.Contains(each.Instrument.Id)).Select(each =>
    {
        var stand = new Stand(each, clock, Console.Error);
        return cable.CarryAsync(each.Instrument, stand.ReadAsync, stand.Heard, cancel);
    }));
    return 0;
});
return await simulate.Parse(args).InvokeAsync();
