using AbleMend.Core.Figures;

namespace AbleMend.Core.Safety;

/// <summary>Limits of a vapour.</summary>
/// <param name="Solvent">Identifier of the solvent.</param>
/// <param name="LimitPpm">Recommended 8-hour limit in ppm, the lower of NIOSH and ACGIH, from memory.</param>
/// <param name="LowerFlammablePercent">Lower flammable limit in percent by volume, from memory.</param>
/// <param name="MolarMassGPerMol">Molar mass in g/mol.</param>
public sealed record VapourLimit(string Solvent, double LimitPpm, double LowerFlammablePercent, double MolarMassGPerMol);

/// <summary>Vapour in the room: an estimate, which defers to local limits.</summary>
/// <param name="PeakPpm">Highest, all of it gone into the room at once.</param>
/// <param name="MeanPpm">Mean over eight hours.</param>
/// <param name="ShareOfLimit">Mean as a share of the limit.</param>
/// <param name="ShareOfFlammable">Peak as a share of a tenth of the lower flammable limit.</param>
public sealed record AirEstimate(double PeakPpm, double MeanPpm, double ShareOfLimit, double ShareOfFlammable);

/// <summary>Solvent released ÷ room and air changes.</summary>
public static class RoomAir
{
    /// <summary>Litres of an ideal gas in a mole at 25 °C and 101.325 kPa.</summary>
    public const double LitresPerMole = 24.45;

    /// <summary>The citation.</summary>
    public static Source Source { get; } =
        Source.Published("ppm = mg/m³ × 24.45/M at room temperature; the lower of the limits of the NIOSH Pocket Guide and the ACGIH threshold limit values, from memory. An estimate: local limits and the safety sheet decide");

    /// <value>Limits by solvent.</value>
    public static IReadOnlyDictionary<string, VapourLimit> Limits { get; } = new VapourLimit[]
    {
        new("acetone", 250, 2.5, 58.08),
        new("mek", 75, 1.4, 72.11),
        new("toluene", 20, 1.1, 92.14),
        new("styrene", 10, 0.9, 104.15),
        new("isopropanol", 200, 2.0, 60.10),
    }.ToDictionary(limit => limit.Solvent);

    /// <summary>ppm of a vapour from mg/m³.</summary>
    public static double Ppm(double mgPerM3, double molarMassGPerMol) =>
        Guard.NotNegative(mgPerM3, nameof(mgPerM3)) * LitresPerMole / Guard.Positive(molarMassGPerMol, nameof(molarMassGPerMol));

    /// <summary>Estimates the vapour of one release in a room that is well mixed: C(t) = C0·exp(−n·t).</summary>
    /// <param name="limit">The vapour.</param>
    /// <param name="releasedG">Grams released, 0 or more.</param>
    /// <param name="roomM3">Room in m³, above 0.</param>
    /// <param name="airChangesPerHour">Air changes an hour, above 0.</param>
    public static AirEstimate Estimate(VapourLimit limit, double releasedG, double roomM3, double airChangesPerHour)
    {
        Guard.Positive(roomM3, nameof(roomM3));
        Guard.Positive(airChangesPerHour, nameof(airChangesPerHour));
        var peak = Ppm(Guard.NotNegative(releasedG, nameof(releasedG)) * 1000 / roomM3, limit.MolarMassGPerMol);
        var mean = peak * (1 - Math.Exp(-8 * airChangesPerHour)) / (8 * airChangesPerHour);
        return new AirEstimate(peak, mean, mean / limit.LimitPpm, peak / (limit.LowerFlammablePercent * 1e4 / 10));
    }
}
