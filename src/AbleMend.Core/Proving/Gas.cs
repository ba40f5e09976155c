using AbleMend.Core.Figures;

namespace AbleMend.Core.Proving;

/// <summary>Air in a closed skin: p·V/T, altitude, and what a sealed volume draws in when it is cooled.</summary>
public static class Gas
{
    /// <summary>Standard pressure at sea level in kPa, ISO 2533.</summary>
    public const double SeaLevelKpa = 101.325;

    private const double ZeroC = Curing.EquivalentAge.ZeroCelsiusK;

    /// <summary>The citation.</summary>
    public static Source Source { get; } = Source.Published("Ideal gas law; standard atmosphere, ISO 2533");

    /// <summary>Atmospheric pressure at an altitude by the standard atmosphere, up to 11 km.</summary>
    /// <param name="altitudeM">Altitude in metres, -500 to 11000.</param>
    /// <returns>kPa: 89.9 at 1000 m, 79.5 at 2000 m.</returns>
    public static double AtmosphereKpa(double altitudeM) =>
        SeaLevelKpa * Math.Pow(1 - (0.0065 * Guard.Within(altitudeM, -500, 11000, nameof(altitudeM)) / 288.15), 5.25588);

    /// <summary>Gauge pressure after a change of temperature at the same volume.</summary>
    /// <param name="gaugeKpa">Gauge pressure in kPa, 0 or more.</param>
    /// <param name="fromC">Temperature at which it was read.</param>
    /// <param name="toC">Temperature that it comes to.</param>
    /// <param name="atmosphereKpa">Pressure of the air round it in kPa.</param>
    /// <returns>15 psi at 20 °C becomes 17.5 at 45 °C and 19.1 at 60 °C at sea level.</returns>
    public static double GaugeKpaAt(double gaugeKpa, double fromC, double toC, double atmosphereKpa = SeaLevelKpa)
    {
        Guard.Within(fromC, -40, 100, nameof(fromC));
        Guard.Within(toC, -40, 100, nameof(toC));
        return ((Guard.NotNegative(gaugeKpa, nameof(gaugeKpa)) + Guard.Positive(atmosphereKpa, nameof(atmosphereKpa))) * (toC + ZeroC) / (fromC + ZeroC)) - atmosphereKpa;
    }

    /// <summary>Gauge pressure to bleed down to here, so that the working pressure is not passed there in the heat.</summary>
    /// <param name="workingKpa">Gauge pressure that is not to be passed, in kPa, 0 or more.</param>
    /// <param name="nowC">Temperature here.</param>
    /// <param name="hottestC">Temperature that it comes to.</param>
    /// <param name="hereKpa">Pressure of the air here in kPa.</param>
    /// <param name="thereKpa">Pressure of the air where it is taken, in kPa.</param>
    /// <returns>kPa, 0 or more.</returns>
    public static double BleedToKpa(double workingKpa, double nowC, double hottestC, double hereKpa = SeaLevelKpa, double thereKpa = SeaLevelKpa) =>
        CarriedKpa(workingKpa, hottestC, nowC, thereKpa, hereKpa);

    /// <summary>Gauge pressure after a change of temperature and of the air round it, at the same volume.</summary>
    /// <param name="gaugeKpa">Gauge pressure in kPa, 0 or more.</param>
    /// <param name="fromC">Temperature at which it was read.</param>
    /// <param name="toC">Temperature that it comes to.</param>
    /// <param name="hereKpa">Pressure of the air where it was read, in kPa.</param>
    /// <param name="thereKpa">Pressure of the air where it is taken, in kPa.</param>
    /// <returns>20 kPa carried from sea level to 2000 m, as warm: 41.8; 0 where the skin goes limp.</returns>
    public static double CarriedKpa(double gaugeKpa, double fromC, double toC, double hereKpa, double thereKpa) =>
        Math.Max(0, GaugeKpaAt(gaugeKpa, fromC, toC, hereKpa) + hereKpa - Guard.Positive(thereKpa, nameof(thereKpa)));

    /// <summary>Water in mL that an open volume draws in when its air is cooled under water.</summary>
    /// <param name="volumeMl">Volume in mL, above 0.</param>
    /// <param name="warmC">Temperature of the air inside.</param>
    /// <param name="coldC">Temperature that it comes to.</param>
    /// <returns>1200 mL at 45 °C dunked at 12 °C: 124 mL.</returns>
    public static double DrawnInMl(double volumeMl, double warmC, double coldC) =>
        Math.Max(0, Guard.Positive(volumeMl, nameof(volumeMl)) * (1 - ((coldC + ZeroC) / (warmC + ZeroC))));
}
