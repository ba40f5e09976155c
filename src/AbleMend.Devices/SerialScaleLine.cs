using System.Globalization;
using AbleMend.Core.Instruments;

namespace AbleMend.Devices;

/// <summary>
/// A line of the continuous output that bench scales commonly send over a serial port: <c>ST,GS,+  12.34  g</c>. A first word says whether
/// it stands still (ST), moves (US) or is overloaded (OL); a second one, gross or net, is passed over; then the number and its unit. Both
/// words may be missing. Common practice, no standard.
/// </summary>
internal static class SerialScaleLine
{
    private const int Longest = 64;

    /// <summary>Grams in a unit. The avoirdupois pound is 453.59237 g by the agreement of 1959, its ounce a sixteenth of that.</summary>
    private static readonly Dictionary<string, double> GramsIn = new(StringComparer.OrdinalIgnoreCase) { ["g"] = 1, ["kg"] = 1000, ["mg"] = 0.001, ["lb"] = 453.59237, ["oz"] = 453.59237 / 16 };

    /// <summary>Reads a line.</summary>
    /// <param name="line">The line without its end.</param>
    /// <returns>What it weighs; null where it is overloaded, and for a line that is none of these: a scale that is switched on tells other things first.</returns>
    public static Reading? Parse(string line)
    {
        if (line.Length > Longest)
        {
            return null;
        }

        var words = line.Split(',', StringSplitOptions.TrimEntries);
        var still = words[0].ToUpperInvariant() switch { "US" or "UNST" => false, _ => true };
        // The sign may stand apart from its number.
        var measure = words[^1].Replace(" ", "", StringComparison.Ordinal);
        var unit = new string([.. measure.Reverse().TakeWhile(char.IsAsciiLetter).Reverse()]);
        return GramsIn.TryGetValue(unit, out var grams) && double.TryParse(measure[..^unit.Length], NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value)
            ? new Reading(Measurand.Mass, Math.Round(value * grams, 4) + 0.0, still)
            : null;
    }
}
