using System.Text.Json.Serialization;
using AbleMend.Core.Limits;

namespace AbleMend.Core.Days;

/// <summary>A day of the week.</summary>
[JsonConverter(typeof(Kebab<Weekday>))]
public enum Weekday
{
    /// <summary>Sunday.</summary>
    Sunday,

    /// <summary>Monday.</summary>
    Monday,

    /// <summary>Tuesday.</summary>
    Tuesday,

    /// <summary>Wednesday.</summary>
    Wednesday,

    /// <summary>Thursday.</summary>
    Thursday,

    /// <summary>Friday.</summary>
    Friday,

    /// <summary>Saturday.</summary>
    Saturday,
}

/// <summary>Somebody who mends.</summary>
/// <param name="Name">What the shop calls them, 1 to 40 characters.</param>
/// <param name="Skill">1 forgiving work, 2 with some practice, 3 all of it.</param>
/// <param name="ComesHour">When they come, 0 to 23; null for when the shop opens.</param>
/// <param name="GoesHour">When they go, 1 to 24; null for when the shop closes.</param>
/// <param name="DaysOff">Days of the week on which they are not there; null for none.</param>
/// <param name="Away">Days on which they are away; null for none.</param>
public sealed record Technician(
    [property: Size(1, 40)] string Name,
    [property: Limits(1, 3)] int Skill = 3,
    [property: Limits(0, 23, "h")] int? ComesHour = null,
    [property: Limits(1, 24, "h")] int? GoesHour = null,
    IReadOnlyList<Weekday>? DaysOff = null,
    IReadOnlyList<DateOnly>? Away = null);

/// <summary>Who mends, and what there is only so much of.</summary>
/// <param name="People">Who mends, 1 to 20.</param>
/// <param name="Clamps">How many items can be clamped at once.</param>
/// <param name="Places">How many items can lie and set at once.</param>
/// <param name="ClosedDays">Days of the week on which the shop is closed; null for none.</param>
/// <param name="BreakFromHour">When the shop has its break, 0 to 23; null for none.</param>
/// <param name="BreakMin">How long it is.</param>
/// <param name="SandsElsewhere">Whether sanding has a room of its own, so that its dust does not fall on a wet face.</param>
/// <param name="WarmPlaces">How many items can stand in the warm box or corner at once; 0 for none.</param>
/// <param name="WarmC">How warm that is, in °C.</param>
public sealed record ShopFloor(
    [property: Size(1, 20)] IReadOnlyList<Technician> People,
    [property: Limits(0, 200)] int Clamps = 6,
    [property: Limits(1, 200)] int Places = 6,
    IReadOnlyList<Weekday>? ClosedDays = null,
    [property: Limits(0, 23, "h")] int? BreakFromHour = null,
    [property: Limits(5, 240, "min")] double BreakMin = 30,
    bool SandsElsewhere = false,
    [property: Limits(0, 50)] int WarmPlaces = 0,
    [property: Limits(25, 45, "°C")] double WarmC = 35)
{
    /// <summary>What of it cannot be, beside what is out of its limits.</summary>
    /// <param name="opensHour">When the shop opens.</param>
    /// <param name="closesHour">When it closes.</param>
    /// <param name="field">Where it stands in what was sent.</param>
    public IReadOnlyList<Problem> Check(int opensHour, int closesHour, string field) =>
    [
        .. LimitTable.Check(this, field),
        .. People.Index().Where(each => (each.Item.ComesHour ?? opensHour) >= (each.Item.GoesHour ?? closesHour))
            .Select(each => new Problem("never-there", $"{field}.people[{each.Index}].goesHour", $"{each.Item.Name:as-is} goes before they come.", "Correct the hours.")),
        .. People.GroupBy(person => person.Name).Where(same => same.Count() > 1)
            .Select(same => new Problem("twice", $"{field}.people", $"Two people are called {same.Key:as-is}.", "Tell them apart.")),
    ];

    /// <value>A shop of which nothing is said: one pair of hands, there whenever it is open.</value>
    public static ShopFloor Alone { get; } = new([new Technician("Technician")]);
}
