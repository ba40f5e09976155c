using AbleMend.Core.Running;
using AbleMend.Core.Words;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace AbleMend.Server.Days;

/// <summary>What follows a mend, as iCalendar (RFC 5545), for whoever uses the item: full strength, when to look again, and the proper repair.</summary>
public static class FollowUpCalendar
{
    /// <summary>The calendar of a mend; null where nothing follows.</summary>
    /// <param name="id">Its number.</param>
    /// <param name="tag">Tag of the item.</param>
    /// <param name="mend">The mend.</param>
    /// <param name="now">The present.</param>
    /// <param name="voice">Whose words it is in.</param>
    public static string? Of(int id, string tag, Mend mend, DateTimeOffset now, Voice voice)
    {
        if (mend is not { Plan: { } plan, StartedAt: not null })
        {
            return null;
        }

        var state = mend.StateAt(now);
        (string Kind, DateTimeOffset? At, Message Words)[] days =
        [
            ("full", state.FullCureAt, $"{tag:as-is}: full strength from now on"),
            ("look", state.LookAgainAt, $"{tag:as-is}: look at the mend again"),
            ("proper", plan.ProperRepairBy, $"{tag:as-is}: mended for now, the proper repair is due"),
        ];
        var calendar = new Calendar { ProductId = "-//Able Mend//Follow-ups//EN" };
        foreach (var (kind, at, words) in days.Where(day => day.At is not null))
        {
            var instant = new CalDateTime(at!.Value.UtcDateTime, CalDateTime.UtcTzId);
            calendar.Events.Add(new CalendarEvent { Uid = $"{id}-{kind}@able-mend", DtStamp = new CalDateTime(now.UtcDateTime, CalDateTime.UtcTzId), Start = instant, End = instant, Summary = voice.Say(words) });
        }

        return calendar.Events.Count == 0 ? null : new CalendarSerializer().SerializeToString(calendar);
    }
}
