using System.Text.Json.Nodes;
using AbleMend.Core.Cases;
using AbleMend.Core.Limits;

namespace AbleMend.Core.Tests.Limits;

/// <summary>Limits stand on the fields once: checks, schemas and the page's fields read them there.</summary>
public class LimitTableTests
{
    private static readonly IReadOnlyDictionary<string, LimitsAttribute> Table = LimitTable.Of(typeof(RepairCase));

    [Theory]
    [InlineData("damages[].seen.depthMm", 0.01, 1000)]
    [InlineData("damages[].seen.shape.diameterMm", 1, 600)]
    [InlineData("damages[].seen.neighbours[].shape.widthMm", 0.1, 100)]
    [InlineData("damages[].overrides[].value", 0.001, 100000)]
    [InlineData("bench.temperatureC", -10, 45)]
    [InlineData("wanted.hottestInUseC", 0, 90)]
    public void A_field_has_the_limits_that_stand_on_it(string path, double least, double most) => (Table[path].Least, Table[path].Most).ShouldBe((least, most));

    [Fact]
    public void What_is_past_a_limit_is_told_by_the_same_path()
    {
        var told = LimitTable.Check(Tests.Cases.DeckDing().Damaged(damage => damage with { DepthMm = Table["damages[].seen.depthMm"].Most + 1 }).AtBench(bench => bench with { TemperatureC = Table["bench.temperatureC"].Least - 1 }));
        told.Select(problem => problem.Field).ShouldBe(["damages[0].seen.depthMm", "bench.temperatureC"], ignoreOrder: true);
    }

    [Fact]
    public void The_published_schema_has_each_of_them()
    {
        var schema = JsonNode.Parse(FormatSchemas.For("case"))!;
        var published = schema.ToJsonString().Split("\"minimum\"").Length - 1;
        published.ShouldBeGreaterThanOrEqualTo(Table.Keys.Select(path => path.Split('.')[^1]).Distinct().Count());
        schema["properties"]!["bench"]!["properties"]!["temperatureC"]!["maximum"]!.GetValue<double>().ShouldBe(Table["bench.temperatureC"].Most);
    }
}
