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
/// <param name="HeldFrom">When it could have begun, where it is held back because a window that it leads to would close with nobody there; else null.</param>
/// <param name="HeldFor">The step after which that window opens, or null.</param>
/// <param name="WouldCloseAt">When that window would close, were it begun as soon as it could be; null where a mix would stand past its life.</param>
public sealed record TimedStep(
    string StepId,
    DateTimeOffset? StartsAt,
    DateTimeOffset? HandsEndAt,
    DateTimeOffset? OpensAt,
    DateTimeOffset? ClosesAt,
    bool MissesWindow,
    int Damage = 1,
    DateTimeOffset? HeldFrom = null,
    string? HeldFor = null,
    DateTimeOffset? WouldCloseAt = null
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

    /// <summary>The first opening after an instant.</summary>
    public DateTimeOffset NextOpening(DateTimeOffset after)
    {
        var local = TimeZoneInfo.ConvertTime(after, Zone).DateTime;
        var opens = local.Date.AddHours(OpensHour);
        return ToUtc(local < opens ? opens : opens.AddDays(1));
    }

    /// <summary>The shop's midnight of a day.</summary>
    /// <param name="on">An instant of some day.</param>
    /// <param name="days">So many days after that.</param>
    public DateTimeOffset Midnight(DateTimeOffset on, int days) => ToUtc(TimeZoneInfo.ConvertTime(on, Zone).DateTime.Date.AddDays(days));

    /// <summary>The last instant of the same day at which <paramref name="work"/> fits before closing.</summary>
    public DateTimeOffset LastFit(DateTimeOffset on, TimeSpan work) => ToUtc(TimeZoneInfo.ConvertTime(on, Zone).DateTime.Date.AddHours(ClosesHour) - work);

    /// <summary>Whether the shop opens at an instant.</summary>
    public bool IsOpening(DateTimeOffset instant) => TimeZoneInfo.ConvertTime(instant, Zone).DateTime.TimeOfDay == TimeSpan.FromHours(OpensHour);

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
    /// <remarks>
    /// Where a window would close with nobody there, what leads to it is held back until the shop opens again; where that does not help, the
    /// step before it is begun late in its own window, so that what it opens closes the next day.
    /// </remarks>
    public static IReadOnlyList<TimedStep> Lay(
        IReadOnlyList<StepTiming> steps,
        DateTimeOffset startAt,
        Climate climate,
        ShopHours hours,
        IReadOnlyDictionary<string, Actual> actuals,
        DateTimeOffset? now = null)
    {
        var heldUntil = new Dictionary<string, Held>();
        IReadOnlyList<TimedStep> Laid() => LayWith(steps, startAt, climate, hours, actuals, now, heldUntil);
        // What was met once stays met; what cannot be is given up.
        var (laid, settled, given) = (Laid(), new HashSet<string>(), new HashSet<string>());
        while (laid.FirstOrDefault(step => step.MissesWindow && !settled.Contains(step.StepId)) is { } missed)
        {
            settled.Add(missed.StepId);
            IReadOnlyList<TimedStep>? Held(string head, Func<DateTimeOffset, IEnumerable<DateTimeOffset>> betterStarts) =>
                HeldBack(Laid, laid, missed, head, betterStarts, actuals, heldUntil, later => !later.Any(step => step.MissesWindow && settled.Contains(step.StepId) && !given.Contains(step.StepId)));
            if ((Held(HeadOf(missed, steps), start => BetterStarts(start, hours, climate))
                ?? LateInItsWindow(missed, steps).Select(late => Held(late.StepId, start => [hours.LastFit(start, late.InOneGo)])).FirstOrDefault(later => later is not null)) is { } met)
            {
                laid = met;
            }
            else
            {
                given.Add(missed.StepId);
            }
        }

        return laid;
    }

    /// <summary>A mix that is too short for the hands is told where it is mixed; one that stands while nobody is there is a window missed.</summary>
    private static readonly TimeSpan NoPause = TimeSpan.FromMinutes(45);

    /// <summary>Openings that are tried before a window is given up: the same hours do not fit on any later day either, unless the climate changes.</summary>
    private const int Openings = 3;

    /// <summary>The steps with the head of a missed window held back, or null where that does not help or it has begun.</summary>
    private static IReadOnlyList<TimedStep>? HeldBack(
        Func<IReadOnlyList<TimedStep>> lay, IReadOnlyList<TimedStep> laid, TimedStep missed, string head, Func<DateTimeOffset, IEnumerable<DateTimeOffset>> betterStarts, IReadOnlyDictionary<string, Actual> actuals, Dictionary<string, Held> heldUntil, Func<IReadOnlyList<TimedStep>, bool> isMet)
    {
        if (actuals.ContainsKey(head) || laid.First(step => step.StepId == head).StartsAt is not { } start)
        {
            return null;
        }

        var before = heldUntil.GetValueOrDefault(head);
        foreach (var better in betterStarts(start).Where(better => better > start))
        {
            // What it was held back for first is what beginning at once would cost.
            heldUntil[head] = before is null ? new Held(better, missed.StepId, missed.ClosesAt) : before with { Until = better };
            var later = lay();
            if (isMet(later))
            {
                return later;
            }
        }

        if (before is not null)
        {
            heldUntil[head] = before;
        }
        else
        {
            heldUntil.Remove(head);
        }

        return null;
    }

    /// <summary>When it may be tried again: when the shop opens, and when a cold night is over where somebody is there all the time.</summary>
    private static IEnumerable<DateTimeOffset> BetterStarts(DateTimeOffset start, ShopHours hours, Climate climate)
    {
        var openings = new List<DateTimeOffset>();
        for (var opening = hours.NextOpening(start); openings.Count < Openings; opening = hours.NextOpening(opening))
        {
            openings.Add(opening);
        }

        return openings.Concat(climate.Spans.Select(span => span.From).Where(from => from > start && from < openings[^1]).Select(from => hours.FirstFit(from, TimeSpan.Zero))).Distinct().Order();
    }

    /// <summary>The steps up to a missed window that begin in a window of their own, the nearest first, each with the time of hands in one go.</summary>
    private static IEnumerable<(string StepId, TimeSpan InOneGo)> LateInItsWindow(TimedStep missed, IReadOnlyList<StepTiming> steps)
    {
        var lane = steps.Where(step => step.Damage == missed.Damage).ToList();
        var head = lane.FindIndex(step => step.StepId == HeadOf(missed, steps));
        for (var at = lane.FindIndex(step => step.StepId == missed.StepId); at > head; at--)
        {
            if (!lane[at].FollowsOn && lane[at - 1].Wait?.ClosesMin is not null)
            {
                yield return (lane[at].StepId, TimeSpan.FromMinutes(lane[at].HandsOnMin + lane.Skip(at + 1).TakeWhile(step => step.FollowsOn).Sum(step => step.HandsOnMin)));
            }
        }
    }

    /// <summary>The step from which everything up to a missed window has to go on without a pause.</summary>
    private static string HeadOf(TimedStep missed, IReadOnlyList<StepTiming> steps)
    {
        var lane = steps.Where(step => step.Damage == missed.Damage).ToList();
        var at = lane.FindIndex(step => step.StepId == missed.StepId);
        while (at > 0 && (lane[at].FollowsOn || lane[at - 1].Wait?.ClosesMin is not null))
        {
            at--;
        }

        return lane[at].StepId;
    }

    private static IReadOnlyList<TimedStep> LayWith(
        IReadOnlyList<StepTiming> steps,
        DateTimeOffset startAt,
        Climate climate,
        ShopHours hours,
        IReadOnlyDictionary<string, Actual> actuals,
        DateTimeOffset? now,
        IReadOnlyDictionary<string, Held> heldUntil)
    {
        var lanes = steps.GroupBy(step => step.Damage).OrderBy(lane => lane.Key).Select(lane => new Lane([.. lane], startAt, heldUntil)).ToList();
        var laid = new List<TimedStep>(steps.Count);
        var stepOf = steps.ToDictionary(step => step.StepId);
        var handsFree = startAt;
        Lane? held = null;
        var overAt = new Dictionary<string, DateTimeOffset?>();
        while ((held ?? NextLane(Waiting(lanes, overAt, firm => FirmAt(firm, stepOf[firm.StepId], laid, climate), actuals), handsFree, hours, actuals, now)) is { } lane)
        {
            var step = lane.Next!;
            var actual = actuals.GetValueOrDefault(step.StepId);
            var start = lane.StartOf(handsFree, hours, actual, now);
            var heldFrom = lane.HeldFrom(handsFree, hours, now, start);
            if (lane.LastLaid is { } last && (laid[last].ClosesAt < start || (step.Uses is { } mix && start.AddMinutes(step.HandsOnMin) > StartOf(mix.StepId, laid)?.AddMinutes(mix.WithinMin) && Stood(mix, step, start, laid))))
            {
                laid[last] = laid[last] with { MissesWindow = true };
            }

            var handsEnd = actual?.HandsEndedAt ?? Later(start.AddMinutes(step.HandsOnMin), now ?? start);
            var (opens, closes) = Window(step, start, handsEnd, laid, climate, actual);
            var hold = heldFrom is null ? null : heldUntil[step.StepId];
            laid.Add(new TimedStep(step.StepId, start, handsEnd, opens, closes, false, step.Damage, heldFrom, hold?.For, hold?.WouldCloseAt));
            overAt[step.StepId] = step.Wait is null ? handsEnd : opens is null ? null : Later(opens.Value, handsEnd);
            lane.Took(laid.Count - 1, overAt[step.StepId], closes);
            handsFree = Later(handsFree, handsEnd);
            held = lane is { Next.FollowsOn: true, FreeAt: not null } ? lane : null;
        }

        return [.. laid, .. lanes.SelectMany(lane => lane.Rest).Select(step => new TimedStep(step.StepId, null, null, null, null, false, step.Damage))];
    }

    /// <summary>The lanes whose next step waits for no other lane any more; it begins no sooner than what it waited for was over.</summary>
    private static List<Lane> Waiting(List<Lane> lanes, Dictionary<string, DateTimeOffset?> overAt, Func<Firm, DateTimeOffset?> firmAt, IReadOnlyDictionary<string, Actual> actuals)
    {
        if (lanes.Count == 1)
        {
            return lanes;
        }

        foreach (var lane in lanes.Where(lane => lane.Next?.Awaits().Any() == true))
        {
            lane.StandFor(overAt, firmAt);
        }

        return [.. lanes.Where(lane => lane.Next is not { } next || actuals.ContainsKey(next.StepId) || next.Awaits().All(overAt.ContainsKey))];
    }

    /// <summary>
    /// The lane whose next step hands can come to first; of those, the one whose window closes first, then the one that has been ready for
    /// longest, so that all are cut before any is filled and the gun is heated once. A step that would outlast another lane's window stands
    /// back for it.
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

        var from = CountedFrom(step, wait, start, handsEnd, laid);
        var opens = wait.Clock.TryFindReached(wait.OpensMin, from, climate);
        var closes = wait.ClosesMin is { } minutes ? wait.Clock.TryFindReached(minutes, from, climate) : null;
        return (actual?.NextLookAt is { } look && opens is not null ? Later(look, opens.Value) : opens, closes);
    }

    private static DateTimeOffset CountedFrom(StepTiming step, StepWait wait, DateTimeOffset start, DateTimeOffset handsEnd, IReadOnlyList<TimedStep> laid) =>
        wait.CountsFrom is null ? handsEnd
            : wait.CountsFrom == step.StepId ? start
            : StartOf(wait.CountsFrom, laid) ?? handsEnd;

    /// <summary>When what was put on in a step no longer runs; null where it has not been done, or never is firm.</summary>
    /// <param name="firm">The step, and how long that takes.</param>
    /// <param name="step">The same step, with its wait.</param>
    /// <param name="laid">The steps in clock time.</param>
    /// <param name="climate">Air at the bench.</param>
    public static DateTimeOffset? FirmAt(Firm firm, StepTiming step, IReadOnlyList<TimedStep> laid, Climate climate) =>
        step.Wait is { } wait && laid.FirstOrDefault(each => each.StepId == firm.StepId) is { StartsAt: { } start, HandsEndAt: { } end }
            ? firm.FirmMin.CureMin == 0 ? end
                : wait.Clock.TryFindReached(firm.FirmMin, CountedFrom(step, wait, start, end, laid), climate) is { } reached ? Later(reached, end) : null
            : null;

    /// <summary>Whether a mix stood for long at any time before a step that uses it.</summary>
    private static bool Stood(MixLife mix, StepTiming step, DateTimeOffset start, List<TimedStep> laid)
    {
        var since = laid.Skip(laid.FindIndex(each => each.StepId == mix.StepId)).Where(each => each.Damage == step.Damage).ToList();
        return since.Zip(since.Skip(1), (before, after) => after.StartsAt - before.HandsEndAt).Append(start - laid.Last(each => each.Damage == step.Damage).HandsEndAt).Any(pause => pause > NoPause);
    }

    /// <summary>When a step begins; null where it is laid later: a cup that others have taken from is mixed again for a damage that is done again.</summary>
    private static DateTimeOffset? StartOf(string stepId, IReadOnlyList<TimedStep> laid) => laid.FirstOrDefault(each => each.StepId == stepId)?.StartsAt;

    private static DateTimeOffset Later(DateTimeOffset one, DateTimeOffset other) => one > other ? one : other;

    /// <summary>Until when a step is held back, and for which window.</summary>
    private sealed record Held(DateTimeOffset Until, string For, DateTimeOffset? WouldCloseAt);

    /// <summary>The steps of one damage while they are laid.</summary>
    private sealed class Lane(IReadOnlyList<StepTiming> steps, DateTimeOffset startAt, IReadOnlyDictionary<string, Held> heldUntil)
    {
        private int _at;
        private DateTimeOffset? _freeAt = startAt;
        private DateTimeOffset? _others;

        public StepTiming? Next => _at < steps.Count ? steps[_at] : null;

        public IEnumerable<StepTiming> Rest => steps.Skip(_at);

        /// <value>When its next step may begin, were hands free; null when the wait before it never ends.</value>
        public DateTimeOffset? FreeAt => _others is { } others && _freeAt is { } free ? Later(others, free) : _freeAt;

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

        public DateTimeOffset StartOf(DateTimeOffset handsFree, ShopHours hours, Actual? actual, DateTimeOffset? now) =>
            actual?.StartedAt ?? (heldUntil.TryGetValue(Next!.StepId, out var held) ? Later(held.Until, Unheld(handsFree, hours, now)) : Unheld(handsFree, hours, now));

        /// <summary>When its next step could have begun, where it begins later because it is held back; else null.</summary>
        public DateTimeOffset? HeldFrom(DateTimeOffset handsFree, ShopHours hours, DateTimeOffset? now, DateTimeOffset start) =>
            heldUntil.ContainsKey(Next!.StepId) && Unheld(handsFree, hours, now) is var could && could < start ? could : null;

        private DateTimeOffset Unheld(DateTimeOffset handsFree, ShopHours hours, DateTimeOffset? now)
        {
            var free = Later(FreeAt!.Value, handsFree);
            var earliest = Later(free, now ?? free);
            return Next!.FollowsOn ? earliest : hours.FirstFit(earliest, InOneGo);
        }

        public void Took(int place, DateTimeOffset? freeAt, DateTimeOffset? closesAt)
        {
            _at++;
            (LastLaid, _freeAt, ClosesAt, _others) = (place, freeAt, closesAt, null);
        }

        /// <summary>Lets its next step begin no sooner than the steps of other lanes that it waits for are over; it never begins where one of them never is.</summary>
        public void StandFor(IReadOnlyDictionary<string, DateTimeOffset?> overAt, Func<Firm, DateTimeOffset?> firmAt)
        {
            var awaited = (Next!.After ?? []).Where(overAt.ContainsKey).Select(step => overAt[step])
                .Concat((Next.WhenFirm ?? []).Where(firm => overAt.ContainsKey(firm.StepId)).Select(firmAt)).ToList();
            if (awaited.Count == 0)
            {
                return;
            }

            if (awaited.Contains(null))
            {
                _freeAt = null;
                return;
            }

            _others = awaited.Max();
        }
    }
}
