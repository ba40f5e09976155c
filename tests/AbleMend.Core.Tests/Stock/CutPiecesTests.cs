using AbleMend.Core.Materials;
using AbleMend.Core.Patching;
using AbleMend.Core.Plans;
using AbleMend.Core.Stock;
using AbleMend.Core.Tests.Gallery;

namespace AbleMend.Core.Tests.Stock;

/// <summary>Pieces of cloth: cut from, kept, and whole again where nothing was cut.</summary>
public class CutPiecesTests
{
    private static readonly Offcut Roll = new("roll", "glass-136", 900, 600);
    private static readonly Offcut Other = new("other", "pvc-patch", 210, 120);

    private static RepairPlan Planned(params Offcut[] pieces) => (Cases.DeckDing(6).Choosing("fill-glass-coat", "epoxy-2to1") with { Offcuts = pieces }).Planned();

    [Fact]
    public void What_is_left_keeps_the_name_that_is_written_on_it_and_a_second_piece_gets_the_next()
    {
        var plan = Planned(Roll, Other);
        var (stock, cut) = CutPieces.Cut([Roll, Other, new Offcut("roll-2", "glass-136", 70, 70)], plan, "roll")!.Value;
        cut.Was.ShouldBe(Roll);
        stock.Select(piece => piece.Id).ShouldBe(["roll", "roll-3", "other", "roll-2"]);
        cut.Left.Select(piece => (piece.LengthMm, piece.WidthMm)).ShouldBe(plan.Leaves!.Select(left => (left.LengthMm, left.WidthMm)));
        cut.Left.ShouldAllBe(piece => piece.Material == "glass-136");
    }

    [Fact]
    public void A_name_as_long_as_a_name_may_be_is_shortened_for_its_number()
    {
        var piece = Roll with { Id = new string('a', 40) };
        var (stock, _) = CutPieces.Cut([piece], Planned(piece), piece.Id)!.Value;
        stock[1].Id.ShouldBe(new string('a', 38) + "-2");
    }

    [Fact]
    public void What_was_not_cut_after_all_is_whole_again_unless_its_name_is_taken()
    {
        var (stock, cut) = CutPieces.Cut([Roll, Other], Planned(Roll), "roll")!.Value;
        CutPieces.PutBack(stock, cut).ShouldBe([Other, Roll], ignoreOrder: true);
        IReadOnlyList<Offcut> taken = [.. stock.Where(piece => piece.Id != "roll"), Roll with { LengthMm = 77 }];
        CutPieces.PutBack(taken, cut).ShouldBe(taken);
    }

    [Fact]
    public void A_piece_that_is_gone_or_of_another_cloth_is_not_cut()
    {
        var plan = Planned(Roll);
        CutPieces.Cut([Other], plan, "roll").ShouldBeNull();
        CutPieces.Cut([Roll with { Material = "pvc-patch" }], plan, "roll").ShouldBeNull();
        CutPieces.Cut([Roll, Other], plan, "other").ShouldBeNull();
    }

    [Fact]
    public void A_shop_never_keeps_more_pieces_than_a_case_may_have()
    {
        var stock = Enumerable.Range(0, CutPieces.Most - 1).Select(i => new Offcut($"piece {i}", "pvc-patch", 100, 100)).Append(Roll).ToList();
        CutPieces.Cut(stock, Planned(Roll), "roll")!.Value.Stock.Count.ShouldBe(CutPieces.Most);
    }

    /// <summary>The pieces are cut when hands are done with the step that takes their cloth off the shelf: every plan has one.</summary>
    [Fact]
    public void Every_patch_is_cut_at_a_step_that_takes_its_cloth()
    {
        IReadOnlyList<Offcut> rolls = [.. Cases.Planner.Catalogue.MaterialList.Where(material => material.Role is Role.Cloth or Role.PatchStock).Select(cloth => new Offcut($"roll of {cloth.Id}", cloth.Id, 20_000, 1_500))];
        var cut = GalleryTests.Ids.Select(id => Cases.Planner.Plan(GalleryTests.Read(id) with { Offcuts = rolls }).Value!).Where(plan => plan.Placements is { Count: > 0 }).ToList();
        cut.Count.ShouldBeGreaterThan(10);
        cut.ShouldAllBe(plan => CutPieces.Of(plan, null).Count == AtSteps(plan));
    }

    private static int AtSteps(RepairPlan plan) =>
        plan.Steps.Where(step => step.Takes is not null).SelectMany(step => step.Takes!).Select(taking => taking.Material).Distinct().Sum(cloth => CutPieces.Of(plan, cloth).Count);
}
