using AbleMend.Core.Figures;
using AbleMend.Core.Mixing;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>What two parts are measured with, as figures.</summary>
/// <param name="job">The job.</param>
/// <param name="device">The device.</param>
internal sealed class Measuring(Job job, MeasuringDevice device)
{
    /// <value>A scale that any shop can have, against which a coarse measure is held.</value>
    public static ScaleDevice Fine { get; } = new(0.1);

    /// <value>How the least batch is found with it.</value>
    public Message LeastRule => device switch
    {
        CupDevice => "The least batch that covers the resin needed, with both parts on a line of the cup and the ratio inside its tolerance",
        SyringeDevice => "The least batch that covers the resin needed, with both parts on a graduation of their syringes and the ratio inside its tolerance",
        PumpDevice => "The fewest whole strokes that cover the resin needed and even out, so that the ratio lies inside its tolerance",
        _ => "The least batch that covers the resin needed, with the ratio inside its tolerance on this scale",
    };

    /// <value>How its error is reckoned.</value>
    public Message BandRule => device switch
    {
        CupDevice or SyringeDevice => "Nineteen times out of twenty: 1.96 × √((u/A)² + (u/B)²), with u = half-width/√6 of a pour that aims at the line",
        PumpDevice => "Nineteen times out of twenty: 1.96 × √2 × spread of a stroke ÷ √strokes",
        _ => "Nineteen times out of twenty: the trapezoid of two rectangular errors, half a step ÷ amount each",
    };

    /// <summary>How it is measured out, in words, with what the hand reads from two metres.</summary>
    /// <param name="prefix">Prefix of the figures.</param>
    /// <param name="a">Part A.</param>
    /// <param name="b">Part B.</param>
    /// <param name="aGrams">Part A by weight.</param>
    /// <param name="bGrams">Part B by weight.</param>
    public (Message How, IReadOnlyList<IFigure> Lead) Parts(string prefix, Figure<Volume> a, Figure<Volume> b, Figure<Mass> aGrams, Figure<Mass> bGrams)
    {
        switch (device)
        {
            case ScaleDevice:
                return ($"On the scale {aGrams} of resin and {bGrams} of hardener", [aGrams, bGrams]);
            case SyringeDevice syringe:
                Message again = Math.Max(a.Ml, b.Ml) > syringe.BarrelMl ? (Message)$", drawn more than once" : Message.Empty;
                return ($"From a syringe of its own each, {a} of resin and {b} of hardener{again}", [a, b]);
            case PumpDevice pump:
                var strokes = job.Figure($"{prefix}.strokes", "Strokes of each pump", () => Count(Math.Round(a.Ml / pump.StrokeMl)), "Resin ÷ what a stroke gives", Source.Arithmetic, between: (1, 1000));
                return ($"{strokes} full strokes of each pump, slowly, to the stop", [strokes]);
            default:
                return ($"By the lines of the cup {a} of resin and {b} of hardener", [a, b]);
        }
    }

    /// <summary>Reads what is known of the device, so that what rests on it says so.</summary>
    public void Read()
    {
        foreach (var known in Known())
        {
            _ = known.Magnitude;
        }
    }

    /// <summary>How far the ratio of two amounts is off at most, nineteen times out of twenty, in percent.</summary>
    public double RatioBandPercent(Figure<Volume> a, Figure<Volume> b, Figure<Mass> aGrams, Figure<Mass> bGrams)
    {
        Read();
        return BatchMaker.BandPercent(device, a.Ml, b.Ml, aGrams.G, bGrams.G);
    }

    private IEnumerable<IFigure> Known() => device switch
    {
        CupDevice cup => [job.Figures.Fact("cup.line", "Lines every", Ml(cup.LineEveryMl)), job.Figures.Fact("cup.line-error", "Pour to a line is off by up to", Ml(cup.LineErrorMl))],
        ScaleDevice scale => [job.Figures.Fact("scale.step", "Scale step", Grams(scale.StepG))],
        SyringeDevice syringe => [job.Figures.Fact("syringe.graduation", "Graduations every", Ml(syringe.GraduationMl))],
        PumpDevice pump => [job.Figures.Fact("pump.stroke", "A stroke gives", Ml(pump.StrokeMl)), job.Figures.Fact("pump.stroke-error", "Strokes differ by", Percent(pump.StrokeErrorPercent))],
        _ => throw new ArgumentException("Unknown device.", nameof(device)),
    };
}
