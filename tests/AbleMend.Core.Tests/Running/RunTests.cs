using AbleMend.Core.Cases;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;

namespace AbleMend.Core.Tests.Running;

public class RunTests
{
    private static readonly RepairCase Case = Cases.DeckDing(0.6).Choosing("fill-glass-coat", "epoxy-2to1");
    private static readonly RepairPlan Plan = Case.Planned();
    private static readonly DateTimeOffset Start = Cases.Morning;

    [Fact]
    public void A_run_begins_with_the_first_step_next()
    {
        var state = Fold([], Start);
        state.CurrentStepId.ShouldBe(Plan.Steps[0].Id);
        state.Phase.ShouldBe(StepPhase.Next);
    }

    [Fact]
    public void Done_leads_to_the_next_step()
    {
        var state = Fold([Event(1, 8, RunEventKind.HandsDone, "cut")], Start.AddMinutes(9));
        state.Steps[0].Phase.ShouldBe(StepPhase.Done);
        state.CurrentStepId.ShouldBe("key");
    }

    [Fact]
    public void A_wait_is_a_window_that_opens_at_its_time()
    {
        var state = Fold(UpToGlass(), Start.AddMinutes(61));
        state.Phase.ShouldBe(StepPhase.Waiting);
        var expected = Plan.Step("glass").Timing.Wait!.Clock.TryFindReached(Plan.Step("glass").Timing.Wait!.OpensMin, Start.AddMinutes(40), Core.Curing.Climate.Steady(20));
        state.Window!.OpensAt.ShouldBe(expected, "the clock runs from the mixing, forty minutes in");
    }

    [Fact]
    public void Full_cure_and_the_day_to_look_again_go_by_what_happened_and_not_by_the_plan()
    {
        var onTime = Fold([], Start);
        onTime.FullCureAt.ShouldBe(Plan.FullCureAt);
        onTime.LookAgainAt.ShouldBe(Plan.Aftercare!.LookAgainAt);

        var late = Fold([], Start.AddDays(1));
        late.FullCureAt!.Value.ShouldBeGreaterThan(Plan.FullCureAt!.Value);
        late.LookAgainAt.ShouldBe(late.ReadyAt!.Value.AddDays(14));
    }

    [Fact]
    public void A_cold_reading_puts_full_cure_off() =>
        Fold([new RunEvent(1, Start, RunEventKind.Reading, Value: 12)], Start).FullCureAt!.Value.ShouldBeGreaterThan(Plan.FullCureAt!.Value);

    [Fact]
    public void Touch_beats_the_clock()
    {
        var state = Fold([.. UpToGlass(), Event(20, 62, RunEventKind.Ready, "glass")], Start.AddMinutes(63));
        state.CurrentStepId.ShouldBe("prove-tap");
    }

    [Fact]
    public void Not_yet_sets_the_next_look()
    {
        var far = Start.AddHours(20);
        var state = Fold([.. UpToGlass(), new RunEvent(20, far, RunEventKind.NotYet, "glass")], far.AddMinutes(1));
        state.Window!.OpensAt.ShouldBe(far.AddMinutes(Plan.Step("glass").Timing.Wait!.RecheckMin));
    }

    [Fact]
    public void A_mix_in_hand_has_an_end_until_it_is_spread()
    {
        var events = UpToGlass();
        var mixing = Fold([.. events.TakeWhile(each => each.Kind != RunEventKind.Begin), events.First(each => each.Kind == RunEventKind.Begin)], Start.AddMinutes(41));
        mixing.UseBy.ShouldBe(Start.AddMinutes(40 + Plan.Step("glass-mix").UseWithinMin!.Value));
        Fold(events, Start.AddMinutes(61)).UseBy.ShouldBeNull();
    }

    [Fact]
    public void A_colder_reading_moves_the_window_back()
    {
        var before = Fold(UpToGlass(), Start.AddMinutes(61)).Window!.OpensAt;
        var after = Fold([.. UpToGlass(), new RunEvent(20, Start.AddMinutes(65), RunEventKind.Reading, Value: 14)], Start.AddMinutes(66)).Window!.OpensAt;
        (after > before).ShouldBeTrue();
    }

