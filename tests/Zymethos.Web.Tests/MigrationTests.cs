using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Npgsql;
using Zymethos.Store;
using Zymethos.Store.Tenancy;
using Zymethos.Tests;

namespace Zymethos.Web.Tests;

public sealed class MigrationTests : IAsyncLifetime
{
    private TestDatabase _database = null!;

    private ZymethosContext Context() =>
        new(StoreSetup.Options(new NpgsqlConnectionStringBuilder(_database.Connection) { Pooling = false }.ConnectionString), new FixedKitchen(null));

    public async Task InitializeAsync() => _database = await TestDatabase.MakeAsync();

    public async Task DisposeAsync() => await _database.DisposeAsync();

    [Fact]
    public async Task They_apply_on_an_empty_database_one_by_one_and_a_second_time_change_nothing()
    {
        await using var context = Context();
        var migrator = context.GetService<IMigrator>();
        foreach (var migration in context.Database.GetMigrations()) await migrator.MigrateAsync(migration);
        Assert.Empty(await context.Database.GetPendingMigrationsAsync());
        await context.Database.MigrateAsync();
        Assert.Empty(await context.Kitchens.IgnoreQueryFilters().ToListAsync());
        Assert.Empty(await context.Recipes.IgnoreQueryFilters().ToListAsync());
        Assert.Empty(await context.OvenDays.IgnoreQueryFilters().ToListAsync());
    }

    [Fact]
    public async Task They_can_be_taken_back()
    {
        await using var context = Context();
        await context.Database.MigrateAsync();
        await context.GetService<IMigrator>().MigrateAsync(Migration.InitialDatabase);
        Assert.Equal(context.Database.GetMigrations(), await context.Database.GetPendingMigrationsAsync());
    }

    [Fact]
    public void The_model_has_no_change_without_a_migration()
    {
        using var context = Context();
        Assert.False(context.Database.HasPendingModelChanges());
    }

    [Fact]
    public async Task Two_instances_may_migrate_at_once()
    {
        await using var context = Context();
        await context.GetService<IMigrator>().MigrateAsync(Migration.InitialDatabase);
        await Task.WhenAll(Enumerable.Range(0, 3).Select(async _ =>
        {
            await using var own = Context();
            await StoreSetup.MigrateAsync(own, CancellationToken.None);
        }));
        Assert.Empty(await context.Database.GetPendingMigrationsAsync());
    }
}
