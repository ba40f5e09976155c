using System.Globalization;
using AbleMend.Core.Instruments;

namespace AbleMend.Devices;

/// <summary>Something that a simulated instrument can be told.</summary>
/// <param name="Word">The word for it.</param>
/// <param name="Least">Least number that goes with it.</param>
/// <param name="Most">Greatest number.</param>
/// <param name="Do">Does it.</param>
internal sealed record Deed(string Word, double Least, double Most, Action<double> Do)
{
    /// <summary>Something that is told without a number.</summary>
    public static Deed Bare(string word, Action act) => new(word, double.NaN, double.NaN, _ => act());

    /// <value>Whether a number goes with it.</value>
    public bool TakesNumber => !double.IsNaN(Most);

    /// <value>How it is told.</value>
    public string Example => TakesNumber ? string.Create(CultureInfo.InvariantCulture, $"'{Word}' with {Least} to {Most}") : $"'{Word}'";
}

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

    /// <summary>Takes a line of a label; only a printer does.</summary>
    /// <param name="line">The line, as the bench says it.</param>
    /// <returns>Whether it is one.</returns>
    public virtual bool TryPrint(string line) => false;

    /// <value>What it can be told.</value>
    public abstract IReadOnlyList<Deed> Does { get; }

    /// <summary>Does what it is told.</summary>
    /// <param name="words">A word and, for most, a number, such as <c>pour 20</c>.</param>
    /// <returns>Whether it knows how.</returns>
    public bool TryDo(string words)
    {
        if (Found(words) is not var (deed, number))
        {
            return false;
        }

        deed.Do(number);
        return true;
    }

    /// <summary>Whether it knows how to do something, without doing it.</summary>
    public bool Knows(string words) => Found(words) is not null;

    private (Deed Deed, double Number)? Found(string words)
    {
        var parts = words.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var number = 0.0;
        return parts.Length is 1 or 2 && Does.FirstOrDefault(each => each.Word == parts[0]) is { } deed && deed.TakesNumber == (parts.Length == 2)
            && (parts.Length == 1 || (double.TryParse(parts[1], NumberStyles.Float, CultureInfo.InvariantCulture, out number) && number >= deed.Least && number <= deed.Most))
            ? (deed, number) : null;
    }

    /// <summary>A value as its display shows it.</summary>
    protected static double Shown(double value, double step) => Math.Round(Math.Round(value / step) * step, 6) + 0.0;
}
