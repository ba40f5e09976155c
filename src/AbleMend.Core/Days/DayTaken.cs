using System.Text.Json.Serialization;

namespace AbleMend.Core.Days;

/// <summary>What there is only so much of, in the order of a problem's capacities.</summary>
[JsonConverter(typeof(Kebab<SharedThing>))]
public enum SharedThing
{
    /// <summary>A set of clamps, enough for one item.</summary>
    Clamp,

    /// <summary>A place where an item lies and sets.</summary>
    Place,

    /// <summary>A place in the warm box or corner.</summary>
    Warm,
}

/// <summary>A clamp or a place that an item has for a time.</summary>
/// <param name="Thing">Which of them.</param>
/// <param name="Number">Its number, from 1; above what the shop has where more stands there than it says.</param>
/// <param name="Mend">Number of the mend.</param>
/// <param name="From">From when on.</param>
/// <param name="Until">Until when.</param>
public sealed record DayTaken(SharedThing Thing, int Number, int Mend, DateTimeOffset From, DateTimeOffset Until)
{
    /// <summary>Gives each the number that its item had before, where that is free, or the lowest that is: as many as are ever taken at once are enough.</summary>
    /// <param name="taken">What is taken, without numbers.</param>
    /// <returns>The same in the order in which it begins, numbered.</returns>
    public static IReadOnlyList<DayTaken> Numbered(IReadOnlyList<DayTaken> taken)
    {
        var (free, had) = (new Dictionary<(SharedThing Thing, int Number), DateTimeOffset>(), new Dictionary<(SharedThing Thing, int Mend), int>());
        return [.. taken.Where(each => each.Until > each.From).OrderBy(each => each.From).ThenBy(each => each.Mend).Select(Number)];

        DayTaken Number(DayTaken each)
        {
            var number = Enumerable.Range(1, taken.Count).Prepend(had.GetValueOrDefault((each.Thing, each.Mend), 1)).First(number => free.GetValueOrDefault((each.Thing, number)) <= each.From);
            (free[(each.Thing, number)], had[(each.Thing, each.Mend)]) = (each.Until, number);
            return each with { Number = number };
        }
    }
}
