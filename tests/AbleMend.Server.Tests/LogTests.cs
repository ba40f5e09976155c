using System.Net;
using System.Net.Http.Json;
using AbleMend.Core;
using AbleMend.Core.Gear;
using AbleMend.Core.Running;
using AbleMend.Data;
using AbleMend.Server.Log;
using Microsoft.EntityFrameworkCore;

namespace AbleMend.Server.Tests;

/// <summary>The log finds what was written, however much of it there is, and nothing that is typed into it is taken for an order.</summary>
public sealed class LogTests : IDisposable
{
    private readonly Shop _shop = Shop.Empty();

    public void Dispose() => _shop.Dispose();

    [Theory]
    [InlineData("müller")]
    [InlineData("MULLER")]
    [InlineData("mül")]
    [InlineData("rail mull")]
    [InlineData("  Müllers,  RAIL ")]
    [InlineData("brd-01 müllers")]
    public async Task Accents_and_case_are_folded_and_every_word_is_a_beginning(string typed)
    {
        await ClosedAsync("Müllers board, the left Rail is soft");
        await CopiesAsync(3, i => $"nothing of the kind {i}");
        (await LogAsync(typed)).Entries.Single().Id.ShouldBe(1);
    }

    [Theory]
    [InlineData("\"")]
    [InlineData("*")]
    [InlineData("rail\" OR \"soft")]
    [InlineData("NEAR(rail soft)")]
    [InlineData("NOT rail")]
    [InlineData("SearchText:rail")]
    [InlineData("^rail -hard")]
    [InlineData("(((")]
    [InlineData("'; DROP TABLE Mends; --")]
    [InlineData("a\u0000b")]
    [InlineData("-")]
    [InlineData("😀 \u202E")]
    public async Task What_is_typed_is_looked_for_and_never_obeyed(string typed)
    {
        await ClosedAsync("the left rail is soft");
        var answer = await _shop.Client.GetAsync($"/api/log?q={Uri.EscapeDataString(typed)}");
        answer.StatusCode.ShouldBe(HttpStatusCode.OK);
        (await answer.Content.ReadFromJsonAsync<LogPage>(OpenJson.Options))!.Entries.ShouldBeEmpty();
        (await LogAsync("rail")).Entries.Count.ShouldBe(1);
    }

    [Fact]
    public async Task A_tag_comes_before_a_word_of_a_note()
    {
        await ClosedAsync("had it beside BRD-77 in the rack");
        var item = await _shop.AddItemAsync("BRD-77");
        await CopiesAsync(1, _ => "a ding", item);
        await CopiesAsync(5, i => $"stood beside BRD-77 as well {i}");
        (await LogAsync("brd-77")).Entries[0].Tag.ShouldBe("BRD-77");
    }

    [Fact]
    public async Task What_was_written_round_a_word_comes_with_it()
    {
        await ClosedAsync("used the blue-handled brush on it, and kept the witness");
        var excerpt = (await LogAsync("handled")).Entries.Single().Excerpt!;
        // By turns beside the words and in them.
        excerpt.Count.ShouldBe(3);
        excerpt[0].ShouldEndWith("blue-");
        excerpt[1].ShouldBe("handled");
        excerpt[2].ShouldStartWith(" brush");
        (await LogAsync("BRD-01")).Entries.Single().Excerpt.ShouldBeNull("a tag is no writing");
        (await LogAsync("longboard")).Entries.Single().Excerpt.ShouldBeNull("nor is the name of the item");
        (await LogAsync("")).Entries.Single().Excerpt.ShouldBeNull();
    }

    [Theory]
    [InlineData("")]
    [InlineData("soft")]
    public async Task Page_by_page_every_mend_comes_once(string typed)
    {
        await ClosedAsync("soft 0");
        // Many were closed in one moment, and many fit as well.
        await CopiesAsync(130, i => i % 3 == 0 ? "soft soft" : $"soft {i % 5}");
        var seen = new List<int>();
        string? next = null;
        do
        {
            var page = await LogAsync(typed, next);
            page.Entries.Count.ShouldBeInRange(1, LogEndpoints.PageSize);
            seen.AddRange(page.Entries.Select(entry => entry.Id));
            next = page.Next;
        }
        while (next is not null);

        seen.Count.ShouldBe(131);
        seen.ShouldBeUnique();
        if (typed.Length == 0)
        {
            seen.ShouldBe([.. Enumerable.Range(2, 130).Reverse(), 1]);
        }
    }

    [Theory]
    [InlineData("x")]
    [InlineData("1_2")]
    [InlineData("1_NaN_3")]
    [InlineData("9223372036854775807_0_1")]
    [InlineData("1_1e400_3")]
    [InlineData("-1_0_1")]
    public async Task A_place_that_is_none_is_refused_by_its_name(string after)
    {
        var answer = await _shop.Client.GetAsync($"/api/log?after={after}");
        answer.StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
        (await Shop.ProblemAsync(answer)).Field.ShouldBe("after");
    }

