namespace AbleMend.Core.Days;

/// <summary>
/// Puts whole jobs into the days one after another, each as early as it fits between those that are there already. Where a stretch
/// comes after its window has closed, or what is held is taken meanwhile, the stretch before it is put later and the way is tried again.
/// </summary>
internal sealed class Placer
{
    private readonly DayProblem _problem;
    private readonly Track[] _hands;
    private readonly Track[] _work;
    private readonly Track[] _shared;
    private readonly Dictionary<Airs, Track> _airs;
    private readonly JobForm[][] _jobs;
    private readonly int[] _least;
    private readonly int[] _starts;
    private readonly int[] _people;
    private bool _keepsClear;

    public Placer(DayProblem problem)
    {
        _problem = problem;
        _hands = [.. problem.People.Select(person => DayBound.HoursOf(person, problem.Slots))];
        _work = [.. problem.People.Select(_ => new Track(problem.Slots, 1))];
        _shared = [.. problem.Capacities.Select(capacity => new Track(problem.Slots, capacity))];
        _airs = DayProblem.Apart.SelectMany(pair => new[] { pair.One, pair.Other }).ToDictionary(air => air, _ => new Track(problem.Slots, 1));
        foreach (var running in problem.Running)
        {
            Air(running.Airs, 0, running.Until, 1);
            foreach (var hold in running.Holds)
            {
                _shared[hold.Resource].Take(0, running.Until, hold.Amount);
            }
        }

        _jobs = [.. problem.Jobs.Select(job => job.Warmed.Prepend(job).Select(way => new JobForm(way, problem.People)).ToArray())];
        var most = _jobs.Length == 0 ? 0 : _jobs.Max(job => job[0].Stretches.Length);
        (_least, _starts, _people) = (new int[most], new int[most], new int[most]);
    }

    /// <summary>The job as early as it fits; null where it does not fit into the days that are planned.</summary>
    /// <param name="job">Place of the job.</param>
    /// <param name="notBefore">Slots before which its stretches do not begin, or null.</param>
    /// <param name="keepsClear">Whether hands are to be kept clear before a window.</param>
    /// <param name="way">Which of its waits stand in the warm: as of <see cref="Placed.Way"/>.</param>
    /// <remarks>Hands are kept clear before a window where one can be met so; one that no start meets is missed rather than the job left out.</remarks>
    public Placed? Place(int job, IReadOnlyList<int>? notBefore = null, bool keepsClear = true, int way = 0)
    {
        var form = _jobs[job][way];
        _keepsClear = keepsClear && form.KeepsClear;
        var fits = _keepsClear && Fits(form, notBefore, mayMiss: false);
        _keepsClear = false;
        if (!fits && !Fits(form, notBefore, mayMiss: false) && !Fits(form, notBefore, mayMiss: true))
        {
            return null;
        }

        return new Placed(_starts[..form.Stretches.Length], _people[..form.Stretches.Length], way);
    }

    /// <summary>Whether a job still fits where it stood, in the same hands.</summary>
    public bool Stays(int job, Placed stood)
    {
        var form = _jobs[job][stood.Way];
        for (var k = 0; k < form.Stretches.Length; k++)
        {
            var (stretch, start, person) = (form.Stretches[k], stood.Starts[k], stood.People[k]);
            (_starts[k], _people[k]) = (start, person);
            if (start < stretch.NotBefore || !form.Able[k].Contains(person) || start + stretch.Work > _problem.Slots || _hands[person].LastShort(start, start + stretch.Work, 1) >= 0
                || Opens(form, k) > start || AfterOwn(form, k, start, AfterAir(stretch, start)) >= 0 || TooLate(form, k, start) >= 0 || Clash(form, k, start) >= 0)
            {
                return false;
            }
        }

        return true;
    }

