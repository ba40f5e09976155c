using AbleMend.Core.Cases;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Stock;

namespace AbleMend.Core.Tests.Running;

/// <summary>A mix as it is poured at the bench: what went in is kept, and the clock of the cup goes by it.</summary>
public class CupsInHandTests
{
    private static readonly DateTimeOffset Start = Cases.Morning;

    /// <summary>A mend that has come to a mixing step.</summary>
    private static (Mend Mend, DateTimeOffset At) Until(RepairCase repairCase, string step)
    {
        var (mend, at) = (Mend.Open(repairCase, Cases.Planner, Start).Value!.Start(Cases.Planner, Start).Value!, Start);
        while (mend.StateAt(at) is { } state && state.CurrentStepId != step)
        {
            at = at.AddMinutes(5);
            mend = Kept(mend, new Happening(state.Phase == StepPhase.Waiting ? RunEventKind.Ready : RunEventKind.HandsDone, state.CurrentStepId), at);
        }

        return (mend, at);
    }

    private static Mend Kept(Mend mend, Happening happening, DateTimeOffset at) =>
        mend.Keep(happening, at) is { Value: { } kept } ? kept : throw new InvalidOperationException(mend.Keep(happening, at).Problems[0].Message.ToString());

    private static Mend Poured(Mend mend, string step, MixPart part, double grams, DateTimeOffset at, double? resolution = 0.1) =>
        Kept(mend, new Happening(RunEventKind.Poured, step, Kebab<MixPart>.Id(part), grams, Resolution: resolution), at);

    private static CupStand Cup(Mend mend, DateTimeOffset at) => mend.StateAt(at).Fronts[0].Cup.ShouldNotBeNull();

    [Fact]
    public void The_pot_clock_runs_from_the_first_hardener_and_by_what_was_poured()
    {
        var (mend, at) = Until(Cases.FinBox(), "glass-mix");
        var resin = Cup(mend, at);
        (resin.Turn, resin.Next, resin.Number, resin.Of).ShouldBe((CupTurn.Pour, MixPart.Resin, 1, 1));
        resin.Change.ShouldBe(mend.Plan!.Figures.First(each => each.Id == "glass.part-a-g").Value, 1e-9);
        mend = Poured(mend, "glass-mix", MixPart.Resin, 26, at = at.AddMinutes(1));
        mend.StateAt(at).ShouldSatisfyAllConditions(state => state.Phase.ShouldBe(StepPhase.Next), state => state.UseBy.ShouldBeNull("resin alone keeps"));
        var hardener = Cup(mend, at);
        mend = Poured(mend, "glass-mix", MixPart.Hardener, hardener.Change, at = at.AddMinutes(2));
        var mixed = mend.StateAt(at);
        (mixed.Phase, Cup(mend, at).Turn).ShouldBe((StepPhase.Hands, CupTurn.Stir));
        mixed.Steps.First(step => step.StepId == "glass-mix").StartedAt.ShouldBe(at);
        var life = Cases.Planner.Catalogue.CupOf(Cases.Planner.Catalogue.Materials["epoxy-2to1"])!.Simulate(26 + hardener.Change, 20, CupShape.Cup).SpreadMin;
        mixed.UseBy!.Value.ShouldBe(at.AddMinutes(life), TimeSpan.FromSeconds(2));
        mixed.UseBy.ShouldBe(Cup(mend, at).SetsAt);
        mend = Kept(mend, new Happening(RunEventKind.HandsDone, "glass-mix"), at.AddMinutes(2));
        var laying = mend.StateAt(at.AddMinutes(2));
        laying.CurrentStepId.ShouldNotBe("glass-mix");
        laying.UseBy!.Value.ShouldBe(at.AddMinutes(life), TimeSpan.FromSeconds(2), "the cup that is spread is the one that was poured");
        laying.Fronts[0].Cup.ShouldBeNull("there was one cup");
    }

    [Fact]
    public void What_nobody_weighed_goes_by_the_plan()
    {
        var (mend, at) = Until(Cases.FinBox(), "glass-mix");
        mend = Kept(mend, new Happening(RunEventKind.Begin, "glass-mix"), at);
        mend.StateAt(at).UseBy.ShouldBe(at.AddMinutes(mend.Plan!.Steps.First(step => step.Id == "glass-mix").UseWithinMin!.Value));
    }

    [Fact]
    public void What_was_thrown_out_is_begun_anew_and_what_was_taken_back_was_never_poured()
    {
        var (mend, at) = Until(Cases.FinBox(), "glass-mix");
        mend = Poured(mend, "glass-mix", MixPart.Resin, 23, at);
        mend = Poured(mend, "glass-mix", MixPart.Hardener, 9.7, at.AddMinutes(1));
        var undone = Kept(mend, new Happening(RunEventKind.Undo), at.AddMinutes(2));
        (Cup(undone, at.AddMinutes(2)).Next, undone.StateAt(at.AddMinutes(2)).Phase).ShouldBe((MixPart.Hardener, StepPhase.Next));
        var thrown = Kept(mend, new Happening(RunEventKind.ThrownOut, "glass-mix"), at.AddMinutes(2));
        (Cup(thrown, at.AddMinutes(2)).Next, thrown.StateAt(at.AddMinutes(2)).UseBy, thrown.StateAt(at.AddMinutes(2)).Phase).ShouldBe((MixPart.Resin, null, StepPhase.Next));
    }

