using System.Runtime.InteropServices;

namespace AbleMend.Core.Days;

/// <summary>
/// Looks for a good plan of the days: every job as early as it fits, in several orders; then a few jobs are taken out and put back, again
/// and again, and what is worse is kept less and less often (ruin and recreate with annealing: Schrimpf and others 2000).
/// </summary>
public sealed class DaySearch
{
    /// <summary>What a slot late costs against a slot that a job ends later.</summary>
    private const double LateCost = 100;

    /// <summary>What a window costs that is met with nothing to spare, for work runs over: as much as a job of weight 1 that is a day late. From memory.</summary>
    private const double TightCost = Day * LateCost;

    /// <summary>What it costs to carry an item into the warm and back, in slots that it ends later: for less than an hour nobody does. From memory.</summary>
    private const double WarmCost = 12;

    /// <summary>What a missed window costs: more than any lateness.</summary>
    private const double MissedCost = 1e10;

    // How warm the search begins, as a share of what a job costs on average, and how cold it ends, as a share of that; how many come out at
    // once at most, beside two; after how many rounds gaps are closed. Tuned on generated shops of 60 and 120 mends.
    private const double Warmth = 1.2;
    private const double Coldest = 0.002;
    private const int MostOut = 4;
    private const int RoundsToClose = 300;

    private readonly DayProblem _problem;
    private readonly Placer _placer;
    private readonly Random _random;
    private readonly Placed?[] _placed;
    private readonly double[] _costs;
    private readonly List<int> _out = [];
    private readonly (Placed? Placed, double Cost)[] _old;
    private readonly IReadOnlyList<Placed?>? _before;
    private readonly double _moveCost;

    /// <summary>A search.</summary>
    /// <param name="problem">What is to be planned.</param>
    /// <param name="seed">Of its random choices: the same seed and the same rounds find the same plan.</param>
    /// <param name="before">Where jobs stood in the plan before this one, to be left there where little speaks against it; null for none.</param>
    /// <param name="moveCost">What moving a stretch costs, in slots that a job of weight 1 would be late, 0 or more.</param>
    public DaySearch(DayProblem problem, int seed, IReadOnlyList<Placed?>? before = null, double moveCost = 0)
    {
        (_problem, _placer, _random) = (problem, new Placer(problem), new Random(seed));
        (_placed, _costs, _old) = (new Placed?[problem.Jobs.Count], new double[problem.Jobs.Count], new (Placed?, double)[problem.Jobs.Count]);
        (_before, _moveCost) = (before, moveCost);
        Begin();
    }

    /// <value>The best plan so far; a job that fits into no day is null in it.</value>
    public IReadOnlyList<Placed?> Best { get; private set; } = [];

    /// <value>What the best plan costs.</value>
    public double BestCost { get; private set; } = double.PositiveInfinity;

    /// <value>Rounds that were tried.</value>
    public long Rounds { get; private set; }

    /// <summary>Looks on several threads, each by its own choices, and gives the best that any of them has found.</summary>
    /// <param name="problem">What is to be planned.</param>
    /// <param name="seed">Of its random choices.</param>
    /// <param name="progress">How much of the time is gone, 0 to 1.</param>
    /// <param name="threads">How many threads look, 1 or more.</param>
    public static (IReadOnlyList<Placed?> Plan, long Rounds) Find(DayProblem problem, int seed, Func<double> progress, int threads = 1)
    {
        var searches = Enumerable.Range(0, threads).Select(thread => new DaySearch(problem, (seed * 100) + thread)).ToList();
        Parallel.ForEach(searches, search => search.Improve(progress));
        return (searches.MinBy(search => search.BestCost)!.Best, searches.Sum(search => search.Rounds));
    }

