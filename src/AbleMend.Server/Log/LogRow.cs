using System.Linq.Expressions;
using AbleMend.Core.Running;
using AbleMend.Data;

namespace AbleMend.Server.Log;

/// <summary>What the log needs of a row, without the long texts.</summary>
internal sealed record LogRow(int Id, string Tag, string ItemName, MendStatus Status, DateTimeOffset ClosedAt, int? FollowsMendId, string? LogJson)
{
    /// <value>How it is asked for.</value>
    public static Expression<Func<MendRow, LogRow>> Of { get; } = row => new LogRow(row.Id, row.Item.Tag, row.Item.Name, row.Status, row.ClosedAt!.Value, row.FollowsMendId, row.LogJson);

    /// <summary>Its entry.</summary>
    /// <param name="line">What is told of it; null where its record cannot be read.</param>
    /// <param name="excerpt">What was written round the words asked for, or null.</param>
    public LogEntry Entry(LogLine? line, IReadOnlyList<string>? excerpt) =>
        line is null
            ? new LogEntry(Id, Tag, ItemName, Status, null, "", null, null, null, ClosedAt, "Its record cannot be read.", FollowsMendId, Excerpt: excerpt)
            : new LogEntry(Id, Tag, ItemName, Status, line.Decision, line.Construction, line.Damage, line.MethodName, line.MaterialName, ClosedAt, line.Words, FollowsMendId, line.Damages, excerpt, Held: line.Held);
}
