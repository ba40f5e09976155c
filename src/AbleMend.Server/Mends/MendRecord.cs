using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Data;

namespace AbleMend.Server.Mends;

/// <summary>Mends as they are kept in rows.</summary>
internal static class MendRecord
{
    /// <summary>Reads a row, or says what in it cannot be read; the row is left as it is.</summary>
    public static Outcome<Mend> Read(MendRow row)
    {
        var repairCase = OpenJson.ReadCase(row.CaseJson);
        var plan = row.PlanJson is null ? null : OpenJson.ReadPlan(row.PlanJson);
        var strange = row.Events.FirstOrDefault(each => !EventRows.IsKnown(each));
        var broken = repairCase.Problems.Select(problem => ("case", problem.Field))
            .Concat(plan?.Problems.Select(problem => ("plan", problem.Field)) ?? [])
            .Concat(row.Status is not MendStatus.Draft && plan is null ? [("plan", "")] : [])
            .Concat(row.Status is MendStatus.Running or MendStatus.HandedBack && (row.StartedAt is null || plan?.Value is { Steps.Count: 0 }) ? [("plan", "steps")] : [])
            .Concat(repairCase.Value is { } whole && plan?.Value is { } planned && Mismatched(whole, planned) ? [("plan", "damages")] : [])
            .Concat(strange is null ? [] : [("events", $"{strange.Number}: {strange.Kind}")]);
        var problems = broken.Select(place => Unreadable(row.Id, place.Item1, place.Item2)).ToList();
        return problems.Count > 0
            ? Outcome<Mend>.Failed(problems)
            : Outcome<Mend>.Of(new Mend(repairCase.Value!, plan?.Value, row.Status, row.StartedAt, row.ClosedAt, [.. row.Events.OrderBy(each => each.Number).Select(EventRows.ToEvent)]));
    }

    /// <summary>Writes a mend into its row; events that the row does not have yet are added, and none is ever changed.</summary>
    public static void Write(Mend mend, MendRow row)
    {
        row.CaseJson = JsonSerializer.Serialize(mend.Case, OpenJson.Options);
        row.PlanJson = mend.Plan is null ? null : row.PlanJson ?? JsonSerializer.Serialize(mend.Plan, OpenJson.Options);
        (row.Status, row.StartedAt, row.ClosedAt, row.DueAt) = (mend.Status, mend.StartedAt, mend.ClosedAt, mend.Case.Wanted.NeededBy);
        row.Events.AddRange(mend.Events.Skip(row.Events.Count).Select(EventRows.ToRow));
        row.SearchText = mend.Plan is null ? row.SearchText : MendWords.For(mend.Case, mend.Plan, mend.Events);
    }

    /// <summary>Whether a plan speaks of other damages than its case.</summary>
    private static bool Mismatched(RepairCase repairCase, RepairPlan plan) =>
        plan.Damages.Count != repairCase.Damages.Count || plan.Steps.Any(step => step.Damage < 1 || step.Damage > plan.Damages.Count);

    private static Problem Unreadable(int id, string part, string where) =>
        new("unreadable-record", where.Length > 0 ? $"{part}.{where}" : part,
            $"The record of mend {id} cannot be read: its {part} is of another version, or damaged. It was left as it is, and nothing else is touched by it.",
            "Bring back the version that wrote it, or a copy of the shop's file from before.");
}
