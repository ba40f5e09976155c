using AbleMend.Core.Methods;
using AbleMend.Core.Timing;

namespace AbleMend.Core.Plans;

/// <summary>A mix that several damages take from one cup.</summary>
/// <param name="StepId">Identifier of the step, as each damage's method gives it.</param>
/// <param name="Host">The damage that it is mixed with, from 1.</param>
/// <param name="Takers">The damages that take their share of it, in order.</param>
internal sealed record SharedMix(string StepId, int Host, IReadOnlyList<int> Takers);

/// <summary>
/// One cup for the damages of an item that are mended with the same mix. It is mixed when all of them are ready for it; what one cup does
/// not hold, what would get too hot in it, or what hands cannot put on within its life stays in cups of its own.
/// </summary>
internal static class CupSharing
{
    /// <summary>How much later an item may be ready for the sake of one cup: all its damages have to be ready for it. From memory.</summary>
    private static readonly TimeSpan MostLater = TimeSpan.FromMinutes(15);

    private static readonly Dictionary<string, Actual> NothingYet = [];

    /// <summary>The parts with every cup shared that may be.</summary>
    /// <param name="alone">The damages, each composed for itself.</param>
    /// <param name="compose">Composes one again, with cups that it shares.</param>
    public static IReadOnlyList<Part> Shared(IReadOnlyList<Part> alone, Func<Part, SharedCups?, Part> compose)
    {
        var (parts, kept) = (alone, new List<SharedMix>());
        IReadOnlyList<TimedStep>? apart = null;
        IReadOnlyList<Composed> each = [.. alone.Select(part => part.Composed)];
        foreach (var mix in Likely(alone))
        {
            // Where one cup does not do for all of them, it may do for half of them.
            for (var takers = mix.Takers.Count; takers > 0; takers /= 2)
            {
                IReadOnlyList<SharedMix> tried = [.. kept, mix with { Takers = [.. mix.Takers.Take(takers)] }];
                var concerned = tried[^1].Takers.Append(mix.Host).ToHashSet();
                IReadOnlyList<Part> composed = [.. parts.Select(part => concerned.Contains(part.Look.View.Number) && CupsOf(part.Look.View.Number, tried, each) is { } cups ? compose(part, cups) : part)];
                apart ??= Laid(parts).Timeline;
                if (NoWorse(composed, apart, tried) is { } better)
                {
                    (parts, apart, takers) = (composed, better, 0);
                    kept.Add(tried[^1]);
                }
            }
        }

        return parts;
    }

    /// <summary>What a damage shares; null for nothing.</summary>
    /// <param name="number">Which damage, from 1.</param>
    /// <param name="shared">All cups that are shared.</param>
    /// <param name="alone">The damages, each composed for itself.</param>
    public static SharedCups? CupsOf(int number, IReadOnlyList<SharedMix> shared, IReadOnlyList<Composed> alone)
    {
        var given = shared.Where(mix => mix.Host == number).ToDictionary(mix => mix.StepId, mix => (IReadOnlyList<CupTaker>)[.. mix.Takers.Select(taker => Taker(taker, mix.StepId, alone))]);
        var taken = shared.Where(mix => mix.Takers.Contains(number)).ToDictionary(mix => mix.StepId, mix => mix.Host);
        return given.Count + taken.Count == 0 ? null : new SharedCups(given, taken);
    }

    /// <summary>The cups that a plan shares.</summary>
    public static IReadOnlyList<SharedMix> SharedIn(RepairPlan plan) =>
    [
        .. plan.Steps.Where(step => step.Stage == Stage.Mix && step.Uses is not null && step.Uses != step.Id)
            .GroupBy(step => step.Uses!)
            .Select(cup => Numbering.Parse(cup.Key) is var (host, local) ? new SharedMix(local, host, [.. cup.Select(step => step.Damage).Order()]) : null!),
    ];

    /// <summary>All steps, those of each damage in their order; what takes from a shared cup waits for it, and the cup for all that take from it.</summary>
    public static List<PlanStep> Steps(IReadOnlyList<Part> parts)
    {
        var all = parts.SelectMany(part => part.Composed.Steps).ToList();
        foreach (var part in parts)
        {
            foreach (var (mix, host) in part.Composed.Cups?.TakenFrom ?? new Dictionary<string, int>())
            {
                Join(all, Numbering.Of(part.Look.View.Number, mix), Numbering.Of(host, mix));
            }
        }

        return all;
    }

