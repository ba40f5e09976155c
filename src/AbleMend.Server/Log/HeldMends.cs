using AbleMend.Core.Methods;
using AbleMend.Core.Words;
using AbleMend.Core.Worth;
using AbleMend.Data;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Log;

/// <summary>How the mends of a method have held at this shop.</summary>
/// <param name="Method">Identifier of the method.</param>
/// <param name="Name">Its name.</param>
/// <param name="Seen">What was seen.</param>
/// <param name="FailAYear">Share that fails in a year, 0 to 1, by that and by what is generally found.</param>
public sealed record HeldOfMethod(string Method, Message Name, SeenOf Seen, double FailAYear);

/// <summary>What the log knows of whether mends have held.</summary>
internal static class HeldMends
{
    /// <summary>What was seen, by method.</summary>
    public static async Task<IReadOnlyList<HeldOfMethod>> ByMethodAsync(MendDb db, CancellationToken cancel)
    {
        var seen = await SeenAsync(db, cancel);
        return
        [
            .. AllMethods.List.Where(method => seen.ContainsKey(method.Id))
                .Select(method => new HeldOfMethod(method.Id, Message.Parse(method.Name), seen[method.Id], FailRate.Of(method.Permanence, seen[method.Id]).Share(1)))
                .OrderByDescending(each => each.Seen.Mends).ThenBy(each => each.Method, StringComparer.Ordinal),
        ];
    }

    /// <summary>The same, by the identifiers of the methods.</summary>
    public static async Task<IReadOnlyDictionary<string, SeenOf>> SeenAsync(MendDb db, CancellationToken cancel) =>
        await db.Mends.AsNoTracking().Where(row => row.HeldMethod != null).GroupBy(row => row.HeldMethod!)
            .Select(each => new { each.Key, Mends = each.Count(), Failed = each.Count(row => row.HeldFailed), Years = each.Sum(row => row.HeldYears ?? 0) })
            .ToDictionaryAsync(each => each.Key, each => new SeenOf(each.Mends, each.Failed, each.Years), cancel);
}
