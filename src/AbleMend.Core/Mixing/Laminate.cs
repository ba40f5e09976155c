namespace AbleMend.Core.Mixing;

/// <summary>Resin that cloth and coats take.</summary>
public static class Laminate
{
    /// <summary>1 oz/yd² in g/m²: 28.349523125 g over 0.83612736 m² (international yard and pound).</summary>
    public const double GPerM2PerOzPerYd2 = 28.349523125 / 0.83612736;

    /// <summary>Share of fibre by mass in a hand lay-up squeezed out with a card. From memory: 0.45 to 0.5.</summary>
    public const double HandLayUpFibreShare = 0.45;

    /// <summary>Resin mass for cloth: area × areal weight × (1 − w_f)/w_f.</summary>
    /// <param name="areaCm2">Area of all plies in cm², 0 or more.</param>
    /// <param name="arealWeightGPerM2">Areal weight of the dry cloth in g/m², above 0.</param>
    /// <param name="fibreShare">Fibre share by mass, 0.2 to 0.8; a change from 0.45 to 0.50 saves 18 % of the resin.</param>
    /// <returns>Grams: 1000 cm² of 200 g/m² at 0.5 takes 20 g.</returns>
    public static double ResinG(double areaCm2, double arealWeightGPerM2, double fibreShare)
    {
        Guard.NotNegative(areaCm2, nameof(areaCm2));
        Guard.Positive(arealWeightGPerM2, nameof(arealWeightGPerM2));
        Guard.Within(fibreShare, 0.2, 0.8, nameof(fibreShare));
        return areaCm2 / 1e4 * arealWeightGPerM2 * (1 - fibreShare) / fibreShare;
    }

    /// <summary>Volume of a coat: area × thickness.</summary>
    /// <param name="areaCm2">Area in cm², 0 or more.</param>
    /// <param name="thicknessMm">Thickness in millimetres, 0 or more.</param>
    /// <returns>Millilitres: 400 cm² at 0.2 mm takes 8 mL.</returns>
    public static double CoatMl(double areaCm2, double thicknessMm) =>
        Guard.NotNegative(areaCm2, nameof(areaCm2)) * Guard.NotNegative(thicknessMm, nameof(thicknessMm)) / 10;
}
