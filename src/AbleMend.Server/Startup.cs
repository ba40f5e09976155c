using AbleMend.Core.Plans;
using AbleMend.Data;
using AbleMend.Server.Keeping;
using AbleMend.Server.Shop;
using Microsoft.Extensions.Options;

namespace AbleMend.Server;

/// <summary>Makes the database ready before anything is served.</summary>
public static class Startup
{
    /// <summary>Size in bytes up to which a file is looked through before it is served; a larger one would hold the start up, and is looked through when it is backed up.</summary>
    private const long LookedThrough = 64 * 1024 * 1024;

    /// <summary>Asks what every page asks first, so that the question is put together on the other processor.</summary>
    public static Task AskFirstAsync(IServiceProvider services) => Task.Run(async () =>
    {
        using var scope = services.CreateScope();
        return await scope.ServiceProvider.GetRequiredService<ShopStore>().ReadAsync(CancellationToken.None);
    });

    /// <summary>Brings a backup back where one is asked for, migrates, and fills an empty database with the demo unless it is to stay empty.</summary>
    /// <exception cref="InvalidDataException">The file is damaged, or the backup is.</exception>
    public static async Task PrepareAsync(IServiceProvider services, CancellationToken cancel)
    {
        using var scope = services.CreateScope();
        var options = scope.ServiceProvider.GetRequiredService<IOptions<ServerOptions>>().Value;
        var time = scope.ServiceProvider.GetRequiredService<TimeProvider>();
        var path = Path.GetFullPath(options.Database);
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        if (options.Restore is { } backup)
        {
            await ShopFile.RestoreAsync(backup, path, Backups.Stamp(time.GetUtcNow()), cancel);
        }

        if (new FileInfo(path) is { Exists: true, Length: <= LookedThrough } && await ShopFile.FaultAsync(path, cancel) is not null)
        {
            throw new DamagedFileException(path, Backups.Newest(options.Backups));
        }

        var db = scope.ServiceProvider.GetRequiredService<MendDb>();
        await db.PrepareAsync(cancel);
        ShopFile.OwnerOnly(path);
        if (await ShopFile.LastWrittenAsync(MendDb.ConnectionTo(path), cancel) is { } written)
        {
            scope.ServiceProvider.GetRequiredService<ShopClock>().BeginAfter(written);
        }

        if (!options.Empty && await ShopFile.IsUntouchedAsync(MendDb.ConnectionTo(path), cancel))
        {
            await DemoData.FillAsync(db, scope.ServiceProvider.GetRequiredService<Planner>(), time.GetUtcNow(), cancel);
        }
    }
}
