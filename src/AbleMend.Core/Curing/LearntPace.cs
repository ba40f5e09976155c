using AbleMend.Core.Figures;
using AbleMend.Core.Limits;

namespace AbleMend.Core.Curing;

/// <summary>
/// What touch said of one wait: at some minutes it was not there yet, at others it was. Minutes are those of the label's clock, so that cold
/// and warm are out of it already.
/// </summary>
/// <param name="LabelMin">Minutes that the label gives, above 0.</param>
/// <param name="NotYetMin">The latest look that found it not ready; null where there was none.</param>
/// <param name="ReadyMin">The earliest that found it ready; null where there was none.</param>
/// <param name="Looks">Looks that this was taken from, at least 1.</param>
public sealed record PaceLook(double LabelMin, double? NotYetMin, double? ReadyMin, int Looks = 1);

/// <summary>
/// How fast a product really sets at this shop, beside its label: learnt from what fingers found. A posterior of the logarithm of its pace,
/// told by its middle and its spread.
/// </summary>
/// <param name="Material">Identifier of the material.</param>
/// <param name="Rate">Its pace: 1 as its label says, 0.7 for slower.</param>
/// <param name="Spread">Standard deviation of the logarithm of the pace.</param>
/// <param name="Looks">Looks that it was learnt from.</param>
public sealed record LearntPace(
    [property: Size(1, 80)] string Material,
    [property: Limits(LearntPace.Slowest, LearntPace.Fastest)] double Rate,
    [property: Limits(0.001, 1)] double Spread,
    [property: Limits(1, 100000)] int Looks)
{
    /// <summary>The slowest pace that is looked for.</summary>
    public const double Slowest = 0.2;

    /// <summary>The fastest.</summary>
    public const double Fastest = 5;

    /// <summary>How far products lie from their labels before anybody has touched them, as a standard deviation of the logarithm: two in three within some 40 %. From memory.</summary>
    public const double UsualSpread = 0.35;

    /// <summary>How far a finger is off, as the scale of a logistic error of the logarithm of time: a tenth or so. From memory.</summary>
    public const double FingerScale = 0.055;

    /// <summary>The same as a standard deviation of the logarithm of time.</summary>
    public const double FingerDeviation = FingerScale * 1.8138;

    /// <summary>A pace that is known no better than this is told and not reckoned with: looks from one side only say "no sooner", or "no later".</summary>
    public const double KnownWithin = 0.16;

    /// <summary>A pace that lies closer to the label's is the label's.</summary>
    public const double WorthTelling = 0.05;

    /// <summary>Standard deviations on either side of nine looks in ten.</summary>
    private const double NinetyPercent = 1.645;

    private const double Step = 0.01;

    /// <summary>The rule that it follows.</summary>
    public static Source Source { get; } = Source.FromMemory("Bayes' rule over the logarithm of the pace: labels spread by a third, a finger by a tenth");

    /// <value>Lower end of its band at 90 %.</value>
    [System.Text.Json.Serialization.JsonIgnore]
    public double Least => Rate * Math.Exp(-NinetyPercent * Spread);

    /// <value>Upper end of its band at 90 %.</value>
    [System.Text.Json.Serialization.JsonIgnore]
    public double Most => Rate * Math.Exp(NinetyPercent * Spread);

    /// <value>Whether it is known well enough, and far enough from the label's, to be reckoned with.</value>
    [System.Text.Json.Serialization.JsonIgnore]
    public bool Counts => Spread <= KnownWithin && Math.Abs(Math.Log(Rate)) >= WorthTelling;

    /// <summary>Learns the pace of a product from looks at one lot of it; a new lot begins anew, from its label.</summary>
    /// <param name="material">Identifier of the material.</param>
    /// <param name="looks">Looks, one for each wait.</param>
    /// <returns>The pace; null where nobody has looked.</returns>
    public static LearntPace? From(string material, IReadOnlyList<PaceLook> looks)
    {
        if (looks.Count == 0)
        {
            return null;
        }

        // In one order, whoever asks: the same looks are the same pace to the last digit.
        var ordered = looks.OrderBy(look => look.LabelMin).ThenBy(look => look.NotYetMin).ThenBy(look => look.ReadyMin).ToList();
        var (weight, sum, squares) = (0.0, 0.0, 0.0);
        for (var log = Math.Log(Slowest); log <= Math.Log(Fastest); log += Step)
        {
            var here = Math.Exp(-0.5 * log * log / (UsualSpread * UsualSpread));
            foreach (var look in ordered)
            {
                here *= Likelihood(look, log);
            }

            (weight, sum, squares) = (weight + here, sum + (here * log), squares + (here * log * log));
        }

        var mean = sum / weight;
        var spread = Math.Sqrt(Math.Max(0, (squares / weight) - (mean * mean)));
        return new LearntPace(material, Math.Exp(mean), Math.Max(spread, 0.001), looks.Sum(look => look.Looks));
    }

    /// <summary>How likely a look is at a pace: it was ready between the one moment and the other.</summary>
    private static double Likelihood(PaceLook look, double logPace)
    {
        double ReadyBy(double minutes) => 1 / (1 + Math.Exp(-(Math.Log(minutes / look.LabelMin) + logPace) / FingerScale));
        // A finger may also be plainly wrong: one look in fifty says nothing.
        return 0.02 + (0.98 * Math.Max(0, (look.ReadyMin is { } ready ? ReadyBy(ready) : 1) - (look.NotYetMin is { } not ? ReadyBy(not) : 0)));
    }
}
