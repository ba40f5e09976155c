using System.Threading.RateLimiting;
using AbleMend.Core;
using Microsoft.AspNetCore.RateLimiting;

namespace AbleMend.Server.Http;

/// <summary>How many requests are worked on at once: what plans takes a processor, and a crowd of it would take the memory as well.</summary>
internal static class Crowds
{
    /// <summary>Photographs that are on their way at once: each is held until it is whole.</summary>
    private const int MostPhotographs = 6;

    private static readonly Problem Crowded = new("crowded", "", "More is asked than this machine can work out at once.", "Wait a moment and try again.");

    /// <summary>Sets the limits: as many that change or plan as there are processors and as many again, the others in a line.</summary>
    public static void Limit(RateLimiterOptions limits)
    {
        limits.GlobalLimiter = PartitionedRateLimiter.Create<HttpContext, string>(context =>
            HttpMethods.IsGet(context.Request.Method) || HttpMethods.IsHead(context.Request.Method)
                ? RateLimitPartition.GetNoLimiter("reads")
                // A photograph is long on its way from the far bench: taps do not wait behind it.
                : context.Request.Path.Value?.EndsWith("/photographs", StringComparison.Ordinal) == true
                ? RateLimitPartition.GetConcurrencyLimiter("photographs", _ => new ConcurrencyLimiterOptions { PermitLimit = MostPhotographs, QueueLimit = 64, QueueProcessingOrder = QueueProcessingOrder.OldestFirst })
                : RateLimitPartition.GetConcurrencyLimiter("writes", _ => new ConcurrencyLimiterOptions
                {
                    PermitLimit = Math.Max(4, Environment.ProcessorCount * 2),
                    QueueLimit = 256,
                    QueueProcessingOrder = QueueProcessingOrder.OldestFirst,
                }));
        limits.OnRejected = async (rejected, _) =>
        {
            rejected.HttpContext.Response.Headers.RetryAfter = "1";
            await ProblemAnswers.Answer(StatusCodes.Status429TooManyRequests, "Too much at once.", [Crowded]).ExecuteAsync(rejected.HttpContext);
        };
    }
}
