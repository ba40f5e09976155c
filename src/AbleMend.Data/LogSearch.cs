namespace AbleMend.Data;

/// <summary>A closed mend that carries the words asked for.</summary>
/// <param name="Id">Number of the mend.</param>
/// <param name="Rank">The lower, the better it fits.</param>
public sealed record LogHit(int Id, double Rank);

/// <summary>What was written round the words that were asked for.</summary>
internal sealed record LogExcerpt(int Id, string Text);

/// <summary>
/// Full-text search over closed mends (SQLite FTS5): accents and case folded, every word a beginning. Triggers keep it in step with the
/// rows, so that nothing that changes a mend can forget it.
/// </summary>
public static class LogSearch
{
    /// <summary>Longest list of words that is looked for; what is typed after them is left out.</summary>
    public const int MostWords = 8;

    /// <summary>How many of the newest that carry the words are ranked.</summary>
    public const int MostRanked = 1000;

    /// <value>Begin of a word that was found, in an excerpt.</value>
    public const char HitBegins = '\u0001';

    /// <value>End of a word that was found, in an excerpt.</value>
    public const char HitEnds = '\u0002';

    /// <summary>What makes a database search: the texts as a view, their index, and the triggers.</summary>
    internal const string Schema = """
        CREATE VIEW LogTexts AS
            SELECT Mends.Id AS Id, Items.Tag AS Tag, Items.Name AS ItemName, Mends.SearchText AS SearchText, Mends.Written AS Written
            FROM Mends JOIN Items ON Items.Id = Mends.ItemId WHERE Mends.ClosedAt IS NOT NULL;

        CREATE VIRTUAL TABLE LogWords USING fts5(Tag, ItemName, SearchText, Written, content='LogTexts', content_rowid='Id', tokenize='unicode61 remove_diacritics 2', prefix='2 3');

        CREATE TRIGGER LogWordsAdded AFTER INSERT ON Mends WHEN new.ClosedAt IS NOT NULL BEGIN
            INSERT INTO LogWords(rowid, Tag, ItemName, SearchText, Written) SELECT new.Id, Tag, Name, new.SearchText, new.Written FROM Items WHERE Id = new.ItemId;
        END;

        CREATE TRIGGER LogWordsChanged AFTER UPDATE OF ClosedAt, SearchText, Written ON Mends
            WHEN old.ClosedAt IS NOT new.ClosedAt OR old.SearchText IS NOT new.SearchText OR old.Written IS NOT new.Written BEGIN
            INSERT INTO LogWords(LogWords, rowid, Tag, ItemName, SearchText, Written) SELECT 'delete', old.Id, Tag, Name, old.SearchText, old.Written FROM Items WHERE Id = old.ItemId AND old.ClosedAt IS NOT NULL;
            INSERT INTO LogWords(rowid, Tag, ItemName, SearchText, Written) SELECT new.Id, Tag, Name, new.SearchText, new.Written FROM Items WHERE Id = new.ItemId AND new.ClosedAt IS NOT NULL;
        END;

        CREATE TRIGGER LogWordsGone AFTER DELETE ON Mends WHEN old.ClosedAt IS NOT NULL BEGIN
            INSERT INTO LogWords(LogWords, rowid, Tag, ItemName, SearchText, Written) SELECT 'delete', old.Id, Tag, Name, old.SearchText, old.Written FROM Items WHERE Id = old.ItemId;
        END;

        CREATE TRIGGER LogWordsOfItem AFTER UPDATE OF Tag, Name ON Items WHEN old.Tag IS NOT new.Tag OR old.Name IS NOT new.Name BEGIN
            INSERT INTO LogWords(LogWords, rowid, Tag, ItemName, SearchText, Written) SELECT 'delete', Id, old.Tag, old.Name, SearchText, Written FROM Mends WHERE ItemId = old.Id AND ClosedAt IS NOT NULL;
            INSERT INTO LogWords(rowid, Tag, ItemName, SearchText, Written) SELECT Id, new.Tag, new.Name, SearchText, Written FROM Mends WHERE ItemId = new.Id AND ClosedAt IS NOT NULL;
        END;

        INSERT INTO LogWords(LogWords) VALUES ('rebuild');
        """;

    /// <summary>What takes the search away again.</summary>
    internal const string Removal = """
        DROP TRIGGER LogWordsAdded;
        DROP TRIGGER LogWordsChanged;
        DROP TRIGGER LogWordsGone;
        DROP TRIGGER LogWordsOfItem;
        DROP TABLE LogWords;
        DROP VIEW LogTexts;
        """;

    /// <summary>The newest that carry the words, best first: a tag counts most, then the name of the item, then what was written, then what it was mended with.</summary>
    internal const string Ranked = """
        SELECT Id, Rank FROM
            (SELECT rowid AS Id, bm25(LogWords, 8.0, 4.0, 1.0, 2.0) AS Rank FROM LogWords WHERE LogWords MATCH {0} ORDER BY rowid DESC LIMIT {1})
        WHERE Rank > {2} OR (Rank = {2} AND Id < {3}) ORDER BY Rank, Id DESC LIMIT {4}
        """;

    /// <summary>What was written round the words in some of them, all in one go through the index.</summary>
    internal const string Excerpts = """
        SELECT rowid AS Id, snippet(LogWords, 3, char(1), char(2), '…', 14) AS Text FROM LogWords
        WHERE LogWords MATCH {0} AND rowid BETWEEN {1} AND {2} AND +rowid IN (SELECT value FROM json_each({3}))
        """;

    /// <summary>What is typed, as the search understands it: every word the beginning of one; null where there is no word in it.</summary>
    public static string? Match(string typed)
    {
        // Quoted, so that nothing that is typed is taken for an order; a sign that is no letter stands between words.
        var words = string.Concat(typed.Select(sign => char.IsControl(sign) ? ' ' : sign)).Split(' ', StringSplitOptions.RemoveEmptyEntries).Where(word => word.Any(char.IsLetterOrDigit)).Take(MostWords)
            .Select(word => $"\"{word.Replace("\"", "\"\"", StringComparison.Ordinal)}\"*").ToList();
        return words.Count == 0 ? null : string.Join(' ', words);
    }
}
