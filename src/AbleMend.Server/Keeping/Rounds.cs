namespace AbleMend.Server.Keeping;

/// <summary>Work that is done again and again beside the shop's.</summary>
internal static class Rounds
{
    /// <summary>Waits for the next round; a server that stops, or never came up, has none, and nobody needs to hear of it.</summary>
    /// <returns>Whether there is one.</returns>
    public static async Task<bool> NextAsync(this PeriodicTimer timer, CancellationToken stopping)
    {
        try
        {
            return await timer.WaitForNextTickAsync(stopping);
        }
        catch (OperationCanceledException)
        {
            return false;
        }
    }
}
