using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using AbleMend.Core.Words;

namespace AbleMend.Core;

/// <summary>
/// Puts two changes of one record together, place by place: what only one of them touched is as that one left it. Whoever changes a record
/// says what they saw when they did, so that what they did not touch never undoes what somebody else changed meanwhile.
/// </summary>
public static class TwoChanges
{
    /// <value>Code of the problem that both touched the same place; its field names the place.</value>
    public const string Collided = "changed-elsewhere";

    /// <summary>Puts one change together with what became of the record meanwhile.</summary>
    /// <typeparam name="T">A flat record of the open formats.</typeparam>
    /// <param name="was">What was seen when the change was made.</param>
    /// <param name="mine">The change.</param>
    /// <param name="theirs">The record as it is now.</param>
    /// <returns>Both changes, or a problem for each place that both changed to something different.</returns>
    public static Outcome<T> Together<T>(T was, T mine, T theirs)
        where T : class
    {
        var together = JsonSerializer.SerializeToNode(mine, OpenJson.Options)!.AsObject();
        var collided = new List<Problem>();
        foreach (var place in OpenJson.Options.GetTypeInfo(typeof(T)).Properties.Where(place => place.Get is not null))
        {
            var (before, here, there) = (place.Get!(was), place.Get(mine), place.Get(theirs));
            if (Same(before, there) || Same(here, there))
            {
                continue;
            }

            if (!Same(before, here))
            {
                collided.Add(new Problem(Collided, place.Name, Now(there), "Look at what it is now, then make your change again."));
            }

            together[place.Name] = JsonSerializer.SerializeToNode(there, place.PropertyType, OpenJson.Options);
        }

        return collided.Count > 0 ? Outcome<T>.Failed(collided) : Outcome<T>.Of(together.Deserialize<T>(OpenJson.Options)!);
    }

    /// <summary>Whether two places hold the same; a list of nothing is nothing.</summary>
    private static bool Same(object? one, object? other) => Equals(one, other) || JsonNode.DeepEquals(Held(one), Held(other));

    private static JsonNode? Held(object? value) =>
        value is null || JsonSerializer.SerializeToNode(value, value.GetType(), OpenJson.Options) is not { } node || node is JsonArray { Count: 0 } ? null : node;

    private static Message Now(object? theirs) => theirs switch
    {
        null => "Somebody else emptied this meanwhile.",
        string text => ItIsNow(text),
        DateOnly day => ItIsNow(day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)),
        double number => ItIsNow(number.ToString(CultureInfo.InvariantCulture)),
        _ => "Somebody else changed this meanwhile.",
    };

    private static Message ItIsNow(string value) => $"Somebody else changed this meanwhile: it is now {value:as-is}.";
}
