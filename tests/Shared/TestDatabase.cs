using Npgsql;

namespace Zymethos.Tests;

/// <summary>A database of its own in the PostgreSQL that ./test starts.</summary>
public sealed class TestDatabase : IAsyncDisposable
{
    private readonly string _name;

    private TestDatabase(string name) => _name = name;

    /// <summary>Connection to the server itself.</summary>
    public static string Admin =>
        Environment.GetEnvironmentVariable("ZYMETHOS_TEST_DB")
        ?? throw new InvalidOperationException("ZYMETHOS_TEST_DB is not set; ./test sets it.");

    /// <summary>Connection to this database.</summary>
    public string Connection => new NpgsqlConnectionStringBuilder(Admin) { Database = _name, MaxPoolSize = 20 }.ConnectionString;

    public static async Task<TestDatabase> MakeAsync()
    {
        var database = new TestDatabase($"t_{Guid.NewGuid():N}");
        await RunAsync($"CREATE DATABASE {database._name}");
        return database;
    }

    public async ValueTask DisposeAsync()
    {
        NpgsqlConnection.ClearAllPools();
        await RunAsync($"DROP DATABASE IF EXISTS {_name} WITH (FORCE)");
    }

    private static async Task RunAsync(string statement)
    {
        await using var admin = new NpgsqlConnection(Admin);
        await admin.OpenAsync();
        await using var command = new NpgsqlCommand(statement, admin);
        await command.ExecuteNonQueryAsync();
    }
}
