using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using static AbleMend.Core.Tests.Gallery.GalleryTests;

namespace AbleMend.Core.Tests.Methods;

/// <summary>Half a kit of cement, by volume and by weight.</summary>
public class KitMixTests
{
    private static RepairPlan Measured(MeasuringDevice device)
    {
        var puncture = Read("inflatable-board-puncture");
        return (puncture with { Tools = puncture.Tools with { Measure = device } }).Planned();
    }

    [Fact]
    public void On_a_scale_half_a_kit_is_weighed()
    {
        var plan = Measured(new ScaleDevice(0.1));
        // A tin of 30 mL at 0.92 g/mL and a vial of 1.5 mL at 1.0 g/mL, as the catalogue has them.
        plan.Figure("mix.part-a-g").Value.ShouldBe(13.8, 0.001);
        plan.Figure("mix.part-b-g").Value.ShouldBe(0.75, 0.001);
        plan.Step("mix").Instruction.ToString().ShouldContain("13.8 g of adhesive and 0.75 g of curing agent");
        plan.Step("mix").Pour!.Lead.ShouldBe(["mix.part-a-g", "mix.part-b-g"]);
        plan.Warnings.ShouldNotContain(warning => warning.Code == "too-coarse");
    }

    [Fact]
    public void On_lines_and_in_syringes_it_stays_a_volume()
    {
        var plan = Measured(new SyringeDevice(0.1, 5));
        plan.Step("mix").Instruction.ToString().ShouldContain("15 mL of adhesive and 0.75 mL of curing agent");
        plan.Step("mix").Pour!.Lead.ShouldBe(["mix.part-a", "mix.part-b"]);
    }

    [Theory]
    [InlineData(0.1, false)]
    [InlineData(0.2, false)]
    [InlineData(1, true)]
    [InlineData(5, true)]
    public void A_scale_that_cannot_tell_the_curing_agent_is_named(double stepG, bool tooCoarse) =>
        Measured(new ScaleDevice(stepG)).Warnings.Any(warning => warning.Code == "too-coarse").ShouldBe(tooCoarse, "three quarters of a gram, to fifteen percent");

    [Fact]
    public void Too_much_adhesive_moves_the_mark_of_the_curing_agent()
    {
        var puncture = Read("inflatable-board-puncture");
        var start = Cases.Morning;
        var mend = Mend.Open(puncture with { Tools = puncture.Tools with { Measure = new ScaleDevice(0.1) } }, Cases.Planner, start).Value!.Start(Cases.Planner, start).Value!;
        while (mend.StateAt(start).CurrentStepId is { } id && id != "mix")
        {
            mend = mend.Keep(mend.StateAt(start).Phase == StepPhase.Waiting ? new Happening(RunEventKind.Ready, id) : new Happening(RunEventKind.HandsDone, id), start).Value!;
        }

        mend = mend.Keep(new Happening(RunEventKind.Poured, "mix", "resin", 16.56, Resolution: 0.1), start).Value!;
        var cup = mend.StateAt(start).Fronts[0].Cup.ShouldNotBeNull();
        cup.Parts.ShouldAllBe(part => part.IsWeighed);
        (cup.Next, Math.Round(cup.Change, 3)).ShouldBe((MixPart.Hardener, 0.9));
    }
}
