using AbleMend.Core;
using AbleMend.Core.Days;
using AbleMend.Server.Http;
using AbleMend.Server.Mends;

namespace AbleMend.Server.Days;

/// <summary>The plan of the days, and what it promises.</summary>
public static class DaysEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapDays(this RouteGroupBuilder api)
    {
        api.MapGet("/days", (DaysStore store, CancellationToken cancel) => store.ReadAsync(cancel))
            .SharedForAMoment().WithName("getDays").WithSummary("What is left of every mend, laid out over the coming days: who does what when, and when each is ready.");
        api.MapGet("/air", (DaysStore store, CancellationToken cancel) => store.AirAsync(cancel))
            .SharedForAMoment().WithName("getAir").WithSummary("The air of the room today, estimated from everything that has solvent open or will.");
        api.MapGet("/mends/{id:int}/promise", async (int id, DaysStore store, CancellationToken cancel) =>
                await store.PromiseAsync(id, cancel) switch
                {
                    null => ProblemAnswers.NotFound($"There is no mend {id} on the bench."),
                    { Value: { } promise } => Results.Ok(promise),
                    var refused => ProblemAnswers.Unprocessable(refused.Problems),
                })
            .WithName("getPromise").WithSummary("When a mend can be promised, with everything else that there is to do.")
            .Produces<Promise>().ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        api.MapPut("/mends/{id:int}/wish", async (int id, WishChange change, DaysStore store, CancellationToken cancel) =>
                await store.WishAsync(id, change, cancel) switch
                {
                    null => ProblemAnswers.NotFound($"There is no mend {id} on the bench."),
                    { Value: { } kept } => Results.Ok(kept),
                    var refused => ProblemAnswers.Refused(refused.Problems),
                })
            .WithName("putWish").WithSummary("Hold a mend back, hand it to somebody, or let it count for more in the plan of the days.")
            .Produces<DayWish>().ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status409Conflict).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    /// <summary>Maps what follows a mend.</summary>
    public static void MapFollowUps(this RouteGroupBuilder api) =>
        api.MapGet("/mends/{id:int}/follow-ups.ics", async (int id, MendStore store, Voices voices, TimeProvider time, CancellationToken cancel) =>
                await store.RecordAsync(id, cancel) switch
                {
                    null => ProblemAnswers.NotFound($"There is no mend {id}."),
                    { Record.Value: { } mend, Tag: var tag } => FollowUpCalendar.Of(id, tag, mend, time.GetUtcNow(), voices.Now) is { } calendar
                        ? Results.Text(calendar, DayCalendar.MediaType)
                        : ProblemAnswers.Unprocessable(new Problem("nothing-follows", "", "Nothing follows this mend yet.", "Start it first.")),
                    { Record: var unreadable } => ProblemAnswers.Unprocessable(unreadable.Problems),
                })
            .WithName("getFollowUps").WithSummary("Full strength, when to look again and the proper repair of a mend, as iCalendar.")
            .Produces<string>(StatusCodes.Status200OK, "text/calendar").ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);

    /// <summary>Maps the calendars: their address is their key, for a calendar program brings no login.</summary>
    public static void MapCalendars(this IEndpointRouteBuilder app) =>
        app.MapGet("/calendar/{key}/{who}.ics", async (string key, string who, DaysStore store, Voices voices, CancellationToken cancel) =>
                await store.CalendarAsync($"/calendar/{key}/{who}.ics", voices.Now, cancel) is { } calendar
                    ? Results.Text(calendar, DayCalendar.MediaType)
                    : ProblemAnswers.NotFound("There is no calendar under this address."))
            .SharedForAMoment().WithName("getCalendar").WithSummary("The plan of the days of one person, or of the shop, as iCalendar.");
}
