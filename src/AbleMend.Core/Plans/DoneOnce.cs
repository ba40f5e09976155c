using AbleMend.Core.Methods;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Proving;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;

namespace AbleMend.Core.Plans;

/// <summary>
/// What is done to the item as a whole is done once for all its damages: it is looked over, let down and dried before the first is
/// opened, and blown up, weighed or stood on when the last is mended. Nothing is cut or closed at one damage while the item dries for another,
/// and nothing that holds air is blown up while a damage of it is still open.
/// </summary>
internal sealed class DoneOnce
{
    private static readonly HashSet<string> WholeItem = [Surfaces.FindStep, Surfaces.DeflateStep, Drying.StepId, HoldTest.InflateStep, HoldTest.WatchStep];

    private readonly IReadOnlyList<Part> _parts;
    private readonly ILookup<string, int> _also;
    private readonly ILookup<string, string> _after;
    private readonly ILookup<string, Turning> _turnings;
    private readonly HashSet<string> _turned;

    private DoneOnce(IReadOnlyList<Part> parts, IReadOnlyList<Shared> shared)
    {
        _parts = parts;
        var kept = Kept(shared);
        _also = shared.SelectMany(each => each.Others.Select(other => (each.Host.Id, other.Number))).ToLookup(each => each.Id, each => each.Number);
        var turnings = OneSideUp.Of(parts);
        _turnings = turnings.ToLookup(turning => turning.After);
        _turned = turnings.GroupBy(turning => turning.Before).Select(turning => turning.First().After).ToHashSet();
        _after = AsItIsDone(parts, kept).Where(each => each.Before.Number != each.After.Number).Distinct().ToLookup(each => each.After.Id, each => each.Before.Id);
        Parts = shared.Count == 0 ? parts :
        [
            .. parts.Select(part => part.Composed.Composition.Steps.Select(step => step.Id).Where(id => kept.ContainsKey(Numbering.Of(part.Look.View.Number, id))).ToHashSet() is { Count: > 0 } left
                ? part with { Composed = part.Composed.Without(left) }
                : part),
        ];
    }

    /// <summary>A step of a damage, by its identifier in the whole plan.</summary>
    private sealed record Place(int Number, string Id);

    /// <summary>A step that damages have alike: kept with one of them, and done there for the others.</summary>
    private sealed record Shared(Place Host, IReadOnlyList<Place> Others);

    /// <value>The damages, each without what is done with another.</value>
    public IReadOnlyList<Part> Parts { get; }

    /// <summary>What is done once for some damages, each composed for itself or with the cups that it shares.</summary>
    /// <param name="parts">The damages in order.</param>
    public static DoneOnce In(IReadOnlyList<Part> parts)
    {
        List<Shared> alike = parts.Count < 2 ? [] : [.. Alike(parts)];
        return new DoneOnce(parts, alike.Count == 0 || HasAnOrder(parts, Kept(alike)) ? alike : Possible(parts, alike));
    }

    /// <summary>The steps, with what is done once waiting for all damages, and what follows it in each waiting for it.</summary>
    /// <param name="steps">The steps of <see cref="Parts"/>.</param>
    public IReadOnlyList<PlanStep> Joined(IReadOnlyList<PlanStep> steps) =>
        _parts.Count < 2 ? steps : [.. steps.Select(step => Awaiting(_turned.Contains(step.Id) ? OneSideUp.Turned(_parts.First(part => part.Look.View.Number == step.Damage), step) : step))];

    private PlanStep Awaiting(PlanStep step)
    {
        List<string> after = [.. step.Timing.After ?? [], .. _after[step.Id], .. _turnings[step.Id].Where(turning => turning.Firm is null).Select(turning => turning.Before)];
        List<Firm> firm = [.. _turnings[step.Id].Select(turning => turning.Firm).OfType<Firm>()];
        return step with
        {
            Timing = step.Timing with
            {
                After = after.Count > 0 ? after : null,
                Also = _also.Contains(step.Id) ? [.. _also[step.Id]] : step.Timing.Also,
                WhenFirm = firm.Count > 0 ? firm : null,
            },
        };
    }

