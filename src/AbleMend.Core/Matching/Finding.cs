using System.Text.Json.Serialization;
using AbleMend.Core.Words;

namespace AbleMend.Core.Matching;

/// <summary>How hard a rule speaks.</summary>
[JsonConverter(typeof(Kebab<Weight>))]
public enum Weight
{
    /// <summary>It may not be used.</summary>
    Veto,

    /// <summary>It may be used, knowing this.</summary>
    Caution,

    /// <summary>It has to be bought first.</summary>
    ToBuy,
}

/// <summary>What a rule found against a material or system.</summary>
/// <param name="Rule">Identifier of the rule.</param>
/// <param name="Weight">How hard it speaks.</param>
/// <param name="Reason">Why, in words of the trade.</param>
/// <param name="Layer">Identifier of the layer that it protects, or null.</param>
/// <param name="LayerName">Name of that layer.</param>
/// <param name="Source">Where the rule comes from.</param>
public sealed record Finding(string Rule, Weight Weight, Message Reason, string? Layer, Message? LayerName, Message Source);
