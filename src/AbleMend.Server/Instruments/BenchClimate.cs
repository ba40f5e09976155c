using AbleMend.Core.Instruments;
using AbleMend.Core.Running;
using AbleMend.Server.Http;
using AbleMend.Server.Keeping;
using AbleMend.Server.Mends;

namespace AbleMend.Server.Instruments;

/// <summary>Keeps what the bench's own probes and those that lie at an item read with the mends that are under way, so that their windows move with what they really cure in.</summary>
/// <param name="scopes">Lends the shop's records.</param>
/// <param name="desk">The instruments.</param>
/// <param name="time">The shop's clock.</param>
/// <param name="log">Says what could not be kept.</param>
public sealed class BenchClimate(IServiceScopeFactory scopes, InstrumentDesk desk, TimeProvider time, ILogger<BenchClimate> log) : RoundService(LookEvery, time, log)
{
    private static readonly TimeSpan LookEvery = TimeSpan.FromSeconds(30);

    /// <summary>Keeps what is read with every running mend that reckons with something else.</summary>
    /// <returns>How many readings were kept.</returns>
    public async Task<int> KeepAsync(CancellationToken cancel)
    {
        if (!desk.Now().Instruments.Any(each => each.IsAttached))
        {
            return 0;
        }

        var now = Time.GetUtcNow();
        await using var scope = scopes.CreateAsyncScope();
        var open = await scope.ServiceProvider.GetRequiredService<MendStore>().OpenAsync(cancel);
        var running = open.Where(each => each.Record.Value is { Status: MendStatus.Running }).Select(each => (each.Row.Id, Mend: each.Record.Value!)).ToList();
        var laidAt = LaidAt(running, now);
        desk.Lies(laidAt);
        var kept = 0;
        foreach (var (id, mend) in running)
        {
            foreach (var told in Elsewhere(id, mend, laidAt, now).Concat(ProbesRead.Of(mend, (probe, what) => probe is not null && laidAt.GetValueOrDefault(probe, id) != id ? null : Read(probe, what), now)))
            {
                await using var own = scopes.CreateAsyncScope();
                var answer = await own.ServiceProvider.GetRequiredService<MendStore>().AddEventAsync(id, null, new Deed(Guid.NewGuid().ToString(), $"event of {id}"), told, cancel);
                kept += answer is { Problems.Count: 0, NewerVersion: null } ? 1 : 0;
            }
        }

        return kept;
    }

    /// <summary>Where each probe that reads a surface was laid last: it lies on one item, where a light meter stands beside several.</summary>
    private Dictionary<string, int> LaidAt(IEnumerable<(int Id, Mend Mend)> running, DateTimeOffset now)
    {
        var onOne = desk.Now().Instruments.Where(each => each.Readings.Any(reading => reading.What == Measurand.SurfaceTemperature)).Select(each => each.Id).ToHashSet();
        return running.SelectMany(each => (each.Mend.StateAt(now).Probes ?? []).Select(probe => (Probe: probe, each.Id, At: each.Mend.Events.Last(one => one.Kind == RunEventKind.Probe && one.Text == probe).At)))
            .Where(each => onOne.Contains(each.Probe)).GroupBy(each => each.Probe).ToDictionary(group => group.Key, group => group.OrderBy(each => each.At).ThenBy(each => each.Id).Last().Id);
    }

    /// <summary>What lies at another item now lies here no more.</summary>
    private static IEnumerable<Happening> Elsewhere(int id, Mend mend, Dictionary<string, int> laidAt, DateTimeOffset now) =>
        (mend.StateAt(now).Probes ?? []).Where(probe => laidAt.GetValueOrDefault(probe, id) != id).Select(probe => new Happening(RunEventKind.Probe, Text: probe, Passed: false));

    private ReadNow? Read(string? probe, Measurand what) =>
        (probe is null ? desk.Newest(what) : desk.Now().Instruments.FirstOrDefault(each => each.Id == probe && each.IsAttached)?.Readings.FirstOrDefault(each => each.What == what))
        is { Value: { } value, At: { } at } reading ? new ReadNow(value, reading.Step, at) : null;

    /// <inheritdoc/>
    protected override Task DoAsync(CancellationToken cancel) => KeepAsync(cancel);
}
