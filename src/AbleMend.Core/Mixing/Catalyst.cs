using AbleMend.Core.Materials;

namespace AbleMend.Core.Mixing;

/// <summary>How much catalyst a batch takes.</summary>
/// <param name="Percent">Percent by weight of resin.</param>
/// <param name="MassG">Grams.</param>
/// <param name="VolumeMl">Millilitres.</param>
/// <param name="Drops">Whole drops from the calibrated dropper.</param>
/// <param name="Held">Whether the temperature asked for more or less than the label allows, so that the limit was taken.</param>
public sealed record CatalystAmount(double Percent, double MassG, double VolumeMl, int Drops, bool Held);

/// <summary>Catalyst by weight of resin, adjusted to the bench temperature within the label's band.</summary>
public static class Catalyst
{
    /// <summary>Change for each °C away from the label's temperature, in percentage points. Common practice: 0.5 more for 8 °C colder.</summary>
    public const double PointsPerK = 0.0625;

    /// <summary>How much the size of a drop varies, as a standard deviation over its mean, in percent. From memory.</summary>
    public const double DropSpreadPercent = 20;

    /// <summary>Fewest drops by which the dose stays inside the label's band nineteen times out of twenty: errors of drops fall with the root of their number.</summary>
    /// <param name="dose">The label's dose.</param>
    /// <param name="percent">What is wanted of it, in percent.</param>
    /// <param name="own">The shop's own dropper, whose drops were weighed; null for any.</param>
    /// <returns>For 2 % of a label that allows 1.5 to 2.5: 3. At the end of its band a fifth either way is still granted, or a tenth by drops that were weighed.</returns>
    public static int FewestDrops(CatalystDose dose, double percent, WeighedDrops? own = null)
    {
        var room = Math.Max(SpreadOf(own), 100 * Math.Min(percent - dose.MinPercent, dose.MaxPercent - percent) / Guard.Positive(percent, nameof(percent)));
        return (int)Math.Ceiling((Math.Pow(1.96 * SpreadOf(own), 2) / (Math.Pow(room, 2) - Math.Pow(own?.BandPercent ?? 0, 2))) - 1e-9);
    }

    /// <summary>How far the dose of some drops is off at most, nineteen times out of twenty, in percent of the dose.</summary>
    /// <param name="drops">How many, above 0.</param>
    /// <param name="own">The shop's own dropper, whose drops were weighed; null for any.</param>
    public static double BandPercent(double drops, WeighedDrops? own = null) =>
        Math.Sqrt((Math.Pow(1.96 * SpreadOf(own), 2) / Guard.Positive(drops, nameof(drops))) + Math.Pow(own?.BandPercent ?? 0, 2));

    private static double SpreadOf(WeighedDrops? own) => own is null ? DropSpreadPercent : WeighedDrops.SpreadPercent;

    /// <summary>The dose for a mass of resin at a temperature.</summary>
    /// <param name="dose">The label's dose.</param>
    /// <param name="resinG">Resin in grams, above 0.</param>
    /// <param name="benchC">Bench temperature in °C.</param>
    /// <param name="referenceC">Temperature of the label's dose in °C.</param>
    /// <returns>50 g at 2 % and the reference temperature: 1 g.</returns>
    public static CatalystAmount For(CatalystDose dose, double resinG, double benchC, double referenceC)
    {
        Guard.Positive(resinG, nameof(resinG));
        var wanted = dose.Percent + ((referenceC - benchC) * PointsPerK);
        var percent = Math.Clamp(wanted, dose.MinPercent, dose.MaxPercent);
        var grams = resinG * percent / 100;
        var drops = (int)Math.Max(1, Math.Round(grams / dose.DropMassG));
        return new CatalystAmount(percent, grams, grams / dose.DensityGPerMl, drops, Math.Abs(percent - wanted) > 1e-9);
    }
}
