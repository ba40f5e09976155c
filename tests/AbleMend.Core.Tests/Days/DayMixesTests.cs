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
        var (count, first) = (DaySearchTests.Setting("ABLE_MEND_SHOPS", 60), DaySearchTests.Setting("ABLE_MEND_SEED", DaySearchTests.UsualSeed));
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
        Jobs = [.. shop.Jobs.Select(job => job with { Stretches = [.. job.Stretches.Select(stretch => random.Next(3) == 0 ? stretch with { Mix = new DayMix(random.Next(2) == 0 ? "epoxy" : "polyester", random.Next(stretch.Work), 5, 20 + random.Next(60), random.Next(4) == 0 ? OnceKind.Heat : OnceKind.Cup) } : stretch)] })],
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

    // By hand, as above: a hot tool lasts as long as somebody holds it, and is not the tool that melts something else.
    [Theory]
    [InlineData("base-filler", 20, 17)]
    [InlineData("base-weld", 20, 0)]
    [InlineData("base-filler", 30, 0)] // A tool is hot in minutes: nobody waits for more than two hours for one.
    public void A_job_waits_for_the_tool_that_another_heats_then(string other, int begins, int starts)
    {
        var there = Enumerable.Repeat(true, Day).ToList();
        DayMix Hot(string material) => new(material, 1, 15, double.PositiveInfinity, OnceKind.Heat);
        var first = new DayJob(SlotWait.Never, 1, [new Stretch(4, [], SlotWait.AtOnce) { Mix = Hot("base-filler") }]);
        var second = new DayJob(SlotWait.Never, 1, [new Stretch(4, [], SlotWait.AtOnce) { NotBefore = begins, Mix = Hot(other) }]);
        var problem = new DayProblem(Day, [first, second], [new Hands(1, there), new Hands(1, there)], []);
        var gathered = DayMixes.Gathered(problem, [new Placed([0], [0]), new Placed([begins], [0])]);
        gathered[0]!.Starts.ShouldBe([starts]);
        DayMixes.Together(problem, gathered).Count.ShouldBe(starts == 0 ? 0 : 1);
    }

    [Theory]
    [InlineData(OnceKind.Cup, 0, 1)]
    [InlineData(OnceKind.Heat, 0, 0)]
    [InlineData(OnceKind.Heat, 2, 1)]
    public void Two_people_take_from_one_cup_at_once_and_not_with_one_tool(OnceKind kind, int second, int groups)
    {
        var there = Enumerable.Repeat(true, Day).ToList();
        var job = new DayJob(SlotWait.Never, 1, [new Stretch(2, [], SlotWait.AtOnce) { Mix = new DayMix("hot-melt", 0, 10, 60, kind) }]);
        var problem = new DayProblem(Day, [job, job], [new Hands(1, there), new Hands(1, there)], []);
        DayMixes.Together(problem, [new Placed([0], [0]), new Placed([second], [1])]).Count.ShouldBe(groups);
    }

    [Fact]
    public void A_cup_of_a_material_is_no_tool_that_melts_it()
    {
        var there = Enumerable.Repeat(true, Day).ToList();
        DayJob Job(OnceKind kind) => new(SlotWait.Never, 1, [new Stretch(2, [], SlotWait.AtOnce) { Mix = new DayMix("hot-melt", 0, 5, 60, kind) }]);
        var problem = new DayProblem(Day, [Job(OnceKind.Cup), Job(OnceKind.Heat), Job(OnceKind.Heat), Job(OnceKind.Heat), Job(OnceKind.Heat)], [new Hands(1, there)], []);
        DayMixes.Together(problem, [.. Enumerable.Range(0, 5).Select(i => new Placed([2 * i], [0]))]).Select(group => (group[0].Mix.Kind, group.Count)).ShouldBe([(OnceKind.Heat, 4)]);
    }

    [Theory]
    [InlineData("ski-base-scratch", "base-filler")]
    [InlineData("kayak-crack", "polyethylene-rod")]
    [InlineData("soft-board-hot-melt", "hot-melt")]
    public void What_two_items_melt_is_melted_with_one_hot_tool(string worked, string material)
    {
        var now = new DateTimeOffset(2026, 5, 6, 9, 0, 0, TimeSpan.Zero);
        MendToPlan Mend(int id, DateTimeOffset? notBefore = null)
        {
            var asked = Gallery.GalleryTests.Read(worked);
            asked = asked with { Wanted = asked.Wanted with { StartAt = now, NeededBy = null } };
            var plan = Cases.Planner.Plan(asked).Value!;
            plan.System!.Material.ShouldBe(material);
            return MendToPlan.Draft(id, asked, plan, null) with { Wish = new DayWish(NotBefore: notBefore) };
        }

        var shop = new ShopDays(ShopFloor.Alone with { Places = 30 }, new(20, 55, Zone: "Europe/Dublin"));
        shop.Plan([Mend(1)], now, () => 1).Together.ShouldBeEmpty("the second pass goes on with the same tool");
        var both = shop.Plan([Mend(1), Mend(2, now.AddMinutes(40))], now, () => 1, shop.Plan([Mend(1)], now, () => 1));
        var heat = both.Together.Single();
        heat.Kind.ShouldBe(OnceKind.Heat);
        heat.Mixes.Select(mix => mix.Mend).Order().ShouldBe([1, 2]);
        both.Moved.ShouldContain(move => move.Mend == 1 && move.Why == WhyMoved.OneHeat && move.For == 2);
        shop.Plan([Mend(1), Mend(2, now.AddMinutes(40))], now, () => 1, both).Together.Single().Mixes.Count.ShouldBe(2, "what came together stays together");
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
