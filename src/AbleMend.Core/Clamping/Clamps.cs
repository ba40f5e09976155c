using AbleMend.Core.Figures;
using AbleMend.Core.Quantities;

namespace AbleMend.Core.Clamping;

/// <summary>Clamps, cauls, weights and wraps.</summary>
public static class Clamps
{
    /// <summary>Furthest apart that clamps stand over parted plies, in millimetres. Common practice: 50 to 75 mm.</summary>
    public const double WidestSpacingMm = 75;

    /// <summary>Pressure for wood glue on maple in MPa. USDA Wood Handbook, 1.2 to 1.7 for dense hardwoods; from memory.</summary>
    public const double MaplePressureMpa = 1.2;

    /// <summary>The citation for pressure.</summary>
    public static Source Source { get; } = Source.Published($"USDA Wood Handbook, bonding of wood: {new Stress(1.2):0.0} to {new Stress(1.7):0.0} on dense hardwoods, from memory");

    /// <summary>Clamps over a length at a spacing, at least two.</summary>
    /// <param name="lengthMm">Length to clamp in millimetres, above 0.</param>
    /// <param name="spacingMm">Largest spacing in millimetres, above 0.</param>
    public static int Count(double lengthMm, double spacingMm) =>
        Math.Max(2, (int)Math.Ceiling(Guard.Positive(lengthMm, nameof(lengthMm)) / Guard.Positive(spacingMm, nameof(spacingMm)) - 1e-9));

    /// <summary>Force of each clamp in newtons for a pressure over an area.</summary>
    public static double ForceEachN(double areaMm2, double pressureMpa, int clamps) =>
        Guard.Positive(areaMm2, nameof(areaMm2)) * Guard.Positive(pressureMpa, nameof(pressureMpa)) / Guard.Within(clamps, 1, 1000, nameof(clamps));

    /// <summary>
    /// Thickness of a caul that spreads the force: pressure leaves a clamp at 45°, so that the cones of neighbours meet at
    /// the glue when the caul is half the free span thick. Common practice.
    /// </summary>
    /// <param name="spacingMm">Spacing of the clamps in millimetres.</param>
    /// <param name="padMm">Width of a clamp's pad in millimetres.</param>
    public static double CaulMm(double spacingMm, double padMm) =>
        Math.Max(3, (Guard.Positive(spacingMm, nameof(spacingMm)) - Guard.NotNegative(padMm, nameof(padMm))) / 2);

    /// <summary>Weight in kilograms that gives a pressure over an area.</summary>
    /// <param name="areaMm2">Area in mm².</param>
    /// <param name="pressureKpa">Pressure in kPa.</param>
    public static double WeightKg(double areaMm2, double pressureKpa) =>
        Guard.Positive(areaMm2, nameof(areaMm2)) * 1e-6 * Guard.Positive(pressureKpa, nameof(pressureKpa)) * 1000 / 9.80665;

    /// <summary>Tape that wraps a tube with overlap, in layers.</summary>
    /// <param name="tubeDiameterMm">Outer diameter of the tube in millimetres.</param>
    /// <param name="coveredMm">Length of tube to cover in millimetres.</param>
    /// <param name="tapeWidthMm">Width of the tape in millimetres.</param>
    /// <param name="overlapShare">Share of the width that the next turn covers, 0 to 0.9.</param>
    /// <param name="layers">Layers, 1 or more.</param>
    /// <returns>Millimetres: each turn climbs width × (1 − overlap) along a helix.</returns>
    public static double WrapLengthMm(double tubeDiameterMm, double coveredMm, double tapeWidthMm, double overlapShare, int layers)
    {
        var climb = Guard.Positive(tapeWidthMm, nameof(tapeWidthMm)) * (1 - Guard.Within(overlapShare, 0, 0.9, nameof(overlapShare)));
        var turn = Math.Sqrt(Math.Pow(Math.PI * Guard.Positive(tubeDiameterMm, nameof(tubeDiameterMm)), 2) + (climb * climb));
        return Guard.Positive(coveredMm, nameof(coveredMm)) / climb * turn * Guard.Within(layers, 1, 20, nameof(layers));
    }

    /// <summary>Force in newtons of a vacuum over an area.</summary>
    public static double VacuumN(double areaMm2, double vacuumKpa) =>
        Guard.Positive(areaMm2, nameof(areaMm2)) * Guard.Within(vacuumKpa, 0, 101.325, nameof(vacuumKpa)) / 1000;
}
