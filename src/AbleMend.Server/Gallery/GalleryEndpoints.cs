using AbleMend.Core;
using AbleMend.Data;
using AbleMend.Server.Http;
using AbleMend.Server.Mends;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Gallery;

/// <summary>The gallery of worked cases.</summary>
public static class GalleryEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapGallery(this RouteGroupBuilder api)
    {
        api.MapGet("/gallery", (WorkedCases cases) => cases.All)
            .WithName("getGallery").WithSummary("Worked cases, one or more for each job.");
        api.MapPost("/gallery/{id}", Open)
            .WithName("openWorkedCase").WithSummary("Put a worked case on the bench; its item joins the fleet when it is not there.")
            .Produces<MendView>()
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    private static async Task<IResult> Open(
        string id, [FromHeader(Name = Deed.Header)] string? key, WorkedCases cases, MendDb db, MendStore store, TimeProvider time, CancellationToken cancel)
    {
        if (cases.Find(id) is not { } worked)
        {
            return ProblemAnswers.NotFound($"There is no worked case {id:as-is}.");
        }

        var item = await db.Items.FirstOrDefaultAsync(each => each.Tag == worked.Item.Tag, cancel);
        if (item is null)
        {
            item = new ItemRow
            {
                Tag = worked.Item.Tag,
                Name = cases.All.First(each => each.Id == id).Title,
                Construction = worked.Item.Construction,
                NewOn = worked.Item.AgeMonths is { } months ? DateOnly.FromDateTime(time.GetUtcNow().UtcDateTime).AddMonths(-months) : null,
                Warranty = worked.Item.Warranty.ToString(),
            };
            db.Items.Add(item);
            try
            {
                await db.SaveChangesAsync(cancel);
            }
            catch (DbUpdateException)
            {
                // Somebody put the same case on the bench at the same moment.
                db.ChangeTracker.Clear();
                item = await db.Items.FirstAsync(each => each.Tag == worked.Item.Tag, cancel);
            }
        }
        else if (item.Construction != worked.Item.Construction)
        {
            return ProblemAnswers.Unprocessable([new Problem("tag-taken", "id", $"{item.Tag} is another item in this fleet.", "Start a mend of your own item instead.")]);
        }

        var now = worked with { Wanted = worked.Wanted with { StartAt = null, NeededBy = null }, Offcuts = worked.Offcuts ?? [] };
        return await store.OpenAsync(new NewMend(item.Id, now), Deed.Of(key, $"worked case {id}"), cancel) switch
        {
            { View: { } view } => Results.Ok(view),
            { Problems: { Count: > 0 } problems } => ProblemAnswers.Unprocessable(problems),
            _ => ProblemAnswers.NotFound($"There is no item {item.Id}."),
        };
    }
}
