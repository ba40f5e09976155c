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
using AbleMend.Core.Words;

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
        options.MaxDepth = 64;
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
        catch (Exception broken) when (IsUnreadable(broken))
        {
            return Outcome<T>.Failed(Explain(AsBroken(broken), typeof(T)));
        }
    }

    /// <summary>Whether an exception says that a document cannot be read: a reader that does not learn which of several kinds something is gives up in another way than where it is broken.</summary>
    /// <param name="thrown">What the reader threw.</param>
    public static bool IsUnreadable(Exception thrown) => thrown is JsonException or NotSupportedException;

    /// <summary>What a reader threw as what it throws where something is broken, with its place.</summary>
    /// <param name="thrown">An exception that <see cref="IsUnreadable"/>.</param>
    public static JsonException AsBroken(Exception thrown) =>
        thrown as JsonException ?? new JsonException(thrown.Message, PathWithin().Match(thrown.Message) is { Success: true } found ? found.Groups[1].Value : null, null, null, thrown);

    [GeneratedRegex(@" Path: (\S+) \|")]
    private static partial Regex PathWithin();

    /// <summary>Turns a reader's exception into a problem with a field and a remedy.</summary>
    /// <param name="broken">What the reader threw.</param>
    /// <param name="root">What was read, where that is known: a word that is not known is then answered with those that are.</param>
    public static Problem Explain(JsonException broken, Type? root = null)
    {
        var field = broken.Path is { Length: > 2 } path ? path[2..] : "";
        // What is written on one line has no lines to look through.
        var line = broken.LineNumber is > 0 and { } number ? $" (line {number + 1})" : "";
        if (broken.Message.Contains("type discriminator", StringComparison.Ordinal))
        {
            return new Problem("broken-json", field, "It is not said of what kind this is, or the kind is not known.", root is not null && KindsAt(root, field) is { Length: > 0 } kinds ? (Message)$"Give it a kind, one of: {kinds:as-is}." : "Give it a kind, as in the published schema.");
        }

        if (WantsNumber(broken))
        {
            return new Problem("broken-json", field, $"This must be a number.{line:as-is}", "Write it in digits, such as 3.5.");
        }

        var words = Plain(broken.Message);
        return root is not null && VocabularyAt(root, field) is { } known
            ? new Problem("broken-json", field, $"{words + line:as-is}", $"Use one of: {known:as-is}.")
            : Broken(field, $"{words}{line}");
    }

    private static Problem Broken(string field, string message) =>
        new("broken-json", field, $"{message:as-is}", "Correct it against the published schema: docs/schemas/case.schema.json.");

    private static Type? TypeAt(Type root, string path) =>
        path.Split('.', StringSplitOptions.RemoveEmptyEntries).Aggregate((Type?)root, (type, step) => type is null ? null : FieldOf(type, step.Split('[')[0]));

    /// <summary>The kinds of what belongs at a path; empty where it has none.</summary>
    private static string KindsAt(Type root, string path) =>
        string.Join(", ", (TypeAt(root, path) is { } type ? Options.GetTypeInfo(type).PolymorphismOptions?.DerivedTypes : null)?.Select(each => each.TypeDiscriminator).OfType<string>() ?? []);

    /// <summary>The words of the closed vocabulary that belongs at a path, or null where none does.</summary>
    private static string? VocabularyAt(Type root, string path)
    {
        var type = TypeAt(root, path);
        return type is { IsEnum: true } ? string.Join(", ", Enum.GetNames(type).Select(JsonNamingPolicy.KebabCaseLower.ConvertName)) : null;
    }

    private static Type? FieldOf(Type type, string name)
    {
        var info = Options.GetTypeInfo(type);
        var infos = info.PolymorphismOptions?.DerivedTypes.Select(each => Options.GetTypeInfo(each.DerivedType)) ?? [info];
        var field = infos.SelectMany(each => each.Properties).FirstOrDefault(property => property.Name == name)?.PropertyType;
        return field is null ? null : Nullable.GetUnderlyingType(field) ?? Options.GetTypeInfo(field).ElementType ?? field;
    }

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
[JsonSerializable(typeof(IReadOnlyList<Mishap>))]
[JsonSerializable(typeof(Vocabulary))]
public sealed partial class OpenJsonContext : JsonSerializerContext;
