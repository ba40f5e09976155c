using AbleMend.Core;
using AbleMend.Core.Gear;
using AbleMend.Core.Plans;
using AbleMend.Data;
using AbleMend.Server.Http;
using Microsoft.AspNetCore.Mvc;

namespace AbleMend.Server.Shop;

/// <summary>Settings with their version and the shop's present.</summary>
public sealed record ShopView(ShopSettings Settings, int Version, DateTimeOffset Now);

/// <summary>The shop's settings.</summary>
public static class ShopEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapShop(this RouteGroupBuilder api)
    {
        api.MapGet("/shop", async (ShopStore store, TimeProvider time, CancellationToken cancel) =>
            {
                var (settings, version) = await store.ReadAsync(cancel);
                return new ShopView(settings, version, time.GetUtcNow());
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
        [FromBody] ShopSettings settings, [FromHeader(Name = "If-Match")] int version, ShopStore store, Planner planner, TimeProvider time, CancellationToken cancel)
    {
        var problems = Check(settings, planner, time);
        if (problems.Count > 0)
        {
            return ProblemAnswers.Unprocessable(problems);
        }

        return await store.WriteAsync(settings, version, cancel) is { } next
            ? Results.Ok(new ShopView(settings, next, time.GetUtcNow()))
            : ProblemAnswers.Conflict(version, (await store.ReadAsync(cancel)).Version);
    }

    /// <summary>Settings are checked as the part of a case that they become.</summary>
    private static IReadOnlyList<Problem> Check(ShopSettings settings, Planner planner, TimeProvider time)
    {
        var construction = planner.Catalogue.ConstructionList[0];
        var specimen = new RepairCase(
            RepairCase.CurrentFormat,
            new ItemFacts("specimen", construction.Id, null, Warranty.None),
            new Damage(DamageKind.Ding, construction.Locations[0].Id, new RoundShape(20), 1, false, Cause.Knock),
            settings.Bench,
            new Wanted(StartAt: time.GetUtcNow()),
            settings.Tools,
            settings.Shelf,
            Products: settings.Products,
            Offcuts: settings.Offcuts);
        var problems = planner.Plan(specimen).Problems;
        return settings.Name is { Length: > 0 and <= 60 }
            ? problems
            : [new Problem("bad-name", "name", "The shop's name is empty or longer than 60 characters.", "Give it a short name."), .. problems];
    }
}
