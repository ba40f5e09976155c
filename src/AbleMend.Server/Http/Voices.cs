using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace AbleMend.Server.Http;

/// <summary>Whose words an answer is in: the units that the page asks for, and the language of the server's language file.</summary>
/// <param name="accessor">The request.</param>
/// <param name="options">Where the language file is.</param>
public sealed class Voices(IHttpContextAccessor accessor, IOptions<ServerOptions> options)
{
    /// <summary>Header that names the units: <c>metric</c> or <c>us</c>.</summary>
    public const string UnitsHeader = "Able-Mend-Units";

    private readonly Voice _metric = new(UnitSystem.Metric, Words(options.Value.Language));
    private readonly Voice _us = new(UnitSystem.Us, Words(options.Value.Language));

    /// <value>The voice of the present request.</value>
    public Voice Now => In(accessor.HttpContext?.Request.Headers[UnitsHeader].ToString());

    /// <summary>The voice of a reader who takes these units; metric unless they are <c>us</c>.</summary>
    /// <param name="units">Name of the units.</param>
    public Voice In(string? units) => units == "us" ? _us : _metric;

    private static Phrasebook Words(string? file)
    {
        if (file is null)
        {
            return Phrasebook.English;
        }

        if (!File.Exists(file))
        {
            throw new InvalidDataException($"The language file {file} is not there.");
        }

        var read = Phrasebook.Read(File.ReadAllText(file));
        return read.Value ?? throw new InvalidDataException($"The language file {file} cannot be read: {read.Problems[0].Field}: {read.Problems[0].Message}");
    }
}

/// <summary>Puts messages, and the texts of the catalogue, into words as an answer is written.</summary>
/// <param name="voices">The voices.</param>
public sealed class SpokenAnswers(Voices voices) : IConfigureOptions<JsonOptions>
{
    /// <inheritdoc/>
    public void Configure(JsonOptions options)
    {
        var json = options.SerializerOptions;
        json.Converters.Add(new SpokenMessageJson(() => voices.Now));
        for (var i = 0; i < json.TypeInfoResolverChain.Count; i++)
        {
            json.TypeInfoResolverChain[i] = json.TypeInfoResolverChain[i].WithAddedModifier(SayTexts);
        }
    }

    private void SayTexts(JsonTypeInfo type)
    {
        foreach (var property in type.Properties)
        {
            if (property.PropertyType == typeof(string) && property.AttributeProvider?.IsDefined(typeof(WordsAttribute), true) == true)
            {
                property.CustomConverter = new SpokenText(() => voices.Now);
            }
        }
    }

    private sealed class SpokenText(Func<Voice> voice) : JsonConverter<string>
    {
        public override string? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => reader.GetString();

        public override void Write(Utf8JsonWriter writer, string value, JsonSerializerOptions options) => writer.WriteStringValue(voice().SayText(value));
    }
}
