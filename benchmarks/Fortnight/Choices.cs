using AbleMend.Core.Cases;
using AbleMend.Core.Days;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;

namespace AbleMend.Benchmarks.Fortnight;

/// <summary>Takes what the plan of the days says, made anew whenever something has happened.</summary>
internal sealed class ByPlan : IChoose
{
    private readonly HashSet<(int Item, int Damage)> _foreseen = [];
    private DaysPlan? _plan;
    private string _from = "";

    public Taken? Next(int person, IReadOnlyList<Item> items, Planner planner, ShopFloor floor, BenchFacts bench, DateTimeOffset now)
    {
        var open = items.Where(item => item.ReadyAt is null).ToList();
        var from = string.Join(',', open.Select(item => $"{item.Id}.{item.Mend?.Events.Count}"));
        if (_plan is null || _from != from || _plan.Blocks.Any(block => block.StartsAt <= now.AddMinutes(-5) && block.EndsAt <= now))
        {
            var asked = 0;
            _plan = new ShopDays(floor, bench).Plan([.. open.Select(item => ToPlan(item, planner, now))], now, () => asked++ / 60.0, _plan);
            _from = from;
        }

        var busy = open.Where(item => item.BusyUntil > now).Select(item => item.Id).ToHashSet();
        if (_plan.Blocks.FirstOrDefault(block => block.Person == person && block.StartsAt <= now && !busy.Contains(block.Mend)) is not { } next)
        {
            return null;
        }

        var item = open.First(item => item.Id == next.Mend);
        return new Taken(item, FrontOf(item, next, now), next.Titles.Count, WasForeseen(next));
    }

    /// <summary>Whether the plan that opened the window of a stretch said that it would be missed; what the plan of now says of the next one is remembered.</summary>
    private bool WasForeseen(DayBlock begun)
    {
        var damage = Numbering.Parse(begun.StepId).Number;
        var was = _foreseen.Remove((begun.Mend, damage));
        if (_plan!.Blocks.Where(block => block.Mend == begun.Mend && block.StartsAt >= begun.EndsAt && Numbering.Parse(block.StepId).Number == damage).MinBy(block => block.StartsAt)?.Missed == true)
        {
            _foreseen.Add((begun.Mend, damage));
        }

        return was;
    }

    /// <summary>The step that is next or waited for in the damage of a stretch.</summary>
    private static string? FrontOf(Item item, DayBlock block, DateTimeOffset now) =>
        item.Mend?.StateAt(now).Fronts.FirstOrDefault(front => front.Damage == Numbering.Parse(block.StepId).Number)?.StepId;

    private static MendToPlan ToPlan(Item item, Planner planner, DateTimeOffset now)
    {
        if (item.Mend is { } mend)
        {
            // Whoever has it in hand has it until they are done.
            var running = MendToPlan.Running(item.Id, mend, item.DueAt, now);
            return item.BusyUntil > now ? running with { Wish = new DayWish(item.BusyUntil) } : running;
        }

        var asked = item.Case with { Wanted = item.Case.Wanted with { StartAt = now } };
        return MendToPlan.Draft(item.Id, asked, planner.Plan(asked).Value!, item.DueAt);
    }
}

/// <summary>Takes the oldest item that hands can go on with and that the room takes, and does what comes until it has to wait.</summary>
internal sealed class FirstCome : IChoose
{
    public Taken? Next(int person, IReadOnlyList<Item> items, Planner planner, ShopFloor floor, BenchFacts bench, DateTimeOffset now)
    {
        foreach (var item in items.Where(item => item.ReadyAt is null && item.BusyUntil <= now))
        {
            var others = items.Where(other => other != item && other.ReadyAt is null);
            if (item.Mend is null)
            {
                var first = Run(planner.Plan(item.Case with { Wanted = item.Case.Wanted with { StartAt = now } }).Value!.Steps.Where(step => step.Damage == 1));
                if (Room.Takes(first, others, floor, now))
                {
                    return new Taken(item, null, first.Count);
                }

                continue;
            }

            var state = item.Mend.StateAt(now);
            var done = state.Steps.Where(each => each.Phase == StepPhase.Done).Select(each => each.StepId).ToHashSet();
            foreach (var front in state.Fronts)
            {
                var free = front.Phase == StepPhase.Next ? front.WaitsFor is null : front.Phase == StepPhase.Waiting && front.Window?.OpensAt <= now;
                if (free)
                {
                    var lane = item.Mend.Plan!.Steps.Where(step => step.Damage == front.Damage).SkipWhile(step => step.Id != front.StepId).Skip(front.Phase == StepPhase.Waiting ? 1 : 0).Where(step => !done.Contains(step.Id));
                    var run = Run(lane);
                    if (run.Count == 0 || Room.Takes(run, others, floor, now))
                    {
                        return new Taken(item, front.StepId, run.Count);
                    }
                }
            }
        }

        return null;
    }

    /// <summary>Steps up to the first wait, or to one that waits for another damage.</summary>
    private static IReadOnlyList<PlanStep> Run(IEnumerable<PlanStep> steps)
    {
        var run = new List<PlanStep>();
        foreach (var step in steps)
        {
            if (run.Count > 0 && step.Timing.Awaits().Any())
            {
                break;
            }

            run.Add(step);
            if (step.Timing.Wait is not null)
            {
                break;
            }
        }

        return run;
    }
}
