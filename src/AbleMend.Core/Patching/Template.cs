using System.Globalization;
using System.Text;
using AbleMend.Core.Gear;

namespace AbleMend.Core.Patching;

/// <summary>Patch templates at 1:1, with a ruler of 100 mm to check the printer.</summary>
public static class Template
{
    /// <summary>Length of the check ruler in millimetres.</summary>
    public const double RulerMm = 100;

    private const double EdgeMm = 10;
    private const double RulerRoomMm = 26;

    /// <summary>Extent of everything on the sheet: width and height in millimetres, and where the outlines' origin lies on it.</summary>
    public static (double WidthMm, double HeightMm, double OriginXMm, double OriginYMm) Sheet(IReadOnlyList<Patch> patches)
    {
        var points = patches.SelectMany(patch => patch.Pieces).SelectMany(piece => piece).DefaultIfEmpty(new PointMm(0, 0)).ToList();
        var (left, right) = (points.Min(point => point.X), points.Max(point => point.X));
        var (top, bottom) = (points.Min(point => point.Y), points.Max(point => point.Y));
        var width = Math.Max(right - left, RulerMm) + (2 * EdgeMm);
        return (width, bottom - top + (2 * EdgeMm) + RulerRoomMm, EdgeMm - left, EdgeMm + RulerRoomMm - top);
    }

    /// <summary>The template as an SVG document in millimetres.</summary>
    /// <param name="patches">Patches to draw.</param>
    /// <param name="title">Title, such as the tag of the item and the date.</param>
    public static string Svg(IReadOnlyList<Patch> patches, string title)
    {
        var (width, height, x, y) = Sheet(patches);
        var svg = new StringBuilder();
        svg.Append(CultureInfo.InvariantCulture,
            $"""<svg xmlns="http://www.w3.org/2000/svg" width="{width:0.##}mm" height="{height:0.##}mm" viewBox="0 0 {width:0.##} {height:0.##}" font-family="sans-serif" font-size="4" fill="none" stroke="#000" stroke-width="0.3">""");
        svg.Append(CultureInfo.InvariantCulture, $"""<title>{Escape(title)}</title>""");
        svg.Append(CultureInfo.InvariantCulture,
            $"""<path id="ruler" d="M{EdgeMm} 14v-5M{EdgeMm} 12h{RulerMm}M{EdgeMm + RulerMm} 14v-5"/>""");
        for (var i = 1; i < 10; i++)
        {
            svg.Append(CultureInfo.InvariantCulture, $"""<path d="M{EdgeMm + (i * 10)} 12v{(i == 5 ? -3 : -2)}"/>""");
        }

        Text(svg, EdgeMm, 7, $"{title} — cut at 1:1");
        Text(svg, EdgeMm, 20, "This ruler must measure 100 mm. If not, print again at 100 %.");
        foreach (var patch in patches)
        {
            foreach (var piece in patch.Pieces)
            {
                svg.Append(CultureInfo.InvariantCulture, $"""<path class="patch" d="{Path(piece, x, y)}"/>""");
            }

            var top = patch.Pieces.SelectMany(piece => piece).MinBy(point => point.Y)!;
            Text(svg, top.X + x - 8, top.Y + y + 4.5, $"patch {patch.Order}");
        }

        svg.Append("</svg>");
        return svg.ToString();
    }

    /// <summary>SVG path data of one outline, moved to a place on the sheet.</summary>
    public static string Path(IReadOnlyList<PointMm> piece, double x, double y) =>
        string.Create(CultureInfo.InvariantCulture,
            $"M{string.Join("L", piece.Select(point => string.Create(CultureInfo.InvariantCulture, $"{point.X + x:0.##} {point.Y + y:0.##}")))}Z");

    private static void Text(StringBuilder svg, double x, double y, string words) =>
        svg.Append(CultureInfo.InvariantCulture, $"""<text x="{x:0.##}" y="{y:0.##}" fill="#000" stroke="none">{Escape(words)}</text>""");

    private static string Escape(string words) => System.Security.SecurityElement.Escape(words);
}
