using System.Text.Json;
using AbleMend.Core.Gear;
using AbleMend.Core.Looking;
using AbleMend.Core.Materials;
using AbleMend.Core.Safety;

namespace AbleMend.Core.Catalogue;

/// <summary>Reads the data that ships inside the core and checks that it hangs together.</summary>
public static class CatalogueLoader
{
    /// <summary>Version of the shipped data.</summary>
    public const string Version = "2026.2";

    /// <value>The files of a catalogue, without their ending.</value>
    public static IReadOnlyList<string> Files { get; } =
        ["vocabulary", "substances", "constructions", "materials", "rules", "triage", "cautions", "schools", "look-tests", "aftercare", "mishaps"];

    /// <summary>Loads the shipped catalogue.</summary>
    /// <param name="methods">What ways of mending there are.</param>
    /// <exception cref="CatalogueException">Entries are broken; the message names each.</exception>
    public static MendCatalogue LoadShipped(KnownMethods methods) => Load(ReadShipped, methods);

    /// <summary>The text of a file as it ships.</summary>
    /// <param name="name">Name of the file, without its ending.</param>
    public static string ReadShipped(string name)
    {
        using var stream = typeof(CatalogueLoader).Assembly.GetManifestResourceStream($"catalogue/{name}.json")
            ?? throw new CatalogueException([new CatalogueFault($"{name}.json", "", "It is not in the build.", "Put it beside the others.")]);
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd();
    }

    /// <summary>Loads a catalogue from the texts of its files.</summary>
    /// <param name="read">The text of a file by its name.</param>
    /// <param name="methods">What ways of mending there are.</param>
    /// <exception cref="CatalogueException">Entries are broken; the message names each.</exception>
    public static MendCatalogue Load(Func<string, string> read, KnownMethods methods)
    {
        var faults = new List<CatalogueFault>();
        var vocabulary = ReadWhole<Vocabulary>(read, "vocabulary", faults);
        var substances = ReadEntries<Substance>(read, "substances", faults);
        var constructions = ReadEntries<Construction>(read, "constructions", faults);
        var materials = ReadEntries<Material>(read, "materials", faults);
        var rules = ReadEntries<MatchRule>(read, "rules", faults);
        var triage = ReadEntries<TriageRule>(read, "triage", faults);
        var cautions = ReadEntries<Caution>(read, "cautions", faults);
        var schools = ReadEntries<School>(read, "schools", faults);
        var lookTests = ReadEntries<LookTest>(read, "look-tests", faults);
        var aftercare = ReadEntries<AftercareLine>(read, "aftercare", faults);
        var mishaps = ReadEntries<Mishap>(read, "mishaps", faults);
        if (vocabulary is null)
        {
            throw new CatalogueException(faults);
        }

        var data = new CatalogueData(vocabulary, substances, constructions, materials, rules, triage, cautions, schools, lookTests, aftercare, mishaps);
        faults.AddRange(CatalogueChecks.Check(data, methods));
        return faults.Count > 0 ? throw new CatalogueException(faults) : new MendCatalogue(Version, data);
    }

    /// <summary>Checks a shop's own products against the catalogue that they stand beside.</summary>
    /// <exception cref="CatalogueException">Products do not hang together; the message names each.</exception>
    internal static void CheckProducts(IReadOnlyList<Material> products, CatalogueData data)
    {
        var faults = MaterialChecks.Check(products, data).ToList();
        if (faults.Count > 0)
        {
            throw new CatalogueException(faults);
        }
    }

    private static T? ReadWhole<T>(Func<string, string> read, string name, List<CatalogueFault> faults)
        where T : class
    {
        try
        {
            return JsonSerializer.Deserialize<T>(read(name), OpenJson.Options) ?? throw new JsonException("The file is empty.");
        }
        catch (Exception broken) when (OpenJson.IsUnreadable(broken))
        {
            faults.Add(EntryFault.Of(name, "", typeof(T), OpenJson.AsBroken(broken)));
            return null;
        }
    }

    /// <summary>Reads a file entry by entry, so that one that is broken is named and does not hide the others.</summary>
    private static IReadOnlyList<T> ReadEntries<T>(Func<string, string> read, string name, List<CatalogueFault> faults)
        where T : class
    {
        var entries = new List<T>();
        try
        {
            using var document = JsonDocument.Parse(read(name));
            foreach (var element in document.RootElement.EnumerateArray())
            {
                try
                {
                    entries.Add(element.Deserialize<T>(OpenJson.Options) ?? throw new JsonException("The entry is empty."));
                }
                catch (Exception broken) when (OpenJson.IsUnreadable(broken))
                {
                    faults.Add(EntryFault.Of(name, EntryFault.IdOf(element), typeof(T), OpenJson.AsBroken(broken)));
                }
            }
        }
        catch (Exception broken) when (broken is JsonException or InvalidOperationException)
        {
            faults.Add(new CatalogueFault($"{name}.json", "", "It is not a list of entries.", "Bring it back as it was, and change one entry at a time."));
        }

        return entries;
    }
}
