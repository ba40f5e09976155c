using System.Text.Json;
using AbleMend.Cli;
using AbleMend.Core.Cases;

namespace AbleMend.Core.Tests.Gallery;

/// <summary>
/// Every worked case against its whole plan as it was read and approved. A change that alters a plan shows here line by
/// line; run with <c>ABLE_MEND_APPROVE=1</c> to write the new plans, read the difference, and commit it with its reason.
/// </summary>
public partial class GalleryTests
{
    private static readonly string Examples = Path.Combine(Repository.Root, "examples");
    private static readonly string Approved = Path.Combine(Repository.Root, "tests", "AbleMend.Core.Tests", "Gallery", "Approved");

    internal static IReadOnlyList<string> Ids { get; } =
        [.. JsonDocument.Parse(File.ReadAllText(Path.Combine(Examples, "gallery.json"))).RootElement.EnumerateArray().Select(entry => entry.GetProperty("id").GetString()!)];

    /// <value>What the gallery calls its cases.</value>
    internal static IReadOnlyList<string> Titles { get; } =
        [.. JsonDocument.Parse(File.ReadAllText(Path.Combine(Examples, "gallery.json"))).RootElement.EnumerateArray().Select(entry => entry.GetProperty("title").GetString()!)];

    public static TheoryData<string> All => [.. Ids];

    /// <value>Those whose fields are checked: what holds a life is refused before anything is.</value>
    public static TheoryData<string> Checked => [.. Ids.Where(id => FamilyOf(id) != Core.Gear.GearFamily.HoldsALife)];

    /// <summary>A worked case of the gallery.</summary>
    internal static RepairCase Read(string id) => OpenJson.ReadCase(File.ReadAllText(Path.Combine(Examples, $"{id}.case.json"))).Value!;

    [Theory]
    [MemberData(nameof(All))]
    public void The_plan_is_the_one_that_was_approved(string id)
    {
        var repairCase = Read(id);
        var sheet = PlanSheet.Write(repairCase.Planned(), repairCase, systems: false).ReplaceLineEndings("\n").TrimEnd() + "\n";
        var path = Path.Combine(Approved, $"{id}.txt");
        if (Environment.GetEnvironmentVariable("ABLE_MEND_APPROVE") == "1")
        {
            Directory.CreateDirectory(Approved);
            File.WriteAllText(path, sheet);
        }

        sheet.ShouldBe(File.ReadAllText(path).ReplaceLineEndings("\n"));
    }

    [Fact]
    public void Every_case_file_is_in_the_gallery_and_every_entry_has_its_file() =>
        Directory.GetFiles(Examples, "*.case.json").Select(path => Path.GetFileName(path).Replace(".case.json", "", StringComparison.Ordinal)).Order()
            .ShouldBe(Ids.Order());

    [Fact]
    public void What_was_judged_in_the_reading_leads_to_worked_cases_that_are_there()
    {
        var judged = File.ReadAllText(Path.Combine(Repository.Root, "docs", "sources.md")).Split("## Where each danger")[1];
        var named = Named().Matches(judged).Select(match => match.Groups[1].Value).Distinct().ToList();
        named.Count.ShouldBeGreaterThan(25);
        named.Except(Ids).ShouldBeEmpty();
    }

    /// <summary>A worked case in a table's cell; a path has a slash or a capital in it.</summary>
    [System.Text.RegularExpressions.GeneratedRegex("`([a-z-]+)`")]
    private static partial System.Text.RegularExpressions.Regex Named();

    // A tag is one item of the fleet: worked cases that share one would open as the same item, made of two things.
    [Fact]
    public void No_two_worked_cases_give_one_tag_to_two_constructions() =>
        Ids.Select(id => Read(id).Item).GroupBy(item => item.Tag).Where(group => group.Select(item => item.Construction).Distinct().Count() > 1).Select(group => group.Key).ShouldBeEmpty();

    [Fact]
    public void Every_family_has_worked_cases() => Enum.GetValues<Core.Gear.GearFamily>().Except(Ids.Select(FamilyOf)).ShouldBeEmpty();

    private static Core.Gear.GearFamily FamilyOf(string id) => Cases.Planner.Catalogue.Constructions[Read(id).Item.Construction].Family;
}
