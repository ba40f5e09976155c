using AbleMend.Core.Gear;
using AbleMend.Core.Patching;
using SkiaSharp;

namespace AbleMend.Server.Printing;

/// <summary>Patch templates as a PDF at 1:1 on A4, in tiles with register marks where they are larger than a sheet.</summary>
public static class TemplatePdf
{
    private const float PointsPerMm = 72f / 25.4f;
    private const float PageWidthMm = 210;
    private const float PageHeightMm = 297;
    private const float MarginMm = 10;
    private const float RulerRoomMm = 26;

    private static readonly Lazy<SKTypeface> Face = new(() =>
        SKTypeface.FromFile(Path.Combine(AppContext.BaseDirectory, "Printing", "Fonts", "DejaVuSans.ttf")));

    /// <summary>Writes the template.</summary>
    public static byte[] Write(IReadOnlyList<Patch> patches, string title)
    {
        var points = patches.SelectMany(patch => patch.Pieces).SelectMany(piece => piece).DefaultIfEmpty(new PointMm(0, 0)).ToList();
        var (left, top) = ((float)points.Min(point => point.X), (float)points.Min(point => point.Y));
        var (width, height) = ((float)points.Max(point => point.X) - left, (float)points.Max(point => point.Y) - top);
        var (tileWidth, tileHeight) = (PageWidthMm - (2 * MarginMm), PageHeightMm - (2 * MarginMm) - RulerRoomMm);
        var (across, down) = ((int)Math.Max(1, Math.Ceiling(width / tileWidth)), (int)Math.Max(1, Math.Ceiling(height / tileHeight)));
        using var stream = new MemoryStream();
        using (var document = SKDocument.CreatePdf(stream))
        {
            for (var tile = 0; tile < across * down; tile++)
            {
                using var canvas = document.BeginPage(PageWidthMm * PointsPerMm, PageHeightMm * PointsPerMm);
                canvas.Scale(PointsPerMm);
                var words = across * down == 1 ? title : $"{title} — sheet {tile + 1} of {across * down}";
                DrawRuler(canvas, words);
                canvas.Translate(MarginMm - left - (tile % across * tileWidth), MarginMm + RulerRoomMm - top - (tile / across * tileHeight));
                DrawPatches(canvas, patches);
                DrawRegister(canvas, left, top, tileWidth, tileHeight, across, down);
                document.EndPage();
            }

            document.Close();
        }

        return stream.ToArray();
    }

    private static void DrawRuler(SKCanvas canvas, string title)
    {
        using var line = Line(0.3f);
        canvas.DrawLine(MarginMm, MarginMm + 12, MarginMm + (float)Template.RulerMm, MarginMm + 12, line);
        for (var i = 0; i <= 10; i++)
        {
            canvas.DrawLine(MarginMm + (i * 10), MarginMm + 12, MarginMm + (i * 10), MarginMm + (i % 5 == 0 ? 8 : 10), line);
        }

        Text(canvas, MarginMm, MarginMm + 4, $"{title} — cut at 1:1");
        Text(canvas, MarginMm, MarginMm + 18, "This ruler must measure 100 mm. If not, print again at 100 %.");
    }

    private static void DrawPatches(SKCanvas canvas, IReadOnlyList<Patch> patches)
    {
        using var line = Line(0.35f);
        foreach (var patch in patches)
        {
            foreach (var piece in patch.Pieces)
            {
                using var path = new SKPathBuilder();
                path.MoveTo((float)piece[0].X, (float)piece[0].Y);
                foreach (var point in piece.Skip(1))
                {
                    path.LineTo((float)point.X, (float)point.Y);
                }

                path.Close();
                using var outline = path.Detach();
                canvas.DrawPath(outline, line);
            }

            var highest = patch.Pieces.SelectMany(piece => piece).MinBy(point => point.Y)!;
            Text(canvas, (float)highest.X - 8, (float)highest.Y + 4.5f, $"patch {patch.Order}");
        }
    }

    private static void DrawRegister(SKCanvas canvas, float left, float top, float tileWidth, float tileHeight, int across, int down)
    {
        using var line = Line(0.2f);
        for (var x = 0; x <= across; x++)
        {
            for (var y = 0; y <= down; y++)
            {
                var (markX, markY) = (left + (x * tileWidth), top + (y * tileHeight));
                canvas.DrawLine(markX - 4, markY, markX + 4, markY, line);
                canvas.DrawLine(markX, markY - 4, markX, markY + 4, line);
            }
        }
    }

    private static SKPaint Line(float widthMm) => new() { Style = SKPaintStyle.Stroke, StrokeWidth = widthMm, Color = SKColors.Black, IsAntialias = true };

    private static void Text(SKCanvas canvas, float x, float y, string words)
    {
        using var font = new SKFont(Face.Value, 3.6f);
        using var ink = new SKPaint { Color = SKColors.Black };
        canvas.DrawText(words, x, y, SKTextAlign.Left, font, ink);
    }
}
