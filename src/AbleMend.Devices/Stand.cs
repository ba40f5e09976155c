using System.Globalization;
using System.Runtime.CompilerServices;
using AbleMend.Core.Instruments;

namespace AbleMend.Devices;

/// <summary>A simulated instrument at work: time goes by in it, it reads at its rate, and does what it is told.</summary>
/// <param name="simulated">The instrument.</param>
/// <param name="clock">The clock that it lives by.</param>
/// <param name="log">What it does not know how to do.</param>
internal sealed class Stand(Simulated simulated, TimeProvider clock, TextWriter log)
{
    private readonly Lock _gate = new();
    private long _passed = clock.GetTimestamp();

    /// <summary>Its readings, as they come.</summary>
    public async IAsyncEnumerable<Reading> ReadAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        using var timer = new PeriodicTimer(TimeSpan.FromSeconds(1 / simulated.RatePerS), clock);
        do
        {
            foreach (var reading in Now())
            {
                yield return reading;
            }
        }
        while (await timer.WaitForNextTickAsync(cancel));
    }

    /// <summary>Does what a line asks for.</summary>
    /// <returns>For how long the cable is pulled; null for not at all.</returns>
    public TimeSpan? Heard(string line)
    {
        lock (_gate)
        {
            if (line == "tare")
            {
                simulated.Tare();
            }
            else if (line.Split(' ') is ["do", "unplug", var seconds] && double.TryParse(seconds, NumberStyles.Float, CultureInfo.InvariantCulture, out var away) && away is > 0 and < 3600)
            {
                return TimeSpan.FromSeconds(away);
            }
            else if (simulated.TryPrint(line))
            {
                return null;
            }
            else if (line.StartsWith("do ", StringComparison.Ordinal) && !simulated.TryDo(line[3..]))
            {
                log.WriteLine($"{simulated.Instrument.Id} does not know how to '{line[3..]}'.");
            }
        }

        return null;
    }

    private IReadOnlyList<Reading> Now()
    {
        lock (_gate)
        {
            simulated.Pass(Math.Max(1e-6, clock.GetElapsedTime(_passed).TotalSeconds));
            _passed = clock.GetTimestamp();
            return [.. simulated.Read()];
        }
    }
}