    [Fact]
    public async Task More_than_anybody_types_is_refused() =>
        (await Shop.ProblemAsync(await _shop.Client.GetAsync($"/api/log?q={new string('x', 201)}"))).Field.ShouldBe("q");

    [Fact]
    public async Task What_is_no_longer_so_is_no_longer_found()
    {
        var mend = await ClosedAsync("first words");
        await using (var db = Records())
        {
            (await db.Mends.FirstAsync(row => row.Id == mend)).Written = "other words";
            (await db.Items.FirstAsync()).Name = "Shortboard, mint";
            await db.SaveChangesAsync();
        }

        (await LogAsync("first")).Entries.ShouldBeEmpty();
        (await LogAsync("longboard")).Entries.ShouldBeEmpty();
        (await LogAsync("other mint")).Entries.Count.ShouldBe(1);
        await using (var db = Records())
        {
            db.Mends.Remove(await db.Mends.FirstAsync());
            await db.SaveChangesAsync();
            (await db.Database.SqlQueryRaw<int>("SELECT COUNT(*) AS Value FROM LogWords('other')").SingleAsync()).ShouldBe(0);
        }
    }

    [Fact]
    public async Task An_open_mend_is_not_in_the_log_until_it_is_closed()
    {
        var mend = await _shop.StartAsync(await _shop.OpenMendAsync());
        await _shop.HappenedAsync(mend, new Happening(RunEventKind.Note, Text: "the witness is sticky"));
        (await LogAsync("witness")).Entries.ShouldBeEmpty();
        (await LogAsync("")).Entries.ShouldBeEmpty();
    }

    [Fact]
    public async Task A_plan_is_kept_in_a_fifth_of_its_length_and_reads_as_it_was()
    {
        var mend = await _shop.StartAsync(await _shop.OpenMendAsync());
        await using var db = Records();
        var packed = (await db.Mends.FirstAsync()).PlanPacked!;
        var text = System.Text.Json.JsonSerializer.Serialize(mend.Plan, OpenJson.Options);
        packed.Length.ShouldBeLessThan(text.Length / 5);
        OpenJson.ReadPlan(PackedText.Read(packed)).Value!.Steps.Count.ShouldBe(mend.Plan!.Steps.Count);
        var tight = PackedText.Tightened(packed);
        tight.Length.ShouldBeLessThan(packed.Length);
        PackedText.Read(tight).ShouldBe(PackedText.Read(packed));
        PackedText.Tightened(tight).ShouldBeSameAs(tight);
    }

    [Theory]
    [InlineData(new byte[] { 1, 0xFF, 0xFE, 8, 0, 1, 2, 3 }, "")]
    [InlineData(new byte[] { 1 }, "")]
    [InlineData(new byte[] { }, "")]
    [InlineData(new byte[] { (byte)'{', (byte)'}' }, "{}")]
    public void What_cannot_be_unpacked_is_no_text_and_what_was_never_packed_is_itself(byte[] bytes, string text) => PackedText.Read(bytes).ShouldBe(text);

    /// <summary>A mend that is sent on at once, with words that it is found by.</summary>
    private async Task<int> ClosedAsync(string words)
    {
        var across = Shop.DeckDing().Damaged(damage => damage with { Kind = DamageKind.Crack, Shape = new CrackShape(480, 6), DepthMm = 20, AcrossWholeWidth = true });
        var mend = await _shop.OpenMendAsync(across);
        await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{mend.Id}/send-on", null, mend.Version);
        await using var db = Records();
        var row = await db.Mends.FirstAsync(each => each.Id == mend.Id);
        row.Written = words;
        await db.SaveChangesAsync();
        return mend.Id;
    }

    private async Task CopiesAsync(int count, Func<int, string> words, int itemId = 1)
    {
        await using var db = Records();
        var first = await db.Mends.AsNoTracking().FirstAsync();
        db.Mends.AddRange(Enumerable.Range(0, count).Select(i => new MendRow
        {
            ItemId = itemId,
            Status = first.Status,
            CasePacked = first.CasePacked,
            PlanPacked = first.PlanPacked,
            CreatedAt = first.CreatedAt,
            ChangedAt = first.ChangedAt,
            ClosedAt = first.ClosedAt!.Value.AddMinutes(1 + (i / 20)),
            LogJson = first.LogJson,
            FindsJson = first.FindsJson,
            Written = words(i),
            Version = 1,
        }));
        await db.SaveChangesAsync();
    }

    private async Task<LogPage> LogAsync(string q, string? after = null) =>
        (await _shop.Client.GetFromJsonAsync<LogPage>($"/api/log?q={Uri.EscapeDataString(q)}{(after is null ? "" : $"&after={Uri.EscapeDataString(after)}")}", OpenJson.Options))!;

    private MendDb Records() => new(new DbContextOptionsBuilder<MendDb>().UseSqlite(MendDb.ConnectionTo(_shop.Database)).Options);
}
