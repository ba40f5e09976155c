using AbleMend.Core.Materials;
using AbleMend.Core.Mixing;
using CsCheck;

namespace AbleMend.Core.Tests.Mixing;

public class RatioTests
{
    private static Material Resin(string id) => Cases.Planner.Catalogue.Materials[id];

    // Arithmetic: 50 × 0.97 / 1.15 = 42.17.
    [Fact]
    public void Parts_by_volume_become_parts_by_weight_through_the_densities() =>
        Ratio.WeightPartsOfB(100, 50, 1.15, 0.97).ShouldBe(42.2, 0.05);

    // Textbook stoichiometry: 24.4 × 100 / 190.
    [Fact]
    public void Hardener_follows_from_equivalent_weights() => Ratio.HardenerPhr(24.4, 190).ShouldBe(12.8, 0.05);

    [Fact]
    public void An_over_pour_asks_for_more_of_the_other() => Ratio.OtherPart(26, 2, 1).ShouldBe(13);

    [Theory]
    [InlineData("epoxy-1to1", 0.5)]
    [InlineData("epoxy-2to1", 2.0 / 3)]
    [InlineData("epoxy-5to1", 5.0 / 6)]
    public void A_ratio_by_volume_gives_its_share(string id, double share) => Ratio.VolumeShareOfA(Resin(id)).ShouldBe(share, 1e-12);

    [Fact]
    public void A_ratio_by_weight_gives_its_share_by_weight()
    {
        var resin = Resin("epoxy-100to42");
        Ratio.MassShareOfA(resin).ShouldBe(100.0 / 142, 1e-12);
        Ratio.VolumeShareOfA(resin).ShouldBe(100 / 1.13 / ((100 / 1.13) + (42 / 0.96)), 1e-12);
    }

    // JCGM 100:2008 4.3.7 and 5.1.6: u = 0.5/√3 = 0.2887; √((0.2887/20)² + (0.2887/10)²) = 3.23 %.
    [Fact]
    public void The_error_of_a_ratio_follows_from_the_cup() => BatchMaker.RatioErrorPercent(20, 10, 0.5).ShouldBe(3.23, 0.005);

    // By counting rather than by the formula: pairs of weights, each anywhere within its step, and of pours that aim at their line.
    [Theory]
    [InlineData(20, 10, 0.5)]
    [InlineData(50, 10, 0.5)]
    [InlineData(10, 10, 0.5)]
    [InlineData(300, 10, 0.5)]
    public void Nineteen_out_of_twenty_lie_inside_the_band(double a, double b, double off)
    {
        var random = new Random(11);
        BatchMaker.WeighedBandPercent(a, b, off).ShouldBe(NineteenOfTwenty(() => (random.NextDouble() - 0.5) * 2), 0.15);
        var poured = NineteenOfTwenty(() => random.NextDouble() - random.NextDouble());
        BatchMaker.PouredBandPercent(a, b, off).ShouldBeInRange(poured - 0.1, poured * 1.05);

        double NineteenOfTwenty(Func<double> error) =>
            Enumerable.Range(0, 400_000).Select(_ => Math.Abs(((a + (off * error())) / (b + (off * error())) / (a / b)) - 1) * 100).Order().ElementAt(380_000);
    }

    // Common practice: 20 + 10 = 30 mL, and 10 + 5 = 15 mL for the sanding coat.
    [Theory]
    [InlineData(17.4, 20, 10)]
    [InlineData(30, 20, 10)]
    [InlineData(8.3, 10, 5)]
    [InlineData(15, 10, 5)]
    [InlineData(30.1, 30, 15)]
    public void A_cup_is_filled_to_its_lines(double need, double a, double b)
    {
        var batch = BatchMaker.Least(Resin("epoxy-2to1"), need, Cases.Cup);
        (batch.AMl, batch.BMl).ShouldBe((a, b));
    }

    // Common practice: why 30 mL is mixed where 12 would do: the lines of the cup are ten apart.
    [Fact]
    public void A_coarse_cup_asks_for_thirty_where_twelve_would_do()
    {
        var batch = BatchMaker.Least(Resin("epoxy-2to1"), 12, new CupDevice(10, 1, 100));
        (batch.AMl, batch.BMl).ShouldBe((20, 10));
    }

    [Fact]
    public void A_poor_cup_asks_for_more_so_that_the_ratio_holds()
    {
        var poor = BatchMaker.Least(Resin("epoxy-2to1"), 5, new CupDevice(5, 2, 200));
        poor.TotalMl.ShouldBeGreaterThan(15);
        poor.RatioBandPercent.ShouldBeLessThanOrEqualTo(10);
    }

