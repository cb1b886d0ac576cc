using System.Diagnostics;

namespace Zymethos.Web.Tests;

/// <summary>A server in a process of its own, which can be killed without a warning.</summary>
internal sealed class Served(string connection)
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);
    private readonly int _port = Ports.Free();
    private Process? _process;

    /// <summary>Settings beside the usual ones.</summary>
    public Dictionary<string, string> Settings { get; init; } = [];

    public int Port => _port;

    public string Address => $"http://127.0.0.1:{_port}";

    public async Task StartAsync()
    {
        var start = new ProcessStartInfo("dotnet", Path.Combine(AppContext.BaseDirectory, "Zymethos.Web.dll"))
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            UseShellExecute = false,
        };
        start.Environment["ZYMETHOS_DB"] = connection;
        start.Environment["ASPNETCORE_URLS"] = Address;
        start.Environment["ASPNETCORE_ENVIRONMENT"] = "Production";
        start.Environment["ZYMETHOS_SEARCH_ON"] = "0";
        start.Environment["ZYMETHOS_EMPTY"] = "1";
        foreach (var (name, value) in Settings)
            start.Environment[name] = value;
        _process = Process.Start(start)!;
        _process.OutputDataReceived += (_, _) => { };
        _process.ErrorDataReceived += (_, _) => { };
        _process.BeginOutputReadLine();
        _process.BeginErrorReadLine();
        await IsReadyAsync();
    }

    public async Task IsReadyAsync()
    {
        using var client = new HttpClient { Timeout = TimeSpan.FromSeconds(5) };
        for (var clock = Stopwatch.StartNew(); clock.Elapsed < Patience; await Task.Delay(100))
        {
            try
            {
                if ((await client.SendAsync(Ready())).IsSuccessStatusCode)
                    return;
            }
            catch (Exception e) when (e is HttpRequestException or TaskCanceledException)
            {
                // Not yet.
            }
        }

        throw new InvalidOperationException("The server did not come up.");
    }

    private HttpRequestMessage Ready()
    {
        var ask = new HttpRequestMessage(HttpMethod.Get, $"{Address}/health/ready");
        if (Settings.TryGetValue("ZYMETHOS_HOSTS", out var host))
            ask.Headers.Host = host;
        return ask;
    }

    public void Kill()
    {
        _process?.Kill();
        _process?.WaitForExit();
        _process?.Dispose();
        _process = null;
    }
}
