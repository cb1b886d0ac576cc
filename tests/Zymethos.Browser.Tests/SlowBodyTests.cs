using System.Net.Sockets;
using System.Text;

namespace Zymethos.Browser.Tests;

/// <summary>A body that comes drop by drop, over a real line to the real server.</summary>
[Collection(nameof(Site))]
public sealed class SlowBodyTests(Site site)
{
    [Theory]
    [InlineData("/account/sign-in", "application/x-www-form-urlencoded")]
    [InlineData("/api/v1/oven-days/plan", "application/json")]
    public async Task It_is_answered_with_a_time_out_and_holds_nobody_up(string path, string type)
    {
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(40));
        var address = new Uri(site.Address);
        using var line = new TcpClient();
        await line.ConnectAsync(address.Host, address.Port, patience.Token);
        await using var stream = line.GetStream();
        var head = $"POST {path} HTTP/1.1\r\nHost: {address.Authority}\r\nContent-Type: {type}\r\nContent-Length: 5000\r\n\r\n{{\"";
        await stream.WriteAsync(Encoding.ASCII.GetBytes(head), patience.Token);
        // Somebody else is served meanwhile.
        using var other = new HttpClient();
        Assert.True((await other.GetAsync(new Uri(address, "/account/sign-in"), patience.Token)).IsSuccessStatusCode);
        var answer = new StringBuilder();
        var bytes = new byte[4096];
        while (!answer.ToString().Contains("\r\n", StringComparison.Ordinal))
        {
            var read = await stream.ReadAsync(bytes, patience.Token);
            if (read == 0)
                break;
            answer.Append(Encoding.UTF8.GetString(bytes, 0, read));
        }

        Assert.StartsWith("HTTP/1.1 408", answer.ToString(), StringComparison.Ordinal);
    }
}
