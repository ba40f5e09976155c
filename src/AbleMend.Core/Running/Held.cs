namespace AbleMend.Core.Running;

/// <summary>Whether a mend has held since it was handed back.</summary>
/// <param name="Holds">Whether it held when it was last looked at; what has failed once has failed, whatever was done about it later.</param>
/// <param name="At">When that was seen.</param>
/// <param name="Years">How long it has held until then, in years of 365.25 days.</param>
/// <param name="Words">What was seen, or null.</param>
public sealed record Held(bool Holds, DateTimeOffset At, double Years, string? Words)
{
    private const double DaysAYear = 365.25;

    /// <summary>What was seen of a mend that was handed back; null where nobody has looked at it again.</summary>
    /// <param name="handedBackAt">When it was handed back.</param>
    /// <param name="events">Events that stand, in order.</param>
    internal static Held? Of(DateTimeOffset handedBackAt, IReadOnlyList<RunEvent> events)
    {
        var looks = events.Where(each => each.Kind == RunEventKind.LookedAgain).OrderBy(each => each.At).ToList();
        return (looks.FirstOrDefault(each => each.Passed == false) ?? looks.LastOrDefault()) is { } told
            ? new Held(told.Passed == true, told.At, Math.Max(0, (told.At - handedBackAt).TotalDays / DaysAYear), told.Text)
            : null;
    }
}
