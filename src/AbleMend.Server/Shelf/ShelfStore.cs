using AbleMend.Core;
using AbleMend.Core.Limits;
using AbleMend.Core.Materials;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Stock;
using AbleMend.Core.Words;
using AbleMend.Data;
using AbleMend.Server.Days;
using AbleMend.Server.Mends;
using AbleMend.Server.Shop;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Shelf;

/// <summary>The lots on the shelf, what is left of them, and who took of which.</summary>
public sealed class ShelfStore(MendDb db, ShopStore shop, MendStore mends, DaysStore days, PaceBook paces, PieceBook pieces, Planner planner, TimeProvider time)
{
    private const int MostAttempts = 8;

    /// <summary>The shelf as it is.</summary>
    public async Task<ShelfView> ReadAsync(CancellationToken cancel)
    {
        var (settings, _) = await shop.ReadAsync(cancel);
        var (now, materials) = (time.GetUtcNow(), planner.Catalogue.With(settings.Products ?? []).Materials);
        var today = Today(settings, now);
        // What a later catalogue no longer knows cannot be told of; its lot stays in the settings.
        IReadOnlyList<Lot> lots = [.. (settings.Shelf ?? []).Where(lot => materials.ContainsKey(lot.Material))];
        var left = await LotDraws.LeftAsync(db, lots, cancel);
        var pace = await paces.OfAsync(lots.Where(lot => lot.IsThere), cancel);
        IReadOnlyList<LotView> views = [.. lots.Select(lot => View(lot, materials[lot.Material], left, today) with { Pace = pace.GetValueOrDefault(lot.Name) })];
        var begun = (await days.ReadAsync(cancel)).Plan.Blocks.GroupBy(block => block.Mend).ToDictionary(blocks => blocks.Key, blocks => blocks.Min(block => block.StartsAt));
        var held = await pieces.HeldAsync(cancel);
        return new ShelfView(
            now, today,
            [.. views.Where(view => view.Lot.IsThere).OrderBy(view => view.LastDay ?? DateOnly.MaxValue).ThenBy(view => view.Name, StringComparer.Ordinal)],
            [.. views.Where(view => !view.Lot.IsThere).OrderByDescending(view => view.Lot.GoneOn)],
            [.. Stocktaking.Needs(await StillToDoAsync(now, cancel), lots, left, materials, today).Select(need => View(need, materials[need.Material], begun))],
            [.. materials.Values.Select(material => new ShelfMaterial(material.Id, Titled(material), UsualUnit(material)))],
            [
                .. (settings.Offcuts ?? []).Where(piece => materials.ContainsKey(piece.Material)).OrderBy(piece => piece.Material, StringComparer.Ordinal).ThenByDescending(piece => piece.LengthMm * piece.WidthMm)
                    .Select(piece => new PieceView(piece, Titled(materials[piece.Material]), held.TryGetValue(piece.Id, out var mend) ? mend : null)),
            ]);
    }

    /// <summary>Puts a lot on the shelf, or changes it; what somebody else changed of it meanwhile stays.</summary>
    /// <param name="name">What it goes by.</param>
    /// <param name="change">The lot, and what it was.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<Outcome<ShelfView>> PutAsync(string name, LotChange change, CancellationToken cancel) =>
        change.Lot.Name != name ? Outcome<ShelfView>.Failed([new Problem("name-differs", "lot.id", "What is written on it differs from its address.", "Write the same name in both.")])
        : LimitTable.Check(change) is { Count: > 0 } wrong ? Outcome<ShelfView>.Failed(wrong)
        : await ChangeAsync(shelf => Put(shelf, change), cancel);