    /// <summary>Takes what a job takes, or gives it back.</summary>
    /// <param name="job">Place of the job.</param>
    /// <param name="placed">Where it stands.</param>
    /// <param name="amount">1 to take, -1 to give back.</param>
    public void Book(int job, Placed placed, int amount)
    {
        var form = _jobs[job][placed.Way];
        for (var k = 0; k < form.Stretches.Length; k++)
        {
            var (stretch, start) = (form.Stretches[k], placed.Starts[k]);
            var handsEnd = start + stretch.Work;
            _hands[placed.People[k]].Take(Math.Max(0, start - stretch.ClearBefore), handsEnd, amount);
            _work[placed.People[k]].Take(start, handsEnd, amount);
            var holds = form.Holds[k];
            if (holds.Length > 0)
            {
                var until = HeldUntil(stretch, placed.Starts, start);
                foreach (var hold in holds)
                {
                    _shared[hold.Resource].Take(start, until, hold.Amount * amount);
                }
            }

            if (stretch.Hands != Airs.None || stretch.Waits != Airs.None)
            {
                Air(stretch.Hands, start, handsEnd, amount);
                Air(stretch.Waits, handsEnd, WaitsUntil(stretch, start), amount);
            }
        }
    }

    /// <summary>What a job's place costs, before it is taken: tight is a window that hands come to straight from other work.</summary>
    public (int Missed, int Tight, long Late, int End) WorthOf(int job, Placed placed)
    {
        var form = _jobs[job][placed.Way];
        var (missed, tight, end) = (0, 0, 0);
        for (var k = 0; k < form.Stretches.Length; k++)
        {
            var (stretch, start) = (form.Stretches[k], placed.Starts[k]);
            tight += IsTight(job, placed, k) ? 1 : 0;
            end = Math.Max(end, Math.Max(start + stretch.Work, stretch.Over.At(start + stretch.OverOffset)));
            missed += start > stretch.LastStart ? 1 : 0;
            foreach (var lag in form.Lags[k])
            {
                missed += lag.Closes is { } closes && closes.At(placed.Starts[lag.From] + lag.Offset) < start ? 1 : 0;
            }
        }

        return (missed, tight, form.Weight * Math.Max(0, end - (long)form.Due), end);
    }

    /// <summary>In how many ways a job can be placed: at the bench, and with some of its waits in the warm.</summary>
    public int WaysOf(int job) => _jobs[job].Length;

    /// <summary>How many of a job's waits stand in the warm.</summary>
    public int WarmOf(int job, Placed placed) => _jobs[job][placed.Way].Warm;

    /// <summary>Whether hands come to a stretch whose window closes straight from other work, or with nothing to spare.</summary>
    /// <param name="job">Place of the job.</param>
    /// <param name="placed">Where it stands; not taken.</param>
    /// <param name="k">Place of the stretch.</param>
    public bool IsTight(int job, Placed placed, int k)
    {
        var form = _jobs[job][placed.Way];
        var stretch = form.Stretches[k];
        return stretch.ClearBefore > 0 && (LastBefore(placed.People[k], stretch, placed.Starts[k]) >= 0 || IsShort(form, k, placed.Starts));
    }

    private void Air(Airs airs, int from, int to, int amount)
    {
        foreach (var (air, track) in _airs)
        {
            if ((airs & air) != 0)
            {
                track.Take(from, to, amount);
            }
        }
    }

    private int WaitsUntil(Stretch stretch, int start) => Math.Min(stretch.Over.At(start + stretch.OverOffset), _problem.Slots);

    private int HeldUntil(Stretch stretch, int[] starts, int start) => stretch.HeldUntil >= 0 ? starts[stretch.HeldUntil] : WaitsUntil(stretch, start);

