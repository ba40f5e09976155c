using System.Collections.Frozen;
using AbleMend.Core.Gear;
using AbleMend.Core.Matching;
using AbleMend.Core.Materials;
using AbleMend.Core.Mixing;
using AbleMend.Core.Safety;

namespace AbleMend.Core.Catalogue;

/// <summary>Everything known about constructions, materials, rules and cautions. Immutable, checked when it is loaded.</summary>
public sealed class MendCatalogue
{
    private readonly FrozenDictionary<string, Cup> _cups;

    internal MendCatalogue(
        string version,
        IReadOnlyList<Substance> substances,
        IReadOnlyList<Construction> constructions,
        IReadOnlyList<Material> materials,
        IReadOnlyList<MatchRule> rules,
        IReadOnlyList<Caution> cautions)
    {
        Version = version;
        Substances = substances.ToFrozenDictionary(substance => substance.Id);
        Constructions = constructions.ToFrozenDictionary(construction => construction.Id);
        Materials = materials.ToFrozenDictionary(material => material.Id);
        MaterialList = materials;
        ConstructionList = constructions;
        Rules = rules;
        Cautions = cautions.ToFrozenDictionary(caution => caution.Id);
        _cups = materials.Where(material => material.Heat is not null).ToFrozenDictionary(material => material.Id, Cup.Fit);
    }

    /// <value>Version of the data, such as <c>2026.1</c>.</value>
    public string Version { get; }

    /// <value>Substances by identifier.</value>
    public FrozenDictionary<string, Substance> Substances { get; }

    /// <value>Constructions by identifier.</value>
    public FrozenDictionary<string, Construction> Constructions { get; }

    /// <value>Constructions in the order of the data.</value>
    public IReadOnlyList<Construction> ConstructionList { get; }

    /// <value>Materials by identifier.</value>
    public FrozenDictionary<string, Material> Materials { get; }

    /// <value>Materials in the order of the data.</value>
    public IReadOnlyList<Material> MaterialList { get; }

    /// <value>Matching rules, in the order in which they speak.</value>
    public IReadOnlyList<MatchRule> Rules { get; }

    /// <value>Cautions by identifier.</value>
    public FrozenDictionary<string, Caution> Cautions { get; }

    /// <summary>The cup model of a material, fitted to its label; null for what does not heat in a cup.</summary>
    public Cup? CupOf(Material material) => _cups.GetValueOrDefault(material.Id);
}
