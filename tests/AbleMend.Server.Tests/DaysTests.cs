using System.Net;
using System.Net.Http.Json;
using AbleMend.Core;
using AbleMend.Core.Days;
using AbleMend.Core.Running;
using AbleMend.Server.Days;
using AbleMend.Server.Mends;
using AbleMend.Server.Shop;

namespace AbleMend.Server.Tests;

public sealed class DaysTests : IDisposable
{
    private readonly Shop _shop = Shop.WithDemo();

    public void Dispose() => _shop.Dispose();

    private async Task<DaysView> DaysAsync()
    {
        // The answer is shared for a moment: another one is asked for in another.
        _shop.Time.Advance(TimeSpan.FromSeconds(1));
        return (await _shop.Client.GetFromJsonAsync<DaysView>("/api/days", OpenJson.Options))!;
    }

    [Fact]
    public async Task Every_open_mend_is_laid_out_or_named_with_the_reason()
    {
        var days = await DaysAsync();
        var bench = (await _shop.Client.GetFromJsonAsync<BenchView>("/api/bench", OpenJson.Options))!;
        days.Plan.Mends.Select(mend => mend.Mend).Concat(days.LeftOut.Select(each => each.Mend.Id)).ShouldBe(bench.Entries.Select(entry => entry.Id).Concat(bench.Drafts.Select(draft => draft.Id)), ignoreOrder: true);
        days.LeftOut.ShouldAllBe(each => each.Why.Message.ToString().Length > 5);
        days.Plan.People.ShouldBe(["Wren", "Ash"]);
        days.Plan.Blocks.Select(block => block.Person).Distinct().Count().ShouldBe(2);
    }

