using System.Net.Http.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Patching;
using AbleMend.Core.Running;
using AbleMend.Core.Stock;
using AbleMend.Server.Mends;
using AbleMend.Server.Shelf;
using AbleMend.Server.Shop;

namespace AbleMend.Server.Tests;

/// <summary>Pieces of cloth that are left over: planned on, held, cut, kept, and whole again.</summary>
public sealed class PieceTests : IDisposable
{
    private static readonly Offcut Strip = new("strip", "glass-136", 640, 180);

    private readonly Shop _shop = Shop.Empty();

    public void Dispose() => _shop.Dispose();

    private async Task KeepAsync(params Offcut[] pieces)
    {
        var shop = (await _shop.Client.GetFromJsonAsync<ShopView>("/api/shop", OpenJson.Options))!;
        (await _shop.SendAsync(HttpMethod.Put, "/api/shop", shop.Settings with { Offcuts = pieces }, shop.Version)).EnsureSuccessStatusCode();
    }

    private async Task<ShelfView> ShelfAsync()
    {
        _shop.Time.Advance(TimeSpan.FromSeconds(1));
        return (await _shop.Client.GetFromJsonAsync<ShelfView>("/api/shelf", OpenJson.Options))!;
    }

    private async Task<MendView> FindAsync(int id) => (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{id}", OpenJson.Options))!;

    /// <summary>A board with a ding whose patches are cut from glass; its case comes from the shop's own pieces.</summary>
    private async Task<MendView> DraftAsync(string tag)
    {
        var ding = Shop.DeckDing();
        return await _shop.OpenMendAsync(ding with { Offcuts = [], Damages = [ding.Damages[0] with { Choice = new Choice("fill-glass-coat", "epoxy-2to1") }] }, tag);
    }

    /// <summary>On through every step up to the cutting, that one too.</summary>
    private async Task<MendView> CutAsync(MendView mend)
    {
        foreach (var step in mend.Plan!.Steps)
        {
            mend = await _shop.HappenedAsync(mend, new Happening(RunEventKind.Begin, step.Id));
            mend = await _shop.HappenedAsync(mend, new Happening(RunEventKind.HandsDone, step.Id));
            if (step.Takes?.Any(taking => taking.Material == "glass-136") == true)
            {
                return mend;
            }

            if (step.Timing.Wait is not null)
            {
                mend = await _shop.HappenedAsync(mend, new Happening(RunEventKind.Ready, step.Id));
            }
        }

        throw new InvalidOperationException("Nothing is cut.");
    }

    [Fact]
    public async Task A_draft_goes_by_the_pieces_that_are_there_now_and_a_started_plan_keeps_its_own()
    {
        var first = await DraftAsync("BRD-01");
        first.Plan!.Placements.ShouldBeEmpty();
        await KeepAsync(Strip);
        (await FindAsync(first.Id)).Plan!.Placements!.ShouldAllBe(placement => placement.Offcut == "strip");
        var started = await _shop.StartAsync(await FindAsync(first.Id));
        (await ShelfAsync()).Pieces.Single().HeldFor.ShouldBe(started.Id);

        (await DraftAsync("BRD-02")).Plan!.Placements.ShouldBeEmpty("it is held for the first");
        await KeepAsync();
        (await FindAsync(first.Id)).Plan!.Placements.ShouldNotBeEmpty();
    }

    [Fact]
    public async Task Of_those_that_begin_in_the_same_moment_one_has_the_piece()
    {
        await KeepAsync(Strip);
        List<MendView> drafts = [];
        for (var i = 0; i < 8; i++)
        {
            drafts.Add(await DraftAsync($"BRD-{i:00}"));
        }

        drafts.ShouldAllBe(draft => draft.Plan!.Placements!.Count > 0);
        var started = await Task.WhenAll(drafts.Select(_shop.StartAsync));
        started.Count(mend => mend.Plan!.Placements!.Count > 0).ShouldBe(1);
    }

    [Fact]
    public async Task What_is_left_is_kept_and_is_whole_again_when_the_cutting_is_taken_back()
    {
        var roll = new Lot("glass-136", Id: "R-1", Had: 10_000, Unit: StockUnit.Cm2);
        (await _shop.Client.PutAsJsonAsync("/api/shelf/R-1", new LotChange(roll), OpenJson.Options)).EnsureSuccessStatusCode();
        await KeepAsync(Strip, new Offcut("grey", "pvc-patch", 210, 120));
        var mend = await _shop.StartAsync(await DraftAsync("BRD-01"));
        var cut = await CutAsync(mend);

        var shelf = await ShelfAsync();
        shelf.Pieces.ShouldAllBe(piece => piece.HeldFor == null);
        var left = shelf.Pieces.Where(piece => piece.Piece.Material == "glass-136").Select(piece => (piece.Piece.LengthMm, piece.Piece.WidthMm));
        left.ShouldBe(mend.Plan!.Leaves!.Select(piece => (piece.LengthMm, piece.WidthMm)));
        shelf.Pieces.ShouldContain(piece => piece.Piece.Id == "strip" && piece.Piece.LengthMm < Strip.LengthMm);
        shelf.Lots.Single(lot => lot.Name == "R-1").Left.ShouldBe(10_000, "it was cut from a piece, and not from the roll");
        (await DraftAsync("BRD-02")).Plan!.Placements.ShouldNotBeEmpty("what is left is there for the next");

        await _shop.HappenedAsync(cut, new Happening(RunEventKind.Undo));
        (await ShelfAsync()).Pieces.Select(piece => piece.Piece).ShouldBe([Strip, new Offcut("grey", "pvc-patch", 210, 120)], ignoreOrder: true);
        (await ShelfAsync()).Pieces.Single(piece => piece.Piece.Id == "strip").HeldFor.ShouldBe(mend.Id);
    }

    [Fact]
    public async Task A_piece_that_somebody_took_off_the_list_is_not_cut_and_stops_nothing()
    {
        await KeepAsync(Strip);
        var mend = await _shop.StartAsync(await DraftAsync("BRD-01"));
        await KeepAsync();
        var cut = await CutAsync(mend);
        (await ShelfAsync()).Pieces.ShouldBeEmpty();
        (await _shop.HappenedAsync(cut, new Happening(RunEventKind.Undo))).Plan.ShouldNotBeNull();
        (await ShelfAsync()).Pieces.ShouldBeEmpty();
    }
}
