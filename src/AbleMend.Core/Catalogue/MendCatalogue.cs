using System.Collections.Frozen;
using AbleMend.Core.Gear;
using AbleMend.Core.HandingBack;
using AbleMend.Core.Looking;
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
        IReadOnlyList<Caution> cautions,
        IReadOnlyList<School> schools,
        IReadOnlyList<LookTest> lookTests,
        IReadOnlyList<AftercareLine> aftercare)
    {
        Version = version;
        Substances = substances.ToFrozenDictionary(substance => substance.Id);
        Constructions = constructions.ToFrozenDictionary(construction => construction.Id);
        Materials = materials.ToFrozenDictionary(material => material.Id);
        MaterialList = materials;
        ConstructionList = constructions;
        Rules = rules;
        Cautions = cautions.ToFrozenDictionary(caution => caution.Id);
        Schools = schools.ToFrozenDictionary(school => school.Id);
        SchoolList = schools;
        LookTests = lookTests;
        Aftercare = aftercare;
        _cups = materials.Where(material => material is { Heat: not null, Label.PotLifeMin: not null }).ToFrozenDictionary(material => material.Id, Cup.Fit);
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

    /// <value>Questions on which practitioners disagree, by identifier.</value>
    public FrozenDictionary<string, School> Schools { get; }

    /// <value>The same questions in the order of the data.</value>
    public IReadOnlyList<School> SchoolList { get; }

    /// <value>Ways of finding what leaks or hides.</value>
    public IReadOnlyList<LookTest> LookTests { get; }

    /// <value>What to watch once an item is back in use, in the order in which it is said.</value>
    public IReadOnlyList<AftercareLine> Aftercare { get; }

    /// <summary>This catalogue with a shop's own products beside its materials; a product of a known identifier takes the place of that material.</summary>
    /// <param name="products">Products, as their labels describe them.</param>
    /// <exception cref="CatalogueException">A product does not hang together; the message names it.</exception>
    public MendCatalogue With(IReadOnlyList<Material> products)
    {
        var own = products.Select(product => product.Id).ToHashSet();
        var all = new MendCatalogue(Version, [.. Substances.Values], ConstructionList, [.. MaterialList.Where(material => !own.Contains(material.Id)), .. products],
            Rules, [.. Cautions.Values], SchoolList, LookTests, Aftercare);
        CatalogueLoader.CheckMaterials(products, all);
        return all;
    }

    /// <summary>The cup model of a material, fitted to its label; null for what does not heat in a cup.</summary>
    public Cup? CupOf(Material material) => _cups.GetValueOrDefault(material.Id);
}
