using AbleMend.Core;
using AbleMend.Core.Gear;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Triage;

namespace AbleMend.Data;

/// <summary>The words that a mend is found by in the log.</summary>
public static class MendWords
{
    /// <summary>Tag, place, damage, method, materials, verdict, notes: lower case, one line.</summary>
    public static string For(RepairCase repairCase, RepairPlan plan, IEnumerable<RunEvent> events) =>
        string.Join(
            ' ',
            new[]
            {
                repairCase.Item.Tag, repairCase.Item.Construction, repairCase.Damage.Location,
                Kebab<DamageKind>.Id(repairCase.Damage.Kind), plan.System?.MethodName.ToString(), plan.System?.MaterialName.ToString(),
                Kebab<Decision>.Id(plan.Verdict.Decision),
            }
            .Concat(events.Select(each => each.Text))
            .Where(word => !string.IsNullOrWhiteSpace(word)))
        .ToLowerInvariant();
}
