using AbleMend.Core.Cases;
using AbleMend.Core.Gear;
using AbleMend.Core.Plans;
using AbleMend.Core.Proving;
using AbleMend.Core.Running;

namespace AbleMend.Core.Tests.Plans;

/// <summary>What is done to the whole item is done once. Common practice, no source: nobody blows a boat up three times for three patches.</summary>
public class DoneOnceTests
{
    private static readonly Construction Board = Cases.Planner.Catalogue.Constructions["drop-stitch-board"];
    private static readonly Damage Puncture = FirstCase.Usual(Board.Damages.First(each => each.Kind == DamageKind.Puncture));

    private static RepairCase Three()
    {
        var one = Cases.Usual(Board, Board.Damages.First(each => each.Kind == DamageKind.Puncture));
        return one with { Damages = [.. Enumerable.Range(0, 3).Select(i => one.Damages[0] with { Seen = Puncture with { Located = true } })] };
    }

    [Fact]
    public void A_board_with_three_punctures_is_blown_up_and_watched_once_when_the_last_is_patched()
    {
        var plan = Three().Planned();
        foreach (var id in new[] { HoldTest.InflateStep, HoldTest.WatchStep, "prove-hold" })
        {
            var step = plan.Steps.Single(each => Numbering.Parse(each.Id).Id == id);
            step.Timing.Also.ShouldBe([2, 3]);
        }

        var inflated = plan.Timeline.Single(step => step.StepId == HoldTest.InflateStep).StartsAt;
        var patched = plan.Steps.Where(step => step.Stage == AbleMend.Core.Methods.Stage.Apply).Select(step => plan.Timeline.Single(each => each.StepId == step.Id)).ToList();
        patched.Select(step => Numbering.Parse(step.StepId).Number).Distinct().ShouldBe([1, 2, 3], ignoreOrder: true);
        patched.ShouldAllBe(step => step.HandsEndAt <= inflated);
        plan.Figures.ShouldNotContain(figure => figure.Id == "2:air.working", "what is done with the first damage is told there");
    }

    public static TheoryData<string> HoldingAir => [.. Cases.Planner.Catalogue.ConstructionList.Where(each => each.PressureKpa is not null).Select(each => each.Id)];

    // Whatever two damages it has, in either order, dry or wet.
    [Theory]
    [MemberData(nameof(HoldingAir))]
    public void Any_two_damages_of_an_item_that_holds_air_are_done_with_one_look_over_one_letting_down_and_one_blowing_up(string id)
    {
        var construction = Cases.Planner.Catalogue.Constructions[id];
        var planned = 0;
        foreach (var (one, other, wet) in construction.Damages.SelectMany(one => construction.Damages.SelectMany(other => new[] { false, true }.Select(wet => (one, other, wet)))))
        {
            var second = Cases.Usual(construction, other).Damages[0];
            var both = Cases.Usual(construction, one) with { Damages = [Cases.Usual(construction, one).Damages[0], second with { Seen = second.Seen with { Wet = wet } }] };
            if (Cases.Planner.Plan(both).Value is { Verdict.MendedHere: true } plan)
            {
                planned++;
                foreach (var (law, look) in PlanLaws.All)
                {
                    look(both, plan).ShouldBeEmpty($"{law}: {one.Kind}, {other.Kind}, {(wet ? "wet" : "dry")}");
                }
            }
        }

        planned.ShouldBeGreaterThan(construction.Damages.Count);
    }

    [Fact]
    public void What_is_watched_for_longest_is_watched_for_all()
    {
        var seam = Cases.Usual(Board, Board.Damages.First(each => each.Kind == DamageKind.SeamOpen)).Choosing("seam-rebond-clamped", null).Damages[0];
        var puncture = Cases.Usual(Board, Board.Damages.First(each => each.Kind == DamageKind.Puncture)).Damages[0];
        var alone = (Three() with { Damages = [seam] }).Planned();
        var both = (Three() with { Damages = [puncture, seam] }).Planned();
        double Watched(RepairPlan plan) => plan.Steps.Single(step => Numbering.Parse(step.Id).Id == HoldTest.WatchStep).Timing.Wait!.OpensMin.CureMin;
        Watched(both).ShouldBe(Watched(alone));
        Watched(both).ShouldBeGreaterThan(Watched((Three() with { Damages = [puncture] }).Planned()));
    }

    [Fact]
    public void It_is_soaped_and_let_down_once_before_any_patch_is_cut()
    {
        var plan = Three().Planned();
        var once = new[] { "find", "deflate" }.Select(id => plan.Steps.Single(step => Numbering.Parse(step.Id).Id == id)).ToList();
        once.ShouldAllBe(step => step.Timing.Also!.SequenceEqual(new[] { 2, 3 }));
        var cut = plan.Timeline.Where(step => Numbering.Parse(step.StepId).Id == "cut-patch").ToList();
        cut.Count.ShouldBe(3);
        cut.ShouldAllBe(step => step.StartsAt >= plan.Timeline.Single(each => each.StepId == "deflate").HandsEndAt);
    }

