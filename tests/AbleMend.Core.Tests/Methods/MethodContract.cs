using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using AbleMend.Core.Proving;

namespace AbleMend.Core.Tests.Methods;

/// <summary>What every way of mending keeps to, over every resin that it takes, every board and several places and depths.</summary>
public class MethodContract
{
    public static TheoryData<string, string, string, string, double> Everything
    {
        get
        {
            var all = new TheoryData<string, string, string, string, double>();
            foreach (var method in AllMethods.List)
            {
                foreach (var resin in Cases.Planner.Catalogue.MaterialList.Where(material => material.Role == Role.Resin && method.Takes(material)))
                {
                    foreach (var (board, place, depth) in Places)
                    {
                        if (Cases.Planner.Plan(Case(method.Id, resin.Id, board, place, depth)).Value is not null)
                        {
                            all.Add(method.Id, resin.Id, board, place, depth);
                        }
                    }
                }
            }

            return all;
        }
    }

    private static readonly (string Board, string Place, double DepthMm)[] Places =
    [
        ("pu-polyester-board", "deck", 0.2), ("pu-polyester-board", "deck", 0.6), ("pu-polyester-board", "rail", 5),
        ("pu-epoxy-board", "bottom", 11), ("eps-epoxy-board", "nose", 8), ("eps-epoxy-board", "deck", 0.6),
    ];

    [Theory]
    [MemberData(nameof(Everything))]
    public void Every_plan_holds_together(string method, string resin, string board, string place, double depth)
    {
        var plan = Case(method, resin, board, place, depth).Planned();
        plan.Steps.Select(step => step.Id).ShouldBeUnique();
        plan.Figures.Select(figure => figure.Id).ShouldBeUnique();
        plan.Figures.ShouldAllBe(figure => double.IsFinite(figure.Value) && figure.Value >= 0);
        plan.Figures.ShouldAllBe(figure => figure.Derivation.Rule.Length > 5 && figure.Derivation.Source.Citation.Length > 3);
        plan.Steps.SelectMany(step => step.Figures).ShouldAllBe(id => plan.Figures.Any(figure => figure.Id == id));
        plan.Steps.SelectMany(step => step.Cautions).ShouldAllBe(id => plan.Cautions.Any(caution => caution.Id == id));
        plan.Steps.ShouldAllBe(step => step.Timing.StepId == step.Id && step.Timing.HandsOnMin > 0 && step.Title.Length > 0 && step.Instruction.Length > 0);
    }

    [Theory]
    [MemberData(nameof(Everything))]
    public void Time_only_goes_forward_and_it_gets_ready(string method, string resin, string board, string place, double depth)
    {
        var plan = Case(method, resin, board, place, depth).Planned();
        plan.Timeline.Count.ShouldBe(plan.Steps.Count);
        plan.Timeline.Zip(plan.Timeline.Skip(1)).ShouldAllBe(pair => pair.First.HandsEndAt <= pair.Second.StartsAt && (pair.First.OpensAt ?? pair.First.HandsEndAt) <= pair.Second.StartsAt);
        plan.Timeline.ShouldAllBe(step => step.ClosesAt == null || step.ClosesAt > step.OpensAt);
        plan.ReadyAt.ShouldNotBeNull();
        plan.FullCureAt.ShouldNotBeNull();
    }

    [Theory]
    [MemberData(nameof(Everything))]
    public void The_ranking_waits_for_what_the_plan_waits_for(string method, string resin, string board, string place, double depth)
    {
        var repairCase = Case(method, resin, board, place, depth);
        var plan = repairCase.Planned();
        var view = new CaseView(repairCase, Cases.Planner.Catalogue);
        var outline = AllMethods.List.Single(each => each.Id == method).Outline(view, Cases.Planner.Catalogue.Materials[resin]);
        static IEnumerable<WaitKind> Cures(IEnumerable<StepTiming> steps) =>
            steps.Select(step => step.Wait?.Kind).OfType<WaitKind>().Where(kind => kind is not (WaitKind.Flash or WaitKind.Dry));
        Cures(outline).ShouldBe(Cures(plan.Steps.Select(step => step.Timing)));
    }

    [Theory]
    [MemberData(nameof(Everything))]
    public void Every_plan_prepares_mixes_applies_and_proves_in_that_order(string method, string resin, string board, string place, double depth)
    {
        var plan = Case(method, resin, board, place, depth).Planned();
        int First(Stage stage) => plan.Steps.Select((step, i) => (step, i)).First(each => each.step.Stage == stage).i;
        First(Stage.Prepare).ShouldBeLessThan(First(Stage.Mix));
        First(Stage.Mix).ShouldBeLessThan(First(Stage.Apply));
        plan.Steps[^1].Stage.ShouldBe(Stage.Prove);
        plan.Steps.Where(step => step.Stage == Stage.Prove).ShouldAllBe(step => ProofTest.All.ContainsKey(step.Proof!));
        plan.Steps.Count(step => step.DoNotForget is not null).ShouldBeGreaterThan(3);
    }

    [Theory]
    [MemberData(nameof(Everything))]
    public void Warmer_is_never_later(string method, string resin, string board, string place, double depth)
    {
        var cool = Case(method, resin, board, place, depth).AtBench(RoundTheClock);
        var warm = cool.AtBench(bench => bench with { TemperatureC = 26 });
        (warm.Planned().ReadyAt <= cool.Planned().ReadyAt).ShouldBeTrue();
    }

    private static BenchFacts RoundTheClock(BenchFacts bench) => bench with { OpensHour = 0, ClosesHour = 24 };

    private static RepairCase Case(string method, string resin, string board, string place, double depth) =>
        (Cases.DeckDing(depth) with { Item = new ItemFacts("BRD-00", board, 30, Warranty.None) })
            .Damaged(damage => damage with { Location = place })
            .Choosing(method, resin);
}
