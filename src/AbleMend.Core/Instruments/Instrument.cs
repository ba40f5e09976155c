using System.Text.Json.Serialization;

namespace AbleMend.Core.Instruments;

/// <summary>What an instrument measures. Each has one unit, whatever its display shows.</summary>
[JsonConverter(typeof(Kebab<Measurand>))]
public enum Measurand
{
    /// <summary>Mass on a scale, in g.</summary>
    Mass,

    /// <summary>Pressure over that of the air, in kPa.</summary>
    GaugePressure,

    /// <summary>Air at the bench, in °C.</summary>
    AirTemperature,

    /// <summary>Surface of an item, in °C: it decides dew and cure, and not the air.</summary>
    SurfaceTemperature,

    /// <summary>Relative humidity, in %.</summary>
    Humidity,

    /// <summary>Pressure of the air where the shop is, in kPa, not reduced to sea level.</summary>
    Barometer,

    /// <summary>Ultraviolet light, in mW/cm².</summary>
    Ultraviolet,

    /// <summary>Labels that are left on a printer's roll: what counts them prints them.</summary>
    Labels,
}

/// <summary>Something that an instrument measures, with the smallest step of its display.</summary>
/// <param name="What">What.</param>
/// <param name="Step">Smallest step, in the unit of what is measured, above 0.</param>
public sealed record Measured(Measurand What, double Step);

/// <summary>An instrument as it says itself what it is.</summary>
/// <param name="Id">Its name on the line: small letters, digits and hyphens.</param>
/// <param name="Name">What people call it.</param>
/// <param name="Measures">What it measures, at least one.</param>
/// <param name="IsSimulated">Whether it is a stand-in that can be told what to show.</param>
public sealed record Instrument(string Id, string Name, IReadOnlyList<Measured> Measures, bool IsSimulated);

/// <summary>A reading.</summary>
/// <param name="What">What was measured.</param>
/// <param name="Value">How much, in the unit of what is measured.</param>
/// <param name="IsStill">Whether it no longer moves.</param>
public sealed record Reading(Measurand What, double Value, bool IsStill);

/// <summary>What a shop's instruments can show at all, by what they measure.</summary>
/// <param name="Unit">The unit.</param>
/// <param name="Least">The least that is believed.</param>
/// <param name="Most">The most.</param>
public sealed record Measurable(string Unit, double Least, double Most)
{
    /// <value>Everything that is measured. A scale shows less than nothing once what it was tared with is taken off.</value>
    public static IReadOnlyDictionary<Measurand, Measurable> All { get; } = new Dictionary<Measurand, Measurable>
    {
        [Measurand.Mass] = new("g", -100_000, 100_000),
        [Measurand.GaugePressure] = new("kPa", -110, 1000),
        [Measurand.AirTemperature] = new("°C", -40, 90),
        [Measurand.SurfaceTemperature] = new("°C", -40, 300),
        [Measurand.Humidity] = new("%", 0, 100),
        [Measurand.Barometer] = new("kPa", 30, 120),
        [Measurand.Ultraviolet] = new("mW/cm²", 0, 2000),
        [Measurand.Labels] = new("", 0, 100_000),
    };
}
