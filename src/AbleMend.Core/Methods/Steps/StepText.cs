using System.Globalization;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Numbers in instructions, with the same digits everywhere.</summary>
internal static class StepText
{
    /// <summary>A name inside a sentence: its capital goes, unless it begins with an abbreviation such as PVC.</summary>
    public static string InSentence(string name) =>
        name.Length > 1 && char.IsUpper(name[1]) ? name : char.ToLowerInvariant(name[0]) + name[1..];

    /// <summary>A size in whole millimetres.</summary>
    public static string Mm(double value) => string.Create(CultureInfo.InvariantCulture, $"{value:0} mm");

    /// <summary>A volume to the nearest half millilitre below 20 mL, whole above.</summary>
    public static string Ml(double value) =>
        value < 20
            ? string.Create(CultureInfo.InvariantCulture, $"{Math.Round(value * 2) / 2:0.#} mL")
            : string.Create(CultureInfo.InvariantCulture, $"{value:0} mL");

    /// <summary>A mass in grams, to one digit where needed.</summary>
    public static string G(double value) => string.Create(CultureInfo.InvariantCulture, $"{value:0.#} g");

    /// <summary>Degrees to one digit where needed.</summary>
    public static string Celsius(double value) => string.Create(CultureInfo.InvariantCulture, $"{value:0.#} °C");
}
