using System.Runtime.CompilerServices;
using System.Threading.Channels;
using AbleMend.Core.Instruments;
using MQTTnet;

namespace AbleMend.Devices;

/// <summary>A broker that probes publish to.</summary>
/// <param name="Address">Where it listens.</param>
/// <param name="User">Who asks, or null.</param>
/// <param name="Password">Their password, or null.</param>
internal sealed record Broker(Address Address, string? User, string? Password);

/// <summary>Probes that publish to a broker, as one instrument. A broker that is away is tried again by itself.</summary>
/// <param name="broker">The broker.</param>
/// <param name="topics">What is read, from where.</param>
/// <param name="id">What the instrument is called on the line.</param>
/// <param name="stepOf">Smallest step of a measure.</param>
/// <param name="log">What happens to the broker.</param>
internal sealed class MqttProbe(Broker broker, IReadOnlyList<MqttTopic> topics, string id, Func<Measurand, double> stepOf, TextWriter log)
{
    private static readonly TimeSpan TryAgain = TimeSpan.FromSeconds(2);

    /// <summary>Readings that wait at most: of more the oldest are of no use any more.</summary>
    private const int MostWaiting = 100;

    /// <value>What it says it is.</value>
    public Instrument Instrument { get; } = new(id, "Probes", [.. topics.Select(topic => topic.What).Distinct().Select(what => new Measured(what, stepOf(what)))], false);

    /// <summary>What the probes say, as it comes.</summary>
    public async IAsyncEnumerable<Reading> ReadAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        var readings = Channel.CreateBounded<Reading>(new BoundedChannelOptions(MostWaiting) { FullMode = BoundedChannelFullMode.DropOldest });
        using var client = new MqttClientFactory().CreateMqttClient();
        client.ApplicationMessageReceivedAsync += received =>
        {
            if (received.ApplicationMessage.Payload.Length <= MqttTopic.LongestBytes)
            {
                var message = received.ApplicationMessage.ConvertPayloadToString() ?? "";
                foreach (var reading in topics.Where(topic => topic.Topic == received.ApplicationMessage.Topic).Select(topic => topic.Read(message)).OfType<Reading>())
                {
                    readings.Writer.TryWrite(reading);
                }
            }

            return Task.CompletedTask;
        };
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        await using var end = stop.Token.Register(() => readings.Writer.TryComplete());
        var staying = StayAsync(client, stop.Token);
        try
        {
            await foreach (var reading in readings.Reader.ReadAllAsync(CancellationToken.None))
            {
                yield return reading;
            }
        }
        finally
        {
            // Whoever stops listening, the bench or a hand, leaves no client behind that goes on asking.
            await stop.CancelAsync();
            await staying;
        }
    }

    /// <summary>Nothing can be asked of probes that only publish.</summary>
    public static TimeSpan? Heard(string line) => null;

    private async Task StayAsync(IMqttClient client, CancellationToken cancel)
    {
        var wasThere = true;
        while (!cancel.IsCancellationRequested)
        {
            try
            {
                if (!client.IsConnected)
                {
                    await ConnectAsync(client, cancel);
                    wasThere = true;
                }
            }
            catch (Exception away) when (away is MQTTnet.Exceptions.MqttCommunicationException or MQTTnet.Adapter.MqttConnectingFailedException or OperationCanceledException)
            {
                if (wasThere && !cancel.IsCancellationRequested)
                {
                    await log.WriteLineAsync($"{broker.Address.Host}:{broker.Address.Port}: {away.Message} It is tried again by itself.");
                }

                wasThere = false;
            }

            await Task.Delay(TryAgain, cancel).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }
    }

    private async Task ConnectAsync(IMqttClient client, CancellationToken cancel)
    {
        var options = new MqttClientOptionsBuilder().WithTcpServer(broker.Address.Host, broker.Address.Port).WithClientId($"able-mend-{Instrument.Id}").WithCleanSession();
        await client.ConnectAsync((broker.User is null ? options : options.WithCredentials(broker.User, broker.Password ?? "")).Build(), cancel);
        var wanted = topics.Select(topic => topic.Topic).Distinct().Aggregate(new MqttClientSubscribeOptionsBuilder(), (builder, topic) => builder.WithTopicFilter(topic));
        await client.SubscribeAsync(wanted.Build(), cancel);
    }
}
