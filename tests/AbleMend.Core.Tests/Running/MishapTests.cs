using System.Text.Json;
using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Tests.Gallery;

namespace AbleMend.Core.Tests.Running;

/// <summary>What goes wrong at a step: which of its causes it is, and the plan that goes on from there.</summary>
public class MishapTests
{
    private static readonly DateTimeOffset Start = Cases.Morning;
    private static readonly MendCatalogue Catalogue = Cases.Planner.Catalogue;

    private static Mend Kept(Mend mend, Happening happening, DateTimeOffset at) =>
        mend.Keep(happening, at, Cases.Planner) is { Value: { } kept } ? kept : throw new InvalidOperationException(mend.Keep(happening, at, Cases.Planner).Problems[0].Message.ToString());

    /// <summary>A mend that has come to a step, its wait running or not.</summary>
    private static (Mend Mend, DateTimeOffset At) Until(RepairCase repairCase, string step, bool waiting)
    {
        var (mend, at) = (Mend.Open(repairCase, Cases.Planner, Start).Value!.Start(Cases.Planner, Start).Value!, Start);
        while (mend.StateAt(at) is { } state && (state.CurrentStepId != step || (waiting && state.Phase != StepPhase.Waiting)))
        {
            at = at.AddMinutes(5);
            mend = Kept(mend, On(mend, state), at);
        }

        return (mend, at);
    }

    private static Happening On(Mend mend, RunState state) =>
        state.Phase == StepPhase.Waiting ? new Happening(RunEventKind.Ready, state.CurrentStepId)
        : mend.Plan!.Steps.First(step => step.Id == state.CurrentStepId).Proof is not null ? new Happening(RunEventKind.Proof, state.CurrentStepId, Value: 0, Passed: true)
        : new Happening(RunEventKind.HandsDone, state.CurrentStepId);

    private static IReadOnlyList<string> Ids(Mend mend) => [.. mend.Plan!.Steps.Select(step => step.Id)];

    [Fact]
    public void What_is_tacky_in_the_cold_is_warmed_and_goes_on_from_there()
    {
        var (mend, at) = Until(Cases.FinBox(), "glass", waiting: true);
        mend = Kept(mend, new Happening(RunEventKind.Reading, Value: 12), at);
        var offered = mend.MishapsAt("glass", Catalogue, at.AddHours(9));
        var tacky = offered.First(each => each.Id == "tacky");
        tacky.Causes[0].ShouldSatisfyAllConditions(each => each.Id.ShouldBe("tacky/cold"), each => each.SpeaksFor!.ToString().ShouldContain("colder"), each => each.BackTo.ShouldBeNull());
        var before = Ids(mend);
        at = at.AddHours(9);
        mend = Kept(mend, new Happening(RunEventKind.Mishap, "glass", "tacky/cold"), at);
        var rescue = Ids(mend).Except(before).ShouldHaveSingleItem();
        Ids(mend).ToList().IndexOf(rescue).ShouldBe(before.ToList().IndexOf("glass") + 1, "it takes the place of the wait");
        var state = mend.StateAt(at);
        (state.CurrentStepId, state.Phase).ShouldBe((rescue, StepPhase.Next));
        mend = Kept(mend, new Happening(RunEventKind.HandsDone, rescue), at.AddMinutes(5));
        mend.StateAt(at.AddMinutes(5)).Phase.ShouldBe(StepPhase.Waiting);
        mend = Kept(mend, new Happening(RunEventKind.Ready, rescue), at.AddHours(4));
        mend.StateAt(at.AddHours(4)).CurrentStepId.ShouldBe(before[before.ToList().IndexOf("glass") + 1]);
    }

