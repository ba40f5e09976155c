using System.Globalization;
using System.Text;
using AbleMend.Core.Gear;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;

namespace AbleMend.Core.Patching;

/// <summary>Patch templates at 1:1, with a ruler to check the printer by.</summary>
public static class Template
{
    private const double EdgeMm = 10;
    private const double RulerRoomMm = 26;
    private const double RulerAtMm = 12;
    private const double RegisterMm = 4;
    private static readonly (double WidthMm, double HeightMm) A4 = (210, 297);

    /// <summary>Every patch on one sheet that is as large as it has to be.</summary>
    /// <param name="patches">Patches to draw.</param>
    /// <param name="title">Title, such as the tag of the item and the number of the mend.</param>
    /// <param name="system">Units of the ruler: 100 mm, or 4 inches.</param>
    public static TemplateSheet Whole(IReadOnlyList<Patch> patches, Message title, UnitSystem system)
    {
        var extent = Extent.Of(patches);
        var width = Math.Max(extent.Width, RulerOf(system).LengthMm) + (2 * EdgeMm);
        return Lay(patches, title, system, (width, extent.Height + (2 * EdgeMm) + RulerRoomMm), Origin(extent, 0, 0), []);
    }

    /// <summary>The patches on as many sheets of A4 as they need, with register marks where one sheet meets the next.</summary>
    /// <param name="patches">Patches to draw.</param>
    /// <param name="title">Title, such as the tag of the item and the number of the mend.</param>
    /// <param name="system">Units of the ruler: 100 mm, or 4 inches.</param>
    public static IReadOnlyList<TemplateSheet> Sheets(IReadOnlyList<Patch> patches, Message title, UnitSystem system)
    {
        var extent = Extent.Of(patches);
        var room = (Width: A4.WidthMm - (2 * EdgeMm), Height: A4.HeightMm - (2 * EdgeMm) - RulerRoomMm);
        var across = Math.Max(1, (int)Math.Ceiling(extent.Width / room.Width));
        var down = Math.Max(1, (int)Math.Ceiling(extent.Height / room.Height));
        var crosses = across * down == 1 ? [] : Crosses(extent, room, across, down);
        return
        [
            .. Enumerable.Range(0, across * down).Select(tile => Lay(
                patches, across * down == 1 ? title : $"{title}, sheet {tile + 1} of {across * down}", system, A4,
                Origin(extent, tile % across * room.Width, tile / across * room.Height), crosses)),
        ];
    }

    /// <summary>A sheet as an SVG document in millimetres.</summary>
    /// <param name="sheet">The sheet.</param>
    /// <param name="voice">Whose words and units.</param>
    public static string Svg(TemplateSheet sheet, Voice voice)
    {
        var svg = new StringBuilder();
        svg.Append(CultureInfo.InvariantCulture,
            $"""<svg xmlns="http://www.w3.org/2000/svg" width="{sheet.WidthMm:0.##}mm" height="{sheet.HeightMm:0.##}mm" viewBox="0 0 {sheet.WidthMm:0.##} {sheet.HeightMm:0.##}" font-family="sans-serif" font-size="4" fill="none" stroke="#000" stroke-width="0.3">""");
        svg.Append(CultureInfo.InvariantCulture, $"""<title>{Escape(voice.Say(sheet.Title))}</title>""");
        foreach (var line in sheet.Lines)
        {
            svg.Append(CultureInfo.InvariantCulture, $"""<path class="{Kebab<SheetMark>.Id(line.Mark)}" d="{Path(line)}"/>""");
        }

        foreach (var words in sheet.Words)
        {
            svg.Append(CultureInfo.InvariantCulture, $"""<text x="{words.At.X:0.##}" y="{words.At.Y:0.##}" fill="#000" stroke="none">{Escape(voice.Say(words.Words))}</text>""");
        }

        return svg.Append("</svg>").ToString();
    }

