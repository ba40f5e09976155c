using System.Text.Json;
using AbleMend.Core.Gear;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Tests.Plans;

public class PlannerTests
{
    [Fact]
    public void The_same_case_gives_the_same_plan()
    {
        static string Json() => JsonSerializer.Serialize(Cases.FinBox().Planned(), OpenJson.Options);
        Json().ShouldBe(Json());
    }

    [Fact]
    public void Another_planner_gives_the_same_plan_too() =>
        JsonSerializer.Serialize(Planner.Shipped().Plan(Cases.Eps()).Value, OpenJson.Options)
            .ShouldBe(JsonSerializer.Serialize(Cases.Eps().Planned(), OpenJson.Options));

    [Fact]
    public void A_plan_reads_back_as_it_was_written()
    {
        var plan = Cases.FinBox().Planned();
        var json = JsonSerializer.Serialize(plan, OpenJson.Options);
        JsonSerializer.Serialize(JsonSerializer.Deserialize<RepairPlan>(json, OpenJson.Options), OpenJson.Options).ShouldBe(json);
    }

    [Fact]
    public void A_case_reads_back_as_it_was_written()
    {
        var json = JsonSerializer.Serialize(Cases.FinBox(), OpenJson.Options);
        JsonSerializer.Serialize(OpenJson.ReadCase(json).Value, OpenJson.Options).ShouldBe(json);
    }

    // Common practice: twice as fast for ten degrees more, so a bench ten degrees warmer halves the wait.
    [Fact]
    public void Ten_degrees_more_halves_the_wait()
    {
        static double WaitMin(double bench)
        {
            var plan = Cases.FinBox().AtBench(each => each with { TemperatureC = bench, RelativeHumidityPercent = 40 }).Planned();
            return (plan.Time("glass").OpensAt - plan.Time("glass-mix").StartsAt)!.Value.TotalMinutes;
        }

        (WaitMin(17) / WaitMin(27)).ShouldBe(2.05, 0.06);
    }

    // ISO 8502-4: the surface at least 3 °C above the dew point, else the plan waits or warms.
    [Theory]
    [InlineData(82, false)]
    [InlineData(84, true)]
    public void Coating_too_near_the_dew_point_is_warned_of(double humidity, bool warned) =>
        Cases.DeckDing().AtBench(bench => bench with { RelativeHumidityPercent = humidity }).Planned()
            .Warnings.Any(warning => warning.Code == "dew-point").ShouldBe(warned);

    [Fact]
    public void Hands_begin_only_when_somebody_is_there()
    {
        var plan = Cases.FinBox().Planned();
        var mixed = new HashSet<string>(plan.Steps.Where(step => step.Timing.FollowsOn).Select(step => step.Id));
        plan.Timeline.Where(step => !mixed.Contains(step.StepId)).ShouldAllBe(step => step.StartsAt!.Value.Hour >= 8 && step.StartsAt.Value.Hour < 18);
    }

    [Fact]
    public void A_mix_is_not_begun_that_cannot_be_spread_before_closing()
    {
        var evening = Cases.DeckDing(0.6).Choosing("fill-glass-coat", "epoxy-2to1").Wanting(wanted => wanted with { StartAt = Cases.Morning.AddHours(8).AddMinutes(20) });
        var plan = evening.Planned();
        plan.Time("glass").HandsEndAt!.Value.TimeOfDay.ShouldBeLessThanOrEqualTo(TimeSpan.FromHours(18));
    }

    [Fact]
    public void What_leads_to_a_window_that_would_close_in_the_night_waits_for_the_morning()
    {
        var late = Cases.DeckDing(0.6).Choosing("fill-glass-coat", "polyester-laminating")
            .AtBench(bench => bench with { TemperatureC = 32, RelativeHumidityPercent = 40, OpensHour = 8, ClosesHour = 10 })
            .Wanting(wanted => wanted with { StartAt = Cases.Morning.AddMinutes(15) });
        var plan = late.Planned();
        var held = plan.Timeline.Single(step => step.HeldFrom is not null);
        held.HeldFrom!.Value.Day.ShouldBe(6);
        held.StartsAt!.Value.ShouldBe(new DateTimeOffset(2026, 5, 7, 8, 0, 0, TimeSpan.Zero));
        plan.Timeline.ShouldAllBe(step => !step.MissesWindow);
        plan.Warnings.ShouldContain(warning => warning.Code == "held-back" && warning.StepId == held.StepId);
    }

