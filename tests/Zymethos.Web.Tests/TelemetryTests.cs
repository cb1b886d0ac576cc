using System.Net;
using System.Text;
using Microsoft.AspNetCore.Hosting;

namespace Zymethos.Web.Tests;

/// <summary>Figures for whoever runs the house: sent where the setting says, in the standard's own form, and naming nobody.</summary>
public sealed class TelemetryTests : IAsyncLifetime
{
    private readonly HttpListener _listener = new();
    private readonly List<byte[]> _heard = [];
    private readonly Heard _kitchen = new();

    private sealed class Heard : TestKitchen
    {
        public string Endpoint { get; set; } = "";

        protected override bool WithDemo => false;

        protected override void ConfigureWebHost(IWebHostBuilder builder)
        {
            base.ConfigureWebHost(builder);
            builder.UseSetting("OTEL_EXPORTER_OTLP_ENDPOINT", Endpoint);
            builder.UseSetting("OTEL_EXPORTER_OTLP_PROTOCOL", "http/protobuf");
            builder.UseSetting("OTEL_METRIC_EXPORT_INTERVAL", "500");
        }
    }

    public async Task InitializeAsync()
    {
        var port = Ports.Free();
        _kitchen.Endpoint = $"http://127.0.0.1:{port}";
        _listener.Prefixes.Add($"{_kitchen.Endpoint}/");
        _listener.Start();
        _ = Task.Run(async () =>
        {
            while (_listener.IsListening)
            {
                try
                {
                    var call = await _listener.GetContextAsync();
                    using var body = new MemoryStream();
                    await call.Request.InputStream.CopyToAsync(body);
                    lock (_heard)
                        _heard.Add(body.ToArray());
                    call.Response.Close();
                }
                catch (Exception e) when (e is HttpListenerException or ObjectDisposedException)
                {
                    return;
                }
            }
        });
        await _kitchen.InitializeAsync();
    }

    public async Task DisposeAsync()
    {
        await ((IAsyncLifetime)_kitchen).DisposeAsync();
        _listener.Close();
    }

    private string Said()
    {
        lock (_heard)
            return string.Concat(_heard.Select(Encoding.Latin1.GetString));
    }

    [Fact]
    public async Task A_search_is_counted_and_neither_kitchen_nor_baker_is_named()
    {
        var baker = await _kitchen.NewBakerAsync("somebody-with-a-name@home.invalid");
        var planned = await TestKitchen.PostAsync(
            baker,
            "/oven-day?date=2031-05-03&add=pocket-muffins",
            "#setup",
            new() { ["Setup.From"] = "08:00", ["Setup.Until"] = "20:00" }
        );
        Assert.Equal(HttpStatusCode.OK, planned.StatusCode);
        for (var tries = 0; tries < 100 && !Said().Contains("zymethos.search.duration", StringComparison.Ordinal); tries++)
            await Task.Delay(200);
        var said = Said();
        Assert.Contains("zymethos.search.duration", said, StringComparison.Ordinal);
        Assert.Contains("http.server.request.duration", said, StringComparison.Ordinal);
        Assert.DoesNotContain("somebody-with-a-name", said, StringComparison.Ordinal);
        Assert.DoesNotContain("pocket-muffins", said, StringComparison.Ordinal);
    }
}
