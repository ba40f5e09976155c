using System.Text.Json;
using System.Text.Json.Serialization;

namespace AbleMend.Core.Words;

/// <summary>Messages in the open formats: a plain text where there are no arguments, else the template with them.</summary>
public sealed class MessageJson : JsonConverter<Message>
{
    /// <inheritdoc/>
    public override Message Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType == JsonTokenType.String)
        {
            return new Message(reader.GetString()!);
        }

        var parts = JsonSerializer.Deserialize<Parts>(ref reader, options) ?? throw new JsonException("A message is a text, or a template with its arguments.");
        return new Message(parts.Template, parts.Args);
    }

    /// <inheritdoc/>
    public override void Write(Utf8JsonWriter writer, Message value, JsonSerializerOptions options)
    {
        var arguments = value.Arguments;
        if (arguments.Count == 0)
        {
            writer.WriteStringValue(value.Template);
            return;
        }

        JsonSerializer.Serialize(writer, new Parts(value.Template, arguments), options);
    }

    /// <summary>The parts of a message that has arguments.</summary>
    /// <param name="Template">Template with numbered places.</param>
    /// <param name="Args">What stands there.</param>
    internal sealed record Parts(string Template, IReadOnlyList<Argument> Args);
}

/// <summary>Messages as a reader gets them: said, in the reader's units and words.</summary>
/// <param name="voice">Whose voice, at the moment of writing.</param>
public sealed class SpokenMessageJson(Func<Voice> voice) : JsonConverter<Message>
{
    /// <inheritdoc/>
    public override Message Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => new(reader.GetString() ?? "");

    /// <inheritdoc/>
    public override void Write(Utf8JsonWriter writer, Message value, JsonSerializerOptions options) => writer.WriteStringValue(voice().Say(value));
}
