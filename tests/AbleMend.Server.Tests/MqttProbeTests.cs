extern alias devices;

using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using AbleMend.Core;
using AbleMend.Core.Instruments;
using AbleMend.Server.Instruments;
using devices::AbleMend.Devices;
using MQTTnet;
using MQTTnet.Protocol;
using MQTTnet.Server;

namespace AbleMend.Server.Tests;

/// <summary>Probes that publish to a broker, against a broker inside the test.</summary>
public sealed class MqttProbeTests
{
    [Theory]
    [InlineData("humidity=shop/bench", "shop/bench", "")]
    [InlineData("air-temperature=shop/bench@climate.t", "shop/bench", "climate.t")]
    [InlineData("surface-temperature=a@b", "a", "b")]
    public void A_topic_is_what_and_where(string text, string topic, string path)
    {
        var read = MqttTopic.Parse(text).ShouldNotBeNull();
        (read.Topic, string.Join('.', read.Path)).ShouldBe((topic, path));
    }

    [Theory]
    [InlineData("")]
    [InlineData("humidity")]
    [InlineData("humidity=")]
    [InlineData("wetness=shop/bench")]
    [InlineData("humidity=shop/#")]
    [InlineData("humidity=shop/+/bench")]
    [InlineData("humidity=shop/bench@a..b")]
    public void What_is_no_topic_is_refused(string text) => MqttTopic.Parse(text).ShouldBeNull();

    [Theory]
    [InlineData("humidity=t", "54.5", 54.5)]
    [InlineData("humidity=t", " -3 ", -3.0)]
    [InlineData("humidity=t@rh", """{"rh":54.5,"t":20}""", 54.5)]
    [InlineData("humidity=t@a.rh", """{"a":{"rh":"61"}}""", 61.0)]
    [InlineData("humidity=t", "54,5", null)]
    [InlineData("humidity=t", "NaN", null)]
    [InlineData("humidity=t", "1e400", null)]
    [InlineData("humidity=t@rh", "54.5", null)]
    [InlineData("humidity=t@rh", """{"rh":null}""", null)]
    [InlineData("humidity=t@rh", """{"rh":1e999}""", null)]
    [InlineData("humidity=t@rh", "{", null)]
    public void A_message_says_a_number_or_nothing(string topic, string message, double? value) => (MqttTopic.Parse(topic)!.Read(message)?.Value).ShouldBe(value);

    [Fact]
    public void A_long_message_is_passed_over() => MqttTopic.Parse("humidity=t")!.Read(new string('1', 100_000)).ShouldBeNull();

    [Fact]
    public async Task What_probes_publish_is_on_the_bench_also_after_the_broker_was_away()
    {
        var (bench, port) = (Shop.FreePort(), Shop.FreePort());
        using var shop = Shop.WithInstruments(bench);
        using var stop = new CancellationTokenSource();
        var probe = new MqttProbe(new Broker(new Address("127.0.0.1", port), "bench", "secret"), [MqttTopic.Parse("air-temperature=shop/bench@t")!, MqttTopic.Parse("humidity=shop/bench@rh")!, MqttTopic.Parse("surface-temperature=shop/item")!], "probes", _ => 0.1, TextWriter.Null);
        var carrying = new Cable("127.0.0.1", bench, TextWriter.Null).CarryAsync(probe.Instrument, probe.ReadAsync, MqttProbe.Heard, stop.Token);
        for (var round = 0; round < 2; round++)
        {
            using var broker = Broker(port);
            await broker.StartAsync();
            await SeenAsync(shop, broker, "shop/bench", $$"""{"t":{{(17.5 + round).ToString(CultureInfo.InvariantCulture)}},"rh":61}""", each => each.What == Measurand.AirTemperature && each.Value == 17.5 + round);
            await SeenAsync(shop, broker, "shop/item", "14.2", each => each is { What: Measurand.SurfaceTemperature, Value: 14.2, Step: 0.1 });
            await broker.StopAsync();
        }

        await stop.CancelAsync();
        await carrying;
    }

    private static MqttServer Broker(int port)
    {
        var broker = new MqttServerFactory().CreateMqttServer(new MqttServerOptionsBuilder().WithDefaultEndpoint().WithDefaultEndpointPort(port).WithDefaultEndpointBoundIPAddress(IPAddress.Loopback).WithDefaultEndpointBoundIPV6Address(IPAddress.None).Build());
        broker.ValidatingConnectionAsync += asked =>
        {
            asked.ReasonCode = (asked.UserName, asked.Password) == ("bench", "secret") ? MqttConnectReasonCode.Success : MqttConnectReasonCode.BadUserNameOrPassword;
            return Task.CompletedTask;
        };
        return broker;
    }

    /// <summary>Publishes a message again and again until the bench shows it.</summary>
    private static async Task SeenAsync(Shop shop, MqttServer broker, string topic, string message, Func<ReadingView, bool> so)
    {
        for (var i = 0; i < 200; i++)
        {
            await broker.InjectApplicationMessage(new InjectedMqttApplicationMessage(new MqttApplicationMessageBuilder().WithTopic(topic).WithPayload(message).Build()) { SenderClientId = "probe" });
            await Task.Delay(60);
            if ((await shop.Client.GetFromJsonAsync<InstrumentsView>("/api/instruments", OpenJson.Options))!.Instruments.SelectMany(each => each.Readings).Any(so))
            {
                return;
            }
        }

        throw new TimeoutException($"'{message}' never came to the bench.");
    }
}
