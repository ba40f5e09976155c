using System.Text.Json.Serialization;
using AbleMend.Core.Figures;

namespace AbleMend.Core.Proving;

/// <summary>One reading of a hold test.</summary>
/// <param name="Minute">Minutes since it was inflated.</param>
/// <param name="GaugeKpa">Gauge pressure in kPa.</param>
/// <param name="AirC">Air temperature in °C.</param>
/// <param name="BarometerKpa">Barometer in kPa.</param>
public sealed record HoldReading(double Minute, double GaugeKpa, double AirC, double BarometerKpa);

/// <summary>What a hold test says.</summary>
[JsonConverter(typeof(Kebab<HoldVerdict>))]
public enum HoldVerdict
{
    /// <summary>It cannot be told yet.</summary>
    NotYet,

    /// <summary>The leak is smaller than one that matters.</summary>
    Pass,

    /// <summary>The leak is larger than one that matters.</summary>
    Fail,
}

/// <summary>Leak rate of a hold test with its band.</summary>
/// <param name="Verdict">Pass, fail, or not yet.</param>
/// <param name="LossPercentPerHour">Loss of air in percent of what is inside, an hour; null with too few readings.</param>
/// <param name="BandPercentPerHour">Half-width of its 95 % band; null with too few readings.</param>
/// <param name="Given">Readings given.</param>
/// <param name="Used">Readings used, those after the creep.</param>
public sealed record HoldResult(HoldVerdict Verdict, double? LossPercentPerHour, double? BandPercentPerHour, int Given, int Used);

/// <summary>
/// Hold test by regression of the amount of air, (gauge + barometer)/T, on time, which takes temperature and weather
/// out. The cloth creeps in the first minutes: they are left out.
/// </summary>
public static class HoldTest
{
    /// <summary>Identifier of the test that these readings judge.</summary>
    public const string ProofId = "hold";

    /// <summary>Minutes of creep that are left out. From memory.</summary>
    public const double CreepMin = 10;

    /// <summary>Two-sided 95 % points of Student's t for 1 to 10 degrees of freedom, then the normal's; textbook table.</summary>
    private static readonly double[] Student = [12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228];

    /// <summary>The citation.</summary>
    public static Source Source { get; } = Source.Published("Ideal gas law; least squares with Student's t, textbook");

    /// <summary>Judges the readings.</summary>
    /// <param name="readings">Readings in order of time.</param>
    /// <param name="mattersPercentPerHour">Loss that matters, in percent of the air an hour, above 0.</param>
    public static HoldResult Judge(IReadOnlyList<HoldReading> readings, double mattersPercentPerHour)
    {
        Guard.Positive(mattersPercentPerHour, nameof(mattersPercentPerHour));
        var used = readings.Where(reading => reading.Minute >= CreepMin).ToList();
        if (used.Count < 3 || Fit([.. used.Select(each => (each.Minute / 60, Amount(each) / Amount(used[0]) * 100))]) is not { } fit)
        {
            return new HoldResult(HoldVerdict.NotYet, null, null, readings.Count, used.Count);
        }

        var (slope, error) = fit;
        var freedom = used.Count - 2;
        var band = error * (freedom <= Student.Length ? Student[freedom - 1] : 1.96);
        var loss = -slope;
        var verdict = loss + band < mattersPercentPerHour ? HoldVerdict.Pass : loss - band > mattersPercentPerHour ? HoldVerdict.Fail : HoldVerdict.NotYet;
        return new HoldResult(verdict, loss, band, readings.Count, used.Count);
    }

    /// <summary>Minutes to hold, past the creep, before a gauge can see a leak that matters: three of its steps.</summary>
    /// <param name="gaugeStepKpa">Step of the gauge in kPa, above 0.</param>
    /// <param name="absoluteKpa">Absolute pressure inside in kPa, above 0.</param>
    /// <param name="mattersPercentPerHour">Loss that matters in percent an hour, above 0.</param>
    public static double HoldMin(double gaugeStepKpa, double absoluteKpa, double mattersPercentPerHour) =>
        CreepMin + (3 * Guard.Positive(gaugeStepKpa, nameof(gaugeStepKpa)) / (Guard.Positive(absoluteKpa, nameof(absoluteKpa)) * Guard.Positive(mattersPercentPerHour, nameof(mattersPercentPerHour)) / 100) * 60);

    private static double Amount(HoldReading reading) => (reading.GaugeKpa + reading.BarometerKpa) / (reading.AirC + Curing.EquivalentAge.ZeroCelsiusK);

    private static (double Slope, double Error)? Fit(IReadOnlyList<(double X, double Y)> points)
    {
        double meanX = points.Average(point => point.X), meanY = points.Average(point => point.Y);
        var spread = points.Sum(point => (point.X - meanX) * (point.X - meanX));
        if (spread == 0)
        {
            return null;
        }

        var slope = points.Sum(point => (point.X - meanX) * (point.Y - meanY)) / spread;
        var residual = points.Sum(point => Math.Pow(point.Y - meanY - (slope * (point.X - meanX)), 2));
        return (slope, Math.Sqrt(residual / (points.Count - 2) / spread));
    }
}
