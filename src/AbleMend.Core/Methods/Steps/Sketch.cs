using AbleMend.Core.Gear;
using AbleMend.Core.Patching;
using AbleMend.Core.Words;

namespace AbleMend.Core.Methods.Steps;

/// <summary>What a method puts on the two pictures.</summary>
internal sealed class Sketch
{
    private readonly List<DrawnMark> _marks = [];

    /// <value>The marks so far.</value>
    public IReadOnlyList<DrawnMark> Marks => _marks;

    /// <summary>Draws on the section.</summary>
    public Sketch Section(string id, MarkKind kind, bool closed, Message? words, params ReadOnlySpan<(double X, double Depth)> points) => Draw(id, MarkView.Section, kind, closed, words, points);

    /// <summary>Draws from above.</summary>
    public Sketch Above(string id, MarkKind kind, bool closed, Message? words, params ReadOnlySpan<(double X, double Y)> points) => Draw(id, MarkView.Above, kind, closed, words, points);

    /// <summary>Draws an outline from above.</summary>
    public Sketch Above(string id, MarkKind kind, Outline outline, Message? words)
    {
        _marks.AddRange(outline.Pieces.Select(piece => new DrawnMark(id, MarkView.Above, kind, piece, true, words)));
        return this;
    }

    /// <summary>Draws a patch of stock on the outside of the section, its edges thinned.</summary>
    public Sketch Patch(string id, double halfMm, double thicknessMm, Message words, double depthMm = 0)
    {
        var up = depthMm > 0 ? 1 : -1;
        return Section(id, MarkKind.Patch, true, words,
            (-halfMm, depthMm), (-halfMm + thicknessMm, depthMm + (up * thicknessMm)), (halfMm - thicknessMm, depthMm + (up * thicknessMm)), (halfMm, depthMm));
    }

    /// <summary>Draws a slab between two depths, as wide as twice a half.</summary>
    public Sketch Slab(string id, MarkKind kind, Message? words, double halfMm, double topMm, double bottomMm) =>
        Section(id, kind, true, words, (-halfMm, topMm), (halfMm, topMm), (halfMm, bottomMm), (-halfMm, bottomMm));

    private Sketch Draw(string id, MarkView view, MarkKind kind, bool closed, Message? words, ReadOnlySpan<(double X, double Y)> points)
    {
        var corners = new List<PointMm>(points.Length);
        foreach (var (x, y) in points)
        {
            corners.Add(new PointMm(Math.Round(x, 2), Math.Round(y, 2)));
        }

        _marks.Add(new DrawnMark(id, view, kind, corners, closed, words?.Told()));
        return this;
    }
}
