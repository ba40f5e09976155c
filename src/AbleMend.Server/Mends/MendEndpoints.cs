using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Rescuing;
using AbleMend.Core.Running;
using AbleMend.Server.Http;
using Microsoft.AspNetCore.Mvc;

namespace AbleMend.Server.Mends;

/// <summary>The bench and its mends.</summary>
public static class MendEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapMends(this RouteGroupBuilder api)
    {
        api.MapGet("/bench", (MendStore store, CancellationToken cancel) => store.BenchAsync(cancel))
            .SharedForAMoment().WithName("getBench").WithSummary("Everything under way, most urgent first, and what waits to be started.");

        var mends = api.MapGroup("/mends");
        mends.MapGet("/{id:int}", async (int id, MendStore store, CancellationToken cancel) =>
                await store.FindAsync(id, cancel) switch
                {
                    null => ProblemAnswers.NotFound($"There is no mend {id}."),
                    { Value: { } view } => Results.Ok(view),
                    var unreadable => ProblemAnswers.Unprocessable(unreadable.Problems),
                })
            .Described("getMend", "A mend.");
        mends.MapPost("/", async ([FromHeader(Name = Deed.Header)] string? key, NewMend request, MendStore store, CancellationToken cancel) =>
                await store.OpenAsync(request, Deed.Of(key, $"open of {request.ItemId}"), cancel) is { } changed ? Answer(changed, 0) : ProblemAnswers.NotFound($"There is no item {request.ItemId}."))
            .WithMetadata(new TakesCases()).Described("openMend", "Open a mend of an item.");
        mends.MapPut("/{id:int}/case", async (int id, [FromHeader(Name = "If-Match")] int version, RepairCase repairCase, MendStore store, CancellationToken cancel) =>
                Answer(await store.ChangeCaseAsync(id, version, repairCase, cancel), version, id))
            .WithMetadata(new TakesCases()).Described("putCase", "Change the case of a mend that is not started.");
        mends.MapPost("/{id:int}/start", async (int id, [FromHeader(Name = "If-Match")] int version, [FromHeader(Name = Deed.Header)] string? key, MendStore store, CancellationToken cancel) =>
                Answer(await store.StartAsync(id, version, Deed.Of(key, $"start of {id}"), cancel), version, id))
            .Described("startMend", "Freeze the plan and start the run.");
        mends.MapPost("/{id:int}/send-on", async (int id, [FromHeader(Name = "If-Match")] int version, [FromHeader(Name = Deed.Header)] string? key, MendStore store, CancellationToken cancel) =>
                Answer(await store.SendOnAsync(id, version, Deed.Of(key, $"sending on of {id}"), cancel), version, id))
            .Described("sendOn", "Log that it is not mended here.");
        mends.MapPost("/{id:int}/events", async (int id, [FromHeader(Name = "If-Match")] int? version, [FromHeader(Name = Deed.Header)] string? key, Happening happened, MendStore store, CancellationToken cancel) =>
                version is null && key is null
                    ? ProblemAnswers.Answer(StatusCodes.Status400BadRequest, "This request cannot be read.", [NoVersion])
                    : Answer(await store.AddEventAsync(id, version, Deed.Of(key, $"event of {id}"), happened, cancel), version ?? 0, id))
            .Described("addEvent", "Keep something that happened.");
        mends.MapGet("/{id:int}/mishaps/{stepId}", async (int id, string stepId, MendStore store, CancellationToken cancel) =>
                await store.MishapsAsync(id, stepId, cancel) switch
                {
                    null => ProblemAnswers.NotFound($"There is no mend {id}."),
                    { Value: { } offered } => Results.Ok(offered),
                    var unreadable => ProblemAnswers.Unprocessable(unreadable.Problems),
                })
            .WithName("getMishaps").WithSummary("What can go wrong at a step, and what then.")
            .Produces<IReadOnlyList<OfferedMishap>>().ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        mends.MapGet("/{id:int}/hold-trace.csv", async (int id, int? damage, MendStore store, CancellationToken cancel) =>
                await store.TraceAsync(id, damage ?? 1, cancel) switch
                {
                    null => ProblemAnswers.NotFound($"There is no mend {id}."),
                    { Value: { } trace } => Results.File(System.Text.Encoding.UTF8.GetBytes(TraceCsv.Write(trace)), "text/csv", $"hold-trace-{id}.csv"),
                    var refused => ProblemAnswers.Unprocessable(refused.Problems),
                })
            .WithName("getHoldTrace").WithSummary("The readings of the hold test that is current, as a table.")
            .Produces<string>(StatusCodes.Status200OK, "text/csv").ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        mends.MapPost("/{id:int}/hold-trace", async (int id, int? damage, TraceTable table, MendStore store, CancellationToken cancel) =>
                await store.ReadTraceAsync(id, damage ?? 1, table, cancel) is { } changed ? Answer(changed, 0, id) : ProblemAnswers.NotFound($"There is no mend {id}."))
            .Described("readHoldTrace", "Take readings of the hold test that is current in from a table; those that are there already are not taken twice.");
        mends.MapGet("/{id:int}/cups", async (int id, MendStore store, CancellationToken cancel) =>
                await store.CupOffersAsync(id, cancel) is { } offers ? Results.Ok(offers) : ProblemAnswers.NotFound($"There is no mend {id}."))
            .WithName("getCups").WithSummary("Cups that would do for a mend and for others that are about to mix the same.")
            .Produces<IReadOnlyList<CupOffer>>().ProducesProblem(StatusCodes.Status404NotFound);
        mends.MapPost("/{id:int}/cups", async (int id, [FromHeader(Name = Deed.Header)] string? key, ShareCup share, MendStore store, CancellationToken cancel) =>
                Answer(await store.ShareCupAsync(id, Deed.Of(key, $"cup of {id}"), share, cancel), 0, id))
            .Described("shareCup", "Mix one cup for a mend and others.");
        mends.MapDelete("/{id:int}", async (int id, [FromHeader(Name = "If-Match")] int version, MendStore store, CancellationToken cancel) =>
                Answer(await store.DiscardAsync(id, version, cancel), version, id))
            .Described("discardMend", "Throw away a mend that is not started.");
    }

    private static readonly Problem NoVersion = new("no-version", "If-Match", "It is not said which version this was made from.", "Send the version as If-Match, or a key of its own as Idempotency-Key.");

    private static IResult Answer(Changed? changed, int version, int id = 0) =>
        changed switch
        {
            null => ProblemAnswers.NotFound($"There is no mend {id}."),
            { NewerVersion: { } newer } => ProblemAnswers.Conflict(version, newer),
            { Problems.Count: > 0 } => ProblemAnswers.Unprocessable(changed.Problems),
            _ => Results.Ok(changed.View),
        };

    private static RouteHandlerBuilder Described(this RouteHandlerBuilder route, string name, string summary) =>
        route.WithName(name).WithSummary(summary)
            .Produces<MendView>()
            .ProducesProblem(StatusCodes.Status400BadRequest)
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status409Conflict)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
}
