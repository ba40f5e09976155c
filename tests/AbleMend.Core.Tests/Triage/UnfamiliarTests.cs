using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;

namespace AbleMend.Core.Tests.Triage;

/// <summary>A damage that an item is not known to have is no dead end: what it most likely is and who can judge it is said. Common practice, no source.</summary>
public class UnfamiliarTests
{
    public static TheoryData<string> EveryConstruction => [.. Cases.Planner.Catalogue.ConstructionList.Select(construction => construction.Id)];

    [Theory]
    [MemberData(nameof(EveryConstruction))]
    public void Every_kind_of_damage_at_every_place_gets_an_answer(string construction)
    {
        var built = Cases.Planner.Catalogue.Constructions[construction];
        var known = built.Damages.Select(usual => usual.Kind).ToHashSet();
        foreach (var kind in Enum.GetValues<DamageKind>().Where(kind => !known.Contains(kind)))
        {
            foreach (var place in built.Locations)
            {
                var verdict = Cases.Usual(built, built.Damages[0]).Damaged(damage => damage with { Kind = kind, Location = place.Id, Fin = null, DepthMm = Math.Min(damage.DepthMm, built.ThicknessMmAt(place)) }).Planned().Verdict;
                verdict.Decision.ShouldBeOneOf([Decision.Refer, Decision.Retire, Decision.Refuse], $"{kind} at {place.Id}");
                verdict.Reasons.ShouldContain(reason => reason.Decides);
            }
        }
    }

    [Fact]
    public void It_says_what_it_most_likely_is_and_who_judges_it()
    {
        var verdict = Cases.Usual("ski", DamageKind.Scratch).Damaged(damage => damage with { Kind = DamageKind.Crack, Location = "sidewall" }).Planned().Verdict;
        verdict.Decision.ShouldBe(Decision.Refer);
        var said = verdict.Reasons.Select(reason => Voice.Plain.Say(reason.Text)).ToList();
        said.ShouldContain(text => text.Contains("crack, on", StringComparison.Ordinal));
        said.ShouldContain(text => text.Contains("scratch", StringComparison.Ordinal) && text.Contains("pulled edge", StringComparison.Ordinal));
        said.ShouldContain(text => text.Contains("a ski workshop", StringComparison.Ordinal));
    }

    [Fact]
    public void Every_kind_has_a_name_of_its_own() =>
        Enum.GetValues<DamageKind>().Select(kind => DamageNames.Of(kind).Template).Append("damage").ShouldBeUnique();

    [Fact]
    public void What_is_known_to_break_without_a_warning_is_still_refused() =>
        Cases.Usual("gel-coated-foil", DamageKind.Chip).Damaged(damage => damage with { Kind = DamageKind.Crack, AcrossWholeWidth = true }).Planned().Verdict.Reasons[0].Code.ShouldBe("foil-carries");
}
