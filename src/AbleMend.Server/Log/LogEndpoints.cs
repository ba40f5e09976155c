using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Running;
using AbleMend.Core.Words;
using AbleMend.Data;
using AbleMend.Server.Mends;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Log;

/// <summary>A closed mend, told by the first of its damages; without a decision where its record cannot be read.</summary>
public sealed record LogEntry(
    int Id, string Tag, string ItemName, MendStatus Status, Decision? Decision, string Construction, Damage? Damage,
    Message? MethodName, Message? MaterialName, DateTimeOffset ClosedAt, Message? Words, int? FollowsMendId, int Damages = 1);

/// <summary>The log of closed mends.</summary>
public static class LogEndpoints
{
    private const int Most = 200;

    /// <summary>Maps the endpoints.</summary>
    public static void MapLog(this RouteGroupBuilder api) =>
        api.MapGet("/log", async (string? q, MendDb db, MendRecords records, CancellationToken cancel) =>
            {
                var rows = db.Mends.AsNoTracking().Include(row => row.Item).Include(row => row.Events).Where(row => row.ClosedAt != null);
                foreach (var word in (q ?? "").ToLowerInvariant().Split(' ', StringSplitOptions.RemoveEmptyEntries).Take(8))
                {
                    rows = rows.Where(row => row.SearchText.Contains(word) || row.Item.Name.ToLower().Contains(word));
                }

                var found = await rows.OrderByDescending(row => row.ClosedAt).Take(Most).AsSplitQuery().ToListAsync(cancel);
                return found.Select(row => Entry(row, records)).ToList();
            })
            .WithName("getLog")
            .WithSummary("Closed mends, newest first, that carry every word asked for.");

    private static LogEntry Entry(MendRow row, MendRecords records)
    {
        if (records.Read(row) is not { Value: { Case: var repairCase, Plan: { } plan } })
        {
            return new LogEntry(row.Id, row.Item.Tag, row.Item.Name, row.Status, null, "", null, null, null, row.ClosedAt!.Value, "Its record cannot be read.", row.FollowsMendId);
        }

        return new LogEntry(
            row.Id, row.Item.Tag, row.Item.Name, row.Status, plan.Verdict.Decision, repairCase.Item.Construction, repairCase.Damages[0].Seen,
            plan.Damages[0].System?.MethodName, plan.Damages[0].System?.MaterialName, row.ClosedAt!.Value,
            Said(row) ?? plan.Verdict.Reasons.FirstOrDefault(reason => reason.Decides)?.Text,
            row.FollowsMendId, repairCase.Damages.Count);
    }

    /// <summary>What was told when it was handed back: somebody's own words, which no language file changes.</summary>
    private static Message? Said(MendRow row) =>
        row.Events.OrderBy(each => each.Number).LastOrDefault(each => each.Kind == "hand-back")?.Text is { } text ? (Message)$"{text:as-is}" : null;
}