    /// <summary>Goes on looking, from the best so far.</summary>
    /// <param name="progress">How much of the time is gone, 0 to 1; asked every few rounds.</param>
    public void Improve(Func<double> progress)
    {
        var cost = Restart();
        if (_problem.Jobs.Count == 0)
        {
            return;
        }

        var warmest = Math.Max(1, cost % MissedCost * Warmth / _placed.Length);
        var warm = warmest;
        for (var round = 0; ; round++)
        {
            if ((round & 31) == 0)
            {
                var gone = progress();
                if (gone >= 1)
                {
                    break;
                }

                warm = warmest * Math.Pow(Coldest, gone);
            }

            cost = Round(cost, cost - (warm * Math.Log(1 - _random.NextDouble())));
            if (round % RoundsToClose == RoundsToClose - 1)
            {
                cost = Close(cost);
            }
        }
    }

    private void Begin()
    {
        var jobs = _problem.Jobs;
        var all = Enumerable.Range(0, jobs.Count).ToList();
        double Length(int job) => jobs[job].Stretches.Sum(stretch => stretch.Over.At(0) is var over && over < _problem.Slots ? over : stretch.Work);
        IReadOnlyList<Func<int, double>> orders =
        [
            job => jobs[job].Due, job => jobs[job].Due - (Day * (double)jobs[job].Weight), job => jobs[job].Due - Length(job), job => -jobs[job].Weight, Length,
        ];
        foreach (var order in orders)
        {
            Clear();
            TryOrder([.. all.OrderBy(job => _before?[job] is null ? 1 : 0).ThenBy(job => _before?[job]?.Starts[0] ?? order(job))]);
        }
    }

    private const int Day = 1440 / DayProblem.SlotMin;

    private void Clear()
    {
        for (var job = 0; job < _placed.Length; job++)
        {
            Remove(job);
        }
    }

    private void TryOrder(IReadOnlyList<int> order)
    {
        foreach (var job in order)
        {
            Insert(job, Earliest(job, Ways(job)));
        }

        Keep(_costs.Sum());
    }

    private double Restart()
    {
        Clear();
        for (var job = 0; job < _placed.Length; job++)
        {
            Insert(job, Best[job]);
        }

        return _costs.Sum();
    }

    private void Insert(int job, Placed? placed)
    {
        _placed[job] = placed;
        _costs[job] = CostOf(job, placed);
        if (placed is not null)
        {
            _placer.Book(job, placed, 1);
        }
    }

    private void Remove(int job)
    {
        if (_placed[job] is { } placed)
        {
            _placer.Book(job, placed, -1);
            _placed[job] = null;
        }
    }

    private void Keep(double cost)
    {
        if (cost < BestCost)
        {
            (BestCost, Best) = (cost, [.. _placed]);
        }
    }

    private double CostOf(int job, Placed? placed)
    {
        if (placed is null)
        {
            return MissedCost * 1000;
        }

        var (missed, tight, late, end) = _placer.WorthOf(job, placed);
        return (missed * MissedCost) + (tight * TightCost) + (late * LateCost) + end + (_placer.WarmOf(job, placed) * WarmCost) + MovedCost(job, placed);
    }

    private double MovedCost(int job, Placed placed) =>
        _moveCost == 0 || _before?[job] is not { } before ? 0 : _moveCost * LateCost * placed.Starts.Where((start, k) => start != before.Starts[k] || placed.People[k] != before.People[k]).Count();

    /// <summary>Puts every job, first to last, as early as it now fits: nothing ends later, and gaps that others have left are closed.</summary>
    private double Close(double cost)
    {
        var order = Enumerable.Range(0, _placed.Length).ToArray();
        Array.Sort(order.Select(job => _placed[job]?.Starts[0] ?? 0).ToArray(), order);
        foreach (var job in order)
        {
            var (old, was) = (_placed[job], _costs[job]);
            Remove(job);
            var placed = Earliest(job, Ways(job));
            Insert(job, CostOf(job, placed) <= was ? placed : old);
            cost += _costs[job] - was;
        }

        Keep(cost);
        return cost;
    }