    private static TemplateSheet Lay(
        IReadOnlyList<Patch> patches, Message title, UnitSystem system, (double WidthMm, double HeightMm) size, PointMm origin, IReadOnlyList<SheetLine> crosses)
    {
        PointMm Placed(PointMm point) => new(point.X + origin.X, point.Y + origin.Y);
        SheetLine PlacedLine(SheetLine line) => line with { Points = [.. line.Points.Select(Placed)] };
        var (rulerMm, divisions) = RulerOf(system);
        return new TemplateSheet(
            size.WidthMm, size.HeightMm, title,
            [
                .. Ruler(rulerMm, divisions),
                .. patches.SelectMany(patch => patch.Pieces).Select(piece => PlacedLine(new SheetLine(SheetMark.Patch, piece, Closed: true))),
                .. crosses.Select(PlacedLine),
            ],
            [
                new SheetWords(new PointMm(EdgeMm, RulerAtMm - 6), $"{title}: cut at 1:1"),
                new SheetWords(new PointMm(EdgeMm, RulerAtMm + 8), $"This ruler must measure {new Length(rulerMm)}. If not, print again at 100 %."),
                .. patches.Select(patch => new SheetWords(Placed(InsideUpperEdge(patch)), $"patch {patch.Order}")),
            ]);
    }

    private static PointMm InsideUpperEdge(Patch patch)
    {
        var highest = patch.Pieces.SelectMany(piece => piece).MinBy(point => point.Y)!;
        return new PointMm(highest.X - 8, highest.Y + 4.5);
    }

    /// <summary>A length that anybody can check by the rule at hand, and into how many parts it is divided.</summary>
    private static (double LengthMm, int Divisions) RulerOf(UnitSystem system) => system == UnitSystem.Us ? (4 * 25.4, 8) : (100, 10);

    private static IEnumerable<SheetLine> Ruler(double lengthMm, int divisions) =>
        Enumerable.Range(0, divisions + 1)
            .Select(i => (X: EdgeMm + (lengthMm * i / divisions), Long: i % (divisions / 2) == 0))
            .Select(tick => new SheetLine(SheetMark.Tick, [new PointMm(tick.X, RulerAtMm), new PointMm(tick.X, RulerAtMm - (tick.Long ? 4 : 2))]))
            .Prepend(new SheetLine(SheetMark.Ruler, [new PointMm(EdgeMm, RulerAtMm), new PointMm(EdgeMm + lengthMm, RulerAtMm)]));

    private static IReadOnlyList<SheetLine> Crosses(Extent extent, (double Width, double Height) room, int across, int down) =>
    [
        .. from x in Enumerable.Range(0, across + 1)
           from y in Enumerable.Range(0, down + 1)
           let at = new PointMm(extent.Left + (x * room.Width), extent.Top + (y * room.Height))
           from line in new[]
           {
               new SheetLine(SheetMark.Register, [at with { X = at.X - RegisterMm }, at with { X = at.X + RegisterMm }]),
               new SheetLine(SheetMark.Register, [at with { Y = at.Y - RegisterMm }, at with { Y = at.Y + RegisterMm }]),
           }
           select line,
    ];

    /// <summary>Where the outlines' own origin lies on a sheet that begins so far along and down the whole.</summary>
    private static PointMm Origin(Extent extent, double along, double down) => new(EdgeMm - extent.Left - along, EdgeMm + RulerRoomMm - extent.Top - down);

    private static string Path(SheetLine line) =>
        string.Create(CultureInfo.InvariantCulture,
            $"M{string.Join("L", line.Points.Select(point => string.Create(CultureInfo.InvariantCulture, $"{point.X:0.##} {point.Y:0.##}")))}{(line.Closed ? "Z" : "")}");

    private static string Escape(string words) => System.Security.SecurityElement.Escape(words);

    private readonly record struct Extent(double Left, double Top, double Width, double Height)
    {
        public static Extent Of(IReadOnlyList<Patch> patches)
        {
            var points = patches.SelectMany(patch => patch.Pieces).SelectMany(piece => piece).DefaultIfEmpty(new PointMm(0, 0)).ToList();
            var (left, top) = (points.Min(point => point.X), points.Min(point => point.Y));
            return new Extent(left, top, points.Max(point => point.X) - left, points.Max(point => point.Y) - top);
        }
    }
}
