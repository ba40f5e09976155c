using System.Text;
using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Data;
using Microsoft.Extensions.Caching.Memory;

namespace AbleMend.Server.Mends;

/// <summary>
/// What tells the texts of a row from those that it held before: every change counts the version up, and whoever changes the file
/// behind the server's back hardly keeps both lengths.
/// </summary>
/// <param name="Id">Number of the mend.</param>
/// <param name="Version">Its version.</param>
/// <param name="CaseBytes">Length of its case in bytes.</param>
/// <param name="PlanBytes">Length of its plan in bytes; 0 where there is none.</param>
internal readonly record struct TextsKey(int Id, int Version, int CaseBytes, int PlanBytes)
{
    /// <summary>Of a row that holds its texts.</summary>
    public static TextsKey Of(MendRow row) => new(row.Id, row.Version, Encoding.UTF8.GetByteCount(row.CaseJson), row.PlanJson is null ? 0 : Encoding.UTF8.GetByteCount(row.PlanJson));
}

/// <summary>What the texts of a row were read as.</summary>
/// <param name="Case">The case, or what is wrong with it.</param>
/// <param name="Plan">The plan, or what is wrong with it; null for a draft.</param>
internal sealed record TextsRead(Outcome<RepairCase> Case, Outcome<RepairPlan>? Plan);

/// <summary>
/// Mends as they are kept in rows. The bench asks for all of them every few seconds, and their texts are long: what they were read
/// as is remembered for as long as they stay as they are.
/// </summary>
public sealed class MendRecords : IDisposable
{
    private const int MostRemembered = 512;

    private readonly MemoryCache _read = new(new MemoryCacheOptions { SizeLimit = MostRemembered });

    /// <inheritdoc/>
    public void Dispose() => _read.Dispose();

    /// <summary>Reads a row, or says what in it cannot be read; the row is left as it is.</summary>
    /// <param name="row">The row, with its events.</param>
    public Outcome<Mend> Read(MendRow row) =>
        Assemble(row.Id, row.Status, row.StartedAt, row.ClosedAt, row.Events, Texts(row));

    /// <summary>A mend whose texts are remembered, or null where they have to be fetched and read.</summary>
    /// <param name="row">The row without its texts.</param>
    internal Outcome<Mend>? Recall(BenchRow row) =>
        _read.Get<TextsRead>(row.Key) is { } texts ? Assemble(row.Id, row.Status, row.StartedAt, row.ClosedAt, row.Events, texts) : null;

    private TextsRead Texts(MendRow row) =>
        _read.GetOrCreate(TextsKey.Of(row), entry =>
        {
            entry.Size = 1;
            return new TextsRead(OpenJson.ReadCase(row.CaseJson), row.PlanJson is null ? null : OpenJson.ReadPlan(row.PlanJson));
        })!;

    private static Outcome<Mend> Assemble(int id, MendStatus status, DateTimeOffset? startedAt, DateTimeOffset? closedAt, IReadOnlyList<MendEventRow> events, TextsRead texts)
    {
        var (repairCase, plan) = texts;
        var strange = events.FirstOrDefault(each => !EventRows.IsKnown(each));
        var broken = repairCase.Problems.Select(problem => ("case", problem.Field))
            .Concat(plan?.Problems.Select(problem => ("plan", problem.Field)) ?? [])
            .Concat(status is not MendStatus.Draft && plan is null ? [("plan", "")] : [])
            .Concat(status is MendStatus.Running or MendStatus.HandedBack && (startedAt is null || plan?.Value is { Steps.Count: 0 }) ? [("plan", "steps")] : [])
            .Concat(repairCase.Value is { } whole && plan?.Value is { } planned && Mismatched(whole, planned) ? [("plan", "damages")] : [])
            .Concat(strange is null ? [] : [("events", $"{strange.Number}: {strange.Kind}")]);
        var problems = broken.Select(place => Unreadable(id, place.Item1, place.Item2)).ToList();
        return problems.Count > 0
            ? Outcome<Mend>.Failed(problems)
            : Outcome<Mend>.Of(new Mend(repairCase.Value!, plan?.Value, status, startedAt, closedAt, [.. events.OrderBy(each => each.Number).Select(EventRows.ToEvent)]));
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
