using AbleMend.Core.Patching;
using CsCheck;

namespace AbleMend.Core.Tests.Patching;

public class OffcutsTests
{
    [Fact]
    public void A_patch_goes_on_the_smallest_piece_that_takes_it() =>
        Offcuts.TryFit([(1, 80, 60)], [new Offcut("roll", "glass-136", 1000, 500), new Offcut("scrap", "glass-136", 90, 70)])!.Single().Offcut.ShouldBe("scrap");

    [Fact]
    public void A_patch_is_turned_where_that_makes_it_fit()
    {
        var placed = Offcuts.TryFit([(1, 120, 40)], [new Offcut("strip", "glass-136", 50, 130)])!.Single();
        placed.Turned.ShouldBeTrue();
    }

    // The small one first would take the corner of the only piece that has room for the large one.
    [Fact]
    public void The_largest_patch_is_laid_first_and_an_exact_fit_is_a_fit()
    {
        var placed = Offcuts.TryFit([(1, 30, 20), (2, 100, 60)], [new Offcut("scrap", "glass-136", 130, 60)])!;
        placed.ShouldBe([new Placement(2, "scrap", 0, 0, false), new Placement(1, "scrap", 100, 0, false)]);
        Offcuts.TryFit([(2, 60, 10), (1, 30, 30)], [new Offcut("scrap", "glass-136", 60, 40)])!.Select(each => each.Patch).ShouldBe([1, 2], "by area and not by length over width");
        Offcuts.TryFit([(1, 50, 30)], [new Offcut("scrap", "glass-136", 50, 30)]).ShouldNotBeNull();
        Offcuts.TryFit([(1, 50, 30)], [new Offcut("scrap", "glass-136", 50, 29.9)]).ShouldBeNull();
    }

    // 100 × 20 is less cloth than 60 × 50, though longer for its width.
    [Fact]
    public void The_smallest_piece_is_the_one_of_least_area() =>
        Offcuts.TryFit([(1, 50, 20)], [new Offcut("square", "glass-136", 60, 50), new Offcut("strip", "glass-136", 100, 20)])!.Single().Offcut.ShouldBe("strip");

    [Fact]
    public void What_does_not_fit_is_said_and_not_squeezed() => Offcuts.TryFit([(1, 60, 60), (2, 60, 60)], [new Offcut("scrap", "glass-136", 100, 70)]).ShouldBeNull();

    [Fact]
    public void No_two_patches_lie_on_one_another_and_none_hangs_over() =>
        Gen.Select(Gen.Double[5, 60], Gen.Double[5, 60]).List[1, 8].Sample(sizes =>
        {
            var patches = sizes.Select((size, i) => (i + 1, size.Item1, size.Item2)).ToList();
            Offcut[] stock = [new("a", "glass-136", 200, 120), new("b", "glass-136", 90, 90)];
            var placed = Offcuts.TryFit(patches, stock);
            if (placed is null)
            {
                return true;
            }

            var rectangles = placed.Select(each =>
            {
                var (_, length, width) = patches[each.Patch - 1];
                var (l, w) = each.Turned ? (width, length) : (length, width);
                return (each.Offcut, Left: each.XMm, Top: each.YMm, Right: each.XMm + l, Bottom: each.YMm + w);
            }).ToList();
            var inside = rectangles.All(r => stock.Single(piece => piece.Id == r.Offcut) is var piece && r.Right <= piece.LengthMm + 1e-9 && r.Bottom <= piece.WidthMm + 1e-9);
            var apart = rectangles.All(r => rectangles.Where(other => other != r && other.Offcut == r.Offcut)
                .All(other => other.Left >= r.Right - 1e-9 || other.Right <= r.Left + 1e-9 || other.Top >= r.Bottom - 1e-9 || other.Bottom <= r.Top + 1e-9));
            return inside && apart;
        });

    [Fact]
    public void A_plan_cuts_from_the_piece_that_is_left_over_and_leaves_the_roll_alone()
    {
        var repairCase = Cases.DeckDing(6).Choosing("fill-glass-coat", "epoxy-2to1") with
        {
            Offcuts = [new Offcut("roll", "glass-136", 5000, 600), new Offcut("window", "glass-136", 200, 110), new Offcut("heavy", "glass-203", 130, 130)],
        };
        var plan = repairCase.Planned();
        plan.Placements!.Select(each => each.Patch).Order().ShouldBe(plan.Patches.Select(patch => patch.Order));
        plan.Placements!.First().Offcut.ShouldBe("window", "the largest goes first, on the smallest piece of its own cloth");
        (repairCase with { Offcuts = [new Offcut("chip", "glass-136", 20, 20)] }).Planned().Placements!.ShouldBeEmpty();
    }
}
