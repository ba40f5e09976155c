using Microsoft.EntityFrameworkCore.Diagnostics;

namespace AbleMend.Server.Http;

/// <summary>
/// Counts what is written into the shop's records. Whoever has been answered that a change is kept finds another count from then
/// on, and so never an answer that was made before it.
/// </summary>
public sealed class Writes : SaveChangesInterceptor
{
    private long _count;

    /// <value>How often something was written since the start.</value>
    public long Count => Interlocked.Read(ref _count);

    /// <inheritdoc/>
    public override ValueTask<int> SavedChangesAsync(SaveChangesCompletedEventData eventData, int result, CancellationToken cancellationToken = default)
    {
        Interlocked.Increment(ref _count);
        return base.SavedChangesAsync(eventData, result, cancellationToken);
    }
}

/// <summary>
/// An answer that everybody who asks within the same moment shares. Every screen of a shop asks for the bench every few seconds:
/// it is made once for those who ask together, and made anew after every change.
/// </summary>
public static class SharedMoment
{
    /// <summary>How long an answer is shared: less than anybody sees on a clock.</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromMilliseconds(250);

    /// <summary>Shares the answers of an endpoint that depend on the records and on the clock alone.</summary>
    public static RouteHandlerBuilder SharedForAMoment(this RouteHandlerBuilder route) =>
        route.CacheOutput(policy => policy
            .Expire(Longest)
            .VaryByValue(context => KeyValuePair.Create("moment", Moment(context.RequestServices))));

    private static string Moment(IServiceProvider services) =>
        $"{services.GetRequiredService<Writes>().Count}/{services.GetRequiredService<TimeProvider>().GetUtcNow().UtcTicks / Longest.Ticks}";
}
