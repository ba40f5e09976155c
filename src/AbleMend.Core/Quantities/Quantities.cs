namespace AbleMend.Core.Quantities;

/// <summary>A measure whose unit is its type, so that a length cannot be taken for a pressure, or a label's minute for one on the wall.</summary>
/// <typeparam name="TSelf">The quantity itself.</typeparam>
public interface IQuantity<TSelf>
    where TSelf : struct, IQuantity<TSelf>
{
    /// <value>The unit that <see cref="Magnitude"/> is in.</value>
    static abstract Unit Unit { get; }

    /// <value>Whether only whole numbers make sense.</value>
    static virtual bool IsWhole => false;

    /// <summary>The quantity of a magnitude in <see cref="Unit"/>.</summary>
    static abstract TSelf Of(double magnitude);

    /// <value>How much, in <see cref="Unit"/>.</value>
    double Magnitude { get; }
}

/// <summary>A length in millimetres.</summary>
/// <param name="Mm">How much.</param>
public readonly record struct Length(double Mm) : IQuantity<Length>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Millimetre;

    /// <inheritdoc/>
    public double Magnitude => Mm;

    /// <inheritdoc/>
    public static Length Of(double magnitude) => new(magnitude);
}

/// <summary>An altitude in metres.</summary>
/// <param name="M">How much.</param>
public readonly record struct Altitude(double M) : IQuantity<Altitude>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Metre;

    /// <inheritdoc/>
    public double Magnitude => M;

    /// <inheritdoc/>
    public static Altitude Of(double magnitude) => new(magnitude);
}

/// <summary>A median particle in micrometres.</summary>
/// <param name="Um">How much.</param>
public readonly record struct ParticleSize(double Um) : IQuantity<ParticleSize>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Micrometre;

    /// <inheritdoc/>
    public double Magnitude => Um;

    /// <inheritdoc/>
    public static ParticleSize Of(double magnitude) => new(magnitude);
}

/// <summary>A small area, such as the section of a rod, in mm².</summary>
/// <param name="Mm2">How much.</param>
public readonly record struct Section(double Mm2) : IQuantity<Section>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.SquareMillimetre;

    /// <inheritdoc/>
    public double Magnitude => Mm2;

    /// <inheritdoc/>
    public static Section Of(double magnitude) => new(magnitude);
}

/// <summary>An area in cm².</summary>
/// <param name="Cm2">How much.</param>
public readonly record struct Area(double Cm2) : IQuantity<Area>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.SquareCentimetre;

    /// <inheritdoc/>
    public double Magnitude => Cm2;

    /// <inheritdoc/>
    public static Area Of(double magnitude) => new(magnitude);
}

/// <summary>A volume in millilitres.</summary>
/// <param name="Ml">How much.</param>
public readonly record struct Volume(double Ml) : IQuantity<Volume>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Millilitre;

    /// <inheritdoc/>
    public double Magnitude => Ml;

    /// <inheritdoc/>
    public static Volume Of(double magnitude) => new(magnitude);
}

/// <summary>The volume of a room in m³.</summary>
/// <param name="M3">How much.</param>
public readonly record struct RoomVolume(double M3) : IQuantity<RoomVolume>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.CubicMetre;

    /// <inheritdoc/>
    public double Magnitude => M3;

    /// <inheritdoc/>
    public static RoomVolume Of(double magnitude) => new(magnitude);
}

/// <summary>A mass in grams.</summary>
/// <param name="G">How much.</param>
public readonly record struct Mass(double G) : IQuantity<Mass>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Gram;

    /// <inheritdoc/>
    public double Magnitude => G;

    /// <inheritdoc/>
    public static Mass Of(double magnitude) => new(magnitude);
}

/// <summary>A weight to lay on, in kilograms.</summary>
/// <param name="Kg">How much.</param>
public readonly record struct DeadWeight(double Kg) : IQuantity<DeadWeight>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Kilogram;

    /// <inheritdoc/>
    public double Magnitude => Kg;

    /// <inheritdoc/>
    public static DeadWeight Of(double magnitude) => new(magnitude);
}

/// <summary>A density in g/mL.</summary>
/// <param name="GPerMl">How much.</param>
public readonly record struct Density(double GPerMl) : IQuantity<Density>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.GramPerMillilitre;

    /// <inheritdoc/>
    public double Magnitude => GPerMl;

    /// <inheritdoc/>
    public static Density Of(double magnitude) => new(magnitude);
}

/// <summary>A mass spread over an area, in g/m².</summary>
/// <param name="GPerM2">How much.</param>
public readonly record struct ArealWeight(double GPerM2) : IQuantity<ArealWeight>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.GramPerSquareMetre;

    /// <inheritdoc/>
    public double Magnitude => GPerM2;

    /// <inheritdoc/>
    public static ArealWeight Of(double magnitude) => new(magnitude);
}

