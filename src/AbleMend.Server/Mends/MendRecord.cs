using AbleMend.Core;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Data;

namespace AbleMend.Server.Mends;

/// <summary>A mend as it was read from its row.</summary>
/// <param name="Case">The case.</param>
/// <param name="Plan">The plan that its run started from; null for a draft.</param>
/// <param name="Events">What happened, in order.</param>
internal sealed record MendRecord(RepairCase Case, RepairPlan? Plan, IReadOnlyList<RunEvent> Events)
{
    /// <summary>Reads a row, or says what in it cannot be read; the row is left as it is.</summary>
    public static Outcome<MendRecord> Read(MendRow row)
    {
        var repairCase = OpenJson.ReadCase(row.CaseJson);
        var plan = row.PlanJson is null ? null : OpenJson.ReadPlan(row.PlanJson);
        var strange = row.Events.FirstOrDefault(each => !EventRows.IsKnown(each));
        var broken = repairCase.Problems.Select(problem => ("case", problem.Field))
            .Concat(plan?.Problems.Select(problem => ("plan", problem.Field)) ?? [])
            .Concat(row.Status is not MendStatus.Draft && plan is null ? [("plan", "")] : [])
            .Concat(row.Status is MendStatus.Running or MendStatus.HandedBack && (row.StartedAt is null || plan?.Value is { Steps.Count: 0 }) ? [("plan", "steps")] : [])
            .Concat(strange is null ? [] : [("events", $"{strange.Number}: {strange.Kind}")]);
        var problems = broken.Select(place => Unreadable(row.Id, place.Item1, place.Item2)).ToList();
        return problems.Count > 0
            ? Outcome<MendRecord>.Failed(problems)
            : Outcome<MendRecord>.Of(new MendRecord(repairCase.Value!, plan?.Value, [.. row.Events.OrderBy(each => each.Number).Select(EventRows.ToEvent)]));
    }

    private static Problem Unreadable(int id, string part, string where) =>
        new("unreadable-record", where.Length > 0 ? $"{part}.{where}" : part,
            $"The record of mend {id} cannot be read: its {part} is of another version, or damaged. It was left as it is, and nothing else is touched by it.",
            "Bring back the version that wrote it, or a copy of the shop's file from before.");
}
