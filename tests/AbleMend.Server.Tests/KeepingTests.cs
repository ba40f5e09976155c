using AbleMend.Data;
using AbleMend.Server.Keeping;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Metadata;
using Serilog.Events;

namespace AbleMend.Server.Tests;

/// <summary>How the shop's file is kept: as a model, as a file, and as backups.</summary>
[System.Runtime.Versioning.UnsupportedOSPlatform("windows")]
public class KeepingTests
{
    private static readonly DateTimeOffset Monday = new(2026, 5, 4, 7, 0, 0, TimeSpan.Zero);

    // A start that fails ends what it has not begun yet; told as a fault of its own, that would bury the sentence that says why.
    [Fact]
    public void What_was_put_off_by_a_failed_start_is_not_told_and_every_fault_is()
    {
        static LogEvent Said(Exception? fault, string from) =>
            new(DateTimeOffset.UnixEpoch, LogEventLevel.Fatal, fault, MessageTemplate.Empty, [new LogEventProperty("SourceContext", new ScalarValue(from))]);

        const string Host = "Microsoft.Extensions.Hosting.Internal.Host";
        StartFaults.IsPutOff(Said(new TaskCanceledException(), Host)).ShouldBeTrue();
        StartFaults.IsPutOff(Said(new InvalidOperationException(), Host)).ShouldBeFalse();
        StartFaults.IsPutOff(Said(null, Host)).ShouldBeFalse();
        StartFaults.IsPutOff(Said(new TaskCanceledException(), "AbleMend.Server.Days.DaysDesk")).ShouldBeFalse();
    }

    /// <summary>The compiled model is written by <c>dotnet ef dbcontext optimize --project src/AbleMend.Data --output-dir Compiled --namespace AbleMend.Data.Compiled</c>.</summary>
    [Fact]
    public void The_compiled_model_and_the_migrations_are_those_of_the_rows()
    {
        using var db = new MendDb(new DbContextOptionsBuilder<MendDb>().UseSqlite("Data Source=:memory:").Options);
        static IEnumerable<string> Shape(IModel model) => model.GetEntityTypes().OrderBy(entity => entity.Name).SelectMany(entity =>
            entity.GetProperties().Select(property => $"{entity.ClrType.Name}.{property.Name} {property.ClrType.Name} {property.IsNullable} {property.IsConcurrencyToken} {property.GetColumnType()}")
                .Concat(entity.GetForeignKeys().Select(key => $"{entity.ClrType.Name} → {key.PrincipalEntityType.ClrType.Name} {key.DeleteBehavior}"))
                .Concat(entity.GetIndexes().Select(index => $"{entity.ClrType.Name} [{string.Join(",", index.Properties.Select(each => each.Name))}] {index.IsUnique}")));
        Shape(db.Model).ShouldBe(Shape(db.GetService<IDesignTimeModel>().Model));
        db.Model.GetType().Name.ShouldBe("MendDbModel", "the compiled model is the one that is used");
        db.Database.HasPendingModelChanges().ShouldBeFalse();
    }

    [Fact]
    public void Backups_are_kept_a_week_of_days_and_two_months_of_weeks()
    {
        // One each evening for twenty weeks, newest first.
        var all = Enumerable.Range(0, 140).Select(day => ($"{day}", Monday.AddDays(139 - day))).ToList();
        var kept = all.Except(Backups.Outlived(all)).Select(each => each.Item2).ToList();
        kept.Take(7).ShouldBe(Enumerable.Range(0, 7).Select(day => Monday.AddDays(139 - day)), "each of the last seven days");
        kept.Count(at => at.DayOfWeek == DayOfWeek.Monday).ShouldBe(8);
        kept.Count.ShouldBe(7 + 8 - 1, "the Monday of this week is one of the days as well");
        kept.Min().ShouldBe(Monday.AddDays(133 - (7 * 7)));
    }

    [Fact]
    public void A_second_backup_of_a_day_takes_the_place_of_the_first()
    {
        var two = new List<(string, DateTimeOffset)> { ("evening", Monday.AddHours(10)), ("noon", Monday.AddHours(5)), ("morning", Monday) };
        Backups.Outlived(two).Select(each => each.Path).ShouldBe(["noon"], "the morning's stays as the first of its week");
    }

    [Fact]
    public async Task A_backup_brings_back_what_was_there_and_what_was_there_since_is_kept_beside_it()
    {
        var folder = Directory.CreateTempSubdirectory("able-mend-").FullName;
        try
        {
            var (live, backup) = (Path.Combine(folder, "shop.db"), Path.Combine(folder, "backup.db"));
            await using (var db = Open(live))
            {
                await db.PrepareAsync(CancellationToken.None);
                db.Items.Add(new ItemRow { Tag = "BRD-01", Name = "Longboard", Construction = "pu-polyester-board", Warranty = "None" });
                await db.SaveChangesAsync();
                await ShopFile.CopyAsync(live, backup, CancellationToken.None);
                db.Items.Add(new ItemRow { Tag = "BRD-02", Name = "Shortboard", Construction = "pu-polyester-board", Warranty = "None" });
                await db.SaveChangesAsync();
            }

            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            await ShopFile.RestoreAsync(backup, live, "then", CancellationToken.None);
            await using (var db = Open(live))
            {
                (await db.Items.Select(item => item.Tag).ToListAsync()).ShouldBe(["BRD-01"]);
            }

            await using (var before = Open(live + ".before-restore-then"))
            {
                (await before.Items.CountAsync()).ShouldBe(2);
            }

            (File.GetUnixFileMode(live) & (UnixFileMode.GroupRead | UnixFileMode.OtherRead)).ShouldBe(UnixFileMode.None);
        }
        finally
        {
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            Directory.Delete(folder, true);
        }
    }

