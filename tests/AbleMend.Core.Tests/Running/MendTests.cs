using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Mixing;
using AbleMend.Core.Running;

namespace AbleMend.Core.Tests.Running;

/// <summary>A mend from first look to hand-back: commands in, a new mend or problems out.</summary>
public class MendTests
{
    private static readonly DateTimeOffset Now = Cases.Morning;

    [Fact]
    public void A_mend_goes_from_draft_by_its_run_to_the_hand_back_and_no_other_way()
    {
        var draft = Mend.Open(Quick, Cases.Planner, Now).Value!;
        draft.Keep(new Happening(RunEventKind.Note, Text: "?"), Now).Problems.Single().Code.ShouldBe("not-started");
        var running = draft.Start(Cases.Planner, Now).Value!;
        running.Start(Cases.Planner, Now).Problems.Single().Code.ShouldBe("already-started");
        running.Change(Quick, Cases.Planner, Now).Problems.Single().Code.ShouldBe("already-started");
        running.Keep(new Happening(RunEventKind.HandBack, Text: "early"), Now).Problems.Single().Code.ShouldBe("not-now");
        var done = Done(running);
        var closed = done.Keep(new Happening(RunEventKind.HandBack, Text: "easy on it"), Now.AddDays(1)).Value!;
        (closed.Status, closed.ClosedAt).ShouldBe((MendStatus.HandedBack, Now.AddDays(1)));
        closed.Keep(new Happening(RunEventKind.Undo), Now.AddDays(1)).Value!.Status.ShouldBe(MendStatus.Running);
    }

    // The page learns the shop's time over a network: it may be a moment behind, and what it taps right after the start is no slip.
    [Fact]
    public void A_device_that_is_a_moment_behind_may_tap_right_after_the_start_and_one_that_is_far_behind_may_not()
    {
        var running = Mend.Open(Quick, Cases.Planner, Now).Value!.Start(Cases.Planner, Now).Value!;
        var kept = running.Keep(new Happening(RunEventKind.Note, Text: "begun", At: Now.AddSeconds(-3)), Now.AddSeconds(1)).Value.ShouldNotBeNull();
        (kept.Events[^1].At, kept.Events[^1].KeptAt).ShouldBe((Now, Now.AddSeconds(1)));
        running.Keep(new Happening(RunEventKind.Note, Text: "begun", At: Now.AddMinutes(-1)), Now).Problems.Single().Code.ShouldBe("before-start");
        running.Keep(new Happening(RunEventKind.Note, Text: "begun", At: Now.AddMinutes(3)), Now).Problems.Single().Code.ShouldBe("clock-ahead");
    }

    [Fact]
    public void A_mend_for_now_is_followed_by_its_proper_repair_and_leaves_its_chemistry()
    {
        var running = Mend.Open(Quick, Cases.Planner, Now).Value!.Start(Cases.Planner, Now).Value!;
        (running.Follows, running.Leaves(Cases.Planner)).ShouldBe((null, null));
        var closed = Done(running).Keep(new Happening(RunEventKind.HandBack, Text: "for now"), Now.AddDays(1)).Value!;
        closed.Follows!.DueAt.ShouldBe(closed.Plan!.ProperRepairBy!.Value);
        closed.Follows.Case.ShouldSatisfyAllConditions(
            each => each.Wanted.Permanence.ShouldBe(Permanence.Lasting), each => each.Choice.ShouldBeNull(), each => each.Overrides.ShouldBeNull());
        closed.Leaves(Cases.Planner).ShouldBe("polyester");
    }

    [Fact]
    public void Whether_it_held_is_said_after_it_was_handed_back_and_what_failed_once_has_failed()
    {
        var done = Done(Mend.Open(Quick, Cases.Planner, Now).Value!.Start(Cases.Planner, Now).Value!);
        done.Keep(new Happening(RunEventKind.LookedAgain, Passed: true), Now.AddDays(1)).Problems.Single().Code.ShouldBe("not-now");
        var closed = done.Keep(new Happening(RunEventKind.HandBack, Text: "easy on it"), Now.AddDays(1)).Value!;
        closed.Held.ShouldBeNull();
        closed.Keep(new Happening(RunEventKind.LookedAgain, Passed: true, At: Now.AddHours(1)), Now.AddDays(2)).Problems.Single().Code.ShouldBe("not-now", "that was before it was handed back");
        closed.Keep(new Happening(RunEventKind.LookedAgain), Now.AddDays(2)).Problems.Single().Field.ShouldBe("passed");
        closed.Keep(new Happening(RunEventKind.LookedAgain, Passed: false, Text: " "), Now.AddDays(2)).Problems.Single().Field.ShouldBe("text");

        var held = closed.Keep(new Happening(RunEventKind.LookedAgain, Passed: true), Now.AddDays(1 + 365.25)).Value!;
        held.Held.ShouldNotBeNull().ShouldSatisfyAllConditions(each => each.Holds.ShouldBeTrue(), each => each.Years.ShouldBe(1, 1e-9));
        held.ShouldSatisfyAllConditions(each => each.Status.ShouldBe(MendStatus.HandedBack), each => each.ClosedAt.ShouldBe(Now.AddDays(1)));
        var failed = held.Keep(new Happening(RunEventKind.LookedAgain, Passed: false, Text: "lifts at the rim"), Now.AddDays(1 + (1.5 * 365.25))).Value!;
        var later = failed.Keep(new Happening(RunEventKind.LookedAgain, Passed: true), Now.AddDays(1000)).Value!;
        later.Held.ShouldNotBeNull().ShouldSatisfyAllConditions(each => each.Holds.ShouldBeFalse(), each => each.Years.ShouldBe(1.5, 1e-9), each => each.Words.ShouldBe("lifts at the rim"));
        failed.Keep(new Happening(RunEventKind.Undo), Now.AddDays(1000)).Value!.Held!.Holds.ShouldBeTrue("the last look is taken back, and the mend stays handed back");
    }

