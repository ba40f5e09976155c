namespace AbleMend.Core.Patching;

/// <summary>How wide a glued margin has to be for the load that it carries.</summary>
public static class Lap
{
    /// <summary>1 psi in kPa (exact to the digits shown).</summary>
    public const double KpaPerPsi = 6.894757;

    /// <summary>Membrane load of an inflated tube, N = p·r.</summary>
    /// <param name="pressureKpa">Gauge pressure in kPa, 0 or more.</param>
    /// <param name="radiusMm">Radius in millimetres, above 0.</param>
    /// <returns>N/mm: 3 psi on 200 mm gives 4.14.</returns>
    public static double TubeLoadNPerMm(double pressureKpa, double radiusMm) =>
        Guard.NotNegative(pressureKpa, nameof(pressureKpa)) / 1000 * Guard.Positive(radiusMm, nameof(radiusMm));

    /// <summary>Membrane load of a drop-stitch side wall, N = p·t/2.</summary>
    /// <param name="pressureKpa">Gauge pressure in kPa, 0 or more.</param>
    /// <param name="thicknessMm">Thickness of the board in millimetres, above 0.</param>
    /// <returns>N/mm: 15 psi on 150 mm gives 7.76.</returns>
    public static double DropStitchLoadNPerMm(double pressureKpa, double thicknessMm) =>
        TubeLoadNPerMm(pressureKpa, thicknessMm) / 2;

    /// <summary>Lap needed, L = SF·N/τ, with the lap shear strength of a test as in ASTM D1002.</summary>
    /// <param name="loadNPerMm">Load per width in N/mm, 0 or more.</param>
    /// <param name="shearMpa">Lap shear strength in MPa, above 0.</param>
    /// <param name="safety">Safety factor, 1 or more.</param>
    public static double NeededMm(double loadNPerMm, double shearMpa, double safety) =>
        Guard.Within(safety, 1, 100, nameof(safety)) * Guard.NotNegative(loadNPerMm, nameof(loadNPerMm)) / Guard.Positive(shearMpa, nameof(shearMpa));
}
