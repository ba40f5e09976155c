using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Data;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Mends;

/// <summary>What came of a change: the new view, problems, or somebody else's newer version.</summary>
public sealed record Changed(MendView? View, IReadOnlyList<Problem> Problems, int? NewerVersion)
{
    /// <summary>Refused with problems.</summary>
    public static Changed Refused(params IReadOnlyList<Problem> problems) => new(null, problems, null);
}

/// <summary>Mends in the database. Every change checks the version that it was made from, and is durable before it is answered.</summary>
public sealed class MendStore(MendDb db, Planner planner, TimeProvider time)
{
    /// <summary>A mend, what in its record cannot be read, or null where there is none.</summary>
    public async Task<Outcome<MendView>?> FindAsync(int id, CancellationToken cancel) =>
        await LoadAsync(id, cancel) is not { } row ? null
        : MendRecord.Read(row) is { Value: { } record } ? Outcome<MendView>.Of(await ViewAsync(row, record, cancel))
        : Outcome<MendView>.Failed(MendRecord.Read(row).Problems);

    /// <summary>Opens a mend of an item.</summary>
    public async Task<Changed?> OpenAsync(NewMend request, CancellationToken cancel)
    {
        var item = await db.Items.FindAsync([request.ItemId], cancel);
        if (item is null)
        {
            return null;
        }

        var repairCase = WithItem(request.Case, item);
        var problems = Check(repairCase);
        if (problems.Count > 0)
        {
            return Changed.Refused(problems);
        }

        var now = time.GetUtcNow();
        var row = new MendRow { Item = item, CaseJson = Write(repairCase), CreatedAt = now, ChangedAt = now, DueAt = repairCase.Wanted.NeededBy, Version = 1 };
        db.Mends.Add(row);
        await db.SaveChangesAsync(cancel);
        return new Changed(await ViewAsync(row, new MendRecord(repairCase, null, []), cancel), [], null);
    }

    /// <summary>Changes the case of a draft.</summary>
    public Task<Changed?> ChangeCaseAsync(int id, int version, RepairCase repairCase, CancellationToken cancel) =>
        ChangeAsync(id, version, (row, record) =>
        {
            if (row.Status != MendStatus.Draft)
            {
                return [new Problem("already-started", "", "This mend is under way: its plan is frozen.", "Go on from the plan, or take the mend back to the bench as a new one.")];
            }

            var complete = WithItem(repairCase, row.Item);
            var problems = Check(complete);
            if (problems.Count == 0)
            {
                row.CaseJson = Write(complete);
                row.DueAt = complete.Wanted.NeededBy;
            }

            return problems;
        }, cancel);

    /// <summary>Freezes the plan and starts the run.</summary>
    public Task<Changed?> StartAsync(int id, int version, CancellationToken cancel) =>
        ChangeAsync(id, version, (row, record) =>
        {
            if (row.Status != MendStatus.Draft)
            {
                return [new Problem("already-started", "", "This mend is under way already.", "Reload the mend.")];
            }

            var now = time.GetUtcNow();
            var repairCase = record.Case;
            var started = repairCase with { Wanted = repairCase.Wanted with { StartAt = now } };
            var outcome = planner.Plan(started);
            if (outcome.Value is not { } plan)
            {
                return outcome.Problems;
            }

            if (!plan.Verdict.MendedHere)
            {
                return [new Problem("not-mended-here", "", plan.Verdict.Reasons[0].Text, "Send it on; the reason is kept in the log.")];
            }

            row.CaseJson = Write(started);
            row.PlanJson = Write(plan);
            row.StartedAt = now;
            row.Status = MendStatus.Running;
            row.SearchText = MendWords.For(started, plan, []);
            return [];
        }, cancel);

    /// <summary>Logs that it is not mended here, with the verdict.</summary>
    public Task<Changed?> SendOnAsync(int id, int version, CancellationToken cancel) =>
        ChangeAsync(id, version, (row, record) =>
        {
            var repairCase = record.Case.StartingNow(time);
            var outcome = planner.Plan(repairCase);
            if (row.Status != MendStatus.Draft || outcome.Value is not { } plan || plan.Verdict.MendedHere)
            {
                return [new Problem("mended-here", "", "The verdict does not send this one on.", "Mend it, or change what was seen.")];
            }

            row.PlanJson = Write(plan);
            row.Status = MendStatus.SentOn;
            row.ClosedAt = time.GetUtcNow();
            row.SearchText = MendWords.For(repairCase, plan, []);
            return [];
        }, cancel);

