using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using System.Text.Json;
using System.Text.RegularExpressions;
using Microsoft.EntityFrameworkCore;
using Xunit.Abstractions;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Day;
using Zymethos.Store;
using Zymethos.Store.Tenancy;

namespace Zymethos.Web.Tests;

/// <summary>
/// A home as docs/running.md describes it: nginx with TLS and the file of deploy/, two instances for pages, one for searches, one database.
/// While people sign in, tell the Bench and wait for a search, one of each is killed. Run by name (<c>./test proxy</c>).
/// </summary>
public sealed partial class ProxyTests(ITestOutputHelper output) : IAsyncLifetime
{
    private const string Host = "bake.example";
    private const string Password = "a long enough one";
    private readonly string _folder = Directory.CreateTempSubdirectory("zymethos-proxy-").FullName;
    private readonly int _secure = Ports.Free();
    private readonly int _plain = Ports.Free();
    private OwnDatabase _database = null!;
    private Served[] _pages = [];
    private Served _worker = null!;
    private Process? _nginx;

    public async Task InitializeAsync()
    {
        _database = await OwnDatabase.MakeAsync();
        Dictionary<string, string> Settings(bool works) =>
            new()
            {
                ["ZYMETHOS_HOSTS"] = Host,
                ["ZYMETHOS_TLS"] = "1",
                ["ZYMETHOS_PROXIES"] = "127.0.0.1",
                ["ZYMETHOS_WORKER"] = works ? "1" : "0",
                ["ZYMETHOS_PLAN_SECONDS"] = "2",
                ["ZYMETHOS_SEARCH_SECONDS"] = "15",
            };
        _pages = [.. Enumerable.Range(0, 2).Select(_ => new Served(_database.Connection) { Settings = Settings(false) })];
        _worker = new Served(_database.Connection) { Settings = Settings(true) };
        // One after the other: all would make the tables.
        foreach (var server in _pages.Append(_worker))
            await server.StartAsync();
        await WriteProxyAsync();
        await StartProxyAsync();
    }

    public async Task DisposeAsync()
    {
        KillProxy();
        foreach (var server in _pages.Append(_worker))
            server.Kill();
        await _database.DisposeAsync();
        Directory.Delete(_folder, recursive: true);
    }

