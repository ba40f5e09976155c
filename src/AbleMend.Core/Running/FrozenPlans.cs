using System.Text.Json;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Running;

/// <summary>A frozen plan that follows what was worked out anew: only what differs by that takes its place, words and figures alike.</summary>
internal static class FrozenPlans
{
    /// <summary>The frozen plan with what differs between two others; what is the same in both stays as it was frozen.</summary>
    /// <param name="frozen">The frozen plan.</param>
    /// <param name="before">The case as it was planned before, anew.</param>
    /// <param name="after">The case as it is planned now.</param>
    /// <param name="stays">Figures, by their identifiers, that stay whatever differs, for they are in a cup already; null for none.</param>
    /// <param name="isPast">Whether a step, by its identifier, stays whatever differs; null for none.</param>
    public static RepairPlan Following(this RepairPlan frozen, RepairPlan before, RepairPlan after, IReadOnlySet<string>? stays = null, Func<string, bool>? isPast = null) => frozen with
    {
        Figures = Following(frozen.Figures, before.Figures, after.Figures, figure => figure.Id, figure => stays?.Contains(figure) == true),
        Steps = Following(frozen.Steps, before.Steps, after.Steps, step => step.Id, isPast ?? (_ => false)),
        Warnings = Following(frozen.Warnings, before.Warnings, after.Warnings, Written, _ => false),
    };

    private static List<T> Following<T>(IReadOnlyList<T> frozen, IReadOnlyList<T> before, IReadOnlyList<T> after, Func<T, string> key, Func<string, bool> stays)
    {
        var (was, becomes, stood) = (before.ToDictionary(key), after.ToDictionary(key), frozen.Select(key).ToHashSet());
        var all = frozen.Where(each => stays(key(each)) || becomes.ContainsKey(key(each)) || !was.ContainsKey(key(each)))
            .Select(each => !stays(key(each)) && becomes.TryGetValue(key(each), out var then) && (!was.TryGetValue(key(each), out var old) || Written(old) != Written(then)) ? then : each).ToList();
        for (var i = 0; i < after.Count; i++)
        {
            if (!was.ContainsKey(key(after[i])) && !stood.Contains(key(after[i])))
            {
                // It stands after what it stands after where it comes from, so that what is taken back is where it was.
                all.Insert(after.Take(i).Reverse().Select(each => all.FindIndex(one => key(one) == key(each))).FirstOrDefault(place => place >= 0, -1) + 1, after[i]);
            }
        }

        return all;
    }

    private static string Written<T>(T value) => JsonSerializer.Serialize(value, OpenJson.Options);
}
