using AbleMend.Core.Gear;
using AbleMend.Core.Patching;
using CsCheck;

namespace AbleMend.Core.Tests.Patching;

public class OutlineTests
{
    [Fact]
    public void A_round_grows_by_its_margin_all_round()
    {
        var grown = Outline.Of(new RoundShape(40)).Grown(20);
        grown.LengthMm.ShouldBe(80, 0.2);
        grown.WidthMm.ShouldBe(80, 0.2);
    }

    // Steiner's formula for a convex outline: area grows by perimeter × m + π·m². Solid geometry, textbook.
    [Fact]
    public void A_convex_outline_grows_as_steiner_says() =>
        Gen.Select(Gen.Double[5, 200], Gen.Double[5, 120], Gen.Double[2, 60]).Sample((length, width, margin) =>
        {
            var outline = Outline.Of(new OvalShape(length, width));
            var expected = outline.AreaMm2 + (outline.PerimeterMm * margin) + (Math.PI * margin * margin);
            return Math.Abs((outline.Grown(margin).AreaMm2 / expected) - 1) < 0.005;
        });

    // Reference: the general buffer of NetTopologySuite, which our own growing of outlines without a hollow must equal.
    [Fact]
    public void A_convex_outline_grows_as_the_geometry_library_grows_it() =>
        Gen.Select(Gen.OneOf(Gen.Select(Gen.Double[4, 200], Gen.Double[4, 90], Shape (a, b) => new OvalShape(a, b)), Gen.Select(Gen.Double[4, 200], Gen.Double[0.5, 9], Shape (a, b) => new CrackShape(a, b)), Quadrilateral), Gen.Double[0.5, 60])
            .Sample((shape, margin) =>
            {
                var outline = Outline.Of(shape);
                var reference = outline.Geometry.Buffer(margin, Outline.SegmentsPerQuarter);
                var grown = outline.Grown(margin);
                grown.Geometry.IsValid.ShouldBeTrue();
                grown.AreaMm2.ShouldBe(reference.Area, reference.Area * 0.001);
                NetTopologySuite.Algorithm.Distance.DiscreteHausdorffDistance.Distance(grown.Geometry, reference).ShouldBeLessThan(0.12);
            });

    /// <summary>Four corners, either way round, with a hollow or without, so that both ways of growing are met.</summary>
    private static readonly Gen<Shape> Quadrilateral =
        Gen.Select(Gen.Double[8, 60], Gen.Double[8, 60], Gen.Double[-4, 60], Gen.Bool, Shape (a, b, c, clockwise) =>
        {
            PointMm[] points = [new(-a, 0), new(0, -b), new(c, 0), new(0, b)];
            return new TracedShape(clockwise ? [.. points.Reverse()] : points);
        });

    // Sums of Minkowski with discs: growing by a and then by b is growing by a + b. Mathematical morphology, textbook.
    [Fact]
    public void Growing_twice_is_growing_by_both_margins_with_no_more_corners()
    {
        var hole = Outline.Of(new TracedShape([new(-22, -9), new(4, -14), new(25, -3), new(2, 1), new(18, 12), new(-12, 13)]), [new(new RoundShape(20), new PointMm(55, 10))]);
        var (twice, once) = (hole.Grown(7).Grown(16), hole.Grown(23));
        twice.AreaMm2.ShouldBe(once.AreaMm2, 1e-9);
        twice.Pieces.Sum(piece => piece.Count).ShouldBe(once.Pieces.Sum(piece => piece.Count));
        // Against the definition: every corner of the twice grown outline lies 23 mm from the hole, less the chord of a segment.
        twice.Geometry.Coordinates.ShouldAllBe(corner => Math.Abs(new NetTopologySuite.Geometries.Point(corner).Distance(hole.Geometry) - 23) < 0.06);
    }

    [Fact]
    public void Neighbours_closer_than_their_margins_become_one_patch()
    {
        Neighbour At(double x) => new(new RoundShape(20), new PointMm(x, 0));
        var apart = Outline.Of(new RoundShape(20), [At(90)]);
        apart.Grown(20).Pieces.Count.ShouldBe(2);
        apart.Grown(40).Pieces.Count.ShouldBe(1);
    }

