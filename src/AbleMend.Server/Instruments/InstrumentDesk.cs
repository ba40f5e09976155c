using System.Runtime.CompilerServices;
using AbleMend.Core;
using AbleMend.Core.Instruments;

namespace AbleMend.Server.Instruments;

/// <summary>The instruments that are attached, or were, with what they read last. Nothing of it is stored: what counts is kept with the mend.</summary>
/// <param name="time">The shop's clock.</param>
/// <param name="life">Says when the shop stops.</param>
public sealed class InstrumentDesk(TimeProvider time, IHostApplicationLifetime life)
{
    /// <summary>Most instruments that are known at once.</summary>
    public const int Most = 32;

    /// <summary>Most screens that are told at once.</summary>
    public const int MostScreens = 64;

    /// <summary>A screen is told no more often than this: ten readings a second of eight instruments are still ten messages.</summary>
    private static readonly TimeSpan Between = TimeSpan.FromMilliseconds(60);

    /// <summary>A screen hears something at least this often, so that a connection that broke is noticed.</summary>
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(10);

    private readonly Lock _gate = new();
    private readonly Dictionary<string, Attached> _known = [];
    private TaskCompletionSource _changed = NewSignal();
    private IReadOnlyDictionary<string, int> _laidAt = new Dictionary<string, int>();
    private int _screens;

    /// <summary>An instrument has said what it is. One of the same name that is still attached is put off: its cable was pulled and put back.</summary>
    /// <param name="instrument">What it is.</param>
    /// <param name="link">Says a line to it.</param>
    /// <returns>Whether there was room for it.</returns>
    public bool TryAttach(Instrument instrument, IInstrumentLink link)
    {
        lock (_gate)
        {
            if (!_known.TryGetValue(instrument.Id, out var before) && _known.Count >= Most)
            {
                if (_known.Values.FirstOrDefault(each => each.Link is null) is not { } gone)
                {
                    return false;
                }

                _known.Remove(gone.Instrument.Id);
            }

            if (before?.Link is { } old && old != link)
            {
                old.PutOff();
            }

            _known[instrument.Id] = new Attached(instrument, link, instrument.Measures.ToDictionary(each => each.What, each => new ReadingView(each.What, Measurable.All[each.What].Unit, each.Step, null, false, null)), null);
            Changed();
            return true;
        }
    }

    /// <summary>An instrument has read something.</summary>
    /// <returns>Whether it said that it measures that.</returns>
    public bool Reads(IInstrumentLink link, string id, Reading reading)
    {
        lock (_gate)
        {
            if (!_known.TryGetValue(id, out var known) || known.Link != link || !known.Readings.TryGetValue(reading.What, out var before))
            {
                return false;
            }

            known.Readings[reading.What] = before with { Value = reading.Value, IsStill = reading.IsStill, At = time.GetUtcNow() };
            Changed();
            return true;
        }
    }

    /// <summary>An instrument has gone, or its cable has.</summary>
    public void Leaves(IInstrumentLink link, string id)
    {
        lock (_gate)
        {
            if (_known.TryGetValue(id, out var known) && known.Link == link)
            {
                _known[id] = known with { Link = null, LeftAt = time.GetUtcNow() };
                Changed();
            }
        }
    }

    /// <summary>Says a line to an instrument.</summary>
    /// <returns>Null when it is not attached; else what is wrong with that, or nothing.</returns>
    public IReadOnlyList<Problem>? Tell(string id, string line, bool onlySimulated)
    {
        lock (_gate)
        {
            return !_known.TryGetValue(id, out var known) ? null
                : known.Link is not { } link ? [new Problem("not-attached", "id", $"{known.Instrument.Name:as-is} is not attached.", "Check its cable.")]
                : onlySimulated && !known.Instrument.IsSimulated ? [new Problem("not-simulated", "id", $"{known.Instrument.Name:as-is} is a real instrument: nobody tells it what to show.", "Leave it.")]
                : link.Say(line) ? []
                : [new Problem("not-listening", "id", $"{known.Instrument.Name:as-is} does not listen.", "Do it at the instrument.")];
        }
    }

