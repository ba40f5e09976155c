using System.Collections.Concurrent;
using AbleMend.Core.Gear;
using NetTopologySuite.Geometries;
using NetTopologySuite.Operation.Buffer;

namespace AbleMend.Core.Patching;

/// <summary>One or more closed outlines on a surface, in millimetres, and the offsets that patches are cut to.</summary>
public sealed class Outline
{
    /// <summary>Segments in a quarter turn of every round: 12 leaves a round 0.2 % short in radius at most.</summary>
    public const int SegmentsPerQuarter = 12;

    private static readonly GeometryFactory Factory = new();
    private static readonly BufferParameters Round = new(SegmentsPerQuarter, EndCapStyle.Round, JoinStyle.Round, 2);

    private readonly Geometry _geometry;

    // Growing by a and then by b is growing by a + b (sums of Minkowski are associative), so every margin is taken from
    // the outline that was measured: corners stay as few as they were, and their rounding error does not add up.
    private readonly Outline? _measured;
    private readonly double _marginMm;

    // Ranking composes the same outlines for every material: what was worked out for one is the same for the next.
    private ConcurrentDictionary<double, Outline>? _grown;
    private readonly Lazy<ConvexRing?> _convex;
    private IReadOnlyList<IReadOnlyList<PointMm>>? _pieces;
    private ConcurrentDictionary<double, PlainShape?>? _plain;

    private Outline(Geometry geometry, Outline? measured = null, double marginMm = 0)
    {
        _geometry = geometry;
        _measured = measured;
        _marginMm = marginMm;
        _convex = new(() => ConvexRing.TryOf(geometry, SegmentsPerQuarter));
        AreaMm2 = geometry.Area;
    }

    /// <value>Area in mm².</value>
    public double AreaMm2 { get; }

    /// <value>Extent along the item in millimetres.</value>
    public double LengthMm => _geometry.EnvelopeInternal.Width;

    /// <value>Extent across the item in millimetres.</value>
    public double WidthMm => _geometry.EnvelopeInternal.Height;

    /// <value>Length of all edges in millimetres.</value>
    public double PerimeterMm => _geometry.Length;

    /// <value>Corner points of each separate piece, without the closing point; holes are left out, since a patch has none.</value>
    public IReadOnlyList<IReadOnlyList<PointMm>> Pieces =>
        _pieces ??= [.. Enumerable.Range(0, _geometry.NumGeometries).Select(i => Ring((Polygon)_geometry.GetGeometryN(i)))];

    /// <value>The geometry, for calculations next door.</value>
    internal Geometry Geometry => _geometry;

    /// <summary>The outline of a shape and its neighbours; what overlaps becomes one.</summary>
    public static Outline Of(Shape shape, IReadOnlyList<Neighbour>? neighbours = null)
    {
        var first = Polygon(shape, new PointMm(0, 0));
        return neighbours is not { Count: > 0 }
            ? new Outline(first)
            : new Outline(neighbours.Aggregate(first, (all, next) => all.Union(Polygon(next.Shape, next.OffsetMm))));
    }

    /// <summary>Whether a traced outline is closed without crossing itself and encloses an area.</summary>
    public static bool IsSound(IReadOnlyList<PointMm> points)
    {
        if (points.Count < 3 || points.Any(point => !double.IsFinite(point.X) || !double.IsFinite(point.Y)))
        {
            return false;
        }

        var polygon = Closed(points, new PointMm(0, 0));
        return polygon is { IsValid: true, Area: > 0.5 };
    }

    /// <summary>How many times a traced outline turns all the way round, every corner counted, whichever way it turns: 1 for what bulges only outwards.</summary>
    public static double Turns(IReadOnlyList<PointMm> points)
    {
        var turned = 0.0;
        for (var i = 0; i < points.Count; i++)
        {
            var (before, at, after) = (points[i], points[(i + 1) % points.Count], points[(i + 2) % points.Count]);
            var angle = Math.Atan2(after.Y - at.Y, after.X - at.X) - Math.Atan2(at.Y - before.Y, at.X - before.X);
            turned += Math.Abs(Math.IEEERemainder(angle, 2 * Math.PI));
        }

        return turned / (2 * Math.PI);
    }

    /// <summary>This outline moved outward by a margin with round corners; pieces nearer than their margins merge.</summary>
    /// <param name="marginMm">Margin in millimetres, 0 or more.</param>
    public Outline Grown(double marginMm) =>
        Guard.NotNegative(marginMm, nameof(marginMm)) == 0
            ? this
            : _measured is null
                ? LazyInitializer.EnsureInitialized(ref _grown).GetOrAdd(marginMm, margin => new Outline(Buffer(margin), this, margin))
                : _measured.Grown(_marginMm + marginMm);

    private Geometry Buffer(double marginMm) =>
        _convex.Value is { } ring ? Factory.CreatePolygon(ring.Grown(marginMm)) : BufferOp.Buffer(_geometry, marginMm, Round);

    /// <summary>The circle or rounded rectangle that covers it at little waste, or null.</summary>
    /// <param name="cornerMm">Corner radius to offer in millimetres, 0 or more.</param>
    public PlainShape? Plain(double cornerMm) =>
        LazyInitializer.EnsureInitialized(ref _plain).GetOrAdd(cornerMm, corner => PlainShape.TryFind(this, corner));

    private static Geometry Polygon(Shape shape, PointMm at) =>
        shape switch
        {
            RoundShape round => Ellipse(round.DiameterMm, round.DiameterMm, at),
            OvalShape oval => Ellipse(oval.LengthMm, oval.WidthMm, at),
            CrackShape crack => Rectangle(crack.LengthMm, crack.WidthMm, at),
            TracedShape traced => Closed(traced.Points, at),
            _ => throw new ArgumentException("Unknown shape.", nameof(shape)),
        };

    private static Polygon Ellipse(double lengthMm, double widthMm, PointMm at)
    {
        const int Corners = SegmentsPerQuarter * 4;
        return Closed(
            [
                .. Enumerable.Range(0, Corners).Select(i =>
                {
                    var angle = 2 * Math.PI * i / Corners;
                    return new PointMm(lengthMm / 2 * Math.Cos(angle), widthMm / 2 * Math.Sin(angle));
                }),
            ],
            at
        );
    }

    private static Polygon Rectangle(double lengthMm, double widthMm, PointMm at)
    {
        var (x, y) = (lengthMm / 2, widthMm / 2);
        return Closed([new(-x, -y), new(x, -y), new(x, y), new(-x, y)], at);
    }

    private static Polygon Closed(IReadOnlyList<PointMm> points, PointMm at) =>
        Factory.CreatePolygon([.. points.Append(points[0]).Select(point => new Coordinate(point.X + at.X, point.Y + at.Y))]);

    private static IReadOnlyList<PointMm> Ring(Polygon polygon) =>
        [.. polygon.ExteriorRing.Coordinates.SkipLast(1).Select(point => new PointMm(Math.Round(point.X, 2), Math.Round(point.Y, 2)))];
}