    [Fact]
    public void A_reading_below_the_lowest_temperature_stops_the_clock() =>
        Fold([.. UpToGlass(), new RunEvent(20, Start.AddMinutes(65), RunEventKind.Reading, Value: 5)], Start.AddMinutes(66)).Window!.OpensAt.ShouldBeNull();

    [Fact]
    public void Undo_takes_back_the_last_that_still_stands()
    {
        RunEvent[] events = [Event(1, 8, RunEventKind.HandsDone, "cut"), Event(2, 14, RunEventKind.HandsDone, "key"), Event(3, 15, RunEventKind.Undo, null), Event(4, 16, RunEventKind.Undo, null)];
        Fold(events, Start.AddMinutes(17)).CurrentStepId.ShouldBe("cut");
    }

    [Fact]
    public void A_failed_test_stays_current_and_can_be_gone_back_from()
    {
        RunEvent[] failed = [.. UpToGlass(), Event(20, 900, RunEventKind.Ready, "glass"), new RunEvent(21, Start.AddMinutes(905), RunEventKind.Proof, "prove-tap", Passed: false)];
        var state = Fold(failed, Start.AddMinutes(906));
        state.Phase.ShouldBe(StepPhase.Failed);
        state.CurrentStepId.ShouldBe("prove-tap");
        var again = Fold([.. failed, new RunEvent(22, Start.AddMinutes(910), RunEventKind.Redo, "clean")], Start.AddMinutes(911));
        again.CurrentStepId.ShouldBe("clean");
        again.Steps.Single(step => step.StepId == "key").Phase.ShouldBe(StepPhase.Done);
    }

    [Fact]
    public void Folding_twice_or_later_changes_nothing_that_happened()
    {
        var now = Fold(UpToGlass(), Start.AddMinutes(61));
        var later = Fold(UpToGlass(), Start.AddDays(3));
        later.Window!.OpensAt.ShouldBe(now.Window!.OpensAt);
        later.Steps.Select(step => step.DoneAt).ShouldBe(now.Steps.Select(step => step.DoneAt));
    }

    [Theory]
    [InlineData(RunEventKind.Ready, "cut", "not-now")]
    [InlineData(RunEventKind.HandsDone, "key", "not-this-step")]
    [InlineData(RunEventKind.Proof, "cut", "not-this-step")]
    [InlineData(RunEventKind.HandBack, null, "not-now")]
    [InlineData(RunEventKind.Undo, null, "not-now")]
    [InlineData(RunEventKind.Redo, "nowhere", "unknown-id")]
    [InlineData(RunEventKind.Note, null, "bad-note")]
    [InlineData(RunEventKind.Reading, null, "out-of-range")]
    public void What_cannot_happen_now_is_refused(RunEventKind kind, string? step, string code) =>
        Run.Refuse(Plan, Fold([], Start), new RunEvent(1, Start, kind, step))!.Code.ShouldBe(code);

    [Theory]
    [InlineData(RunEventKind.Begin)]
    [InlineData(RunEventKind.HandsDone)]
    public void What_can_happen_now_is_taken(RunEventKind kind) =>
        Run.Refuse(Plan, Fold([], Start), new RunEvent(1, Start, kind, "cut")).ShouldBeNull();

    [Theory]
    [InlineData(45, true)]
    [InlineData(45.1, false)]
    [InlineData(-10, true)]
    [InlineData(double.NaN, false)]
    public void A_reading_lies_where_benches_are(double celsius, bool fine) =>
        (Run.Refuse(Plan, Fold([], Start), new RunEvent(1, Start, RunEventKind.Reading, Value: celsius)) is null).ShouldBe(fine);

