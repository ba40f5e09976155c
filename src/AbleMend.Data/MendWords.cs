using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;

namespace AbleMend.Data;

/// <summary>The words that a mend is found by in the log.</summary>
public static class MendWords
{
    /// <summary>Tag, place, damage, method, materials and verdict, in one line.</summary>
    public static string For(RepairCase repairCase, RepairPlan plan) =>
        string.Join(
            ' ',
            new[]
            {
                repairCase.Item.Tag, repairCase.Item.Construction, Kebab<Decision>.Id(plan.Verdict.Decision),
            }
            .Concat(repairCase.Damages.SelectMany(damage => new[] { damage.Seen.Location, Kebab<DamageKind>.Id(damage.Seen.Kind) }))
            .Concat(plan.Damages.SelectMany(damage => new[] { damage.System?.MethodName.ToString(), damage.System?.MaterialName.ToString() }))
            .Where(word => !string.IsNullOrWhiteSpace(word)));

    /// <summary>What somebody wrote while mending it, one thing after another.</summary>
    public static string Written(IEnumerable<RunEvent> events) => string.Join(" … ", events.Where(each => IsWritten(each.Kind)).Select(each => each.Text).Where(text => !string.IsNullOrWhiteSpace(text)));

    /// <summary>Whether the text of an event is somebody's own words, and not the name of a part, an instrument or a material.</summary>
    private static bool IsWritten(RunEventKind kind) => kind is RunEventKind.Note or RunEventKind.Find or RunEventKind.HandBack or RunEventKind.LookedAgain;
}
