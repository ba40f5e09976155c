using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Matching;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;

namespace AbleMend.Core.Tests.Matching;

/// <summary>Each kind of rule by itself, on both sides of where it begins to speak.</summary>
public class RuleTests
{
    private static readonly CaseView View = Seen(Cases.DeckDing());
    private static readonly Material Epoxy = Cases.Planner.Catalogue.Materials["epoxy-2to1"];
    private static readonly IMendMethod Glass = AllMethods.List.First(method => method.Id == "fill-glass-coat");
    private static readonly IMendMethod Film = AllMethods.List.First(method => method.Id == "uv-under-film");

    private static CaseView Seen(RepairCase repairCase) => new(repairCase, Cases.Planner.Catalogue);

    private static IReadOnlyList<Weight> Says(
        MatchRule rule, RepairCase? repairCase = null, Material? material = null, IMendMethod? method = null, IReadOnlyList<ReachedLayer>? touched = null, DateTimeOffset? readyAt = null)
    {
        var view = repairCase is null ? View : Seen(repairCase);
        return [.. rule.Look(new SystemUnderTest(method ?? Glass, material ?? Epoxy, view, touched ?? view.Reach.Touched, readyAt)).Select(finding => finding.Weight)];
    }

    private static ReachedLayer Layer(Texture texture, Movement movement = Movement.Rigid, params string[] families) =>
        new(new Layer("layer", "A layer", "stuff", 1), new Substance("stuff", "Stuff", families, texture, movement, null, "invented for this test"), 0, 0.5);

    [Fact]
    public void An_attack_counts_where_it_touches_unless_vapour_carries_it_everywhere()
    {
        AttacksRule Rule(bool anywhere) => new("attacks", "It dissolves it.", "test", [Epoxy.Chemistry], "polystyrene", anywhere);
        var foam = Layer(Texture.Beads, Movement.Rigid, "polystyrene");
        var board = Seen(Cases.Eps());
        var family = board.Reach.Layers.First(layer => layer.Layer.Id == "core").Substance.Families[0];
        (Rule(false) with { Family = family }).Harms(Epoxy, [], board.Reach).ShouldBeNull();
        (Rule(true) with { Family = family }).Harms(Epoxy, [], board.Reach)!.Layer.Id.ShouldBe("core");
        Says(Rule(false), touched: [foam]).ShouldBe([Weight.Veto]);
        Says(Rule(false) with { Chemistries = ["another"] }, touched: [foam]).ShouldBeEmpty();
    }

    [Fact]
    public void What_holds_badly_is_said_of_that_chemistry_on_that_layer_or_that_earlier_mend()
    {
        var rule = new HoldsBadlyRule("badly", "It holds badly.", "test", [Epoxy.Chemistry], "cured-polyester");
        Says(rule, touched: [Layer(Texture.Clear, Movement.Rigid, "cured-polyester")]).ShouldBe([Weight.Caution]);
        Says(rule, touched: [Layer(Texture.Clear)]).ShouldBeEmpty();
        Says(rule with { Chemistries = ["another"] }, touched: [Layer(Texture.Clear, Movement.Rigid, "cured-polyester")]).ShouldBeEmpty();
        var mended = Cases.DeckDing() with { Item = Cases.DeckDing().Item with { EarlierMend = "polyester" } };
        Says(rule with { Family = $"cured-{mended.Item.EarlierMend}" }, mended, touched: []).ShouldBe([Weight.Caution]);
    }

    [Fact]
    public void What_is_not_known_to_hold_is_vetoed_but_air_and_threads_are_not_asked()
    {
        var rule = new BondsRule("bonds", "Nothing says that it holds.", "test");
        Says(rule, touched: [Layer(Texture.Foam)]).ShouldBe([Weight.Veto]);
        Says(rule, touched: [Layer(Texture.Foam), Layer(Texture.Weave)]).ShouldBe([Weight.Veto], "once is enough");
        Says(rule, touched: [Layer(Texture.Air), Layer(Texture.Threads)]).ShouldBeEmpty();
        Says(rule, material: Epoxy with { BondsTo = ["stuff"] }, touched: [Layer(Texture.Foam)]).ShouldBeEmpty();
        Says(rule, material: Epoxy with { BondsTo = ["family"] }, touched: [Layer(Texture.Foam, Movement.Rigid, "family")]).ShouldBeEmpty();
    }

