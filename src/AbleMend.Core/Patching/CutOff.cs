namespace AbleMend.Core.Patching;

/// <summary>A piece that is left when the patches are cut off.</summary>
/// <param name="Offcut">What is written on the piece that they are cut from.</param>
/// <param name="LengthMm">Length of what is left in millimetres, measured as on that piece.</param>
/// <param name="WidthMm">Width of what is left in millimetres, measured as on that piece.</param>
public sealed record PieceLeft(string Offcut, double LengthMm, double WidthMm);

/// <summary>
/// What is left of an offcut: the patches are cut off as one block from the corner that they are measured from, and of the rest the two
/// straight pieces are kept that leave the largest one whole.
/// </summary>
public static class CutOff
{
    /// <summary>Millimetres below which a piece is not worth keeping: a small hole with 25 mm of lap all round needs a patch of 50 and more. Common practice, no source.</summary>
    public const double KeptFromMm = 60;

    /// <summary>What is left of a piece, the larger first.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="block">Length and width of the block that is cut off its corner, in millimetres; none of them below 0.</param>
    public static IReadOnlyList<PieceLeft> Of(Offcut piece, (double LengthMm, double WidthMm) block)
    {
        var (along, across) = (piece.LengthMm - block.LengthMm, piece.WidthMm - block.WidthMm);
        PieceLeft[] acrossFirst = [new(piece.Id, along, piece.WidthMm), new(piece.Id, block.LengthMm, across)];
        PieceLeft[] alongFirst = [new(piece.Id, piece.LengthMm, across), new(piece.Id, along, block.WidthMm)];
        return [.. (Largest(acrossFirst) >= Largest(alongFirst) ? acrossFirst : alongFirst).Where(IsWorthKeeping).OrderByDescending(Area)];
    }

    /// <summary>What is left of all pieces that a plan's patches lie on.</summary>
    /// <param name="placements">Where they lie.</param>
    /// <param name="patches">Patches of the plan, each with the number of the damage that it is for.</param>
    /// <param name="stock">The pieces at hand.</param>
    public static IReadOnlyList<PieceLeft> Of(IReadOnlyList<Placement> placements, IReadOnlyList<(int Damage, Patch Patch)> patches, IReadOnlyList<Offcut> stock) =>
        [.. stock.Select(piece => (Piece: piece, Here: placements.Where(placement => placement.Offcut == piece.Id).ToList())).Where(each => each.Here.Count > 0).SelectMany(each => Of(each.Piece, Block(each.Here, patches)))];

    /// <summary>Length and width, in millimetres, of the block that a plan's patches take up on one piece.</summary>
    /// <param name="here">Where those lie that are cut from it; at least one.</param>
    /// <param name="patches">Patches of the plan, each with the number of the damage that it is for.</param>
    public static (double LengthMm, double WidthMm) Block(IReadOnlyList<Placement> here, IReadOnlyList<(int Damage, Patch Patch)> patches)
    {
        var corners = here.Select(placement =>
        {
            var patch = patches.First(each => each.Damage == placement.Damage && each.Patch.Order == placement.Patch).Patch;
            var (length, width) = placement.Turned ? (patch.WidthMm, patch.LengthMm) : (patch.LengthMm, patch.WidthMm);
            return (X: placement.XMm + length, Y: placement.YMm + width);
        }).ToList();
        return (corners.Max(corner => corner.X), corners.Max(corner => corner.Y));
    }

    private static bool IsWorthKeeping(PieceLeft piece) => Math.Min(piece.LengthMm, piece.WidthMm) >= KeptFromMm;

    private static double Area(PieceLeft piece) => piece.LengthMm * piece.WidthMm;

    private static double Largest(PieceLeft[] pieces) => pieces.Where(IsWorthKeeping).Select(Area).DefaultIfEmpty(0).Max();
}
