namespace AbleMend.Core.Days;

/// <summary>What a day asks of the hands that are there.</summary>
/// <param name="Day">The day, in the shop's zone.</param>
/// <param name="PlannedMin">Minutes of hands that are planned, of what is left of the day.</param>
/// <param name="ThereMin">Minutes of hands that are there, without breaks, of what is left of the day.</param>
public sealed record DayLoad(DateOnly Day, double PlannedMin, double ThereMin)
{
    /// <summary>How many days are told.</summary>
    public const int Days = 7;

    /// <summary>The coming days, today first.</summary>
    /// <param name="plan">The plan of the days.</param>
    /// <param name="floor">Who is there.</param>
    /// <param name="opensHour">When the shop opens.</param>
    /// <param name="closesHour">When it closes.</param>
    /// <param name="zone">Zone of the shop.</param>
    /// <param name="now">The present.</param>
    public static IReadOnlyList<DayLoad> Of(DaysPlan plan, ShopFloor floor, int opensHour, int closesHour, TimeZoneInfo zone, DateTimeOffset now)
    {
        var calendar = SlotCalendar.From(now, zone);
        DateOnly DayOf(DateTimeOffset at) => DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(at, zone).DateTime);
        var there = floor.People.SelectMany(person => calendar.HoursOf(person, floor, opensHour, closesHour).Index().Where(slot => slot.Item).Select(slot => DayOf(calendar.At(slot.Index)))).CountBy(day => day).ToDictionary();
        var planned = plan.Blocks.Where(block => block.EndsAt > now).ToLookup(block => DayOf(block.StartsAt), block => (block.EndsAt - (block.StartsAt > now ? block.StartsAt : now)).TotalMinutes);
        return [.. Enumerable.Range(0, Days).Select(DayOf(now).AddDays).Select(day => new DayLoad(day, planned[day].Sum(), there.GetValueOrDefault(day) * DayProblem.SlotMin))];
    }
}
