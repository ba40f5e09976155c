using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Matching;
using AbleMend.Core.Materials;
using AbleMend.Core.Quantities;
using AbleMend.Core.Triage;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Plans;

/// <summary>Picks the system that is planned out of those that are ranked, by what was chosen and by school.</summary>
internal static class SystemPick
{
    private static readonly Dictionary<string, string> NoSchools = [];

    /// <summary>The system to plan, or why there is none.</summary>
    public static Outcome<Candidate> Of(CaseView view, IReadOnlyList<Candidate> candidates)
    {
        var choice = view.Choice;
        // A school that stands for a method or a material binds only where some system of this damage is of that school.
        var taken = (choice?.Schools ?? NoSchools)
            .Select(pair => view.Catalogue.Schools[pair.Key].Options.First(option => option.Id == pair.Value))
            .Where(option => (option.Method ?? option.Material) is not null)
            .Where(option => candidates.Any(each => Is(option, each)))
            .ToList();
        var wanted = candidates
            .Where(each => choice?.Method is null || each.Method == choice.Method)
            .Where(each => choice?.Material is null || each.Material == choice.Material)
            .Where(each => taken.All(option => Is(option, each)))
            .ToList();
        if (wanted.FirstOrDefault(each => !each.Vetoed) is { } best)
        {
            return Outcome<Candidate>.Of(best);
        }

        var at = $"damages[{view.Number - 1}]";
        var field = choice?.Material is not null ? $"{at}.choice.material" : choice?.Method is not null ? $"{at}.choice.method" : at;
        return Outcome<Candidate>.Failed(
            wanted.Count > 0 ? Vetoed(field, view, wanted[0], candidates)
            : candidates.Count > 0 ? new Problem("system-does-not-fit", field, "This method does not fit this damage, or does not work with this resin.", "Choose another method or resin, or leave the choice open.")
            : NoWay(field, view));
    }

    /// <summary>Nothing that is known mends this here: said as such, with who may know a way, and never as a slip of whoever asks.</summary>
    private static Problem NoWay(string field, CaseView view) =>
        new("no-way-known", field, $"No way of mending this is known here: {DamageNames.Of(view.Damage.Kind)}, {view.Location.Name:inside}, on {view.Construction.Name:inside}.",
            $"Look again at place, kind and depth. If they are right, send it to {Judges.Of(view.Construction.Family)}.");

    /// <summary>Why the best of what was asked for is ruled out, and what would have to change.</summary>
    private static Problem Vetoed(string field, CaseView view, Candidate best, IReadOnlyList<Candidate> candidates)
    {
        var veto = best.Findings.First(finding => finding.Weight == Weight.Veto);
        var layer = veto.LayerName is null ? Message.Empty : $" It protects: {veto.LayerName}.";
        return new Problem("system-vetoed", field, $"{best.MaterialName}: {veto.Reason}{layer}", Remedy(view, best, candidates));
    }

    private static Message Remedy(CaseView view, Candidate best, IReadOnlyList<Candidate> candidates)
    {
        if (candidates.FirstOrDefault(each => !each.Vetoed) is { } open)
        {
            return $"Choose one that is not ruled out, such as {open.MaterialName}.";
        }

        // Chemistry cannot be warmed away: what fails on bench or shelf alone is brought round.
        return candidates.Prepend(best).Select(each => ComeRound(view, each)).OfType<Message>().FirstOrDefault()
            ?? (Message)$"Nothing known here bonds to it. Send it to {Judges.Of(view.Construction.Family)}.";
    }

    /// <summary>What has to change for a system to be taken; null where its chemistry forbids it.</summary>
    private static Message? ComeRound(CaseView view, Candidate candidate)
    {
        var vetoes = candidate.Findings.Where(finding => finding.Weight == Weight.Veto).Select(finding => view.Catalogue.Rules.First(rule => rule.Id == finding.Rule)).ToList();
        return vetoes.Any(rule => rule.IsChemistry) ? null
            : vetoes.OfType<CureTemperatureRule>().Any()
                ? (Message)$"Bring the bench to {Nearest(view, view.Catalogue.Materials[candidate.Material].Label!):0} and use {candidate.MaterialName}, or wait for such a day."
            : vetoes.OfType<InDateRule>().Any() ? (Message)$"Buy fresh: {candidate.MaterialName}."
            : TooDry(view, candidate) ? (Message)$"Damp the air to {Percent(DampPercent)} and use {candidate.MaterialName}: the water in the air sets it."
            : (Message)$"Warm the bench, or find light for it, and use {candidate.MaterialName}.";
    }

    /// <summary>Air in which everything that moisture sets does set, in percent. From memory.</summary>
    private const double DampPercent = 40;

    private static bool TooDry(CaseView view, Candidate candidate) =>
        view.Catalogue.Materials[candidate.Material].Cure == CureKind.Moisture && view.Case.Bench.RelativeHumidityPercent < DampPercent;

    /// <summary>The temperature nearest to the bench at which it cures.</summary>
    private static Temperature Nearest(CaseView view, CureLabel label) => Celsius(Math.Clamp(view.Case.Bench.TemperatureC, label.MinimumC, label.MaximumC));

    /// <summary>Whether both answers of a question can be had for this damage.</summary>
    public static bool IsOpen(School school, IReadOnlyList<Candidate> candidates) =>
        school.Options.Count(option => candidates.Any(each => Is(option, each))) > 1;

    private static bool Is(SchoolOption option, Candidate candidate) =>
        (option.Method ?? candidate.Method) == candidate.Method && (option.Material ?? candidate.Material) == candidate.Material;

    /// <summary>What was taken: where the answers are methods or materials, the one that the picked system is.</summary>
    public static TakenSchool Taken(CaseView view, string id, Candidate picked)
    {
        var school = view.Catalogue.Schools[id];
        var stands = school.Options.Where(option => (option.Method ?? option.Material) is not null).FirstOrDefault(option => Is(option, picked));
        var taken = stands?.Id ?? view.School(id);
        return new TakenSchool(id, taken, taken == school.Default ? Message.Parse(school.Why) : "Chosen by the technician, or ranked first here.");
    }
}
