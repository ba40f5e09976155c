using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Matching;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using CsCheck;

namespace AbleMend.Core.Tests.Matching;

public class MatchingTests
{
    private static readonly IReadOnlyList<Material> Polyesters =
        [.. Cases.Planner.Catalogue.MaterialList.Where(material => material.Chemistry == "polyester")];

    // Common practice: styrene dissolves polystyrene foam; the veto names the layer that it protects.
    [Fact]
    public void Polyester_is_kept_off_EPS_and_the_core_is_named()
    {
        var candidates = Cases.Eps().Planned().Candidates.Where(candidate => Polyesters.Any(resin => resin.Id == candidate.Material)).ToList();
        candidates.ShouldNotBeEmpty();
        candidates.ShouldAllBe(candidate => candidate.Vetoed && candidate.Findings.Any(finding => finding.Rule == "styrene-dissolves-polystyrene" && finding.Layer == "core"));
    }

    [Fact]
    public void A_scratch_in_the_coat_of_an_EPS_board_still_takes_no_polyester() =>
        Cases.Eps(depthMm: 0.1).Planned().Candidates.Where(candidate => !candidate.Vetoed).ShouldAllBe(candidate => Polyesters.All(resin => resin.Id != candidate.Material));

    [Theory]
    [InlineData("uv-polyester", "fill-glass-coat")]
    [InlineData("uv-polyester", "uv-under-film")]
    [InlineData("uv-polyester", null)]
    [InlineData("polyester-laminating", "fill-glass-coat")]
    public void Choosing_polyester_for_EPS_is_refused_with_the_layer(string resin, string? method)
    {
        var problem = Cases.Eps().Choosing(method, resin).Refused().Single();
        problem.Code.ShouldBe("system-vetoed");
        problem.Field.ShouldBe("damages[0].choice.material");
        problem.Message.ToString().ShouldContain("EPS foam core");
    }

    // Whatever the damage, the place, the wishes and the choice: no plan for an EPS board ever carries polyester.
    [Fact]
    public void EPS_never_receives_polyester_by_any_path() =>
        Gen.Select(
                Gen.Int[0, 4], Gen.Double[0.05, 30], Gen.Int[-1, Cases.Planner.Catalogue.MaterialList.Count - 1],
                Gen.Int[-1, 1], Gen.Bool, Gen.Int[0, 4], Gen.Double[-5, 40])
            .Sample((place, depth, resin, method, forNow, light, bench) =>
            {
                var repairCase = Cases.Eps(new[] { "deck", "bottom", "rail", "nose", "tail" }[place], depth)
                    .Choosing(method < 0 ? null : AllMethods.List[method].Id, resin < 0 ? null : Cases.Planner.Catalogue.MaterialList[resin].Id)
                    .Wanting(wanted => wanted with { Permanence = forNow ? Permanence.ForNow : Permanence.Lasting })
                    .AtBench(each => each with { TemperatureC = bench, Light = (LightLevel)light });
                var plan = Cases.Planner.Plan(repairCase).Value;
                return plan?.System is null || Polyesters.All(each => each.Id != plan.System.Material);
            }, iter: 3000);

    [Fact]
    public void Acetone_is_kept_off_EPS_as_well()
    {
        Cases.Eps().Planned().System!.Cleaner.ShouldBe("isopropanol");
        Cases.DeckDing().Planned().System!.Cleaner.ShouldBe("acetone");
    }

    [Fact]
    public void Polyester_over_cured_epoxy_is_warned_of_and_allowed()
    {
        var board = Cases.DeckDing() with { Item = new ItemFacts("BRD-04", "pu-epoxy-board", 22, Warranty.None) };
        var candidate = board.Planned().Candidates.First(each => each.Material == "polyester-laminating");
        candidate.Vetoed.ShouldBeFalse();
        candidate.Findings.Select(finding => finding.Rule).ShouldContain("polyester-over-epoxy");
    }

