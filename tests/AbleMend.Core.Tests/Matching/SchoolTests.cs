using AbleMend.Core.Cases;
using AbleMend.Core.Gear;

namespace AbleMend.Core.Tests.Matching;

/// <summary>Where practitioners disagree both answers can be had, and the default carries its reason.</summary>
public class SchoolTests
{
    /// <summary>A damage at which each question is asked.</summary>
    private static readonly Dictionary<string, (string Construction, DamageKind Kind)> WhereAsked = new()
    {
        ["pvc-patch"] = ("drop-stitch-board", DamageKind.Puncture),
        ["seam-leak"] = ("drop-stitch-board", DamageKind.SeamOpen),
        ["pvc-cleaner"] = ("drop-stitch-board", DamageKind.Puncture),
        ["soft-board"] = ("soft-board-pe", DamageKind.Slice),
        ["ding"] = ("pu-polyester-board", DamageKind.Ding),
        ["uv-resin"] = ("pu-polyester-board", DamageKind.Crack),
        ["patch-order"] = ("pu-polyester-board", DamageKind.Hole),
        ["gel-coat-surface"] = ("gel-coated-foil", DamageKind.Scratch),
        ["drain-hole"] = ("carbon-paddle", DamageKind.WaterInside),
        ["neoprene-patch"] = ("neoprene-wader", DamageKind.Tear),
        ["fill-thickness"] = ("ski", DamageKind.Scratch),
        ["deep-hole"] = ("eps-epoxy-board", DamageKind.Hole),
        ["dry-finish"] = ("pu-polyester-board", DamageKind.Hole),
        ["base-finish"] = ("ski", DamageKind.CoreShot),
    };

    public static TheoryData<string, string, string, DamageKind> Answers
    {
        get
        {
            var all = new TheoryData<string, string, string, DamageKind>();
            foreach (var school in Cases.Planner.Catalogue.SchoolList)
            {
                foreach (var option in school.Options)
                {
                    all.Add(school.Id, option.Id, WhereAsked[school.Id].Construction, WhereAsked[school.Id].Kind);
                }
            }

            return all;
        }
    }

    [Theory]
    [MemberData(nameof(Answers))]
    public void Every_answer_can_be_chosen_and_is_what_the_plan_takes(string question, string answer, string construction, DamageKind kind) =>
        Asked(construction, kind).OfSchool(question, answer).Planned().Schools.Single(taken => taken.Id == question).Option.ShouldBe(answer);

    [Theory]
    [MemberData(nameof(Answers))]
    public void Left_open_the_default_is_taken_with_its_reason(string question, string answer, string construction, DamageKind kind)
    {
        var taken = Asked(construction, kind).Planned().Schools.Single(each => each.Id == question);
        var school = Cases.Planner.Catalogue.Schools[question];
        taken.Option.ShouldBe(school.Default);
        taken.Why.ShouldBe(Message.Parse(school.Why));
        school.Why.ToString().Length.ShouldBeGreaterThan(20);
        school.Options.ShouldContain(option => option.Id == answer);
    }

    [Fact]
    public void The_answers_make_different_plans()
    {
        static string Sheet(string construction, DamageKind kind, string question, string answer)
        {
            var plan = Asked(construction, kind).OfSchool(question, answer).Planned();
            return string.Join('\n', plan.Steps.Select(step => $"{step.Title} {step.Instruction} {step.Timing.Wait?.OpensMin}")) + string.Join(',', plan.Figures.Select(figure => figure.Value)) + plan.System!.Material;
        }

        foreach (var school in Cases.Planner.Catalogue.SchoolList)
        {
            var (construction, kind) = WhereAsked[school.Id];
            school.Options.Select(option => Sheet(construction, kind, school.Id, option.Id)).Distinct().Count().ShouldBe(school.Options.Count, school.Id);
        }
    }

    [Fact]
    public void A_school_that_nothing_here_belongs_to_binds_nothing() =>
        Cases.Usual("ski", DamageKind.Scratch).OfSchool("pvc-patch", "one-part").Planned().System!.Method.ShouldBe("base-fill");

    /// <summary>The usual case; a crack in a board is taken to the light-cured resin that a catalyst may go into, and a hole in polystyrene is deep.</summary>
    private static RepairCase Asked(string construction, DamageKind kind) =>
        construction == "pu-polyester-board" && kind == DamageKind.Crack
            ? Cases.Usual(construction, kind).Choosing("uv-under-film", "uv-polyester")
            : construction == "eps-epoxy-board" && kind == DamageKind.Hole
            ? Cases.Usual(construction, kind).Damaged(damage => damage with { Shape = new OvalShape(120, 80), DepthMm = 30 })
            : Cases.Usual(construction, kind);
}
