using Zymethos.Work.Devices;

namespace Zymethos.Web.Setup.Devices;

/// <summary>Registers all that hears devices.</summary>
public static class DeviceSetup
{
    /// <summary>Adds it.</summary>
    public static IServiceCollection AddDevices(this IServiceCollection services, IConfiguration configuration) =>
        services
            .AddSingleton(MqttSettings.From(configuration))
            .AddSingleton<DeviceDoors>()
            .AddSingleton<OpenDoors>()
            .AddSingleton<LiveReadings>()
            .AddSingleton<SaidWords>()
            .AddSingleton<DeviceIntake>()
            .AddSingleton<DeviceHearing>()
            .AddScoped<BenchWords>()
            .AddHostedService<DeviceWork>()
            .AddHostedService<OwnBroker>()
            .AddHostedService<OtherBroker>();
}

/// <summary>Works on readings for as long as the application runs.</summary>
public sealed class DeviceWork(DeviceIntake intake, DeviceHearing hearing, ILogger<DeviceWork> log) : BackgroundService
{
    private DateTimeOffset _said;

    /// <inheritdoc />
    protected override Task ExecuteAsync(CancellationToken stoppingToken) =>
        intake.WorkAsync(arrived => hearing.HearAsync(arrived, stoppingToken), Failed, stoppingToken);

    private void Failed(Exception e)
    {
        // The database may be away, and readings come every second.
        if (DateTimeOffset.UtcNow - _said < TimeSpan.FromSeconds(30))
            return;
        _said = DateTimeOffset.UtcNow;
        log.LogWarning(e, "A reading could not be worked on.");
    }
}
