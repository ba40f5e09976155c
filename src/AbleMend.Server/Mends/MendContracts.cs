using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Gear;
using AbleMend.Core.Limits;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Words;

namespace AbleMend.Server.Mends;

/// <summary>A mend as a whole.</summary>
/// <param name="Id">Number.</param>
/// <param name="Status">Where it stands as a record.</param>
/// <param name="Version">Send it back as If-Match with every change.</param>
/// <param name="Tag">Tag of the item.</param>
/// <param name="ItemName">What people call it.</param>
/// <param name="CreatedAt">When it was opened.</param>
/// <param name="ChangedAt">When it was last changed.</param>
/// <param name="StartedAt">When its run was started, or null.</param>
/// <param name="ClosedAt">When it was handed back or sent on, or null.</param>
/// <param name="DueAt">When it is needed, or null.</param>
/// <param name="FollowsMendId">The mend that it does properly, or null.</param>
/// <param name="FollowedByMendId">The mend that does it properly, or null.</param>
/// <param name="Case">The case.</param>
/// <param name="Plan">The plan: frozen once started, else as it looks now; null when the case cannot be planned.</param>
/// <param name="Problems">Why it cannot be planned.</param>
/// <param name="Run">The run, once started.</param>
/// <param name="Events">What happened.</param>
/// <param name="FoundBefore">What other mends of the same item found on it, newest first.</param>
/// <param name="Now">The shop's present.</param>
/// <param name="TicketId">The ticket that it was taken in on, or null.</param>
/// <param name="Held">Whether it has held since it was handed back; null where nobody has looked.</param>
/// <param name="OverInWarmAt">When what waits now would be over in the shop's warm box or corner, from now on; null where it may not stand there, or does.</param>
public sealed record MendView(
    int Id,
    MendStatus Status,
    int Version,
    string Tag,
    string ItemName,
    DateTimeOffset CreatedAt,
    DateTimeOffset ChangedAt,
    DateTimeOffset? StartedAt,
    DateTimeOffset? ClosedAt,
    DateTimeOffset? DueAt,
    int? FollowsMendId,
    int? FollowedByMendId,
    RepairCase Case,
    RepairPlan? Plan,
    IReadOnlyList<Problem> Problems,
    RunState? Run,
    IReadOnlyList<RunEvent> Events,
    IReadOnlyList<FoundBefore> FoundBefore,
    DateTimeOffset Now,
    int? TicketId = null,
    Held? Held = null,
    DateTimeOffset? OverInWarmAt = null);

/// <summary>A leak or flaw on the item's record.</summary>
/// <param name="MendId">Mend that found it.</param>
/// <param name="At">When that mend was opened, or the moment of a find while working.</param>
/// <param name="Place">Where.</param>
public sealed record FoundBefore(int MendId, DateTimeOffset At, string Place);

/// <summary>A new mend of an item.</summary>
/// <param name="ItemId">Item.</param>
/// <param name="Case">The case, whose facts of the item are taken from the fleet; null begins from the usual damage of its construction, at the shop's own bench.</param>
/// <param name="TicketId">The ticket that it is taken in on, or null; it is needed when the ticket is.</param>
public sealed record NewMend(int ItemId, RepairCase? Case = null, int? TicketId = null);

/// <summary>A band of the time strip: hands, then a wait with its window.</summary>
public sealed record Band(Message Title, DateTimeOffset StartsAt, DateTimeOffset HandsEndAt, DateTimeOffset? OpensAt, DateTimeOffset? ClosesAt);

/// <summary>A mend under way, as the bench shows it.</summary>
public sealed record BenchEntry(
    int Id,
    string Tag,
    string ItemName,
    Urgency Urgency,
    StepPhase Phase,
    Message StepTitle,
    Message? NextTitle,
    LiveWindow? Window,
    DateTimeOffset? UseBy,
    DateTimeOffset? DueAt,
    DateTimeOffset? ReadyAt,
    int StepsDone,
    int StepsAll,
    IReadOnlyList<Band> Bands,
    DateTimeOffset? HeldUntil = null,
    bool InWarm = false,
    DateTimeOffset? TestUntil = null);

/// <summary>A mend that is not started yet, told by the first of its damages.</summary>
public sealed record DraftEntry(int Id, string Tag, string ItemName, string Construction, Damage Damage, int Damages, DateTimeOffset? DueAt, int? FollowsMendId);

/// <summary>A mend whose record cannot be read: it is named, and harms no other.</summary>
/// <param name="Id">Number.</param>
/// <param name="Tag">Tag of the item.</param>
/// <param name="ItemName">What people call it.</param>
/// <param name="Problem">What cannot be read, and what to do.</param>
public sealed record UnreadableEntry(int Id, string Tag, string ItemName, Problem Problem);

/// <summary>The bench.</summary>
/// <param name="Now">The shop's present.</param>
/// <param name="Entries">Mends under way, the most urgent first.</param>
/// <param name="Drafts">Mends that are not started.</param>
/// <param name="Unreadable">Mends whose record cannot be read.</param>
/// <param name="RingsBeforeMin">How many minutes before the end of a window it is rung for.</param>
public sealed record BenchView(
    DateTimeOffset Now, IReadOnlyList<BenchEntry> Entries, IReadOnlyList<DraftEntry> Drafts, IReadOnlyList<UnreadableEntry> Unreadable, double RingsBeforeMin);

/// <summary>Readings of a hold test as a table.</summary>
/// <param name="Csv">A line of names, <c>at,gauge-kpa,air-c,barometer-kpa</c>, then a line for each reading.</param>
public sealed record TraceTable([property: Size(1, 200_000, Lines = true)] string Csv);

/// <summary>One cup for several mends.</summary>
/// <param name="StepId">Mix of the mend that mixes it.</param>
/// <param name="With">Numbers of the mends that take from it.</param>
public sealed record ShareCup([property: Size(1, 80)] string StepId, [property: Size(1, CupsTogether.Most - 1)] IReadOnlyList<int> With);
