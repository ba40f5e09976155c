using System.Net;
using System.Net.Http.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Mixing;
using AbleMend.Core.Running;
using AbleMend.Server.Mends;

namespace AbleMend.Server.Tests;

/// <summary>Another device for a mend that is under way is in the shop's file, with the plan that follows from it.</summary>
public sealed class OtherDeviceTests : IDisposable
{
    private static readonly ScaleDevice Scale = new(0.1);
    private readonly Shop _shop = Shop.Empty();

    public void Dispose() => _shop.Dispose();

    private async Task<MendView> StartedAsync()
    {
        var ding = Shop.DeckDing();
        return await _shop.StartAsync(await _shop.OpenMendAsync(ding with { Damages = [ding.Damages[0] with { Choice = new Choice("fill-glass-coat", "epoxy-2to1", "glass-203") }] }));
    }

    private static double Batch(MendView mend) => mend.Plan!.Figures.First(figure => figure.Id == "glass.batch").Value;

    [Fact]
    public async Task A_scale_that_was_taken_is_there_after_a_restart_and_gone_once_it_is_taken_back()
    {
        var mend = await StartedAsync();
        mend.Run!.Device.ShouldBe(mend.Case.Tools.Measure);
        var other = await _shop.HappenedAsync(mend, new Happening(RunEventKind.MeasuredWith, Device: Scale));
        (other.Run!.Device, other.Events[^1].Device, other.Case.Tools.Measure).ShouldBe((Scale, Scale, mend.Case.Tools.Measure));
        Batch(other).ShouldNotBe(Batch(mend));
        using (var restarted = _shop.Restarted())
        {
            var after = (await restarted.Client.GetFromJsonAsync<MendView>($"/api/mends/{mend.Id}", OpenJson.Options))!;
            (after.Run!.Device, Batch(after)).ShouldBe((Scale, Batch(other)));
        }

        var undone = await _shop.HappenedAsync(other, new Happening(RunEventKind.Undo));
        (undone.Run!.Device, Batch(undone)).ShouldBe((mend.Run.Device, Batch(mend)));
    }

    [Theory]
    [InlineData("""{"kind":"measured-with"}""", "device")]
    [InlineData("""{"kind":"measured-with","device":{"kind":"scale","stepG":0}}""", "device.stepG")]
    [InlineData("""{"kind":"measured-with","device":{"kind":"spoon"}}""", "device")]
    [InlineData("""{"kind":"measured-with","device":{"stepG":1}}""", "device")]
    [InlineData("""{"kind":"note","text":"x","device":{"kind":"scale","stepG":1}}""", "device")]
    public async Task What_is_no_device_is_refused_by_its_field_and_nothing_is_kept(string body, string field)
    {
        var mend = await StartedAsync();
        using var answer = await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{mend.Id}/events", System.Text.Json.JsonDocument.Parse(body).RootElement, mend.Version);
        answer.StatusCode.ShouldBeOneOf(HttpStatusCode.BadRequest, HttpStatusCode.UnprocessableEntity);
        (await Shop.ProblemAsync(answer)).Field.ShouldStartWith(field);
        (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{mend.Id}", OpenJson.Options))!.Version.ShouldBe(mend.Version);
    }
}
