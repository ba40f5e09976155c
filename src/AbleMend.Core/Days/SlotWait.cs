namespace AbleMend.Core.Days;

/// <summary>When a wait that begins in a slot is over. It never is over sooner for having begun later.</summary>
public sealed class SlotWait
{
    private readonly int _after;
    private readonly int[]? _at;
    private readonly Func<int, int>? _work;

    private SlotWait(int after, int[]? at, Func<int, int>? work = null) => (_after, _at, _work) = (after, at, work);

    /// <value>No wait at all.</value>
    public static SlotWait AtOnce { get; } = After(0);

    /// <summary>A wait that always takes the same number of slots.</summary>
    /// <param name="slots">0 or more.</param>
    public static SlotWait After(int slots) => new(slots, null);

    /// <summary>A wait whose end depends on when it begins: warm days and cold nights.</summary>
    /// <param name="ends">The slot in which it ends, for each slot in which it may begin; <see cref="Never"/> for never.</param>
    public static SlotWait Table(int[] ends) => new(0, ends);

    /// <summary>The same, worked out slot for slot when it is first asked for.</summary>
    /// <param name="slots">How many slots are planned.</param>
    /// <param name="end">The slot in which a wait ends that begins in a slot.</param>
    public static SlotWait Worked(int slots, Func<int, int> end)
    {
        var at = new int[slots];
        Array.Fill(at, Unasked);
        return new SlotWait(0, at, end);
    }

    private const int Unasked = -1;

    /// <summary>A slot that is never reached.</summary>
    public const int Never = int.MaxValue;

    /// <summary>The slot in which it is over.</summary>
    /// <param name="slot">The slot in which it begins; past the last slot of a plan nothing is reached.</param>
    public int At(int slot) =>
        _at is null ? slot + _after
        : slot >= _at.Length ? Never
        : _at[slot] is var end && end != Unasked ? end
        : _at[slot] = _work!(slot);

    /// <summary>The first slot from one on at which it may begin so as not to be over before another; -1 where there is none.</summary>
    public int FirstNotBefore(int slot, int end)
    {
        if (_at is null)
        {
            return Math.Max(slot, end - _after);
        }

        var (low, high) = (slot, _at.Length);
        while (low < high)
        {
            var middle = (low + high) / 2;
            if (At(middle) >= end)
            {
                high = middle;
            }
            else
            {
                low = middle + 1;
            }
        }

        return low < _at.Length ? low : -1;
    }
}
