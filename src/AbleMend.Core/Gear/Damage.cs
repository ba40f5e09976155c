using System.Text.Json.Serialization;
using AbleMend.Core.Limits;

namespace AbleMend.Core.Gear;

/// <summary>What kind of hurt it is.</summary>
[JsonConverter(typeof(Kebab<DamageKind>))]
public enum DamageKind
{
    /// <summary>A dent with a shattered skin: a shallow bowl.</summary>
    Ding,

    /// <summary>A crack: opened as a groove.</summary>
    Crack,

    /// <summary>Skin gone, core or inside open: cut to a straight-sided recess.</summary>
    Hole,

    /// <summary>The laminate cracked round a fin box.</summary>
    FinBoxSurround,

    /// <summary>A soft skin sliced open.</summary>
    Slice,

    /// <summary>A furrow that stays inside the outer layer.</summary>
    Scratch,

    /// <summary>A ski base gouged through to the core.</summary>
    CoreShot,

    /// <summary>A small hole through an airtight or watertight skin.</summary>
    Puncture,

    /// <summary>Pinholes that only water or air finds.</summary>
    Pinholes,

    /// <summary>A tear in cloth or sheet.</summary>
    Tear,

    /// <summary>A hole with melted edges.</summary>
    Melt,

    /// <summary>A glued or taped seam that lets go.</summary>
    SeamOpen,

    /// <summary>A strip or patch that lifts.</summary>
    StripLifted,

    /// <summary>A valve that leaks.</summary>
    ValveLeak,

    /// <summary>Water gets in somewhere and stays inside.</summary>
    WaterInside,

    /// <summary>Plies or skins parted from one another.</summary>
    Parted,

    /// <summary>A soft spot: the skin has left the core, or the core has gone soft.</summary>
    SoftSpot,

    /// <summary>A tube split along or across.</summary>
    Split,

    /// <summary>A splinter lifting at a corner.</summary>
    Splinter,

    /// <summary>A piece gone from an edge or tip.</summary>
    Chip,

    /// <summary>A sole, heel or midsole parting.</summary>
    SoleParted,

    /// <summary>Material worn away.</summary>
    WornAway,

    /// <summary>An edge or sidewall pulled out.</summary>
    EdgePulled,

    /// <summary>A latex seal torn.</summary>
    SealTorn,

    /// <summary>A foam that crumbles by hydrolysis.</summary>
    Crumbled,

    /// <summary>A tube or part that is bent.</summary>
    Bent,
}

/// <summary>How it happened.</summary>
[JsonConverter(typeof(Kebab<Cause>))]
public enum Cause
{
    /// <summary>A knock that somebody saw or the marks show.</summary>
    Knock,

    /// <summary>Pressure: a heel, a knee, a roof strap, air left in the sun.</summary>
    Pressure,

    /// <summary>Heat: left in the sun or in a car.</summary>
    Heat,

    /// <summary>Wear over time.</summary>
    Wear,

    /// <summary>It came by itself.</summary>
    ByItself,

    /// <summary>Nobody knows.</summary>
    Unknown,
}

/// <summary>A point of a traced outline, in millimetres on the surface: x along the item, y across it.</summary>
public sealed record PointMm(double X, double Y);

/// <summary>Shape of the hurt area as seen from above.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(RoundShape), "round")]
[JsonDerivedType(typeof(OvalShape), "oval")]
[JsonDerivedType(typeof(CrackShape), "crack")]
[JsonDerivedType(typeof(TracedShape), "traced")]
public abstract record Shape;

/// <summary>A circle.</summary>
/// <param name="DiameterMm">Diameter in millimetres, 1 to 600.</param>
public sealed record RoundShape([property: Limits(1, 600, "mm")] double DiameterMm) : Shape;

/// <summary>An ellipse.</summary>
/// <param name="LengthMm">Long axis in millimetres, 1 to 600.</param>
/// <param name="WidthMm">Short axis in millimetres, 1 to 600.</param>
public sealed record OvalShape([property: Limits(1, 600, "mm")] double LengthMm, [property: Limits(1, 600, "mm")] double WidthMm) : Shape;

