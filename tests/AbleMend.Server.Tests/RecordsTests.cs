using System.Net;
using System.Net.Http.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Curing;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Data;
using AbleMend.Server.Log;
using AbleMend.Server.Http;
using AbleMend.Server.Mends;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace AbleMend.Server.Tests;

/// <summary>One record that cannot be read, a start that was killed, a product of the shop's own: none of them takes the shop down.</summary>
public sealed class RecordsTests : IDisposable
{
    private readonly Shop _shop = Shop.Empty();

    public void Dispose() => _shop.Dispose();

    [Theory]
    [InlineData("PlanJson", "{\"format\":\"able-mend/plan/1\",\"colour\":1}")]
    [InlineData("PlanJson", "null")]
    [InlineData("PlanJson", null)]
    [InlineData("PlanJson", "{")]
    [InlineData("CaseJson", "[]")]
    [InlineData("PlanJson", "plan-of-no-damage")]
    [InlineData("StartedAt", null)]
    public async Task A_record_that_cannot_be_read_is_named_and_harms_no_other(string column, string? broken)
    {
        var whole = await _shop.StartAsync(await _shop.OpenMendAsync(tag: "BRD-01"));
        var lost = await _shop.StartAsync(await _shop.OpenMendAsync(tag: "BRD-02"));
        // What was read before the file was damaged does not hide the damage.
        (await BenchAsync()).Entries.Count.ShouldBe(2);
        await WriteAsync(lost.Id, column, broken == "plan-of-no-damage" ? System.Text.Json.JsonSerializer.Serialize(lost.Plan! with { Damages = [] }, OpenJson.Options) : broken);

        var bench = await BenchAsync();
        bench.Entries.Single().Id.ShouldBe(whole.Id);
        var named = bench.Unreadable.Single();
        (named.Id, named.Tag, named.Problem.Code).ShouldBe((lost.Id, "BRD-02", "unreadable-record"));
        var answer = await _shop.Client.GetAsync($"/api/mends/{lost.Id}");
        (await Shop.ProblemAsync(answer)).Code.ShouldBe("unreadable-record");
        (await Shop.ProblemAsync(await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{lost.Id}/events", new Happening(RunEventKind.Note, Text: "?"), lost.Version))).Code.ShouldBe("unreadable-record");
        (await _shop.Client.GetAsync($"/api/mends/{lost.Id}/template.svg")).StatusCode.ShouldBe(HttpStatusCode.UnprocessableEntity);
    }

    // What stands in a shop's file from before must go on as if nothing had happened.
    [Theory]
    [InlineData("plan-1")]
    [InlineData("plan-2")]
    public async Task A_mend_that_an_earlier_version_started_goes_on(string plan)
    {
        var mend = await _shop.StartAsync(await _shop.OpenMendAsync());
        await WriteAsync(mend.Id, "CaseJson", Document("case-1"));
        await WriteAsync(mend.Id, "PlanJson", Document(plan));
        (await BenchAsync()).Entries.Single().StepsDone.ShouldBe(0);
        var read = (await _shop.Client.GetFromJsonAsync<MendView>($"/api/mends/{mend.Id}", OpenJson.Options))!;
        var done = await Shop.ReadAsync(await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{mend.Id}/events", new Happening(RunEventKind.HandsDone, read.Run!.CurrentStepId), read.Version));
        done.Run!.Steps.Count(step => step.Phase == StepPhase.Done).ShouldBe(1);
    }

    private static string Document(string name) => File.ReadAllText(Path.Combine(PlanningTests.Root(), "tests", "AbleMend.Core.Tests", "Formats", $"{name}.json"));

    // A row from before the log kept a line of it is read as a whole.
    [Theory]
    [InlineData(false, Core.Catalogue.Decision.Retire)]
    [InlineData(true, null)]
    public async Task A_closed_record_that_cannot_be_read_stays_in_the_log_and_off_the_items_finds(bool older, Core.Catalogue.Decision? told)
    {
        var across = Shop.DeckDing().Damaged(damage => damage with { Kind = Core.Gear.DamageKind.Crack, Shape = new Core.Gear.CrackShape(480, 6), DepthMm = 20, AcrossWholeWidth = true });
        var mend = await _shop.OpenMendAsync(across);
        await _shop.SendAsync(HttpMethod.Post, $"/api/mends/{mend.Id}/send-on", null, mend.Version);
        await WriteAsync(mend.Id, "PlanJson", "{}");
        if (older)
        {
            await WriteAsync(mend.Id, "LogJson", null);
            await WriteAsync(mend.Id, "FindsJson", MendRow.FindsUnread);
        }

        var entry = (await _shop.Client.GetFromJsonAsync<LogPage>("/api/log", OpenJson.Options))!.Entries.Single();
        (entry.Id, entry.Decision).ShouldBe((mend.Id, told));
        var next = await Shop.ReadAsync(await _shop.SendAsync(HttpMethod.Post, "/api/mends", new NewMend(1, Shop.DeckDing())));
        next.FoundBefore.ShouldBeEmpty();
    }

    [Fact]
    public async Task A_start_that_was_killed_while_it_migrated_locks_no_later_start_out()
    {
        await _shop.AddItemAsync();
        await ExecuteAsync("CREATE TABLE IF NOT EXISTS \"__EFMigrationsLock\" (\"Id\" INTEGER NOT NULL PRIMARY KEY, \"Timestamp\" TEXT NOT NULL); INSERT OR REPLACE INTO \"__EFMigrationsLock\" VALUES (1, '2026-01-01')");
        using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(20));
        var options = new DbContextOptionsBuilder<MendDb>().UseSqlite(MendDb.ConnectionTo(_shop.Database)).Options;
        await using var db = new MendDb(options);
        await db.PrepareAsync(limit.Token);
        (await db.Items.CountAsync(limit.Token)).ShouldBe(1);
    }

    [Fact]
    public async Task A_file_from_before_plans_were_packed_is_read_and_searched()
    {
        var file = Path.Combine(Path.GetTempPath(), $"able-mend-{Guid.NewGuid():N}.db");
        var options = new DbContextOptionsBuilder<MendDb>().UseSqlite(MendDb.ConnectionTo(file)).Options;
        var repairCase = Shop.DeckDing();
        var plan = Planner.Shipped().Plan(repairCase.StartingAt(_shop.Time.GetUtcNow())).Value!;
        await using (var db = new MendDb(options))
        {
            await db.GetService<IMigrator>().MigrateAsync("DeedsAndKeptTimes");
            await db.Database.ExecuteSqlRawAsync("INSERT INTO Items (Id, Tag, Name, Construction, Warranty) VALUES (1, 'BRD-01', 'Longboard', 'pu-polyester-board', 'None')");
            await db.Database.ExecuteSqlRawAsync(
                "INSERT INTO Mends (Id, ItemId, Status, CaseJson, PlanJson, CreatedAt, ChangedAt, ClosedAt, SearchText, Version) VALUES (7, 1, 'SentOn', {0}, {1}, 1, 1, 2, 'the blue-handled brush', 1)",
                System.Text.Json.JsonSerializer.Serialize(repairCase, OpenJson.Options), System.Text.Json.JsonSerializer.Serialize(plan, OpenJson.Options));
            await db.PrepareAsync(CancellationToken.None);
        }

        await using (var db = new MendDb(options))
        {
            using var records = new MendRecords();
            var row = await db.Mends.Include(each => each.Events).SingleAsync();
            records.Read(row).Value!.Plan!.Steps.Count.ShouldBe(plan.Steps.Count);
            row.FindsJson.ShouldBe(MendRow.FindsUnread);
            (await LogHits.RankedAsync(db, LogSearch.Match("handled")!, double.MinValue, 0, 10, CancellationToken.None)).Single().Id.ShouldBe(7);
            (await db.Database.GetPendingMigrationsAsync()).ShouldBeEmpty();
        }

        Remove(file);
    }

    private static void Remove(string file)
    {
        SqliteConnection.ClearAllPools();
        foreach (var left in Directory.GetFiles(Path.GetTempPath(), Path.GetFileName(file) + "*"))
        {
            File.Delete(left);
        }
    }

    [Fact]
    public async Task Two_starts_on_one_file_wait_for_each_other()
    {
        var file = Path.Combine(Path.GetTempPath(), $"able-mend-{Guid.NewGuid():N}.db");
        var options = new DbContextOptionsBuilder<MendDb>().UseSqlite(MendDb.ConnectionTo(file)).Options;
        await Task.WhenAll(Enumerable.Range(0, 4).Select(async _ =>
        {
            await using var db = new MendDb(options);
            await db.PrepareAsync(CancellationToken.None);
        }));
        await using var after = new MendDb(options);
        (await after.Database.GetPendingMigrationsAsync()).ShouldBeEmpty();
        Remove(file);
    }

    [Fact]
    public async Task What_is_read_together_is_of_one_moment_and_keeps_nobody_from_writing()
    {
        var mend = await _shop.StartAsync(await _shop.OpenMendAsync());
        await using var db = new MendDb(new DbContextOptionsBuilder<MendDb>().UseSqlite(MendDb.ConnectionTo(_shop.Database)).Options);
        await using (await db.AsOfOneMomentAsync(CancellationToken.None))
        {
            (await db.Mends.AsNoTracking().SingleAsync()).Version.ShouldBe(mend.Version);
            (await Shop.ReadAsync(await NoteAsync(mend.Id))).Events.Count.ShouldBe(1);
            (await db.Set<MendEventRow>().CountAsync()).ShouldBe(0);
        }

        var row = (await db.MendAsync(mend.Id, CancellationToken.None))!;
        (row.Version, row.Events.Count).ShouldBe((mend.Version + 1, 1));
        db.Database.CurrentTransaction.ShouldBeNull("what is written next is a change of its own");
    }

    [Fact]
    public async Task However_much_has_happened_a_mends_long_texts_are_fetched_once()
    {
        var mend = await _shop.StartAsync(await _shop.OpenMendAsync());
        for (var i = 0; i < 5; i++)
        {
            (await NoteAsync(mend.Id)).EnsureSuccessStatusCode();
        }

        var asked = new List<string>();
        await using var db = new MendDb(new DbContextOptionsBuilder<MendDb>().UseSqlite(MendDb.ConnectionTo(_shop.Database))
            .LogTo(asked.Add, [RelationalEventId.CommandExecuted]).Options);
        (await db.MendAsync(mend.Id, CancellationToken.None))!.Events.Count.ShouldBe(5);
        asked.Count.ShouldBe(2);
        asked.Count(each => each.Contains("\"PlanJson\"", StringComparison.Ordinal)).ShouldBe(1);
        asked.Single(each => each.Contains("\"PlanJson\"", StringComparison.Ordinal)).ShouldNotContain("MendEvents", Case.Sensitive, "joined, they come with every event");
    }

    private async Task<HttpResponseMessage> NoteAsync(int id)
    {
        using var told = new HttpRequestMessage(HttpMethod.Post, $"/api/mends/{id}/events") { Content = JsonContent.Create(new Happening(RunEventKind.Note, Text: "a run at the rail"), options: OpenJson.Options) };
        told.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
        return await _shop.Client.SendAsync(told);
    }

    [Fact]
    public async Task A_mend_made_with_the_shops_own_product_is_handed_back()
    {
        var catalogue = Planner.Shipped().Catalogue;
        var own = catalogue.Materials["epoxy-2to1"] with { Id = "own-epoxy", Name = "Our epoxy" };
        var mend = await _shop.OpenMendAsync((Shop.DeckDing() with { Products = [own] }).Chosen(new Choice("fill-glass-coat", "own-epoxy")));
        var closed = await HandBackAsync(await _shop.StartAsync(mend));
        closed.Status.ShouldBe(MendStatus.HandedBack);
        var items = await _shop.Client.GetFromJsonAsync<List<System.Text.Json.JsonElement>>("/api/items");
        items!.Single().GetProperty("earlierMend").GetString().ShouldBe("epoxy");
    }

    [Fact]
    public async Task An_item_whose_six_damages_share_a_cup_goes_from_first_look_to_the_log()
    {
        var ding = Shop.DeckDing().Damages[0] with { Choice = new Choice("uv-under-film", "uv-polyester") };
        var mend = await _shop.OpenMendAsync(Shop.DeckDing() with { Damages = [.. Enumerable.Repeat(ding, 6)], Bench = new BenchFacts(20, 55, LightLevel.FullSun) });
        mend.Plan!.Steps.ShouldContain(step => step.Instruction.ToString().Contains("for damages 1, 2, 3, 4, 5"), "they share a cup");
        var closed = await HandBackAsync(await _shop.StartAsync(mend));
        closed.Status.ShouldBe(MendStatus.HandedBack);
    }

    private async Task<MendView> HandBackAsync(MendView mend)
    {
        while (mend.Run!.CurrentStepId is { } current)
        {
            _shop.Time.Advance(TimeSpan.FromMinutes(3));
            var proof = mend.Plan!.Steps.Single(step => step.Id == current).Proof;
            mend = await _shop.HappenedAsync(mend, mend.Run.Phase == StepPhase.Waiting ? new Happening(RunEventKind.Ready, current)
                : proof is not null ? new Happening(RunEventKind.Proof, current, Value: 0.5, Passed: true)
                : new Happening(RunEventKind.HandsDone, current));
        }

        return await _shop.HappenedAsync(mend, new Happening(RunEventKind.HandBack, Text: "Done"));
    }

    private Task WriteAsync(int id, string column, string? value) => ExecuteAsync($"UPDATE Mends SET {column} = $value WHERE Id = {id}", value);

    private async Task ExecuteAsync(string sql, string? value = null)
    {
        await using var connection = new SqliteConnection(MendDb.ConnectionTo(_shop.Database));
        await connection.OpenAsync();
        await using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.Parameters.AddWithValue("$value", (object?)value ?? DBNull.Value);
        await command.ExecuteNonQueryAsync();
    }

    [Fact]
    public async Task The_bench_shows_every_change_as_soon_as_it_is_answered()
    {
        // The clock stands still, so that all of this happens within the moment for which an answer is shared.
        for (var n = 1; n <= 12; n++)
        {
            await _shop.OpenMendAsync(tag: $"BRD-{n:00}");
            (await AskAsync()).Drafts.Count.ShouldBe(n);
        }
    }

    /// <summary>The bench at another moment, so that what was written behind the server's back is seen.</summary>
    private async Task<BenchView> BenchAsync()
    {
        _shop.Time.Advance(SharedMoment.Longest);
        return await AskAsync();
    }

    private async Task<BenchView> AskAsync() => (await _shop.Client.GetFromJsonAsync<BenchView>("/api/bench", OpenJson.Options))!;
}
