using AbleMend.Core.Cases;
using AbleMend.Core.Limits;

namespace AbleMend.Core.Stock;

/// <summary>One tin, bottle, kit or roll on the shelf.</summary>
/// <param name="Material">Identifier of the material.</param>
/// <param name="UseBefore">Date after which it is not used, or null.</param>
/// <param name="OpenedOn">Day on which it was opened, or null while it is sealed.</param>
/// <param name="Id">What the shop has written on it, unique; null for a tin of before tins had names: then it goes by its material.</param>
/// <param name="Batch">Batch number of the maker, or null.</param>
/// <param name="Had">How much it held when it was put on the shelf, in <paramref name="Unit"/>; null where nobody counts it.</param>
/// <param name="Unit">What it is counted in.</param>
/// <param name="Price">What it cost, in the shop's money, or null.</param>
/// <param name="StandsAt">Where it stands, or null.</param>
/// <param name="GoneOn">Day on which it was used up or thrown away; null while it is there.</param>
public sealed record Lot(
    string Material,
    DateOnly? UseBefore = null,
    DateOnly? OpenedOn = null,
    [property: Size(1, 40)] string? Id = null,
    [property: Size(1, 60)] string? Batch = null,
    [property: Limits(0.001, 1_000_000)] double? Had = null,
    StockUnit Unit = StockUnit.Ml,
    [property: Limits(0, 1_000_000)] double? Price = null,
    [property: Size(1, 60)] string? StandsAt = null,
    DateOnly? GoneOn = null)
{
    /// <value>What it goes by.</value>
    [System.Text.Json.Serialization.JsonIgnore]
    public string Name => Id ?? Material;

    /// <value>Whether it is still there.</value>
    [System.Text.Json.Serialization.JsonIgnore]
    public bool IsThere => GoneOn is null;

    /// <value>As a case knows it.</value>
    [System.Text.Json.Serialization.JsonIgnore]
    public OnShelf InCase => new(Material, UseBefore, OpenedOn);
}
