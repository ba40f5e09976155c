using AbleMend.Core.Limits;
using AbleMend.Core.Words;

namespace AbleMend.Core.Catalogue;

/// <summary>Collects what is wrong with the entries of one file.</summary>
/// <param name="file">The file.</param>
internal sealed class EntryChecks(string file)
{
    private readonly List<CatalogueFault> _faults = [];

    /// <value>What is wrong.</value>
    public IReadOnlyList<CatalogueFault> Faults => _faults;

    /// <summary>Something that has to hold.</summary>
    public void Demand(bool holds, string entry, string what, string remedy)
    {
        if (!holds)
        {
            _faults.Add(new CatalogueFault(file, entry, what, remedy));
        }
    }

    /// <summary>A word that has to be one of a vocabulary.</summary>
    public void Known(string? word, string entry, string what, IReadOnlyCollection<string> known)
    {
        if (word is null || known.Contains(word))
        {
            return;
        }

        var meant = Nearest.To(word, known);
        Demand(false, entry, $"'{word}' is not a known {what}.", meant is null ? $"Use one of: {string.Join(", ", known.Order())}." : $"Did you mean '{meant}'?");
    }

    /// <summary>Words that have to be of a vocabulary, each once.</summary>
    public void Known(IEnumerable<string>? words, string entry, string what, IReadOnlyCollection<string> known)
    {
        var all = (words ?? []).ToList();
        foreach (var word in all.Distinct())
        {
            Known(word, entry, what, known);
        }

        Demand(all.Distinct().Count() == all.Count, entry, $"A {what} is named twice.", "Name it once.");
    }

    /// <summary>Identifiers that have to be well formed, and each used once in the file.</summary>
    public void Identifiers<T>(IEnumerable<T> entries, Func<T, string> id)
    {
        var all = entries.Select(id).ToList();
        foreach (var twice in all.GroupBy(each => each).Where(group => group.Count() > 1))
        {
            Demand(false, twice.Key, "This identifier is listed twice.", "Give each entry an identifier of its own.");
        }

        foreach (var each in all.Where(each => each.Length is 0 or > 60 || each.Any(letter => !char.IsAsciiLetterLower(letter) && !char.IsAsciiDigit(letter) && letter != '-')))
        {
            Demand(false, each, "An identifier is made of small letters, digits and hyphens, at most 60.", "Write it like marine-epoxy-slow.");
        }
    }

    /// <summary>The limits that stand on the fields of an entry.</summary>
    public void Limits(object entry, string name)
    {
        foreach (var problem in LimitTable.Check(entry))
        {
            Demand(false, $"{name}.{problem.Field}", Voice.Plain.Say(problem.Message), Voice.Plain.Say(problem.Remedy));
        }
    }
}
