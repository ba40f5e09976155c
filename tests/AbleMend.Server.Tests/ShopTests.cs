using System.Text.Json;
using System.Net;
using System.Net.Http.Json;
using AbleMend.Core;
using AbleMend.Core.Running;
using AbleMend.Data;
using AbleMend.Server.Gear;
using AbleMend.Server.Log;
using AbleMend.Server.Mends;
using AbleMend.Server.Shop;
using Microsoft.Data.Sqlite;

namespace AbleMend.Server.Tests;

public sealed class ShopTests : IDisposable
{
    private readonly Shop _shop = Shop.Empty();

    public void Dispose() => _shop.Dispose();

    [Fact]
    public async Task A_real_shop_starts_empty_with_usual_settings()
    {
        var view = await ShopAsync();
        view.Version.ShouldBe(0);
        view.Settings.Tools.Grits.ShouldContain("P60");
        (await _shop.Client.GetFromJsonAsync<List<ItemView>>("/api/items", OpenJson.Options))!.ShouldBeEmpty();
    }

    [Fact]
    public async Task Settings_are_kept_and_checked_as_the_cases_that_they_become()
    {
        var view = await ShopAsync();
        var named = view.Settings with { Name = "Boathouse", Bench = view.Settings.Bench with { TemperatureC = 17 } };
        (await _shop.SendAsync(HttpMethod.Put, "/api/shop", named, 0)).IsSuccessStatusCode.ShouldBeTrue();
        (await ShopAsync()).Settings.Bench.TemperatureC.ShouldBe(17);
        var absurd = named with { Bench = named.Bench with { TemperatureC = 400 } };
        (await Shop.ProblemAsync(await _shop.SendAsync(HttpMethod.Put, "/api/shop", absurd, 1))).Field.ShouldBe("bench.temperatureC");
        (await _shop.SendAsync(HttpMethod.Put, "/api/shop", named, 0)).StatusCode.ShouldBe(HttpStatusCode.Conflict);
    }

    // Wherever a list stands in the settings, an empty place in it is refused by its field.
    [Fact]
    public async Task An_empty_place_in_any_list_of_the_settings_is_refused_by_its_field()
    {
        using var demo = Shop.WithDemo();
        var view = (await demo.Client.GetFromJsonAsync<System.Text.Json.Nodes.JsonObject>("/api/shop"))!;
        var lists = Lists(view["settings"]!).Select(list => list.GetPath()).ToList();
        lists.ShouldContain("$.settings.tools.grits");
        foreach (var path in lists)
        {
            var settings = view["settings"]!.DeepClone();
            var list = Lists(settings).First(each => each.GetPath() == path.Replace("$.settings", "$", StringComparison.Ordinal)).AsArray();
            list.Add(null);
            var problem = await Shop.ProblemAsync(await demo.SendAsync(HttpMethod.Put, "/api/shop", settings, view["version"]!.GetValue<int>()));
            problem.Field.ShouldBe($"{path["$.settings.".Length..]}[{list.Count - 1}]");
        }
    }

    private static IEnumerable<System.Text.Json.Nodes.JsonNode> Lists(System.Text.Json.Nodes.JsonNode? node) =>
        node switch
        {
            System.Text.Json.Nodes.JsonObject members => members.SelectMany(member => Lists(member.Value)),
            System.Text.Json.Nodes.JsonArray list => list.SelectMany(Lists).Prepend(list),
            _ => [],
        };

