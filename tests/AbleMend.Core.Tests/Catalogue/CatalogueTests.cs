using AbleMend.Core.Catalogue;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;

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

    [Fact]
    public void The_shipped_catalogue_is_without_a_fault() => CatalogueLoader.LoadShipped(AllMethods.Known).Version.ShouldBe(CatalogueLoader.Version);

    // 1 oz/yd² = 33.906 g/m²: the names of the cloths agree with their weights.
    [Theory]
    [InlineData("glass-102", 3)]
    [InlineData("glass-136", 4)]
    [InlineData("glass-203", 6)]
    public void Cloths_weigh_what_their_names_say(string id, double ounces) =>
        Shipped.Materials[id].ArealWeightGPerM2!.Value.ShouldBe(ounces * Core.Mixing.Laminate.GPerM2PerOzPerYd2, 0.1);
}