    [Fact]
    public void A_test_is_judged_by_its_limit_and_leads_back_to_the_last_mix()
    {
        var running = Mend.Open(Cases.FinBox(), Cases.Planner, Now).Value!.Start(Cases.Planner, Now).Value!;
        var failed = Until(running, "prove-fin-fit").Keep(new Happening(RunEventKind.Proof, "prove-fin-fit", Value: 3, Passed: true), Now.AddDays(2)).Value!;
        failed.Events[^1].Passed.ShouldBe(false);
        failed.StateAt(Now.AddDays(2)).ShouldSatisfyAllConditions(state => state.Phase.ShouldBe(StepPhase.Failed), state => state.LeadsBackTo.ShouldBe("coat-mix"));
    }

    [Fact]
    public void What_is_not_mended_here_is_sent_on_and_what_is_is_not()
    {
        var harness = Cases.Usual("climbing-harness", DamageKind.Tear);
        var sent = Mend.Open(harness, Cases.Planner, Now).Value!.SendOn(Cases.Planner, Now).Value!;
        (sent.Status, sent.ClosedAt, sent.Plan!.Steps.Count).ShouldBe((MendStatus.SentOn, Now, 0));
        Mend.Open(harness, Cases.Planner, Now).Value!.Start(Cases.Planner, Now).Problems.Single().Code.ShouldBe("not-mended-here");
        Mend.Open(Quick, Cases.Planner, Now).Value!.SendOn(Cases.Planner, Now).Problems.Single().Code.ShouldBe("mended-here");
    }

    public static TheoryData<string> Constructions => [.. Cases.Planner.Catalogue.ConstructionList.Select(construction => construction.Id)];

    [Theory]
    [MemberData(nameof(Constructions))]
    public void The_first_case_of_every_construction_can_be_planned(string id)
    {
        var construction = Cases.Planner.Catalogue.Constructions[id];
        var shop = new ShopFacts(new BenchFacts(20, 55), new Tools(Cases.Cup, ["P60", "P150", "P220", "P400"]), null, null, null);
        var first = FirstCase.Of(new ItemFacts("NEW-01", id, 200, Warranty.None), construction, shop);
        Cases.Planner.Plan(first.StartingAt(Now)).Problems.ShouldBeEmpty();
    }

    /// <summary>Nothing of a shop hangs on which construction stands first in the file, or on any construction at all.</summary>
    [Fact]
    public void A_shop_is_checked_by_itself()
    {
        var shop = new ShopFacts(new BenchFacts(20, 55), new Tools(Cases.Cup, ["P60"]), [new OnShelf("acetone")], null, null);
        Cases.Planner.CheckShop(shop).ShouldBeEmpty();
        Cases.Planner.CheckShop(shop with { Bench = shop.Bench with { TemperatureC = 99 }, Tools = new Tools(new CupDevice(5, 9, 60), ["P61"]), Shelf = [new OnShelf("acetoen")] })
            .Select(problem => problem.Field).ShouldBe(["bench.temperatureC", "tools.grits[0]", "tools.measure.lineErrorMl", "shelf[0].material"], ignoreOrder: true);
    }

    private static RepairCase Quick => Cases.DeckDing().Wanting(wanted => wanted with { Permanence = Permanence.ForNow }).Choosing("uv-under-film", "uv-polyester");

    private static Mend Done(Mend mend) => Until(mend, null);

    private static Mend Until(Mend mend, string? stepId)
    {
        for (var at = Now; mend.StateAt(at) is { CurrentStepId: { } current } state && current != stepId; at = at.AddMinutes(3))
        {
            var proof = mend.Plan!.Steps.Single(step => step.Id == current).Proof;
            mend = mend.Keep(state.Phase == StepPhase.Waiting ? new Happening(RunEventKind.Ready, current)
                : proof is not null ? new Happening(RunEventKind.Proof, current, Value: 0.5, Passed: true)
                : new Happening(RunEventKind.HandsDone, current), at).Value!;
        }

        return mend;
    }
}
