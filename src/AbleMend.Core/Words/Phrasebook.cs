using System.Collections.Frozen;
using System.Text;
using System.Text.Json;

namespace AbleMend.Core.Words;

/// <summary>The words of one language: other words for the templates that it knows, and the English ones for the rest.</summary>
public sealed class Phrasebook
{
    private readonly FrozenDictionary<string, string> _phrases;

    private Phrasebook(IReadOnlyDictionary<string, string> phrases) => _phrases = phrases.ToFrozenDictionary();

    /// <value>English, in which everything is written.</value>
    public static Phrasebook English { get; } = new(new Dictionary<string, string>());

    /// <summary>Reads a language file: a JSON object from English templates to the language's own.</summary>
    /// <param name="json">The file.</param>
    /// <returns>The phrasebook, or what is wrong: a place such as <c>{0}</c> that the English has and the other lacks, or the other way round.</returns>
    public static Outcome<Phrasebook> Read(string json)
    {
        Dictionary<string, string>? phrases;
        try
        {
            phrases = JsonSerializer.Deserialize<Dictionary<string, string>>(json);
        }
        catch (JsonException broken)
        {
            return Outcome<Phrasebook>.Failed(new Problem("broken-language", "", $"The language file cannot be read: {broken.Message:as-is}", "Correct it: it is one JSON object of texts."));
        }

        var faults = (phrases ?? []).Where(pair => !Places(pair.Key).SetEquals(Places(pair.Value)))
            .Select(pair => new Problem("broken-language", pair.Key, $"“{pair.Value:as-is}” does not have the same numbered places as “{pair.Key:as-is}”.", "Keep each numbered place once or more, in any order.")).ToList();
        return faults.Count > 0 ? Outcome<Phrasebook>.Failed(faults) : Outcome<Phrasebook>.Of(new Phrasebook(phrases ?? []));
    }

    /// <summary>A language that nobody speaks, to see that no word lies outside it: every template between brackets, its letters with accents.</summary>
    /// <param name="templates">The templates that are known.</param>
    public static Phrasebook Pseudo(IEnumerable<string> templates) => new(templates.Distinct().ToDictionary(template => template, Accented));

    /// <summary>What this language has of some templates, for a reader that puts them into words itself.</summary>
    /// <param name="templates">The English templates.</param>
    /// <returns>From each that is known to its words here; in English, nothing.</returns>
    public IReadOnlyDictionary<string, string> Among(IEnumerable<string> templates) => templates.Where(_phrases.ContainsKey).ToDictionary(template => template, Of);

    /// <summary>The words for an English template.</summary>
    public string Of(string template) => _phrases.GetValueOrDefault(template, template);

    private static string Accented(string template)
    {
        var accented = new StringBuilder("⟦", template.Length + 2);
        foreach (var letter in template)
        {
            accented.Append("aeiouAEIOU".IndexOf(letter, StringComparison.Ordinal) is var at and >= 0 ? "åéîøüÅÉÎØÜ"[at] : letter);
        }

        return accented.Append('⟧').ToString();
    }

    private static HashSet<string> Places(string template)
    {
        var places = new HashSet<string>();
        for (var at = template.IndexOf('{', StringComparison.Ordinal); at >= 0; at = template.IndexOf('{', at + 1))
        {
            var end = template.IndexOf('}', at);
            if (end > at)
            {
                places.Add(template[(at + 1)..end]);
            }
        }

        return places;
    }
}
