using AbleMend.Core.Cases;
using AbleMend.Core.Days;
using AbleMend.Core.Materials;
using AbleMend.Core.Mixing;
using AbleMend.Core.Patching;
using AbleMend.Core.Quantities;
using AbleMend.Core.Stock;
using AbleMend.Core.Worth;

namespace AbleMend.Data;

/// <summary>The shop: what every new case starts from.</summary>
/// <param name="Name">Name of the shop, 1 to 60 characters.</param>
/// <param name="Units">Units shown first.</param>
/// <param name="Bench">Air, light, hours and zone at the bench.</param>
/// <param name="Tools">Measuring device and grits.</param>
/// <param name="Products">The shop's own products, as their labels describe them.</param>
/// <param name="Shelf">Lots on the shelf, and those that are gone; null counts everything as there.</param>
/// <param name="Offcuts">Pieces of cloth and patch stock at hand.</param>
/// <param name="Floor">Who mends, and what there is only so much of; null for one pair of hands.</param>
/// <param name="Rates">What the shop asks for its work; null where it has not said.</param>
/// <param name="Devices">What else is measured with, beside the usual device of its tools.</param>
public sealed record ShopSettings(string Name, UnitSystem Units, BenchFacts Bench, Tools Tools, IReadOnlyList<Lot>? Shelf, IReadOnlyList<Material>? Products = null,
    IReadOnlyList<Offcut>? Offcuts = null, ShopFloor? Floor = null, Rates? Rates = null, IReadOnlyList<NamedDevice>? Devices = null)
{
    /// <value>The shop as a new case starts from it.</value>
    [System.Text.Json.Serialization.JsonIgnore]
    public ShopFacts Facts => new(Bench, Tools, Shelf is null ? null : [.. Shelf.Where(lot => lot.IsThere).Select(lot => lot.InCase)], Products, Offcuts);

    /// <value>A new shop's settings: a common bench, to be set to the real one.</value>
    public static ShopSettings ForNewShop { get; } = new(
        "My shop",
        UnitSystem.Metric,
        new BenchFacts(20, 55),
        new Tools(new CupDevice(5, 0.5, 60), ["P60", "P80", "P120", "P150", "P220", "P320", "P400", "P600"]),
        null);
}
