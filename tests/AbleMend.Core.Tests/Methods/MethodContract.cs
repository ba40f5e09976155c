using AbleMend.Core.Cases;
using AbleMend.Core.Gear;
using AbleMend.Core.Methods;
using AbleMend.Core.Proving;
using AbleMend.Core.Timing;

namespace AbleMend.Core.Tests.Methods;

/// <summary>What every way of mending keeps to, over every resin that it takes, every board and several places and depths.</summary>
public class MethodContract
{
    /// <summary>Each construction with each damage that it comes with, by each method and material that may be used for it.</summary>
    public static TheoryData<string, string, string, string> Everything
    {
        get
        {
            var all = new TheoryData<string, string, string, string>();
            foreach (var (method, material, construction, kind) in Pairings())
            {
                all.Add(method, material, construction, kind);
            }

            return all;
        }
    }

    private static IEnumerable<(string Method, string Material, string Construction, string Kind)> Pairings() =>
        from construction in Cases.Planner.Catalogue.ConstructionList
        from usual in construction.Damages
        let plan = Cases.Planner.Plan(Cases.Usual(construction, usual)).Value
        where plan?.System is not null
        from candidate in plan.Candidates
        where !candidate.Vetoed
        select (candidate.Method, candidate.Material, construction.Id, Kebab<DamageKind>.Id(usual.Kind));

    [Fact]
    public void Every_method_is_reached_by_some_usual_damage()
    {
        var reached = Pairings().Select(pairing => pairing.Method).ToHashSet();
        AllMethods.List.Select(method => method.Id).Except(reached).ShouldBeEmpty();
    }

    [Theory]
    [MemberData(nameof(Everything))]
    public void Every_plan_holds_together(string method, string material, string construction, string kind)
    {
        var plan = Case(method, material, construction, kind).Planned();
        plan.Steps.Select(step => step.Id).ShouldBeUnique();
        plan.Figures.Select(figure => figure.Id).ShouldBeUnique();
        plan.Figures.ShouldAllBe(figure => double.IsFinite(figure.Value) && figure.Value >= 0);
        plan.Figures.ShouldAllBe(figure => (figure.Kind != FigureKind.Worked || figure.Derivation.Rule.ToString().Length > 3) && figure.Derivation.Source.Citation.ToString().Length > 3);
        plan.Steps.SelectMany(step => step.Figures).ShouldAllBe(id => plan.Figures.Any(figure => figure.Id == id));
        plan.Steps.SelectMany(step => step.Cautions).ShouldAllBe(id => plan.Cautions.Any(caution => caution.Id == id));
        plan.Steps.ShouldAllBe(step => step.Timing.StepId == step.Id && step.Timing.HandsOnMin > 0 && step.Title.ToString().Length > 0 && step.Instruction.ToString().Length > 0);
    }

    [Theory]
    [MemberData(nameof(Everything))]
    public void Time_only_goes_forward_and_it_gets_ready(string method, string material, string construction, string kind)
    {
        var plan = Case(method, material, construction, kind).Planned();
        plan.Timeline.Count.ShouldBe(plan.Steps.Count);
        plan.Timeline.Zip(plan.Timeline.Skip(1)).ShouldAllBe(pair => pair.First.HandsEndAt <= pair.Second.StartsAt && (pair.First.OpensAt ?? pair.First.HandsEndAt) <= pair.Second.StartsAt);
        plan.Timeline.ShouldAllBe(step => step.ClosesAt == null || step.ClosesAt > step.OpensAt);
        plan.ReadyAt.ShouldBe(plan.Timeline.Max(step => step.OpensAt > step.HandsEndAt ? step.OpensAt : step.HandsEndAt));
        plan.Candidates.Single(each => each.Method == method && each.Material == material).MinutesToUse!.Value
            .ShouldBe((plan.ReadyAt!.Value - plan.StartAt).TotalMinutes, 1, "the ranking and the plan promise the same time");
        plan.FullCureAt.ShouldNotBeNull();
    }

