using NetTopologySuite.Geometries;

namespace AbleMend.Core.Patching;

/// <summary>
/// A ring without a hollow, and where its corners go when it grows: each straight out along the normals that it turns
/// through, further by just the margin. Nothing can meet or merge, so no general buffer has to be computed.
/// </summary>
internal sealed class ConvexRing
{
    /// <summary>Turns in radians below this count as going straight on.</summary>
    private const double Straight = 1e-9;

    private readonly IReadOnlyList<(Coordinate Corner, double X, double Y)> _normals;

    private ConvexRing(IReadOnlyList<(Coordinate Corner, double X, double Y)> normals) => _normals = normals;

    /// <summary>The ring of a polygon, or null where it has a hollow or a hole.</summary>
    /// <param name="geometry">One outline or several.</param>
    /// <param name="segmentsPerQuarter">Segments in a quarter turn of every round.</param>
    public static ConvexRing? TryOf(Geometry geometry, int segmentsPerQuarter)
    {
        if (geometry is not Polygon { NumInteriorRings: 0 } polygon)
        {
            return null;
        }

        var ring = polygon.Shell.IsCCW ? polygon.Shell.Coordinates : [.. polygon.Shell.Coordinates.Reverse()];
        var normals = new List<(Coordinate, double, double)>(ring.Length * 2);
        var total = 0.0;
        var before = Direction(ring[^2], ring[0]);
        for (var i = 0; i < ring.Length - 1; i++)
        {
            var turn = Math.IEEERemainder(Direction(ring[i], ring[i + 1]) - before, 2 * Math.PI);
            if (turn < -Straight)
            {
                return null;
            }

            var steps = turn <= Straight ? 0 : Math.Max(1, (int)Math.Round(turn * segmentsPerQuarter / (Math.PI / 2)));
            for (var step = 0; step <= steps; step++)
            {
                var (sin, cos) = Math.SinCos(before + (steps == 0 ? 0 : turn * step / steps));
                normals.Add((ring[i], sin, -cos));
            }

            total += turn;
            before += turn;
        }

        // More than once round crosses itself.
        return Math.Abs(total - (2 * Math.PI)) < 1e-6 ? new ConvexRing(normals) : null;
    }

    /// <summary>Corners of the ring grown by a margin in millimetres, the first repeated at the end.</summary>
    public Coordinate[] Grown(double marginMm)
    {
        var corners = new Coordinate[_normals.Count + 1];
        for (var i = 0; i < corners.Length; i++)
        {
            var (corner, x, y) = _normals[i % _normals.Count];
            corners[i] = new Coordinate(corner.X + (marginMm * x), corner.Y + (marginMm * y));
        }

        return corners;
    }

    private static double Direction(Coordinate from, Coordinate to) => Math.Atan2(to.Y - from.Y, to.X - from.X);
}
