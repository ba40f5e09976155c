using AbleMend.Core.Curing;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Stock;
using AbleMend.Data;
using AbleMend.Server.Shop;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Shelf;

/// <summary>Turns whenever a look is made or taken back, or the shop's shelf changes, so that what follows from all of them is only worked out then.</summary>
public sealed class PaceTurns
{
    private int _now;

    /// <value>How often that has been since the shop was started.</value>
    public int Now => Volatile.Read(ref _now);

    /// <value>What was known at a turn, and until when: the day decides which lot is in use.</value>
    internal (int Turn, DateTimeOffset Until, IReadOnlyList<LearntPace> Paces)? Known { get; set; }

    /// <summary>Looks or the shelf have changed.</summary>
    public void Turn() => Interlocked.Increment(ref _now);
}

/// <summary>What touch has taught of every lot: looks are kept as they are made, and taken back with them. A new lot begins at its label.</summary>
public sealed class PaceBook(MendDb db, ShopStore shop, PaceTurns turns, Planner planner, TimeProvider time)
{
    /// <summary>Looks at a lot that are reckoned with, the newest: more teach nothing.</summary>
    private const int MostLooks = 60;

    /// <summary>Which lot is in use changes with the day as well: within so long after midnight it is known.</summary>
    private static readonly TimeSpan LongestKnown = TimeSpan.FromMinutes(10);

    private static readonly HashSet<RunEventKind> Looking = [RunEventKind.Ready, RunEventKind.NotYet, RunEventKind.Mishap, RunEventKind.Undo];

    /// <summary>Keeps what the newest event of a mend says of how fast something sets, and tells the mend what follows; saved together with the event.</summary>
    /// <param name="row">The mend.</param>
    /// <param name="mend">The mend, with the event.</param>
    /// <param name="cancel">Gives up.</param>
    /// <returns>The mend, with what it has learnt.</returns>
    public async Task<Mend> FollowAsync(MendRow row, Mend mend, CancellationToken cancel)
    {
        if (mend.Events is not [.., { } newest] || !Tells(newest))
        {
            return mend;
        }

        var before = await db.Looks.Where(look => look.MendId == row.Id).ToListAsync(cancel);
        var touched = mend.Touched();
        if (before.Count == 0 && touched.Count == 0)
        {
            return mend;
        }

        var lots = await LotsAsync(row.Id, [.. touched.Select(each => each.Material).Distinct()], cancel);
        // A look stays with the lot that it was made at, whatever was opened since.
        var after = touched.Select(each => RowOf(row.Id, each, before.Find(look => look.StepId == each.StepId && look.Material == each.Material)?.Lot ?? lots[each.Material])).ToList();
        db.Looks.RemoveRange(before);
        db.Looks.AddRange(after);
        foreach (var (material, lot) in before.Concat(after).Select(look => (look.Material, look.Lot)).Distinct().ToList())
        {
            var others = await LooksAsync(material, lot, row.Id, cancel);
            mend = mend.Learn(material, LearntPace.From(material, [.. after.Where(look => (look.Material, look.Lot) == (material, lot)).Select(LookOf), .. others]), time.GetUtcNow());
        }

        return mend;
    }

    /// <summary>How fast the lots that are in use set, for whatever is planned now.</summary>
    public async Task<IReadOnlyList<LearntPace>> KnownAsync(CancellationToken cancel)
    {
        var (turn, now) = (turns.Now, time.GetUtcNow());
        if (turns.Known is { } before && before.Turn == turn && now < before.Until)
        {
            return before.Paces;
        }

        var looked = await db.Looks.AsNoTracking().Select(look => look.Material).Distinct().ToListAsync(cancel);
        var paces = new List<LearntPace>();
        foreach (var (material, lot) in await LotsAsync(null, looked, cancel))
        {
            if (LearntPace.From(material, await LooksAsync(material, lot, null, cancel)) is { } pace)
            {
                paces.Add(pace);
            }
        }

        turns.Known = (turn, now + LongestKnown, paces);
        return paces;
    }

    /// <summary>How fast lots set, by what they go by; those that nobody has looked at are left out.</summary>
    public async Task<IReadOnlyDictionary<string, LearntPace>> OfAsync(IEnumerable<Lot> lots, CancellationToken cancel)
    {
        var paces = new Dictionary<string, LearntPace>();
        foreach (var lot in lots)
        {
            if (LearntPace.From(lot.Material, await LooksAsync(lot.Material, lot.Name, null, cancel)) is { } pace)
            {
                paces[lot.Name] = pace;
            }
        }

        return paces;
    }

    /// <summary>What a mend would be told now of the materials that it waits for.</summary>
    /// <param name="id">Number of the mend.</param>
    /// <param name="mend">The mend, under way.</param>
    /// <param name="cancel">Gives up.</param>
    /// <returns>Only those that differ from what it reckons with.</returns>
    public async Task<IReadOnlyList<(string Material, LearntPace? Pace)>> NewsAsync(int id, Mend mend, CancellationToken cancel)
    {
        var news = new List<(string, LearntPace?)>();
        foreach (var (material, lot) in await LotsAsync(id, mend.Paced(), cancel))
        {
            var pace = LearntPace.From(material, await LooksAsync(material, lot, null, cancel));
            if (!Equals(pace, mend.PaceOf(material)))
            {
                news.Add((material, pace));
            }
        }

        return news;
    }

    /// <summary>Whether an event may change what is known.</summary>
    public static bool Tells(RunEvent happened) => Looking.Contains(happened.Kind);

    private async Task<IReadOnlyList<PaceLook>> LooksAsync(string material, string lot, int? without, CancellationToken cancel) =>
        [.. (await db.Looks.AsNoTracking().Where(look => look.Material == material && look.Lot == lot && look.MendId != without).OrderByDescending(look => look.Id).Take(MostLooks).ToListAsync(cancel)).Select(LookOf)];

    /// <summary>The lot of each material that a mend has drawn from, else the one that is in use.</summary>
    private async Task<IReadOnlyDictionary<string, string>> LotsAsync(int? id, IReadOnlyList<string> materials, CancellationToken cancel)
    {
        var (settings, _) = await shop.ReadAsync(cancel);
        var shelf = settings.Shelf ?? [];
        var drawn = id is null ? [] : await db.LotMoves.AsNoTracking().Where(move => move.MendId == id).OrderByDescending(move => move.Id).Select(move => move.Lot).ToListAsync(cancel);
        var known = planner.Catalogue.With(settings.Products ?? []).Materials;
        var today = Today(settings);
        return materials.ToDictionary(material => material, material =>
            drawn.Find(name => shelf.Any(lot => lot.Name == name && lot.Material == material)) ?? (known.TryGetValue(material, out var product) ? Stocktaking.InUse(product, shelf, today) : material));
    }

    private DateOnly Today(ShopSettings settings) => DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(time.GetUtcNow(), TimeZoneInfo.FindSystemTimeZoneById(settings.Bench.Zone)).DateTime);

    private static LookRow RowOf(int id, TouchedWait touched, string lot) =>
        new() { MendId = id, EventNumber = touched.Number, StepId = touched.StepId, Material = touched.Material, Lot = lot, LabelMin = touched.Look.LabelMin, NotYetMin = touched.Look.NotYetMin, ReadyMin = touched.Look.ReadyMin, Looks = touched.Look.Looks };

    private static PaceLook LookOf(LookRow row) => new(row.LabelMin, row.NotYetMin, row.ReadyMin, row.Looks);
}
