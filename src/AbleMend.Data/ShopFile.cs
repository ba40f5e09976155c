using System.Reflection;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore.Migrations;

namespace AbleMend.Data;

/// <summary>The shop's file as a file, seen without the model: a start on a file that is as it should be does not wait for more.</summary>
public static class ShopFile
{
    private static readonly string Newest = typeof(ShopFile).Assembly.GetTypes().Select(type => type.GetCustomAttribute<MigrationAttribute>()?.Id).OfType<string>().Max(StringComparer.Ordinal)!;

    /// <summary>What SQLite lays beside a file while it writes: the file is whole only together with them.</summary>
    private static readonly string[] Parts = ["", "-wal", "-shm", "-journal"];

    /// <summary>Whether a file is there and as a start leaves it: by the newest migration, and written so that readers need not wait.</summary>
    /// <param name="connection">Connection string of the file.</param>
    /// <param name="cancel">Gives up.</param>
    public static async Task<bool> IsCurrentAsync(string connection, CancellationToken cancel)
    {
        if (!File.Exists(new SqliteConnectionStringBuilder(connection).DataSource))
        {
            return false;
        }

        await using var file = await OpenAsync(connection, cancel);
        return await AskAsync(file, "PRAGMA journal_mode", cancel) is "wal"
            && await AskAsync(file, "SELECT COUNT(*) FROM sqlite_master WHERE name = '__EFMigrationsHistory'", cancel) is 1L
            && await AskAsync(file, "SELECT MAX(MigrationId) FROM __EFMigrationsHistory", cancel) is string newest && newest == Newest;
    }

    /// <summary>Whether nobody has put anything into a file yet.</summary>
    /// <param name="connection">Connection string of the file.</param>
    /// <param name="cancel">Gives up.</param>
    public static async Task<bool> IsUntouchedAsync(string connection, CancellationToken cancel)
    {
        await using var file = await OpenAsync(connection, cancel);
        return await AskAsync(file, "SELECT EXISTS (SELECT 1 FROM Items) OR EXISTS (SELECT 1 FROM Shop)", cancel) is 0L;
    }

    /// <summary>When a mend that is under way was last written, by the shop's clock of then; null where none is.</summary>
    /// <param name="connection">Connection string of the file.</param>
    /// <param name="cancel">Gives up.</param>
    public static async Task<DateTimeOffset?> LastWrittenAsync(string connection, CancellationToken cancel)
    {
        await using var file = await OpenAsync(connection, cancel);
        return await AskAsync(file, "SELECT MAX(ChangedAt) FROM Mends WHERE Status = 'Running'", cancel) is long ticks ? new DateTimeOffset(ticks, TimeSpan.Zero) : null;
    }

    /// <summary>What SQLite finds wrong with a file, or null where it is sound or not there. What a killed process left half written is undone first.</summary>
    /// <param name="path">Path of the file.</param>
    /// <param name="cancel">Gives up.</param>
    public static async Task<string?> FaultAsync(string path, CancellationToken cancel)
    {
        if (!File.Exists(path))
        {
            return null;
        }

        // Opened to be read only, a file with a half-written change beside it counts as one that cannot be written.
        await using var file = await OpenAsync($"Data Source={path};Mode=ReadWrite;Pooling=False", cancel);
        return await AskAsync(file, "PRAGMA quick_check(1)", cancel) is "ok" ? null : "quick_check";
    }

    /// <summary>Copies a file while it is in use; the copy is whole, and readable by its owner only.</summary>
    /// <param name="path">Path of the file.</param>
    /// <param name="to">Path of the copy; it is not there yet.</param>
    /// <param name="cancel">Gives up.</param>
    public static async Task CopyAsync(string path, string to, CancellationToken cancel)
    {
        var unfinished = to + ".unfinished";
        File.Delete(unfinished);
        await using (var from = await OpenAsync(MendDb.ConnectionTo(path), cancel))
        await using (var copy = new SqliteConnection($"Data Source={unfinished};Pooling=False"))
        {
            await copy.OpenAsync(cancel);
            OwnerOnly(unfinished);
            from.BackupDatabase(copy);
        }

        File.Move(unfinished, to, overwrite: true);
    }

    /// <summary>Puts a backup in the place of a file; what was there is kept beside it.</summary>
    /// <param name="backup">Path of the backup.</param>
    /// <param name="path">Path of the file.</param>
    /// <param name="stamp">What is written on what was there.</param>
    /// <param name="cancel">Gives up.</param>
    /// <exception cref="InvalidDataException">The backup is damaged, or none.</exception>
    public static async Task RestoreAsync(string backup, string path, string stamp, CancellationToken cancel)
    {
        if (!await IsSoundShopAsync(backup, cancel))
        {
            throw new InvalidDataException($"{backup} is no sound backup of a shop.");
        }

        foreach (var part in Parts.Where(part => File.Exists(path + part)))
        {
            File.Move(path + part, $"{path}.before-restore-{stamp}{part}", overwrite: true);
        }

        await CopyAsync(backup, path, cancel);
    }

    /// <summary>Lets nobody but the owner read a file.</summary>
    public static void OwnerOnly(string path)
    {
        if (!OperatingSystem.IsWindows())
        {
            File.SetUnixFileMode(path, UnixFileMode.UserRead | UnixFileMode.UserWrite);
        }
    }

    private static async Task<bool> IsSoundShopAsync(string path, CancellationToken cancel)
    {
        try
        {
            return File.Exists(path) && await FaultAsync(path, cancel) is null && await HoldsAShopAsync(path, cancel);
        }
        catch (SqliteException)
        {
            return false;
        }
    }

    private static async Task<bool> HoldsAShopAsync(string path, CancellationToken cancel)
    {
        await using var file = await OpenAsync($"Data Source={path};Mode=ReadOnly;Pooling=False", cancel);
        return await AskAsync(file, "SELECT COUNT(*) FROM sqlite_master WHERE name IN ('Items', 'Mends', 'Events', 'Shop')", cancel) is 4L;
    }

    private static async Task<SqliteConnection> OpenAsync(string connection, CancellationToken cancel)
    {
        var file = new SqliteConnection(connection);
        await file.OpenAsync(cancel);
        return file;
    }

    private static async Task<object?> AskAsync(SqliteConnection file, string question, CancellationToken cancel)
    {
        await using var command = file.CreateCommand();
        command.CommandText = question;
        return await command.ExecuteScalarAsync(cancel);
    }
}
