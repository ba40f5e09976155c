using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.HandingBack;
using AbleMend.Core.Materials;
using AbleMend.Core.Matching;

namespace AbleMend.Core.Tests.Catalogue;

public class CatalogueTests
{
    private static readonly MendCatalogue Shipped = Cases.Planner.Catalogue;

    [Fact]
    public void Every_value_says_where_it_comes_from()
    {
        Shipped.MaterialList.ShouldAllBe(material => material.Source.Length > 10);
        Shipped.ConstructionList.ShouldAllBe(construction => construction.Source.Length > 10);
        Shipped.Rules.ShouldAllBe(rule => rule.Source.Length > 10 && rule.Reason.ToString().Length > 10);
    }

    [Fact]
    public void Every_resin_reaches_its_milestones_in_order() =>
        Shipped.MaterialList.Where(material => material.Role == Role.Resin).ShouldAllBe(material =>
            material.Label!.RecoatOpensMin <= material.Label.SandableMin
            && material.Label.SandableMin < material.Label.LoadableMin
            && material.Label.LoadableMin < material.Label.FullMin
            && material.Label.MinimumC < material.Label.ReferenceC);

    // 1 oz/yd² = 33.906 g/m²: the names of the cloths agree with their weights.
    [Theory]
    [InlineData("glass-102", 3)]
    [InlineData("glass-136", 4)]
    [InlineData("glass-203", 6)]
    public void Cloths_weigh_what_their_names_say(string id, double ounces) =>
        Shipped.Materials[id].ArealWeightGPerM2!.Value.ShouldBe(ounces * Core.Mixing.Laminate.GPerM2PerOzPerYd2, 0.1);

    [Fact]
    public void An_unknown_substance_is_found_on_load() =>
        Fault(constructions: [Shipped.ConstructionList[0] with { Layers = [new Layer("core", "Core", "cheese", 10)] }]).ShouldContain("cheese");

    [Fact]
    public void A_layer_without_thickness_is_found_on_load() =>
        Fault(constructions: [Shipped.ConstructionList[0] with { Layers = [new Layer("core", "Core", "pu-foam", 0)] }]).ShouldContain("thickness");

    [Fact]
    public void A_missing_core_is_found_on_load() => Fault(constructions: [Shipped.ConstructionList[0] with { CoreLayer = "heart" }]).ShouldContain("heart");

    [Fact]
    public void A_resin_without_a_label_is_found_on_load() =>
        Fault(materials: [Shipped.Materials["epoxy-2to1"] with { Label = null, Heat = null }]).ShouldContain("label");

    [Fact]
    public void A_two_part_resin_without_a_ratio_is_found_on_load() =>
        Fault(materials: [Shipped.Materials["epoxy-2to1"] with { Ratio = null }]).ShouldContain("ratio");

    [Fact]
    public void An_unknown_caution_is_found_on_load() =>
        Fault(materials: [Shipped.Materials["acetone"] with { Hazards = ["dragons"] }]).ShouldContain("dragons");

    [Fact]
    public void A_rule_that_protects_nothing_is_found_on_load() =>
        Fault(rules: [new AttacksRule("r", "reason", "source", ["polyester"], "marble", true)]).ShouldContain("marble");

    [Fact]
    public void A_look_again_before_it_is_handed_back_is_found_on_load() =>
        Fault(aftercare: [Shipped.Aftercare[0] with { LookAgainDays = 0 }]).ShouldContain("for-now");

    private static string Fault(IReadOnlyList<Construction>? constructions = null, IReadOnlyList<Material>? materials = null, IReadOnlyList<MatchRule>? rules = null, IReadOnlyList<AftercareLine>? aftercare = null)
    {
        var catalogue = new MendCatalogue(
            "test", [.. Shipped.Substances.Values], constructions ?? Shipped.ConstructionList, materials ?? Shipped.MaterialList,
            rules ?? Shipped.Rules, [.. Shipped.Cautions.Values], Shipped.SchoolList, Shipped.LookTests, aftercare ?? Shipped.Aftercare);
        return Should.Throw<CatalogueException>(() => CatalogueLoader.Check(catalogue)).Message;
    }
}
