namespace AbleMend.Core.Curing;

/// <summary>The sky over the shop: how much ultraviolet the sun gives, hour by hour, beside the full daylight of a label.</summary>
/// <param name="LatitudeDeg">Latitude in degrees, north positive, -90 to 90.</param>
/// <param name="LongitudeDeg">Longitude in degrees, east positive, -180 to 180.</param>
public sealed record Sky(double LatitudeDeg, double LongitudeDeg)
{
    /// <summary>
    /// Ultraviolet that a label's "full daylight" stands for, in mW/cm²: 280 to 400 nm of the reference spectrum of
    /// ASTM G173 at air mass 1.5. From memory.
    /// </summary>
    public const double LabelMwPerCm2 = 4.6;

    /// <summary>How long a mend lies out for its light before that counts as never: three days.</summary>
    public static readonly TimeSpan Horizon = TimeSpan.FromDays(3);

    private static readonly TimeSpan Stride = TimeSpan.FromMinutes(5);

    /// <summary>By how much the earth turns in an hour, with a hair more for the sun's own way among the stars.</summary>
    private const double FastestClimbDegPerHour = 15.1;

    /// <summary>Clear-sky ultraviolet on a level face in mW/cm²; 0 with the sun down.</summary>
    public double MwPerCm2At(DateTimeOffset at) => Sun.ClearSkyMwPerCm2(Sun.At(at, LatitudeDeg, LongitudeDeg).ZenithDeg);

    /// <summary>That as a share of a label's full daylight: about 0.4 at noon in a winter at 50°, 0 at night.</summary>
    public double ShareAt(DateTimeOffset at) => MwPerCm2At(at) / LabelMwPerCm2;

    /// <summary>When the dose of some minutes of full daylight has fallen: dose = ∫ irradiance dt, by the midpoint rule in steps of five minutes.</summary>
    /// <param name="fullDaylightMin">Minutes of the label's full daylight, 0 or more.</param>
    /// <param name="start">When it is carried into the light.</param>
    /// <returns>The instant, or null when it is not reached within the <see cref="Horizon"/>.</returns>
    public DateTimeOffset? TryFindDosed(double fullDaylightMin, DateTimeOffset start)
    {
        var left = Guard.NotNegative(fullDaylightMin, nameof(fullDaylightMin));
        if (left == 0)
        {
            return start;
        }

        for (var now = start; now < start + Horizon; now += Stride)
        {
            var zenith = Sun.At(now + (Stride / 2), LatitudeDeg, LongitudeDeg).ZenithDeg;
            if (zenith > 90)
            {
                now += StridesUntilSunriseAtTheEarliest(zenith) * Stride;
                continue;
            }

            var share = Sun.ClearSkyMwPerCm2(zenith) / LabelMwPerCm2;
            var gained = share * Stride.TotalMinutes;
            if (gained >= left)
            {
                return now.AddMinutes(left / share);
            }

            left -= gained;
        }

        return null;
    }

    /// <summary>Whole strides that are dark for certain: no sun climbs faster than the earth turns.</summary>
    private static int StridesUntilSunriseAtTheEarliest(double zenithDeg) => Math.Max(0, (int)((zenithDeg - 90) / FastestClimbDegPerHour / Stride.TotalHours) - 1);
}
