using AbleMend.Core.Gear;

namespace AbleMend.Core.Tests.Gear;

public class ReachTests
{
    private static readonly Construction Board = Cases.Planner.Catalogue.Constructions["pu-polyester-board"];

    [Theory]
    [InlineData(0.2, false, false)]
    [InlineData(0.25, false, false)]
    [InlineData(0.26, true, false)]
    [InlineData(0.70, true, false)]
    [InlineData(0.71, true, true)]
    [InlineData(10, true, true)]
    public void Depth_says_which_layers_are_open(double depthMm, bool cloth, bool foam)
    {
        var reach = At("deck", depthMm);
        reach.ClothBroken.ShouldBe(cloth);
        reach.FoamOpen.ShouldBe(foam);
    }

    [Fact]
    public void From_below_the_bottom_comes_first() => At("bottom", 0.1).Layers[0].Layer.Id.ShouldBe("bottom-coat");

    [Fact]
    public void A_rail_is_thinner_than_the_deck()
    {
        double Thickness(string id) => Board.ThicknessMmAt(Board.Locations.Single(location => location.Id == id));
        Thickness("rail").ShouldBeLessThan(Thickness("deck"));
    }

    [Fact]
    public void The_parts_of_the_depth_add_up()
    {
        var reach = At("deck", 9);
        (reach.SkinDepthMm + reach.FoamDepthMm).ShouldBe(9, 1e-9);
        reach.Layers.Sum(layer => layer.DepthIntoMm).ShouldBe(9, 1e-9);
    }

    [Fact]
    public void Right_through_touches_every_layer()
    {
        var place = Board.Locations.Single(location => location.Id == "deck");
        At("deck", Board.ThicknessMmAt(place)).Layers.ShouldAllBe(layer => layer.Through);
    }

    private static Reach At(string location, double depthMm) =>
        Reach.Into(Board.LayersAt(Board.Locations.Single(each => each.Id == location)), Cases.Planner.Catalogue.Substances, depthMm);
}
