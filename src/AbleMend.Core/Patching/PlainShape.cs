using NetTopologySuite.Algorithm;

namespace AbleMend.Core.Patching;

/// <summary>A circle or rounded rectangle that a patch may be cut to, in place of its template.</summary>
/// <param name="Kind"><c>circle</c> or <c>rounded-rectangle</c>.</param>
/// <param name="LengthMm">Length, or diameter, in millimetres.</param>
/// <param name="WidthMm">Width, or diameter, in millimetres.</param>
/// <param name="CornerMm">Corner radius in millimetres.</param>
public sealed record PlainShape(string Kind, double LengthMm, double WidthMm, double CornerMm)
{
    /// <summary>Most cloth, relative to the template, that a plain shape may waste. From memory: a tenth costs less than cutting a curve.</summary>
    public const double LargestWaste = 1.12;

    /// <summary>How nearly shears follow a line, in millimetres: a circle that is larger by less is as good. From memory.</summary>
    private const double CutMm = 0.1;

    /// <summary>The plain shape that covers an outline at little waste, or null. Sizes are rounded up to whole millimetres.</summary>
    /// <param name="outline">Outline to cover.</param>
    /// <param name="cornerMm">Corner radius to offer in millimetres, 0 or more.</param>
    public static PlainShape? TryFind(Outline outline, double cornerMm)
    {
        if (CoveringRadiusMm(outline) is { } radius && Math.PI * radius * radius <= outline.AreaMm2 * LargestWaste)
        {
            var diameter = Math.Ceiling((2 * radius) - 1e-6);
            return new PlainShape("circle", diameter, diameter, diameter / 2);
        }

        var (length, width) = (Math.Ceiling(outline.LengthMm - 1e-6), Math.Ceiling(outline.WidthMm - 1e-6));
        // The rectangle's rounded corners must not cut into the outline: half a margin's radius keeps clear of a round-joined offset.
        var corner = Math.Min(cornerMm / 2, Math.Min(length, width) / 2);
        var area = (length * width) - ((4 - Math.PI) * corner * corner);
        return area <= outline.AreaMm2 * LargestWaste ? new PlainShape("rounded-rectangle", length, width, corner) : null;
    }

    /// <summary>
    /// Radius of the smallest circle round an outline, or null when half its extent already makes a circle that wastes
    /// too much. No circle is smaller than half the extent: one about its middle that reaches as good as no further is
    /// taken as it is, and only what is not so regular pays for the general search.
    /// </summary>
    private static double? CoveringRadiusMm(Outline outline)
    {
        var least = Math.Max(outline.LengthMm, outline.WidthMm) / 2;
        if (Math.PI * least * least > outline.AreaMm2 * LargestWaste)
        {
            return null;
        }

        var middle = outline.Geometry.EnvelopeInternal.Centre;
        var reach = outline.Geometry.Coordinates.Max(middle.Distance);
        return reach <= least + CutMm ? reach : new MinimumBoundingCircle(outline.Geometry).GetRadius();
    }
}
