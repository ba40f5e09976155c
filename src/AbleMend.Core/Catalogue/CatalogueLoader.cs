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
            Read("cautions", json.IReadOnlyListCaution),
            Read("schools", json.IReadOnlyListSchool),
            Read("look-tests", json.IReadOnlyListLookTest),
            Read("aftercare", json.IReadOnlyListAftercareLine));
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

        CheckMaterials(catalogue.MaterialList, catalogue);
        foreach (var school in catalogue.SchoolList)
        {
            Demand(school.Options.Any(option => option.Id == school.Default), $"school {school.Id}: its default is none of its options");
        }

        foreach (var line in catalogue.Aftercare)
        {
            Demand(line.Text.Length > 0 && line.LookAgainDays is null or > 0, $"aftercare {line.Id}: needs words, and its days are above 0");
        }

        foreach (var attack in catalogue.Rules.OfType<AttacksRule>())
        {
            Demand(
                catalogue.Substances.Values.Any(substance => substance.Families.Contains(attack.Family)),
                $"rule {attack.Id}: no substance is of family {attack.Family}");
        }
    }

    /// <summary>Checks materials against the catalogue that they belong to.</summary>
    /// <exception cref="CatalogueException">The first fault found.</exception>
    internal static void CheckMaterials(IEnumerable<Material> materials, MendCatalogue catalogue)
    {
        foreach (var material in materials)
        {
            CheckMaterial(material, catalogue);
        }
    }

    private static void CheckConstruction(Construction construction, MendCatalogue catalogue)
    {
        var at = $"construction {construction.Id}";
        Demand(construction.Layers.Any(layer => layer.Id == construction.CoreLayer), $"{at}: core layer {construction.CoreLayer} is missing");
        Demand(construction.Locations.Count > 0, $"{at}: has no location");
        Demand(construction.Damages.Count > 0, $"{at}: has no damage that it comes with");
        foreach (var layer in construction.Layers.Concat(construction.Locations.SelectMany(location => location.Layers ?? [])))
        {
            Demand(catalogue.Substances.ContainsKey(layer.Substance), $"{at}: unknown substance {layer.Substance}");
            Demand(layer.ThicknessMm is > 0 and < 1000, $"{at}: layer {layer.Id} needs a thickness above 0");
        }

        foreach (var damage in construction.Damages)
        {
            var location = construction.Locations.FirstOrDefault(each => each.Id == damage.Location);
            Demand(location is not null, $"{at}: unknown location {damage.Location}");
            Demand(damage.DepthMm > 0 && damage.DepthMm <= construction.ThicknessMmAt(location!) + 1e-9, $"{at}: {damage.Kind} is deeper than the item at {damage.Location}");
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
            Demand(catalogue.Substances.ContainsKey(substance) || catalogue.Substances.Values.Any(each => each.Families.Contains(substance)),
                $"{at}: bonds to {substance}, which is neither a substance nor a family of one");
        }

        Demand(material.Label is null == material.Cure is null, $"{at}: what sets needs both its cure and its label");
        if (material.Label is { } label)
        {
            CheckLabel(material, label, at);
        }
    }

    private static void CheckLabel(Material material, CureLabel label, string at)
    {
        Demand(material is { DensityGPerMl: > 0, Flexibility: not null }, $"{at}: what sets needs its density and how much it moves");
        Demand(material.BondsTo.Count > 0, $"{at}: what sets needs to name what it bonds to");
        Demand(material.Cure != CureKind.TwoPart || material.Kit is not null || material is { Ratio: not null, DensityAGPerMl: > 0, DensityBGPerMl: > 0 },
            $"{at}: a two-part material needs its kit, or its ratio and both densities");
        Demand(material.Cure != CureKind.Catalysed || material.Catalyst is not null, $"{at}: a catalysed resin needs its catalyst");
        Demand(material.Cure != CureKind.Light || material.Light is not null, $"{at}: a light-cured material needs its layer");
        Demand(material.Role != Role.Resin || material.Cure == CureKind.Light || material.Heat is not null, $"{at}: a resin that heats needs its heat of cure");
        Demand(material.Heat is null || label is { PotLifeMin: > 0, PotMassG: > 0 }, $"{at}: heat of cure needs the label's pot life and its mass");
        Demand(material.Role != Role.Cement || material is { Coats: > 0, SpreadGPerM2: > 0 }, $"{at}: a cement needs its coats and its spread rate");
        Demand(material.Role != Role.Cement || label is { TackOpensMin: > 0 } && label.TackClosesMin > label.TackOpensMin, $"{at}: a cement needs a tack window that opens and closes");
        Demand(material.Cure != CureKind.Moisture || material.LabelFilmMm > 0, $"{at}: what moisture sets needs the film that its label is for");
        Demand(label.LoadableMin > 0 && label.FullMin >= label.LoadableMin, $"{at}: it is loadable after 0 min and fully cured no sooner");
        Demand(label.MinimumC < label.MaximumC, $"{at}: its lowest temperature lies under its highest");
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
