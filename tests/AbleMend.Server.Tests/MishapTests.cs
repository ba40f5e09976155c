using System.Net;
using System.Net.Http.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Rescuing;
using AbleMend.Core.Running;
using AbleMend.Server.Mends;

namespace AbleMend.Server.Tests;

/// <summary>A remedy that joined a plan is in the shop's file: it is there after a restart, and gone once it is taken back.</summary>
public sealed class MishapTests : IDisposable
{
    private readonly Shop _shop = Shop.Empty();

    public void Dispose() => _shop.Dispose();

    /// <summary>A mend that waits for its cloth to set.</summary>
    private async Task<MendView> WaitingAsync()
    {
        var ding = Shop.DeckDing();
        var mend = await _shop.StartAsync(await _shop.OpenMendAsync(ding with { Damages = [ding.Damages[0] with { Choice = new Choice("fill-glass-coat", "epoxy-2to1", "glass-203") }] }));
        while (mend.Run!.CurrentStepId != "glass" || mend.Run.Phase != StepPhase.Waiting)
        {
            mend = await _shop.HappenedAsync(mend, new Happening(mend.Run.Phase == StepPhase.Waiting ? RunEventKind.Ready : RunEventKind.HandsDone, mend.Run.CurrentStepId));
        }

        return mend;
    }

    private static async Task<MendView> SeenAsync(Shop shop, int id) => (await shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{id}", OpenJson.Options))!;

    [Fact]
    public async Task A_remedy_is_there_after_a_restart_and_gone_once_it_is_taken_back()
    {
        var mend = await WaitingAsync();
        var offered = (await _shop.Client.GetFromJsonAsync<List<OfferedMishap>>($"/api/mends/{mend.Id}/mishaps/glass", OpenJson.Options))!;
        offered.Select(mishap => mishap.Id).ShouldContain("tacky");
        var wrong = await _shop.HappenedAsync(mend, new Happening(RunEventKind.Mishap, "glass", "tacky/ratio"));
        wrong.Run!.CurrentStepId.ShouldBe($"rescue-{wrong.Events[^1].Number}-1");
        (await SeenAsync(_shop, mend.Id)).Run!.CurrentStepId.ShouldBe(wrong.Run.CurrentStepId);
        (await BenchStepsAsync(_shop)).ShouldBe(mend.Plan!.Steps.Count + 2);
        using (var restarted = _shop.Restarted())
        {
            var after = await SeenAsync(restarted, mend.Id);
            after.Plan!.Steps.Select(step => step.Id).ShouldBe(wrong.Plan!.Steps.Select(step => step.Id));
            (after.Run!.CurrentStepId, await BenchStepsAsync(restarted)).ShouldBe((wrong.Run.CurrentStepId, mend.Plan.Steps.Count + 2));
        }

        var undone = await _shop.HappenedAsync(wrong, new Happening(RunEventKind.Undo));
        undone.Plan!.Steps.Select(step => step.Id).ShouldBe(mend.Plan.Steps.Select(step => step.Id));
        (undone.Run!.CurrentStepId, undone.Run.Phase, await BenchStepsAsync(_shop)).ShouldBe(("glass", StepPhase.Waiting, mend.Plan.Steps.Count));
        using var again = _shop.Restarted();
        (await SeenAsync(again, mend.Id)).Plan!.Steps.Count.ShouldBe(mend.Plan.Steps.Count);
    }

    [Fact]
    public async Task What_goes_wrong_nowhere_near_is_refused_and_nothing_is_kept()
    {
        var mend = await WaitingAsync();
        var answer = await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{mend.Id}/events", new Happening(RunEventKind.Mishap, "glass", "weld/cold"), mend.Version);
        (await Shop.ProblemAsync(answer)).Field.ShouldBe("text");
        (await SeenAsync(_shop, mend.Id)).Version.ShouldBe(mend.Version);
        (await _shop.Client.GetAsync("/api/mends/999/mishaps/glass")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await _shop.Client.GetFromJsonAsync<List<OfferedMishap>>($"/api/mends/{mend.Id}/mishaps/coat-mix", OpenJson.Options))!.ShouldBeEmpty("that step is not in hand");
    }

    /// <summary>How many steps the bench counts, which reads a mend by another way than its own page.</summary>
    private static async Task<int> BenchStepsAsync(Shop shop) => (await shop.Client.GetFromJsonAsync<BenchView>("/api/bench", OpenJson.Options))!.Entries.Single().StepsAll;
}