    [Fact]
    public void The_layer_that_moves_most_sets_the_flexibility()
    {
        var rule = new MovesWithRule("moves", "It has to move as much.", "test");
        ReachedLayer[] mixed = [Layer(Texture.Sheet, Movement.Rigid), Layer(Texture.Rubber, Movement.Stretches), Layer(Texture.Cloth, Movement.Bends)];
        Says(rule, material: Epoxy with { Flexibility = Movement.Bends }, touched: mixed).ShouldBe([Weight.Veto]);
        Says(rule, material: Epoxy with { Flexibility = Movement.Stretches }, touched: mixed).ShouldBeEmpty();
        Says(rule, material: Epoxy with { Flexibility = Movement.Rigid }, touched: [Layer(Texture.Cloth, Movement.Bends)]).ShouldBe([Weight.Caution]);
        Says(rule, touched: []).ShouldBeEmpty();
    }

    [Fact]
    public void Only_chemistry_is_asked_before_the_timeline()
    {
        MatchRule[] chemistry =
        [
            new AttacksRule("a", "", "", [], "", false), new BondsRule("b", "", ""), new TakesOnlyRule("c", "", "", "", []), new NotAtRule("d", "", "", [], ""), new MovesWithRule("e", "", ""),
        ];
        chemistry.ShouldAllBe(rule => rule.IsChemistry);
        MatchRule[] others =
        [
            new HoldsBadlyRule("f", "", "", [], ""), new ServiceHeatRule("g", "", ""), new ToolsRule("h", "", ""), new CureTemperatureRule("i", "", ""), new HumidityRule("j", "", ""),
            new LiesFlatRule("k", "", "", []), new LayerDepthRule("l", "", ""), new ReadyInTimeRule("m", "", ""), new LastingRule("n", "", ""), new SkillRule("o", "", ""), new InStockRule("p", "", ""), new InDateRule("q", "", ""),
        ];
        others.ShouldAllBe(rule => !rule.IsChemistry);
    }

    [Fact]
    public void A_tool_that_is_missing_is_to_be_got()
    {
        var rule = new ToolsRule("tools", "It needs", "test");
        var needing = AllMethods.List.First(method => method.Needs.Count > 0);
        RepairCase With(params string[]? has) => Cases.DeckDing() with { Tools = Cases.DeckDing().Tools with { Has = has } };
        Says(rule, With([]), method: needing).ShouldBe([Weight.ToBuy]);
        Says(rule, With([.. needing.Needs]), method: needing).ShouldBeEmpty();
        Says(rule, With(null), method: needing).ShouldBeEmpty("a shop that does not say has everything");
        Says(rule, With([]), method: Glass).ShouldBeEmpty();
    }

    [Theory]
    [InlineData(14.9, null, Weight.Veto)]
    [InlineData(15, null, null)]
    [InlineData(35, null, null)]
    [InlineData(35.1, null, Weight.Veto)]
    [InlineData(20, 15.0, null)]
    [InlineData(20, 14.9, Weight.Caution)]
    public void The_bench_lies_inside_the_labels_temperatures_by_day_and_by_night(double dayC, double? nightC, Weight? says)
    {
        var rule = new CureTemperatureRule("cold", "It does not cure.", "test");
        var material = Epoxy with { Label = Epoxy.Label! with { MinimumC = 15, MaximumC = 35 } };
        Says(rule, Cases.DeckDing().AtBench(bench => bench with { TemperatureC = dayC, NightTemperatureC = nightC }), material).ShouldBe(says is { } weight ? [weight] : []);
    }

    [Theory]
    [InlineData(80, false)]
    [InlineData(80.1, true)]
    public void The_air_is_as_dry_as_the_label_asks(double percent, bool says) =>
        Says(new HumidityRule("damp", "It blushes.", "test"), Cases.DeckDing().AtBench(bench => bench with { RelativeHumidityPercent = percent }), Epoxy with { Label = Epoxy.Label! with { MaximumHumidityPercent = 80 } })
            .Count.ShouldBe(says ? 1 : 0);