    private static void Join(List<PlanStep> all, string taking, string mixing)
    {
        var (take, mix) = (all.FindIndex(step => step.Id == taking), all.FindIndex(step => step.Id == mixing));
        var life = all[mix].UseWithinMin is { } within ? new MixLife(mixing, within) : null;
        for (var i = take; i < all.Count && all[i].Damage == all[take].Damage; i++)
        {
            if (all[i].Uses == taking)
            {
                all[i] = all[i] with { Uses = mixing, Timing = all[i].Timing with { Uses = life } };
            }
        }

        all[take] = all[take] with { Timing = all[take].Timing with { After = [mixing] } };
        all[mix] = all[mix] with { Timing = all[mix].Timing with { Also = [.. all[mix].Timing.Also ?? [], all[take].Damage] } };
        if (take > 0 && all[take - 1].Damage == all[take].Damage)
        {
            all[mix] = all[mix] with { Timing = all[mix].Timing with { After = [.. all[mix].Timing.After ?? [], all[take - 1].Id] } };
        }
    }

    private static CupTaker Taker(int number, string stepId, IReadOnlyList<Composed> alone)
    {
        var mix = alone[number - 1].Composition.Mixes.First(each => each.StepId == stepId);
        return new CupTaker(number, mix, Numbering.Of(number, mix.Need.Id), mix.Work is { } work ? Numbering.Of(number, work.Id) : "");
    }

    /// <summary>The mixes that more than one damage takes, in the order in which the first of them comes to them.</summary>
    private static IEnumerable<SharedMix> Likely(IReadOnlyList<Part> alone)
    {
        var seen = new HashSet<(int Damage, string StepId)>();
        foreach (var (host, mix) in alone.SelectMany(part => part.Composed.Composition.Mixes.Select(mix => (part.Look.View.Number, mix))))
        {
            var alike = alone.Where(part => part.Look.View.Number > host && !seen.Contains((part.Look.View.Number, mix.StepId)) && part.Composed.Composition.Mixes.Any(each => each.IsLike(mix)));
            IReadOnlyList<int> takers = [.. OneSideUp.UpWith(alone[host - 1], alike).Select(part => part.Look.View.Number)];
            if (takers.Count > 0 && !seen.Contains((host, mix.StepId)))
            {
                seen.UnionWith(takers.Select(taker => (taker, mix.StepId)));
                yield return new SharedMix(mix.StepId, host, takers);
            }
        }
    }

    /// <summary>
    /// The timeline with one more cup shared, where that leaves it in one cup, misses no window and makes the item hardly later, with every
    /// share of every cup used in time: what waits for the new one comes later to those that were shared before it. Else null.
    /// </summary>
    private static IReadOnlyList<TimedStep>? NoWorse(IReadOnlyList<Part> shared, IReadOnlyList<TimedStep> apart, IReadOnlyList<SharedMix> mixes)
    {
        var added = mixes[^1];
        if (shared[added.Host - 1].Composed.Composition.Mixes.First(each => each.StepId == added.StepId).Cups is { Magnitude: > 1 })
        {
            return null;
        }

        var (steps, timeline) = Laid(shared);
        var cups = mixes.Select(mix => Numbering.Of(mix.Host, mix.StepId)).ToHashSet();
        return Timeline.ReadyAt(timeline) <= Timeline.ReadyAt(apart) + MostLater
            && timeline.Count(step => step.MissesWindow) <= apart.Count(step => step.MissesWindow)
            && timeline.Count(step => step.HeldFrom is not null) <= apart.Count(step => step.HeldFrom is not null)
            && steps.Where(step => step.Timing.Uses is { } used && cups.Contains(used.StepId)).All(step => InTime(step, timeline))
            ? timeline
            : null;
    }

    private static bool InTime(PlanStep step, IReadOnlyList<TimedStep> timeline)
    {
        DateTimeOffset? StartOf(string id) => timeline.First(each => each.StepId == id).StartsAt;
        return StartOf(step.Id)?.AddMinutes(step.Timing.HandsOnMin) <= StartOf(step.Timing.Uses!.StepId)?.AddMinutes(step.Timing.Uses.WithinMin);
    }

    /// <summary>The steps as the plan lays them, what is done once included.</summary>
    private static (IReadOnlyList<PlanStep> Steps, IReadOnlyList<TimedStep> Timeline) Laid(IReadOnlyList<Part> parts)
    {
        var (once, view) = (DoneOnce.In(parts), parts[0].Look.View);
        var steps = once.Joined(Steps(once.Parts));
        return (steps, Timeline.Lay([.. steps.Select(step => step.Timing)], view.StartAt, view.Climate, view.Hours, NothingYet));
    }
}