    [Fact]
    public void A_mix_in_several_cups_is_poured_cup_by_cup_while_it_is_spread()
    {
        var warm = Cases.FinBox();
        warm = warm with { Damages = [warm.Damages[0] with { Overrides = [new Override("glass.batches", 2, "a hot day")] }] };
        var (mend, at) = Until(warm, "glass-mix");
        Cup(mend, at).Of.ShouldBe(2);
        mend = Poured(mend, "glass-mix", MixPart.Resin, Cup(mend, at).Change, at);
        mend = Poured(mend, "glass-mix", MixPart.Hardener, Cup(mend, at).Change, at);
        mend.Keep(new Happening(RunEventKind.Stirred, "glass-mix"), at).Problems.Single().Code.ShouldBe("not-now");
        mend = Kept(mend, new Happening(RunEventKind.HandsDone, "glass-mix"), at = at.AddMinutes(3));
        var second = Cup(mend, at);
        (second.StepId, second.Number, second.Next).ShouldBe(("glass-mix", 2, MixPart.Resin));
        mend = Poured(mend, "glass-mix", MixPart.Resin, second.Change, at = at.AddMinutes(8));
        mend = Poured(mend, "glass-mix", MixPart.Hardener, Cup(mend, at).Change, at);
        mend.StateAt(at).UseBy!.Value.ShouldBe(Cup(mend, at).SetsAt!.Value);
        mend = Kept(mend, new Happening(RunEventKind.Stirred, "glass-mix"), at = at.AddMinutes(1));
        mend.StateAt(at).Fronts[0].Cup.ShouldBeNull("both cups are stirred");
        mend.StateAt(at).UseBy.ShouldNotBeNull("the second is still spread");
    }

    // 23 g are planned; 23 g thrown out and 27.6 g poured after are 2.2 times as much.
    [Fact]
    public void The_shelf_gives_what_was_poured_and_what_was_thrown_out()
    {
        var (mend, at) = Until(Cases.FinBox(), "glass-mix");
        IReadOnlyList<Amount> Taken(Mend done) => Amount.TakenBy(done.Plan!, done.Plan!.Steps.First(step => step.Id == "glass-mix"), Run.Standing(Kept(done, new Happening(RunEventKind.HandsDone, "glass-mix"), at).Events));
        var planned = Taken(mend).Single().Value;
        var resin = Cup(mend, at).Change;
        var over = Poured(mend, "glass-mix", MixPart.Resin, resin * 1.2, at);
        Taken(over).Single().Value.ShouldBe(planned * 1.2, 1e-9);
        var thrown = Kept(Poured(mend, "glass-mix", MixPart.Resin, resin, at), new Happening(RunEventKind.ThrownOut, "glass-mix"), at);
        Taken(thrown).Single().Value.ShouldBe(planned * 2, 1e-9, "the second cup was not weighed");
        Taken(Poured(thrown, "glass-mix", MixPart.Resin, resin * 1.2, at)).Single().Value.ShouldBe(planned * 2.2, 1e-9);
    }

    [Theory]
    [InlineData("glass-mix", "petrol", 3d, "unknown-id", "text")]
    [InlineData("glass-mix", null, 3d, "unknown-id", "text")]
    [InlineData("glass-mix", "resin", null, "out-of-range", "value")]
    [InlineData("glass-mix", "resin", 0d, "out-of-range", "value")]
    [InlineData("glass-mix", "resin", 1e9, "out-of-range", "value")]
    [InlineData("glass-mix", "resin", -1d, "out-of-range", "value")]
    [InlineData("glass-mix", "resin", double.NaN, "out-of-range", "value")]
    [InlineData("coat-mix", "resin", 3d, "not-this-step", "stepId")]
    [InlineData("nothing", "resin", 3d, "not-this-step", "stepId")]
    public void What_cannot_have_been_poured_is_refused_by_its_field(string step, string? part, double? value, string code, string field)
    {
        var (mend, at) = Until(Cases.FinBox(), "glass-mix");
        var problem = mend.Keep(new Happening(RunEventKind.Poured, step, part, value), at).Problems.ShouldHaveSingleItem();
        (problem.Code, problem.Field).ShouldBe((code, field));
    }

    [Fact]
    public void Every_mix_of_every_usual_damage_can_be_filled_by_its_own_advice()
    {
        foreach (var construction in Cases.Planner.Catalogue.ConstructionList)
        {
            foreach (var usual in construction.Damages)
            {
                if (Cases.Planner.Plan(Cases.Usual(construction, usual)).Value is { Verdict.MendedHere: true } plan)
                {
                    foreach (var mix in plan.Steps.Where(step => step.Pour?.Cup is not null))
                    {
                        Fills(plan, mix.Id);
                    }
                }
            }
        }
    }

    /// <summary>Pours what the plan asks for, in order, and comes to a cup that is in its ratio.</summary>
    private static void Fills(RepairPlan plan, string mix)
    {
        var step = plan.Steps.First(each => each.Id == mix);
        List<RunEvent> events = [];
        CupStand Stand() => new CupsInHand(plan, Cases.Cup, events, AbleMend.Core.Curing.Climate.Steady(20), Start).StandOf(step).ShouldNotBeNull(mix);
        while (Stand() is { Turn: CupTurn.Pour } cup)
        {
            events.Count.ShouldBeLessThan(6, mix);
            events.Add(new RunEvent(events.Count + 1, Start, RunEventKind.Poured, mix, Kebab<MixPart>.Id(cup.Next!.Value), cup.Change));
        }

        var stirred = Stand();
        stirred.Turn.ShouldBe(CupTurn.Stir, $"{mix}: {string.Join(" ", stirred.Says)}");
        stirred.Parts.ShouldAllBe(part => Math.Abs((part.Poured * part.ByHand) - plan.Figures.First(figure => figure.Id == part.Figure).Value) < 1e-6);
        Math.Abs(stirred.OffPercent ?? 0).ShouldBeLessThan(1e-6);
    }
}
