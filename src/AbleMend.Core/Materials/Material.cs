using System.Text.Json.Serialization;
using AbleMend.Core.Gear;
using AbleMend.Core.Limits;
using AbleMend.Core.Words;

namespace AbleMend.Core.Materials;

/// <summary>What a material does in a mend.</summary>
[JsonConverter(typeof(Kebab<Role>))]
public enum Role
{
    /// <summary>Laminating, filling or coating resin, gel coat included.</summary>
    Resin,

    /// <summary>Solvent or two-part cement for sheet and cloth, glued on both faces.</summary>
    Cement,

    /// <summary>Adhesive that sets in a gap: wood glue, cyanoacrylate, metal-bonding epoxy, urethane.</summary>
    Adhesive,

    /// <summary>Flexible sealant that is spread over or into the hurt.</summary>
    Sealant,

    /// <summary>Thermoplastic that is melted in: base filler, base weld, polyethylene rod, hot melt.</summary>
    Melt,

    /// <summary>Hard lacquer.</summary>
    Lacquer,

    /// <summary>Self-adhesive mesh, cloth or film.</summary>
    SelfAdhesive,

    /// <summary>Wrap that sets with water.</summary>
    Wrap,

    /// <summary>Splint or sleeve for a tube.</summary>
    Splint,

    /// <summary>A part that is replaced whole: a valve core, a latex seal.</summary>
    Part,

    /// <summary>Stock that patches are cut from.</summary>
    PatchStock,

    /// <summary>Reinforces or covers.</summary>
    Cloth,

    /// <summary>Thickens a resin.</summary>
    Filler,

    /// <summary>Cleans before something is to hold.</summary>
    Cleaner,

    /// <summary>Sets a resin off.</summary>
    Catalyst,

    /// <summary>Tape and film that nothing sticks to.</summary>
    Release,

    /// <summary>Polishing compound.</summary>
    Compound,
}

/// <summary>What makes it set.</summary>
[JsonConverter(typeof(Kebab<CureKind>))]
public enum CureKind
{
    /// <summary>Resin and hardener in a fixed ratio.</summary>
    TwoPart,

    /// <summary>Resin with a small, adjustable amount of peroxide.</summary>
    Catalysed,

    /// <summary>Ultraviolet light.</summary>
    Light,

    /// <summary>Moisture from the air or from the other face.</summary>
    Moisture,

    /// <summary>Solvent leaving.</summary>
    Solvent,

    /// <summary>Cooling down.</summary>
    Cooling,

    /// <summary>Nothing: it sticks at once, or is held by parts.</summary>
    AtOnce,
}

/// <summary>How a ratio is measured out.</summary>
[JsonConverter(typeof(Kebab<RatioBasis>))]
public enum RatioBasis
{
    /// <summary>Parts by volume.</summary>
    Volume,

    /// <summary>Parts by weight.</summary>
    Weight,
}

/// <summary>Mix ratio of two parts, as the label gives it.</summary>
/// <param name="By">Basis of the ratio.</param>
/// <param name="A">Parts of A, above 0.</param>
/// <param name="B">Parts of B, above 0.</param>
/// <param name="TolerancePercent">Error of the ratio that the system stands, in percent, above 0.</param>
public sealed record MixRatio(RatioBasis By, [property: Limits(0.1, 1000)] double A, [property: Limits(0.1, 1000)] double B, [property: Limits(0.1, 50, "%")] double TolerancePercent);

/// <summary>Catalyst of a catalysed resin, by weight of resin.</summary>
/// <param name="Percent">Usual amount at the reference temperature, in percent.</param>
/// <param name="MinPercent">Least amount allowed.</param>
/// <param name="MaxPercent">Most amount allowed.</param>
/// <param name="DropMassG">Mass of one drop from the usual dropper, in grams.</param>
/// <param name="DensityGPerMl">Density in g/mL.</param>
public sealed record CatalystDose([property: Limits(0.01, 20, "%")] double Percent, [property: Limits(0.01, 20, "%")] double MinPercent, [property: Limits(0.01, 20, "%")] double MaxPercent, [property: Limits(0.001, 1, "g")] double DropMassG, [property: Limits(0.3, 5, "g/mL")] double DensityGPerMl);

