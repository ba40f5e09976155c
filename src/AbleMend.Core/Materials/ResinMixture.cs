namespace AbleMend.Core.Materials;

/// <summary>Densities of resin and filler put together.</summary>
public static class ResinMixture
{
    /// <summary>Density of a resin with a share of filler by mass, from the volumes of both (no air, no shrink).</summary>
    /// <param name="resinGPerMl">Density of the resin in g/mL, above 0.</param>
    /// <param name="fillerGPerMl">True density of the filler in g/mL, above 0.</param>
    /// <param name="fillerMassShare">Share of the mix by mass, 0 to 0.9.</param>
    /// <returns>Density in g/mL: 1.1 resin with 20 % of 0.2 filler gives 0.579.</returns>
    public static double DensityGPerMl(double resinGPerMl, double fillerGPerMl, double fillerMassShare)
    {
        Guard.Positive(resinGPerMl, nameof(resinGPerMl));
        Guard.Positive(fillerGPerMl, nameof(fillerGPerMl));
        Guard.Within(fillerMassShare, 0, 0.9, nameof(fillerMassShare));
        return 1 / (((1 - fillerMassShare) / resinGPerMl) + (fillerMassShare / fillerGPerMl));
    }
}
