using System.Net.Http.Headers;

namespace AbleMend.Server.Http;

/// <summary>Turns away bodies in an encoding that nobody can read, before anybody tries.</summary>
public static class ReadableBodies
{
    private static readonly string[] Readable = ["utf-8", "utf8", "utf-16", "us-ascii"];

    /// <summary>Adds the check.</summary>
    public static IApplicationBuilder UseReadableBodies(this IApplicationBuilder app) =>
        app.Use(async (context, next) =>
        {
            if (context.Request.ContentType is { Length: > 0 } type && !IsReadable(type))
            {
                await ProblemAnswers.Answer(StatusCodes.Status415UnsupportedMediaType, "This is not JSON.", [ProblemAnswers.NotJson]).ExecuteAsync(context);
                return;
            }

            await next();
        });

    private static bool IsReadable(string contentType) =>
        MediaTypeHeaderValue.TryParse(contentType, out var type) && (type.CharSet is null || Readable.Contains(type.CharSet.Trim('"'), StringComparer.OrdinalIgnoreCase));
}