    /// <summary>The shelf with a lot put on it or changed, put together with what it is by now.</summary>
    private static Outcome<IReadOnlyList<Lot>> Put(IReadOnlyList<Lot> shelf, LotChange change)
    {
        var (lot, was, now) = (change.Lot, change.Was, shelf.FirstOrDefault(each => each.Name == change.Lot.Name));
        // What was only said to be there, and is named now, goes by another name from then on.
        var before = was?.Name == lot.Name ? was : now is null || now == lot ? lot : null;
        if (before is null)
        {
            return Refused("lot.id", $"There is a lot {lot.Name:as-is} already.", "Write another name on yours.");
        }

        if (now is null)
        {
            return was is not null && shelf.All(each => each.Name != was.Name)
                ? Refused("lot.id", $"Somebody else took {was.Name:as-is} off the shelf, or gave it a name, meanwhile.", "Look at the shelf as it is now, then make your change again.")
                : Outcome<IReadOnlyList<Lot>>.Of(With(shelf, [lot]));
        }

        var together = TwoChanges.Together(before, lot, now);
        return together.Value is { } both ? Outcome<IReadOnlyList<Lot>>.Of(With(shelf, [both])) : Outcome<IReadOnlyList<Lot>>.Failed([.. together.Problems.Select(problem => problem.In("lot"))]);

        static Outcome<IReadOnlyList<Lot>> Refused(string field, Message why, Message remedy) => Outcome<IReadOnlyList<Lot>>.Failed([new Problem(TwoChanges.Collided, field, why, remedy)]);
    }

    /// <summary>Keeps what was counted of a lot; null where there is no such lot.</summary>
    public async Task<Outcome<ShelfView>?> CountAsync(string name, Counted counted, CancellationToken cancel)
    {
        var (settings, _) = await shop.ReadAsync(cancel);
        if (settings.Shelf?.FirstOrDefault(lot => lot.Name == name) is not { } lot)
        {
            return null;
        }

        if (LimitTable.Check(counted) is { Count: > 0 } problems)
        {
            return Outcome<ShelfView>.Failed(problems);
        }

        if (lot.Had is null)
        {
            return await ChangeAsync(shelf => Outcome<IReadOnlyList<Lot>>.Of([.. shelf.Select(each => each.Name == name ? each with { Had = Math.Max(counted.Left, 0.001) } : each)]), cancel);
        }

        db.LotMoves.Add(Correction(lot, counted.Left, (await LotDraws.LeftAsync(db, [lot], cancel))[name]));
        await db.SaveChangesAsync(cancel);
        return Outcome<ShelfView>.Of(await ReadAsync(cancel));
    }

    /// <summary>The mends that took of a lot, the latest first; null where nothing is known of it.</summary>
    public async Task<IReadOnlyList<LotUse>?> UsesAsync(string name, CancellationToken cancel)
    {
        var (settings, _) = await shop.ReadAsync(cancel);
        var moves = await db.LotMoves.AsNoTracking().Where(move => move.Lot == name && move.MendId != null).Include(move => move.Mend!.Item).ToListAsync(cancel);
        return moves.Count == 0 && settings.Shelf?.Any(lot => lot.Name == name) != true
            ? null
            : [.. moves.GroupBy(move => move.Mend!).Select(each => new LotUse(each.Key.Id, each.Key.Item.Tag, each.Key.Item.Name, each.Max(move => move.At), each.Sum(move => move.Amount), each.Key.ClosedAt)).OrderByDescending(use => use.At)];
    }

    /// <summary>Reads lots in from a table: those with a known name are changed, the others are added, and what is left of them is counted.</summary>
    public async Task<Outcome<ShelfView>> ReadInAsync(ShelfTable table, CancellationToken cancel)
    {
        if (LimitTable.Check(table) is { Count: > 0 } wrong)
        {
            return Outcome<ShelfView>.Failed(wrong);
        }

        var read = ShelfCsv.Read(table.Csv);
        if (read.Value is not { } rows)
        {
            return Outcome<ShelfView>.Failed(read.Problems);
        }

        var changed = await ChangeAsync(shelf => Outcome<IReadOnlyList<Lot>>.Of(With(shelf, [.. rows.Select(row => row.Lot)])), cancel);
        if (changed.Value is null)
        {
            return changed;
        }

        var left = await LotDraws.LeftAsync(db, [.. rows.Select(row => row.Lot)], cancel);
        db.LotMoves.AddRange(rows.Where(row => row.Left is not null && row.Lot.Had is not null).Select(row => Correction(row.Lot, row.Left!.Value, left[row.Lot.Name])));
        await db.SaveChangesAsync(cancel);
        return Outcome<ShelfView>.Of(await ReadAsync(cancel));
    }

