using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Words;

namespace AbleMend.Core.HandingBack;

/// <summary>Something to watch once an item is back in use.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Text">What to watch and what to do about it.</param>
/// <param name="Figure">Identifier of the plan's figure that it goes with, or null.</param>
public sealed record Watch(string Id, Message Text, string? Figure);

/// <summary>What goes back with the item.</summary>
/// <param name="Watch">What to watch, in the order of the catalogue.</param>
/// <param name="LookAgainAt">When somebody looks at the mend again; null where nothing is said of it, or the mend never gets ready.</param>
public sealed record Aftercare(IReadOnlyList<Watch> Watch, DateTimeOffset? LookAgainAt);

/// <summary>Writes what goes back with an item.</summary>
internal static class HandBackDesk
{
    /// <summary>The lines for a mend, and the earliest of their days counted from the moment it is ready.</summary>
    /// <param name="view">The case.</param>
    /// <param name="method">How it is mended.</param>
    /// <param name="main">What holds it.</param>
    /// <param name="has">The identifier in the plan of a figure of this damage, or null where the plan does not have it.</param>
    /// <param name="readyAt">When it is ready, or null.</param>
    public static Aftercare Write(CaseView view, IMendMethod method, Material main, Func<string, string?> has, DateTimeOffset? readyAt)
    {
        var lines = view.Catalogue.Aftercare.Where(line => IsFor(line, view, method, main)).ToList();
        return new Aftercare(
            [.. lines.Select(line => new Watch(line.Id, Message.Parse(line.Text), line.Figure is { } id ? has(id) : null))],
            lines.Min(line => line.LookAgainDays) is { } days ? readyAt?.AddDays(days) : null);
    }

    /// <summary>Whether a line is for a mend.</summary>
    private static bool IsFor(AftercareLine line, CaseView view, IMendMethod method, Material main) =>
        Names(line.Families, view.Construction.Family)
        && Names(line.Damages, view.Damage.Kind)
        && line.Traits?.Any(view.Location.Has) != false
        && Names(line.Methods, method.Id)
        && Names(line.Chemistries, main.Chemistry)
        && (line.Permanence ?? method.Permanence) == method.Permanence;

    private static bool Names<T>(IReadOnlyList<T>? list, T asked) => list is null || list.Contains(asked);
}
