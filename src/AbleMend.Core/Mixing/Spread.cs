namespace AbleMend.Core.Mixing;

/// <summary>Cement by spread rate.</summary>
public static class Spread
{
    /// <summary>Cement for an area glued on both faces in several coats.</summary>
    /// <param name="areaCm2">Area of one face in cm², 0 or more.</param>
    /// <param name="coats">Coats on each face, 1 to 10.</param>
    /// <param name="rateGPerM2">Spread rate of one wet coat in g/m², above 0.</param>
    /// <returns>Grams: 100 cm², 3 coats at 150 g/m², both faces: 9 g.</returns>
    public static double BothFacesG(double areaCm2, int coats, double rateGPerM2) =>
        2 * Guard.NotNegative(areaCm2, nameof(areaCm2)) / 1e4 * Guard.Within(coats, 1, 10, nameof(coats)) * Guard.Positive(rateGPerM2, nameof(rateGPerM2));
}