    /// <summary>The glass laid, the bench cold all the while, and said to be tacky some hours later.</summary>
    private static (RepairPlan Plan, Mend Mend, string Rescue, DateTimeOffset At) TackyAfter(double hours, RepairCase? repairCase = null)
    {
        var (mend, laid) = Until(repairCase ?? Cases.FinBox(), "glass", waiting: true);
        var at = laid.AddHours(hours);
        var wrong = Kept(Kept(mend, new Happening(RunEventKind.Reading, Value: 12), laid), new Happening(RunEventKind.Mishap, "glass", "tacky/cold"), at);
        return (wrong.Plan!, wrong, Ids(wrong).Except(Ids(mend)).Single(), at);
    }

    // Worked by hand: what the label still wants after the hours in the cold, by the Arrhenius rate of its clock at 12 and at 25 °C.
    [Fact]
    public void What_has_not_set_in_the_cold_is_told_how_long_it_still_takes_in_the_warm()
    {
        var (plan, mend, rescue, at) = TackyAfter(9);
        var wait = plan.Step("glass").Timing.Wait!;
        var (ran, left, pace, warm) = (plan.Figure($"{rescue}.ran"), plan.Figure($"{rescue}.left"), plan.Figure($"{rescue}.pace"), plan.Figure($"{rescue}.warm"));
        ran.Value.ShouldBe(9 * 60 * wait.Clock.RateAt(12), 20, "and the minutes from the cup to the cloth");
        left.Value.ShouldBe((wait.OpensMin.CureMin / pace.Value) - ran.Value, 1e-6);
        warm.Value.ShouldBe(left.Value / wait.Clock.RateAt(25), 1e-6);
        plan.Step(rescue).Figures.ShouldBe([warm.Id], "the others are its reasons");
        warm.Derivation.Inputs.ShouldBe([left.Id, $"{rescue}.at"]);
        left.Derivation.Inputs.ShouldContain(wait.Because!);
        warm.FoundedOn.ShouldBe(Core.Figures.SourceKind.FromMemory, "no firmer than what a finger tells");
        var warmed = Kept(mend, new Happening(RunEventKind.HandsDone, rescue), at.AddMinutes(5));
        warmed.StateAt(at.AddMinutes(5)).Window!.OpensAt!.Value.ShouldBe(at.AddMinutes(5 + warm.Value), TimeSpan.FromSeconds(1), "the window says what the figure says");
        Kept(mend, new Happening(RunEventKind.Undo), at.AddMinutes(1)).Plan!.Figures.ShouldNotContain(figure => figure.Id.StartsWith(rescue, StringComparison.Ordinal));
    }

    [Fact]
    public void The_longer_it_has_lain_the_less_is_left_but_never_nothing_and_a_slow_lot_takes_longer()
    {
        double Left(double hours, RepairCase? repairCase = null) => TackyAfter(hours, repairCase) is var (plan, _, rescue, _) ? plan.Figure($"{rescue}.left").Value : 0;
        var label = TackyAfter(9).Plan.Step("glass").Timing.Wait!.OpensMin.CureMin;
        Left(4).ShouldBeGreaterThan(Left(9));
        Left(60).ShouldBeGreaterThanOrEqualTo(label / 10);
        Left(9, Cases.FinBox() with { Paces = [new LearntPace("epoxy-2to1", 0.5, 0.05, 5)] }).ShouldBe(Left(9) + (label / 0.5) - (label / TackyAfter(9).Plan.Figures.Single(figure => figure.Id.EndsWith(".pace", StringComparison.Ordinal)).Value), label / 10);
    }

