using System.Text.Json;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

namespace Zymethos.Browser.Tests;

/// <summary>Somebody at a browser: goes to places, waits for what must come, looks for what is wrong.</summary>
public sealed class Baker(Site site, int width = 1280, int height = 800) : IDisposable
{
    private static readonly string Axe = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Vendor", "axe.min.js"));

    public ChromeDriver Window { get; } = Site.Open(width, height);

    public void Go(string path) => Window.Navigate().GoToUrl(site.Address + path);

    public void SignIn()
    {
        Go("/account/sign-in");
        Press("#demo-door");
        Until(() => Window.Url.Contains("/oven-day", StringComparison.Ordinal), "the demo kitchen opens");
    }

    public IWebElement Find(string css)
    {
        Until(() => Window.FindElements(By.CssSelector(css)).Count > 0, $"{css} is there");
        return Window.FindElement(By.CssSelector(css));
    }

    public IReadOnlyList<IWebElement> All(string css) => Window.FindElements(By.CssSelector(css));

    public string Text(string css) => Of(css, e => e.Text)!;

    /// <summary>An attribute of the first that is found. Null where it has none.</summary>
    public string? Attribute(string css, string name) => Of(css, e => e.GetAttribute(name));

    /// <summary>Where a link goes to, without the host.</summary>
    public string PathOf(string css) => new Uri(Attribute(css, "href")!).AbsolutePath;

    /// <summary>Presses the first that is found.</summary>
    public void Press(string css) =>
        _ = Of(
            css,
            e =>
            {
                e.Click();
                return "";
            }
        );

    /// <summary>Presses something and waits until <paramref name="part"/> of the page is another one, so that nothing is read from what is
    /// about to go.</summary>
    public void PressForNew(string part, string css, int seconds = 40)
    {
        Window.ExecuteScript("arguments[0].dataset.old = 'yes'", Find(part));
        Press(css);
        Until(() => All($"{part}:not([data-old])").Count == 1, $"{part} comes anew", seconds);
    }

    /// <summary>Asks something of an element. One that is exchanged meanwhile is looked for again.</summary>
    private string? Of(string css, Func<IWebElement, string?> ask)
    {
        for (var tries = 0; ; tries++)
        {
            try
            {
                return ask(Find(css));
            }
            catch (Exception e) when (tries < 20 && e is StaleElementReferenceException or NoSuchElementException)
            {
                Thread.Sleep(100);
            }
        }
    }

    public void Until(Func<bool> holds, string what, int seconds = 20)
    {
        var end = DateTime.UtcNow.AddSeconds(seconds);
        while (DateTime.UtcNow < end)
        {
            try
            {
                if (holds())
                    return;
            }
            catch (WebDriverException)
            {
                // The page is being exchanged; look again.
            }

            Thread.Sleep(60);
        }

        Assert.Fail(
            $"Waited {seconds} s in vain: {what}. At {Window.Url}. "
                + string.Join(" | ", All(".note, .said-wrong").Select(n => n.Text).Where(t => t.Length > 0))
        );
    }

    public void Type(string css, string text)
    {
        var field = Find(css);
        field.Clear();
        field.SendKeys(text);
    }

    /// <summary>Puts a day together in the open form: takes everything out, and finds each recipe by its name.</summary>
    public void PutTogether(params string[] recipes)
    {
        for (var left = All("button[name=drop]").Count; left > 0; left--)
        {
            Window.ExecuteScript("arguments[0].click()", All("button[name=drop]")[0]);
            var now = left - 1;
            Until(() => All("button[name=drop]").Count == now, "a recipe is taken out");
        }

        foreach (var recipe in recipes)
        {
            Type("#setup-find", recipe);
            Until(() => Text(".setup-find-name") == recipe, $"{recipe} is found");
            Find("#setup-find").SendKeys(Keys.Enter);
            Until(() => All($"[aria-label='Batches of {recipe}']").Count == 1, $"{recipe} is added");
        }
    }

    /// <summary>Sets a date or time field, whose parts the browser's locale would otherwise decide.</summary>
    public void Set(string css, string value) =>
        Window.ExecuteScript(
            "arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event('change', { bubbles: true }));",
            Find(css),
            value
        );

    /// <summary>What axe-core finds against WCAG 2.2 A and AA and its best practices, as "rule: where".</summary>
    public IReadOnlyList<string> Violations()
    {
        Window.ExecuteScript(Axe);
        // Without preloading: it reads style sheets by putting them into the page, which the page's own policy refuses. Only its rule on
        // locked orientation needs that.
        var json = (string)
            Window.ExecuteAsyncScript(
                "const done = arguments[arguments.length - 1]; axe.run(document, { resultTypes: ['violations'], preload: false "
                    + "}).then(r => done(JSON.stringify(r.violations.map(v => ({ id: v.id, at: v.nodes.map(n => n.target.join(' ') + ' ' "
                    + "+ (n.any[0]?.message ?? '')) })))));"
            )!;
        return
        [
            .. JsonDocument
                .Parse(json)
                .RootElement.EnumerateArray()
                .Select(v =>
                    $"{v.GetProperty("id").GetString()}: "
                    + $"{string.Join(" | ", v.GetProperty("at").EnumerateArray().Take(4).Select(a => a.GetString()))}"
                ),
        ];
    }

    /// <summary>Errors and warnings of the console since the last look. That htmx drops a request for a newer one is what it was told to
    /// do.</summary>
    public IReadOnlyList<string> ConsoleErrors() =>
        [
            .. Window
                .Manage()
                .Logs.GetLog(LogType.Browser)
                .Where(l => l.Level >= LogLevel.Warning)
                .Select(l => l.Message)
                .Where(m =>
                    !m.Contains("htmx:sendAbort", StringComparison.Ordinal) && !m.Contains("htmx:afterRequest", StringComparison.Ordinal)
                ),
        ];

    /// <summary>Addresses asked of other hosts since the last look.</summary>
    public IReadOnlyList<string> ForeignRequests() =>
        [
            .. Window
                .Manage()
                .Logs.GetLog(LogType.Performance)
                .Select(l => JsonDocument.Parse(l.Message).RootElement.GetProperty("message"))
                .Where(m => m.GetProperty("method").GetString() == "Network.requestWillBeSent")
                .Select(m => m.GetProperty("params").GetProperty("request").GetProperty("url").GetString()!)
                .Where(u => u.StartsWith("http", StringComparison.Ordinal) && !u.StartsWith(site.Address, StringComparison.Ordinal)),
        ];

    /// <summary>Pixels by which the page is wider than the window.</summary>
    public long SidewaysOverflow() =>
        (long)Window.ExecuteScript("return Math.max(0, document.documentElement.scrollWidth - window.innerWidth);")!;

    public void Dispose()
    {
        Window.Quit();
        Window.Dispose();
    }
}