    // Arithmetic: 2:1 from syringes of 0.1 mL, read to 0.05: 1.96·√((0.05/√6/A)² + (0.05/√6/B)²) ≤ 10 % from B = 0.45 mL on.
    [Fact]
    public void Two_syringes_measure_what_a_cup_cannot()
    {
        var batch = BatchMaker.Least(Resin("epoxy-2to1"), 4, new SyringeDevice(0.1, 20));
        (Math.Round(batch.AMl, 6), Math.Round(batch.BMl, 6)).ShouldBe((2.8, 1.4));
        var least = BatchMaker.Least(Resin("epoxy-2to1"), 0.1, new SyringeDevice(0.1, 20));
        (Math.Round(least.AMl, 6), Math.Round(least.BMl, 6)).ShouldBe((1.0, 0.5));
        BatchMaker.Least(Resin("epoxy-2to1"), 4, Cases.Cup).TotalMl.ShouldBe(15, 1e-9);
    }

    [Fact]
    public void A_shop_with_a_coarse_cup_is_told_once_what_a_fine_scale_would_spare()
    {
        var coarse = Cases.Eps().Chosen(new AbleMend.Core.Cases.Choice("fill-glass-coat", "epoxy-5to1"));
        var told = coarse.Planned().Warnings.Where(warning => warning.Code == "coarse-measure").ToList();
        Voice.Plain.Say(told.ShouldHaveSingleItem().Text).ShouldMatch("mL are mixed where .* would do.*scale of 0.1 g");
        var fine = coarse with { Tools = coarse.Tools with { Measure = new ScaleDevice(0.1) } };
        fine.Planned().Warnings.ShouldNotContain(warning => warning.Code == "coarse-measure");
    }

    // Arithmetic: strokes that differ by 5 %: 1.96·√2·5/√n ≤ 10 % from n = 1.92, so two; and 40 mL of 5 + 2.5 a stroke take six.
    [Fact]
    public void Pumps_give_whole_strokes_and_enough_of_them()
    {
        var pump = new PumpDevice(5, 5);
        var few = BatchMaker.Least(Resin("epoxy-2to1"), 1, pump);
        (few.AMl, Math.Round(few.BMl, 9)).ShouldBe((10, 5));
        BatchMaker.Least(Resin("epoxy-2to1"), 40, pump).TotalMl.ShouldBe(45, 1e-9);
        var plan = Cases.FinBox() with { Tools = new AbleMend.Core.Cases.Tools(pump, ["P60", "P150", "P220", "P320", "P400"]) };
        plan.Planned().Step("glass-mix").Instruction.ToString().ShouldContain("strokes of each pump");
        plan.Planned().Figure("glass.strokes").Value.ShouldBe(plan.Planned().Figure("glass.part-a").Value / 5, 1e-9);
    }

    [Fact]
    public void On_a_scale_both_parts_stand_on_its_steps()
    {
        var batch = BatchMaker.Least(Resin("epoxy-2to1"), 18, new ScaleDevice(1));
        batch.AG.ShouldBe(Math.Round(batch.AG), 1e-9);
        batch.BG.ShouldBe(Math.Round(batch.BG), 1e-9);
    }

    [Fact]
    public void Every_batch_covers_its_need_and_holds_its_ratio() =>
        Gen.Select(Gen.Int[0, 3].Select(i => new[] { "epoxy-1to1", "epoxy-2to1", "epoxy-5to1", "epoxy-100to42" }[i]), Gen.Double[0.5, 400], Gen.Double[0.01, 2], Gen.Bool)
            .Sample((id, need, step, scale) =>
            {
                var resin = Resin(id);
                MeasuringDevice device = scale ? new ScaleDevice(step) : new CupDevice(step * 5, step * 0.4, 1000);
                var batch = BatchMaker.Least(resin, need, device);
                var wanted = Ratio.VolumeShareOfA(resin);
                return batch.TotalMl >= need * 0.97
                    && batch.RatioBandPercent <= resin.Ratio!.TolerancePercent + 1e-9
                    && Math.Abs((batch.AMl / batch.BMl / (wanted / (1 - wanted))) - 1) <= resin.Ratio.TolerancePercent / 100;
            });

    [Fact]
    public void A_batch_set_by_hand_keeps_the_ratio_and_tells_its_error()
    {
        var batch = BatchMaker.OfVolume(Resin("epoxy-2to1"), 45, Cases.Cup);
        (batch.AMl, batch.BMl).ShouldBe((30, 15));
        batch.TotalG.ShouldBe((30 * Resin("epoxy-2to1").DensityAGPerMl!.Value) + (15 * Resin("epoxy-2to1").DensityBGPerMl!.Value), 1e-9);
        batch.RatioBandPercent.ShouldBe(BatchMaker.PouredBandPercent(30, 15, 0.5), 1e-9);
        Should.Throw<ArgumentOutOfRangeException>(() => BatchMaker.OfVolume(Resin("epoxy-2to1"), 0, Cases.Cup));
        Should.Throw<ArgumentOutOfRangeException>(() => BatchMaker.Least(Resin("epoxy-2to1"), 0, Cases.Cup));
    }

