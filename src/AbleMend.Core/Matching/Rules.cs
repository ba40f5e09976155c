using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Plans;
using AbleMend.Core.Words;
using System.Text.Json.Serialization;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Matching;

/// <summary>A rule of judgement about a material or a system of method and resin. Rules are data; each kind knows how to look.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Reason">Why, in words of the trade.</param>
/// <param name="Source">Where it comes from.</param>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(AttacksRule), "attacks")]
[JsonDerivedType(typeof(HoldsBadlyRule), "holds-badly")]
[JsonDerivedType(typeof(BondsRule), "bonds")]
[JsonDerivedType(typeof(TakesOnlyRule), "takes-only")]
[JsonDerivedType(typeof(NotAtRule), "not-at")]
[JsonDerivedType(typeof(MovesWithRule), "moves-with")]
[JsonDerivedType(typeof(ServiceHeatRule), "service-heat")]
[JsonDerivedType(typeof(ToolsRule), "tools")]
[JsonDerivedType(typeof(CureTemperatureRule), "cure-temperature")]
[JsonDerivedType(typeof(HumidityRule), "humidity")]
[JsonDerivedType(typeof(LiesFlatRule), "lies-flat")]
[JsonDerivedType(typeof(LayerDepthRule), "layer-depth")]
[JsonDerivedType(typeof(ReadyInTimeRule), "ready-in-time")]
[JsonDerivedType(typeof(LastingRule), "lasting")]
[JsonDerivedType(typeof(SkillRule), "skill")]
[JsonDerivedType(typeof(InStockRule), "in-stock")]
[JsonDerivedType(typeof(InDateRule), "in-date")]
public abstract record MatchRule(string Id, [property: Words] string Reason, string Source)
{
    /// <value>Whether it speaks of chemistry alone, which is asked before anything else.</value>
    internal virtual bool IsChemistry => false;

    /// <summary>What this rule finds against a system; empty when it has nothing to say.</summary>
    internal abstract IEnumerable<Finding> Look(SystemUnderTest system);

    private protected Finding Say(Weight weight, Message reason, Layer? layer = null) =>
        new(Id, weight, reason.Told(), layer?.Id, layer is null ? null : Message.Parse(layer.Name), Message.Parse(Source));
}

/// <summary>A chemistry that attacks a family of substances: a veto that protects a layer.</summary>
/// <param name="Chemistries">Chemistries that do harm.</param>
/// <param name="Family">Family that is harmed.</param>
/// <param name="AnywhereInItem">Whether a layer that the damage does not reach is protected as well.</param>
public sealed record AttacksRule(
    string Id, string Reason, string Source, IReadOnlyList<string> Chemistries, string Family, bool AnywhereInItem)
    : MatchRule(Id, Reason, Source)
{
    /// <summary>The layer that a material would harm, or null.</summary>
    internal ReachedLayer? Harms(Material material, IReadOnlyList<ReachedLayer> touched, Reach reach) =>
        Chemistries.Contains(material.Chemistry)
            ? (AnywhereInItem ? reach.Layers : touched).FirstOrDefault(layer => layer.Substance.Families.Contains(Family))
            : null;

    internal override bool IsChemistry => true;

    internal override IEnumerable<Finding> Look(SystemUnderTest system) =>
        Harms(system.Material, system.Touched, system.View.Reach) is { } layer ? [Say(Weight.Veto, Message.Parse(Reason), layer.Layer)] : [];
}

/// <summary>A chemistry that holds badly on a family: a caution.</summary>
public sealed record HoldsBadlyRule(string Id, string Reason, string Source, IReadOnlyList<string> Chemistries, string Family)
    : MatchRule(Id, Reason, Source)
{
    internal override IEnumerable<Finding> Look(SystemUnderTest system)
    {
        if (!Chemistries.Contains(system.Material.Chemistry))
        {
            return [];
        }

        var layer = system.Touched.FirstOrDefault(each => each.Substance.Families.Contains(Family));
        var earlier = Family == $"cured-{system.View.Case.Item.EarlierMend}";
        return layer is not null || earlier ? [Say(Weight.Caution, Message.Parse(Reason), layer?.Layer)] : [];
    }
}

