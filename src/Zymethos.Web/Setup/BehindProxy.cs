using System.Net;
using Microsoft.AspNetCore.HttpOverrides;

namespace Zymethos.Web.Setup;

/// <summary>
/// How the server stands behind a proxy that ends TLS. Without settings it trusts nobody's word about where a request came from.
/// ZYMETHOS_PROXIES names the proxies (addresses or networks, "10.0.0.2, 10.1.0.0/16"), ZYMETHOS_TLS=1 says that bakers reach it over TLS
/// only, ZYMETHOS_HOSTS names the hosts it answers to ("bake.example; www.bake.example").
/// </summary>
/// <param name="Proxies">Addresses of proxies that are believed; may be empty.</param>
/// <param name="Networks">Networks whose every address is believed; may be empty.</param>
/// <param name="IsTls">Whether bakers come over TLS only.</param>
/// <param name="Hosts">Hosts it answers to, parted by semicolons; empty for any.</param>
public sealed record BehindProxy(IReadOnlyList<IPAddress> Proxies, IReadOnlyList<System.Net.IPNetwork> Networks, bool IsTls, string Hosts)
{
    /// <summary>Reads the settings.</summary>
    /// <exception cref="InvalidOperationException">A proxy is named that is no address: better not to start than to trust the wrong
    /// one.</exception>
    public static BehindProxy From(IConfiguration configuration)
    {
        var (proxies, networks) = (new List<IPAddress>(), new List<System.Net.IPNetwork>());
        foreach (
            var text in (configuration["ZYMETHOS_PROXIES"] ?? "").Split(
                ',',
                StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries
            )
        )
        {
            if (IPAddress.TryParse(text, out var address))
                proxies.Add(address);
            else if (System.Net.IPNetwork.TryParse(text, out var network))
                networks.Add(network);
            else
                throw new InvalidOperationException(
                    $"ZYMETHOS_PROXIES holds \"{text}\", which is neither an address nor a network such as 10.0.0.0/8."
                );
        }

        return new BehindProxy(proxies, networks, configuration["ZYMETHOS_TLS"] == "1", configuration["ZYMETHOS_HOSTS"] ?? "");
    }

    /// <summary>Whether any proxy is believed.</summary>
    public bool HasProxies => Proxies.Count > 0 || Networks.Count > 0;

    /// <summary>Believes the named proxies about address, scheme and host, and nobody else.</summary>
    public void Apply(ForwardedHeadersOptions options)
    {
        options.ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto;
        options.KnownProxies.Clear();
        options.KnownIPNetworks.Clear();
        foreach (var proxy in Proxies)
            options.KnownProxies.Add(proxy);
        foreach (var network in Networks)
            options.KnownIPNetworks.Add(network);
    }
}
