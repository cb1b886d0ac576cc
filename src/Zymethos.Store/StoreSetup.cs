using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.Extensions.DependencyInjection;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store;

/// <summary>Registers the store.</summary>
public static class StoreSetup
{
    /// <summary>Adds the context for a PostgreSQL connection string. The caller registers an <see cref="ICurrentKitchen"/>.</summary>
    public static IServiceCollection AddZymethosStore(this IServiceCollection services, string connection) =>
        services.AddDbContext<ZymethosContext>(o => Use(o, connection));

    /// <summary>Options for a context made by hand, in seeding and tests.</summary>
    public static DbContextOptions<ZymethosContext> Options(string connection) =>
        (DbContextOptions<ZymethosContext>)Use(new DbContextOptionsBuilder<ZymethosContext>(), connection).Options;

    private static DbContextOptionsBuilder Use(DbContextOptionsBuilder builder, string connection) =>
        builder.UseNpgsql(connection, n => n.UseNodaTime());
}

/// <summary>Lets the migration command make a context without running the application. The connection is never opened.</summary>
public sealed class DesignTimeContext : IDesignTimeDbContextFactory<ZymethosContext>
{
    /// <inheritdoc />
    public ZymethosContext CreateDbContext(string[] args) =>
        new(StoreSetup.Options("Host=127.0.0.1;Database=design"), new FixedKitchen(null));
}
