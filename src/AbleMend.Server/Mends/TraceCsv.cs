using System.Globalization;
using AbleMend.Core;
using AbleMend.Core.Running;
using AbleMend.Core.Words;
using AbleMend.Server.Http;
using CsvHelper;
using CsvHelper.Configuration;

namespace AbleMend.Server.Mends;

/// <summary>A line of a trace: what a gauge, a thermometer and a barometer showed.</summary>
internal sealed record TraceRow(DateTimeOffset At, double GaugeKpa, double? AirC, double? BarometerKpa);

/// <summary>The readings of a hold test as comma-separated values (RFC 4180), in UTC, kPa and °C.</summary>
internal static class TraceCsv
{
    /// <summary>Most readings that are taken in at once.</summary>
    public const int MostRows = 500;

    private static readonly string[] Names = ["at", "gauge-kpa", "air-c", "barometer-kpa", "air-percent", "used"];

    /// <summary>Writes a trace.</summary>
    public static string Write(HoldTrace trace) =>
        CsvTable.Write(Names, trace.Points.Select(point => (IReadOnlyList<string>)
            [point.At.UtcDateTime.ToString("yyyy-MM-ddTHH:mm:ss.fffZ", CultureInfo.InvariantCulture), Told(point.GaugeKpa), Told(point.AirC), Told(point.BarometerKpa), Told(point.AirPercent), point.IsUsed ? "yes" : "no"]));

    /// <summary>Reads a trace: its columns in any order, air and barometer may be missing.</summary>
    public static Outcome<IReadOnlyList<TraceRow>> Read(string table)
    {
        using var csv = new CsvReader(new StringReader(table), new CsvConfiguration(CultureInfo.InvariantCulture) { BadDataFound = null, MissingFieldFound = null, TrimOptions = TrimOptions.Trim, PrepareHeaderForMatch = args => args.Header?.ToLowerInvariant() ?? "" });
        if (!csv.Read() || !csv.ReadHeader() || csv.HeaderRecord?.Select(name => name.ToLowerInvariant()).Contains("at") != true || !csv.HeaderRecord.Select(name => name.ToLowerInvariant()).Contains("gauge-kpa"))
        {
            return Refused(1, "The first line does not name its columns.", "Begin with a line at,gauge-kpa,air-c,barometer-kpa.");
        }

        var rows = new List<TraceRow>();
        for (var line = 2; csv.Read(); line++)
        {
            if (rows.Count == MostRows)
            {
                return Refused(line, $"More than {MostRows} readings.", "Leave some of them out.");
            }

            if (!DateTimeOffset.TryParse(csv.GetField("at"), CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var at) || at.Year is < 2000 or > 2200)
            {
                return Refused(line, $"“{csv.GetField("at") ?? "":as-is}” is no time.", "Write it as 2026-05-06T09:00:00Z.");
            }

            if (Number(csv, "gauge-kpa") is not { } gauge || double.IsNaN(gauge) || Number(csv, "air-c") is double.NaN || Number(csv, "barometer-kpa") is double.NaN)
            {
                return Refused(line, "A number cannot be read.", "Write numbers with a point, and leave out what was not measured.");
            }

            rows.Add(new TraceRow(at, gauge, Number(csv, "air-c"), Number(csv, "barometer-kpa")));
        }

        return rows.Count == 0 ? Refused(2, "There is no reading in it.", "Send at least one.") : Outcome<IReadOnlyList<TraceRow>>.Of([.. rows.OrderBy(row => row.At)]);
    }

    /// <summary>A number; null where the cell is empty or missing, and no number where it holds something else.</summary>
    private static double? Number(CsvReader csv, string name) =>
        csv.GetField(name) is not { Length: > 0 } text ? null : double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var value) && double.IsFinite(value) ? value : double.NaN;

    private static Outcome<IReadOnlyList<TraceRow>> Refused(int line, Message what, Message remedy) =>
        Outcome<IReadOnlyList<TraceRow>>.Failed([new Problem("bad-table", string.Create(CultureInfo.InvariantCulture, $"csv[{line}]"), what, remedy)]);

    private static string Told(double value) => value.ToString("0.####", CultureInfo.InvariantCulture);
}
