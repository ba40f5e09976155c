using AbleMend.Core.Cases;
using AbleMend.Core.Curing;
using AbleMend.Core.Gear;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Timing;

namespace AbleMend.Core.Tests.Plans;

/// <summary>
/// One side of an item is up at a time. Common practice, no source: resin runs out of a ding that hangs, and what is tacky sticks to the
/// stands.
/// </summary>
public class OneSideUpTests
{
    private static DamageToMend Dinged(string location, string method = "fill-glass-coat", string material = "epoxy-2to1") =>
        new(Cases.DeckDing().Damages[0].Seen with { Location = location, Shape = new RoundShape(40), DepthMm = 5 }, new Choice(method, material));

    private static RepairCase Board(params IReadOnlyList<DamageToMend> damages) => Cases.DeckDing() with { Damages = damages };

    private static TimedStep At(RepairPlan plan, string step) => plan.Timeline.Single(each => each.StepId == step);

    private static IReadOnlyList<PlanStep> Turned(RepairPlan plan) => [.. plan.Steps.Where(step => step.Instruction.ToString().StartsWith("Turn it over", StringComparison.Ordinal))];

    [Fact]
    public void The_other_side_is_begun_when_what_was_put_on_takes_the_next_coat_and_not_when_it_can_be_sanded()
    {
        var plan = Board(Dinged("deck"), Dinged("bottom")).Planned();
        var (fill, begun) = (At(plan, "fill"), At(plan, "2:cut"));
        // By its label this epoxy takes the next coat hours before it can be sanded.
        begun.StartsAt!.Value.ShouldBeGreaterThan(fill.HandsEndAt!.Value.AddHours(2));
        begun.StartsAt!.Value.ShouldBeLessThan(fill.OpensAt!.Value);
        At(plan, "fair").StartsAt!.Value.ShouldBeGreaterThan(At(plan, "2:fill").HandsEndAt!.Value.AddHours(2), "the deck is turned up again when the bottom has set");
    }

    [Fact]
    public void It_says_which_side_is_turned_up_and_reckons_the_turning()
    {
        var plan = Board(Dinged("deck"), Dinged("bottom")).Planned();
        Turned(plan)[0].Id.ShouldBe("2:cut");
        Turned(plan)[0].Instruction.ToString().ShouldStartWith("Turn it over, bottom up. ");
        Turned(plan)[1].Instruction.ToString().ShouldStartWith("Turn it over, deck up. ");
        Turned(plan).Select(step => step.Damage).ShouldBe(Turned(plan).Select((_, i) => i % 2 == 0 ? 2 : 1), "the sides take turns");
        var alone = Board(Dinged("bottom")).Planned();
        Turned(plan)[0].Timing.HandsOnMin.ShouldBeGreaterThan(alone.Steps.First(step => step.Id == "cut").Timing.HandsOnMin);
    }

    [Fact]
    public void Both_sides_of_a_board_take_hardly_longer_than_one_where_one_sets_while_the_other_is_worked()
    {
        var (one, both) = (Board(Dinged("deck")).Planned(), Board(Dinged("deck"), Dinged("bottom")).Planned());
        (both.ReadyAt!.Value - one.ReadyAt!.Value).ShouldBeLessThan(TimeSpan.FromHours(24));
    }

    [Theory]
    [InlineData("deck", "nose")]
    [InlineData("nose", "rail")]
    [InlineData("bottom", "bottom")]
    [InlineData("bottom", "rail")]
    public void What_is_reached_with_the_same_side_up_needs_no_turning(string one, string other)
    {
        var plan = Board(Dinged(one), Dinged(other)).Planned();
        Turned(plan).ShouldBeEmpty();
        plan.Steps.ShouldAllBe(step => step.Timing.WhenFirm == null);
        plan.Steps.Count(step => Numbering.Parse(step.Id).Id == "fill-mix" && step.Pour is not null).ShouldBe(1, "and one cup does for both");
    }

    [Fact]
    public void A_cup_is_shared_by_those_on_one_side_and_mixed_anew_for_the_other()
    {
        var plan = Board(Dinged("deck"), Dinged("bottom"), Dinged("rail")).Planned();
        plan.Steps.Where(step => Numbering.Parse(step.Id).Id == "fill-mix").Select(step => (step.Damage, Mixed: step.Pour is not null)).ShouldBe([(1, true), (3, false), (2, true)], ignoreOrder: true);
    }

    [Fact]
    public void What_light_sets_in_minutes_is_finished_on_one_side_before_the_board_is_turned()
    {
        DamageToMend Film(string location) => new(Dinged(location).Seen with { DepthMm = 3 }, new Choice("uv-under-film", "uv-polyester"));
        var plan = Board(Film("deck"), Film("bottom")).AtBench(bench => bench with { Light = LightLevel.FullSun }).Planned();
        Turned(plan).ShouldHaveSingleItem().Damage.ShouldBe(2);
        plan.Timeline.Where(step => step.Damage == 1 && plan.Steps.First(each => each.Id == step.StepId).Stage != Stage.Prove)
            .ShouldAllBe(step => step.HandsEndAt <= plan.Timeline.First(each => each.Damage == 2).StartsAt);
    }

    [Fact]
    public void While_the_first_side_runs_the_bench_says_whom_the_other_waits_for_and_lets_it_begin_when_it_is_firm()
    {
        var asked = Board(Dinged("deck"), Dinged("bottom"));
        var plan = asked.Planned();
        var events = plan.Steps.Where(step => step.Damage == 1).TakeWhile(step => step.Id != "fair")
            .SelectMany(step => new[] { (step.Id, Kind: RunEventKind.HandsDone), (step.Id, Kind: RunEventKind.Ready) }.Take(step.Timing.Wait is null || step.Id == "fill" ? 1 : 2))
            .Select((each, i) => new RunEvent(i + 1, plan.StartAt.AddMinutes(5 * (i + 1)), each.Kind, each.Id)).ToList();
        Front Other(DateTimeOffset at) => Run.Fold(asked, plan, plan.StartAt, events, at).Fronts.Single(front => front.Damage == 2);
        var filled = events[^1].At;
        var early = Other(filled.AddMinutes(5));
        early.WaitsFor.ShouldBe([1]);
        early.TurnFrom!.Value.ShouldBeInRange(filled.AddHours(2), filled.AddHours(6));
        var firm = Other(early.TurnFrom.Value);
        (firm.WaitsFor, firm.TurnFrom).ShouldBe((null, null), "it takes the next coat by then, though it cannot be sanded yet");
        Run.Fold(asked, plan, plan.StartAt, events[..^1], filled).Fronts.Single(front => front.Damage == 2).ShouldSatisfyAllConditions(front => front.WaitsFor.ShouldBe([1]), front => front.TurnFrom.ShouldBeNull("nothing is put on yet"));
    }
}
