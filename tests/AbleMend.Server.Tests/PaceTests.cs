using System.Net.Http.Json;
using AbleMend.Core;
using AbleMend.Core.Running;
using AbleMend.Core.Stock;
using AbleMend.Data;
using AbleMend.Server.Mends;
using AbleMend.Server.Shelf;
using Microsoft.Extensions.DependencyInjection;

namespace AbleMend.Server.Tests;

/// <summary>What was felt at one mend is known at the next that uses the same lot, and no longer where a new one was opened.</summary>
public sealed class PaceTests : IDisposable
{
    private readonly Shop _shop = Shop.WithDemo();

    public void Dispose() => _shop.Dispose();

    /// <summary>A mend that waits for something that a finger tells.</summary>
    private async Task<(MendView Mend, string Material)> WaitingAsync()
    {
        var opened = (await (await _shop.Client.PostAsync("/api/gallery/fin-box-surround", null)).Content.ReadFromJsonAsync<MendView>(OpenJson.Options))!;
        var mend = await Shop.ReadAsync(await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{opened.Id}/start", null, opened.Version));
        while (true)
        {
            var step = mend.Plan!.Steps.First(each => each.Id == mend.Run!.CurrentStepId);
            if (mend.Run!.Window is not null && step.Timing.Wait!.Material is { } material)
            {
                return (mend, material);
            }

            _shop.Time.Advance(TimeSpan.FromMinutes(4));
            mend = await _shop.HappenedAsync(mend, new Happening(mend.Run!.Phase == StepPhase.Waiting ? RunEventKind.Ready : RunEventKind.HandsDone, step.Id));
        }
    }

    private async Task<MendView> LookAsync(MendView mend, RunEventKind found, TimeSpan after)
    {
        _shop.Time.Advance(after);
        return await _shop.HappenedAsync(mend, new Happening(found, mend.Run!.CurrentStepId));
    }

    private async Task<MendView> SeenAsync(int id) => (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{id}", OpenJson.Options))!;

    /// <summary>Two looks that lie close about a time that is a third past the label's.</summary>
    private async Task<MendView> SlowAsync(MendView mend)
    {
        var window = mend.Run!.Window!;
        var left = (window.Pace?.LabelAt ?? window.OpensAt!.Value) - _shop.Time.GetUtcNow();
        mend = await LookAsync(mend, RunEventKind.NotYet, left * 1.28);
        return await LookAsync(mend, RunEventKind.Ready, left * 0.08);
    }

    [Fact]
    public async Task What_was_felt_is_known_to_a_draft_to_the_shelf_and_to_who_is_waiting()
    {
        var (waiting, material) = await WaitingAsync();
        await SlowAsync((await WaitingAsync()).Mend);

        var (felt, _) = await WaitingAsync();
        felt = await SlowAsync(felt);
        var pace = felt.Events.Last(each => each.Kind == RunEventKind.Pace).Pace!;
        pace.ShouldSatisfyAllConditions(each => each.Material.ShouldBe(material), each => each.Rate.ShouldBeInRange(0.7, 0.9), each => each.Looks.ShouldBe(4), each => each.Counts.ShouldBeTrue());

        (await _shop.Service<PaceRounds>().TellAsync(CancellationToken.None)).ShouldBeGreaterThanOrEqualTo(1);
        (await SeenAsync(waiting.Id)).Run!.Window!.Pace.ShouldNotBeNull().Looks.ShouldBe(4);
        (await _shop.Service<PaceRounds>().TellAsync(CancellationToken.None)).ShouldBe(0, "what was told is not told again");

        var draft = (await (await _shop.Client.PostAsync("/api/gallery/fin-box-surround", null)).Content.ReadFromJsonAsync<MendView>(OpenJson.Options))!;
        (await SeenAsync(draft.Id)).ShouldSatisfyAllConditions(each => each.Case.Paces!.ShouldHaveSingleItem().ShouldBe(pace), each => each.Plan!.Warnings.ShouldContain(warning => warning.Code == "learnt-pace"));
        var lots = (await _shop.Client.GetFromJsonAsync<ShelfView>("/api/shelf", OpenJson.Options))!.Lots.Where(lot => lot.Lot.Material == material).ToList();
        lots.Count(lot => lot.Pace is not null).ShouldBeLessThanOrEqualTo(1);
    }

    [Fact]
    public async Task A_look_that_is_taken_back_teaches_nothing()
    {
        var (felt, material) = await WaitingAsync();
        felt = await SlowAsync(felt);
        felt = await _shop.HappenedAsync(felt, new Happening(RunEventKind.Undo));
        felt = await _shop.HappenedAsync(felt, new Happening(RunEventKind.Undo));
        felt.Events.Last(each => each.Kind == RunEventKind.Pace).ShouldSatisfyAllConditions(each => each.Text.ShouldBe(material), each => each.Looks.ShouldBe(0), each => each.Pace.ShouldBeNull());
        felt.Run!.Window!.Pace.ShouldBeNull();
        var draft = (await (await _shop.Client.PostAsync("/api/gallery/fin-box-surround", null)).Content.ReadFromJsonAsync<MendView>(OpenJson.Options))!;
        (await SeenAsync(draft.Id)).Case.Paces.ShouldBeNull();
    }

    [Fact]
    public async Task A_new_lot_begins_at_its_label()
    {
        var (felt, material) = await WaitingAsync();
        await SlowAsync(felt);
        foreach (var lot in (await _shop.Client.GetFromJsonAsync<ShelfView>("/api/shelf", OpenJson.Options))!.Lots.Where(lot => lot.Lot.Material == material))
        {
            (await _shop.Client.PutAsJsonAsync($"/api/shelf/{lot.Name}", new LotChange(lot.Lot with { GoneOn = DateOnly.FromDateTime(_shop.Time.GetUtcNow().UtcDateTime) }, lot.Lot), OpenJson.Options)).EnsureSuccessStatusCode();
        }

        (await _shop.Client.PutAsJsonAsync("/api/shelf/new-tin", new LotChange(new Lot(material, Id: "new-tin", Had: 500)), OpenJson.Options)).EnsureSuccessStatusCode();
        var (next, _) = await WaitingAsync();
        next.Run!.Window!.Pace.ShouldBeNull();
        next.Case.Paces.ShouldBeNull();
    }

    [Fact]
    public async Task What_was_learnt_of_a_product_that_the_shop_no_longer_has_is_in_nobodys_way()
    {
        var draft = (await (await _shop.Client.PostAsync("/api/gallery/fin-box-surround", null)).Content.ReadFromJsonAsync<MendView>(OpenJson.Options))!;
        using (var scope = _shop.Service<IServiceScopeFactory>().CreateScope())
        {
            var db = scope.ServiceProvider.GetRequiredService<MendDb>();
            db.Looks.Add(new LookRow { MendId = draft.Id, StepId = "glass", Material = "own-epoxy-of-once", Lot = "own-epoxy-of-once", LabelMin = 300, NotYetMin = 300, ReadyMin = 330, Looks = 2 });
            await db.SaveChangesAsync();
        }

        _shop.Service<PaceTurns>().Turn();
        var seen = await SeenAsync(draft.Id);
        seen.Problems.ShouldBeEmpty();
        seen.Plan.ShouldNotBeNull();
        (await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{draft.Id}/start", null, draft.Version)).EnsureSuccessStatusCode();
        (await _shop.Client.GetAsync("/api/days")).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task What_was_learnt_survives_a_restart()
    {
        var (felt, _) = await WaitingAsync();
        felt = await SlowAsync(felt);
        using var again = _shop.Restarted();
        var seen = (await again.Client.GetFromJsonAsync<MendView>($"/api/mends/{felt.Id}", OpenJson.Options))!;
        seen.Events.Last(each => each.Kind == RunEventKind.Pace).Pace.ShouldBe(felt.Events.Last(each => each.Kind == RunEventKind.Pace).Pace);
        var draft = (await (await again.Client.PostAsync("/api/gallery/fin-box-surround", null)).Content.ReadFromJsonAsync<MendView>(OpenJson.Options))!;
        (await again.Client.GetFromJsonAsync<MendView>($"/api/mends/{draft.Id}", OpenJson.Options))!.Case.Paces.ShouldHaveSingleItem();
    }
}
