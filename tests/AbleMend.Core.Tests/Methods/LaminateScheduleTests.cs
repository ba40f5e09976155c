using AbleMend.Core.Cases;
using AbleMend.Core.Gear;
using AbleMend.Core.Methods;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Tests.Methods;

/// <summary>What is cut from a laminate that carries by itself is given back. Tapers of 8 to 12 to 1 in hulls: common practice.</summary>
public class LaminateScheduleTests
{
    public static TheoryData<string, double, double> Holes =>
    [
        .. new[] { "gel-coat-hull", "carbon-hull" }.SelectMany(hull => new[] { 0.4, 0.7, 1 }.SelectMany(share => new double[] { 15, 60, 180 }.Select(length => (hull, share, length)))),
    ];

    [Theory]
    [MemberData(nameof(Holes))]
    public void A_hull_gets_back_at_least_as_much_as_was_cut(string hull, double share, double lengthMm)
    {
        var layers = Cases.Planner.Catalogue.Constructions[hull].Layers;
        var (face, wall) = (layers[0].ThicknessMm, layers[1].ThicknessMm);
        var plan = Hole(hull, face + (share * wall), lengthMm).Planned();
        plan.System!.Method.ShouldBe("scarf-or-sleeve");
        plan.Figure("laminate.given-back").Value.ShouldBeGreaterThanOrEqualTo((share * wall) - 1e-6);
        plan.Damages[0].Patches.Count.ShouldBe((int)plan.Figure("laminate.plies").Value);
        (plan.Figure("scarf.width").Value / (share * wall)).ShouldBeInRange(8, 20.001);
        plan.Damages[0].Patches[^1].MarginMm.ShouldBe(plan.Figure("scarf.width").Value, 1e-6);
    }

    [Fact]
    public void Nothing_light_is_offered_where_the_wall_is_gone() =>
        Hole("gel-coat-hull", 4.6, 90).Planned().Damages[0].Candidates.Where(candidate => !candidate.Vetoed).ShouldAllBe(candidate => candidate.Method == "scarf-or-sleeve");

    [Fact]
    public void A_hole_right_through_gets_a_backing_that_is_mixed_bedded_and_prepared_before_the_plies()
    {
        var steps = Hole("gel-coat-hull", 4.6, 90).Planned().Steps.Select(step => step.Id).ToList();
        string[] order = ["open", "backing-mix", "backing", "backing-rim", "bed-mix", "bed", "scarf", "cut-cloth", "clean", "glass-mix", "laminate"];
        steps.Where(order.Contains).ShouldBe(order);
        Hole("gel-coat-hull", 3, 90).Planned().Steps.ShouldNotContain(step => step.Id == "backing");
    }

    [Fact]
    public void Resin_for_the_plies_is_the_weight_of_the_cloth_in_a_hand_lay_up()
    {
        // Common practice: a hand lay-up takes as much resin as cloth by weight, up to a quarter more. 2 mL stay in the cup.
        var plan = Hole("gel-coat-hull", 4.6, 90).Planned();
        var glassG = plan.Figure("glass.area").Value / 1e4 * 600;
        ((plan.Figure("glass.need").Value - 2) * 1.09 / glassG).ShouldBeInRange(1, 1.25);
    }

    // Common practice: a cup too big or too warm smokes, and who mixes it has to know before.
    [Fact]
    public void A_batch_that_may_smoke_is_split_and_one_that_cannot_be_says_so_where_it_is_mixed()
    {
        var plan = Hole("gel-coat-hull", 4.6, 90).Planned();
        plan.Figure("glass.batches").Value.ShouldBeGreaterThan(1);
        plan.Figure("glass.peak").Value.ShouldBeLessThan(130);
        plan.Step("glass-mix").Instruction.ToString().ShouldContain("one after another");
        var coarse = (Hole("gel-coat-hull", 4.6, 30) with { Tools = new Tools(new CupDevice(25, 4, 400), ["P60", "P120", "P240"]) }).AtBench(bench => bench with { TemperatureC = 22 }).Choosing("scarf-or-sleeve", "epoxy-2to1").Planned();
        coarse.Figure("glass.peak").Value.ShouldBeGreaterThanOrEqualTo(120);
        coarse.Step("glass-mix").Instruction.ToString().ShouldContain("may smoke");
        coarse.Step("glass-mix").Pour!.Warning!.ToString().ShouldContain("may smoke", customMessage: "the label says it too");
    }

    [Fact]
    public void A_shaft_broken_right_round_is_not_wrapped()
    {
        var shaft = Cases.Usual("carbon-paddle", DamageKind.Crack).Damaged(damage => damage with { Location = "shaft", AcrossWholeWidth = true });
        shaft.Planned().Damages[0].Candidates.ShouldAllBe(candidate => candidate.Method == "scarf-or-sleeve");
    }

    private static RepairCase Hole(string hull, double depthMm, double lengthMm) =>
        Cases.Usual(hull, DamageKind.Hole).Damaged(damage => damage with { DepthMm = Math.Round(depthMm, 6), Shape = new OvalShape(lengthMm, lengthMm * 2 / 3) });

    // Common practice: a sandwich carries with both its skins.
    [Fact]
    public void The_inner_skin_of_a_sandwich_is_given_back_before_anything_is_filled_over_it()
    {
        var through = Cases.Usual("sandwich-board", DamageKind.Hole).Damaged(damage => damage with { DepthMm = 12 });
        var plan = through.Planned();
        plan.ShouldGoThrough("core", "inner-key", "inner", "fill", "glass");
        var inner = Cases.Planner.Catalogue.Constructions["sandwich-board"].Layers.Single(layer => layer.Id == "inner-glass");
        (plan.Figure("inner.plies").Value * Cases.Planner.Catalogue.Materials[plan.System!.Cloth].PlyMm!.Value).ShouldBeGreaterThanOrEqualTo(inner.ThicknessMm);
        var above = through.Damaged(damage => damage with { DepthMm = 2 }).Planned();
        above.Steps.ShouldNotContain(step => step.Id == "inner", "the sheet foam alone is hurt");
    }

    // Common practice: a hole that would swallow cup after cup takes a plug of foam.
    [Fact]
    public void A_deep_hole_takes_a_plug_and_what_is_mixed_stays_small()
    {
        var deep = Cases.Usual("eps-epoxy-board", DamageKind.Hole).Damaged(damage => damage with { Shape = new OvalShape(150, 110), DepthMm = 40 });
        double Mixed(RepairPlan plan) => plan.Figures.Where(figure => figure.Id.EndsWith(".batch")).Sum(figure => figure.Value * plan.Figure(figure.Id.Replace(".batch", ".batches")).Value);
        var plugged = deep.Planned();
        var filled = deep.OfSchool("deep-hole", "filler").Planned();
        plugged.ShouldGoThrough("plug", "plug-in", "plug-key", "fill", "glass");
        Mixed(plugged).ShouldBeLessThan(Mixed(filled) / 2);
        // Passes that wait for each other are mixed one by one: each has a cup of its own.
        filled.Steps.Count(step => step.Stage == Stage.Mix && step.Id.StartsWith("fill")).ShouldBe((int)filled.Figure("fill.layers").Value);
        filled.Steps.Where(step => step.Id is "fill" or "fill-2").Select(step => step.Uses).ShouldBe(["fill-mix", "fill-2-mix"]);
    }
}