/// <summary>A resin must be known to hold on every layer that it touches.</summary>
public sealed record BondsRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source)
{
    internal override bool IsChemistry => true;

    internal override IEnumerable<Finding> Look(SystemUnderTest system) =>
        system.Touched
            .Where(layer => layer.Substance.Texture is not (Texture.Air or Texture.Threads) && !Bonds(system.Material, layer.Substance))
            .Take(1)
            .Select(layer => Say(Weight.Veto, Message.Parse(Reason), layer.Layer));

    private static bool Bonds(Material material, Substance substance) =>
        material.BondsTo.Contains(substance.Id) || substance.Families.Any(material.BondsTo.Contains);
}

/// <summary>A family that takes some chemistries and no others: a veto that protects the layer.</summary>
/// <param name="Family">Family of the layer.</param>
/// <param name="Chemistries">Chemistries that hold on it.</param>
public sealed record TakesOnlyRule(string Id, string Reason, string Source, string Family, IReadOnlyList<string> Chemistries)
    : MatchRule(Id, Reason, Source)
{
    internal override bool IsChemistry => true;

    internal override IEnumerable<Finding> Look(SystemUnderTest system) =>
        system.Touched.FirstOrDefault(layer => layer.Substance.Families.Contains(Family)) is { } layer && !Chemistries.Contains(system.Material.Chemistry)
            ? [Say(Weight.Veto, Message.Parse(Reason), layer.Layer)]
            : [];
}

/// <summary>A chemistry that is kept off a place with a trait, such as one that holds air.</summary>
/// <param name="Chemistries">Chemistries that are kept off.</param>
/// <param name="Trait">Trait of the place.</param>
public sealed record NotAtRule(string Id, string Reason, string Source, IReadOnlyList<string> Chemistries, string Trait)
    : MatchRule(Id, Reason, Source)
{
    internal override bool IsChemistry => true;

    internal override IEnumerable<Finding> Look(SystemUnderTest system) =>
        Chemistries.Contains(system.Material.Chemistry) && system.View.Location.Has(Trait) ? [Say(Weight.Veto, Message.Parse(Reason))] : [];
}

/// <summary>What is glued to a layer that moves has to move as much.</summary>
public sealed record MovesWithRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source)
{
    internal override bool IsChemistry => true;

    internal override IEnumerable<Finding> Look(SystemUnderTest system)
    {
        var most = system.Touched.MaxBy(layer => layer.Substance.Movement);
        return most is null || system.Material.Flexibility >= most.Substance.Movement
            ? []
            : [Say(most.Substance.Movement == Movement.Stretches ? Weight.Veto : Weight.Caution, Message.Parse(Reason), most.Layer)];
    }
}

/// <summary>It has to stand the heat of its place in use.</summary>
public sealed record ServiceHeatRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source)
{
    internal override IEnumerable<Finding> Look(SystemUnderTest system) =>
        system.Material.ServiceMaxC < system.View.Case.Wanted.HottestInUseC
            ? [Say(Weight.Caution, $"{Reason} It stands {Celsius(system.Material.ServiceMaxC.Value)}; the place gets {Celsius(system.View.Case.Wanted.HottestInUseC)}.")]
            : [];
}

/// <summary>Some methods need a tool that is not at hand.</summary>
public sealed record ToolsRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source)
{
    internal override IEnumerable<Finding> Look(SystemUnderTest system)
    {
        var missing = system.View.Case.Tools.Has is { } has ? system.Method.Needs.Where(need => !has.Contains(need)).ToList() : [];
        return missing.Count > 0 ? [Say(Weight.ToBuy, $"{Reason} {string.Join(", ", missing):as-is}.")] : [];
    }
}

