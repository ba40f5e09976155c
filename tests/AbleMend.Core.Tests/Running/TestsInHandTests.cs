using AbleMend.Core.Cases;
using AbleMend.Core.Gear;
using AbleMend.Core.Running;

namespace AbleMend.Core.Tests.Running;

/// <summary>Tests with a tool: two readings, and a time that they last.</summary>
public class TestsInHandTests
{
    private static readonly DateTimeOffset Start = Cases.Morning;

    private static Mend Kept(Mend mend, Happening happening, DateTimeOffset at) =>
        mend.Keep(happening, at, Cases.Planner) is { Value: { } kept } ? kept : throw new InvalidOperationException(mend.Keep(happening, at).Problems[0].Message.ToString());

    /// <summary>A board at one of its tests, everything before it done as quickly as can be said.</summary>
    private static (Mend Mend, DateTimeOffset At) Before(string test, RepairCase? of = null)
    {
        var mend = Mend.Open(of ?? Cases.DeckDing(0.6), Cases.Planner, Start).Value!.Start(Cases.Planner, Start).Value!;
        var at = Start;
        while (mend.StateAt(at) is { CurrentStepId: { } id } state && id != $"prove-{test}")
        {
            at = at.AddMinutes(1);
            var step = mend.Plan!.Steps.First(each => each.Id == id);
            mend = Kept(
                mend,
                state.Phase == StepPhase.Waiting ? new Happening(RunEventKind.Ready, id)
                : step.Proof is null ? new Happening(RunEventKind.HandsDone, id) : new Happening(RunEventKind.Proof, id, Value: 0, Passed: true),
                at);
        }

        mend.StateAt(at).CurrentStepId.ShouldBe($"prove-{test}");
        return (mend, at);
    }

    private static TestStand Stand(Mend mend, DateTimeOffset at) => mend.StateAt(at).Fronts[0].Test.ShouldNotBeNull();

    private static Happening Read(double grams, double? step = 1) => new(RunEventKind.Measured, "prove-float", Value: grams, Resolution: step);

    [Fact]
    public void What_it_gained_under_water_is_worked_out_and_not_typed()
    {
        var (mend, at) = Before("float");
        Stand(mend, at).ShouldBe(new TestStand(null, null, null, null, null, null, 10, null));
        mend = Kept(mend, Read(3212), at);
        mend = Kept(mend, new Happening(RunEventKind.Begin, "prove-float"), at.AddMinutes(1));
        Stand(mend, at.AddMinutes(2)).Until.ShouldBe(at.AddMinutes(11));
        BenchOrder.UrgencyOf(mend.StateAt(at.AddMinutes(2)), at.AddMinutes(2)).ShouldBe(Urgency.Waiting, "nobody is needed while it lies in the water");
        BenchOrder.UrgencyOf(mend.StateAt(at.AddMinutes(12)), at.AddMinutes(12)).ShouldBe(Urgency.HandsNow);
        mend = Kept(mend, Read(3214), at.AddMinutes(12));
        var stand = Stand(mend, at.AddMinutes(12));
        (stand.Difference, stand.Verdict).ShouldBe((2, ReadingVerdict.Passes));
        mend = Kept(mend, new Happening(RunEventKind.Proof, "prove-float", Passed: true), at.AddMinutes(13));
        mend.Events[^1].ShouldSatisfyAllConditions(proof => proof.Value.ShouldBe(2), proof => proof.Passed.ShouldBe(true));
        mend.StateAt(at.AddMinutes(13)).Steps.First(step => step.StepId == "prove-float").Measured.ShouldBe(2);
    }

    [Fact]
    public void What_drank_fails_whatever_the_page_says()
    {
        var (mend, at) = Before("float");
        mend = Kept(Kept(mend, Read(3212), at), Read(3250), at.AddMinutes(11));
        Stand(mend, at.AddMinutes(11)).Verdict.ShouldBe(ReadingVerdict.Fails);
        var failed = Kept(mend, new Happening(RunEventKind.Proof, "prove-float", Passed: true), at.AddMinutes(12));
        (failed.Events[^1].Value, failed.Events[^1].Passed).ShouldBe((38, false));
        failed.StateAt(at.AddMinutes(12)).Phase.ShouldBe(StepPhase.Failed);
    }

