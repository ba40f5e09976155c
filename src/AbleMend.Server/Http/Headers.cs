namespace AbleMend.Server.Http;

/// <summary>Security headers and caching.</summary>
public static class Headers
{
    /// <summary>A strict policy: everything from here, nothing inline, no framing.</summary>
    public static HeaderPolicyCollection Policy() =>
        new HeaderPolicyCollection()
            .AddFrameOptionsDeny()
            .AddContentTypeOptionsNoSniff()
            .AddReferrerPolicyNoReferrer()
            .AddCrossOriginOpenerPolicy(builder => builder.SameOrigin())
            .AddCrossOriginResourcePolicy(builder => builder.SameOrigin())
            .RemoveServerHeader()
            .AddPermissionsPolicy(builder =>
            {
                // Labels are scanned with it.
                builder.AddCamera().Self();
                builder.AddMicrophone().None();
                builder.AddGeolocation().None();
                builder.AddPayment().None();
                builder.AddUsb().None();
            })
            .AddContentSecurityPolicy(builder =>
            {
                builder.AddDefaultSrc().None();
                builder.AddScriptSrc().Self();
                builder.AddStyleSrc().Self();
                builder.AddImgSrc().Self().Data();
                builder.AddFontSrc().Self();
                builder.AddConnectSrc().Self();
                builder.AddManifestSrc().Self();
                builder.AddWorkerSrc().Self();
                builder.AddBaseUri().None();
                builder.AddFormAction().None();
                builder.AddFrameAncestors().None();
                builder.AddObjectSrc().None();
            });

    /// <summary>Files whose name carries their hash may be kept for ever; answers of the API never.</summary>
    public static IApplicationBuilder UseCaching(this IApplicationBuilder app) =>
        app.Use((context, next) =>
        {
            var path = context.Request.Path;
            context.Response.OnStarting(() =>
            {
                if (path.StartsWithSegments("/assets") && context.Response.StatusCode == StatusCodes.Status200OK)
                {
                    context.Response.Headers.CacheControl = "public, max-age=31536000, immutable";
                }
                else if (path.StartsWithSegments("/api/photographs") && context.Response.StatusCode == StatusCodes.Status200OK)
                {
                    // A picture never changes, and is for whoever may see the shop.
                    context.Response.Headers.CacheControl = "private, max-age=31536000, immutable";
                }
                else if (path.StartsWithSegments("/api"))
                {
                    context.Response.Headers.CacheControl = "no-store";
                }

                return Task.CompletedTask;
            });
            return next();
        });
}
