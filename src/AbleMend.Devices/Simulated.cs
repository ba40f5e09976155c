using System.Globalization;
using AbleMend.Core.Instruments;

namespace AbleMend.Devices;

/// <summary>A stand-in for an instrument: it lives in a time of its own, reads, and can be told what to show.</summary>
internal abstract class Simulated
{
    /// <value>What it says it is.</value>
    public abstract Instrument Instrument { get; }

    /// <value>Readings a second.</value>
    public virtual double RatePerS => 1;

    /// <summary>Lets time go by.</summary>
    /// <param name="seconds">How much, above 0.</param>
    public abstract void Pass(double seconds);

    /// <summary>What it reads now.</summary>
    public abstract IEnumerable<Reading> Read();

    /// <summary>Shows nothing for what stands on it.</summary>
    public virtual void Tare()
    {
    }

    /// <summary>Does what it is told.</summary>
    /// <param name="words">A word and a number, such as <c>pour 20</c>.</param>
    /// <returns>Whether it knows how.</returns>
    public bool TryDo(string words)
    {
        var parts = words.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        if (parts.Length is 0 or > 2 || (parts.Length == 2 && !double.TryParse(parts[1], NumberStyles.Float, CultureInfo.InvariantCulture, out _)))
        {
            return false;
        }

        return TryDo(parts[0], parts.Length == 2 ? double.Parse(parts[1], NumberStyles.Float, CultureInfo.InvariantCulture) : null);
    }

    /// <summary>Does what it is told.</summary>
    protected abstract bool TryDo(string word, double? number);

    /// <summary>A value as its display shows it.</summary>
    protected static double Shown(double value, double step) => Math.Round(Math.Round(value / step) * step, 6) + 0.0;
}
