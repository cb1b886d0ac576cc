using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.RegularExpressions;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Day;

namespace Zymethos.Web.Tests;

/// <summary>
/// A day told to two servers on one database by two devices, while one server after the other, and the database, is killed without a
/// warning: no touch is lost and none is there twice. Three kills as a rule; <c>ZYMETHOS_KILLS</c> says how many (<c>./test kills</c>:
/// 100).
/// </summary>
public sealed partial class KilledTests : IAsyncLifetime
{
    private const int AtOnce = 200;

    // Two devices at this pace stay below what a session holds, also in a quarter of an hour with a hundred kills.
    private static readonly TimeSpan Pace = TimeSpan.FromMilliseconds(100);
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);
    private OwnDatabase _database = null!;
    private Served _one = null!;
    private Served _two = null!;

    public async Task InitializeAsync()
    {
        _database = await OwnDatabase.MakeAsync();
        (_one, _two) = (new Served(_database.Connection), new Served(_database.Connection));
        // One after the other: both would make the tables.
        await _one.StartAsync();
        await _two.StartAsync();
    }

    public async Task DisposeAsync()
    {
        _one.Kill();
        _two.Kill();
        await _database.DisposeAsync();
    }

    [Fact]
    public async Task No_touch_is_lost_or_doubled_when_servers_and_database_are_killed_in_the_midst_of_the_day()
    {
        var kills = int.Parse(Environment.GetEnvironmentVariable("ZYMETHOS_KILLS") ?? "3", CultureInfo.InvariantCulture);
        var cookies = new CookieContainer();
        // A server that has only just started takes its time over the first pages.
        using var baker = Client(cookies);
        baker.Timeout = Patience;
        var session = await BeginAsync(baker);
        using var over = new CancellationTokenSource();
        var (tablet, phone) = (new Device("tablet", 1), new Device("phone", 2));
        var telling = new[] { TellAsync(tablet, _one, session, cookies, over.Token), TellAsync(phone, _two, session, cookies, over.Token) };
        var random = new Random(7);
        for (var i = 0; i < kills; i++)
        {
            await Task.Delay(random.Next(200, 900));
            if (i % 3 == 2)
            {
                await _database.KillAsync();
                continue;
            }

            var victim = i % 3 == 0 ? _one : _two;
            victim.Kill();
            await victim.StartAsync();
        }

        await Task.Delay(500);
        // Whatever was killed last is back before the last touches are told.
        await _one.IsReadyAsync();
        await _two.IsReadyAsync();
        await over.CancelAsync();
        var made = (await Task.WhenAll(telling)).SelectMany(e => e).ToList();
        Assert.True(made.Count > 20, $"{made.Count} touches");
        Assert.True(tablet.Failures + phone.Failures > 0, "somebody noticed that a server was gone");

        using var news = await baker.GetAsync($"{_two.Address}/bench/{session}/news?after=0");
        var there = (await news.Content.ReadFromJsonAsync<JsonElement>())
            .GetProperty("events")
            .EnumerateArray()
            .Select(e => BenchEventText.Read(e.Deserialize<BenchEventDocument>(OpenJson.Options)!, out _)!)
            .ToList();
        Assert.Equal(made.Select(e => e.Id).Order(), there.Select(e => e.Id).Order());
        // Clocks are right: each touch counts when it happened, however late it came in.
        var when = made.ToDictionary(e => e.Id, e => e.At);
        Assert.All(there, e => Assert.InRange((e.At - when[e.Id]).TotalSeconds, -0.01, 0.01));
        Assert.Equal(2, BenchState.From(there).Steps.Count);
    }

    /// <summary>A device that keeps what it cannot tell, and tells it again until it is answered.</summary>
    private static async Task<List<BenchEvent>> TellAsync(
        Device device,
        Served server,
        string session,
        CookieContainer cookies,
        CancellationToken over
    )
    {
        using var client = Client(cookies);
        client.DefaultRequestHeaders.Add("X-Bench", "1");
        var (made, waiting) = (new List<BenchEvent>(), new List<BenchEvent>());
        var clock = Stopwatch.StartNew();
        while (!over.IsCancellationRequested || waiting.Count > 0)
        {
            if (!over.IsCancellationRequested)
            {
                var touch = device.Touch();
                made.Add(touch);
                waiting.Add(touch);
            }

            try
            {
                using var answer = await client.PostAsJsonAsync(
                    $"{server.Address}/bench/{session}/events",
                    new { sentAt = DateTimeOffset.UtcNow.ToString("O"), events = waiting.Take(AtOnce).Select(BenchEventText.Write) },
                    OpenJson.Options,
                    CancellationToken.None
                );
                answer.EnsureSuccessStatusCode();
                var told = await answer.Content.ReadFromJsonAsync<JsonElement>(CancellationToken.None);
                var kept = told.GetProperty("kept").EnumerateArray().Select(k => k.GetGuid()).ToHashSet();
                waiting.RemoveAll(e => kept.Contains(e.Id));
                // What is refused is told again in vain: nothing may be.
                if (told.GetProperty("refused").GetArrayLength() > 0)
                    throw new InvalidOperationException($"Refused: {told.GetProperty("refused")}");
                clock.Restart();
            }
            catch (Exception e) when (e is HttpRequestException or TaskCanceledException)
            {
                device.Failures++;
                if (clock.Elapsed > Patience)
                    throw;
            }

            await Task.Delay(Pace, CancellationToken.None);
        }

        return made;
    }

    private async Task<string> BeginAsync(HttpClient baker)
    {
        await SendAsync(
            baker,
            "/account/register",
            "/account/register",
            new()
            {
                ["KitchenName"] = "Own",
                ["Email"] = "own@home.invalid",
                ["Password"] = "a long enough one",
            }
        );
        var begun = await SendAsync(
            baker,
            "/bench?stay=true",
            "/bench?handler=Recipe",
            new() { ["key"] = "market-squash-loaf", ["batches"] = "1" }
        );
        return begun.RequestMessage!.RequestUri!.AbsolutePath.Split('/')[^1];
    }

    private async Task<HttpResponseMessage> SendAsync(HttpClient client, string page, string action, Dictionary<string, string> typed)
    {
        typed["__RequestVerificationToken"] = Token().Match(await client.GetStringAsync(_one.Address + page)).Groups["token"].Value;
        return (await client.PostAsync(_one.Address + action, new FormUrlEncodedContent(typed))).EnsureSuccessStatusCode();
    }

    private static HttpClient Client(CookieContainer cookies) =>
        new(new SocketsHttpHandler { CookieContainer = cookies, PooledConnectionLifetime = TimeSpan.FromSeconds(2) })
        {
            Timeout = TimeSpan.FromSeconds(5),
        };

    [GeneratedRegex("name=\"__RequestVerificationToken\"[^>]*value=\"(?<token>[^\"]+)\"", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Token();

    private sealed class Device(string name, int step)
    {
        public int Failures { get; set; }

        public BenchEvent Touch() =>
            new(
                Guid.NewGuid(),
                BenchKind.NeedsMore,
                new TaskId($"1.1.step-{step}.1"),
                NodaTime.Instant.FromUnixTimeMilliseconds(NodaTime.SystemClock.Instance.GetCurrentInstant().ToUnixTimeMilliseconds()),
                name,
                name
            )
            {
                Minutes = 5,
            };
    }
}
