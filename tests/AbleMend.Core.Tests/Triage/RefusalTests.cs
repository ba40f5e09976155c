using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Triage;

namespace AbleMend.Core.Tests.Triage;

/// <summary>Where to stop: common practice, no source. Nothing that is refused can be planned round.</summary>
public class RefusalTests
{
    public static TheoryData<string> HoldsALife =>
        [.. Cases.Planner.Catalogue.ConstructionList.Where(construction => construction.Family == GearFamily.HoldsALife).Select(construction => construction.Id)];

    [Theory]
    [MemberData(nameof(HoldsALife))]
    public void What_holds_a_life_is_refused_whatever_is_asked(string construction)
    {
        var asked = Cases.Usual(construction, DamageKind.Tear);
        foreach (var tried in new[] { asked, asked.Choosing("cloth-tear", "urethane-sealant"), asked.Wanting(wanted => wanted with { Permanence = Permanence.ForNow }) })
        {
            var plan = tried.Planned();
            plan.Verdict.Decision.ShouldBe(Decision.Refuse);
            (plan.System, plan.Steps.Count).ShouldBe((null, 0));
        }
    }

    [Theory]
    [MemberData(nameof(HoldsALife))]
    public void What_holds_a_life_is_refused_whatever_is_said_of_the_damage(string construction)
    {
        var asked = Cases.Usual(construction, DamageKind.Tear);
        foreach (var kind in Enum.GetValues<DamageKind>())
        {
            asked.Damaged(damage => damage with { Kind = kind }).Planned().Verdict.Decision.ShouldBe(Decision.Refuse, kind.ToString());
        }

        // Nor does a slip in the rest of the case hide the refusal.
        asked.Damaged(damage => damage with { DepthMm = 900, Location = "nowhere", Shape = new RoundShape(-1) }).Planned().Verdict.Decision.ShouldBe(Decision.Refuse);
        asked.Damaged(damage => damage with { DepthMm = double.NaN }).Planned().Verdict.Decision.ShouldBe(Decision.Refuse);
    }

    [Theory]
    [InlineData("pocket")]
    [InlineData("tip")]
    [InlineData("face")]
    public void A_bow_limb_is_refused_everywhere_but_at_its_corner_bead(string place) =>
        Cases.Usual("bow-limb", DamageKind.Splinter).Damaged(damage => damage with { Location = place }).Planned().Verdict.Decision.ShouldBe(Decision.Refuse);

    [Theory]
    [InlineData(1.4, false, Decision.Mend)]
    [InlineData(1.41, false, Decision.Refuse)]
    [InlineData(0.6, true, Decision.Refuse)]
    public void A_splinter_into_the_core_or_across_is_refused(double depthMm, bool across, Decision decision) =>
        TriageDesk.Judge(new CaseView(Cases.Usual("bow-limb", DamageKind.Splinter).Damaged(damage => damage with { DepthMm = depthMm, AcrossWholeWidth = across }), Cases.Planner.Catalogue))
            .Decision.ShouldBe(decision);

    [Theory]
    [InlineData(DamageKind.Bent)]
    [InlineData(DamageKind.Crack)]
    public void Bent_or_cracked_structural_metal_is_refused(DamageKind kind) =>
        Cases.Usual("fork-stanchion", kind).Planned().Verdict.Decision.ShouldBe(Decision.Refuse);

    [Fact]
    public void A_bent_tent_pole_is_not_structural_and_is_splinted() =>
        Cases.Usual("pole-aluminium", DamageKind.Bent).Planned().System!.Method.ShouldBe("pole-splint");

    [Fact]
    public void A_stanchion_whose_edge_still_catches_or_that_is_worn_bare_is_referred()
    {
        Cases.Usual("fork-stanchion", DamageKind.Scratch).Damaged(damage => damage with { EdgeCatches = true }).Planned().Verdict.Decision.ShouldBe(Decision.Refer);
        Cases.Usual("fork-stanchion", DamageKind.Scratch).Damaged(damage => damage with { Shape = new OvalShape(40, 3) }).Planned().Verdict.Decision.ShouldBe(Decision.Refer);
        Cases.Usual("fork-stanchion", DamageKind.Scratch).Damaged(damage => damage with { EdgeCatches = false }).Planned().Verdict.Decision.ShouldBe(Decision.Mend);
    }

    [Fact]
    public void A_midsole_that_crumbles_is_retired() => Cases.Usual("boot-pu-midsole", DamageKind.Crumbled).Planned().Verdict.Decision.ShouldBe(Decision.Retire);

    [Theory]
    [InlineData(5, Decision.Mend)]
    [InlineData(6, Decision.Retire)]
    public void Cracks_scattered_over_a_brittle_hull_retire_it(int others, Decision decision)
    {
        var neighbours = Enumerable.Range(1, others).Select(i => new Neighbour(new CrackShape(20, 1), new PointMm(i * 80, 30))).ToList();
        Cases.Usual("aluminium-canoe", DamageKind.Crack).Damaged(damage => damage with { Shape = new CrackShape(20, 1), Neighbours = neighbours }).Planned().Verdict.Decision.ShouldBe(decision);
    }

    [Fact]
    public void A_leak_that_is_not_found_yet_begins_with_finding_it()
    {
        var plan = Cases.Usual("breathable-wader", DamageKind.Pinholes).Damaged(damage => damage with { Located = false }).Planned();
        plan.Verdict.Reasons.ShouldContain(reason => reason.Code == "find-first");
        plan.Steps[0].Id.ShouldBe("find");
        plan.Steps[0].Instruction.ToString().ShouldContain("dark spot");
    }

    [Fact]
    public void What_is_retired_is_not_asked_to_have_its_mate_done_in_the_same_way() =>
        Cases.Usual("boot-pu-midsole", DamageKind.Crumbled).Planned().Verdict.Reasons.Select(reason => reason.Code).ShouldBe(["hydrolysis"]);

    [Fact]
    public void One_of_a_pair_asks_for_its_mate() => Cases.Usual("ski", DamageKind.Scratch).Planned().Verdict.Reasons.ShouldContain(reason => reason.Code == "mate");
}
