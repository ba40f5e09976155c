using System.Text.Json.Serialization;
using AbleMend.Core.Limits;
using AbleMend.Core.Words;

namespace AbleMend.Core.Figures;

/// <summary>What kind of thing a figure is: where its number comes from.</summary>
[JsonConverter(typeof(Kebab<FigureKind>))]
public enum FigureKind
{
    /// <summary>Worked out from others by a rule, or set by a rule of the trade.</summary>
    Worked,

    /// <summary>A value of the trade that rules use. It may be set by hand.</summary>
    Constant,

    /// <summary>Measured on an outline that margins have made: the margins are set by hand, and not this.</summary>
    Shape,

    /// <summary>A fact of the case: it is changed in the case.</summary>
    Fact,

    /// <summary>What a product's label says: it is changed at the product.</summary>
    Label,
}

/// <summary>What a figure was before it was set by hand, and why it was.</summary>
/// <param name="Computed">The computed value, in the figure's unit.</param>
/// <param name="Reason">The technician's reason.</param>
public sealed record SetByHand(double Computed, string Reason);

/// <summary>Why a figure is what it is.</summary>
/// <param name="Rule">The formula or rule in words and symbols.</param>
/// <param name="Source">Where the rule comes from.</param>
/// <param name="Inputs">Identifiers of the figures that went in: each stands in the plan as well, down to the ground.</param>
/// <param name="WouldChange">What would change the figure, or null when the inputs say it all.</param>
public sealed record Derivation(Message Rule, Source Source, IReadOnlyList<string> Inputs, Message? WouldChange = null);

/// <summary>A number of a plan that can be opened to its reason.</summary>
/// <param name="Id">Identifier, such as <c>glass.batch</c>.</param>
/// <param name="Label">What it is.</param>
/// <param name="Value">Value in <paramref name="Unit"/>, as it is used.</param>
/// <param name="Unit">Unit symbol.</param>
/// <param name="Decimals">Digits after the point to show.</param>
/// <param name="Kind">Where its number comes from.</param>
/// <param name="Derivation">Why.</param>
/// <param name="FoundedOn">The weakest source that it rests on, all the way down.</param>
/// <param name="SetByHand">Set when the technician overrode it.</param>
public sealed record Figure(
    string Id, Message Label, double Value, string Unit, int Decimals, FigureKind Kind, Derivation Derivation, SourceKind FoundedOn, SetByHand? SetByHand);

/// <summary>What a figure becomes when one that it is worked out from changes.</summary>
/// <param name="Input">Identifier of the figure that changes.</param>
/// <param name="Value">What it changes to, in its unit.</param>
/// <param name="Becomes">What the figure that was asked about then is, in its unit.</param>
public sealed record Effect(string Input, double Value, double Becomes);

/// <summary>A figure set by hand, with the reason that is kept beside it.</summary>
/// <param name="Figure">Identifier of the figure.</param>
/// <param name="Value">Value in the figure's own unit, above 0.</param>
/// <param name="Reason">Why, 3 to 300 characters.</param>
public sealed record Override(string Figure, [property: Limits(0.001, 100000)] double Value, [property: Size(3, 300)] string Reason);
