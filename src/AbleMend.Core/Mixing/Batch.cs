using AbleMend.Core.Figures;
using AbleMend.Core.Materials;

namespace AbleMend.Core.Mixing;

/// <summary>One batch as it is measured out.</summary>
/// <param name="AMl">Part A in mL.</param>
/// <param name="BMl">Part B in mL; 0 for a single part.</param>
/// <param name="AG">Part A in grams.</param>
/// <param name="BG">Part B in grams.</param>
/// <param name="RatioBandPercent">How far the ratio is off at most, nineteen times out of twenty, in percent.</param>
public sealed record Batch(double AMl, double BMl, double AG, double BG, double RatioBandPercent)
{
    /// <value>Volume of the batch in mL.</value>
    public double TotalMl => AMl + BMl;

    /// <value>Mass of the batch in grams.</value>
    public double TotalG => AG + BG;
}

/// <summary>
/// The least batch that can be measured well enough. Each part is off by a rectangular error of half-width
/// <c>e</c>, so by a standard uncertainty of e/√3 (JCGM 100:2008, 4.3.7), and the ratio by
/// √((u/A)² + (u/B)²) (5.1.6, product of powers). What is held inside a resin's tolerance is not that one standard error but the
/// half-width that contains 95 % of ratios. Where a share of the whole is measured, the total at which the band is the tolerance is
/// the band of that share ÷ the tolerance.
/// </summary>
public static class BatchMaker
{
    /// <summary>The citation that goes with a batch.</summary>
    public static Source Source { get; } =
        Source.Published("JCGM 100:2008 (GUM), 4.3.7 rectangular distribution and 5.1.6 relative uncertainty of a quotient, 4.3.9 triangular and trapezoidal distributions; 95 %");

    /// <summary>Standard error of a ratio in percent.</summary>
    /// <param name="amountA">Amount of A, above 0.</param>
    /// <param name="amountB">Amount of B in the same unit, above 0.</param>
    /// <param name="halfWidth">Half-width of the error of each, same unit.</param>
    /// <returns>For 20 and 10 mL, each to 0.5 mL: 3.2 %.</returns>
    public static double RatioErrorPercent(double amountA, double amountB, double halfWidth)
    {
        var u = Guard.NotNegative(halfWidth, nameof(halfWidth)) / Math.Sqrt(3);
        var relativeA = u / Guard.Positive(amountA, nameof(amountA));
        var relativeB = u / Guard.Positive(amountB, nameof(amountB));
        return 100 * Math.Sqrt((relativeA * relativeA) + (relativeB * relativeB));
    }

    /// <summary>
    /// How far the ratio of two pours to a line is off at most, nineteen times out of twenty, in percent. A hand aims at the line, so that
    /// small errors are likelier than large ones: triangular, with u = e/√6 (4.3.9).
    /// </summary>
    /// <param name="amountA">Amount of A, above 0.</param>
    /// <param name="amountB">Amount of B in the same unit, above 0.</param>
    /// <param name="halfWidth">Half-width of the error of each, same unit.</param>
    /// <returns>For 20 and 10 mL, each to 0.5 mL: 4.5 %.</returns>
    public static double PouredBandPercent(double amountA, double amountB, double halfWidth) => 1.96 * RatioErrorPercent(amountA, amountB, halfWidth) / Math.Sqrt(2);

    /// <summary>
    /// How far the ratio of two weights is off at most, nineteen times out of twenty, in percent. Anything that rounds to the same step
    /// is as likely: rectangular (4.3.7), and the sum of two such errors is trapezoidal, narrower in its tails than a normal one.
    /// </summary>
    /// <param name="amountA">Amount of A, above 0.</param>
    /// <param name="amountB">Amount of B in the same unit, above 0.</param>
    /// <param name="halfWidth">Half a step, same unit.</param>
    /// <returns>For 20 and 10 g, each to 0.5 g: 5.9 %.</returns>
    public static double WeighedBandPercent(double amountA, double amountB, double halfWidth)
    {
        Guard.NotNegative(halfWidth, nameof(halfWidth));
        var (a, b) = (halfWidth / Guard.Positive(amountA, nameof(amountA)), halfWidth / Guard.Positive(amountB, nameof(amountB)));
        var (narrow, wide) = (Math.Min(a, b), Math.Max(a, b));
        // A tail of 2.5 %: on the slope of the trapezoid it is (a + b − x)²/(8·a·b), on its flat top (b − x)/(2·b).
        const double Tail = 0.025;
        return 100 * (narrow >= 2 * Tail * wide ? narrow + wide - Math.Sqrt(8 * Tail * narrow * wide) : (1 - (2 * Tail)) * wide);
    }

    /// <summary>The least batch of a two-part resin that covers a volume and whose ratio this device can hold.</summary>
    /// <param name="resin">A two-part resin.</param>
    /// <param name="neededMl">Volume wanted in mL, above 0.</param>
    /// <param name="device">What it is measured with.</param>
    public static Batch Least(Material resin, double neededMl, MeasuringDevice device)
    {
        Guard.Positive(neededMl, nameof(neededMl));
        return device switch
        {
            CupDevice cup => InCup(resin, neededMl, cup),
            ScaleDevice scale => InSteps(resin, neededMl, scale),
            SyringeDevice syringe => InSteps(resin, neededMl, syringe),
            PumpDevice pump => InStrokes(resin, neededMl, pump),
            _ => throw new ArgumentException("Unknown device.", nameof(device)),
        };
    }