    /// <summary>Those that can be done once together. Two that damages do in opposite order would wait for each other: the later of them stays with each.</summary>
    private static List<Shared> Possible(IReadOnlyList<Part> parts, IReadOnlyList<Shared> alike)
    {
        var taken = new List<Shared>();
        foreach (var shared in alike)
        {
            if (HasAnOrder(parts, Kept([.. taken, shared])))
            {
                taken.Add(shared);
            }
        }

        return taken;
    }

    /// <summary>The steps of the whole item that two damages or more have alike, in the order of the first damage that has them.</summary>
    private static IEnumerable<Shared> Alike(IReadOnlyList<Part> parts)
    {
        // Where one has to be watched for longer than the others, all are watched with it.
        var longest = parts.OrderByDescending(part => part.Composed.Composition.Steps.Max(step => step.Timing.Wait is { Kind: WaitKind.Pressure } wait ? wait.OpensMin.CureMin : 0)).ThenBy(part => part.Look.View.Number);
        return longest.SelectMany(OfTheWholeItem).GroupBy(each => each.Words, each => each.Place)
            .Select(alike => alike.DistinctBy(place => place.Number).ToList()).Where(alike => alike.Count > 1)
            .Select(alike => new Shared(alike[0], alike[1..]));
    }

    /// <summary>The steps of a damage that are for the whole item, none of which has to follow straight on another.</summary>
    private static IEnumerable<(Place Place, string Words)> OfTheWholeItem(Part part)
    {
        var steps = part.Composed.Composition.Steps;
        for (var i = 0; i < steps.Count; i++)
        {
            if (IsOfTheWholeItem(steps[i]) && !steps[i].Timing.FollowsOn && steps.ElementAtOrDefault(i + 1)?.Timing.FollowsOn != true && !IsSetByHand(part, RunRound(steps, i)))
            {
                yield return (new Place(part.Look.View.Number, Numbering.Of(part.Look.View.Number, steps[i].Id)), $"{steps[i].Id} {Voice.Plain.Say(steps[i].Title)} {Voice.Plain.Say(steps[i].Instruction)}");
            }
        }
    }

    /// <summary>The steps of the whole item that stand next to one another round a step: what is set by hand for one of them concerns all.</summary>
    private static List<PlanStep> RunRound(IReadOnlyList<PlanStep> steps, int at) =>
        [.. steps.Take(at).Reverse().TakeWhile(IsOfTheWholeItem), .. steps.Skip(at).TakeWhile(IsOfTheWholeItem)];

    /// <summary>Whether a step is for the item as a whole, and not for one of its damages.</summary>
    public static bool IsOfTheWholeItem(PlanStep step) => step.Proof is { } proof ? ProofTest.All[proof].WholeItem : WholeItem.Contains(step.Id);

    /// <summary>Whether a figure of some steps was set by hand for this damage: then they are its own.</summary>
    private static bool IsSetByHand(Part part, IReadOnlyList<PlanStep> steps) =>
        part.Look.View.Overrides.Any(each => steps.Any(step => step.Figures.Contains(each.Figure)));

    /// <summary>For each step that is done with another damage, the one that it is done in.</summary>
    private static Dictionary<string, string> Kept(IReadOnlyList<Shared> shared) =>
        shared.SelectMany(each => each.Others.Select(other => (Left: other.Id, Kept: each.Host.Id))).ToDictionary(each => each.Left, each => each.Kept);

    private static Place PlaceOf(string id) => new(Numbering.Parse(id).Number, id);

    /// <summary>The steps of a damage in its order, each where it is done.</summary>
    private static List<Place> Chain(Part part, Dictionary<string, string> kept) =>
    [
        .. part.Composed.Composition.Steps.Select(step => Numbering.Of(part.Look.View.Number, step.Id)).Select(id => PlaceOf(kept.GetValueOrDefault(id, id))),
    ];

