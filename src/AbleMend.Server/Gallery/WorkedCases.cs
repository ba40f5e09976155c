using System.Collections.Frozen;
using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Words;

namespace AbleMend.Server.Gallery;

/// <summary>A worked case as the gallery lists it.</summary>
/// <param name="Id">Identifier, the name of its file.</param>
/// <param name="Title">What it is.</param>
/// <param name="Tag">Tag of its item.</param>
/// <param name="Construction">Identifier of how the item is built.</param>
public sealed record WorkedCase(string Id, [property: Words] string Title, string Tag, string Construction);

/// <summary>The worked cases that ship with the product: read once, each an ordinary case file.</summary>
public sealed class WorkedCases
{
    private readonly FrozenDictionary<string, RepairCase> _cases;

    /// <summary>Reads the gallery beside the program.</summary>
    /// <exception cref="InvalidOperationException">A case file is broken; the message names it.</exception>
    public WorkedCases()
    {
        var folder = Path.Combine(AppContext.BaseDirectory, "Gallery", "Cases");
        var titles = JsonSerializer.Deserialize<List<Titled>>(File.ReadAllText(Path.Combine(folder, "gallery.json")), JsonSerializerOptions.Web) ?? [];
        _cases = titles.ToFrozenDictionary(titled => titled.Id, titled => Read(Path.Combine(folder, $"{titled.Id}.case.json")));
        All = [.. titles.Select(titled => new WorkedCase(titled.Id, titled.Title, _cases[titled.Id].Item.Tag, _cases[titled.Id].Item.Construction))];
    }

    /// <value>All of them, in the order of the gallery.</value>
    public IReadOnlyList<WorkedCase> All { get; }

    /// <summary>A case by its identifier, or null.</summary>
    public RepairCase? Find(string id) => _cases.GetValueOrDefault(id);

    private static RepairCase Read(string path)
    {
        var read = OpenJson.ReadCase(File.ReadAllText(path));
        return read.Value ?? throw new InvalidOperationException($"{path}: {read.Problems[0].Message}");
    }

    private sealed record Titled(string Id, string Title);
}