    /// <summary>The shelf as a table.</summary>
    public async Task<string> TableAsync(CancellationToken cancel)
    {
        var view = await ReadAsync(cancel);
        return ShelfCsv.Write([.. view.Lots.Concat(view.Gone).Select(lot => new ShelfRow(lot.Lot, lot.Left))]);
    }

    /// <summary>The shelf with some lots new or changed. That a material is there says its lot from then on, and no longer the mere entry.</summary>
    private static IReadOnlyList<Lot> With(IReadOnlyList<Lot> shelf, IReadOnlyList<Lot> changed) =>
        [.. shelf.Where(each => changed.All(lot => lot.Name != each.Name && (each is not { Id: null, Had: null } || lot.Material != each.Material))), .. changed];

    private static DateOnly Today(ShopSettings settings, DateTimeOffset now) =>
        DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(now, TimeZoneInfo.FindSystemTimeZoneById(settings.Bench.Zone)).DateTime);

    private static Message Titled(Material material) => (Message)$"{material.Name}";

    private static LotView View(Lot lot, Material material, Dictionary<string, double> left, DateOnly today)
    {
        var last = lot.InCase.LastDay(material);
        return new LotView(lot.Name, Titled(material), lot, left.TryGetValue(lot.Name, out var value) ? value : null, last, last?.DayNumber - today.DayNumber);
    }

    private static NeedView View(Need need, Material material, IReadOnlyDictionary<int, DateTimeOffset> begun) =>
        new(need.Material, Titled(material), need.Value, need.Unit, need.Left, need.Short, need.Mends, need.Mends.Where(begun.ContainsKey).Select(mend => (DateTimeOffset?)begun[mend]).Min());

    private static StockUnit UsualUnit(Material material) =>
        material.Kit is not null ? StockUnit.Kit
        : material.Role switch
        {
            Role.Cloth or Role.PatchStock or Role.SelfAdhesive => StockUnit.Cm2,
            Role.Part => StockUnit.Piece,
            Role.Cement or Role.Filler or Role.Melt => StockUnit.G,
            _ => StockUnit.Ml,
        };

    private LotMoveRow Correction(Lot lot, double counted, double left) => new() { Lot = lot.Name, At = time.GetUtcNow(), Amount = left - counted };

    private async Task<IReadOnlyList<StillToDo>> StillToDoAsync(DateTimeOffset now, CancellationToken cancel)
    {
        var still = new List<StillToDo>();
        foreach (var (row, record) in await mends.OpenAsync(cancel))
        {
            cancel.ThrowIfCancellationRequested();
            if (record.Value is { } mend && (mend.Plan ?? planner.Plan(mend.Case.StartingAt(now)).Value) is { } plan)
            {
                var done = mend.Plan is null ? [] : mend.StateAt(now).Steps.Where(step => step.Phase is StepPhase.Done or StepPhase.Waiting).Select(step => step.StepId).ToHashSet();
                still.Add(new StillToDo(row.Id, plan, [.. plan.Steps.Where(step => !done.Contains(step.Id))]));
            }
        }

        return still;
    }

    private async Task<Outcome<ShelfView>> ChangeAsync(Func<IReadOnlyList<Lot>, Outcome<IReadOnlyList<Lot>>> change, CancellationToken cancel)
    {
        for (var attempt = 1; attempt <= MostAttempts; attempt++)
        {
            var (settings, version) = await shop.ReadAsync(cancel);
            // A shop that counted nothing had everything: the rest stays there.
            var shelf = change(settings.Shelf ?? [.. planner.Catalogue.With(settings.Products ?? []).MaterialList.Select(material => new Lot(material.Id))]);
            if (shelf.Value is null)
            {
                return Outcome<ShelfView>.Failed(shelf.Problems);
            }

            var changed = settings with { Shelf = shelf.Value };
            if (ShopEndpoints.Check(changed, planner) is { Count: > 0 } problems)
            {
                return Outcome<ShelfView>.Failed(problems);
            }

            if (await shop.WriteAsync(changed, version, cancel) is not null)
            {
                return Outcome<ShelfView>.Of(await ReadAsync(cancel));
            }
        }

        return Outcome<ShelfView>.Failed([new Problem("busy", "", "Others changed the shop at the same moment.", "Try it again.")]);
    }
}
