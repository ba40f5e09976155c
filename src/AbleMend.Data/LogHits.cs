using System.Text.Json;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Data;

/// <summary>What a search over the closed mends comes to.</summary>
public static class LogHits
{
    /// <summary>The numbers of the mends that fit, best first.</summary>
    /// <param name="db">The shop's records.</param>
    /// <param name="match">What is looked for, as <see cref="LogSearch.Match"/> puts it.</param>
    /// <param name="afterRank">Only what fits less well than this.</param>
    /// <param name="afterId">Of those that fit as well, only the ones before this.</param>
    /// <param name="most">How many at most.</param>
    /// <param name="cancel">Gives up.</param>
    public static async Task<IReadOnlyList<LogHit>> RankedAsync(MendDb db, string match, double afterRank, int afterId, int most, CancellationToken cancel) =>
        await db.Database.SqlQueryRaw<LogHit>(LogSearch.Ranked, match, LogSearch.MostRanked, afterRank, afterId, most).ToListAsync(cancel);

    /// <summary>What was written round the words, by turns beside and in them; a mend in whose writing they do not stand has none.</summary>
    /// <param name="db">The shop's records.</param>
    /// <param name="match">What is looked for.</param>
    /// <param name="ids">The mends.</param>
    /// <param name="cancel">Gives up.</param>
    public static async Task<IReadOnlyDictionary<int, IReadOnlyList<string>>> ExcerptsAsync(MendDb db, string match, IReadOnlyList<int> ids, CancellationToken cancel)
    {
        if (ids.Count == 0)
        {
            return new Dictionary<int, IReadOnlyList<string>>();
        }

        var excerpts = await db.Database.SqlQueryRaw<LogExcerpt>(LogSearch.Excerpts, match, ids.Min(), ids.Max(), JsonSerializer.Serialize(ids)).ToListAsync(cancel);
        return excerpts.Where(each => each.Text.Contains(LogSearch.HitBegins, StringComparison.Ordinal))
            .ToDictionary(each => each.Id, each => (IReadOnlyList<string>)each.Text.Split(LogSearch.HitBegins, LogSearch.HitEnds));
    }
}
