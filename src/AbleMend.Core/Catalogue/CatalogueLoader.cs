using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Matching;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Catalogue;

/// <summary>A fault in the catalogue's data: always a mistake of whoever edited it, named by file and entry.</summary>
public sealed class CatalogueException(string message) : Exception(message);

/// <summary>Reads the data that ships inside the core and checks that it hangs together.</summary>
public static class CatalogueLoader
{
    /// <summary>Version of the shipped data.</summary>
    public const string Version = "2026.1";

    /// <summary>Loads the shipped catalogue.</summary>
    /// <exception cref="CatalogueException">An entry is broken; the message names it.</exception>
    public static MendCatalogue LoadShipped()
    {
        var json = OpenJson.Context;
        var catalogue = new MendCatalogue(
            Version,
            Read("substances", json.IReadOnlyListSubstance),
            Read("constructions", json.IReadOnlyListConstruction),
            Read("materials", json.IReadOnlyListMaterial),
            Read("rules", json.IReadOnlyListMatchRule),
            Read("cautions", json.IReadOnlyListCaution));
        Check(catalogue);
        return catalogue;
    }

    /// <summary>Checks that every reference is known and every resin complete.</summary>
    /// <exception cref="CatalogueException">The first fault found.</exception>
    internal static void Check(MendCatalogue catalogue)
    {
        foreach (var construction in catalogue.ConstructionList)
        {
            CheckConstruction(construction, catalogue);
        }

        foreach (var material in catalogue.MaterialList)
        {
            CheckMaterial(material, catalogue);
        }

        foreach (var attack in catalogue.Rules.OfType<AttacksRule>())
        {
            Demand(
                catalogue.Substances.Values.Any(substance => substance.Families.Contains(attack.Family)),
                $"rule {attack.Id}: no substance is of family {attack.Family}");
        }
    }

    private static void CheckConstruction(Construction construction, MendCatalogue catalogue)
    {
        var at = $"construction {construction.Id}";
        Demand(construction.Layers.Any(layer => layer.Id == construction.CoreLayer), $"{at}: core layer {construction.CoreLayer} is missing");
        Demand(construction.Locations.Count > 0, $"{at}: has no location");
        foreach (var layer in construction.Layers)
        {
            Demand(catalogue.Substances.ContainsKey(layer.Substance), $"{at}: unknown substance {layer.Substance}");
            Demand(layer.ThicknessMm is > 0 and < 1000, $"{at}: layer {layer.Id} needs a thickness above 0");
        }
    }

    private static void CheckMaterial(Material material, MendCatalogue catalogue)
    {
        var at = $"material {material.Id}";
        foreach (var hazard in material.Hazards)
        {
            Demand(catalogue.Cautions.ContainsKey(hazard), $"{at}: unknown caution {hazard}");
        }

        foreach (var substance in material.BondsTo)
        {
            Demand(catalogue.Substances.ContainsKey(substance), $"{at}: unknown substance {substance}");
        }

        if (material.Role != Role.Resin)
        {
            return;
        }

        Demand(material is { Cure: not null, Label: not null, DensityGPerMl: > 0 }, $"{at}: a resin needs cure, label and density");
        Demand(material.Cure != CureKind.TwoPart || material is { Ratio: not null, DensityAGPerMl: > 0, DensityBGPerMl: > 0 },
            $"{at}: a two-part resin needs ratio and both densities");
        Demand(material.Cure != CureKind.Catalysed || material.Catalyst is not null, $"{at}: a catalysed resin needs its catalyst");
        Demand(material.Cure != CureKind.Light || material.Light is not null, $"{at}: a light-cured resin needs its layer");
        Demand(material.Cure == CureKind.Light || material.Heat is not null, $"{at}: a resin that heats needs its heat of cure");
    }

    private static IReadOnlyList<T> Read<T>(string name, JsonTypeInfo<IReadOnlyList<T>> type)
    {
        using var stream = typeof(CatalogueLoader).Assembly.GetManifestResourceStream($"catalogue/{name}.json")
            ?? throw new CatalogueException($"{name}.json is not in the build.");
        try
        {
            return JsonSerializer.Deserialize(stream, type) ?? throw new CatalogueException($"{name}.json is empty.");
        }
        catch (JsonException broken)
        {
            throw new CatalogueException($"{name}.json: {broken.Message}");
        }
    }

    private static void Demand(bool holds, string fault)
    {
        if (!holds)
        {
            throw new CatalogueException(fault);
        }
    }
}
