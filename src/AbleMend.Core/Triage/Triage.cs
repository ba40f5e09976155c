using System.Text.Json.Serialization;
using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Patching;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Triage;

/// <summary>What to do with the item.</summary>
[JsonConverter(typeof(Kebab<Decision>))]
public enum Decision
{
    Mend,

    /// <summary>Mend for now, with the proper repair booked.</summary>
    MendForNow,

    /// <summary>Back to whoever sold it, before anything is sanded.</summary>
    Warranty,

    /// <summary>To a specialist shop.</summary>
    Refer,

    /// <summary>Out of use.</summary>
    Retire,

    /// <summary>Never mended here: it holds a life, or a mend of it would injure somebody.</summary>
    Refuse,
}

/// <summary>Why.</summary>
/// <param name="Code">Stable code of the rule.</param>
/// <param name="Text">Reason in words of the trade.</param>
/// <param name="Decides">Whether it decided, or only wants to be known.</param>
/// <param name="Source">Where the rule comes from.</param>
public sealed record Reason(string Code, Message Text, bool Decides, Message Source);

/// <summary>The verdict with its reasons.</summary>
/// <param name="Decision">What to do.</param>
/// <param name="Reasons">Why, the deciding ones first.</param>
public sealed record Verdict(Decision Decision, IReadOnlyList<Reason> Reasons)
{
    /// <value>Whether it is mended here.</value>
    [JsonIgnore]
    public bool MendedHere => Decision is Decision.Mend or Decision.MendForNow;
}

/// <summary>A rule of triage.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Decision">What it decides; null for a rule that only wants to be known.</param>
/// <param name="Applies">When it applies.</param>
/// <param name="Text">Reason in words.</param>
/// <param name="Source">Where it comes from.</param>
internal sealed record TriageRule(
    string Code, Decision? Decision, Func<CaseView, bool> Applies, Func<CaseView, Message> Text, string Source);

/// <summary>Mend, mend for now, warranty, refer or retire.</summary>
public static class TriageDesk
{
    /// <summary>Difference of cant in degrees that counts as changed. From memory: what a bevel gauge tells apart by hand.</summary>
    public const double CantToleranceDeg = 1.0;

    /// <summary>Largest hurt area in cm² that is mended on this bench. From memory.</summary>
    public const double LargestAreaCm2 = 600;

    /// <summary>Largest bare patch of a hard coating in mm² that lacquer bridges. From memory.</summary>
    public const double LargestBareMm2 = 60;

    /// <summary>Cracks over a hull from which it counts as brittle all over. From memory.</summary>
    public const int ManyCracks = 7;

    private const string Practice = "Common practice, no source.";
    private const string Memory = "From memory.";

