using System.IO.Ports;
using System.Runtime.CompilerServices;
using AbleMend.Core.Instruments;

namespace AbleMend.Devices;

/// <summary>A real scale on a serial port: what it sends is read, and it is asked to tare. A cable that is pulled is tried again by itself.</summary>
/// <param name="port">Name of the port, such as <c>/dev/ttyUSB0</c>.</param>
/// <param name="baud">Its speed, as set on the scale.</param>
/// <param name="stepG">Step of its display in grams.</param>
/// <param name="log">What happens to the port.</param>
internal sealed class SerialScale(string port, int baud, double stepG, TextWriter log)
{
    private static readonly TimeSpan TryAgain = TimeSpan.FromSeconds(2);

    private SerialPort? _open;

    /// <value>What it says it is.</value>
    public Instrument Instrument { get; } = new("serial-scale", "Scale", [new Measured(Measurand.Mass, stepG)], false);

    /// <summary>What it weighs, as it comes.</summary>
    public async IAsyncEnumerable<Reading> ReadAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        var wasThere = true;
        while (!cancel.IsCancellationRequested)
        {
            await foreach (var line in LinesAsync(wasThere, cancel))
            {
                wasThere = true;
                if (SerialScaleLine.Parse(line) is { } reading)
                {
                    yield return reading;
                }
            }

            wasThere = false;
            await Task.Delay(TryAgain, cancel).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }
    }

    /// <summary>Tares it, as most of them take it: a T and the end of a line.</summary>
    public TimeSpan? Heard(string line)
    {
        if (line == "tare" && _open is { IsOpen: true } open)
        {
            open.Write("T\r\n");
        }

        return null;
    }

    private async IAsyncEnumerable<string> LinesAsync(bool wasThere, [EnumeratorCancellation] CancellationToken cancel)
    {
        using var serial = new SerialPort(port, baud) { NewLine = "\r\n" };
        if (Fault(serial.Open) is { } fault)
        {
            await TellAsync(wasThere, fault);
            yield break;
        }

        _open = serial;
        using var reader = new StreamReader(serial.BaseStream, leaveOpen: true);
        while (true)
        {
            string? line = null;
            try
            {
                line = await reader.ReadLineAsync(cancel);
            }
            catch (Exception gone) when (gone is IOException or OperationCanceledException or InvalidOperationException)
            {
                await TellAsync(!cancel.IsCancellationRequested, gone.Message);
            }

            if (line is null)
            {
                _open = null;
                yield break;
            }

            yield return line;
        }
    }

    private static string? Fault(Action open)
    {
        try
        {
            open();
            return null;
        }
        catch (Exception gone) when (gone is IOException or UnauthorizedAccessException or ArgumentException)
        {
            return gone.Message;
        }
    }

    private async Task TellAsync(bool isNews, string what)
    {
        if (isNews)
        {
            await log.WriteLineAsync($"{port}: {what} It is tried again by itself.");
        }
    }
}
