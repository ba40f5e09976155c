using AbleMend.Core.Cases;
using AbleMend.Core.Materials;

namespace AbleMend.Core.Matching;

/// <summary>The main material and what goes with it, as chosen for a method.</summary>
/// <param name="Main">The material that holds.</param>
/// <param name="Cloth">Cloth, where the method lays any.</param>
/// <param name="Filler">Filler, where the method takes any.</param>
/// <param name="Cleaner">Cleaner that harms no layer.</param>
/// <param name="Patch">Stock that patches are cut from; null where nothing on the list suits the outer layer.</param>
public sealed record ChosenMaterials(Material Main, Material Cloth, Material Filler, Material Cleaner, Material? Patch);

/// <summary>What goes with the main material: cloth, filler, patch stock, and a cleaner that harms nothing.</summary>
public static class Companions
{
    /// <summary>The materials of a system, chosen or by default.</summary>
    /// <param name="view">The case.</param>
    /// <param name="method">Way of mending.</param>
    /// <param name="main">The material that holds.</param>
    public static ChosenMaterials For(CaseView view, IWayOfMending method, Material main)
    {
        var known = view.Catalogue.Materials;
        var choice = view.Choice;
        return new ChosenMaterials(
            main,
            known[choice?.Cloth ?? method.Cloth(view)],
            known[choice?.Filler ?? method.Filler(view)],
            view.Cleaner,
            choice?.Patch is { } patch ? known[patch] : view.Stock);
    }
}