    /// <summary>What comes before what: as each damage has it, once the item is dry, and as it may be blown up.</summary>
    private static IEnumerable<(Place Before, Place After)> AsItIsDone(IReadOnlyList<Part> parts, Dictionary<string, string> kept) =>
        parts.Count < 2 ? [] : parts.Select(part => Chain(part, kept)).SelectMany(chain => chain.Zip(chain.Skip(1))).Concat(OnceItIsDry(parts, kept)).Concat(BeforeItIsBlownUp(parts, kept));

    /// <summary>
    /// What dries, dries before anything is cut or closed at another damage: what is closed keeps the water in, what is taken off or put on
    /// spoils the weighing, and what is rinsed wets all of it. Common practice.
    /// </summary>
    private static IEnumerable<(Place Before, Place After)> OnceItIsDry(IReadOnlyList<Part> parts, Dictionary<string, string> kept)
    {
        var lanes = parts.Select(part => (Part: part, Chain: Chain(part, kept))).ToList();
        return lanes.SelectMany(lane => lane.Chain.Where(IsDrying)).Distinct()
            .SelectMany(dry => lanes.Where(lane => !lane.Chain.Contains(dry)).Select(lane => (dry, First: FirstOfItsOwn(lane.Part, lane.Chain))))
            .Where(each => each.First is not null).Select(each => (each.dry, each.First!));
    }

    /// <summary>The first step at a damage itself, once it is dry where it was wet.</summary>
    private static Place? FirstOfItsOwn(Part part, List<Place> chain) =>
        chain.Zip(part.Composed.Composition.Steps).Skip(chain.FindIndex(IsDrying) + 1).FirstOrDefault(each => !IsOfTheWholeItem(each.Second)).First;

    private static bool IsDrying(Place place) => Numbering.Parse(place.Id).Id == Drying.StepId;

    /// <summary>
    /// Whatever else is done to an item that holds air is over before it is blown up: what is glued slides or blows off, what is let down
    /// spoils the test. Two damages that are blown up apart only wait for each other's glue. Common practice.
    /// </summary>
    private static IEnumerable<(Place Before, Place After)> BeforeItIsBlownUp(IReadOnlyList<Part> parts, Dictionary<string, string> kept)
    {
        var chains = parts.Select(part => Chain(part, kept)).ToList();
        return chains.SelectMany(chain => chain).Where(IsBlowingUp).Distinct()
            .SelectMany(blown => chains.Where(chain => !chain.Contains(blown)).Select(chain => (Open: chain.TakeWhile(place => !IsBlowingUp(place)).LastOrDefault(), blown)))
            .Where(each => each.Open is not null).Select(each => (each.Open!, each.blown));
    }

    private static bool IsBlowingUp(Place place) => Numbering.Parse(place.Id).Id == HoldTest.InflateStep;

    /// <summary>Whether all steps can be done one after another, each once: nothing waits for itself.</summary>
    private static bool HasAnOrder(IReadOnlyList<Part> parts, Dictionary<string, string> kept)
    {
        var order = AsItIsDone(parts, kept).Select(each => (Before: each.Before.Id, After: each.After.Id)).Concat(OneSideUp.Of(parts).Select(turning => (turning.Before, turning.After))).Distinct().ToList();
        var (next, awaited) = (order.ToLookup(each => each.Before, each => each.After), order.CountBy(each => each.After).ToDictionary());
        var ready = new Queue<string>(order.Select(each => each.Before).Where(id => !awaited.ContainsKey(id)).Distinct());
        while (ready.TryDequeue(out var done))
        {
            foreach (var id in next[done])
            {
                awaited[id]--;
                if (awaited[id] == 0)
                {
                    ready.Enqueue(id);
                }
            }
        }

        return awaited.Values.All(count => count == 0);
    }
}
