using System.Diagnostics;
using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Curing;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Days;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Safety;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;
using AbleMend.Data;
using AbleMend.Server.Mends;
using AbleMend.Server.Shop;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Days;

/// <summary>One at a time makes a plan of the days; whoever asks meanwhile waits for it.</summary>
public sealed class DaysDesk : IDisposable
{
    /// <value>Held by whoever makes one.</value>
    internal SemaphoreSlim Turn { get; } = new(1, 1);

    /// <value>Held by whoever changes what is wanted of a mend: of two at once, the second finds what the first left.</value>
    internal SemaphoreSlim Wishing { get; } = new(1, 1);

    private DaysToBetter? _toBetter;
    private int _left;

    /// <value>How long is looked for a plan while somebody waits for it.</value>
    internal TimeSpan Patience { get; set; } = TimeSpan.FromMilliseconds(250);

    /// <value>How many plans were made: another number, and what is looked on for is out of date.</value>
    internal int Left => Volatile.Read(ref _left);

    /// <summary>Leaves a plan to be looked on for, or null where there is nothing to better; one that was left before is given up.</summary>
    internal void Leave(DaysToBetter? plan)
    {
        Interlocked.Increment(ref _left);
        Interlocked.Exchange(ref _toBetter, plan);
    }

    /// <summary>Takes what may be bettered off the desk: nobody else looks on for it.</summary>
    internal DaysToBetter? Take() => Interlocked.Exchange(ref _toBetter, null);

    /// <inheritdoc/>
    public void Dispose()
    {
        Turn.Dispose();
        Wishing.Dispose();
    }
}

/// <summary>A plan of the days as it is kept.</summary>
internal sealed record KeptDays(DaysPlan Plan, IReadOnlyList<LeftOut> LeftOut);

/// <summary>A plan of the days that was laid out after a short look, and may be bettered by a longer one.</summary>
/// <param name="Draft">The look.</param>
/// <param name="From">What it was made from.</param>
internal sealed record DaysToBetter(DaysDraft Draft, string From);

/// <summary>
/// The plan of the days, made anew when something happened: a mend came, went on or was changed, the shop's hands changed, or what was to be
/// begun was not. What stands is kept to where little speaks against it, also after a restart.
/// </summary>
public sealed class DaysStore(MendDb db, MendStore mends, ShopStore shop, Planner planner, DaysDesk desk, TimeProvider time)
{
    /// <summary>How long after its time a stretch that is not begun makes the plan be made anew.</summary>
    private static readonly TimeSpan Late = TimeSpan.FromMinutes(15);

    /// <summary>The plan as it stands.</summary>
    public async Task<DaysView> ReadAsync(CancellationToken cancel)
    {
        await desk.Turn.WaitAsync(cancel);
        try
        {
            var now = time.GetUtcNow();
            var (settings, version) = await shop.ReadAsync(cancel);
            var open = await mends.OpenAsync(cancel);
            var wishes = await WishesAsync(cancel);
            var row = await db.Days.FirstOrDefaultAsync(each => each.Id == DaysRow.OnlyId, cancel);
            var kept = Read(row);
            var from = MadeFrom(version, [.. open.Select(each => each.Row)], wishes, open.Select(each => each.Record.Value).FirstOrDefault(mend => mend?.Status == MendStatus.Draft)?.Case.Paces);
            if (kept is null || row!.MadeFrom != from || kept.Plan.Blocks.Any(block => block.StartsAt < now - Late))
            {
                var (laid, left) = Sorted(open, wishes, now, cancel);
                var draft = new ShopDays(settings.Floor ?? ShopFloor.Alone, settings.Bench).Begin(laid, now, kept?.Plan);
                var clock = Stopwatch.StartNew();
                draft.Improve(() => desk.Patience > TimeSpan.Zero ? clock.Elapsed / desk.Patience : 1);
                row = await KeepAsync(row, kept = new KeptDays(draft.Laid(), left), from, cancel);
                desk.Leave(draft.IsProven ? null : new DaysToBetter(draft, from));
            }

            return new DaysView(now, kept.Plan, [.. open.Select(each => Named(each.Row, wishes))], kept.LeftOut, AddressesOf(row.CalendarKey, kept.Plan.People.Count),
                DayLoad.Of(kept.Plan, settings.Floor ?? ShopFloor.Alone, settings.Bench.OpensHour, settings.Bench.ClosesHour, TimeZoneInfo.FindSystemTimeZoneById(settings.Bench.Zone), now));
        }
        finally
        {
            desk.Turn.Release();
        }
    }

