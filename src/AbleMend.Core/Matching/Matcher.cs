using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;

namespace AbleMend.Core.Matching;

/// <summary>What counted for a candidate, each 0 (worst) to 5 (best).</summary>
public sealed record Marks(double Fast, double Lasting, double Tidy, double Cheap);

/// <summary>A system of method and resin, ranked for this damage.</summary>
/// <param name="Method">Identifier of the method.</param>
/// <param name="MethodName">Its name.</param>
/// <param name="Material">Identifier of the main material, the one that holds.</param>
/// <param name="MaterialName">Its name.</param>
/// <param name="Why">What speaks for it.</param>
/// <param name="Vetoed">Whether it may not be used.</param>
/// <param name="Findings">What the rules say against it.</param>
/// <param name="MinutesToUse">Minutes from the start until it may go back into use, with waits, tests and hours; null for never.</param>
/// <param name="Permanence">How long it is meant to hold.</param>
/// <param name="Skill">1 forgiving, 2 some practice, 3 demanding.</param>
/// <param name="Marks">Marks that it was ranked by.</param>
/// <param name="Score">Weighted mean of the marks less its cautions, 0 to 5.</param>
public sealed record Candidate(
    string Method,
    Message MethodName,
    string Material,
    Message MaterialName,
    Message Why,
    bool Vetoed,
    IReadOnlyList<Finding> Findings,
    double? MinutesToUse,
    Permanence Permanence,
    int Skill,
    Marks Marks,
    double Score
);

/// <summary>Matches chemistry and method to the damage: vetoes first, then preference.</summary>
public static class Matcher
{
    /// <summary>Marks taken off for each caution.</summary>
    public const double CautionCost = 1.0;

    /// <summary>All systems that fit the damage, best first, the vetoed last.</summary>
    public static IReadOnlyList<Candidate> Rank(CaseView view, IReadOnlyList<IWayOfMending> methods, CancellationToken cancel = default) =>
        [
            .. methods
                .Where(method => method.DoesNotFit(view) is null)
                .SelectMany(method => Judge(view, method, cancel))
                .OrderBy(candidate => candidate.Vetoed)
                .ThenByDescending(candidate => candidate.Score),
        ];

    /// <summary>Marks given to a system that is the default of a question on which practitioners disagree, as long as the technician weighs nothing otherwise.</summary>
    public const double DefaultSchoolBonus = 0.5;

    private static IEnumerable<Candidate> Judge(CaseView view, IWayOfMending method, CancellationToken cancel)
    {
        cancel.ThrowIfCancellationRequested();
        var (times, touched) = (new Dictionary<Material, Times>(ReferenceEqualityComparer.Instance), method.Touches(view));
        return view.Catalogue.MaterialList.Where(material => material.Holds && method.Takes(material)).Select(material => Judge(view, method, material, touched, times)).ToList();
    }

    /// <summary>When a system is ready, and how long hands are on it.</summary>
    private sealed record Times(DateTimeOffset? ReadyAt, double HandsOnMin);

    /// <summary>The times of a system. Products that differ in nothing but their name take the same time, unless touch has taught how fast one of them sets here.</summary>
    private static Times TimesOf(CaseView view, IWayOfMending method, Material material, Dictionary<Material, Times> known)
    {
        if (view.PaceOf(material.Id) is not null)
        {
            return Timed(view, method, material, NothingByHand);
        }

        var alike = view.Catalogue.FirstAlike(material);
        return known.TryGetValue(alike, out var times) ? times : known[alike] = Timed(view, method, material, NothingByHand);
    }

    /// <summary>What was set by hand was set for the system that is planned: it neither lifts it over the others nor drops it.</summary>
    private static readonly IReadOnlyList<Override> NothingByHand = [];

    private static Times Timed(CaseView view, IWayOfMending method, Material material, IReadOnlyList<Override> byHand)
    {
        var timeline = Timeline.Lay(method.Outline(view, material, byHand), view.StartAt, view.Climate, view.Hours, NoActuals);
        return new Times(Timeline.ReadyAt(timeline), timeline.Sum(each => (each.HandsEndAt - each.StartsAt)?.TotalMinutes ?? 0));
    }

