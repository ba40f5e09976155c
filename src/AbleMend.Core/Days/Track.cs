using System.Numerics;

namespace AbleMend.Core.Days;

/// <summary>
/// How much of something there is only so much of is taken, slot for slot: a pair of hands, clamps, places, or a thing in the air that
/// something else must not meet. Where it is all taken a bit is set, so that a search leaps over whole stretches.
/// </summary>
internal sealed class Track
{
    private readonly byte[] _taken;
    private readonly ulong[] _full;
    private readonly int _capacity;

    public Track(int slots, int capacity)
    {
        _taken = new byte[slots];
        _full = new ulong[(slots + 63) / 64];
        _capacity = capacity;
        if (capacity == 0)
        {
            Array.Fill(_full, ulong.MaxValue);
        }
    }

    /// <summary>Takes an amount from one slot up to another, or gives it back where it is below 0.</summary>
    public void Take(int from, int to, int amount)
    {
        to = Math.Min(to, _taken.Length);
        for (var start = from; start < to;)
        {
            var word = start >> 6;
            var end = Math.Min(to, (word + 1) << 6);
            ulong full = 0;
            var taken = _taken.AsSpan(start, end - start);
            for (var i = 0; i < taken.Length; i++)
            {
                var now = taken[i] + amount;
                taken[i] = (byte)now;
                full |= (now >= _capacity ? 1UL : 0UL) << i;
            }

            var mask = (ulong.MaxValue >> (64 - taken.Length)) << (start & 63);
            _full[word] = (_full[word] & ~mask) | (full << (start & 63));
            start = end;
        }
    }

    /// <summary>The last slot of a stretch in which an amount is not to be had, or -1.</summary>
    public int LastShort(int from, int to, int amount)
    {
        to = Math.Min(to, _taken.Length);
        if (amount == 1)
        {
            return LastFull(from, to);
        }

        for (var slot = to - 1; slot >= from; slot--)
        {
            if (_taken[slot] + amount > _capacity)
            {
                return slot;
            }
        }

        return -1;
    }

    /// <summary>The first start from a slot on at which a whole stretch is free, or -1.</summary>
    public int FirstFree(int from, int length)
    {
        for (var slot = from; ;)
        {
            slot = NextNotFull(slot);
            if (slot < 0 || slot + length > _taken.Length)
            {
                return -1;
            }

            var last = LastFull(slot, slot + length);
            if (last < 0)
            {
                return slot;
            }

            slot = last + 1;
        }
    }

    private int LastFull(int from, int to)
    {
        if (from >= to)
        {
            return -1;
        }

        var (first, word) = (from >> 6, (to - 1) >> 6);
        var bits = _full[word] & (ulong.MaxValue >> (63 - ((to - 1) & 63)));
        for (; ; bits = _full[word])
        {
            if (word == first)
            {
                bits &= ulong.MaxValue << (from & 63);
            }

            if (bits != 0)
            {
                return (word << 6) + 63 - BitOperations.LeadingZeroCount(bits);
            }

            if (word-- == first)
            {
                return -1;
            }
        }
    }

    private int NextNotFull(int from)
    {
        if (from >= _taken.Length)
        {
            return -1;
        }

        var word = from >> 6;
        var free = ~_full[word] & (ulong.MaxValue << (from & 63));
        while (free == 0)
        {
            if (++word == _full.Length)
            {
                return -1;
            }

            free = ~_full[word];
        }

        return (word << 6) + BitOperations.TrailingZeroCount(free);
    }
}
