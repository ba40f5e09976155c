using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Patching;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Stock;
using AbleMend.Data;
using AbleMend.Server.Shop;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Shelf;

/// <summary>One at a time looks which pieces are free and holds them.</summary>
public sealed class PieceTurns : IDisposable
{
    private readonly SemaphoreSlim _turn = new(1, 1);

    /// <summary>Waits for the turn; it is over when what is given is disposed of.</summary>
    public async Task<IDisposable> TakeAsync(CancellationToken cancel)
    {
        await _turn.WaitAsync(cancel);
        return new Taken(_turn);
    }

    /// <inheritdoc/>
    public void Dispose() => _turn.Dispose();

    private sealed class Taken(SemaphoreSlim turn) : IDisposable
    {
        public void Dispose() => turn.Release();
    }
}

/// <summary>
/// The pieces of cloth that mends are cut from. From the start of a mend its pieces are held for it, so that no other plan counts on them;
/// when hands are done with the cutting, what is left goes back on the shelf, and when that is taken back, the piece is whole again.
/// </summary>
public sealed class PieceBook(MendDb db, ShopStore shop, PieceTurns turns)
{
    /// <summary>The turn of whoever looks what is free and holds it: two that begin in the same moment never hold one piece.</summary>
    public Task<IDisposable> TurnAsync(CancellationToken cancel) => turns.TakeAsync(cancel);

    /// <summary>Names of the pieces that mends under way are still to be cut from, with the mend.</summary>
    public async Task<IReadOnlyDictionary<string, int>> HeldAsync(CancellationToken cancel) =>
        (await db.PieceUses.AsNoTracking().Where(use => use.EventNumber == null && use.Mend!.Status == MendStatus.Running).OrderBy(use => use.Id).Select(use => new { use.Piece, use.MendId }).ToListAsync(cancel))
            .DistinctBy(use => use.Piece).ToDictionary(use => use.Piece, use => use.MendId);

    /// <summary>Holds the pieces of a plan for its mend; saved together with its start.</summary>
    public void Hold(MendRow row, RepairPlan plan) => db.PieceUses.AddRange(CutPieces.Of(plan).Select(piece => new PieceUseRow { MendId = row.Id, Piece = piece }));

    /// <summary>Cuts what the newest event of a mend cuts, or makes it whole again; saved together with the event.</summary>
    /// <param name="row">The mend.</param>
    /// <param name="mend">The mend, with the event.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task FollowAsync(MendRow row, Mend mend, CancellationToken cancel)
    {
        if (mend.Plan is not { Placements.Count: > 0 } plan || mend.Events is not [.., { Kind: RunEventKind.HandsDone or RunEventKind.Undo } newest])
        {
            return;
        }

        var uses = await db.PieceUses.Where(use => use.MendId == row.Id).ToListAsync(cancel);
        if (newest.Kind == RunEventKind.Undo)
        {
            var standing = Run.Standing(mend.Events).Select(each => each.Number).ToHashSet();
            await PutBackAsync([.. uses.Where(use => use.EventNumber is { } number && !standing.Contains(number))], cancel);
        }
        else if (plan.Steps.FirstOrDefault(step => step.Id == newest.StepId) is { Takes: { } takes })
        {
            var cut = takes.SelectMany(taking => CutPieces.Of(plan, taking.Material)).ToHashSet();
            await CutAsync([.. uses.Where(use => use.EventNumber is null && cut.Contains(use.Piece))], plan, newest.Number, cancel);
        }
    }

    private Task CutAsync(IReadOnlyList<PieceUseRow> uses, RepairPlan plan, int number, CancellationToken cancel) => ChangeAsync(uses, (pieces, use) =>
    {
        var done = CutPieces.Cut(pieces, plan, use.Piece);
        (use.EventNumber, use.CutJson) = (number, done is null ? null : JsonSerializer.Serialize(done.Value.Cut, OpenJson.Options));
        return done?.Stock ?? pieces;
    }, cancel);

    private Task PutBackAsync(IReadOnlyList<PieceUseRow> uses, CancellationToken cancel) => ChangeAsync(uses, (pieces, use) =>
    {
        var cut = use.CutJson is null ? null : JsonSerializer.Deserialize<CutPiece>(use.CutJson, OpenJson.Options);
        (use.EventNumber, use.CutJson) = (null, null);
        return cut is null ? pieces : CutPieces.PutBack(pieces, cut);
    }, cancel);

    private async Task ChangeAsync(IReadOnlyList<PieceUseRow> uses, Func<IReadOnlyList<Offcut>, PieceUseRow, IReadOnlyList<Offcut>> change, CancellationToken cancel)
    {
        if (uses.Count > 0)
        {
            await shop.ChangeAlongAsync(settings => settings with { Offcuts = uses.Aggregate(settings.Offcuts ?? [], change) }, cancel);
        }
    }
}
