using AbleMend.Core.Figures;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>One cup for several damages of an item: mixed with the first of them, and the others take their share.</summary>
internal static class SharedCup
{
    /// <summary>Minutes until the next damage has its share on the brush. From memory.</summary>
    private const double ToNextMin = 1;

    /// <summary>An order that covers what the other damages take of it as well; the order itself where none does.</summary>
    public static MixOrder ForAll(this Job job, MixOrder order)
    {
        var takers = job.TakersOf($"{order.Prefix}-mix");
        if (takers.Count == 0)
        {
            return order;
        }

        IReadOnlyList<Figure<WallTime>> works = [.. takers.Where(taker => taker.Mix.Work is not null).Select(taker =>
            job.Figures.Fact(taker.WorkId, $"Time to put it on at damage {taker.Damage}", taker.Mix.Work!.Value, Source.Arithmetic))];
        var next = job.Constant("mix.to-next", "From one damage to the next", WallMin(ToNextMin), Source.FromMemory("Time from one damage to the next with a full brush"));
        var work = job.Figures.Work($"{order.Prefix}.work-all", "Time to put it on everywhere", () => WallMin(order.Work.WallMin + works.Sum(each => each.WallMin + next.WallMin)),
            "Time for each damage, and the way from one to the next", Source.Arithmetic);
        return order with { Need = job.ForAll($"{order.Prefix}-mix", order.Need), Work = work, What = $"{order.What}{job.Whom($"{order.Prefix}-mix")}" };
    }

    /// <summary>What a mix has to come to for all damages that share it; what this one needs where it has none to share with.</summary>
    /// <param name="job">The job.</param>
    /// <param name="mix">Identifier of the step that mixes it.</param>
    /// <param name="need">What this damage needs.</param>
    public static Figure<Volume> ForAll(this Job job, string mix, Figure<Volume> need)
    {
        var takers = job.TakersOf(mix);
        if (takers.Count == 0)
        {
            return need;
        }

        IReadOnlyList<Figure<Volume>> needs = [.. takers.Select(taker => job.Figures.Fact(taker.NeedId, $"Needed at damage {taker.Damage}", taker.Mix.Need.Value, Source.Arithmetic))];
        var loss = job.CupLoss();
        // What stays in the cup stays there once.
        var losses = takers.Count(taker => taker.Mix.Need.Shown.Any(input => input.Id == loss.Id));
        // Two passes may need the same, and are mixed for all of them one after the other.
        var prefix = mix.EndsWith("-mix", StringComparison.Ordinal) ? mix[..^"-mix".Length] : mix;
        return job.Figure($"{prefix}.need-all", "Needed for all", () => Ml(Math.Max(need.Ml, need.Ml + needs.Sum(each => each.Ml) - (losses * loss.Ml))),
            "What each damage needs, added; what stays in the cup is counted once", Source.Arithmetic, 1);
    }

    /// <summary>Takes this damage's share out of a cup that is mixed with an earlier one, where that is so.</summary>
    /// <param name="job">The job.</param>
    /// <param name="mix">Identifier of the step that would mix it.</param>
    /// <param name="need">What this damage needs.</param>
    /// <returns>Whether it is so, and the step was written.</returns>
    public static bool TakeFromShared(this Job job, string mix, Figure<Volume> need)
    {
        if (job.Cups?.TakenFrom.TryGetValue(mix, out var first) != true)
        {
            return false;
        }

        job.Do(mix, Stage.Mix, $"Take it from the cup of damage {first}",
            $"About {need} of what was mixed with damage {first}, while it may still be used. If it is gone or past using, mix this much anew in the same way.", ToNextMin,
            "Look at the clock of that cup before you go on with it.", shows: [need], uses: mix);
        return true;
    }

    /// <summary>Whom a mix is for, to be put behind what goes into it; nothing where it is for this damage alone.</summary>
    /// <param name="job">The job.</param>
    /// <param name="mix">Identifier of the step that mixes it.</param>
    public static Message Whom(this Job job, string mix) =>
        job.TakersOf(mix) is { Count: > 0 } takers ? (Message)$", {For(job, takers)}" : Message.Empty;

    private static Message For(Job job, IReadOnlyList<CupTaker> takers) =>
        $"for damages {Message.Joined([$"{job.View.Number}", .. takers.Select(taker => (Message)$"{taker.Damage}")], (all, next) => $"{all}, {next}")} at once";

    /// <summary>The other damages that take their share of a mix.</summary>
    private static IReadOnlyList<CupTaker> TakersOf(this Job job, string mix) => job.Cups?.GivenTo.GetValueOrDefault(mix) ?? [];
}
