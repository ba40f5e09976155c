using System.Diagnostics;

namespace AbleMend.Devices;

/// <summary>Ends with the shop: whoever stops that, by whatever means, leaves no stand-ins behind.</summary>
internal static class Companion
{
    /// <summary>Cancels once a process has ended.</summary>
    /// <param name="process">Its number.</param>
    /// <param name="stop">What is cancelled.</param>
    public static async Task EndsWithAsync(int process, CancellationTokenSource stop)
    {
        try
        {
            using var shop = Process.GetProcessById(process);
            await shop.WaitForExitAsync(stop.Token);
        }
        catch (ArgumentException)
        {
            // It has ended already.
        }

        await stop.CancelAsync();
    }
}