    [Fact]
    public void A_wet_board_is_drained_once_before_any_of_its_damages_is_opened()
    {
        var wet = Cases.DeckDing().Damages[0] with { Choice = new Choice("fill-glass-coat", "epoxy-2to1") };
        wet = wet with { Seen = wet.Seen with { Wet = true, DepthMm = 6 } };
        var plan = (Cases.DeckDing() with { Damages = [wet, wet with { Seen = wet.Seen with { Location = "bottom" } }] }).Planned();
        var dry = plan.Timeline.Single(step => Numbering.Parse(step.StepId).Id == "dry");
        plan.Steps.Single(step => step.Id == dry.StepId).Timing.Also.ShouldBe([2]);
        plan.Timeline.Where(step => step != dry).ShouldAllBe(step => step.StartsAt >= dry.OpensAt);
        plan.Timeline.Count(step => Numbering.Parse(step.StepId).Id == "prove-float").ShouldBe(1);
    }

    // Common practice, no source: what is closed keeps the water in, and what is put on spoils the weighing.
    [Fact]
    public void A_dry_ding_stays_open_while_the_board_dries_for_a_wet_one()
    {
        var dry = Cases.DeckDing().Damages[0] with { Choice = new Choice("fill-glass-coat", "epoxy-2to1") };
        var plan = (Cases.DeckDing() with { Damages = [dry, dry with { Seen = dry.Seen with { Location = "nose", Wet = true, DepthMm = 6 } }] }).Planned();
        var dried = plan.Timeline.Single(step => step.StepId == "2:dry").OpensAt!.Value;
        plan.Timeline.Where(step => step.Damage == 1).ShouldAllBe(step => step.StartsAt >= dried);
    }

    [Fact]
    public void A_test_set_by_hand_for_one_damage_stays_its_own()
    {
        var asked = Three();
        var plan = (asked with { Damages = [asked.Damages[0], asked.Damages[1] with { Overrides = [new Override("air.working", 70, "its own label")] }, asked.Damages[2]] }).Planned();
        plan.Figure("2:air.working").Value.ShouldBe(70);
        plan.Steps.Count(step => Numbering.Parse(step.Id).Id == HoldTest.InflateStep).ShouldBe(2);
    }

    [Fact]
    public void It_says_whom_it_waits_for_and_leads_the_bench_to_them()
    {
        var (asked, plan) = (Three(), Three().Planned());
        var events = new List<RunEvent>();
        var at = plan.StartAt;
        foreach (var step in plan.Steps.Where(step => step.Damage == 1).TakeWhile(step => step.Id != HoldTest.InflateStep))
        {
            events.Add(new RunEvent(events.Count + 1, at = at.AddMinutes(2), RunEventKind.HandsDone, step.Id));
            if (step.Timing.Wait is not null)
            {
                events.Add(new RunEvent(events.Count + 1, at = at.AddMinutes(2), RunEventKind.Ready, step.Id));
            }
        }

        var state = Run.Fold(asked, plan, plan.StartAt, events, at);
        state.Fronts.Single(front => front.Damage == 1).StepId.ShouldBe(HoldTest.InflateStep);
        state.Fronts.Single(front => front.Damage == 1).WaitsFor.ShouldBe([2, 3]);
        state.CurrentStepId!.ShouldStartWith("2:");
    }

    [Fact]
    public void A_patch_that_is_done_again_has_the_whole_item_tested_again()
    {
        var (asked, plan) = (Three(), Three().Planned());
        var events = new List<RunEvent>();
        var at = plan.StartAt;
        foreach (var step in plan.Steps.TakeWhile(step => step.Proof != HoldTest.ProofId))
        {
            events.Add(new RunEvent(events.Count + 1, at = at.AddMinutes(2), step.Proof is null ? RunEventKind.HandsDone : RunEventKind.Proof, step.Id, Value: 0, Passed: true));
            if (step.Timing.Wait is not null)
            {
                events.Add(new RunEvent(events.Count + 1, at = at.AddMinutes(2), RunEventKind.Ready, step.Id));
            }
        }

        StepPhase PhaseOf(string id) => Run.Fold(asked, plan, plan.StartAt, events, at).Steps.Single(step => step.StepId == id).Phase;
        PhaseOf(HoldTest.InflateStep).ShouldBe(StepPhase.Done);
        var last = plan.Steps.Last(step => step.Damage == 3 && step.Stage == AbleMend.Core.Methods.Stage.Apply);
        events.Add(new RunEvent(events.Count + 1, at.AddMinutes(5), RunEventKind.Redo, last.Id));
        PhaseOf(HoldTest.InflateStep).ShouldNotBe(StepPhase.Done);
        PhaseOf(last.Id).ShouldNotBe(StepPhase.Done);
        PhaseOf(plan.Steps.Last(step => step.Damage == 2 && step.Stage == AbleMend.Core.Methods.Stage.Apply).Id).ShouldBe(StepPhase.Done);
    }
}
