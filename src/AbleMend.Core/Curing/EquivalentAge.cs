using AbleMend.Core.Figures;

namespace AbleMend.Core.Curing;

/// <summary>
/// Cure by equivalent age: how much faster or slower a reaction runs than at its label's temperature.
/// The maturity method in its Arrhenius form, ASTM C1074.
/// </summary>
public static class EquivalentAge
{
    /// <summary>Molar gas constant R in J/(mol·K), CODATA 2018 (exact).</summary>
    public const double GasConstantJPerMolK = 8.314462618;

    /// <summary>0 °C in kelvin.</summary>
    public const double ZeroCelsiusK = 273.15;

    /// <summary>
    /// Default activation energy in kJ/mol: reproduces "twice as fast for 10 °C more" between 20 and 30 °C
    /// (common practice; the value is that rule solved for Ea, with 2.05 for 2).
    /// </summary>
    public const double DefaultActivationKjPerMol = 53;

    /// <summary>The citation that goes with every milestone.</summary>
    public static Source Source { get; } =
        Source.Published("ASTM C1074, equivalent age (maturity method), Arrhenius form");

    /// <summary>Rate at a temperature, relative to the rate at the reference: exp(−Ea/R·(1/T − 1/T_ref)).</summary>
    /// <param name="activationKjPerMol">Activation energy in kJ/mol, 0 to 200.</param>
    /// <param name="temperatureC">Temperature in °C, -60 to 200.</param>
    /// <param name="referenceC">Reference temperature in °C, -60 to 200.</param>
    /// <returns>1 at the reference; 0.461 for 41.5 kJ/mol at 10 °C against 23 °C.</returns>
    public static double Rate(double activationKjPerMol, double temperatureC, double referenceC)
    {
        Guard.Within(activationKjPerMol, 0, 200, nameof(activationKjPerMol));
        var inverse = 1 / Kelvin(temperatureC, nameof(temperatureC));
        var inverseReference = 1 / Kelvin(referenceC, nameof(referenceC));
        return Math.Exp(-activationKjPerMol * 1000 / GasConstantJPerMolK * (inverse - inverseReference));
    }

    /// <summary>Activation energy from two points of a label: the same milestone at two temperatures.</summary>
    /// <param name="firstC">First temperature in °C.</param>
    /// <param name="firstMin">Minutes to the milestone there, above 0.</param>
    /// <param name="secondC">Second temperature in °C, different from the first.</param>
    /// <param name="secondMin">Minutes to the milestone there, above 0.</param>
    /// <returns>kJ/mol; an error of 10 % in one time moves it by about 7 kJ/mol over 10 °C.</returns>
    public static double ActivationKjPerMol(double firstC, double firstMin, double secondC, double secondMin)
    {
        Guard.Positive(firstMin, nameof(firstMin));
        Guard.Positive(secondMin, nameof(secondMin));
        var span = (1 / Kelvin(firstC, nameof(firstC))) - (1 / Kelvin(secondC, nameof(secondC)));
        if (span == 0)
        {
            throw new ArgumentOutOfRangeException(nameof(secondC), secondC, "The two temperatures must differ.");
        }

        return Math.Log(firstMin / secondMin) / span * GasConstantJPerMolK / 1000;
    }

    private static double Kelvin(double celsius, string name) => Guard.Within(celsius, -60, 200, name) + ZeroCelsiusK;
}
