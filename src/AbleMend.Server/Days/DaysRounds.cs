using System.Diagnostics;
using AbleMend.Server.Keeping;

namespace AbleMend.Server.Days;

/// <summary>
/// Looks on, in the background, for a plan of the days that misses fewer windows or is less late than the one that was laid out while
/// somebody waited for it. Nothing is done where that one is proven, and it is given up when something happens meanwhile.
/// </summary>
/// <param name="scopes">Lends the shop's records.</param>
/// <param name="desk">Where what may be bettered lies.</param>
/// <param name="time">The shop's clock.</param>
/// <param name="log">Says what could not be kept.</param>
public sealed class DaysRounds(IServiceScopeFactory scopes, DaysDesk desk, TimeProvider time, ILogger<DaysRounds> log) : RoundService(LookEvery, time, log)
{
    private static readonly TimeSpan LookEvery = TimeSpan.FromSeconds(3);

    /// <summary>How long is looked on: by then what a shop of sixty mends gains is small. Measured on generated shops.</summary>
    private static readonly TimeSpan LookFor = TimeSpan.FromSeconds(10);

    /// <summary>Looks on for what lies on the desk.</summary>
    /// <param name="patience">For how long.</param>
    /// <param name="cancel">Gives up.</param>
    /// <returns>Whether a better plan was found and kept.</returns>
    public async Task<bool> LookOnAsync(TimeSpan patience, CancellationToken cancel)
    {
        var left = desk.Left;
        if (desk.Take() is not { } open)
        {
            return false;
        }

        var clock = Stopwatch.StartNew();
        await Task.Run(() => open.Draft.Improve(() => cancel.IsCancellationRequested || desk.Left != left || open.Draft.IsProven ? 1 : clock.Elapsed / patience), cancel);
        await using var scope = scopes.CreateAsyncScope();
        return await scope.ServiceProvider.GetRequiredService<DaysStore>().BetterAsync(open, cancel);
    }

    /// <inheritdoc/>
    protected override Task DoAsync(CancellationToken cancel) => LookOnAsync(LookFor, cancel);
}
