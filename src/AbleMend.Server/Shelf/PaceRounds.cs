using AbleMend.Core.Running;
using AbleMend.Server.Keeping;
using AbleMend.Server.Mends;

namespace AbleMend.Server.Shelf;

/// <summary>Tells every mend that is under way what was learnt at another of the lot that it uses.</summary>
/// <param name="scopes">Lends the shop's records.</param>
/// <param name="turns">Turns with every look.</param>
/// <param name="time">The shop's clock.</param>
/// <param name="log">Says what could not be told.</param>
public sealed class PaceRounds(IServiceScopeFactory scopes, PaceTurns turns, TimeProvider time, ILogger<PaceRounds> log) : RoundService(LookEvery, time, log)
{
    private static readonly TimeSpan LookEvery = TimeSpan.FromSeconds(15);

    private int _told = -1;

    /// <summary>Tells whoever does not know yet; nothing is done while nobody has looked at anything new.</summary>
    /// <returns>How many mends were told.</returns>
    public async Task<int> TellAsync(CancellationToken cancel)
    {
        var turn = turns.Now;
        if (turn == _told)
        {
            return 0;
        }

        await using var scope = scopes.CreateAsyncScope();
        var book = scope.ServiceProvider.GetRequiredService<PaceBook>();

        var told = 0;
        foreach (var (row, record) in await scope.ServiceProvider.GetRequiredService<MendStore>().OpenAsync(cancel))
        {
            if (record.Value is { Status: MendStatus.Running } mend && await book.NewsAsync(row.Id, mend, cancel) is { Count: > 0 } news)
            {
                await using var own = scopes.CreateAsyncScope();
                told += await own.ServiceProvider.GetRequiredService<MendStore>().LearnAsync(row.Id, news, cancel) ? 1 : 0;
            }
        }

        _told = turn;
        return told;
    }

    /// <inheritdoc/>
    protected override Task DoAsync(CancellationToken cancel) => TellAsync(cancel);
}
