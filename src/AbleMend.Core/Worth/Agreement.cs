using AbleMend.Core.Limits;
using AbleMend.Core.Words;

namespace AbleMend.Core.Worth;

/// <summary>A customer's yes, as it is kept: who said it, when, to how much, and what they were told.</summary>
/// <param name="At">When, UTC.</param>
/// <param name="By">Who said yes.</param>
/// <param name="HeardBy">Who heard it; null where nobody wrote it down.</param>
/// <param name="UpTo">The most money that was said yes to; null where no money was spoken of.</param>
/// <param name="Currency">What the money is called; null where no money was spoken of.</param>
/// <param name="Told">What they were told about how long it holds, how it will look, the warranty and its limits.</param>
public sealed record Agreement(
    DateTimeOffset At, [property: Size(1, 80)] string By, [property: Size(0, 80)] string? HeardBy, [property: Limits(0, 1_000_000)] double? UpTo, string? Currency, IReadOnlyList<Message> Told)
{
    /// <summary>Whether it still covers what the mend costs. Where that is not known, what was said stands.</summary>
    /// <param name="estimate">What it costs as it looks now, or null.</param>
    public bool Covers(Estimate? estimate) =>
        estimate is null || UpTo is not { } most || (estimate.Currency == Currency && estimate.Planned.Total <= most && (estimate.Actual?.Total ?? 0) <= most);
}
