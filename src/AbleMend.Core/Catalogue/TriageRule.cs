using AbleMend.Core.Gear;
using AbleMend.Core.Limits;
using AbleMend.Core.Words;

namespace AbleMend.Core.Catalogue;

/// <summary>What has to be seen for a rule of triage: everything that is given, together. What is not given asks nothing.</summary>
/// <param name="Kinds">The damage is of one of these kinds.</param>
/// <param name="KindsNot">It is of none of these.</param>
/// <param name="Causes">It happened in one of these ways.</param>
/// <param name="Gear">The item is of one of these families of gear.</param>
/// <param name="Silhouette">The item has this silhouette.</param>
/// <param name="LayerFamily">A layer at the place is of this family.</param>
/// <param name="OuterFamily">The outermost layer is of this family.</param>
/// <param name="Places">The place has one of these traits.</param>
/// <param name="Warranty">The warranty stands in one of these ways.</param>
/// <param name="Young">The item is, or is not, young enough for a warranty.</param>
/// <param name="Permanence">A mend for good, or for now, was asked for.</param>
/// <param name="AcrossWholeWidth">It runs, or does not run, from side to side.</param>
/// <param name="CoreTouched">It reaches, or does not reach, the core.</param>
/// <param name="FoamOpen">Foam is, or is not, open.</param>
/// <param name="HasFoam">There is, or is not, foam at the place.</param>
/// <param name="ThroughBothFaces">It goes through to a laminate on the other face.</param>
/// <param name="Wet">Water is, or is not, inside.</param>
/// <param name="Located">A leak that was, or was not, found.</param>
/// <param name="EdgeCatches">A fingernail catches, or does not, with the burrs off.</param>
/// <param name="FinRocks">The fin rocks, or does not.</param>
/// <param name="Pair">The item is, or is not, one of a pair.</param>
/// <param name="HoldsPressure">The item is, or is not, blown up.</param>
/// <param name="DamagesAtLeast">So many damages and neighbours on the item.</param>
/// <param name="AreaAboveMm2">More area than this at the place.</param>
/// <param name="AllAreaAboveCm2">More area than this in all damages together.</param>
/// <param name="LengthAboveMm">It is longer than this, the longest of several close together.</param>
/// <param name="CoreCutAbovePercent">More than this share of the thickness of the core, the layer that carries, is cut.</param>
/// <param name="CantDiffersByMoreDeg">The cants of the fins differ by more than this.</param>
/// <param name="CantWithinDeg">The cants of the fins differ by no more than this.</param>
public sealed record TriageSigns(
    [property: Size(1, 30)] IReadOnlyList<DamageKind>? Kinds = null,
    [property: Size(1, 30)] IReadOnlyList<DamageKind>? KindsNot = null,
    [property: Size(1, 10)] IReadOnlyList<Cause>? Causes = null,
    [property: Size(1, 20)] IReadOnlyList<GearFamily>? Gear = null,
    Silhouette? Silhouette = null,
    string? LayerFamily = null,
    string? OuterFamily = null,
    [property: Size(1, 10)] IReadOnlyList<string>? Places = null,
    [property: Size(1, 4)] IReadOnlyList<Warranty>? Warranty = null,
    bool? Young = null,
    Permanence? Permanence = null,
    bool? AcrossWholeWidth = null,
    bool? CoreTouched = null,
    bool? FoamOpen = null,
    bool? HasFoam = null,
    bool? ThroughBothFaces = null,
    bool? Wet = null,
    bool? Located = null,
    bool? EdgeCatches = null,
    bool? FinRocks = null,
    bool? Pair = null,
    bool? HoldsPressure = null,
    [property: Limits(2, 100)] int? DamagesAtLeast = null,
    [property: Limits(1, 100000, "mm²")] double? AreaAboveMm2 = null,
    [property: Limits(1, 10000, "cm²")] double? AllAreaAboveCm2 = null,
    [property: Limits(1, 10000, "mm")] double? LengthAboveMm = null,
    [property: Limits(1, 100, "%")] double? CoreCutAbovePercent = null,
    [property: Limits(0.1, 30, "°")] double? CantDiffersByMoreDeg = null,
    [property: Limits(0.1, 30, "°")] double? CantWithinDeg = null);

/// <summary>A rule of triage. The first one in the order of the file that decides and applies wins, so what must not be mended comes before what may.</summary>
/// <param name="Id">Identifier, and the code of its reason.</param>
/// <param name="When">What has to be seen: any of these.</param>
/// <param name="Text">Reason in words of the trade. <c>{the area of all}</c> and its like stand for what was seen.</param>
/// <param name="Source">Where it comes from.</param>
/// <param name="Decision">What it decides; null for a rule that only wants to be known.</param>
public sealed record TriageRule(
    string Id,
    [property: Size(1, 8)] IReadOnlyList<TriageSigns> When,
    [property: Size(10, 300)][property: Words] string Text,
    [property: Words] string Source,
    Decision? Decision = null)
{
    /// <value>What a text may speak of.</value>
    public static IReadOnlyList<string> Speakable { get; } = ["area in mm²", "area of all", "length", "depth", "age", "cant", "twin's cant"];
}
