using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Running;
using AbleMend.Core.Words;

namespace AbleMend.Data;

/// <summary>What the log tells of a closed mend without its case and plan being read, told by the first of its damages.</summary>
/// <param name="Decision">What was decided.</param>
/// <param name="Construction">Construction of the item.</param>
/// <param name="Damage">The first damage.</param>
/// <param name="MethodName">How it was mended, or null.</param>
/// <param name="MaterialName">With what, or null.</param>
/// <param name="Words">What was told when it was handed back, else why it was sent on; null for nothing.</param>
/// <param name="Damages">How many damages.</param>
/// <param name="Held">Whether it has held; null where nobody has looked.</param>
public sealed record LogLine(Decision Decision, string Construction, Damage Damage, Message? MethodName, Message? MaterialName, Message? Words, int Damages, Held? Held = null)
{
    /// <summary>The line of a mend that has a plan.</summary>
    public static LogLine Of(Mend mend)
    {
        var (repairCase, plan) = (mend.Case, mend.Plan!);
        return new LogLine(
            plan.Verdict.Decision, repairCase.Item.Construction, repairCase.Damages[0].Seen, plan.Damages[0].System?.MethodName, plan.Damages[0].System?.MaterialName,
            Said(mend) ?? plan.Verdict.Reasons.FirstOrDefault(reason => reason.Decides)?.Text, repairCase.Damages.Count, mend.Held);
    }

    /// <summary>What was told when it was handed back: somebody's own words, which no language file changes.</summary>
    private static Message? Said(Mend mend) =>
        mend.Events.LastOrDefault(each => each.Kind == RunEventKind.HandBack)?.Text is { } text ? (Message)$"{text:as-is}" : null;
}

/// <summary>A damage that was found on an item.</summary>
/// <param name="At">When.</param>
/// <param name="Place">Where, in somebody's words.</param>
public sealed record FoundPlace(DateTimeOffset At, string Place);
