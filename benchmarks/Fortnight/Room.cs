using AbleMend.Core.Days;
using AbleMend.Core.Methods;
using AbleMend.Core.Running;
using AbleMend.Core.Timing;

namespace AbleMend.Benchmarks.Fortnight;

/// <summary>What somebody sees who looks round the shop before they begin: a free clamp, a free place, nothing wet where it will dust, no vapour where it will spark.</summary>
internal static class Room
{
    private static readonly HashSet<WaitKind> Lying = [WaitKind.Hold, WaitKind.Tack, WaitKind.Recoat, WaitKind.Sandable, WaitKind.Light, WaitKind.Flash];
    private static readonly HashSet<WaitKind> Wet = [WaitKind.Tack, WaitKind.Recoat, WaitKind.Light];
    private static readonly HashSet<string> Dusty = ["glass-dust", "resin-dust", "wood-dust", "carbon-dust"];
    private static readonly HashSet<string> Sparking = ["heat-gun", "hot-metal", "grinder"];
    private static readonly HashSet<string> Vapours = ["solvent", "no-flame"];

    /// <summary>Whether there is room for some steps that end in a wait.</summary>
    /// <param name="run">The steps, 1 or more.</param>
    /// <param name="others">The other items of the shop.</param>
    /// <param name="floor">What there is.</param>
    /// <param name="now">The present.</param>
    public static bool Takes(IReadOnlyList<PlanStep> run, IEnumerable<Item> others, ShopFloor floor, DateTimeOffset now)
    {
        var waits = others.Where(item => item.Mend is not null).SelectMany(item => Waits(item.Mend!, now)).ToList();
        var (then, cautions) = (run[^1].Timing.Wait?.Kind, run.SelectMany(step => step.Cautions).ToHashSet());
        var vapours = cautions.Overlaps(Vapours);
        return (then != WaitKind.Hold || waits.Count(kind => kind == WaitKind.Hold) < floor.Clamps)
            && (then is not { } kind || !Lying.Contains(kind) || waits.Count(Lying.Contains) < floor.Places)
            && (!cautions.Overlaps(Dusty) || !waits.Exists(Wet.Contains))
            && (vapours || !cautions.Overlaps(Sparking) || !waits.Contains(WaitKind.Flash));
    }

    private static IEnumerable<WaitKind> Waits(Mend mend, DateTimeOffset now) =>
        mend.StateAt(now).Fronts.Where(front => front is { Phase: StepPhase.Waiting, Window: not null } && (front.Window.OpensAt is not { } opens || opens > now))
            .Select(front => front.Window!.Kind);
}