    [Theory]
    [InlineData(3, false)]
    [InlineData(3.01, true)]
    public void Light_goes_no_deeper_than_its_layer(double depthMm, bool says)
    {
        var uv = Cases.Planner.Catalogue.Materials["uv-polyester"];
        var rule = new LayerDepthRule("deep", "It goes in layers.", "test");
        Says(rule, Cases.DeckDing(depthMm), uv with { Light = uv.Light! with { LayerMm = 3 } }).Count.ShouldBe(says ? 1 : 0);
        Says(rule, Cases.DeckDing(depthMm), Epoxy).ShouldBeEmpty("only light stops at a depth");
    }

    [Theory]
    [InlineData(45, false)]
    [InlineData(45.1, true)]
    public void It_stands_the_heat_of_its_place(double hottestC, bool says) =>
        Says(new ServiceHeatRule("hot", "It softens.", "test"), Cases.DeckDing().Wanting(wanted => wanted with { HottestInUseC = hottestC }), Epoxy with { ServiceMaxC = 45 }).Count.ShouldBe(says ? 1 : 0);

    [Fact]
    public void What_is_ready_too_late_is_a_caution_and_what_never_is_a_veto()
    {
        var rule = new ReadyInTimeRule("late", "Not ready when it is needed.", "test");
        var needed = Cases.DeckDing().Wanting(wanted => wanted with { NeededBy = Cases.Morning.AddHours(5) });
        Says(rule, needed).ShouldBe([Weight.Veto]);
        Says(rule, needed, readyAt: Cases.Morning.AddHours(5)).ShouldBeEmpty();
        Says(rule, needed, readyAt: Cases.Morning.AddHours(5).AddSeconds(1)).ShouldBe([Weight.Caution]);
        Says(rule, readyAt: Cases.Morning.AddYears(1)).ShouldBeEmpty("nobody waits for it");
    }

    [Fact]
    public void A_mend_for_now_is_cautioned_where_one_for_good_was_asked()
    {
        var rule = new LastingRule("now", "It holds for now.", "test");
        RepairCase Wanting(Permanence permanence, int lasting) => Cases.DeckDing().Wanting(wanted => wanted with { Permanence = permanence, Weights = new Weights(Lasting: lasting) });
        Says(rule, Wanting(Permanence.Lasting, 3), method: Film).ShouldBe([Weight.Caution]);
        Says(rule, Wanting(Permanence.Lasting, 3), method: Glass).ShouldBeEmpty();
        Says(rule, Wanting(Permanence.ForNow, 3), method: Film).ShouldBeEmpty();
        Says(rule, Wanting(Permanence.Lasting, 0), method: Film).ShouldBeEmpty();
    }

    [Theory]
    [InlineData(1, 1, false)]
    [InlineData(1, 2, true)]
    [InlineData(2, 2, false)]
    [InlineData(2, 3, true)]
    [InlineData(3, 3, false)]
    public void The_harder_of_method_and_material_sets_the_skill(int stated, int material, bool says) =>
        Says(new SkillRule("skill", "Asks for more practice.", "test"), Cases.DeckDing().Wanting(wanted => wanted with { Skill = stated }), Epoxy with { Skill = material }, Film).Count.ShouldBe(says ? 1 : 0);

    [Fact]
    public void A_method_that_is_harder_than_its_material_counts_too() =>
        Says(new SkillRule("skill", "Asks for more practice.", "test"), Cases.DeckDing().Wanting(wanted => wanted with { Skill = 1 }), Epoxy with { Skill = 1 }, Glass).ShouldBe([Weight.Caution]);

    [Fact]
    public void What_no_tin_on_the_shelf_holds_is_to_be_bought()
    {
        var rule = new InStockRule("stock", "Not on the shelf.", "test");
        RepairCase Shelf(params string[] materials) => Cases.DeckDing() with { Shelf = [.. materials.Select(id => new OnShelf(id))] };
        Says(rule, Shelf("acetone")).ShouldBe([Weight.ToBuy]);
        Says(rule, Shelf("acetone", "epoxy-2to1")).ShouldBeEmpty();
        Says(rule, Cases.DeckDing()).ShouldBeEmpty("a shelf that is not written down is full");
    }
}