    [Fact]
    public void The_bench_leads_with_what_is_about_to_be_lost()
    {
        var events = UpToGlass();
        var begin = events.ToList().FindIndex(each => each.Kind == RunEventKind.Begin);
        BenchOrder.UrgencyOf(Fold([.. events.Take(begin + 1)], Start.AddMinutes(41)), Start.AddMinutes(41)).ShouldBe(Urgency.AboutToBeLost);
        BenchOrder.UrgencyOf(Fold(events, Start.AddMinutes(61)), Start.AddMinutes(61)).ShouldBe(Urgency.Waiting);
        BenchOrder.UrgencyOf(Fold(events, Start.AddDays(2)), Start.AddDays(2)).ShouldBe(Urgency.HandsNow);
        BenchOrder.UrgencyOf(Fold([], Start), Start).ShouldBe(Urgency.HandsNow);
    }

    private static readonly RepairCase Tube = Cases.Usual("csm-boat", Core.Gear.DamageKind.Puncture);
    private static readonly RepairPlan TubePlan = Tube.Planned();

    /// <summary>A tube that is ready for its hold test, with readings every hour that fall by some kPa an hour.</summary>
    private static RunEvent[] Holding(double kpaPerHour, int count)
    {
        var before = TubePlan.Steps.TakeWhile(step => step.Proof != "hold").SelectMany(step => step.Timing.Wait is null && step.Proof is null
            ? [RunEventKind.HandsDone] : step.Proof is not null ? [RunEventKind.Proof] : new[] { RunEventKind.HandsDone, RunEventKind.Ready },
            (step, kind) => (step.Id, kind)).ToList();
        var played = before.Select((each, i) => new RunEvent(i + 1, Start.AddHours(i), each.kind, each.Id, Passed: true)).ToList();
        var from = Start.AddHours(before.Count);
        return [.. played, .. Enumerable.Range(0, count).Select(i =>
            new RunEvent(played.Count + 1 + i, from.AddHours(i), RunEventKind.Pressure, "prove-hold", Value: 20 - (kpaPerHour * i) + (i % 2 * 0.01), AirC: 20))];
    }

    private static RunState FoldTube(IReadOnlyList<RunEvent> events) => Run.Fold(Tube, TubePlan, Start, events, events[^1].At.AddMinutes(1));

    [Theory]
    [InlineData(0, 2, Core.Proving.HoldVerdict.NotYet)]
    [InlineData(0, 10, Core.Proving.HoldVerdict.Pass)]
    [InlineData(0.6, 10, Core.Proving.HoldVerdict.Fail)]
    public void Readings_of_the_gauge_judge_the_hold_test_as_they_come(double kpaPerHour, int count, Core.Proving.HoldVerdict verdict)
    {
        var hold = FoldTube(Holding(kpaPerHour, count)).Hold!;
        hold.Verdict.ShouldBe(verdict);
        hold.Given.ShouldBe(count);
    }

    [Fact]
    public void Readings_are_taken_while_it_is_left_to_hold_and_count_once_it_has_settled()
    {
        var before = TubePlan.Steps.TakeWhile(step => step.Id != Core.Proving.HoldTest.WatchStep)
            .SelectMany(step => step.Proof is not null ? [RunEventKind.Proof] : step.Timing.Wait is null ? [RunEventKind.HandsDone] : new[] { RunEventKind.HandsDone, RunEventKind.Ready }, (step, kind) => (step.Id, kind)).ToList();
        List<RunEvent> events = [.. before.Select((each, i) => new RunEvent(i + 1, Start.AddHours(i), each.kind, each.Id, Passed: true))];
        var blownUp = events.Last(each => each.StepId == Core.Proving.HoldTest.InflateStep).At;
        events.Add(new RunEvent(90, events[^1].At.AddMinutes(1), RunEventKind.HandsDone, Core.Proving.HoldTest.WatchStep));
        foreach (var (hours, number) in new[] { (0.2, 91), (1.0, 92), (25.0, 93) })
        {
            events.Add(new RunEvent(number, blownUp.AddHours(hours), RunEventKind.Pressure, Core.Proving.HoldTest.WatchStep, Value: 20.5, AirC: 20, BarometerKpa: 101.3));
        }

        FoldTube(events).Hold!.ShouldSatisfyAllConditions(hold => hold.Used.ShouldBe(2), hold => hold.Given.ShouldBe(3), hold => hold.Verdict.ShouldBe(Core.Proving.HoldVerdict.Pass));
    }

