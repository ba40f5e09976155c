using AbleMend.Core.Gear;
using AbleMend.Core.Patching;
using AbleMend.Core.Words;
using SkiaSharp;

namespace AbleMend.Server.Printing;

/// <summary>Template sheets as a PDF at 1:1.</summary>
public static class TemplatePdf
{
    private const float PointsPerMm = 72f / 25.4f;
    private const float LetterMm = 3.6f;

    private static readonly Lazy<SKTypeface> Face = new(() =>
        SKTypeface.FromFile(Path.Combine(AppContext.BaseDirectory, "Printing", "Fonts", "DejaVuSans.ttf")));

    private static readonly IReadOnlyDictionary<SheetMark, float> WidthsMm = new Dictionary<SheetMark, float>
    {
        [SheetMark.Ruler] = 0.3f,
        [SheetMark.Tick] = 0.3f,
        [SheetMark.Patch] = 0.35f,
        [SheetMark.Register] = 0.2f,
    };

    /// <summary>Writes the sheets, one to a page.</summary>
    /// <param name="sheets">The sheets.</param>
    /// <param name="voice">Whose words and units.</param>
    public static byte[] Write(IReadOnlyList<TemplateSheet> sheets, Voice voice)
    {
        using var stream = new MemoryStream();
        using (var document = SKDocument.CreatePdf(stream))
        {
            foreach (var sheet in sheets)
            {
                using var canvas = document.BeginPage((float)sheet.WidthMm * PointsPerMm, (float)sheet.HeightMm * PointsPerMm);
                canvas.Scale(PointsPerMm);
                foreach (var line in sheet.Lines)
                {
                    Draw(canvas, line);
                }

                foreach (var words in sheet.Words)
                {
                    Letter(canvas, words.At, voice.Say(words.Words));
                }

                document.EndPage();
            }

            document.Close();
        }

        return stream.ToArray();
    }

    private static void Draw(SKCanvas canvas, SheetLine line)
    {
        using var path = new SKPathBuilder();
        path.MoveTo((float)line.Points[0].X, (float)line.Points[0].Y);
        foreach (var point in line.Points.Skip(1))
        {
            path.LineTo((float)point.X, (float)point.Y);
        }

        if (line.Closed)
        {
            path.Close();
        }

        using var drawn = path.Detach();
        using var ink = new SKPaint { Style = SKPaintStyle.Stroke, StrokeWidth = WidthsMm[line.Mark], Color = SKColors.Black, IsAntialias = true };
        canvas.DrawPath(drawn, ink);
    }

    private static void Letter(SKCanvas canvas, PointMm at, string words)
    {
        // Unhinted and placed on parts of a unit: letters a few units high would else each move to a whole one.
        using var font = new SKFont(Face.Value, LetterMm) { Hinting = SKFontHinting.None, Subpixel = true, LinearMetrics = true };
        using var ink = new SKPaint { Color = SKColors.Black };
        canvas.DrawText(words, (float)at.X, (float)at.Y, SKTextAlign.Left, font, ink);
    }
}
