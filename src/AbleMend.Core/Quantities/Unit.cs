using System.Collections.Frozen;

namespace AbleMend.Core.Quantities;

/// <summary>How a unit is said in a shop that measures in inches, pounds and degrees Fahrenheit.</summary>
/// <param name="Symbol">Symbol there, such as <c>in</c>.</param>
/// <param name="Factor">How many of it one metric unit is, above 0.</param>
/// <param name="Offset">What is added after the factor; 0 but for temperatures.</param>
/// <param name="Decimals">Fewest digits after the point, 0 to 3.</param>
/// <param name="Finer">Digits more than the metric number has, because the unit is so much larger.</param>
public sealed record UsUnit(string Symbol, double Factor, double Offset = 0, int Decimals = 1, int Finer = 1);

/// <summary>A unit of measure: declared once, and known to page, paper and command line alike.</summary>
/// <param name="Symbol">Symbol, as it is kept in plans; empty for a plain number.</param>
/// <param name="Decimals">Digits after the point when nothing else is said, 0 to 3.</param>
/// <param name="Us">What it becomes in a shop that measures in inches; null where it stays.</param>
/// <param name="Written">How it is written beside a number, where that is not the symbol.</param>
public sealed record Unit(string Symbol, int Decimals, UsUnit? Us = null, string? Written = null)
{
    /// <value>How it is written beside a number.</value>
    public string Text => Written ?? Symbol;

    /// <summary>No rule, gauge or caliper at a bench shows more than a thousandth.</summary>
    public const int MostDecimals = 3;
}

/// <summary>The units of the trade, with their sizes from NIST Special Publication 811, appendix B.</summary>
public static class Units
{
    private static readonly UsUnit Inch = new("in", 1 / 25.4, 0, 2, 2);
    private static readonly UsUnit Fahrenheit = new("°F", 1.8, 32, 0, 0);

    /// <value>Millimetres.</value>
    public static Unit Millimetre { get; } = new("mm", 0, Inch);

    /// <value>Metres.</value>
    public static Unit Metre { get; } = new("m", 0, new("ft", 1 / 0.3048, 0, 0, 0));

    /// <value>Micrometres.</value>
    public static Unit Micrometre { get; } = new("µm", 0, new("mil", 1 / 25.4, 0, 2, 1));

    /// <value>Square millimetres.</value>
    public static Unit SquareMillimetre { get; } = new("mm²", 0, new("in²", 1 / 645.16, 0, 2, 2));

    /// <value>Square centimetres.</value>
    public static Unit SquareCentimetre { get; } = new("cm²", 0, new("in²", 1 / 6.4516));

    /// <value>Millilitres.</value>
    public static Unit Millilitre { get; } = new("mL", 1, new("fl oz", 1 / 29.57353, 0, 2));

    /// <value>Cubic metres.</value>
    public static Unit CubicMetre { get; } = new("m³", 0, new("ft³", 1 / 0.02831685, 0, 0, 0));

    /// <value>Grams.</value>
    public static Unit Gram { get; } = new("g", 1, new("oz", 1 / 28.34952, 0, 2));

    /// <value>Kilograms.</value>
    public static Unit Kilogram { get; } = new("kg", 1, new("lb", 1 / 0.4535924, 0, 1, 0));

    /// <value>Grams per millilitre.</value>
    public static Unit GramPerMillilitre { get; } = new("g/mL", 2, new("oz/fl oz", 29.57353 / 28.34952, 0, 2, 0));

    /// <value>Grams per square metre.</value>
    public static Unit GramPerSquareMetre { get; } = new("g/m²", 0, new("oz/yd²", 1 / 33.90575, 0, 1, 1));

    /// <value>Grams per cubic metre.</value>
    public static Unit GramPerCubicMetre { get; } = new("g/m³", 1, new("gr/ft³", 0.4369957, 0, 1, 0));

    /// <value>Minutes of the wall clock.</value>
    public static Unit WallMinute { get; } = new("min", 0);

