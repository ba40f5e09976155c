using AbleMend.Core.Limits;

namespace AbleMend.Core.Worth;

/// <summary>What a new one costs, and how long things serve.</summary>
/// <param name="Price">Money for a new one, all in, above 0.</param>
/// <param name="ServesMonths">How long a new one serves, in months.</param>
/// <param name="LeftMonths">How long the old one would still serve once it is mended, in months.</param>
public sealed record Replacement(
    [property: Limits(0.01, 1_000_000)] double Price, [property: Limits(1, 600, "months")] double ServesMonths, [property: Limits(1, 600, "months")] double LeftMonths);

/// <summary>
/// Mend or replace, as a suggestion. The months that are left are bought either way: by the mend, and by a part of a new one where the
/// mend fails before they are over; or by that part of a new one which those months use up.
/// </summary>
/// <param name="Mend">Whether mending is the cheaper way.</param>
/// <param name="MendCost">Money for the months that are left, by mending: the mend, and the risk.</param>
/// <param name="RiskCost">Of that, the risk: what a failure would cost, by how likely it is.</param>
/// <param name="ReplaceCost">Money for the same months by a new one.</param>
/// <param name="FailShare">How many of such mends fail before those months are over, 0 to 1.</param>
/// <param name="WorthUpTo">The most that a mend may cost before a new one is cheaper; 0 where no mend is.</param>
/// <param name="Seen">What the shop has seen of such mends, which that share goes by; none where it is from memory.</param>
public sealed record MendOrReplace(bool Mend, double MendCost, double RiskCost, double ReplaceCost, double FailShare, double WorthUpTo, SeenOf Seen)
{
    private const double MonthsAYear = 12;

    /// <summary>Weighs a mend against a new one. A failure comes, on average, half way through what is left.</summary>
    /// <param name="total">Money for the mend, 0 or more.</param>
    /// <param name="rate">How often such a mend fails.</param>
    /// <param name="replacement">What a new one costs, and how long things serve.</param>
    public static MendOrReplace Of(double total, FailRate rate, Replacement replacement)
    {
        var aMonth = replacement.Price / replacement.ServesMonths;
        var fails = rate.Share(replacement.LeftMonths / MonthsAYear);
        var risk = Bill.Cents(fails * aMonth * replacement.LeftMonths / 2);
        var replace = Bill.Cents(aMonth * replacement.LeftMonths);
        return new MendOrReplace(total + risk <= replace, Bill.Cents(total + risk), risk, replace, fails, Bill.Cents(Math.Max(0, replace - risk)), rate.Seen);
    }
}
