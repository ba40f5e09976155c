using System.Net;
using System.Net.Http.Json;
using AbleMend.Core;
using AbleMend.Core.Methods;
using AbleMend.Core.Running;
using AbleMend.Core.Stock;
using AbleMend.Server.Mends;
using AbleMend.Server.Shelf;
using AbleMend.Server.Shop;

namespace AbleMend.Server.Tests;

/// <summary>Lots on the shelf: drawn down by what was done, counted, called back, written down as a table.</summary>
public sealed class ShelfTests : IDisposable
{
    private readonly Shop _shop = Shop.WithDemo();

    public void Dispose() => _shop.Dispose();

    private async Task<ShelfView> ShelfAsync()
    {
        _shop.Time.Advance(TimeSpan.FromSeconds(1));
        return (await _shop.Client.GetFromJsonAsync<ShelfView>("/api/shelf", OpenJson.Options))!;
    }

    private async Task<double?> LeftAsync(string name) => (await ShelfAsync()).Lots.Concat((await ShelfAsync()).Gone).Single(lot => lot.Name == name).Left;

    /// <summary>Puts a lot there as somebody does who has just looked at the shelf.</summary>
    private async Task<HttpResponseMessage> PutAsync(string name, Lot lot) => await PutAsync(name, lot, was: await SeenAsync(lot.Name));

    private Task<HttpResponseMessage> PutAsync(string name, Lot lot, Lot? was) => _shop.Client.PutAsJsonAsync($"/api/shelf/{name}", new LotChange(lot, was), OpenJson.Options);

    private async Task<Lot?> SeenAsync(string name) => (await ShelfAsync()) is var shelf ? shelf.Lots.Concat(shelf.Gone).FirstOrDefault(each => each.Name == name)?.Lot : null;

    private Task<HttpResponseMessage> ReadInAsync(string csv) => _shop.Client.PostAsJsonAsync("/api/shelf-table", new ShelfTable(csv), OpenJson.Options);

