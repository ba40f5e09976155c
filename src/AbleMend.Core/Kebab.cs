using System.Text.Json;
using System.Text.Json.Serialization;

namespace AbleMend.Core;

/// <summary>Writes an enumeration as lower-case words joined by hyphens and refuses bare numbers.</summary>
public sealed class Kebab<T> : JsonStringEnumConverter<T>
    where T : struct, Enum
{
    /// <summary>A converter of one enumeration.</summary>
    public Kebab()
        : base(JsonNamingPolicy.KebabCaseLower, allowIntegerValues: false)
    {
        // Never so: but what nobody but the framework calls is not compiled ahead, and a start would wait for a dozen methods of each enumeration.
        if (Environment.ProcessId == 0)
        {
            CreateConverter(typeof(T), JsonSerializerOptions.Default);
        }
    }

    /// <summary>The identifier of one value, as the open formats write it.</summary>
    public static string Id(T value) => JsonNamingPolicy.KebabCaseLower.ConvertName(value.ToString());

    private static readonly Dictionary<string, T> Values = Enum.GetValues<T>().ToDictionary(Id);

    /// <summary>The value of an identifier.</summary>
    /// <param name="id">The identifier, or null.</param>
    /// <param name="value">Its value.</param>
    /// <returns>Whether there is one.</returns>
    public static bool TryParse(string? id, out T value) => Values.TryGetValue(id ?? "", out value);
}