    /// <summary>Says a label to a printer. What is left on its roll is counted here as well, until the printer says it: the next label may come sooner.</summary>
    /// <returns>Null when it is not known; else what is wrong with that, or nothing.</returns>
    public IReadOnlyList<Problem>? Print(string id, LabelToPrint label)
    {
        lock (_gate)
        {
            if (!_known.TryGetValue(id, out var known))
            {
                return null;
            }

            IReadOnlyList<Problem> problems = !known.Readings.TryGetValue(Measurand.Labels, out var left) ? [new Problem("no-printer", "id", $"{known.Instrument.Name:as-is} prints nothing.", "Pick a label printer.")]
                : known.Link is not { } link ? [new Problem("not-attached", "id", $"{known.Instrument.Name:as-is} is not attached.", "Check its cable.")]
                : left.Value == 0 ? [new Problem("no-labels", "id", $"The roll of {known.Instrument.Name:as-is} is empty.", "Put a new roll in.")]
                : label.Said().All(link.Say) ? []
                : [new Problem("not-listening", "id", $"{known.Instrument.Name:as-is} does not listen.", "Print it here instead.")];
            if (problems.Count == 0)
            {
                known.Readings[Measurand.Labels] = left! with { Value = left.Value - 1 };
                Changed();
            }

            return problems;
        }
    }

    /// <summary>What the instruments that are attached read of something; the first of them counts. Null where none reads it.</summary>
    public ReadingView? Newest(Measurand what)
    {
        lock (_gate)
        {
            return _known.Values.Where(each => each.Link is not null).OrderBy(each => each.Instrument.Id, StringComparer.Ordinal)
                .Select(each => each.Readings.GetValueOrDefault(what)).FirstOrDefault(reading => reading is { Value: not null });
        }
    }

    /// <summary>As it is now.</summary>
    public InstrumentsView Now()
    {
        lock (_gate)
        {
            return new InstrumentsView(
                time.GetUtcNow(),
                [.. _known.Values.OrderBy(each => each.Instrument.Id, StringComparer.Ordinal)
                    .Select(each => new InstrumentView(each.Instrument.Id, each.Instrument.Name, each.Link is not null, each.Instrument.IsSimulated, [.. each.Readings.Values], each.LeftAt))],
                SweatingAt(null),
                [.. _laidAt.Values.Distinct().Order().Select(mend => SweatingAt(mend) is { } sweating ? new ItemSweating(mend, sweating) : null).OfType<ItemSweating>()]);
        }
    }

    /// <summary>At which mends probes lie: what they read of a surface is that item's, and no other's.</summary>
    /// <param name="mends">Numbers of the mends by the identifiers of the instruments.</param>
    public void Lies(IReadOnlyDictionary<string, int> mends)
    {
        lock (_gate)
        {
            if (mends.Count != _laidAt.Count || mends.Except(_laidAt).Any())
            {
                _laidAt = mends;
                Changed();
            }
        }
    }

    /// <summary>What the air does to an item, by the probe that lies on it; of none, by those that lie on none.</summary>
    private Sweating? SweatingAt(int? mend) =>
        Sweating.Of(what => _known.Values
            .Where(each => each.Link is not null && (what != Measurand.SurfaceTemperature || (_laidAt.TryGetValue(each.Instrument.Id, out var at) ? at == mend : mend is null)))
            .OrderBy(each => each.Instrument.Id, StringComparer.Ordinal).SelectMany(each => each.Readings.Values).FirstOrDefault(reading => reading.What == what && reading.Value is not null)?.Value);

    /// <summary>Whether another screen can be told.</summary>
    public bool HasRoom => Volatile.Read(ref _screens) < MostScreens;

    /// <summary>As it is now, and again whenever that changes.</summary>
    public async IAsyncEnumerable<InstrumentsView> WatchAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        // A shop that stops does not wait for its screens, which would stay for ever.
        using var end = CancellationTokenSource.CreateLinkedTokenSource(cancel, life.ApplicationStopping);
        Interlocked.Increment(ref _screens);
        try
        {
            while (!end.IsCancellationRequested)
            {
                Task changed;
                lock (_gate)
                {
                    changed = _changed.Task;
                }

                yield return Now();
                await Task.Delay(Between, end.Token).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
                await changed.WaitAsync(Longest, end.Token).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            }
        }
        finally
        {
            Interlocked.Decrement(ref _screens);
        }
    }

    private void Changed()
    {
        _changed.TrySetResult();
        _changed = NewSignal();
    }

    private static TaskCompletionSource NewSignal() => new(TaskCreationOptions.RunContinuationsAsynchronously);

    private sealed record Attached(Instrument Instrument, IInstrumentLink? Link, Dictionary<Measurand, ReadingView> Readings, DateTimeOffset? LeftAt);
}

/// <summary>The line to an instrument.</summary>
public interface IInstrumentLink
{
    /// <summary>Says something to it.</summary>
    /// <returns>Whether it still listens.</returns>
    bool Say(string line);

    /// <summary>Another of its name has taken its place.</summary>
    void PutOff();
}
