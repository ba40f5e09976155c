using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace AbleMend.Data;

/// <summary>Lets the migration tool open the model without starting the server.</summary>
public sealed class MendDbFactory : IDesignTimeDbContextFactory<MendDb>
{
    /// <inheritdoc/>
    public MendDb CreateDbContext(string[] args) =>
        new(new DbContextOptionsBuilder<MendDb>().UseSqlite(MendDb.ConnectionTo("design.db")).Options);
}
