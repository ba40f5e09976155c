using AbleMend.Core.Figures;

namespace AbleMend.Core.Curing;

/// <summary>Where the sun stands.</summary>
/// <param name="ZenithDeg">Angle from straight up in degrees.</param>
/// <param name="AzimuthDeg">From north, clockwise, in degrees.</param>
public readonly record struct SunPosition(double ZenithDeg, double AzimuthDeg);

/// <summary>
/// Position of the sun by the low-precision formulas of Meeus, Astronomical Algorithms (2nd edition 1998, chapters 12,
/// 22 and 25), good to about 0.01° before refraction, and the ultraviolet that a clear sky lets through.
/// </summary>
public static class Sun
{
    /// <summary>
    /// Ultraviolet from 280 to 400 nm on a face to a clear sky with the sun overhead at air mass 1, in mW/cm². From
    /// memory: about 4.6 at air mass 1.5 in the reference spectrum of ASTM G173, whence this value.
    /// </summary>
    public const double ClearOverheadMwPerCm2 = 6.2;

    /// <summary>Extinction of that ultraviolet in one air mass. From memory.</summary>
    public const double Extinction = 0.35;

    /// <summary>The citation.</summary>
    public static Source Source { get; } = Source.Published("Meeus, Astronomical Algorithms, 2nd ed. 1998, ch. 12, 22, 25; clear-sky ultraviolet from memory");

    /// <summary>Position of the sun.</summary>
    /// <param name="at">Instant.</param>
    /// <param name="latitudeDeg">Latitude in degrees, north positive, -90 to 90.</param>
    /// <param name="longitudeDeg">Longitude in degrees, east positive, -180 to 180.</param>
    public static SunPosition At(DateTimeOffset at, double latitudeDeg, double longitudeDeg)
    {
        Guard.Within(latitudeDeg, -90, 90, nameof(latitudeDeg));
        Guard.Within(longitudeDeg, -180, 180, nameof(longitudeDeg));
        var days = (at.UtcDateTime - new DateTime(2000, 1, 1, 12, 0, 0, DateTimeKind.Utc)).TotalDays;
        var century = days / 36525;
        var mean = 280.46646 + (36000.76983 * century);
        var anomaly = Rad(357.52911 + (35999.05029 * century));
        var centre = ((1.914602 - (0.004817 * century)) * Math.Sin(anomaly)) + (0.019993 * Math.Sin(2 * anomaly)) + (0.000289 * Math.Sin(3 * anomaly));
        var node = Rad(125.04 - (1934.136 * century));
        var apparent = Rad(mean + centre - 0.00569 - (0.00478 * Math.Sin(node)));
        var obliquity = Rad(23.439291 - (0.0130042 * century) + (0.00256 * Math.Cos(node)));
        var ascension = Math.Atan2(Math.Cos(obliquity) * Math.Sin(apparent), Math.Cos(apparent));
        var declination = Math.Asin(Math.Sin(obliquity) * Math.Sin(apparent));
        var sidereal = Rad(280.46061837 + (360.98564736629 * days) + longitudeDeg);
        return Horizon(sidereal - ascension, declination, Rad(latitudeDeg));
    }

    /// <summary>Clear-sky ultraviolet on a level face in mW/cm²; 0 with the sun down.</summary>
    public static double ClearSkyMwPerCm2(double zenithDeg)
    {
        var up = Math.Cos(Rad(Guard.Within(zenithDeg, 0, 180, nameof(zenithDeg))));
        // Kasten and Young (1989) air mass stays finite at the horizon.
        var airMass = up <= 0 ? double.PositiveInfinity : 1 / (up + (0.50572 * Math.Pow(96.07995 - zenithDeg, -1.6364)));
        return up <= 0 ? 0 : ClearOverheadMwPerCm2 * Math.Exp(-Extinction * (airMass - 1)) * Math.Pow(up, 0.3);
    }

    private static SunPosition Horizon(double hourAngle, double declination, double latitude)
    {
        var up = (Math.Sin(latitude) * Math.Sin(declination)) + (Math.Cos(latitude) * Math.Cos(declination) * Math.Cos(hourAngle));
        var azimuth = Math.Atan2(Math.Sin(hourAngle), (Math.Cos(hourAngle) * Math.Sin(latitude)) - (Math.Tan(declination) * Math.Cos(latitude)));
        return new SunPosition(Math.Acos(Math.Clamp(up, -1, 1)) * 180 / Math.PI, ((azimuth * 180 / Math.PI) + 540) % 360);
    }

    private static double Rad(double degrees) => degrees * Math.PI / 180;
}
