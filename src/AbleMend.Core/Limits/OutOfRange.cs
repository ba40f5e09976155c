using AbleMend.Core.Words;

namespace AbleMend.Core.Limits;

/// <summary>The one way in which a number out of its range is told: the number, the range, and to give one from it.</summary>
internal static class OutOfRange
{
    private const int Decimals = 3;

    /// <summary>Whether a value is inside its range, both ends included.</summary>
    public static bool Holds(double value, double low, double high) => double.IsFinite(value) && value >= low && value <= high;

    /// <summary>The problem, or null where the value is inside its range.</summary>
    /// <param name="value">What was given; null is inside every range.</param>
    /// <param name="low">Least.</param>
    /// <param name="high">Most.</param>
    /// <param name="field">Where.</param>
    /// <param name="unit">Symbol of its unit.</param>
    public static Problem? Of(double? value, double low, double high, string field, string unit)
    {
        if (value is not { } some || Holds(some, low, high))
        {
            return null;
        }

        var (least, most) = (new MeasureArgument(low, unit, Decimals), new MeasureArgument(high, unit, Decimals));
        return new Problem("out-of-range", field,
            double.IsFinite(some) ? (Message)$"{new MeasureArgument(some, unit, Decimals)} is outside {least} to {most}." : (Message)$"That is outside {least} to {most}.",
            $"Give a number from {least} to {most}.");
    }
}
