using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Microsoft.EntityFrameworkCore.Migrations.Operations;
using Npgsql;
using Zymethos.Store;
using Zymethos.Store.Tenancy;
using Zymethos.Tests;

namespace Zymethos.Web.Tests;

public sealed class MigrationTests : IAsyncLifetime
{
    private TestDatabase _database = null!;

    private ZymethosContext Context() =>
        new(
            StoreSetup.Options(new NpgsqlConnectionStringBuilder(_database.Connection) { Pooling = false }.ConnectionString),
            new FixedKitchen(null)
        );

    public async Task InitializeAsync() => _database = await TestDatabase.MakeAsync();

    public async Task DisposeAsync() => await _database.DisposeAsync();

    [Fact]
    public async Task They_apply_on_an_empty_database_one_by_one_and_a_second_time_change_nothing()
    {
        await using var context = Context();
        var migrator = context.GetService<IMigrator>();
        foreach (var migration in context.Database.GetMigrations())
            await migrator.MigrateAsync(migration);
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

    /// <summary>
    /// While a release is rolled out, instances of the one before go on working on the new tables: what they write leaves new columns out,
    /// what they read names only old ones. So a migration adds tables, columns that may stay empty or have a default, and indexes; it never
    /// takes away, renames or narrows in the release that stops using something.
    /// </summary>
    [Fact]
    public void Every_migration_leaves_the_release_before_it_working()
    {
        using var context = Context();
        var assembly = context.GetService<IMigrationsAssembly>();
        var breaking = new List<string>();
        foreach (var (id, type) in assembly.Migrations.OrderBy(m => m.Key, StringComparer.Ordinal))
        {
            var migration = assembly.CreateMigration(type, context.Database.ProviderName!);
            foreach (var operation in migration.UpOperations)
            {
                var why = operation switch
                {
                    AddColumnOperation { IsNullable: false, DefaultValue: null, DefaultValueSql: null, ComputedColumnSql: null } a
                        when a.Name != "xmin" => $"{a.Table}.{a.Name} must be filled",
                    DropColumnOperation d => $"{d.Table}.{d.Name} goes",
                    DropTableOperation d => $"{d.Name} goes",
                    RenameColumnOperation r => $"{r.Table}.{r.Name} is renamed",
                    RenameTableOperation r => $"{r.Name} is renamed",
                    AlterColumnOperation { IsNullable: false, OldColumn.IsNullable: true } a =>
                        $"{a.Table}.{a.Name} must be filled from now on",
                    AlterColumnOperation a when a.ColumnType != a.OldColumn.ColumnType => $"{a.Table}.{a.Name} is of another type",
                    _ => null,
                };
                if (why is not null)
                    breaking.Add($"{id}: {why}");
            }
        }

        Assert.Empty(breaking);
    }

    /// <summary>The same, done: rows as the first release wrote them are put in beside today's tables, and read by today's code.</summary>
    [Fact]
    public async Task A_row_written_by_the_first_release_goes_into_todays_tables()
    {
        await using var context = Context();
        var migrator = context.GetService<IMigrator>();
        var first = context.Database.GetMigrations().First();
        await migrator.MigrateAsync(first);
        var columns = await context
            .Database.SqlQuery<string>(
                $"""
                SELECT table_name || '.' || column_name AS "Value" FROM information_schema.columns
                WHERE table_schema = 'public' AND table_name IN ('kitchens', 'recipes')
                """
            )
            .ToListAsync();
        await context.Database.MigrateAsync();
        var own = Guid.NewGuid();
        var row = new Dictionary<string, object>
        {
            ["kitchens.Id"] = own,
            ["kitchens.Name"] = "Before",
            ["kitchens.IsDemo"] = false,
        };
        var kitchen = columns.Where(c => c.StartsWith("kitchens.", StringComparison.Ordinal)).Select(c => c.Split('.')[1]).ToList();
        Assert.Contains("Document", kitchen);
        var document = System.Text.Json.JsonSerializer.Serialize(
            Zymethos.Interchange.Demo.DemoKitchen.Kitchen(),
            Zymethos.Interchange.Documents.OpenJson.Options
        );
        await using var connection = new NpgsqlConnection(_database.Connection);
        await connection.OpenAsync();
        var names = string.Join(", ", kitchen.Select(k => $"\"{k}\""));
        await using var insert = new NpgsqlCommand(
            $"INSERT INTO kitchens ({names}) VALUES "
                + $"({string.Join(", ", kitchen.Select(k => k == "Document" ? "@document::jsonb" : $"@{k}"))})",
            connection
        );
        foreach (var name in kitchen.Where(k => k != "Document"))
            insert.Parameters.AddWithValue(name, row[$"kitchens.{name}"]);
        insert.Parameters.AddWithValue("document", document);
        await insert.ExecuteNonQueryAsync();
        Assert.Equal("Before", (await context.Kitchens.IgnoreQueryFilters().SingleAsync(k => k.Id == own)).Name);
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
        await Task.WhenAll(
            Enumerable
                .Range(0, 3)
                .Select(async _ =>
                {
                    await using var own = Context();
                    await StoreSetup.MigrateAsync(own, CancellationToken.None);
                })
        );
        Assert.Empty(await context.Database.GetPendingMigrationsAsync());
    }
}
