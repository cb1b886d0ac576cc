using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;

namespace Zymethos.Web.Setup;

/// <summary>
/// Serves the house's own network over HTTPS as well, so that a phone in the apron reaches the Bench, with a certificate of its own:
/// browsers keep pages for when the server is away, and screens awake, only over HTTPS. Phones ask once whether they trust it. Settings:
/// <c>ZYMETHOS_LAN_PORT</c>, 0 or nothing for off, and <c>ZYMETHOS_LAN_CERT</c>, the file the certificate is kept in.
/// </summary>
public static class LocalNetwork
{
    // Browsers take no longer ones.
    private const int Days = 397;
    private const int RenewBefore = 14;

    /// <summary>Listens where it is told to. Addresses that are set otherwise go on being served.</summary>
    /// <exception cref="InvalidOperationException">A setting cannot be used.</exception>
    public static void ServeLocalNetwork(this WebApplicationBuilder builder)
    {
        if (builder.Configuration["ZYMETHOS_LAN_PORT"] is not { Length: > 0 } text || text == "0")
            return;
        if (!ushort.TryParse(text, out var port))
            throw new InvalidOperationException("ZYMETHOS_LAN_PORT is no port.");
        var file =
            builder.Configuration["ZYMETHOS_LAN_CERT"]
            ?? throw new InvalidOperationException("ZYMETHOS_LAN_CERT is not set: the file the certificate is kept in.");
        var certificate = CertificateIn(file, Addresses(), DateTimeOffset.UtcNow);
        var others = (builder.Configuration["urls"] ?? builder.Configuration["ASPNETCORE_URLS"] ?? "").Split(
            ';',
            StringSplitOptions.RemoveEmptyEntries
        );
        builder.WebHost.ConfigureKestrel(o =>
        {
            // Naming one address silences the settings that name others.
            foreach (var other in others.Select(u => new Uri(u)).Where(u => u.Scheme == Uri.UriSchemeHttp))
                o.Listen(IPAddress.TryParse(other.Host, out var own) ? own : IPAddress.Loopback, other.Port);
            o.ListenAnyIP(port, l => l.UseHttps(certificate));
        });
    }

    /// <summary>Addresses under which this machine is reached in the house.</summary>
    public static IReadOnlyList<IPAddress> Addresses() =>
        [
            .. NetworkInterface
                .GetAllNetworkInterfaces()
                .Where(n => n.OperationalStatus == OperationalStatus.Up && n.NetworkInterfaceType != NetworkInterfaceType.Loopback)
                .SelectMany(n => n.GetIPProperties().UnicastAddresses.Select(a => a.Address))
                .Where(a => a.AddressFamily == AddressFamily.InterNetwork)
                .Distinct(),
        ];

    /// <summary>The certificate of a file, made anew where there is none, it is about to end, or this machine has an address that it does
    /// not name.</summary>
    /// <param name="file">The file; only its owner can read it.</param>
    /// <param name="addresses">Addresses it must name.</param>
    /// <param name="now">The moment that it is.</param>
    /// <returns>A certificate with its private key; the caller disposes of it.</returns>
    public static X509Certificate2 CertificateIn(string file, IReadOnlyList<IPAddress> addresses, DateTimeOffset now)
    {
        if (Kept(file) is { } kept)
        {
            var names = kept.Extensions.OfType<X509SubjectAlternativeNameExtension>().SelectMany(e => e.EnumerateIPAddresses()).ToHashSet();
            if (kept.NotAfter.ToUniversalTime() > now.UtcDateTime.AddDays(RenewBefore) && addresses.All(names.Contains))
                return kept;
            kept.Dispose();
        }

        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest("CN=Zymethos in this house", key, HashAlgorithmName.SHA256);
        var name = new SubjectAlternativeNameBuilder();
        name.AddDnsName("localhost");
        name.AddDnsName(Dns.GetHostName());
        name.AddIpAddress(IPAddress.Loopback);
        foreach (var address in addresses)
            name.AddIpAddress(address);
        request.CertificateExtensions.Add(name.Build());
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(false, false, 0, true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.DigitalSignature, true));
        request.CertificateExtensions.Add(new X509EnhancedKeyUsageExtension([new Oid("1.3.6.1.5.5.7.3.1")], false));
        using var made = request.CreateSelfSigned(now.AddDays(-1), now.AddDays(Days - 1));
        var bytes = made.Export(X509ContentType.Pkcs12);
        using (var stream = new FileStream(file, Options()))
            stream.Write(bytes);
        return X509CertificateLoader.LoadPkcs12(bytes, null);
    }

    private static FileStreamOptions Options()
    {
        var options = new FileStreamOptions { Mode = FileMode.Create, Access = FileAccess.Write };
        if (!OperatingSystem.IsWindows())
            options.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        return options;
    }

    private static X509Certificate2? Kept(string file)
    {
        if (!File.Exists(file))
            return null;
        try
        {
            return X509CertificateLoader.LoadPkcs12FromFile(file, null);
        }
        catch (CryptographicException)
        {
            // Half a file is none.
            return null;
        }
    }
}
