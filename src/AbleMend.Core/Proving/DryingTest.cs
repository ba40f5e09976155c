using System.Text.Json.Serialization;
using AbleMend.Core.Figures;

namespace AbleMend.Core.Proving;

/// <summary>One weighing of something that dries.</summary>
/// <param name="Hour">Hours since the first.</param>
/// <param name="Grams">What it weighs, in grams.</param>
/// <param name="StepG">Step of the scale in grams, above 0.</param>
public sealed record Weighing(double Hour, double Grams, double StepG);

/// <summary>What weighings say.</summary>
[JsonConverter(typeof(Kebab<DryingVerdict>))]
public enum DryingVerdict
{
    /// <summary>Too few weighings, or over too short a time.</summary>
    TooFew,

    /// <summary>It still loses water.</summary>
    NotYet,

    /// <summary>It is dry enough.</summary>
    Dry,
}

/// <summary>How far something has dried, with its band at 90 %.</summary>
/// <param name="Verdict">Dry, not yet, or too few weighings to tell.</param>
/// <param name="Given">Weighings given.</param>
/// <param name="WaterLeftG">Water that is still in it, in grams; null with too few weighings, as are all that follow.</param>
/// <param name="WaterLeastG">Lower end of its band.</param>
/// <param name="WaterMostG">Upper end.</param>
/// <param name="DryG">What it weighs dry, in grams.</param>
/// <param name="DryHour">Hours since the first weighing at which it is dry enough.</param>
/// <param name="EarliestHour">Lower end of its band.</param>
/// <param name="LatestHour">Upper end; null where that cannot be told yet.</param>
/// <param name="TauHours">Hours in which what is left falls to 37 %.</param>
public sealed record DryingResult(
    DryingVerdict Verdict, int Given, double? WaterLeftG = null, double? WaterLeastG = null, double? WaterMostG = null, double? DryG = null,
    double? DryHour = null, double? EarliestHour = null, double? LatestHour = null, double? TauHours = null);

/// <summary>
/// Drying by weight: m(t) = m∞ + Δ·exp(−t/τ), fitted to the weighings by least squares; τ is looked for, m∞ and Δ follow from it. The band
/// is that of the profile likelihood: everything that fits the weighings nearly as well.
/// </summary>
public static class DryingTest
{
    /// <summary>The fewest weighings that say anything: three tell a curve, the fourth whether it is one.</summary>
    public const int FewestWeighings = 4;

    /// <summary>What may still be lost in the next day, in grams: two daily weights then agree.</summary>
    public static readonly double DailyG = ProofTest.All["dry-weight"].Limit!.Value;

    /// <summary>What may still be in it, in grams, however slowly it leaves. From memory: a coin's size of damp foam.</summary>
    public const double MostLeftG = 15;

    /// <summary>How well the same item weighs the same twice, in grams, besides the step of the scale: hung, wiped, in a draught. From memory.</summary>
    public const double RepeatsWithinG = 1;

    /// <summary>Two-sided 90 % point of the normal distribution, textbook table.</summary>
    private const double Normal = 1.645;

    /// <summary>Two-sided 90 % points of Student's t for 1 to 10 degrees of freedom, then the normal's; textbook table.</summary>
    private static readonly double[] Student = [6.314, 2.920, 2.353, 2.132, 2.015, 1.943, 1.895, 1.860, 1.833, 1.812];

    /// <summary>Between these is looked, in hours: drained, and in warm moving air, nothing that is mended dries more slowly. From memory.</summary>
    private const double ShortestTauHours = 1, LongestTauHours = 24 * 10;

    private const double FurthestErrors = 4;

    /// <summary>The citation.</summary>
    public static Source Source { get; } = Source.Published("First-order drying; profile likelihood, textbook; resolution of a scale as step/√12, JCGM 100:2008 (GUM) F.2.2.1");

