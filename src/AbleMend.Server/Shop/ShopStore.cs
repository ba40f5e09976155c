using System.Text.Json;
using AbleMend.Core;
using AbleMend.Data;
using AbleMend.Server.Shelf;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Shop;

/// <summary>The shop's settings in the database.</summary>
public sealed class ShopStore(MendDb db, PaceTurns turns)
{
    /// <summary>Settings and their version.</summary>
    public async Task<(ShopSettings Settings, int Version)> ReadAsync(CancellationToken cancel)
    {
        var row = await db.Shop.AsNoTracking().FirstOrDefaultAsync(shop => shop.Id == ShopRow.OnlyId, cancel);
        return row is null
            ? (ShopSettings.ForNewShop, 0)
            : (Settings(row), row.Version);
    }

    private static ShopSettings Settings(ShopRow row) => JsonSerializer.Deserialize<ShopSettings>(row.SettingsJson, OpenJson.Options)!;

    /// <summary>Changes settings along with something else: they are kept when that is saved, and whoever changed them first wins.</summary>
    /// <param name="change">What becomes of them.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task ChangeAlongAsync(Func<ShopSettings, ShopSettings> change, CancellationToken cancel)
    {
        if (await db.Shop.FirstOrDefaultAsync(shop => shop.Id == ShopRow.OnlyId, cancel) is { } row)
        {
            row.SettingsJson = JsonSerializer.Serialize(change(Settings(row)), OpenJson.Options);
            row.Version++;
        }
    }

    /// <summary>Keeps settings.</summary>
    /// <returns>The new version, or null when somebody else changed them first.</returns>
    public async Task<int?> WriteAsync(ShopSettings settings, int version, CancellationToken cancel)
    {
        var row = await db.Shop.FirstOrDefaultAsync(shop => shop.Id == ShopRow.OnlyId, cancel);
        if ((row?.Version ?? 0) != version)
        {
            return null;
        }

        if (row is null)
        {
            row = new ShopRow { SettingsJson = "" };
            db.Shop.Add(row);
        }

        row.SettingsJson = JsonSerializer.Serialize(settings, OpenJson.Options);
        row.Version = version + 1;
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException)
        {
            db.ChangeTracker.Clear();
            return null;
        }

        turns.Turn();
        return row.Version;
    }
}
