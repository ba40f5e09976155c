namespace AbleMend.Core.Days;

/// <summary>Looks a plan of the days over slot for slot, without anything that made it.</summary>
public static class DayCheck
{
    /// <summary>Everything that is wrong with a plan; empty when nothing is.</summary>
    /// <param name="problem">What was to be planned.</param>
    /// <param name="plan">Where each job stands.</param>
    /// <returns>Faults in words for whoever mends the program.</returns>
    public static IReadOnlyList<string> Faults(DayProblem problem, IReadOnlyList<Placed> plan)
    {
        var faults = new List<string>();
        var hands = new int[problem.People.Count, problem.Slots];
        var shared = new int[problem.Capacities.Count, problem.Slots];
        var (airs, ran) = (new Airs[problem.Slots], new Airs[problem.Slots]);
        var standing = new int[problem.Capacities.Count, problem.Slots];
        foreach (var running in problem.Running)
        {
            for (var slot = 0; slot < Math.Min(running.Until, problem.Slots); slot++)
            {
                ran[slot] |= running.Airs;
                foreach (var hold in running.Holds)
                {
                    standing[hold.Resource, slot] += hold.Amount;
                }
            }
        }

        for (var j = 0; j < problem.Jobs.Count; j++)
        {
            var job = problem.Jobs[j].As(plan[j]);
            for (var k = 0; k < job.Stretches.Count; k++)
            {
                var (stretch, start, who) = (job.Stretches[k], plan[j].Starts[k], plan[j].People[k]);
                var name = $"stretch {k} of job {j}";
                Faulty(faults, name, problem, job, plan[j], k);
                for (var slot = start; slot < start + stretch.Work && slot < problem.Slots; slot++)
                {
                    hands[who, slot]++;
                    airs[slot] |= stretch.Hands;
                }

                var over = Math.Min(stretch.Over.At(start + stretch.OverOffset), problem.Slots);
                for (var slot = start + stretch.Work; slot < over; slot++)
                {
                    airs[slot] |= stretch.Waits;
                }

                var until = stretch.HeldUntil >= 0 ? plan[j].Starts[stretch.HeldUntil] : over;
                foreach (var hold in stretch.Holds)
                {
                    for (var slot = start; slot < until; slot++)
                    {
                        shared[hold.Resource, slot] += hold.Amount;
                    }
                }
            }
        }

        for (var slot = 0; slot < problem.Slots; slot++)
        {
            for (var who = 0; who < problem.People.Count; who++)
            {
                if (hands[who, slot] > (problem.People[who].There[slot] ? 1 : 0))
                {
                    faults.Add($"person {who} has {hands[who, slot]} things in hand in slot {slot}");
                }
            }

            for (var resource = 0; resource < problem.Capacities.Count; resource++)
            {
                // What stands there already stands there, however few places the shop says that it has.
                if (shared[resource, slot] > Math.Max(0, problem.Capacities[resource] - standing[resource, slot]))
                {
                    faults.Add($"{shared[resource, slot]} beside {standing[resource, slot]} of resource {resource} are taken in slot {slot}");
                }
            }

            faults.AddRange(DayProblem.Apart.Where(pair => Meet(airs[slot], ran[slot], pair) || Meet(ran[slot], airs[slot], pair) || Meet(airs[slot], airs[slot], pair)).Select(pair => $"{pair.One} meets {pair.Other} in slot {slot}"));
        }

        return faults;
    }

    private static bool Meet(Airs one, Airs other, (Airs One, Airs Other) pair) => one.HasFlag(pair.One) && other.HasFlag(pair.Other);

    private static void Faulty(List<string> faults, string name, DayProblem problem, DayJob job, Placed placed, int k)
    {
        var (stretch, start, who) = (job.Stretches[k], placed.Starts[k], placed.People[k]);
        if (start < stretch.NotBefore || start + stretch.Work > problem.Slots)
        {
            faults.Add($"{name} begins in slot {start}, outside of {stretch.NotBefore} to {problem.Slots}");
        }

        if (stretch.NotBy.Contains(who) || (stretch.Person >= 0 ? who != stretch.Person : problem.People[who].Skill < stretch.Skill))
        {
            faults.Add($"{name} is done by person {who}, who may not");
        }

        faults.AddRange(stretch.Lags.Where(lag => lag.Opens.At(placed.Starts[lag.From] + lag.Offset) > start).Select(lag => $"{name} begins before the wait after stretch {lag.From} is over"));
        faults.AddRange(Enumerable.Range(0, k).Where(other => placed.Starts[other] < start + stretch.Work && start < placed.Starts[other] + job.Stretches[other].Work).Select(other => $"{name} is done while stretch {other} is"));
    }

    /// <summary>What a plan is worth.</summary>
    public static DayScore Score(DayProblem problem, IReadOnlyList<Placed> plan) =>
        problem.Jobs.Select((job, j) => Score(job, plan[j])).Aggregate(new DayScore(0, 0, 0), (all, each) => all.And(each));

    /// <summary>What one job's place is worth.</summary>
    public static DayScore Score(DayJob job, Placed placed)
    {
        var (missed, end) = (0, 0);
        var stretches = job.As(placed).Stretches;
        for (var k = 0; k < stretches.Count; k++)
        {
            var (stretch, start) = (stretches[k], placed.Starts[k]);
            end = Math.Max(end, Math.Max(start + stretch.Work, stretch.Over.At(start + stretch.OverOffset)));
            missed += start > stretch.LastStart ? 1 : 0;
            foreach (var lag in stretch.Lags)
            {
                missed += lag.Closes is { } closes && closes.At(placed.Starts[lag.From] + lag.Offset) < start ? 1 : 0;
            }
        }

        return new DayScore(missed, (long)job.Weight * Math.Max(0, end - (long)job.Due), end);
    }
}
