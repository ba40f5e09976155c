using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Running;

namespace AbleMend.Data;

/// <summary>Events to rows and back.</summary>
public static class EventRows
{
    private static readonly Dictionary<string, RunEventKind> Kinds = Enum.GetValues<RunEventKind>().ToDictionary(Kebab<RunEventKind>.Id);

    /// <summary>An event as a row.</summary>
    public static MendEventRow ToRow(RunEvent each) =>
        new()
        {
            Number = each.Number,
            At = each.At,
            KeptAt = each.KeptAt,
            Kind = Kebab<RunEventKind>.Id(each.Kind),
            StepId = each.StepId,
            Text = each.Text,
            Value = each.Value,
            Passed = each.Passed,
            AirC = each.AirC,
            BarometerKpa = each.BarometerKpa,
            Resolution = each.Resolution,
            Looks = each.Looks,
            CupJson = each.Cup is null ? null : JsonSerializer.Serialize(each.Cup, OpenJson.Options),
        };

    /// <summary>Whether a row can be read: its kind is known, its numbers are numbers and its cup is a cup.</summary>
    public static bool IsKnown(MendEventRow row) => Kinds.ContainsKey(row.Kind) && IsCup(row.CupJson) && new[] { row.Value, row.AirC, row.BarometerKpa, row.Resolution }.All(number => number is null || double.IsFinite(number.Value));

    /// <summary>A row as an event.</summary>
    public static RunEvent ToEvent(MendEventRow row) =>
        new(row.Number, row.At, Kinds[row.Kind], row.StepId, row.Text, row.Value, row.Passed, row.AirC, row.BarometerKpa, row.KeptAt, row.Resolution, row.Looks, row.CupJson is null ? null : JsonSerializer.Deserialize<CupTogether>(row.CupJson, OpenJson.Options));

    private static bool IsCup(string? json)
    {
        try
        {
            return json is null || JsonSerializer.Deserialize<CupTogether>(json, OpenJson.Options) is { Others.Count: > 0 };
        }
        catch (JsonException)
        {
            return false;
        }
    }
}
