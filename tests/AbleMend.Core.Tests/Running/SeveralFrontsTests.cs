using AbleMend.Core.Cases;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;

namespace AbleMend.Core.Tests.Running;

/// <summary>The run of an item with two damages: each has a front of its own.</summary>
public class SeveralFrontsTests
{
    private static readonly DateTimeOffset Now = Cases.Morning;

    private static readonly RepairCase Two = Cases.DeckDing(0.6) with
    {
        Damages =
        [
            new DamageToMend(Cases.DeckDing(0.6).Damage, new Choice("fill-glass-coat", "epoxy-2to1")),
            new DamageToMend(Cases.DeckDing(0.6).Damage with { Location = "deck", DepthMm = 0.5 }, new Choice("uv-under-film", "uv-polyester")),
        ],
    };

    private static Mend Started() => Mend.Open(Two, Cases.Planner, Now).Value!.Start(Cases.Planner, Now).Value!;

    [Fact]
    public void Each_damage_goes_on_by_itself_and_the_one_that_needs_hands_leads()
    {
        var mend = Started();
        var plan = mend.Plan!;
        mend.StateAt(Now).Fronts.Select(front => (front.Damage, front.StepId)).ShouldBe([(1, First(plan, 1)), (2, First(plan, 2))]);
        var waiting = UntilWaiting(mend, 1, out var at);
        var state = waiting.StateAt(at);
        state.Fronts[0].Phase.ShouldBe(StepPhase.Waiting);
        state.CurrentStepId.ShouldBe(First(plan, 2), "while the glass cures, hands are on the other");
        var both = waiting.Keep(new Happening(RunEventKind.HandsDone, First(plan, 2)), at.AddMinutes(4)).Value!.StateAt(at.AddMinutes(4));
        both.Fronts[0].ShouldBe(state.Fronts[0], "work on the other does not touch it");
        both.Fronts[1].StepId.ShouldNotBe(First(plan, 2));
    }

    [Fact]
    public void Work_begun_by_nobodys_note_began_when_hands_were_off_the_other()
    {
        var mend = UntilWaiting(Started(), 1, out var at);
        var state = mend.Keep(new Happening(RunEventKind.HandsDone, First(mend.Plan!, 2)), at.AddMinutes(7)).Value!.StateAt(at.AddMinutes(7));
        state.Steps.Single(step => step.StepId == First(mend.Plan!, 2)).StartedAt.ShouldBe(at);
    }

    [Fact]
    public void What_is_still_fresh_on_one_damage_keeps_the_item_out_of_the_warm_by_name_until_it_has_set()
    {
        var said = new List<string>();
        foreach (var (state, at) in Walked(Gallery.GalleryTests.Read("board-three-dings")))
        {
            var setting = state.Fronts.Where(front => front.Phase == StepPhase.Waiting && !(front.Window!.OpensAt <= at)).ToList();
            (state.Warm is null || setting.Count > 0).ShouldBeTrue("where nothing sets any more, warmth is nothing to speak of");
            if (state.Warm?.Because is { } because)
            {
                var told = Voice.Plain.Say(because);
                setting.Select(front => $"Damage {front.Damage}: ").ShouldContain(named => told.StartsWith(named, StringComparison.Ordinal) || told.Contains("softens", StringComparison.Ordinal), told);
                (state.Warm.UpToC is null).ShouldBe(told.Contains("Not into the warm", StringComparison.Ordinal));
                said.Add(told);
            }
        }

        said.ShouldContain(told => told.Contains("Not into the warm", StringComparison.Ordinal));
        said.ShouldContain(told => told.Contains("Up to", StringComparison.Ordinal));
    }

    // Laminating polyester is coated again inside its window: that would close sooner in the warm, whatever sets beside it.
    [Fact]
    public void What_has_to_be_met_before_it_closes_on_one_damage_keeps_the_item_out_of_the_warm()
    {
        var three = Gallery.GalleryTests.Read("board-three-dings");
        var mixed = three with { Damages = [three.Damages[0] with { Choice = new Choice("fill-glass-coat", "polyester-laminating") }, .. three.Damages.Skip(1)] };
        var both = 0;
        foreach (var (state, at) in Walked(mixed))
        {
            var waiting = state.Fronts.Where(front => front.Phase == StepPhase.Waiting).ToList();
            if (waiting.Exists(front => front.Window!.ClosesAt is not null))
            {
                state.Warm.ShouldBeNull();
                both += waiting.Exists(front => front.Window!.OpensAt <= at && front.Window.ClosesAt is not null) && waiting.Exists(front => front.Window!.OpensAt > at && front.Window.ClosesAt is null) ? 1 : 0;
            }
        }

        both.ShouldBeGreaterThan(0, "an open window that closes beside something that sets");
    }