/// <summary>Milestones of cure as the label gives them, in minutes at the reference temperature, from mixing (or from the light).</summary>
/// <param name="ReferenceC">Temperature of the label in °C.</param>
/// <param name="PotLifeMin">Pot life of <paramref name="PotMassG"/>; null for light-cured resin, which keeps in the dark.</param>
/// <param name="PotMassG">Mass that the pot life is given for, in grams.</param>
/// <param name="RecoatOpensMin">Firm enough to take the next coat without sanding; null where there is no next coat.</param>
/// <param name="RecoatClosesMin">After this the next coat needs a key; null when sanding is always needed.</param>
/// <param name="SandableMin">Cuts to dust instead of clogging; null for what is never cut.</param>
/// <param name="LoadableMin">May get wet and be loaded.</param>
/// <param name="FullMin">Full properties.</param>
/// <param name="MinimumC">Lowest temperature at which it cures.</param>
/// <param name="MaximumC">Highest bench temperature to use it at.</param>
/// <param name="MaximumHumidityPercent">Highest relative humidity to use it at.</param>
/// <param name="TackOpensMin">For a cement: dry to the touch, no transfer to a knuckle.</param>
/// <param name="TackClosesMin">After this the coat no longer grips and is laid again.</param>
/// <param name="HandleableMin">Clamps and bands may come off; null takes the loadable milestone.</param>
public sealed record CureLabel(
    [property: Limits(-10, 60, "°C")] double ReferenceC,
    [property: Limits(0.1, 200000, "min")] double? PotLifeMin,
    [property: Limits(0.1, 10000, "g")] double? PotMassG,
    [property: Limits(0.1, 200000, "min")] double? RecoatOpensMin,
    [property: Limits(0.1, 200000, "min")] double? RecoatClosesMin,
    [property: Limits(0.1, 200000, "min")] double? SandableMin,
    [property: Limits(0.1, 200000, "min")] double LoadableMin,
    [property: Limits(0.1, 200000, "min")] double FullMin,
    [property: Limits(-30, 60, "°C")] double MinimumC,
    [property: Limits(-30, 90, "°C")] double MaximumC,
    [property: Limits(1, 100, "%")] double MaximumHumidityPercent,
    [property: Limits(0.1, 200000, "min")] double? TackOpensMin = null,
    [property: Limits(0.1, 200000, "min")] double? TackClosesMin = null,
    [property: Limits(0.1, 200000, "min")] double? HandleableMin = null
);

/// <summary>A kit whose parts come in set amounts: it is mixed by halves and quarters.</summary>
/// <param name="AMl">Adhesive in the tin, in mL.</param>
/// <param name="BMl">Curing agent in the vial, in mL.</param>
public sealed record Kit([property: Limits(0.1, 100000, "mL")] double AMl, [property: Limits(0.01, 100000, "mL")] double BMl);

/// <summary>How long it keeps, and how.</summary>
/// <param name="SealedMonths">Months from filling while sealed, above 0.</param>
/// <param name="OpenedMonths">Months once opened, above 0.</param>
/// <param name="Storage">How it is kept.</param>
public sealed record ShelfLife([property: Limits(0.1, 600, "months")] double SealedMonths, [property: Limits(0.1, 600, "months")] double OpenedMonths, [property: Words] string Storage);

/// <summary>Heat of cure, for the cup.</summary>
/// <param name="EnthalpyJPerG">Heat released by full cure in J/g.</param>
/// <param name="HeatCapacityJPerGK">Heat capacity in J/(g·K).</param>
/// <param name="GelConversion">Conversion at which it is too thick to be spread, which is where a label's pot life ends, 0 to 1.</param>
/// <param name="SafePeakC">Peak temperature in °C that resin and cup stand.</param>
public sealed record CureHeat([property: Limits(1, 2000, "J/g")] double EnthalpyJPerG, [property: Limits(0.1, 10, "J/(g·K)")] double HeatCapacityJPerGK, [property: Limits(0.01, 0.99)] double GelConversion, [property: Limits(20, 400, "°C")] double SafePeakC);

/// <summary>How deep light cures one layer, and what the label's times assume.</summary>
/// <param name="LayerMm">Most thickness cured at once, in millimetres.</param>
/// <param name="PenetrationMm">Depth at which light has fallen to 1/e, in millimetres, 0.1 to 20.</param>
public sealed record LightCure([property: Limits(0.1, 50, "mm")] double LayerMm, [property: Limits(0.1, 20, "mm")] double PenetrationMm = LightCure.UsualPenetrationMm)
{
    /// <summary>Depth at which light has fallen to 1/e in a clear resin with its photoinitiator, in millimetres. From memory.</summary>
    public const double UsualPenetrationMm = 1.5;
}

/// <summary>What it gives to the air.</summary>
/// <param name="Solvent">Identifier of a vapour with a known limit, such as <c>acetone</c>.</param>
/// <param name="MassShare">Share of the mass used that evaporates, above 0, at most 1.</param>
public sealed record Vapour(string Solvent, [property: Limits(0.001, 1)] double MassShare);