    /// <summary>Twice as many cups, half in each: the remedy, the mix that it goes back to, its words and its cup all say the same.</summary>
    [Theory]
    [InlineData("gelled/cup-only")]
    [InlineData("smoking/carry")]
    public void What_set_in_its_cup_is_mixed_again_in_twice_as_many_until_it_is_taken_back(string cause)
    {
        var (mend, at) = Until(Cases.FinBox() with { Tools = Cases.FinBox().Tools with { Measure = new ScaleDevice(0.1) } }, "glass", waiting: false);
        var before = mend.Plan!;
        var wrong = Kept(mend, new Happening(RunEventKind.Mishap, "glass", cause), at);
        var after = wrong.Plan!;
        var mix = after.Steps.Single(step => step.Id == "glass-mix");
        ValueIn(after, mix.Pour!.Cups!).ShouldBe(2 * ValueIn(before, mix.Pour.Cups!));
        mix.Pour.Cup!.Ingredients.ShouldAllBe(each => ValueIn(after, each.Figure) / ValueIn(before, each.Figure) >= 0.5 && ValueIn(after, each.Figure) / ValueIn(before, each.Figure) < 0.52, "half, up to what the scale can show");
        mix.Instruction.ToString().ShouldContain("2 cups, one after another");
        var rescue = after.Steps.Single(step => before.Steps.All(each => each.Id != step.Id));
        rescue.Figures.ShouldBe([mix.Pour.Cups!, .. mix.Pour.Cup.Ingredients.Select(each => each.Figure)]);
        after.Steps.Except(before.Steps).Select(step => step.Id).ShouldBe([rescue.Id, "glass-mix", "glass"], "what is mixed, and how long it may be spread; nothing else moves");

        var (twice, later) = (Kept(wrong, new Happening(RunEventKind.HandsDone, rescue.Id), at.AddMinutes(1)), at.AddMinutes(45));
        twice = twice.StateAt(later).Phase == StepPhase.Waiting ? Kept(twice, new Happening(RunEventKind.Ready, rescue.Id), later) : twice;
        twice = Kept(twice, new Happening(RunEventKind.HandsDone, "glass-mix"), later);
        twice.StateAt(later).Fronts[0].Cup.ShouldNotBeNull().Number.ShouldBe(2, "the other half is still to be mixed");
        twice = Kept(twice, new Happening(RunEventKind.Mishap, "glass", cause), later);
        ValueIn(twice.Plan!, mix.Pour.Cups!).ShouldBe(4 * ValueIn(before, mix.Pour.Cups!));
        var once = Kept(twice, new Happening(RunEventKind.Undo), later);
        Json(once.Plan!).ShouldBe(Json(after));

        Json(Kept(wrong, new Happening(RunEventKind.Undo), at.AddMinutes(1)).Plan!).ShouldBe(Json(before));
    }

    /// <summary>A smaller cup stays cooler and says less of its heat: what is left out comes back to where it stood.</summary>
    [Theory]
    [InlineData("fin-box-surround", "glass")]
    [InlineData("gel-coat-hull-hole", "laminate")]
    public void Taken_back_every_figure_stands_where_it_stood(string example, string step)
    {
        var (mend, at) = Until(GalleryTests.Read(example), step, waiting: false);
        var wrong = Kept(mend, new Happening(RunEventKind.Mishap, step, "gelled/cup-only"), at);
        wrong.Plan!.Figures.Count.ShouldNotBe(mend.Plan!.Figures.Count, "it says less of its heat");
        Json(Kept(wrong, new Happening(RunEventKind.Undo), at).Plan!).ShouldBe(Json(mend.Plan));
    }

    /// <summary>Where a cup holds one stroke of the pump, two cups of one stroke would be twice the resin.</summary>
    [Fact]
    public void What_cannot_be_measured_smaller_is_mixed_again_as_it_was()
    {
        var strokes = Cases.FinBox() with { Tools = Cases.FinBox().Tools with { Measure = new PumpDevice(60, 5) } };
        var (mend, at) = Until(strokes, "glass", waiting: false);
        ValueIn(mend.Plan!, mend.Plan!.Steps.Single(step => step.Id == "glass-mix").Pour!.Cup!.Ingredients[0].Figure).ShouldBe(2, "two of one to one of the other, the least that there is");
        var after = Kept(mend, new Happening(RunEventKind.Mishap, "glass", "gelled/cup-only"), at).Plan!;
        Json(after.Figures).ShouldBe(Json(mend.Plan.Figures));
        after.Steps.Single(step => mend.Plan.Steps.All(each => each.Id != step.Id)).Figures.ShouldBeEmpty();
    }

