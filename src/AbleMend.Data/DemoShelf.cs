using AbleMend.Core.Stock;

namespace AbleMend.Data;

/// <summary>The demo's shelf: some lots are named and counted, the rest is only there. Invented.</summary>
internal static class DemoShelf
{
    private const string Cabinet = "Cabinet, top board", Cement = "Cement cabinet", Roll = "Roll rack", Fridge = "Fridge";

    /// <summary>What stands there today.</summary>
    /// <param name="lots">What is only said to be there.</param>
    /// <param name="today">Today.</param>
    public static IReadOnlyList<Lot> At(IReadOnlyList<Lot> lots, DateOnly today)
    {
        IReadOnlyList<Lot> named = [.. Named(today).Select(each => each.Lot)];
        return [.. named, .. lots.Where(lot => named.All(each => each.Material != lot.Material))];
    }

    /// <summary>What has come off the named lots so far.</summary>
    public static IEnumerable<LotMoveRow> Used(DateTimeOffset now) =>
        Named(DateOnly.FromDateTime(now.UtcDateTime)).Where(each => each.Used > 0).Select(each => new LotMoveRow { Lot = each.Lot.Name, At = now.AddDays(-1), Amount = each.Used });

    private static IEnumerable<(Lot Lot, double Used)> Named(DateOnly today)
    {
        Lot Of(string material, int number, double had, StockUnit unit, int? opened, int? good, string place, string? batch = null, double? price = null) =>
            new(material, good is { } days ? today.AddDays(days) : null, opened is { } ago ? today.AddDays(-ago) : null, $"L-{number:000}", batch, had, unit, price, place);

        yield return (Of("epoxy-2to1", 1, 1500, StockUnit.Ml, 40, 500, Cabinet, "B2417", 48), 640);
        yield return (Of("epoxy-5to1", 2, 6000, StockUnit.Ml, null, 640, Cabinet, "B2390", 139), 0);
        yield return (Of("epoxy-metal", 3, 50, StockUnit.Ml, 12, 210, Cabinet, "M118", 11), 21);
        yield return (Of("uv-polyester", 4, 150, StockUnit.Ml, 60, 300, Cabinet, "UV77", 14), 96);
        yield return (Of("gel-coat", 5, 1000, StockUnit.G, 95, 24, Cabinet, "G5501", 29), 720);
        yield return (Of("cement-neoprene", 6, 850, StockUnit.G, 20, 330, Cement, "N0931", 24), 260);
        yield return (Of("cement-polyurethane-two-part", 7, 2, StockUnit.Kit, 30, 180, Cement, "PU64", 38), 1.5);
        yield return (Of("cement-csm-two-part", 8, 1, StockUnit.Kit, null, 410, Cement, "C220", 34), 0);
        yield return (Of("cement-vinyl", 9, 250, StockUnit.G, 200, 12, Cement, "V3308", 16), 180);
        yield return (Of("urethane-sealant", 10, 28, StockUnit.G, 9, 90, Fridge, "US-12", 9), 11);
        yield return (Of("urethane-sealant", 11, 28, StockUnit.G, null, 380, Fridge, "US-15", 9), 0);
        yield return (Of("cyanoacrylate-thin", 12, 20, StockUnit.G, 70, -3, Fridge, "CA9", 6), 12);
        yield return (Of("cyanoacrylate-thin", 13, 20, StockUnit.G, null, 260, Fridge, "CA14", 6), 0);
        yield return (Of("repair-cloth", 14, 3750, StockUnit.Cm2, 30, null, Roll, null, 22), 900);
    }
}
