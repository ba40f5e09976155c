using AbleMend.Core.Curing;
using AbleMend.Core.Instruments;

namespace AbleMend.Devices;

/// <summary>
/// A gauge on something that holds air, with the barometer beside it. The pump's heat leaves within minutes, cloth creeps, the air inside goes
/// with the air outside, and what leaks goes with what is left: dp/dt = −k·p. The display trembles and shows steps.
/// </summary>
internal sealed class SimulatedGauge(Chance chance, Func<double> airC, double stepKpa = 0.1) : Simulated
{
    /// <summary>Time constants of the pump's heat and of creep, in s, and how much of the first there is. From memory.</summary>
    private const double PumpHeatS = 240;
    private const double CreepS = 500;
    private const double PumpHeatK = 8;
    private const double CreepShare = 0.02;

    /// <summary>Barometer of a quiet day at the sea, in kPa.</summary>
    private const double QuietKpa = 101.3;

    private double _molesAt20Kpa;
    private double _leakPercentPerH;
    private double _sinceS = double.PositiveInfinity;
    private double _trembleKpa;
    private double _barometerKpa = QuietKpa;
    private double _speed = 1;

    public override Instrument Instrument => new("test-gauge", "Test gauge", [new Measured(Measurand.GaugePressure, stepKpa), new Measured(Measurand.Barometer, 0.1)], true);

    public override double RatePerS => 2;

    public override IReadOnlyList<Deed> Does =>
    [
        new("inflate", 0.1, 500, Inflate), new("leak", 0, 100, percent => _leakPercentPerH = percent), new("speed", 1, 3600, times => _speed = times),
        Deed.Bare("open", () => _molesAt20Kpa = 0),
    ];

    public override void Pass(double seconds)
    {
        var own = seconds * _speed;
        _sinceS += own;
        // What leaks leaves by the pressure over that of the air, as a share of it in an hour.
        var gauge = Math.Max(0, TrueKpa);
        _molesAt20Kpa -= gauge / Stretched * _leakPercentPerH / 100 * own / 3600;
        _barometerKpa += (((QuietKpa - _barometerKpa) * own / 86_400) + (chance.Normal() * 0.6 * Math.Sqrt(own / 86_400)));
        _trembleKpa = chance.Normal() * stepKpa * 0.3;
    }

    /// <value>What a perfect gauge would show, in kPa.</value>
    public double TrueKpa => _molesAt20Kpa <= 0 ? 0 : (_molesAt20Kpa * Stretched) - _barometerKpa;

    /// <summary>What the air inside presses with now for each kPa that it would at 20 °C before the cloth crept.</summary>
    private double Stretched => (InsideC + EquivalentAge.ZeroCelsiusK) / (20 + EquivalentAge.ZeroCelsiusK) * (1 - (CreepShare * (1 - Math.Exp(-_sinceS / CreepS))));

    /// <value>What a perfect barometer beside it would show, in kPa.</value>
    public double TrueBarometerKpa => _barometerKpa;

    private double InsideC => airC() + (PumpHeatK * Math.Exp(-_sinceS / PumpHeatS));

    public override IEnumerable<Reading> Read() =>
        [new Reading(Measurand.GaugePressure, Shown(Math.Max(0, TrueKpa) + _trembleKpa, stepKpa), true), new Reading(Measurand.Barometer, Shown(_barometerKpa, 0.1), true)];

    private void Inflate(double kpa)
    {
        _sinceS = 0;
        _molesAt20Kpa = (kpa + _barometerKpa) * (20 + EquivalentAge.ZeroCelsiusK) / (InsideC + EquivalentAge.ZeroCelsiusK);
    }
}
