using AbleMend.Data;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Keeping;

/// <summary>Forgets the keys of what was asked for long ago: no device sends again what it sent a month before.</summary>
/// <param name="scopes">Lends the shop's records.</param>
/// <param name="time">The shop's clock.</param>
/// <param name="log">Says what could not be forgotten.</param>
public sealed class OldDeeds(IServiceScopeFactory scopes, TimeProvider time, ILogger<OldDeeds> log) : BackgroundService
{
    /// <summary>How long a key is kept.</summary>
    public static readonly TimeSpan Kept = TimeSpan.FromDays(30);

    private static readonly TimeSpan LookEvery = TimeSpan.FromHours(1);

    /// <summary>Forgets what is older than it is kept.</summary>
    /// <returns>How many keys were forgotten.</returns>
    public async Task<int> ForgetAsync(CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        var before = time.GetUtcNow() - Kept;
        return await scope.ServiceProvider.GetRequiredService<MendDb>().Deeds.Where(deed => deed.At < before).ExecuteDeleteAsync(cancel);
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var look = new PeriodicTimer(LookEvery, time);
        while (await look.NextAsync(stoppingToken))
        {
            try
            {
                await ForgetAsync(stoppingToken);
            }
            catch (OperationCanceledException)
            {
                return;
            }
            catch (SqliteException fault)
            {
                // It is tried again in an hour, and keeps nobody from working.
                log.LogError("Old keys were not forgotten: {Reason}", fault.Message);
            }
        }
    }
}
