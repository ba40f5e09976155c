using AbleMend.Core.Cases;
using AbleMend.Core.Curing;
using AbleMend.Core.Running;
using AbleMend.Core.Timing;

namespace AbleMend.Core.Tests.Running;

/// <summary>Touch teaches the clock: looks in a run, what they say of the lot, and what its waits then are.</summary>
public class TouchTests
{
    private const string Epoxy = "epoxy-2to1";

    private static readonly DateTimeOffset Start = Cases.Morning;
    private static readonly RepairCase Case = Cases.DeckDing(0.6).Choosing("fill-glass-coat", Epoxy);

    private static Mend Kept(Mend mend, Happening happening, DateTimeOffset at) => mend.Keep(happening, at, Cases.Planner) is { Value: { } kept } ? kept : throw new InvalidOperationException(mend.Keep(happening, at).Problems[0].Message.ToString());

    /// <summary>A mend that waits for the first time for something that a finger tells.</summary>
    private static (Mend Mend, LiveWindow Window, DateTimeOffset At) Waiting(RepairCase repairCase, WaitKind? kind = null)
    {
        var (mend, at) = (Mend.Open(repairCase, Cases.Planner, Start).Value!.Start(Cases.Planner, Start).Value!, Start);
        while (true)
        {
            var state = mend.StateAt(at);
            var step = mend.Plan!.Step(state.CurrentStepId!);
            if (state.Window is { } window && step.Timing.Wait!.Material is not null && (kind is null || window.Kind == kind))
            {
                return (mend, window, at);
            }

            at = state.Window is { OpensAt: { } opens } ? opens : at.AddMinutes(4);
            mend = Kept(mend, state.Phase == StepPhase.Waiting ? new Happening(RunEventKind.Ready, step.Id) : step.Proof is not null ? new Happening(RunEventKind.Proof, step.Id, Value: 0, Passed: true) : new Happening(RunEventKind.HandsDone, step.Id), at);
        }
    }

    [Fact]
    public void A_wait_that_was_too_early_and_then_ready_says_between_which_minutes_of_the_label_it_set()
    {
        var (mend, window, _) = Waiting(Case);
        var (first, second) = (window.OpensAt!.Value, window.OpensAt!.Value.AddMinutes(60));
        mend = Kept(mend, new Happening(RunEventKind.NotYet, window.StepId), first);
        mend.Touched().ShouldHaveSingleItem().Look.ShouldSatisfyAllConditions(look => look.NotYetMin!.Value.ShouldBe(look.LabelMin, 0.1), look => look.ReadyMin.ShouldBeNull());
        mend = Kept(mend, new Happening(RunEventKind.Ready, window.StepId), second);
        var touched = mend.Touched().ShouldHaveSingleItem();
        touched.Material.ShouldBe(Epoxy);
        touched.Look.ShouldSatisfyAllConditions(look => look.Looks.ShouldBe(2), look => look.ReadyMin!.Value.ShouldBeGreaterThan(look.NotYetMin!.Value));
        Kept(mend, new Happening(RunEventKind.Undo), second.AddMinutes(1)).Touched().ShouldHaveSingleItem().Look.ReadyMin.ShouldBeNull("it was taken back");
    }

    [Fact]
    public void Cold_is_out_of_it_the_clock_of_the_label_ran_slower()
    {
        var (mend, window, at) = Waiting(Case);
        var cold = Kept(mend, new Happening(RunEventKind.Reading, Value: 12), at);
        var opens = cold.StateAt(at).Window!.OpensAt!.Value;
        opens.ShouldBeGreaterThan(window.OpensAt!.Value.AddHours(1));
        Kept(cold, new Happening(RunEventKind.Ready, window.StepId), opens).Touched().Last().Look.ShouldSatisfyAllConditions(look => look.ReadyMin!.Value.ShouldBe(look.LabelMin, 0.5));
    }