    [Fact]
    public async Task A_tag_is_given_once()
    {
        await _shop.AddItemAsync("BRD-01");
        var again = await _shop.Client.PostAsJsonAsync("/api/items", new { tag = "BRD-01", name = "Another", construction = "cheese", ageMonths = -1, warranty = "none" });
        again.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await Shop.ProblemAsync(again)).Code.ShouldBe("tag-taken");
    }

    [Fact]
    public async Task The_file_is_write_ahead_logged_and_keeps_its_foreign_keys()
    {
        await _shop.OpenMendAsync();
        await using var connection = new SqliteConnection(MendDb.ConnectionTo(_shop.Database));
        await connection.OpenAsync();
        Ask("PRAGMA journal_mode").ShouldBe("wal");
        Ask("PRAGMA foreign_keys").ShouldBe(1L);
        Should.Throw<SqliteException>(() => Ask("INSERT INTO Events (MendId, Number, At, Kind) VALUES (999, 1, 0, 'note')"));

        object? Ask(string sql)
        {
            using var command = connection.CreateCommand();
            command.CommandText = sql;
            return command.ExecuteScalar();
        }
    }

    [Fact]
    public async Task The_demo_has_thirteen_boards_at_different_stages_one_with_several_damages()
    {
        using var demo = Shop.WithDemo();
        (await demo.Client.GetFromJsonAsync<List<ItemView>>("/api/items", OpenJson.Options))!.Count(item => item.Tag.StartsWith("BRD", StringComparison.Ordinal)).ShouldBe(13);
        var bench = (await demo.Client.GetFromJsonAsync<BenchView>("/api/bench", OpenJson.Options))!;
        bench.Entries.Count.ShouldBeGreaterThanOrEqualTo(6);
        bench.Entries.Select(entry => entry.Phase).Distinct().Count().ShouldBeGreaterThanOrEqualTo(4);
        bench.Entries.Select(entry => entry.Urgency).ShouldBe(bench.Entries.Select(entry => entry.Urgency).Order());
        bench.Entries[0].Urgency.ShouldBe(Urgency.AboutToBeLost);
        bench.Drafts.ShouldNotBeEmpty();
        (await demo.Client.GetFromJsonAsync<LogPage>("/api/log", OpenJson.Options))!.Entries.Select(entry => entry.Decision).Distinct().Count().ShouldBe(5);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(7)]
    [InlineData(13)]
    [InlineData(22)]
    public async Task The_demo_can_be_opened_at_any_hour(int hour)
    {
        using var demo = Shop.WithDemo();
        demo.Time.Advance(TimeSpan.FromHours(hour));
        var bench = (await demo.Client.GetFromJsonAsync<BenchView>("/api/bench", OpenJson.Options))!;
        foreach (var entry in bench.Entries)
        {
            (await demo.Client.GetAsync($"/api/mends/{entry.Id}")).IsSuccessStatusCode.ShouldBeTrue();
        }
    }

    [Fact]
    public async Task The_shelf_says_how_long_an_opened_tin_is_good()
    {
        var view = await ShopAsync();
        // A label's six months once opened, as days of 365.25/12: 182 from 10 January is 11 July.
        var six = Core.Plans.Planner.Shipped().Catalogue.MaterialList.First(material => material.ShelfLife is { OpenedMonths: 6 }).Id;
        async Task<DateOnly?> LastDayAsync(DateOnly? useBefore, DateOnly? openedOn)
        {
            view = await ShopAsync();
            var answer = await _shop.SendAsync(HttpMethod.Put, "/api/shop", view.Settings with { Shelf = [new(six, useBefore, openedOn)] }, view.Version);
            answer.StatusCode.ShouldBe(HttpStatusCode.OK);
            return (await ShopAsync()).LastDays.TryGetValue(six, out var day) ? day : null;
        }

        (await LastDayAsync(null, new(2026, 1, 10))).ShouldBe(new(2026, 7, 11));
        (await LastDayAsync(new(2026, 3, 1), new(2026, 1, 10))).ShouldBe(new(2026, 3, 1));
        (await LastDayAsync(new(2027, 3, 1), new(2026, 1, 10))).ShouldBe(new(2026, 7, 11));
        (await LastDayAsync(new(2027, 3, 1), null)).ShouldBe(new(2027, 3, 1));
        (await LastDayAsync(null, null)).ShouldBeNull();
    }

    private async Task<ShopView> ShopAsync() => (await _shop.Client.GetFromJsonAsync<ShopView>("/api/shop", OpenJson.Options))!;

    [Theory]
    [InlineData("shelf")]
    [InlineData("products")]
    [InlineData("offcuts")]
    [InlineData("floor.people")]
    public async Task A_list_with_an_empty_place_is_refused_by_its_field(string list)
    {
        var shop = await ShopAsync();
        var body = JsonSerializer.SerializeToNode(shop.Settings with { Floor = new Core.Days.ShopFloor([new("Wren")]) }, OpenJson.Options)!;
        var at = list.Split('.').SkipLast(1).Aggregate(body, (node, name) => node[name]!);
        at[list.Split('.')[^1]] = new System.Text.Json.Nodes.JsonArray((System.Text.Json.Nodes.JsonNode?)null);
        var answer = await _shop.SendAsync(HttpMethod.Put, "/api/shop", body, shop.Version);
        answer.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await Shop.ProblemAsync(answer)).ShouldSatisfyAllConditions(problem => problem.Code.ShouldBe("missing"), problem => problem.Field.ShouldBe($"{list}[0]"));
    }

    [Fact]
    public async Task Devices_are_kept_by_their_names_and_refused_by_their_fields()
    {
        var shop = await ShopAsync();
        async Task<Problem> RefusedAsync(params Core.Mixing.NamedDevice[] devices) => await Shop.ProblemAsync(await _shop.SendAsync(HttpMethod.Put, "/api/shop", shop.Settings with { Devices = devices }, shop.Version));
        Core.Mixing.NamedDevice scale = new("Bench scale", new Core.Mixing.ScaleDevice(0.1));
        (await RefusedAsync(scale, scale with { Name = "bench SCALE " })).ShouldSatisfyAllConditions(twice => twice.Code.ShouldBe("twice"), twice => twice.Field.ShouldBe("devices"));
        (await RefusedAsync(scale, new("Cup", new Core.Mixing.CupDevice(1, 2, 60)))).ShouldSatisfyAllConditions(line => line.Code.ShouldBe("line-error"), line => line.Field.ShouldBe("devices[1].device.lineErrorMl"));
        (await RefusedAsync(scale with { Device = new Core.Mixing.ScaleDevice(-1) })).Field.ShouldBe("devices[0].device.stepG");
        (await RefusedAsync(scale with { Name = "" })).Field.ShouldBe("devices[0].name");
        (await RefusedAsync([.. Enumerable.Range(1, 13).Select(i => scale with { Name = $"Scale {i}" })])).Field.ShouldBe("devices");
        (await _shop.SendAsync(HttpMethod.Put, "/api/shop", shop.Settings with { Devices = [scale] }, shop.Version)).StatusCode.ShouldBe(HttpStatusCode.OK);
        (await ShopAsync()).Settings.Devices.ShouldHaveSingleItem().ShouldBe(scale);
    }

    [Fact]
    public async Task A_product_of_the_shop_takes_part_in_matching_at_once()
    {
        var view = (await _shop.Client.GetFromJsonAsync<ShopView>("/api/shop", OpenJson.Options))!;
        var planner = Core.Plans.Planner.Shipped();
        var mine = planner.Catalogue.Materials["epoxy-2to1"] with { Id = "own-slow-epoxy", Name = "Workshop slow epoxy" };
        var answer = await _shop.SendAsync(HttpMethod.Put, "/api/shop", view.Settings with { Products = [mine] }, view.Version);
        answer.StatusCode.ShouldBe(HttpStatusCode.OK);
        var plan = planner.Plan(Shop.DeckDing() with { Products = [mine], Wanted = new Core.Cases.Wanted(StartAt: DateTimeOffset.UnixEpoch.AddYears(50)) }).Value!;
        plan.Candidates.ShouldContain(candidate => candidate.Material == "own-slow-epoxy" && !candidate.Vetoed);
    }

    [Fact]
    public async Task A_product_whose_label_cannot_be_is_refused_by_its_field()
    {
        var view = (await _shop.Client.GetFromJsonAsync<ShopView>("/api/shop", OpenJson.Options))!;
        var epoxy = Core.Plans.Planner.Shipped().Catalogue.Materials["epoxy-2to1"];
        var broken = epoxy with { Id = "own-epoxy", Label = epoxy.Label! with { LoadableMin = -5 } };
        var problem = await Shop.ProblemAsync(await _shop.SendAsync(HttpMethod.Put, "/api/shop", view.Settings with { Products = [broken] }, view.Version));
        problem.Field.ShouldBe("products[0].label.loadableMin");
    }

    [Fact]
    public async Task Every_worked_case_opens_on_the_bench_as_a_mend()
    {
        var cases = (await _shop.Client.GetFromJsonAsync<List<Server.Gallery.WorkedCase>>("/api/gallery", OpenJson.Options))!;
        cases.Count.ShouldBeGreaterThanOrEqualTo(36);
        foreach (var worked in cases)
        {
            var mend = await Shop.ReadAsync(await _shop.SendAsync(HttpMethod.Post, $"/api/gallery/{worked.Id}"));
            mend.Tag.ShouldBe(worked.Tag);
            mend.Problems.ShouldBeEmpty();
            mend.Plan.ShouldNotBeNull();
        }
    }

    [Fact]
    public async Task A_worked_case_that_is_not_there_is_told() =>
        (await Shop.ProblemAsync(await _shop.SendAsync(HttpMethod.Post, "/api/gallery/a-broken-heart"))).Code.ShouldBe("unknown-id");
}
