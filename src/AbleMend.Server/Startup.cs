using AbleMend.Core.Plans;
using AbleMend.Data;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;

namespace AbleMend.Server;

/// <summary>Makes the database ready before anything is served.</summary>
public static class Startup
{
    /// <summary>Migrates, and fills an empty database with the demo unless it is to stay empty.</summary>
    public static async Task PrepareAsync(IServiceProvider services, CancellationToken cancel)
    {
        using var scope = services.CreateScope();
        var options = scope.ServiceProvider.GetRequiredService<IOptions<ServerOptions>>().Value;
        if (Path.GetDirectoryName(Path.GetFullPath(options.Database)) is { } folder)
        {
            Directory.CreateDirectory(folder);
        }

        var db = scope.ServiceProvider.GetRequiredService<MendDb>();
        await db.PrepareAsync(cancel);
        var untouched = !await db.Items.AnyAsync(cancel) && !await db.Shop.AnyAsync(cancel);
        if (untouched && !options.Empty)
        {
            var time = scope.ServiceProvider.GetRequiredService<TimeProvider>();
            await DemoData.FillAsync(db, scope.ServiceProvider.GetRequiredService<Planner>(), time.GetUtcNow(), cancel);
        }
    }
}
