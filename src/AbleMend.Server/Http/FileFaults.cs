using AbleMend.Core;
using AbleMend.Core.Words;
using Microsoft.Data.Sqlite;

namespace AbleMend.Server.Http;

/// <summary>What the shop's file can suffer, each with its remedy.</summary>
internal static class FileFaults
{
    private static readonly Dictionary<int, (string Code, Message What, Message Remedy)> Known = new()
    {
        [5] = ("file-busy", "Another program holds the shop's file.", "Close it, or wait a moment, and try again."),
        [6] = ("file-busy", "Another program holds the shop's file.", "Close it, or wait a moment, and try again."),
        [8] = ("file-read-only", "The shop's file cannot be written.", "Let the user that runs Able Mend write the file and its folder."),
        [10] = ("disk-fault", "The disk does not read or write as it should.", "Look at the disk, and bring back the last backup if the file is damaged."),
        [11] = ("file-damaged", "The shop's file is damaged.", "Stop Able Mend and bring back the last backup."),
        [13] = ("disk-full", "The disk is full: this was not kept.", "Make room on the disk, then do it again."),
        [14] = ("file-gone", "The shop's file cannot be opened.", "Look whether the file and its folder are there, and may be read and written."),
        [26] = ("no-shop-file", "This file is none that Able Mend wrote.", "Give the path of the shop's file, or bring back a backup."),
    };

    /// <summary>What is wrong with a file, and what to do, in plain words.</summary>
    public static string Sentence(SqliteException exception) =>
        Known.TryGetValue(exception.SqliteErrorCode, out var known) ? $"{known.What} {known.Remedy}" : $"The shop's file cannot be used (SQLite {exception.SqliteErrorCode}). Look at the file and its folder.";

    /// <summary>The fault of a file.</summary>
    public static Fault Explain(SqliteException exception) =>
        Known.TryGetValue(exception.SqliteErrorCode, out var known)
            ? new Fault(503, "The shop's records cannot be reached.", new Problem(known.Code, "", known.What, known.Remedy))
            : new Fault(500, "Something went wrong here.", new Problem("fault", "", "Something went wrong here; nothing was changed.", "Try again; if it stays, look into the server's log."));
}
