using Hangfire;
using Hangfire.PostgreSql;
using Zymethos.Web.LongSearches;

namespace Zymethos.Web.Setup;

/// <summary>Background work on the same PostgreSQL: whichever instance is free takes it up, and takes over from one that ended.</summary>
public static class BackgroundWork
{
    /// <summary>Adds the queue and one worker to it: a search uses several threads of its own.</summary>
    public static void AddBackgroundWork(this IServiceCollection services, string connection)
    {
        services.AddHangfire(c => c
            .SetDataCompatibilityLevel(CompatibilityLevel.Version_180)
            .UseSimpleAssemblyNameTypeSerializer()
            .UseRecommendedSerializerSettings()
            .UsePostgreSqlStorage(
                o => o.UseNpgsqlConnection(connection),
                new PostgreSqlStorageOptions
                {
                    SchemaName = "jobs",
                    QueuePollInterval = TimeSpan.FromMilliseconds(500),
                    // Work whose instance was killed is free again after this; while an instance lives it keeps what it holds.
                    InvisibilityTimeout = TimeSpan.FromSeconds(30),
                    UseSlidingInvisibilityTimeout = true,
                }));
        services.AddHangfireServer(o =>
        {
            o.WorkerCount = 1;
            o.ServerName = LongSearchWorker.Instance;
            o.ShutdownTimeout = TimeSpan.FromSeconds(5);
        });
        services.AddScoped<LongSearchDesk>();
        services.AddScoped<LongSearchWorker>();
    }
}