    /// <summary>Puts a better plan in the place of the one that it was found from, where nothing has happened since.</summary>
    /// <returns>Whether it was put there.</returns>
    internal async Task<bool> BetterAsync(DaysToBetter found, CancellationToken cancel)
    {
        var better = found.Draft.Laid();
        if (!IsWorthTelling(better.Worth!))
        {
            return false;
        }

        await desk.Turn.WaitAsync(cancel);
        try
        {
            var row = await db.Days.FirstOrDefaultAsync(each => each.Id == DaysRow.OnlyId, cancel);
            if (row?.MadeFrom != found.From || Read(row) is not { } kept || kept.Plan.At != better.At)
            {
                return false;
            }

            await KeepAsync(row, kept with { Plan = better }, found.From, cancel);
            return true;
        }
        finally
        {
            desk.Turn.Release();
        }
    }

    /// <summary>A window saved, or a quarter of an hour: for less nobody's day is turned round.</summary>
    private static bool IsWorthTelling(DaysWorth worth) => worth.FewerMissed > 0 || (worth.FewerMissed == 0 && worth.LessLateMin >= Late.TotalMinutes);

    /// <summary>The air of the room today: of what was done, and of what the plan of the days still has.</summary>
    public async Task<AirView> AirAsync(CancellationToken cancel)
    {
        var view = await ReadAsync(cancel);
        var (settings, _) = await shop.ReadAsync(cancel);
        if (settings.Bench.RoomM3 is not { } room)
        {
            return new AirView(view.Now, null, null, [], AirOfDay.CartridgeHours);
        }

        var hours = new ShopHours(TimeZoneInfo.FindSystemTimeZoneById(settings.Bench.Zone), settings.Bench.OpensHour, settings.Bench.ClosesHour);
        var (from, to) = (hours.Midnight(view.Now, 0), hours.Midnight(view.Now, 1));
        var given = new List<RoomVapour>();
        var releases = new List<VapourRelease>();
        foreach (var (id, tag, mend) in await TodayAsync(from, cancel))
        {
            if ((mend.Plan ?? PlanToday(id, mend, view.Plan, to, cancel)) is not { } plan)
            {
                continue;
            }

            foreach (var vapour in DayAir.Of(id, plan, mend.StartedAt is null ? null : mend.StateAt(view.Now), view.Plan).Where(each => each.Release.To > from && each.Release.From < to))
            {
                releases.Add(vapour.Release);
                given.Add(new RoomVapour(id, tag, plan.Steps.First(step => step.Id == vapour.StepId).Title, vapour.Release.Solvent, vapour.Release.Grams, vapour.Release.From));
            }
        }

        return new AirView(view.Now, room, AirOfDay.Of(releases, room, settings.Bench.AirChangesPerHour, from, to, view.Now), [.. given.OrderBy(each => each.At)], AirOfDay.CartridgeHours);
    }

    /// <summary>What is on the bench, and what was handed back today.</summary>
    private async Task<IReadOnlyList<(int Id, string Tag, Mend Mend)>> TodayAsync(DateTimeOffset from, CancellationToken cancel) =>
    [
        .. (await mends.OpenAsync(cancel)).Select(each => (each.Row.Id, each.Row.Tag, Mend: each.Record.Value)).Concat(await mends.ClosedSinceAsync(from, cancel))
            .Where(each => each.Mend is not null).Select(each => (each.Id, each.Tag, each.Mend!)),
    ];

    /// <summary>The plan of a draft that is begun today; null for any other.</summary>
    private RepairPlan? PlanToday(int id, Mend mend, DaysPlan days, DateTimeOffset to, CancellationToken cancel) =>
        days.Blocks.FirstOrDefault(block => block.Mend == id) is { } first && first.StartsAt < to ? planner.Plan(mend.Case.StartingAt(first.StartsAt), cancel).Value : null;

