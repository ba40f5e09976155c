using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Limits;
using AbleMend.Core.Mixing;
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
            DeviceJson = each.Device is null ? null : JsonSerializer.Serialize(each.Device, OpenJson.Options),
        };

    /// <summary>Whether a row can be read: its kind is known, its numbers are numbers, its cup is a cup and its device a device.</summary>
    public static bool IsKnown(MendEventRow row) => Kinds.ContainsKey(row.Kind) && Reads<CupTogether>(row.CupJson, cup => cup.Others.Count > 0) && Reads<MeasuringDevice>(row.DeviceJson, device => LimitTable.Check(device).Count == 0) && new[] { row.Value, row.AirC, row.BarometerKpa, row.Resolution }.All(number => number is null || double.IsFinite(number.Value));

    /// <summary>A row as an event.</summary>
    public static RunEvent ToEvent(MendEventRow row) =>
        new(row.Number, row.At, Kinds[row.Kind], row.StepId, row.Text, row.Value, row.Passed, row.AirC, row.BarometerKpa, row.KeptAt, row.Resolution, row.Looks, Read<CupTogether>(row.CupJson), Read<MeasuringDevice>(row.DeviceJson));

    private static T? Read<T>(string? json)
        where T : class => json is null ? null : JsonSerializer.Deserialize<T>(json, OpenJson.Options);

    private static bool Reads<T>(string? json, Func<T, bool> holds)
        where T : class
    {
        try
        {
            return json is null || (Read<T>(json) is { } read && holds(read));
        }
        catch (Exception unreadable) when (OpenJson.IsUnreadable(unreadable))
        {
            return false;
        }
    }
}
