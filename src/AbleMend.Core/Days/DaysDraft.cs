namespace AbleMend.Core.Days;

/// <summary>A plan of the days that is still looked for.</summary>
public sealed class DaysDraft
{
    private readonly DayProblem _problem;
    private readonly DaySearch _search;
    private readonly Func<IReadOnlyList<Placed?>, DaysPlan> _laid;
    private readonly IReadOnlyList<DayScore> _bounds;
    private DayScore? _first;

    internal DaysDraft(DayProblem problem, DaySearch search, Func<IReadOnlyList<Placed?>, DaysPlan> laid) =>
        (_problem, _search, _laid, _bounds) = (problem, search, laid, DayBound.Of(problem));

    /// <value>Whether it is known that no plan misses fewer windows or is less late: looking on could only bring the ends forward.</value>
    public bool IsProven => Scores() is var (now, least) && now.Missed <= least.Missed && now.LateSlots <= least.LateSlots;

    /// <summary>Looks for a better one.</summary>
    /// <param name="progress">How much of the time for looking is gone, 0 to 1; asked every few rounds.</param>
    public void Improve(Func<double> progress) => _search.Improve(progress);

    /// <summary>The best that was found so far, and what it is worth beside what was laid out first.</summary>
    public DaysPlan Laid()
    {
        var (now, least) = Scores();
        _first ??= now;
        return _laid(_search.Best) with
        {
            Worth = new DaysWorth(now.Missed, MinutesOf(now), least.Missed, MinutesOf(least), _first.Missed - now.Missed, MinutesOf(_first) - MinutesOf(now)),
        };
    }

    /// <summary>What the best is worth, and what no plan can better; of the jobs that come to an end in it.</summary>
    private (DayScore Now, DayScore Least) Scores()
    {
        var (now, least) = (new DayScore(0, 0, 0), new DayScore(0, 0, 0));
        for (var job = 0; job < _problem.Jobs.Count; job++)
        {
            if (_search.Best[job] is { } placed && DayCheck.Score(_problem.Jobs[job], placed) is { EndSlots: < SlotWait.Never } score)
            {
                (now, least) = (now.And(score), least.And(_bounds[job]));
            }
        }

        return (now, least);
    }

    private static double MinutesOf(DayScore score) => score.LateSlots * (double)DayProblem.SlotMin;
}
