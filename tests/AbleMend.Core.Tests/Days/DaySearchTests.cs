using System.Globalization;
using AbleMend.Core.Days;

namespace AbleMend.Core.Tests.Days;

/// <summary>The plan of the days against a checker that knows nothing of how it was made, and against what can be proven by hand.</summary>
public class DaySearchTests(ITestOutputHelper output)
{
    private const int Day = 1440 / DayProblem.SlotMin;

    // One commit gives one answer: other seeds are drawn by hand, many shops at a time.
    internal const int UsualSeed = 2026;

    [Fact]
    public void No_drawn_shop_gets_a_plan_that_breaks_a_rule()
    {
        var count = Setting("ABLE_MEND_SHOPS", 120);
        var seed = Setting("ABLE_MEND_SEED", UsualSeed);
        output.WriteLine($"{count} shops, seed {seed}");
        var unplaced = 0;
        for (var i = 0; i < count; i++)
        {
            var problem = DrawnShops.Draw(1 + ((seed + i) % 25), seed + i);
            var plan = Searched(problem, i, rounds: 200).Best;
            unplaced += plan.Count(each => each is null);
            var there = Enumerable.Range(0, plan.Count).Where(job => plan[job] is not null).ToList();
            DayCheck.Faults(problem with { Jobs = [.. there.Select(job => problem.Jobs[job])] }, [.. there.Select(job => plan[job]!)]).ShouldBeEmpty($"shop {seed + i}");
        }

        unplaced.ShouldBeLessThan(count, "hardly a job finds no place in twelve days");
    }

    /// <summary>What is proven of a job holds of every place that it was ever given, and is met where it is alone and nothing is shared.</summary>
    [Fact]
    public void No_plan_of_any_drawn_shop_betters_what_is_proven()
    {
        var (met, jobs) = (0, 0);
        for (var i = 0; i < 150; i++)
        {
            var problem = DrawnShops.Draw(1 + (i % 12), UsualSeed + i);
            var bounds = DayBound.Of(problem);
            var plan = Searched(problem, i, rounds: 100).Best;
            for (var job = 0; job < bounds.Count; job++)
            {
                if (plan[job] is not { } placed || DayCheck.Score(problem.Jobs[job], placed) is not { EndSlots: < SlotWait.Never } score)
                {
                    continue;
                }

                bounds[job].ShouldSatisfyAllConditions($"shop {UsualSeed + i}, job {job}", least => least.Missed.ShouldBeLessThanOrEqualTo(score.Missed), least => least.LateSlots.ShouldBeLessThanOrEqualTo(score.LateSlots), least => least.EndSlots.ShouldBeLessThanOrEqualTo(score.EndSlots));
                (met, jobs) = (met + (bounds[job].EndSlots == score.EndSlots ? 1 : 0), jobs + 1);
            }
        }

        met.ShouldBeGreaterThan(jobs / 5, "a bound that is never reached says nothing");
    }

    // By hand: two stretches of 3 and 2 slots with 10 between them, from slot 5 on; two slots late, which count threefold.
    [Fact]
    public void What_is_proven_of_one_job_can_be_worked_out_by_hand()
    {
        var there = Enumerable.Repeat(true, Day).ToList();
        Stretch first = new(3, [], SlotWait.After(10)) { NotBefore = 5 }, second = new(2, [new Lag(0, 3, SlotWait.After(10))], SlotWait.AtOnce) { LastStart = 17 };
        var problem = new DayProblem(Day, [new DayJob(18, 3, [first, second])], [new Hands(1, there)], []);
        DayBound.Of(problem).ShouldBe([new DayScore(1, 6, 20)]);
        there[18] = false;
        DayBound.Of(problem).ShouldBe([new DayScore(1, 3 * 3, 21)]);
    }

