using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Keeping;

/// <summary>Something that the shop does by itself, again and again. A file that is busy is no fault: the next round does it.</summary>
/// <param name="every">How often.</param>
/// <param name="time">The shop's clock.</param>
/// <param name="log">Says what could not be done.</param>
public abstract partial class RoundService(TimeSpan every, TimeProvider time, ILogger log) : BackgroundService
{
    /// <value>The shop's clock.</value>
    protected TimeProvider Time { get; } = time;

    /// <summary>Does it once.</summary>
    protected abstract Task DoAsync(CancellationToken cancel);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var round = new PeriodicTimer(every, Time);
        while (await round.NextAsync(stoppingToken))
        {
            try
            {
                await DoAsync(stoppingToken);
            }
            catch (OperationCanceledException)
            {
                return;
            }
            catch (Exception fault) when (fault is SqliteException or DbUpdateException)
            {
                Fails(log, GetType().Name, fault.Message);
            }
        }
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "{Round} was not done, and is tried again: {Reason}")]
    private static partial void Fails(ILogger log, string round, string reason);
}