    private bool Fits(JobForm form, IReadOnlyList<int>? notBefore, bool mayMiss)
    {
        var stretches = form.Stretches;
        for (var k = 0; k < stretches.Length; k++)
        {
            _least[k] = Math.Max(stretches[k].NotBefore, notBefore?[k] ?? 0);
        }

        for (var k = 0; k < stretches.Length;)
        {
            var stretch = stretches[k];
            var start = EarliestAfter(form, k);
            // Room to spare before one window is not bought with another that is lost.
            if (start < 0 || (_keepsClear && start > LastGood(stretch)))
            {
                return false;
            }

            _starts[k] = start;
            var back = mayMiss ? -1 : TooLate(form, k, start);
            if (back < 0)
            {
                back = Clash(form, k, start);
            }

            if (back >= 0)
            {
                k = back;
                continue;
            }

            k++;
        }

        return true;
    }

    /// <summary>The first start of a stretch after those that it waits for, with hands free for it and nothing in the air against it; -1 for none.</summary>
    private int EarliestAfter(JobForm form, int k)
    {
        var stretch = form.Stretches[k];
        var start = Math.Max(_least[k], Opens(form, k));
        while (start < _problem.Slots)
        {
            start = HandsFrom(form, k, start);
            if (start < 0)
            {
                return -1;
            }

            var later = AfterOwn(form, k, start, AfterAir(stretch, start));
            if (later < 0)
            {
                return start;
            }

            start = later;
        }

        return -1;
    }

    private int Opens(JobForm form, int k)
    {
        var latest = 0;
        foreach (var lag in form.Lags[k])
        {
            latest = Math.Max(latest, lag.Opens.At(_starts[lag.From] + lag.Offset));
        }

        return latest;
    }

    /// <summary>The first slot from which somebody who can do a stretch is free for it. Whoever did the one before goes on where that costs no time.</summary>
    private int HandsFrom(JobForm form, int k, int from)
    {
        var (best, who) = (-1, -1);
        foreach (var person in form.Able[k])
        {
            var start = FirstFree(person, form.Stretches[k], from);
            if (start >= 0 && (best < 0 || start < best || (start == best && k > 0 && person == _people[k - 1])))
            {
                (best, who) = (start, person);
            }
        }

        _people[k] = who;
        return best;
    }

    private int FirstFree(int person, Stretch stretch, int from)
    {
        var start = _hands[person].FirstFree(from, stretch.Work);
        while (_keepsClear && start >= 0 && LastBefore(person, stretch, start) is >= 0 and var last)
        {
            start = _hands[person].FirstFree(last + 1 + stretch.ClearBefore, stretch.Work);
        }

        return start;
    }

    /// <summary>The last slot with other work among those that are to be kept clear before a stretch, or -1.</summary>
    private int LastBefore(int person, Stretch stretch, int start) => _work[person].LastShort(Math.Max(0, start - stretch.ClearBefore), start, 1);

    /// <summary>The first slot after what is in the air against a stretch or its wait; -1 where nothing is.</summary>
    private int AfterAir(Stretch stretch, int start)
    {
        if (stretch.Hands == Airs.None && stretch.Waits == Airs.None)
        {
            return -1;
        }

        var (handsEnd, later) = (start + stretch.Work, -1);
        foreach (var (one, other) in DayProblem.Apart)
        {
            later = Math.Max(later, Math.Max(Met(stretch.Hands, one, other, start, handsEnd), Met(stretch.Hands, other, one, start, handsEnd)));
            later = Math.Max(later, Math.Max(Met(stretch.Waits, one, other, handsEnd, WaitsUntil(stretch, start)), Met(stretch.Waits, other, one, handsEnd, WaitsUntil(stretch, start))));
        }

        return later < 0 ? -1 : Math.Max(start + 1, later - (later > handsEnd ? stretch.Work : 0));
    }

    private int Met(Airs brings, Airs mine, Airs other, int from, int to) =>
        (brings & mine) == 0 ? -1 : _airs[other].LastShort(from, to, 1) is >= 0 and var last ? last + 1 : -1;