    [Fact]
    public void A_slow_lot_moves_the_window_and_says_from_how_many_looks()
    {
        var (mend, window, at) = Waiting(Case);
        var slow = new LearntPace(Epoxy, 0.7, 0.05, 5);
        var told = mend.Learn(Epoxy, slow, at);
        var moved = told.StateAt(at).Window!;
        ((moved.OpensAt!.Value - window.FromAt) / (window.OpensAt!.Value - window.FromAt)).ShouldBe(1 / 0.7, 0.06);
        moved.Pace.ShouldNotBeNull().ShouldSatisfyAllConditions(
            pace => (pace.Rate, pace.Looks, pace.IsReckonedWith).ShouldBe((0.7, 5, true)),
            pace => pace.LabelAt.ShouldBe(window.OpensAt),
            pace => pace.EarliestAt!.Value.ShouldBeLessThan(moved.OpensAt!.Value),
            pace => pace.LatestAt!.Value.ShouldBeGreaterThan(moved.OpensAt!.Value));
        moved.Moved.ShouldBeNull("the air is as it was planned");
        told.StateAt(at).ReadyAt!.Value.ShouldBeGreaterThan(mend.StateAt(at).ReadyAt!.Value);
        told.Learn(Epoxy, slow, at).ShouldBeSameAs(told, "what it knows is not told again");
        told.Learn(Epoxy, null, at).StateAt(at).Window!.OpensAt.ShouldBe(window.OpensAt, "and what was taken back counts no more");
        told.StateAt(at).CanUndo.ShouldBe(mend.StateAt(at).CanUndo);
        Kept(told, new Happening(RunEventKind.Undo), at.AddMinutes(1)).PaceOf(Epoxy).ShouldBe(slow, "nobody takes back what was learnt elsewhere");
    }

    [Fact]
    public void A_fast_lot_is_coated_sooner_but_bears_load_no_sooner()
    {
        var (mend, window, at) = Waiting(Case, WaitKind.Loadable);
        var told = mend.Learn(Epoxy, new LearntPace(Epoxy, 1.5, 0.05, 5), at).StateAt(at).Window!;
        told.OpensAt.ShouldBe(window.OpensAt);
        told.Pace!.ByLabel.ShouldBeTrue();
        var (early, sandable, then) = Waiting(Cases.FinBox(), WaitKind.Sandable);
        var material = early.Plan!.Step(sandable.StepId).Timing.Wait!.Material!;
        early.Learn(material, new LearntPace(material, 1.5, 0.05, 5), then).StateAt(then).Window!.ShouldSatisfyAllConditions(
            each => each.OpensAt!.Value.ShouldBeLessThan(sandable.OpensAt!.Value), each => each.Pace!.ByLabel.ShouldBeFalse());
    }

    [Fact]
    public void A_pace_that_is_hardly_known_is_told_and_not_reckoned_with()
    {
        var (mend, window, at) = Waiting(Case);
        var told = mend.Learn(Epoxy, LearntPace.From(Epoxy, [new PaceLook(480, 480, null)]), at).StateAt(at).Window!;
        told.OpensAt.ShouldBe(window.OpensAt);
        told.Pace!.IsReckonedWith.ShouldBeFalse();
    }

    [Fact]
    public void Nobody_says_a_pace_by_hand()
    {
        var (mend, _, at) = Waiting(Case);
        mend.Keep(new Happening(RunEventKind.Pace, Text: Epoxy, Value: 3), at).Problems.ShouldHaveSingleItem().Code.ShouldBe("not-by-hand");
    }

    [Fact]
    public void A_plan_is_made_at_the_pace_that_is_known_and_says_so()
    {
        var (label, slow) = (Case.Planned(), (Case with { Paces = [new LearntPace(Epoxy, 0.7, 0.05, 5)] }).Planned());
        slow.ReadyAt!.Value.ShouldBeGreaterThan(label.ReadyAt!.Value);
        slow.FullCureAt!.Value.ShouldBeGreaterThan(label.FullCureAt!.Value);
        slow.Warnings.ShouldContain(warning => warning.Code == "learnt-pace" && warning.Text.ToString().Contains("5 looks", StringComparison.Ordinal));
        slow.Figures.ShouldContain(figure => figure.Id == $"pace.{Epoxy}" && figure.Value == 0.7);
        slow.Step("glass-mix").UseWithinMin.ShouldBe(label.Step("glass-mix").UseWithinMin, "a slow lot is not trusted with more time in the cup");
        var fast = (Case with { Paces = [new LearntPace(Epoxy, 1.5, 0.05, 5)] }).Planned();
        fast.Step("glass-mix").UseWithinMin!.Value.ShouldBeLessThan(label.Step("glass-mix").UseWithinMin!.Value, "and a fast one is spread sooner");
    }

