using System.Security.Cryptography.X509Certificates;
using Microsoft.AspNetCore.DataProtection;
using Zymethos.Store;

namespace Zymethos.Web.Setup;

/// <summary>
/// The keys that protect cookies and forms stand in the database, shared by all instances. With <c>ZYMETHOS_KEY_CERT</c> (a PKCS #12 file,
/// its password in
/// <c>ZYMETHOS_KEY_CERT_PASSWORD</c>) they are encrypted there, so that whoever reads the database or a backup of it cannot forge a
/// sign-in.
/// </summary>
public static class KeysAtRest
{
    /// <summary>Adds the keys.</summary>
    /// <exception cref="InvalidOperationException">The certificate cannot be read or has no private key.</exception>
    public static void AddKeys(this IServiceCollection services, IConfiguration settings)
    {
        var keys = services.AddDataProtection().SetApplicationName("Zymethos").PersistKeysToDbContext<ZymethosContext>();
        if (settings["ZYMETHOS_KEY_CERT"] is { Length: > 0 } file)
            keys.ProtectKeysWithCertificate(Read(file, settings["ZYMETHOS_KEY_CERT_PASSWORD"]));
    }

    private static X509Certificate2 Read(string file, string? password)
    {
        try
        {
            var certificate = X509CertificateLoader.LoadPkcs12FromFile(file, password);
            return certificate.HasPrivateKey
                ? certificate
                : throw new InvalidOperationException("The certificate of ZYMETHOS_KEY_CERT has no private key.");
        }
        catch (Exception e) when (e is System.Security.Cryptography.CryptographicException or IOException or UnauthorizedAccessException)
        {
            throw new InvalidOperationException($"ZYMETHOS_KEY_CERT cannot be read: {e.Message}", e);
        }
    }
}