    /// <summary>The file of deploy/ with the ports and the certificate of this rehearsal, and nothing else changed.</summary>
    private async Task WriteProxyAsync()
    {
        using var key = RSA.Create(2048);
        var request = new CertificateRequest($"CN={Host}", key, HashAlgorithmName.SHA256, RSASignaturePadding.Pkcs1);
        using var certificate = request.CreateSelfSigned(DateTimeOffset.UtcNow.AddDays(-1), DateTimeOffset.UtcNow.AddDays(1));
        await File.WriteAllTextAsync(Path.Combine(_folder, "own.pem"), certificate.ExportCertificatePem());
        await File.WriteAllTextAsync(Path.Combine(_folder, "own.key"), key.ExportPkcs8PrivateKeyPem());
        var home = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(home, "deploy", "nginx.conf")))
            home = Path.GetDirectoryName(home) ?? throw new InvalidOperationException("deploy/nginx.conf is not there.");
        var site = (await File.ReadAllTextAsync(Path.Combine(home, "deploy", "nginx.conf")))
            .Replace("127.0.0.1:5080", $"127.0.0.1:{_pages[0].Port}", StringComparison.Ordinal)
            .Replace("127.0.0.1:5081", $"127.0.0.1:{_pages[1].Port}", StringComparison.Ordinal)
            .Replace("listen 80;", $"listen 127.0.0.1:{_plain};", StringComparison.Ordinal)
            .Replace("listen 443 ssl", $"listen 127.0.0.1:{_secure} ssl", StringComparison.Ordinal);
        site = Certificate().Replace(site, m => $"{m.Groups["what"].Value} {_folder}/own.{(m.Groups["key"].Success ? "key" : "pem")};");
        var paths = string.Join(
            "\n",
            new[] { "client_body", "proxy", "fastcgi", "uwsgi", "scgi" }.Select(p => $"{p}_temp_path {_folder}/{p};")
        );
        await File.WriteAllTextAsync(
            Path.Combine(_folder, "nginx.conf"),
            $"daemon off; master_process off; pid {_folder}/pid; error_log {_folder}/error.log;\nevents {{ }}\n"
                + $"http {{ access_log off;\n{paths}\n{site}\n}}\n"
        );
    }

    private async Task StartProxyAsync()
    {
        var start = new ProcessStartInfo(File.Exists("/usr/sbin/nginx") ? "/usr/sbin/nginx" : "nginx") { UseShellExecute = false };
        foreach (var word in new[] { "-p", _folder, "-c", Path.Combine(_folder, "nginx.conf"), "-e", Path.Combine(_folder, "error.log") })
            start.ArgumentList.Add(word);
        _nginx = Process.Start(start)!;
        for (var tries = 0; tries < 100; tries++)
        {
            try
            {
                using var probe = new TcpClient();
                await probe.ConnectAsync(IPAddress.Loopback, _secure);
                return;
            }
            catch (SocketException)
            {
                await Task.Delay(50);
            }
        }

        throw new InvalidOperationException("nginx did not come up.");
    }

    private void KillProxy()
    {
        _nginx?.Kill();
        _nginx?.WaitForExit();
        _nginx?.Dispose();
        _nginx = null;
    }

    [Fact]
    public async Task Nothing_is_lost_when_one_of_each_is_killed_under_load()
    {
        using var baker = Visitor();
        await RegisterAsync(baker, "own@home.invalid");
        var bench = await SendAsync(
            baker,
            "/bench?stay=true",
            "/bench?handler=Recipe",
            new() { ["key"] = "market-squash-loaf", ["batches"] = "1" }
        );
        var session = bench.RequestMessage!.RequestUri!.AbsolutePath.Split('/')[^1];
        const string date = "2031-05-03";
        await PlanAsync(baker, date);
        await SendAsync(baker, $"/oven-day?date={date}", "/oven-day?handler=Look", new() { ["date"] = date });

        using var over = new CancellationTokenSource();
        var pages = Enumerable.Range(0, 3).Select(_ => ReadAsync(baker, over.Token)).ToList();
        var doors = SignInAgainAndAgainAsync(over.Token);
        var telling = TellAsync(baker, session, over.Token);
        await Task.Delay(2000);

        _pages[0].Kill();
        await Task.Delay(3000);
        await _pages[0].StartAsync();
        _worker.Kill();
        await Task.Delay(1000);
        await _worker.StartAsync();
        KillProxy();
        await Task.Delay(1000);
        await StartProxyAsync();
        _pages[1].Kill();
        await Task.Delay(3000);
        await _pages[1].StartAsync();
        await Task.Delay(2000);
        await over.CancelAsync();

        var read = await Task.WhenAll(pages);
        var (came, lost) = await doors;
        var made = await telling;

        // The Bench has every touch once.
        var news = await baker.GetFromJsonAsync<JsonElement>($"{Home}/bench/{session}/news?after=0");
        var there = news.GetProperty("events").EnumerateArray().Select(e => e.GetProperty("id").GetGuid()).ToList();
        Assert.Equal(made.Order(), there.Order());

        // The search that was under way when its worker was killed came to an end, taken up by the worker that came after it.
        await using var context = new ZymethosContext(StoreSetup.Options(_database.Connection), new FixedKitchen(null));
        for (var clock = Stopwatch.StartNew(); clock.Elapsed < TimeSpan.FromSeconds(120); await Task.Delay(500))
            if (!await context.LongSearches.IgnoreQueryFilters().AnyAsync(s => s.EndedAt == null))
                break;
        var searches = await context.LongSearches.IgnoreQueryFilters().AsNoTracking().ToListAsync();
        Assert.NotEmpty(searches);
        Assert.All(searches, s => Assert.NotNull(s.EndedAt));

        // Whoever had signed in stayed signed in, whichever instance answered.
        Assert.Equal(0, lost);
        Assert.True(came > 0, "somebody signed in meanwhile");
        output.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"Rehearsal: {read.Sum(r => r.Good)} pages answered and {read.Sum(r => r.Bad)} not (the proxy away for a second), "
                    + $"{came} sign-ins and none lost, {made.Count} touches all there once, {searches.Count} searches ended."
            )
        );
        // Only while the proxy itself was away is a page without an answer: three visitors, a second or two.
        Assert.InRange(read.Sum(r => r.Bad), 0, 60);
    }

    [Fact]
    public async Task Plain_addresses_lead_to_TLS_and_cookies_are_bound_to_it()
    {
        using var plain = new HttpClient(
            new SocketsHttpHandler { AllowAutoRedirect = false, ConnectCallback = (_, c) => LineAsync(_plain, c) }
        );
        var moved = await plain.GetAsync($"http://{Host}/account/sign-in");
        Assert.Equal(HttpStatusCode.MovedPermanently, moved.StatusCode);
        Assert.Equal("https", moved.Headers.Location!.Scheme);
        using var baker = Visitor();
        await RegisterAsync(baker, "tls@home.invalid");
        var page = await baker.GetAsync($"{Home}/today");
        Assert.True(page.Headers.Contains("Strict-Transport-Security"));
        // A host that is not ours is answered by nobody.
        using var stranger = new HttpRequestMessage(HttpMethod.Get, $"{Home}/account/sign-in") { Headers = { Host = "elsewhere.example" } };
        Assert.Equal(HttpStatusCode.BadRequest, (await baker.SendAsync(stranger)).StatusCode);
    }

    private static string Home => $"https://{Host}";

    private HttpClient Visitor() =>
        new(
            new SocketsHttpHandler
            {
                ConnectCallback = (_, cancel) => LineAsync(_secure, cancel),
                PooledConnectionLifetime = TimeSpan.FromSeconds(2),
                SslOptions = { RemoteCertificateValidationCallback = (_, certificate, _, _) => certificate?.Subject == $"CN={Host}" },
            }
        )
        {
            Timeout = TimeSpan.FromSeconds(30),
        };

    private static async ValueTask<Stream> LineAsync(int port, CancellationToken cancel)
    {
        var socket = new Socket(SocketType.Stream, ProtocolType.Tcp) { NoDelay = true };
        try
        {
            await socket.ConnectAsync(IPAddress.Loopback, port, cancel);
            return new NetworkStream(socket, ownsSocket: true);
        }
        catch
        {
            socket.Dispose();
            throw;
        }
    }

    private static Task<HttpResponseMessage> RegisterAsync(HttpClient baker, string email) =>
        SendAsync(
            baker,
            "/account/register",
            "/account/register",
            new()
            {
                ["KitchenName"] = "Own",
                ["Email"] = email,
                ["Password"] = Password,
            }
        );

    private static Task<HttpResponseMessage> PlanAsync(HttpClient baker, string date) =>
        SendAsync(
            baker,
            $"/today/make?Date={date}&From=08:00&By=20:00",
            "/today/make",
            new()
            {
                ["Date"] = date,
                ["From"] = "08:00",
                ["By"] = "20:00",
                ["Make"] = "market-squash-loaf",
            }
        );

    private static async Task<HttpResponseMessage> SendAsync(
        HttpClient client,
        string page,
        string action,
        Dictionary<string, string> typed
    )
    {
        typed["__RequestVerificationToken"] = Token().Match(await client.GetStringAsync(Home + page)).Groups["token"].Value;
        return (await client.PostAsync(Home + action, new FormUrlEncodedContent(typed))).EnsureSuccessStatusCode();
    }

    private static async Task<(int Good, int Bad)> ReadAsync(HttpClient baker, CancellationToken over)
    {
        var (good, bad) = (0, 0);
        while (!over.IsCancellationRequested)
        {
            try
            {
                using var page = await baker.GetAsync($"{Home}/book", CancellationToken.None);
                page.EnsureSuccessStatusCode();
                good++;
            }
            catch (HttpRequestException)
            {
                bad++;
                await Task.Delay(100, CancellationToken.None);
            }
        }

        return (good, bad);
    }

    /// <summary>Signs in on device after device; how many came in, and how many of those were asked again afterwards.</summary>
    private async Task<(int Came, int Lost)> SignInAgainAndAgainAsync(CancellationToken over)
    {
        var (came, lost) = (0, 0);
        while (!over.IsCancellationRequested)
        {
            using var device = Visitor();
            try
            {
                await SendAsync(
                    device,
                    "/account/sign-in",
                    "/account/sign-in",
                    new() { ["Email"] = "own@home.invalid", ["Password"] = Password }
                );
                came++;
                for (var i = 0; i < 3; i++)
                {
                    using var page = await device.GetAsync($"{Home}/kitchen", CancellationToken.None);
                    page.EnsureSuccessStatusCode();
                    lost += page.RequestMessage!.RequestUri!.AbsolutePath == "/kitchen" ? 0 : 1;
                }
            }
            catch (HttpRequestException)
            {
                // Somebody was away; the next device tries again.
                await Task.Delay(100, CancellationToken.None);
            }
        }

        return (came, lost);
    }

    /// <summary>A device that keeps what it cannot tell, and tells it again until it is answered.</summary>
    private static async Task<List<Guid>> TellAsync(HttpClient baker, string session, CancellationToken over)
    {
        var (made, waiting) = (new List<Guid>(), new List<BenchEvent>());
        while (!over.IsCancellationRequested || waiting.Count > 0)
        {
            if (!over.IsCancellationRequested)
            {
                var now = NodaTime.Instant.FromUnixTimeMilliseconds(
                    NodaTime.SystemClock.Instance.GetCurrentInstant().ToUnixTimeMilliseconds()
                );
                var touch = new BenchEvent(Guid.NewGuid(), BenchKind.NeedsMore, new TaskId("1.1.step-1.1"), now, "tablet", "tablet")
                {
                    Minutes = 5,
                };
                made.Add(touch.Id);
                waiting.Add(touch);
            }

            try
            {
                using var tell = new HttpRequestMessage(HttpMethod.Post, $"{Home}/bench/{session}/events")
                {
                    Content = JsonContent.Create(
                        new { sentAt = DateTimeOffset.UtcNow.ToString("O"), events = waiting.Take(200).Select(BenchEventText.Write) },
                        options: OpenJson.Options
                    ),
                };
                tell.Headers.Add("X-Bench", "1");
                using var answer = await baker.SendAsync(tell, CancellationToken.None);
                answer.EnsureSuccessStatusCode();
                var told = await answer.Content.ReadFromJsonAsync<JsonElement>(CancellationToken.None);
                var kept = told.GetProperty("kept").EnumerateArray().Select(k => k.GetGuid()).ToHashSet();
                waiting.RemoveAll(e => kept.Contains(e.Id));
            }
            catch (HttpRequestException)
            {
                // Told again.
            }

            await Task.Delay(100, CancellationToken.None);
        }

        return made;
    }

    [GeneratedRegex(@"(?<what>ssl_certificate(?<key>_key)?) [^;]+;", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Certificate();

    [GeneratedRegex("name=\"__RequestVerificationToken\"[^>]*value=\"(?<token>[^\"]+)\"", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Token();
}
