namespace Zymethos.Work.Reminders;

/// <summary>Goes the round of reminders once a minute, as long as the application runs.</summary>
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
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                // The database may be away for a while; the next round catches up.
                log.LogWarning(e, "A round of reminders broke off.");
            }
        }
    }
}