    /// <summary>Nobody works on two places of one item at once, nor raises dust beside its own wet face: the end of what is in the way.</summary>
    private int AfterOwn(JobForm form, int k, int start, int later)
    {
        if (later >= 0 || form.IsChain)
        {
            return later;
        }

        var stretch = form.Stretches[k];
        var (handsEnd, over) = (start + stretch.Work, WaitsUntil(stretch, start));
        for (var i = 0; i < k; i++)
        {
            var (other, begins) = (form.Stretches[i], _starts[i]);
            var (otherEnd, otherOver) = (begins + other.Work, WaitsUntil(other, begins));
            if (begins < handsEnd && start < otherEnd)
            {
                later = Math.Max(later, otherEnd);
            }

            if (begins < handsEnd && start < otherOver && AreApart(stretch.Hands, other.Waits))
            {
                later = Math.Max(later, otherOver);
            }

            if (begins < over && handsEnd < otherEnd && AreApart(stretch.Waits, other.Hands))
            {
                later = Math.Max(later, otherEnd - stretch.Work);
            }

            if (otherEnd < over && handsEnd < otherOver && AreApart(stretch.Waits, other.Waits))
            {
                later = Math.Max(later, otherOver - stretch.Work);
            }
        }

        return later < 0 ? -1 : Math.Max(later, start + 1);
    }

