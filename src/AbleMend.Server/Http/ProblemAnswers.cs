using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Words;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Http;

/// <summary>Problem details (RFC 9457) with code, field and remedy.</summary>
public static class ProblemAnswers
{
    /// <summary>The case or request is understood, but cannot be carried out as it stands.</summary>
    public static IResult Unprocessable(params IReadOnlyList<Problem> problems) =>
        Answer(StatusCodes.Status422UnprocessableEntity, "This cannot be carried out as it stands.", problems);

    /// <summary>What was asked collides with what somebody else changed meanwhile, or cannot be carried out as it stands.</summary>
    public static IResult Refused(IReadOnlyList<Problem> problems) =>
        problems.Any(problem => problem.Code == TwoChanges.Collided)
            ? Answer(StatusCodes.Status409Conflict, "Somebody else changed this first.", problems)
            : Unprocessable(problems);

    /// <summary>There is nothing under this identifier.</summary>
    /// <param name="thereIsNo">What there is not.</param>
    public static IResult NotFound(Message thereIsNo) =>
        Answer(StatusCodes.Status404NotFound, "There is nothing under this name.", [new Problem("unknown-id", "id", thereIsNo, "Go back to the bench and pick it from the list.")]);

    /// <summary>No endpoint takes this: mostly an unknown address, but a body that is not JSON is turned away by the router as well.</summary>
    public static IResult NothingHere(HttpContext context) =>
        context.Request.ContentType is { } type && !type.Contains("json", StringComparison.OrdinalIgnoreCase)
            ? Answer(StatusCodes.Status415UnsupportedMediaType, "This is not JSON.", [NotJson])
            : NotFound($"There is no address {context.Request.Path.ToString():as-is}.");

    /// <summary>Somebody else changed it first.</summary>
    public static IResult Conflict(int sent, int current) =>
        Answer(StatusCodes.Status409Conflict, "Somebody else changed this mend first.",
            [new Problem("changed-elsewhere", "version", $"You were looking at version {sent}; it is now at version {current}. Nothing of theirs was overwritten, and nothing of yours was lost.", "Look at the newer version, then make your change again.")]);

    /// <summary>Gives an answer that carries only a status its problem as well, so that every refusal has the same shape, and says it in the reader's words.</summary>
    public static void Complete(ProblemDetailsContext context)
    {
        var details = context.ProblemDetails;
        var voice = context.HttpContext.RequestServices.GetRequiredService<Voices>().Now;
        if (details.Extensions.TryGetValue("problems", out var problems) && problems is IReadOnlyList<Problem> told)
        {
            details.Title = voice.Say(new Message(details.Title!));
            details.Detail = voice.Say(told[0].Message);
            return;
        }

        var problem = details.Status switch
        {
            StatusCodes.Status404NotFound => new Problem("unknown-address", "", "There is nothing at this address.", "Check the address."),
            StatusCodes.Status405MethodNotAllowed => new Problem("wrong-method", "", "This address does not take that kind of request.", "Look it up in the API's description."),
            StatusCodes.Status413PayloadTooLarge => TooLarge,
            StatusCodes.Status415UnsupportedMediaType => NotJson,
            _ => new Problem("refused", "", Message.Parse(details.Title ?? "The request was refused."), "Check the request."),
        };
        details.Type = $"urn:able-mend:{problem.Code}";
        details.Title = voice.Say(problem.Message);
        details.Extensions["problems"] = new[] { problem };
    }

    /// <summary>The body is larger than is read.</summary>
    internal static readonly Problem TooLarge = new("too-large", "", "The request is larger than 1 MB; a case is a few kilobytes.", "Send a case, not a file of something else.");

    /// <summary>The body is not JSON.</summary>
    internal static readonly Problem NotJson = new("not-json", "", "The request is not JSON.", "Send it with the content type application/json.");

    /// <summary>Builds the answer.</summary>
    public static IResult Answer(int status, Message title, IReadOnlyList<Problem> problems) => Results.Problem(Details(status, title, problems));

    /// <summary>Builds the details. A title is the template of a sentence without arguments until it is said.</summary>
    public static ProblemDetails Details(int status, Message title, IReadOnlyList<Problem> problems) =>
        new() { Status = status, Title = title.Template, Type = $"urn:able-mend:{problems[0].Code}", Extensions = { ["problems"] = problems } };
}

/// <summary>Turns what goes wrong while a request is read into problem details, and hides everything else.</summary>
public sealed class FaultHandler(IProblemDetailsService writer, ILogger<FaultHandler> log) : IExceptionHandler
{
    /// <inheritdoc/>
    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var (status, title, problem) = Explain(exception);
        if (status >= 500)
        {
            log.LogError(exception, "A request failed");
        }

        httpContext.Response.StatusCode = status;
        return await writer.TryWriteAsync(new ProblemDetailsContext
        {
            HttpContext = httpContext,
            ProblemDetails = ProblemAnswers.Details(status, title, [problem]),
        });
    }

    private static Fault Explain(Exception exception) =>
        exception switch
        {
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } => new Fault(413, "That is too large.", ProblemAnswers.TooLarge),
            BadHttpRequestException { InnerException: JsonException broken } => new Fault(400, "This is not what was expected.", OpenJson.Explain(broken)),
            BadHttpRequestException { StatusCode: StatusCodes.Status415UnsupportedMediaType } => new Fault(415, "This is not JSON.", ProblemAnswers.NotJson),
            BadHttpRequestException bad => new Fault(bad.StatusCode, "This request cannot be read.", UnreadRequests.Explain(bad)),
            NotSupportedException unkind => new Fault(400, "This is not what was expected.", OpenJson.Explain(OpenJson.AsBroken(unkind))),
            DbUpdateConcurrencyException => new Fault(409, "Somebody else changed this first.", new Problem("changed-elsewhere", "", "Somebody else changed this at the same moment. Nothing of theirs was overwritten.", "Look at it again, then make your change.")),
            OperationCanceledException => new Fault(499, "Nobody waits for this any more.", new Problem("cancelled", "", "The request was taken back.", "Send it again.")),
            SqliteException or DbUpdateException { InnerException: SqliteException } => FileFaults.Explain((exception as SqliteException ?? exception.InnerException as SqliteException)!),
            _ => new Fault(500, "Something went wrong here.", new Problem("fault", "", "Something went wrong here; nothing was changed.", "Try again; if it stays, look into the server's log.")),
        };

}

/// <summary>What went wrong, as it is answered.</summary>
internal sealed record Fault(int Status, Message Title, Problem Problem);