    [Fact]
    public void A_window_that_no_day_of_the_shop_can_meet_is_warned_of()
    {
        var anHour = Cases.Usual("pvc-boat", DamageKind.Puncture).AtBench(bench => bench with { OpensHour = 8, ClosesHour = 9 });
        anHour.Planned().Warnings.Select(warning => warning.Code).ShouldContain("window-missed", customMessage: "three coats of a quarter of an hour do not go into one");
    }

    [Fact]
    public void What_is_not_mended_here_has_no_steps_and_still_its_picture()
    {
        var plan = Cases.FinBox(7, 2).Planned();
        plan.Steps.ShouldBeEmpty();
        plan.System.ShouldBeNull();
        plan.Drawing.Layers.ShouldNotBeEmpty();
    }
}

public class OpenJsonTests
{
    private static readonly string Json = JsonSerializer.Serialize(Cases.DeckDing(), OpenJson.Options);

    [Theory]
    [InlineData("\"depthMm\":3.5", "\"depthMm\":NaN", "damages[0].seen.depthMm")]
    [InlineData("\"depthMm\":3.5", "\"depthMm\":\"3.5\"", "damages[0].seen.depthMm")]
    [InlineData("\"depthMm\":3.5", "\"depthMm\":null", "damages[0].seen.depthMm")]
    [InlineData("\"cause\":\"knock\"", "\"cause\":\"gremlins\"", "damages[0].seen.cause")]
    [InlineData("\"cause\":\"knock\"", "\"cause\":1", "damages[0].seen.cause")]
    [InlineData("\"kind\":\"round\"", "\"kind\":\"blob\"", "damages[0].seen.shape")]
    [InlineData("\"depthMm\":3.5", "\"depthMn\":3.5", "damage")]
    [InlineData("\"depthMm\":3.5,", "", "damage")]
    public void Broken_JSON_names_its_place(string good, string bad, string field)
    {
        Json.ShouldContain(good);
        var problem = OpenJson.ReadCase(Json.Replace(good, bad)).Problems.Single();
        problem.Code.ShouldBe("broken-json");
        problem.Field.ShouldStartWith(field);
        problem.Message.ToString().ShouldNotContain("System.");
        problem.Message.ToString().ShouldNotContain("AbleMend.");
    }

    [Theory]
    [InlineData("")]
    [InlineData("null")]
    [InlineData("[]")]
    [InlineData("{")]
    [InlineData("\"case\"")]
    public void What_is_no_case_is_told_so(string json) => OpenJson.ReadCase(json).Problems.Single().Code.ShouldBe("broken-json");

    [Fact]
    public void The_kind_of_a_shape_need_not_come_first() =>
        OpenJson.ReadCase(Json.Replace("{\"kind\":\"round\",\"diameterMm\":34}", "{\"diameterMm\":34,\"kind\":\"round\"}")).Value.ShouldNotBeNull();

    [Fact]
    public void A_depth_of_nesting_that_no_case_has_is_refused() =>
        OpenJson.ReadCase(new string('[', 5000)).Problems.Single().Code.ShouldBe("broken-json");

    [Theory]
    [InlineData("case")]
    [InlineData("plan")]
    public void The_published_schema_is_the_one_that_is_used(string format)
    {
        var published = File.ReadAllText(Path.Combine(Repository.Root, "docs", "schemas", $"{format}.schema.json"));
        published.ReplaceLineEndings("\n").TrimEnd().ShouldBe(FormatSchemas.For(format).ReplaceLineEndings("\n"));
    }

    [Fact]
    public void There_is_no_third_format() => Should.Throw<ArgumentException>(() => FormatSchemas.For("poem"));

    [Fact]
    public void A_plan_that_nobody_waits_for_any_more_is_given_up()
    {
        using var gone = new CancellationTokenSource();
        gone.Cancel();
        Should.Throw<OperationCanceledException>(() => Cases.Planner.Plan(Cases.DeckDing(), gone.Token));
        Should.Throw<OperationCanceledException>(() => Cases.Planner.Effects(Cases.DeckDing(), "fill.need", gone.Token));
    }
}
