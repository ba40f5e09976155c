using AbleMend.Core.Curing;

namespace AbleMend.Core.Mixing;

/// <summary>
/// Heat that a warm surface loses to still air: natural convection by the correlation of Churchill and Chu (1975) for a vertical
/// surface, laminar, and radiation to walls as warm as the air. Both grow with the difference.
/// </summary>
public static class StillAir
{
    private const double GravityMPerS2 = 9.81;
    private const double StefanBoltzmann = 5.670374e-8;

    /// <summary>Emissivity of resin and plastic. Handbook tables, from memory: 0.9 to 0.95.</summary>
    private const double Emissivity = 0.9;

    // Dry air at about 320 K, handbook tables, from memory.
    private const double ConductivityWPerMK = 0.0278;
    private const double ViscosityM2PerS = 1.79e-5;
    private const double DiffusivityM2PerS = 2.54e-5;
    private const double Prandtl = 0.705;

    /// <summary>Coefficient of heat transfer, convection and radiation together.</summary>
    /// <param name="surfaceC">Temperature of the surface.</param>
    /// <param name="airC">Temperature of the air and of the walls.</param>
    /// <param name="heightM">Height of the surface in metres, above 0.</param>
    /// <returns>W/(m²·K): for a cup of 4 cm some 12 at 20 K and 18 at 100 K above the air.</returns>
    public static double TransferWPerM2K(double surfaceC, double airC, double heightM)
    {
        var (surface, air) = (surfaceC + EquivalentAge.ZeroCelsiusK, airC + EquivalentAge.ZeroCelsiusK);
        var rayleigh = GravityMPerS2 / ((surface + air) / 2) * Math.Abs(surface - air) * heightM * heightM * heightM / (ViscosityM2PerS * DiffusivityM2PerS);
        var nusselt = 0.68 + (0.670 * Math.Sqrt(Math.Sqrt(rayleigh)) / PrandtlTerm);
        return (nusselt * ConductivityWPerMK / Guard.Positive(heightM, nameof(heightM))) + (Emissivity * StefanBoltzmann * ((surface * surface) + (air * air)) * (surface + air));
    }

    private static readonly double PrandtlTerm = Math.Pow(1 + Math.Pow(0.492 / Prandtl, 9.0 / 16), 4.0 / 9);
}
