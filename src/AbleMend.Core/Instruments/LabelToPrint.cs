using AbleMend.Core.Limits;

namespace AbleMend.Core.Instruments;

/// <summary>A label as a printer is told it, line by line; the first is set large.</summary>
/// <param name="Lines">What stands on it, 1 to 24 lines.</param>
/// <param name="Code">What a scanner reads off it, as a QR code; null for none.</param>
public sealed record LabelToPrint([property: Size(1, LabelToPrint.MostLines)] IReadOnlyList<string> Lines, [property: Size(1, LabelToPrint.MostCharacters)] string? Code = null)
{
    /// <summary>Most lines of a label.</summary>
    public const int MostLines = 24;

    /// <summary>Most characters of a line: a printer breaks what is wider than its label.</summary>
    public const int MostCharacters = 160;

    /// <summary>What is wrong with it; empty when it can be printed.</summary>
    public IReadOnlyList<Problem> Check() =>
    [
        .. LimitTable.Check(this),
        .. (Lines ?? []).Take(MostLines).Index().Where(each => each.Item is null or { Length: 0 or > MostCharacters })
            .Select(each => new Problem("bad-line", $"lines[{each.Index}]", $"A line of a label has 1 to {MostCharacters} characters.", "Shorten it, or leave it out.")),
    ];

    /// <summary>What is said to the printer: how many lines follow, the code where there is one, and each line.</summary>
    public IEnumerable<string> Said() =>
        [string.Create(System.Globalization.CultureInfo.InvariantCulture, $"label {Lines.Count}"), .. Code is null ? (string[])[] : [$"code {Code}"], .. Lines.Select(line => $"- {line}")];
}
