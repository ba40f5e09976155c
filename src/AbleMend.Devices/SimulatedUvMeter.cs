using AbleMend.Core.Instruments;

namespace AbleMend.Devices;

/// <summary>A meter for ultraviolet light outside the door: the day's arc, with clouds that come and go.</summary>
internal sealed class SimulatedUvMeter(Chance chance, TimeProvider clock) : Simulated
{
    /// <summary>Ultraviolet A of a clear noon, in mW/cm². From memory.</summary>
    private const double ClearNoon = 5;

    /// <summary>How long a cloud stays, in s.</summary>
    private const double CloudS = 240;

    private double _cloud;
    private double _cover = 0.3;

    public override Instrument Instrument => new("door-uv", "Light at the door", [new Measured(Measurand.Ultraviolet, 0.01)], true);

    public override IReadOnlyList<Deed> Does => [new("cloud", 0, 100, percent => (_cover, _cloud) = (percent / 100, 0))];

    public override void Pass(double seconds) =>
        _cloud = (_cloud * Math.Exp(-seconds / CloudS)) + (chance.Normal() * Math.Sqrt(1 - Math.Exp(-2 * seconds / CloudS)));

    public override IEnumerable<Reading> Read()
    {
        var height = Math.Max(0, Math.Cos(2 * Math.PI * (clock.GetLocalNow().TimeOfDay.TotalHours - 13) / 24));
        // The thicker the cloud, the less is left of the light: a third of it under a grey sky.
        var clear = 1 - (0.7 * Math.Clamp(_cover + (0.4 * _cloud), 0, 1));
        return [new Reading(Measurand.Ultraviolet, Shown(ClearNoon * height * clear, 0.01), true)];
    }
}
