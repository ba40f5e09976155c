using AbleMend.Core.Figures;
using AbleMend.Core.Materials;

namespace AbleMend.Core.Curing;

/// <summary>Depth that light cures: the working curve C_d = D_p·ln(E/E_c), Jacobs 1992.</summary>
/// <param name="PenetrationMm">Depth D_p at which light has fallen to 1/e, in millimetres, above 0.</param>
/// <param name="CriticalMjPerCm2">Dose E_c that just gels, in mJ/cm², above 0.</param>
public sealed record WorkingCurve(double PenetrationMm, double CriticalMjPerCm2)
{
    /// <summary>The citation.</summary>
    public static Source Source { get; } = Source.Published("Working curve, Jacobs (1992), Rapid Prototyping and Manufacturing");

    /// <summary>The curve of a resin whose label cures a layer in full daylight in some minutes.</summary>
    /// <param name="light">Layer and penetration.</param>
    /// <param name="labelMin">Minutes of full daylight for one layer, above 0.</param>
    public static WorkingCurve ForLabel(LightCure light, double labelMin) =>
        new(light.PenetrationMm, Guard.Positive(labelMin, nameof(labelMin)) * 60 * Sky.LabelMwPerCm2 / Math.Exp(light.LayerMm / light.PenetrationMm));

    /// <summary>Depth cured by a dose in millimetres; 0 under the critical dose.</summary>
    /// <param name="doseMjPerCm2">Dose at the surface in mJ/cm², above 0.</param>
    public double DepthMm(double doseMjPerCm2) =>
        Math.Max(0, PenetrationMm * Math.Log(Guard.Positive(doseMjPerCm2, nameof(doseMjPerCm2)) / CriticalMjPerCm2));

    /// <summary>Dose in mJ/cm² that cures to a depth: each further D_p costs e times the dose, which is why thick fills go in layers.</summary>
    public double DoseMjPerCm2(double depthMm) =>
        CriticalMjPerCm2 * Math.Exp(Guard.NotNegative(depthMm, nameof(depthMm)) / PenetrationMm);

    /// <summary>Minutes to cure to a depth.</summary>
    /// <param name="depthMm">Depth in millimetres.</param>
    /// <param name="irradianceMwPerCm2">Ultraviolet at the surface in mW/cm², above 0.</param>
    public double Minutes(double depthMm, double irradianceMwPerCm2) =>
        DoseMjPerCm2(depthMm) / Guard.Positive(irradianceMwPerCm2, nameof(irradianceMwPerCm2)) / 60;
}
