using System.Linq.Expressions;
using AbleMend.Core.Cases;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Words;
using AbleMend.Data;

namespace AbleMend.Server.Mends;

/// <summary>What the bench needs of a row, without the long texts and the events.</summary>
internal sealed record BenchRow(
    int Id, RecordKey Key, MendStatus Status, string Tag, string ItemName, DateTimeOffset? DueAt, int? FollowsMendId)
{
    /// <value>How it is asked for.</value>
    public static Expression<Func<MendRow, BenchRow>> Of { get; } = row => new BenchRow(
        row.Id,
        new RecordKey(
            new TextsKey(row.Id, row.StartedAt == null ? row.Version : TextsKey.Started - row.PlanEdition, MendDb.OctetLength(row.CasePacked), row.PlanPacked == null ? 0 : MendDb.OctetLength(row.PlanPacked)),
            row.Version, row.Events.Count),
        row.Status, row.Item.Tag, row.Item.Name, row.DueAt, row.FollowsMendId);
}

/// <summary>Mends as the bench shows them.</summary>
internal static class BenchEntries
{
    /// <summary>A mend under way.</summary>
    public static BenchEntry Entry(BenchRow row, RepairPlan plan, RunState state, DateTimeOffset now)
    {
        var current = plan.Steps.FirstOrDefault(step => step.Id == state.CurrentStepId);
        var lead = state.Fronts.FirstOrDefault(front => front.StepId == current?.Id);
        var next = plan.Steps.SkipWhile(step => step != current).Skip(1).FirstOrDefault(step => step.Damage == current?.Damage)?.Title;
        var titles = plan.Steps.ToDictionary(step => step.Id, step => step.Title);
        return new BenchEntry(
            row.Id, row.Tag, row.ItemName, BenchOrder.UrgencyOf(state, now), state.Phase,
            lead is { WaitsForCup: true } guest ? (Message)$"Its cup is mixed with “{guest.Together!.Others[0].Item:as-is}”" : current?.Title ?? "Hand it back", next, state.Window, state.UseBy, row.DueAt, state.ReadyAt,
            state.Steps.Count(step => step.Phase == StepPhase.Done), state.Steps.Count,
            [
                .. state.Timeline.Where(step => step.StartsAt is not null)
                    .Select(step => new Band(titles[step.StepId], step.StartsAt!.Value, step.HandsEndAt!.Value, step.OpensAt, step.ClosesAt)),
            ],
            state.HeldUntil ?? lead?.TurnFrom,
            state.Warm?.StandsAtC is not null,
            lead?.TestUntil);
    }

    /// <summary>A mend that is not started.</summary>
    public static DraftEntry Draft(BenchRow row, RepairCase repairCase) =>
        new(row.Id, row.Tag, row.ItemName, repairCase.Item.Construction, repairCase.Damages[0].Seen, repairCase.Damages.Count, row.DueAt, row.FollowsMendId);
}
