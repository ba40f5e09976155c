using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Methods;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;
using AbleMend.Core.Timing;

namespace AbleMend.Core.Tests;

/// <summary>Cases to start from. The planner is shared: it is immutable, and fitting the cups takes a while.</summary>
internal static class Cases
{
    public static readonly DateTimeOffset Morning = new(2026, 5, 6, 9, 0, 0, TimeSpan.Zero);

    public static readonly Planner Planner = Planner.Shipped();

    public static readonly CupDevice Cup = new(5, 0.5, 60);

    public static RepairCase DeckDing(double depthMm = 3.5, double diameterMm = 34) =>
        new(
            RepairCase.CurrentFormat,
            new ItemFacts("BRD-03", "pu-polyester-board", 27, Warranty.None),
            [new DamageToMend(new Damage(DamageKind.Ding, "deck", new RoundShape(diameterMm), depthMm, false, Cause.Knock))],
            new BenchFacts(20, 55),
            new Wanted(StartAt: Morning),
            new Tools(Cup, ["P60", "P80", "P150", "P220", "P320", "P400"]));

    public static RepairCase FinBox(double cantDeg = 7, double twinCantDeg = 7) =>
        DeckDing()
            .Damaged(new Damage(DamageKind.FinBoxSurround, "fin-box", new OvalShape(180, 95), 0.5, false, Cause.Knock, Fin: new FinCheck(cantDeg, twinCantDeg, true)))
            .Chosen(new Choice("fill-glass-coat", "epoxy-2to1", "glass-203"));

    public static RepairCase Eps(string location = "deck", double depthMm = 6) =>
        DeckDing() with
        {
            Item = new ItemFacts("BRD-11", "eps-epoxy-board", 19, Warranty.None),
            Damages = [new DamageToMend(new Damage(DamageKind.Hole, location, new OvalShape(40, 26), depthMm, false, Cause.Knock))],
        };

    /// <summary>A construction with a damage as it usually comes, dry and knocked.</summary>
    public static RepairCase Usual(Construction construction, UsualDamage usual) =>
        DeckDing() with
        {
            Item = new ItemFacts("ANY-01", construction.Id, 200, Warranty.None),
            Damages = [new DamageToMend(new Damage(
                usual.Kind, usual.Location,
                usual.Kind == DamageKind.Crack || usual.WidthMm < 1 ? new CrackShape(usual.LengthMm, usual.WidthMm) : new OvalShape(usual.LengthMm, usual.WidthMm),
                usual.DepthMm, false, Cause.Knock, GapMm: usual.GapMm, MissingMm: usual.MissingMm, Plies: usual.Plies, Located: usual.Leaks ? true : null,
                Fin: usual.Kind == DamageKind.FinBoxSurround ? new FinCheck(5, 5, false) : null))],
            Tools = new Tools(Cup, ["P60", "P80", "P100", "P120", "P150", "P220", "P320", "P400", "P500", "P1000", "P2000", "P2500"]),
        };

    /// <summary>The usual damage of a kind on a construction.</summary>
    public static RepairCase Usual(string construction, DamageKind kind)
    {
        var built = Planner.Catalogue.Constructions[construction];
        return Usual(built, built.Damages.First(usual => usual.Kind == kind));
    }

    public static RepairCase Choosing(this RepairCase repairCase, string? method, string? resin) =>
        repairCase.Chosen((repairCase.Choice ?? new Choice()) with { Method = method, Material = resin });

    public static RepairCase OfSchool(this RepairCase repairCase, string question, string option) =>
        repairCase.Chosen((repairCase.Choice ?? new Choice()) with { Schools = new Dictionary<string, string> { [question] = option } });

    public static RepairCase AtBench(this RepairCase repairCase, Func<BenchFacts, BenchFacts> change) =>
        repairCase with { Bench = change(repairCase.Bench) };

    public static RepairCase Wanting(this RepairCase repairCase, Func<Wanted, Wanted> change) =>
        repairCase with { Wanted = change(repairCase.Wanted) };

    public static RepairPlan Planned(this RepairCase repairCase)
    {
        var outcome = Planner.Plan(repairCase);
        outcome.Problems.ShouldBeEmpty();
        return outcome.Value!;
    }

    public static IReadOnlyList<Problem> Refused(this RepairCase repairCase)
    {
        var outcome = Planner.Plan(repairCase);
        outcome.Value.ShouldBeNull();
        return outcome.Problems;
    }

    public static Figure Figure(this RepairPlan plan, string id) => plan.Figures.Single(figure => figure.Id == id);

    public static PlanStep Step(this RepairPlan plan, string id) => plan.Steps.Single(step => step.Id == id);

    public static TimedStep Time(this RepairPlan plan, string id) => plan.Timeline.Single(step => step.StepId == id);

    /// <summary>Steps that come in this order, with whatever between them.</summary>
    public static void ShouldGoThrough(this RepairPlan plan, params IReadOnlyList<string> steps) =>
        plan.Steps.Select(step => step.Id).Where(steps.Contains).ShouldBe(steps);
}
