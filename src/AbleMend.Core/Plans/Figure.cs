namespace AbleMend.Core.Plans;

/// <summary>What a figure was before it was set by hand, and why it was.</summary>
/// <param name="Computed">The computed value, in the figure's unit.</param>
/// <param name="Reason">The technician's reason.</param>
public sealed record SetByHand(double Computed, string Reason);

/// <summary>A number of the plan that can be opened to its reason.</summary>
/// <param name="Id">Identifier, such as <c>glass.batch</c>.</param>
/// <param name="Label">What it is.</param>
/// <param name="Value">Value in <paramref name="Unit"/>, as it is used.</param>
/// <param name="Unit">Unit symbol.</param>
/// <param name="Decimals">Digits after the point to show.</param>
/// <param name="Derivation">Why.</param>
/// <param name="SetByHand">Set when the technician overrode it.</param>
public sealed record Figure(
    string Id, string Label, double Value, string Unit, int Decimals, Derivation Derivation, SetByHand? SetByHand);

/// <summary>Collects the figures of a plan as methods work them out, putting the technician's overrides in their place.</summary>
/// <param name="overrides">Overrides of the case.</param>
/// <param name="timingOnly">Whether only the waits are wanted, as for ranking: costly figures that no wait hangs on may be left out.</param>
public sealed class FigureSheet(IReadOnlyList<Override> overrides, bool timingOnly = false)
{
    /// <value>Whether only the waits are wanted.</value>
    public bool TimingOnly { get; } = timingOnly;

    private readonly List<Figure> _figures = [];

    /// <value>All figures so far, in the order in which they were worked out.</value>
    public IReadOnlyList<Figure> Figures => _figures;

    /// <summary>Puts down a figure and returns the value to go on with: the override's, or the computed one.</summary>
    public double Put(string id, string label, Worked worked, int decimals = 0)
    {
        var hand = overrides.LastOrDefault(each => each.Figure == id);
        var value = hand?.Value ?? worked.Value;
        var set = hand is null ? null : new SetByHand(worked.Value, hand.Reason);
        _figures.Add(new Figure(id, label, value, worked.Unit, decimals, worked.Derivation, set));
        return value;
    }
}