    /// <summary>Keeps something that happened.</summary>
    public Task<Changed?> AddEventAsync(int id, int version, NewEvent happened, CancellationToken cancel) =>
        ChangeAsync(id, version, (row, record) =>
        {
            if (record.Plan is not { } plan || row.Status is MendStatus.Draft or MendStatus.SentOn)
            {
                return [new Problem("not-started", "", "This mend is not under way.", "Start it first.")];
            }

            var (repairCase, events) = (record.Case, record.Events);
            var now = time.GetUtcNow();
            var state = Run.Fold(repairCase, plan, row.StartedAt!.Value, events, now);
            var next = new RunEvent(state.LastNumber + 1, now, happened.Kind, happened.StepId, happened.Text, happened.Value, happened.Passed, happened.AirC, happened.BarometerKpa);
            if (Run.Refuse(plan, state, next) is { } refused)
            {
                return [refused];
            }

            var judged = next.Kind == RunEventKind.Proof ? next with { Passed = RunProof.Passes(plan, next) } : next;
            row.Events.Add(EventRows.ToRow(judged));
            Settle(row, repairCase, plan, [.. events, judged], now);
            return [];
        }, cancel);

    /// <summary>Throws a draft away.</summary>
    /// <returns>Null when there is none; problems when it is no draft or has changed.</returns>
    public async Task<Changed?> DiscardAsync(int id, int version, CancellationToken cancel)
    {
        var row = await LoadAsync(id, cancel);
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

        var record = MendRecord.Read(row);
        var view = record.Value is { } read ? await ViewAsync(row, read, cancel) : null;
        db.Mends.Remove(row);
        await db.SaveChangesAsync(cancel);
        return new Changed(view, [], null);
    }

    /// <summary>Everything on the bench, most urgent first.</summary>
    public async Task<BenchView> BenchAsync(CancellationToken cancel)
    {
        var now = time.GetUtcNow();
        var rows = await db.Mends.AsNoTracking().Include(row => row.Item).Include(row => row.Events).AsSplitQuery()
            .Where(row => row.Status == MendStatus.Draft || row.Status == MendStatus.Running)
            .OrderBy(row => row.Id).ToListAsync(cancel);
        var read = rows.Select(row => (Row: row, Record: MendRecord.Read(row))).ToList();
        var running = read.Where(each => each.Row.Status == MendStatus.Running && each.Record.Value is not null)
            .Select(each => (each.Row, Plan: each.Record.Value!.Plan!, State: Fold(each.Row, each.Record.Value, now)))
            .OrderBy(each => BenchOrder.UrgencyOf(each.State, now))
            .ThenBy(each => BenchOrder.MomentOf(each.State, now))
            .ThenBy(each => each.Row.DueAt ?? DateTimeOffset.MaxValue);
        return new BenchView(
            now,
            [.. running.Select(each => BenchEntries.Entry(each.Row, each.Plan, each.State, now))],
            [.. read.Where(each => each.Row.Status == MendStatus.Draft && each.Record.Value is not null).OrderBy(each => each.Row.DueAt ?? DateTimeOffset.MaxValue)
                .Select(each => BenchEntries.Draft(each.Row, each.Record.Value!.Case))],
            [.. read.Where(each => each.Record.Value is null).Select(each => new UnreadableEntry(each.Row.Id, each.Row.Item.Tag, each.Row.Item.Name, each.Record.Problems[0]))]);
    }

    private static RunState Fold(MendRow row, MendRecord record, DateTimeOffset now) =>
        Run.Fold(record.Case, record.Plan!, row.StartedAt!.Value, record.Events, now);

    private async Task<Changed?> ChangeAsync(int id, int version, Func<MendRow, MendRecord, IReadOnlyList<Problem>> change, CancellationToken cancel)
    {
        var row = await LoadAsync(id, cancel);
        if (row is null)
        {
            return null;
        }

        if (row.Version != version)
        {
            return new Changed(null, [], row.Version);
        }

        var before = MendRecord.Read(row);
        if (before.Value is not { } record)
        {
            return Changed.Refused(before.Problems);
        }

        var problems = change(row, record);
        if (problems.Count > 0)
        {
            return Changed.Refused(problems);
        }

        row.Version++;
        row.ChangedAt = time.GetUtcNow();
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException)
        {
            // Another window saved between our reading and our writing: the version, or the number of the event, was taken.
            db.ChangeTracker.Clear();
            return new Changed(null, [], (await LoadAsync(id, cancel))?.Version ?? version);
        }

