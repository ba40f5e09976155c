using System.Text.Json.Serialization;
using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Words;

namespace AbleMend.Core.Triage;

/// <summary>Why.</summary>
/// <param name="Code">Stable code of the rule.</param>
/// <param name="Text">Reason in words of the trade.</param>
/// <param name="Decides">Whether it decided, or only wants to be known.</param>
/// <param name="Source">Where the rule comes from.</param>
public sealed record Reason(string Code, Message Text, bool Decides, Message Source);

/// <summary>The verdict with its reasons.</summary>
/// <param name="Decision">What to do.</param>
/// <param name="Reasons">Why, the deciding ones first.</param>
public sealed record Verdict(Decision Decision, IReadOnlyList<Reason> Reasons)
{
    /// <value>Whether it is mended here.</value>
    [JsonIgnore]
    public bool MendedHere => Decision is Decision.Mend or Decision.MendForNow;
}

/// <summary>Mend, mend for now, warranty, refer or retire, by the rules of the catalogue.</summary>
public static class TriageDesk
{
    private const string Practice = "Common practice, no source.";

    /// <summary>The refusal of what is never mended, whatever else is said of it; null where nothing forbids a mend outright.</summary>
    /// <param name="construction">Construction of the item.</param>
    /// <param name="location">Where it is hurt, or null where that is not known.</param>
    public static Verdict? RefuseOutright(Construction construction, Location? location) =>
        construction.Refuse is { } whole ? Refused("never-mended", whole)
        : location?.Refuse is { } place ? Refused("place-refused", place)
        : null;

    /// <value>The verdict of a damage that nobody had to look at, for another of the same item forbids the mend.</value>
    public static Verdict Unjudged { get; } = new(Decision.Mend, []);

    /// <summary>What to do with an item of several damages: what the gravest asks for, with everything that is to be known of the others.</summary>
    public static Verdict Gravest(IReadOnlyList<Verdict> verdicts)
    {
        var gravest = verdicts.MaxBy(verdict => verdict.Decision)!;
        return new Verdict(
            gravest.Decision,
            [
                .. verdicts.SelectMany(verdict => verdict.Reasons.Select(reason => reason with { Decides = reason.Decides && verdict.Decision == gravest.Decision }))
                    .DistinctBy(reason => (reason.Code, reason.Text))
                    .OrderByDescending(reason => reason.Decides),
            ]);
    }

    private static Verdict Refused(string code, string why) => new(Decision.Refuse, [new Reason(code, Message.Parse(why), true, Practice)]);

    /// <summary>Judges a case.</summary>
    public static Verdict Judge(CaseView view)
    {
        if (RefuseOutright(view.Construction, view.Location) is { } refused)
        {
            return refused;
        }

        var applying = view.Catalogue.Triage.Where(rule => rule.When.Any(signs => Signs.Show(signs, view))).ToList();
        var deciding = applying.FirstOrDefault(rule => rule.Decision is not null);
        // What is never mended needs no advice on how: nobody does its mate in the same way.
        var advised = deciding?.Decision is not (Decision.Refuse or Decision.Retire);
        return deciding?.Decision is not (Decision.Refuse or Decision.Retire or Decision.Refer) && Unfamiliar.Judge(view) is { } unfamiliar ? unfamiliar : new Verdict(
            deciding?.Decision ?? Decision.Mend,
            [
                .. applying
                    .Where(rule => (rule.Decision is null && advised) || rule == deciding)
                    .OrderByDescending(rule => rule == deciding)
                    .Select(rule => new Reason(rule.Id, Message.Parse(rule.Text, Signs.Seen(view)), rule == deciding, Message.Parse(rule.Source))),
            ]);
    }
}
