using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Storage;
using Microsoft.Extensions.DependencyInjection;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store;

/// <summary>Registers the store.</summary>
public static class StoreSetup
{
    // Any number that nothing else in the database locks.
    private const long MigrationLock = 0x5A796D6574686F73;

    /// <summary>Adds the context for a PostgreSQL connection string. The caller registers an <see cref="ICurrentKitchen"/>.</summary>
    public static IServiceCollection AddZymethosStore(this IServiceCollection services, string connection) =>
        services.AddDbContext<ZymethosContext>(o => Use(o, connection));

    /// <summary>Options for a context made by hand, in seeding and tests.</summary>
    public static DbContextOptions<ZymethosContext> Options(string connection) =>
        (DbContextOptions<ZymethosContext>)Use(new DbContextOptionsBuilder<ZymethosContext>(), connection).Options;

    /// <summary>
    /// Brings the database up to date. Instances that start at once wait for each other: the lock that EF Core takes goes with each
    /// migration's transaction, so a second instance could step in between two of them.
    /// </summary>
    public static async Task MigrateAsync(ZymethosContext context, CancellationToken cancel)
    {
        // The lock has to live in a database that is there already.
        var creator = context.GetService<IRelationalDatabaseCreator>();
        if (!await creator.ExistsAsync(cancel))
            await creator.CreateAsync(cancel);
        await context.Database.OpenConnectionAsync(cancel);
        try
        {
            await context.Database.ExecuteSqlAsync($"SELECT pg_advisory_lock({MigrationLock})", cancel);
            await context.Database.MigrateAsync(cancel);
        }
        finally
        {
            await context.Database.ExecuteSqlAsync($"SELECT pg_advisory_unlock({MigrationLock})", CancellationToken.None);
            await context.Database.CloseConnectionAsync();
        }
    }

    private static DbContextOptionsBuilder Use(DbContextOptionsBuilder builder, string connection) =>
        builder.UseNpgsql(connection, n => n.UseNodaTime());
}

/// <summary>Lets the migration command make a context without running the application. The connection is never opened.</summary>
internal sealed class DesignTimeContext : IDesignTimeDbContextFactory<ZymethosContext>
{
    /// <inheritdoc />
    public ZymethosContext CreateDbContext(string[] args) =>
        new(StoreSetup.Options("Host=127.0.0.1;Database=design"), new FixedKitchen(null));
}