    [Theory]
    [InlineData(5.0, 4, ReadingVerdict.TooClose)]
    [InlineData(1.0, 4, ReadingVerdict.Passes)]
    [InlineData(1.0, 5, ReadingVerdict.TooClose)]
    [InlineData(2.0, 8, ReadingVerdict.Fails)]
    [InlineData(null, 5, ReadingVerdict.Passes)]
    public void A_scale_that_is_too_coarse_is_told_so(double? step, double gain, ReadingVerdict verdict)
    {
        var (mend, at) = Before("float");
        mend = Kept(Kept(mend, Read(3200, step), at), Read(3200 + gain, step), at.AddMinutes(11));
        Stand(mend, at.AddMinutes(11)).Verdict.ShouldBe(verdict, "five grams are the most that pass");
    }

    [Fact]
    public void It_does_not_pass_before_its_time_but_may_fail()
    {
        var (mend, at) = Before("float");
        mend = Kept(Kept(mend, Read(3212), at), new Happening(RunEventKind.Begin, "prove-float"), at);
        var sooner = Kept(mend, Read(3213), at.AddMinutes(4));
        (Stand(sooner, at.AddMinutes(5)).Then, Stand(sooner, at.AddMinutes(5)).ThenFrom).ShouldBe((null, at.AddMinutes(10)), "four minutes tell nothing good");
        sooner.Keep(new Happening(RunEventKind.Proof, "prove-float", Passed: true), at.AddMinutes(12)).Problems.ShouldHaveSingleItem().Field.ShouldBe("value");
        sooner.Keep(new Happening(RunEventKind.Proof, "prove-float", Value: 1), at.AddMinutes(5)).Problems.ShouldHaveSingleItem().Code.ShouldBe("too-soon");
        Kept(Kept(sooner, Read(3213), at.AddMinutes(10)), new Happening(RunEventKind.Proof, "prove-float", Passed: true), at.AddMinutes(11)).Events[^1].Passed.ShouldBe(true);
        var drinks = Kept(mend, Read(3290), at.AddMinutes(4));
        var failed = Kept(drinks, new Happening(RunEventKind.Proof, "prove-float"), at.AddMinutes(5));
        failed.Events[^1].Passed.ShouldBe(false);
        BenchOrder.UrgencyOf(failed.StateAt(at.AddMinutes(6)), at.AddMinutes(6)).ShouldBe(Urgency.HandsNow, "what failed waits for nothing");
    }

    [Fact]
    public void Who_knows_the_difference_only_says_that()
    {
        var (mend, at) = Before("float");
        mend.Keep(new Happening(RunEventKind.Proof, "prove-float", Passed: true), at).Problems.ShouldHaveSingleItem().Field.ShouldBe("value", "nothing was read, and nothing was said");
        Kept(mend, new Happening(RunEventKind.Proof, "prove-float", Value: 3), at).Events[^1].Passed.ShouldBe(true);
    }

    [Fact]
    public void A_difference_is_as_exact_as_what_was_read()
    {
        var (mend, at) = Before("float");
        mend = Kept(Kept(mend, Read(300.1, null), at), Read(305.1, null), at.AddMinutes(11));
        (Stand(mend, at.AddMinutes(11)).Difference, Stand(mend, at.AddMinutes(11)).Verdict).ShouldBe((5, ReadingVerdict.Passes), "and not a hair more");
    }

    [Fact]
    public void A_reading_that_is_taken_back_was_never_read_and_one_more_counts_against_the_first()
    {
        var (mend, at) = Before("float");
        mend = Kept(Kept(Kept(mend, Read(32), at), new Happening(RunEventKind.Undo), at), Read(3212), at.AddMinutes(1));
        Stand(mend, at.AddMinutes(1)).First!.Value.ShouldBe(3212);
        mend = Kept(Kept(mend, Read(3215), at.AddMinutes(12)), Read(3213), at.AddMinutes(14));
        Stand(mend, at.AddMinutes(14)).Difference.ShouldBe(1);
    }

