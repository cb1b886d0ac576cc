using System.Net;
using System.Security.Cryptography.X509Certificates;
using Zymethos.Web.Setup;

namespace Zymethos.Web.Tests;

/// <summary>The certificate with which phones in the house are served.</summary>
public sealed class LocalNetworkTests : IDisposable
{
    private static readonly DateTimeOffset Now = new(2026, 12, 5, 8, 0, 0, TimeSpan.Zero);
    private readonly string _file = Path.Combine(Path.GetTempPath(), $"zymethos-{Guid.NewGuid():N}.pfx");

    public void Dispose() => File.Delete(_file);

    [Fact]
    public void It_names_every_address_is_kept_and_only_its_owner_reads_it()
    {
        IPAddress[] addresses = [IPAddress.Parse("192.168.7.20"), IPAddress.Parse("10.0.0.4")];
        using var made = LocalNetwork.CertificateIn(_file, addresses, Now);
        Assert.True(made.HasPrivateKey);
        var named = made.Extensions.OfType<X509SubjectAlternativeNameExtension>().Single();
        Assert.All(addresses, a => Assert.Contains(a, named.EnumerateIPAddresses()));
        Assert.Contains("localhost", named.EnumerateDnsNames());
        // Browsers refuse what is longer than 398 days.
        Assert.True(made.NotAfter - made.NotBefore <= TimeSpan.FromDays(398));
        using var again = LocalNetwork.CertificateIn(_file, addresses, Now.AddDays(200));
        Assert.Equal(made.Thumbprint, again.Thumbprint);
        if (!OperatingSystem.IsWindows())
            Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(_file));
    }

    [Fact]
    public void It_is_made_anew_when_it_ends_when_the_machine_has_moved_and_when_the_file_is_broken()
    {
        IPAddress[] here = [IPAddress.Parse("192.168.7.20")];
        using var made = LocalNetwork.CertificateIn(_file, here, Now);
        using var later = LocalNetwork.CertificateIn(_file, here, Now.AddDays(390));
        Assert.NotEqual(made.Thumbprint, later.Thumbprint);
        using var moved = LocalNetwork.CertificateIn(_file, [IPAddress.Parse("192.168.7.99")], Now.AddDays(390));
        Assert.NotEqual(later.Thumbprint, moved.Thumbprint);
        File.WriteAllText(_file, "half a file");
        using var mended = LocalNetwork.CertificateIn(_file, here, Now.AddDays(390));
        Assert.True(mended.HasPrivateKey);
    }
}