    /// <summary>Judges weighings.</summary>
    /// <param name="weighings">Weighings in order of time.</param>
    public static DryingResult Judge(IReadOnlyList<Weighing> weighings)
    {
        if (weighings.Count < FewestWeighings || weighings[^1].Hour - weighings[0].Hour < 2)
        {
            return new DryingResult(DryingVerdict.TooFew, weighings.Count);
        }

        var fits = Fits(weighings);
        var best = fits.MinBy(fit => fit.ChiSquare)!;
        // How well a hand weighs the same twice is only guessed: where they scatter more, the scatter is the measure.
        var freedom = weighings.Count - 3;
        var point = freedom <= Student.Length ? Student[freedom - 1] : Normal;
        var reach = Math.Max(1, best.ChiSquare / freedom) * point * point;
        var near = fits.Where(fit => fit.ChiSquare <= best.ChiSquare + reach).ToList();
        var now = weighings[^1].Hour;
        // What a scale rounds away it rounds away every time: that is no scatter.
        var hidden = weighings.Max(each => each.StepG) / 2;
        var (least, most) = (near.Min(fit => fit.LeftAt(now)), near.Max(fit => fit.LeftAt(now)) + hidden);
        var dry = most <= MostLeftG && near.All(fit => fit.DryHour <= now);
        return new DryingResult(
            dry ? DryingVerdict.Dry : DryingVerdict.NotYet, weighings.Count, best.LeftAt(now), Math.Max(0, least), most, best.DryG,
            Math.Max(0, best.DryHour), Math.Max(0, near.Min(fit => fit.DryHour)), near.Any(fit => fit.TauHours >= LongestTauHours * 0.98 && fit.AboveG > 0) && !dry ? null : near.Max(fit => fit.DryHour), best.TauHours);
    }

    /// <summary>A curve through the weighings.</summary>
    private sealed record Fit(double TauHours, double DryG, double AboveG, double ChiSquare)
    {
        public double LeftAt(double hour) => AboveG * Math.Exp(-hour / TauHours);

        /// <value>From when on it loses no more than is allowed in a day, and holds no more.</value>
        public double DryHour { get; } = AboveG <= 0 ? 0 : TauHours * Math.Log(AboveG / Math.Min(MostLeftG, DailyG / (1 - Math.Exp(-24 / TauHours))));
    }

    /// <summary>Every curve that may fit: over all τ, and closely about the best, for good weighings leave little room.</summary>
    private static IReadOnlyList<Fit> Fits(IReadOnlyList<Weighing> weighings)
    {
        var coarse = Fits(weighings, ShortestTauHours, LongestTauHours, 1.03);
        var best = coarse.MinBy(fit => fit.ChiSquare)!.TauHours;
        return [.. coarse, .. Fits(weighings, Math.Max(ShortestTauHours, best / 1.2), Math.Min(LongestTauHours, best * 1.2), 1.001)];
    }

    /// <summary>For every τ of a grid the dry weights that fit, and what lies above each.</summary>
    private static List<Fit> Fits(IReadOnlyList<Weighing> weighings, double from, double to, double ratio)
    {
        var weights = weighings.Select(each => 1 / ((each.StepG * each.StepG / 12) + (RepeatsWithinG * RepeatsWithinG))).ToList();
        var fits = new List<Fit>();
        for (var tau = from; tau <= to; tau *= ratio)
        {
            var curve = weighings.Select(each => Math.Exp(-each.Hour / tau)).ToList();
            double sum = weights.Sum(), meanX = Mean(curve, weights, sum), meanY = Mean([.. weighings.Select(each => each.Grams)], weights, sum);
            var spread = curve.Select((x, i) => weights[i] * (x - meanX) * (x - meanX)).Sum();
            if (spread < 1e-12)
            {
                continue;
            }

            var unbound = curve.Select((x, i) => weights[i] * (x - meanX) * (weighings[i].Grams - meanY)).Sum() / spread;
            var least = curve.Select((x, i) => weights[i] * Math.Pow(weighings[i].Grams - meanY - (unbound * (x - meanX)), 2)).Sum();
            var error = 1 / Math.Sqrt(spread);
            // It never takes water up: a curve that rises is one that lies flat. What lies above is not known exactly either: as many of its own
            // errors to both sides as the widest band reaches. The sum of squares of a straight line grows with the square of what it is off by.
            for (var step = -FurthestErrors; step <= FurthestErrors; step += 0.5)
            {
                var above = Math.Max(0, Math.Max(0, unbound) + (step * error));
                fits.Add(new Fit(tau, meanY - (above * meanX), above, least + Math.Pow((above - unbound) / error, 2)));
            }
        }

        return fits;
    }

    private static double Mean(IReadOnlyList<double> values, IReadOnlyList<double> weights, double sum) => values.Select((value, i) => value * weights[i]).Sum() / sum;
}
