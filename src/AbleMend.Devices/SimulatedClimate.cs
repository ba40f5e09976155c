using AbleMend.Core.Instruments;
using AbleMend.Core.Preparing;

namespace AbleMend.Devices;

/// <summary>
/// Air of a shop through day and night, and the surface of an item in it that follows slowly: warmest at three in the afternoon, coldest before
/// dawn; the water in the air stays much the same, so that it is damper when it is colder (Magnus).
/// </summary>
internal sealed class SimulatedClimate(Chance chance, TimeProvider clock) : Simulated
{
    /// <summary>Time constant of a surface behind its air, in s. From memory.</summary>
    private const double SurfaceS = 2400;

    private double _meanC = 20;
    private double _swingK = 3;
    private double _wanderK;
    private double? _surfaceC;
    private double _dewC = 10;
    private double _speed = 1;
    private double _aheadS;

    public override Instrument Instrument =>
        new("bench-climate", "Bench climate", [new Measured(Measurand.AirTemperature, 0.1), new Measured(Measurand.Humidity, 1), new Measured(Measurand.SurfaceTemperature, 0.1)], true);

    public override double RatePerS => 1;

    /// <value>The air, in °C.</value>
    public double AirC => _meanC + (_swingK * Math.Cos(2 * Math.PI * (HourOfDay - 15) / 24)) + _wanderK;

    private double HourOfDay => (clock.GetLocalNow().TimeOfDay.TotalSeconds + _aheadS) / 3600 % 24;

    public override IReadOnlyList<Deed> Does =>
    [
        new("mean", -20, 45, celsius => _meanC = celsius), new("swing", 0, 20, kelvin => _swingK = kelvin),
        new("dew", -30, 30, celsius => _dewC = celsius), new("speed", 1, 3600, times => _speed = times),
    ];

    public override void Pass(double seconds)
    {
        var own = seconds * _speed;
        _aheadS += own - seconds;
        _wanderK = (_wanderK * Math.Exp(-own / 1800)) + (chance.Normal() * 0.3 * Math.Sqrt(1 - Math.Exp(-own / 900)));
        var surface = _surfaceC ?? AirC;
        _surfaceC = surface + ((AirC - surface) * (1 - Math.Exp(-own / SurfaceS)));
    }

    public override IEnumerable<Reading> Read() =>
    [
        new Reading(Measurand.AirTemperature, Shown(AirC, 0.1), true),
        new Reading(Measurand.Humidity, Shown(Math.Clamp(DewPoint.HumidityPercent(AirC, _dewC), 1, 100), 1), true),
        new Reading(Measurand.SurfaceTemperature, Shown(_surfaceC ?? AirC, 0.1), true),
    ];
}