/// <summary>A straight crack, tear, slit or scratch.</summary>
/// <param name="LengthMm">Length in millimetres, 1 to 600.</param>
/// <param name="WidthMm">Width of the open groove in millimetres, 0.1 to 100.</param>
public sealed record CrackShape([property: Limits(1, 600, "mm")] double LengthMm, [property: Limits(0.1, 100, "mm")] double WidthMm) : Shape;

/// <summary>A traced outline; the last point joins the first.</summary>
/// <param name="Points">3 to 400 points that do not cross themselves.</param>
public sealed record TracedShape(IReadOnlyList<PointMm> Points) : Shape;

/// <summary>Another hurt area close by, at an offset from the first.</summary>
/// <param name="Shape">Its shape.</param>
/// <param name="OffsetMm">From the middle of the first area to the middle of this one.</param>
public sealed record Neighbour(Shape Shape, PointMm OffsetMm);

/// <summary>How the fin stands, compared with its twin.</summary>
/// <param name="CantDeg">Cant in degrees, -30 to 30.</param>
/// <param name="TwinCantDeg">Cant of the twin in degrees, -30 to 30.</param>
/// <param name="Rocks">Whether the fin rocks in the box by hand.</param>
public sealed record FinCheck([property: Limits(-30, 30, "°")] double CantDeg, [property: Limits(-30, 30, "°")] double TwinCantDeg, bool Rocks);

/// <summary>A leak or a hidden flaw that was found, with the test that found it. Finding one does not rule out another.</summary>
/// <param name="Test">Identifier of the finding test.</param>
/// <param name="Place">Where, in words of 1 to 120 characters.</param>
public sealed record Find(string Test, [property: Size(1, 120)] string Place);

/// <summary>The damage as seen.</summary>
/// <param name="Kind">Kind of hurt.</param>
/// <param name="Location">Identifier of a location of the construction.</param>
/// <param name="Shape">Shape from above.</param>
/// <param name="DepthMm">Depth from the outer surface in millimetres, above 0, no deeper than the item there.</param>
/// <param name="Wet">Whether water is, or may be, inside.</param>
/// <param name="Cause">How it happened.</param>
/// <param name="Neighbours">Other hurt areas near it, or null.</param>
/// <param name="Fin">The fin check; needed for a fin-box surround.</param>
/// <param name="AcrossWholeWidth">Whether it runs from side to side.</param>
/// <param name="GapMm">Opening of a seam, of parted plies or of a lifted edge in millimetres, 0.1 to 100; null where there is none.</param>
/// <param name="MissingMm">Thickness of what is gone from an edge, heel or tip in millimetres, 0.1 to 100; null where nothing is.</param>
/// <param name="Plies">How many glue lines have parted, 1 to 12; null where none has.</param>
/// <param name="Located">Whether the leak was found; null where nothing leaks.</param>
/// <param name="EdgeCatches">Whether a fingernail still catches on the edge after the burrs are off; null where it was not tried.</param>
/// <param name="Finds">Leaks and flaws found so far, or null.</param>
/// <param name="OnMate">Whether it is on the other one of a pair.</param>
public sealed record Damage(
    DamageKind Kind,
    string Location,
    Shape Shape,
    [property: Limits(0.01, 1000, "mm")] double DepthMm,
    bool Wet,
    Cause Cause,
    [property: Size(0, 20)] IReadOnlyList<Neighbour>? Neighbours = null,
    FinCheck? Fin = null,
    bool AcrossWholeWidth = false,
    [property: Limits(0.1, 100, "mm")] double? GapMm = null,
    [property: Limits(0.1, 100, "mm")] double? MissingMm = null,
    [property: Limits(1, 12)] int? Plies = null,
    bool? Located = null,
    bool? EdgeCatches = null,
    [property: Size(0, 40)] IReadOnlyList<Find>? Finds = null,
    bool OnMate = false
);
