using AbleMend.Core.Instruments;

namespace AbleMend.Devices;

/// <summary>
/// A scale on a bench: what is poured runs in at the pace of a hand that slows towards its mark and slips a little past it; the display
/// trembles, drifts slowly and shows steps.
/// </summary>
internal sealed class SimulatedScale(Chance chance, double stepG = 0.1) : Simulated
{
    /// <summary>Pace of a hand that pours, in g/s.</summary>
    private const double PaceGPerS = 6;

    /// <summary>A hand stops within about this of its mark.</summary>
    private const double SlipG = 0.15;

    /// <summary>How far the display wanders in an hour.</summary>
    private const double DriftGPerH = 0.2;

    private double _onIt;
    private double _toCome;
    private double _tare;
    private double _driftG;
    private double _trembleG;

    public override Instrument Instrument => new("bench-scale", "Bench scale", [new Measured(Measurand.Mass, stepG)], true);

    public override double RatePerS => 10;

    /// <value>What really stands on it, in g.</value>
    public double TrueG => _onIt;

    public override IReadOnlyList<Deed> Does =>
    [
        // A hand that pours; exactly that much where it is laid on.
        new("pour", 0.01, 5000, grams => _toCome += Math.Max(0, grams + (chance.Normal() * SlipG))),
        new("put", 0.01, 50_000, grams => _onIt += grams),
        new("take", 0.01, 50_000, grams => _onIt = Math.Max(0, _onIt - grams)),
        Deed.Bare("clear", () => (_onIt, _toCome) = (0, 0)),
    ];

    public override void Pass(double seconds)
    {
        var flows = Math.Sign(_toCome) * Math.Min(Math.Abs(_toCome), Math.Max(0.3, Math.Min(PaceGPerS, Math.Abs(_toCome) * 1.5)) * seconds);
        _onIt += flows;
        _toCome -= flows;
        _driftG += chance.Normal() * DriftGPerH * Math.Sqrt(seconds / 3600);
        _trembleG = chance.Normal() * stepG * 0.2;
    }

    public override IEnumerable<Reading> Read() => [new Reading(Measurand.Mass, Shown(_onIt + _driftG + _trembleG - _tare, stepG), _toCome == 0)];

    public override void Tare() => _tare = _onIt + _driftG;
}