    [Fact]
    public void A_pace_of_what_is_not_known_is_refused_by_its_field()
    {
        Cases.Planner.Plan(Case with { Paces = [new LearntPace("no-such", 0.7, 0.05, 5)] }).Problems.ShouldHaveSingleItem().Field.ShouldBe("paces[0].material");
        Cases.Planner.Plan(Case with { Paces = [new LearntPace(Epoxy, double.NaN, 0.05, 5)] }).Problems.ShouldHaveSingleItem().Field.ShouldBe("paces[0].rate");
        Cases.Planner.Plan(Case with { Paces = [new LearntPace(Epoxy, 0.7, 0.05, 5), new LearntPace(Epoxy, 0.8, 0.05, 5)] }).Problems.ShouldHaveSingleItem().Code.ShouldBe("twice");
    }

    [Fact]
    public void A_cup_that_gelled_before_its_time_is_a_look()
    {
        var (mend, at) = (Mend.Open(Case, Cases.Planner, Start).Value!.Start(Cases.Planner, Start).Value!, Start);
        while (mend.StateAt(at) is { CurrentStepId: not "glass-mix" } state)
        {
            at = at.AddMinutes(5);
            mend = Kept(mend, new Happening(state.Phase == StepPhase.Waiting ? RunEventKind.Ready : RunEventKind.HandsDone, state.CurrentStepId), at);
        }

        var before = mend.Touched().Count;

        var within = mend.Plan!.Step("glass-mix").UseWithinMin!.Value;
        mend = Kept(mend, new Happening(RunEventKind.Begin, "glass-mix"), at);
        mend = Kept(mend, new Happening(RunEventKind.HandsDone, "glass-mix"), at.AddMinutes(3));
        var gelled = mend.MishapsAt("glass", Cases.Planner.Catalogue, at.AddMinutes(4)).First(each => each.Id == "gelled").Causes[0].Id;
        mend = Kept(mend, new Happening(RunEventKind.Mishap, "glass", gelled), at.AddMinutes(within / 2));
        mend.Touched().Skip(before).ShouldHaveSingleItem().ShouldSatisfyAllConditions(each => each.Material.ShouldBe(Epoxy), each => each.Look.ReadyMin!.Value.ShouldBe(within / 2, 0.1), each => each.Look.LabelMin.ShouldBe(within));
        LearntPace.From(Epoxy, [mend.Touched()[^1].Look])!.Rate.ShouldBeGreaterThan(1.2);
    }

    // A lot that sets at 0.7 of its label, in five mends one after another, each planned by what was learnt in those before it.
    [Fact]
    public void Five_mends_of_a_slow_lot_make_the_sixth_window_right()
    {
        var (looks, random) = (new List<PaceLook>(), new Random(11));
        for (var i = 0; i < 6; i++)
        {
            var known = LearntPace.From(Epoxy, looks);
            var (mend, window, at) = Waiting(Case with { Paces = known is null ? null : [known] });
            var wait = mend.Plan!.Step(window.StepId).Timing.Wait!;
            var share = random.NextDouble();
            var truth = (wait.At(1).Clock with { Pace = 0.7 * Math.Exp(LearntPace.FingerScale * Math.Log(share / (1 - share))) })
                .TryFindReached(wait.OpensMin, mend.StateAt(at).Steps.First(step => step.StepId == (wait.CountsFrom ?? window.StepId)).StartedAt!.Value, mend.Climate)!.Value;
            if (i == 5)
            {
                window.Pace.ShouldNotBeNull().ShouldSatisfyAllConditions(
                    pace => pace.IsReckonedWith.ShouldBeTrue(), pace => pace.EarliestAt!.Value.ShouldBeLessThan(truth), pace => pace.LatestAt!.Value.ShouldBeGreaterThan(truth), pace => pace.Rate.ShouldBe(0.7, 0.06));
                return;
            }

            for (var look = window.OpensAt!.Value; ; look = mend.StateAt(look).Window!.OpensAt!.Value)
            {
                mend = Kept(mend, new Happening(look < truth ? RunEventKind.NotYet : RunEventKind.Ready, window.StepId), look);
                if (look >= truth)
                {
                    break;
                }
            }

            looks.AddRange(mend.Touched().Select(each => each.Look));
        }
    }
}