    [Fact]
    public void The_checker_finds_each_rule_broken()
    {
        var there = Enumerable.Repeat(true, Day).ToList();
        there[20] = false;
        Stretch first = new(3, [], SlotWait.After(10)) { Holds = [new Hold(0)], HeldUntil = 1, Hands = Airs.Dust }, second = new(3, [new Lag(0, 3, SlotWait.After(10))], SlotWait.AtOnce) { Skill = 2 };
        var problem = new DayProblem(Day, [new DayJob(50, 1, [first, second]), new DayJob(50, 1, [first with { Hands = Airs.None, Waits = Airs.WetFace }, second])], [new Hands(2, there), new Hands(1, there)], [1]);
        Placed At(int one, int other, int who = 0) => new([one, other], [who, 0]);
        DayCheck.Faults(problem, [At(0, 21), At(30, 50)]).ShouldBeEmpty();
        DayCheck.Faults(problem, [At(0, 12), At(30, 50)]).ShouldHaveSingleItem().ShouldContain("before the wait");
        DayCheck.Faults(problem, [At(0, 19), At(30, 50)]).ShouldHaveSingleItem().ShouldContain("in slot 20");
        DayCheck.Faults(problem, [At(0, 31, 1), At(30, 50, 1)]).ShouldContain(fault => fault.Contains("resource 0"));
        DayCheck.Faults(problem, [At(0, 30), At(31, 50, 1)]).ShouldBeEmpty();
        DayCheck.Faults(problem, [At(34, 60), At(30, 50, 1)]).ShouldContain(fault => fault.Contains("meets"));
        DayCheck.Faults(problem, [new([0, 21], [0, 1]), At(30, 50)]).ShouldHaveSingleItem().ShouldContain("who may not");
        DayCheck.Faults(problem, [At(0, 30), At(30, 50)]).ShouldContain(fault => fault.Contains("has 2 things in hand"));
    }

    // Arithmetic: on one pair of hands, weighted by how long each takes, the order of Smith 1956 (weight ÷ length) is the best there is.
    [Fact]
    public void Late_jobs_on_one_pair_of_hands_stand_in_Smiths_order()
    {
        (int Work, int Weight)[] jobs = [(12, 1), (4, 2), (9, 3), (2, 5), (7, 1), (5, 4), (3, 1), (10, 5)];
        var problem = new DayProblem(Day, [.. jobs.Select(job => new DayJob(0, job.Weight, [new Stretch(job.Work, [], SlotWait.AtOnce)]))], [new Hands(1, [.. Enumerable.Repeat(true, Day)])], []);
        var best = Searched(problem, 1, 4000).Best;
        var (at, late) = (0, 0L);
        foreach (var job in jobs.OrderByDescending(job => (double)job.Weight / job.Work))
        {
            at += job.Work;
            late += at * job.Weight;
        }

        DayCheck.Score(problem, [.. best.Select(each => each!)]).LateSlots.ShouldBe(late);
    }

    [Fact]
    public void A_window_that_would_close_at_night_makes_its_job_begin_the_next_morning()
    {
        var there = Enumerable.Range(0, 3 * Day).Select(slot => slot % Day is >= 96 and < 216).ToList();
        var tack = new Lag(0, 2, SlotWait.After(6), SlotWait.After(12));
        var problem = new DayProblem(3 * Day, [new DayJob(3 * Day, 1, [new Stretch(2, [], SlotWait.After(6)) { NotBefore = 208 }, new Stretch(4, [tack], SlotWait.AtOnce)])], [new Hands(1, there)], []);
        Searched(problem, 1, 10).Best[0]!.Starts.ShouldBe([Day + 96, Day + 96 + 8]);
    }

    // By hand: a coat from 0 to 2, its window from 8 to 14, and other work of 5 slots that is due at once. Without room to spare that stands at 2 to 7.
    [Theory]
    [InlineData(0, 5, 2, 8)]
    [InlineData(1, 5, 2, 8)]
    [InlineData(2, 5, 2, 9)]
    [InlineData(8, 5, 10, 8)]
    public void Hands_begin_nothing_else_shortly_before_a_window_that_closes(int clear, int work, int other, int coat)
    {
        var problem = ShopOfTwo(clear, work, until: Day);
        var best = Searched(problem, 1, 200).Best;
        (best[0]!.Starts, best[1]!.Starts).ShouldSatisfyAllConditions(starts => starts.Item1.ShouldBe([0, coat]), starts => starts.Item2.ShouldBe([other]));
    }

    [Fact]
    public void Hands_that_come_back_from_a_break_have_nothing_else_in_hand()
    {
        var problem = ShopOfTwo(clear: 4, work: 40, until: Day, closedFrom: 2, closedTo: 9);
        Searched(problem, 1, 200).Best[0]!.Starts.ShouldBe([0, 9]);
    }

