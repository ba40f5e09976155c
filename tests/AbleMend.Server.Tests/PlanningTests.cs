using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Plans;

namespace AbleMend.Server.Tests;

public sealed class PlanningTests : IDisposable
{
    private static readonly string Good = JsonSerializer.Serialize(Shop.DeckDing(), OpenJson.Options);

    private readonly Shop _shop = Shop.Empty();

    public void Dispose() => _shop.Dispose();

    [Fact]
    public async Task A_case_is_planned_in_the_open_format()
    {
        var plan = await (await PostAsync(Good)).Content.ReadFromJsonAsync<RepairPlan>(OpenJson.Options);
        plan!.Format.ShouldBe(RepairPlan.CurrentFormat);
        plan.StartAt.ShouldBe(_shop.Time.GetUtcNow());
        plan.Steps.ShouldNotBeEmpty();
    }

    [Fact]
    public async Task A_case_of_the_earlier_version_is_taken_wherever_a_case_is()
    {
        var old = File.ReadAllText(Path.Combine(Root(), "tests", "AbleMend.Core.Tests", "Formats", "case-1.json"));
        var plan = await (await PostAsync(old)).Content.ReadFromJsonAsync<RepairPlan>(OpenJson.Options);
        plan!.Damages.Single().System!.Cloth.ShouldBe("glass-203");
        var item = await _shop.AddItemAsync();
        var opened = await _shop.Client.PostAsync("/api/mends", new StringContent($$"""{ "itemId": {{item}}, "case": {{old}} }""", Encoding.UTF8, "application/json"));
        (await Shop.ReadAsync(opened)).Case.Format.ShouldBe(RepairCase.CurrentFormat);
        (await Shop.ProblemAsync(await PostAsync(old.Replace("\"depthMm\": 0.5", "\"depthMm\": -3")))).Field.ShouldBe("damages[0].seen.depthMm");
    }

    [Theory]
    [InlineData("\"depthMm\":3.5", "\"depthMm\":-3", HttpStatusCode.UnprocessableEntity, "out-of-range", "damages[0].seen.depthMm")]
    [InlineData("\"depthMm\":3.5", "\"depthMm\":NaN", HttpStatusCode.BadRequest, "broken-json", "damages[0].seen.depthMm")]
    [InlineData("\"depthMm\":3.5", "\"depthMm\":90", HttpStatusCode.UnprocessableEntity, "deeper-than-item", "damages[0].seen.depthMm")]
    [InlineData("\"pu-polyester-board\"", "\"cheese\"", HttpStatusCode.UnprocessableEntity, "unknown-id", "item.construction")]
    [InlineData("{\"format\"", "{\"format", HttpStatusCode.BadRequest, "broken-json", "")]
    [InlineData("\"knock\"", "\"gremlins\"", HttpStatusCode.BadRequest, "broken-json", "damages[0].seen.cause")]
    public async Task What_is_wrong_is_told_with_its_field(string good, string bad, HttpStatusCode status, string code, string field)
    {
        var answer = await PostAsync(Good.Replace(good, bad));
        answer.StatusCode.ShouldBe(status);
        var problem = await Shop.ProblemAsync(answer);
        (problem.Code, problem.Field).ShouldBe((code, field));
        problem.Remedy.IsEmpty.ShouldBeFalse();
    }

    [Fact]
    public async Task A_refusal_is_said_in_the_readers_units_in_its_detail_as_well()
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/plans") { Content = new StringContent(Good.Replace("\"depthMm\":3.5", "\"depthMm\":90"), Encoding.UTF8, "application/json") };
        request.Headers.Add("Able-Mend-Units", "us");
        var answer = await _shop.Client.SendAsync(request);
        answer.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        var detail = JsonDocument.Parse(await answer.Content.ReadAsStringAsync()).RootElement.GetProperty("detail").GetString().ShouldNotBeNull();
        detail.ShouldContain(" in ");
        detail.ShouldNotContain(" mm");
    }

    [Fact]
    public async Task What_is_not_JSON_is_told_so()
    {
        var answer = await _shop.Client.PostAsync("/api/plans", new StringContent(Good, Encoding.UTF8, "text/plain"));
        answer.StatusCode.ShouldBe(HttpStatusCode.UnsupportedMediaType);
        (await Shop.ProblemAsync(answer)).Code.ShouldBe("not-json");
    }

    [Fact]
    public async Task Polyester_chosen_for_EPS_is_refused_with_the_layer_that_it_would_harm()
    {
        var eps = Shop.DeckDing("eps-epoxy-board").Chosen(new Choice(Material: "uv-polyester"));
        var problem = await Shop.ProblemAsync(await PostAsync(JsonSerializer.Serialize(eps, OpenJson.Options)));
        problem.Code.ShouldBe("system-vetoed");
        problem.Message.ToString().ShouldContain("EPS foam core");
    }

    [Theory]
    [InlineData("GET", "/api/nothing", HttpStatusCode.NotFound)]
    [InlineData("GET", "/api/mends/999", HttpStatusCode.NotFound)]
    [InlineData("DELETE", "/api/plans", HttpStatusCode.NotFound)]
    public async Task An_address_with_nothing_behind_it_answers_with_a_problem(string method, string path, HttpStatusCode status)
    {
        var answer = await _shop.SendAsync(new HttpMethod(method), path);
        answer.StatusCode.ShouldBe(status);
        (await Shop.ProblemAsync(answer)).Code.ShouldStartWith("unknown-");
    }

    [Fact]
    public async Task The_description_is_the_committed_one()
    {
        var served = JsonDocument.Parse(await _shop.Client.GetStringAsync("/openapi/v1.json")).RootElement;
        var committed = JsonDocument.Parse(await File.ReadAllTextAsync(Path.Combine(Root(), "docs", "schemas", "able-mend-api.json"))).RootElement;
        JsonElement.DeepEquals(served.GetProperty("paths"), committed.GetProperty("paths")).ShouldBeTrue();
        JsonElement.DeepEquals(served.GetProperty("components"), committed.GetProperty("components")).ShouldBeTrue();
    }

    [Fact]
    public async Task Every_answer_carries_the_strict_headers()
    {
        var answer = await _shop.Client.GetAsync("/api/shop");
        var policy = answer.Headers.GetValues("Content-Security-Policy").Single();
        policy.ShouldContain("default-src 'none'");
        policy.ShouldNotContain("unsafe");
        answer.Headers.GetValues("X-Content-Type-Options").Single().ShouldBe("nosniff");
        answer.Headers.GetValues("X-Frame-Options").Single().ShouldBe("DENY");
        answer.Headers.CacheControl!.NoStore.ShouldBeTrue();
    }

    [Theory]
    [InlineData("cross-site", HttpStatusCode.Forbidden)]
    [InlineData("same-site", HttpStatusCode.Forbidden)]
    [InlineData("same-origin", HttpStatusCode.OK)]
    public async Task Another_sites_page_changes_nothing(string site, HttpStatusCode status)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/plans") { Content = new StringContent(Good, Encoding.UTF8, "application/json") };
        request.Headers.Add("Sec-Fetch-Site", site);
        (await _shop.Client.SendAsync(request)).StatusCode.ShouldBe(status);
    }

    internal static string Root()
    {
        var folder = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(folder, "AbleMend.slnx")))
        {
            folder = Path.GetDirectoryName(folder)!;
        }

        return folder;
    }

    private Task<HttpResponseMessage> PostAsync(string json) =>
        _shop.Client.PostAsync("/api/plans", new StringContent(json, Encoding.UTF8, "application/json"));
}