    /// <summary>A mend that is started and stands before its first step that takes something.</summary>
    private async Task<(MendView Mend, PlanStep Step)> BeforeItTakesAsync(string worked)
    {
        var opened = (await (await _shop.Client.PostAsync($"/api/gallery/{worked}", null)).Content.ReadFromJsonAsync<MendView>(OpenJson.Options))!;
        var mend = await Shop.ReadAsync(await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{opened.Id}/start", null, opened.Version));
        foreach (var step in mend.Plan!.Steps)
        {
            if (step.Takes?.Any(taking => taking.Material == mend.Plan!.Damages[0].System!.Material) == true)
            {
                return (mend, step);
            }

            mend = await DoneAsync(mend, step.Id);
            if (step.Timing.Wait is not null)
            {
                mend = await _shop.HappenedAsync(mend, new Happening(RunEventKind.Ready, step.Id));
            }
        }

        throw new InvalidOperationException($"{worked} takes nothing.");
    }

    private async Task<MendView> DoneAsync(MendView mend, string step)
    {
        mend = await _shop.HappenedAsync(mend, new Happening(RunEventKind.Begin, step));
        return await _shop.HappenedAsync(mend, new Happening(RunEventKind.HandsDone, step));
    }

    [Fact]
    public async Task What_two_change_of_one_lot_is_both_kept_and_where_they_collide_the_second_is_told()
    {
        var seen = new Lot("acetone", Id: "A-1", Had: 1000, StandsAt: "Bench");
        (await PutAsync("A-1", seen, was: null)).EnsureSuccessStatusCode();
        (await PutAsync("A-1", seen with { StandsAt = "Cabinet" }, seen)).EnsureSuccessStatusCode();
        var opened = new DateOnly(2026, 5, 6);
        (await PutAsync("A-1", seen with { OpenedOn = opened }, seen)).EnsureSuccessStatusCode();
        (await SeenAsync("A-1")).ShouldBe(seen with { StandsAt = "Cabinet", OpenedOn = opened });

        var refused = await PutAsync("A-1", seen with { StandsAt = "Shed", Batch = "B7" }, seen);
        refused.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        var problem = await Shop.ProblemAsync(refused);
        (problem.Code, problem.Field).ShouldBe((TwoChanges.Collided, "lot.standsAt"));
        problem.Message.ToString().ShouldContain("Cabinet");
        (await SeenAsync("A-1")).ShouldBe(seen with { StandsAt = "Cabinet", OpenedOn = opened });
    }

    [Fact]
    public async Task A_name_that_is_taken_is_not_given_twice_and_the_same_sent_again_is_one()
    {
        var mine = new Lot("acetone", Id: "A-1", Had: 1000);
        (await PutAsync("A-1", mine, was: null)).EnsureSuccessStatusCode();
        (await PutAsync("A-1", mine, was: null)).EnsureSuccessStatusCode();
        var refused = await PutAsync("A-1", mine with { Material = "isopropanol" }, was: null);
        refused.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        (await Shop.ProblemAsync(refused)).Remedy.ToString().ShouldContain("another name");
        (await SeenAsync("A-1")).ShouldBe(mine);
    }

    [Fact]
    public async Task What_was_only_said_to_be_there_is_named_by_one_and_no_longer_changed_by_another()
    {
        var said = (await ShelfAsync()).Lots.First(each => each.Lot is { Id: null, Had: null }).Lot;
        (await PutAsync("A-1", said with { Id = "A-1", Had = 100 }, said)).EnsureSuccessStatusCode();
        (await SeenAsync(said.Name)).ShouldBeNull();
        (await PutAsync(said.Name, said with { GoneOn = new DateOnly(2026, 5, 6) }, said)).StatusCode.ShouldBe(HttpStatusCode.Conflict);
        (await PutAsync("A-2", said with { Id = "A-2", Had = 100 }, said)).StatusCode.ShouldBe(HttpStatusCode.Conflict);
        (await SeenAsync(said.Name)).ShouldBeNull();
        (await SeenAsync("A-2")).ShouldBeNull();
    }

    [Fact]
    public async Task What_was_mixed_comes_off_the_lot_and_goes_back_when_it_is_taken_back()
    {
        var (mend, step) = await BeforeItTakesAsync("fin-box-surround");
        var before = (await LeftAsync("L-001"))!.Value;
        mend = await DoneAsync(mend, step.Id);
        (await LeftAsync("L-001")).ShouldBe(before - 30, "one batch of 30 mL");
        var uses = (await _shop.Client.GetFromJsonAsync<IReadOnlyList<LotUse>>("/api/shelf/L-001/mends", OpenJson.Options))!;
        uses.ShouldContain(use => use.Mend == mend.Id && use.Amount == 30 && use.HandedBackAt == null);

        mend = await _shop.HappenedAsync(mend, new Happening(RunEventKind.Undo));
        (await LeftAsync("L-001")).ShouldBe(before);
        await _shop.HappenedAsync(mend, new Happening(RunEventKind.HandsDone, step.Id));
        (await LeftAsync("L-001")).ShouldBe(before - 30);
        using var again = _shop.Restarted();
        (await again.Client.GetFromJsonAsync<ShelfView>("/api/shelf", OpenJson.Options))!.Lots.Single(lot => lot.Name == "L-001").Left.ShouldBe(before - 30);
    }

    [Fact]
    public async Task A_count_is_what_there_is_whatever_was_taken()
    {
        var view = (await (await _shop.Client.PostAsJsonAsync("/api/shelf/L-001/count", new Counted(333), OpenJson.Options)).Content.ReadFromJsonAsync<ShelfView>(OpenJson.Options))!;
        view.Lots.Single(lot => lot.Name == "L-001").Left.ShouldBe(333);
        (await _shop.Client.PostAsJsonAsync("/api/shelf/nothing/count", new Counted(1), OpenJson.Options)).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await _shop.Client.PostAsJsonAsync("/api/shelf/L-001/count", new Counted(-1), OpenJson.Options)).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await LeftAsync("L-001")).ShouldBe(333);
    }

    [Fact]
    public async Task A_lot_that_is_gone_or_past_is_no_longer_in_a_new_case_and_the_rest_is()
    {
        var lot = (await ShelfAsync()).Lots.Single(each => each.Name == "L-004");
        (await PutAsync("L-004", lot.Lot with { GoneOn = new DateOnly(2026, 5, 6) })).EnsureSuccessStatusCode();
        var shelf = await ShelfAsync();
        shelf.Gone.ShouldContain(each => each.Name == "L-004");
        var settings = (await _shop.Client.GetFromJsonAsync<ShopView>("/api/shop", OpenJson.Options))!.Settings;
        settings.Facts.Shelf!.ShouldNotContain(each => each.Material == "uv-polyester");
        settings.Facts.Shelf!.ShouldContain(each => each.Material == "epoxy-2to1");
    }

    [Fact]
    public async Task A_shop_that_counted_nothing_keeps_everything_else_when_it_counts_the_first_lot()
    {
        var shop = (await _shop.Client.GetFromJsonAsync<ShopView>("/api/shop", OpenJson.Options))!;
        (await _shop.SendAsync(HttpMethod.Put, "/api/shop", shop.Settings with { Shelf = null }, shop.Version)).EnsureSuccessStatusCode();
        (await PutAsync("tin", new Lot("acetone", Id: "tin", Had: 500))).EnsureSuccessStatusCode();
        var shelf = await ShelfAsync();
        shelf.Lots.Count(each => each.Lot.Material == "acetone").ShouldBe(1);
        shelf.Lots.Count.ShouldBe(shelf.Materials.Count);
    }

    [Theory]
    [InlineData("other", "name-differs")]
    [InlineData("L-001", "unknown-id")]
    public async Task A_lot_that_cannot_be_is_refused_and_changes_nothing(string name, string code)
    {
        var before = await ShelfAsync();
        var answer = await PutAsync("L-001", new Lot(code == "unknown-id" ? "unobtainium" : "acetone", Id: name));
        answer.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await ShelfAsync()).Lots.Select(lot => lot.Lot).ShouldBe(before.Lots.Select(lot => lot.Lot));
    }

    [Fact]
    public async Task A_shelf_written_as_a_table_reads_in_as_it_was()
    {
        var before = await ShelfAsync();
        var table = await _shop.Client.GetStringAsync("/api/shelf.csv");
        table.ShouldStartWith("name,material,batch,unit,had,left,opened,use-before,price,stands-at,gone");
        (await ReadInAsync(table)).EnsureSuccessStatusCode();
        var after = await ShelfAsync();
        after.Lots.Where(lot => lot.Lot.Had is not null).ShouldBe(before.Lots.Where(lot => lot.Lot.Had is not null));
        after.Lots.Count.ShouldBe(before.Lots.Count);
    }

    [Fact]
    public async Task A_table_of_another_program_is_read_by_its_names_and_what_cannot_be_read_changes_nothing()
    {
        (await ReadInAsync("Material;Name;Had;Left;Unit\nacetone;A1;1000;400;ml\n")).EnsureSuccessStatusCode();
        (await LeftAsync("A1")).ShouldBe(400);
        foreach (var (csv, field) in new[] { ("name,had\nA2,3\n", "csv"), ("name,material,had\nA2,acetone,lots\n", "csv[2].had"), ("name,material,opened\nA2,acetone,31.5.2026\n", "csv[2].opened"), ("name,material\nA2,unobtainium\n", "shelf[") })
        {
            var answer = await ReadInAsync(csv);
            answer.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity, csv);
            (await answer.Content.ReadAsStringAsync()).ShouldContain(field);
        }

        (await ShelfAsync()).Lots.ShouldNotContain(lot => lot.Name == "A2");
    }

    [Theory]
    [InlineData("5/26 left")]
    [InlineData("tin #3 50 % é?")]
    public async Task Whatever_is_written_on_a_lot_finds_it(string name)
    {
        (await PutAsync(Uri.EscapeDataString(name), new Lot("acetone", Id: name, Had: 500))).EnsureSuccessStatusCode();
        (await _shop.Client.PostAsJsonAsync($"/api/shelf/{Uri.EscapeDataString(name)}/count", new Counted(20), OpenJson.Options)).EnsureSuccessStatusCode();
        (await LeftAsync(name)).ShouldBe(20);
        (await _shop.Client.GetFromJsonAsync<IReadOnlyList<LotUse>>($"/api/shelf/{Uri.EscapeDataString(name)}/mends", OpenJson.Options)).ShouldBeEmpty();
    }

    [Fact]
    public async Task A_cell_that_a_spreadsheet_would_run_is_written_as_words()
    {
        (await PutAsync("x", new Lot("acetone", Id: "x", StandsAt: "=HYPERLINK(\"http://x\")"))).EnsureSuccessStatusCode();
        (await _shop.Client.GetStringAsync("/api/shelf.csv")).ShouldNotContain(",=");
    }

    [Fact]
    public async Task What_the_bench_takes_names_its_mends_and_when_it_is_first_needed()
    {
        var needs = (await ShelfAsync()).Needs;
        needs.ShouldNotBeEmpty();
        needs.ShouldAllBe(need => need.Value > 0 && need.Mends.Count > 0);
        needs.Where(need => need.From is not null).ShouldNotBeEmpty();
    }
}
