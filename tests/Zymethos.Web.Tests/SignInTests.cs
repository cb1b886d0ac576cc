using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Microsoft.AspNetCore.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Zymethos.Web.Tests;

/// <summary>Signing out ends a sign-in wherever its cookie was copied to; the keys behind cookies can be encrypted where they
/// lie.</summary>
public sealed class SignInTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private static string Cookie(HttpResponseMessage answer) =>
        answer.Headers.GetValues("Set-Cookie").Single(c => c.StartsWith("zymethos.baker=", StringComparison.Ordinal)).Split(';')[0];

    private async Task<(string Cookie, HttpClient Client)> InAsync()
    {
        var client = kitchen.Visitor(follow: false);
        return (Cookie(await TestKitchen.PostAsync(client, "/account/sign-in", "form.demo-door", [])), client);
    }

    private async Task<HttpStatusCode> WithAsync(string cookie)
    {
        using var bare = kitchen.CreateClient(new() { AllowAutoRedirect = false, HandleCookies = false });
        using var request = new HttpRequestMessage(HttpMethod.Get, "/kitchen");
        request.Headers.Add("Cookie", cookie);
        return (await bare.SendAsync(request)).StatusCode;
    }

    [Fact]
    public async Task A_copied_cookie_opens_nothing_after_signing_out_and_other_devices_stay_in()
    {
        var (copied, mine) = await InAsync();
        var (other, _) = await InAsync();
        Assert.Equal(HttpStatusCode.OK, await WithAsync(copied));
        await TestKitchen.PostAsync(mine, "/kitchen", "form[action='/account/sign-out']", []);
        Assert.Equal(HttpStatusCode.Redirect, await WithAsync(copied));
        Assert.Equal(HttpStatusCode.OK, await WithAsync(other));
    }

    [Fact]
    public async Task Keys_lie_encrypted_where_a_certificate_is_set()
    {
        using var rsa = RSA.Create(2048);
        var now = DateTimeOffset.UtcNow;
        using var certificate = new CertificateRequest(
            "CN=keys",
            rsa,
            HashAlgorithmName.SHA256,
            RSASignaturePadding.Pkcs1
        ).CreateSelfSigned(now.AddDays(-1), now.AddDays(30));
        var file = Path.Combine(Path.GetTempPath(), $"keys-{Guid.NewGuid():N}.pfx");
        await File.WriteAllBytesAsync(file, certificate.Export(X509ContentType.Pkcs12, "crumb"));
        try
        {
            var own = new KeyKitchen(file);
            await own.InitializeAsync();
            await own.Visitor().GetStringAsync("/account/sign-in");
            await using var context = own.Context(null);
            var keys = await context.DataProtectionKeys.Select(k => k.Xml!).ToListAsync();
            await ((IAsyncLifetime)own).DisposeAsync();
            Assert.NotEmpty(keys);
            Assert.All(keys, k => Assert.Contains("EncryptedData", k, StringComparison.Ordinal));
            Assert.All(keys, k => Assert.DoesNotContain("<masterKey", k, StringComparison.Ordinal));
        }
        finally
        {
            File.Delete(file);
        }
    }

    private sealed class KeyKitchen(string file) : TestKitchen
    {
        protected override bool WithDemo => false;

        protected override void ConfigureWebHost(IWebHostBuilder builder)
        {
            base.ConfigureWebHost(builder);
            builder.UseSetting("ZYMETHOS_KEY_CERT", file);
            builder.UseSetting("ZYMETHOS_KEY_CERT_PASSWORD", "crumb");
        }
    }
}
