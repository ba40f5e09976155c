using AbleMend.Core;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Plans;
using AbleMend.Data;
using AbleMend.Server.Http;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Gear;

/// <summary>An item of the fleet.</summary>
public sealed record ItemView(
    int Id, string Tag, string Name, string Construction, int? AgeMonths, Warranty Warranty, string? EarlierMend, int MendCount);

/// <summary>A new item.</summary>
public sealed record NewItem(string Tag, string Name, string Construction, int? AgeMonths, Warranty Warranty);

/// <summary>The fleet.</summary>
public static class ItemEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapItems(this RouteGroupBuilder api)
    {
        api.MapGet("/items", async (MendDb db, TimeProvider time, CancellationToken cancel) =>
            {
                var today = DateOnly.FromDateTime(time.GetUtcNow().UtcDateTime);
                var items = await db.Items.AsNoTracking().OrderBy(item => item.Tag)
                    .Select(item => new { Item = item, Count = item.Mends.Count }).ToListAsync(cancel);
                return items.Select(each => View(each.Item, each.Count, today)).ToList();
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

    private static async Task<IResult> Add(NewItem item, MendDb db, Planner planner, TimeProvider time, CancellationToken cancel)
    {
        var problems = await Check(item, db, planner, cancel);
        if (problems.Count > 0)
        {
            return ProblemAnswers.Unprocessable(problems);
        }

        var today = DateOnly.FromDateTime(time.GetUtcNow().UtcDateTime);
        var row = new ItemRow
        {
            Tag = item.Tag.Trim(),
            Name = item.Name.Trim(),
            Construction = item.Construction,
            NewOn = item.AgeMonths is { } months ? today.AddMonths(-months) : null,
            Warranty = item.Warranty.ToString(),
        };
        db.Items.Add(row);
        await db.SaveChangesAsync(cancel);
        return Results.Created($"/api/items/{row.Id}", View(row, 0, today));
    }

    private static async Task<IReadOnlyList<Problem>> Check(NewItem item, MendDb db, Planner planner, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        var tag = item.Tag.Trim();
        if (tag.Length is 0 or > 40)
        {
            problems.Add(new Problem("bad-tag", "tag", "The tag is empty or longer than 40 characters.", "Give it a short tag, such as BRD-07."));
        }
        else if (await db.Items.AnyAsync(row => row.Tag == tag, cancel))
        {
            problems.Add(new Problem("tag-taken", "tag", $"There is an item {tag} already.", "Pick it from the fleet, or give this one another tag."));
        }

        if (item.Name.Trim().Length is 0 or > 80)
        {
            problems.Add(new Problem("bad-name", "name", "The name is empty or longer than 80 characters.", "Say what people call it."));
        }

        if (!planner.Catalogue.Constructions.ContainsKey(item.Construction))
        {
            problems.Add(new Problem("unknown-id", "construction", $"'{item.Construction}' is not known.", "Pick a construction from the list."));
        }

        if (item.AgeMonths is < 0 or > 600)
        {
            problems.Add(new Problem("out-of-range", "ageMonths", "The age is outside 0 to 600 months.", "Give its age in months, or leave it open."));
        }

        return problems;
    }

    private static ItemView View(ItemRow row, int count, DateOnly today) =>
        new(row.Id, row.Tag, row.Name, row.Construction, AgeMonths(row.NewOn, today), Enum.Parse<Warranty>(row.Warranty), row.EarlierMend, count);
}
