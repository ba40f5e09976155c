using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text.Json.Serialization;
using System.Text.RegularExpressions;
using AbleMend.Core.Quantities;

namespace AbleMend.Core.Words;

/// <summary>
/// A sentence as a template with its arguments. It is written in place as an interpolated string, <c>$"Drill {drill} at each
/// end"</c>, and is put into words only when somebody reads it: in their units, and in their language.
/// </summary>
[InterpolatedStringHandler]
[JsonConverter(typeof(MessageJson))]
public sealed partial class Message : IEquatable<Message>
{
    private static readonly IReadOnlyList<Argument> NoArguments = [];

    private readonly IReadOnlyList<Argument> _arguments = NoArguments;

    /// <summary>Literal parts as texts, and what stands between them: an argument, or what tells itself when it is read. Most messages are made and never read.</summary>
    private object?[]? _parts;
    private int _count;
    private int _places;
    private string? _template;

    /// <summary>Called by the compiler for an interpolated string.</summary>
    /// <param name="literalLength">Characters of the literal parts.</param>
    /// <param name="formattedCount">Number of arguments.</param>
    public Message(int literalLength, int formattedCount) => _parts = new object?[PartsOf(literalLength, formattedCount)];

    /// <summary>Called by the compiler where somebody is asked first whether words are wanted at all.</summary>
    /// <param name="literalLength">Characters of the literal parts.</param>
    /// <param name="formattedCount">Number of arguments.</param>
    /// <param name="writer">Who is asked.</param>
    /// <param name="wanted">Whether the parts are put in; without them the message stays empty.</param>
    public Message(int literalLength, int formattedCount, IWordy writer, out bool wanted)
        : this(literalLength, formattedCount, !writer.WantsWords, out wanted)
    {
    }

    /// <summary>Called by the compiler for what is only said when something does not hold.</summary>
    /// <param name="literalLength">Characters of the literal parts.</param>
    /// <param name="formattedCount">Number of arguments.</param>
    /// <param name="holds">Whether it holds, so that nothing has to be said.</param>
    /// <param name="wanted">Whether the parts are put in; without them the message stays empty.</param>
    public Message(int literalLength, int formattedCount, bool holds, out bool wanted)
    {
        wanted = !holds;
        if (wanted)
        {
            _parts = new object?[PartsOf(literalLength, formattedCount)];
        }
        else
        {
            _template = "";
        }
    }

    /// <summary>A message of a template and its arguments.</summary>
    /// <param name="template">Template with places <c>{0}</c>, <c>{1}</c> and so on.</param>
    /// <param name="arguments">What stands there.</param>
    public Message(string template, params IReadOnlyList<Argument> arguments) => (_template, _arguments) = (template, arguments);

    /// <value>A message of no words.</value>
    public static Message Empty { get; } = new("");

    /// <value>The template; it is also the key by which a language file knows the sentence.</value>
    public string Template => _template ??= Built();

    /// <value>What stands at the numbered places.</value>
    public IReadOnlyList<Argument> Arguments => _parts is null ? _arguments : _places == 0 ? NoArguments : Telling(argument => argument);

    /// <value>The figures and other things that it speaks of, before any of them has told itself.</value>
    internal IEnumerable<ITold> SpeaksOf =>
        (_parts ?? []).SelectMany(each => each is Deferred deferred ? [deferred.Value] : each is MessageArgument inner ? inner.Message.SpeaksOf : []);

    /// <value>Whether nothing is said.</value>
    public bool IsEmpty => Template.Length == 0;

    /// <summary>A plain sentence without arguments.</summary>
    [return: NotNullIfNotNull(nameof(text))]
    public static implicit operator Message?(string? text) => text is null ? null : new Message(text);

    /// <summary>A sentence or name of the data files. A measure in it is written as <c>{25 mm}</c>, so that it follows the reader's units.</summary>
    /// <param name="text">The text.</param>
    /// <param name="seen">What <c>{the area}</c> and its like stand for, by their names; null while nothing was seen yet.</param>
    public static Message Parse(string text, IReadOnlyDictionary<string, Argument>? seen = null)
    {
        if (!text.Contains('{', StringComparison.Ordinal))
        {
            return new Message(text);
        }

        var measures = new List<Argument>();
        var template = MeasureInText().Replace(text, found =>
        {
            var number = found.Groups[1].Value;
            measures.Add(found.Groups[3].Success
                ? seen?.GetValueOrDefault(found.Groups[3].Value) ?? new TextArgument(found.Groups[3].Value)
                : new MeasureArgument(double.Parse(number, CultureInfo.InvariantCulture), found.Groups[2].Value, number.Split('.').ElementAtOrDefault(1)?.Length ?? 0));
            return $"{{{measures.Count - 1}}}";
        });
        return new Message(template, measures);
    }

