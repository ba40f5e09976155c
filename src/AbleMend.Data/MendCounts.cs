namespace AbleMend.Data;

/// <summary>How many mends an item has had, counted by triggers.</summary>
internal static class MendCounts
{
    /// <summary>What makes a database count.</summary>
    internal const string Schema = """
        CREATE TRIGGER MendCounted AFTER INSERT ON Mends BEGIN
            UPDATE Items SET MendCount = MendCount + 1 WHERE Id = new.ItemId;
        END;

        CREATE TRIGGER MendDiscounted AFTER DELETE ON Mends BEGIN
            UPDATE Items SET MendCount = MendCount - 1 WHERE Id = old.ItemId;
        END;

        UPDATE Items SET MendCount = (SELECT COUNT(*) FROM Mends WHERE Mends.ItemId = Items.Id);
        """;

    /// <summary>What takes the counting away again.</summary>
    internal const string Removal = """
        DROP TRIGGER MendCounted;
        DROP TRIGGER MendDiscounted;
        """;
}
