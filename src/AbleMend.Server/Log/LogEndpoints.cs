using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Running;
using AbleMend.Core.Words;
using AbleMend.Data;
using AbleMend.Server.Http;
using AbleMend.Server.Mends;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Log;

/// <summary>A closed mend, told by the first of its damages; without a decision where its record cannot be read.</summary>
/// <param name="Id">Number of the mend.</param>
/// <param name="Tag">Fleet tag of the item.</param>
/// <param name="ItemName">What people call it.</param>
/// <param name="Status">How it was closed.</param>
/// <param name="Decision">What was decided.</param>
/// <param name="Construction">Construction of the item.</param>
/// <param name="Damage">The first damage.</param>
/// <param name="MethodName">How it was mended, or null.</param>
/// <param name="MaterialName">With what, or null.</param>
/// <param name="ClosedAt">When it was closed.</param>
/// <param name="Words">What was told when it was closed, or null.</param>
/// <param name="FollowsMendId">The mend that it does properly, or null.</param>
/// <param name="Damages">How many damages.</param>
/// <param name="Excerpt">What was written round the words that were asked for, by turns beside and in them; null where none of it was written.</param>
/// <param name="Photograph">The last photograph of it, or null.</param>
/// <param name="Held">Whether it has held; null where nobody has looked.</param>
public sealed record LogEntry(
    int Id, string Tag, string ItemName, MendStatus Status, Decision? Decision, string Construction, Damage? Damage,
    Message? MethodName, Message? MaterialName, DateTimeOffset ClosedAt, Message? Words, int? FollowsMendId, int Damages = 1, IReadOnlyList<string>? Excerpt = null, int? Photograph = null, Held? Held = null);

/// <summary>A page of the log.</summary>
/// <param name="Entries">Its mends.</param>
/// <param name="Next">Where the next page begins; null after the last.</param>
public sealed record LogPage(IReadOnlyList<LogEntry> Entries, string? Next);

/// <summary>The log of closed mends.</summary>
public static class LogEndpoints
{
    /// <summary>How many mends a page has.</summary>
    public const int PageSize = 50;

    private const int LongestWords = 200;

