using AbleMend.Core.Cases;
using AbleMend.Core.Gear;

namespace AbleMend.Core.Tests.Plans;

/// <summary>An answer says what would have to change: warm it, buy something, choose another, or who to send it to.</summary>
public class NoDeadEndTests
{
    public static TheoryData<string> EveryConstruction => [.. Cases.Planner.Catalogue.ConstructionList.Select(construction => construction.Id)];

    [Theory]
    [MemberData(nameof(EveryConstruction))]
    public void Every_usual_damage_at_every_place_is_planned_or_says_what_would_have_to_change(string construction)
    {
        var built = Cases.Planner.Catalogue.Constructions[construction];
        foreach (var (usual, place) in built.Damages.SelectMany(usual => built.Locations.Select(place => (usual, place))))
        {
            foreach (var benchC in new[] { 3.0, 12, 20, 36 })
            {
                var asked = Cases.Usual(built, usual).AtBench(bench => bench with { TemperatureC = benchC })
                    .Damaged(damage => damage with { Location = place.Id, DepthMm = Math.Min(damage.DepthMm, built.ThicknessMmAt(place)) });
                foreach (var problem in Cases.Planner.Plan(asked).Problems)
                {
                    var (what, remedy) = (Voice.Plain.Say(problem.Message), Voice.Plain.Say(problem.Remedy));
                    $"{what} {remedy}".ShouldNotContain("nothing fits as it stands", Case.Insensitive);
                    problem.Code.ShouldBeOneOf("system-vetoed", "no-way-known", "no-fin-box");
                    remedy.ShouldMatch("^(Bring the bench to|Buy fresh|Warm the bench|Damp the air|Look again at place|Nothing known here bonds to it. Send it to|Choose the fin box)", $"{usual.Kind} at {place.Id}, {benchC} °C");
                }
            }
        }
    }

    [Fact]
    public void The_temperature_that_is_named_is_one_at_which_it_is_planned()
    {
        var cold = Cases.Usual("csm-boat", DamageKind.Puncture).AtBench(bench => bench with { TemperatureC = 6 });
        Voice.Plain.Say(Cases.Planner.Plan(cold).Problems.Single().Remedy).ShouldStartWith("Bring the bench to 15 °C");
        cold.AtBench(bench => bench with { TemperatureC = 15 }).Planned().System.ShouldNotBeNull();
    }

    [Fact]
    public void What_is_past_its_date_is_bought_fresh()
    {
        var old = Cases.Usual("csm-boat", DamageKind.Puncture);
        var tins = Cases.Planner.Catalogue.MaterialList.Where(material => material.Holds).Select(material => new OnShelf(material.Id, new DateOnly(2019, 1, 1))).ToList();
        Voice.Plain.Say(Cases.Planner.Plan(old with { Shelf = tins }).Problems.Single().Remedy).ShouldStartWith("Buy fresh");
    }

    [Fact]
    public void A_material_that_was_chosen_and_is_ruled_out_is_answered_with_one_that_is_not() =>
        Voice.Plain.Say(Cases.Planner.Plan(Cases.Eps().Choosing("fill-glass-coat", "polyester-laminating")).Problems.Single().Remedy).ShouldContain("such as");
}
