using System.Buffers;
using System.Collections.Concurrent;
using MQTTnet;
using NodaTime;
using Zymethos.Interchange.Devices;
using Zymethos.Work.Devices;

namespace Zymethos.Web.Setup.Devices;

/// <summary>Hears devices through a broker that is not our own, and says there what is touched on the Bench. A line that breaks is laid
/// again.</summary>
public sealed class OtherBroker(
    MqttSettings settings,
    DeviceDoors doors,
    DeviceIntake intake,
    SaidWords words,
    IClock clock,
    ILogger<OtherBroker> log
) : BackgroundService
{
    private static readonly TimeSpan Again = TimeSpan.FromSeconds(5);
    private static readonly Duration Fresh = Duration.FromSeconds(30);

    private readonly ConcurrentDictionary<string, (Guid? Kitchen, Instant At)> _kitchens = new(StringComparer.Ordinal);

    /// <inheritdoc />
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (settings.Host.Length == 0)
            return;
        using var client = new MqttClientFactory().CreateMqttClient();
        client.ApplicationMessageReceivedAsync += said => HearAsync(said.ApplicationMessage, stoppingToken);
        void Say(TravellingWord word)
        {
            // Every instance hears of it, and one says it.
            if (word.From == BenchWords.Here && client.IsConnected)
            {
                var message = new MqttApplicationMessageBuilder()
                    .WithTopic(DeviceTopic.Bench(word.Kitchen))
                    .WithPayload(word.Word.Write())
                    .Build();
                _ = client
                    .PublishAsync(message, stoppingToken)
                    .ContinueWith(
                        t => log.LogWarning("The Bench could not be heard ({Why}).", t.Exception?.InnerException?.Message),
                        CancellationToken.None,
                        TaskContinuationOptions.OnlyOnFaulted,
                        TaskScheduler.Default
                    );
            }
        }

        words.Listen(Say);
        try
        {
            var said = false;
            while (!stoppingToken.IsCancellationRequested)
            {
                try
                {
                    if (!client.IsConnected)
                    {
                        await client.ConnectAsync(Options(), stoppingToken);
                        await client.SubscribeAsync(
                            DeviceTopic.AllReadings,
                            MQTTnet.Protocol.MqttQualityOfServiceLevel.AtMostOnce,
                            stoppingToken
                        );
                        log.LogInformation("Devices are heard through the broker at {Host}:{Port}.", settings.Host, settings.Port);
                        said = false;
                    }
                }
                catch (Exception e) when (e is not OperationCanceledException)
                {
                    if (!said)
                        log.LogWarning("The broker at {Host}:{Port} cannot be reached ({Why}).", settings.Host, settings.Port, e.Message);
                    said = true;
                }

                await Task.Delay(Again, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            }
        }
        finally
        {
            words.Leave(Say);
        }
    }

    private MqttClientOptions Options()
    {
        var options = new MqttClientOptionsBuilder().WithTcpServer(settings.Host, settings.Port).WithCleanSession();
        if (settings.User.Length > 0)
            options = options.WithCredentials(settings.User, settings.Password);
        return settings.IsTls ? options.WithTlsOptions(t => t.UseTls()).Build() : options.Build();
    }

    private async Task HearAsync(MqttApplicationMessage message, CancellationToken cancel)
    {
        if (!DeviceTopic.TryRead(message.Topic, out var topic) || message.Payload.Length > ReadingText.MostBytes || message.Retain)
            return;
        var now = clock.GetCurrentInstant();
        if (ReadingText.Read(message.Payload.ToArray(), now, out _) is not { } reading)
            return;
        try
        {
            if (!_kitchens.TryGetValue(topic.Kitchen, out var known) || now - known.At > Fresh)
            {
                if (_kitchens.Count > 5000)
                    _kitchens.Clear();
                _kitchens[topic.Kitchen] = known = (await doors.KitchenOfAsync(topic.Kitchen, cancel), now);
            }

            if (known.Kitchen is { } kitchen)
                intake.Take(new ArrivedReading(kitchen, topic.Device, reading), now);
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            log.LogWarning("A reading could not be taken ({Why}).", e.Message);
        }
    }
}
