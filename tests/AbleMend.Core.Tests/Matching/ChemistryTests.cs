using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Matching;
using AbleMend.Core.Materials;

namespace AbleMend.Core.Tests.Matching;

/// <summary>Each veto of chemistry with a case that tries to get round it. Common practice, no source.</summary>
public class ChemistryTests
{
    public static TheoryData<string, DamageKind, string, string, string> TriedAnyway => new()
    {
        // construction, damage, method, material, rule that speaks
        { "soft-board-eps", DamageKind.Slice, "uv-slice-fill", "uv-polyester", "styrene-dissolves-polystyrene" },
        { "eps-epoxy-board", DamageKind.Hole, "fill-glass-coat", "polyester-laminating", "styrene-dissolves-polystyrene" },
        { "sandwich-board", DamageKind.Ding, "fill-glass-coat", "polyester-laminating", "styrene-dissolves-polystyrene" },
        { "eps-epoxy-board", DamageKind.WaterInside, "dry-by-weight", "polyester-laminating", "styrene-dissolves-polystyrene" },
        { "soft-board-pe", DamageKind.Slice, "uv-slice-fill", "uv-polyester", "polyethylene-hardly-glues" },
        { "ski", DamageKind.CoreShot, "base-weld", "base-filler", "must-bond-every-layer" },
        { "rotomoulded-kayak", DamageKind.Crack, "polyethylene-weld", "base-weld", "must-bond-every-layer" },
        { "tent-silicone", DamageKind.Tear, "cloth-tear", "urethane-sealant", "silicone-takes-silicone" },
        { "tent-silicone", DamageKind.Tear, "cloth-tear", "repair-cloth", "silicone-takes-silicone" },
        { "tent-polyurethane", DamageKind.Tear, "cloth-tear", "silicone-adhesive", "must-bond-every-layer" },
        { "drop-stitch-board", DamageKind.Puncture, "cement-patch", "cement-neoprene", "pvc-takes-vinyl-or-urethane-cement" },
        { "drop-stitch-board", DamageKind.Puncture, "cement-patch", "cement-csm-two-part", "pvc-takes-vinyl-or-urethane-cement" },
        { "csm-boat", DamageKind.Puncture, "cement-patch", "cement-vinyl", "csm-takes-rubber-cement" },
        { "csm-boat", DamageKind.Puncture, "cement-patch", "cement-polyurethane-two-part", "csm-takes-rubber-cement" },
        { "tpu-packraft", DamageKind.Tear, "cement-patch", "cement-vinyl", "tpu-takes-urethane" },
        { "tpu-packraft", DamageKind.Tear, "cement-patch", "cement-neoprene", "tpu-takes-urethane" },
    };

    [Theory]
    [MemberData(nameof(TriedAnyway))]
    public void What_would_harm_or_let_go_is_refused_by_name_whoever_asks(string construction, DamageKind kind, string method, string material, string rule)
    {
        var refused = Cases.Usual(construction, kind).Choosing(method, material).Refused().Single();
        refused.Code.ShouldBe("system-vetoed");
        refused.Field.ShouldBe("damages[0].choice.material");
        var candidate = Cases.Usual(construction, kind).Planned().Candidates.Single(each => each.Method == method && each.Material == material);
        candidate.Vetoed.ShouldBeTrue();
        candidate.Findings.ShouldContain(finding => finding.Rule == rule && finding.Weight == Weight.Veto);
    }

    [Theory]
    [MemberData(nameof(TriedAnyway))]
    public void A_product_of_the_shops_own_of_the_same_chemistry_does_not_get_round_it(string construction, DamageKind kind, string method, string material, string rule)
    {
        var mine = Cases.Planner.Catalogue.Materials[material] with { Id = "own-wonder-stuff", Name = "Wonder stuff" };
        var tried = (Cases.Usual(construction, kind) with { Products = [mine] }).Chosen(new Choice(method, "own-wonder-stuff"));
        tried.Refused().Single().Code.ShouldBe("system-vetoed");
        tried.Chosen(null).Planned().Candidates.Single(each => each.Method == method && each.Material == mine.Id).Findings.ShouldContain(finding => finding.Rule == rule);
    }

    [Fact]
    public void Contact_cement_is_kept_off_whatever_holds_air()
    {
        var rule = Cases.Planner.Catalogue.Rules.OfType<NotAtRule>().Single();
        bool Speaks(DamageKind kind)
        {
            var view = new CaseView(Cases.Usual("pvc-boat", kind), Cases.Planner.Catalogue);
            var system = new SystemUnderTest(Core.Methods.AllMethods.List[0], Cases.Planner.Catalogue.Materials["cement-fuel-resistant"], view, view.Reach.Touched, null);
            return rule.Look(system).Any(finding => finding.Weight == Weight.Veto);
        }

        Speaks(DamageKind.Puncture).ShouldBeTrue();
        Speaks(DamageKind.StripLifted).ShouldBeFalse();
        Cases.Usual("pvc-boat", DamageKind.StripLifted).Planned().Candidates.ShouldContain(each => each.Material == "cement-fuel-resistant" && !each.Vetoed);
        Cases.Usual("pvc-boat", DamageKind.Puncture).Choosing("strip-rebond", "cement-fuel-resistant").Refused().Single().Code.ShouldBe("system-does-not-fit");
    }

