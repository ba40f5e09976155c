using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Data;
using Microsoft.Extensions.Caching.Memory;

namespace AbleMend.Server.Mends;

/// <summary>
/// What tells the texts of a row from those that it held before: every change of a draft counts its version up, what was started keeps its
/// texts, and whoever changes the file behind the server's back hardly keeps both lengths.
/// </summary>
/// <param name="Id">Number of the mend.</param>
/// <param name="Edition">The version of a draft; from then on <see cref="Started"/>, less how often a remedy joined its plan.</param>
/// <param name="CaseBytes">Length of its case in bytes.</param>
/// <param name="PlanBytes">Length of its plan in bytes as it is kept; 0 where there is none.</param>
internal readonly record struct TextsKey(int Id, int Edition, int CaseBytes, int PlanBytes)
{
    /// <summary>The edition of what was started.</summary>
    public const int Started = -1;

    /// <summary>Of a row that holds its texts.</summary>
    public static TextsKey Of(MendRow row) => new(row.Id, row.StartedAt is null ? row.Version : Started - row.PlanEdition, row.CasePacked.Length, row.PlanPacked?.Length ?? 0);
}

/// <summary>What tells a mend from what it was before: its texts, its version and how much has happened.</summary>
internal readonly record struct RecordKey(TextsKey Texts, int Version, int Events)
{
    /// <summary>Of a row with its texts and events.</summary>
    public static RecordKey Of(MendRow row) => new(TextsKey.Of(row), row.Version, row.Events.Count);
}

/// <summary>What the texts of a row were read as.</summary>
/// <param name="Case">The case, or what is wrong with it.</param>
/// <param name="Plan">The plan, or what is wrong with it; null for a draft.</param>
internal sealed record TextsRead(Outcome<RepairCase> Case, Outcome<RepairPlan>? Plan);

/// <summary>
/// Mends as they are kept in rows. The bench asks for all of them every few seconds, their texts are long and their events many: what they
/// were read as is remembered for as long as they stay as they are, and what happened to one costs its texts no second reading.
/// </summary>
public sealed class MendRecords : IDisposable
{
    private const int MostRemembered = 1024;

    private readonly MemoryCache _read = new(new MemoryCacheOptions { SizeLimit = MostRemembered });

    /// <inheritdoc/>
    public void Dispose() => _read.Dispose();

    /// <summary>Reads a row, or says what in it cannot be read; the row is left as it is.</summary>
    /// <param name="row">The row, with its events.</param>
    public Outcome<Mend> Read(MendRow row) =>
        _read.GetOrCreate(RecordKey.Of(row), entry =>
        {
            entry.Size = 1;
            return Assemble(row.Id, row.Status, row.StartedAt, row.ClosedAt, row.Events, Texts(row));
        })!;

    /// <summary>A mend that is remembered, or null where it has to be fetched and read.</summary>
    /// <param name="key">What it is known by.</param>
    internal Outcome<Mend>? Recall(RecordKey key) => _read.Get<Outcome<Mend>>(key);

    private TextsRead Texts(MendRow row) =>
        _read.GetOrCreate(TextsKey.Of(row), entry =>
        {
            entry.Size = 1;
            return new TextsRead(OpenJson.ReadCase(PackedText.Read(row.CasePacked)), row.PlanPacked is null ? null : OpenJson.ReadPlan(PackedText.Read(row.PlanPacked)));
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
        // What was started keeps its case, and its plan until a remedy joins it, another device is taken, or one of them is taken back.
        if (row.PlanPacked is not null && mend.MayBeReplannedSince(row.Events.Count))
        {
            (row.PlanPacked, row.PlanEdition) = (null, row.PlanEdition + 1);
        }

        row.CasePacked = row.StartedAt is null ? PackedText.Of(JsonSerializer.Serialize(mend.Case, OpenJson.Options)) : row.CasePacked;
        row.PlanPacked = mend.Plan is null ? null : row.PlanPacked ?? PackedText.Of(JsonSerializer.Serialize(mend.Plan, OpenJson.Options));
        // What was started keeps its case: what is due of it then is what was said at the counter since.
        row.DueAt = row.StartedAt is null ? mend.Case.Wanted.NeededBy : row.DueAt;
        (row.Status, row.StartedAt, row.ClosedAt) = (mend.Status, mend.StartedAt, mend.ClosedAt);
        row.Events.AddRange(mend.Events.Skip(row.Events.Count).Select(EventRows.ToRow));
        row.SearchText = mend.Plan is null ? row.SearchText : MendWords.For(mend.Case, mend.Plan);
        row.Written = MendWords.Written(mend.Events);
        if (mend.ClosedAt is not null)
        {
            (row.CasePacked, row.PlanPacked) = (PackedText.Tightened(row.CasePacked), row.PlanPacked is null ? null : PackedText.Tightened(row.PlanPacked));
        }

        var held = mend.Held;
        (row.HeldMethod, row.HeldYears, row.HeldFailed) = (held is null ? null : mend.Plan?.Damages[0].System?.Method, held?.Years, held?.Holds == false);
        row.LookAgainAt = mend.LookAgainAt;
        row.LogJson = mend.ClosedAt is null ? null : JsonSerializer.Serialize(LogLine.Of(mend), OpenJson.Options);
        row.FindsJson = Finds(row, mend) is { Count: > 0 } finds ? JsonSerializer.Serialize(finds, OpenJson.Options) : null;
    }

    /// <summary>The damages that were found on the item: those of the case, and those found while working on it.</summary>
    public static IReadOnlyList<FoundPlace> Finds(MendRow row, Mend mend) =>
    [
        .. mend.Case.Damages.SelectMany(damage => damage.Seen.Finds ?? []).Select(find => new FoundPlace(row.CreatedAt, find.Place)),
        .. Run.Standing(mend.Events).Where(each => each.Kind == RunEventKind.Find).Select(each => new FoundPlace(each.At, each.Text!)),
    ];

    /// <summary>Whether a plan speaks of other damages than its case.</summary>
    private static bool Mismatched(RepairCase repairCase, RepairPlan plan) =>
        plan.Damages.Count != repairCase.Damages.Count || plan.Steps.Any(step => step.Damage < 1 || step.Damage > plan.Damages.Count);

    private static Problem Unreadable(int id, string part, string where) =>
        new("unreadable-record", where.Length > 0 ? $"{part}.{where}" : part,
            $"The record of mend {id} cannot be read: its {part} is of another version, or damaged. It was left as it is, and nothing else is touched by it.",
            "Bring back the version that wrote it, or a copy of the shop's file from before.");
}
