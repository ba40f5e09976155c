using System.Text.Json.Serialization;
using AbleMend.Core.Limits;
using AbleMend.Core.Words;

namespace AbleMend.Core.Gear;

/// <summary>Kinds of silhouette to tap on.</summary>
[JsonConverter(typeof(Kebab<Silhouette>))]
public enum Silhouette
{
    /// <summary>A surfboard or paddle board, from above and from below.</summary>
    Board,

    /// <summary>A hull from above, with its keel line.</summary>
    Hull,

    /// <summary>An inflatable boat from above.</summary>
    Raft,

    /// <summary>A ski or snowboard, from above and from below.</summary>
    Ski,

    /// <summary>A skate deck.</summary>
    Deck,

    /// <summary>A limb of a bow, from the side.</summary>
    Limb,

    /// <summary>A foil with its mast and wings.</summary>
    Foil,

    /// <summary>A paddle.</summary>
    Paddle,

    /// <summary>A tent pole with its ferrule.</summary>
    Pole,

    /// <summary>A tent.</summary>
    Tent,

    /// <summary>A wader.</summary>
    Wader,

    /// <summary>A wetsuit or drysuit.</summary>
    Suit,

    /// <summary>A boot, from the side.</summary>
    Shoe,

    /// <summary>A suspension fork.</summary>
    Fork,

    /// <summary>What holds a person.</summary>
    Harness,
}

/// <summary>Families of gear, in the order in which they are offered.</summary>
[JsonConverter(typeof(Kebab<GearFamily>))]
public enum GearFamily
{
    /// <summary>Boards for waves and flat water.</summary>
    Boards,

    /// <summary>Canoes, kayaks and rigid hulls.</summary>
    Hulls,

    /// <summary>Skis and snowboards.</summary>
    Skis,

    /// <summary>Boats, boards and packrafts that hold air.</summary>
    Inflatables,

    /// <summary>Tents and their poles.</summary>
    TentsAndPoles,

    /// <summary>Waders, wetsuits and drysuits.</summary>
    WadersAndSuits,

    /// <summary>Boots and shoes.</summary>
    Footwear,

    /// <summary>Paddles.</summary>
    Paddles,

    /// <summary>Fork stanchions, skate decks, bow limbs.</summary>
    ForksDecksAndLimbs,

    /// <summary>What holds a life, and is never mended here.</summary>
    HoldsALife,
}

/// <summary>A place on an item, with what it changes.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">What the bench calls it.</param>
/// <param name="XPercent">Where its button lies on the silhouette, percent from the left, 0 to 100.</param>
/// <param name="YPercent">Percent from the top, 0 to 100.</param>
/// <param name="Flat">Whether a film, a patch or a flat block lies down on it.</param>
/// <param name="CoreThicknessMm">Thickness of the core layer here in millimetres, in place of the construction's own; null for no change.</param>
/// <param name="FromBottom">Whether the layers are met from the other face, last layer first.</param>
/// <param name="Layers">Layers of this place, outside in, where it is built otherwise; null for the construction's own.</param>
/// <param name="Traits">What the rules want to know of it, such as <c>fin-box</c>, <c>airtight</c>, <c>ferrule</c> or <c>knee</c>.</param>
/// <param name="Refuse">Why nothing is mended at this place, or null.</param>
/// <param name="Side">The side that has to be up to work here, by the place that stands for it, such as <c>deck</c>: two of them take turns. Null where it is reached either way up.</param>
public sealed record Location(
    string Id,
    [property: Size(1, 60)][property: Words] string Name,
    [property: Limits(0, 100, "%")] double XPercent,
    [property: Limits(0, 100, "%")] double YPercent,
    bool Flat = true,
    [property: Limits(0.01, 1000, "mm")] double? CoreThicknessMm = null,
    bool FromBottom = false,
    IReadOnlyList<Layer>? Layers = null,
    IReadOnlyList<string>? Traits = null,
    [property: Words] string? Refuse = null,
    [property: Size(1, 40)] string? Side = null)
{
    /// <value>Whether a fin box is set here.</value>
    [JsonIgnore]
    public bool FinBox => Has("fin-box");

    /// <summary>Whether the place has a trait.</summary>
    public bool Has(string trait) => Traits?.Contains(trait) == true;
}

