using AbleMend.Core;
using AbleMend.Core.Intake;
using AbleMend.Core.Limits;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Worth;
using AbleMend.Data;
using AbleMend.Server.Http;
using AbleMend.Server.Mends;
using AbleMend.Server.Shop;
using AbleMend.Server.Worth;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Intake;

/// <summary>What came of a change of a ticket: the ticket, problems, or somebody else's newer version.</summary>
public sealed record TicketChanged(TicketView? View, IReadOnlyList<Problem> Problems, int? NewerVersion = null)
{
    /// <summary>Refused with problems.</summary>
    public static TicketChanged Refused(params IReadOnlyList<Problem> problems) => new(null, problems);
}

/// <summary>Tickets in the database.</summary>
public sealed class TicketStore(MendDb db, MendStore mends, MendRecords records, ShopStore shop, Planner planner, TimeProvider time)
{
    /// <summary>How many tickets that were collected are listed with those that were not.</summary>
    private const int LastCollected = 10;

    /// <summary>Every ticket that was not collected, the one that is due first first, and the last that were.</summary>
    public async Task<IReadOnlyList<TicketView>> ListAsync(CancellationToken cancel)
    {
        var open = await db.Tickets.AsNoTracking().Where(ticket => ticket.CollectedAt == null).ToListAsync(cancel);
        var collected = await db.Tickets.AsNoTracking().Where(ticket => ticket.CollectedAt != null).OrderByDescending(ticket => ticket.CollectedAt).Take(LastCollected).ToListAsync(cancel);
        return await ViewsAsync([.. open.OrderBy(ticket => ticket.DueAt ?? DateTimeOffset.MaxValue).ThenBy(ticket => ticket.Id), .. collected], cancel);
    }

    /// <summary>A ticket, or null.</summary>
    public async Task<TicketView?> FindAsync(int id, CancellationToken cancel) =>
        await db.Tickets.AsNoTracking().FirstOrDefaultAsync(ticket => ticket.Id == id, cancel) is { } row ? (await ViewsAsync([row], cancel))[0] : null;

    /// <summary>Takes in what somebody brings: a ticket, and a mend of each item on it; all of it or nothing.</summary>
    public async Task<TicketChanged> OpenAsync(NewTicket request, Deed? deed, CancellationToken cancel)
    {
        if (Faults(request) is { Count: > 0 } faults)
        {
            return TicketChanged.Refused(faults);
        }

        // Whoever asks for the same at the same moment waits here, and then finds it done.
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        var what = deed is null ? null : await db.Deeds.AsNoTracking().FirstOrDefaultAsync(each => each.Key == deed.Key, cancel);
        if (what is not null)
        {
            return what.What == deed!.What && what.TicketId is { } made && await FindAsync(made, cancel) is { } view ? new TicketChanged(view, []) : TicketChanged.Refused(Deed.Reused);
        }

        var now = time.GetUtcNow();
        var row = new TicketRow { CustomerName = request.Customer.Name.Trim(), Reach = Kept(request.Customer.Reach), Note = Kept(request.Note), TakenInAt = now, DueAt = request.DueAt };
        db.Tickets.Add(row);
        if (deed is not null)
        {
            db.Deeds.Add(new DeedRow { Key = deed.Key, What = deed.What, At = now, Ticket = row });
        }

        await db.SaveChangesAsync(cancel);
        foreach (var (item, i) in request.Items.Select((item, i) => (item, i)))
        {
            var opened = await mends.OpenAsync(new NewMend(item, null, row.Id), null, cancel);
            if (opened?.View is null)
            {
                return TicketChanged.Refused(opened?.Problems ?? [new Problem("unknown-id", $"items[{i}]", $"There is no item {item}.", "Pick it from the fleet, or add it first.")]);
            }
        }

        await all.CommitAsync(cancel);
        return new TicketChanged(await FindAsync(row.Id, cancel), []);
    }