    /// <summary>A batch of a set volume, with the band of the ratio that this device gives it.</summary>
    public static Batch OfVolume(Material resin, double totalMl, MeasuringDevice device)
    {
        var a = Guard.Positive(totalMl, nameof(totalMl)) * Ratio.VolumeShareOfA(resin);
        return Build(resin, a, totalMl - a, device);
    }

    private static Batch InCup(Material resin, double neededMl, CupDevice cup)
    {
        var (a, b) = WholeLines(resin, cup);
        var leastForError = PouredBandPercent(a / (a + b), b / (a + b), cup.LineErrorMl) / resin.Ratio!.TolerancePercent;
        var sets = Math.Ceiling((Math.Max(neededMl, leastForError) / (a + b)) - 1e-9);
        return Build(resin, sets * a, sets * b, cup);
    }

    /// <summary>
    /// The smallest amounts of A and B that both stand on a line: 2:1 on lines of 5 mL is 10 and 5. Where no
    /// small whole numbers fit the ratio, B is poured to a line and A to the mark that the ratio asks for.
    /// </summary>
    private static (double A, double B) WholeLines(Material resin, CupDevice cup)
    {
        var share = Ratio.VolumeShareOfA(resin);
        var ratio = share / (1 - share);
        for (var lines = 1; lines <= 4; lines++)
        {
            if (Math.Abs((ratio * lines) - Math.Round(ratio * lines)) < 0.02)
            {
                return (Math.Round(ratio * lines) * cup.LineEveryMl, lines * cup.LineEveryMl);
            }
        }

        return (ratio * cup.LineEveryMl, cup.LineEveryMl);
    }

    /// <summary>Both parts on a step of the scale, or on a graduation of their syringes.</summary>
    private static Batch InSteps(Material resin, double neededMl, MeasuringDevice device)
    {
        var scale = device as ScaleDevice;
        var step = scale?.StepG ?? ((SyringeDevice)device).GraduationMl;
        var share = scale is null ? Ratio.VolumeShareOfA(resin) : Ratio.MassShareOfA(resin);
        var ratio = share / (1 - share);
        var needed = scale is null ? neededMl : neededMl * MixedDensity(resin);
        var total = Math.Max(needed, BandPercent(device, share, 1 - share, share, 1 - share) / resin.Ratio!.TolerancePercent);
        var steps = Math.Ceiling((total * (1 - share) / step) - 1e-9);
        // Both parts stand on a step; step on until rounding A costs no more than a third of the tolerance.
        while (true)
        {
            var b = steps * step;
            var a = Math.Round(b * ratio / step) * step;
            if (Math.Abs((a / b / ratio) - 1) <= resin.Ratio.TolerancePercent / 300)
            {
                return scale is null ? Build(resin, a, b, device) : Build(resin, a / resin.DensityAGPerMl!.Value, b / resin.DensityBGPerMl!.Value, device);
            }

            steps++;
        }
    }

    /// <summary>Whole strokes of both pumps, as many as even out their differences.</summary>
    private static Batch InStrokes(Material resin, double neededMl, PumpDevice pump)
    {
        var share = Ratio.VolumeShareOfA(resin);
        var (a, b) = (pump.StrokeMl, pump.StrokeMl * (1 - share) / share);
        var even = Math.Pow(BandPercent(pump, a, b, 0, 0) / resin.Ratio!.TolerancePercent, 2);
        var strokes = Math.Ceiling(Math.Max(neededMl / (a + b), even) - 1e-9);
        return Build(resin, strokes * a, strokes * b, pump);
    }

    private static Batch Build(Material resin, double aMl, double bMl, MeasuringDevice device)
    {
        var (aG, bG) = (aMl * resin.DensityAGPerMl!.Value, bMl * resin.DensityBGPerMl!.Value);
        return new Batch(aMl, bMl, aG, bG, BandPercent(device, aMl, bMl, aG, bG));
    }

    /// <summary>How far the ratio of two amounts is off at most with a device, nineteen times out of twenty, in percent.</summary>
    /// <param name="device">What they are measured with.</param>
    /// <param name="aMl">A in mL, above 0.</param>
    /// <param name="bMl">B in mL, above 0.</param>
    /// <param name="aG">A in grams; only a scale looks at it.</param>
    /// <param name="bG">B in grams; only a scale looks at it.</param>
    public static double BandPercent(MeasuringDevice device, double aMl, double bMl, double aG, double bG) =>
        device switch
        {
            CupDevice cup => PouredBandPercent(aMl, bMl, cup.LineErrorMl),
            ScaleDevice scale => WeighedBandPercent(aG, bG, scale.StepG / 2),
            SyringeDevice syringe => PouredBandPercent(aMl, bMl, syringe.GraduationMl / 2),
            // Strokes of both pumps differ by themselves: their mean is known the better the more there are.
            PumpDevice pump => 1.96 * Math.Sqrt(2) * pump.StrokeErrorPercent / Math.Sqrt(Math.Max(1, aMl / pump.StrokeMl)),
            _ => throw new ArgumentException("Unknown device.", nameof(device)),
        };

    private static double MixedDensity(Material resin)
    {
        var share = Ratio.VolumeShareOfA(resin);
        return (share * resin.DensityAGPerMl!.Value) + ((1 - share) * resin.DensityBGPerMl!.Value);
    }
}
