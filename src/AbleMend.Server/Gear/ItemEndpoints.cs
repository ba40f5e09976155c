using AbleMend.Core;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Limits;
using AbleMend.Core.Plans;
using AbleMend.Data;
using AbleMend.Server.Http;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Gear;

/// <summary>An item of the fleet.</summary>
public sealed record ItemView(
    int Id, string Tag, string Name, string Construction, int? AgeMonths, Warranty Warranty, string? EarlierMend, int MendCount);

/// <summary>A new item.</summary>
public sealed record NewItem([property: Size(1, 40)] string Tag, [property: Size(1, 80)] string Name, string Construction, int? AgeMonths, Warranty Warranty);

/// <summary>The fleet.</summary>
public static class ItemEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapItems(this RouteGroupBuilder api)
    {
        api.MapGet("/items", async (MendDb db, TimeProvider time, CancellationToken cancel) =>
            {
                var today = DateOnly.FromDateTime(time.GetUtcNow().UtcDateTime);
                var items = await db.Items.AsNoTracking().OrderBy(item => item.Tag).ToListAsync(cancel);
                return items.Select(item => View(item, today)).ToList();
            })
            .WithName("getItems")
            .WithSummary("The fleet.");

        api.MapPost("/items", Add)
            .WithName("addItem")
            .WithSummary("Add an item to the fleet.")
            .Produces<ItemView>(StatusCodes.Status201Created)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    /// <summary>Age in whole months.</summary>
    public static int? AgeMonths(DateOnly? newOn, DateOnly today) =>
        newOn is { } day ? Math.Max(0, ((today.Year - day.Year) * 12) + today.Month - day.Month) : null;

    private static async Task<IResult> Add([FromHeader(Name = Deed.Header)] string? key, NewItem item, MendDb db, Planner planner, TimeProvider time, CancellationToken cancel)
    {
        var deed = Deed.Of(key, $"item {item.Tag.Trim()}");
        var today = DateOnly.FromDateTime(time.GetUtcNow().UtcDateTime);
        if (await DoneBefore(deed, db, today, cancel) is { } done)
        {
            return done;
        }

        var problems = await Check(item, db, planner, cancel);
        if (problems.Count > 0)
        {
            return ProblemAnswers.Unprocessable(problems);
        }

        var row = new ItemRow
        {
            Tag = item.Tag.Trim(),
            Name = item.Name.Trim(),
            Construction = item.Construction,
            NewOn = item.AgeMonths is { } months ? today.AddMonths(-months) : null,
            Warranty = item.Warranty.ToString(),
        };
        db.Items.Add(row);
        if (deed is not null)
        {
            db.Deeds.Add(new DeedRow { Key = deed.Key, What = deed.What, At = time.GetUtcNow(), Item = row });
        }

        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException)
        {
            // Another window gave the same tag, or the same was asked for twice, at the same moment.
            db.ChangeTracker.Clear();
            return await DoneBefore(deed, db, today, cancel) ?? ProblemAnswers.Unprocessable(await Check(item, db, planner, cancel));
        }

        return Results.Created($"/api/items/{row.Id}", View(row, today));
    }

    private static async Task<IResult?> DoneBefore(Deed? deed, MendDb db, DateOnly today, CancellationToken cancel)
    {
        if (deed is null || await db.Deeds.AsNoTracking().Include(each => each.Item).FirstOrDefaultAsync(each => each.Key == deed.Key, cancel) is not { } done)
        {
            return null;
        }

        return done.What == deed.What && done.Item is { } row
            ? Results.Created($"/api/items/{row.Id}", View(row, today))
            : ProblemAnswers.Unprocessable(Deed.Reused);
    }

    private static async Task<IReadOnlyList<Problem>> Check(NewItem item, MendDb db, Planner planner, CancellationToken cancel)
    {
        var problems = LimitTable.Check(item).ToList();
        var tag = item.Tag.Trim();
        if (await db.Items.AnyAsync(row => row.Tag == tag, cancel))
        {
            problems.Add(new Problem("tag-taken", "tag", $"There is an item {tag} already.", "Pick it from the fleet, or give this one another tag."));
        }

        if (!planner.Catalogue.Constructions.ContainsKey(item.Construction))
        {
            problems.Add(new Problem("unknown-id", "construction", $"'{item.Construction:as-is}' is not known.", "Pick a construction from the list."));
        }

        if (item.AgeMonths is < 0 or > 600)
        {
            problems.Add(new Problem("out-of-range", "ageMonths", "The age is outside 0 to 600 months.", "Give its age in months, or leave it open."));
        }

        return problems;
    }

    private static ItemView View(ItemRow row, DateOnly today) =>
        new(row.Id, row.Tag, row.Name, row.Construction, AgeMonths(row.NewOn, today), Enum.Parse<Warranty>(row.Warranty), row.EarlierMend, row.MendCount);
}