    private static double ValueIn(Core.Plans.RepairPlan plan, string figure) => plan.Figures.Single(each => each.Id == figure).Value;

    private static string Json<T>(T value) => JsonSerializer.Serialize(value, OpenJson.Options);

    /// <summary>Two to one by volume, by hand: half the volume, times the density of the one over that of the other.</summary>
    [Fact]
    public void Hardener_that_was_forgotten_is_weighed_to_what_is_in_the_cup()
    {
        var (mend, at) = Until(Cases.FinBox(), "glass", waiting: false);
        var epoxy = Catalogue.Materials[mend.Plan!.Damages[0].System!.Material];
        (epoxy.Ratio!.A / epoxy.Ratio.B).ShouldBe(2);
        var told = Kept(mend, new Happening(RunEventKind.Mishap, "glass", "no-hardener/in-cup"), at).Plan!.Figures.Except(mend.Plan.Figures).ShouldHaveSingleItem();
        (told.Value, told.Unit).ShouldSatisfyAllConditions(
            each => each.Value.ShouldBe(100.0 / 2 * epoxy.DensityBGPerMl!.Value / epoxy.DensityAGPerMl!.Value, 0.01),
            each => each.Unit.ShouldBe("%"));
    }

    [Fact]
    public void What_never_sets_is_taken_off_and_laid_again_from_its_mix()
    {
        var (mend, at) = Until(Cases.FinBox(), "glass", waiting: true);
        var before = Ids(mend);
        mend = Kept(mend, new Happening(RunEventKind.Mishap, "glass", "tacky/ratio"), at);
        var ids = Ids(mend).ToList();
        ids.GetRange(ids.IndexOf("glass-mix") - 2, 2).ShouldBe(ids.Except(before));
        mend.StateAt(at).CurrentStepId.ShouldBe(ids[ids.IndexOf("glass-mix") - 2]);
        mend.StateAt(at).Steps.Where(step => step.Phase == StepPhase.Done).Select(step => step.StepId).ShouldBe(before.TakeWhile(id => id != "glass-mix"));
        while (mend.StateAt(at).CurrentStepId is not null)
        {
            at = at.AddHours(1);
            mend = Kept(mend, On(mend, mend.StateAt(at)), at);
        }

        Kept(mend, new Happening(RunEventKind.HandBack, Text: "Laid twice."), at).Status.ShouldBe(MendStatus.HandedBack);
    }

    [Fact]
    public void A_mix_that_is_mixed_again_is_a_new_cup_with_a_clock_of_its_own()
    {
        var (mend, at) = Until(Cases.FinBox(), "glass-mix", waiting: false);
        mend = Kept(mend, new Happening(RunEventKind.Poured, "glass-mix", "resin", 23), at);
        mend = Kept(mend, new Happening(RunEventKind.Poured, "glass-mix", "hardener", 9.7), at);
        mend = Kept(mend, new Happening(RunEventKind.HandsDone, "glass-mix"), at.AddMinutes(2));
        mend = Kept(mend, new Happening(RunEventKind.HandsDone, "glass"), at.AddMinutes(10));
        mend = Kept(mend, new Happening(RunEventKind.Mishap, "glass", "tacky/ratio"), at = at.AddHours(9));
        while (mend.StateAt(at).CurrentStepId != "glass-mix")
        {
            mend = Kept(mend, On(mend, mend.StateAt(at)), at = at.AddMinutes(20));
        }

        mend.StateAt(at).Fronts[0].Cup.ShouldNotBeNull().ShouldSatisfyAllConditions(cup => cup.Next.ToString().ShouldBe("Resin"), cup => cup.Number.ShouldBe(1), cup => cup.SetsAt.ShouldBeNull());
        mend = Kept(mend, new Happening(RunEventKind.Poured, "glass-mix", "resin", 23), at);
        mend = Kept(mend, new Happening(RunEventKind.Poured, "glass-mix", "hardener", 9.7), at);
        mend.StateAt(at).UseBy!.Value.ShouldBeGreaterThan(at);
    }

