using System.Diagnostics;
using Microsoft.EntityFrameworkCore;
using Npgsql;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Demo;
using Zymethos.Store.Tenancy;

namespace Zymethos.Web.Tests;

/// <summary>A backup is taken while the application runs, and put back elsewhere with everything in it.</summary>
public sealed class BackupTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private static readonly string Root = Find();

    private static string Find()
    {
        var folder = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(folder, "Zymethos.slnx")))
            folder = Path.GetDirectoryName(folder)!;
        return folder;
    }

    private static async Task<(int Code, string Said)> RunAsync(string script, string file, string connection)
    {
        var start = new ProcessStartInfo("bash", [Path.Combine(Root, "scripts", script), file])
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            UseShellExecute = false,
        };
        start.Environment["ZYMETHOS_DB"] = connection;
        using var process = Process.Start(start)!;
        var said = await process.StandardOutput.ReadToEndAsync() + await process.StandardError.ReadToEndAsync();
        await process.WaitForExitAsync();
        return (process.ExitCode, said);
    }

    private static async Task<SortedDictionary<string, long>> CountsAsync(string connection)
    {
        await using var database = new NpgsqlConnection(connection);
        await database.OpenAsync();
        var tables = new List<string>();
        await using (
            var list = new NpgsqlCommand(
                "SELECT table_name FROM information_schema.tables WHERE table_schema = 'public' AND table_type = 'BASE TABLE'",
                database
            )
        )
        await using (var reader = await list.ExecuteReaderAsync())
        {
            while (await reader.ReadAsync())
                tables.Add(reader.GetString(0));
        }

        var counts = new SortedDictionary<string, long>(StringComparer.Ordinal);
        foreach (var table in tables)
        {
            await using var count = new NpgsqlCommand($"SELECT count(*) FROM \"{table}\"", database);
            counts[table] = (long)(await count.ExecuteScalarAsync())!;
        }

        return counts;
    }

    [Fact]
    public async Task Everything_is_there_in_another_database()
    {
        await kitchen.DemoBakerAsync();
        var file = Path.Combine(Path.GetTempPath(), $"zymethos-{Guid.NewGuid():N}.dump");
        var elsewhere = new NpgsqlConnectionStringBuilder(kitchen.Connection)
        {
            Database = $"restored_{Guid.NewGuid():N}",
        }.ConnectionString;
        try
        {
            var (taken, said) = await RunAsync("backup", file, kitchen.Connection);
            Assert.True(taken == 0, said);
            // Never over another one.
            Assert.Equal(1, (await RunAsync("backup", file, kitchen.Connection)).Code);
            var (put, saidThen) = await RunAsync("restore", file, elsewhere);
            Assert.True(put == 0, saidThen);
            var (before, after) = (await CountsAsync(kitchen.Connection), await CountsAsync(elsewhere));
            Assert.True(before["recipes"] > 10 && before.Count > 30);
            Assert.Equal(before.Keys, after.Keys);
            // Signing in goes on while the backup is taken; all else stands still here.
            foreach (var table in before.Keys.Where(t => t is not ("sign_ins" or "messages" or "long_searches" or "device_readings")))
                Assert.True(before[table] == after[table], $"{table}: {before[table]} and {after[table]}");
            await using var there = new ZymethosContext(StoreSetup.Options(elsewhere), new FixedKitchen(DemoSeed.Id));
            Assert.Empty(await there.Database.GetPendingMigrationsAsync());
            var here = kitchen.Context(DemoSeed.Id);
            foreach (var row in await here.Recipes.AsNoTracking().ToListAsync())
            {
                var same = await there.Recipes.AsNoTracking().SingleAsync(r => r.Id == row.Id);
                Assert.Equal(
                    System.Text.Json.JsonSerializer.Serialize(row.Document, OpenJson.Options),
                    System.Text.Json.JsonSerializer.Serialize(same.Document, OpenJson.Options)
                );
            }

            // A database with something in it is left alone.
            var (refused, why) = await RunAsync("restore", file, elsewhere);
            Assert.Equal(1, refused);
            Assert.Contains("not empty, and nothing was changed", why, StringComparison.Ordinal);
        }
        finally
        {
            File.Delete(file);
            NpgsqlConnection.ClearAllPools();
            await using var keeper = new NpgsqlConnection(kitchen.Connection);
            await keeper.OpenAsync();
            var name = new NpgsqlConnectionStringBuilder(elsewhere).Database;
            await using var drop = new NpgsqlCommand($"DROP DATABASE IF EXISTS \"{name}\" WITH (FORCE)", keeper);
            await drop.ExecuteNonQueryAsync();
        }
    }

    [Fact]
    public async Task What_is_no_backup_is_refused_before_anything_is_made()
    {
        var file = Path.Combine(Path.GetTempPath(), $"zymethos-{Guid.NewGuid():N}.dump");
        await File.WriteAllTextAsync(file, "half a pound of plums");
        try
        {
            var nowhere = new NpgsqlConnectionStringBuilder(kitchen.Connection) { Database = $"none_{Guid.NewGuid():N}" }.ConnectionString;
            var (code, said) = await RunAsync("restore", file, nowhere);
            Assert.Equal(1, code);
            Assert.Contains("no backup that can be read", said, StringComparison.Ordinal);
            Assert.Equal(1, (await RunAsync("restore", file + ".away", nowhere)).Code);
            Assert.Equal(1, (await RunAsync("backup", file + ".new", "Host=127.0.0.1")).Code);
            await Assert.ThrowsAnyAsync<NpgsqlException>(() => CountsAsync(nowhere));
        }
        finally
        {
            File.Delete(file);
        }
    }
}
