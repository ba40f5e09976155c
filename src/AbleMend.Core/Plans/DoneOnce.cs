using AbleMend.Core.Methods;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Proving;
using AbleMend.Core.Words;

namespace AbleMend.Core.Plans;

/// <summary>
/// What is done to the item as a whole is done once for all its damages: it is looked over, let down and dried before the first is
/// opened, and blown up, weighed or stood on when the last is mended.
/// </summary>
internal static class DoneOnce
{
    private static readonly HashSet<string> WholeItem = [Surfaces.FindStep, Surfaces.DeflateStep, Drying.StepId, HoldTest.InflateStep, HoldTest.WatchStep];

    /// <summary>Steps that follow one another, of a damage.</summary>
    private sealed record Group(Part Part, int From, IReadOnlyList<PlanStep> Steps)
    {
        public int Number => Part.Look.View.Number;

        public string Last => Numbering.Of(Number, Steps[^1].Id);

        public string Words { get; } = string.Join('\n', Steps.Select(step => $"{step.Id} {Voice.Plain.Say(step.Title)} {Voice.Plain.Say(step.Instruction)}"));

        /// <value>The step of its damage straight before it, or null.</value>
        public string? Before => Part.Composed.Composition.Steps.Take(From).LastOrDefault() is { } before ? Numbering.Of(Number, before.Id) : null;

        /// <value>The step of its damage straight after it, or null.</value>
        public string? Next => Part.Composed.Composition.Steps.Skip(From + Steps.Count).FirstOrDefault() is { } next ? Numbering.Of(Number, next.Id) : null;
    }

    /// <summary>The damages, those after the first without what is done once with the first.</summary>
    public static IReadOnlyList<Part> Parts(IReadOnlyList<Part> parts)
    {
        var left = Shared(parts).SelectMany(group => group.Skip(1)).ToLookup(group => group.Number, group => group.Steps);
        return [.. parts.Select(part => left.Contains(part.Look.View.Number)
            ? part with { Composed = part.Composed.Without(left[part.Look.View.Number].SelectMany(steps => steps).Select(step => step.Id).ToHashSet()) }
            : part)];
    }

    /// <summary>The steps, with what is done once waiting for all damages, and what follows it in each waiting for it.</summary>
    /// <param name="parts">The damages.</param>
    /// <param name="steps">Their steps.</param>
    public static IReadOnlyList<PlanStep> Joined(IReadOnlyList<Part> parts, IReadOnlyList<PlanStep> steps)
    {
        var (after, also) = (new Dictionary<string, List<string>>(), new Dictionary<string, IReadOnlyList<int>>());
        void WaitFor(string? step, string? awaited)
        {
            if (step is not null && awaited is not null)
            {
                after.TryAdd(step, []);
                after[step].Add(awaited);
            }
        }

        foreach (var groups in Shared(parts))
        {
            var (first, others) = (groups[0], groups.Skip(1).ToList());
            foreach (var step in first.Steps)
            {
                also[Numbering.Of(first.Number, step.Id)] = [.. others.Select(other => other.Number)];
            }

            foreach (var other in others)
            {
                WaitFor(Numbering.Of(first.Number, first.Steps[0].Id), other.Before);
                WaitFor(other.Next, first.Last);
            }
        }

        return [.. steps.Select(step => step with
        {
            Timing = step.Timing with
            {
                After = after.TryGetValue(step.Id, out var awaited) ? [.. step.Timing.After ?? [], .. awaited] : step.Timing.After,
                Also = also.GetValueOrDefault(step.Id) ?? step.Timing.Also,
            },
        })];
    }

    /// <summary>The groups that two damages or more have alike, in the same order in each; the first of each is the one that is kept.</summary>
    private static IReadOnlyList<IReadOnlyList<Group>> Shared(IReadOnlyList<Part> parts)
    {
        if (parts.Count < 2)
        {
            return [];
        }

        IReadOnlyList<IReadOnlyList<Group>> alike =
        [
            .. parts.SelectMany(Groups).GroupBy(group => group.Words).Select(groups => (IReadOnlyList<Group>)[.. groups.DistinctBy(group => group.Number)]).Where(groups => groups.Count > 1),
        ];
        // Two groups in opposite order would wait for each other.
        return alike.All(one => alike.All(other => one == other || one.Select(group => other.FirstOrDefault(each => each.Number == group.Number)?.From < group.From).Distinct().Count() == 1)) ? alike : [];
    }

    private static IEnumerable<Group> Groups(Part part)
    {
        var steps = part.Composed.Composition.Steps;
        for (var from = 0; from < steps.Count; from++)
        {
            var run = steps.Skip(from).TakeWhile(IsOfTheWholeItem).ToList();
            if (run.Count > 0)
            {
                if (!run[0].Timing.FollowsOn && steps.ElementAtOrDefault(from + run.Count)?.Timing.FollowsOn != true && !IsSetByHand(part, run))
                {
                    yield return new Group(part, from, run);
                }

                from += run.Count;
            }
        }
    }

    private static bool IsOfTheWholeItem(PlanStep step) => step.Proof is { } proof ? ProofTest.All[proof].WholeItem : WholeItem.Contains(step.Id);

    /// <summary>Whether a figure of some steps was set by hand for this damage: then they are its own.</summary>
    private static bool IsSetByHand(Part part, IReadOnlyList<PlanStep> steps) =>
        part.Look.View.Overrides.Any(each => steps.Any(step => step.Figures.Contains(each.Figure)));
}