    // Where no small whole numbers of lines make the ratio, B stands on a line and A on the mark that the ratio asks for.
    [Fact]
    public void A_crooked_ratio_puts_the_hardener_on_a_line()
    {
        var resin = Resin("epoxy-2to1") with { Ratio = new MixRatio(RatioBasis.Volume, 2.37, 1, 10) };
        var batch = BatchMaker.Least(resin, 12, new CupDevice(5, 0.1, 100));
        batch.BMl.ShouldBe(5, 1e-9);
        batch.AMl.ShouldBe(2.37 * 5, 1e-9);
    }

    // A ratio of thirds needs three lines of the hardener: 7 to 3 is 35 and 15 on lines of 5 mL.
    [Fact]
    public void A_ratio_of_thirds_stands_on_its_lines()
    {
        var resin = Resin("epoxy-2to1") with { Ratio = new MixRatio(RatioBasis.Volume, 7, 3, 10) };
        var batch = BatchMaker.Least(resin, 20, new CupDevice(5, 0.1, 100));
        (batch.AMl, batch.BMl).ShouldBe((35, 15));
        var quarters = BatchMaker.Least(resin with { Ratio = new MixRatio(RatioBasis.Volume, 9, 4, 10) }, 20, new CupDevice(5, 0.1, 100));
        (quarters.AMl, quarters.BMl).ShouldBe((45, 20));
    }

    // The least on a scale, worked by hand: 2 : 1 by weight in steps of 1 g, each to 0.5 g: 12 and 6 g are off by 4.17 and 8.33 %, together
    // by 12.5 − √(0.2·4.17·8.33) = 9.9 % at most, nineteen times of twenty; 10 and 5 g by 15 − √(0.2·5·10) = 11.8 %.
    [Fact]
    public void A_scale_takes_the_fewest_steps_that_hold_the_ratio()
    {
        var resin = Resin("epoxy-2to1") with { Ratio = new MixRatio(RatioBasis.Weight, 2, 1, 10) };
        var batch = BatchMaker.Least(resin, 0.1, new ScaleDevice(1));
        (batch.AG, batch.BG).ShouldBe((12, 6), "a scale's step is off by half of it");
        var finer = BatchMaker.Least(resin, 0.1, new ScaleDevice(0.1));
        finer.AG.ShouldBe(1.2, 1e-9);
        finer.BG.ShouldBe(0.6, 1e-9);
    }

    // Gel coat at 2 %: common practice. 50 g take 1 g.
    [Fact]
    public void Catalyst_at_the_labels_temperature_is_the_labels_dose()
    {
        var amount = Catalyst.For(new CatalystDose(2, 1, 3, 0.025, 1.15), 50, 20, 20);
        amount.MassG.ShouldBe(1, 1e-9);
        amount.Drops.ShouldBe(40);
        amount.Held.ShouldBeFalse();
    }

    [Fact]
    public void Catalyst_is_measured_by_weight_by_volume_or_in_whole_drops()
    {
        var amount = Catalyst.For(new CatalystDose(2, 1, 3, 0.025, 1.25), 50, 20, 20);
        amount.VolumeMl.ShouldBe(0.8, 1e-9);
        Catalyst.For(new CatalystDose(2, 1, 3, 0.025, 1.25), 0.1, 20, 20).Drops.ShouldBe(1, "half a drop cannot be had");
        Should.Throw<ArgumentOutOfRangeException>(() => Catalyst.For(new CatalystDose(2, 1, 3, 0.025, 1.25), 0, 20, 20));
    }

    // 2 : 1 by volume at 1.2 and 0.9 g/mL is 2.4 : 0.9 by weight; 26 of A in 3 : 2 asks for 17.33 of B. Worked by hand.
    [Fact]
    public void Shares_and_over_pours_follow_from_parts_and_densities()
    {
        var resin = Resin("epoxy-2to1") with { Ratio = new MixRatio(RatioBasis.Volume, 2, 1, 10), DensityAGPerMl = 1.2, DensityBGPerMl = 0.9 };
        Ratio.MassShareOfA(resin).ShouldBe(2.4 / 3.3, 1e-12);
        Ratio.MassShareOfA(resin with { Ratio = new MixRatio(RatioBasis.Weight, 100, 42, 10) }).ShouldBe(100 / 142.0, 1e-12);
        Ratio.VolumeShareOfA(resin with { Ratio = new MixRatio(RatioBasis.Weight, 3, 2, 10) }).ShouldBe(2.5 / (2.5 + (2 / 0.9)), 1e-12);
        Ratio.OtherPart(26, 3, 2).ShouldBe(26 * 2 / 3.0, 1e-12);
    }

    [Theory]
    [InlineData(12, 2.5, false)]
    [InlineData(2, 2.5, true)]
    [InlineData(40, 1, true)]
    public void Catalyst_rises_in_the_cold_inside_its_band(double bench, double percent, bool held)
    {
        var amount = Catalyst.For(new CatalystDose(2, 1, 2.5, 0.025, 1.15), 100, bench, 20);
        amount.Percent.ShouldBe(percent, 1e-9);
        amount.Held.ShouldBe(held);
    }
}
