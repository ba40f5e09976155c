using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Stock;
using AbleMend.Data;
using AbleMend.Server.Shop;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Shelf;

/// <summary>What comes off the shelf as a mend goes on: taken when hands are done with a step, and put back when that is taken back.</summary>
public sealed class LotDraws(MendDb db, ShopStore shop, Planner planner)
{
    /// <summary>Keeps what the newest event of a mend takes off the shelf; saved together with the event.</summary>
    /// <param name="row">The mend.</param>
    /// <param name="mend">The mend, with the event.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task FollowAsync(MendRow row, Mend mend, CancellationToken cancel)
    {
        if (mend.Plan is not { } plan || mend.Events is not [.., { } newest])
        {
            return;
        }

        if (newest.Kind == RunEventKind.Undo)
        {
            var standing = Run.Standing(mend.Events).Select(each => each.Number).ToHashSet();
            var taken = await db.LotMoves.Where(move => move.MendId == row.Id).ToListAsync(cancel);
            db.LotMoves.RemoveRange(taken.Where(move => !standing.Contains(move.EventNumber ?? 0)));
        }
        else if (newest.Kind is RunEventKind.HandsDone or RunEventKind.CupShared && plan.Steps.FirstOrDefault(step => step.Id == newest.StepId) is { Takes: not null } step)
        {
            await DrawAsync(row, newest, [.. Amount.OffLots(plan, Amount.TakenBy(plan, step, Run.Standing(mend.Events)))], cancel);
        }
    }

    /// <summary>What is left of each lot that is counted, by what it goes by.</summary>
    public static async Task<Dictionary<string, double>> LeftAsync(MendDb db, IReadOnlyList<Lot> lots, CancellationToken cancel)
    {
        var names = lots.Where(lot => lot.Had is not null).Select(lot => lot.Name).ToList();
        var moved = await db.LotMoves.AsNoTracking().Where(move => names.Contains(move.Lot)).GroupBy(move => move.Lot).Select(moves => new { moves.Key, Sum = moves.Sum(move => move.Amount) }).ToDictionaryAsync(each => each.Key, each => each.Sum, cancel);
        return lots.Where(lot => lot.Had is not null).ToDictionary(lot => lot.Name, lot => lot.Had!.Value - moved.GetValueOrDefault(lot.Name));
    }

    private async Task DrawAsync(MendRow row, RunEvent done, IReadOnlyList<Amount> amounts, CancellationToken cancel)
    {
        var (settings, _) = await shop.ReadAsync(cancel);
        // Only what may be drawn from is added up, so that a long history costs nothing at the bench.
        IReadOnlyList<Lot> lots = [.. (settings.Shelf ?? []).Where(lot => lot is { IsThere: true, Had: not null } && amounts.Any(amount => amount.Material == lot.Material))];
        if (lots.Count == 0)
        {
            return;
        }

        var materials = planner.Catalogue.With(settings.Products ?? []).Materials;
        var left = await LeftAsync(db, lots, cancel);
        var today = DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(done.At, TimeZoneInfo.FindSystemTimeZoneById(settings.Bench.Zone)).DateTime);
        foreach (var amount in amounts.Where(amount => materials.ContainsKey(amount.Material)))
        {
            foreach (var draw in Stocktaking.DrawnFrom(amount, lots, left, materials[amount.Material], today))
            {
                left[draw.Lot] -= draw.Value;
                db.LotMoves.Add(new LotMoveRow { Lot = draw.Lot, At = done.At, Amount = draw.Value, MendId = row.Id, EventNumber = done.Number, StepId = done.StepId });
            }
        }
    }
}
