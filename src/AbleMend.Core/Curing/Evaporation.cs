using AbleMend.Core.Figures;

namespace AbleMend.Core.Curing;

/// <summary>A solvent as flashing off needs it.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="RelativeRate">Evaporation rate relative to n-butyl acetate = 1 (ASTM D3539 scale). From memory.</param>
/// <param name="AntoineA">Antoine A for log10 of the vapour pressure in mmHg, temperature in °C. From memory of a handbook of chemistry.</param>
/// <param name="AntoineB">Antoine B in °C.</param>
/// <param name="AntoineC">Antoine C in °C.</param>
/// <param name="MolarMassGPerMol">Molar mass in g/mol.</param>
public sealed record Solvent(string Id, double RelativeRate, double AntoineA, double AntoineB, double AntoineC, double MolarMassGPerMol);

/// <summary>How fast a solvent leaves: relative evaporation rate, scaled by vapour pressure, longer inside a seam.</summary>
public static class Evaporation
{
    /// <summary>
    /// Grams per square metre and minute that n-butyl acetate loses from an open wet film at 20 °C in still air. From
    /// memory, set so that a wiped film of acetone of 20 g/m² is gone in about two minutes, as benches know it.
    /// </summary>
    public const double ButylAcetateGPerM2Min = 1.75;

    /// <summary>How much longer a closed seam holds the solvent than an open face. Common practice: seconds in the open, a couple of minutes inside.</summary>
    public const double SeamFactor = 4;

    /// <summary>Rates are given at this temperature in °C.</summary>
    public const double ReferenceC = 20;

    /// <value>Solvents by identifier.</value>
    public static IReadOnlyDictionary<string, Solvent> Solvents { get; } = new Solvent[]
    {
        new("acetone", 5.7, 7.11714, 1210.595, 229.664, 58.08),
        new("mek", 3.8, 7.06356, 1261.34, 221.97, 72.11),
        new("toluene", 1.9, 6.95464, 1344.8, 219.482, 92.14),
        new("isopropanol", 1.5, 8.11778, 1580.92, 219.61, 60.10),
        new("xylene", 0.6, 6.99891, 1474.679, 213.686, 106.17),
    }.ToDictionary(solvent => solvent.Id);

    /// <summary>The citation that goes with a flash time.</summary>
    public static Source Source { get; } =
        Source.Published("Antoine equation (handbook of chemistry, constants from memory); relative evaporation rates, n-butyl acetate = 1, from memory");

    /// <summary>Vapour pressure by Antoine.</summary>
    /// <param name="solvent">Solvent.</param>
    /// <param name="celsius">Temperature in °C, -20 to 100.</param>
    /// <returns>kPa: acetone at 20 °C 24.6, at its normal boiling point of 56.1 °C 101.3.</returns>
    public static double VapourPressureKpa(Solvent solvent, double celsius)
    {
        Guard.Within(celsius, -20, 120, nameof(celsius));
        return Math.Pow(10, solvent.AntoineA - (solvent.AntoineB / (solvent.AntoineC + celsius))) * 0.133322;
    }

    /// <summary>Minutes until a film has flashed off.</summary>
    /// <param name="solvent">Solvent.</param>
    /// <param name="filmGPerM2">Solvent in the film in g/m², above 0.</param>
    /// <param name="celsius">Temperature in °C.</param>
    /// <param name="inSeam">Whether it is inside a seam.</param>
    public static double FlashMin(Solvent solvent, double filmGPerM2, double celsius, bool inSeam)
    {
        Guard.Positive(filmGPerM2, nameof(filmGPerM2));
        var faster = VapourPressureKpa(solvent, celsius) / VapourPressureKpa(solvent, ReferenceC);
        return filmGPerM2 / (ButylAcetateGPerM2Min * solvent.RelativeRate * faster) * (inSeam ? SeamFactor : 1);
    }
}
