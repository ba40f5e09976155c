using AbleMend.Core.Figures;
using AbleMend.Core.Mixing;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>How a batch is split into cups, how long each may be spread, and how hot it gets that is left standing.</summary>
internal sealed class CupHeat
{
    /// <summary>Too hot to hold, in °C. From memory.</summary>
    private const double TooHotToHoldC = 60;

    /// <summary>A cup smokes, in °C. From memory.</summary>
    private const double SmokesC = 120;

    private readonly Job _job;
    private readonly string _prefix;
    private readonly Cup _cup;
    private readonly Figure<Temperature> _air;
    private readonly Derived<Cups> _split;
    private readonly Derived<double> _resinMl;
    private readonly Func<double, OneCup> _measured;
    private readonly Figure<Volume> _holds;
    private readonly Figure<WallTime> _work;
    private Figure<Temperature>? _from;
    private Figure<Temperature>? _peak;

    /// <summary>Splits an order.</summary>
    /// <param name="job">The job.</param>
    /// <param name="order">What is mixed.</param>
    /// <param name="resinMl">Resin that it takes, in mL.</param>
    /// <param name="measured">What is measured for a share of it.</param>
    public CupHeat(Job job, MixOrder order, Derived<double> resinMl, Func<double, OneCup> measured)
    {
        (_job, _prefix, _resinMl, _measured, _work) = (job, order.Prefix, resinMl, measured, order.Work);
        var cup = job.View.Catalogue.CupOf(job.Main)!;
        // What sets faster here than its label says does so in the cup as well; what sets slower is not trusted with more time.
        _cup = job.Pace(job.Main) is var pace and > 1 ? new Cup(cup.Model with { K1PerS = cup.Model.K1PerS * pace }) : cup;
        _air = job.Figures.Fact("bench.at-start", "Air when work begins", Celsius(job.View.Climate.TemperatureCAt(job.View.StartAt)));
        var mixing = job.Constant("mix.minutes", "Time to mix", WallMin(Mixes.MixingMin), Source.FromMemory("Time to mix"));
        _holds = HoldsOf(job);
        _split = job.Derive(() => Mixing.Cups.Of(resinMl.Value, measured, grams => _cup.Simulate(grams, _air.C, CupShape.Cup),
            new CupLimits(RoomMl(_holds, resinMl.Value, order), mixing.WallMin, order.Work.WallMin, job.Label.SafePeak.C)));
        Cups = job.Figure($"{_prefix}.batches", "Cups", () => Count(_split.Value.Count),
            "Split until each cup holds its share, stays spreadable while it is mixed and spread, and bears its own heat; no finer than it can be measured", Cup.Source, between: (1, 50),
            wouldChange: () => _split.Value.TooQuick ? "Even a small cup is too quick at this temperature: mix, pour out flat at once, and work in a tray." : null);
    }

    /// <value>How many cups.</value>
    public Figure<Count> Cups { get; }

    /// <value>What is measured into each, in mL.</value>
    public double EachMl => Cups.N == _split.Value.Count ? _split.Value.EachMl : _measured(_resinMl.Value / Cups.N).Ml;

    /// <summary>One of its cups as it is weighed in.</summary>
    /// <param name="wholes">Of how many strokes or drops it is made; null where it is poured.</param>
    /// <param name="ingredients">What goes in, in order.</param>
    public CupContents Contents(double? wholes, params IEnumerable<Ingredient> ingredients) =>
        new([.. ingredients], _holds.Id, _work.Id, _cup.Model, NeededShare(_resinMl.Value, EachMl * Cups.N), (int?)wholes);

    /// <summary>How much of what is mixed is needed.</summary>
    public static double NeededShare(double needed, double mixed) => mixed > 0 ? Math.Clamp(needed / mixed, 0.001, 1) : 1;

    /// <value>What one is called.</value>
    public Message Each => Cups.N > 1 ? "Each cup" : "Batch";

    /// <value>What a hand should know of the cup before it is mixed; null where it fits and stays cool.</value>
    public Message? Warning => (TooLarge, Heat) switch
    {
        ({ } large, { } heat) => $"{large} {heat}",
        var (large, heat) => large ?? heat,
    };

    private Message? TooLarge => EachMl > _holds.Ml ? LargerThan(_holds) : null;

