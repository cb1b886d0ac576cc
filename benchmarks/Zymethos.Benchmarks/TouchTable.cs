using System.Collections.Concurrent;
using System.Diagnostics;
using System.Text;
using System.Text.Json;

namespace Zymethos.Benchmarks;

/// <summary>
/// So many kitchens, each with a session at work, a device that tells a touch every five seconds and one that listens and asks for the news
/// of each: how soon a touch is acknowledged, and how soon the other device knows of it.
/// </summary>
internal static class TouchTable
{
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(5);

    public static async Task PrintAsync(string address, int benches, int seconds)
    {
        var (acknowledged, heard, failures) = (new ConcurrentBag<double>(), new ConcurrentBag<double>(), 0);
        Console.Error.WriteLine($"Opening {benches} kitchens ...");
        var kitchens = new ConcurrentBag<(HttpClient Client, string Session)>();
        await Parallel.ForEachAsync(
            Enumerable.Range(0, benches),
            new ParallelOptions { MaxDegreeOfParallelism = 4 },
            async (i, _) => kitchens.Add(await OpenAsync(address, i))
        );
        using var over = new CancellationTokenSource(TimeSpan.FromSeconds(seconds));
        await Task.WhenAll(kitchens.SelectMany(k => new[] { TellAsync(k.Client, k.Session), ListenAsync(k.Client, k.Session) }));
        Console.WriteLine(
            "| benches | touches | failed | acknowledged, ms (median / 99th percentile / worst) | "
                + "on the other device, ms (median / 99th percentile) |"
        );
        Console.WriteLine("|---|---|---|---|---|");
        Console.WriteLine(
            $"| {benches} | {acknowledged.Count} | {failures} | "
                + $"{At(acknowledged, 0.5):0} / {At(acknowledged, 0.99):0} / {At(acknowledged, 1):0} | "
                + $"{At(heard, 0.5):0} / {At(heard, 0.99):0} |"
        );

        async Task TellAsync(HttpClient client, string session)
        {
#pragma warning disable CA5394 // Who touches when is no secret.
            await Pause(Every * Random.Shared.NextDouble());
#pragma warning restore CA5394
            while (!over.IsCancellationRequested)
            {
                var clock = Stopwatch.StartNew();
                try
                {
                    using var request = new HttpRequestMessage(HttpMethod.Post, $"/bench/{session}/events");
                    request.Headers.Add("X-Bench", "1");
                    var now = DateTimeOffset.UtcNow.ToString("O");
                    request.Content = new StringContent(
                        JsonSerializer.Serialize(
                            new
                            {
                                sentAt = now,
                                events = new[]
                                {
                                    new
                                    {
                                        id = Guid.NewGuid(),
                                        kind = "needsMore",
                                        at = now,
                                        step = "1.1.bake.1",
                                        minutes = 1,
                                    },
                                },
                            }
                        ),
                        Encoding.UTF8,
                        "application/json"
                    );
                    using var answer = await client.SendAsync(request);
                    answer.EnsureSuccessStatusCode();
                    acknowledged.Add(clock.Elapsed.TotalMilliseconds);
                }
                catch (HttpRequestException)
                {
                    Interlocked.Increment(ref failures);
                }

                await Pause(Every - clock.Elapsed);
            }
        }

        async Task ListenAsync(HttpClient client, string session)
        {
            var seq = 0L;
            try
            {
                using var stream = await client.GetStreamAsync($"/bench/{session}/stream", over.Token);
                using var reader = new StreamReader(stream);
                while (await reader.ReadLineAsync(over.Token) is { } line)
                {
                    if (!line.StartsWith("data:", StringComparison.Ordinal))
                        continue;
                    var now = JsonDocument.Parse(line[5..]).RootElement.GetProperty("seq").GetInt64();
                    if (now <= seq)
                        continue;
                    var text = await client.GetStringAsync($"/bench/{session}/news?after={seq}", over.Token);
                    seq = now;
                    foreach (var e in JsonDocument.Parse(text).RootElement.GetProperty("events").EnumerateArray())
                        heard.Add((DateTimeOffset.UtcNow - e.GetProperty("at").GetDateTimeOffset()).TotalMilliseconds);
                }
            }
            catch (OperationCanceledException)
            {
                // The time is over.
            }
        }

        async Task Pause(TimeSpan time) =>
            await Task.Delay(time > TimeSpan.Zero ? time : TimeSpan.Zero, over.Token)
                .ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
    }

    private static async Task<(HttpClient Client, string Session)> OpenAsync(string address, int number)
    {
        var visitor = await Visitor.NewAsync(address, number);
        var begun = await visitor.SendAsync(
            "/bench?stay=true",
            "/bench?handler=Recipe",
            new() { ["key"] = "market-squash-loaf", ["batches"] = "1" }
        );
        var session = begun.RequestMessage!.RequestUri!.AbsolutePath.Split('/')[^1];
        // Everybody has looked at their day before the first touch.
        await visitor.Client.GetStringAsync($"/bench/{session}/news?after=0");
        return (visitor.Client, session);
    }

    private static double At(IReadOnlyCollection<double> values, double share)
    {
        var sorted = values.Order().ToList();
        return sorted.Count == 0 ? 0 : sorted[Math.Clamp((int)Math.Ceiling(share * sorted.Count) - 1, 0, sorted.Count - 1)];
    }
}