    /// <summary>One round: some jobs out, and in again as early as they fit; as it was where that costs more than may be.</summary>
    private double Round(double cost, double limit)
    {
        Rounds++;
        TakeOut();
        var now = cost;
        foreach (var job in _out)
        {
            _old[job] = (_placed[job], _costs[job]);
            now -= _costs[job];
            Remove(job);
        }

        Order();
        var done = 0;
        while (done < _out.Count && now <= limit)
        {
            var job = _out[done++];
            Insert(job, Earliest(job, SomeWays(job)));
            now += _costs[job];
        }

        if (done == _out.Count && now <= limit)
        {
            Keep(now);
            return now;
        }

        for (var i = 0; i < done; i++)
        {
            Remove(_out[i]);
        }

        foreach (var job in _out)
        {
            (_placed[job], _costs[job]) = _old[job];
            if (_placed[job] is { } placed)
            {
                _placer.Book(job, placed, 1);
            }
        }

        return cost;
    }

    /// <summary>All ways in which some of a job's waits stand in the warm; empty where none may.</summary>
    private IEnumerable<int> Ways(int job) => Enumerable.Range(1, _placer.WaysOf(job) - 1);

    /// <summary>The one that it was taken out of, and another by chance: to try all each time would be dear.</summary>
    private int[] SomeWays(int job) => _placer.WaysOf(job) == 1 ? [] : [1 + _random.Next(_placer.WaysOf(job) - 1), _old[job].Placed?.Way ?? 0];

    /// <summary>A job as early as it fits, or where it stood before, or as soon after that as it fits, where that costs less.</summary>
    /// <param name="job">Place of the job.</param>
    /// <param name="ways">The ways that are tried beside the bench.</param>
    private Placed? Earliest(int job, IEnumerable<int> ways)
    {
        var earliest = _placer.Place(job);
        foreach (var way in ways)
        {
            if (way > 0 && _placer.Place(job, way: way) is { } warmed && CostOf(job, warmed) < CostOf(job, earliest))
            {
                earliest = warmed;
            }
        }

        if (_moveCost == 0 || _before?[job] is not { } before)
        {
            return earliest;
        }

        var stayed = _placer.Stays(job, before) ? before : _placer.Place(job, before.Starts, way: before.Way);
        return CostOf(job, stayed) < CostOf(job, earliest) ? stayed : earliest;
    }

    /// <summary>Picks a job, late ones first, and others that stand near it in the days.</summary>
    private void TakeOut()
    {
        _out.Clear();
        var count = 2 + _random.Next(Math.Clamp(_placed.Length / 2, 1, MostOut));
        var first = Pick();
        _out.Add(first);
        var reach = _random.Next(8) == 0 ? int.MaxValue : Day / 4 * (1 + _random.Next(12));
        var at = _placed[first]?.Starts[0] ?? 0;
        for (var tries = 0; tries < 60 && _out.Count < count; tries++)
        {
            var job = _random.Next(_placed.Length);
            if (!_out.Contains(job) && Math.Abs((_placed[job]?.Starts[0] ?? 0) - at) <= reach)
            {
                _out.Add(job);
            }
        }
    }

    /// <summary>The dearest of a few, most of the time; else any.</summary>
    private int Pick()
    {
        var picked = _random.Next(_placed.Length);
        for (var others = _random.Next(4) > 0 ? 2 : 0; others > 0; others--)
        {
            var other = _random.Next(_placed.Length);
            picked = _costs[other] > _costs[picked] ? other : picked;
        }

        return picked;
    }

    /// <summary>The order in which they go in again: the one that was picked first or all alike, by when they are due, by that and their weight, or any.</summary>
    private void Order()
    {
        var (rule, first) = (_random.Next(6), _out[0]);
        if (rule is 2 or 3)
        {
            _random.Shuffle(CollectionsMarshal.AsSpan(_out));
            return;
        }

        _out.Sort((one, other) => Turn(one, rule & 1).CompareTo(Turn(other, rule & 1)));
        if (rule > 3)
        {
            _out.Remove(first);
            _out.Insert(0, first);
        }
    }

    private long Turn(int job, int rule) => _problem.Jobs[job].Due - ((long)rule * Day * _problem.Jobs[job].Weight);
}
