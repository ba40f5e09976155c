using AbleMend.Core;

namespace AbleMend.Server.Http;

/// <summary>
/// Answers only under the shop's own names, and refuses changes that another site's page asks a browser to make: a name that is turned on
/// this machine from outside, or a form on somebody else's page, gets nothing.
/// </summary>
public static class OwnNamesOnly
{
    private static readonly string[] Loopback = ["localhost", "127.0.0.1", "[::1]"];

    private static readonly Problem OtherSite = new("other-site", "", "Another site's page asked for this change.", "Make the change from Able Mend's own page.");

    /// <summary>Adds the check.</summary>
    /// <param name="app">The application.</param>
    /// <param name="hosts">Names besides this machine's own, with semicolons between; null for none.</param>
    public static IApplicationBuilder UseOwnNamesOnly(this IApplicationBuilder app, string? hosts)
    {
        HashSet<string> names = new([.. Loopback, .. (hosts ?? "").Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)], StringComparer.OrdinalIgnoreCase);
        return app.Use(async (context, next) =>
        {
            var name = context.Request.Host.Host;
            var refusal = !names.Contains(name)
                ? ProblemAnswers.Answer(StatusCodes.Status400BadRequest, "This shop is not known under that name.",
                    [new Problem("unknown-host", "Host", $"This shop is not known as “{(name.Length is > 0 and < 256 ? name : "?"):as-is}”.", "Start it with --host and that name, or use one that it knows.")])
                : Changes(context.Request) && !IsOfThisSite(context.Request) ? ProblemAnswers.Answer(StatusCodes.Status403Forbidden, "Asked for by another site.", [OtherSite])
                : null;
            await (refusal?.ExecuteAsync(context) ?? next());
        });
    }

    private static bool Changes(HttpRequest request) => !HttpMethods.IsGet(request.Method) && !HttpMethods.IsHead(request.Method);

    /// <summary>Whether a request comes from a page of this site, or from no page at all. Old browsers tell only the origin, new ones both.</summary>
    private static bool IsOfThisSite(HttpRequest request)
    {
        var site = request.Headers["Sec-Fetch-Site"].ToString();
        var origin = request.Headers.Origin.ToString();
        return site is "" or "same-origin" or "none"
            && (origin.Length == 0 || (Uri.TryCreate(origin, UriKind.Absolute, out var from) && IsSame(from, request.Host)));
    }

    /// <summary>A proxy may bring the encryption: the name and a port that is given have to agree, and not the scheme.</summary>
    private static bool IsSame(Uri origin, HostString host) =>
        string.Equals(origin.Host, host.Host, StringComparison.OrdinalIgnoreCase) && (host.Port is { } port ? origin.Port == port : origin.IsDefaultPort);
}
