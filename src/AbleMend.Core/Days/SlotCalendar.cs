namespace AbleMend.Core.Days;

/// <summary>Slots in clock time, and who is there in each.</summary>
/// <param name="Origin">When the first slot begins.</param>
/// <param name="Slots">How many slots are planned.</param>
/// <param name="Zone">Zone of the shop.</param>
internal sealed record SlotCalendar(DateTimeOffset Origin, int Slots, TimeZoneInfo Zone)
{
    /// <summary>How far ahead is planned: what does not fit into three weeks is promised by nobody.</summary>
    private const int Days = 21;

    /// <summary>The calendar from an instant on.</summary>
    public static SlotCalendar From(DateTimeOffset now, TimeZoneInfo zone) =>
        new(new DateTimeOffset(now.UtcTicks / SlotTicks * SlotTicks, TimeSpan.Zero), Days * 1440 / DayProblem.SlotMin, zone);

    private const long SlotTicks = DayProblem.SlotMin * TimeSpan.TicksPerMinute;

    /// <summary>When a slot begins.</summary>
    public DateTimeOffset At(int slot) => Origin.AddTicks(slot * SlotTicks);

    /// <summary>The slot that has begun by an instant; below 0 for one of before.</summary>
    public int Floor(DateTimeOffset at) => (int)Math.Clamp(Math.Floor((at - Origin).Ticks / (double)SlotTicks), -Slots, 2 * Slots);

    /// <summary>The first slot that begins no sooner than an instant.</summary>
    public int Ceiling(DateTimeOffset at) => (int)Math.Clamp(Math.Ceiling((at - Origin).Ticks / (double)SlotTicks), -Slots, 2 * Slots);

    /// <summary>Whether somebody is there, slot for slot.</summary>
    public IReadOnlyList<bool> HoursOf(Technician person, ShopFloor floor, int opensHour, int closesHour)
    {
        var (comes, goes) = (Math.Max(person.ComesHour ?? opensHour, opensHour), Math.Min(person.GoesHour ?? closesHour, closesHour));
        var rest = floor.BreakFromHour is { } from ? (From: from * 60.0, To: (from * 60) + floor.BreakMin) : (From: -1.0, To: -1.0);
        var there = new bool[Slots];
        for (var slot = 0; slot < Slots; slot++)
        {
            var local = TimeZoneInfo.ConvertTime(At(slot), Zone);
            var (minute, day) = (local.TimeOfDay.TotalMinutes, (Weekday)local.DayOfWeek);
            there[slot] = minute >= comes * 60 && minute < goes * 60 && !(minute >= rest.From && minute < rest.To)
                && floor.ClosedDays?.Contains(day) != true && person.DaysOff?.Contains(day) != true && person.Away?.Contains(DateOnly.FromDateTime(local.DateTime)) != true;
        }

        return there;
    }
}
