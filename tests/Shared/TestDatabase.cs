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

    public static Task<TestDatabase> MakeAsync() => MakeAsync("");

    /// <summary>A database with all that another holds. Nobody may be in the other meanwhile.</summary>
    public static Task<TestDatabase> CopyAsync(TestDatabase template) => MakeAsync($" TEMPLATE {template._name}");

    private static async Task<TestDatabase> MakeAsync(string template)
    {
        var database = new TestDatabase($"t_{Guid.NewGuid():N}");
        await RunAsync($"CREATE DATABASE {database._name}{template}");
        return database;
    }

    /// <summary>Sends everybody out, so that it can be copied.</summary>
    public async Task EmptyAsync()
    {
        await using var pool = new NpgsqlConnection(Connection);
        NpgsqlConnection.ClearPool(pool);
        await RunAsync($"SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '{_name}'");
    }

    public async ValueTask DisposeAsync()
    {
        await using var pool = new NpgsqlConnection(Connection);
        NpgsqlConnection.ClearPool(pool);
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
