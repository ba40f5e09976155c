using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Limits;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
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

/// <summary>
/// A line of aftercare and the mends that it is for: every list that is given must name the mend, a list that is not given asks nothing.
/// Lines and days are common practice, no source, written down from memory.
/// </summary>
/// <param name="Id">Identifier.</param>
/// <param name="Text">What to watch and what to do about it.</param>
/// <param name="Families">Families of gear.</param>
/// <param name="Damages">Kinds of damage.</param>
/// <param name="Traits">Traits of the place that is hurt, any of them.</param>
/// <param name="Methods">Identifiers of ways of mending.</param>
/// <param name="Chemistries">Chemistries of the main material.</param>
/// <param name="Permanence">How long the mend is meant to hold.</param>
/// <param name="Figure">Identifier of a figure that goes with it, where the plan has it.</param>
/// <param name="LookAgainDays">Days after it is ready that somebody looks again, above 0; null where this line asks for no look.</param>
public sealed record AftercareLine(
    string Id,
    [property: Size(10, 400)] [property: Words] string Text,
    IReadOnlyList<GearFamily>? Families = null,
    IReadOnlyList<DamageKind>? Damages = null,
    IReadOnlyList<string>? Traits = null,
    IReadOnlyList<string>? Methods = null,
    IReadOnlyList<string>? Chemistries = null,
    Permanence? Permanence = null,
    string? Figure = null,
    [property: Limits(1, 730, "days")] int? LookAgainDays = null)
{
    /// <summary>Whether it is for a mend.</summary>
    /// <param name="view">The case.</param>
    /// <param name="method">How it is mended.</param>
    /// <param name="main">What holds it.</param>
    public bool IsFor(CaseView view, IMendMethod method, Material main) =>
        Names(Families, view.Construction.Family)
        && Names(Damages, view.Damage.Kind)
        && Traits?.Any(view.Location.Has) != false
        && Names(Methods, method.Id)
        && Names(Chemistries, main.Chemistry)
        && (Permanence ?? method.Permanence) == method.Permanence;

    private static bool Names<T>(IReadOnlyList<T>? list, T asked) => list is null || list.Contains(asked);
}

/// <summary>Writes what goes back with an item.</summary>
internal static class HandBackDesk
{
    /// <summary>The lines for a mend, and the earliest of their days counted from the moment it is ready.</summary>
    /// <param name="view">The case.</param>
    /// <param name="method">How it is mended.</param>
    /// <param name="main">What holds it.</param>
    /// <param name="figures">The figures of this damage, as the plan has them.</param>
    /// <param name="readyAt">When it is ready, or null.</param>
    public static Aftercare Write(CaseView view, IMendMethod method, Material main, IReadOnlyList<Figure> figures, DateTimeOffset? readyAt)
    {
        var lines = view.Catalogue.Aftercare.Where(line => line.IsFor(view, method, main)).ToList();
        return new Aftercare(
            [.. lines.Select(line => new Watch(line.Id, Message.Parse(line.Text), line.Figure is { } id ? figures.FirstOrDefault(figure => figure.Id == Numbering.Of(view.Number, id))?.Id : null))],
            lines.Min(line => line.LookAgainDays) is { } days ? readyAt?.AddDays(days) : null);
    }
}
