using AbleMend.Core.Words;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace AbleMend.Server.Days;

/// <summary>The plan of the days as iCalendar (RFC 5545): what somebody has in hand when, and when what is due.</summary>
public static class DayCalendar
{
    /// <summary>Media type of a calendar.</summary>
    public const string MediaType = "text/calendar; charset=utf-8";

    /// <summary>The calendar of one person, or of everybody with what is due.</summary>
    /// <param name="view">The plan.</param>
    /// <param name="person">Who, by place among the people; null for everybody.</param>
    /// <param name="shopName">What the shop is called.</param>
    /// <param name="voice">Whose words it is in.</param>
    public static string Of(DaysView view, int? person, string shopName, Voice voice)
    {
        var tags = view.Mends.ToDictionary(mend => mend.Id, mend => mend.Tag);
        var calendar = new Calendar { ProductId = "-//Able Mend//Days//EN" };
        calendar.AddProperty("X-WR-CALNAME", person is { } who ? $"{shopName}: {view.Plan.People[who]}" : shopName);
        foreach (var block in view.Plan.Blocks.Where(block => person is null || block.Person == person))
        {
            calendar.Events.Add(Event($"{block.Mend}-{block.StepId}", view.Plan.At, block.StartsAt, block.EndsAt, $"{tags.GetValueOrDefault(block.Mend)} {voice.Say(block.Titles[0])}", string.Join("\n", block.Titles.Skip(1).Select(voice.Say))));
        }

        foreach (var mend in view.Plan.Mends.Where(mend => person is null && mend.DueAt is not null))
        {
            calendar.Events.Add(Event($"{mend.Mend}-due", view.Plan.At, mend.DueAt!.Value, mend.DueAt.Value, voice.Say($"{tags.GetValueOrDefault(mend.Mend) ?? "":as-is} is due"), ""));
        }

        return new CalendarSerializer().SerializeToString(calendar)!;
    }

    private static CalendarEvent Event(string id, DateTimeOffset madeAt, DateTimeOffset from, DateTimeOffset to, string summary, string more) =>
        new() { Uid = $"{id}@able-mend", DtStamp = Utc(madeAt), Start = Utc(from), End = Utc(to), Summary = summary, Description = more.Length > 0 ? more : null };

    private static CalDateTime Utc(DateTimeOffset at) => new(at.UtcDateTime, CalDateTime.UtcTzId);
}