    [Theory]
    [InlineData(true, "0,0 30,0 30,20 0,20")]
    [InlineData(false, "0,0 30,20 30,0 0,20")]
    [InlineData(false, "0,0 30,0")]
    [InlineData(false, "0,0 30,0 60,0")]
    public void A_traced_outline_goes_round_once(bool sound, string points) =>
        Outline.IsSound([.. points.Split(' ').Select(pair => pair.Split(',')).Select(xy => new PointMm(double.Parse(xy[0]), double.Parse(xy[1])))]).ShouldBe(sound);

    [Fact]
    public void Only_what_has_no_hollow_and_no_hole_grows_along_its_normals()
    {
        static bool Convex(NetTopologySuite.Geometries.Geometry geometry) => ConvexRing.TryOf(geometry, 12) is not null;
        static NetTopologySuite.Geometries.Geometry Traced(params PointMm[] points) => Outline.Of(new TracedShape(points)).Geometry;
        Convex(Outline.Of(new RoundShape(30)).Geometry).ShouldBeTrue();
        Convex(Traced(new(0, 0), new(40, 0), new(40, 20), new(0, 20))).ShouldBeTrue();
        Convex(Traced(new(0, 20), new(40, 20), new(40, 0), new(0, 0))).ShouldBeTrue("the other way round");
        Convex(Traced(new(0, 0), new(20, 0), new(40, 0), new(40, 20), new(0, 20))).ShouldBeTrue("a corner that goes straight on is none");
        Convex(Traced(new(0, 0), new(20, 5), new(40, 0), new(40, 20), new(0, 20))).ShouldBeFalse();
        Convex(Outline.Of(new RoundShape(30), [new(new RoundShape(30), new PointMm(90, 0))]).Geometry).ShouldBeFalse("two pieces may meet as they grow");
        var ring = Outline.Of(new RoundShape(60)).Geometry.Difference(Outline.Of(new RoundShape(20)).Geometry);
        Convex(ring).ShouldBeFalse("a hole closes as it grows");
        // Five points of a star in the order in which a pen draws it turn twice round.
        Convex(Traced([.. Enumerable.Range(0, 5).Select(i => i * 4 * Math.PI / 5).Select(angle => new PointMm(30 * Math.Cos(angle), 30 * Math.Sin(angle)))])).ShouldBeFalse();
    }

    // A square of 40 by 20 grown by 12: each corner becomes a quarter turn of twelve segments, worked by hand.
    [Fact]
    public void A_rectangle_grows_to_its_sides_and_a_quarter_round_at_each_corner()
    {
        var grown = Outline.Of(new CrackShape(40, 20)).Grown(12);
        (grown.LengthMm, grown.WidthMm).ShouldBe((64, 44));
        grown.Pieces.Single().Count.ShouldBe(4 * 13);
        grown.AreaMm2.ShouldBe((40 * 20) + (2 * 12 * (40 + 20)) + (48 * 0.5 * 144 * Math.Sin(Math.PI / 24)), 1e-6);
        var straight = Outline.Of(new TracedShape([new(0, 0), new(20, 0), new(40, 0), new(40, 20), new(0, 20)])).Grown(12);
        straight.AreaMm2.ShouldBe(grown.AreaMm2, 1e-6);
        straight.Pieces.Single().Count.ShouldBe(53);
    }

    [Fact]
    public void A_neighbour_lies_where_it_was_measured()
    {
        var both = Outline.Of(new CrackShape(10, 4), [new(new CrackShape(10, 4), new PointMm(30, 20))]);
        (both.LengthMm, both.WidthMm, both.AreaMm2).ShouldBe((40, 24, 80));
        both.Pieces.SelectMany(piece => piece).Max(point => point.X).ShouldBe(35);
        both.Pieces.SelectMany(piece => piece).Max(point => point.Y).ShouldBe(22);
        Outline.Of(new CrackShape(10, 4)).Grown(0).AreaMm2.ShouldBe(40);
        Should.Throw<ArgumentOutOfRangeException>(() => both.Grown(-1));
    }

    [Fact]
    public void A_point_at_infinity_is_not_sound()
    {
        Outline.IsSound([new(0, 0), new(4, double.PositiveInfinity), new(5, 5)]).ShouldBeFalse();
        Outline.IsSound([new(0, 0), new(1, 0), new(0, 1)]).ShouldBeFalse("half a square millimetre is no more than a slip of the pen");
        Outline.IsSound([new(0, 0), new(1.1, 0), new(0, 1)]).ShouldBeTrue();
    }

