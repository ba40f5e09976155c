using System.Globalization;

namespace AbleMend.Server.Log;

/// <summary>A place in the log: what it is ordered by, and the mend there. Whoever turns the page hands it back as it was given.</summary>
/// <param name="ClosedTicks">When the mend was closed, in ticks of UTC; 0 in what was searched for.</param>
/// <param name="Rank">How well it fits what was searched for; 0 in the log as a whole.</param>
/// <param name="Id">Number of the mend.</param>
internal sealed record LogPlace(long ClosedTicks, double Rank, int Id)
{
    /// <summary>Reads a place; null where it is none.</summary>
    public static LogPlace? Parse(string text)
    {
        var parts = text.Split('_');
        return parts.Length == 3
            && long.TryParse(parts[0], NumberStyles.None, CultureInfo.InvariantCulture, out var ticks) && ticks <= DateTime.MaxValue.Ticks
            && double.TryParse(parts[1], NumberStyles.Float, CultureInfo.InvariantCulture, out var rank) && double.IsFinite(rank)
            && int.TryParse(parts[2], NumberStyles.None, CultureInfo.InvariantCulture, out var id)
            ? new LogPlace(ticks, rank, id)
            : null;
    }

    /// <inheritdoc/>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{ClosedTicks}_{Rank:R}_{Id}");
}