/// <summary>The bench must be inside the temperatures at which it cures.</summary>
public sealed record CureTemperatureRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source)
{
    internal override IEnumerable<Finding> Look(SystemUnderTest system)
    {
        var label = system.Material.Label!;
        var bench = system.View.Case.Bench;
        if (bench.TemperatureC < label.MinimumC || bench.TemperatureC > label.MaximumC)
        {
            return [Say(Weight.Veto, $"{Reason} It takes {Celsius(label.MinimumC)} to {Celsius(label.MaximumC)}; the bench is at {Celsius(bench.TemperatureC):0.0}.")];
        }

        return bench.NightTemperatureC is { } night && night < label.MinimumC
            ? [Say(Weight.Caution, $"At night it stands still: it needs {Celsius(label.MinimumC)} and the bench falls to {Celsius(night):0.0}.")]
            : [];
    }
}

/// <summary>The air must be dry enough.</summary>
public sealed record HumidityRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source)
{
    internal override IEnumerable<Finding> Look(SystemUnderTest system)
    {
        var most = system.Material.Label!.MaximumHumidityPercent;
        return system.View.Case.Bench.RelativeHumidityPercent > most
            ? [Say(Weight.Caution, $"{Reason} Its label stops at {Percent(most)}.")]
            : [];
    }
}

/// <summary>Some methods need a face that a film lies flat on.</summary>
public sealed record LiesFlatRule(string Id, string Reason, string Source, IReadOnlyList<string> Methods) : MatchRule(Id, Reason, Source)
{
    internal override IEnumerable<Finding> Look(SystemUnderTest system) =>
        Methods.Contains(system.Method.Id) && !system.View.Location.Flat ? [Say(Weight.Caution, Message.Parse(Reason))] : [];
}

/// <summary>Light cures only so deep at once.</summary>
public sealed record LayerDepthRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source)
{
    internal override IEnumerable<Finding> Look(SystemUnderTest system) =>
        system.Material.Light is { } light && system.View.Damage.DepthMm > light.LayerMm
            ? [Say(Weight.Caution, $"{Reason} At most {Mm(light.LayerMm):0.0} a layer.")]
            : [];
}

/// <summary>It should be ready for water when it is needed.</summary>
public sealed record ReadyInTimeRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source)
{
    internal override IEnumerable<Finding> Look(SystemUnderTest system)
    {
        if (system.ReadyAt is not { } ready)
        {
            return [Say(Weight.Veto, "At this bench it never gets there: too cold, or no light for it.")];
        }

        return ready > system.View.Case.Wanted.NeededBy ? [Say(Weight.Caution, Message.Parse(Reason))] : [];
    }
}

/// <summary>A mend for now, where one for good was asked; silent when the technician gives lasting no weight.</summary>
public sealed record LastingRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source)
{
    internal override IEnumerable<Finding> Look(SystemUnderTest system) =>
        system.Method.Permanence == Permanence.ForNow && system.View.Case.Wanted is { Permanence: Permanence.Lasting, Weights: not { Lasting: 0 } }
            ? [Say(Weight.Caution, Message.Parse(Reason))]
            : [];
}

/// <summary>Skill stated against skill needed.</summary>
public sealed record SkillRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source)
{
    internal override IEnumerable<Finding> Look(SystemUnderTest system) =>
        Math.Max(system.Method.Skill, system.Material.Skill) > system.View.Case.Wanted.Skill ? [Say(Weight.Caution, Message.Parse(Reason))] : [];
}

/// <summary>What is not on the shelf has to be bought.</summary>
public sealed record InStockRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source)
{
    internal override IEnumerable<Finding> Look(SystemUnderTest system) =>
        system.View.Case.Shelf is { } shelf && shelf.All(entry => entry.Material != system.Material.Id)
            ? [Say(Weight.ToBuy, Message.Parse(Reason))]
            : [];
}

/// <summary>What is past its date is not used.</summary>
public sealed record InDateRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source)
{
    internal override IEnumerable<Finding> Look(SystemUnderTest system)
    {
        var tins = system.View.Case.Shelf?.Where(entry => entry.Material == system.Material.Id).ToList() ?? [];
        var today = DateOnly.FromDateTime(system.View.StartAt.UtcDateTime);
        return tins.Count > 0 && tins.All(tin => tin.LastDay(system.Material) < today) ? [Say(Weight.Veto, Message.Parse(Reason))] : [];
    }
}