    [Theory]
    [MemberData(nameof(Everything))]
    public void The_ranking_waits_for_what_the_plan_waits_for(string method, string material, string construction, string kind)
    {
        var repairCase = Case(method, material, construction, kind);
        var plan = repairCase.Planned();
        var view = new CaseView(repairCase, Cases.Planner.Catalogue);
        var outline = AllMethods.List.Single(each => each.Id == method).Outline(view, Cases.Planner.Catalogue.Materials[material], []);
        // To a millionth of a minute: a wait may be worked out by way of clock time and back.
        static double? Round(double? minutes) => minutes is { } some ? Math.Round(some, 6) : null;
        static object Times(StepTiming step) => (step.StepId, Round(step.HandsOnMin), step.FollowsOn, step.Wait?.Kind, Round(step.Wait?.OpensMin.CureMin), Round(step.Wait?.ClosesMin?.CureMin), step.Wait?.CountsFrom);
        outline.Select(Times).ShouldBe(plan.Steps.Select(step => Times(step.Timing)));
    }

    // The cloth of a water-cured wrap is soaked, and nothing is measured into a cup.
    [Theory]
    [MemberData(nameof(Everything))]
    public void What_is_mixed_says_what_is_poured_and_all_of_it_in_measures(string method, string material, string construction, string kind)
    {
        var plan = Case(method, material, construction, kind).Planned();
        foreach (var step in plan.Steps.Where(step => step.Stage == Stage.Mix && step.Id != "soak"))
        {
            var pour = step.Pour.ShouldNotBeNull();
            pour.Parts.ShouldNotBeEmpty();
            pour.Parts.Select(id => plan.Figure(id).Unit).ShouldAllBe(unit => unit == "mL" || unit == "g" || unit == "drops" || unit == "kit");
            pour.Lead.ShouldBeSubsetOf(pour.Parts);
            pour.Lead.Count.ShouldBeInRange(1, 2);
            pour.Parts.ShouldBeSubsetOf(step.Figures);
        }
    }

    [Theory]
    [MemberData(nameof(Everything))]
    public void Every_plan_prepares_mixes_applies_and_proves_in_that_order(string method, string material, string construction, string kind)
    {
        var plan = Case(method, material, construction, kind).Planned();
        int First(Stage stage) => plan.Steps.Select((step, i) => (step, i)).First(each => each.step.Stage == stage).i;
        First(Stage.Prepare).ShouldBeLessThan(First(Stage.Apply));
        plan.Steps.Where(step => step.Stage == Stage.Mix).ShouldAllBe(step => plan.Steps.SkipWhile(other => other != step).Any(other => other.Stage == Stage.Apply));
        plan.Steps[^1].Stage.ShouldBe(Stage.Prove);
        plan.Steps.Where(step => step.Proof is not null).ShouldAllBe(step => ProofTest.All.ContainsKey(step.Proof!));
        plan.Steps[^1].Proof.ShouldNotBeNull();
        plan.Steps.Count(step => step.DoNotForget is not null).ShouldBeGreaterThan(2);
    }

    [Theory]
    [MemberData(nameof(Everything))]
    public void What_a_step_draws_is_drawn_and_lies_near_the_damage(string method, string material, string construction, string kind)
    {
        var plan = Case(method, material, construction, kind).Planned();
        var drawn = plan.Steps.SelectMany(step => step.Draws).ToHashSet();
        plan.Drawing.Marks.ShouldAllBe(mark => drawn.Contains(mark.Id));
        plan.Drawing.Marks.ShouldAllBe(mark => mark.Points.Count >= 2 && mark.Points.All(point => Math.Abs(point.X) < 1000 && Math.Abs(point.Y) < 1000));
        (plan.Drawing.Work is not null || plan.Drawing.Marks.Count > 0).ShouldBeTrue();
    }

    [Theory]
    [MemberData(nameof(Everything))]
    public void Warmer_is_never_later(string method, string material, string construction, string kind)
    {
        var cool = Case(method, material, construction, kind).AtBench(RoundTheClock);
        var warm = cool.AtBench(bench => bench with { TemperatureC = 26 });
        (warm.Planned().ReadyAt <= cool.Planned().ReadyAt).ShouldBeTrue();
    }

    private static BenchFacts RoundTheClock(BenchFacts bench) => bench with { OpensHour = 0, ClosesHour = 24 };

    private static RepairCase Case(string method, string material, string construction, string kind)
    {
        var built = Cases.Planner.Catalogue.Constructions[construction];
        return Cases.Usual(built, built.Damages.First(usual => Kebab<DamageKind>.Id(usual.Kind) == kind)).Choosing(method, material);
    }
}
