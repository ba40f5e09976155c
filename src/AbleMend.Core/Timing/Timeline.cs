using AbleMend.Core.Curing;

namespace AbleMend.Core.Timing;

/// <summary>A step in clock time. Everything is null once a wait before it never ends.</summary>
/// <param name="StepId">Identifier of the step.</param>
/// <param name="StartsAt">When hands begin.</param>
/// <param name="HandsEndAt">When hands are free.</param>
/// <param name="OpensAt">When its wait opens.</param>
/// <param name="ClosesAt">When its wait closes.</param>
/// <param name="MissesWindow">Whether the next step only starts after the window has closed, because nobody is there.</param>
/// <param name="Damage">Which of the item's damages it is for, from 1.</param>
public sealed record TimedStep(
    string StepId,
    DateTimeOffset? StartsAt,
    DateTimeOffset? HandsEndAt,
    DateTimeOffset? OpensAt,
    DateTimeOffset? ClosesAt,
    bool MissesWindow,
    int Damage = 1
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

/// <summary>
/// Lays steps out in clock time at a climate, keeping what has already happened fixed. The damages of an item each wait for
/// themselves, but one pair of hands does them all: while one cures, hands are on the next.
/// </summary>
public static class Timeline
{
    /// <summary>Lays the steps: those of one damage one after another, those of several as hands come free.</summary>
    /// <param name="steps">Steps; those of each damage in their order.</param>
    /// <param name="startAt">When the first may begin.</param>
    /// <param name="climate">Air at the bench.</param>
    /// <param name="hours">When hands are there.</param>
    /// <param name="actuals">What happened, by step; may be empty.</param>
    /// <param name="now">The present: what has not begun cannot begin before it; null when nothing has begun.</param>
    /// <returns>The steps in the order in which hands come to them; those that are never reached are last.</returns>
    public static IReadOnlyList<TimedStep> Lay(
        IReadOnlyList<StepTiming> steps,
        DateTimeOffset startAt,
        Climate climate,
        ShopHours hours,
        IReadOnlyDictionary<string, Actual> actuals,
        DateTimeOffset? now = null)
    {
        var lanes = steps.GroupBy(step => step.Damage).OrderBy(lane => lane.Key).Select(lane => new Lane([.. lane], startAt)).ToList();
        var laid = new List<TimedStep>(steps.Count);
        var handsFree = startAt;
        Lane? held = null;
        while ((held ?? NextLane(lanes, handsFree, hours, actuals, now)) is { } lane)
        {
            var step = lane.Next!;
            var actual = actuals.GetValueOrDefault(step.StepId);
            var start = lane.StartOf(handsFree, hours, actual, now);
            if (lane.LastLaid is { } last && laid[last].ClosesAt < start)
            {
                laid[last] = laid[last] with { MissesWindow = true };
            }

            var handsEnd = actual?.HandsEndedAt ?? Later(start.AddMinutes(step.HandsOnMin), now ?? start);
            var (opens, closes) = Window(step, start, handsEnd, laid, climate, actual);
            laid.Add(new TimedStep(step.StepId, start, handsEnd, opens, closes, false, step.Damage));
            lane.Took(laid.Count - 1, step.Wait is null ? handsEnd : opens is null ? null : Later(opens.Value, handsEnd), closes);
            handsFree = Later(handsFree, handsEnd);
            held = lane is { Next.FollowsOn: true, FreeAt: not null } ? lane : null;
        }

        return [.. laid, .. lanes.SelectMany(lane => lane.Rest).Select(step => new TimedStep(step.StepId, null, null, null, null, false, step.Damage))];
    }

    /// <summary>
    /// The lane whose next step hands can come to first; of those, the one whose window closes first, then the one that has been ready for
    /// longest. A step that would outlast another lane's window stands back for it.
    /// </summary>
    private static Lane? NextLane(List<Lane> lanes, DateTimeOffset handsFree, ShopHours hours, IReadOnlyDictionary<string, Actual> actuals, DateTimeOffset? now)
    {
        if (lanes.Count == 1)
        {
            return lanes[0] is { Next: not null, FreeAt: not null } only ? only : null;
        }

        var open = lanes.Where(lane => lane is { Next: not null, FreeAt: not null })
            .Select(lane => (Lane: lane, Start: lane.StartOf(handsFree, hours, actuals.GetValueOrDefault(lane.Next!.StepId), now)))
            .ToList();
        return open
            .OrderBy(each => !actuals.ContainsKey(each.Lane.Next!.StepId))
            .ThenBy(each => open.Any(other => other.Lane != each.Lane && other.Lane.ClosesAt >= other.Start && other.Lane.ClosesAt < each.Start + each.Lane.InOneGo))
            .ThenBy(each => each.Start)
            .ThenBy(each => each.Lane.ClosesAt ?? DateTimeOffset.MaxValue)
            .ThenBy(each => each.Lane.FreeAt)
            .Select(each => each.Lane)
            .FirstOrDefault();
    }

    /// <summary>When the item may go back into use: every step, wait and test over; null when a wait never ends.</summary>
    public static DateTimeOffset? ReadyAt(IReadOnlyList<TimedStep> timeline) =>
        timeline.All(step => step.HandsEndAt is not null) ? timeline.GroupBy(step => step.Damage).Max(lane => Later(lane.Last().HandsEndAt!.Value, lane.Last().OpensAt ?? lane.Last().HandsEndAt!.Value)) : null;

    private static (DateTimeOffset? Opens, DateTimeOffset? Closes) Window(
        StepTiming step, DateTimeOffset start, DateTimeOffset handsEnd, List<TimedStep> laid, Climate climate, Actual? actual)
    {
        if (step.Wait is not { } wait)
        {
            return (null, null);
        }

        var from = wait.CountsFrom is null ? handsEnd
            : wait.CountsFrom == step.StepId ? start
            : StartOf(wait.CountsFrom, laid);
        var opens = wait.Clock.TryFindReached(wait.OpensMin, from, climate);
        var closes = wait.ClosesMin is { } minutes ? wait.Clock.TryFindReached(minutes, from, climate) : null;
        return (actual?.NextLookAt is { } look && opens is not null ? Later(look, opens.Value) : opens, closes);
    }

    private static DateTimeOffset StartOf(string stepId, List<TimedStep> laid) => laid.First(each => each.StepId == stepId).StartsAt!.Value;

    private static DateTimeOffset Later(DateTimeOffset one, DateTimeOffset other) => one > other ? one : other;

    /// <summary>The steps of one damage while they are laid.</summary>
    private sealed class Lane(IReadOnlyList<StepTiming> steps, DateTimeOffset startAt)
    {
        private int _at;

        public StepTiming? Next => _at < steps.Count ? steps[_at] : null;

        public IEnumerable<StepTiming> Rest => steps.Skip(_at);

        /// <value>When its next step may begin, were hands free; null when the wait before it never ends.</value>
        public DateTimeOffset? FreeAt { get; private set; } = startAt;

        /// <value>When the window before its next step closes, or null.</value>
        public DateTimeOffset? ClosesAt { get; private set; }

        /// <value>Where its last step stands among those that are laid, or null.</value>
        public int? LastLaid { get; private set; }

        /// <value>Time of its next step and of those that follow straight on.</value>
        public TimeSpan InOneGo
        {
            get
            {
                var minutes = steps[_at].HandsOnMin;
                for (var i = _at + 1; i < steps.Count && steps[i].FollowsOn; i++)
                {
                    minutes += steps[i].HandsOnMin;
                }

                return TimeSpan.FromMinutes(minutes);
            }
        }

        public DateTimeOffset StartOf(DateTimeOffset handsFree, ShopHours hours, Actual? actual, DateTimeOffset? now)
        {
            var free = Later(FreeAt!.Value, handsFree);
            var earliest = Later(free, now ?? free);
            return actual?.StartedAt ?? (Next!.FollowsOn ? earliest : hours.FirstFit(earliest, InOneGo));
        }

        public void Took(int place, DateTimeOffset? freeAt, DateTimeOffset? closesAt)
        {
            _at++;
            (LastLaid, FreeAt, ClosesAt) = (place, freeAt, closesAt);
        }
    }
}
