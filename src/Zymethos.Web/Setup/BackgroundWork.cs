using Hangfire;
using Hangfire.AspNetCore;
using Hangfire.PostgreSql;
using Hangfire.PostgreSql.Factories;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Seasons;
using Zymethos.Work.LongSearches;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Setup;

/// <summary>Background work on the same PostgreSQL: whichever instance is free takes it up, and takes over from one that ended.</summary>
public static class BackgroundWork
{
    // A search uses several threads of its own; the second worker is there for what is short while a long one goes on.
    private const int Workers = 2;

    /// <summary>Adds the queue and its workers.</summary>
    /// <param name="services">Where it is added.</param>
    /// <param name="connection">The database.</param>
    /// <param name="works">Whether this instance takes up searches itself; one that only serves pages leaves them to others.</param>
    public static void AddBackgroundWork(this IServiceCollection services, string connection, bool works = true)
    {
        // The storage belongs to this container and not to the process: two instances in one process, as in tests, each have their own. It
        // is made when it is first asked for, after the database is there.
        services.AddSingleton<JobStorage>(_ =>
        {
            var options = new PostgreSqlStorageOptions
            {
                SchemaName = "jobs",
                QueuePollInterval = TimeSpan.FromMilliseconds(500),
                // Work whose instance was killed is free again after this; while an instance lives it keeps what it holds.
                InvisibilityTimeout = TimeSpan.FromSeconds(30),
                UseSlidingInvisibilityTimeout = true,
                // The same for the queue's own locks: an instance that was killed while it held one stops the others no longer than this.
                DistributedLockTimeout = TimeSpan.FromSeconds(30),
                TransactionSynchronisationTimeout = TimeSpan.FromSeconds(30),
            };
            return new PostgreSqlStorage(new NpgsqlConnectionFactory(connection, options), options);
        });
        // So does the one that makes workers: the library's own is one for the whole process, and may be another instance's, which has
        // ended.
        services.AddSingleton<JobActivator>(p => new AspNetCoreJobActivator(p.GetRequiredService<IServiceScopeFactory>()));
        services.AddHangfire(
            (provider, c) =>
                c.SetDataCompatibilityLevel(CompatibilityLevel.Version_180)
                    .UseTypeSerializer(JobNames.Of)
                    .UseTypeResolver(JobNames.Find)
                    .UseRecommendedSerializerSettings()
                    .UseStorage(provider.GetRequiredService<JobStorage>())
        );
        if (works)
            services.AddHangfireServer(
                (provider, o) =>
                {
                    o.Activator = provider.GetRequiredService<JobActivator>();
                    o.WorkerCount = Workers;
                    o.ServerName = LongSearchWorker.Instance;
                    o.ShutdownTimeout = TimeSpan.FromSeconds(5);
                }
            );
        services.AddSingleton<DaySearch>(SurePlanner.Plan);
        services.AddSingleton<SeasonSearch>(SeasonPlanner.Plan);
        services.AddScoped<LongSearchDesk>();
        services.AddScoped<LongSearchWorker>();
    }
}
