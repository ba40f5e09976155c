using AbleMend.Core.Gear;
using AbleMend.Core.Patching;

namespace AbleMend.Core.Tests.Patching;

public class PlainShapeTests
{
    private static PlainShape? Plain(Shape shape, double cornerMm = 10) => Outline.Of(shape).Plain(cornerMm);

    /// <summary>A regular outline of some corners on a circle of 50 mm, turned by an angle.</summary>
    private static TracedShape Regular(int corners, double turnDeg) =>
        new([.. Enumerable.Range(0, corners).Select(i => ((360.0 * i / corners) + turnDeg) * Math.PI / 180).Select(angle => new PointMm(50 * Math.Cos(angle), 50 * Math.Sin(angle)))]);

    [Fact]
    public void A_round_is_a_circle_of_its_own_diameter() => Plain(new RoundShape(40)).ShouldBe(new PlainShape("circle", 40, 40, 20));

    [Fact]
    public void A_size_between_millimetres_is_rounded_up()
    {
        Plain(new RoundShape(40.3))!.LengthMm.ShouldBe(41);
        Plain(new CrackShape(60.2, 30.4), 0).ShouldBe(new PlainShape("rounded-rectangle", 61, 31, 0));
        Plain(new CrackShape(60, 30), 0).ShouldBe(new PlainShape("rounded-rectangle", 60, 30, 0), "what is a whole millimetre stays one");
    }

    // Geometry: a regular octagon fills 2√2/π = 90 % of the circle round it, which wastes 11 % of its own area; a hexagon's
    // circle wastes 21 %, and a hexagon fills 75 % of the rectangle round it.
    [Theory]
    [InlineData(0)]
    [InlineData(22.5)]
    [InlineData(10)]
    public void An_octagon_is_near_enough_to_its_circle_however_it_is_turned(double turnDeg) =>
        Plain(Regular(8, turnDeg)).ShouldBe(new PlainShape("circle", 100, 100, 50));

    [Fact]
    public void A_hexagon_wastes_too_much_and_is_cut_to_the_template() => Plain(Regular(6, 0)).ShouldBeNull();

    [Fact]
    public void An_oval_is_neither_round_nor_square() => Plain(new OvalShape(80, 40)).ShouldBeNull();

    [Fact]
    public void A_rectangle_has_half_the_corner_that_is_offered_and_no_more_than_it_has_room_for()
    {
        Plain(new CrackShape(60, 30), 10).ShouldBe(new PlainShape("rounded-rectangle", 60, 30, 5));
        Plain(new CrackShape(60, 6), 40).ShouldBe(new PlainShape("rounded-rectangle", 60, 6, 3));
    }

    // Worked by hand: rounded up to 24 × 24 = 576 mm² beside 23.2² = 538.24 wastes 7 %, and 4 × 4 beside 3.2² wastes 56 %.
    [Fact]
    public void Rounding_up_a_small_patch_may_waste_too_much()
    {
        Plain(new CrackShape(23.2, 23.2), 0).ShouldNotBeNull();
        Plain(new CrackShape(3.2, 3.2), 0).ShouldBeNull();
    }
}
