using AbleMend.Core;
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

/// <summary>What customers said yes to, in the database.</summary>
public sealed class AgreementStore(MendDb db, MendRecords records, ShopStore shop, Planner planner, TimeProvider time)
{
    private static readonly Problem Closed = new("already-closed", "", "This mend is over.", "Open a new mend of the item.");

    private static readonly Problem NotMended = new("nothing-to-agree", "", "It is not mended here: there is nothing to say yes to.", "Log it and send it on.");

    /// <summary>Everything that was said yes to, in order; null where there is no such mend.</summary>
    public async Task<IReadOnlyList<Agreement>?> ReadAsync(int mendId, CancellationToken cancel) =>
        await db.Mends.AnyAsync(mend => mend.Id == mendId, cancel)
            ? [.. (await db.Agreements.AsNoTracking().Where(yes => yes.MendId == mendId).OrderBy(yes => yes.Id).ToListAsync(cancel)).Select(AgreementRows.Read)]
            : null;

    /// <summary>Keeps a yes, with what the customer was told of the mend as it stands now.</summary>
    /// <returns>Everything that was said yes to, or why it is not kept; null where there is no such mend.</returns>
    public async Task<Outcome<IReadOnlyList<Agreement>>?> AgreeAsync(int mendId, NewAgreement said, Deed? deed, CancellationToken cancel)
    {
        if (await db.MendAsync(mendId, cancel) is not { } row)
        {
            return null;
        }

        if (deed is not null && await db.Deeds.AsNoTracking().FirstOrDefaultAsync(each => each.Key == deed.Key, cancel) is { } done)
        {
            return done.What == deed.What ? Outcome<IReadOnlyList<Agreement>>.Of((await ReadAsync(mendId, cancel))!) : Outcome<IReadOnlyList<Agreement>>.Failed(Deed.Reused);
        }

        var (yes, problems) = await HeardAsync(row, said, cancel);
        if (yes is null)
        {
            return Outcome<IReadOnlyList<Agreement>>.Failed(problems);
        }

        db.Agreements.Add(AgreementRows.Of(mendId, yes));
        if (deed is not null)
        {
            db.Deeds.Add(new DeedRow { Key = deed.Key, What = deed.What, At = yes.At, MendId = mendId });
        }

        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException)
        {
            // The same was told twice at once and the other was first, or its draft was thrown away meanwhile.
            db.ChangeTracker.Clear();
        }

        return await ReadAsync(mendId, cancel) is { } all ? Outcome<IReadOnlyList<Agreement>>.Of(all) : null;
    }

    private async Task<(Agreement? Yes, IReadOnlyList<Problem> Problems)> HeardAsync(MendRow row, NewAgreement said, CancellationToken cancel)
    {
        var record = records.Read(row);
        var (settings, _) = await shop.ReadAsync(cancel);
        var (now, worth) = (time.GetUtcNow(), new WorthOfMends(planner, settings));
        var planned = record.Value is { } read ? worth.PlanOf(read, now) : Outcome<RepairPlan>.Failed(record.Problems);
        var faults = LimitTable.Check(said);
        if (faults.Count > 0 || row.Status is not (MendStatus.Draft or MendStatus.Running) || planned.Value is not { } plan || plan.Steps.Count == 0)
        {
            return (null, faults.Count > 0 ? faults : row.Status is not (MendStatus.Draft or MendStatus.Running) ? [Closed] : planned.Value is null ? planned.Problems : [NotMended]);
        }

        var estimate = worth.EstimateOf(plan, record.Value!.Events);
        var yes = new Agreement(
            now, said.By.Trim(), string.IsNullOrWhiteSpace(said.HeardBy) ? null : said.HeardBy.Trim(), said.UpTo ?? estimate?.Most, estimate?.Currency,
            ToTell.Of(plan, record.Value!.Case.Item.Warranty));
        return yes.Covers(estimate) ? (yes, []) : (null, [TooLittle(estimate!)]);
    }

    private static Problem TooLittle(Estimate estimate) =>
        new("below-estimate", "upTo", $"The mend is likely to cost {estimate.Planned.Total.ToString("0.00", System.Globalization.CultureInfo.InvariantCulture):as-is} {estimate.Currency:as-is}: this is no yes to it.",
            "Agree to at least that, or plan it otherwise.");
}
