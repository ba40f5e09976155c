namespace AbleMend.Core.Limits;

/// <summary>The least and the most that a number may be, both included. It stands on the field once, and feeds checks, schemas, the page and the documents.</summary>
/// <param name="least">Least.</param>
/// <param name="most">Most.</param>
/// <param name="unit">Symbol of the unit.</param>
[AttributeUsage(AttributeTargets.Property)]
public sealed class LimitsAttribute(double least, double most, string unit = "") : Attribute
{
    /// <value>Least.</value>
    public double Least { get; } = least;

    /// <value>Most.</value>
    public double Most { get; } = most;

    /// <value>Symbol of the unit; empty for a plain number.</value>
    public string Unit { get; } = unit;
}

/// <summary>How many characters a text, or how many entries a list, may have, both ends included.</summary>
/// <param name="least">Fewest.</param>
/// <param name="most">Most.</param>
[AttributeUsage(AttributeTargets.Property)]
public sealed class SizeAttribute(int least, int most) : Attribute
{
    /// <value>Fewest.</value>
    public int Least { get; } = least;

    /// <value>Most.</value>
    public int Most { get; } = most;

    /// <value>Whether a text may have several lines.</value>
    public bool Lines { get; init; }
}
