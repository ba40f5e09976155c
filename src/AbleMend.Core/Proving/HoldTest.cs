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
/// <param name="Used">Readings used, those after it has settled.</param>
/// <param name="MattersPercentPerHour">Loss that matters, in percent of what is inside, an hour.</param>
/// <param name="SettleMin">Minutes that are left out.</param>
public sealed record HoldResult(HoldVerdict Verdict, double? LossPercentPerHour, double? BandPercentPerHour, int Given, int Used, double MattersPercentPerHour, double SettleMin);

/// <summary>What a hold test is judged by.</summary>
/// <param name="MattersPercentPerHour">Loss that matters, in percent of the air inside, an hour, above 0.</param>
/// <param name="SettleMin">Minutes that are left out while cloth creeps and the pump's heat leaves, 0 or more.</param>
/// <param name="GaugeStepKpa">Step of the gauge in kPa, above 0.</param>
/// <param name="ThermometerStepK">Step of the thermometer in K, above 0.</param>
public sealed record HoldCriterion(double MattersPercentPerHour, double SettleMin, double GaugeStepKpa, double ThermometerStepK)
{
    /// <value>Steps of a usual hand gauge and a shop's thermometer. From memory.</value>
    public static (double GaugeKpa, double ThermometerK) UsualSteps { get; } = (0.7, 1);
}

/// <summary>
/// Hold test by regression of the amount of air, (gauge + barometer)/T, on time, which takes temperature and weather
/// out. Cloth creeps and the pump's heat leaves at first: those minutes are left out. The band is the wider of what the
/// readings scatter and what gauge and thermometer can tell apart, so that nothing passes sooner than they can see.
/// </summary>
public static class HoldTest
{
    /// <summary>Identifier of the test that these readings judge.</summary>
    public const string ProofId = "hold";

    /// <summary>Identifier of the step that blows it up, from whose end it settles.</summary>
    public const string InflateStep = "inflate";

    /// <summary>Identifier of the step that lets it settle and watches the gauge, before the test is judged.</summary>
    public const string WatchStep = "watch";

    /// <summary>Identifier of the loss that matters, in percent an hour.</summary>
    public const string MattersFigure = "hold.matters";

    /// <summary>Identifier of the minutes that are left out.</summary>
    public const string SettleFigure = "hold.settle";

    /// <summary>Identifier of the step of the gauge.</summary>
    public const string GaugeFigure = "gauge.step";

    /// <summary>Identifier of the step of the thermometer.</summary>
    public const string ThermometerFigure = "gauge.thermometer";

    /// <summary>Two-sided 95 % point of the normal distribution, textbook table.</summary>
    private const double Normal = 1.96;

    /// <summary>Two-sided 95 % points of Student's t for 1 to 10 degrees of freedom, then the normal's; textbook table.</summary>
    private static readonly double[] Student = [12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228];

    /// <summary>The citation.</summary>
    public static Source Source { get; } = Source.Published("Ideal gas law; least squares with Student's t, textbook; resolution of an instrument as step/√12, JCGM 100:2008 (GUM) F.2.2.1");

    /// <summary>Judges the readings.</summary>
    /// <param name="readings">Readings in order of time; two that have settled are the least.</param>
    /// <param name="criterion">What they are judged by.</param>
    public static HoldResult Judge(IReadOnlyList<HoldReading> readings, HoldCriterion criterion)
    {
        var matters = Guard.Positive(criterion.MattersPercentPerHour, nameof(criterion));
        var used = readings.Where(reading => reading.Minute >= criterion.SettleMin).ToList();
        if (used.Count < 2 || Fit([.. used.Select(each => (each.Minute / 60, Amount(each) / Amount(used[0]) * 100))]) is not { } fit)
        {
            return new HoldResult(HoldVerdict.NotYet, null, null, readings.Count, used.Count, matters, criterion.SettleMin);
        }

        var seen = Normal * 100 * Resolution(used[0], criterion) / Math.Sqrt(fit.Spread);
        var freedom = used.Count - 2;
        var scattered = freedom < 1 ? 0 : fit.Error * (freedom <= Student.Length ? Student[freedom - 1] : Normal);
        var (loss, band) = (-fit.Slope, Math.Max(seen, scattered));
        var verdict = loss + band < matters ? HoldVerdict.Pass : loss - band > matters ? HoldVerdict.Fail : HoldVerdict.NotYet;
        return new HoldResult(verdict, loss, band, readings.Count, used.Count, matters, criterion.SettleMin);
    }

