using System.Globalization;
using System.Xml.Linq;
using AbleMend.Core.Patching;

namespace AbleMend.Core.Tests.Patching;

public class TemplateTests
{
    /// <summary>A patch with square corners, so that every number on the sheet can be worked out by hand.</summary>
    private static Patch Square(double left, double top, double right, double bottom, int order = 1) =>
        new(order, "glass-136", 10, (right - left) * (bottom - top) / 100, right - left, bottom - top, null, [[new(left, top), new(right, top), new(right, bottom), new(left, bottom)]]);

    private static XElement Read(params Patch[] patches) => XElement.Parse(Template.Svg(patches, "BRD-11 <1>"));

    private static List<XElement> Elements(XElement svg, string name) => [.. svg.Elements().Where(element => element.Name.LocalName == name)];

    [Fact]
    public void The_sheet_holds_the_patch_its_edges_and_the_ruler() =>
        Template.Sheet([Square(-60, -20, 70, 25)]).ShouldBe((130 + 20, 45 + 20 + 26, 10 + 60, 10 + 26 + 20));

    [Fact]
    public void A_small_patch_does_not_cut_the_ruler_short() => Template.Sheet([Square(-5, -4, 5, 4)]).WidthMm.ShouldBe(120);

    [Fact]
    public void All_patches_find_room_on_one_sheet() =>
        Template.Sheet([Square(-60, -20, 40, 30), Square(-50, -35, 90, 20, 2)]).ShouldBe((150 + 20, 65 + 20 + 26, 70, 71));

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
        Elements(svg, "path").Single(path => path.Attribute("id")?.Value == "ruler").Attribute("d")!.Value.ShouldBe("M10 14v-5M10 12h100M110 14v-5");
        Elements(svg, "path").Where(path => path.Attribute("id") is null && path.Attribute("class") is null).Select(path => path.Attribute("d")!.Value)
            .ShouldBe(Enumerable.Range(1, 9).Select(i => string.Create(CultureInfo.InvariantCulture, $"M{10 + (i * 10)} 12v{(i == 5 ? "-3" : "-2")}")));
    }

    [Fact]
    public void It_says_what_it_is_how_it_is_checked_and_which_patch_is_which()
    {
        var svg = Read(Square(-60, -20, 40, 30), Square(-50, -35, 90, 20, 2));
        Elements(svg, "title").Single().Value.ShouldBe("BRD-11 <1>");
        var words = Elements(svg, "text").Select(text => (text.Attribute("x")!.Value, text.Attribute("y")!.Value, text.Value)).ToList();
        words[0].ShouldBe(("10", "7", "BRD-11 <1> — cut at 1:1"));
        words[1].Item3.ShouldContain("100 mm");
        words[2].ShouldBe(("2", "55.5", "patch 1"), "inside its upper edge");
        words[3].ShouldBe(("12", "40.5", "patch 2"));
    }

    [Fact]
    public void Without_a_patch_there_is_still_the_ruler() => Elements(Read(), "path").Count.ShouldBe(10);
}
