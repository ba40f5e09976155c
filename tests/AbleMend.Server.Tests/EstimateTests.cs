using System.Net;
using System.Net.Http.Json;
using AbleMend.Core;
using AbleMend.Core.Running;
using AbleMend.Core.Worth;
using AbleMend.Server.Mends;
using AbleMend.Server.Shop;

namespace AbleMend.Server.Tests;

/// <summary>What a mend costs, over the web.</summary>
public sealed class EstimateTests : IDisposable
{
    private readonly Shop _shop = Shop.WithDemo();

    public void Dispose() => _shop.Dispose();

    private Task<HttpResponseMessage> AskAsync(int mend) => _shop.Client.GetAsync($"/api/mends/{mend}/estimate");

    private async Task<Estimate> OfAsync(int mend) => (await (await AskAsync(mend)).Content.ReadFromJsonAsync<Estimate>(OpenJson.Options))!;

    [Fact]
    public async Task A_draft_is_estimated_and_what_is_done_is_counted()
    {
        var draft = (await (await _shop.Client.PostAsync("/api/gallery/fin-box-surround", null)).Content.ReadFromJsonAsync<MendView>(OpenJson.Options))!;
        var before = await OfAsync(draft.Id);
        before.Planned.Total.ShouldBeGreaterThan(0);
        before.Planned.Materials.ShouldContain(each => each.Material == "epoxy-2to1" && each.Cost > 0);
        before.Actual.ShouldBeNull();

        var mend = await _shop.StartAsync(draft);
        mend = await _shop.HappenedAsync(mend, new Happening(RunEventKind.Begin, mend.Plan!.Steps[0].Id));
        _shop.Time.Advance(TimeSpan.FromMinutes(30));
        await _shop.HappenedAsync(mend, new Happening(RunEventKind.HandsDone, mend.Plan!.Steps[0].Id));
        var after = await OfAsync(draft.Id);
        after.Actual.ShouldNotBeNull().HandsOnMin.ShouldBe(30, 0.01);
        after.Actual.Labour.ShouldBe(24, "half an hour at 48");
    }

    [Fact]
    public async Task A_shop_that_has_not_said_what_it_asks_estimates_nothing_and_says_what_to_do()
    {
        var shop = (await _shop.Client.GetFromJsonAsync<ShopView>("/api/shop", OpenJson.Options))!;
        (await _shop.SendAsync(HttpMethod.Put, "/api/shop", shop.Settings with { Rates = null }, shop.Version)).EnsureSuccessStatusCode();
        var answer = await AskAsync(13);
        answer.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await answer.Content.ReadAsStringAsync()).ShouldContain("no-rates");
        (await AskAsync(999)).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Theory]
    [InlineData(-1, 0)]
    [InlineData(48, 101)]
    public async Task Rates_that_cannot_be_are_refused(double hour, double tax)
    {
        var shop = (await _shop.Client.GetFromJsonAsync<ShopView>("/api/shop", OpenJson.Options))!;
        var answer = await _shop.SendAsync(HttpMethod.Put, "/api/shop", shop.Settings with { Rates = new Rates("EUR", hour, TaxPercent: tax) }, shop.Version);
        answer.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await answer.Content.ReadAsStringAsync()).ShouldContain("rates.");
    }
}
