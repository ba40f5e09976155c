using System.Net;
using System.Net.Http.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Running;
using AbleMend.Server.Log;
using AbleMend.Server.Mends;

namespace AbleMend.Server.Tests;

public sealed class MendTests : IDisposable
{
    private readonly Shop _shop = Shop.Empty();

    public void Dispose() => _shop.Dispose();

    [Fact]
    public async Task A_draft_is_planned_as_it_stands()
    {
        var mend = await _shop.OpenMendAsync();
        mend.Status.ShouldBe(MendStatus.Draft);
        mend.Plan.ShouldNotBeNull();
        mend.Run.ShouldBeNull();
        (await BenchAsync()).Drafts.Single().Tag.ShouldBe("BRD-01");
    }

    [Fact]
    public async Task A_changed_case_is_kept_and_counts_the_version_up()
    {
        var mend = await _shop.OpenMendAsync();
        var deeper = mend.Case.Damaged(damage => damage with { DepthMm = 9 });
        var changed = await Shop.ReadAsync(await PutCaseAsync(mend, deeper));
        changed.Version.ShouldBe(mend.Version + 1);
        (await GetAsync(mend.Id)).Case.Damage.DepthMm.ShouldBe(9);
    }

    [Fact]
    public async Task A_faulty_case_is_refused_and_what_was_kept_stays()
    {
        var mend = await _shop.OpenMendAsync();
        var answer = await PutCaseAsync(mend, mend.Case.Damaged(damage => damage with { DepthMm = -3 }));
        answer.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await Shop.ProblemAsync(answer)).Field.ShouldBe("damages[0].seen.depthMm");
        (await GetAsync(mend.Id)).Case.Damage.DepthMm.ShouldBe(3.5);
    }

    [Fact]
    public async Task Two_windows_on_one_mend_get_a_clear_conflict_and_lose_nothing()
    {
        var mend = await _shop.OpenMendAsync();
        await Shop.ReadAsync(await PutCaseAsync(mend, mend.Case.Damaged(damage => damage with { DepthMm = 5 })));
        var answer = await PutCaseAsync(mend, mend.Case.Damaged(damage => damage with { DepthMm = 7 }));
        answer.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        (await Shop.ProblemAsync(answer)).Code.ShouldBe("changed-elsewhere");
        (await GetAsync(mend.Id)).Case.Damage.DepthMm.ShouldBe(5);
    }

    [Fact]
    public async Task Many_at_once_keep_exactly_one()
    {
        var mend = await _shop.OpenMendAsync();
        var answers = await Task.WhenAll(Enumerable.Range(1, 8).Select(i =>
            PutCaseAsync(mend, mend.Case.Damaged(damage => damage with { DepthMm = i }))));
        answers.Count(answer => answer.IsSuccessStatusCode).ShouldBe(1);
        answers.Count(answer => answer.StatusCode == HttpStatusCode.Conflict).ShouldBe(7);
        (await GetAsync(mend.Id)).Version.ShouldBe(mend.Version + 1);
    }

    [Fact]
    public async Task Starting_freezes_the_plan()
    {
        var started = await _shop.StartAsync(await _shop.OpenMendAsync());
        started.Status.ShouldBe(MendStatus.Running);
        started.Plan!.StartAt.ShouldBe(_shop.Time.GetUtcNow());
        _shop.Time.Advance(TimeSpan.FromHours(5));
        (await GetAsync(started.Id)).Plan!.StartAt.ShouldBe(started.Plan.StartAt);
        (await PutCaseAsync(started, started.Case)).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task A_wait_survives_a_restart_to_the_second()
    {
        var mend = await ToFirstCureAsync();
        var before = mend.Run!.Window!;
        using var restarted = _shop.Restarted();
        _shop.Time.Advance(TimeSpan.FromMinutes(17));
        var after = (await restarted.Client.GetFromJsonAsync<MendView>($"/api/mends/{mend.Id}", OpenJson.Options))!;
        after.Run!.Window!.OpensAt.ShouldBe(before.OpensAt);
        after.Events.Count.ShouldBe(mend.Events.Count);
        after.Version.ShouldBe(mend.Version);
    }

    [Fact]
    public async Task The_bench_says_when_a_window_has_opened()
    {
        var mend = await ToFirstCureAsync();
        (await BenchAsync()).Entries.Single().Urgency.ShouldBe(Urgency.Waiting);
        _shop.Time.SetUtcNow(mend.Run!.Window!.OpensAt!.Value);
        (await BenchAsync()).Entries.Single().Urgency.ShouldBe(Urgency.HandsNow);
    }

    [Fact]
    public async Task What_cannot_happen_now_is_refused()
    {
        var mend = await _shop.StartAsync(await _shop.OpenMendAsync());
        var answer = await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{mend.Id}/events", new Happening(RunEventKind.Ready, mend.Run!.CurrentStepId), mend.Version);
        (await Shop.ProblemAsync(answer)).Code.ShouldBe("not-now");
    }

    [Fact]
    public async Task A_measure_past_its_limit_fails_whatever_was_said()
    {
        var mend = await ToStepAsync("prove-float");
        var tested = await _shop.HappenedAsync(mend, new Happening(RunEventKind.Proof, "prove-float", Value: 38, Passed: true));
        tested.Run!.Phase.ShouldBe(StepPhase.Failed);
    }

    [Fact]
    public async Task A_mend_is_proven_handed_back_and_found_again()
    {
        var mend = await ToStepAsync(null);
        mend.Run!.CurrentStepId.ShouldBeNull();
        var closed = await _shop.HappenedAsync(mend, new Happening(RunEventKind.HandBack, Text: "Look at the edge in autumn"));
        closed.Status.ShouldBe(MendStatus.HandedBack);
        (await LogAsync("autumn")).Single().Id.ShouldBe(mend.Id);
        (await LogAsync("brd-01 deck")).Single().Id.ShouldBe(mend.Id);
        (await LogAsync("winter")).ShouldBeEmpty();
        (await BenchAsync()).Entries.ShouldBeEmpty();
    }

    [Fact]
    public async Task A_mend_for_now_books_its_proper_repair()
    {
        var forNow = Shop.DeckDing() with { Wanted = new Wanted(Permanence.ForNow) };
        var mend = await ToStepAsync(null, forNow);
        var closed = await _shop.HappenedAsync(mend, new Happening(RunEventKind.HandBack, Text: "For now"));
        var follower = await GetAsync(closed.FollowedByMendId!.Value);
        follower.FollowsMendId.ShouldBe(mend.Id);
        follower.Status.ShouldBe(MendStatus.Draft);
        follower.Case.Wanted.Permanence.ShouldBe(Permanence.Lasting);
        follower.DueAt.ShouldBe(closed.Plan!.ProperRepairBy);
    }

    [Fact]
    public async Task Taking_the_hand_back_back_books_no_second_repair()
    {
        var mend = await ToStepAsync(null, Shop.DeckDing() with { Wanted = new Wanted(Permanence.ForNow) });
        var closed = await _shop.HappenedAsync(mend, new Happening(RunEventKind.HandBack, Text: "For now"));
        var open = await _shop.HappenedAsync(closed, new Happening(RunEventKind.Undo));
        open.Status.ShouldBe(MendStatus.Running);
        await _shop.HappenedAsync(open, new Happening(RunEventKind.HandBack, Text: "Really"));
        (await BenchAsync()).Drafts.Count.ShouldBe(1);
    }

    [Fact]
    public async Task What_is_not_mended_here_is_logged_with_its_reason()
    {
        var across = Shop.DeckDing().Damaged(damage => damage with { Kind = Core.Gear.DamageKind.Crack, Shape = new Core.Gear.CrackShape(480, 6), DepthMm = 20, AcrossWholeWidth = true });
        var mend = await _shop.OpenMendAsync(across);
        var sent = await Shop.ReadAsync(await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{mend.Id}/send-on", null, mend.Version));
        sent.Status.ShouldBe(MendStatus.SentOn);
        (await LogAsync("retire")).Single().Words!.ToString().ShouldContain("side to side");
        var start = await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{mend.Id}/start", null, sent.Version);
        start.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task What_is_mended_here_is_not_sent_on()
    {
        var mend = await _shop.OpenMendAsync();
        var answer = await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{mend.Id}/send-on", null, mend.Version);
        (await Shop.ProblemAsync(answer)).Code.ShouldBe("mended-here");
    }

    [Fact]
    public async Task Only_a_draft_is_thrown_away()
    {
        var mend = await _shop.OpenMendAsync();
        (await _shop.SendAsync(HttpMethod.Delete, $"/api/mends/{mend.Id}", null, mend.Version)).IsSuccessStatusCode.ShouldBeTrue();
        (await _shop.Client.GetAsync($"/api/mends/{mend.Id}")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        var running = await _shop.StartAsync(await _shop.OpenMendAsync(tag: "BRD-02"));
        (await _shop.SendAsync(HttpMethod.Delete, $"/api/mends/{running.Id}", null, running.Version)).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    [Fact]
    public async Task The_template_comes_as_SVG_and_as_PDF()
    {
        var mend = await _shop.OpenMendAsync(Shop.DeckDing().Chosen(new Choice("fill-glass-coat", "epoxy-2to1")));
        var svg = await _shop.Client.GetAsync($"/api/mends/{mend.Id}/template.svg");
        svg.Content.Headers.ContentType!.MediaType.ShouldBe("image/svg+xml");
        (await svg.Content.ReadAsStringAsync()).ShouldContain("class=\"ruler\"");
        var pdf = await _shop.Client.GetByteArrayAsync($"/api/mends/{mend.Id}/template.pdf");
        System.Text.Encoding.ASCII.GetString(pdf, 0, 5).ShouldBe("%PDF-");
    }

    [Fact]
    public async Task A_mend_without_patches_has_no_template()
    {
        var mend = await _shop.OpenMendAsync(Shop.DeckDing().Chosen(new Choice("uv-under-film", "uv-polyester")));
        (await Shop.ProblemAsync(await _shop.Client.GetAsync($"/api/mends/{mend.Id}/template.svg"))).Code.ShouldBe("no-patches");
    }

    private Task<MendView> ToFirstCureAsync() => ToStepAsync("glass", Shop.DeckDing() with
    {
        Damages = [new DamageToMend(Shop.DeckDing().Damage with { DepthMm = 0.6 }, new Choice("fill-glass-coat", "epoxy-2to1"))],
    }, handsDone: true);

    /// <summary>Goes through a mend by touch alone until a step is next (or its hands are done), or to the end.</summary>
    private async Task<MendView> ToStepAsync(string? stepId, RepairCase? repairCase = null, bool handsDone = false)
    {
        var mend = await _shop.StartAsync(await _shop.OpenMendAsync(repairCase ?? Shop.DeckDing().Chosen(new Choice("fill-glass-coat", "epoxy-2to1"))));
        while (mend.Run!.CurrentStepId is { } current)
        {
            var reached = current == stepId;
            if (reached && (!handsDone || mend.Run.Phase == StepPhase.Waiting))
            {
                break;
            }

            _shop.Time.Advance(TimeSpan.FromMinutes(3));
            var proof = mend.Plan!.Steps.Single(step => step.Id == current).Proof;
            mend = await _shop.HappenedAsync(mend, mend.Run.Phase == StepPhase.Waiting ? new Happening(RunEventKind.Ready, current)
                : proof is not null ? new Happening(RunEventKind.Proof, current, Value: 0.5, Passed: true)
                : new Happening(RunEventKind.HandsDone, current));
        }

        return mend;
    }

    private Task<HttpResponseMessage> PutCaseAsync(MendView mend, RepairCase repairCase) =>
        _shop.SendAsync(HttpMethod.Put, $"/api/mends/{mend.Id}/case", repairCase, mend.Version);

    private async Task<MendView> GetAsync(int id) => (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{id}", OpenJson.Options))!;

    private async Task<BenchView> BenchAsync() => (await _shop.Client.GetFromJsonAsync<BenchView>("/api/bench", OpenJson.Options))!;

    private async Task<IReadOnlyList<LogEntry>> LogAsync(string q) => (await _shop.Client.GetFromJsonAsync<LogPage>($"/api/log?q={q}", OpenJson.Options))!.Entries;
}
