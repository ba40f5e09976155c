using AbleMend.Core.Cases;
using AbleMend.Core.Days;
using AbleMend.Core.Tests.Gallery;

namespace AbleMend.Core.Tests.Days;

/// <summary>What can be promised before anything is decided.</summary>
public class PromisesTests
{
    private static readonly DateTimeOffset Now = new(2026, 5, 6, 9, 0, 0, TimeSpan.Zero);
    private static readonly BenchFacts Bench = new(20, 55, Zone: "Europe/Dublin");
    private static readonly IReadOnlyList<MendToPlan> Queue = [.. Enumerable.Range(2, 6).Select(id => Draft("ski-core-shot", id, Now.AddDays(2)))];
    private static readonly DaysPlan Standing = new ShopDays(ShopFloor.Alone, Bench).Plan(Queue, Now, () => 1);

    private static MendToPlan Draft(string example, int id, DateTimeOffset? due, Func<RepairCase, RepairCase>? other = null)
    {
        var repairCase = GalleryTests.Read(example);
        repairCase = (other ?? (same => same))(repairCase with { Wanted = repairCase.Wanted with { StartAt = Now, NeededBy = null } });
        return MendToPlan.Draft(id, repairCase, Cases.Planner.Plan(repairCase).Value!, due);
    }

    private static Promise Promised(MendToPlan mend, MendToPlan? warm = null) => new Promises(ShopFloor.Alone, Bench).Of(new WaysToPromise(mend, null, warm), Queue, Standing, Now);

    [Fact]
    public void Behind_a_queue_it_is_ready_later_than_alone_and_a_bad_day_makes_it_no_sooner()
    {
        var mend = Draft("tent-pole-split", 1, null);
        var promise = Promised(mend);
        promise.ReadyAt.ShouldNotBeNull().ShouldBeGreaterThanOrEqualTo(mend.Plan.ReadyAt!.Value.AddMinutes(-30));
        promise.CautiousAt.ShouldNotBeNull().ShouldBeGreaterThanOrEqualTo(promise.ReadyAt.Value);
        promise.Trust.ShouldBeNull("nothing was asked for");
        promise.LatestStartAt.ShouldBeNull();
    }

    [Fact]
    public void A_due_time_that_cannot_be_met_is_not_promised_and_one_that_can_says_when_to_begin_at_the_latest()
    {
        Promised(Draft("fin-box-surround", 1, Now.AddHours(3))).Trust.ShouldBe(Trust.No);
        var promise = Promised(Draft("fin-box-surround", 1, Now.AddDays(6)));
        promise.Trust.ShouldBe(Trust.Sure);
        var latest = promise.LatestStartAt.ShouldNotBeNull();
        latest.ShouldBeGreaterThan(Now);
        var behind = Draft("fin-box-surround", 1, Now.AddDays(6)) with { Wish = new DayWish(NotBefore: latest) };
        new ShopDays(ShopFloor.Alone, Bench).Plan([.. Queue, behind], Now, () => 1, Standing).Mends.Single(mend => mend.Mend == 1).LateMin.ShouldBe(0);
        var tooLate = behind with { Wish = new DayWish(NotBefore: latest.AddDays(1)) };
        new ShopDays(ShopFloor.Alone, Bench).Plan([.. Queue, tooLate], Now, () => 1, Standing).Mends.Single(mend => mend.Mend == 1).LateMin.ShouldBeGreaterThan(0);
    }

    [Fact]
    public void Going_first_is_offered_with_whom_it_makes_late()
    {
        var tight = Queue.Select(mend => mend with { DueAt = Standing.Mends.Single(each => each.Mend == mend.Id).ReadyAt }).ToList();
        var standing = new ShopDays(ShopFloor.Alone, Bench).Plan(tight, Now, () => 1, Standing);
        var promise = new Promises(ShopFloor.Alone, Bench).Of(new WaysToPromise(Draft("board-three-dings", 1, Now.AddDays(3)), null, null), tight, standing, Now);
        foreach (var first in promise.Helps.Where(help => help.Help == Help.GoesFirst))
        {
            first.ReadyAt.ShouldBeLessThan(promise.ReadyAt!.Value);
            first.Delays.ShouldAllBe(delay => delay.LateMin > delay.WasMin);
        }

        promise.Helps.Zip(promise.Helps.Skip(1)).ShouldAllBe(pair => pair.First.ReadyAt <= pair.Second.ReadyAt);
    }

    [Fact]
    public void Warmth_helps_what_cures_and_is_offered_only_where_it_saves_an_hour()
    {
        var mend = Draft("fin-box-surround", 1, null);
        var warm = Draft("fin-box-surround", 1, null, same => same with { Bench = same.Bench with { TemperatureC = Promises.WarmC } });
        Promised(mend, warm).Helps.ShouldContain(help => help.Help == Help.Warm);
        Promised(mend, mend).Helps.ShouldNotContain(help => help.Help == Help.Warm);
        // A ski that is clamped may stand in the warm; what light sets gains nothing there.
        var ski = Promised(Draft("ski-tip-parted", 1, null));
        ski.Helps.Single(help => help.Help == Help.WarmPlace).ReadyAt.ShouldBeLessThanOrEqualTo(ski.ReadyAt!.Value.AddHours(-1));
        Promised(Draft("deck-ding-quick", 1, null)).Helps.ShouldNotContain(help => help.Help == Help.WarmPlace);
    }
}
