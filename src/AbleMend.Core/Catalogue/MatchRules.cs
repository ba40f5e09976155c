using System.Text.Json.Serialization;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Words;

namespace AbleMend.Core.Catalogue;

/// <summary>A rule of judgement about a material or a system of method and resin. Rules are data; matching looks by them.</summary>
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
}

/// <summary>A chemistry that attacks a family of substances: a veto that protects a layer.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Reason">Why, as it is told.</param>
/// <param name="Source">Where it comes from.</param>
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
}

/// <summary>A chemistry that holds badly on a family: a caution.</summary>
public sealed record HoldsBadlyRule(string Id, string Reason, string Source, IReadOnlyList<string> Chemistries, string Family)
    : MatchRule(Id, Reason, Source);

/// <summary>A resin must be known to hold on every layer that it touches.</summary>
public sealed record BondsRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source)
{
    internal override bool IsChemistry => true;
}

/// <summary>A family that takes some chemistries and no others: a veto that protects the layer.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Reason">Why, as it is told.</param>
/// <param name="Source">Where it comes from.</param>
/// <param name="Family">Family of the layer.</param>
/// <param name="Chemistries">Chemistries that hold on it.</param>
public sealed record TakesOnlyRule(string Id, string Reason, string Source, string Family, IReadOnlyList<string> Chemistries)
    : MatchRule(Id, Reason, Source)
{
    internal override bool IsChemistry => true;
}

/// <summary>A chemistry that is kept off a place with a trait, such as one that holds air.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Reason">Why, as it is told.</param>
/// <param name="Source">Where it comes from.</param>
/// <param name="Chemistries">Chemistries that are kept off.</param>
/// <param name="Trait">Trait of the place.</param>
public sealed record NotAtRule(string Id, string Reason, string Source, IReadOnlyList<string> Chemistries, string Trait)
    : MatchRule(Id, Reason, Source)
{
    internal override bool IsChemistry => true;
}

/// <summary>What is glued to a layer that moves has to move as much.</summary>
public sealed record MovesWithRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source)
{
    internal override bool IsChemistry => true;
}

/// <summary>It has to stand the heat of its place in use.</summary>
public sealed record ServiceHeatRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source);

/// <summary>Some methods need a tool that is not at hand.</summary>
public sealed record ToolsRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source);

/// <summary>The bench must be inside the temperatures at which it cures.</summary>
public sealed record CureTemperatureRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source);

/// <summary>The air must be dry enough.</summary>
public sealed record HumidityRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source);

/// <summary>Some methods need a face that a film lies flat on.</summary>
public sealed record LiesFlatRule(string Id, string Reason, string Source, IReadOnlyList<string> Methods) : MatchRule(Id, Reason, Source);

/// <summary>Light cures only so deep at once.</summary>
public sealed record LayerDepthRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source);

/// <summary>It should be ready for water when it is needed.</summary>
public sealed record ReadyInTimeRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source);

/// <summary>A mend for now, where one for good was asked; silent when the technician gives lasting no weight.</summary>
public sealed record LastingRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source);

/// <summary>Skill stated against skill needed.</summary>
public sealed record SkillRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source);

/// <summary>What is not on the shelf has to be bought.</summary>
public sealed record InStockRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source);

/// <summary>What is past its date is not used.</summary>
public sealed record InDateRule(string Id, string Reason, string Source) : MatchRule(Id, Reason, Source);
