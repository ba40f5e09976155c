using AbleMend.Core.Materials;
using AbleMend.Core.Plans;
using AbleMend.Core.Stock;
using AbleMend.Core.Tests.Gallery;

namespace AbleMend.Core.Tests.Stock;

/// <summary>What comes off the shelf, in which unit, off which lot, and what is missing.</summary>
public class StocktakingTests
{
    private static readonly DateOnly Today = new(2026, 5, 6);
    private static readonly IReadOnlyDictionary<string, Material> Materials = Cases.Planner.Catalogue.Materials;

    private static RepairPlan Planned(string example) => Cases.Planner.Plan(GalleryTests.Read(example)).Value!;

    private static IReadOnlyList<Amount> Taken(RepairPlan plan) => [.. plan.Steps.SelectMany(step => Amount.TakenBy(plan, step))];

    private static Lot Lot(string name, string material, double had, StockUnit unit, int? goodFor = null, bool opened = false) =>
        new(material, goodFor is { } days ? Today.AddDays(days) : null, opened ? Today.AddDays(-1) : null, name, null, had, unit);

    private static Dictionary<string, double> Full(params Lot[] lots) => lots.ToDictionary(lot => lot.Name, lot => lot.Had!.Value);

    /// <summary>Worked by hand from the parts that the label prints: 20 mL at 1.15 g/mL and 10 mL at 0.97 g/mL are 32.7 g.</summary>
    [Fact]
    public void A_volume_of_both_parts_weighs_what_its_parts_weigh()
    {
        var epoxy = Materials["epoxy-2to1"] with { DensityAGPerMl = 1.15, DensityBGPerMl = 0.97 };
        new Amount(epoxy.Id, 30, StockUnit.Ml).In(StockUnit.G, epoxy)!.Value.ShouldBe(32.7, 1e-9);
        new Amount(epoxy.Id, 32.7, StockUnit.G).In(StockUnit.Ml, epoxy)!.Value.ShouldBe(30, 1e-9);
        new Amount(epoxy.Id, 30, StockUnit.Ml).In(StockUnit.Cm2, epoxy).ShouldBeNull();
    }

    [Fact]
    public void A_kit_holds_what_its_tin_and_its_vial_hold()
    {
        var cement = Materials["cement-csm-two-part"] with { Kit = new Kit(100, 4) };
        new Amount(cement.Id, 0.5, StockUnit.Kit).In(StockUnit.Ml, cement).ShouldBe(52);
        new Amount(cement.Id, 26, StockUnit.Ml).In(StockUnit.Kit, cement).ShouldBe(0.25);
    }

    [Fact]
    public void Each_cup_of_a_split_batch_is_taken()
    {
        var plan = Planned("gel-coat-hull-hole");
        var mix = plan.Steps.Single(step => step.Id == "glass-mix");
        Amount.TakenBy(plan, mix).ShouldHaveSingleItem().ShouldBe(new Amount("epoxy-2to1", 60, StockUnit.Ml), "two cups of 30 mL");
    }

    [Fact]
    public void What_several_damages_share_is_taken_once()
    {
        var plan = Planned("inflatable-board-three-punctures");
        Taken(plan).Where(amount => amount.Unit == StockUnit.Kit).Select(amount => amount.Value).ShouldBe([0.5, 0.5], "two share a cup; the third lies on the other side and is cemented when the board is turned");
        Taken(plan).Count(amount => amount.Unit == StockUnit.Cm2).ShouldBe(3, "each has a patch of its own");
    }

    [Fact]
    public void The_first_to_expire_goes_first_and_what_is_open_before_what_is_sealed()
    {
        var (late, soon, sealedOne) = (Lot("late", "acetone", 100, StockUnit.Ml, 300), Lot("soon", "acetone", 100, StockUnit.Ml, 20), Lot("sealed", "acetone", 100, StockUnit.Ml, 20));
        var open = soon with { Id = "open", OpenedOn = Today };
        Stocktaking.DrawnFrom(new Amount("acetone", 30, StockUnit.Ml), [late, sealedOne, open], Full(late, sealedOne, open), Materials["acetone"], Today).ShouldBe([new Draw("open", 30)]);
    }

    [Fact]
    public void What_one_lot_does_not_hold_comes_off_the_next_in_its_own_unit()
    {
        var resin = Materials["epoxy-2to1"];
        var (first, next) = (Lot("a", resin.Id, 1000, StockUnit.Ml, 10), Lot("b", resin.Id, 1000, StockUnit.G, 400));
        var left = new Dictionary<string, double> { ["a"] = 20, ["b"] = 1000 };
        var draws = Stocktaking.DrawnFrom(new Amount(resin.Id, 50, StockUnit.Ml), [first, next], left, resin, Today);
        draws.Select(draw => draw.Lot).ShouldBe(["a", "b"]);
        draws[0].Value.ShouldBe(20);
        draws[1].Value.ShouldBe(new Amount(resin.Id, 30, StockUnit.Ml).In(StockUnit.G, resin)!.Value, 1e-9);
    }

    [Fact]
    public void Past_gone_and_uncounted_lots_are_left_alone_and_an_empty_one_is_drawn_below_nothing()
    {
        var resin = Materials["acetone"];
        var (past, gone, uncounted, empty) = (Lot("past", resin.Id, 100, StockUnit.Ml, -1), Lot("gone", resin.Id, 100, StockUnit.Ml) with { GoneOn = Today }, Lot("said", resin.Id, 1, StockUnit.Ml) with { Had = null }, Lot("empty", resin.Id, 100, StockUnit.Ml));
        var left = new Dictionary<string, double> { ["past"] = 100, ["gone"] = 100, ["empty"] = 5 };
        Stocktaking.DrawnFrom(new Amount(resin.Id, 40, StockUnit.Ml), [past, gone, uncounted, empty], left, resin, Today).ShouldBe([new Draw("empty", 40)]);
        Stocktaking.DrawnFrom(new Amount(resin.Id, 40, StockUnit.Ml), [past, gone, uncounted], left, resin, Today).ShouldBeEmpty();
    }

    [Fact]
    public void What_the_bench_takes_is_added_over_its_mends_and_what_is_missing_is_said_first()
    {
        var (one, other) = (Planned("gel-coat-hull-hole"), Planned("fin-box-surround"));
        var (resin, solvent) = (Lot("r", "epoxy-2to1", 100, StockUnit.Ml), Lot("s", "glass-136", 100_000, StockUnit.Cm2));
        IReadOnlyList<StillToDo> bench = [new StillToDo(7, one, one.Steps), new StillToDo(9, other, [.. other.Steps.Where(step => step.Id != "glass-mix")])];
        var needs = Stocktaking.Needs(bench, [resin, solvent], Full(resin, solvent), Materials, Today);
        var epoxy = needs[0];
        epoxy.Material.ShouldBe("epoxy-2to1");
        epoxy.Value.ShouldBe(Taken(one).Where(amount => amount.Material == epoxy.Material).Sum(amount => amount.Value) + 15, 1e-9, "the coat alone is left of the other");
        epoxy.Short!.Value.ShouldBe(epoxy.Value - 100, 1e-9);
        epoxy.Mends.ShouldBe([7, 9]);
        needs.Where(need => need.Short is not null).ShouldHaveSingleItem();
        needs.Single(need => need.Material == "fumed-silica").Left.ShouldBeNull("nobody counts it");
    }
}
