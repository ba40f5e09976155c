using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Figures;
using AbleMend.Core.Finishing;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Patching;
using AbleMend.Core.Timing;

namespace AbleMend.Core.Cases;

/// <summary>One damage of a checked case together with what it points to: the one thing that rules, methods and calculators look at.</summary>
public sealed class CaseView
{
    private readonly Lazy<Material> _cleaner;
    private readonly Lazy<Material?> _stock;

    /// <summary>Resolves a case that has passed <see cref="CaseChecks"/>.</summary>
    /// <param name="repairCase">The case; its start must be set.</param>
    /// <param name="catalogue">The catalogue, the shop's own products included.</param>
    /// <param name="number">Which of its damages, from 1.</param>
    internal CaseView(RepairCase repairCase, MendCatalogue catalogue, int number = 1)
    {
        Case = repairCase;
        Number = number;
        ToMend = repairCase.Damages[number - 1];
        Catalogue = catalogue;
        Construction = catalogue.Constructions[repairCase.Item.Construction];
        Location = Construction.Locations.First(location => location.Id == ToMend.Seen.Location);
        Damage = RightThrough(ToMend.Seen, Construction, Location);
        Reach = Reach.Into(Construction.LayersAt(Location), catalogue.Substances, Damage.DepthMm);
        StartAt = repairCase.Wanted.StartAt ?? throw new ArgumentException("The case has no start.", nameof(repairCase));
        Outline = Outline.Of(Damage.Shape, Damage.Neighbours);
        var zone = TimeZoneInfo.FindSystemTimeZoneById(repairCase.Bench.Zone);
        Hours = new ShopHours(zone, repairCase.Bench.OpensHour, repairCase.Bench.ClosesHour);
        Climate = repairCase.Bench.ClimateFrom(StartAt);
        Drawer = [.. repairCase.Tools.Grits.Select(label => Grit.TryParse(label)!)];
        _cleaner = new(() => CleanerOf(this));
        _stock = new(() => StockOf(this));
    }

    /// <value>The case.</value>
    public RepairCase Case { get; }

    /// <value>Which of the case's damages it is, from 1.</value>
    public int Number { get; }

    private DamageToMend ToMend { get; }

    /// <value>The damage as seen; right through where it was measured a hair deeper than that.</value>
    public Damage Damage { get; }

    /// <value>What the technician chose for this damage, or null.</value>
    public Choice? Choice => ToMend.Choice;

    /// <value>Figures of this damage that were set by hand.</value>
    public IReadOnlyList<Override> Overrides => ToMend.Overrides ?? [];

    /// <value>The catalogue.</value>
    public MendCatalogue Catalogue { get; }

    /// <value>Construction of the item.</value>
    public Construction Construction { get; }

    /// <value>Where it is hurt.</value>
    public Location Location { get; }

    /// <value>How far through the layers.</value>
    public Reach Reach { get; }

    /// <value>What the outermost layer is made of.</value>
    public Substance Outer => Reach.Layers[0].Substance;

    /// <value>The usual damage of this kind on this construction, or null.</value>
    public UsualDamage? Usual => Construction.Damages.FirstOrDefault(damage => damage.Kind == Damage.Kind);

    /// <value>Every damage of the item of a kind that has to be looked for, with what the outermost layer there is made of: the same seen from each of them.</value>
    public IReadOnlyList<(Damage Damage, Substance Outer)> LookedFor =>
    [
        .. Case.Damages.Select(each => each.Seen)
            .Where(seen => Construction.Damages.FirstOrDefault(usual => usual.Kind == seen.Kind)?.Leaks == true)
            .Select(seen => (seen, Catalogue.Substances[Construction.LayersAt(Construction.Locations.First(place => place.Id == seen.Location))[0].Substance])),
    ];

    /// <summary>The option taken on a question where practitioners disagree: the chosen one, or the default.</summary>
    public string School(string id) => Choice?.Schools?.GetValueOrDefault(id) ?? Catalogue.Schools[id].Default;

    /// <summary>How fast a material sets here beside its label, where that is known well enough to be reckoned with; else null.</summary>
    /// <param name="material">Identifier of the material.</param>
    public LearntPace? PaceOf(string material) => Case.Paces?.FirstOrDefault(pace => pace.Material == material) is { Counts: true } pace ? pace : null;

    /// <value>Grits in the drawer.</value>
    public IReadOnlyList<Grit> Drawer { get; }

    /// <value>Cleaner that harms no layer; the same for every system that is ranked.</value>
    public Material Cleaner => _cleaner.Value;

    /// <value>Patch stock of the outer layer's family, or null; the same for every system that is ranked.</value>
    public Material? Stock => _stock.Value;

    /// <value>Outline of the damage.</value>
    public Outline Outline { get; }

    /// <value>When work begins.</value>
    public DateTimeOffset StartAt { get; }

    /// <value>Air at the bench.</value>
    public Climate Climate { get; }

    /// <value>When hands are there.</value>
    public ShopHours Hours { get; }

    /// <summary>By how much a depth may pass the far face and still mean right through, in millimetres: the half step of an inch with two decimals.</summary>
    public const double RightThroughWithinMm = 0.13;

    private static Damage RightThrough(Damage seen, Construction construction, Location location) =>
        construction.ThicknessMmAt(location) is var thickness && seen.DepthMm > thickness ? seen with { DepthMm = thickness } : seen;

    /// <summary>
    /// The cleaner: on PVC by the school chosen, else the first in the catalogue's order that is made for the outer layer
    /// and harms no layer of the item, else the first that harms none.
    /// </summary>
    private static Material CleanerOf(CaseView view)
    {
        var safe = view.Catalogue.MaterialList.Where(material => material.Role == Role.Cleaner && Harmless(view, material)).ToList();
        if (view.Outer.Families.Contains("pvc") && safe.FirstOrDefault(cleaner => cleaner.Id == view.School("pvc-cleaner")) is { } chosen)
        {
            return chosen;
        }

        return safe.FirstOrDefault(cleaner => cleaner.Suits?.Any(view.Outer.Families.Contains) == true) ?? safe[0];
    }

    /// <summary>The first patch stock of the outer layer's own family, or null.</summary>
    private static Material? StockOf(CaseView view) =>
        view.Outer.Families
            .Select(family => view.Catalogue.MaterialList.FirstOrDefault(material => material.Role == Role.PatchStock && material.Suits?.Contains(family) == true))
            .FirstOrDefault(stock => stock is not null);

    private static bool Harmless(CaseView view, Material cleaner) =>
        view.Catalogue.Rules.OfType<AttacksRule>().All(rule => rule.Harms(cleaner, view.Reach.Touched, view.Reach) is null);
}
