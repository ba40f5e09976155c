using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Running;

namespace AbleMend.Core.Days;

/// <summary>A cup that a stretch mixes, or a tool that it heats. Another that does the same may go on with it, when hands come to both in one go.</summary>
/// <param name="Of">What is mixed or melted; of one kind, the same text is the same.</param>
/// <param name="Offset">Slots from the start of its stretch at which it is mixed or hot, 0 or more.</param>
/// <param name="FirstMin">Minutes that spreading or melting it for the first time takes.</param>
/// <param name="LifeMin">Minutes for which it can be spread; infinity for what keeps, or is kept hot.</param>
/// <param name="Kind">Which of the two it is.</param>
public sealed record DayMix(string Of, int Offset, double FirstMin, double LifeMin, OnceKind Kind = OnceKind.Cup)
{
    /// <summary>Whether another may go on with it.</summary>
    /// <param name="other">What another stretch mixes or heats.</param>
    public bool IsLike(DayMix other) => (Kind, Of) == (other.Kind, other.Of);

    /// <summary>Whether one cup is spread everywhere within its life; a hot tool is kept hot.</summary>
    /// <param name="mixes">What takes from it, 1 or more, all of one kind.</param>
    public static bool IsSpreadInTime(IReadOnlyList<DayMix> mixes) =>
        mixes[0].Kind == OnceKind.Heat
        || (mixes.Count <= CupsTogether.Most && Mixes.MixingMin + mixes.Sum(mix => mix.FirstMin) + ((mixes.Count - 1) * CupsTogether.ToNextMin) <= mixes.Min(mix => mix.LifeMin));
}

/// <summary>A mix of a plan, or a tool that is heated in it.</summary>
/// <param name="Job">Place of its job.</param>
/// <param name="Stretch">Place of the stretch in which it is mixed or heated.</param>
/// <param name="Mix">What is mixed or heated.</param>
internal sealed record MixOfJob(int Job, int Stretch, DayMix Mix);

/// <summary>
/// Like mixes in a plan of the days: brought together where that costs nobody anything, so that one cup, weighed out once, does for several
/// items. Whether it does is said at the bench, by what is really mixed (<see cref="CupsTogether"/>). So is what one tool melts, which is
/// heated and loaded once.
/// </summary>
internal static class DayMixes
{
    /// <summary>How much later a mend may be ready for what is made ready once. From memory: half a working day is let go by for a batch, a night is not; two hours for a tool that is hot in minutes.</summary>
    private static int MostLater(OnceKind kind) => (kind == OnceKind.Heat ? 2 : 4) * 60 / DayProblem.SlotMin;

    /// <summary>Slots that may lie between two that are done in one go. From memory: a hot tool is left on for some ten minutes while the next is made ready, a cup does not stand.</summary>
    private static int PauseOf(OnceKind kind) => kind == OnceKind.Heat ? 2 : 1;

    /// <summary>A plan in which jobs were put later to come to a like mix of another, where no window is missed or met more narrowly for it, and nothing is later than it was due.</summary>
    /// <param name="problem">What was planned.</param>
    /// <param name="plan">The plan; a job that fits into no day is null in it.</param>
    public static IReadOnlyList<Placed?> Gathered(DayProblem problem, IReadOnlyList<Placed?> plan)
    {
        var mixes = Of(problem, plan);
        if (mixes.Count < 2 || mixes.GroupBy(each => (each.Mix.Kind, each.Mix.Of)).All(like => like.Count() == 1))
        {
            return plan;
        }

        var (placer, placed) = (new Placer(problem), plan.ToArray());
        for (var job = 0; job < placed.Length; job++)
        {
            if (placed[job] is { } stands)
            {
                placer.Book(job, stands, 1);
            }
        }

        foreach (var mix in mixes.OrderBy(each => MixedAt(each, plan)).ThenBy(each => each.Job))
        {
            var others = mixes.Where(other => other.Job != mix.Job && other.Mix.IsLike(mix.Mix) && DayMix.IsSpreadInTime([mix.Mix, other.Mix])).ToList();
            if (others.Exists(other => IsOneGo(problem, placed, mix, other)))
            {
                continue;
            }

            foreach (var other in others.Where(other => MixedAt(other, placed) - MixedAt(mix, placed) is var later && later > 0 && later <= MostLater(mix.Mix.Kind)).OrderBy(other => MixedAt(other, placed)))
            {
                if (Joined(problem, placer, placed, mix, other, (int)DayCheck.Score(problem.Jobs[mix.Job], plan[mix.Job]!).EndSlots + MostLater(mix.Mix.Kind)) is { } joined)
                {
                    placed[mix.Job] = joined;
                    break;
                }
            }
        }

        return placed;
    }

