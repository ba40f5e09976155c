using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using System.Text.RegularExpressions;
using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Looking;
using AbleMend.Core.Materials;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Safety;

namespace AbleMend.Core;

/// <summary>The open formats as JSON: camel-case names, kebab-case words, numbers as numbers, nothing unknown let through.</summary>
public static partial class OpenJson
{
    /// <value>Options that read and write the open formats.</value>
    public static JsonSerializerOptions Options { get; } = Build();

    /// <value>Generated serialisers on those options.</value>
    internal static OpenJsonContext Context { get; } = new(Build());

    /// <summary>Sets options up to read and write the open formats.</summary>
    public static void Apply(JsonSerializerOptions options)
    {
        options.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
        options.NumberHandling = JsonNumberHandling.Strict;
        options.AllowOutOfOrderMetadataProperties = true;
        options.RespectNullableAnnotations = true;
        options.RespectRequiredConstructorParameters = true;
        options.UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow;
        options.DefaultIgnoreCondition = JsonIgnoreCondition.Never;
        options.MaxDepth = 32;
        options.TypeInfoResolverChain.Insert(0, OpenJsonContext.Default);
    }

    /// <summary>Reads a case of this or an earlier version.</summary>
    /// <returns>The case, or the problem with its place in the document.</returns>
    public static Outcome<RepairCase> ReadCase(string json) => Read<RepairCase>(json);

    /// <summary>Reads a plan of this or an earlier version.</summary>
    /// <returns>The plan, or the problem with its place in the document.</returns>
    public static Outcome<RepairPlan> ReadPlan(string json) => Read<RepairPlan>(json);

    private static Outcome<T> Read<T>(string json)
        where T : class
    {
        try
        {
            return JsonSerializer.Deserialize<T>(OldFormats.Lift(json), Options) is { } read
                ? Outcome<T>.Of(read)
                : Outcome<T>.Failed(Broken("", "The document is empty."));
        }
        catch (JsonException broken)
        {
            return Outcome<T>.Failed(Explain(broken));
        }
    }

    /// <summary>Turns a reader's exception into a problem with a field and a remedy.</summary>
    public static Problem Explain(JsonException broken)
    {
        var field = broken.Path is { Length: > 2 } path ? path[2..] : "";
        var line = broken.LineNumber is { } number ? $" (line {number + 1})" : "";
        var words = WantsNumber(broken) ? "This must be a number." : Plain(broken.Message);
        return Broken(field, $"{words}{line}");
    }

    private static Problem Broken(string field, string message) =>
        new("broken-json", field, $"{message:as-is}", "Correct it against the published schema: docs/schemas/case.schema.json.");

    /// <summary>The reader names the enclosing type where a number is missing inside it; the cause below says that it wanted a number.</summary>
    private static bool WantsNumber(JsonException broken) =>
        NumberWanted().IsMatch(broken.Message) || broken.InnerException?.Message.EndsWith("as a number.", StringComparison.Ordinal) == true;

    [GeneratedRegex(@"could not be converted to System\.(Double|Int)|System\.Nullable`1\[System\.(Double|Int)")]
    private static partial Regex NumberWanted();

    /// <summary>The reader's own words name types of this program; a technician is told what is wanted instead.</summary>
    private static string Plain(string message)
    {
        if (message.Contains("could not be converted to", StringComparison.Ordinal))
        {
            return "This is not one of the values that are known, or not of the kind that belongs here.";
        }

        var path = message.IndexOf(" Path: ", StringComparison.Ordinal);
        var text = path > 0 ? message[..path] : message;
        return TypeName().Replace(text, "this part of the document");
    }

    [GeneratedRegex("""(the |for )?(JSON )?(deserialization for )?type '[^']*(AbleMend|System)\.[^']*'|'(AbleMend|System)\.[^']*'""")]
    private static partial Regex TypeName();

    private static JsonSerializerOptions Build()
    {
        var options = new JsonSerializerOptions();
        Apply(options);
        options.TypeInfoResolverChain.Add(new DefaultJsonTypeInfoResolver());
        return options;
    }
}

/// <summary>Generated serialisers.</summary>
[JsonSourceGenerationOptions(PropertyNamingPolicy = JsonKnownNamingPolicy.CamelCase)]
[JsonSerializable(typeof(RepairCase))]
[JsonSerializable(typeof(RepairPlan))]
[JsonSerializable(typeof(RunState))]
[JsonSerializable(typeof(IReadOnlyList<Substance>))]
[JsonSerializable(typeof(IReadOnlyList<Construction>))]
[JsonSerializable(typeof(IReadOnlyList<Material>))]
[JsonSerializable(typeof(IReadOnlyList<MatchRule>))]
[JsonSerializable(typeof(IReadOnlyList<TriageRule>))]
[JsonSerializable(typeof(IReadOnlyList<Caution>))]
[JsonSerializable(typeof(IReadOnlyList<School>))]
[JsonSerializable(typeof(IReadOnlyList<LookTest>))]
[JsonSerializable(typeof(IReadOnlyList<AftercareLine>))]
public sealed partial class OpenJsonContext : JsonSerializerContext;