    /// <summary>Those that were ranked, the one that is planned with the time that it takes by what was set by hand for it.</summary>
    /// <param name="view">The case.</param>
    /// <param name="ranked">Those that were ranked.</param>
    /// <param name="method">The method that is planned.</param>
    /// <param name="material">The material that it is planned with.</param>
    internal static IReadOnlyList<Candidate> AsPlanned(CaseView view, IReadOnlyList<Candidate> ranked, IWayOfMending method, Material material) =>
        view.Overrides.Count == 0 ? ranked
            : [.. ranked.Select(each => (each.Method, each.Material) == (method.Id, material.Id) ? each with { MinutesToUse = Minutes(view, Timed(view, method, material, view.Overrides).ReadyAt) } : each)];

    private static double? Minutes(CaseView view, DateTimeOffset? readyAt) => (readyAt - view.StartAt)?.TotalMinutes;

    private static Candidate Judge(CaseView view, IWayOfMending method, Material resin, IReadOnlyList<ReachedLayer> touched, Dictionary<Material, Times> known)
    {
        // Chemistry first: what is vetoed by it is not worth a timeline.
        var chemistry = Look(view, new SystemUnderTest(method, resin, view, touched, null), rule => rule.IsChemistry);
        if (chemistry.Any(finding => finding.Weight == Weight.Veto))
        {
            return new Candidate(method.Id, Message.Parse(method.Name), resin.Id, Message.Parse(resin.Name), Message.Parse(method.Why), true, chemistry, null, method.Permanence,
                Math.Max(method.Skill, resin.Skill), new Marks(0, 0, 0, 0), 0);
        }

        var (ready, handsOn) = TimesOf(view, method, resin, known);
        var system = new SystemUnderTest(method, resin, view, touched, ready);
        List<Finding> findings = [.. chemistry, .. Look(view, system, rule => !rule.IsChemistry)];
        var minutes = Minutes(view, ready);
        var marks = new Marks(FastMark(minutes, handsOn), method.Permanence == Permanence.Lasting ? 5 : 1.5, method.Tidiness, 6 - resin.Cost);
        var cautions = findings.Count(finding => finding.Weight != Weight.Veto);
        return new Candidate(
            method.Id,
            Message.Parse(method.Name),
            resin.Id,
            Message.Parse(resin.Name),
            Message.Parse(method.Why),
            findings.Any(finding => finding.Weight == Weight.Veto),
            findings,
            minutes,
            method.Permanence,
            Math.Max(method.Skill, resin.Skill),
            marks,
            Math.Clamp(Mean(marks, view.Case.Wanted) - (cautions * CautionCost) + (IsDefaultSchool(view, method, resin) ? DefaultSchoolBonus : 0), 0, 5));
    }

    private static List<Finding> Look(CaseView view, SystemUnderTest system, Func<MatchRule, bool> which) =>
        [.. view.Catalogue.Rules.Where(which).SelectMany(rule => rule.Look(system))];

    private static bool IsDefaultSchool(CaseView view, IWayOfMending method, Material material) =>
        view.Case.Wanted.Permanence == Permanence.Lasting && (view.Case.Wanted.Weights ?? UsualWeights) == UsualWeights && view.Catalogue.SchoolList.Any(school => school.Options.Any(option =>
            option.Id == school.Default
            && (option.Method ?? option.Material) is not null
            && (option.Method ?? method.Id) == method.Id
            && (option.Material ?? material.Id) == material.Id));

    private static readonly Dictionary<string, Actual> NoActuals = [];

    private static readonly Weights UsualWeights = new();

    /// <summary>
    /// The mean of two marks: time to water, 5 for an hour and one less for each fourfold; and work by hand, 5 for a
    /// quarter of an hour and one less for each twofold.
    /// </summary>
    private static double FastMark(double? minutes, double handsOnMin) =>
        minutes is { } some
            ? (Math.Clamp(5 - Math.Log(Math.Max(some, 60) / 60, 4), 0, 5) + Math.Clamp(5 - Math.Log2(Math.Max(handsOnMin, 15) / 15), 0, 5)) / 2
            : 0;

    /// <summary>Weighted mean of the marks. For a mend for now, lasting does not count and fast counts twice.</summary>
    private static double Mean(Marks marks, Wanted wanted)
    {
        var weights = wanted.Weights ?? new Weights();
        var forNow = wanted.Permanence == Permanence.ForNow;
        double fast = forNow ? 2 * weights.Fast : weights.Fast;
        double lasting = forNow ? 0 : weights.Lasting;
        var sum = fast + lasting + weights.Tidy + weights.Cheap;
        return sum == 0
            ? 0
            : ((marks.Fast * fast) + (marks.Lasting * lasting) + (marks.Tidy * weights.Tidy) + (marks.Cheap * weights.Cheap)) / sum;
    }
}
