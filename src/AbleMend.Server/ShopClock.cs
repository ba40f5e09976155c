namespace AbleMend.Server;

/// <summary>The machine's clock, moved so that it showed a set instant when the server was started.</summary>
/// <param name="shownAtStart">Instant shown at the start; null for no move.</param>
public sealed class ShopClock(DateTimeOffset? shownAtStart) : TimeProvider
{
    private readonly TimeSpan _moved = shownAtStart is { } shown ? shown - System.GetUtcNow() : TimeSpan.Zero;

    /// <inheritdoc/>
    public override DateTimeOffset GetUtcNow() => System.GetUtcNow() + _moved;
}
