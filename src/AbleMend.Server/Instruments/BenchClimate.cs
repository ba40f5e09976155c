using AbleMend.Core.Instruments;
using AbleMend.Core.Running;
using AbleMend.Server.Http;
using AbleMend.Server.Keeping;
using AbleMend.Server.Mends;

namespace AbleMend.Server.Instruments;

/// <summary>Keeps what the bench's own probe reads with every mend that is under way, so that its windows move with the air that it really cures in.</summary>
/// <param name="scopes">Lends the shop's records.</param>
/// <param name="desk">The instruments.</param>
/// <param name="time">The shop's clock.</param>
/// <param name="log">Says what could not be kept.</param>
public sealed class BenchClimate(IServiceScopeFactory scopes, InstrumentDesk desk, TimeProvider time, ILogger<BenchClimate> log) : RoundService(LookEvery, time, log)
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

        var now = Time.GetUtcNow();
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
    protected override Task DoAsync(CancellationToken cancel) => KeepAsync(cancel);
}