    /// <summary>The states of a run, one after another, as far as it goes.</summary>
    private static List<(RunState State, DateTimeOffset At)> Walked(RepairCase repairCase)
    {
        var (mend, at, states) = (Mend.Open(repairCase, Cases.Planner, Now).Value!.Start(Cases.Planner, Now).Value!, Now, new List<(RunState, DateTimeOffset)>());
        for (var i = 0; i < 200 && mend.StateAt(at) is { Phase: not (StepPhase.Done or StepPhase.Failed) } state; i++)
        {
            states.Add((state, at));
            (mend, at) = Onward(mend, state, at);
        }

        return states;
    }

    /// <summary>Hands four minutes at a time; where all waits, to a minute before the next window opens, then to its opening.</summary>
    private static (Mend Mend, DateTimeOffset At) Onward(Mend mend, RunState state, DateTimeOffset at)
    {
        if (state.Phase != StepPhase.Waiting)
        {
            var what = mend.Plan!.Steps.First(step => step.Id == state.CurrentStepId).Proof is not null
                ? new Happening(RunEventKind.Proof, state.CurrentStepId, Value: 0.5, Passed: true)
                : new Happening(RunEventKind.HandsDone, state.CurrentStepId);
            return (mend.Keep(what, at.AddMinutes(4)).Value!, at.AddMinutes(4));
        }

        var opens = state.Window!.OpensAt!.Value;
        return opens <= at ? (mend.Keep(new Happening(RunEventKind.Ready, state.CurrentStepId), at).Value!, at)
            : (mend, at < opens.AddMinutes(-1) ? opens.AddMinutes(-1) : opens);
    }

    [Fact]
    public void A_step_of_neither_front_is_refused()
    {
        var mend = Started();
        var later = mend.Plan!.Steps.Last(step => step.Damage == 2).Id;
        mend.Keep(new Happening(RunEventKind.Begin, later), Now).Problems.Single().Code.ShouldBe("not-this-step");
    }

    // The cup that others have taken from is mixed again: at no moment may that leave the bench without an answer.
    [Theory]
    [InlineData("board-three-dings")]
    [InlineData("inflatable-board-three-punctures")]
    public void A_damage_that_shares_its_cups_can_be_done_again_at_any_moment(string example)
    {
        var mend = Mend.Open(Gallery.GalleryTests.Read(example), Cases.Planner, Now).Value!.Start(Cases.Planner, Now).Value!;
        var plan = mend.Plan!;
        var (at, firsts) = (Now, plan.Steps.GroupBy(step => step.Damage).Select(lane => lane.First().Id).ToList());
        foreach (var step in plan.Steps)
        {
            at = plan.Timeline.Single(each => each.StepId == step.Id).HandsEndAt!.Value;
            var front = mend.StateAt(at).Fronts.Single(each => each.Damage == step.Damage);
            if (front.StepId != step.Id)
            {
                mend = mend.Keep(new Happening(RunEventKind.Ready, front.StepId, At: at), at).Value!;
            }

            mend = mend.Keep(step.Proof is null ? new Happening(RunEventKind.HandsDone, step.Id, At: at) : AbleMend.Core.Proving.ProofTest.All[step.Proof].Measures is null ? new Happening(RunEventKind.Proof, step.Id, Passed: true, At: at) : new Happening(RunEventKind.Proof, step.Id, Value: 0, At: at), at).Value!;
            foreach (var first in firsts)
            {
                var again = mend.Keep(new Happening(RunEventKind.Redo, first, At: at), at).Value!.StateAt(at.AddMinutes(1));
                again.Fronts.ShouldContain(each => each.StepId == first);
                again.ReadyAt.ShouldNotBeNull();
            }
        }
    }

