using AbleMend.Core.Patching;
using CsCheck;

namespace AbleMend.Core.Tests.Patching;

public class CutOffTests
{
    private static readonly Offcut Long = new("long", "glass-136", 640, 180);

    [Fact]
    public void A_patch_off_the_end_of_a_strip_leaves_the_rest_of_the_strip() =>
        CutOff.Of(Long, (140, 180)).ShouldBe([new PieceLeft("long", 500, 180)]);

    // 500 × 180 is the most that can stay whole; the 140 × 80 above the patch is kept as well.
    [Fact]
    public void The_cut_is_made_that_leaves_the_largest_piece_whole()
    {
        CutOff.Of(Long, (140, 100)).ShouldBe([new PieceLeft("long", 500, 180), new PieceLeft("long", 140, 80)]);
        CutOff.Of(new Offcut("wide", "glass-136", 300, 900), (280, 200)).ShouldBe([new PieceLeft("wide", 300, 700)]);
    }

    [Fact]
    public void What_is_narrower_than_a_patch_is_not_kept()
    {
        CutOff.Of(Long, (600, 150)).ShouldBeEmpty();
        CutOff.Of(Long, (580, 130)).ShouldBe([new PieceLeft("long", 60, 180)]);
        CutOff.Of(Long, (640, 180)).ShouldBeEmpty();
    }

    [Fact]
    public void No_patch_is_cut_again_out_of_what_is_left() =>
        Gen.Select(Gen.Double[10, 200], Gen.Double[10, 200], Gen.Double[10, 900], Gen.Double[10, 900]).Sample((length, width, long_, wide) =>
        {
            var piece = new Offcut("piece", "glass-136", long_, wide);
            var block = (Math.Min(length, long_), Math.Min(width, wide));
            var left = CutOff.Of(piece, block);
            left.Sum(each => each.LengthMm * each.WidthMm).ShouldBeLessThanOrEqualTo((long_ * wide) - (block.Item1 * block.Item2) + 1e-6);
            left.ShouldAllBe(each => each.LengthMm >= CutOff.KeptFromMm && each.WidthMm >= CutOff.KeptFromMm && each.LengthMm <= long_ && each.WidthMm <= wide);
            left.Count.ShouldBeLessThanOrEqualTo(2);
        });
}
