using AbleMend.Core;
using AbleMend.Core.Limits;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;
using AbleMend.Core.Stock;
using AbleMend.Data;
using AbleMend.Server.Http;
using Microsoft.AspNetCore.Mvc;

namespace AbleMend.Server.Shop;

/// <summary>Settings with their version and the shop's present.</summary>
/// <param name="Settings">The settings.</param>
/// <param name="Version">Their version.</param>
/// <param name="Now">The shop's present.</param>
/// <param name="LastDays">The last day on which each material on the shelf is used, by identifier; one without an end is left out.</param>
/// <param name="SetBackMin">By how many minutes the machine's clock was set back while mends were under way, which the shop's did not follow; usually 0.</param>
public sealed record ShopView(ShopSettings Settings, int Version, DateTimeOffset Now, IReadOnlyDictionary<string, DateOnly> LastDays, double SetBackMin = 0);

/// <summary>The shop's settings.</summary>
public static class ShopEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapShop(this RouteGroupBuilder api)
    {
        api.MapGet("/shop", async (ShopStore store, Planner planner, TimeProvider time, ShopClock clock, CancellationToken cancel) =>
            {
                var (settings, version) = await store.ReadAsync(cancel);
                return View(settings, version, planner, time, clock);
            })
            .WithName("getShop")
            .WithSummary("The shop's settings.");

        api.MapPut("/shop", Write)
            .WithName("putShop")
            .WithSummary("Change the shop's settings.")
            .Produces<ShopView>()
            .ProducesProblem(StatusCodes.Status409Conflict)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    private static async Task<IResult> Write(
        [FromBody] ShopSettings settings, [FromHeader(Name = "If-Match")] int version, ShopStore store, Planner planner, TimeProvider time, ShopClock clock, CancellationToken cancel)
    {
        var problems = Check(settings, planner);
        if (problems.Count > 0)
        {
            return ProblemAnswers.Unprocessable(problems);
        }

        return await store.WriteAsync(settings, version, cancel) is { } next
            ? Results.Ok(View(settings, next, planner, time, clock))
            : ProblemAnswers.Conflict(version, (await store.ReadAsync(cancel)).Version);
    }

    /// <summary>What of the settings is not a part of every case.</summary>
    private sealed record Own([property: Size(1, 60)] string Name, [property: Size(0, NamedDevice.Most)] IReadOnlyList<NamedDevice>? Devices);

    /// <summary>What of the shelf a case does not know.</summary>
    private sealed record Counted([property: Size(0, 2000)] IReadOnlyList<Lot> Shelf);

    private static ShopView View(ShopSettings settings, int version, Planner planner, TimeProvider time, ShopClock clock)
    {
        var known = planner.Catalogue.With(settings.Products ?? []).Materials;
        // A material may stand on the shelf in several tins: the one that lasts longest is the one to go by.
        var lastDays = (settings.Facts.Shelf ?? [])
            // What a later catalogue no longer knows has no life that could be told.
            .Where(tin => known.ContainsKey(tin.Material))
            .GroupBy(tin => tin.Material)
            .Select(tins => (Material: tins.Key, Day: tins.Select(tin => tin.LastDay(known[tin.Material]) ?? DateOnly.MaxValue).Max()))
            .Where(each => each.Day < DateOnly.MaxValue)
            .ToDictionary(each => each.Material, each => each.Day);
        return new ShopView(settings, version, time.GetUtcNow(), lastDays, Math.Round(clock.Ahead.TotalMinutes, 1));
    }

    /// <summary>What is wrong with settings; empty where they can be kept.</summary>
    internal static IReadOnlyList<Problem> Check(ShopSettings settings, Planner planner)
    {
        // JSON may leave a place in a list empty where nothing else may be: that is asked for first, wherever it stands.
        var empty = LimitTable.Check(settings).Where(problem => problem.Code == "missing").ToList();
        return empty.Count > 0
            ? empty
            :
            [
                .. LimitTable.Check(new Own(settings.Name, settings.Devices)), .. CheckShelf(settings.Shelf ?? []), .. settings.Rates is { } rates ? LimitTable.Check(rates, "rates") : [],
                .. planner.CheckShop(settings.Facts), .. settings.Floor?.Check(settings.Bench.OpensHour, settings.Bench.ClosesHour, "floor") ?? [],
                .. NamedDevice.Faults(settings.Devices ?? [], "devices"),
            ];
    }

    private static IEnumerable<Problem> CheckShelf(IReadOnlyList<Lot> shelf)
    {
        foreach (var problem in LimitTable.Check(new Counted(shelf)))
        {
            yield return problem;
        }

        foreach (var twice in shelf.Where(lot => lot is { Id: not null }).GroupBy(lot => lot.Name).Where(lots => lots.Count() > 1))
        {
            yield return new Problem("twice", "shelf", $"“{twice.Key:as-is}” stands on two lots.", "Write a different name on each.");
        }
    }
}