/// <summary>Water in air, in g/m³.</summary>
/// <param name="GPerM3">How much.</param>
public readonly record struct VapourDensity(double GPerM3) : IQuantity<VapourDensity>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.GramPerCubicMetre;

    /// <inheritdoc/>
    public double Magnitude => GPerM3;

    /// <inheritdoc/>
    public static VapourDensity Of(double magnitude) => new(magnitude);
}

/// <summary>Minutes of the wall clock.</summary>
/// <param name="WallMin">How much.</param>
public readonly record struct WallTime(double WallMin) : IQuantity<WallTime>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.WallMinute;

    /// <inheritdoc/>
    public double Magnitude => WallMin;

    /// <inheritdoc/>
    public static WallTime Of(double magnitude) => new(magnitude);
}

/// <summary>Hours of the wall clock, for what takes a day and more.</summary>
/// <param name="H">How much.</param>
public readonly record struct WallHours(double H) : IQuantity<WallHours>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Hour;

    /// <inheritdoc/>
    public double Magnitude => H;

    /// <inheritdoc/>
    public static WallHours Of(double magnitude) => new(magnitude);
}

/// <summary>Minutes of a label, on the clock of the cure: at the label's temperature, or in the label's light.</summary>
/// <param name="CureMin">How much.</param>
[System.Text.Json.Serialization.JsonConverter(typeof(MagnitudeJson<CureTime>))]
public readonly record struct CureTime(double CureMin) : IQuantity<CureTime>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.LabelMinute;

    /// <inheritdoc/>
    public double Magnitude => CureMin;

    /// <inheritdoc/>
    public static CureTime Of(double magnitude) => new(magnitude);
}

/// <summary>A pressure in kPa.</summary>
/// <param name="Kpa">How much.</param>
public readonly record struct Pressure(double Kpa) : IQuantity<Pressure>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Kilopascal;

    /// <inheritdoc/>
    public double Magnitude => Kpa;

    /// <inheritdoc/>
    public static Pressure Of(double magnitude) => new(magnitude);
}

/// <summary>A stress in MPa.</summary>
/// <param name="Mpa">How much.</param>
public readonly record struct Stress(double Mpa) : IQuantity<Stress>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Megapascal;

    /// <inheritdoc/>
    public double Magnitude => Mpa;

    /// <inheritdoc/>
    public static Stress Of(double magnitude) => new(magnitude);
}

/// <summary>A force in newtons.</summary>
/// <param name="N">How much.</param>
public readonly record struct Force(double N) : IQuantity<Force>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Newton;

    /// <inheritdoc/>
    public double Magnitude => N;

    /// <inheritdoc/>
    public static Force Of(double magnitude) => new(magnitude);
}

/// <summary>A load along a line, in N/mm.</summary>
/// <param name="NPerMm">How much.</param>
public readonly record struct LineLoad(double NPerMm) : IQuantity<LineLoad>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.NewtonPerMillimetre;

    /// <inheritdoc/>
    public double Magnitude => NPerMm;

    /// <inheritdoc/>
    public static LineLoad Of(double magnitude) => new(magnitude);
}

/// <summary>A temperature in °C.</summary>
/// <param name="C">How much.</param>
public readonly record struct Temperature(double C) : IQuantity<Temperature>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Celsius;

    /// <inheritdoc/>
    public double Magnitude => C;

    /// <inheritdoc/>
    public static Temperature Of(double magnitude) => new(magnitude);
}

/// <summary>A difference of temperatures in °C.</summary>
/// <param name="K">How much.</param>
public readonly record struct TemperatureSpan(double K) : IQuantity<TemperatureSpan>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.CelsiusSpan;

    /// <inheritdoc/>
    public double Magnitude => K;

    /// <inheritdoc/>
    public static TemperatureSpan Of(double magnitude) => new(magnitude);
}

/// <summary>A share in percent.</summary>
/// <param name="Percent">How much.</param>
public readonly record struct Share(double Percent) : IQuantity<Share>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Percent;

    /// <inheritdoc/>
    public double Magnitude => Percent;

    /// <inheritdoc/>
    public static Share Of(double magnitude) => new(magnitude);
}

/// <summary>A whole number of things.</summary>
/// <param name="N">How much.</param>
public readonly record struct Count(double N) : IQuantity<Count>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Number;

    /// <inheritdoc/>
    public static bool IsWhole => true;

    /// <inheritdoc/>
    public double Magnitude => N;

    /// <inheritdoc/>
    public static Count Of(double magnitude) => new(magnitude);
}

