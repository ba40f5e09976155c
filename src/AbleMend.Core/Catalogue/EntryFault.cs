using System.Collections;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace AbleMend.Core.Catalogue;

/// <summary>Says what is wrong with an entry that cannot be read, and which word was meant.</summary>
internal static class EntryFault
{
    /// <summary>The fault behind a reader's exception.</summary>
    /// <param name="name">Name of the file, without its ending.</param>
    /// <param name="entry">Identifier of the entry.</param>
    /// <param name="type">What the entry should be.</param>
    /// <param name="broken">What the reader says.</param>
    public static CatalogueFault Of(string name, string entry, Type type, JsonException broken)
    {
        var problem = OpenJson.Explain(broken);
        var words = WordsAt(type, problem.Field);
        return new CatalogueFault(
            $"{name}.json", problem.Field.Length > 0 ? $"{entry}.{problem.Field}" : entry, problem.Message.ToString(),
            words.Count > 0 ? $"Use one of: {string.Join(", ", words)}." : "Correct it: the entries beside it show how it is written.");
    }

    /// <summary>The identifier of an entry as it is written, as far as it has one.</summary>
    public static string IdOf(JsonElement entry) =>
        entry.ValueKind == JsonValueKind.Object && entry.TryGetProperty("id", out var id) && id.ValueKind == JsonValueKind.String ? id.GetString()! : "an entry without an identifier";

    /// <summary>The words that a field takes, where it takes only some; empty where any will do.</summary>
    private static IReadOnlyList<string> WordsAt(Type type, string path)
    {
        if (path.Length == 0)
        {
            return [.. type.GetCustomAttributes<JsonDerivedTypeAttribute>().Select(kind => kind.TypeDiscriminator as string).OfType<string>()];
        }

        foreach (var name in path.Split('.', '[').Where(part => !part.EndsWith(']')))
        {
            var property = type.GetProperties().FirstOrDefault(each => JsonNamingPolicy.CamelCase.ConvertName(each.Name) == name);
            if (property is null)
            {
                return [];
            }

            var held = Nullable.GetUnderlyingType(property.PropertyType) ?? property.PropertyType;
            type = held != typeof(string) && typeof(IEnumerable).IsAssignableFrom(held) ? held.GetGenericArguments()[0] : held;
        }

        return type.IsEnum ? [.. Enum.GetNames(type).Select(JsonNamingPolicy.KebabCaseLower.ConvertName)] : [];
    }
}