    /// <summary>Maps the endpoints.</summary>
    public static void MapLog(this RouteGroupBuilder api)
    {
        api.MapGet("/log/held", async (MendDb db, CancellationToken cancel) => Results.Ok(await HeldMends.ByMethodAsync(db, cancel)))
            .WithName("getHeld")
            .WithSummary("How the mends of each method have held, as those who looked again have seen; the most looked at first.")
            .Produces<IReadOnlyList<HeldOfMethod>>();
        api.MapGet("/log/looks", (MendDb db, TimeProvider time, CancellationToken cancel) => LooksDue.AtAsync(time.GetUtcNow(), db, cancel))
            .SharedForAMoment().WithName("getLooks").WithSummary("The mends that somebody is to look at again by now or within a week, and has not; those due longest first.");
        api.MapGet("/log", async (string? q, string? after, MendDb db, MendRecords records, CancellationToken cancel) =>
            {
                if (Refuse(q, after) is { } refused)
                {
                    return ProblemAnswers.Unprocessable(refused);
                }

                var from = after is null ? null : LogPlace.Parse(after);
                var typed = q?.Trim() ?? "";
                var page = typed.Length == 0 ? await NewestAsync(from, db, records, cancel)
                    : LogSearch.Match(typed) is { } match ? await FoundAsync(match, from, db, records, cancel)
                    : new LogPage([], null);
                return Results.Ok(page);
            })
            .WithName("getLog")
            .WithSummary("Closed mends, newest first; with words, those of the newest that carry the beginning of each of them, best first.")
            .Produces<LogPage>()
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    private static Problem? Refuse(string? q, string? after) =>
        q is { Length: > LongestWords } ? new Problem("too-long", "q", $"More than {LongestWords} characters are looked for.", "Look for a few words.")
        : after is not null && LogPlace.Parse(after) is null ? new Problem("unknown-id", "after", "This is no place in the log.", "Leave it out to begin with the newest.")
        : null;

    private static async Task<LogPage> NewestAsync(LogPlace? from, MendDb db, MendRecords records, CancellationToken cancel)
    {
        var rows = db.Mends.AsNoTracking().Where(row => row.ClosedAt != null);
        if (from is not null)
        {
            var at = new DateTimeOffset(from.ClosedTicks, TimeSpan.Zero);
            rows = rows.Where(row => row.ClosedAt < at || (row.ClosedAt == at && row.Id < from.Id));
        }

        var found = await rows.OrderByDescending(row => row.ClosedAt).ThenByDescending(row => row.Id).Take(PageSize + 1).Select(LogRow.Of).ToListAsync(cancel);
        return await PageAsync(found, row => new LogPlace(row.ClosedAt.UtcTicks, 0, row.Id), _ => null, db, records, cancel);
    }

    private static async Task<LogPage> FoundAsync(string match, LogPlace? from, MendDb db, MendRecords records, CancellationToken cancel)
    {
        var hits = await LogHits.RankedAsync(db, match, from?.Rank ?? double.MinValue, from?.Id ?? 0, PageSize + 1, cancel);
        var ids = hits.Select(hit => hit.Id).ToList();
        var rows = await db.Mends.AsNoTracking().Where(row => ids.Contains(row.Id) && row.ClosedAt != null).Select(LogRow.Of).ToDictionaryAsync(row => row.Id, cancel);
        var excerpts = await LogHits.ExcerptsAsync(db, match, [.. ids.Take(PageSize)], cancel);
        var ranks = hits.ToDictionary(hit => hit.Id, hit => hit.Rank);
        return await PageAsync([.. ids.Where(rows.ContainsKey).Select(id => rows[id])], row => new LogPlace(0, ranks[row.Id], row.Id), row => excerpts.GetValueOrDefault(row.Id), db, records, cancel);
    }

    private static async Task<Dictionary<int, Mend?>> ReadAsync(IReadOnlyList<int> ids, MendDb db, MendRecords records, CancellationToken cancel)
    {
        await using var moment = await db.AsOfOneMomentAsync(cancel);
        return await db.Mends.AsNoTracking().Include(row => row.Events).AsSplitQuery().Where(row => ids.Contains(row.Id)).ToDictionaryAsync(row => row.Id, row => records.Read(row).Value, cancel);
    }

    private static async Task<LogPage> PageAsync(
        IReadOnlyList<LogRow> found, Func<LogRow, LogPlace> placeOf, Func<LogRow, IReadOnlyList<string>?> excerptOf, MendDb db, MendRecords records, CancellationToken cancel)
    {
        var page = found.Take(PageSize).ToList();
        // A mend that was closed before its line was kept is read as a whole.
        var older = page.Where(row => row.LogJson is null).Select(row => row.Id).ToList();
        var read = older.Count == 0 ? [] : await ReadAsync(older, db, records, cancel);
        LogLine? LineOf(LogRow row) =>
            row.LogJson is { } kept ? JsonSerializer.Deserialize<LogLine>(kept, OpenJson.Options)
            : read.GetValueOrDefault(row.Id) is { Plan: not null } mend ? LogLine.Of(mend) : null;
        var ids = page.Select(row => row.Id).ToList();
        var photographs = await db.Photographs.AsNoTracking().Where(row => ids.Contains(row.MendId)).GroupBy(row => row.MendId).Select(each => new { each.Key, Last = each.Max(row => row.Id) }).ToDictionaryAsync(each => each.Key, each => each.Last, cancel);
        return new LogPage([.. page.Select(row => row.Entry(LineOf(row), excerptOf(row)) with { Photograph = photographs.TryGetValue(row.Id, out var last) ? last : null })], found.Count > PageSize ? placeOf(page[^1]).ToString() : null);
    }
}
