using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Data;

/// <summary>
/// Lets one process at a time bring a file up to date. The lock is one that the operating system takes back when the process
/// ends, however it ends; the migrations' own lock is a row in the file, which a killed start leaves behind for ever.
/// </summary>
internal static class StartLock
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(30);
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(100);

    /// <summary>Runs some work while this process alone prepares the file.</summary>
    /// <param name="db">The database.</param>
    /// <param name="work">What is done.</param>
    /// <param name="cancel">Gives up.</param>
    /// <exception cref="IOException">Another process has been preparing the same file for half a minute.</exception>
    public static async Task HeldAsync(MendDb db, Func<Task> work, CancellationToken cancel)
    {
        var path = new SqliteConnectionStringBuilder(db.Database.GetConnectionString()).DataSource;
        await using var held = await TakeAsync(path + ".starting", cancel);
        // Whoever held the migrations' lock is gone, or it would be holding ours.
        if (await HasLeftoverAsync(db, cancel))
        {
            await db.Database.ExecuteSqlRawAsync("DELETE FROM \"__EFMigrationsLock\"", cancel);
        }

        await work();
    }

    private static async Task<FileStream> TakeAsync(string path, CancellationToken cancel)
    {
        for (var waited = TimeSpan.Zero; ; waited += Pause)
        {
            try
            {
                return new FileStream(path, FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
            }
            catch (IOException) when (waited < Patience)
            {
                await Task.Delay(Pause, cancel);
            }
        }
    }

    private static async Task<bool> HasLeftoverAsync(MendDb db, CancellationToken cancel) =>
        await db.Database.SqlQueryRaw<int>("SELECT COUNT(*) AS \"Value\" FROM sqlite_master WHERE name = '__EFMigrationsLock'").SingleAsync(cancel) > 0;
}