    [Fact]
    public void An_earlier_epoxy_mend_warns_on_a_polyester_board()
    {
        var mended = Cases.DeckDing() with { Item = new ItemFacts("BRD-03", "pu-polyester-board", 27, Warranty.None, "epoxy") };
        Rules(mended, "polyester-laminating").ShouldContain("polyester-over-epoxy");
        Rules(Cases.DeckDing(), "polyester-laminating").ShouldNotContain("polyester-over-epoxy");
    }

    [Fact]
    public void Epoxy_goes_on_either() =>
        new[] { Cases.DeckDing(), Cases.Eps() }.ShouldAllBe(each => each.Planned().Damages[0].Candidates.Any(candidate => candidate.Material == "epoxy-2to1" && !candidate.Vetoed));

    // Boundary pairs at the label's own limits, 12 to 32 °C.
    [Theory]
    [InlineData(12, false)]
    [InlineData(11.9, true)]
    [InlineData(32, false)]
    [InlineData(32.1, true)]
    public void A_bench_outside_the_label_vetoes(double bench, bool vetoed) =>
        Cases.DeckDing().AtBench(each => each with { TemperatureC = bench, RelativeHumidityPercent = 40 }).Choosing(null, null)
            .Planned().Candidates.Single(each => each is { Method: "fill-glass-coat", Material: "polyester-laminating" }).Vetoed.ShouldBe(vetoed);

    [Fact]
    public void A_cold_night_is_warned_of() =>
        Rules(Cases.DeckDing().AtBench(each => each with { NightTemperatureC = 8 }), "epoxy-1to1").ShouldContain("bench-in-cure-range");

    [Fact]
    public void Damp_air_is_warned_of() =>
        Rules(Cases.DeckDing().AtBench(each => each with { RelativeHumidityPercent = 86 }), "epoxy-2to1").ShouldContain("air-dry-enough");

    [Theory]
    [InlineData("epoxy-2to1", "own-epoxy")]
    [InlineData("own-epoxy", "epoxy-2to1")]
    public void Of_two_products_of_one_label_only_the_one_that_touch_found_slow_is_ready_later(string slow, string asLabelled)
    {
        var mine = Cases.Planner.Catalogue.Materials["epoxy-2to1"] with { Id = "own-epoxy", Name = "The shop's own" };
        var candidates = (Cases.DeckDing() with { Products = [mine], Paces = [new LearntPace(slow, 0.5, 0.05, 6)] }).Planned().Candidates;
        double? Minutes(string material) => candidates.Single(each => each.Method == "fill-glass-coat" && each.Material == material).MinutesToUse;
        Minutes(asLabelled).ShouldBe(Cases.DeckDing().Planned().Candidates.Single(each => each is { Method: "fill-glass-coat", Material: "epoxy-2to1" }).MinutesToUse);
        Minutes(slow)!.Value.ShouldBeGreaterThan(Minutes(asLabelled)!.Value + 60);
    }

    [Fact]
    public void A_film_does_not_lie_flat_on_a_rail()
    {
        var rail = Cases.DeckDing().Damaged(damage => damage with { Location = "rail" });
        rail.Planned().Candidates.First(each => each.Method == "uv-under-film").Findings.Select(finding => finding.Rule).ShouldContain("film-needs-flat");
        Cases.DeckDing().Planned().Candidates.First(each => each.Method == "uv-under-film").Findings.Select(finding => finding.Rule).ShouldNotContain("film-needs-flat");
    }

    [Fact]
    public void Light_only_resin_is_out_indoors() =>
        Cases.DeckDing().AtBench(each => each with { Light = LightLevel.Indoors }).Planned()
            .Candidates.Where(each => each.Material == "uv-epoxy-safe").ShouldAllBe(each => each.Vetoed && each.MinutesToUse == null);

    [Fact]
    public void What_is_late_for_its_due_time_says_so() =>
        Rules(Cases.DeckDing().Wanting(wanted => wanted with { NeededBy = Cases.Morning.AddHours(3) }), "epoxy-2to1").ShouldContain("ready-by-due");

