using AbleMend.Core.Gear;
using AbleMend.Core.Patching;

namespace AbleMend.Core.Tests.Plans;

/// <summary>What no hand traces is refused before it costs time; what hands do trace is not.</summary>
public class TracedCaseTests
{
    /// <summary>An outline with some teeth.</summary>
    private static TracedShape Torn(int teeth, double depth) =>
        new([.. Enumerable.Range(0, teeth * 2).Select(i => (Angle: Math.PI * i / teeth, Reach: i % 2 == 0 ? 60.0 : 60 * (1 - depth)))
            .Select(corner => new PointMm(corner.Reach * Math.Cos(corner.Angle), corner.Reach * Math.Sin(corner.Angle)))]);

    private static IEnumerable<string> Problems(params IReadOnlyList<Shape> shapes)
    {
        var ding = Cases.DeckDing().Damages[0];
        var asked = Cases.DeckDing() with { Damages = [.. shapes.Select(shape => ding with { Seen = ding.Seen with { Kind = DamageKind.Hole, Shape = shape } })] };
        return Cases.Planner.Plan(asked).Problems.Select(problem => problem.Code);
    }

    [Fact]
    public void A_square_turns_once_and_a_star_turns_with_every_tooth()
    {
        Outline.Turns([new(0, 0), new(10, 0), new(10, 10), new(0, 10)]).ShouldBe(1, 1e-9);
        // Solid geometry: the outer corners of a five-pointed star turn by 144°, the inner ones back by 72°.
        Outline.Turns(Torn(5, 1 - (Math.Cos(2 * Math.PI / 5) / Math.Cos(Math.PI / 5))).Points).ShouldBe(5 * (144 + 72) / 360.0, 1e-9);
    }

    [Fact]
    public void A_tear_with_thirty_teeth_is_taken_and_two_hundred_are_not()
    {
        Problems(Torn(30, 0.3)).ShouldBeEmpty();
        Problems(Torn(200, 0.4)).ShouldContain("too-jagged");
    }

    [Fact]
    public void Corners_and_spots_are_counted_over_the_whole_case()
    {
        var round = new TracedShape([.. Enumerable.Range(0, 390).Select(i => new PointMm(40 * Math.Cos(2 * Math.PI * i / 390), 40 * Math.Sin(2 * Math.PI * i / 390)))]);
        Problems(round, round, round).ShouldBeEmpty();
        Problems(round, round, round, round).ShouldContain("too-many-points");
        var ding = Cases.DeckDing().Damages[0];
        var spotted = ding with { Seen = ding.Seen with { Neighbours = [.. Enumerable.Range(0, 20).Select(i => new Neighbour(new RoundShape(5), new PointMm(60 + i, 0)))] } };
        Cases.Planner.Plan(Cases.DeckDing() with { Damages = [spotted, spotted, spotted, spotted] }).Problems.Select(problem => problem.Code).ShouldContain("too-many-neighbours");
    }
}
