using System.Globalization;
using AbleMend.Core;
using AbleMend.Core.Stock;
using AbleMend.Core.Words;
using AbleMend.Server.Http;
using CsvHelper;
using CsvHelper.Configuration;

namespace AbleMend.Server.Shelf;

/// <summary>A lot in a table, with what is left of it.</summary>
internal sealed record ShelfRow(Lot Lot, double? Left);

/// <summary>The shelf as comma-separated values (RFC 4180), for a spreadsheet to read and write.</summary>
internal static class ShelfCsv
{
    private const int MostRows = 1000;

    private static readonly string[] Names = ["name", "material", "batch", "unit", "had", "left", "opened", "use-before", "price", "stands-at", "gone"];

    private static readonly Dictionary<string, StockUnit> Units = Enum.GetValues<StockUnit>().ToDictionary(Kebab<StockUnit>.Id);

    /// <summary>Writes a table.</summary>
    public static string Write(IReadOnlyList<ShelfRow> rows) =>
        CsvTable.Write(Names, rows.Select(row => (IReadOnlyList<string>)
        [
            row.Lot.Name, row.Lot.Material, row.Lot.Batch ?? "", Kebab<StockUnit>.Id(row.Lot.Unit), Told(row.Lot.Had), Told(row.Left), Told(row.Lot.OpenedOn), Told(row.Lot.UseBefore), Told(row.Lot.Price), row.Lot.StandsAt ?? "",
            Told(row.Lot.GoneOn),
        ]));

    /// <summary>Reads a table: its columns in any order, those that are not there empty.</summary>
    public static Outcome<IReadOnlyList<ShelfRow>> Read(string table)
    {
        var (rows, problems) = (new List<ShelfRow>(), new List<Problem>());
        using var csv = new CsvReader(new StringReader(table), new CsvConfiguration(CultureInfo.InvariantCulture) { BadDataFound = null, MissingFieldFound = null, DetectDelimiter = true, DetectDelimiterValues = [",", ";", "\t"], PrepareHeaderForMatch = header => header.Header.Trim().ToLowerInvariant().Replace(' ', '-') });
        if (!csv.Read() || !csv.ReadHeader() || csv.HeaderRecord?.Any(header => header.Trim().Equals("material", StringComparison.OrdinalIgnoreCase)) != true)
        {
            return Outcome<IReadOnlyList<ShelfRow>>.Failed([new Problem("no-columns", "csv", "The first line has no column “material”.", $"Begin with the line {string.Join(',', Names):as-is}.")]);
        }

        while (csv.Read())
        {
            if (rows.Count == MostRows)
            {
                problems.Add(new Problem("too-many", "csv", $"There are more than {MostRows} lines.", "Read it in by parts."));
                break;
            }

            var line = new Cells(csv, rows.Count + 2, problems);
            rows.Add(new ShelfRow(
                new Lot(line.Text("material") ?? "", line.Day("use-before"), line.Day("opened"), line.Text("name"), line.Text("batch"), line.Number("had"), line.Unit("unit"), line.Number("price"), line.Text("stands-at"), line.Day("gone")),
                line.Number("left")));
        }

        return problems.Count > 0 ? Outcome<IReadOnlyList<ShelfRow>>.Failed(problems) : Outcome<IReadOnlyList<ShelfRow>>.Of(rows);
    }

    private static string Told(double? number) => number?.ToString("0.###", CultureInfo.InvariantCulture) ?? "";

    private static string Told(DateOnly? day) => day?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) ?? "";

    /// <summary>One line: what cannot be read in it is a problem with its line and column.</summary>
    private sealed class Cells(CsvReader csv, int number, List<Problem> problems)
    {
        public string? Text(string column) => csv.TryGetField<string>(column, out var cell) && cell?.Trim() is { Length: > 0 } text ? text : null;

        public double? Number(string column) =>
            Text(column) is not { } text ? null
            : double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var value) && double.IsFinite(value) ? value
            : Wrong<double?>(column, text, "Write a number with a point, such as 250.5.");

        public DateOnly? Day(string column) =>
            Text(column) is not { } text ? null
            : DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day) ? day
            : Wrong<DateOnly?>(column, text, "Write a day as 2026-05-31.");

        public StockUnit Unit(string column) =>
            Text(column) is not { } text ? StockUnit.Ml
            : Units.TryGetValue(text.ToLowerInvariant(), out var unit) ? unit
            : Wrong<StockUnit>(column, text, $"Use one of: {string.Join(", ", Units.Keys):as-is}.");

        private T? Wrong<T>(string column, string text, Message remedy)
        {
            problems.Add(new Problem("not-read", $"csv[{number}].{column}", $"“{(text.Length > 40 ? text[..40] : text):as-is}” in line {number} cannot be read.", remedy));
            return default;
        }
    }
}