    private Message? Heat =>
        _peak is not { } peak || _from is not { } from ? null
        : _split.Value.TooQuick ? SetsTooFast
        : peak.C >= SmokesC ? (Message)$"Left in the cup it may smoke, at {from} to {peak}: have a tray ready, and pour it out flat at once."
        : peak.C >= TooHotToHoldC ? (Message)$"Left in the cup it gets too hot to hold, {from} to {peak}."
        : null;

    /// <summary>How long a cup may be spread, with its gel and its heat beside it.</summary>
    /// <param name="grams">What is in one cup, in grams.</param>
    public Figure<WallTime> Life(Derived<double> grams)
    {
        var (label, cup, air) = (_job.Label, _cup, _air);
        var each = _job.Figures.Work($"{_prefix}.cup", "Mass in the cup", () => Grams(grams.Value), "All that is poured into it", Source.Arithmetic, 1);
        var run = _job.Derive(() =>
        {
            _ = (label.PotLife.Value, label.PotMass.Value);
            return cup.Simulate(each.G, air.C, CupShape.Cup);
        });
        var tray = _job.Constant("mix.tray-depth", "Depth in the tray", Mm(Cup.TrayDepthMm), Source.FromMemory("Depth in the tray"));
        var spread = _job.Figure($"{_prefix}.spread-within", "Spread it within", () => WallMin(run.Value.SpreadMin),
            $"Heat balance of the cup with autocatalytic cure, until {Percent(Cup.SpreadableShare * 100)} of gel's conversion: four times as thick", Cup.SpreadSource);
        _job.Figure($"{_prefix}.pot-life", "It gels after", () => WallMin(run.Value.PotLifeMin), "The same heat balance, until gel", Cup.Source,
            wouldChange: () => $"Poured out {tray} deep: {WallMin(cup.Simulate(each.G, air.C, CupShape.Tray).PotLifeMin)}.");
        _peak = _job.Figure($"{_prefix}.peak", "Hottest if left in the cup, at most", () => Peak(1, each, run), PeakRule, Cup.Source,
            wouldChange: () => _split.Value.TooHot ? (Message)$"Cup and resin stand {label.SafePeak}: too hot to leave standing, pour it out flat into a tray at once." : null);
        // Of what stays cool nobody asks from where to where.
        _from = _peak.C < TooHotToHoldC ? null : _job.Figure($"{_prefix}.peak-from", "And at least", () => Peak(-1, each, run), PeakRule, Cup.Source);
        return spread;
    }

    private static Message PeakRule => $"The same heat balance, past gel to its peak, to ten degrees; its rise is known to {Percent(Cup.RiseBandPercent)}";

    private Temperature Peak(int side, Figure<Mass> each, Derived<CupResult> run)
    {
        _ = each.Value;
        return Celsius(Math.Round((_air.C + ((run.Value.PeakC - _air.C) * (1 + (side * Cup.RiseBandPercent / 100)))) / 10) * 10);
    }

    /// <value>What is said of resin that sets faster than a hand spreads it.</value>
    public static Message SetsTooFast => "It sets faster than it can be spread: cool bench and resin, or pour it out flat into a tray at once.";

    /// <summary>What is said of a batch that its cup does not hold.</summary>
    public static Message LargerThan(Figure<Volume> holds) =>
        $"It does not go into a cup of {holds}, and less cannot be measured in it: take a larger one, or a scale of {Grams(Measuring.Fine.StepG)} steps.";

    /// <summary>Room in a cup for resin, in mL: what is stirred in takes its own.</summary>
    public static double RoomMl(Figure<Volume> holds, double resinMl, MixOrder order) => holds.Ml * Math.Min(1, resinMl / Math.Max(order.Need.Ml, 0.1));

    /// <summary>What a cup holds: the one that is measured with, or a usual one.</summary>
    public static Figure<Volume> HoldsOf(Job job) =>
        job.View.Case.Tools.Measure is CupDevice cup
            ? job.Figures.Fact("cup.holds", "The cup holds", Ml(cup.HoldsMl))
            : job.Constant("cup.holds", "A mixing cup holds", Ml(300), Source.FromMemory("A usual mixing cup, filled so that it can be stirred"));
}
