namespace AbleMend.Core.Mixing;

/// <summary>Volume of what has to be filled, in mL (1 mL = 1000 mm³).</summary>
public static class Cavity
{
    /// <summary>
    /// A bowl: the cap of a sphere, V = π·h/6·(3·a·b + h²), with half axes a and b; exact for a round one (a = b),
    /// and within 1 % of the stretched cap while the depth stays under a quarter of the width.
    /// </summary>
    /// <param name="lengthMm">Long axis in millimetres, above 0.</param>
    /// <param name="widthMm">Short axis in millimetres, above 0.</param>
    /// <param name="depthMm">Depth in millimetres, 0 or more.</param>
    /// <returns>40 × 40 mm, 6 mm deep: 3.88 mL.</returns>
    public static double BowlMl(double lengthMm, double widthMm, double depthMm)
    {
        var a = Guard.Positive(lengthMm, nameof(lengthMm)) / 2;
        var b = Guard.Positive(widthMm, nameof(widthMm)) / 2;
        var h = Guard.NotNegative(depthMm, nameof(depthMm));
        return Math.PI * h / 6 * ((3 * a * b) + (h * h)) / 1000;
    }

    /// <summary>A cone, as a countersunk hole: π·r²·h/3.</summary>
    public static double ConeMl(double diameterMm, double depthMm)
    {
        var r = Guard.Positive(diameterMm, nameof(diameterMm)) / 2;
        return Math.PI * r * r * Guard.NotNegative(depthMm, nameof(depthMm)) / 3000;
    }

    /// <summary>A groove of V section along a crack: length × width × depth / 2.</summary>
    public static double GrooveMl(double lengthMm, double widthMm, double depthMm) =>
        Guard.Positive(lengthMm, nameof(lengthMm)) * Guard.Positive(widthMm, nameof(widthMm)) * Guard.NotNegative(depthMm, nameof(depthMm)) / 2000;

    /// <summary>A straight slit: length × width × depth.</summary>
    public static double SlitMl(double lengthMm, double widthMm, double depthMm) => 2 * GrooveMl(lengthMm, widthMm, depthMm);

    /// <summary>A straight-sided recess under an outline, or a hole right through: area × depth.</summary>
    public static double RecessMl(double areaMm2, double depthMm) =>
        Guard.Positive(areaMm2, nameof(areaMm2)) * Guard.NotNegative(depthMm, nameof(depthMm)) / 1000;

    /// <summary>What to mix so that a volume is left after shrink and waste.</summary>
    /// <param name="volumeMl">Volume to fill in mL.</param>
    /// <param name="shrinkPercent">Shrink of the filler in percent, 0 to 30.</param>
    /// <param name="wasteMl">What stays in cup and on the card, in mL.</param>
    public static double ToMixMl(double volumeMl, double shrinkPercent, double wasteMl) =>
        (Guard.NotNegative(volumeMl, nameof(volumeMl)) / (1 - (Guard.Within(shrinkPercent, 0, 30, nameof(shrinkPercent)) / 100)))
        + Guard.NotNegative(wasteMl, nameof(wasteMl));
}
