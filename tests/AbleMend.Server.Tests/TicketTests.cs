using System.Net;
using System.Net.Http.Json;
using AbleMend.Core;
using AbleMend.Core.Intake;
using AbleMend.Core.Running;
using AbleMend.Core.Worth;
using AbleMend.Server.Gear;
using AbleMend.Server.Http;
using AbleMend.Server.Intake;
using AbleMend.Server.Log;
using AbleMend.Server.Mends;
using AbleMend.Server.Shop;

namespace AbleMend.Server.Tests;

/// <summary>The counter, over the web.</summary>
public sealed class TicketTests : IDisposable
{
    private static readonly Customer Iris = new("Iris Vale", "extension 12");

    private readonly Shop _shop = Shop.WithDemo();

    public void Dispose() => _shop.Dispose();

    private static Task<T?> ReadAsync<T>(HttpResponseMessage answer) => answer.Content.ReadFromJsonAsync<T>(OpenJson.Options);

    private Task<HttpResponseMessage> PostAsync(string path, object body, string? key = null)
    {
        var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = JsonContent.Create(body, options: OpenJson.Options) };
        if (key is not null)
        {
            request.Headers.Add(Deed.Header, key);
        }

        return _shop.Client.SendAsync(request);
    }

    private async Task<TicketView> TakeInAsync(params string[] tags)
    {
        var items = (await _shop.Client.GetFromJsonAsync<List<ItemView>>("/api/items", OpenJson.Options))!;
        var answer = await PostAsync("/api/tickets", new NewTicket(Iris, [.. tags.Select(tag => items.Single(item => item.Tag == tag).Id)], "a note", _shop.Time.GetUtcNow().AddDays(6)));
        answer.StatusCode.ShouldBe(HttpStatusCode.OK, await answer.Content.ReadAsStringAsync());
        return (await ReadAsync<TicketView>(answer))!;
    }

    private async Task<TicketView> ReadAsync(int id) => (await _shop.Client.GetFromJsonAsync<TicketView>($"/api/tickets/{id}", OpenJson.Options))!;

    [Fact]
    public async Task Another_due_time_is_that_of_all_that_is_not_done_and_one_item_more_is_due_with_it()
    {
        var ticket = await TakeInAsync("BRD-04", "BRD-08");
        var running = await Shop.ReadAsync(await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{ticket.Mends[0].Id}/start", null, (await MendAsync(ticket.Mends[0].Id)).Version));
        var due = _shop.Time.GetUtcNow().AddDays(3);
        ticket = (await ReadAsync<TicketView>(await _shop.SendAsync(HttpMethod.Put, $"/api/tickets/{ticket.Id}", new TicketChange(Iris, "sooner", due, false), ticket.Version)))!;
        (ticket.DueAt, ticket.Note).ShouldBe((due, "sooner"));
        (await MendAsync(ticket.Mends[1].Id)).ShouldSatisfyAllConditions(mend => mend.DueAt.ShouldBe(due), mend => mend.Case.Wanted.NeededBy.ShouldBe(due));
        running = await MendAsync(running.Id);
        running.DueAt.ShouldBe(due);
        running = await _shop.HappenedAsync(running, new Happening(RunEventKind.HandsDone, running.Run!.CurrentStepId));
        running.DueAt.ShouldBe(due, "what happens at the bench does not bring the old time back");

        var item = (await _shop.Client.GetFromJsonAsync<List<ItemView>>("/api/items", OpenJson.Options))!.First(each => ticket.Mends.All(mend => mend.Tag != each.Tag)).Id;
        (await PostAsync("/api/mends", new NewMend(item, null, ticket.Id))).StatusCode.ShouldBe(HttpStatusCode.OK);
        var more = await ReadAsync(ticket.Id);
        more.Mends.Count.ShouldBe(3);
        (await MendAsync(more.Mends[2].Id)).DueAt.ShouldBe(due);

        var never = await _shop.SendAsync(HttpMethod.Put, $"/api/tickets/{ticket.Id}", new TicketChange(Iris, null, null, false), more.Version);
        (await MendAsync((await ReadAsync<TicketView>(never))!.Mends[1].Id)).Case.Wanted.NeededBy.ShouldBeNull();
    }

    private async Task<MendView> MendAsync(int id) => (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{id}", OpenJson.Options))!;

    [Fact]
    public async Task Several_items_are_taken_in_together_agreed_to_done_and_collected()
    {
        var ticket = await TakeInAsync("BRD-04", "BRD-08");
        ticket.Standing.ShouldBe(TicketStanding.AwaitsYes);
        ticket.Mends.Select(mend => mend.Tag).ShouldBe(["BRD-04", "BRD-08"]);
        ticket.Mends.ShouldAllBe(mend => mend.Estimate != null && mend.ToTell.Count >= 2 && !mend.IsAgreed);
        (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{ticket.Mends[0].Id}", OpenJson.Options))!.ShouldSatisfyAllConditions(
            mend => mend.DueAt.ShouldBe(ticket.DueAt), mend => mend.TicketId.ShouldBe(ticket.Id));

        foreach (var mend in ticket.Mends)
        {
            var yes = (await ReadAsync<List<Agreement>>(await PostAsync($"/api/mends/{mend.Id}/agreements", new NewAgreement("Iris Vale", "Wren"))))!.ShouldHaveSingleItem();
            yes.UpTo.ShouldBe(mend.Estimate!.Most);
            yes.At.ShouldBe(_shop.Time.GetUtcNow());
            yes.Told.Select(line => line.ToString()).ShouldBe(mend.ToTell.Select(line => line.ToString()));
        }

        (await ReadAsync(ticket.Id)).Standing.ShouldBe(TicketStanding.Agreed);
        var early = await _shop.SendAsync(HttpMethod.Put, $"/api/tickets/{ticket.Id}", new TicketChange(Iris, null, null, true), ticket.Version);
        early.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await Shop.ProblemAsync(early)).Code.ShouldBe("not-done");

        foreach (var mend in ticket.Mends)
        {
            var draft = (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{mend.Id}", OpenJson.Options))!;
            (await _shop.SendAsync(HttpMethod.Delete, $"/api/mends/{mend.Id}", null, draft.Version)).EnsureSuccessStatusCode();
        }

        var collected = (await ReadAsync<TicketView>(await _shop.SendAsync(HttpMethod.Put, $"/api/tickets/{ticket.Id}", new TicketChange(Iris, null, null, true), ticket.Version)))!;
        collected.Standing.ShouldBe(TicketStanding.Collected);
        collected.CollectedAt.ShouldBe(_shop.Time.GetUtcNow());
        (await _shop.SendAsync(HttpMethod.Put, $"/api/tickets/{ticket.Id}", new TicketChange(Iris, null, null, false), ticket.Version)).StatusCode.ShouldBe(HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task A_mend_that_comes_to_cost_more_than_was_agreed_has_to_be_asked_for_again_and_no_more_is_asked()
    {
        var ticket = await TakeInAsync("BRD-04");
        var mend = ticket.Mends[0];
        (await PostAsync($"/api/mends/{mend.Id}/agreements", new NewAgreement("Iris Vale", null, Math.Ceiling(mend.Estimate!.Planned.Total)))).EnsureSuccessStatusCode();
        (await ReadAsync(ticket.Id)).Mends[0].IsAgreed.ShouldBeTrue();

        var shop = (await _shop.Client.GetFromJsonAsync<ShopView>("/api/shop", OpenJson.Options))!;
        (await _shop.SendAsync(HttpMethod.Put, "/api/shop", shop.Settings with { Rates = shop.Settings.Rates! with { HourRate = 90 } }, shop.Version)).EnsureSuccessStatusCode();
        var dearer = await ReadAsync(ticket.Id);
        dearer.Mends[0].IsAgreed.ShouldBeFalse();
        dearer.Standing.ShouldBe(TicketStanding.AwaitsYes);
        dearer.Total.ShouldBe(Math.Ceiling(mend.Estimate.Planned.Total));

        var tooLittle = await PostAsync($"/api/mends/{mend.Id}/agreements", new NewAgreement("Iris Vale", null, 5));
        tooLittle.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await Shop.ProblemAsync(tooLittle)).ShouldSatisfyAllConditions(problem => problem.Code.ShouldBe("below-estimate"), problem => problem.Field.ShouldBe("upTo"));
        (await PostAsync($"/api/mends/{mend.Id}/agreements", new NewAgreement("Iris Vale"))).EnsureSuccessStatusCode();
        (await ReadAsync(ticket.Id)).Mends[0].IsAgreed.ShouldBeTrue();
        (await _shop.Client.GetFromJsonAsync<List<Agreement>>($"/api/mends/{mend.Id}/agreements", OpenJson.Options))!.Count.ShouldBe(2, "what was said before stays");
    }

    [Fact]
    public async Task What_is_asked_for_twice_with_one_key_is_done_once()
    {
        var before = (await _shop.Client.GetFromJsonAsync<List<TicketView>>("/api/tickets", OpenJson.Options))!.Count;
        var body = new NewTicket(Iris, [1]);
        var (first, second) = (await ReadAsync<TicketView>(await PostAsync("/api/tickets", body, "key-of-one")), await ReadAsync<TicketView>(await PostAsync("/api/tickets", body, "key-of-one")));
        second!.Id.ShouldBe(first!.Id);
        _shop.Time.Advance(TimeSpan.FromSeconds(5));
        (await _shop.Client.GetFromJsonAsync<List<TicketView>>("/api/tickets", OpenJson.Options))!.Count.ShouldBe(before + 1);

        var mend = first.Mends[0].Id;
        (await PostAsync($"/api/mends/{mend}/agreements", new NewAgreement("Iris Vale"), "key-of-two")).EnsureSuccessStatusCode();
        (await ReadAsync<List<Agreement>>(await PostAsync($"/api/mends/{mend}/agreements", new NewAgreement("Iris Vale"), "key-of-two")))!.Count.ShouldBe(1);
        (await PostAsync($"/api/mends/{mend}/agreements", new NewAgreement("Iris Vale"), "key-of-one")).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task What_is_asked_for_many_times_at_once_with_one_key_is_done_once()
    {
        var answers = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => PostAsync("/api/tickets", new NewTicket(Iris, [2]), "key-at-once")));
        var tickets = await Task.WhenAll(answers.Select(async answer => (Status: answer.StatusCode, (await ReadAsync<TicketView>(answer))!.Id)));
        tickets.ShouldAllBe(each => each.Status == HttpStatusCode.OK);
        var id = tickets.Select(each => each.Id).Distinct().ShouldHaveSingleItem();
        var mend = (await ReadAsync(id)).Mends.ShouldHaveSingleItem().Id;

        var said = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => PostAsync($"/api/mends/{mend}/agreements", new NewAgreement("Iris Vale"), "yes-at-once")));
        said.ShouldAllBe(each => each.StatusCode == HttpStatusCode.OK);
        (await _shop.Client.GetFromJsonAsync<List<Agreement>>($"/api/mends/{mend}/agreements", OpenJson.Options))!.Count.ShouldBe(1);
    }

    [Fact]
    public async Task What_cannot_be_taken_in_leaves_nothing_behind()
    {
        var bench = (await _shop.Client.GetFromJsonAsync<BenchView>("/api/bench", OpenJson.Options))!.Drafts.Count;
        foreach (var (body, field) in new (object, string)[]
        {
            (new NewTicket(Iris, [1, 999]), "items[1]"),
            (new NewTicket(Iris, [1, 1]), "items"),
            (new NewTicket(new Customer(""), [1]), "customer.name"),
            (new NewTicket(Iris, [1], new string('x', 501)), "note"),
            (new NewTicket(Iris, [1], DueAt: DateTimeOffset.MaxValue), "dueAt"),
            (new NewTicket(Iris, [.. Enumerable.Range(1, Ticket.MostItems + 1)]), "items"),
        })
        {
            var refused = await PostAsync("/api/tickets", body);
            refused.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity, field);
            (await Shop.ProblemAsync(refused)).Field.ShouldBe(field);
        }

        _shop.Time.Advance(TimeSpan.FromSeconds(5));
        (await _shop.Client.GetFromJsonAsync<BenchView>("/api/bench", OpenJson.Options))!.Drafts.Count.ShouldBe(bench);
        (await _shop.Client.GetFromJsonAsync<List<TicketView>>("/api/tickets", OpenJson.Options))!.ShouldNotContain(ticket => ticket.Mends.Count == 0);
        (await _shop.Client.GetAsync("/api/tickets/999")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await PostAsync("/api/mends/999/agreements", new NewAgreement("Iris Vale"))).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await PostAsync("/api/mends/1/agreements", new NewAgreement("Iris Vale"))).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity, "it is over");
    }

    [Fact]
    public async Task The_log_remembers_whether_a_mend_held_and_what_another_is_worth_goes_by_that()
    {
        var closed = (await _shop.Client.GetFromJsonAsync<LogPage>("/api/log", OpenJson.Options))!.Entries.First(each => each.Status == MendStatus.HandedBack && each.MethodName is not null);
        (await _shop.Client.GetFromJsonAsync<List<HeldOfMethod>>("/api/log/held", OpenJson.Options))!.ShouldBeEmpty();
        var mend = (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{closed.Id}", OpenJson.Options))!;
        var method = mend.Plan!.Damages[0].System!.Method;
        using var later = _shop.RestartedAfter(TimeSpan.FromDays(200));
        (await LooksAsync(later)).Single(look => look.Id == closed.Id).ShouldSatisfyAllConditions(look => look.Tag.ShouldBe(closed.Tag), look => look.At.ShouldBe(mend.Run!.LookAgainAt!.Value), look => look.At.ShouldBeGreaterThan(closed.ClosedAt.AddDays(-1)));
        var failed = await later.HappenedAsync(mend, new Happening(RunEventKind.LookedAgain, Text: "the edge lifts", Passed: false));
        failed.Held.ShouldNotBeNull().Holds.ShouldBeFalse();
        (await LooksAsync(later)).ShouldNotContain(look => look.Id == closed.Id, "somebody has looked");

        var of = (await later.Client.GetFromJsonAsync<List<HeldOfMethod>>("/api/log/held", OpenJson.Options))!.ShouldHaveSingleItem();
        (of.Method, of.Seen.Mends, of.Seen.Failed).ShouldBe((method, 1, 1));
        of.Seen.Years.ShouldBe(failed.Held!.Years, 1e-9);
        (await later.Client.GetFromJsonAsync<LogPage>("/api/log?q=lifts", OpenJson.Options))!.Entries.ShouldHaveSingleItem().Held.ShouldNotBeNull().Holds.ShouldBeFalse("its words are found in the log");

        var asked = $"/api/mends/{closed.Id}/mend-or-replace?price=900&servesMonths=60&leftMonths=36";
        var weighed = (await later.Client.GetFromJsonAsync<MendOrReplace>(asked, OpenJson.Options))!;
        weighed.Seen.ShouldBe(of.Seen);
        await later.HappenedAsync(failed, new Happening(RunEventKind.Undo));
        (await later.Client.GetFromJsonAsync<List<HeldOfMethod>>("/api/log/held", OpenJson.Options))!.ShouldBeEmpty("taken back");
        (await LooksAsync(later)).ShouldContain(look => look.Id == closed.Id, "nobody has looked after all");
        (await later.Client.GetFromJsonAsync<MendOrReplace>(asked, OpenJson.Options))!.ShouldSatisfyAllConditions(before => before.Seen.Mends.ShouldBe(0), before => before.FailShare.ShouldBeLessThan(weighed.FailShare));
    }

    private static async Task<IReadOnlyList<LookDue>> LooksAsync(Shop shop)
    {
        // The answer is shared for a moment: another one is asked for in another.
        shop.Time.Advance(TimeSpan.FromSeconds(5));
        return (await shop.Client.GetFromJsonAsync<LooksDue>("/api/log/looks", OpenJson.Options))!.Looks;
    }

    [Fact]
    public async Task A_mend_is_weighed_against_a_new_one()
    {
        const string Asked = "/api/mends/13/mend-or-replace";
        (await _shop.Client.GetFromJsonAsync<MendOrReplace>($"{Asked}?price=900&servesMonths=60&leftMonths=36", OpenJson.Options))!.Mend.ShouldBeTrue();
        (await _shop.Client.GetFromJsonAsync<MendOrReplace>($"{Asked}?price=60&servesMonths=12&leftMonths=3", OpenJson.Options))!.Mend.ShouldBeFalse();
        (await _shop.Client.GetAsync($"{Asked}?price=0&servesMonths=60&leftMonths=36")).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await _shop.Client.GetAsync($"{Asked}?price=NaN&servesMonths=60&leftMonths=36")).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await _shop.Client.GetAsync($"{Asked}?price=10")).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
    }
}
