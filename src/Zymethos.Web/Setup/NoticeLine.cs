using Npgsql;
using Zymethos.Work.Devices;
using Zymethos.Work.House;

namespace Zymethos.Web.Setup;

/// <summary>The one line on which this instance hears what was changed by any (LISTEN). A line that breaks is laid again; whoever waits is
/// woken then, since nobody knows what was said meanwhile.</summary>
public sealed class NoticeLine(Notices notices, LiveReadings readings, SaidWords words, NoticeAddress address, ILogger<NoticeLine> log)
    : BackgroundService
{
    private static readonly TimeSpan Again = TimeSpan.FromSeconds(2);

    private const string Listen = $"LISTEN {Notices.Channel}; LISTEN {LiveReadings.Channel}; LISTEN {BenchWords.Channel}";

    /// <inheritdoc />
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var said = false;
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                // Outside the pool: it is held for as long as the application runs.
                await using var line = new NpgsqlConnection(
                    new NpgsqlConnectionStringBuilder(address.Connection) { Pooling = false, KeepAlive = 30 }.ConnectionString
                );
                line.Notification += (_, e) => Hear(e.Channel, e.Payload);
                await line.OpenAsync(stoppingToken);
                await using (var listen = new NpgsqlCommand(Listen, line))
                    await listen.ExecuteNonQueryAsync(stoppingToken);
                notices.WakeAll();
                said = false;
                while (true)
                    await line.WaitAsync(stoppingToken);
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                // Once, not every two seconds while the database is away.
                if (!said)
                    log.LogWarning(
                        "The line on which changes are heard is broken ({Why}); pages look by the clock until it stands again.",
                        e.Message
                    );
                said = true;
            }

            await Task.Delay(Again, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }
    }

    private void Hear(string channel, string payload)
    {
        switch (channel)
        {
            case LiveReadings.Channel:
                readings.Take(payload);
                break;
            case BenchWords.Channel:
                words.Take(payload);
                break;
            default:
                notices.Wake(payload);
                break;
        }
    }
}

/// <summary>Where the line goes.</summary>
/// <param name="Connection">The connection string of the database.</param>
public sealed record NoticeAddress(string Connection);