    // What was there when it was killed: a change that is half in the file, and beside it what undoes it.
    [Fact]
    public async Task A_file_that_was_half_written_when_its_process_was_killed_is_sound_again_and_comes_up()
    {
        var folder = Directory.CreateTempSubdirectory("able-mend-").FullName;
        try
        {
            var killed = Path.Combine(folder, "killed.db");
            await HalfWrittenAsync(Path.Combine(folder, "shop.db"), killed);
            File.Exists(killed + "-journal").ShouldBeTrue("the change was under way");

            (await ShopFile.FaultAsync(killed, CancellationToken.None)).ShouldBeNull();
            await using var db = Open(killed);
            await db.PrepareAsync(CancellationToken.None);
            (await db.Items.CountAsync()).ShouldBe(0, "what was not acknowledged is gone");
            (await ShopFile.IsCurrentAsync(MendDb.ConnectionTo(killed), CancellationToken.None)).ShouldBeTrue();
        }
        finally
        {
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            Directory.Delete(folder, true);
        }
    }

    [Fact]
    public async Task What_undoes_a_half_written_change_does_not_stay_beside_the_file_that_is_brought_back()
    {
        var folder = Directory.CreateTempSubdirectory("able-mend-").FullName;
        try
        {
            var (live, backup, killed) = (Path.Combine(folder, "shop.db"), Path.Combine(folder, "backup.db"), Path.Combine(folder, "killed.db"));
            await using (var db = Open(live))
            {
                await db.PrepareAsync(CancellationToken.None);
                db.Items.Add(new ItemRow { Tag = "BRD-01", Name = "Longboard", Construction = "pu-polyester-board", Warranty = "None" });
                await db.SaveChangesAsync();
                await ShopFile.CopyAsync(live, backup, CancellationToken.None);
            }

            await HalfWrittenAsync(live, killed);
            await ShopFile.RestoreAsync(backup, killed, "then", CancellationToken.None);
            (await ShopFile.FaultAsync(killed, CancellationToken.None)).ShouldBeNull();
            await using var back = Open(killed);
            (await back.Items.Select(item => item.Tag).ToListAsync()).ShouldBe(["BRD-01"]);
            File.Exists(killed + ".before-restore-then-journal").ShouldBeTrue("what was there is whole beside it");
        }
        finally
        {
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            Directory.Delete(folder, true);
        }
    }

    /// <summary>Leaves a copy of a shop's file as a kill leaves it in the middle of a change that is larger than what is kept in memory.</summary>
    private static async Task HalfWrittenAsync(string path, string copy)
    {
        await using (var db = Open(path))
        {
            await db.PrepareAsync(CancellationToken.None);
        }

        // How a file is written can only be changed by whoever has it alone.
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        await using var file = new Microsoft.Data.Sqlite.SqliteConnection($"Data Source={path};Pooling=False");
        await file.OpenAsync();
        foreach (var words in new[]
        {
            "PRAGMA journal_mode=DELETE", "PRAGMA cache_size=1", "BEGIN",
            "WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 5000) INSERT INTO Items (Tag, Name, Construction, Warranty) SELECT 'HALF-' || i, 'Half written', 'pu-polyester-board', 'None' FROM n",
        })
        {
            await using var command = file.CreateCommand();
            command.CommandText = words;
            await command.ExecuteNonQueryAsync();
        }

        File.Copy(path, copy);
        File.Copy(path + "-journal", copy + "-journal");
    }

    [Fact]
    public async Task What_is_no_backup_touches_nothing()
    {
        var folder = Directory.CreateTempSubdirectory("able-mend-").FullName;
        try
        {
            var (live, none) = (Path.Combine(folder, "shop.db"), Path.Combine(folder, "list.txt"));
            await File.WriteAllTextAsync(live, "as it was");
            await File.WriteAllTextAsync(none, "milk, bread");
            await Should.ThrowAsync<InvalidDataException>(() => ShopFile.RestoreAsync(none, live, "then", CancellationToken.None));
            await Should.ThrowAsync<InvalidDataException>(() => ShopFile.RestoreAsync(Path.Combine(folder, "gone.db"), live, "then", CancellationToken.None));
            (await File.ReadAllTextAsync(live)).ShouldBe("as it was");
        }
        finally
        {
            Directory.Delete(folder, true);
        }
    }

    private static MendDb Open(string path) => new(new DbContextOptionsBuilder<MendDb>().UseSqlite(MendDb.ConnectionTo(path)).Options);
}
