using AbleMend.Core;
using AbleMend.Core.Intake;
using AbleMend.Core.Limits;
using AbleMend.Core.Running;
using AbleMend.Core.Words;
using AbleMend.Core.Worth;

namespace AbleMend.Server.Intake;

/// <summary>What somebody brings in.</summary>
/// <param name="Customer">Who.</param>
/// <param name="Items">Identifiers of the items; a mend of each is opened.</param>
/// <param name="Note">What was said at the counter.</param>
/// <param name="DueAt">When they are needed, or null.</param>
public sealed record NewTicket(Customer Customer, [property: Size(0, Ticket.MostItems)] IReadOnlyList<int> Items, [property: Size(0, 500)] string? Note = null, DateTimeOffset? DueAt = null);

/// <summary>A ticket as it is changed at the counter.</summary>
/// <param name="Customer">Who.</param>
/// <param name="Note">What was said at the counter.</param>
/// <param name="DueAt">When everything on it is needed, or null. Changed, it becomes the due time of whatever on it is not done.</param>
/// <param name="Collected">Whether it was collected.</param>
public sealed record TicketChange(Customer Customer, [property: Size(0, 500)] string? Note, DateTimeOffset? DueAt, bool Collected);

/// <summary>A yes.</summary>
/// <param name="By">Who says it.</param>
/// <param name="HeardBy">Who heard it, or null.</param>
/// <param name="UpTo">The most money that it is said to; null for the most that the estimate reaches.</param>
public sealed record NewAgreement([property: Size(1, 80)] string By, [property: Size(0, 80)] string? HeardBy = null, [property: Limits(0, 1_000_000)] double? UpTo = null);

/// <summary>A mend on a ticket.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Tag">Tag of its item.</param>
/// <param name="ItemName">What people call the item.</param>
/// <param name="Status">Where it stands.</param>
/// <param name="ReadyAt">When it is or was ready by its own plan, or null.</param>
/// <param name="Estimate">What it costs, or null where the shop asks nothing or it cannot be planned.</param>
/// <param name="AskedFor">What is asked for it: never more than was said yes to.</param>
/// <param name="Yes">The last that was said yes to, or null.</param>
/// <param name="IsAgreed">Whether a yes stands and still covers what it costs.</param>
/// <param name="ToTell">What the customer is told before they say yes.</param>
/// <param name="Problems">Why it cannot be planned, or read.</param>
public sealed record TicketMendView(
    int Id, string Tag, string ItemName, MendStatus Status, DateTimeOffset? ReadyAt, Estimate? Estimate, double AskedFor, Agreement? Yes, bool IsAgreed, IReadOnlyList<Message> ToTell, IReadOnlyList<Problem> Problems);

/// <summary>A ticket as a whole.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Version">Send it back as If-Match with every change.</param>
/// <param name="Customer">Who.</param>
/// <param name="Note">What was said at the counter.</param>
/// <param name="TakenInAt">When it was taken in.</param>
/// <param name="DueAt">When it is needed, or null.</param>
/// <param name="CollectedAt">When it was collected, or null.</param>
/// <param name="Standing">Where it stands.</param>
/// <param name="Currency">What the money is called; null where the shop asks nothing.</param>
/// <param name="Total">What is asked for all of it.</param>
/// <param name="Mends">What is on it.</param>
public sealed record TicketView(
    int Id, int Version, Customer Customer, string? Note, DateTimeOffset TakenInAt, DateTimeOffset? DueAt, DateTimeOffset? CollectedAt, TicketStanding Standing, string? Currency, double Total,
    IReadOnlyList<TicketMendView> Mends);
