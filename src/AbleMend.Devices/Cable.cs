using System.Net.Sockets;
using AbleMend.Core.Instruments;

namespace AbleMend.Devices;

/// <summary>The cable between an instrument and the bench: it greets, says what is read, hears what is asked for, and comes back by itself when it was pulled.</summary>
/// <param name="host">Where the bench is.</param>
/// <param name="port">Its port for instruments.</param>
/// <param name="log">What happens to the cable.</param>
internal sealed class Cable(string host, int port, TextWriter log)
{
    private static readonly TimeSpan TryAgain = TimeSpan.FromSeconds(1);

    /// <summary>Carries an instrument until it is cancelled.</summary>
    /// <param name="instrument">What it says it is.</param>
    /// <param name="read">What it says, as it comes.</param>
    /// <param name="heard">What is asked of it: a line without its end. It may pull the cable for some time.</param>
    /// <param name="cancel">Stops.</param>
    public async Task CarryAsync(Instrument instrument, Func<CancellationToken, IAsyncEnumerable<Reading>> read, Func<string, TimeSpan?> heard, CancellationToken cancel)
    {
        var wasThere = true;
        while (!cancel.IsCancellationRequested)
        {
            var pulledFor = TryAgain;
            try
            {
                using var client = new TcpClient { NoDelay = true };
                await client.ConnectAsync(host, port, cancel);
                wasThere = true;
                pulledFor = await SpeakAsync(client, instrument, read, heard, cancel);
            }
            catch (Exception gone) when (gone is SocketException or IOException)
            {
                if (wasThere)
                {
                    await log.WriteLineAsync($"{instrument.Id}: {gone.Message}. It is tried again every second.");
                }

                wasThere = false;
            }

            await Task.Delay(pulledFor, cancel).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }
    }

    private async Task<TimeSpan> SpeakAsync(TcpClient client, Instrument instrument, Func<CancellationToken, IAsyncEnumerable<Reading>> read, Func<string, TimeSpan?> heard, CancellationToken cancel)
    {
        await using var stream = client.GetStream();
        await using var says = new StreamWriter(stream) { NewLine = "\n", AutoFlush = true };
        using var hears = new StreamReader(stream);
        using var pulled = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        await says.WriteLineAsync(InstrumentLine.Of(instrument).AsMemory(), cancel);
        var listening = ListenAsync(hears, instrument.Id, heard, pulled);
        try
        {
            await foreach (var reading in read(pulled.Token))
            {
                await says.WriteLineAsync(InstrumentLine.Of(reading).AsMemory(), pulled.Token);
            }
        }
        catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
        {
            // The other side is gone, or the cable was pulled on purpose.
        }

        await pulled.CancelAsync();
        return await listening;
    }

    private async Task<TimeSpan> ListenAsync(StreamReader hears, string id, Func<string, TimeSpan?> heard, CancellationTokenSource pulled)
    {
        try
        {
            while (await hears.ReadLineAsync(pulled.Token) is { } line)
            {
                if (line.StartsWith("no ", StringComparison.Ordinal))
                {
                    await log.WriteLineAsync($"{id}: {line}");
                }

                if (heard(line) is { } away)
                {
                    return away;
                }
            }

            return TryAgain;
        }
        catch (Exception gone) when (gone is IOException or OperationCanceledException)
        {
            return TryAgain;
        }
        finally
        {
            await pulled.CancelAsync();
        }
    }
}
