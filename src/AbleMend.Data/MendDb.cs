using AbleMend.Core.Running;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;

namespace AbleMend.Data;

/// <summary>The shop's records on SQLite.</summary>
public sealed class MendDb(DbContextOptions<MendDb> options) : DbContext(options)
{
    /// <value>Items.</value>
    public DbSet<ItemRow> Items => Set<ItemRow>();

    /// <value>Mends.</value>
    public DbSet<MendRow> Mends => Set<MendRow>();

    /// <value>Events of mends.</value>
    public DbSet<MendEventRow> Events => Set<MendEventRow>();

    /// <value>The shop's settings.</value>
    public DbSet<ShopRow> Shop => Set<ShopRow>();

    /// <summary>Connection string of a database file, with foreign keys on.</summary>
    public static string ConnectionTo(string path) => $"Data Source={path};Foreign Keys=True;Default Timeout=10";

    /// <summary>Length of a text in bytes, inside a query only: SQLite knows it without fetching the text, as it does not know the count of its characters.</summary>
    /// <exception cref="NotSupportedException">Called outside a query.</exception>
    [DbFunction("octet_length", IsBuiltIn = true)]
    public static int OctetLength(string? text) => throw new NotSupportedException();

    /// <summary>Brings the file up to date and sets write-ahead logging, which stays with the file.</summary>
    public async Task PrepareAsync(CancellationToken cancel)
    {
        await StartLock.HeldAsync(this, () => Database.MigrateAsync(cancel), cancel);
        await Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL;", cancel);
    }

    /// <inheritdoc/>
    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        // SQLite cannot order by DateTimeOffset; UTC ticks order and compare as numbers.
        configurationBuilder.Properties<DateTimeOffset>().HaveConversion<UtcTicks>();
        configurationBuilder.Properties<MendStatus>().HaveConversion<string>();
    }

    /// <inheritdoc/>
    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<ItemRow>().HasIndex(item => item.Tag).IsUnique();
        modelBuilder.Entity<MendRow>(mend =>
        {
            mend.Property(row => row.Version).IsConcurrencyToken();
            mend.HasIndex(row => row.Status);
            mend.HasIndex(row => row.ClosedAt);
            mend.HasMany(row => row.Events).WithOne().HasForeignKey(row => row.MendId).OnDelete(DeleteBehavior.Cascade);
            mend.HasOne(row => row.Item).WithMany(item => item.Mends).HasForeignKey(row => row.ItemId).OnDelete(DeleteBehavior.Restrict);
            mend.HasOne<MendRow>().WithMany().HasForeignKey(row => row.FollowsMendId).OnDelete(DeleteBehavior.SetNull);
        });
        modelBuilder.Entity<MendEventRow>().HasIndex(row => new { row.MendId, row.Number }).IsUnique();
        modelBuilder.Entity<ShopRow>().Property(row => row.Version).IsConcurrencyToken();
    }

    private sealed class UtcTicks() : ValueConverter<DateTimeOffset, long>(
        instant => instant.UtcTicks,
        ticks => new DateTimeOffset(ticks, TimeSpan.Zero));
}
