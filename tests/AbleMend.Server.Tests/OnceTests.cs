using System.Net;
using System.Net.Http.Json;
using System.Text;
using AbleMend.Core;
using AbleMend.Core.Running;
using AbleMend.Server.Gear;
using AbleMend.Server.Keeping;
using AbleMend.Server.Mends;

namespace AbleMend.Server.Tests;

/// <summary>What is asked for again after an answer that never came is not done twice, and what happened keeps its own time.</summary>
public sealed class OnceTests : IDisposable
{
    private readonly Shop _shop = Shop.Empty();

    public void Dispose() => _shop.Dispose();

    private static string Key() => Guid.NewGuid().ToString();

    private async Task<HttpResponseMessage> AskAsync(string path, object? body, string? key, int? version = null)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, path);
        request.Content = body is null ? null : JsonContent.Create(body, options: OpenJson.Options);
        if (key is not null)
        {
            request.Headers.Add("Idempotency-Key", key);
        }

        if (version is not null)
        {
            request.Headers.TryAddWithoutValidation("If-Match", $"{version}");
        }

        return await _shop.Client.SendAsync(request);
    }

    private async Task<MendView> StartedAsync()
    {
        var mend = await _shop.OpenMendAsync();
        return await Shop.ReadAsync(await AskAsync($"/api/mends/{mend.Id}/start", null, Key(), mend.Version));
    }

    [Fact]
    public async Task A_mend_that_is_opened_again_with_the_same_key_is_the_same_mend()
    {
        var item = await _shop.AddItemAsync();
        var key = Key();
        var first = await Shop.ReadAsync(await AskAsync("/api/mends", new NewMend(item, Shop.DeckDing()), key));
        var again = await Shop.ReadAsync(await AskAsync("/api/mends", new NewMend(item, Shop.DeckDing()), key));
        again.Id.ShouldBe(first.Id);
        var other = await Shop.ReadAsync(await AskAsync("/api/mends", new NewMend(item, Shop.DeckDing()), Key()));
        other.Id.ShouldNotBe(first.Id);
    }

    [Fact]
    public async Task A_key_is_forgotten_after_a_month_and_what_came_of_it_is_not()
    {
        var item = await _shop.AddItemAsync();
        var key = Key();
        var first = await Shop.ReadAsync(await AskAsync("/api/mends", new NewMend(item, Shop.DeckDing()), key));
        _shop.Time.Advance(OldDeeds.Kept - TimeSpan.FromHours(1));
        await _shop.Service<OldDeeds>().ForgetAsync(CancellationToken.None);
        (await Shop.ReadAsync(await AskAsync("/api/mends", new NewMend(item, Shop.DeckDing()), key))).Id.ShouldBe(first.Id);
        _shop.Time.Advance(TimeSpan.FromHours(2));
        await _shop.Service<OldDeeds>().ForgetAsync(CancellationToken.None);
        (await Shop.ReadAsync(await AskAsync("/api/mends", new NewMend(item, Shop.DeckDing()), key))).Id.ShouldNotBe(first.Id);
        (await _shop.Client.GetAsync($"/api/mends/{first.Id}")).StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    [Fact]
    public async Task Twenty_at_once_with_one_key_make_one()
    {
        var item = await _shop.AddItemAsync();
        var key = Key();
        var answers = await Task.WhenAll(Enumerable.Range(0, 20).Select(_ => AskAsync("/api/mends", new NewMend(item, Shop.DeckDing()), key)));
        answers.ShouldAllBe(answer => answer.StatusCode == HttpStatusCode.OK);
        var made = await Task.WhenAll(answers.Select(Shop.ReadAsync));
        made.Select(mend => mend.Id).Distinct().Count().ShouldBe(1);
        var bench = await _shop.Client.GetFromJsonAsync<BenchView>("/api/bench", OpenJson.Options);
        bench!.Drafts.Count.ShouldBe(1);
    }

    [Fact]
    public async Task A_worked_case_and_an_item_are_made_once()
    {
        var key = Key();
        var first = await Shop.ReadAsync(await AskAsync("/api/gallery/deck-ding-quick", null, key));
        (await Shop.ReadAsync(await AskAsync("/api/gallery/deck-ding-quick", null, key))).Id.ShouldBe(first.Id);
        var item = new NewItem("BRD-77", "Longboard", "pu-polyester-board", null, Core.Catalogue.Warranty.None);
        var itemKey = Key();
        (await AskAsync("/api/items", item, itemKey)).StatusCode.ShouldBe(HttpStatusCode.Created);
        (await AskAsync("/api/items", item, itemKey)).StatusCode.ShouldBe(HttpStatusCode.Created);
        (await Shop.ProblemAsync(await AskAsync("/api/items", item, Key()))).Code.ShouldBe("tag-taken");
    }

    [Fact]
    public async Task Worked_cases_and_tags_that_meet_at_the_same_moment_are_no_fault()
    {
        var opened = await Task.WhenAll(Enumerable.Range(0, 12).Select(_ => AskAsync("/api/gallery/ski-core-shot", null, Key())));
        opened.ShouldAllBe(answer => answer.StatusCode == HttpStatusCode.OK);
        var item = new NewItem("BRD-78", "Longboard", "pu-polyester-board", null, Core.Catalogue.Warranty.None);
        var tags = await Task.WhenAll(Enumerable.Range(0, 12).Select(_ => AskAsync("/api/items", item, null)));
        tags.Count(answer => answer.StatusCode == HttpStatusCode.Created).ShouldBe(1);
        tags.Count(answer => answer.StatusCode == HttpStatusCode.UnprocessableEntity).ShouldBe(11);
    }

    [Fact]
    public async Task A_key_that_comes_back_for_something_else_is_refused()
    {
        var mend = await StartedAsync();
        var key = Key();
        (await AskAsync($"/api/mends/{mend.Id}/events", new Happening(RunEventKind.Note, Text: "first"), key)).EnsureSuccessStatusCode();
        (await Shop.ProblemAsync(await AskAsync($"/api/mends/{mend.Id}/start", null, key, mend.Version))).Code.ShouldBe("key-reused");
        (await Shop.ProblemAsync(await AskAsync($"/api/mends/{mend.Id}/events", new Happening(RunEventKind.Note, Text: "x"), "a b"))).Code.ShouldBe("bad-key");
    }

    [Fact]
    public async Task A_tap_that_is_sent_again_is_there_once_and_the_answer_is_the_same()
    {
        var mend = await StartedAsync();
        var (key, tap) = (Key(), new Happening(RunEventKind.HandsDone, mend.Plan!.Steps[0].Id));
        var first = await Shop.ReadAsync(await AskAsync($"/api/mends/{mend.Id}/events", tap, key));
        var again = await Shop.ReadAsync(await AskAsync($"/api/mends/{mend.Id}/events", tap, key));
        again.Events.Count.ShouldBe(1);
        again.Version.ShouldBe(first.Version);
    }

    [Fact]
    public async Task Notes_from_many_devices_at_once_are_all_there()
    {
        var mend = await StartedAsync();
        var answers = await Task.WhenAll(Enumerable.Range(0, 6).Select(i => AskAsync($"/api/mends/{mend.Id}/events", new Happening(RunEventKind.Note, Text: $"note {i}"), Key())));
        answers.ShouldAllBe(answer => answer.StatusCode == HttpStatusCode.OK);
        var kept = await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{mend.Id}", OpenJson.Options);
        kept!.Events.Select(each => each.Text).ShouldBe(Enumerable.Range(0, 6).Select(i => $"note {i}"), ignoreOrder: true);
    }

    [Fact]
    public async Task A_tap_that_comes_late_keeps_the_time_at_which_it_was_made()
    {
        var mend = await StartedAsync();
        var tapped = _shop.Time.GetUtcNow().AddMinutes(3);
        _shop.Time.Advance(TimeSpan.FromMinutes(40));
        var view = await Shop.ReadAsync(await AskAsync($"/api/mends/{mend.Id}/events", new Happening(RunEventKind.HandsDone, mend.Plan!.Steps[0].Id, At: tapped), Key()));
        view.Events.Single().At.ShouldBe(tapped);
        view.Events.Single().KeptAt.ShouldBe(_shop.Time.GetUtcNow());
        view.Run!.Steps[0].DoneAt.ShouldBe(tapped);
    }

    [Theory]
    [InlineData(-1, "before-start")]
    [InlineData(10, "clock-ahead")]
    public async Task A_device_whose_clock_is_wrong_is_told_so_and_nothing_is_kept(double minutes, string code)
    {
        var mend = await StartedAsync();
        var answer = await AskAsync($"/api/mends/{mend.Id}/events", new Happening(RunEventKind.Note, Text: "late", At: _shop.Time.GetUtcNow().AddMinutes(minutes)), Key());
        (await Shop.ProblemAsync(answer)).ShouldSatisfyAllConditions(problem => problem.Code.ShouldBe(code), problem => problem.Field.ShouldBe("at"));
        (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{mend.Id}", OpenJson.Options))!.Events.ShouldBeEmpty();
    }

    [Theory]
    [InlineData("""{"kind":"note","text":"warm","value":1e400}""", "value")]
    [InlineData("""{"kind":"begin","stepId":"cut","text":"x"}""", "text")]
    [InlineData("""{"kind":"reading","value":1e400}""", "value")]
    [InlineData("""{"kind":"note","text":"a\u0000b"}""", "text")]
    [InlineData("""{"kind":"note","text":"\u202Egpj.exe"}""", "text")]
    [InlineData("""{"kind":"find","text":"ta\u200Bil"}""", "text")]
    [InlineData("""{"kind":"undo","passed":true}""", "passed")]
    public async Task What_would_poison_the_record_is_refused_and_leaves_it_as_it_is(string body, string field)
    {
        var mend = await StartedAsync();
        using var content = new StringContent(body, Encoding.UTF8, "application/json");
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/api/mends/{mend.Id}/events") { Content = content };
        request.Headers.Add("Idempotency-Key", Key());
        var answer = await _shop.Client.SendAsync(request);
        answer.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await Shop.ProblemAsync(answer)).Field.ShouldBe(field);
        (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{mend.Id}", OpenJson.Options))!.Events.ShouldBeEmpty();
    }

    [Fact]
    public async Task A_tin_opened_in_9999_and_an_unknown_zone_leave_the_shop_as_it_was()
    {
        var shop = await _shop.Client.GetFromJsonAsync<Server.Shop.ShopView>("/api/shop", OpenJson.Options);
        foreach (var (settings, field) in new[]
        {
            (shop!.Settings with { Shelf = [new Core.Stock.Lot("epoxy-2to1", OpenedOn: new DateOnly(9999, 12, 31))] }, "shelf[0]."),
            (shop.Settings with { Bench = shop.Settings.Bench with { Zone = "Mars/Olympus" } }, "bench.zone"),
            (shop.Settings with { Name = "Lan\u200Btern" }, "name"),
        })
        {
            using var request = new HttpRequestMessage(HttpMethod.Put, "/api/shop") { Content = JsonContent.Create(settings, options: OpenJson.Options) };
            request.Headers.TryAddWithoutValidation("If-Match", $"{shop.Version}");
            (await Shop.ProblemAsync(await _shop.Client.SendAsync(request))).Field.ShouldStartWith(field);
            (await _shop.Client.GetAsync("/api/bench")).StatusCode.ShouldBe(HttpStatusCode.OK);
            (await _shop.Client.GetFromJsonAsync<Server.Shop.ShopView>("/api/shop", OpenJson.Options))!.Version.ShouldBe(shop.Version);
        }
    }

    [Theory]
    [InlineData("application/json; charset=nonsense", "{}", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("application/json", """{"format":"able-mend/case/2","damages":[{"seen":{"shape":{}}}]}""", HttpStatusCode.BadRequest)]
    [InlineData("application/json", "", HttpStatusCode.BadRequest)]
    public async Task A_request_that_cannot_be_read_is_told_in_the_shops_words(string type, string body, HttpStatusCode status)
    {
        using var content = new StringContent(body);
        content.Headers.Remove("Content-Type");
        content.Headers.TryAddWithoutValidation("Content-Type", type);
        var answer = await _shop.Client.PostAsync("/api/plans", content);
        answer.StatusCode.ShouldBe(status);
        var said = await answer.Content.ReadAsStringAsync();
        said.ShouldNotContain("System.");
        said.ShouldNotContain("parameter");
        said.ShouldNotContain("AbleMend.");
    }
}
