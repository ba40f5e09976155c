using System.Globalization;
using System.Xml.Linq;
using AbleMend.Core.Gear;
using AbleMend.Core.Patching;
using AbleMend.Core.Quantities;

namespace AbleMend.Core.Tests.Patching;

public class TemplateTests
{
    /// <summary>A patch with square corners, so that every number on the sheet can be worked out by hand.</summary>
    private static Patch Square(double left, double top, double right, double bottom, int order = 1) =>
        new(order, "glass-136", 10, (right - left) * (bottom - top) / 100, right - left, bottom - top, null, [[new(left, top), new(right, top), new(right, bottom), new(left, bottom)]]);

    private static XElement Read(params Patch[] patches) => XElement.Parse(Template.Svg(Template.Whole(patches, "BRD-11 <1>", UnitSystem.Metric), Voice.Plain));

    private static (double Width, double Height) Extent(params Patch[] patches) =>
        Template.Whole(patches, "BRD-11", UnitSystem.Metric) is var sheet ? (sheet.WidthMm, sheet.HeightMm) : default;

    private static List<XElement> Elements(XElement svg, string name) => [.. svg.Elements().Where(element => element.Name.LocalName == name)];

    [Fact]
    public void The_sheet_holds_the_patch_its_edges_and_the_ruler() =>
        Extent(Square(-60, -20, 70, 25)).ShouldBe((130 + 20, 45 + 20 + 26));

    [Fact]
    public void A_small_patch_does_not_cut_the_ruler_short() => Extent(Square(-5, -4, 5, 4)).Width.ShouldBe(120);

    [Fact]
    public void All_patches_find_room_on_one_sheet() =>
        Extent(Square(-60, -20, 40, 30), Square(-50, -35, 90, 20, 2)).ShouldBe((150 + 20, 65 + 20 + 26));

    [Fact]
    public void One_unit_of_the_drawing_is_one_millimetre_on_paper()
    {
        var svg = Read(Square(-60, -20, 70, 25));
        (svg.Attribute("width")!.Value, svg.Attribute("height")!.Value, svg.Attribute("viewBox")!.Value).ShouldBe(("150mm", "91mm", "0 0 150 91"));
        Elements(svg, "path").Single(path => path.Attribute("class")?.Value == "patch").Attribute("d")!.Value.ShouldBe("M10 36L140 36L140 81L10 81Z");
    }

    [Fact]
    public void The_ruler_measures_a_hundred_millimetres_with_a_tick_at_every_ten()
    {
        var svg = Read(Square(-60, -20, 70, 25));
        Lines(svg, "ruler").ShouldBe(["M10 12L110 12"]);
        Lines(svg, "tick").ShouldBe(Enumerable.Range(0, 11).Select(i => string.Create(CultureInfo.InvariantCulture, $"M{10 + (i * 10)} 12L{10 + (i * 10)} {(i % 5 == 0 ? 8 : 10)}")));
    }

    [Fact]
    public void The_ruler_of_a_shop_that_measures_in_inches_is_four_of_them_in_halves()
    {
        var sheet = Template.Whole([Square(-60, -20, 70, 25)], "BRD-11", UnitSystem.Us);
        var svg = XElement.Parse(Template.Svg(sheet, Voice.Plain with { System = UnitSystem.Us }));
        Lines(svg, "ruler").ShouldBe(["M10 12L111.6 12"]);
        Lines(svg, "tick").Count.ShouldBe(9);
        Lines(svg, "tick")[1].ShouldBe("M22.7 12L22.7 10");
        Elements(svg, "text")[1].Value.ShouldContain("4 in.");
    }

    [Fact]
    public void A_patch_that_is_larger_than_a_sheet_goes_onto_several_that_meet_at_their_crosses()
    {
        // 300 mm across over sheets with room for 190, 100 down with room for 251: two sheets, beside each other.
        var sheets = Template.Sheets([Square(-150, -50, 150, 50)], "BRD-11", UnitSystem.Metric);
        sheets.Select(sheet => (sheet.WidthMm, sheet.HeightMm)).ShouldBe([(210, 297), (210, 297)]);
        sheets.Select(sheet => Voice.Plain.Say(sheet.Title)).ShouldBe(["BRD-11, sheet 1 of 2", "BRD-11, sheet 2 of 2"]);
        var (first, second) = (Crosses(sheets[0]), Crosses(sheets[1]));
        first.Count.ShouldBe(3 * 2 * 2);
        first[4][0].X.ShouldBe(10 + 190 - 4, "where the first sheet ends");
        second[4][0].X.ShouldBe(10 - 4, "the second begins, at the same cross");
        sheets[1].Lines.Single(line => line.Mark == SheetMark.Patch).Points[1].ShouldBe(new(300 - 190 + 10, 36));
    }

    [Fact]
    public void What_fits_on_one_sheet_carries_no_cross() =>
        Template.Sheets([Square(-60, -20, 70, 25)], "BRD-11", UnitSystem.Metric).Single().Lines.ShouldNotContain(line => line.Mark == SheetMark.Register);

    private static List<IReadOnlyList<PointMm>> Crosses(TemplateSheet sheet) => [.. sheet.Lines.Where(line => line.Mark == SheetMark.Register).Select(line => line.Points)];

    private static List<string> Lines(XElement svg, string mark) =>
        [.. Elements(svg, "path").Where(path => path.Attribute("class")!.Value == mark).Select(path => path.Attribute("d")!.Value)];

    [Fact]
    public void It_says_what_it_is_how_it_is_checked_and_which_patch_is_which()
    {
        var svg = Read(Square(-60, -20, 40, 30), Square(-50, -35, 90, 20, 2));
        Elements(svg, "title").Single().Value.ShouldBe("BRD-11 <1>");
        var words = Elements(svg, "text").Select(text => (text.Attribute("x")!.Value, text.Attribute("y")!.Value, text.Value)).ToList();
        words[0].ShouldBe(("10", "6", "BRD-11 <1>: cut at 1:1"));
        words[1].Item3.ShouldContain("100 mm");
        words[2].ShouldBe(("2", "55.5", "patch 1"), "inside its upper edge");
        words[3].ShouldBe(("12", "40.5", "patch 2"));
    }

    [Fact]
    public void Without_a_patch_there_is_still_the_ruler() => Elements(Read(), "path").Count.ShouldBe(1 + 11);
}
