using System.Buffers;
using System.Collections.Concurrent;
using System.Net;
using MQTTnet;
using MQTTnet.Protocol;
using MQTTnet.Server;
using NodaTime;
using Zymethos.Interchange.Devices;
using Zymethos.Work.Devices;

namespace Zymethos.Web.Setup.Devices;

/// <summary>
/// The broker of our own: devices sign in with their kitchen's address and password, say their readings, hear the Bench of their kitchen,
/// and nothing of any other. The last reading of each device is kept there for whoever asks later.
/// </summary>
public sealed class OwnBroker(
    MqttSettings settings,
    OpenDoors doors,
    DeviceIntake intake,
    SaidWords words,
    IClock clock,
    ILogger<OwnBroker> log
) : IHostedService, IAsyncDisposable
{
    private const string KitchenKey = "kitchen";
    private const string SecretKey = "secret";
    private const int MostRetained = 20_000;

    private readonly ConcurrentDictionary<string, string> _clients = new(StringComparer.Ordinal);
    private readonly ConcurrentDictionary<string, byte> _retained = new(StringComparer.Ordinal);
    private MqttServer? _server;

    /// <inheritdoc />
    public async Task StartAsync(CancellationToken cancellationToken)
    {
        if (settings.OwnPort == 0)
            return;
        var factory = new MqttServerFactory();
        var options = new MqttServerOptionsBuilder()
            .WithDefaultEndpoint()
            .WithDefaultEndpointBoundIPAddress(settings.OwnAddress)
            .WithDefaultEndpointBoundIPV6Address(IPAddress.None)
            .WithDefaultEndpointPort(settings.OwnPort)
            .WithMaxPendingMessagesPerClient(200)
            .Build();
        var server = factory.CreateMqttServer(options);
        server.ValidatingConnectionAsync += LetInAsync;
        server.InterceptingPublishAsync += HearAsync;
        server.InterceptingSubscriptionAsync += MayListenAsync;
        server.ClientDisconnectedAsync += gone =>
        {
            _clients.TryRemove(gone.ClientId, out _);
            return Task.CompletedTask;
        };
        try
        {
            await server.StartAsync();
        }
        catch (Exception e) when (e is System.Net.Sockets.SocketException or InvalidOperationException)
        {
            // A taken port keeps devices out, not bakers.
            log.LogWarning("Devices cannot come in over MQTT: port {Port} cannot be used ({Why}).", settings.OwnPort, e.Message);
            server.Dispose();
            return;
        }

        _server = server;
        words.Listen(Say);
        log.LogInformation("Devices come in over MQTT at {Address}:{Port}.", settings.OwnAddress, settings.OwnPort);
    }

    /// <inheritdoc />
    public async Task StopAsync(CancellationToken cancellationToken)
    {
        words.Leave(Say);
        if (_server is { IsStarted: true } server)
            await server.StopAsync(new MqttServerStopOptions());
    }

    /// <inheritdoc />
    public ValueTask DisposeAsync()
    {
        _server?.Dispose();
        _server = null;
        return ValueTask.CompletedTask;
    }

    private async Task LetInAsync(ValidatingConnectionEventArgs who)
    {
        try
        {
            if (await doors.OpenAsync(who.UserName, who.Password, who.CancellationToken) is not { } kitchen)
            {
                who.ReasonCode = MqttConnectReasonCode.BadUserNameOrPassword;
                return;
            }

            // Nobody throws out another kitchen's device by calling itself the same.
            if (_clients.GetOrAdd(who.ClientId, who.UserName!) != who.UserName)
            {
                who.ReasonCode = MqttConnectReasonCode.ClientIdentifierNotValid;
                return;
            }

            (who.SessionItems[KitchenKey], who.SessionItems[SecretKey]) = (kitchen, who.Password);
            who.ReasonCode = MqttConnectReasonCode.Success;
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            // The database is away: devices try again by themselves.
            log.LogWarning("A device could not be let in ({Why}).", e.Message);
            who.ReasonCode = MqttConnectReasonCode.ServerUnavailable;
        }
    }

    private async Task HearAsync(InterceptingPublishEventArgs said)
    {
        // What the Bench says itself.
        if (said.ClientId is null or "" || said.SessionItems[KitchenKey] is not Guid kitchen)
        {
            said.ProcessPublish = said.ClientId == Own;
            return;
        }

        said.ProcessPublish = false;
        var message = said.ApplicationMessage;
        if (!DeviceTopic.TryRead(message.Topic, out var topic) || topic.Kitchen != said.UserName)
            return;
        try
        {
            if (await doors.OpenAsync(said.UserName, said.SessionItems[SecretKey] as string, said.CancellationToken) != kitchen)
            {
                said.CloseConnection = true;
                return;
            }
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            return;
        }

        if (message.Payload.Length > ReadingText.MostBytes)
            return;
        var now = clock.GetCurrentInstant();
        if (ReadingText.Read(message.Payload.ToArray(), now, out _) is not { } reading)
            return;
        said.ProcessPublish = intake.Take(new ArrivedReading(kitchen, topic.Device, reading), now);
        if (message.Retain && _retained.Count >= MostRetained && !_retained.ContainsKey(message.Topic))
            message.Retain = false;
        if (message.Retain)
            _retained[message.Topic] = 0;
    }

    private const string Own = "zymethos-bench";

    private static Task MayListenAsync(InterceptingSubscriptionEventArgs wish)
    {
        // Below the kitchen's own address, and nothing above it.
        wish.ProcessSubscription =
            wish.UserName is { } address && wish.TopicFilter.Topic.StartsWith(DeviceTopic.All(address), StringComparison.Ordinal);
        if (!wish.ProcessSubscription)
            wish.Response.ReasonCode = MqttSubscribeReasonCode.NotAuthorized;
        return Task.CompletedTask;
    }

    private void Say(TravellingWord word)
    {
        if (_server is not { IsStarted: true } server)
            return;
        var message = new MqttApplicationMessageBuilder().WithTopic(DeviceTopic.Bench(word.Kitchen)).WithPayload(word.Word.Write()).Build();
        _ = server
            .InjectApplicationMessage(new InjectedMqttApplicationMessage(message) { SenderClientId = Own }, CancellationToken.None)
            .ContinueWith(
                t => log.LogWarning("The Bench could not be heard in a kitchen ({Why}).", t.Exception?.InnerException?.Message),
                CancellationToken.None,
                TaskContinuationOptions.OnlyOnFaulted,
                TaskScheduler.Default
            );
    }
}
