using AbleMend.Core.Curing;
using AbleMend.Core.Plans;
using AbleMend.Core.Timing;

namespace AbleMend.Core.Running;

/// <summary>The paces that a run has been told, and what they make of its waits.</summary>
internal sealed class PacesLearnt
{
    private readonly Dictionary<string, LearntPace?> _told;

    /// <summary>The newest word on each material among what stands, and what the plan knew of the others.</summary>
    /// <param name="planned">What the plan knew, or null.</param>
    /// <param name="standing">What stands, in order.</param>
    public PacesLearnt(IReadOnlyList<LearntPace>? planned, IReadOnlyList<RunEvent> standing)
    {
        _told = (planned ?? []).ToDictionary(pace => pace.Material, pace => (LearntPace?)pace);
        foreach (var each in standing.Where(each => each.Kind == RunEventKind.Pace && each.Text is not null))
        {
            _told[each.Text!] = each.Pace;
        }
    }

    /// <summary>What is known of a material; null for nothing.</summary>
    public LearntPace? Of(string material) => _told.GetValueOrDefault(material);

    /// <summary>A wait as it runs at what is known now.</summary>
    public StepWait At(StepWait wait) =>
        wait.Material is { } material && _told.TryGetValue(material, out var pace) ? wait.At(pace is { Counts: true } ? pace.Rate : 1) : wait;

    /// <summary>The time of a step at what is known now.</summary>
    public StepTiming At(StepTiming timing) => timing.Wait is { } wait && _told.Count > 0 ? timing with { Wait = At(wait) } : timing;

    /// <summary>A damage's last cure at what is known now: full properties come no sooner than its label says.</summary>
    public PlannedDamage At(PlannedDamage damage) =>
        damage is { LastCure: { } cure, System.Material: { } material } && _told.TryGetValue(material, out var pace)
            ? damage with { LastCure = cure with { Clock = cure.Clock with { Pace = pace is { Counts: true } ? Math.Min(1, pace.Rate) : 1 } } }
            : damage;

    /// <summary>What touch has taught of a window.</summary>
    /// <param name="wait">The wait as it was planned.</param>
    /// <param name="from">When it began to count.</param>
    /// <param name="climate">The air as it was read.</param>
    public PacedWindow? Window(StepWait wait, DateTimeOffset from, Climate climate)
    {
        if (wait.Material is not { } material || Of(material) is not { } pace)
        {
            return null;
        }

        var label = wait.At(1).Clock;
        // What is expected of the next look is as sure as the pace, and as the finger.
        var doubt = 1.645 * Math.Sqrt((pace.Spread * pace.Spread) + (LearntPace.FingerDeviation * LearntPace.FingerDeviation));
        DateTimeOffset? At(double rate) => (label with { Pace = rate }).TryFindReached(wait.OpensMin, from, climate);
        return new PacedWindow(material, pace.Rate, pace.Least, pace.Most, pace.Looks, pace.Counts, At(1), At(pace.Rate * Math.Exp(doubt)), At(pace.Rate * Math.Exp(-doubt)),
            pace.Counts && pace.Rate > 1 && wait.Kind is WaitKind.Hold or WaitKind.Loadable);
    }
}
