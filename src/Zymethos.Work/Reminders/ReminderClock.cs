using Zymethos.Work.Accounts;

namespace Zymethos.Work.Reminders;

/// <summary>Goes the round of reminders, and of kitchens that are to be deleted, once a minute, as long as the application runs.</summary>
public sealed class ReminderClock(IServiceScopeFactory scopes, ILogger<ReminderClock> log) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromMinutes(1);

    /// <inheritdoc />
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Pause);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                await using var scope = scopes.CreateAsyncScope();
                await scope.ServiceProvider.GetRequiredService<ReminderRound>().GoAsync(stoppingToken);
                await scope.ServiceProvider.GetRequiredService<Closing>().GoAsync(stoppingToken);
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                // The database may be away for a while; the next round catches up.
                log.LogWarning(e, "A round of reminders broke off.");
            }
        }
    }
}
