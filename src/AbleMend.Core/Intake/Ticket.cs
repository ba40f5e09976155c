using System.Text.Json.Serialization;
using AbleMend.Core.Limits;
using AbleMend.Core.Running;
using AbleMend.Core.Worth;

namespace AbleMend.Core.Intake;

/// <summary>Who brought something in.</summary>
/// <param name="Name">Name, as it is called at the counter.</param>
/// <param name="Reach">How to reach them: a telephone number, an address.</param>
public sealed record Customer([property: Size(1, 80)] string Name, [property: Size(0, 120)] string? Reach = null);

/// <summary>Where a ticket stands, as the counter says it.</summary>
[JsonConverter(typeof(Kebab<TicketStanding>))]
public enum TicketStanding
{
    /// <summary>Something on it is not agreed yet.</summary>
    AwaitsYes,

    /// <summary>Everything on it is agreed, and nothing is begun.</summary>
    Agreed,

    /// <summary>Something on it is under way, or still to be begun.</summary>
    UnderWay,

    /// <summary>Everything on it is done, or not mended here: whoever brought it can be called.</summary>
    ToCollect,

    /// <summary>It was collected.</summary>
    Collected,
}

/// <summary>A mend as its ticket sees it.</summary>
/// <param name="Status">Where it stands.</param>
/// <param name="Yes">What was said yes to; null for nothing yet.</param>
/// <param name="Estimate">What it costs as it looks now; null where the shop asks nothing, or it cannot be planned.</param>
public sealed record TicketMend(MendStatus Status, Agreement? Yes, Estimate? Estimate)
{
    /// <value>Whether a yes stands and still covers what it costs. What is not mended here needs none.</value>
    public bool IsAgreed => Status == MendStatus.SentOn || (Yes is { } yes && yes.Covers(Estimate));
}

/// <summary>Several items that somebody brought in together.</summary>
public static class Ticket
{
    /// <summary>Most items on one ticket.</summary>
    public const int MostItems = 40;

    /// <summary>Where a ticket stands.</summary>
    /// <param name="mends">What is on it.</param>
    /// <param name="collected">Whether it was collected.</param>
    public static TicketStanding StandingOf(IReadOnlyList<TicketMend> mends, bool collected)
    {
        var open = mends.Where(mend => mend.Status is MendStatus.Draft or MendStatus.Running).ToList();
        return collected ? TicketStanding.Collected
            : mends.Count > 0 && open.Count == 0 ? TicketStanding.ToCollect
            : mends.Count == 0 || open.Any(mend => !mend.IsAgreed) ? TicketStanding.AwaitsYes
            : mends.Any(mend => mend.Status != MendStatus.Draft) ? TicketStanding.UnderWay
            : TicketStanding.Agreed;
    }

    /// <summary>What is asked for a ticket: what each mend came to, or is likely to, or at most what was agreed.</summary>
    /// <param name="mends">What is on it.</param>
    public static double TotalOf(IReadOnlyList<TicketMend> mends) => mends.Where(mend => mend.Status != MendStatus.SentOn).Sum(AskedFor);

    /// <summary>What is asked for one mend: never more than was said yes to.</summary>
    /// <param name="mend">The mend.</param>
    public static double AskedFor(TicketMend mend)
    {
        var bill = mend.Status == MendStatus.HandedBack ? mend.Estimate?.Actual ?? mend.Estimate?.Planned : mend.Estimate?.Planned;
        return Math.Min(bill?.Total ?? 0, mend.Yes?.UpTo ?? double.MaxValue);
    }
}
