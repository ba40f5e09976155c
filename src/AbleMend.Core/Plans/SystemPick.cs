using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Matching;
using AbleMend.Core.Words;

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

        var chosen = choice?.Method is not null || choice?.Material is not null;
        var at = $"damages[{view.Number - 1}]";
        var field = choice?.Material is not null ? $"{at}.choice.material" : choice?.Method is not null ? $"{at}.choice.method" : at;
        if (wanted.Count == 0)
        {
            return Outcome<Candidate>.Failed(new Problem("system-does-not-fit", field,
                "This method does not fit this damage, or does not work with this resin.", "Choose another method or resin, or leave the choice open."));
        }

        var veto = wanted[0].Findings.First(finding => finding.Weight == Weight.Veto);
        var layer = veto.LayerName is null ? Message.Empty : $" It protects: {veto.LayerName}.";
        return Outcome<Candidate>.Failed(new Problem("system-vetoed", field, $"{wanted[0].MaterialName}: {veto.Reason}{layer}",
            chosen ? "Choose a resin that is not vetoed." : "Change the bench, the time or the shelf: nothing fits as it stands."));
    }

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
