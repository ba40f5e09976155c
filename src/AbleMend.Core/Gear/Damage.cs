using System.Text.Json.Serialization;

namespace AbleMend.Core.Gear;

/// <summary>What kind of hurt it is.</summary>
[JsonConverter(typeof(Kebab<DamageKind>))]
public enum DamageKind
{
    /// <summary>A dent with a shattered skin: a shallow bowl.</summary>
    Ding,

    /// <summary>A crack: opened as a groove.</summary>
    Crack,

    /// <summary>Skin gone, core open: cut to a straight-sided recess.</summary>
    Hole,

    /// <summary>The laminate cracked round a fin box.</summary>
    FinBoxSurround,
}

/// <summary>How it happened.</summary>
[JsonConverter(typeof(Kebab<Cause>))]
public enum Cause
{
    /// <summary>A knock that somebody saw or the marks show.</summary>
    Knock,

    /// <summary>Pressure: a heel, a knee, a roof strap.</summary>
    Pressure,

    /// <summary>Heat: left in the sun or in a car.</summary>
    Heat,

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
public sealed record RoundShape(double DiameterMm) : Shape;

/// <summary>An ellipse.</summary>
/// <param name="LengthMm">Long axis in millimetres, 1 to 600.</param>
/// <param name="WidthMm">Short axis in millimetres, 1 to 600.</param>
public sealed record OvalShape(double LengthMm, double WidthMm) : Shape;

/// <summary>A straight crack.</summary>
/// <param name="LengthMm">Length in millimetres, 1 to 600.</param>
/// <param name="WidthMm">Width of the open groove in millimetres, 0.1 to 100.</param>
public sealed record CrackShape(double LengthMm, double WidthMm) : Shape;

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
public sealed record FinCheck(double CantDeg, double TwinCantDeg, bool Rocks);

/// <summary>The damage as seen.</summary>
/// <param name="Kind">Kind of hurt.</param>
/// <param name="Location">Identifier of a location of the construction.</param>
/// <param name="Shape">Shape from above.</param>
/// <param name="DepthMm">Depth from the outer surface in millimetres, above 0, no deeper than the item there.</param>
/// <param name="Wet">Whether water is, or may be, inside.</param>
/// <param name="Cause">How it happened.</param>
/// <param name="Neighbours">Other hurt areas near it, or null.</param>
/// <param name="Fin">The fin check; needed for a fin-box surround.</param>
/// <param name="AcrossWholeWidth">Whether it runs from rail to rail.</param>
public sealed record Damage(
    DamageKind Kind,
    string Location,
    Shape Shape,
    double DepthMm,
    bool Wet,
    Cause Cause,
    IReadOnlyList<Neighbour>? Neighbours = null,
    FinCheck? Fin = null,
    bool AcrossWholeWidth = false
);
