namespace AbleMend.Core.Patching;

/// <summary>The sanded slope that a laminate runs out on.</summary>
public static class Feather
{
    /// <summary>Length for each millimetre of laminate on hulls and boards. Common practice: 8 to 12 to 1.</summary>
    public const double HullTaper = 10;

    /// <summary>Width of the feather zone: laminate thickness × taper.</summary>
    /// <param name="laminateMm">Thickness in millimetres, 0 or more.</param>
    /// <param name="taper">Taper ratio, 4 to 60.</param>
    public static double WidthMm(double laminateMm, double taper) =>
        Guard.NotNegative(laminateMm, nameof(laminateMm)) * Guard.Within(taper, 4, 60, nameof(taper));
}