    // Windows of a few minutes fall between two slots: they open in one and have closed in the one before.
    [Theory]
    [InlineData(5)]
    [InlineData(6)]
    [InlineData(7)]
    public void A_window_too_short_for_room_to_spare_is_met_as_it_opens_or_told(int closesAfter)
    {
        var problem = ShopOfTwo(clear: 2, work: 5, until: Day, closesAfter: closesAfter);
        var best = Searched(problem, 1, 200).Best;
        best[0]!.Starts.ShouldBe([0, 8]);
        DayCheck.Score(problem, [.. best.Select(each => each!)]).Missed.ShouldBe(closesAfter < 6 ? 1 : 0);
    }

    [Fact]
    public void Hands_come_with_some_of_the_window_to_spare()
    {
        // They are away from slot 3 to 12; the window closes at 14, and begun sooner the coat's next is in time.
        var problem = ShopOfTwo(clear: 2, work: 1, until: Day, closedFrom: 3, closedTo: 12);
        Searched(problem, 1, 200).Best[0]!.Starts.ShouldBe([0, 12]);
    }

    [Fact]
    public void A_window_is_met_without_room_to_spare_rather_than_missed()
    {
        // Somebody else's work that nothing moves stands right up to the window's last slot.
        var problem = ShopOfTwo(clear: 4, work: 5, until: Day, pinned: 9);
        var best = Searched(problem, 1, 200).Best;
        (best[0]!.Starts[1], best[1]!.Starts[0]).ShouldBe((14, 9));
        DayCheck.Score(problem, [.. best.Select(each => each!)]).Missed.ShouldBe(0);
    }

    private static DayProblem ShopOfTwo(int clear, int work, int until, int closedFrom = 0, int closedTo = 0, int? pinned = null, int closesAfter = 12)
    {
        var there = Enumerable.Range(0, until).Select(slot => slot < closedFrom || slot >= closedTo).ToList();
        var next = new Stretch(2, [new Lag(0, 2, SlotWait.After(6), SlotWait.After(closesAfter))], SlotWait.AtOnce) { ClearBefore = clear };
        var other = new Stretch(work, [], SlotWait.AtOnce) { NotBefore = pinned ?? 2, LastStart = pinned ?? int.MaxValue };
        return new DayProblem(until, [new DayJob(2, 1, [new Stretch(2, [], SlotWait.After(6)) { LastStart = 0 }, next]), new DayJob(2, 9, [other])], [new Hands(1, there)], []);
    }

    [Fact]
    public void A_window_that_no_start_meets_is_missed_and_told_rather_than_the_job_left_out()
    {
        var there = Enumerable.Range(0, 3 * Day).Select(slot => slot % Day is >= 96 and < 216).ToList();
        var atNight = new Lag(0, 2, SlotWait.After(140), SlotWait.After(142));
        var problem = new DayProblem(3 * Day, [new DayJob(3 * Day, 1, [new Stretch(2, [], SlotWait.After(140)), new Stretch(4, [atNight], SlotWait.AtOnce)])], [new Hands(1, there)], []);
        DayCheck.Score(problem, [Searched(problem, 1, 10).Best[0]!]).Missed.ShouldBe(1);
    }

    [Theory]
    [InlineData(7)]
    [InlineData(8)]
    [InlineData(9)]
    [InlineData(10)]
    [InlineData(11)]
    public void What_stands_is_left_where_it_stands_unless_more_is_gained_than_moving_costs(int seed)
    {
        var problem = DrawnShops.Draw(20, seed);
        var before = Searched(problem, 1, 1000).Best;
        var again = new DaySearch(problem, 2, before, moveCost: 1e8);
        again.Improve(Rounds(1000));
        again.Best.Zip(before).Count(pair => pair.First is { } now && pair.Second is { } was && !(now.Starts.SequenceEqual(was.Starts) && now.People.SequenceEqual(was.People))).ShouldBe(0);
    }

    private static DaySearch Searched(DayProblem problem, int seed, int rounds)
    {
        var search = new DaySearch(problem, seed);
        search.Improve(Rounds(rounds));
        return search;
    }

    private static Func<double> Rounds(int rounds)
    {
        var asked = 0;
        return () => asked++ * 32.0 / rounds;
    }

    internal static int Setting(string name, int usual) => Environment.GetEnvironmentVariable(name) is { } set ? int.Parse(set, CultureInfo.InvariantCulture) : usual;
}