        return new Changed(await ViewAsync(row, MendRecord.Read(row).Value!, cancel), [], null);
    }

    private void Settle(MendRow row, RepairCase repairCase, RepairPlan plan, IReadOnlyList<RunEvent> events, DateTimeOffset now)
    {
        var state = Run.Fold(repairCase, plan, row.StartedAt!.Value, events, now);
        row.Status = state.HandedBackAt is null ? MendStatus.Running : MendStatus.HandedBack;
        row.ClosedAt = state.HandedBackAt;
        row.SearchText = MendWords.For(repairCase, plan, events);
        if (state.HandedBackAt is null)
        {
            return;
        }

        // The shop's own products, and what a later catalogue no longer lists, are known by the case that was planned.
        var chemistry = planner.Catalogue.With(repairCase.Products ?? []).Materials.GetValueOrDefault(plan.System!.Material)?.Chemistry;
        row.Item.EarlierMend = chemistry is "epoxy" or "polyester" ? chemistry : row.Item.EarlierMend;
        if (plan.ProperRepairBy is { } due && !db.Mends.Any(each => each.FollowsMendId == row.Id))
        {
            db.Mends.Add(ProperRepair(row, repairCase, due, now));
        }
    }

    private static MendRow ProperRepair(MendRow row, RepairCase repairCase, DateTimeOffset due, DateTimeOffset now)
    {
        var proper = repairCase with
        {
            Wanted = repairCase.Wanted with { Permanence = Permanence.Lasting, StartAt = null, NeededBy = due },
            Choice = null,
            Overrides = null,
        };
        return new MendRow { ItemId = row.ItemId, CaseJson = Write(proper), CreatedAt = now, ChangedAt = now, DueAt = due, FollowsMendId = row.Id, Version = 1 };
    }

    private Task<MendRow?> LoadAsync(int id, CancellationToken cancel) =>
        db.Mends.Include(row => row.Item).Include(row => row.Events).FirstOrDefaultAsync(row => row.Id == id, cancel);

    private async Task<MendView> ViewAsync(MendRow row, MendRecord record, CancellationToken cancel)
    {
        var now = time.GetUtcNow();
        var outcome = record.Plan is { } frozen ? Outcome<RepairPlan>.Of(frozen) : planner.Plan(record.Case.StartingNow(time));
        var follower = await db.Mends.Where(each => each.FollowsMendId == row.Id).Select(each => (int?)each.Id).FirstOrDefaultAsync(cancel);
        return new MendView(
            row.Id, row.Status, row.Version, row.Item.Tag, row.Item.Name, row.CreatedAt, row.ChangedAt, row.StartedAt, row.ClosedAt, row.DueAt,
            row.FollowsMendId, follower, record.Case, outcome.Value, outcome.Problems,
            row.StartedAt is null ? null : Fold(row, record, now),
            record.Events, await FoundBeforeAsync(row, cancel), now);
    }

    /// <summary>The item's record of finds: those of its other mends' cases, and those made while working on them.</summary>
    private async Task<IReadOnlyList<FoundBefore>> FoundBeforeAsync(MendRow row, CancellationToken cancel)
    {
        var others = await db.Mends.AsNoTracking().Where(each => each.ItemId == row.ItemId && each.Id != row.Id).Include(each => each.Events).ToListAsync(cancel);
        return [.. others.SelectMany(mend => MendRecord.Read(mend).Value is { } record ? Finds(mend, record) : []).OrderByDescending(find => find.At)];
    }

    private static IEnumerable<FoundBefore> Finds(MendRow mend, MendRecord record) =>
    [
        .. (record.Case.Damage.Finds ?? []).Select(find => new FoundBefore(mend.Id, mend.CreatedAt, find.Place)),
        .. Run.Standing(record.Events).Where(each => each.Kind == RunEventKind.Find)
            .Select(each => new FoundBefore(mend.Id, each.At, each.Text!)),
    ];

    private IReadOnlyList<Problem> Check(RepairCase repairCase) => planner.Plan(repairCase.StartingNow(time)).Problems;

    private RepairCase WithItem(RepairCase repairCase, ItemRow item)
    {
        var today = DateOnly.FromDateTime(time.GetUtcNow().UtcDateTime);
        return repairCase with
        {
            Item = repairCase.Item with { Tag = item.Tag, Construction = item.Construction, AgeMonths = Gear.ItemEndpoints.AgeMonths(item.NewOn, today) },
        };
    }

    private static string Write<T>(T value) => JsonSerializer.Serialize(value, OpenJson.Options);
}
