using AbleMend.Core.Materials;

namespace AbleMend.Core.Mixing;

/// <summary>Ratio by volume and by weight, stoichiometry, and what an over-pour asks of the other part.</summary>
public static class Ratio
{
    /// <summary>Parts of B by weight for 100 of A, from parts by volume: 100:50 at 1.15 and 0.97 g/mL is 100:42.2.</summary>
    public static double WeightPartsOfB(double partsA, double partsB, double densityAGPerMl, double densityBGPerMl) =>
        100
        * Guard.Positive(partsB, nameof(partsB)) * Guard.Positive(densityBGPerMl, nameof(densityBGPerMl))
        / (Guard.Positive(partsA, nameof(partsA)) * Guard.Positive(densityAGPerMl, nameof(densityAGPerMl)));

    /// <summary>Share of part A in the volume of the mix, 0 to 1.</summary>
    public static double VolumeShareOfA(Material resin)
    {
        var (ratio, densityA, densityB) = Parts(resin);
        return ratio.By == RatioBasis.Volume
            ? ratio.A / (ratio.A + ratio.B)
            : ratio.A / densityA / ((ratio.A / densityA) + (ratio.B / densityB));
    }

    /// <summary>Share of part A in the mass of the mix, 0 to 1.</summary>
    public static double MassShareOfA(Material resin)
    {
        var (ratio, densityA, densityB) = Parts(resin);
        return ratio.By == RatioBasis.Weight
            ? ratio.A / (ratio.A + ratio.B)
            : ratio.A * densityA / ((ratio.A * densityA) + (ratio.B * densityB));
    }

    /// <summary>
    /// Hardener for an epoxy in parts per hundred of resin by weight: AHEW·100/EEW. A resin of equivalent weight 190
    /// with a hardener of 24.4 takes 12.8. Textbook stoichiometry.
    /// </summary>
    /// <param name="amineHydrogenEquivalentWeight">g per equivalent, above 0.</param>
    /// <param name="epoxideEquivalentWeight">g per equivalent, above 0.</param>
    public static double HardenerPhr(double amineHydrogenEquivalentWeight, double epoxideEquivalentWeight) =>
        Guard.Positive(amineHydrogenEquivalentWeight, nameof(amineHydrogenEquivalentWeight))
        * 100
        / Guard.Positive(epoxideEquivalentWeight, nameof(epoxideEquivalentWeight));

    /// <summary>How much of B goes with what was really poured of A, in the unit of A.</summary>
    /// <param name="pouredA">What is in the cup, above 0.</param>
    /// <param name="partsA">Parts of A.</param>
    /// <param name="partsB">Parts of B.</param>
    public static double OtherPart(double pouredA, double partsA, double partsB) =>
        Guard.Positive(pouredA, nameof(pouredA)) * Guard.Positive(partsB, nameof(partsB)) / Guard.Positive(partsA, nameof(partsA));

    private static (MixRatio Ratio, double A, double B) Parts(Material resin) =>
        resin is { Ratio: { } ratio, DensityAGPerMl: { } a, DensityBGPerMl: { } b }
            ? (ratio, a, b)
            : throw new ArgumentException($"{resin.Id} is not a two-part resin with densities.", nameof(resin));
}
