using System.Text.Json;
using System.Text.Json.Serialization;

namespace AbleMend.Core;

/// <summary>Writes an enumeration as lower-case words joined by hyphens and refuses bare numbers.</summary>
public sealed class Kebab<T>() : JsonStringEnumConverter<T>(JsonNamingPolicy.KebabCaseLower, allowIntegerValues: false)
    where T : struct, Enum
{
    /// <summary>The identifier of one value, as the open formats write it.</summary>
    public static string Id(T value) => JsonNamingPolicy.KebabCaseLower.ConvertName(value.ToString());
}