    /// <summary>Several in one, joined by halves: of many none lies deep, and what lies deep can be neither written nor read.</summary>
    /// <param name="parts">One or more.</param>
    /// <param name="joint">Puts two together, as in <c>$"{before}, {next}"</c>.</param>
    public static Message Joined(IReadOnlyList<Message> parts, Func<Message, Message, Message> joint)
    {
        ArgumentOutOfRangeException.ThrowIfZero(parts.Count);
        return Between(0, parts.Count);
        Message Between(int from, int to) =>
            to - from == 1 ? parts[from] : joint(Between(from, (from + to) / 2), Between((from + to) / 2, to));
    }

    /// <summary>This message with every figure in it told, as a plan keeps it.</summary>
    public Message Told() =>
        _parts is not null ? new Message(Template, _places == 0 ? NoArguments : Telling(Tell))
        : _arguments.Any(each => each is MessageArgument) ? new Message(Template, [.. _arguments.Select(Tell)])
        : this;

    /// <summary>Called by the compiler: a literal part.</summary>
    public void AppendLiteral(string value) => Part(value);

    /// <summary>Called by the compiler: a figure or another thing that tells itself.</summary>
    public void AppendFormatted(ITold value, string? format = null) => Add(new Deferred(value, Decimals(format)));

    /// <summary>Called by the compiler: a measure with its unit.</summary>
    public void AppendFormatted<TQuantity>(TQuantity value, string? format = null)
        where TQuantity : struct, IQuantity<TQuantity> =>
        Add(new MeasureArgument(value.Magnitude, TQuantity.Unit.Symbol, Decimals(format) ?? TQuantity.Unit.Decimals));

    /// <summary>Called by the compiler: a whole number.</summary>
    public void AppendFormatted(int value) => Add(new NumberArgument(value));

    /// <summary>Called by the compiler: a name. The format <c>inside</c> is for a name inside a sentence, <c>as-is</c> for what no language file changes.</summary>
    public void AppendFormatted(string value, string? format = null) => Add(format == "as-is" ? new TextArgument(value) : new NameArgument(value, format == "inside"));

    /// <summary>Called by the compiler: another message.</summary>
    public void AppendFormatted(Message? value) => Add(new MessageArgument(value ?? Empty));

    /// <summary>Called by the compiler: an argument made by hand.</summary>
    public void AppendFormatted(Argument value) => Add(value);

    /// <inheritdoc/>
    public bool Equals(Message? other) => other is not null && Template == other.Template && Arguments.SequenceEqual(other.Arguments);

    /// <inheritdoc/>
    public override bool Equals(object? obj) => Equals(obj as Message);

    /// <inheritdoc/>
    public override int GetHashCode() => Template.GetHashCode(StringComparison.Ordinal);

    /// <summary>In English and metric units: for logs and tests.</summary>
    public override string ToString() => Voice.Plain.Say(this);

    private static Argument Tell(Argument argument) => argument is MessageArgument inner ? new MessageArgument(inner.Message.Told()) : argument;

    private static int? Decimals(string? format) =>
        format is null ? null : format.IndexOf('.', StringComparison.Ordinal) is var point and >= 0 ? format.Length - point - 1 : 0;

    /// <summary>Room for its parts: a literal before, between and after the arguments, where there is any.</summary>
    private static int PartsOf(int literalLength, int formattedCount) => literalLength == 0 ? formattedCount : (2 * formattedCount) + 1;

    private void Add(object argument)
    {
        _places++;
        Part(argument);
    }

    private void Part(object part)
    {
        // Sentences that are added to one another have two literals side by side.
        if (_count == _parts!.Length)
        {
            Array.Resize(ref _parts, (2 * _count) + 1);
        }

        _parts[_count++] = part;
    }

    private string Built()
    {
        var place = 0;
        var building = new DefaultInterpolatedStringHandler(0, 0, CultureInfo.InvariantCulture, stackalloc char[256]);
        for (var i = 0; i < _count; i++)
        {
            if (_parts![i] is string literal)
            {
                building.AppendLiteral(literal);
            }
            else
            {
                building.AppendLiteral("{");
                building.AppendFormatted(place++);
                building.AppendLiteral("}");
            }
        }

        return building.ToStringAndClear();
    }

    /// <summary>What stands at its places, each told.</summary>
    private Argument[] Telling(Func<Argument, Argument> each)
    {
        var (told, place) = (new Argument[_places], 0);
        for (var i = 0; i < _count; i++)
        {
            if (_parts![i] is not string)
            {
                told[place++] = each(_parts[i] as Argument ?? ((Deferred)_parts[i]!).Tell());
            }
        }

        return told;
    }

    [GeneratedRegex(@"\{(?:(-?\d+(?:\.\d+)?) ([^}]+)|the ([^}]+))\}")]
    private static partial Regex MeasureInText();

    /// <summary>Something that is told when the message is read.</summary>
    private sealed record Deferred(ITold Value, int? Decimals)
    {
        public Argument Tell() => Value.Tell(Decimals);
    }
}