    [Fact]
    public async Task It_stays_as_it_is_until_something_happens_and_over_a_restart()
    {
        var first = await DaysAsync();
        (await DaysAsync()).Plan.At.ShouldBe(first.Plan.At);
        using var again = _shop.Restarted();
        (await again.Client.GetFromJsonAsync<DaysView>("/api/days", OpenJson.Options))!.Plan.At.ShouldBe(first.Plan.At);
        var block = first.Plan.Blocks.First(each => first.Mends.Single(mend => mend.Id == each.Mend).Status == MendStatus.Running);
        var mend = (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{block.Mend}", OpenJson.Options))!;
        await _shop.HappenedAsync(mend, new Happening(RunEventKind.Note, Text: "somebody looked at it"));
        var next = await DaysAsync();
        next.Plan.At.ShouldBeGreaterThan(first.Plan.At);
        next.Plan.Moved.ShouldBeEmpty("a note moves nothing");
    }

    /// <summary>More is due than the hands can do: what was found while somebody waited is bettered, unless something happens meanwhile.</summary>
    [Fact]
    public async Task A_plan_that_is_late_is_looked_on_for_and_the_better_one_stands_until_something_happens()
    {
        for (var i = 0; i < 12; i++)
        {
            var repairCase = Shop.DeckDing();
            await _shop.OpenMendAsync(repairCase with { Wanted = repairCase.Wanted with { NeededBy = _shop.Time.GetUtcNow().AddHours(4 + (i % 5)) } }, $"LATE-{i}");
        }

        // Not looked for at all at first, so that there is something to find whatever else this machine does.
        _shop.Service<DaysDesk>().Patience = TimeSpan.Zero;
        var rounds = _shop.Service<DaysRounds>();
        var first = await DaysAsync();
        first.Plan.Worth!.LateMin.ShouldBeGreaterThan(first.Plan.Worth.LeastLateMin);
        var kept = await rounds.LookOnAsync(TimeSpan.FromSeconds(3), TestContext.Current.CancellationToken);
        var after = await DaysAsync();
        after.Plan.At.ShouldBe(first.Plan.At, "nothing has happened");
        var worth = after.Plan.Worth!;
        kept.ShouldBeTrue();
        (worth.FewerMissed > 0 || worth.LessLateMin >= 15).ShouldBeTrue($"{worth}");
        (first.Plan.Worth.Missed - worth.FewerMissed, first.Plan.Worth.LateMin - worth.LessLateMin).ShouldBe((worth.Missed, worth.LateMin));
        (await rounds.LookOnAsync(TimeSpan.FromSeconds(3), TestContext.Current.CancellationToken)).ShouldBeFalse("it was looked on for once");
    }

    [Fact]
    public async Task What_is_not_begun_in_time_is_laid_out_anew_and_says_so()
    {
        var first = await DaysAsync();
        _shop.Time.Advance(TimeSpan.FromHours(2));
        var later = await DaysAsync();
        later.Plan.At.ShouldBeGreaterThan(first.Plan.At);
        later.Plan.Moved.ShouldContain(move => move.Why == WhyMoved.NotBegun);
        later.Plan.Blocks.ShouldAllBe(block => block.EndsAt >= later.Now.AddMinutes(-5));
    }

    [Fact]
    public async Task A_draft_is_promised_and_what_is_not_there_is_not()
    {
        var bench = (await _shop.Client.GetFromJsonAsync<BenchView>("/api/bench", OpenJson.Options))!;
        var promise = (await _shop.Client.GetFromJsonAsync<Promise>($"/api/mends/{bench.Drafts[0].Id}/promise", OpenJson.Options))!;
        promise.ReadyAt.ShouldNotBeNull().ShouldBeGreaterThan(_shop.Time.GetUtcNow());
        (await _shop.Client.GetAsync("/api/mends/9999/promise")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task What_somebody_wants_of_a_mend_is_kept_and_followed()
    {
        var first = await DaysAsync();
        var id = first.Mends.First(mend => mend.Status == MendStatus.Draft && first.Plan.Mends.Any(each => each.Mend == mend.Id)).Id;
        var until = _shop.Time.GetUtcNow().AddDays(2);
        (await _shop.SendAsync(HttpMethod.Put, $"/api/mends/{id}/wish", new WishChange(new DayWish(until, "Wren", 5), new DayWish()))).IsSuccessStatusCode.ShouldBeTrue();
        var next = await DaysAsync();
        next.Mends.Single(mend => mend.Id == id).Wish.ShouldBe(new DayWish(until, "Wren", 5));
        next.Plan.Blocks.Where(block => block.Mend == id).ShouldAllBe(block => block.StartsAt >= until && block.Person == 0);
        var pinned = new DayWish(BeginAt: until, NotBy: ["Ash"]);
        (await _shop.SendAsync(HttpMethod.Put, $"/api/mends/{id}/wish", new WishChange(pinned, new DayWish(until, "Wren", 5)))).IsSuccessStatusCode.ShouldBeTrue();
        var kept = (await DaysAsync()).Mends.Single(mend => mend.Id == id).Wish;
        (kept.BeginAt, kept.Person, kept.Weight).ShouldBe((until, null, 1));
        kept.NotBy.ShouldBe(["Ash"]);
        (await _shop.SendAsync(HttpMethod.Put, "/api/mends/9999/wish", new WishChange(new DayWish(), new DayWish()))).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await Shop.ProblemAsync(await _shop.SendAsync(HttpMethod.Put, $"/api/mends/{id}/wish", new WishChange(pinned with { Person = "Nobody" }, pinned)))).Remedy.ToString().ShouldContain("Wren, Ash");
    }

    [Fact]
    public async Task What_two_want_of_one_mend_is_both_kept_and_where_they_collide_the_second_is_told()
    {
        var first = await DaysAsync();
        var id = first.Mends.First(mend => mend.Status == MendStatus.Draft && first.Plan.Mends.Any(each => each.Mend == mend.Id)).Id;
        Task<HttpResponseMessage> WantAsync(DayWish wish, DayWish was) => _shop.SendAsync(HttpMethod.Put, $"/api/mends/{id}/wish", new WishChange(wish, was));
        var seen = new DayWish();
        (await WantAsync(seen with { NotBy = ["Ash"] }, seen)).EnsureSuccessStatusCode();
        // An empty list is nobody, as none is.
        var both = (await (await WantAsync(seen with { Weight = 20, NotBy = [] }, seen)).Content.ReadFromJsonAsync<DayWish>(OpenJson.Options))!;
        (both.Weight, both.NotBy!.Single()).ShouldBe((20, "Ash"));
        var refused = await WantAsync(seen with { Weight = 5 }, seen);
        refused.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        (await Shop.ProblemAsync(refused)).Field.ShouldBe("wish.weight");
        (await DaysAsync()).Mends.Single(mend => mend.Id == id).Wish.Weight.ShouldBe(20);
        // Both are here, and one of them does it: whoever puts the two together is told where they contradict each other.
        (await WantAsync(seen with { Person = "Ash" }, seen)).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task Who_is_not_to_do_it_makes_the_plan_anew_each_time_it_changes()
    {
        var first = await DaysAsync();
        var id = first.Mends.First(mend => mend.Status == MendStatus.Draft && first.Plan.Blocks.Any(block => block.Mend == mend.Id)).Id;
        var was = new DayWish();
        foreach (var (name, person) in new[] { ("Wren", 0), ("Ash", 1), ("Wren", 0) })
        {
            var wish = new DayWish(NotBy: [name]);
            (await _shop.SendAsync(HttpMethod.Put, $"/api/mends/{id}/wish", new WishChange(wish, was))).EnsureSuccessStatusCode();
            (await DaysAsync()).Plan.Blocks.Where(block => block.Mend == id).ShouldAllBe(block => block.Person != person);
            was = wish;
        }
    }

    // RFC 5545: the calendar is read back by a reader of the format.
    [Fact]
    public async Task Each_person_has_a_calendar_under_an_address_that_outlives_a_restart_and_that_nobody_guesses()
    {
        var days = await DaysAsync();
        days.Calendars.Count.ShouldBe(3);
        foreach (var (person, address) in days.Calendars.Skip(1).Index())
        {
            var answer = await _shop.Client.GetAsync(address);
            answer.Content.Headers.ContentType!.MediaType.ShouldBe("text/calendar");
            var calendar = Ical.Net.Calendar.Load(await answer.Content.ReadAsStringAsync())!;
            var own = days.Plan.Blocks.Where(block => block.Person == person).ToList();
            calendar.Events.Select(each => each.Start!.AsUtc).ShouldBe(own.Select(block => block.StartsAt.UtcDateTime.AddTicks(-(block.StartsAt.UtcTicks % TimeSpan.TicksPerSecond))), ignoreOrder: true);
            calendar.Events.ShouldAllBe(each => each.Summary!.Contains(' '));
        }

        var whole = Ical.Net.Calendar.Load(await _shop.Client.GetStringAsync(days.Calendars[0]))!;
        whole.Events.Count.ShouldBe(days.Plan.Blocks.Count + days.Plan.Mends.Count(mend => mend.DueAt is not null));
        using var again = _shop.Restarted();
        (await again.Client.GetAsync(days.Calendars[1])).StatusCode.ShouldBe(HttpStatusCode.OK);
        (await _shop.Client.GetAsync("/calendar/0123456789abcdef0123456789abcdef/1.ics")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Theory]
    [InlineData(0, "floor.people")]
    [InlineData(2, "floor.people")]
    public async Task A_floor_that_cannot_be_is_refused_by_its_field(int people, string field)
    {
        var shop = (await _shop.Client.GetFromJsonAsync<ShopView>("/api/shop", OpenJson.Options))!;
        var floor = new ShopFloor([.. Enumerable.Repeat(new Technician("Twin"), people)]);
        var answer = await _shop.SendAsync(HttpMethod.Put, "/api/shop", shop.Settings with { Floor = floor }, shop.Version);
        answer.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await Shop.ProblemAsync(answer)).Field.ShouldBe(field);
        var never = floor with { People = [new Technician("Night", ComesHour: 20)] };
        (await Shop.ProblemAsync(await _shop.SendAsync(HttpMethod.Put, "/api/shop", shop.Settings with { Floor = never }, shop.Version))).Code.ShouldBe("never-there");
    }

    [Fact]
    public async Task What_follows_a_mend_goes_into_any_calendar()
    {
        using var shop = Shop.WithDemo();
        var text = await shop.Client.GetStringAsync("/api/mends/1/follow-ups.ics");
        var events = Ical.Net.Calendar.Load(text)!.Events;
        var mend = (await shop.Client.GetFromJsonAsync<AbleMend.Server.Mends.MendView>("/api/mends/1", OpenJson.Options))!;
        events.Single(each => each.Uid == "1-look@able-mend").Start!.AsUtc.ShouldBe(mend.Run!.LookAgainAt!.Value.UtcDateTime, TimeSpan.FromSeconds(1));
        events.Single(each => each.Uid == "1-full@able-mend").Summary!.ShouldContain(mend.Tag);
        (await shop.Client.GetAsync("/api/mends/13/follow-ups.ics")).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity, "a draft has nothing that follows");
        (await shop.Client.GetAsync("/api/mends/999/follow-ups.ics")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task The_air_of_the_day_counts_what_was_done_and_what_is_planned_and_says_so_where_no_room_is_known()
    {
        var air = (await _shop.Client.GetFromJsonAsync<AirView>("/api/air", OpenJson.Options))!;
        var day = air.Day.ShouldNotBeNull();
        air.Vapours.ShouldNotBeEmpty();
        air.Vapours.ShouldAllBe(each => each.Grams > 0 && each.Tag.Length > 0);
        day.Moments.Count.ShouldBe(24 * 12 + 1);
        day.Highest.ShouldBeGreaterThan(0);
        var settings = (await _shop.Client.GetFromJsonAsync<ShopView>("/api/shop", OpenJson.Options))!;
        (await _shop.SendAsync(HttpMethod.Put, "/api/shop", settings.Settings with { Bench = settings.Settings.Bench with { RoomM3 = null } }, settings.Version)).StatusCode.ShouldBe(HttpStatusCode.OK);
        _shop.Time.Advance(TimeSpan.FromSeconds(1));
        (await _shop.Client.GetFromJsonAsync<AirView>("/api/air", OpenJson.Options))!.ShouldSatisfyAllConditions(each => each.Day.ShouldBeNull(), each => each.Vapours.ShouldBeEmpty());
    }
}