    // What was mixed for all of them is long gone: nothing in hand is about to be lost, and what is mixed anew lives from then on.
    [Fact]
    public void A_share_of_a_cup_that_is_done_again_days_later_is_mixed_anew_and_not_about_to_be_lost()
    {
        var mend = Mend.Open(Gallery.GalleryTests.Read("board-three-dings"), Cases.Planner, Now).Value!.Start(Cases.Planner, Now).Value!;
        var plan = mend.Plan!;
        var share = plan.Steps.First(step => step.Stage == Stage.Mix && step.Uses is { } uses && plan.Steps.First(mix => mix.Id == uses).Damage != step.Damage);
        foreach (var step in plan.Steps.TakeWhile(step => step != share).Append(share))
        {
            var at = plan.Timeline.Single(each => each.StepId == step.Id).HandsEndAt!.Value;
            if (mend.StateAt(at).Fronts.Single(front => front.Damage == step.Damage) is var front && front.StepId != step.Id)
            {
                mend = mend.Keep(new Happening(RunEventKind.Ready, front.StepId, At: at), at).Value!;
            }

            mend = mend.Keep(new Happening(RunEventKind.HandsDone, step.Id, At: at), at).Value!;
        }

        var later = Now.AddDays(4);
        var again = mend.Keep(new Happening(RunEventKind.Redo, share.Id, At: later), later).Value!;
        var stands = again.StateAt(later.AddHours(1)).Fronts.Single(front => front.Damage == share.Damage);
        (stands.StepId, stands.UseBy).ShouldBe((share.Id, null));
        var mixed = again.Keep(new Happening(RunEventKind.HandsDone, share.Id, At: later.AddHours(1)), later.AddHours(1)).Value!.StateAt(later.AddHours(1)).Fronts.Single(front => front.Damage == share.Damage);
        mixed.UseBy.ShouldNotBeNull().ShouldBeGreaterThan(later);
    }

    [Fact]
    public void Doing_one_again_leaves_the_other_done()
    {
        var mend = Done(Started(), 2);
        var again = mend.Keep(new Happening(RunEventKind.HandsDone, First(mend.Plan!, 1)), Now.AddDays(3)).Value!.Keep(new Happening(RunEventKind.Redo, First(mend.Plan!, 1)), Now.AddDays(3)).Value!;
        again.StateAt(Now.AddDays(3)).Fronts.Single().StepId.ShouldBe(First(mend.Plan!, 1));
    }

    [Fact]
    public void It_is_handed_back_when_all_are_done_and_what_was_for_now_follows_alone()
    {
        var one = Done(Started(), 1);
        one.Keep(new Happening(RunEventKind.HandBack, Text: "half"), Now.AddDays(5)).Problems.Single().Code.ShouldBe("not-now");
        var back = Done(one, 2).Keep(new Happening(RunEventKind.HandBack, Text: "all"), Now.AddDays(5)).Value!;
        back.Status.ShouldBe(MendStatus.HandedBack);
        back.Follows!.Case.Damages.Single().Seen.DepthMm.ShouldBe(0.5, "only the film was for now");
        Cases.Planner.Plan(back.Follows.Case.StartingAt(Now)).Problems.ShouldBeEmpty();
    }

    private static string First(RepairPlan plan, int damage) => plan.Steps.First(step => step.Damage == damage).Id;

    private static Mend UntilWaiting(Mend mend, int damage, out DateTimeOffset at)
    {
        at = Now;
        while (mend.StateAt(at).Fronts.Single(front => front.Damage == damage) is { Phase: StepPhase.Next } front)
        {
            at = at.AddMinutes(5);
            mend = mend.Keep(new Happening(RunEventKind.HandsDone, front.StepId), at).Value!;
        }

        return mend;
    }

    private static Mend Done(Mend mend, int damage)
    {
        for (var i = 0; i < 200 && mend.StateAt(Now).Fronts.FirstOrDefault(front => front.Damage == damage) is { } front; i++)
        {
            var proof = mend.Plan!.Steps.Single(step => step.Id == front.StepId).Proof;
            mend = mend.Keep(front.Phase == StepPhase.Waiting ? new Happening(RunEventKind.Ready, front.StepId)
                : proof is not null ? new Happening(RunEventKind.Proof, front.StepId, Value: 0.5, Passed: true)
                : new Happening(RunEventKind.HandsDone, front.StepId), Now).Value!;
        }

        return mend;
    }
}