/// <summary>A plain number, such as the parts of a ratio.</summary>
/// <param name="Parts">How much.</param>
public readonly record struct Ratio(double Parts) : IQuantity<Ratio>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Number;

    /// <inheritdoc/>
    public double Magnitude => Parts;

    /// <inheritdoc/>
    public static Ratio Of(double magnitude) => new(magnitude);
}

/// <summary>A plain factor.</summary>
/// <param name="Times">How much.</param>
public readonly record struct Factor(double Times) : IQuantity<Factor>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Times;

    /// <inheritdoc/>
    public double Magnitude => Times;

    /// <inheritdoc/>
    public static Factor Of(double magnitude) => new(magnitude);
}

/// <summary>A slope, so many to one.</summary>
/// <param name="ToOne">How much.</param>
public readonly record struct Slope(double ToOne) : IQuantity<Slope>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.ToOne;

    /// <inheritdoc/>
    public double Magnitude => ToOne;

    /// <inheritdoc/>
    public static Slope Of(double magnitude) => new(magnitude);
}

/// <summary>Whole drops.</summary>
/// <param name="N">How much.</param>
public readonly record struct Drops(double N) : IQuantity<Drops>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Drop;

    /// <inheritdoc/>
    public static bool IsWhole => true;

    /// <inheritdoc/>
    public double Magnitude => N;

    /// <inheritdoc/>
    public static Drops Of(double magnitude) => new(magnitude);
}

/// <summary>Kits, by halves.</summary>
/// <param name="N">How much.</param>
public readonly record struct Kits(double N) : IQuantity<Kits>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Kit;

    /// <inheritdoc/>
    public double Magnitude => N;

    /// <inheritdoc/>
    public static Kits Of(double magnitude) => new(magnitude);
}

/// <summary>A grade of abrasive on the P scale.</summary>
/// <param name="Grade">How much.</param>
public readonly record struct GradeP(double Grade) : IQuantity<GradeP>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.GradeP;

    /// <inheritdoc/>
    public static bool IsWhole => true;

    /// <inheritdoc/>
    public double Magnitude => Grade;

    /// <inheritdoc/>
    public static GradeP Of(double magnitude) => new(magnitude);
}

/// <summary>A grade of abrasive on the American scale.</summary>
/// <param name="Grade">How much.</param>
public readonly record struct GradeCami(double Grade) : IQuantity<GradeCami>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.GradeCami;

    /// <inheritdoc/>
    public static bool IsWhole => true;

    /// <inheritdoc/>
    public double Magnitude => Grade;

    /// <inheritdoc/>
    public static GradeCami Of(double magnitude) => new(magnitude);
}

/// <summary>An angle in degrees.</summary>
/// <param name="Deg">How much.</param>
public readonly record struct Angle(double Deg) : IQuantity<Angle>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.Degree;

    /// <inheritdoc/>
    public double Magnitude => Deg;

    /// <inheritdoc/>
    public static Angle Of(double magnitude) => new(magnitude);
}

/// <summary>An energy in kJ/mol.</summary>
/// <param name="KjPerMol">How much.</param>
public readonly record struct MolarEnergy(double KjPerMol) : IQuantity<MolarEnergy>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.KilojoulePerMole;

    /// <inheritdoc/>
    public double Magnitude => KjPerMol;

    /// <inheritdoc/>
    public static MolarEnergy Of(double magnitude) => new(magnitude);
}

/// <summary>Vapour in air, in ppm.</summary>
/// <param name="Ppm">How much.</param>
public readonly record struct Concentration(double Ppm) : IQuantity<Concentration>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.PartPerMillion;

    /// <inheritdoc/>
    public double Magnitude => Ppm;

    /// <inheritdoc/>
    public static Concentration Of(double magnitude) => new(magnitude);
}

/// <summary>So many an hour.</summary>
/// <param name="PerHour">How much.</param>
public readonly record struct HourlyRate(double PerHour) : IQuantity<HourlyRate>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.PerHour;

    /// <inheritdoc/>
    public double Magnitude => PerHour;

    /// <inheritdoc/>
    public static HourlyRate Of(double magnitude) => new(magnitude);
}

/// <summary>Ultraviolet at the work, in mW/cm².</summary>
/// <param name="MwPerCm2">How much.</param>
public readonly record struct Irradiance(double MwPerCm2) : IQuantity<Irradiance>
{
    /// <inheritdoc/>
    public static Unit Unit => Units.MilliwattPerSquareCentimetre;

    /// <inheritdoc/>
    public double Magnitude => MwPerCm2;

    /// <inheritdoc/>
    public static Irradiance Of(double magnitude) => new(magnitude);
}
