using AbleMend.Core.Words;

namespace AbleMend.Core.Proving;

/// <summary>What a test is done with, and how long it lasts.</summary>
/// <param name="Needs">What is fetched for it; null for bare hands.</param>
/// <param name="Readings">The two readings whose difference decides it; null where nothing is compared.</param>
/// <param name="ForMin">Minutes that it lasts, once it has begun; null where it is over at once.</param>
/// <param name="Begins">What has been done when those minutes begin.</param>
/// <param name="Ends">What is done when they are over.</param>
public sealed record ProofTool([property: Words] string? Needs = null, TwoReadings? Readings = null, double? ForMin = null, [property: Words] string? Begins = null, [property: Words] string? Ends = null);

/// <summary>Two readings of one instrument, in the unit of their test.</summary>
/// <param name="First">What is read first.</param>
/// <param name="Then">What is read then.</param>
/// <param name="Least">Least that is believed.</param>
/// <param name="Most">Most that is believed.</param>
/// <param name="HoursApart">How many hours lie between them at least; null where one may follow the other.</param>
public sealed record TwoReadings([property: Words] string First, [property: Words] string Then, double Least, double Most, double? HoursApart = null)
{
    /// <summary>
    /// How far the difference of two readings may be off, nineteen times out of twenty: each was rounded to half a step of its instrument,
    /// so that their difference lies in a triangle of one step either way, and |error| ≤ s·(1 − √0.05) with a probability of 0.95 (JCGM 100:2008, 4.3.7 and 4.3.9).
    /// </summary>
    /// <param name="step">Smallest step of the instrument, above 0.</param>
    public static double OffBy(double step) => Guard.Positive(step, nameof(step)) * (1 - Math.Sqrt(0.05));
}