    /// <summary>When a mend on the bench can be promised; null where there is none, problems where it is not mended here.</summary>
    public async Task<Outcome<Promise>?> PromiseAsync(int id, CancellationToken cancel)
    {
        var view = await ReadAsync(cancel);
        var now = view.Now;
        var open = await mends.OpenAsync(cancel);
        if (open.FirstOrDefault(each => each.Row.Id == id) is not { Row: { } row, Record: { } record })
        {
            return null;
        }

        var asked = record.Value is { } mend ? ToPlan(row, mend, now, cancel) : Outcome<MendToPlan>.Failed(record.Problems);
        if (asked.Value is not { } asWanted)
        {
            return Outcome<Promise>.Failed(asked.Problems);
        }

        var (settings, _) = await shop.ReadAsync(cancel);
        var (others, _) = Sorted([.. open.Where(each => each.Row.Id != id)], await WishesAsync(cancel), now, cancel);
        var ways = new WaysToPromise(asWanted, Way(row, record.Value!, ForNow, now, cancel), Way(row, record.Value!, Warm, now, cancel));
        return Outcome<Promise>.Of(new Promises(settings.Floor ?? ShopFloor.Alone, settings.Bench).Of(ways, others, view.Plan, now));
    }

    /// <summary>Keeps what somebody wants of a mend, beside what somebody else wanted meanwhile; null where there is no such mend on the bench.</summary>
    public async Task<Outcome<DayWish>?> WishAsync(int id, WishChange change, CancellationToken cancel)
    {
        if (!await db.Mends.AnyAsync(row => row.Id == id && (row.Status == MendStatus.Draft || row.Status == MendStatus.Running), cancel))
        {
            return null;
        }

        await desk.Wishing.WaitAsync(cancel);
        try
        {
            var (settings, _) = await shop.ReadAsync(cancel);
            var together = TwoChanges.Together(change.Was, change.Wish, (await WishesAsync(cancel)).GetValueOrDefault(id) ?? new DayWish());
            var problems = together.Value?.Check(settings.Floor ?? ShopFloor.Alone) ?? together.Problems;
            if (together.Value is not { } wish || problems.Count > 0)
            {
                return Outcome<DayWish>.Failed([.. problems.Select(problem => problem.In("wish"))]);
            }

            await KeepAsync(id, wish, cancel);
            return Outcome<DayWish>.Of(wish);
        }
        finally
        {
            desk.Wishing.Release();
        }
    }

    private async Task KeepAsync(int id, DayWish wish, CancellationToken cancel)
    {
        var row = await db.DayWishes.FindAsync([id], cancel);
        if (row is null)
        {
            row = new DayWishRow { MendId = id };
            db.DayWishes.Add(row);
        }

        (row.NotBefore, row.Person, row.Weight, row.BeginAt, row.NotBy) = (wish.NotBefore, wish.Person, wish.Weight, wish.BeginAt, [.. wish.NotBy ?? []]);
        await db.SaveChangesAsync(cancel);
    }

    private async Task<IReadOnlyDictionary<int, DayWish>> WishesAsync(CancellationToken cancel) =>
        await db.DayWishes.AsNoTracking().ToDictionaryAsync(row => row.MendId, row => new DayWish(row.NotBefore, row.Person, row.Weight, row.BeginAt, row.NotBy.Count == 0 ? null : row.NotBy), cancel);

    private static RepairCase? ForNow(RepairCase repairCase) =>
        repairCase.Wanted.Permanence == Permanence.ForNow ? null
            : repairCase with { Wanted = repairCase.Wanted with { Permanence = Permanence.ForNow }, Damages = [.. repairCase.Damages.Select(damage => damage with { Choice = null, Overrides = null })] };

    private static RepairCase? Warm(RepairCase repairCase) =>
        repairCase.Bench.TemperatureC >= Promises.WarmC ? null : repairCase with { Bench = repairCase.Bench with { TemperatureC = Promises.WarmC, NightTemperatureC = Promises.WarmC } };

    private MendToPlan? Way(BenchRow row, Mend mend, Func<RepairCase, RepairCase?> other, DateTimeOffset now, CancellationToken cancel) =>
        mend.Status == MendStatus.Draft && other(mend.Case) is { } way && planner.Plan(way.StartingAt(now), cancel).Value is { Verdict.MendedHere: true } plan
            ? MendToPlan.Draft(row.Id, way, plan, row.DueAt)
            : null;

    private static DaysMend Named(BenchRow row, IReadOnlyDictionary<int, DayWish> wishes) => new(row.Id, row.Tag, row.ItemName, row.Status, wishes.GetValueOrDefault(row.Id) ?? new DayWish());

