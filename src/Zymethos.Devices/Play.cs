using System.Buffers;
using System.Diagnostics;
using MQTTnet;
using NodaTime;
using Zymethos.Interchange.Devices;

namespace Zymethos.Devices;

/// <summary>Plays a kitchen before a broker until it is stopped. A line that breaks is laid again.</summary>
internal sealed class Play(PlaySettings settings)
{
    private static readonly TimeSpan Beat = TimeSpan.FromMilliseconds(500);
    private readonly SimulatedKitchen _kitchen = new(settings.Seed, settings.Faults);
    private readonly Queue<BenchWord> _heard = new();

    /// <summary>Goes on until it is stopped.</summary>
    public async Task GoAsync(CancellationToken cancel)
    {
        using var client = new MqttClientFactory().CreateMqttClient();
        client.ApplicationMessageReceivedAsync += said =>
        {
            var payload = said.ApplicationMessage.Payload;
            if (payload.Length <= ReadingText.MostBytes && BenchWord.Read(payload.ToArray()) is { } word)
            {
                lock (_heard)
                    _heard.Enqueue(word);
            }

            return Task.CompletedTask;
        };
        var watch = Stopwatch.StartNew();
        var (before, said, isOdd) = (0.0, false, false);
        while (!cancel.IsCancellationRequested)
        {
            try
            {
                if (!client.IsConnected)
                {
                    await client.ConnectAsync(
                        new MqttClientOptionsBuilder()
                            .WithTcpServer(settings.Host, settings.Port)
                            .WithCredentials(settings.Kitchen, settings.Password)
                            .WithCleanSession()
                            .Build(),
                        cancel
                    );
                    await client.SubscribeAsync(
                        DeviceTopic.Bench(settings.Kitchen),
                        MQTTnet.Protocol.MqttQualityOfServiceLevel.AtMostOnce,
                        cancel
                    );
                    Console.WriteLine($"The devices of {settings.Kitchen} speak at {settings.Host}:{settings.Port}.");
                    said = false;
                }

                var now = watch.Elapsed.TotalSeconds;
                Hear();
                _kitchen.Step(Math.Clamp(now - before, 0.01, 60) * settings.Speed, DateTime.Now.TimeOfDay.TotalHours);
                before = now;
                isOdd = !isOdd;
                foreach (var reading in _kitchen.Say(SystemClock.Instance.GetCurrentInstant()))
                {
                    // The scale speaks at every beat, the others at every other.
                    if (isOdd && reading.Device != "scale")
                        continue;
                    await client.PublishAsync(
                        new MqttApplicationMessageBuilder()
                            .WithTopic(new DeviceTopic(settings.Kitchen, reading.Device).ToString())
                            .WithPayload(ReadingText.Write(reading.Reading, reading.SentAt))
                            .WithRetainFlag()
                            .Build(),
                        cancel
                    );
                }
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                if (!said)
                    Console.Error.WriteLine($"The broker at {settings.Host}:{settings.Port} does not answer ({e.Message}); tried again.");
                said = true;
                await Task.Delay(TimeSpan.FromSeconds(2), cancel).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            }

            await Task.Delay(Beat, cancel).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }
    }

    private void Hear()
    {
        lock (_heard)
        {
            while (_heard.TryDequeue(out var word))
                _kitchen.Hear(word);
        }
    }
}
