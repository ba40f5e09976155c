namespace AbleMend.Core;

/// <summary>The one gate for arguments of calculators. Faults here are programming errors: cases are checked before they reach a calculator.</summary>
internal static class Guard
{
    /// <summary>Returns a finite value inside [<paramref name="low"/>, <paramref name="high"/>].</summary>
    /// <exception cref="ArgumentOutOfRangeException">The value is not a number, infinite or outside the range.</exception>
    public static double Within(double value, double low, double high, string name)
    {
        if (double.IsFinite(value) && value >= low && value <= high)
        {
            return value;
        }

        throw new ArgumentOutOfRangeException(name, value, $"{name} must lie in [{low}, {high}].");
    }

    /// <summary>Returns a finite value above zero.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The value is not a number, infinite, zero or negative.</exception>
    public static double Positive(double value, string name) =>
        double.IsFinite(value) && value > 0
            ? value
            : throw new ArgumentOutOfRangeException(name, value, $"{name} must be above zero.");

    /// <summary>Returns a finite value of zero or more.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The value is not a number, infinite or negative.</exception>
    public static double NotNegative(double value, string name) =>
        double.IsFinite(value) && value >= 0
            ? value
            : throw new ArgumentOutOfRangeException(name, value, $"{name} must be zero or more.");
}