    // Order matters: the first rule that decides wins, so what must not be mended comes before what may.
    private static readonly TriageRule[] Rules =
    [
        new("bent-metal", Decision.Refuse, view => view.Damage.Kind == DamageKind.Bent && HasStructuralMetal(view),
            _ => "Bent structural metal is never straightened here: it is replaced by a licensed workshop.", Practice),
        new("cracked-metal", Decision.Refuse, view => view.Damage.Kind == DamageKind.Crack && HasStructuralMetal(view),
            _ => "Cracked structural metal breaks without a warning: it is replaced by a licensed workshop.", Practice),
        new("laminate-splintered", Decision.Refuse, LimbLaminateHurt,
            _ => "It runs across, or into the laminate: a limb that lets go injures people. Only a corner bead is sealed.", Practice),
        new("hydrolysis", Decision.Retire, view => view.Damage.Kind == DamageKind.Crumbled,
            _ => "Polyurethane foam that crumbles has broken down with age and damp all through: nothing holds on it. Retire it, and its mate.", Practice),
        new("brittle-all-over", Decision.Retire, view => view.Construction.Silhouette == Silhouette.Hull && Places(view).Sum(damage => 1 + (damage.Neighbours?.Count ?? 0)) >= ManyCracks,
            _ => "Cracks are scattered over a brittle hull: mending one starts the next. Retire it.", Practice),
        new("coating-worn-through", Decision.Refer, view => view.Outer.Families.Contains("hard-coating") && view.Outline.AreaMm2 > LargestBareMm2,
            view => $"The hard coating is worn through over {Mm2(view.Outline.AreaMm2)}: the tube is recoated or replaced.", Memory),
        new("edge-catches", Decision.Refer, view => view.Outer.Families.Contains("hard-coating") && view.Damage.EdgeCatches == true,
            _ => "The edge still catches with the burrs off: it cuts the seal. To a suspension workshop.", Practice),
        new("snapped", Decision.Retire, IsSnapped,
            _ => "Broken from side to side into the foam: a patch carries no board. Retire it, or send it to a shop that splices.", Practice),
        new("warranty-in-force", Decision.Warranty, view => view.Case.Item.Warranty == Warranty.InForce && NotHit(view),
            _ => "It came without a knock and the warranty is in force: back first. Sanding it can void the claim.", Practice),
        new("new-board", Decision.Warranty, IsNewAndUnhurt,
            view => $"It is {view.Case.Item.AgeMonths ?? 0} months old and nobody hit it: ask for it under warranty first. Sanding it can void the claim.", Practice),
        new("fin-cant-changed", Decision.Refer, CantChanged,
            view => $"The fin stands at {Degrees(view.Damage.Fin!.CantDeg):0.0} and its twin at {Degrees(view.Damage.Fin.TwinCantDeg):0.0}: the box has moved. It is reset or replaced, not glassed round.", Practice),
        new("too-large", Decision.Refer, view => DamagedCm2(view) > LargestAreaCm2,
            view => $"{Cm2(DamagedCm2(view))} is more than {Cm2(LargestAreaCm2)}: that is work for a specialist shop.", Memory),
        new("through-both-faces", Decision.Refer, view => view.Reach.FoamOpen && view.Reach.Layers.Count > 2 && view.Reach.Layers[^1].Touched && view.Reach.Layers[^1].Substance.Texture is Texture.Clear or Texture.Weave,
            _ => "It goes through to the other face: both skins have to be rebuilt round a new piece of core.", Practice),
        new("for-now-was-asked", Decision.MendForNow, view => view.Case.Wanted.Permanence == Permanence.ForNow,
            _ => "A mend for now was asked for: it is named as such, and the proper repair is booked.", Practice),
        new("wet-core", null, view => view.Damage.Wet && view.Damage.Kind != DamageKind.WaterInside,
            view => view.Reach.FoamOpen
                ? "Water is in the foam: it is dried first, and weighed until it stops losing."
                : "It is wet: it is dried first. Nothing holds on a wet face.", Practice),
        new("warranty-maybe", null, view => view.Case.Item.Warranty is Warranty.InForce or Warranty.Unknown && IsYoung(view),
            _ => "It is young enough for a warranty: ask before sanding, though a knock is seldom covered.", Practice),
        new("fin-cant-same", null, view => view.Damage.Fin is not null && !CantChanged(view),
            view => $"The fin stands at {Degrees(view.Damage.Fin!.CantDeg):0.0}, as its twin does: the box stays.", Practice),
        new("fin-rocks", null, view => view.Damage.Fin is { Rocks: true },
            _ => "The fin rocks: look for soft foam round the box and sand to solid.", Practice),
        new("heat", null, view => view.Damage.Cause == Cause.Heat && view.Construction.Family is GearFamily.Boards or GearFamily.Hulls,
            _ => "Heat did it: tap all of it for lifted skin before you begin. One find does not exclude another.", Practice),
        new("heat-seams", null, view => view.Damage.Cause == Cause.Heat && view.Construction.PressureKpa is not null,
            _ => "Heat did it: soap every seam before you begin. One find does not exclude another.", Practice),
        new("find-first", null, view => view.Damage.Located == false,
            _ => "The leak is not found yet: the plan begins with finding it. One leak does not exclude another.", Practice),
        new("mate", null, view => view.Construction.Pair,
            _ => "It is one of a pair: do its mate in the same way, so that both stay alike.", Practice),
        new("shatter", null, view => !view.Reach.FoamOpen && view.Reach.Layers.Any(layer => layer.Substance.Texture is Texture.Foam or Texture.Beads) && view.Damage.Kind is DamageKind.Ding or DamageKind.Crack,
            _ => "It does not reach the foam: it is sealed, and needs no fill.", Practice),
    ];

