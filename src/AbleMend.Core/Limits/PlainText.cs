using System.Globalization;

namespace AbleMend.Core.Limits;

/// <summary>
/// What a text may be made of: characters that somebody can see. Control characters break papers and terminals; characters without width,
/// and those that turn the direction of reading, make one name look like another.
/// </summary>
public static class PlainText
{
    /// <summary>Most characters of a text that has no limit of its own.</summary>
    public const int MostCharacters = 400;

    /// <summary>What is wrong with a text, or null.</summary>
    /// <param name="text">The text.</param>
    /// <param name="field">Where.</param>
    /// <param name="lines">Whether it may have several lines.</param>
    public static Problem? Fault(string text, string field, bool lines = false)
    {
        foreach (var rune in text.EnumerateRunes())
        {
            if (!IsSeen(rune, lines))
            {
                return new Problem("unseen-character", field, $"This holds a character that cannot be seen (U+{rune.Value.ToString("X4", CultureInfo.InvariantCulture):as-is}).", "Type it anew instead of pasting it.");
            }
        }

        return null;
    }

    /// <summary>A text with the sign for what cannot be read in place of each character that cannot be seen, for paper and terminals.</summary>
    /// <param name="text">The text; lines stay lines.</param>
    public static string Shown(string text) =>
        Fault(text, "", lines: true) is null ? text : string.Concat(text.EnumerateRunes().Select(rune => IsSeen(rune, lines: true) ? rune.ToString() : "\uFFFD"));

    private static bool IsSeen(System.Text.Rune rune, bool lines)
    {
        // Half a pair is read as the sign for what cannot be read.
        if (rune.IsAscii)
        {
            return rune.Value is >= ' ' and < 127 || (lines && rune.Value is '\n' or '\r' or '\t');
        }

        return System.Text.Rune.GetUnicodeCategory(rune) is not (UnicodeCategory.Control or UnicodeCategory.Format or UnicodeCategory.Surrogate or UnicodeCategory.PrivateUse
            or UnicodeCategory.OtherNotAssigned or UnicodeCategory.LineSeparator or UnicodeCategory.ParagraphSeparator) && rune != System.Text.Rune.ReplacementChar;
    }
}
