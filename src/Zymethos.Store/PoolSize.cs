using Npgsql;

namespace Zymethos.Store;

/// <summary>How many connections one instance holds at most; whoever comes when all are in use waits in line for one.</summary>
public static class PoolSize
{
    /// <summary>
    /// Below the usual limit of a PostgreSQL server (100, three kept for its keeper), with room for a second instance during a change of
    /// release. A choice, no source.
    /// </summary>
    public const int Most = 40;

    /// <summary>Seconds after which whoever waits for a connection is told that the database does not answer.</summary>
    public const int Wait = 30;

    /// <summary>Statements that a connection keeps prepared, of those asked again and again: a page asks the same few each time.</summary>
    public const int Prepared = 80;

    /// <summary>A connection string with these limits, where it says none of its own.</summary>
    public static string Limited(string connection)
    {
        var builder = new NpgsqlConnectionStringBuilder(connection);
        if (!builder.ContainsKey("Maximum Pool Size"))
            builder.MaxPoolSize = Most;
        if (!builder.ContainsKey("Timeout"))
            builder.Timeout = Wait;
        if (!builder.ContainsKey("Max Auto Prepare"))
            builder.MaxAutoPrepare = Prepared;
        return builder.ConnectionString;
    }
}
