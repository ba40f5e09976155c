using AbleMend.Core.Words;

namespace AbleMend.Core;

/// <summary>Something wrong with what was asked: coded, placed, and with the remedy.</summary>
/// <param name="Code">Stable code in lower-case words joined by hyphens.</param>
/// <param name="Field">Where: a path such as <c>damage.depthMm</c>; empty for the whole document.</param>
/// <param name="Message">What is wrong, in words of the trade.</param>
/// <param name="Remedy">What to do about it.</param>
public sealed record Problem(string Code, string Field, Message Message, Message Remedy)
{
    /// <summary>The same, in a record that is itself a part of what was sent.</summary>
    /// <param name="part">Path of the record in what was sent, such as <c>lot</c>.</param>
    public Problem In(string part) => this with { Field = Field.Length == 0 ? part : $"{part}.{Field}" };
}

/// <summary>A result that is either a value or the problems that stand in its way.</summary>
/// <typeparam name="T">The value when all is well.</typeparam>
public sealed class Outcome<T>
    where T : class
{
    private Outcome(T? value, IReadOnlyList<Problem> problems) => (Value, Problems) = (value, problems);

    /// <value>The value, or null when there are problems.</value>
    public T? Value { get; }

    /// <value>What stands in the way; empty when there is a value.</value>
    public IReadOnlyList<Problem> Problems { get; }

    /// <summary>Wraps a value.</summary>
    public static Outcome<T> Of(T value) => new(value, []);

    /// <summary>Wraps problems; there must be at least one.</summary>
    public static Outcome<T> Failed(params IReadOnlyList<Problem> problems) => new(null, problems);
}
