using AbleMend.Core;
using AbleMend.Server.Http;

namespace AbleMend.Server.Shelf;

/// <summary>The shelf: lots, counts, recalls and tables.</summary>
public static class ShelfEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapShelf(this RouteGroupBuilder api)
    {
        api.MapGet("/shelf", (ShelfStore store, CancellationToken cancel) => store.ReadAsync(cancel))
            .SharedForAMoment().WithName("getShelf").WithSummary("The shelf: what there is, how much of it, how long it is good, and what the bench still takes.");
        api.MapPut("/shelf/{name}", async (string name, LotChange change, ShelfStore store, CancellationToken cancel) => Answer(name, await store.PutAsync(Written(name), change, cancel)))
            .WithName("putLot").WithSummary("Put a lot on the shelf, or change it.")
            .Produces<ShelfView>().ProducesProblem(StatusCodes.Status409Conflict).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        api.MapPost("/shelf/{name}/count", async (string name, Counted counted, ShelfStore store, CancellationToken cancel) => Answer(name, await store.CountAsync(Written(name), counted, cancel)))
            .WithName("countLot").WithSummary("Say how much is left of a lot.")
            .Produces<ShelfView>().ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        api.MapGet("/shelf/{name}/mends", async (string name, ShelfStore store, CancellationToken cancel) => await store.UsesAsync(Written(name), cancel) is { } uses ? Results.Ok(uses) : NoLot(name))
            .WithName("getLotUses").WithSummary("The mends that took of a lot: whom to call when its maker calls it back.")
            .Produces<IReadOnlyList<LotUse>>().ProducesProblem(StatusCodes.Status404NotFound);
        api.MapGet("/shelf.csv", async (ShelfStore store, CancellationToken cancel) => Results.Text(await store.TableAsync(cancel), "text/csv; charset=utf-8"))
            .WithName("getShelfTable").WithSummary("The shelf as comma-separated values.");
        api.MapPost("/shelf-table", async (ShelfTable table, ShelfStore store, CancellationToken cancel) => Answer("", await store.ReadInAsync(table, cancel)))
            .WithName("readShelfTable").WithSummary("Read lots in from comma-separated values.")
            .Produces<ShelfView>().ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    /// <summary>A name as it is written on the lot: the router leaves a slash in it as it was sent.</summary>
    private static string Written(string name) => name.Replace("%2F", "/", StringComparison.OrdinalIgnoreCase);

    private static IResult NoLot(string name) => ProblemAnswers.NotFound($"There is no lot {name:as-is} on the shelf.");

    private static IResult Answer(string name, Outcome<ShelfView>? outcome) => outcome switch
    {
        null => NoLot(name),
        { Value: { } view } => Results.Ok(view),
        var refused => ProblemAnswers.Refused(refused.Problems),
    };
}
