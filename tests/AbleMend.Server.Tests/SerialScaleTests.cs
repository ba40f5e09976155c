extern alias devices;

using System.Net.Http.Json;
using System.Runtime.InteropServices;
using System.Text;
using AbleMend.Core;
using AbleMend.Core.Instruments;
using AbleMend.Server.Instruments;
using devices::AbleMend.Devices;
using Microsoft.Win32.SafeHandles;

namespace AbleMend.Server.Tests;

/// <summary>A scale on a serial port, against a pseudo-terminal that plays the scale.</summary>
public sealed partial class SerialScaleTests
{
    // Common practice, no source: the continuous output of bench scales.
    [Theory]
    [InlineData("ST,GS,+   12.34  g", 12.34, true)]
    [InlineData("US,NT,-    0.5 g", -0.5, false)]
    [InlineData("ST,NT,+0001.250kg", 1250, true)]
    [InlineData("  98.7 g", 98.7, true)]
    [InlineData("ST,GS,+    1.00oz", 28.3495, true)]
    [InlineData("ST,GS,+    1.00lb", 453.5924, true)]
    public void A_line_is_read_in_grams(string line, double grams, bool still) => SerialScaleLine.Parse(line).ShouldBe(new Reading(Measurand.Mass, grams, still));

    [Theory]
    [InlineData("")]
    [InlineData("SCALE V2.1")]
    [InlineData("OL,GS,+--------  g")]
    [InlineData("ST,GS,+ 1e400 g")]
    [InlineData("ST,GS,12,34 g x")]
    [InlineData("ST,GS,+ 12.3 stone")]
    public void What_is_no_weight_is_passed_over(string line) => SerialScaleLine.Parse(line).ShouldBeNull();

    [Fact]
    public void A_long_line_of_noise_is_passed_over() => SerialScaleLine.Parse(new string('+', 100_000)).ShouldBeNull();

    [Theory]
    [InlineData("127.0.0.1:5081", "127.0.0.1", 5081)]
    [InlineData("127.0.0.1", null, 0)]
    [InlineData("127.0.0.1:0", null, 0)]
    [InlineData(":5081", null, 0)]
    [InlineData("127.0.0.1:99999", null, 0)]
    public void An_address_is_one_or_none(string text, string? host, int port) => Address.Parse(text).ShouldBe(host is null ? null : new Address(host, port));

    [Fact]
    public async Task What_a_scale_sends_is_on_the_bench_and_it_tares_when_it_is_asked()
    {
        var free = Shop.FreePort();
        using var shop = Shop.WithInstruments(free);
        using var stop = new CancellationTokenSource();
        using var terminal = new Terminal();
        var scale = new SerialScale(terminal.Name, 9600, 0.01, TextWriter.Null);
        var carrying = new Cable("127.0.0.1", free, TextWriter.Null).CarryAsync(scale.Instrument, scale.ReadAsync, scale.Heard, stop.Token);
        await SeenAsync(shop, terminal, "ST,GS,+   12.34  g", each => each is { Value: 12.34, IsStill: true, Step: 0.01 });
        await SeenAsync(shop, terminal, "US,GS,+   15.00  g", each => each is { Value: 15, IsStill: false });
        (await shop.SendAsync(HttpMethod.Post, "/api/instruments/serial-scale/tare")).EnsureSuccessStatusCode();
        (await terminal.HearsAsync()).ShouldContain("T");
        await stop.CancelAsync();
        await carrying;
    }

    /// <summary>Sends a line as a scale does, again and again, until the bench shows it.</summary>
    private static async Task SeenAsync(Shop shop, Terminal terminal, string line, Func<ReadingView, bool> so)
    {
        for (var i = 0; i < 100; i++)
        {
            terminal.Says(line + "\r\n");
            await Task.Delay(60);
            if ((await shop.Client.GetFromJsonAsync<InstrumentsView>("/api/instruments", OpenJson.Options))!.Instruments.SelectMany(each => each.Readings).Any(so))
            {
                return;
            }
        }

        throw new TimeoutException($"'{line}' never came to the bench.");
    }

    /// <summary>The other end of a serial line: a pseudo-terminal (POSIX.1-2017, posix_openpt).</summary>
    private sealed partial class Terminal : IDisposable
    {
        private const int ReadWrite = 2, NotControlling = 0x100;

        private readonly FileStream _end;

        public Terminal()
        {
            var handle = OpenPt(ReadWrite | NotControlling);
            var name = new byte[128];
            if (handle < 0 || GrantPt(handle) != 0 || UnlockPt(handle) != 0 || PtsName(handle, name, name.Length) != 0)
            {
                throw new IOException("This machine lends no pseudo-terminal.");
            }

            Name = Encoding.ASCII.GetString(name, 0, Array.IndexOf(name, (byte)0));
            _end = new FileStream(new SafeFileHandle(handle, true), FileAccess.ReadWrite, 1);
        }

        public string Name { get; }

        public void Says(string text)
        {
            _end.Write(Encoding.ASCII.GetBytes(text));
            _end.Flush();
        }

        public async Task<string> HearsAsync()
        {
            var heard = new byte[64];
            var count = await Task.Run(() => _end.Read(heard)).WaitAsync(TimeSpan.FromSeconds(10));
            return Encoding.ASCII.GetString(heard, 0, count);
        }

        public void Dispose() => _end.Dispose();

        [LibraryImport("libc", EntryPoint = "posix_openpt")]
        private static partial int OpenPt(int flags);

        [LibraryImport("libc", EntryPoint = "grantpt")]
        private static partial int GrantPt(int terminal);

        [LibraryImport("libc", EntryPoint = "unlockpt")]
        private static partial int UnlockPt(int terminal);

        [LibraryImport("libc", EntryPoint = "ptsname_r")]
        private static partial int PtsName(int terminal, byte[] name, nint length);
    }
}
