using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Limits;
using AbleMend.Core.Plans;
using AbleMend.Core.Rescuing;
using AbleMend.Core.Running;
using AbleMend.Data;
using AbleMend.Server.Http;
using AbleMend.Server.Shelf;
using AbleMend.Server.Shop;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Mends;

/// <summary>What came of a change: the new view, problems, or somebody else's newer version.</summary>
public sealed record Changed(MendView? View, IReadOnlyList<Problem> Problems, int? NewerVersion)
{
    /// <summary>Refused with problems.</summary>
    public static Changed Refused(params IReadOnlyList<Problem> problems) => new(null, problems, null);
}

/// <summary>A mend as it is recorded.</summary>
/// <param name="Tag">Tag of its item.</param>
/// <param name="ItemName">What people call it.</param>
/// <param name="Record">The mend, or what in its record cannot be read.</param>
internal sealed record MendRecord(string Tag, string ItemName, Outcome<Mend> Record);

/// <summary>Mends in the database. Every change checks the version that it was made from, and is durable before it is answered.</summary>
public sealed class MendStore(MendDb db, MendRecords records, ShopStore shop, LotDraws shelf, PieceBook pieces, PaceBook paces, PaceTurns turns, Planner planner, TimeProvider time)
{
    /// <summary>How often something is tried that others keep overtaking.</summary>
    private const int MostAttempts = 8;

    /// <summary>A mend, what in its record cannot be read, or null where there is none.</summary>
    public async Task<Outcome<MendView>?> FindAsync(int id, CancellationToken cancel)
    {
        if (await db.MendAsync(id, cancel) is not { } row)
        {
            return null;
        }

        var record = records.Read(row);
        return record.Value is { } mend ? Outcome<MendView>.Of(await ViewAsync(row, mend, cancel)) : Outcome<MendView>.Failed(record.Problems);
    }

    /// <summary>A mend as it is recorded, with the tag of its item; null where there is none.</summary>
    internal async Task<MendRecord?> RecordAsync(int id, CancellationToken cancel) => await db.MendAsync(id, cancel) is { } row ? new MendRecord(row.Item.Tag, row.Item.Name, records.Read(row)) : null;

    /// <summary>Opens a mend of an item.</summary>
    /// <param name="request">What is asked for.</param>
    /// <param name="deed">Its key, or null.</param>
    /// <param name="cancel">Gives up.</param>
    /// <returns>The draft, or its problems; null where there is no such item.</returns>
    public async Task<Changed?> OpenAsync(NewMend request, Deed? deed, CancellationToken cancel)
    {
        if (await DoneBeforeAsync(deed, cancel) is { } done)
        {
            return done;
        }

        var item = await db.Items.FindAsync([request.ItemId], cancel);
        if (item is null)
        {
            return null;
        }

        var ticket = request.TicketId is { } number ? await db.Tickets.FindAsync([number], cancel) : null;
        if (request.TicketId is not null && ticket is not { CollectedAt: null })
        {
            return Changed.Refused(ticket is null
                ? new Problem("unknown-id", "ticketId", $"There is no ticket {request.TicketId.Value}.", "Take the items in first.")
                : new Problem("ticket-collected", "ticketId", $"Ticket {ticket.Id} was collected.", "Open a new ticket."));
        }

        var now = time.GetUtcNow();
        var first = WithItem(request.Case ?? await FirstCaseAsync(item, cancel), item, await NowAsync(cancel));
        var opened = Mend.Open(ticket?.DueAt is { } due ? first with { Wanted = first.Wanted with { NeededBy = due } } : first, planner, now);
        if (opened.Value is not { } mend)
        {
            return Changed.Refused(opened.Problems);
        }

        var row = new MendRow { Item = item, CasePacked = [], CreatedAt = now, ChangedAt = now, TicketId = ticket?.Id, Version = 1 };
        MendRecords.Write(mend, row);
        db.Mends.Add(row);
        Remember(deed, row, now);
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException) when (deed is not null)
        {
            // The same was asked for twice at once, and the other was first.
            db.ChangeTracker.Clear();
            return await DoneBeforeAsync(deed, cancel);
        }

