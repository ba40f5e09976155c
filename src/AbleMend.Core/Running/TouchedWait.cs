using AbleMend.Core.Curing;

namespace AbleMend.Core.Running;

/// <summary>What touch said of one wait of a run.</summary>
/// <param name="Material">Identifier of the material that was waited for.</param>
/// <param name="StepId">The step that it was the wait of.</param>
/// <param name="Since">When its hands ended: a wait that is begun anew is another.</param>
/// <param name="Number">Number of the newest event that it was taken from.</param>
/// <param name="Look">What it says of the pace.</param>
public sealed record TouchedWait(string Material, string StepId, DateTimeOffset Since, int Number, PaceLook Look)
{
    /// <summary>Adds a look to those at the same wait: of several, the latest that found it not ready and the earliest that found it ready tell most.</summary>
    internal static void Add(List<TouchedWait> touched, TouchedWait next)
    {
        if (touched.FindIndex(each => each.StepId == next.StepId && each.Since == next.Since) is >= 0 and var at)
        {
            var before = touched[at].Look;
            touched[at] = next with
            {
                Look = before with { NotYetMin = Most(before.NotYetMin, next.Look.NotYetMin), ReadyMin = before.ReadyMin ?? next.Look.ReadyMin, Looks = before.Looks + 1 },
            };
            return;
        }

        touched.Add(next);
    }

    private static double? Most(double? one, double? other) => one is { } first && other is { } second ? Math.Max(first, second) : one ?? other;
}
