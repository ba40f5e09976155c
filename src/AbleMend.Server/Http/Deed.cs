using AbleMend.Core;

namespace AbleMend.Server.Http;

/// <summary>Something that is asked for with a key, so that asking again after an answer that never came does not do it twice.</summary>
/// <param name="Key">The key, 8 to 64 letters, digits and hyphens.</param>
/// <param name="What">What is asked for: a key that comes back for something else is a slip.</param>
public sealed record Deed(string Key, string What)
{
    /// <summary>Name of the header that carries the key.</summary>
    public const string Header = "Idempotency-Key";

    /// <value>A key that was used for something else.</value>
    internal static readonly Problem Reused = new("key-reused", Header, "This key was used for something else.", "Give every request a key of its own, and repeat it only with the same request.");

    /// <summary>The deed of a request, or null where it has no key.</summary>
    public static Deed? Of(string? key, string what) => key is null ? null : new Deed(key, what);
}

/// <summary>Turns away keys that are none before anything is done.</summary>
public static class DeedKeys
{
    private static readonly Problem Bad = new("bad-key", Deed.Header, "The key of this request is not one.", "Use 8 to 64 letters, digits and hyphens, such as a UUID.");

    /// <summary>Adds the check.</summary>
    public static IApplicationBuilder UseDeedKeys(this IApplicationBuilder app) =>
        app.Use(async (context, next) =>
        {
            if (context.Request.Headers.TryGetValue(Deed.Header, out var keys) && !(keys.Count == 1 && IsKey(keys[0] ?? "")))
            {
                await ProblemAnswers.Answer(StatusCodes.Status400BadRequest, "This request cannot be read.", [Bad]).ExecuteAsync(context);
                return;
            }

            await next();
        });

    private static bool IsKey(string key) => key.Length is >= 8 and <= 64 && key.All(sign => char.IsAsciiLetterOrDigit(sign) || sign == '-');
}
