using System.Net;

namespace Zymethos.Web.Setup.Devices;

/// <summary>
/// How devices are heard over MQTT. Settings: <c>ZYMETHOS_MQTT_PORT</c>, the port of our own broker, 0 or nothing for none;
/// <c>ZYMETHOS_MQTT_ADDRESS</c>, where it listens (127.0.0.1); <c>ZYMETHOS_MQTT</c>, the host and port of another broker, with
/// <c>ZYMETHOS_MQTT_USER</c>, <c>ZYMETHOS_MQTT_PASSWORD</c> and <c>ZYMETHOS_MQTT_TLS</c> (1 for yes). With another broker there is none of
/// our own, and it is that broker which sees to it that a kitchen's devices speak only for their kitchen.
/// </summary>
/// <param name="OwnPort">Port of our own broker; 0 for none.</param>
/// <param name="OwnAddress">Where it listens.</param>
/// <param name="Host">Host of another broker; empty for none.</param>
/// <param name="Port">Its port.</param>
/// <param name="User">With which name to sign in there; may be empty.</param>
/// <param name="Password">With which password.</param>
/// <param name="IsTls">Whether over TLS.</param>
public sealed record MqttSettings(int OwnPort, IPAddress OwnAddress, string Host, int Port, string User, string Password, bool IsTls)
{
    /// <summary>Reads the settings.</summary>
    /// <exception cref="InvalidOperationException">One of them cannot be used.</exception>
    public static MqttSettings From(IConfiguration configuration)
    {
        var own = configuration["ZYMETHOS_MQTT_PORT"] is { Length: > 0 } port
            ? ushort.TryParse(port, out var p)
                ? p
                : throw new InvalidOperationException("ZYMETHOS_MQTT_PORT is no port.")
            : 0;
        var address = configuration["ZYMETHOS_MQTT_ADDRESS"] is { Length: > 0 } at
            ? IPAddress.TryParse(at, out var a)
                ? a
                : throw new InvalidOperationException("ZYMETHOS_MQTT_ADDRESS is no IP address.")
            : IPAddress.Loopback;
        var (host, otherPort) = ("", 1883);
        if (configuration["ZYMETHOS_MQTT"] is { Length: > 0 } other)
        {
            var colon = other.LastIndexOf(':');
            host = colon < 0 ? other : other[..colon];
            if (colon >= 0 && (!ushort.TryParse(other[(colon + 1)..], out var named) || (otherPort = named) == 0))
                throw new InvalidOperationException("ZYMETHOS_MQTT must be a host and a port: broker.example:1883.");
        }

        return new MqttSettings(
            host.Length > 0 ? 0 : own,
            address,
            host,
            otherPort,
            configuration["ZYMETHOS_MQTT_USER"] ?? "",
            configuration["ZYMETHOS_MQTT_PASSWORD"] ?? "",
            configuration["ZYMETHOS_MQTT_TLS"] == "1"
        );
    }
}
