using AbleMend.Core.Instruments;
using AbleMend.Core.Running;
using AbleMend.Server.Http;
using AbleMend.Server.Keeping;
using AbleMend.Server.Mends;

namespace AbleMend.Server.Instruments;

/// <summary>Reads the gauge of every hold test that asks for it, whether a page is open or not: an item is left to hold overnight.</summary>
/// <param name="scopes">Lends the shop's records.</param>
/// <param name="desk">The instruments.</param>
/// <param name="time">The shop's clock.</param>
/// <param name="log">Says what could not be kept.</param>
public sealed class HoldWatch(IServiceScopeFactory scopes, InstrumentDesk desk, TimeProvider time, ILogger<HoldWatch> log) : RoundService(LookEvery, time, log)
{
    /// <summary>How often a gauge is read at first: the first hour is drawn well.</summary>
    public static readonly TimeSpan OftenAtFirst = TimeSpan.FromMinutes(2);

    /// <summary>How often it is read once there are many: a night fills no record.</summary>
    public static readonly TimeSpan SeldomLater = TimeSpan.FromMinutes(15);

    private const int Many = 30;

    /// <summary>A reading that has stood still for so long is no reading.</summary>
    private static readonly TimeSpan Stale = TimeSpan.FromMinutes(1);

    private static readonly TimeSpan LookEvery = TimeSpan.FromSeconds(20);

    /// <summary>Keeps what is due.</summary>
    /// <returns>How many readings were kept.</returns>
    public async Task<int> KeepAsync(CancellationToken cancel)
    {
        if (!desk.Now().Instruments.Any(each => each.IsAttached))
        {
            return 0;
        }

        var now = Time.GetUtcNow();
        await using var scope = scopes.CreateAsyncScope();
        var kept = 0;
        foreach (var (row, record) in await scope.ServiceProvider.GetRequiredService<MendStore>().OpenAsync(cancel))
        {
            if (record.Value is not { Status: MendStatus.Running } mend || !mend.Events.Any(each => each.Kind == RunEventKind.Gauge))
            {
                continue;
            }

            foreach (var told in mend.StateAt(now).Fronts.Where(front => IsDue(front.Trace, now)).Select(front => Read(front, now)).OfType<Happening>())
            {
                await using var own = scopes.CreateAsyncScope();
                var answer = await own.ServiceProvider.GetRequiredService<MendStore>().AddEventAsync(row.Id, null, new Deed(Guid.NewGuid().ToString(), $"event of {row.Id}"), told, cancel);
                kept += answer is { Problems.Count: 0, NewerVersion: null } ? 1 : 0;
            }
        }

        return kept;
    }

    private static bool IsDue(HoldTrace? trace, DateTimeOffset now) =>
        trace is { Gauge: not null } && (trace.Points.Count == 0 || now - trace.Points[^1].At >= (trace.Points.Count < Many ? OftenAtFirst : SeldomLater));

    /// <summary>What its gauge shows now, with the air and the barometer beside it; null where it shows nothing.</summary>
    private Happening? Read(Front front, DateTimeOffset now) =>
        desk.Now().Instruments.FirstOrDefault(each => each.Id == front.Trace!.Gauge && each.IsAttached)?.Readings.FirstOrDefault(each => each.What == Measurand.GaugePressure) is { Value: { } kpa, At: { } at } reading && now - at < Stale
            ? new Happening(RunEventKind.Pressure, front.StepId, front.Trace!.Gauge, AtLeastNothing(kpa), AirC: Beside(Measurand.AirTemperature), BarometerKpa: Beside(Measurand.Barometer), Resolution: reading.Step)
            : null;

    /// <summary>A gauge on what is empty trembles about nothing; a pressure is never less.</summary>
    private static double AtLeastNothing(double kpa) => Math.Max(0, kpa);

    private double? Beside(Measurand what) => desk.Newest(what)?.Value;

    /// <inheritdoc/>
    protected override Task DoAsync(CancellationToken cancel) => KeepAsync(cancel);
}