    /// <summary>The mixes of a plan that hands come to in one go, each group in order of time.</summary>
    /// <param name="problem">What was planned.</param>
    /// <param name="plan">The plan.</param>
    public static IReadOnlyList<IReadOnlyList<MixOfJob>> Together(DayProblem problem, IReadOnlyList<Placed?> plan)
    {
        var groups = new List<List<MixOfJob>>();
        foreach (var mix in Of(problem, plan).OrderBy(each => MixedAt(each, plan)).ThenBy(each => each.Job))
        {
            var group = groups.FindLast(each => each[0].Mix.IsLike(mix.Mix));
            if (group is not null && group.TrueForAll(each => each.Job != mix.Job) && IsOneGo(problem, plan, group[^1], mix) && DayMix.IsSpreadInTime([.. group.Select(each => each.Mix), mix.Mix]))
            {
                group.Add(mix);
            }
            else
            {
                groups.Add([mix]);
            }
        }

        return [.. groups.Where(group => group.Count > 1)];
    }

    private static List<MixOfJob> Of(DayProblem problem, IReadOnlyList<Placed?> plan) =>
        [.. from job in Enumerable.Range(0, problem.Jobs.Count) where plan[job] is not null from each in problem.Jobs[job].Stretches.Index() where each.Item.Mix is not null select new MixOfJob(job, each.Index, each.Item.Mix!)];

    private static int MixedAt(MixOfJob each, IReadOnlyList<Placed?> plan) => plan[each.Job]!.Starts[each.Stretch] + each.Mix.Offset;

    /// <summary>Whether hands come from the one to the other without a pause. One tool is not at two items at once, where several can take from one cup.</summary>
    private static bool IsOneGo(DayProblem problem, IReadOnlyList<Placed?> plan, MixOfJob one, MixOfJob other)
    {
        var (first, second) = MixedAt(one, plan) <= MixedAt(other, plan) ? (one, other) : (other, one);
        return (one.Mix.Kind == OnceKind.Cup || MixedAt(second, plan) >= MixedAt(first, plan) + (int)Math.Ceiling(first.Mix.FirstMin / DayProblem.SlotMin))
            && MixedAt(second, plan) <= plan[first.Job]!.Starts[first.Stretch] + problem.Jobs[first.Job].Stretches[first.Stretch].Work + PauseOf(one.Mix.Kind);
    }

    /// <summary>A job put later, so that its mix comes just before or after another; null where that costs anything.</summary>
    private static Placed? Joined(DayProblem problem, Placer placer, Placed?[] placed, MixOfJob one, MixOfJob other, int latestEnd)
    {
        var old = placed[one.Job]!;
        placer.Book(one.Job, old, -1);
        var was = WorthBeside(placer, one, old);
        var joined = Later(problem.Jobs[one.Job], old, one.Stretch, MixedAt(other, placed)).Select(least => placer.Place(one.Job, least, keepsClear: false, way: old.Way)).FirstOrDefault(later =>
        {
            placed[one.Job] = later;
            return later is not null && IsOneGo(problem, placed, one, other) && HasTimeLeft(problem.Jobs[one.Job].Stretches[one.Stretch], later.Starts, one.Stretch) && CostsNothing(was, WorthBeside(placer, one, later), latestEnd);
        });
        placed[one.Job] = old;
        placer.Book(one.Job, joined ?? old, 1);
        return joined;
    }

    /// <summary>Slots before which a job's stretches do not begin, so that one ends no sooner than another cup is mixed: by itself, or with what opens its window.</summary>
    private static IEnumerable<int[]> Later(DayJob job, Placed old, int stretch, int mixedAt)
    {
        var later = Math.Max(0, mixedAt - job.Stretches[stretch].Work - old.Starts[stretch]);
        yield return [.. old.Starts.Select((start, k) => k == stretch ? start + later : start)];
        var opens = new HashSet<int> { stretch };
        for (var k = stretch; k > 0; k--)
        {
            if (opens.Contains(k))
            {
                opens.UnionWith(job.Stretches[k].Lags.Where(lag => lag.Closes is not null).Select(lag => lag.From));
            }
        }

        yield return [.. old.Starts.Select((start, k) => opens.Contains(k) ? start + later : start)];
    }

    /// <summary>Whether hands that come straight from the other mix may be late by what they are else kept clear for.</summary>
    private static bool HasTimeLeft(Stretch stretch, IReadOnlyList<int> starts, int k) =>
        starts[k] + stretch.ClearBefore <= stretch.LastStart && stretch.Lags.All(lag => lag.Closes is not { } closes || starts[k] + stretch.ClearBefore <= closes.At(starts[lag.From] + lag.Offset));

    /// <summary>What a job's place costs, but for how narrowly its mix is come to: straight from the other mix to this one is the same work.</summary>
    private static (int Missed, int Tight, long Late, int End) WorthBeside(Placer placer, MixOfJob mix, Placed placed)
    {
        var worth = placer.WorthOf(mix.Job, placed);
        return worth with { Tight = worth.Tight - (placer.IsTight(mix.Job, placed, mix.Stretch) ? 1 : 0) };
    }

    private static bool CostsNothing((int Missed, int Tight, long Late, int End) was, (int Missed, int Tight, long Late, int End) now, int latestEnd) =>
        now.Missed <= was.Missed && now.Tight <= was.Tight && now.Late <= was.Late && now.End <= latestEnd;
}
