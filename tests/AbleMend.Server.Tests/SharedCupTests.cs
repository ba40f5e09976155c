using System.Net;
using System.Net.Http.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Mixing;
using AbleMend.Core.Running;
using AbleMend.Core.Stock;
using AbleMend.Server.Mends;
using AbleMend.Server.Shelf;

namespace AbleMend.Server.Tests;

/// <summary>One cup for several mends: told to all of them or to none, and still there after a restart.</summary>
public sealed class SharedCupTests : IDisposable
{
    private const string Mix = "fill-mix";

    private readonly Shop _shop = Shop.Empty();

    private int _items;

    public void Dispose() => _shop.Dispose();

    private async Task<MendView> AtMixAsync()
    {
        var ding = Shop.DeckDing();
        ding = ding with
        {
            Tools = ding.Tools with { Measure = new ScaleDevice(0.1) },
            Bench = ding.Bench with { TemperatureC = 17 },
            Damages = [ding.Damages[0] with { Choice = new Choice("fill-glass-coat", "epoxy-2to1", "glass-203") }],
        };
        var mend = await _shop.StartAsync(await _shop.OpenMendAsync(ding, $"CUP-{++_items:00}"));
        while (mend.Run!.CurrentStepId != Mix)
        {
            _shop.Time.Advance(TimeSpan.FromMinutes(2));
            mend = await _shop.HappenedAsync(mend, new Happening(mend.Run.Phase == StepPhase.Waiting ? RunEventKind.Ready : RunEventKind.HandsDone, mend.Run.CurrentStepId));
        }

        return mend;
    }

    private Task<MendView> SeenAsync(int id) => SeenAsync(_shop, id);

