using System.Text.Json.Serialization;
using AbleMend.Core.Mixing;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;

namespace AbleMend.Core.Methods;

/// <summary>The stage of a mend that a step belongs to.</summary>
[JsonConverter(typeof(Kebab<Stage>))]
public enum Stage
{
    /// <summary>Cleaned, cut back, keyed, masked.</summary>
    Prepare,

    /// <summary>Brought to its shape before anything is mixed.</summary>
    Shape,

    /// <summary>Mixed in a cup.</summary>
    Mix,

    /// <summary>Laid, filled, brushed or pressed on.</summary>
    Apply,

    /// <summary>Left to set.</summary>
    Cure,

    /// <summary>Taken down, faired and smoothed.</summary>
    Finish,

    /// <summary>Tested.</summary>
    Prove,
}

/// <summary>What goes into a cup, by the identifiers of its figures: it is written on the label.</summary>
/// <param name="Parts">What goes in, in that order: into each cup where <paramref name="PerCup"/>, else all cups together, as plans once were.</param>
/// <param name="Lead">The one or two that the hand reads from two metres.</param>
/// <param name="Cups">How many cups it is split into, one after another; null where one takes it all.</param>
/// <param name="Warning">What it does that is left in its cup, such as smoke; or null.</param>
/// <param name="PerCup">Whether the parts are those of one cup.</param>
/// <param name="Cup">The same as it is weighed in, part by part; null in a plan of before.</param>
public sealed record Pour(IReadOnlyList<string> Parts, IReadOnlyList<string> Lead, string? Cups = null, Message? Warning = null, bool PerCup = false, CupContents? Cup = null);

/// <summary>One of the things that go into a cup.</summary>
/// <param name="Part">Which of them it is.</param>
/// <param name="Figure">Identifier of the figure that the hand measures: a volume, a mass, drops or strokes.</param>
/// <param name="Grams">Identifier of the figure of its mass; null where only its volume, or what one drop of it weighs, is known.</param>
/// <param name="Each">Identifier of the figure of what one drop weighs, or null.</param>
/// <param name="LessPercent">How much less of it than its share sets well, in percent.</param>
/// <param name="MorePercent">How much more.</param>
public sealed record Ingredient(MixPart Part, string Figure, string? Grams = null, string? Each = null, double LessPercent = 50, double MorePercent = 50);

/// <summary>What is measured into one cup, and what that cup keeps to.</summary>
/// <param name="Ingredients">In the order in which they go in.</param>
/// <param name="Holds">Identifier of the figure of what the cup holds; null where nothing was said of it.</param>
/// <param name="Work">Identifier of the figure of how long all cups take to spread; null where nothing was said of it.</param>
/// <param name="Heat">How it heats itself; null for what does not.</param>
/// <param name="NeededShare">How much of it is needed, above 0 and at most 1; the rest is there because less cannot be measured.</param>
/// <param name="Wholes">Of how many strokes, drops or half kits it is made, which cannot be divided; null where it is poured.</param>
public sealed record CupContents(IReadOnlyList<Ingredient> Ingredients, string? Holds = null, string? Work = null, CupModel? Heat = null, double NeededShare = 1, int? Wholes = null);

/// <summary>What a step takes off the shelf.</summary>
/// <param name="Material">Identifier of the material.</param>
/// <param name="Figure">Identifier of the figure that says how much; null for one piece of it.</param>
/// <param name="Times">Identifier of the figure that says how many times, such as the cups; null for once.</param>
public sealed record Taking(string Material, string? Figure = null, string? Times = null);

/// <summary>A vapour that a step gives to the room.</summary>
/// <param name="Solvent">Identifier of the solvent.</param>
/// <param name="Figure">Identifier of the figure that says how much.</param>
public sealed record GivenOff(string Solvent, string Figure);

/// <summary>One action of a plan.</summary>
/// <param name="Id">Identifier, unique in the plan.</param>
/// <param name="Stage">Stage that it belongs to.</param>
/// <param name="Title">What the hand does, in a few words.</param>
/// <param name="Instruction">How.</param>
/// <param name="Figures">Identifiers of the figures that it needs.</param>
/// <param name="Cautions">Identifiers of the cautions that apply.</param>
/// <param name="DoNotForget">The step that practitioners say they forget, to be asked for; or null.</param>
/// <param name="Timing">Its time.</param>
/// <param name="UseWithinMin">Minutes from its start until the mix is past using, or null.</param>
/// <param name="Draws">Marks that it adds to the drawing.</param>
/// <param name="Proof">Identifier of the test that it is, or null.</param>
/// <param name="Pour">For a mix: what goes into the cup.</param>
/// <param name="Uses">Identifier of the mix that it uses, which must not be past using by then; or null.</param>
/// <param name="Takes">What it takes off the shelf; null for nothing.</param>
/// <param name="GivesOff">Vapours that it gives to the room; null for none, and where the room is not known.</param>
public sealed record PlanStep(
    string Id,
    Stage Stage,
    Message Title,
    Message Instruction,
    IReadOnlyList<string> Figures,
    IReadOnlyList<string> Cautions,
    Message? DoNotForget,
    StepTiming Timing,
    double? UseWithinMin,
    IReadOnlyList<string> Draws,
    string? Proof = null,
    Pour? Pour = null,
    string? Uses = null,
    IReadOnlyList<Taking>? Takes = null,
    IReadOnlyList<GivenOff>? GivesOff = null
)
{
    /// <value>Which of the item's damages it is for, from 1.</value>
    [JsonIgnore]
    public int Damage => Timing.Damage;
}
