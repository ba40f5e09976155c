namespace AbleMend.Core.Days;

/// <summary>
/// What no plan can better: every job as early as it could be done if it were alone in the shop, with nothing shared and no window to keep to.
/// A wait is never over sooner for having begun later, so that as early as possible, stretch for stretch, is the earliest end of all.
/// </summary>
public static class DayBound
{
    /// <summary>For each job the fewest windows that any plan misses, the least weighted lateness, and the earliest end.</summary>
    /// <param name="problem">What is to be planned.</param>
    /// <returns>Each at most what <see cref="DayCheck.Score(DayJob, Placed)"/> gives for any place of its job; nothing missed or late for one that fits into no day.</returns>
    public static IReadOnlyList<DayScore> Of(DayProblem problem)
    {
        var hours = problem.People.Select(person => HoursOf(person, problem.Slots)).ToList();
        return [.. problem.Jobs.Select(job => Of(job, problem, hours))];
    }

    private static DayScore Of(DayJob job, DayProblem problem, IReadOnlyList<Track> hours) =>
        job.Warmed.Select(warmed => AtBest(warmed, problem, hours)).Prepend(AtBest(job, problem, hours))
            .Aggregate((one, other) => new DayScore(Math.Min(one.Missed, other.Missed), Math.Min(one.LateSlots, other.LateSlots), Math.Min(one.EndSlots, other.EndSlots)));

    private static DayScore AtBest(DayJob job, DayProblem problem, IReadOnlyList<Track> hours)
    {
        var starts = new int[job.Stretches.Count];
        var (missed, end) = (0, 0);
        for (var k = 0; k < starts.Length; k++)
        {
            var stretch = job.Stretches[k];
            var opens = stretch.Lags.Select(lag => lag.Opens.At(starts[lag.From] + lag.Offset)).DefaultIfEmpty(0).Max();
            var start = Enumerable.Range(0, problem.People.Count).Where(person => stretch.IsFor(person, problem.People[person]))
                .Select(person => hours[person].FirstFree(Math.Max(stretch.NotBefore, opens), stretch.Work)).Where(slot => slot >= 0).DefaultIfEmpty(-1).Min();
            if (start < 0)
            {
                return new DayScore(0, 0, SlotWait.Never);
            }

            starts[k] = start;
            missed += start > stretch.LastStart ? 1 : 0;
            end = Math.Max(end, Math.Max(start + stretch.Work, stretch.Over.At(start + stretch.OverOffset)));
        }

        return new DayScore(missed, (long)job.Weight * Math.Max(0, end - (long)job.Due), end);
    }

    /// <summary>The slots in which somebody is there, to be asked for room among them.</summary>
    internal static Track HoursOf(Hands person, int slots)
    {
        var hours = new Track(slots, 1);
        for (var slot = 0; slot < slots; slot++)
        {
            if (!person.There[slot])
            {
                hours.Take(slot, slot + 1, 1);
            }
        }

        return hours;
    }
}