    private static bool AreApart(Airs one, Airs other)
    {
        foreach (var (mine, yours) in DayProblem.Apart)
        {
            if (((one & mine) != 0 && (other & yours) != 0) || ((one & yours) != 0 && (other & mine) != 0))
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>The stretch that has to be put later because the window after it has closed by a start, or is about to; -1 for none.</summary>
    private int TooLate(JobForm form, int k, int start)
    {
        var spare = _keepsClear ? form.Stretches[k].ClearBefore : 0;
        foreach (var lag in form.Lags[k])
        {
            var from = _starts[lag.From] + lag.Offset;
            if (lag.Closes is { } closes && LastGood(lag, from, spare) < start)
            {
                var later = closes.FirstNotBefore(from, start + spare);
                if (spare > 0 && closes.FirstNotBefore(from, start) is >= 0 and var closing && lag.Opens.FirstNotBefore(from, start) is >= 0 and var opening)
                {
                    later = later < 0 ? Math.Max(closing, opening) : Math.Min(later, Math.Max(closing, opening));
                }

                _least[lag.From] = later < 0 ? _problem.Slots : later - lag.Offset;
                return lag.From;
            }
        }

        return -1;
    }

    /// <summary>The last slot in which a stretch is begun with some to spare before its window closes; its first where that is too short for it.</summary>
    private static int LastGood(Lag lag, int from, int spare) => lag.Closes!.At(from) is var closes && spare == 0 ? closes : Math.Max(closes - spare, Math.Min(closes, lag.Opens.At(from)));

    private static int LastGood(Stretch stretch) => stretch.ClearBefore == 0 ? stretch.LastStart : Math.Max(stretch.LastStart - stretch.ClearBefore, Math.Min(stretch.LastStart, stretch.NotBefore));

    /// <summary>Whether a stretch begins with less to spare than it should before a window closes.</summary>
    private static bool IsShort(JobForm form, int k, int[] starts)
    {
        var (stretch, start) = (form.Stretches[k], starts[k]);
        if (start > LastGood(stretch))
        {
            return true;
        }

        foreach (var lag in form.Lags[k])
        {
            if (lag.Closes is not null && LastGood(lag, starts[lag.From] + lag.Offset, stretch.ClearBefore) < start)
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>The stretch that has to be put later because what it holds is taken before it is freed; -1 for none.</summary>
    private int Clash(JobForm form, int k, int start)
    {
        foreach (var holder in form.FreedBy[k])
        {
            if (Taken(form, holder, k, _starts[holder], start) is >= 0 and var last)
            {
                _least[holder] = last + 1;
                return holder;
            }
        }

        if (form.Stretches[k] is { HeldUntil: < 0 } alone && form.Holds[k].Length > 0 && Taken(form, k, k, start, WaitsUntil(alone, start)) is >= 0 and var taken)
        {
            _least[k] = taken + 1;
            return k;
        }

        return -1;
    }

    /// <summary>The last slot in which what a stretch holds is not to be had, or -1.</summary>
    private int Taken(JobForm form, int holder, int upTo, int from, int to)
    {
        var last = -1;
        foreach (var hold in form.Holds[holder])
        {
            last = Math.Max(last, _shared[hold.Resource].LastShort(from, to, hold.Amount));
            if (last < 0 && !form.IsChain)
            {
                last = TakenWithOwn(form, holder, upTo, hold, from, to);
            }
        }

        return last;
    }

    /// <summary>The same with what else of the item holds meanwhile, as far as it is known until when; all of that is taken to be held at once.</summary>
    private int TakenWithOwn(JobForm form, int holder, int upTo, Hold hold, int from, int to)
    {
        var (amount, first, end) = (hold.Amount, to, from);
        for (var i = 0; i <= upTo; i++)
        {
            if (i == holder || (i == upTo && form.Stretches[i].HeldUntil >= 0) || form.Stretches[i].HeldUntil > upTo)
            {
                continue;
            }

            var (begins, until) = (_starts[i], form.Stretches[i].HeldUntil >= 0 ? _starts[form.Stretches[i].HeldUntil] : WaitsUntil(form.Stretches[i], _starts[i]));
            foreach (var own in form.Holds[i])
            {
                if (own.Resource == hold.Resource && begins < to && from < until)
                {
                    (amount, first, end) = (amount + own.Amount, Math.Min(first, Math.Max(begins, from)), Math.Max(end, Math.Min(until, to)));
                }
            }
        }

        return amount == hold.Amount ? -1 : _shared[hold.Resource].LastShort(first, end, amount);
    }

    /// <summary>A job as it is placed: what is asked again and again, found once.</summary>
    private sealed class JobForm(DayJob job, IReadOnlyList<Hands> people)
    {
        public int Due { get; } = job.Due;

        public long Weight { get; } = job.Weight;

        public Stretch[] Stretches { get; } = [.. job.Stretches];

        /// <value>How many of its waits stand in the warm.</value>
        public int Warm { get; } = job.Stretches.Count(stretch => stretch.IsWarm);

        public Lag[][] Lags { get; } = [.. job.Stretches.Select(stretch => stretch.Lags.ToArray())];

        public Hold[][] Holds { get; } = [.. job.Stretches.Select(stretch => stretch.Holds.ToArray())];

        /// <value>For each stretch, those whose holds its start frees.</value>
        public int[][] FreedBy { get; } =
            [.. job.Stretches.Select((_, k) => job.Stretches.Select((stretch, i) => (stretch, i)).Where(each => each.stretch.HeldUntil == k && each.stretch.Holds.Count > 0).Select(each => each.i).ToArray())];

        public int[][] Able { get; } =
            [.. job.Stretches.Select(stretch => people.Select((person, i) => (person, i)).Where(each => stretch.IsFor(each.i, each.person)).OrderBy(each => each.person.Skill).Select(each => each.i).ToArray())];

        /// <value>Whether hands are to be kept clear before anything of it.</value>
        public bool KeepsClear { get; } = job.Stretches.Any(stretch => stretch.ClearBefore > 0);

        /// <value>Whether nothing of it can be in the way of anything else of it: each stretch comes after the one before it, its wait and what it holds.</value>
        public bool IsChain { get; } = Enumerable.Range(1, Math.Max(0, job.Stretches.Count - 1)).All(k => Follows(job.Stretches[k], job.Stretches[k - 1], k));

        private static bool Follows(Stretch stretch, Stretch before, int k) =>
            stretch.Lags.Any(lag => lag.From == k - 1 && lag.Offset >= before.Work && (before.Waits == Airs.None || (lag.Opens == before.Over && lag.Offset == before.OverOffset)))
            && (before.Holds.Count == 0 || before.HeldUntil == k);
    }
}
