namespace AbleMend.Server;

/// <summary>
/// The shop's clock: the machine's, which never goes back. Where the machine's is set back, resin does not cure backwards: the shop's
/// goes on from where it stood, and says how far it is ahead.
/// </summary>
/// <param name="shownAtStart">Instant shown at the start; null for the machine's own.</param>
/// <param name="machine">The machine's clock, and its count of the time that passes.</param>
public sealed class ShopClock(DateTimeOffset? shownAtStart, TimeProvider machine) : TimeProvider
{
    /// <summary>How far a clock is drawn to the right time without having been set.</summary>
    private static readonly TimeSpan Drawn = TimeSpan.FromSeconds(2);

    /// <summary>
    /// How far behind what was last written the machine's clock may stand at a start, to be taken for set back; further, and it was
    /// rather wrong when that was written.
    /// </summary>
    private static readonly TimeSpan MostSetBack = TimeSpan.FromDays(1);

    private readonly Lock _one = new();
    private readonly TimeSpan _moved = shownAtStart is { } shown ? shown - machine.GetUtcNow() : TimeSpan.Zero;
    private TimeSpan _ahead;
    private (DateTimeOffset Shown, long Counted) _last = (DateTimeOffset.MinValue, machine.GetTimestamp());

    /// <value>How far it is ahead of the machine's, because that was set back; zero otherwise.</value>
    public TimeSpan Ahead
    {
        get
        {
            lock (_one)
            {
                return _ahead;
            }
        }
    }

    /// <inheritdoc/>
    public override DateTimeOffset GetUtcNow()
    {
        lock (_one)
        {
            var (shown, counted) = (machine.GetUtcNow() + _moved + _ahead, machine.GetTimestamp());
            var jumped = _last.Shown > DateTimeOffset.MinValue ? shown - _last.Shown - machine.GetElapsedTime(_last.Counted, counted) : TimeSpan.Zero;
            // Set back, it is not followed; set right again, that is made up for first.
            var held = jumped < -Drawn ? -jumped : jumped > Drawn ? -(jumped < _ahead ? jumped : _ahead) : TimeSpan.Zero;
            _ahead += held;
            _last = (shown + held, counted);
            return _last.Shown;
        }
    }

    /// <summary>Begins no sooner than what was last written before the start, unless it was asked to show an instant.</summary>
    /// <param name="written">When that was, by the shop's clock of then.</param>
    public void BeginAfter(DateTimeOffset written)
    {
        var behind = written - GetUtcNow();
        if (shownAtStart is null && behind > Drawn && behind < MostSetBack)
        {
            lock (_one)
            {
                _ahead += behind;
                _last = (_last.Shown + behind, _last.Counted);
            }
        }
    }
}