    /// <summary>Air inside at a reading, in percent of what was there at another: warmth and weather taken out.</summary>
    public static double AirPercent(HoldReading reading, HoldReading first) => Amount(reading) / Amount(first) * 100;

    /// <summary>
    /// When the answer will be known, were one more reading all that is still taken and the loss what it is now: in minutes since it was
    /// blown up. Null where it is known already, where there are too few readings, and where no time would tell.
    /// </summary>
    /// <param name="readings">Readings in order of time.</param>
    /// <param name="criterion">What they are judged by.</param>
    public static double? KnownMinute(IReadOnlyList<HoldReading> readings, HoldCriterion criterion)
    {
        var used = readings.Where(reading => reading.Minute >= criterion.SettleMin).ToList();
        if (used.Count < 2 || Judge(readings, criterion) is not { Verdict: HoldVerdict.NotYet, LossPercentPerHour: { } loss })
        {
            return null;
        }

        var (apart, mean) = (Math.Abs(loss - criterion.MattersPercentPerHour), used.Average(each => each.Minute / 60));
        var spread = used.Sum(each => Math.Pow((each.Minute / 60) - mean, 2));
        // One more reading at t adds n/(n + 1)·(t − mean)² to the spread that the band is divided by.
        var needed = apart > 0 ? Math.Pow(Normal * 100 * Resolution(used[0], criterion) / apart, 2) - spread : double.PositiveInfinity;
        var hours = mean + Math.Sqrt(Math.Max(0, needed) * (used.Count + 1) / used.Count);
        return hours <= LongestHours ? Math.Max(hours * 60, used[^1].Minute) : null;
    }

    /// <summary>Nobody waits longer for an answer.</summary>
    private const double LongestHours = 72;

    /// <summary>
    /// Loss that matters, in percent of the air inside, an hour: what takes a share of the working pressure in a day.
    /// </summary>
    /// <param name="sharePercent">Share of the working pressure that may be lost in a day, in percent, above 0.</param>
    /// <param name="workingKpa">Working pressure in kPa, above 0.</param>
    /// <param name="atmosphereKpa">Pressure of the air round it in kPa, above 0.</param>
    /// <returns>20 % of 103 kPa at sea level: 0.42 % an hour.</returns>
    public static double MattersPercentPerHour(double sharePercent, double workingKpa, double atmosphereKpa) =>
        Guard.Positive(sharePercent, nameof(sharePercent)) * Guard.Positive(workingKpa, nameof(workingKpa)) / (workingKpa + Guard.Positive(atmosphereKpa, nameof(atmosphereKpa))) / 24;

    /// <summary>Minutes between two readings, after it has settled, until the band that the instruments leave is half of the loss that matters.</summary>
    /// <param name="absoluteKpa">Absolute pressure inside in kPa, above 0.</param>
    /// <param name="airC">Temperature of the air.</param>
    /// <param name="criterion">What it is judged by.</param>
    public static double ApartMin(double absoluteKpa, double airC, HoldCriterion criterion) =>
        60 * 2 * Normal * Math.Sqrt(2) * 100 * Resolution(new HoldReading(0, Guard.Positive(absoluteKpa, nameof(absoluteKpa)), airC, 0), criterion) / criterion.MattersPercentPerHour;

    /// <summary>Standard uncertainty of one amount of air, as a share of it.</summary>
    private static double Resolution(HoldReading reading, HoldCriterion criterion)
    {
        var gauge = criterion.GaugeStepKpa / (reading.GaugeKpa + reading.BarometerKpa);
        var thermometer = criterion.ThermometerStepK / (reading.AirC + Curing.EquivalentAge.ZeroCelsiusK);
        return Math.Sqrt(((gauge * gauge) + (thermometer * thermometer)) / 12);
    }

    private static double Amount(HoldReading reading) => (reading.GaugeKpa + reading.BarometerKpa) / (reading.AirC + Curing.EquivalentAge.ZeroCelsiusK);

    private static (double Slope, double Error, double Spread)? Fit(IReadOnlyList<(double X, double Y)> points)
    {
        double meanX = points.Average(point => point.X), meanY = points.Average(point => point.Y);
        var spread = points.Sum(point => (point.X - meanX) * (point.X - meanX));
        if (spread == 0)
        {
            return null;
        }

        var slope = points.Sum(point => (point.X - meanX) * (point.Y - meanY)) / spread;
        var residual = points.Sum(point => Math.Pow(point.Y - meanY - (slope * (point.X - meanX)), 2));
        return (slope, points.Count > 2 ? Math.Sqrt(residual / (points.Count - 2) / spread) : 0, spread);
    }
}
