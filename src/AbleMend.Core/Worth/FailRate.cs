using AbleMend.Core.Catalogue;

namespace AbleMend.Core.Worth;

/// <summary>What a shop has seen of a way of mending, after it was handed back.</summary>
/// <param name="Mends">How many were looked at again.</param>
/// <param name="Failed">How many of them had failed.</param>
/// <param name="Years">How long they have held together, in years: each until it failed or was last looked at.</param>
public sealed record SeenOf(int Mends, int Failed, double Years);

/// <summary>
/// How often a way of mending fails: what is generally found, corrected by what this shop has seen. Failures come as a Poisson process over the
/// years in use; with a gamma prior the rate is (a + failures) ÷ (b + years) (conjugate pair, Gelman et al., Bayesian Data Analysis, chapter 2).
/// </summary>
/// <param name="PerYear">Rate in failures a year of use.</param>
/// <param name="Seen">What the shop has seen; nothing of it where all is from memory.</param>
public sealed record FailRate(double PerYear, SeenOf Seen)
{
    /// <summary>Of mends that are meant to hold for good, so many fail in a year. From memory; a shop's own log says it better.</summary>
    public const double LastingFailAYear = 0.03;

    /// <summary>Of mends for now, so many fail in a year. From memory; a shop's own log says it better.</summary>
    public const double ForNowFailAYear = 0.4;

    /// <summary>How many failures that general experience counts for: a shop that has seen as many goes half by its own. From memory.</summary>
    public const double WorthFailures = 1;

    /// <summary>The rate of a way of mending.</summary>
    /// <param name="permanence">How long it is meant to hold.</param>
    /// <param name="seen">What the shop has seen of it; null for nothing.</param>
    public static FailRate Of(Permanence permanence, SeenOf? seen = null)
    {
        var general = -Math.Log(1 - (permanence == Permanence.Lasting ? LastingFailAYear : ForNowFailAYear));
        var (failed, years) = (Guard.NotNegative(seen?.Failed ?? 0, nameof(seen)), Guard.NotNegative(seen?.Years ?? 0, nameof(seen)));
        return new FailRate((WorthFailures + failed) / ((WorthFailures / general) + years), seen ?? new SeenOf(0, 0, 0));
    }

    /// <summary>How many fail before some time is over, 0 to 1.</summary>
    /// <param name="years">Years of use, 0 or more.</param>
    public double Share(double years) => 1 - Math.Exp(-PerYear * Guard.NotNegative(years, nameof(years)));
}
