using System.Text.Json.Serialization;

namespace AbleMend.Core.Gear;

/// <summary>Kinds of silhouette to tap on.</summary>
[JsonConverter(typeof(Kebab<Silhouette>))]
public enum Silhouette
{
    Board,
}

/// <summary>A place on an item, with what it changes.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">What the bench calls it.</param>
/// <param name="Flat">Whether a film or a flat block lies down on it.</param>
/// <param name="CoreThicknessMm">Thickness of the core layer here in millimetres, in place of the construction's own; null for no change.</param>
/// <param name="FinBox">Whether a fin box is set here.</param>
/// <param name="FromBottom">Whether the layers are met from the other face, last layer first.</param>
public sealed record Location(string Id, string Name, bool Flat, double? CoreThicknessMm, bool FinBox, bool FromBottom);

/// <summary>How a kind of item is built: real layers, outside in, through to the other face.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">Generic name.</param>
/// <param name="Silhouette">Its silhouette.</param>
/// <param name="WarrantyMonths">Usual warranty in months.</param>
/// <param name="CoreLayer">Identifier of the core layer, which locations may thin.</param>
/// <param name="Layers">Layers, outside in.</param>
/// <param name="Locations">Places that matter.</param>
/// <param name="Source">Where the thicknesses come from.</param>
public sealed record Construction(
    string Id,
    string Name,
    Silhouette Silhouette,
    int WarrantyMonths,
    string CoreLayer,
    IReadOnlyList<Layer> Layers,
    IReadOnlyList<Location> Locations,
    string Source
)
{
    /// <summary>The layers at a location, outside in.</summary>
    public IReadOnlyList<Layer> LayersAt(Location location)
    {
        var layers = Layers.Select(layer =>
            layer.Id == CoreLayer && location.CoreThicknessMm is { } thickness ? layer with { ThicknessMm = thickness } : layer);
        return [.. location.FromBottom ? layers.Reverse() : layers];
    }

    /// <summary>Thickness of the whole item at a location, in millimetres.</summary>
    public double ThicknessMmAt(Location location) => LayersAt(location).Sum(layer => layer.ThicknessMm);
}
