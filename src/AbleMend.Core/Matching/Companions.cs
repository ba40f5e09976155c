using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Matching;

/// <summary>What goes with the main material: cloth, filler, patch stock, and a cleaner that harms nothing.</summary>
public static class Companions
{
    /// <summary>The materials of a system, chosen or by default.</summary>
    /// <param name="view">The case.</param>
    /// <param name="method">Way of mending.</param>
    /// <param name="main">The material that holds.</param>
    public static ChosenMaterials For(CaseView view, IMendMethod method, Material main)
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

    /// <summary>
    /// The cleaner: on PVC by the school chosen, else the first in the catalogue's order that is made for the outer layer
    /// and harms no layer of the item, else the first that harms none.
    /// </summary>
    public static Material Cleaner(CaseView view)
    {
        var safe = view.Catalogue.MaterialList.Where(material => material.Role == Role.Cleaner && Harmless(view, material)).ToList();
        if (view.Outer.Families.Contains("pvc") && safe.FirstOrDefault(cleaner => cleaner.Id == view.School("pvc-cleaner")) is { } chosen)
        {
            return chosen;
        }

        return safe.FirstOrDefault(cleaner => cleaner.Suits?.Any(view.Outer.Families.Contains) == true) ?? safe[0];
    }

    /// <summary>The first patch stock of the outer layer's own family, or null.</summary>
    public static Material? Stock(CaseView view) =>
        view.Outer.Families
            .Select(family => view.Catalogue.MaterialList.FirstOrDefault(material => material.Role == Role.PatchStock && material.Suits?.Contains(family) == true))
            .FirstOrDefault(stock => stock is not null);

    private static bool Harmless(CaseView view, Material cleaner) =>
        view.Catalogue.Rules.OfType<AttacksRule>().All(rule => rule.Harms(cleaner, view.Reach.Touched, view.Reach) is null);
}
