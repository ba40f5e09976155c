using AbleMend.Core.Finishing;

namespace AbleMend.Core.Tests.Finishing;

public class GritTests
{
    // ISO 6344 (FEPA 43), median particle in micrometres.
    [Theory]
    [InlineData("P60", 269)]
    [InlineData("P80", 201)]
    [InlineData("P120", 125)]
    [InlineData("P150", 100)]
    [InlineData("P220", 68)]
    [InlineData("P320", 46.2)]
    [InlineData("P400", 35.0)]
    [InlineData("P1000", 18.3)]
    [InlineData("P2500", 8.4)]
    public void P_grades_have_their_published_particle(string label, double micrometres) =>
        Grit.TryParse(label)!.MedianUm.ShouldBe(micrometres);

    [Fact]
    public void Above_220_an_american_grit_is_finer_than_its_P_number() =>
        Grit.TryParse("400 CAMI")!.MedianUm.ShouldBeLessThan(Grit.TryParse("P400")!.MedianUm);

    [Theory]
    [InlineData("P")]
    [InlineData("P61")]
    [InlineData("P-60")]
    [InlineData("60")]
    [InlineData("")]
    [InlineData("P 60")]
    [InlineData("P６０")]
    public void What_is_no_grit_is_not_guessed(string label) => Grit.TryParse(label).ShouldBeNull();

    [Fact]
    public void Every_grit_reads_back_from_its_label() => Grit.All.ShouldAllBe(grit => Grit.TryParse(grit.Label) == grit);

    // Common practice: 150, 220, 320 on a sanding coat.
    [Fact]
    public void The_ladder_takes_the_fewest_rungs_that_are_near_enough() =>
        Labels(GritLadder.Climb(Drawer("P60", "P80", "P150", "P220", "P320", "P400"), G("P150"), G("P320"), 100)).ShouldBe(["P150", "P220", "P320"]);

    [Fact]
    public void A_full_drawer_skips_what_it_need_not_use() =>
        Labels(GritLadder.Climb(Drawer("P150", "P180", "P220", "P240", "P280", "P320", "P400"), G("P150"), G("P400"), 100)).ShouldBe(["P150", "P280", "P400"]);

    [Fact]
    public void A_gap_in_the_drawer_is_named_and_not_jumped()
    {
        var result = GritLadder.Climb(Drawer("P60", "P400"), G("P60"), G("P400"), 100);
        result.Rungs.ShouldBeEmpty();
        result.GapAfter.ShouldBe(G("P60"));
        result.GapNeedsUm!.Value.ShouldBe(269 / GritLadder.LargestJump, 1e-9);
    }

    // Worked by hand from the two constants of the module: half of 92 µm of scratch, taken at 0.35 × 66 µm a minute over 1 dm².
    [Fact]
    public void A_rung_takes_the_scratch_of_the_one_before_it_at_its_own_rate()
    {
        GritLadder.Minutes(G("P150"), G("P220"), 100).ShouldBe(GritLadder.ScratchShare * G("P150").MedianUm / (GritLadder.RemovalPerMinutePerUm * G("P220").MedianUm), 1e-9);
        GritLadder.Minutes(G("P150"), G("P220"), 400).ShouldBe(4 * GritLadder.Minutes(G("P150"), G("P220"), 100), 1e-9);
        GritLadder.Minutes(null, G("P220"), 400).ShouldBe(4 * GritLadder.ScratchShare / GritLadder.RemovalPerMinutePerUm, 1e-9);
        GritLadder.Minutes(G("P150"), G("P220"), 1).ShouldBe(1, "no rung is taken up for less than a minute");
    }

    [Fact]
    public void A_ladder_is_climbed_dry_and_a_jump_of_just_two_is_near_enough()
    {
        var (coarse, half, fine) = (new Grit(GritScale.P, 1, 100), new Grit(GritScale.P, 2, 50), new Grit(GritScale.P, 3, 25));
        var result = GritLadder.Climb([coarse, half, fine], coarse, fine, 100);
        result.Rungs.Select(rung => rung.Grit).ShouldBe([coarse, half, fine]);
        result.Rungs.ShouldAllBe(rung => !rung.Wet);
        Should.Throw<ArgumentOutOfRangeException>(() => GritLadder.Climb([coarse], coarse, coarse, 0));
    }

    [Fact]
    public void A_larger_face_takes_longer() =>
        GritLadder.Minutes(G("P150"), G("P220"), 400).ShouldBeGreaterThan(GritLadder.Minutes(G("P150"), G("P220"), 100));

    private static Grit G(string label) => Grit.TryParse(label)!;

    private static IReadOnlyList<Grit> Drawer(params string[] labels) => [.. labels.Select(G)];

    private static IEnumerable<string> Labels(LadderResult result) => result.Rungs.Select(rung => rung.Grit.Label);
}
