using Hangfire;
using Hangfire.AspNetCore;
using Hangfire.PostgreSql;
using Hangfire.PostgreSql.Factories;
using Zymethos.Web.LongSearches;

namespace Zymethos.Web.Setup;

/// <summary>Background work on the same PostgreSQL: whichever instance is free takes it up, and takes over from one that ended.</summary>
public static class BackgroundWork
{
    /// <summary>Adds the queue and one worker to it: a search uses several threads of its own.</summary>
    public static void AddBackgroundWork(this IServiceCollection services, string connection)
    {
        // The storage belongs to this container and not to the process: two instances in one process, as in tests, each have their own. It is made when it is first
        // asked for, after the database is there.
        services.AddSingleton<JobStorage>(_ =>
        {
            var options = new PostgreSqlStorageOptions
            {
                SchemaName = "jobs",
                QueuePollInterval = TimeSpan.FromMilliseconds(500),
                // Work whose instance was killed is free again after this; while an instance lives it keeps what it holds.
                InvisibilityTimeout = TimeSpan.FromSeconds(30),
                UseSlidingInvisibilityTimeout = true,
            };
            return new PostgreSqlStorage(new NpgsqlConnectionFactory(connection, options), options);
        });
        // So does the one that makes workers: the library's own is one for the whole process, and may be another instance's, which has ended.
        services.AddSingleton<JobActivator>(p => new AspNetCoreJobActivator(p.GetRequiredService<IServiceScopeFactory>()));
        services.AddHangfire((provider, c) => c
            .SetDataCompatibilityLevel(CompatibilityLevel.Version_180)
            .UseSimpleAssemblyNameTypeSerializer()
            .UseRecommendedSerializerSettings()
            .UseStorage(provider.GetRequiredService<JobStorage>()));
        services.AddHangfireServer((provider, o) =>
        {
            o.Activator = provider.GetRequiredService<JobActivator>();
            o.WorkerCount = 1;
            o.ServerName = LongSearchWorker.Instance;
            o.ShutdownTimeout = TimeSpan.FromSeconds(5);
        });
        services.AddSingleton<DaySearch>(Core.Planning.ModeChooser.Plan);
        services.AddSingleton<Seasons.SeasonSearch>(Core.Seasons.SeasonPlanner.Plan);
        services.AddScoped<LongSearchDesk>();
        services.AddScoped<LongSearchWorker>();
    }
}
