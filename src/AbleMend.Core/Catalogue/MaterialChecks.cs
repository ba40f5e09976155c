using AbleMend.Core.Materials;
using AbleMend.Core.Safety;

namespace AbleMend.Core.Catalogue;

/// <summary>Checks materials, those of the catalogue and a shop's own alike; where a label is silent, nothing is asked of it that no plan needs.</summary>
internal static class MaterialChecks
{
    /// <summary>Everything wrong with some materials.</summary>
    /// <param name="materials">The materials.</param>
    /// <param name="data">The catalogue that they stand in, or beside.</param>
    public static IReadOnlyList<CatalogueFault> Check(IReadOnlyList<Material> materials, CatalogueData data)
    {
        var checks = new EntryChecks("materials.json");
        checks.Identifiers(materials, material => material.Id);
        var cautions = data.Cautions.Select(caution => caution.Id).ToHashSet();
        var families = CatalogueChecks.Words(data.Vocabulary.Families);
        var bonds = families.Concat(data.Substances.Select(substance => substance.Id)).ToHashSet();
        foreach (var material in materials)
        {
            var at = material.Id;
            checks.Limits(material, at);
            checks.Known(material.Chemistry, at, "chemistry", CatalogueChecks.Words(data.Vocabulary.Chemistries));
            checks.Known(material.Hazards, at, "caution", cautions);
            checks.Known(material.BondsTo, at, "substance or family to bond to", bonds);
            checks.Known(material.Suits, at, "family to suit", families);
            checks.Known(material.Vapour?.Solvent, at, "vapour with a limit", [.. RoomAir.Limits.Keys]);
            checks.Demand(material.Source.Length >= 5, at, "It does not say where its values come from.", "Write what the label says, or that it is from memory.");
            checks.Demand(material.Label is null == material.Cure is null, at, "What sets needs both its cure and its label.", "Give both, or neither.");
            CheckRole(checks, material);
            if (material.Label is { } label)
            {
                CheckLabel(checks, material, label);
                CheckOrder(checks, material, label);
            }
        }

        return checks.Faults;
    }

    private static void CheckRole(EntryChecks checks, Material material)
    {
        var at = material.Id;
        checks.Demand(material.Role != Role.Cloth || material is { ArealWeightGPerM2: not null, PlyMm: not null }, at, "A cloth needs its areal weight and the thickness of a ply.", "Give arealWeightGPerM2 and plyMm.");
        checks.Demand(material.Role != Role.Filler || material is { FillerMassShare: not null, DensityGPerMl: not null }, at, "A filler needs its share of the mix and its density.", "Give fillerMassShare and densityGPerMl.");
        checks.Demand(material.Role != Role.Cleaner || material.FlashMin is not null, at, "A cleaner needs its flash time.", "Give flashMin.");
        checks.Demand(material.Role != Role.PatchStock || material.Suits is { Count: > 0 }, at, "Patch stock has to say what it is for.", "Give suits.");
        checks.Demand(material.Catalyst is not { } dose || (dose.MinPercent <= dose.Percent && dose.Percent <= dose.MaxPercent), at, "The catalyst's dose lies outside its own band.", "Give minPercent ≤ percent ≤ maxPercent.");
    }

    private static void CheckLabel(EntryChecks checks, Material material, CureLabel label)
    {
        var at = material.Id;
        checks.Demand(material is { DensityGPerMl: not null, Flexibility: not null }, at, "What sets needs its density and how much it moves.", "Give densityGPerMl and flexibility.");
        checks.Demand(material.BondsTo.Count > 0, at, "What sets needs to name what it bonds to.", "Give bondsTo.");
        checks.Demand(material.Cure != CureKind.TwoPart || material.Kit is not null || material is { Ratio: not null, DensityAGPerMl: not null, DensityBGPerMl: not null },
            at, "A two-part material needs its kit, or its ratio and both densities.", "Give kit, or ratio, densityAGPerMl and densityBGPerMl.");
        checks.Demand(material.Cure != CureKind.Catalysed || material.Catalyst is not null, at, "A catalysed resin needs its catalyst.", "Give catalyst.");
        checks.Demand(material.Cure != CureKind.Light || material.Light is not null, at, "A light-cured material needs its layer.", "Give light.");
        checks.Demand(material.Role != Role.Resin || material.Cure == CureKind.Light || material.Heat is not null, at, "A resin that heats needs its heat of cure.", "Give heat.");
        checks.Demand(material.Heat is null || label is { PotLifeMin: not null, PotMassG: not null }, at, "Heat of cure needs the label's pot life and its mass.", "Give potLifeMin and potMassG.");
        checks.Demand(material.Role != Role.Cement || material is { Coats: not null, SpreadGPerM2: not null }, at, "A cement needs its coats and its spread rate.", "Give coats and spreadGPerM2.");
        checks.Demand(material.Role != Role.Cement || label.TackOpensMin is not null, at, "A cement needs a tack window that opens and closes.", "Give tackOpensMin and tackClosesMin.");
        checks.Demand(material.Cure != CureKind.Moisture || material.LabelFilmMm is not null, at, "What moisture sets needs the film that its label is for.", "Give labelFilmMm.");
    }

    /// <summary>Milestones come in their order, and windows close after they open.</summary>
    private static void CheckOrder(EntryChecks checks, Material material, CureLabel label)
    {
        var at = material.Id;
        checks.Demand(!(label.FullMin < label.LoadableMin), at, "It is fully cured before it may be loaded.", "Correct loadableMin or fullMin.");
        checks.Demand(!(label.SandableMin > label.FullMin), at, "It sands only after it is fully cured.", "Correct sandableMin or fullMin.");
        checks.Demand(!(label.RecoatClosesMin <= label.RecoatOpensMin), at, "Its recoat window closes before it opens.", "Correct recoatOpensMin or recoatClosesMin.");
        checks.Demand(label.TackOpensMin is null || label.TackClosesMin > label.TackOpensMin, at, "Its tack window closes before it opens.", "Correct tackOpensMin or tackClosesMin.");
        checks.Demand(label.MinimumC < label.MaximumC, at, "Its lowest temperature does not lie under its highest.", "Correct minimumC or maximumC.");
        checks.Demand(label.ReferenceC >= label.MinimumC && label.ReferenceC <= label.MaximumC, at, "The temperature of its label lies outside those at which it cures.", "Correct referenceC.");
        checks.Demand(material.Role != Role.Resin || !(label.RecoatOpensMin > label.SandableMin), at, "It sands before it may be recoated.", "Correct recoatOpensMin or sandableMin.");
        checks.Demand(material.Role != Role.Resin || !(label.SandableMin >= label.LoadableMin), at, "It may be loaded before it sands.", "Correct sandableMin or loadableMin.");
    }
}
