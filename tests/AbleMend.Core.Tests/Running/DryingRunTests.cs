using AbleMend.Core.Proving;
using AbleMend.Core.Running;

namespace AbleMend.Core.Tests.Running;

/// <summary>A wet board in a run: weighed day by day, its wait moves with what the weights say.</summary>
public class DryingRunTests
{
    private static readonly DateTimeOffset Start = Cases.Morning;

    private static Mend Kept(Mend mend, Happening happening, DateTimeOffset at) => mend.Keep(happening, at, Cases.Planner) is { Value: { } kept } ? kept : throw new InvalidOperationException(mend.Keep(happening, at).Problems[0].Message.ToString());

    private static Mend Wet()
    {
        var ding = Cases.DeckDing(0.6);
        return Mend.Open(ding with { Damages = [ding.Damages[0] with { Seen = ding.Damages[0].Seen with { Wet = true } }] }, Cases.Planner, Start).Value!.Start(Cases.Planner, Start).Value!;
    }

    /// <summary>The mend at its drying, weighed once before hands are off.</summary>
    private static Mend Drying(double grams)
    {
        var mend = Wet();
        while (mend.StateAt(Start).CurrentStepId != "dry")
        {
            mend = Kept(mend, new Happening(RunEventKind.HandsDone, mend.StateAt(Start).CurrentStepId), Start);
        }

        mend = Kept(mend, new Happening(RunEventKind.Weighed, "dry", Value: grams, Resolution: 1), Start);
        return Kept(mend, new Happening(RunEventKind.HandsDone, "dry"), Start.AddMinutes(15));
    }

    private static double Weight(int day) => 3200 + (180 * Math.Exp(-day * 24 / 30.0));

    [Fact]
    public void Too_few_weighings_leave_the_wait_as_it_was_planned()
    {
        var mend = Drying(Weight(0));
        var stand = mend.StateAt(Start.AddHours(1)).Fronts[0].Drying.ShouldNotBeNull();
        (stand.Result.Verdict, stand.Result.Given, stand.DryAt).ShouldBe((DryingVerdict.TooFew, 1, null));
        mend.StateAt(Start.AddHours(1)).Window!.OpensAt.ShouldBe(Start.AddMinutes(15).AddHours(48), "the usual two days");
    }

    [Fact]
    public void With_enough_of_them_the_window_opens_when_it_is_dry()
    {
        var mend = Drying(Weight(0));
        for (var day = 1; day <= 4; day++)
        {
            mend = Kept(mend, new Happening(RunEventKind.Weighed, "dry", Value: Math.Round(Weight(day)), Resolution: 1), Start.AddDays(day));
        }

        var state = mend.StateAt(Start.AddDays(4));
        var stand = state.Fronts[0].Drying.ShouldNotBeNull();
        stand.Result.Verdict.ShouldBe(DryingVerdict.NotYet);
        stand.EarliestAt!.Value.ShouldBeLessThan(stand.DryAt!.Value);
        state.Window!.OpensAt.ShouldNotBeNull().ShouldBe(stand.DryAt.Value, TimeSpan.FromSeconds(1));
        // Three grams in a day, by hand: 30 h × ln(180 ÷ (3 ÷ (1 − e^(−24/30)))).
        stand.DryAt.Value.ShouldBe(Start.AddHours(30 * Math.Log(180 / (3 / (1 - Math.Exp(-24 / 30.0))))), TimeSpan.FromHours(6));
        state.ReadyAt!.Value.ShouldBeGreaterThan(stand.DryAt.Value);
        Kept(mend, new Happening(RunEventKind.Ready, "dry"), Start.AddDays(4).AddMinutes(1)).StateAt(Start.AddDays(5)).CurrentStepId.ShouldNotBe("dry", "touch and scale beat the clock");
    }

    [Fact]
    public void A_weighing_is_only_taken_where_something_dries()
    {
        var dry = Mend.Open(Cases.DeckDing(0.6), Cases.Planner, Start).Value!.Start(Cases.Planner, Start).Value!;
        dry.Keep(new Happening(RunEventKind.Weighed, dry.StateAt(Start).CurrentStepId, Value: 3200), Start).Problems.ShouldHaveSingleItem().Code.ShouldBe("not-this-step");
        Drying(3380).Keep(new Happening(RunEventKind.Weighed, "dry", Value: 0), Start.AddDays(1)).Problems.ShouldHaveSingleItem().Field.ShouldBe("value");
        Drying(3380).Keep(new Happening(RunEventKind.Weighed, "dry", Value: double.NaN), Start.AddDays(1)).Problems.ShouldHaveSingleItem().Field.ShouldBe("value");
    }
}
