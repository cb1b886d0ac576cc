using OpenTelemetry.Metrics;
using OpenTelemetry.Resources;
using Zymethos.Work.House;

namespace Zymethos.Web.Setup;

/// <summary>
/// Figures by OpenTelemetry, sent where OTEL_EXPORTER_OTLP_ENDPOINT says and nowhere else: without it nothing is collected. The standard's
/// other variables (protocol, headers, interval) count as well. No traces: the addresses in them hold invitations, passes and keys of
/// calendars, which open things.
/// </summary>
public static class Telemetry
{
    /// <summary>Name of the setting that turns it on.</summary>
    public const string Endpoint = "OTEL_EXPORTER_OTLP_ENDPOINT";

    /// <summary>Adds it where it is wanted.</summary>
    public static void AddTelemetry(this WebApplicationBuilder builder)
    {
        if (string.IsNullOrWhiteSpace(builder.Configuration[Endpoint]))
            return;
        builder
            .Services.AddOpenTelemetry()
            .ConfigureResource(r => r.AddService("zymethos", serviceVersion: typeof(Telemetry).Assembly.GetName().Version?.ToString()))
            .WithMetrics(m =>
                m.AddMeter(
                        HouseFigures.Meter,
                        "Microsoft.AspNetCore.Hosting",
                        "Microsoft.AspNetCore.Server.Kestrel",
                        "Npgsql",
                        "System.Runtime"
                    )
                    .AddOtlpExporter()
            );
    }
}
