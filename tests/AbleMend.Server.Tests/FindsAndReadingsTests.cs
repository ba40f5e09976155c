using System.Net.Http.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Gear;
using AbleMend.Core.Proving;
using AbleMend.Core.Running;
using AbleMend.Server.Mends;

namespace AbleMend.Server.Tests;

/// <summary>What is found and read at the bench, kept, restarted, and on the item's record.</summary>
public sealed class FindsAndReadingsTests : IDisposable
{
    private readonly Shop _shop = Shop.Empty();

    private static readonly RepairCase Tube = Shop.DeckDing("csm-boat") with
    {
        Damages = [new DamageToMend(new Damage(DamageKind.Puncture, "tube", new RoundShape(4), 0.5, false, Cause.Knock, Located: true, Finds: [new Find("soapy-water", "by the valve")]))],
    };

    public void Dispose() => _shop.Dispose();

    [Fact]
    public async Task Readings_of_a_gauge_survive_a_restart_and_judge_the_test()
    {
        var mend = await ToTheHoldTestAsync();
        for (var i = 0; i < 10; i++)
        {
            mend = await _shop.HappenedAsync(mend, new Happening(RunEventKind.Pressure, mend.Run!.CurrentStepId, Value: 20 + (i % 2 * 0.01), AirC: 21.5, BarometerKpa: 99.8));
            _shop.Time.Advance(TimeSpan.FromHours(1));
        }

        using var restarted = _shop.Restarted();
        var after = (await restarted.Client.GetFromJsonAsync<MendView>($"/api/mends/{mend.Id}", OpenJson.Options))!;
        after.Run!.Hold!.Verdict.ShouldBe(HoldVerdict.Pass);
        after.Run.Hold.ShouldBe(mend.Run!.Hold);
        after.Events[^1].ShouldBe(mend.Events[^1]);
        (after.Events[^1].AirC, after.Events[^1].BarometerKpa).ShouldBe((21.5, 99.8));
    }

    [Fact]
    public async Task A_reading_that_cannot_be_is_named_and_nothing_is_lost()
    {
        var mend = await ToTheHoldTestAsync();
        var answer = await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{mend.Id}/events", new Happening(RunEventKind.Pressure, mend.Run!.CurrentStepId, Value: -3), mend.Version);
        var problem = await Shop.ProblemAsync(answer);
        (problem.Field, problem.Remedy).ShouldBe(("value", "Read the gauge again."));
    }

    [Fact]
    public async Task What_was_found_on_an_item_stands_on_its_record()
    {
        var item = await _shop.AddItemAsync("RIB-01", "csm-boat");
        var first = await OpenAsync(item, Tube);
        first = await _shop.StartAsync(first);
        first = await _shop.HappenedAsync(first, new Happening(RunEventKind.Find, first.Run!.CurrentStepId, Text: "seam under the towing ring"));
        first = await _shop.HappenedAsync(first, new Happening(RunEventKind.Find, first.Run!.CurrentStepId, Text: "a mistake"));
        first = await _shop.HappenedAsync(first, new Happening(RunEventKind.Undo));
        first.FoundBefore.ShouldBeEmpty("its own finds are no news to a mend");
        var second = await OpenAsync(item, Tube.Damaged(damage => damage with { Finds = null }));
        second.FoundBefore.Select(find => find.Place).ShouldBe(["seam under the towing ring", "by the valve"], ignoreOrder: true);
        second.FoundBefore.ShouldAllBe(find => find.MendId == first.Id);
    }

    private async Task<MendView> OpenAsync(int item, RepairCase repairCase) =>
        await Shop.ReadAsync(await _shop.SendAsync(HttpMethod.Post, "/api/mends", new NewMend(item, repairCase)));

    private async Task<MendView> ToTheHoldTestAsync()
    {
        var mend = await _shop.StartAsync(await OpenAsync(await _shop.AddItemAsync("RIB-01", "csm-boat"), Tube));
        while (mend.Plan!.Steps.Single(step => step.Id == mend.Run!.CurrentStepId) is { Proof: not HoldTest.ProofId } step)
        {
            _shop.Time.Advance(TimeSpan.FromMinutes(3));
            mend = await _shop.HappenedAsync(mend, mend.Run!.Phase == StepPhase.Waiting ? new Happening(RunEventKind.Ready, step.Id)
                : step.Proof is not null ? new Happening(RunEventKind.Proof, step.Id, Passed: true)
                : new Happening(RunEventKind.HandsDone, step.Id));
        }

        return mend;
    }
}
