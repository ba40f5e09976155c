using AbleMend.Core.Instruments;
using AbleMend.Core.Running;
using AbleMend.Server.Http;
using AbleMend.Server.Keeping;
using AbleMend.Server.Mends;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Instruments;

/// <summary>Keeps what the bench's own probe reads with every mend that is under way, so that its windows move with the air that it really cures in.</summary>
/// <param name="scopes">Lends the shop's records.</param>
/// <param name="desk">The instruments.</param>
/// <param name="time">The shop's clock.</param>
/// <param name="log">Says what could not be kept.</param>
public sealed partial class BenchClimate(IServiceScopeFactory scopes, InstrumentDesk desk, TimeProvider time, ILogger<BenchClimate> log) : BackgroundService
{
    /// <summary>A bench that is warmer or colder by so much than a mend reckons with is told to it: a tenth of a cure's pace.</summary>
    public const double WorthKeepingK = 1;

    /// <summary>What the shop's probe may show at a bench; what shows more lies in the sun or on a radiator.</summary>
    private static readonly (double Least, double Most) Believed = (-10, 45);

    private static readonly TimeSpan LookEvery = TimeSpan.FromSeconds(30);

    /// <summary>Keeps a reading with every running mend that reckons with other air.</summary>
    /// <returns>With how many it was kept.</returns>
    public async Task<int> KeepAsync(CancellationToken cancel)
    {
        if (desk.Newest(Measurand.AirTemperature) is not { Value: { } celsius, At: { } at, Step: var step } || celsius < Believed.Least || celsius > Believed.Most)
        {
            return 0;
        }

        var now = time.GetUtcNow();
        await using var scope = scopes.CreateAsyncScope();
        var open = await scope.ServiceProvider.GetRequiredService<MendStore>().OpenAsync(cancel);
        var kept = 0;
        foreach (var mend in open.Where(each => each.Record.Value is { Status: MendStatus.Running } mend && Math.Abs(mend.Climate.TemperatureCAt(now) - celsius) >= WorthKeepingK).Select(each => each.Row))
        {
            await using var own = scopes.CreateAsyncScope();
            var told = new Happening(RunEventKind.Reading, Value: celsius, At: at < now ? at : null, Resolution: step);
            var answer = await own.ServiceProvider.GetRequiredService<MendStore>().AddEventAsync(mend.Id, null, new Deed(Guid.NewGuid().ToString(), $"event of {mend.Id}"), told, cancel);
            kept += answer is { Problems.Count: 0, NewerVersion: null } ? 1 : 0;
        }

        return kept;
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var look = new PeriodicTimer(LookEvery, time);
        while (await look.NextAsync(stoppingToken))
        {
            try
            {
                await KeepAsync(stoppingToken);
            }
            catch (OperationCanceledException)
            {
                return;
            }
            catch (Exception fault) when (fault is SqliteException or DbUpdateException)
            {
                // The next look keeps it.
                Fails(log, fault.Message);
            }
        }
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "A reading of the bench was not kept: {Reason}")]
    private static partial void Fails(ILogger log, string reason);
}
