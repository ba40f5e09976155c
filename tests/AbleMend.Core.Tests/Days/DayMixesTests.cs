using AbleMend.Core.Days;

namespace AbleMend.Core.Tests.Days;

/// <summary>Like mixes come together in the plan of the days where that costs nobody anything.</summary>
public class DayMixesTests
{
    private const int Day = 1440 / DayProblem.SlotMin;
    private static readonly DayMix Epoxy = new("epoxy", 1, 5, 20);

    [Fact]
    public void No_drawn_shop_misses_more_is_later_or_breaks_a_rule_for_a_shared_cup()
    {
        var (gained, lost) = (0, 0);
        var (count, first) = (DaySearchTests.Setting("ABLE_MEND_SHOPS", 120), DaySearchTests.Setting("ABLE_MEND_SEED", DaySearchTests.UsualSeed));
        for (var seed = first; seed < first + count; seed++)
        {
            var problem = Mixing(DrawnShops.Draw(4 + (seed % 20), seed), new Random(seed));
            var search = new DaySearch(problem, seed);
            var asked = 0;
            search.Improve(() => asked++ / 4.0);
            var there = Enumerable.Range(0, problem.Jobs.Count).Where(job => search.Best[job] is not null).ToList();
            problem = problem with { Jobs = [.. there.Select(job => problem.Jobs[job])] };
            IReadOnlyList<Placed> plan = [.. there.Select(job => search.Best[job]!)];
            IReadOnlyList<Placed> gathered = [.. DayMixes.Gathered(problem, plan).Select(placed => placed!)];

            DayCheck.Faults(problem, gathered).ShouldBeEmpty($"shop {seed}");
            for (var job = 0; job < plan.Count; job++)
            {
                var (was, now) = (DayCheck.Score(problem.Jobs[job], plan[job]), DayCheck.Score(problem.Jobs[job], gathered[job]));
                now.Missed.ShouldBeLessThanOrEqualTo(was.Missed, $"shop {seed}, job {job}");
                now.LateSlots.ShouldBeLessThanOrEqualTo(was.LateSlots, $"shop {seed}, job {job}");
                now.EndSlots.ShouldBeLessThanOrEqualTo(was.EndSlots + 48, $"shop {seed}, job {job}");
            }

            var change = DayMixes.Together(problem, gathered).Sum(group => group.Count - 1) - DayMixes.Together(problem, plan).Sum(group => group.Count - 1);
            (gained, lost) = (gained + Math.Max(0, change), lost + Math.Max(0, -change));
        }

        gained.ShouldBeGreaterThan(count / 4);
        lost.ShouldBeLessThan(gained / 10, "a job that leaves one cup for another is rare");
    }

    private static DayProblem Mixing(DayProblem shop, Random random) => shop with
    {
        Jobs = [.. shop.Jobs.Select(job => job with { Stretches = [.. job.Stretches.Select(stretch => random.Next(3) == 0 ? stretch with { Mix = new DayMix(random.Next(2) == 0 ? "epoxy" : "polyester", random.Next(stretch.Work), 5, 20 + random.Next(60)) } : stretch)] })],
    };

    // By hand: the first could begin at once and takes 4 slots; the other mixes at slot 21, so that the first ends just before its stretch does.
    [Theory]
    [InlineData(SlotWait.Never, 1, 20.0, 17)]
    [InlineData(10, 1, 20.0, 0)] // It would be late.
    [InlineData(SlotWait.Never, 2, 20.0, 0)] // Something else in the cup.
    [InlineData(SlotWait.Never, 1, 12.0, 0)] // It has set before it is spread twice: 3 + 5 + 1 + 5 min.
    public void A_job_waits_for_a_like_mix_where_it_is_in_time_and_the_cup_lives(int due, int like, double lifeMin, int starts)
    {
        var there = Enumerable.Repeat(true, Day).ToList();
        var first = new Stretch(4, [], SlotWait.AtOnce) { Mix = Epoxy with { LifeMin = lifeMin } };
        var other = new Stretch(4, [], SlotWait.AtOnce) { NotBefore = 20, Mix = like == 1 ? Epoxy : Epoxy with { Of = "polyester" } };
        var problem = new DayProblem(Day, [new DayJob(due, 1, [first]), new DayJob(SlotWait.Never, 1, [other])], [new Hands(1, there), new Hands(1, there)], []);
        var gathered = DayMixes.Gathered(problem, [new Placed([0], [0]), new Placed([20], [0])]);
        gathered[0]!.Starts.ShouldBe([starts]);
        gathered[1]!.Starts.ShouldBe([20]);
        DayMixes.Together(problem, gathered).Count.ShouldBe(starts == 0 ? 0 : 1);
    }

    [Fact]
    public void A_cup_is_carried_to_as_many_as_it_lives_for()
    {
        var there = Enumerable.Repeat(true, Day).ToList();
        var job = new DayJob(SlotWait.Never, 1, [new Stretch(2, [], SlotWait.AtOnce) { Mix = Epoxy }]);
        var problem = new DayProblem(Day, [job, job, job, job], [new Hands(1, there)], []);
        // 3 + 3·5 + 2·1 = 20 min for three, 26 for four.
        DayMixes.Together(problem, [.. Enumerable.Range(0, 4).Select(i => new Placed([2 * i], [0]))]).Select(group => group.Count).ShouldBe([3]);
    }

    [Fact]
    public void Two_boards_that_take_the_same_resin_are_told_to_be_mixed_for_together()
    {
        var now = new DateTimeOffset(2026, 5, 6, 9, 0, 0, TimeSpan.Zero);
        MendToPlan Ding(int id, DateTimeOffset? notBefore = null)
        {
            var ding = Cases.DeckDing().Choosing("fill-glass-coat", "epoxy-2to1");
            ding = ding with { Wanted = ding.Wanted with { StartAt = now, NeededBy = null } };
            return MendToPlan.Draft(id, ding, Cases.Planner.Plan(ding).Value!, null) with { Wish = new DayWish(NotBefore: notBefore) };
        }

        var shop = new ShopDays(ShopFloor.Alone with { Places = 30 }, new(20, 55, Zone: "Europe/Dublin"));
        var alone = shop.Plan([Ding(1)], now, () => 1);
        alone.Together.ShouldBeEmpty();
        var both = shop.Plan([Ding(1), Ding(2, now.AddMinutes(40))], now, () => 1, alone);
        var cup = both.Together[0];
        cup.Mixes.Select(mix => mix.Mend).Order().ShouldBe([1, 2]);
        cup.Mixes.ShouldAllBe(mix => mix.Title.ToString() == "Mix the resin for the cloth");
        both.Blocks.Count(cup.Has).ShouldBe(2);
        both.Moved.ShouldContain(move => move.Mend == 1 && move.Why == WhyMoved.OneCup && move.For == 2);
        shop.Plan([Ding(1), Ding(2, now.AddMinutes(40))], now, () => 1, both).Moved.ShouldBeEmpty("what came together stays together");
    }
}
