using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Words;
using AbleMend.Data;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Log;

/// <summary>A mend that somebody is to look at again.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Tag">Tag of its item.</param>
/// <param name="ItemName">What people call it.</param>
/// <param name="MethodName">How it was mended, or null.</param>
/// <param name="At">When it is to be looked at.</param>
public sealed record LookDue(int Id, string Tag, string ItemName, Message? MethodName, DateTimeOffset At);

/// <summary>The mends that somebody is to look at again.</summary>
/// <param name="Now">The shop's present.</param>
/// <param name="Looks">Those that are due longest.</param>
/// <param name="Total">How many there are in all.</param>
public sealed record LooksDue(DateTimeOffset Now, IReadOnlyList<LookDue> Looks, int Total)
{
    /// <summary>How many are named.</summary>
    public const int Most = 20;

    /// <summary>How long before its day a look is named, so that somebody can be called.</summary>
    private static readonly TimeSpan Ahead = TimeSpan.FromDays(7);

    /// <summary>Those that are due, or will be within a week.</summary>
    public static async Task<LooksDue> AtAsync(DateTimeOffset now, MendDb db, CancellationToken cancel)
    {
        var until = now + Ahead;
        var due = db.Mends.AsNoTracking().Where(row => row.LookAgainAt != null && row.LookAgainAt <= until);
        var rows = await due.OrderBy(row => row.LookAgainAt).ThenBy(row => row.Id).Take(Most)
            .Select(row => new { row.Id, row.Item.Tag, row.Item.Name, row.LogJson, At = row.LookAgainAt!.Value }).ToListAsync(cancel);
        return new LooksDue(
            now,
            [.. rows.Select(row => new LookDue(row.Id, row.Tag, row.Name, row.LogJson is null ? null : JsonSerializer.Deserialize<LogLine>(row.LogJson, OpenJson.Options)?.MethodName, row.At))],
            rows.Count < Most ? rows.Count : await due.CountAsync(cancel));
    }
}