    [Fact]
    public void No_plan_of_any_construction_ever_wipes_a_layer_with_what_attacks_it()
    {
        foreach (var construction in Cases.Planner.Catalogue.ConstructionList)
        {
            foreach (var usual in construction.Damages)
            {
                var view = new CaseView(Cases.Usual(construction, usual), Cases.Planner.Catalogue);
                var cleaner = view.Cleaner;
                cleaner.Role.ShouldBe(Role.Cleaner);
                Cases.Planner.Catalogue.Rules.OfType<AttacksRule>().ShouldAllBe(rule => rule.Harms(cleaner, view.Reach.Touched, view.Reach) == null);
            }
        }
    }

    // Common practice: isopropanol for textiles, neoprene, leather, rubber; acetone, MEK or alcohol for PVC by school; acetone attacks ABS.
    [Theory]
    [InlineData("neoprene-wader", DamageKind.Tear, "isopropanol")]
    [InlineData("tent-polyurethane", DamageKind.Tear, "isopropanol")]
    [InlineData("boot-leather", DamageKind.SoleParted, "isopropanol")]
    [InlineData("drop-stitch-board", DamageKind.Puncture, "acetone")]
    [InlineData("vinyl-inflatable", DamageKind.Puncture, "isopropanol")]
    [InlineData("eps-epoxy-board", DamageKind.Ding, "isopropanol")]
    [InlineData("pu-polyester-board", DamageKind.Ding, "acetone")]
    public void The_cleaner_suits_the_outer_layer(string construction, DamageKind kind, string cleaner) =>
        Cases.Usual(construction, kind).Planned().System!.Cleaner.ShouldBe(cleaner);

    [Theory]
    [InlineData("acetone")]
    [InlineData("mek")]
    [InlineData("isopropanol")]
    public void On_PVC_the_technicians_own_cleaner_is_taken(string cleaner) =>
        Cases.Usual("drop-stitch-board", DamageKind.Puncture).OfSchool("pvc-cleaner", cleaner).Planned().System!.Cleaner.ShouldBe(cleaner);

    [Fact]
    public void A_rigid_bond_on_what_stretches_is_refused_and_on_what_bends_is_told()
    {
        var rule = Cases.Planner.Catalogue.Rules.OfType<MovesWithRule>().Single();
        Finding? Says(string construction, DamageKind kind, string material)
        {
            var view = new CaseView(Cases.Usual(construction, kind), Cases.Planner.Catalogue);
            var system = new SystemUnderTest(Core.Methods.AllMethods.List[0], Cases.Planner.Catalogue.Materials[material], view, view.Reach.Touched, null);
            return rule.Look(system).SingleOrDefault();
        }

        Says("neoprene-wader", DamageKind.Tear, "epoxy-2to1")!.Weight.ShouldBe(Weight.Veto);
        Says("ski", DamageKind.Scratch, "epoxy-2to1")!.Weight.ShouldBe(Weight.Caution);
        Says("neoprene-wader", DamageKind.Tear, "cement-neoprene").ShouldBeNull();
        Says("pu-polyester-board", DamageKind.Ding, "epoxy-2to1").ShouldBeNull();
    }

    [Theory]
    [InlineData(45, false)]
    [InlineData(46, true)]
    public void Hot_melt_is_told_where_the_place_gets_hotter_than_it_stands(double hottestC, bool told) =>
        Cases.Usual("soft-board-pe", DamageKind.Slice).Wanting(wanted => wanted with { HottestInUseC = hottestC }).Planned()
            .Candidates.Single(each => each.Method == "hot-melt-slice" && each.Material == "hot-melt").Findings.Any(finding => finding.Rule == "stands-the-heat").ShouldBe(told);

    [Fact]
    public void A_tool_that_is_not_at_hand_is_named_as_something_to_get()
    {
        var plan = (Cases.Usual("ski", DamageKind.CoreShot) with { Tools = new Tools(Cases.Cup, ["P80", "P220"], ["scraper", "clamps"]) }).Planned();
        plan.Candidates.First(each => each.Method == "base-weld").Findings.ShouldContain(finding => finding.Weight == Weight.ToBuy && finding.Reason.ToString().Contains("base-gun"));
    }
}
