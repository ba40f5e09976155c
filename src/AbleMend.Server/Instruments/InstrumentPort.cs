using System.Net;
using System.Net.Sockets;
using System.Text;
using AbleMend.Core.Instruments;
using AbleMend.Core.Words;
using Microsoft.Extensions.Options;

namespace AbleMend.Server.Instruments;

/// <summary>The port that instruments, and the adapters of those that speak otherwise, connect to: on this machine only.</summary>
public sealed partial class InstrumentPort(IOptions<ServerOptions> options, InstrumentDesk desk, ILogger<InstrumentPort> log) : BackgroundService
{
    /// <summary>An instrument that says nothing for so long has gone: its cable was pulled.</summary>
    public static readonly TimeSpan Silence = TimeSpan.FromSeconds(15);

    private static readonly TimeSpan TryAgain = TimeSpan.FromSeconds(5);

    /// <summary>Connections that have said nothing yet, and those that have.</summary>
    private readonly SemaphoreSlim _room = new(InstrumentDesk.Most * 2);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (options.Value.Instruments is { } port && !stoppingToken.IsCancellationRequested)
        {
            using var listener = new TcpListener(IPAddress.Loopback, port);
            try
            {
                listener.Start();
                Listens(log, port);
                await AcceptAsync(listener, stoppingToken);
            }
            catch (SocketException taken)
            {
                // The shop goes on without its instruments, and they come back by themselves.
                Fails(log, port, taken.Message);
                await Task.Delay(TryAgain, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            }
            catch (OperationCanceledException)
            {
                return;
            }
        }
    }

    private async Task AcceptAsync(TcpListener listener, CancellationToken stopping)
    {
        while (true)
        {
            var client = await listener.AcceptTcpClientAsync(stopping);
            if (_room.Wait(0, CancellationToken.None))
            {
                _ = HearAsync(client, stopping).ContinueWith(_ => _room.Release(), TaskScheduler.Default);
            }
            else
            {
                client.Dispose();
            }
        }
    }

    private async Task HearAsync(TcpClient client, CancellationToken stopping)
    {
        using var link = new Link(client);
        string? id = null;
        try
        {
            var bad = 0;
            await foreach (var line in link.LinesAsync(stopping))
            {
                var answer = Hear(link, line, ref id);
                if (answer is not null)
                {
                    link.Say(answer);
                }

                // Before it is known nothing is forgiven; after that a line that was cut off is.
                if (answer is [_, 'o', ..] && (id is null || ++bad > 20))
                {
                    return;
                }

                if (line == "bye")
                {
                    return;
                }
            }
        }
        catch (Exception gone) when (gone is IOException or SocketException or OperationCanceledException or ObjectDisposedException)
        {
            // A pulled cable is no fault of the shop's.
        }
        finally
        {
            if (id is not null)
            {
                desk.Leaves(link, id);
            }
        }
    }

    /// <summary>What is answered to a line: <c>ok</c> to a greeting, <c>no</c> and why to what cannot be read, nothing to a reading.</summary>
    private string? Hear(Link link, string? line, ref string? id)
    {
        if (line is null)
        {
            return "no the line is too long";
        }

        var said = InstrumentLine.Parse(line);
        switch (said.Value)
        {
            case null:
                return $"no {Voice.Plain.Say(said.Problems[0].Message)} {Voice.Plain.Say(said.Problems[0].Remedy)}";
            case InstrumentLine.Hello hello when id is null || id == hello.Instrument.Id:
                id = desk.TryAttach(hello.Instrument, link) ? hello.Instrument.Id : null;
                return id is null ? "no there are too many instruments" : "ok";
            case InstrumentLine.Hello:
                return "no it has said already what it is";
            case InstrumentLine.Reads when id is null:
                return "no say hello first";
            case InstrumentLine.Reads reads:
                return desk.Reads(link, id, reads.Reading) ? null : "no it did not say that it measures that";
            default:
                return null;
        }
    }

    [LoggerMessage(Level = LogLevel.Information, Message = "Instruments connect to 127.0.0.1:{Port}")]
    private static partial void Listens(ILogger log, int port);

    [LoggerMessage(Level = LogLevel.Warning, Message = "No instrument can connect to 127.0.0.1:{Port}: {Why}. It is tried again.")]
    private static partial void Fails(ILogger log, int port, string why);

    /// <summary>One connection, line by line.</summary>
    private sealed class Link(TcpClient client) : IInstrumentLink, IDisposable
    {
        private readonly NetworkStream _stream = client.GetStream();

        /// <summary>Its lines, without their ends; null for one that is too long to be one.</summary>
        public async IAsyncEnumerable<string?> LinesAsync([System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken stopping)
        {
            // A character has up to four bytes.
            var buffer = new byte[InstrumentLine.MostCharacters * 4];
            var filled = 0;
            while (true)
            {
                int read;
                using (var silence = CancellationTokenSource.CreateLinkedTokenSource(stopping))
                {
                    silence.CancelAfter(Silence);
                    read = await _stream.ReadAsync(buffer.AsMemory(filled), silence.Token);
                }

                if (read == 0)
                {
                    yield break;
                }

                filled += read;
                int end;
                while ((end = Array.IndexOf(buffer, (byte)'\n', 0, filled)) >= 0)
                {
                    var line = Encoding.UTF8.GetString(buffer, 0, end).TrimEnd('\r');
                    filled -= end + 1;
                    Array.Copy(buffer, end + 1, buffer, 0, filled);
                    yield return line;
                }

                if (filled == buffer.Length)
                {
                    yield return null;
                    yield break;
                }
            }
        }

        public bool Say(string line)
        {
            try
            {
                // A line is small: where even that does not go out at once, nobody listens.
                client.SendTimeout = 200;
                _stream.Write(Encoding.UTF8.GetBytes($"{line}\n"));
                return true;
            }
            catch (Exception gone) when (gone is IOException or ObjectDisposedException)
            {
                return false;
            }
        }

        public void PutOff() => client.Close();

        public void Dispose() => client.Dispose();
    }
}
