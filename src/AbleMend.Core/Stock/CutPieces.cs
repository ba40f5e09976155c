using AbleMend.Core.Patching;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Stock;

/// <summary>A piece with what was left of it.</summary>
/// <param name="Was">The piece before it was cut.</param>
/// <param name="Left">What was put back, under the names that it goes by now; empty where nothing was worth it.</param>
public sealed record CutPiece(Offcut Was, IReadOnlyList<Offcut> Left);

/// <summary>The pieces of cloth and patch stock, as they are cut from and put back.</summary>
public static class CutPieces
{
    /// <summary>Most pieces that a shop keeps.</summary>
    public const int Most = 200;

    private const int LongestName = 40;

    /// <summary>The pieces that a plan's patches of one cloth are cut from, by what is written on them.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="cloth">Identifier of the cloth or patch stock; null for any.</param>
    public static IReadOnlyList<string> Of(RepairPlan plan, string? cloth = null) =>
        [.. (plan.Placements ?? []).Where(placement => cloth is null || PatchOf(plan, placement).Cloth == cloth).Select(placement => placement.Offcut).Distinct()];

    /// <summary>The stock after one piece was cut as a plan says, with what was left of it; null where it is not there, or of another cloth.</summary>
    /// <param name="stock">The pieces at hand.</param>
    /// <param name="plan">The plan.</param>
    /// <param name="name">What is written on the piece.</param>
    public static (IReadOnlyList<Offcut> Stock, CutPiece Cut)? Cut(IReadOnlyList<Offcut> stock, RepairPlan plan, string name)
    {
        var here = (plan.Placements ?? []).Where(placement => placement.Offcut == name).ToList();
        if (here.Count == 0 || stock.FirstOrDefault(piece => piece.Id == name && piece.Material == PatchOf(plan, here[0]).Cloth) is not { } was)
        {
            return null;
        }

        var others = stock.Where(piece => piece != was).ToList();
        var left = Named(was, CutOff.Of(was, CutOff.Block(here, PatchesOf(plan))), others);
        return ([.. stock.SelectMany(piece => piece == was ? left : [piece])], new CutPiece(was, left));
    }

    /// <summary>The stock after what was cut turns out not to have been: the piece is whole again, and what was kept of it is gone.</summary>
    /// <param name="stock">The pieces at hand.</param>
    /// <param name="cut">What was cut.</param>
    public static IReadOnlyList<Offcut> PutBack(IReadOnlyList<Offcut> stock, CutPiece cut)
    {
        var others = stock.Where(piece => !cut.Left.Contains(piece)).ToList();
        // A name that was given to another piece meanwhile stays with that.
        return others.Count >= Most || others.Any(piece => piece.Id == cut.Was.Id) ? stock : [.. others, cut.Was];
    }

    private static Patch PatchOf(RepairPlan plan, Placement placement) =>
        plan.Damages.First(damage => damage.Number == placement.Damage).Patches.First(patch => patch.Order == placement.Patch);

    private static IReadOnlyList<(int Damage, Patch Patch)> PatchesOf(RepairPlan plan) => [.. plan.Damages.SelectMany(damage => damage.Patches.Select(patch => (damage.Number, patch)))];

    /// <summary>The larger keeps the name that is written on the piece, the other gets the next that is free.</summary>
    private static IReadOnlyList<Offcut> Named(Offcut was, IReadOnlyList<PieceLeft> left, IReadOnlyList<Offcut> others) =>
        [.. left.Take(Most - others.Count).Select((piece, i) => new Offcut(i == 0 ? was.Id : NextName(was.Id, others), was.Material, piece.LengthMm, piece.WidthMm))];

    private static string NextName(string name, IReadOnlyList<Offcut> others) =>
        Enumerable.Range(2, Most).Select(number => $"-{number}").Select(ending => name[..Math.Min(name.Length, LongestName - ending.Length)] + ending)
            .First(next => others.All(piece => piece.Id != next));
}
