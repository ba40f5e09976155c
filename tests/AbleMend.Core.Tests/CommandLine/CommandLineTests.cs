using System.Text.Json;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Tests.CommandLine;

public class CommandLineTests
{
    private static readonly string Example = Path.Combine(Repository.Root, "examples", "fin-box-surround.case.json");

    public static TheoryData<string> Examples => [.. Directory.GetFiles(Path.Combine(Repository.Root, "examples"), "*.case.json").Select(path => Path.GetFileName(path))];

    [Theory]
    [MemberData(nameof(Examples))]
    public void Every_example_can_be_planned(string name)
    {
        var (code, output, errors) = Run("plan", Path.Combine(Repository.Root, "examples", name));
        (code, errors).ShouldBe((0, ""));
        output.ShouldMatch(@"^[A-Z0-9-]+: (mend|mend-for-now|retire|refer|refuse)");
    }

    [Fact]
    public void The_sheet_carries_the_figures_and_the_waits()
    {
        var output = Run("plan", Example).Output;
        output.ShouldContain("20 mL of resin and 10 mL of hardener");
        output.ShouldContain("Wait until");
        output.ShouldContain("P150 → P220 → P320 → P400 wet");
    }

    [Fact]
    public void As_JSON_it_prints_the_open_format() =>
        JsonSerializer.Deserialize<RepairPlan>(Run("plan", Example, "--json").Output, OpenJson.Options)!.Format.ShouldBe(RepairPlan.CurrentFormat);

    [Theory]
    [InlineData("\"depthMm\": 0.5", "\"depthMm\": -3", "damages[0].seen.depthMm: -3 mm is outside")]
    [InlineData("\"depthMm\": 0.5", "\"depthMm\": NaN", "damages[0].seen.depthMm")]
    [InlineData("\"depthMm\": 0.5", "\"depthMm\": 400", "deeper than the item")]
    [InlineData("\"pu-polyester-board\"", "\"cheese\"", "item.construction: 'cheese' is not known")]
    [InlineData("\"format\"", "", "case")]
    public void What_is_wrong_is_told_with_field_and_remedy(string good, string bad, string told)
    {
        var path = Path.GetTempFileName();
        File.WriteAllText(path, File.ReadAllText(Example).Replace(good, bad));
        var (code, output, errors) = Run("plan", path);
        File.Delete(path);
        (code, output).ShouldBe((1, ""));
        errors.ShouldContain(told);
    }

    // Terminals obey what follows an escape (ECMA-48): a case from somewhere else must not clear a screen or retype a command.
    [Theory]
    [InlineData("\"pu-polyester-board\"", "\"\\u001b]0;gone\\u0007\\u001b[2J\"")]
    [InlineData("\"pu-polyester-board\"", "\"\\u009b31m\\u202egnp.exe\"")]
    [InlineData("\"depthMm\"", "\"\\u001b[2Jdepth\"")]
    public void No_escape_code_of_a_case_reaches_the_terminal(string good, string bad)
    {
        var path = Path.GetTempFileName();
        File.WriteAllText(path, File.ReadAllText(Example).Replace(good, bad));
        var (code, output, errors) = Run("plan", path);
        File.Delete(path);
        code.ShouldBe(1);
        errors.ShouldNotBeEmpty();
        foreach (var text in new[] { output, errors, Run("plan", "\u001b[2Jnowhere").Errors })
        {
            text.ShouldAllBe(sign => sign == '\n' || (!char.IsControl(sign) && sign != '\u202e'));
        }
    }

    [Fact]
    public void A_file_of_fifty_megabytes_is_not_read_to_its_end()
    {
        var path = Path.GetTempFileName();
        using (var file = File.OpenWrite(path))
        {
            file.SetLength(50_000_000);
        }

        var (code, _, errors) = Run("check", path);
        File.Delete(path);
        code.ShouldBe(1);
        errors.ShouldContain("larger than 1 MB");
    }

    [Fact]
    public void A_file_that_is_not_there_is_told_so() => Run("plan", "/nowhere/at/all.json").Errors.ShouldContain("There is no file");

    [Fact]
    public void The_vocabulary_lists_what_cases_may_say()
    {
        var output = Run("vocabulary").Output;
        foreach (var word in new[] { "eps-epoxy-board", "fin-box-surround", "uv-epoxy-safe", "glass-136", "uv-under-film", "isopropanol" })
        {
            output.ShouldContain(word);
        }
    }

    [Fact]
    public void Help_names_every_command()
    {
        var output = Run("--help").Output;
        foreach (var command in new[] { "plan", "check", "vocabulary", "schema" })
        {
            output.ShouldContain(command);
        }
    }

    private static (int Code, string Output, string Errors) Run(params string[] args)
    {
        using var output = new StringWriter();
        using var errors = new StringWriter();
        var code = Cli.CommandLine.Run(args, output, errors, TimeProvider.System);
        return (code, output.ToString(), errors.ToString());
    }
}
