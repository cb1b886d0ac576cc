using System.Diagnostics;
using System.Globalization;

namespace Zymethos.Web.Tests;

/// <summary>A PostgreSQL of its own, which keeps what it has said that it keeps, and can be killed.</summary>
internal sealed class OwnDatabase : IAsyncDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("zymethos-own-").FullName;
    private readonly int _port = Ports.Free();

    public string Connection => $"Host=127.0.0.1;Port={_port};Database=killed;Username=zymethos;Password=test;Timeout=5";

    public static async Task<OwnDatabase> MakeAsync()
    {
        var own = new OwnDatabase();
        await own.DoAsync("make");
        await own.DoAsync("start");
        return own;
    }

    /// <summary>Kills it without a warning and starts it again.</summary>
    public async Task KillAsync()
    {
        await DoAsync("kill");
        await DoAsync("start");
    }

    public async ValueTask DisposeAsync()
    {
        await DoAsync("stop");
        Directory.Delete(_folder, recursive: true);
    }

    private async Task DoAsync(string what)
    {
        var start = new ProcessStartInfo("bash") { RedirectStandardError = true, UseShellExecute = false };
        foreach (var word in new[] { Script(), what, _folder, _port.ToString(CultureInfo.InvariantCulture) })
            start.ArgumentList.Add(word);
        using var process = Process.Start(start)!;
        // What it starts keeps the pipe open: only a script that failed is read to its end.
        await process.WaitForExitAsync();
        if (process.ExitCode != 0)
            throw new InvalidOperationException($"{what}: {await process.StandardError.ReadToEndAsync()}");
    }

    private static string Script()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (folder is not null && !File.Exists(Path.Combine(folder.FullName, "scripts", "own-database")))
            folder = folder.Parent;
        return Path.Combine(
            folder?.FullName ?? throw new InvalidOperationException("scripts/own-database is gone."),
            "scripts",
            "own-database"
        );
    }
}
