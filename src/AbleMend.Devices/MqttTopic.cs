using System.Globalization;
using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Instruments;

namespace AbleMend.Devices;

/// <summary>What is read from a topic of a broker: <c>humidity=shop/bench</c>, or <c>humidity=shop/bench@climate.rh</c> for a value inside JSON.</summary>
/// <param name="What">What is measured.</param>
/// <param name="Topic">The topic, as it is published to: no wildcards.</param>
/// <param name="Path">Names on the way to the value in JSON; empty where the message is the number itself.</param>
internal sealed record MqttTopic(Measurand What, string Topic, IReadOnlyList<string> Path)
{
    /// <summary>Longest message that is read, in bytes: a probe's says a few numbers.</summary>
    public const int LongestBytes = 16_384;

    private const int MostCharacters = 200;

    /// <summary>Reads a topic; null for what is none.</summary>
    public static MqttTopic? Parse(string text)
    {
        var (at, inside) = (text.IndexOf('='), text.LastIndexOf('@'));
        if (at <= 0 || text.Length > MostCharacters || !Kebab<Measurand>.TryParse(text[..at], out var what))
        {
            return null;
        }

        var (topic, path) = inside > at ? (text[(at + 1)..inside], text[(inside + 1)..]) : (text[(at + 1)..], null);
        IReadOnlyList<string> names = path is null ? [] : path.Split('.');
        return topic.Length == 0 || topic.AsSpan().ContainsAny('#', '+') || names.Any(name => name.Length == 0) ? null : new MqttTopic(what, topic, names);
    }

    /// <summary>What a message says: a number, or one inside JSON, also where it is written as text; null where it says none.</summary>
    /// <param name="message">The message.</param>
    public Reading? Read(string message)
    {
        if (message.Length > LongestBytes)
        {
            return null;
        }

        return Path.Count == 0 ? Of(Number(message)) : Of(Inside(message));
    }

    private Reading? Of(double? value) => value is { } number && double.IsFinite(number) ? new Reading(What, number, true) : null;

    private double? Inside(string message)
    {
        try
        {
            using var document = JsonDocument.Parse(message);
            var here = document.RootElement;
            foreach (var name in Path)
            {
                if (here.ValueKind != JsonValueKind.Object || !here.TryGetProperty(name, out here))
                {
                    return null;
                }
            }

            return here.ValueKind switch
            {
                JsonValueKind.Number => here.TryGetDouble(out var number) ? number : null,
                JsonValueKind.String => Number(here.GetString()!),
                _ => null,
            };
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private static double? Number(string text) =>
        double.TryParse(text.Trim(), NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value) ? value : null;
}
