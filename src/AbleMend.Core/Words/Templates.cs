using System.Text.Json;

namespace AbleMend.Core.Words;

/// <summary>Every template that the core can say, so that a language file can be written against it. The list is read off the source and the catalogue by a test, which fails when it is not current.</summary>
public static class Templates
{
    /// <summary>The English templates, in order.</summary>
    public static IReadOnlyList<string> All() => Listed(typeof(Templates), "words/templates.json");

    /// <summary>A list of templates that an assembly carries.</summary>
    /// <param name="within">A type of the assembly.</param>
    /// <param name="name">Name under which the list is carried.</param>
    public static IReadOnlyList<string> Listed(Type within, string name)
    {
        using var stream = within.Assembly.GetManifestResourceStream(name)!;
        return JsonSerializer.Deserialize<List<string>>(stream)!;
    }
}
