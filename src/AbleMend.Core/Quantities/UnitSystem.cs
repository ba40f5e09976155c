using System.Text.Json.Serialization;

namespace AbleMend.Core.Quantities;

/// <summary>The units that a shop reads.</summary>
[JsonConverter(typeof(Kebab<UnitSystem>))]
public enum UnitSystem
{
    /// <summary>Millimetres, grams, kilopascals, degrees Celsius.</summary>
    Metric,

    /// <summary>Inches, ounces, pounds per square inch, degrees Fahrenheit.</summary>
    Us,
}
