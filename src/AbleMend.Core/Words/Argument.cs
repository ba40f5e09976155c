using System.Text.Json.Serialization;

namespace AbleMend.Core.Words;

/// <summary>What stands at a numbered place of a sentence. It is told in words only when somebody reads it.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(MeasureArgument), "measure")]
[JsonDerivedType(typeof(NumberArgument), "number")]
[JsonDerivedType(typeof(NameArgument), "name")]
[JsonDerivedType(typeof(TextArgument), "text")]
[JsonDerivedType(typeof(MessageArgument), "message")]
public abstract record Argument;

/// <summary>A measure with its unit.</summary>
/// <param name="Value">Magnitude in <paramref name="Unit"/>.</param>
/// <param name="Unit">Symbol of the unit.</param>
/// <param name="Decimals">Digits after the point at most, 0 to 3; ends that are nought are left off.</param>
/// <param name="Figure">Identifier of the plan's figure that it is, or null.</param>
public sealed record MeasureArgument(double Value, string Unit, int Decimals, string? Figure = null) : Argument;

/// <summary>A whole number without a unit, such as the second of three coats.</summary>
/// <param name="Value">The number.</param>
public sealed record NumberArgument(int Value) : Argument;

/// <summary>A name of the catalogue, which a language file may put in other words.</summary>
/// <param name="Text">The name.</param>
/// <param name="InSentence">Whether it stands inside a sentence, so that its capital goes unless it begins with an abbreviation such as PVC.</param>
public sealed record NameArgument(string Text, bool InSentence = false) : Argument;

/// <summary>What is said as it stands: a tag, a grade of abrasive, what somebody typed.</summary>
/// <param name="Text">The text.</param>
public sealed record TextArgument(string Text) : Argument;

/// <summary>A sentence or part of one inside another.</summary>
/// <param name="Message">The inner one.</param>
public sealed record MessageArgument(Message Message) : Argument;

/// <summary>Somebody who writes sentences down, and may be asked whether words are wanted at all.</summary>
public interface IWordy
{
    /// <value>Whether words are wanted; ranking asks for times alone.</value>
    bool WantsWords { get; }
}

/// <summary>Something that tells itself as an argument once it is asked, such as a figure that is not yet worked out.</summary>
public interface ITold
{
    /// <summary>The argument.</summary>
    /// <param name="decimals">Digits after the point, or null for its own.</param>
    Argument Tell(int? decimals);
}
