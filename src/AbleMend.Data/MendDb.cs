using System.Data;
using AbleMend.Core.Running;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;
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

    /// <value>What was asked for with a key and carried out.</value>
    public DbSet<DeedRow> Deeds => Set<DeedRow>();

    /// <value>The shop's settings.</value>
    public DbSet<ShopRow> Shop => Set<ShopRow>();

    /// <value>The plan of the days.</value>
    public DbSet<DaysRow> Days => Set<DaysRow>();

    /// <value>What somebody wants of a mend in the plan of the days.</value>
    public DbSet<DayWishRow> DayWishes => Set<DayWishRow>();

    /// <value>What came off the lots of the shelf, and what was counted.</value>
    public DbSet<LotMoveRow> LotMoves => Set<LotMoveRow>();

    /// <value>Pieces of cloth that mends are cut from.</value>
    public DbSet<PieceUseRow> PieceUses => Set<PieceUseRow>();

    /// <value>Photographs of mends.</value>
    public DbSet<PhotographRow> Photographs => Set<PhotographRow>();

    /// <value>Their pictures.</value>
    public DbSet<PictureRow> Pictures => Set<PictureRow>();

    /// <value>What touch has said of how fast lots set.</value>
    public DbSet<LookRow> Looks => Set<LookRow>();

    /// <value>What was taken in at the counter.</value>
    public DbSet<TicketRow> Tickets => Set<TicketRow>();

    /// <value>What customers said yes to.</value>
    public DbSet<AgreementRow> Agreements => Set<AgreementRow>();

    /// <summary>Connection string of a database file, with foreign keys on.</summary>
    public static string ConnectionTo(string path) => $"Data Source={path};Foreign Keys=True;Default Timeout=10";

    /// <summary>Length in bytes, inside a query only: SQLite knows it without fetching them.</summary>
    /// <exception cref="NotSupportedException">Called outside a query.</exception>
    [DbFunction("octet_length", IsBuiltIn = true)]
    public static int OctetLength(byte[]? bytes) => throw new NotSupportedException();

    /// <summary>
    /// Until it is disposed everything is read as of one moment: a row and what belongs to it are asked for apart, for joined its long texts
    /// would come again with every event. Null within a change, which reads as of its own.
    /// </summary>
    public async Task<IDbContextTransaction?> AsOfOneMomentAsync(CancellationToken cancel) =>
        // So SQLite's provider calls the transaction that keeps nobody from writing; what others write meanwhile is not seen in it.
        Database.CurrentTransaction is null ? await Database.BeginTransactionAsync(IsolationLevel.ReadUncommitted, cancel) : null;

    /// <summary>A mend with its item and its events, to be changed; null where there is none.</summary>
    public async Task<MendRow?> MendAsync(int id, CancellationToken cancel)
    {
        await using var moment = await AsOfOneMomentAsync(cancel);
        return await Mends.Include(row => row.Item).Include(row => row.Events).AsSplitQuery().FirstOrDefaultAsync(row => row.Id == id, cancel);
    }

    /// <summary>Brings the file up to date and sets write-ahead logging, which stays with the file. A file that is up to date is only looked at.</summary>
    public async Task PrepareAsync(CancellationToken cancel)
    {
        if (await ShopFile.IsCurrentAsync(Database.GetConnectionString()!, cancel))
        {
            return;
        }

        await StartLock.HeldAsync(this, async () =>
        {
            // First, for a start that is killed on the way leaves the file in it as well.
            await Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL;", cancel);
            await Database.MigrateAsync(cancel);
        }, cancel);
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
        modelBuilder.Entity<ItemRow>(item =>
        {
            item.HasIndex(row => row.Tag).IsUnique();
            item.Property(row => row.MendCount).HasDefaultValue(0).ValueGeneratedOnAddOrUpdate();
        });
        modelBuilder.Entity<MendRow>(mend =>
        {
            mend.Property(row => row.Version).IsConcurrencyToken();
            // The columns are older than the packing, and still hold what is from before it.
            mend.Property(row => row.CasePacked).HasColumnName("CaseJson");
            mend.Property(row => row.PlanPacked).HasColumnName("PlanJson");
            mend.HasIndex(row => row.ItemId);
            mend.HasIndex(row => row.ItemId, "IX_Mends_Found").HasFilter("FindsJson IS NOT NULL");
            mend.HasIndex(row => row.HeldMethod).HasFilter("HeldMethod IS NOT NULL");
            mend.HasIndex(row => row.LookAgainAt).HasFilter("LookAgainAt IS NOT NULL");
            mend.HasIndex(row => row.Status);
            mend.HasIndex(row => row.ClosedAt);
            mend.HasIndex(row => row.TicketId);
            mend.HasMany(row => row.Agreements).WithOne().HasForeignKey(row => row.MendId).OnDelete(DeleteBehavior.Cascade);
            mend.HasMany(row => row.Events).WithOne().HasForeignKey(row => row.MendId).OnDelete(DeleteBehavior.Cascade);
            mend.HasOne(row => row.Item).WithMany(item => item.Mends).HasForeignKey(row => row.ItemId).OnDelete(DeleteBehavior.Restrict);
            mend.HasOne<MendRow>().WithMany().HasForeignKey(row => row.FollowsMendId).OnDelete(DeleteBehavior.SetNull);
        });
        modelBuilder.Entity<MendEventRow>().HasIndex(row => new { row.MendId, row.Number }).IsUnique();
        modelBuilder.Entity<DeedRow>(deed =>
        {
            deed.HasKey(row => row.Key);
            deed.HasIndex(row => row.At);
            deed.HasOne(row => row.Mend).WithMany().HasForeignKey(row => row.MendId).OnDelete(DeleteBehavior.Cascade);
            deed.HasOne(row => row.Ticket).WithMany().HasForeignKey(row => row.TicketId).OnDelete(DeleteBehavior.Cascade);
            deed.HasOne(row => row.Item).WithMany().HasForeignKey(row => row.ItemId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<TicketRow>(ticket =>
        {
            ticket.HasIndex(row => row.CollectedAt);
            ticket.Property(row => row.Version).IsConcurrencyToken();
        });
        modelBuilder.Entity<DayWishRow>(wish =>
        {
            wish.HasKey(row => row.MendId);
            wish.HasOne<MendRow>().WithOne().HasForeignKey<DayWishRow>(row => row.MendId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<LotMoveRow>(move =>
        {
            move.HasIndex(row => row.Lot);
            move.HasIndex(row => row.MendId);
            move.HasOne(row => row.Mend).WithMany().HasForeignKey(row => row.MendId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<PieceUseRow>(use =>
        {
            use.HasIndex(row => row.EventNumber);
            use.HasIndex(row => row.MendId);
            use.HasOne(row => row.Mend).WithMany().HasForeignKey(row => row.MendId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<PhotographRow>(photograph =>
        {
            photograph.HasIndex(row => new { row.MendId, row.Sent }).IsUnique();
            photograph.HasOne(row => row.Mend).WithMany().HasForeignKey(row => row.MendId).OnDelete(DeleteBehavior.Cascade);
            photograph.HasOne(row => row.Picture).WithOne().HasForeignKey<PictureRow>(row => row.PhotographId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<PictureRow>().HasKey(row => row.PhotographId);
        modelBuilder.Entity<LookRow>(look =>
        {
            look.HasIndex(row => new { row.Material, row.Lot });
            look.HasIndex(row => row.MendId);
            look.HasOne(row => row.Mend).WithMany().HasForeignKey(row => row.MendId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<ShopRow>().Property(row => row.Version).IsConcurrencyToken();
    }

    internal sealed class UtcTicks() : ValueConverter<DateTimeOffset, long>(
        instant => instant.UtcTicks,
        ticks => new DateTimeOffset(ticks, TimeSpan.Zero));
}