    /// <value>Minutes of a label, at the label's own temperature or light: the clock of the cure and not of the wall.</value>
    public static Unit LabelMinute { get; } = new("label min", 0, Written: "min");

    /// <value>Hours.</value>
    public static Unit Hour { get; } = new("h", 0);

    /// <value>Kilopascals above or below the air outside, or of the air itself.</value>
    public static Unit Kilopascal { get; } = new("kPa", 0, new("psi", 1 / 6.894757));

    /// <value>Kilopascals of the air outside, as a barometer reads them.</value>
    public static Unit Barometer { get; } = new("kPa of air", 1, new("inHg", 1 / 3.38639, 0, 2, 1), "kPa");

    /// <value>Megapascals.</value>
    public static Unit Megapascal { get; } = new("MPa", 2, new("psi", 1 / 0.006894757, 0, 0, 0));

    /// <value>Newtons.</value>
    public static Unit Newton { get; } = new("N", 0, new("lbf", 1 / 4.448222, 0, 0, 0));

    /// <value>Newtons per millimetre.</value>
    public static Unit NewtonPerMillimetre { get; } = new("N/mm", 2, new("lbf/in", 1 / 0.1751268, 0, 1, 0));

    /// <value>Degrees Celsius on a thermometer.</value>
    public static Unit Celsius { get; } = new("°C", 0, Fahrenheit);

    /// <value>Degrees Celsius between two thermometers.</value>
    public static Unit CelsiusSpan { get; } = new("°C apart", 0, new("°F", 1.8, 0, 0, 0), "°C");

    /// <value>Percent.</value>
    public static Unit Percent { get; } = new("%", 0);

    /// <value>A plain number.</value>
    public static Unit Number { get; } = new("", 0);

    /// <value>A plain factor.</value>
    public static Unit Times { get; } = new("×", 2);

    /// <value>A slope, so many to one.</value>
    public static Unit ToOne { get; } = new("to 1", 0);

    /// <value>Drops.</value>
    public static Unit Drop { get; } = new("drops", 0);

    /// <value>Kits.</value>
    public static Unit Kit { get; } = new("kit", 1);

    /// <value>Grade of an abrasive on the P scale.</value>
    public static Unit GradeP { get; } = new("P", 0);

    /// <value>Grade of an abrasive on the American scale.</value>
    public static Unit GradeCami { get; } = new("CAMI", 0);

    /// <value>Degrees of an angle.</value>
    public static Unit Degree { get; } = new("°", 0);

    /// <value>Kilojoules per mole.</value>
    public static Unit KilojoulePerMole { get; } = new("kJ/mol", 0);

    /// <value>Parts per million.</value>
    public static Unit PartPerMillion { get; } = new("ppm", 0);

    /// <value>Months, of an age or a warranty.</value>
    public static Unit Month { get; } = new("months", 0);

    /// <value>So many an hour.</value>
    public static Unit PerHour { get; } = new("an hour", 1);

    /// <value>Milliwatts per square centimetre.</value>
    public static Unit MilliwattPerSquareCentimetre { get; } = new("mW/cm²", 1);

    /// <value>Millijoules per square centimetre.</value>
    public static Unit MillijoulePerSquareCentimetre { get; } = new("mJ/cm²", 0);

    /// <value>All of them by symbol.</value>
    public static FrozenDictionary<string, Unit> All { get; } = new[]
    {
        Millimetre, Metre, Micrometre, SquareMillimetre, SquareCentimetre, Millilitre, CubicMetre, Gram, Kilogram, GramPerMillilitre, GramPerSquareMetre,
        GramPerCubicMetre, WallMinute, LabelMinute, Hour, Kilopascal, Barometer, Megapascal, Newton, NewtonPerMillimetre, Celsius, CelsiusSpan, Percent, Number, Times, ToOne,
        Drop, Kit, GradeP, GradeCami, Degree, KilojoulePerMole, PartPerMillion, Month, PerHour, MilliwattPerSquareCentimetre, MillijoulePerSquareCentimetre,
    }.ToFrozenDictionary(unit => unit.Symbol);
}
