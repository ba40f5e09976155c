using System.Text.Json.Serialization;

namespace AbleMend.Core.Mixing;

/// <summary>What goes into a cup.</summary>
[JsonConverter(typeof(Kebab<MixPart>))]
public enum MixPart
{
    /// <summary>Resin, part A, gel coat or the adhesive of a kit: all else goes by it.</summary>
    Resin,

    /// <summary>Hardener, part B or the curing agent of a kit: from its first gram the pot life runs.</summary>
    Hardener,

    /// <summary>Wax in styrene, so that the surface cures in air: before the catalyst.</summary>
    Wax,

    /// <summary>Peroxide in drops: from the first of them the pot life runs.</summary>
    Catalyst,

    /// <summary>Filler, stirred in last.</summary>
    Filler,
}

/// <summary>What was poured of one part at once.</summary>
/// <param name="Part">Which part.</param>
/// <param name="Amount">How much, in grams, or in mL where only volumes are known; below 0 where it was taken out again.</param>
/// <param name="At">When.</param>
/// <param name="Step">Smallest step of the scale that it was read from, in the same unit; null where it was measured as the plan says.</param>
public sealed record CupPour(MixPart Part, double Amount, DateTimeOffset At, double? Step = null);

/// <summary>A part as one cup is to get it.</summary>
/// <param name="Part">Which part.</param>
/// <param name="Planned">How much is planned, in grams, or in mL where only volumes are known; above 0.</param>
/// <param name="PlannedByHand">The same in what the hand measures it in: mL, drops, strokes.</param>
/// <param name="GPerMl">Its density; null where it takes no room of its own or is not known.</param>
/// <param name="LessPercent">How much less than its share still sets well, in percent.</param>
/// <param name="MorePercent">How much more.</param>
public sealed record PartOrder(MixPart Part, double Planned, double PlannedByHand, double? GPerMl, double LessPercent, double MorePercent)
{
    /// <value>Whether the mix begins to set with it.</value>
    public bool Sets => Part is MixPart.Hardener or MixPart.Catalyst;

    /// <summary>So many times as much of it, in the same ratio.</summary>
    public PartOrder Times(double scale) => this with { Planned = Planned * scale, PlannedByHand = PlannedByHand * scale };
}

/// <summary>A cup as it is to be filled.</summary>
/// <param name="Parts">In the order in which they go in; the resin is one of them.</param>
/// <param name="HoldsMl">What it holds in mL; null where nothing was said of it.</param>
/// <param name="WorkMin">Minutes that mixing and spreading it take.</param>
/// <param name="Heat">How it heats itself; null for what does not.</param>
/// <param name="Device">What the plan measures with.</param>
public sealed record CupOrder(IReadOnlyList<PartOrder> Parts, double? HoldsMl, double WorkMin, CupModel? Heat, MeasuringDevice Device);
