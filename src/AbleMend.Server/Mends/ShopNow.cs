using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Patching;
using AbleMend.Core.Running;

namespace AbleMend.Server.Mends;

/// <summary>What the shop has and knows now: a draft goes by it whenever it was made, and what was started by what it was then.</summary>
/// <param name="Paces">How fast products set here.</param>
/// <param name="Shelf">The shelf; null where nobody counts it.</param>
/// <param name="Offcuts">Pieces that no mend under way is to be cut from.</param>
internal sealed record ShopNow(IReadOnlyList<LearntPace> Paces, IReadOnlyList<OnShelf>? Shelf, IReadOnlyList<Offcut> Offcuts)
{
    /// <summary>A draft as it is now; anything else as it was.</summary>
    public Mend In(Mend mend, MendCatalogue catalogue) =>
        mend.Status == MendStatus.Draft && In(mend.Case, catalogue) is var now && !ReferenceEquals(now, mend.Case) ? mend with { Case = now } : mend;

    /// <summary>
    /// A case as it is now: it knows the paces of the products that it knows itself, and one that the shop no longer has is none of them. A
    /// case that says nothing of a shelf, or of pieces, has everything, or none, and keeps it so.
    /// </summary>
    public RepairCase In(RepairCase repairCase, MendCatalogue catalogue)
    {
        IReadOnlyList<LearntPace> own = [.. Paces.Where(pace =>
            (repairCase.Products?.FirstOrDefault(product => product?.Id == pace.Material) ?? catalogue.Materials.GetValueOrDefault(pace.Material))?.Holds == true)];
        var now = repairCase with
        {
            Paces = own.Count == 0 ? null : own,
            Shelf = repairCase.Shelf is null ? null : Shelf,
            Offcuts = repairCase.Offcuts is null ? null : Offcuts,
        };
        return Same(now.Paces, repairCase.Paces) && Same(now.Shelf, repairCase.Shelf) && Same(now.Offcuts, repairCase.Offcuts) ? repairCase : now;
    }

    private static bool Same<T>(IReadOnlyList<T>? one, IReadOnlyList<T>? other) => ReferenceEquals(one, other) || (one is not null && other is not null && one.SequenceEqual(other));
}