/// <summary>A kind of damage as it usually comes on a construction: the first one is what a new mend starts from.</summary>
/// <param name="Kind">Kind.</param>
/// <param name="Location">Identifier of the place where it usually is.</param>
/// <param name="DepthMm">Usual depth in millimetres.</param>
/// <param name="LengthMm">Usual length in millimetres.</param>
/// <param name="WidthMm">Usual width in millimetres.</param>
/// <param name="GapMm">Usual opening in millimetres, where there is one.</param>
/// <param name="MissingMm">Usual thickness that is gone, where some is.</param>
/// <param name="Plies">Usual number of parted glue lines, where they part.</param>
/// <param name="Leaks">Whether it has to be looked for: whether it leaks or hides.</param>
public sealed record UsualDamage(
    DamageKind Kind,
    string Location,
    [property: Limits(0.01, 1000, "mm")] double DepthMm,
    [property: Limits(0.1, 600, "mm")] double LengthMm,
    [property: Limits(0.1, 600, "mm")] double WidthMm,
    [property: Limits(0.1, 100, "mm")] double? GapMm = null,
    [property: Limits(0.1, 100, "mm")] double? MissingMm = null,
    [property: Limits(1, 12)] int? Plies = null,
    bool Leaks = false);

/// <summary>How a kind of item is built: real layers, outside in, through to the other face.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">Generic name.</param>
/// <param name="Family">Family of gear.</param>
/// <param name="Silhouette">Its silhouette.</param>
/// <param name="WarrantyMonths">Usual warranty in months.</param>
/// <param name="CoreLayer">Identifier of the core layer, which locations may thin.</param>
/// <param name="Layers">Layers, outside in.</param>
/// <param name="Locations">Places that matter.</param>
/// <param name="Damages">Kinds of damage that it comes with, the usual ones first.</param>
/// <param name="Source">Where the thicknesses come from.</param>
/// <param name="Pair">Whether it has a mate that is worked on as well.</param>
/// <param name="PressureKpa">Working gauge pressure in kPa of what is inflated, or null.</param>
/// <param name="RadiusMm">Radius of a tube, or of a shaft, in millimetres; for drop-stitch half its thickness; null where it has none.</param>
/// <param name="Refuse">Why it is never mended here, or null.</param>
public sealed record Construction(
    string Id,
    [property: Size(1, 120)][property: Words] string Name,
    GearFamily Family,
    Silhouette Silhouette,
    [property: Limits(0, 600, "months")] int WarrantyMonths,
    string CoreLayer,
    [property: Size(1, 20)] IReadOnlyList<Layer> Layers,
    [property: Size(1, 40)] IReadOnlyList<Location> Locations,
    [property: Size(1, 40)] IReadOnlyList<UsualDamage> Damages,
    [property: Size(5, 400)] string Source,
    bool Pair = false,
    [property: Limits(1, 300, "kPa")] double? PressureKpa = null,
    [property: Limits(1, 1000, "mm")] double? RadiusMm = null,
    [property: Words] string? Refuse = null
)
{
    /// <summary>The layers at a location, outside in.</summary>
    public IReadOnlyList<Layer> LayersAt(Location location)
    {
        var layers = (location.Layers ?? Layers).Select(layer =>
            layer.Id == CoreLayer && location.CoreThicknessMm is { } thickness ? layer with { ThicknessMm = thickness } : layer);
        return [.. location.FromBottom ? layers.Reverse() : layers];
    }

    /// <summary>Thickness of the whole item at a location, in millimetres.</summary>
    public double ThicknessMmAt(Location location) => Reach.ThicknessMm(LayersAt(location));
}
