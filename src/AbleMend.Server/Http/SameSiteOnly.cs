using AbleMend.Core;

namespace AbleMend.Server.Http;

/// <summary>Refuses changes that another site's page asks a browser to make.</summary>
public static class SameSiteOnly
{
    /// <summary>Adds the check.</summary>
    public static IApplicationBuilder UseSameSiteOnly(this IApplicationBuilder app) =>
        app.Use(async (context, next) =>
        {
            var site = context.Request.Headers["Sec-Fetch-Site"].ToString();
            var changes = !HttpMethods.IsGet(context.Request.Method) && !HttpMethods.IsHead(context.Request.Method);
            if (changes && site is not ("" or "same-origin" or "none"))
            {
                var refusal = ProblemAnswers.Answer(StatusCodes.Status403Forbidden, "Asked for by another site.",
                    [new Problem("other-site", "", "Another site's page asked for this change.", "Make the change from Able Mend's own page.")]);
                await refusal.ExecuteAsync(context);
                return;
            }

            await next();
        });
}
