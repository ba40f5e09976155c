using System.Text.Json;
using AbleMend.Core.Figures;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Running;

/// <summary>
/// Where two devices of one kind are measured with in one run, what one of them reads to is not what the other does: what was poured by the
/// first goes on resting on the first.
/// </summary>
internal static class FactsOfBoth
{
    private const string Earlier = "-earlier";

    /// <summary>A plan in which what stays rests on what it rested on before.</summary>
    /// <param name="before">The plan before.</param>
    /// <param name="after">The plan that has followed.</param>
    /// <param name="stay">Figures that stayed.</param>
    /// <param name="shared">Figures that both they and what has followed rest on.</param>
    public static RepairPlan Apart(RepairPlan before, RepairPlan after, IReadOnlySet<string> stay, IReadOnlySet<string> shared)
    {
        var figures = after.Figures.ToDictionary(figure => figure.Id);
        var was = before.Figures.Where(figure => shared.Contains(figure.Id) && !IsSame(figure, figures[figure.Id])).ToDictionary(figure => figure.Id);
        var renamed = was.Keys.ToDictionary(id => id, id => Free(id, figures));
        var apart = Renamed(after.Figures, each => stay.Contains(each.Id), renamed)
            .SelectMany(figure => was.TryGetValue(figure.Id, out var earlier) ? new[] { earlier with { Id = renamed[figure.Id] }, figure } : [figure]).ToList();
        return after with { Figures = Together(apart) };
    }

    /// <summary>What was taken back is the same again: it needs no second name.</summary>
    private static IReadOnlyList<Figure> Together(IReadOnlyList<Figure> figures)
    {
        var known = figures.ToDictionary(figure => figure.Id);
        var same = figures.Where(figure => figure.Id.EndsWith(Earlier, StringComparison.Ordinal) && known.TryGetValue(figure.Id[..^Earlier.Length], out var now) && IsSame(figure with { Id = now.Id }, now))
            .ToDictionary(figure => figure.Id, figure => figure.Id[..^Earlier.Length]);
        return same.Count == 0 ? figures : [.. Renamed(figures.Where(figure => !same.ContainsKey(figure.Id)), _ => true, same)];
    }

    private static IEnumerable<Figure> Renamed(IEnumerable<Figure> figures, Func<Figure, bool> which, IReadOnlyDictionary<string, string> names) =>
        figures.Select(figure => names.Count > 0 && which(figure) && figure.Derivation.Inputs.Any(names.ContainsKey)
            ? figure with { Derivation = figure.Derivation with { Inputs = [.. figure.Derivation.Inputs.Select(input => names.GetValueOrDefault(input, input))] } }
            : figure);

    private static string Free(string id, IReadOnlyDictionary<string, Figure> figures)
    {
        var free = id + Earlier;
        while (figures.ContainsKey(free))
        {
            free += Earlier;
        }

        return free;
    }

    private static bool IsSame(Figure one, Figure other) => JsonSerializer.Serialize(one, OpenJson.Options) == JsonSerializer.Serialize(other, OpenJson.Options);
}
