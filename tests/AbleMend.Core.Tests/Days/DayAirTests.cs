using AbleMend.Core.Cases;
using AbleMend.Core.Days;
using AbleMend.Core.Running;

namespace AbleMend.Core.Tests.Days;

/// <summary>What goes into the air: of what was done, when it was done; of what is to come, when the plan of the days has it.</summary>
public class DayAirTests
{
    private static readonly RepairCase Roomy = Cases.DeckDing() with { Bench = new BenchFacts(20, 55, RoomM3: 60) };

    [Fact]
    public void What_was_done_counts_when_it_was_done_and_what_is_to_come_when_it_is_planned()
    {
        var mend = Mend.Open(Roomy, Cases.Planner, Cases.Morning).Value!.Start(Cases.Planner, Cases.Morning).Value!;
        var wipe = mend.Plan!.Steps.First(step => step.GivesOff is not null);
        var at = Cases.Morning;
        while (mend.StateAt(at).CurrentStepId != wipe.Id)
        {
            at = at.AddMinutes(7);
            var state = mend.StateAt(at);
            mend = mend.Keep(new Happening(state.Phase == StepPhase.Waiting ? RunEventKind.Ready : RunEventKind.HandsDone, state.CurrentStepId), at).Value!;
        }

        mend = mend.Keep(new Happening(RunEventKind.Begin, wipe.Id), at = at.AddMinutes(20)).Value!;
        var (later, block) = (mend.Plan!.Steps.Last(step => step.GivesOff is not null), at.AddHours(3));
        later.Id.ShouldNotBe(wipe.Id);
        var before = mend.Plan!.Steps.TakeWhile(step => step.Id != later.Id).Last();
        var days = new DaysPlan(at, at.AddDays(2), ["Wren"], [new DayBlock(7, before.Id, [before.Title, later.Title], 0, block, block.AddHours(1), null, null, null, false)], [], []);
        var given = DayAir.Of(7, mend.Plan!, mend.StateAt(at), days);
        given.Single(each => each.StepId == wipe.Id).Release.From.ShouldBe(at);
        given.Single(each => each.StepId == later.Id).Release.From.ShouldBe(block.AddMinutes(before.Timing.HandsOnMin));
        given.ShouldAllBe(each => each.Release.Grams > 0 && each.Release.To > each.Release.From);
        DayAir.Of(7, mend.Plan!, mend.StateAt(at), null).ShouldHaveSingleItem("what nobody has planned is not guessed");
    }

    [Fact]
    public void Without_a_room_nothing_is_said_to_go_into_it() =>
        Cases.Planner.Plan(Cases.DeckDing()).Value!.Steps.ShouldAllBe(step => step.GivesOff == null);
}