    private static async Task<MendView> SeenAsync(Shop shop, int id) => (await shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{id}", OpenJson.Options))!;

    private async Task<IReadOnlyList<CupOffer>> OffersAsync(int id) => (await _shop.Client.GetFromJsonAsync<IReadOnlyList<CupOffer>>($"/api/mends/{id}/cups", OpenJson.Options))!;

    private Task<HttpResponseMessage> ShareAsync(int id, params IReadOnlyList<int> with) =>
        _shop.Client.PostAsJsonAsync($"/api/mends/{id}/cups", new ShareCup(Mix, with), OpenJson.Options);

    [Fact]
    public async Task A_cup_is_mixed_at_one_mend_and_both_go_on_by_the_same_clock()
    {
        var (one, two) = (await AtMixAsync(), await AtMixAsync());
        (await OffersAsync(one.Id)).ShouldHaveSingleItem().Others.ShouldHaveSingleItem().Mend.ShouldBe(two.Id);
        one = await Shop.ReadAsync(await ShareAsync(one.Id, two.Id));
        one.Run!.Fronts[0].Together!.Others[0].Mend.ShouldBe(two.Id);
        (await SeenAsync(two.Id)).Run!.Fronts[0].WaitsForCup.ShouldBeTrue();
        (await OffersAsync(one.Id)).ShouldBeEmpty();

        _shop.Time.Advance(TimeSpan.FromMinutes(3));
        one = await _shop.HappenedAsync(one, new Happening(RunEventKind.HandsDone, Mix));
        using var again = _shop.Restarted();
        two = await SeenAsync(again, two.Id);
        two.Run!.CurrentStepId.ShouldBe(one.Run!.CurrentStepId);
        two.Run.UseBy.ShouldBe(one.Run.UseBy);
        two.Events[^1].ShouldSatisfyAllConditions(each => each.Kind.ShouldBe(RunEventKind.CupShared), each => each.Cup!.Others[0].Item.ShouldBe(one.ItemName));
    }

    // One cup for two small fills: both take theirs off the lot, and together what was mixed.
    [Fact]
    public async Task Each_takes_its_share_off_the_shelf_and_a_lot_that_is_called_back_names_both()
    {
        (await _shop.Client.PutAsJsonAsync("/api/shelf/E-1", new LotChange(new Lot("epoxy-2to1", Id: "E-1", Had: 500)), OpenJson.Options)).EnsureSuccessStatusCode();
        var (one, two) = (await AtMixAsync(), await AtMixAsync());
        one = await Shop.ReadAsync(await ShareAsync(one.Id, two.Id));
        await _shop.HappenedAsync(one, new Happening(RunEventKind.HandsDone, Mix));
        var uses = (await _shop.Client.GetFromJsonAsync<IReadOnlyList<LotUse>>("/api/shelf/E-1/mends", OpenJson.Options))!;
        uses.Select(use => use.Mend).Order().ShouldBe([one.Id, two.Id]);
        var batch = one.Plan!.Figures.First(figure => figure.Id == "fill.batch").Value;
        var left = (await _shop.Client.GetFromJsonAsync<ShelfView>("/api/shelf", OpenJson.Options))!.Lots.Single(lot => lot.Name == "E-1").Left!.Value;
        (500 - left).ShouldBe(batch * one.Run!.Fronts[0].Together!.Scale, 0.05);
    }

    [Fact]
    public async Task Taken_apart_at_one_it_is_apart_at_all()
    {
        var (one, two, three) = (await AtMixAsync(), await AtMixAsync(), await AtMixAsync());
        var offered = (await OffersAsync(one.Id)).ShouldHaveSingleItem();
        var with = offered.Others.Select(each => each.Mend).ToList();
        await Shop.ReadAsync(await ShareAsync(one.Id, with));
        var guest = await SeenAsync(with[0]);
        await _shop.HappenedAsync(guest, new Happening(RunEventKind.CupApart, Mix));
        foreach (var id in with.Append(one.Id))
        {
            (await SeenAsync(id)).Run!.Fronts[0].ShouldSatisfyAllConditions(front => front.Together.ShouldBeNull(), front => front.Cup.ShouldNotBeNull());
        }

        new[] { two.Id, three.Id }.ShouldContain(with[0]);
    }

    [Fact]
    public async Task What_is_being_mixed_for_all_is_not_taken_apart_by_one()
    {
        var (one, two) = (await AtMixAsync(), await AtMixAsync());
        one = await Shop.ReadAsync(await ShareAsync(one.Id, two.Id));
        await _shop.HappenedAsync(one, new Happening(RunEventKind.Begin, Mix));
        two = await SeenAsync(two.Id);
        var refused = await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{two.Id}/events", new Happening(RunEventKind.CupApart, Mix), two.Version);
        (await Shop.ProblemAsync(refused)).Code.ShouldBe("being-mixed");
        (await SeenAsync(two.Id)).ShouldSatisfyAllConditions(mend => mend.Version.ShouldBe(two.Version), mend => mend.Run!.Fronts[0].WaitsForCup.ShouldBeTrue());
    }

    [Theory]
    [InlineData("{}", HttpStatusCode.BadRequest)]
    [InlineData("""{"stepId":"fill-mix","with":null}""", HttpStatusCode.BadRequest)]
    [InlineData("""{"stepId":"fill-mix","with":[]}""", HttpStatusCode.UnprocessableEntity)]
    [InlineData("""{"stepId":"fill-mix","with":[999999]}""", HttpStatusCode.UnprocessableEntity)]
    [InlineData("""{"stepId":"nothing","with":[1]}""", HttpStatusCode.UnprocessableEntity)]
    [InlineData("""{"stepId":"fill-mix","with":[1,2,3,4,5,6,7,8]}""", HttpStatusCode.UnprocessableEntity)]
    public async Task What_cannot_be_shared_is_refused_and_changes_nothing(string body, HttpStatusCode expected)
    {
        var one = await AtMixAsync();
        var answer = await _shop.Client.PostAsync($"/api/mends/{one.Id}/cups", new StringContent(body, System.Text.Encoding.UTF8, "application/json"));
        answer.StatusCode.ShouldBe(expected);
        (await SeenAsync(one.Id)).Version.ShouldBe(one.Version);
    }

    [Fact]
    public async Task Asked_twice_with_one_key_it_is_shared_once_and_nobody_shares_with_a_mend_that_is_not_there()
    {
        var (one, two) = (await AtMixAsync(), await AtMixAsync());
        var answers = new List<MendView>();
        for (var i = 0; i < 2; i++)
        {
            answers.Add(await Shop.ReadAsync(await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{one.Id}/cups", new ShareCup(Mix, [two.Id]), key: "cup-of-both-000001")));
        }

        answers[1].Events.Count(each => each.Kind == RunEventKind.CupTogether).ShouldBe(1);
        (await _shop.Client.GetAsync("/api/mends/999999/cups")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await ShareAsync(999999, two.Id)).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    // Two hands at two mends at once: whichever comes first, both mends tell the same story.
    [Fact]
    public async Task Mixed_here_and_taken_apart_there_at_once_both_tell_the_same()
    {
        for (var round = 0; round < 4; round++)
        {
            var (one, two) = (await AtMixAsync(), await AtMixAsync());
            await Shop.ReadAsync(await ShareAsync(one.Id, two.Id));
            await Task.WhenAll(
                _shop.SendAsync(HttpMethod.Post, $"/api/mends/{one.Id}/events", new Happening(RunEventKind.HandsDone, Mix), null, $"mixed-{one.Id}-0000000"),
                _shop.SendAsync(HttpMethod.Post, $"/api/mends/{two.Id}/events", new Happening(RunEventKind.CupApart, Mix), null, $"apart-{two.Id}-0000000"));
            var (host, guest) = (await SeenAsync(one.Id), await SeenAsync(two.Id));
            var isShared = guest.Events.Any(each => each.Kind == RunEventKind.CupShared);
            isShared.ShouldBe(!host.Events.Any(each => each.Kind == RunEventKind.CupApart) && host.Events.Any(each => each.Kind == RunEventKind.HandsDone && each.StepId == Mix));
            guest.Events.Any(each => each.Kind == RunEventKind.CupApart).ShouldBe(host.Events.Any(each => each.Kind == RunEventKind.CupApart));
        }
    }
}