    [Fact]
    public void Taken_back_it_never_went_wrong()
    {
        var (mend, at) = Until(Cases.FinBox(), "glass", waiting: true);
        var (before, was) = (Ids(mend), mend.StateAt(at));
        var wrong = Kept(mend, new Happening(RunEventKind.Mishap, "glass", "tacky/ratio"), at);
        var undone = Kept(wrong, new Happening(RunEventKind.Undo), at);
        wrong.Plan!.Warnings.Single(warning => warning.Code == $"mishap-{wrong.Events[^1].Number}").Text.ToString().ShouldContain("ratio was off");
        Ids(undone).ShouldBe(before);
        undone.Plan!.Warnings.ShouldBe(mend.Plan!.Warnings);
        (undone.StateAt(at).CurrentStepId, undone.StateAt(at).Phase).ShouldBe((was.CurrentStepId, was.Phase));
        undone.Plan.Timeline.Count.ShouldBe(undone.Plan.Steps.Count);
    }

    [Fact]
    public void A_failed_test_leads_to_the_cause_that_the_run_speaks_for()
    {
        var boat = Cases.Usual("csm-boat", Core.Gear.DamageKind.Puncture);
        var (mend, at) = Until(boat, "prove-soap", waiting: false);
        mend = Kept(mend, new Happening(RunEventKind.Proof, "prove-soap", Passed: false), at);
        var leak = mend.MishapsAt("prove-soap", Catalogue, at)[0];
        leak.Id.ShouldBe("leaks");
        leak.Causes[0].ShouldSatisfyAllConditions(each => each.Id.ShouldBe("leaks/edge"), each => each.SpeaksFor!.ToString().ShouldContain("cut short"));
        mend = Kept(mend, new Happening(RunEventKind.Mishap, "prove-soap", "leaks/edge"), at);
        mend.StateAt(at).ShouldSatisfyAllConditions(state => state.Phase.ShouldBe(StepPhase.Next), state => state.CurrentStepId!.ShouldStartWith("rescue-"));
    }

    [Fact]
    public void An_over_poured_cup_speaks_for_what_it_does()
    {
        var (mend, at) = Until(Cases.FinBox(), "glass-mix", waiting: false);
        mend = Kept(mend, new Happening(RunEventKind.Poured, "glass-mix", "resin", 27), at);
        mend = Kept(mend, new Happening(RunEventKind.Poured, "glass-mix", "hardener", 11.4), at);
        mend.MishapsAt("glass-mix", Catalogue, at).First(each => each.Id == "gelled").Causes[0].SpeaksFor!.ToString().ShouldContain("More was mixed");
    }

    [Fact]
    public void What_light_sets_is_soft_for_reasons_of_its_own_and_a_cloud_speaks_for_the_shade()
    {
        var quick = GalleryTests.Read("deck-ding-quick");
        var (mend, at) = (Mend.Open(quick, Cases.Planner, Start).Value!.Start(Cases.Planner, Start).Value!, Start);
        while (mend.StateAt(at) is var state && state.Window?.Light is null)
        {
            at = at.AddMinutes(1);
            mend = Kept(mend, On(mend, state), at);
        }

        var step = mend.StateAt(at).CurrentStepId!;
        IReadOnlyList<string> Causes(string mishap) => [.. mend.MishapsAt(step, Catalogue, at).Single(each => each.Id == mishap).Causes.Select(each => each.Id)];
        mend.MishapsAt(step, Catalogue, at).ShouldNotContain(each => each.Id == "tacky", "no ratio, no hardener");
        Causes("light-soft").ShouldBe(["light-soft/surface", "light-soft/shade", "light-soft/thick"]);
        mend = Kept(mend, new Happening(RunEventKind.Light, Text: "indoors"), at);
        Causes("light-soft")[0].ShouldBe("light-soft/shade");
        var before = Ids(mend);
        mend = Kept(mend, new Happening(RunEventKind.Mishap, step, "light-soft/shade"), at);
        mend.StateAt(at).CurrentStepId.ShouldBe(Ids(mend).Except(before).ShouldHaveSingleItem());
    }

