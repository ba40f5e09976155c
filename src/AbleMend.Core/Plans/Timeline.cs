using AbleMend.Core.Curing;

namespace AbleMend.Core.Plans;

/// <summary>A step in clock time. Everything is null once a wait before it never ends.</summary>
/// <param name="StepId">Identifier of the step.</param>
/// <param name="StartsAt">When hands begin.</param>
/// <param name="HandsEndAt">When hands are free.</param>
/// <param name="OpensAt">When its wait opens.</param>
/// <param name="ClosesAt">When its wait closes.</param>
/// <param name="MissesWindow">Whether the next step only starts after the window has closed, because nobody is there.</param>
public sealed record TimedStep(
    string StepId,
    DateTimeOffset? StartsAt,
    DateTimeOffset? HandsEndAt,
    DateTimeOffset? OpensAt,
    DateTimeOffset? ClosesAt,
    bool MissesWindow
);

/// <summary>What really happened to a step.</summary>
/// <param name="StartedAt">When it was begun.</param>
/// <param name="HandsEndedAt">When the hands-on part was ended, or null.</param>
/// <param name="NextLookAt">When to look again after a look that found it not ready, or null.</param>
public sealed record Actual(DateTimeOffset StartedAt, DateTimeOffset? HandsEndedAt, DateTimeOffset? NextLookAt = null);

/// <summary>Hours at which hands are there.</summary>
/// <param name="Zone">Zone of the shop.</param>
/// <param name="OpensHour">First hour, 0 to 23.</param>
/// <param name="ClosesHour">Last hour, at most 24.</param>
public sealed record ShopHours(TimeZoneInfo Zone, int OpensHour, int ClosesHour)
{
    /// <summary>The first instant from <paramref name="earliest"/> on at which <paramref name="work"/> fits before closing; longer work than a day starts at opening.</summary>
    public DateTimeOffset FirstFit(DateTimeOffset earliest, TimeSpan work)
    {
        var local = TimeZoneInfo.ConvertTime(earliest, Zone).DateTime;
        var opens = local.Date.AddHours(OpensHour);
        var closes = local.Date.AddHours(ClosesHour);
        if (local < opens)
        {
            return ToUtc(opens);
        }

        return local + work <= closes || (local == opens && work > closes - opens) ? earliest : ToUtc(opens.AddDays(1));
    }

    private DateTimeOffset ToUtc(DateTime local)
    {
        var valid = Zone.IsInvalidTime(local) ? local.AddHours(1) : local;
        return new DateTimeOffset(valid, Zone.GetUtcOffset(valid)).ToUniversalTime();
    }
}

/// <summary>Lays steps out in clock time at a climate, keeping what has already happened fixed.</summary>
public static class Timeline
{
    /// <summary>Lays the steps one after another.</summary>
    /// <param name="steps">Steps in order.</param>
    /// <param name="startAt">When the first may begin.</param>
    /// <param name="climate">Air at the bench.</param>
    /// <param name="hours">When hands are there.</param>
    /// <param name="actuals">What happened, by step; may be empty.</param>
    /// <param name="now">The present: what has not begun cannot begin before it; null when nothing has begun.</param>
    public static IReadOnlyList<TimedStep> Lay(
        IReadOnlyList<StepTiming> steps,
        DateTimeOffset startAt,
        Climate climate,
        ShopHours hours,
        IReadOnlyDictionary<string, Actual> actuals,
        DateTimeOffset? now = null)
    {
        var laid = new List<TimedStep>(steps.Count);
        DateTimeOffset? cursor = startAt;
        for (var i = 0; i < steps.Count; i++)
        {
            var step = steps[i];
            if (cursor is not { } free)
            {
                laid.Add(new TimedStep(step.StepId, null, null, null, null, false));
                continue;
            }

            var actual = actuals.GetValueOrDefault(step.StepId);
            var earliest = Later(free, now ?? free);
            var start = actual?.StartedAt ?? (step.FollowsOn ? earliest : hours.FirstFit(earliest, Chain(steps, i)));
            if (i > 0 && laid[i - 1].ClosesAt < start)
            {
                laid[i - 1] = laid[i - 1] with { MissesWindow = true };
            }

            var handsEnd = actual?.HandsEndedAt ?? Later(start.AddMinutes(step.HandsOnMin), now ?? start);
            var (opens, closes) = Window(step, start, handsEnd, laid, climate, actual);
            laid.Add(new TimedStep(step.StepId, start, handsEnd, opens, closes, false));
            cursor = step.Wait is null ? handsEnd : opens is null ? null : Later(opens.Value, handsEnd);
        }

        return laid;
    }

    /// <summary>When the mend may go back into use: every step, wait and test over; null when a wait never ends.</summary>
    public static DateTimeOffset? ReadyAt(IReadOnlyList<TimedStep> timeline) =>
        timeline[^1] is { HandsEndAt: { } hands } last ? Later(hands, last.OpensAt ?? hands) : null;

    /// <summary>When the last cure has its full properties; null where nothing cures, where its step is never reached, or where it never ends.</summary>
    public static DateTimeOffset? FullCureAt(LastCure? cure, IReadOnlyList<TimedStep> timeline, Climate climate) =>
        cure is not null && timeline.First(each => each.StepId == cure.StepId).StartsAt is { } from
            ? cure.Clock.TryFindReached(cure.FullMin, from, climate)
            : null;

    private static TimeSpan Chain(IReadOnlyList<StepTiming> steps, int from)
    {
        var minutes = steps[from].HandsOnMin;
        for (var i = from + 1; i < steps.Count && steps[i].FollowsOn; i++)
        {
            minutes += steps[i].HandsOnMin;
        }

        return TimeSpan.FromMinutes(minutes);
    }

    private static (DateTimeOffset? Opens, DateTimeOffset? Closes) Window(
        StepTiming step, DateTimeOffset start, DateTimeOffset handsEnd, List<TimedStep> laid, Climate climate, Actual? actual)
    {
        if (step.Wait is not { } wait)
        {
            return (null, null);
        }

        var from = wait.CountsFrom is null ? handsEnd
            : wait.CountsFrom == step.StepId ? start
            : laid.First(each => each.StepId == wait.CountsFrom).StartsAt!.Value;
        var opens = wait.Clock.TryFindReached(wait.OpensMin, from, climate);
        var closes = wait.ClosesMin is { } minutes ? wait.Clock.TryFindReached(minutes, from, climate) : null;
        return (actual?.NextLookAt is { } look && opens is not null ? Later(look, opens.Value) : opens, closes);
    }

    private static DateTimeOffset Later(DateTimeOffset one, DateTimeOffset other) => one > other ? one : other;
}
