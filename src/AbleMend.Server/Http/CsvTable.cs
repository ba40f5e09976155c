using System.Globalization;
using CsvHelper;

namespace AbleMend.Server.Http;

/// <summary>Tables as comma-separated values (RFC 4180), for a spreadsheet to read.</summary>
internal static class CsvTable
{
    private const string FormulasBeginWith = "=+-@\t\r";

    /// <summary>Writes a table. A cell that a spreadsheet would take for a formula is written as words; a number below zero is a number.</summary>
    /// <param name="names">Names of the columns.</param>
    /// <param name="rows">Its rows.</param>
    public static string Write(IReadOnlyList<string> names, IEnumerable<IReadOnlyList<string>> rows)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvWriter(text, CultureInfo.InvariantCulture))
        {
            foreach (var row in rows.Prepend(names))
            {
                foreach (var cell in row)
                {
                    csv.WriteField(AsWords(cell));
                }

                csv.NextRecord();
            }
        }

        return text.ToString();
    }

    private static string AsWords(string cell) =>
        cell.Length > 0 && FormulasBeginWith.Contains(cell[0], StringComparison.Ordinal) && !double.TryParse(cell, NumberStyles.Float, CultureInfo.InvariantCulture, out _) ? $"'{cell}" : cell;
}
