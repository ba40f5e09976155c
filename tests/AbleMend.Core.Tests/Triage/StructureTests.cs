using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Triage;

namespace AbleMend.Core.Tests.Triage;

/// <summary>How much of what carries is gone decides. The limits are from memory; that a worse damage is never judged more mildly is common sense.</summary>
public class StructureTests
{
    public static TheoryData<string, DamageKind, string> EveryPlace =>
    [
        .. Cases.Planner.Catalogue.ConstructionList.SelectMany(construction => construction.Damages.Select(usual => usual.Kind).Distinct()
            .SelectMany(kind => construction.Locations.Select(place => (construction.Id, kind, place.Id)))),
    ];

    [Theory]
    [InlineData("bow-limb", DamageKind.Splinter, 50, Decision.Mend)]
    [InlineData("bow-limb", DamageKind.Splinter, 51, Decision.Refuse)]
    [InlineData("drop-stitch-board", DamageKind.Tear, 50, Decision.Mend)]
    [InlineData("drop-stitch-board", DamageKind.Tear, 51, Decision.Refer)]
    [InlineData("tpu-packraft", DamageKind.Tear, 120, Decision.Mend)]
    [InlineData("aluminium-canoe", DamageKind.Crack, 150, Decision.Mend)]
    [InlineData("aluminium-canoe", DamageKind.Crack, 151, Decision.Refer)]
    [InlineData("rotomoulded-kayak", DamageKind.Crack, 251, Decision.Refer)]
    public void A_long_one_is_not_mended_here(string construction, DamageKind kind, double lengthMm, Decision decision) =>
        Judged(Cases.Usual(construction, kind).Damaged(damage => damage with { Shape = new CrackShape(lengthMm, 2) })).ShouldBe(decision);

    [Fact]
    public void The_same_tear_in_a_floor_is_mended_and_in_a_tube_under_pressure_is_not()
    {
        var tear = Cases.Usual("csm-boat", DamageKind.Tear).Damaged(damage => damage with { Shape = new CrackShape(120, 2) });
        Judged(tear.Damaged(damage => damage with { Location = "floor" })).ShouldBe(Decision.Mend);
        Judged(tear.Damaged(damage => damage with { Location = "tube" })).ShouldBe(Decision.Refer);
    }

    [Theory]
    [InlineData(0.12, Decision.Mend)]
    [InlineData(0.14, Decision.Refer)]
    [InlineData(1.0, Decision.Refer)]
    public void A_gouge_into_the_wall_of_a_stanchion_is_referred(double depthMm, Decision decision) =>
        Judged(Cases.Usual("fork-stanchion", DamageKind.Scratch).Damaged(damage => damage with { DepthMm = depthMm, Shape = new CrackShape(9, 0.4) })).ShouldBe(decision);

    [Theory]
    [InlineData("skate-deck", DamageKind.Parted)]
    [InlineData("ski", DamageKind.Parted)]
    [InlineData("gel-coated-foil", DamageKind.Scratch)]
    [InlineData("gel-coat-hull", DamageKind.Crack)]
    [InlineData("pu-polyester-board", DamageKind.Hole)]
    public void What_carries_a_rider_and_is_broken_across_is_not_mended_here(string construction, DamageKind kind) =>
        Judged(Cases.Usual(construction, kind).Damaged(damage => damage with { AcrossWholeWidth = true, DepthMm = Math.Max(damage.DepthMm, 4) })).ShouldBeOneOf(Decision.Refer, Decision.Retire, Decision.Refuse);

    [Theory]
    [MemberData(nameof(EveryPlace))]
    public void A_longer_or_deeper_one_is_never_judged_more_mildly(string construction, DamageKind kind, string place)
    {
        var built = Cases.Planner.Catalogue.Constructions[construction];
        var thickness = built.ThicknessMmAt(built.Locations.Single(each => each.Id == place));
        var asked = Cases.Usual(construction, kind).Damaged(damage => damage with { Location = place });
        double[] lengths = [3, 20, 49, 60, 110, 160, 260, 320, 600];
        double[] shares = [0.02, 0.1, 0.3, 0.6, 1];
        var judged = shares.Select(share => lengths.Select(length => Judged(asked.Damaged(damage => damage with { Shape = new OvalShape(length, 3), DepthMm = Math.Round(share * thickness, 6) }))).ToList()).ToList();
        for (var deep = 0; deep < shares.Length; deep++)
        {
            for (var far = 0; far < lengths.Length; far++)
            {
                var where = $"{lengths[far]} mm long, {shares[deep]:P0} deep";
                (far == 0 || judged[deep][far] >= judged[deep][far - 1]).ShouldBeTrue($"{where}: milder than a shorter one");
                (deep == 0 || judged[deep][far] >= judged[deep - 1][far]).ShouldBeTrue($"{where}: milder than a shallower one");
            }
        }
    }

    private static Decision Judged(RepairCase repairCase) => TriageDesk.Judge(new CaseView(repairCase, Cases.Planner.Catalogue)).Decision;
}