    [Fact]
    public void What_set_before_its_light_is_laid_again()
    {
        var quick = GalleryTests.Read("deck-ding-quick");
        var first = Mend.Open(quick, Cases.Planner, Start).Value!.Start(Cases.Planner, Start).Value!.Plan!.Steps.First(each => each.Stage == Core.Methods.Stage.Apply).Id;
        var (mend, at) = Until(quick, first, waiting: false);
        var before = Ids(mend);
        mend = Kept(mend, new Happening(RunEventKind.Mishap, first, "set-in-shade/tube"), at);
        var rescue = Ids(mend).Except(before).ShouldHaveSingleItem();
        Ids(mend).ToList().IndexOf(rescue).ShouldBe(before.ToList().IndexOf(first), "before it is laid again");
        mend.Plan!.Warnings.ShouldContain(warning => warning.Text.ToString().Contains("a fresh one"));
    }

    [Theory]
    [InlineData("glass", "tacky/nothing")]
    [InlineData("glass", "tacky")]
    [InlineData("glass", null)]
    [InlineData("glass", "weld/cold")]
    [InlineData("coat-mix", "tacky/cold")]
    [InlineData("nothing", "tacky/cold")]
    public void What_cannot_go_wrong_there_is_refused(string step, string? what)
    {
        var (mend, at) = Until(Cases.FinBox(), "glass", waiting: true);
        mend.Keep(new Happening(RunEventKind.Mishap, step, what), at, Cases.Planner).Problems.ShouldHaveSingleItem();
        mend.Keep(new Happening(RunEventKind.Mishap, "glass", "tacky/cold"), at).Problems.ShouldHaveSingleItem();
    }

    [Fact]
    public void Whatever_goes_wrong_anywhere_in_any_usual_mend_it_still_comes_to_its_end()
    {
        var luck = new Random(20261127);
        var constructions = Catalogue.ConstructionList.Where(construction => construction.Refuse is null).ToList();
        var rescued = 0;
        for (var round = 0; round < 120; round++)
        {
            var construction = constructions[luck.Next(constructions.Count)];
            var opened = Mend.Open(Cases.Usual(construction, construction.Damages[luck.Next(construction.Damages.Count)]), Cases.Planner, Start).Value?.Start(Cases.Planner, Start);
            if (opened?.Value is not { } mend)
            {
                continue;
            }

            var at = Start;
            for (var turn = 0; mend.StateAt(at).CurrentStepId is { } current; turn++)
            {
                turn.ShouldBeLessThan(300, construction.Id);
                at = at.AddMinutes(luck.Next(1, 90));
                var offered = turn < 100 && luck.Next(6) == 0 ? mend.MishapsAt(current, Catalogue, at) : [];
                if (offered.Count > 0)
                {
                    var mishap = offered[luck.Next(offered.Count)];
                    mend = Kept(mend, new Happening(RunEventKind.Mishap, current, mishap.Causes[luck.Next(mishap.Causes.Count)].Id), at);
                    rescued++;
                    mend = luck.Next(4) == 0 ? Kept(mend, new Happening(RunEventKind.Undo), at) : mend;
                    continue;
                }

                mend = Kept(mend, On(mend, mend.StateAt(at)), at);
            }

            mend.Plan!.Steps.Select(step => step.Id).ShouldBeUnique(construction.Id);
        }

        rescued.ShouldBeGreaterThan(100);
    }
}
