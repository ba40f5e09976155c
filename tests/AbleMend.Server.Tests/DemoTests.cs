using AbleMend.Core.Plans;
using AbleMend.Data;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace AbleMend.Server.Tests;

public sealed class DemoTests : IDisposable
{
    private readonly string _database = Path.Combine(Path.GetTempPath(), $"able-mend-{Guid.NewGuid():N}.db");

    [Theory]
    [InlineData(2)]
    [InlineData(7)]
    public async Task A_start_that_is_cut_short_leaves_nothing_of_the_demo(int savesUntilTheCut)
    {
        await using (var cut = Open(new CutShort(savesUntilTheCut)))
        {
            await cut.PrepareAsync(CancellationToken.None);
            await Should.ThrowAsync<IOException>(() => FillAsync(cut));
        }

        await using var next = Open();
        (await next.Items.CountAsync(), await next.Mends.CountAsync(), await next.Shop.CountAsync()).ShouldBe((0, 0, 0));
        await FillAsync(next);
        (await next.Mends.CountAsync()).ShouldBeGreaterThan(10);
    }

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        foreach (var file in Directory.GetFiles(Path.GetTempPath(), Path.GetFileName(_database) + "*"))
        {
            File.Delete(file);
        }
    }

    private static Task FillAsync(MendDb db) => DemoData.FillAsync(db, Planner.Shipped(), new DateTimeOffset(2026, 5, 6, 9, 0, 0, TimeSpan.Zero), CancellationToken.None);

    private MendDb Open(params IInterceptor[] interceptors) =>
        new(new DbContextOptionsBuilder<MendDb>().UseSqlite(MendDb.ConnectionTo(_database)).AddInterceptors(interceptors).Options);

    /// <summary>Fails at a save, as a machine that is switched off does.</summary>
    private sealed class CutShort(int saves) : SaveChangesInterceptor
    {
        private int _left = saves;

        public override ValueTask<InterceptionResult<int>> SavingChangesAsync(DbContextEventData eventData, InterceptionResult<int> result, CancellationToken cancellationToken = default) =>
            _left-- > 0 ? base.SavingChangesAsync(eventData, result, cancellationToken) : throw new IOException("Switched off.");
    }
}
