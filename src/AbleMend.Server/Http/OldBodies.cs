using System.Text;
using AbleMend.Core;

namespace AbleMend.Server.Http;

/// <summary>Marks an endpoint that takes a case, of this or an earlier version of its format.</summary>
public sealed class TakesCases;

/// <summary>Lifts a case of an earlier version to the newest before its endpoint reads it.</summary>
public static class OldBodies
{
    /// <summary>Has cases of earlier versions lifted at endpoints that carry <see cref="TakesCases"/>.</summary>
    public static void UseOldBodies(this IApplicationBuilder app) =>
        app.Use(async (context, next) =>
        {
            if (context.GetEndpoint()?.Metadata.GetMetadata<TakesCases>() is not null)
            {
                await LiftAsync(context.Request, context.RequestAborted);
            }

            await next(context);
        });

    private static async Task LiftAsync(HttpRequest request, CancellationToken cancel)
    {
        var body = new MemoryStream();
        await request.Body.CopyToAsync(body, cancel);
        var sent = Encoding.UTF8.GetString(body.GetBuffer().AsSpan(0, (int)body.Length));
        var lifted = OldFormats.Lift(sent);
        request.Body = ReferenceEquals(lifted, sent) ? body : new MemoryStream(Encoding.UTF8.GetBytes(lifted));
        request.Body.Position = 0;
        request.ContentLength = request.Body.Length;
    }
}
