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
    public Message LeastRule => device is CupDevice
        ? "The least batch that covers the resin needed, with both parts on a line of the cup and the ratio inside its tolerance"
        : "The least batch that covers the resin needed, with the ratio inside its tolerance on this scale";

    /// <summary>Reads what is known of the device, so that what rests on it says so.</summary>
    public void Read()
    {
        switch (device)
        {
            case CupDevice cup:
                _ = (job.Figures.Fact("cup.line", "Lines every", Ml(cup.LineEveryMl)).Value, LineError(cup).Value);
                break;
            case ScaleDevice scale:
                _ = Step(scale).Value;
                break;
        }
    }

    /// <value>How its error is reckoned.</value>
    public Message BandRule => device is CupDevice
        ? "Nineteen times out of twenty: 1.96 × √((u/A)² + (u/B)²), with u = half-width/√6 of a pour that aims at the line"
        : "Nineteen times out of twenty: the trapezoid of two rectangular errors, half a step ÷ amount each";

    /// <summary>How far the ratio of two amounts is off at most, nineteen times out of twenty, in percent.</summary>
    public double RatioBandPercent(Figure<Volume> a, Figure<Volume> b, Figure<Mass> aGrams, Figure<Mass> bGrams) =>
        device switch
        {
            CupDevice cup => BatchMaker.PouredBandPercent(a.Ml, b.Ml, LineError(cup).Ml),
            ScaleDevice scale => BatchMaker.WeighedBandPercent(aGrams.G, bGrams.G, Step(scale).G / 2),
            _ => throw new ArgumentException("Unknown device.", nameof(device)),
        };

    private Figure<Volume> LineError(CupDevice cup) => job.Figures.Fact("cup.line-error", "Pour to a line is off by up to", Ml(cup.LineErrorMl));

    private Figure<Mass> Step(ScaleDevice scale) => job.Figures.Fact("scale.step", "Scale step", Grams(scale.StepG));
}