    /// <summary>Changes who it is for and what was said, and whether it was collected.</summary>
    /// <returns>Null where there is no such ticket.</returns>
    public async Task<TicketChanged?> ChangeAsync(int id, int version, TicketChange change, CancellationToken cancel)
    {
        if (await db.Tickets.FirstOrDefaultAsync(ticket => ticket.Id == id, cancel) is not { } row)
        {
            return null;
        }

        if (row.Version != version)
        {
            return new TicketChanged(null, [], row.Version);
        }

        var faults = LimitTable.Check(change).ToList();
        if (change.Collected && await db.Mends.AnyAsync(mend => mend.TicketId == id && (mend.Status == MendStatus.Draft || mend.Status == MendStatus.Running), cancel))
        {
            faults.Add(new Problem("not-done", "collected", "Something on this ticket is not done.", "Hand it back, send it on or throw its draft away first."));
        }

        if (faults.Count > 0)
        {
            return TicketChanged.Refused(faults);
        }

        if (change.DueAt != row.DueAt)
        {
            row.DueAt = change.DueAt;
            await DueAsync(id, change.DueAt, cancel);
        }

        (row.CustomerName, row.Reach, row.Note) = (change.Customer.Name.Trim(), Kept(change.Customer.Reach), Kept(change.Note));
        row.CollectedAt = change.Collected ? row.CollectedAt ?? time.GetUtcNow() : null;
        row.Version++;
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            db.ChangeTracker.Clear();
            return new TicketChanged(null, [], version + 1);
        }

        return new TicketChanged(await FindAsync(id, cancel), []);
    }

    /// <summary>Whatever on a ticket is not done is due with it; saved together with the ticket. What cannot be read keeps the time that it had.</summary>
    private async Task DueAsync(int id, DateTimeOffset? at, CancellationToken cancel)
    {
        var now = time.GetUtcNow();
        var open = await db.Mends.Include(mend => mend.Events).Where(mend => mend.TicketId == id && (mend.Status == MendStatus.Draft || mend.Status == MendStatus.Running)).ToListAsync(cancel);
        foreach (var row in open)
        {
            if (records.Read(row).Value is { } mend)
            {
                row.DueAt = at;
                MendRecords.Write(mend.Due(at), row);
                row.Version++;
                row.ChangedAt = now;
            }
        }
    }

    private static List<Problem> Faults(NewTicket request)
    {
        var faults = LimitTable.Check(request).ToList();
        if (request.Items.GroupBy(item => item).FirstOrDefault(each => each.Count() > 1) is { } twice)
        {
            faults.Add(new Problem("item-twice", "items", $"Item {twice.Key} stands on it twice.", "Name each item once: one mend can hold several damages."));
        }

        return faults;
    }

    private static string? Kept(string? text) => string.IsNullOrWhiteSpace(text) ? null : text.Trim();

    private async Task<IReadOnlyList<TicketView>> ViewsAsync(IReadOnlyList<TicketRow> tickets, CancellationToken cancel)
    {
        var ids = tickets.Select(ticket => (int?)ticket.Id).ToList();
        await using var moment = await db.AsOfOneMomentAsync(cancel);
        var rows = await db.Mends.AsNoTracking().Include(mend => mend.Item).Include(mend => mend.Events).Include(mend => mend.Agreements).AsSplitQuery()
            .Where(mend => ids.Contains(mend.TicketId)).OrderBy(mend => mend.Id).ToListAsync(cancel);
        var (settings, _) = await shop.ReadAsync(cancel);
        var worth = new WorthOfMends(planner, settings);
        return
        [
            .. tickets.Select(ticket =>
            {
                var seen = rows.Where(row => row.TicketId == ticket.Id).Select(row => See(row, worth)).ToList();
                return new TicketView(
                    ticket.Id, ticket.Version, new Customer(ticket.CustomerName, ticket.Reach), ticket.Note, ticket.TakenInAt, ticket.DueAt, ticket.CollectedAt,
                    Ticket.StandingOf([.. seen.Select(each => each.Mend)], ticket.CollectedAt is not null), settings.Rates?.Currency, Bill.Cents(Ticket.TotalOf([.. seen.Select(each => each.Mend)])),
                    [.. seen.Select(each => each.View)]);
            }),
        ];
    }

    private (TicketMend Mend, TicketMendView View) See(MendRow row, WorthOfMends worth)
    {
        var record = records.Read(row);
        var now = time.GetUtcNow();
        var planned = record.Value is { } read ? worth.PlanOf(read, now) : Outcome<RepairPlan>.Failed(record.Problems);
        var (yes, mend) = (AgreementRows.Last(row.Agreements), record.Value);
        var estimate = planned.Value is { } plan ? worth.EstimateOf(plan, mend!.Events) : null;
        var seen = new TicketMend(row.Status, yes, estimate);
        var readyAt = row.StartedAt is null ? planned.Value?.ReadyAt : mend?.StateAt(now).ReadyAt;
        return (seen, new TicketMendView(
            row.Id, row.Item.Tag, row.Item.Name, row.Status, readyAt, estimate, Ticket.AskedFor(seen), yes, seen.IsAgreed,
            planned.Value is { } whole ? ToTell.Of(whole, mend!.Case.Item.Warranty) : [], planned.Problems));
    }
}
