using AbleMend.Core;
using AbleMend.Core.Instruments;
using AbleMend.Core.Limits;
using AbleMend.Server.Http;

namespace AbleMend.Server.Instruments;

/// <summary>What instruments read, and what they are told.</summary>
public static class InstrumentEndpoints
{
    private static readonly Problem Crowded = new("crowded", "", "Too many screens are told already.", "Close some of them.");

    /// <summary>Maps the endpoints.</summary>
    public static void MapInstruments(this RouteGroupBuilder api)
    {
        var instruments = api.MapGroup("/instruments");
        instruments.MapGet("/", (InstrumentDesk desk) => desk.Now()).WithName("getInstruments").WithSummary("What the shop's instruments read.");
        // An answer without an end: it is no part of the description, whose every answer ends.
        instruments.MapGet("/live", (HttpResponse answer, InstrumentDesk desk, CancellationToken cancel) =>
            {
                // A proxy that gathers an answer before it hands it on would never hand this one on.
                answer.Headers["X-Accel-Buffering"] = "no";
                return desk.HasRoom ? Results.ServerSentEvents(desk.WatchAsync(cancel)) : ProblemAnswers.Answer(StatusCodes.Status503ServiceUnavailable, "Too much at once.", [Crowded]);
            })
            .ExcludeFromDescription();
        instruments.MapPost("/{id}/tare", (string id, InstrumentDesk desk) => Answer(id, desk.Tell(id, "tare", onlySimulated: false)))
            .Described("tare", "Let a scale show nothing for what stands on it.");
        instruments.MapPost("/{id}/print", (string id, LabelToPrint label, InstrumentDesk desk) =>
                label.Check() is { Count: > 0 } problems ? ProblemAnswers.Unprocessable(problems) : Answer(id, desk.Print(id, label)))
            .Described("printLabel", "Print a label on a printer that is attached.");
        instruments.MapPost("/{id}/do", (string id, Doing doing, InstrumentDesk desk) =>
                LimitTable.Check(doing) is { Count: > 0 } problems ? ProblemAnswers.Unprocessable(problems) : Answer(id, desk.Tell(id, $"do {doing.Words}", onlySimulated: true)))
            .Described("tellInstrument", "Tell a simulated instrument what to show.");
    }

    private static IResult Answer(string id, IReadOnlyList<Problem>? problems) =>
        problems switch
        {
            null => ProblemAnswers.NotFound($"There is no instrument {id:as-is}."),
            { Count: > 0 } => ProblemAnswers.Unprocessable(problems),
            _ => Results.NoContent(),
        };

    private static RouteHandlerBuilder Described(this RouteHandlerBuilder route, string name, string summary) =>
        route.WithName(name).WithSummary(summary).Produces(StatusCodes.Status204NoContent)
            .ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
}
