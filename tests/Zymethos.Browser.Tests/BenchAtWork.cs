using System.Text.Json;
using OpenQA.Selenium;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Bench;

namespace Zymethos.Browser.Tests;

/// <summary>The demo kitchen with something on its Bench, and hands to touch it; put away again when a test is over.</summary>
public abstract class BenchAtWork(Site site) : IDisposable
{
    private readonly List<Baker> _here = [];

    protected Baker Come(int width = 1024, int height = 768)
    {
        var baker = new Baker(site, width, height);
        _here.Add(baker);
        return baker;
    }

    /// <summary>The demo kitchen with one recipe on its Bench; what was there before is put away.</summary>
    protected Baker AtWork(string recipe = "Market squash loaf")
    {
        var baker = Come();
        baker.SignIn();
        PutAway(baker);
        baker.Go("/bench?stay=true&q=" + Uri.EscapeDataString(recipe));
        baker.Press($"button[aria-label='Begin it now: {recipe}']");
        baker.Until(() => baker.All(".bench-now .touch").Count > 0, "the Bench is laid out");
        return baker;
    }

    protected static void PutAway(Baker baker)
    {
        baker.Go("/bench?stay=true");
        baker.Find("h1");
        if (baker.All("form[action*=Away] button").Count == 0)
            return;
        Press(baker, "form[action*=Away] button");
        baker.Until(() => baker.All("form[action*=Away] button").Count == 0, "the Bench is free");
    }

    public void Dispose()
    {
        if (_here.Count > 0 && !_here[0].Window.Url.StartsWith("data:", StringComparison.Ordinal))
        {
            Online(_here[0], true);
            PutAway(_here[0]);
        }

        foreach (var baker in _here)
            baker.Dispose();
    }

    protected static void Online(Baker baker, bool isOnline)
    {
        baker.Window.ExecuteCdpCommand("Network.enable", []);
        baker.Window.ExecuteCdpCommand(
            "Network.emulateNetworkConditions",
            new Dictionary<string, object?>
            {
                ["offline"] = !isOnline,
                ["latency"] = 0,
                ["downloadThroughput"] = -1,
                ["uploadThroughput"] = -1,
            }
        );
    }

    /// <summary>Touches what is there at this moment; the page may be drawing itself anew.</summary>
    protected static void Press(Baker baker, string css)
    {
        baker.Find(css);
        Assert.True(
            (bool)baker.Window.ExecuteScript("const b = document.querySelector(arguments[0]); b?.click(); return Boolean(b)", css)!,
            css
        );
    }

    protected static string Words(Baker baker, string css)
    {
        baker.Find(css);
        return (string)baker.Window.ExecuteScript("return document.querySelector(arguments[0])?.innerText ?? ''", css)!;
    }

    protected static T Json<T>(Baker baker, string script) =>
        JsonSerializer.Deserialize<T>(
            (string)
                baker.Window.ExecuteAsyncScript(
                    $"const done = arguments[0]; (async () => {{ {script} }})().then((v) => done(JSON.stringify(v)))"
                )!
        )!;

    protected static string Session(Baker baker) => new Uri(baker.Window.Url).AbsolutePath.Split('/')[^1];

    protected static int Told(Baker baker) =>
        Json<int>(baker, $"const a = await fetch('/bench/{Session(baker)}/news?after=0'); return (await a.json()).events.length;");

    /// <summary>Does what the oven asks for, so that the step in hand stands first.</summary>
    protected static void Clear(Baker baker)
    {
        baker.Until(() => baker.All(".bench-oven-heat").Count > 0, "the oven is shown");
        if (baker.All("[data-key=empty-0]").Count == 0)
            return;
        Press(baker, "[data-key=empty-0]");
        Press(baker, "[data-key=dial-0]");
        baker.Until(() => baker.All(".bench-card.is-dial").Count == 0, "the oven is seen to");
        baker.Until(() => baker.All(".bench-card:not(.is-dial) .main-touch").Count > 0, "the step in hand is there");
    }

    protected static void Tell(Baker baker, string step, string kind, int minutes)
    {
        var at = DateTimeOffset.UtcNow.AddMinutes(minutes).ToString("O");
        var told = Json<int>(
            baker,
            $$"""
            const a = await fetch("/bench/{{Session(
                baker
            )}}/events", { method: "POST", headers: { "Content-Type": "application/json", "X-Bench": "1" },
              body: JSON.stringify({ events: [{ id: crypto.randomUUID(), kind: "{{kind}}", step: "{{step}}", at: "{{at}}" }] }) });
            return (await a.json()).kept.length;
            """
        );
        Assert.Equal(1, told);
    }

    protected static IReadOnlyList<BenchEvent> Events(Baker baker) =>
        [
            .. Json<JsonElement>(baker, $"return await (await fetch('/bench/{Session(baker)}/news?after=0')).json();")
                .GetProperty("events")
                .EnumerateArray()
                .Select(e => BenchEventText.Read(e.Deserialize<BenchEventDocument>(OpenJson.Options)!, out _)!),
        ];
}
