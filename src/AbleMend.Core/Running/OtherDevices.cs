using AbleMend.Core.Cases;
using AbleMend.Core.Methods;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Running;

/// <summary>
/// Another device for a mend that is under way: a scale goes flat, a syringe is found. What is still to be mixed is planned anew for it, and
/// what is in a cup already stays as it was poured.
/// </summary>
internal static class OtherDevices
{
    /// <summary>Why nothing else can be measured with now; null where it can.</summary>
    /// <param name="mend">The mend.</param>
    /// <param name="next">Which device is taken.</param>
    /// <param name="planner">Plans it.</param>
    public static Outcome<Mend>? Refuse(Mend mend, RunEvent next, Planner? planner)
    {
        if (next.Device is not { } device)
        {
            return Failed(new Problem("no-device", "device", "Nothing says what is measured with.", "Pick a device."));
        }

        var devices = new DevicesInHand(mend.Case.Tools.Measure, mend.Plan!, Run.Standing(mend.Events));
        var others = mend.Plan!.Steps.Where(step => IsMeasured(step) && devices.Of(step) != device).ToList();
        return device.Fault("device") is { } fault ? Failed(fault)
            : device == devices.Now ? Failed(new Problem("no-change", "device", "It is measured with that already.", "Pick another device."))
            : new DevicesInHand(mend.Case.Tools.Measure, mend.Plan, [.. Run.Standing(mend.Events), next]) is var then && !others.Exists(step => then.Of(step) == device)
                ? Failed(new Problem("not-now", "device", "Nothing is left to be measured: what is in a cup was begun with the other device.", "Fill that cup as it was begun, or throw it out first."))
            : planner?.Plan(With(mend, mend.Plan, device)) is { Problems.Count: > 0 } unplanned ? Outcome<Mend>.Failed(unplanned.Problems)
            : null;
    }

    /// <summary>The plan after something happened: a mix that is measured otherwise than before it has its figures by the device that it is measured with now.</summary>
    /// <param name="mend">The mend before.</param>
    /// <param name="plan">Its plan, as it otherwise goes on.</param>
    /// <param name="after">Its events with the newest.</param>
    /// <param name="planner">Plans it; null where nothing is planned.</param>
    public static RepairPlan PlanAfter(Mend mend, RepairPlan plan, IReadOnlyList<RunEvent> after, Planner? planner)
    {
        if (planner is null || after.All(each => each.Kind != RunEventKind.MeasuredWith))
        {
            return plan;
        }

        var planned = mend.Case.Tools.Measure;
        var (was, now) = (new DevicesInHand(planned, mend.Plan!, Run.Standing(mend.Events)), new DevicesInHand(planned, plan, Run.Standing(after)));
        var mixes = plan.Steps.Where(IsMeasured).Select(mix => (Mix: mix, From: was.Of(mix), To: now.Of(mix))).ToList();
        return mixes.Where(each => each.From != each.To).GroupBy(each => (each.From, each.To)).Aggregate(plan, (frozen, changed) =>
            SmallerCups.Planned(frozen, With(mend, frozen, changed.Key.From), planner) is { } before && SmallerCups.Planned(frozen, With(mend, frozen, changed.Key.To), planner) is { } then
                ? Following(frozen, before, then, [.. changed.Select(each => each.Mix.Id)], [.. mixes.Select(each => each.Mix.Id)])
                : frozen);
    }

    /// <summary>What a hardener is measured for; drops are drops, whatever the resin is measured with.</summary>
    private static bool IsMeasured(PlanStep step) => step.Pour?.Cup?.Ingredients.Any(each => each.Part == MixPart.Hardener) == true;

    private static RepairPlan Following(RepairPlan frozen, RepairPlan before, RepairPlan after, HashSet<string> changed, HashSet<string> measured)
    {
        bool IsAtAnother(PlanStep step) => (measured.Contains(step.Id) || measured.Contains(step.Uses ?? "")) && !changed.Contains(step.Id) && !changed.Contains(step.Uses ?? "");
        var (follow, stay) = (FiguresOf(frozen, changed), FiguresOf(frozen, measured.Except(changed).ToHashSet()));
        var known = after.Figures.Select(figure => figure.Id).ToHashSet();
        var shared = stay.Where(id => follow.Contains(id) && known.Contains(id)).ToHashSet();
        stay.ExceptWith(shared);
        return FactsOfBoth.Apart(frozen, frozen.Following(before, after, stay, frozen.Steps.Where(IsAtAnother).Select(step => step.Id).ToHashSet().Contains), stay, shared);
    }

    /// <summary>The figures of mixes: what is poured, what that rests on, and what rests on it.</summary>
    private static HashSet<string> FiguresOf(RepairPlan plan, IReadOnlySet<string> mixes)
    {
        var poured = plan.Steps.Where(step => mixes.Contains(step.Id)).SelectMany(mix => mix.Figures.Concat(mix.Pour?.Parts ?? [])).ToHashSet();
        var rests = plan.Figures.ToDictionary(figure => figure.Id, figure => figure.Derivation.Inputs);
        return [.. Reached(poured, id => rests.GetValueOrDefault(id) ?? []), .. Reached(poured, id => rests.Where(each => each.Value.Contains(id)).Select(each => each.Key))];
    }

    private static HashSet<string> Reached(IEnumerable<string> from, Func<string, IEnumerable<string>> next)
    {
        var reached = new HashSet<string>();
        var open = new Stack<string>(from);
        while (open.TryPop(out var id))
        {
            if (reached.Add(id))
            {
                foreach (var each in next(id))
                {
                    open.Push(each);
                }
            }
        }

        return reached;
    }

    /// <summary>The case with another device, and with the systems that were taken: nothing is matched anew.</summary>
    private static RepairCase With(Mend mend, RepairPlan plan, MeasuringDevice device) => mend.Case with
    {
        Tools = mend.Case.Tools with { Measure = device },
        Damages = [.. mend.Case.Damages.Select((damage, i) => plan.Damages[i].System is { } system ? damage with { Choice = (damage.Choice ?? new Choice()) with { Method = system.Method, Material = system.Material } } : damage)],
    };

    private static Outcome<Mend> Failed(Problem problem) => Outcome<Mend>.Failed(problem);
}