    // Without a barometer the air of the shop's altitude counts: the same loss is a larger share of what is inside.
    [Fact]
    public void A_shop_up_a_mountain_loses_a_larger_share()
    {
        var events = Holding(0.4, 8);
        double Loss(double metres) => Run.Fold(Tube.AtBench(bench => bench with { AltitudeM = metres }), TubePlan, Start, events, events[^1].At).Hold!.LossPercentPerHour!.Value;
        (Loss(2000) / Loss(0)).ShouldBe((101.325 + 19.5) / (79.50 + 19.5), 0.01);
    }

    [Fact]
    public void Going_back_starts_the_hold_test_anew()
    {
        var events = Holding(0, 6);
        var inflate = TubePlan.Steps.TakeWhile(step => step.Proof != "hold").Last();
        RunEvent[] again = [.. events, new RunEvent(900, events[^1].At.AddMinutes(1), RunEventKind.Redo, inflate.Id), new RunEvent(901, events[^1].At.AddMinutes(9), RunEventKind.HandsDone, inflate.Id)];
        FoldTube(again).Hold!.Given.ShouldBe(0);
    }

    [Theory]
    [InlineData(20, null, null, null)]
    [InlineData(-0.1, null, null, "value")]
    [InlineData(double.NaN, null, null, "value")]
    [InlineData(20, 71.0, null, "airC")]
    [InlineData(20, null, 1013.0, "barometerKpa")]
    public void A_reading_of_the_gauge_lies_where_gauges_are(double kpa, double? airC, double? barometerKpa, string? field) =>
        Run.Refuse(TubePlan, FoldTube(Holding(0, 1)), new RunEvent(99, Start, RunEventKind.Pressure, "prove-hold", Value: kpa, AirC: airC, BarometerKpa: barometerKpa))?.Field.ShouldBe(field);

    [Fact]
    public void A_gauge_is_only_read_at_a_hold_test() =>
        Run.Refuse(Plan, Fold([], Start), new RunEvent(1, Start, RunEventKind.Pressure, "cut", Value: 20))!.Field.ShouldBe("stepId");

    [Fact]
    public void A_find_while_working_is_kept_with_its_place()
    {
        var find = Event(1, 4, RunEventKind.Find, "cut") with { Text = "a hairline beside the box" };
        Run.Refuse(Plan, Fold([], Start), find).ShouldBeNull();
        Fold([find], Start.AddMinutes(5)).Finds.ShouldBe(["a hairline beside the box"]);
        Run.Refuse(Plan, Fold([], Start), find with { Text = " " })!.Field.ShouldBe("text");
    }

    /// <summary>Played by hand: forty minutes of preparing, mixing at 40, spread at 60.</summary>
    private static RunEvent[] UpToGlass()
    {
        var events = new List<RunEvent>();
        foreach (var step in Plan.Steps)
        {
            if (step.Id == "glass-mix")
            {
                events.Add(Event(events.Count + 1, 40, RunEventKind.Begin, step.Id));
            }

            var minute = step.Id switch { "glass-mix" => 43, "glass" => 60, _ => events.Count * 4 };
            events.Add(Event(events.Count + 1, minute, RunEventKind.HandsDone, step.Id));
            if (step.Id == "glass")
            {
                break;
            }

            if (step.Timing.Wait is not null)
            {
                events.Add(Event(events.Count + 1, minute + 1, RunEventKind.Ready, step.Id));
            }
        }

        return [.. events];
    }

    private static RunEvent Event(int number, double minute, RunEventKind kind, string? step) => new(number, Start.AddMinutes(minute), kind, step);

    private static RunState Fold(IReadOnlyList<RunEvent> events, DateTimeOffset now) => Run.Fold(Case, Plan, Start, events, now);
}