        return new Changed(await ViewAsync(row, mend, cancel), [], null);
    }

    /// <summary>What came of a deed that was carried out before; null where it was not.</summary>
    private async Task<Changed?> DoneBeforeAsync(Deed? deed, CancellationToken cancel)
    {
        if (deed is null || await db.Deeds.AsNoTracking().FirstOrDefaultAsync(each => each.Key == deed.Key, cancel) is not { } done)
        {
            return null;
        }

        return done.What != deed.What || done.MendId is not { } id ? Changed.Refused(Deed.Reused)
            : await FindAsync(id, cancel) is { } found ? new Changed(found.Value, found.Problems, null)
            : null;
    }

    private void Remember(Deed? deed, MendRow row, DateTimeOffset now)
    {
        if (deed is not null)
        {
            db.Deeds.Add(new DeedRow { Key = deed.Key, What = deed.What, At = now, Mend = row });
        }
    }

    /// <summary>Changes the case of a draft.</summary>
    public async Task<Changed?> ChangeCaseAsync(int id, int version, RepairCase repairCase, CancellationToken cancel)
    {
        var known = await NowAsync(cancel);
        return await ChangeAsync(id, version, null, (row, mend, now) => mend.Change(WithItem(repairCase, row.Item, known), planner, now), cancel);
    }

    /// <summary>Freezes the plan and starts the run.</summary>
    public async Task<Changed?> StartAsync(int id, int version, Deed? deed, CancellationToken cancel)
    {
        using var turn = await pieces.TurnAsync(cancel);
        var known = await NowAsync(cancel);
        return await ChangeAsync(id, version, deed, (row, mend, now) =>
        {
            var started = known.In(mend, planner.Catalogue).Start(planner, now);
            if (started.Value is { Plan: { } plan })
            {
                pieces.Hold(row, plan);
            }

            return started;
        }, cancel);
    }

    /// <summary>Logs that it is not mended here, with the verdict.</summary>
    public Task<Changed?> SendOnAsync(int id, int version, Deed? deed, CancellationToken cancel) => ChangeAsync(id, version, deed, (_, mend, now) => mend.SendOn(planner, now), cancel);

    /// <summary>Keeps something that happened, and what follows from it.</summary>
    /// <param name="id">Mend.</param>
    /// <param name="version">Version that it was told to; null where it is told with a key: then what may happen now decides, and not who told it first.</param>
    /// <param name="deed">Its key, or null.</param>
    /// <param name="happening">What happened.</param>
    /// <param name="cancel">Gives up.</param>
    public Task<Changed?> AddEventAsync(int id, int? version, Deed? deed, Happening happening, CancellationToken cancel) =>
        ChangeAsync(id, version, deed, (row, mend, now) =>
        {
            var kept = mend.Keep(happening, now, planner);
            if (kept.Value is { } after)
            {
                row.Item.EarlierMend = after.Leaves(planner) ?? row.Item.EarlierMend;
                if (after.Follows is { } follows && !db.Mends.Any(each => each.FollowsMendId == row.Id))
                {
                    db.Mends.Add(new MendRow { ItemId = row.ItemId, CasePacked = PackedText.Of(JsonSerializer.Serialize(follows.Case, OpenJson.Options)), CreatedAt = now, ChangedAt = now, DueAt = follows.DueAt, FollowsMendId = row.Id, Version = 1 });
                }
            }

            return kept;
        }, cancel);

    /// <summary>Tells a mend that is under way what was learnt at another.</summary>
    /// <returns>Whether it was told.</returns>
    public async Task<bool> LearnAsync(int id, IReadOnlyList<(string Material, LearntPace? Pace)> news, CancellationToken cancel) =>
        await ChangeAsync(id, null, null, (_, mend, now) => Outcome<Mend>.Of(news.Aggregate(mend, (told, next) => told.Learn(next.Material, next.Pace, now))), cancel) is { Problems.Count: 0, NewerVersion: null };

    /// <summary>What can go wrong at a step of a mend; null where there is no such mend.</summary>
    public async Task<Outcome<IReadOnlyList<OfferedMishap>>?> MishapsAsync(int id, string stepId, CancellationToken cancel) =>
        await db.MendAsync(id, cancel) is not { } row ? null
        : records.Read(row) is { Value: { } mend } ? Outcome<IReadOnlyList<OfferedMishap>>.Of(mend.MishapsAt(stepId, planner.Catalogue, time.GetUtcNow()))
        : Outcome<IReadOnlyList<OfferedMishap>>.Failed(records.Read(row).Problems);

    /// <summary>The readings of the hold test that is current for a damage; null where there is no such mend.</summary>
    public async Task<Outcome<HoldTrace>?> TraceAsync(int id, int damage, CancellationToken cancel) =>
        await db.MendAsync(id, cancel) is not { } row ? null
        : records.Read(row) is not { Value: { } mend } ? Outcome<HoldTrace>.Failed(records.Read(row).Problems)
        : mend.StartedAt is not null && mend.StateAt(time.GetUtcNow()).Fronts.FirstOrDefault(front => front.Damage == damage)?.Trace is { } trace ? Outcome<HoldTrace>.Of(trace)
        : Outcome<HoldTrace>.Failed([NoHold]);

    /// <summary>Takes readings of a hold test in, each under a key of its own that follows from it: read in twice, it is there once.</summary>
    public async Task<Changed?> ReadTraceAsync(int id, int damage, TraceTable table, CancellationToken cancel)
    {
        if (LimitTable.Check(table) is { Count: > 0 } wrong)
        {
            return Changed.Refused(wrong);
        }

        var read = TraceCsv.Read(table.Csv);
        if (read.Value is not { } rows)
        {
            return Changed.Refused(read.Problems);
        }

        Changed? changed = null;
        foreach (var each in rows)
        {
            var row = await db.MendAsync(id, cancel);
            if (row is null || records.Read(row).Value is not { } mend)
            {
                return row is null ? null : Changed.Refused(records.Read(row).Problems);
            }

            var front = mend.StartedAt is null ? null : mend.StateAt(time.GetUtcNow()).Fronts.FirstOrDefault(one => one.Damage == damage);
            if (front?.Trace is not { } trace)
            {
                return Changed.Refused(NoHold);
            }

            if (!trace.Points.Any(point => point.At == each.At))
            {
                changed = await AddEventAsync(id, row.Version, null, new Happening(RunEventKind.Pressure, front.StepId, Value: each.GaugeKpa, AirC: each.AirC, BarometerKpa: each.BarometerKpa, At: each.At), cancel);
                if (changed is { Problems.Count: > 0 } or { NewerVersion: not null })
                {
                    return changed;
                }
            }
        }

        return changed ?? (await FindAsync(id, cancel) is { Value: { } view } ? new Changed(view, [], null) : null);
    }

    private static readonly Problem NoHold = new("not-this-step", "damage", "No hold test is current.", "Come to it in the mend first.");

    /// <summary>Throws a draft away.</summary>
    /// <returns>Null when there is none; problems when it is no draft or has changed.</returns>
    public async Task<Changed?> DiscardAsync(int id, int version, CancellationToken cancel)
    {
        var row = await db.MendAsync(id, cancel);
        if (row is null)
        {
            return null;
        }

        if (row.Version != version)
        {
            return new Changed(null, [], row.Version);
        }

        if (row.Status != MendStatus.Draft)
        {
            return Changed.Refused(new Problem("already-started", "", "Only a draft can be thrown away: what was done stays in the log.", "Leave it."));
        }

        var record = records.Read(row);
        var view = record.Value is { } read ? await ViewAsync(row, read, cancel) : null;
        db.Mends.Remove(row);
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            db.ChangeTracker.Clear();
            return await db.MendAsync(id, cancel) is { } newer ? new Changed(null, [], newer.Version) : null;
        }

        return new Changed(view, [], null);
    }

    /// <summary>Everything on the bench, most urgent first.</summary>
    public async Task<BenchView> BenchAsync(CancellationToken cancel)
    {
        var now = time.GetUtcNow();
        var read = await OpenAsync(cancel);
        var running = read.Where(each => each.Row.Status == MendStatus.Running && each.Record.Value is not null)
            .Select(each => (each.Row, Plan: each.Record.Value!.Plan!, State: each.Record.Value.StateAt(now)))
            .OrderBy(each => BenchOrder.UrgencyOf(each.State, now))
            .ThenBy(each => BenchOrder.MomentOf(each.State, now))
            .ThenBy(each => each.Row.DueAt ?? DateTimeOffset.MaxValue);
        return new BenchView(
            now,
            [.. running.Select(each => BenchEntries.Entry(each.Row, each.Plan, each.State, now))],
            [.. read.Where(each => each.Row.Status == MendStatus.Draft && each.Record.Value is not null).OrderBy(each => each.Row.DueAt ?? DateTimeOffset.MaxValue)
                .Select(each => BenchEntries.Draft(each.Row, each.Record.Value!.Case))],
            [.. read.Where(each => each.Record.Value is null).Select(each => new UnreadableEntry(each.Row.Id, each.Row.Tag, each.Row.ItemName, each.Record.Problems[0]))],
            BenchOrder.RingsBefore.TotalMinutes);
    }

    /// <summary>What waits to be begun and what is under way.</summary>
    internal async Task<IReadOnlyList<(BenchRow Row, Outcome<Mend> Record)>> OpenAsync(CancellationToken cancel)
    {
        var rows = await db.Mends.AsNoTracking()
            .Where(row => row.Status == MendStatus.Draft || row.Status == MendStatus.Running)
            .OrderBy(row => row.Id).Select(BenchRow.Of).ToListAsync(cancel);
        var recalled = rows.Select(row => (Row: row, Record: records.Recall(row.Key))).ToList();
        var fetched = await ReadAsync([.. recalled.Where(each => each.Record is null).Select(each => each.Row.Id)], cancel);
        var known = rows.Any(row => row.Status == MendStatus.Draft) ? await NowAsync(cancel) : null;
        // A draft that was thrown away meanwhile is neither.
        return [.. recalled.Select(each => (each.Row, Record: each.Record ?? fetched.GetValueOrDefault(each.Row.Id)!)).Where(each => each.Record is not null)
            .Select(each => (each.Row, each.Record.Value is { } mend && known is not null ? Outcome<Mend>.Of(known.In(mend, planner.Catalogue)) : each.Record))];
    }

    /// <summary>What was handed back or sent on since an instant; what cannot be read is left out.</summary>
    internal async Task<IReadOnlyList<(int Id, string Tag, Mend? Mend)>> ClosedSinceAsync(DateTimeOffset at, CancellationToken cancel)
    {
        await using var moment = await db.AsOfOneMomentAsync(cancel);
        return [.. (await db.Mends.AsNoTracking().Include(row => row.Item).Include(row => row.Events).AsSplitQuery().Where(row => row.ClosedAt >= at).ToListAsync(cancel)).Select(row => (row.Id, row.Item.Tag, records.Read(row).Value))];
    }

    private async Task<IReadOnlyDictionary<int, Outcome<Mend>>> ReadAsync(IReadOnlyList<int> ids, CancellationToken cancel)
    {
        if (ids.Count == 0)
        {
            return new Dictionary<int, Outcome<Mend>>();
        }

        await using var moment = await db.AsOfOneMomentAsync(cancel);
        return await db.Mends.AsNoTracking().Include(row => row.Events).AsSplitQuery().Where(row => ids.Contains(row.Id)).ToDictionaryAsync(row => row.Id, records.Read, cancel);
    }

    private async Task<Changed?> ChangeAsync(int id, int? version, Deed? deed, Func<MendRow, Mend, DateTimeOffset, Outcome<Mend>> change, CancellationToken cancel)
    {
        for (var attempt = 1; ; attempt++)
        {
            if (await DoneBeforeAsync(deed, cancel) is { } done)
            {
                return done;
            }

            var (changed, overtaken) = await TryChangeAsync(id, version, deed, change, cancel);
            // Without a version nobody is overtaken for good: it is asked again whether it may still happen; nor where it was only what changes along.
            if (!overtaken || (version is not null && changed?.NewerVersion != version) || attempt == MostAttempts)
            {
                return changed;
            }
        }
    }

    private async Task<(Changed? Changed, bool Overtaken)> TryChangeAsync(int id, int? version, Deed? deed, Func<MendRow, Mend, DateTimeOffset, Outcome<Mend>> change, CancellationToken cancel)
    {
        var row = await db.MendAsync(id, cancel);
        if (row is null)
        {
            return (null, false);
        }

        if (version is not null && row.Version != version)
        {
            return (new Changed(null, [], row.Version), false);
        }

        var before = records.Read(row);
        if (before.Value is not { } mend)
        {
            return (Changed.Refused(before.Problems), false);
        }

        var now = time.GetUtcNow();
        var changed = change(row, mend, now);
        if (changed.Value is not { } after)
        {
            return (Changed.Refused(changed.Problems), false);
        }

        if (ReferenceEquals(after, mend))
        {
            return (new Changed(await ViewAsync(row, mend, cancel), [], null), false);
        }

        if (after.Events.Count > mend.Events.Count)
        {
            await shelf.FollowAsync(row, after, cancel);
            await pieces.FollowAsync(row, after, cancel);
            after = await paces.FollowAsync(row, after, cancel);
        }

        if (await FollowCupsAsync(mend, after, now, cancel) is { } begun)
        {
            db.ChangeTracker.Clear();
            return (Changed.Refused(begun), false);
        }

        MendRecords.Write(after, row);
        row.Version++;
        row.ChangedAt = now;
        Remember(deed, row, now);
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException)
        {
            // Another window saved between our reading and our writing: the version, or the number of the event, was taken.
            db.ChangeTracker.Clear();
            return (new Changed(null, [], (await db.MendAsync(id, cancel))?.Version ?? version), true);
        }

        if (after.Events.Skip(mend.Events.Count).Any(PaceBook.Tells))
        {
            turns.Turn();
        }

        return (new Changed(await ViewAsync(row, after, cancel), [], null), false);
    }

    /// <summary>Tells the mends that share a cup with one what became of it; saved together with what happened there.</summary>
    /// <returns>Why it must not happen; null where it may.</returns>
    private async Task<Problem?> FollowCupsAsync(Mend before, Mend after, DateTimeOffset now, CancellationToken cancel)
    {
        foreach (var news in CupsTogether.Follow(before, after))
        {
            if (await db.MendAsync(news.Mend, cancel) is not { } other || records.Read(other).Value is not { } mend)
            {
                continue;
            }

            if (CupsTogether.Refuse(after, mend, news) is { } refused)
            {
                return refused;
            }

            if (CupsTogether.Tell(mend, news) is var told && !ReferenceEquals(told, mend))
            {
                await shelf.FollowAsync(other, told, cancel);
                MendRecords.Write(told, other);
                other.Version++;
                other.ChangedAt = now;
            }
        }

        return null;
    }

    /// <summary>The cups that would do for a mend and others, as the bench now stands; null where there is no such mend.</summary>
    public async Task<IReadOnlyList<CupOffer>?> CupOffersAsync(int id, CancellationToken cancel)
    {
        var running = await AtBenchAsync(cancel);
        return running.FirstOrDefault(each => each.Id == id) is { } host ? CupsTogether.Offers(host, running, time.GetUtcNow())
            : await db.Mends.AnyAsync(row => row.Id == id, cancel) ? []
            : null;
    }

    /// <summary>Joins mends in one cup, which is mixed at one of them.</summary>
    /// <param name="id">The mend that mixes.</param>
    /// <param name="deed">Its key, or null.</param>
    /// <param name="share">Its mix, and those that take from it.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<Changed?> ShareCupAsync(int id, Deed? deed, ShareCup share, CancellationToken cancel)
    {
        if (LimitTable.Check(share) is { Count: > 0 } wrong)
        {
            return Changed.Refused(wrong);
        }

        for (var attempt = 1; ; attempt++)
        {
            if (await DoneBeforeAsync(deed, cancel) is { } done)
            {
                return done;
            }

            var rows = new List<MendRow>();
            foreach (var each in share.With.Where(each => each != id).Distinct().Prepend(id))
            {
                if (await db.MendAsync(each, cancel) is not { } row)
                {
                    return each == id ? null : Changed.Refused(new Problem("unknown-id", "with", $"There is no mend {each}.", "Reload the mend."));
                }

                rows.Add(row);
            }

            var read = rows.ConvertAll(row => (Row: row, Record: records.Read(row)));
            if (read.Find(each => each.Record.Value is null) is { Row: not null } broken)
            {
                return Changed.Refused(broken.Record.Problems);
            }

            var now = time.GetUtcNow();
            var mends = read.ConvertAll(each => new MendAtBench(each.Row.Id, each.Row.Item.Name, each.Record.Value!));
            var joined = CupsTogether.Join(mends[0], share.StepId, mends[1..], now);
            if (joined.Value is not { } together)
            {
                return Changed.Refused(joined.Problems);
            }

            foreach (var (row, mend) in rows.Zip(together))
            {
                MendRecords.Write(mend.Mend, row);
                row.Version++;
                row.ChangedAt = now;
            }

            Remember(deed, rows[0], now);
            try
            {
                await db.SaveChangesAsync(cancel);
                return new Changed(await ViewAsync(rows[0], together[0].Mend, cancel), [], null);
            }
            catch (DbUpdateException) when (attempt < MostAttempts)
            {
                // Something happened at one of them between our reading and our writing: it is asked again whether it may still be.
                db.ChangeTracker.Clear();
            }
        }
    }

    private async Task<IReadOnlyList<MendAtBench>> AtBenchAsync(CancellationToken cancel) =>
        [.. (await OpenAsync(cancel)).Where(each => each.Record.Value is { Status: MendStatus.Running }).Select(each => new MendAtBench(each.Row.Id, each.Row.ItemName, each.Record.Value!))];

    private async Task<MendView> ViewAsync(MendRow row, Mend mend, CancellationToken cancel)
    {
        var now = time.GetUtcNow();
        mend = mend.Plan is null ? (await NowAsync(cancel)).In(mend, planner.Catalogue) : mend;
        var outcome = mend.Plan is { } frozen ? Outcome<RepairPlan>.Of(frozen) : planner.Plan(mend.Case.StartingAt(now));
        var follower = await db.Mends.Where(each => each.FollowsMendId == row.Id).Select(each => (int?)each.Id).FirstOrDefaultAsync(cancel);
        return new MendView(
            row.Id, row.Status, row.Version, row.Item.Tag, row.Item.Name, row.CreatedAt, row.ChangedAt, row.StartedAt, row.ClosedAt, row.DueAt,
            row.FollowsMendId, follower, mend.Case, outcome.Value, outcome.Problems,
            row.StartedAt is null ? null : mend.StateAt(now),
            mend.Events, await FoundBeforeAsync(row, cancel), now, row.TicketId, mend.Held,
            row.Status == MendStatus.Running && (await shop.ReadAsync(cancel)).Settings.Floor is { WarmPlaces: > 0 } floor ? mend.OverInWarm(floor.WarmC, now) : null);
    }

    /// <summary>The item's record of finds: those of its other mends' cases, and those made while working on them.</summary>
    private async Task<IReadOnlyList<FoundBefore>> FoundBeforeAsync(MendRow row, CancellationToken cancel)
    {
        var others = db.Mends.AsNoTracking().Where(each => each.ItemId == row.ItemId && each.Id != row.Id && each.FindsJson != null);
        var kept = await others.Where(each => each.FindsJson != MendRow.FindsUnread).Select(each => new { each.Id, each.FindsJson }).ToListAsync(cancel);
        var unread = await others.Where(each => each.FindsJson == MendRow.FindsUnread).Include(each => each.Events).AsSplitQuery().ToListAsync(cancel);
        return
        [
            .. kept.SelectMany(each => JsonSerializer.Deserialize<IReadOnlyList<FoundPlace>>(each.FindsJson!, OpenJson.Options)!.Select(find => new FoundBefore(each.Id, find.At, find.Place)))
                .Concat(unread.SelectMany(each => records.Read(each).Value is { } mend ? MendRecords.Finds(each, mend).Select(find => new FoundBefore(each.Id, find.At, find.Place)) : []))
                .OrderByDescending(find => find.At),
        ];
    }

    private async Task<RepairCase> FirstCaseAsync(ItemRow item, CancellationToken cancel)
    {
        var (settings, _) = await shop.ReadAsync(cancel);
        var facts = new ItemFacts(item.Tag, item.Construction, null, Enum.Parse<Warranty>(item.Warranty), item.EarlierMend);
        return FirstCase.Of(facts, planner.Catalogue.Constructions[item.Construction], settings.Facts);
    }

    private async Task<ShopNow> NowAsync(CancellationToken cancel)
    {
        var ((settings, _), held) = (await shop.ReadAsync(cancel), await pieces.HeldAsync(cancel));
        return new ShopNow(await paces.KnownAsync(cancel), settings.Facts.Shelf, [.. (settings.Offcuts ?? []).Where(piece => !held.ContainsKey(piece.Id))]);
    }

    private RepairCase WithItem(RepairCase repairCase, ItemRow item, ShopNow known)
    {
        var today = DateOnly.FromDateTime(time.GetUtcNow().UtcDateTime);
        return known.In(repairCase, planner.Catalogue) with
        {
            Item = repairCase.Item with { Tag = item.Tag, Construction = item.Construction, AgeMonths = Gear.ItemEndpoints.AgeMonths(item.NewOn, today) },
        };
    }
}