    [Fact]
    public void Patches_need_a_margin_and_their_steps_go_outward()
    {
        var hole = Outline.Of(new RoundShape(30));
        Should.Throw<ArgumentOutOfRangeException>(() => PatchStack.Over(hole, ["a"], 0, 15, largestFirst: false));
        Should.Throw<ArgumentOutOfRangeException>(() => PatchStack.Over(hole, ["a"], 20, -1, largestFirst: false));
    }

    [Fact]
    public void A_point_that_is_no_number_is_not_sound() => Outline.IsSound([new(0, 0), new(double.NaN, 4), new(5, 5)]).ShouldBeFalse();

    [Fact]
    public void Every_patch_covers_the_one_below_it_and_the_hole()
    {
        var hole = Outline.Of(new TracedShape([new(-22, -9), new(4, -14), new(25, -3), new(18, 12), new(-12, 13)]));
        var patches = PatchStack.Over(hole, ["glass-136", "glass-136"], 20, 15, largestFirst: false);
        patches.Select(patch => patch.Order).ShouldBe([1, 2]);
        patches[0].AreaCm2.ShouldBeGreaterThan(hole.AreaMm2 / 100);
        patches[1].AreaCm2.ShouldBeGreaterThan(patches[0].AreaCm2);
    }

    [Fact]
    public void The_other_school_lays_the_large_one_first()
    {
        var patches = PatchStack.Over(Outline.Of(new RoundShape(30)), ["a", "b"], 20, 15, largestFirst: true);
        patches[0].AreaCm2.ShouldBeGreaterThan(patches[1].AreaCm2);
        patches.Select(patch => patch.Order).ShouldBe([1, 2]);
    }

    [Fact]
    public void A_round_patch_is_offered_as_a_circle_that_covers_it()
    {
        var patch = PatchStack.Over(Outline.Of(new RoundShape(38)), ["a"], 20, 0, false).Single();
        patch.Plain!.Kind.ShouldBe("circle");
        patch.Plain.LengthMm.ShouldBe(78);
    }

    [Fact]
    public void A_crack_is_offered_as_a_rounded_rectangle() =>
        PatchStack.Over(Outline.Of(new CrackShape(120, 4)), ["a"], 20, 0, false).Single().Plain!.Kind.ShouldBe("rounded-rectangle");

    [Fact]
    public void A_long_oval_is_cut_to_its_template() =>
        PatchStack.Over(Outline.Of(new OvalShape(200, 40)), ["a"], 20, 0, false).Single().Plain.ShouldBeNull();

    // N = p·r and p·t/2: 3 psi on 200 mm gives 4.14 N/mm, 15 psi on 150 mm gives 7.76 N/mm. Arithmetic.
    [Fact]
    public void Membrane_loads_follow_from_pressure_and_size()
    {
        Lap.TubeLoadNPerMm(3 * Lap.KpaPerPsi, 200).ShouldBe(4.14, 0.005);
        Lap.DropStitchLoadNPerMm(15 * Lap.KpaPerPsi, 150).ShouldBe(7.76, 0.005);
    }

    [Fact]
    public void A_lap_is_load_times_safety_over_shear() => Lap.NeededMm(7.76, 0.5, 2).ShouldBe(31.04, 1e-9);

    // Common practice: 8 to 12 to 1 on hulls.
    [Fact]
    public void A_feather_is_ten_times_the_laminate() => Feather.WidthMm(0.5, Feather.HullTaper).ShouldBe(5);

    [Fact]
    public void The_template_is_to_scale_and_carries_its_ruler()
    {
        var patches = PatchStack.Over(Outline.Of(new RoundShape(40)), ["a", "b"], 20, 15, false);
        var svg = System.Xml.Linq.XDocument.Parse(Template.Svg(Template.Whole(patches, "BRD-07 & <co>", Quantities.UnitSystem.Metric), Voice.Plain));
        var root = svg.Root!;
        var width = root.Attribute("width")!.Value;
        width.ShouldEndWith("mm");
        root.Attribute("viewBox")!.Value.Split(' ')[2].ShouldBe(width[..^2], "a millimetre of the drawing is a millimetre of the sheet");
        root.Descendants().Single(each => (string?)each.Attribute("class") == "ruler").Attribute("d")!.Value.ShouldBe("M10 12L110 12");
        root.Descendants().Count(each => (string?)each.Attribute("class") == "patch").ShouldBe(2);
    }
}
