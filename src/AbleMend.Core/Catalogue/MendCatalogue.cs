using System.Collections.Frozen;
using AbleMend.Core.Gear;
using AbleMend.Core.Looking;
using AbleMend.Core.Materials;
using AbleMend.Core.Mixing;
using AbleMend.Core.Safety;

namespace AbleMend.Core.Catalogue;

/// <summary>Everything known about constructions, materials, rules and cautions. Immutable, checked when it is loaded.</summary>
public sealed class MendCatalogue
{
    private readonly IReadOnlyDictionary<string, Cup> _cups;

    private readonly CatalogueData _data;

    private readonly Lazy<IReadOnlyDictionary<Material, Material>> _alike;

    internal MendCatalogue(string version, CatalogueData data)
    {
        _data = data;
        Version = version;
        Substances = data.Substances.ToFrozenDictionary(substance => substance.Id);
        Constructions = data.Constructions.ToFrozenDictionary(construction => construction.Id);
        Materials = data.Materials.ToFrozenDictionary(material => material.Id);
        Cautions = data.Cautions.ToFrozenDictionary(caution => caution.Id);
        Schools = data.Schools.ToFrozenDictionary(school => school.Id);
        _cups = data.Materials.Where(HeatsInACup).ToFrozenDictionary(material => material.Id, Cup.Fit);
        _alike = new(() => AlikeIn(data.Materials));
    }

    /// <summary>A catalogue with products beside it: every plan of a shop that has its own makes one, so that only what is theirs is made anew.</summary>
    private MendCatalogue(MendCatalogue shipped, CatalogueData data, IReadOnlyList<Material> products)
    {
        _data = data;
        (Version, Substances, Constructions, Cautions, Schools) = (shipped.Version, shipped.Substances, shipped.Constructions, shipped.Cautions, shipped.Schools);
        var (materials, cups) = (new Dictionary<string, Material>(shipped.Materials), new Dictionary<string, Cup>(shipped._cups));
        foreach (var product in products)
        {
            materials[product.Id] = product;
            cups.Remove(product.Id);
            if (HeatsInACup(product))
            {
                cups[product.Id] = Cup.Fit(product);
            }
        }

        (Materials, _cups) = (materials, cups);
        _alike = new(() => AlikeIn(data.Materials));
    }

    /// <value>Version of the data, such as <c>2026.1</c>.</value>
    public string Version { get; }

    /// <value>The closed vocabularies.</value>
    public Vocabulary Vocabulary => _data.Vocabulary;

    /// <value>Substances by identifier.</value>
    public FrozenDictionary<string, Substance> Substances { get; }

    /// <value>Constructions by identifier.</value>
    public FrozenDictionary<string, Construction> Constructions { get; }

    /// <value>Constructions in the order of the data.</value>
    public IReadOnlyList<Construction> ConstructionList => _data.Constructions;

    /// <value>Materials by identifier.</value>
    public IReadOnlyDictionary<string, Material> Materials { get; }

    /// <value>Materials in the order of the data.</value>
    public IReadOnlyList<Material> MaterialList => _data.Materials;

    /// <value>Matching rules, in the order in which they speak.</value>
    public IReadOnlyList<MatchRule> Rules => _data.Rules;

    /// <value>Rules of triage, in the order in which they are asked.</value>
    public IReadOnlyList<TriageRule> Triage => _data.Triage;

    /// <value>Cautions by identifier.</value>
    public FrozenDictionary<string, Caution> Cautions { get; }

    /// <value>Questions on which practitioners disagree, by identifier.</value>
    public FrozenDictionary<string, School> Schools { get; }

    /// <value>The same questions in the order of the data.</value>
    public IReadOnlyList<School> SchoolList => _data.Schools;

    /// <value>Ways of finding what leaks or hides.</value>
    public IReadOnlyList<LookTest> LookTests => _data.LookTests;

    /// <value>What to watch once an item is back in use, in the order in which it is said.</value>
    public IReadOnlyList<AftercareLine> Aftercare => _data.Aftercare;

    /// <value>What goes wrong at the bench, and what then.</value>
    public IReadOnlyList<Mishap> Mishaps => _data.Mishaps;

    /// <summary>This catalogue with a shop's own products beside its materials; a product of a known identifier takes the place of that material.</summary>
    /// <param name="products">Products, as their labels describe them.</param>
    /// <exception cref="CatalogueException">A product does not hang together; the message names it.</exception>
    public MendCatalogue With(IReadOnlyList<Material> products)
    {
        var own = products.Select(product => product.Id).ToHashSet();
        var beside = _data with { Materials = [.. MaterialList.Where(material => !own.Contains(material.Id)), .. products] };
        CatalogueLoader.CheckProducts(products, beside);
        return new MendCatalogue(this, beside, products);
    }

    /// <summary>The cup model of a material, fitted to its label; null for what does not heat in a cup.</summary>
    public Cup? CupOf(Material material) => _cups.GetValueOrDefault(material.Id);

    /// <summary>The first material of the data that differs from one in nothing but its name, price and skill: whatever is worked out for the one holds for the other.</summary>
    /// <param name="material">A material of this catalogue.</param>
    public Material FirstAlike(Material material) => _alike.Value[material];

    private static IReadOnlyDictionary<Material, Material> AlikeIn(IReadOnlyList<Material> materials)
    {
        var first = new Dictionary<Material, Material>();
        var alike = new Dictionary<Material, Material>(ReferenceEqualityComparer.Instance);
        foreach (var material in materials)
        {
            var nameless = material with { Id = "", Name = "", Source = "", Skill = 1, Cost = 1 };
            first.TryAdd(nameless, material);
            alike[material] = first[nameless];
        }

        return alike;
    }

    private static bool HeatsInACup(Material material) => material is { Heat: not null, Label.PotLifeMin: not null };
}
