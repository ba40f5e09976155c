using System.Text.Json;

namespace AbleMend.Core.Words;

/// <summary>Every template that the core can say, so that a language file can be written against it. The list is read off the source and the catalogue by a test, which fails when it is not current.</summary>
public static class Templates
{
    /// <summary>The English templates, in order.</summary>
    public static IReadOnlyList<string> All()
    {
        using var stream = typeof(Templates).Assembly.GetManifestResourceStream("words/templates.json")!;
        return JsonSerializer.Deserialize<List<string>>(stream)!;
    }
}