    private static string MadeFrom(int version, IReadOnlyList<BenchRow> rows, IReadOnlyDictionary<int, DayWish> wishes, IReadOnlyList<LearntPace>? paces) =>
        string.Create(CultureInfo.InvariantCulture, $"{version}|") + string.Concat((paces ?? []).Select(pace => string.Create(CultureInfo.InvariantCulture, $"{pace.Material}{pace.Rate:R}|"))) + string.Join(',', rows.Select(row => string.Create(CultureInfo.InvariantCulture, $"{row.Id}.{row.Key.Version}.{row.Key.Events}.{row.DueAt?.UtcTicks}{Wanted(wishes.GetValueOrDefault(row.Id))}")));

    private static string Wanted(DayWish? wish) => wish is null ? "" : $"{wish}{string.Join('|', wish.NotBy ?? [])}";

    private static KeptDays? Read(DaysRow? row)
    {
        try
        {
            return row is null ? null : JsonSerializer.Deserialize<KeptDays>(PackedText.Read(row.PlanPacked), OpenJson.Options);
        }
        catch (Exception unreadable) when (OpenJson.IsUnreadable(unreadable))
        {
            // A plan of another version is made anew: nothing in it is remembered by anybody.
            return null;
        }
    }

    private (IReadOnlyList<MendToPlan> Laid, IReadOnlyList<LeftOut> Left) Sorted(IReadOnlyList<(BenchRow Row, Outcome<Mend> Record)> open, IReadOnlyDictionary<int, DayWish> wishes, DateTimeOffset now, CancellationToken cancel)
    {
        var (laid, left) = (new List<MendToPlan>(), new List<LeftOut>());
        foreach (var (row, record) in open)
        {
            var outcome = record.Value is { } mend ? ToPlan(row, mend, now, cancel) : Outcome<MendToPlan>.Failed(record.Problems);
            if (outcome.Value is { } ready)
            {
                laid.Add(ready with { Wish = wishes.GetValueOrDefault(row.Id) ?? ready.Wish });
            }
            else
            {
                left.Add(new LeftOut(Named(row, wishes), outcome.Problems[0]));
            }
        }

        return (laid, left);
    }

    private Outcome<MendToPlan> ToPlan(BenchRow row, Mend mend, DateTimeOffset now, CancellationToken cancel)
    {
        if (mend.Status == MendStatus.Running)
        {
            return Outcome<MendToPlan>.Of(MendToPlan.Running(row.Id, mend, row.DueAt, now));
        }

        var planned = planner.Plan(mend.Case.StartingAt(now), cancel);
        return planned.Value switch
        {
            null => Outcome<MendToPlan>.Failed(planned.Problems),
            { Verdict.MendedHere: false } plan => Outcome<MendToPlan>.Failed(new Problem("not-mended-here", "", plan.Verdict.Reasons is [{ } reason, ..] ? reason.Text : (Message)"It is not mended here.", "Send it on; the reason is kept in the log.")),
            { } plan => Outcome<MendToPlan>.Of(MendToPlan.Draft(row.Id, mend.Case, plan, row.DueAt)),
        };
    }

    private async Task<DaysRow> KeepAsync(DaysRow? row, KeptDays kept, string from, CancellationToken cancel)
    {
        if (row is null)
        {
            row = new DaysRow { PlanPacked = [], MadeFrom = "" };
            db.Days.Add(row);
        }

        row.CalendarKey = row.CalendarKey is { Length: > 0 } key ? key : Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(16));
        (row.PlanPacked, row.MadeFrom) = (PackedText.Of(JsonSerializer.Serialize(kept, OpenJson.Options)), from);
        await db.SaveChangesAsync(cancel);
        return row;
    }

    private static IReadOnlyList<string> AddressesOf(string key, int people) =>
        [$"/calendar/{key}/shop.ics", .. Enumerable.Range(1, people).Select(person => string.Create(CultureInfo.InvariantCulture, $"/calendar/{key}/{person}.ics"))];

    /// <summary>The calendar under an address; null where there is none.</summary>
    /// <param name="address">The address, as the plan of the days gives it.</param>
    /// <param name="voice">Whose words it is in.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<string?> CalendarAsync(string address, Voice voice, CancellationToken cancel)
    {
        var view = await ReadAsync(cancel);
        var place = view.Calendars.ToList().FindIndex(each => CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(each), Encoding.UTF8.GetBytes(address)));
        return place < 0 ? null : DayCalendar.Of(view, place == 0 ? null : place - 1, (await shop.ReadAsync(cancel)).Settings.Name, voice);
    }
}
