using AbleMend.Core.Cases;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Tests.Formats;

/// <summary>The documents beside this file were written by earlier versions of the program, and are kept as they were.</summary>
public class OldFormatsTests
{
    [Fact]
    public void A_case_of_one_damage_is_read_as_one()
    {
        var read = OpenJson.ReadCase(Document("case-1")).Value!;
        read.Format.ShouldBe(RepairCase.CurrentFormat);
        read.Damages.Single().ShouldSatisfyAllConditions(
            damage => damage.Seen.Location.ShouldBe("fin-box"),
            damage => damage.Choice!.Cloth.ShouldBe("glass-203"),
            damage => damage.Overrides.ShouldBeNull());
        read.Planned().System.Method.ShouldBe("fill-glass-coat");
    }

    [Fact]
    public void Figures_set_by_hand_go_to_the_damage_that_they_were_set_for()
    {
        var text = Document("case-1").TrimEnd().TrimEnd('}') + """, "overrides": [{ "figure": "patch.margin", "value": 35, "reason": "old cracks" }] }""";
        OpenJson.ReadCase(text).Value!.Planned().Figure("patch.margin").Value.ShouldBe(35);
    }

    [Theory]
    [InlineData("plan-1")]
    [InlineData("plan-2")]
    public void A_plan_of_an_earlier_version_is_read_with_all_that_it_says(string name)
    {
        var plan = OpenJson.ReadPlan(Document(name)).Value!;
        plan.Format.ShouldBe(RepairPlan.CurrentFormat);
        plan.Damages.Single().ShouldSatisfyAllConditions(
            damage => damage.Number.ShouldBe(1),
            damage => damage.System!.Method.ShouldBe("uv-under-film"),
            damage => damage.Verdict.Decision.ShouldBe(plan.Verdict.Decision),
            damage => damage.Drawing.Layers.Count.ShouldBeGreaterThan(1),
            damage => damage.Aftercare!.Watch.ShouldNotBeEmpty());
        plan.Steps.Count.ShouldBe(plan.Timeline.Count);
        plan.Steps.ShouldAllBe(step => step.Damage == 1);
        plan.Steps[0].Title.ToString().ShouldNotBeEmpty();
        plan.Figures.SelectMany(figure => figure.Derivation.Inputs).ShouldBeSubsetOf(plan.Figures.Select(figure => figure.Id).ToHashSet());
    }

    // Whoever reads it says what is wrong: lifting neither hides a fault nor makes one.
    [Theory]
    [InlineData("""{ "format": "able-mend/case/1" """, "broken-json")]
    [InlineData("""{ "format": "able-mend/case/1" }""", "broken-json")]
    [InlineData("""{ "format": "able-mend/case/1", "damage": 3 }""", "broken-json")]
    [InlineData("""{ "format": "able-mend/case/1", "damage": {}, "damage": {} }""", "broken-json")]
    [InlineData("""["able-mend/case/1"]""", "broken-json")]
    [InlineData("""{ "format": ["able-mend/case/1"] }""", "broken-json")]
    public void What_is_broken_stays_broken_and_is_told(string text, string code) =>
        OpenJson.ReadCase(text).Problems.Single().Code.ShouldBe(code);

    [Fact]
    public void What_is_new_comes_back_as_it_is()
    {
        const string Text = """{ "format": "able-mend/case/2" }""";
        OldFormats.Lift(Text).ShouldBeSameAs(Text);
    }

    private static string Document(string name) => File.ReadAllText(Path.Combine(Repository.Root, "tests", "AbleMend.Core.Tests", "Formats", $"{name}.json"));
}
