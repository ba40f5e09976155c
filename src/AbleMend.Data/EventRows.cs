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
        };

    /// <summary>Whether a row can be read: its kind is known and its numbers are numbers.</summary>
    public static bool IsKnown(MendEventRow row) => Kinds.ContainsKey(row.Kind) && new[] { row.Value, row.AirC, row.BarometerKpa, row.Resolution }.All(number => number is null || double.IsFinite(number.Value));

    /// <summary>A row as an event.</summary>
    public static RunEvent ToEvent(MendEventRow row) =>
        new(row.Number, row.At, Kinds[row.Kind], row.StepId, row.Text, row.Value, row.Passed, row.AirC, row.BarometerKpa, row.KeptAt, row.Resolution, row.Looks);
}