    [Fact]
    public void A_test_that_is_made_again_is_read_again()
    {
        var (mend, at) = Before("float");
        mend = Kept(Kept(Kept(mend, Read(3212), at), Read(3290), at.AddMinutes(11)), new Happening(RunEventKind.Proof, "prove-float"), at.AddMinutes(12));
        mend = Kept(mend, new Happening(RunEventKind.Redo, "prove-float"), at.AddMinutes(13));
        Stand(mend, at.AddMinutes(13)).ShouldBe(new TestStand(null, null, null, null, null, null, 10, null));
    }

    [Theory]
    [InlineData(double.NaN)]
    [InlineData(double.PositiveInfinity)]
    [InlineData(-3)]
    [InlineData(1e9)]
    public void What_no_scale_shows_is_refused(double grams)
    {
        var (mend, at) = Before("float");
        mend.Keep(Read(grams), at).Problems.ShouldHaveSingleItem().Field.ShouldBe("value");
    }

    [Fact]
    public void Nothing_is_compared_where_nothing_is()
    {
        var (mend, at) = Before("tap");
        mend.Keep(new Happening(RunEventKind.Measured, "prove-tap", Value: 3), at).Problems.ShouldHaveSingleItem().Code.ShouldBe("not-this-step");
        mend.Keep(new Happening(RunEventKind.Measured, "prove-float", Value: 3212), at).Problems.ShouldHaveSingleItem().Code.ShouldBe("not-this-step");
        mend.StateAt(at).Fronts[0].Test.ShouldBeNull();
    }

    [Fact]
    public void Two_weights_a_day_apart_go_on_from_what_was_weighed_while_it_dried()
    {
        var (mend, at) = Before("dry-weight", Cases.Usual("eps-epoxy-board", DamageKind.WaterInside));
        Stand(mend, at).First.ShouldBeNull("nobody weighed it while it dried");
        Happening Again(double grams) => new(RunEventKind.Measured, "prove-dry-weight", Value: grams, Resolution: 1);
        mend = Kept(mend, Again(3301), at);
        Stand(mend, at).ThenFrom.ShouldBe(at.AddHours(18));
        mend = Kept(mend, Again(3300), at.AddHours(2));
        Stand(mend, at.AddHours(2)).Verdict.ShouldBeNull("two hours tell nothing");
        mend = Kept(mend, Again(3299), at.AddHours(20));
        (Stand(mend, at.AddHours(20)).First!.Value, Stand(mend, at.AddHours(20)).Difference).ShouldBe((3300, -1), "the last one that is eighteen hours old");
        Kept(mend, new Happening(RunEventKind.Proof, "prove-dry-weight"), at.AddHours(20)).Events[^1].Passed.ShouldBe(true);
    }

    [Fact]
    public void What_was_weighed_each_day_while_it_dried_is_not_weighed_again_for_its_test()
    {
        var mend = Mend.Open(Cases.Usual("eps-epoxy-board", DamageKind.WaterInside), Cases.Planner, Start).Value!.Start(Cases.Planner, Start).Value!;
        while (mend.StateAt(Start) is { Phase: StepPhase.Next, CurrentStepId: { } id } && id != "dry")
        {
            mend = Kept(mend, new Happening(RunEventKind.HandsDone, id), Start);
        }

        mend = Kept(mend, new Happening(RunEventKind.HandsDone, "dry"), Start);
        mend = Kept(mend, new Happening(RunEventKind.Weighed, "dry", Value: 3402, Resolution: 1), Start.AddDays(1));
        mend = Kept(mend, new Happening(RunEventKind.Weighed, "dry", Value: 3400, Resolution: 1), Start.AddDays(2));
        mend = Kept(mend, new Happening(RunEventKind.Ready, "dry"), Start.AddDays(2));
        (mend.StateAt(Start.AddDays(2)).CurrentStepId, Stand(mend, Start.AddDays(2)).Difference).ShouldBe(("prove-dry-weight", -2));
    }
}
