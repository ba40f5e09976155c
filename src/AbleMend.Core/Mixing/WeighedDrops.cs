using AbleMend.Core.Limits;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Mixing;

/// <summary>A dropper whose drops of catalyst were counted onto a scale.</summary>
/// <param name="Drops">How many were counted.</param>
/// <param name="Grams">What they weighed together.</param>
/// <param name="StepG">Smallest step of that scale.</param>
public sealed record WeighedDrops([property: Limits(5, WeighedDrops.MostDrops)] int Drops, [property: Limits(0.02, 50, "g")] double Grams, [property: Limits(0.0001, 1, "g")] double StepG = 0.01)
{
    /// <summary>How much drops of one dropper vary that is held alike, as a standard deviation over their mean, in percent. From memory: half of what drops of any dropper do.</summary>
    public const double SpreadPercent = 10;

    /// <summary>More are not counted in one go.</summary>
    public const int MostDrops = 200;

    /// <summary>The lightest and the heaviest drop of any dropper, in grams. From memory.</summary>
    private const double LeastG = 0.004, MostG = 0.2;

    /// <summary>A drop that is known less well than this is hardly known better than the usual one. From memory.</summary>
    private const double MostPercent = 5;

    /// <value>Mass of one drop in grams.</value>
    public double DropG => Grams / Drops;

    /// <value>How far that is off at most, nineteen times out of twenty, in percent: the drops vary, and the scale was read twice, each time to half a step.</value>
    public double BandPercent => 1.96 * Math.Sqrt((SpreadPercent * SpreadPercent / Drops) + (2 * Math.Pow(100 * StepG / Grams, 2) / 12));

    /// <summary>What speaks against it; null where nothing does.</summary>
    /// <param name="field">Where it stands in what was sent.</param>
    public Problem? Fault(string field) =>
        // What is out of its limits is told by those.
        Drops is < 5 or > MostDrops || Grams is not (> 0 and <= 50) || StepG is not (> 0 and <= 1) ? null
        : DropG is < LeastG or > MostG ? new Problem("no-drop", $"{field}.grams", "No dropper makes drops that weigh so little, or so much.", "Count them again, onto a pan that showed nothing before.")
        : BandPercent > MostPercent ? new Problem("too-few-drops", $"{field}.drops", $"So a drop is known to {Percent(Math.Ceiling(BandPercent))} only.", Enough is { } count ? (Message)$"Count {count} drops, or use a finer scale." : "Use a finer scale.")
        : null;

    /// <summary>How many drops of that mass would do on this scale; null where more would than can be counted.</summary>
    private int? Enough => Enumerable.Range(Drops, MostDrops - Drops + 1).Select(count => (int?)count).FirstOrDefault(count => new WeighedDrops(count!.Value, count.Value * DropG, StepG).BandPercent <= MostPercent);
}