    [Fact]
    public void What_is_not_on_the_shelf_is_to_be_bought()
    {
        var bare = Cases.DeckDing() with { Shelf = [new OnShelf("uv-polyester")] };
        bare.Planned().Candidates.First(each => each.Material == "epoxy-2to1").Findings.ShouldContain(finding => finding.Weight == Weight.ToBuy);
    }

    // Boundary pair round the date on the tin.
    [Theory]
    [InlineData(0, false)]
    [InlineData(-1, true)]
    public void What_is_past_its_date_is_out(int days, bool vetoed)
    {
        var date = DateOnly.FromDateTime(Cases.Morning.UtcDateTime).AddDays(days);
        var shelf = Cases.DeckDing() with { Shelf = [new OnShelf("epoxy-2to1", date), new OnShelf("uv-polyester")] };
        shelf.Planned().Candidates.First(each => each.Material == "epoxy-2to1").Vetoed.ShouldBe(vetoed);
    }

    [Fact]
    public void A_second_tin_in_date_serves() =>
        (Cases.DeckDing() with { Shelf = [new OnShelf("epoxy-2to1", new DateOnly(2020, 1, 1)), new OnShelf("epoxy-2to1")] })
            .Planned().Candidates.First(each => each.Material == "epoxy-2to1").Vetoed.ShouldBeFalse();

    [Fact]
    public void The_vetoed_stay_in_sight_behind_the_others()
    {
        var candidates = Cases.Eps().Planned().Candidates;
        candidates.SkipWhile(candidate => !candidate.Vetoed).ShouldAllBe(candidate => candidate.Vetoed);
        candidates.ShouldContain(candidate => candidate.Vetoed);
    }

    [Fact]
    public void What_counts_for_the_technician_changes_the_order()
    {
        RepairPlan With(Weights weights) => Cases.DeckDing().Wanting(wanted => wanted with { Weights = weights }).Planned();
        With(new Weights(5, 0, 0, 0)).System!.Method.ShouldBe("uv-under-film");
        With(new Weights(0, 5, 0, 0)).System!.Method.ShouldBe("fill-glass-coat");
    }

    [Fact]
    public void For_now_the_quick_way_leads() =>
        Cases.DeckDing().Wanting(wanted => wanted with { Permanence = Permanence.ForNow }).Planned().System!.Method.ShouldBe("uv-under-film");

    // Six months once opened: opened on 10 January it is good until 11 July, whatever the date on the tin says later.
    [Theory]
    [InlineData("2026-01-10", null, false)]
    [InlineData("2025-09-01", null, true)]
    [InlineData("2026-01-10", "2026-03-01", true)]
    [InlineData(null, "2027-03-01", false)]
    [InlineData(null, null, false)]
    public void An_opened_tin_has_its_own_last_day(string? opened, string? useBefore, bool vetoed)
    {
        static DateOnly? Day(string? text) => text is null ? null : DateOnly.Parse(text, System.Globalization.CultureInfo.InvariantCulture);
        var plan = (Cases.DeckDing() with { Shelf = [new OnShelf("uv-polyester", Day(useBefore), Day(opened)), new OnShelf("epoxy-2to1")] }).Planned();
        plan.Candidates.First(candidate => candidate.Material == "uv-polyester").Findings.Any(finding => finding.Rule == "in-date").ShouldBe(vetoed);
    }

    [Fact]
    public void Every_finding_says_why_and_where_from() =>
        Cases.Eps().AtBench(each => each with { RelativeHumidityPercent = 95 }).Planned().Candidates.SelectMany(candidate => candidate.Findings)
            .ShouldAllBe(finding => finding.Reason.ToString().Length > 10 && finding.Source.ToString().Length > 3);

    [Fact]
    public void When_nothing_fits_it_says_what_would() =>
        Cases.DeckDing().AtBench(each => each with { TemperatureC = 1 }).Refused().Single().Remedy.ToString().ShouldContain("bench");

    private static IEnumerable<string> Rules(RepairCase repairCase, string resin) =>
        repairCase.Planned().Candidates.First(candidate => candidate.Material == resin && candidate.Method == "fill-glass-coat").Findings.Select(finding => finding.Rule);
}