    /// <summary>The refusal of what is never mended, whatever else is said of it; null where nothing forbids a mend outright.</summary>
    /// <param name="construction">Construction of the item.</param>
    /// <param name="location">Where it is hurt, or null where that is not known.</param>
    public static Verdict? RefuseOutright(Construction construction, Location? location) =>
        construction.Refuse is { } whole ? Refused("never-mended", whole)
        : location?.Refuse is { } place ? Refused("place-refused", place)
        : null;

    /// <value>The verdict of a damage that nobody had to look at, for another of the same item forbids the mend.</value>
    public static Verdict Unjudged { get; } = new(Decision.Mend, []);

    /// <summary>What to do with an item of several damages: what the gravest asks for, with everything that is to be known of the others.</summary>
    public static Verdict Gravest(IReadOnlyList<Verdict> verdicts)
    {
        var gravest = verdicts.MaxBy(verdict => verdict.Decision)!;
        return new Verdict(
            gravest.Decision,
            [
                .. verdicts.SelectMany(verdict => verdict.Reasons.Select(reason => reason with { Decides = reason.Decides && verdict.Decision == gravest.Decision }))
                    .DistinctBy(reason => (reason.Code, reason.Text))
                    .OrderByDescending(reason => reason.Decides),
            ]);
    }

    private static Verdict Refused(string code, string why) => new(Decision.Refuse, [new Reason(code, Message.Parse(why), true, Practice)]);

    /// <summary>Judges a case.</summary>
    public static Verdict Judge(CaseView view)
    {
        if (RefuseOutright(view.Construction, view.Location) is { } refused)
        {
            return refused;
        }

        var applying = Rules.Where(rule => rule.Applies(view)).ToList();
        var deciding = applying.FirstOrDefault(rule => rule.Decision is not null);
        var decision = deciding?.Decision ?? Decision.Mend;
        return new Verdict(
            decision,
            [
                .. applying
                    .Where(rule => rule.Decision is null || rule == deciding)
                    .OrderByDescending(rule => rule == deciding)
                    .Select(rule => new Reason(rule.Code, rule.Text(view).Told(), rule == deciding, Message.Parse(rule.Source))),
            ]);
    }

    /// <summary>All damages of the one that is looked at: those of its mate are the mate's.</summary>
    private static IEnumerable<Damage> Places(CaseView view) => view.Case.Damages.Select(damage => damage.Seen).Where(damage => damage.OnMate == view.Damage.OnMate);

    private static double DamagedCm2(CaseView view) => Places(view).Sum(damage => Outline.Of(damage.Shape, damage.Neighbours).AreaMm2) / 100;

    private static bool HasStructuralMetal(CaseView view) => view.Reach.Layers.Any(layer => layer.Substance.Families.Contains("structural-metal"));

    private static bool LimbLaminateHurt(CaseView view) =>
        view.Construction.Silhouette == Silhouette.Limb
        && (view.Damage.AcrossWholeWidth || view.Damage.Kind != DamageKind.Splinter || view.Reach.Layers.Any(layer => layer.Touched && layer.Layer.Id == view.Construction.CoreLayer));

    private static bool IsSnapped(CaseView view) => view.Damage.AcrossWholeWidth && view.Reach.FoamOpen;

    private static bool NotHit(CaseView view) => view.Damage.Cause is Cause.ByItself or Cause.Unknown;

    private static bool IsYoung(CaseView view) => view.Case.Item.AgeMonths <= view.Construction.WarrantyMonths;

    private static bool IsNewAndUnhurt(CaseView view) =>
        view.Case.Item.Warranty == Warranty.Unknown && IsYoung(view) && view.Damage.Cause == Cause.ByItself;

    private static bool CantChanged(CaseView view) =>
        view.Damage.Fin is { } fin && Math.Abs(fin.CantDeg - fin.TwinCantDeg) > CantToleranceDeg;
}
