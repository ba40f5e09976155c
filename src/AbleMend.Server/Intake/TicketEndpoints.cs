using AbleMend.Core.Worth;
using AbleMend.Server.Http;
using Microsoft.AspNetCore.Mvc;

namespace AbleMend.Server.Intake;

/// <summary>The counter: who brought what, what was agreed, and what is asked for it.</summary>
public static class TicketEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapTickets(this RouteGroupBuilder api)
    {
        var tickets = api.MapGroup("/tickets");
        tickets.MapGet("/", (TicketStore store, CancellationToken cancel) => store.ListAsync(cancel))
            .SharedForAMoment().WithName("getTickets").WithSummary("Every ticket that was not collected, the one that is due first first, and the last that were.");
        tickets.MapGet("/{id:int}", async (int id, TicketStore store, CancellationToken cancel) => await store.FindAsync(id, cancel) is { } found ? Results.Ok(found) : NoTicket(id))
            .Described("getTicket", "A ticket.");
        tickets.MapPost("/", async ([FromHeader(Name = Deed.Header)] string? key, NewTicket request, TicketStore store, CancellationToken cancel) =>
                Answer(await store.OpenAsync(request, Deed.Of(key, "ticket"), cancel), 0, 0))
            .Described("openTicket", "Take in what somebody brings.");
        tickets.MapPut("/{id:int}", async (int id, [FromHeader(Name = "If-Match")] int version, TicketChange change, TicketStore store, CancellationToken cancel) =>
                Answer(await store.ChangeAsync(id, version, change, cancel), version, id))
            .Described("putTicket", "Change who it is for and what was said, and whether it was collected.");
        api.MapGet("/mends/{id:int}/agreements", async (int id, AgreementStore store, CancellationToken cancel) => await store.ReadAsync(id, cancel) is { } found ? Results.Ok(found) : NoMend(id))
            .WithName("getAgreements").WithSummary("What was said yes to, in order: the last stands.")
            .Produces<IReadOnlyList<Agreement>>().ProducesProblem(StatusCodes.Status404NotFound);
        api.MapPost("/mends/{id:int}/agreements", async (int id, [FromHeader(Name = Deed.Header)] string? key, NewAgreement said, AgreementStore store, CancellationToken cancel) =>
                await store.AgreeAsync(id, said, Deed.Of(key, $"yes to {id}"), cancel) switch
                {
                    null => NoMend(id),
                    { Value: { } kept } => Results.Ok(kept),
                    var refused => ProblemAnswers.Unprocessable(refused.Problems),
                })
            .WithName("addAgreement").WithSummary("Keep a customer's yes, with what they were told.")
            .Produces<IReadOnlyList<Agreement>>().ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    private static IResult NoTicket(int id) => ProblemAnswers.NotFound($"There is no ticket {id}.");

    private static IResult NoMend(int id) => ProblemAnswers.NotFound($"There is no mend {id}.");

    private static IResult Answer(TicketChanged? changed, int version, int id) => changed switch
    {
        null => NoTicket(id),
        { NewerVersion: { } newer } => ProblemAnswers.Conflict(version, newer),
        { View: { } view } => Results.Ok(view),
        _ => ProblemAnswers.Unprocessable(changed.Problems),
    };

    private static RouteHandlerBuilder Described(this RouteHandlerBuilder route, string name, string summary) =>
        route.WithName(name).WithSummary(summary)
            .Produces<TicketView>()
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status409Conflict)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
}
