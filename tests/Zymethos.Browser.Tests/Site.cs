using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using Zymethos.Tests;

namespace Zymethos.Browser.Tests;

/// <summary>The application on a real port with demo data, and a headless Chromium to look at it. One for all tests of the
/// assembly.</summary>
public sealed class Site : WebApplicationFactory<Program>, IAsyncLifetime
{
    /// <summary>The password of the demo kitchen's devices.</summary>
    public const string DevicePassword = "told-by-heart";

    private TestDatabase _database = null!;

    /// <summary>Address of the server, without a slash at the end.</summary>
    public string Address { get; private set; } = "";

    public async Task InitializeAsync()
    {
        _database = await TestDatabase.MakeAsync();
        UseKestrel(0);
        StartServer();
        Address = ClientOptions.BaseAddress.ToString().TrimEnd('/').Replace("localhost", "127.0.0.1", StringComparison.Ordinal);
    }

    async Task IAsyncLifetime.DisposeAsync()
    {
        await DisposeAsync();
        await _database.DisposeAsync();
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("ZYMETHOS_DB", _database.Connection);
        builder.UseSetting("ZYMETHOS_PLAN_SECONDS", "2");
        builder.UseSetting("ZYMETHOS_SEARCH_SECONDS", "3");
        builder.UseSetting("ZYMETHOS_SEARCH_ON", "0");
        builder.UseSetting("ZYMETHOS_DEMO_DEVICES", DevicePassword);
        builder.UseEnvironment("Production");
    }

    /// <summary>A browser window of a given size with logs of console and network switched on.</summary>
    public static ChromeDriver Open(int width = 1280, int height = 800)
    {
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new",
            "--no-sandbox",
            "--disable-gpu",
            "--disable-dev-shm-usage",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            $"--window-size={width},{height}",
            $"--user-data-dir={Path.Combine(Path.GetTempPath(), $"zymethos-{Guid.NewGuid():N}")}"
        );
        options.SetLoggingPreference(LogType.Browser, LogLevel.All);
        options.SetLoggingPreference(LogType.Performance, LogLevel.All);
        var driver = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin/chromedriver"), options, TimeSpan.FromSeconds(60));
        driver.Manage().Timeouts().ImplicitWait = TimeSpan.Zero;
        return driver;
    }
}

[CollectionDefinition(nameof(Site))]
public sealed class SiteCollection : ICollectionFixture<Site>;
