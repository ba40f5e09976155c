namespace AbleMend.Core.Quantities;

/// <summary>Quantities by their units, as a method writes them: <c>Mm(4)</c>, <c>Kpa(90)</c>. For <c>using static</c>.</summary>
public static class Measures
{
    /// <summary>A length in millimetres.</summary>
    public static Length Mm(double value) => new(value);

    /// <summary>An altitude in metres.</summary>
    public static Altitude Metres(double value) => new(value);

    /// <summary>A median particle in micrometres.</summary>
    public static ParticleSize Um(double value) => new(value);

    /// <summary>A small area, such as the section of a rod, in mm².</summary>
    public static Section Mm2(double value) => new(value);

    /// <summary>An area in cm².</summary>
    public static Area Cm2(double value) => new(value);

    /// <summary>A volume in millilitres.</summary>
    public static Volume Ml(double value) => new(value);

    /// <summary>The volume of a room in m³.</summary>
    public static RoomVolume M3(double value) => new(value);

    /// <summary>A mass in grams.</summary>
    public static Mass Grams(double value) => new(value);

    /// <summary>A weight to lay on, in kilograms.</summary>
    public static DeadWeight Kg(double value) => new(value);

    /// <summary>A density in g/mL.</summary>
    public static Density GPerMl(double value) => new(value);

    /// <summary>A mass spread over an area, in g/m².</summary>
    public static ArealWeight GPerM2(double value) => new(value);

    /// <summary>Water in air, in g/m³.</summary>
    public static VapourDensity GPerM3(double value) => new(value);

    /// <summary>Minutes of the wall clock.</summary>
    public static WallTime WallMin(double value) => new(value);

    /// <summary>Hours of the wall clock.</summary>
    public static WallHours Hours(double value) => new(value);

    /// <summary>Minutes of a label, on the clock of the cure: at the label's temperature, or in the label's light.</summary>
    public static CureTime CureMin(double value) => new(value);

    /// <summary>A pressure in kPa.</summary>
    public static Pressure Kpa(double value) => new(value);

    /// <summary>A stress in MPa.</summary>
    public static Stress Mpa(double value) => new(value);

    /// <summary>A force in newtons.</summary>
    public static Force Newtons(double value) => new(value);

    /// <summary>A load along a line, in N/mm.</summary>
    public static LineLoad NPerMm(double value) => new(value);

    /// <summary>A temperature in °C.</summary>
    public static Temperature Celsius(double value) => new(value);

    /// <summary>A difference of temperatures in °C.</summary>
    public static TemperatureSpan Apart(double value) => new(value);

    /// <summary>A share in percent.</summary>
    public static Share Percent(double value) => new(value);

    /// <summary>A whole number of things.</summary>
    public static Count Count(double value) => new(value);

    /// <summary>A plain number, such as the parts of a ratio.</summary>
    public static Ratio Parts(double value) => new(value);

    /// <summary>A plain factor.</summary>
    public static Factor Times(double value) => new(value);

    /// <summary>A slope, so many to one.</summary>
    public static Slope ToOne(double value) => new(value);

    /// <summary>Whole drops.</summary>
    public static Drops InDrops(double value) => new(value);

    /// <summary>Kits, by halves.</summary>
    public static Kits InKits(double value) => new(value);

    /// <summary>A grade of abrasive on the P scale.</summary>
    public static GradeP GradeOfP(double value) => new(value);

    /// <summary>A grade of abrasive on the American scale.</summary>
    public static GradeCami GradeOfCami(double value) => new(value);

    /// <summary>An angle in degrees.</summary>
    public static Angle Degrees(double value) => new(value);

    /// <summary>An energy in kJ/mol.</summary>
    public static MolarEnergy KjPerMol(double value) => new(value);

    /// <summary>Vapour in air, in ppm.</summary>
    public static Concentration Ppm(double value) => new(value);

    /// <summary>So many an hour.</summary>
    public static HourlyRate PerHour(double value) => new(value);

    /// <summary>Ultraviolet at the work, in mW/cm².</summary>
    public static Irradiance MwPerCm2(double value) => new(value);
}