/// <summary>A material on the bench, in generic terms, as its label describes it.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">Generic name.</param>
/// <param name="Role">What it does.</param>
/// <param name="Chemistry">Chemical family that the rules speak of.</param>
/// <param name="Source">Where its values come from.</param>
/// <param name="Skill">1 forgiving, 2 some practice, 3 demanding.</param>
/// <param name="Cost">Relative cost of a litre, 1 to 5.</param>
/// <param name="Hazards">Identifiers of cautions.</param>
/// <param name="BondsTo">Substances that it holds on; empty when bonding is not its part.</param>
/// <param name="DensityGPerMl">Density in g/mL: mixed resin, loose filler or liquid.</param>
public sealed record Material(
    string Id,
    [property: Size(1, 120)][property: Words] string Name,
    Role Role,
    string Chemistry,
    string Source,
    [property: Limits(0.05, 5, "g/mL")] double? DensityGPerMl,
    [property: Limits(1, 3)] int Skill,
    [property: Limits(1, 5)] int Cost,
    IReadOnlyList<string> Hazards,
    IReadOnlyList<string> BondsTo
)
{
    /// <value>What makes a resin set; null for what does not set.</value>
    public CureKind? Cure { get; init; }

    /// <value>Mix ratio of a two-part resin.</value>
    public MixRatio? Ratio { get; init; }

    /// <value>Density of part A in g/mL.</value>
    [Limits(0.3, 5, "g/mL")]
    public double? DensityAGPerMl { get; init; }

    /// <value>Density of part B in g/mL.</value>
    [Limits(0.3, 5, "g/mL")]
    public double? DensityBGPerMl { get; init; }

    /// <value>Catalyst of a catalysed resin, and of a light-cured resin that may take one.</value>
    public CatalystDose? Catalyst { get; init; }

    /// <value>Milestones of cure.</value>
    public CureLabel? Label { get; init; }

    /// <value>Activation energy in kJ/mol for the effect of temperature; null takes the default of its class.</value>
    [Limits(0, 200, "kJ/mol")]
    public double? ActivationKjPerMol { get; init; }

    /// <value>Heat of cure.</value>
    public CureHeat? Heat { get; init; }

    /// <value>Light cure.</value>
    public LightCure? Light { get; init; }

    /// <value>Areal weight of a cloth in g/m².</value>
    [Limits(5, 5000, "g/m²")]
    public double? ArealWeightGPerM2 { get; init; }

    /// <value>Thickness that one layer of a cloth lays down, in millimetres.</value>
    [Limits(0.01, 20, "mm")]
    public double? PlyMm { get; init; }

    /// <value>Mass of a filler in a thickened mix, as a share of the whole mix, 0 to 1.</value>
    [Limits(0.01, 0.95)]
    public double? FillerMassShare { get; init; }

    /// <value>Minutes for a cleaner to leave an open surface at 20 °C.</value>
    [Limits(0.1, 600, "min")]
    public double? FlashMin { get; init; }

    /// <value>How much it moves once set; null for what does not set.</value>
    public Movement? Flexibility { get; init; }

    /// <value>Highest temperature in °C that the bond stands in use; null when it outlasts what it holds.</value>
    [Limits(0, 400, "°C")]
    public double? ServiceMaxC { get; init; }

    /// <value>Lap shear strength in MPa of a sound joint in the gear it is made for; null where it is not known.</value>
    [Limits(0.01, 100, "MPa")]
    public double? LapShearMpa { get; init; }

    /// <value>Coats on each face of a cement.</value>
    [Limits(1, 10)]
    public int? Coats { get; init; }

    /// <value>One wet coat of a cement or sealant in g/m².</value>
    [Limits(1, 5000, "g/m²")]
    public double? SpreadGPerM2 { get; init; }

    /// <value>Kit that a two-part cement comes in.</value>
    public Kit? Kit { get; init; }

    /// <value>Film in millimetres that the label's times of a moisture-curing material are for.</value>
    [Limits(0.01, 20, "mm")]
    public double? LabelFilmMm { get; init; }

    /// <value>What it gives to the air, or null for next to nothing.</value>
    public Vapour? Vapour { get; init; }

    /// <value>How long it keeps.</value>
    public ShelfLife? ShelfLife { get; init; }

    /// <value>Families that a cleaner is for, or that a patch stock is of, in the order of preference.</value>
    public IReadOnlyList<string>? Suits { get; init; }

    /// <value>Whether it is what holds: it has a label and is ranked.</value>
    [JsonIgnore]
    public bool Holds => Label is not null;

    /// <value>Whether the surface needs wax or film to cure in air.</value>
    public bool AirInhibited { get; init; }
}
