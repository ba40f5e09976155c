namespace AbleMend.Core.Limits;

/// <summary>Finds the word that somebody meant.</summary>
public static class Nearest
{
    /// <summary>The known word that is fewest letters away (Levenshtein 1966), or null where none is near: more than a third of its letters off.</summary>
    /// <param name="wrong">What was written.</param>
    /// <param name="known">What there is.</param>
    public static string? To(string wrong, IEnumerable<string> known) =>
        known.Select(word => (Word: word, Away: Distance(wrong, word)))
            .Where(each => each.Away <= Math.Max(2, each.Word.Length / 3))
            .OrderBy(each => each.Away).ThenBy(each => each.Word, StringComparer.Ordinal)
            .Select(each => each.Word)
            .FirstOrDefault();

    private static int Distance(string one, string other)
    {
        var row = Enumerable.Range(0, other.Length + 1).ToArray();
        for (var i = 1; i <= one.Length; i++)
        {
            var diagonal = row[0];
            row[0] = i;
            for (var j = 1; j <= other.Length; j++)
            {
                var above = row[j];
                row[j] = Math.Min(Math.Min(row[j] + 1, row[j - 1] + 1), diagonal + (one[i - 1] == other[j - 1] ? 0 : 1));
                diagonal = above;
            }
        }

        return row[^1];
    }
}
