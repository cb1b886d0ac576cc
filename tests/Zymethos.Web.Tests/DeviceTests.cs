using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using Microsoft.AspNetCore.Hosting;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MQTTnet;
using NodaTime;
using Zymethos.Core.Devices;
using Zymethos.Interchange.Devices;
using Zymethos.Work.Devices;

namespace Zymethos.Web.Tests;

/// <summary>A server whose own broker listens.</summary>
public sealed class BrokerKitchen : TestKitchen
{
    public int Port { get; } = Ports.Free();

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        base.ConfigureWebHost(builder);
        builder.UseSetting("ZYMETHOS_MQTT_PORT", Port.ToString());
    }
}

/// <summary>Devices over MQTT and over the web: who is let in, what is believed, and what follows on the Bench.</summary>
public sealed class DeviceTests(BrokerKitchen kitchen) : IClassFixture<BrokerKitchen>
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(15);

    private sealed record Own(HttpClient Baker, Guid Kitchen, string Address, string Secret);

    private async Task<Own> WithDevicesAsync()
    {
        var email = $"{Guid.NewGuid():N}@home.invalid";
        var baker = await kitchen.NewBakerAsync(email);
        await using var all = kitchen.Context(null);
        var id = await all.Users.Where(u => u.Email == email).Select(u => u.KitchenId).SingleAsync();
        var (address, secret) = await kitchen.Services.GetRequiredService<DeviceDoors>().MakeAsync(id, CancellationToken.None);
        return new Own(baker, id, address, secret);
    }

    private async Task<HttpResponseMessage> PostAsync(string address, string secret, string device, string body)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/api/v1/devices/{device}/reading")
        {
            Content = new StringContent(body, Encoding.UTF8, "application/json"),
        };
        request.Headers.Authorization = new AuthenticationHeaderValue("Bearer", $"{address}:{secret}");
        return await kitchen.Visitor().SendAsync(request);
    }

    private static string Says(string kind, double value, string unit = "C") =>
        $$"""{"kind":"{{kind}}","value":{{value:0.0}},"unit":"{{unit}}"}""";

    private async Task<T> UntilAsync<T>(Func<Task<T?>> look, string what)
    {
        for (var until = DateTime.UtcNow + Patience; DateTime.UtcNow < until; await Task.Delay(50))
        {
            if (await look() is { } found)
                return found;
        }

        throw new TimeoutException($"In vain: {what}.");
    }

    private Task<Store.Devices.DeviceRow> DeviceAsync(Own own, string name, Func<Store.Devices.DeviceRow, bool>? holds = null) =>
        UntilAsync(
            async () =>
            {
                await using var context = kitchen.Context(own.Kitchen);
                var row = await context.Devices.AsNoTracking().SingleOrDefaultAsync(d => d.Name == name);
                return row is not null && (holds?.Invoke(row) ?? true) ? row : null;
            },
            $"{name} is heard"
        );

    [Fact]
    public async Task A_reading_over_the_web_is_heard_and_one_without_the_password_is_not()
    {
        var own = await WithDevicesAsync();
        var wrong = await PostAsync(own.Address, "not-the-password", "oven-1", Says("oven", 178));
        Assert.Equal(HttpStatusCode.Unauthorized, wrong.StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await PostAsync(own.Address, own.Secret, "oven-1", Says("oven", 356, "F"))).StatusCode);
        var row = await DeviceAsync(own, "oven-1");
        Assert.Equal(DeviceKind.Oven, row.Kind);
        Assert.Equal(180, row.LastValue, 3);
        Assert.Contains("180 °C", await DevicesPageAsync(own), StringComparison.Ordinal);
    }

    private static async Task<string> DevicesPageAsync(Own own) =>
        (await TestKitchen.ParseAsync(await own.Baker.GetAsync("/kitchen/devices"))).QuerySelector("#devices")!.TextContent;

    [Theory]
    [InlineData("oven-1", "{}", HttpStatusCode.BadRequest, "kind")]
    [InlineData("oven-1", "not a reading", HttpStatusCode.BadRequest, "JSON")]
    [InlineData("OVEN 1", """{"kind":"oven","value":1,"unit":"C"}""", HttpStatusCode.BadRequest, "name")]
    public async Task What_is_no_reading_is_answered_with_why(string device, string body, HttpStatusCode status, string says)
    {
        var own = await WithDevicesAsync();
        var answer = await PostAsync(own.Address, own.Secret, device, body);
        Assert.Equal(status, answer.StatusCode);
        Assert.Contains(says, await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(
            HttpStatusCode.RequestEntityTooLarge,
            (await PostAsync(own.Address, own.Secret, "oven-1", new string('x', 2000))).StatusCode
        );
    }

    [Fact]
    public async Task A_device_that_says_900_is_shown_with_what_is_wrong_and_nothing_follows()
    {
        var own = await WithDevicesAsync();
        await PostAsync(own.Address, own.Secret, "oven-1", Says("oven", 900));
        var row = await DeviceAsync(own, "oven-1", d => d.Trouble.Length > 0);
        Assert.Contains("900 °C, which an oven cannot be", row.Trouble, StringComparison.Ordinal);
        Assert.Contains("900 °C, which an oven cannot be", await DevicesPageAsync(own), StringComparison.Ordinal);
        await using var context = kitchen.Context(own.Kitchen);
        Assert.Empty(await context.DeviceReadings.ToListAsync());
    }

    [Fact]
    public async Task A_new_password_lets_the_old_one_in_no_more()
    {
        var own = await WithDevicesAsync();
        Assert.Equal(HttpStatusCode.NoContent, (await PostAsync(own.Address, own.Secret, "room", Says("room", 21))).StatusCode);
        var page = await TestKitchen.ParseAsync(await own.Baker.GetAsync("/kitchen/devices"));
        var token = page.QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        var made = await TestKitchen.ParseAsync(
            await own.Baker.PostAsync(
                "/kitchen/devices?handler=Make",
                new FormUrlEncodedContent([new("__RequestVerificationToken", token)])
            )
        );
        var secret = made.QuerySelector("#device-secret")!.TextContent;
        Assert.Equal(HttpStatusCode.Unauthorized, (await PostAsync(own.Address, own.Secret, "room", Says("room", 21))).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await PostAsync(own.Address, secret, "room", Says("room", 21))).StatusCode);
    }

    private async Task<IMqttClient> ConnectAsync(Own own, string? secret = null)
    {
        var client = new MqttClientFactory().CreateMqttClient();
        await client.ConnectAsync(
            new MqttClientOptionsBuilder()
                .WithTcpServer("127.0.0.1", kitchen.Port)
                .WithClientId(Guid.NewGuid().ToString("N"))
                .WithCredentials(own.Address, secret ?? own.Secret)
                .WithProtocolVersion(MQTTnet.Formatter.MqttProtocolVersion.V500)
                .Build()
        );
        return client;
    }

    private static Task SayAsync(IMqttClient client, string topic, string payload) =>
        client.PublishAsync(new MqttApplicationMessageBuilder().WithTopic(topic).WithPayload(payload).WithRetainFlag().Build());

    [Fact]
    public async Task Over_MQTT_a_kitchen_hears_its_own_devices_and_nobody_elses()
    {
        var (own, other) = (await WithDevicesAsync(), await WithDevicesAsync());
        using var client = await ConnectAsync(own);
        await SayAsync(client, $"zymethos/{other.Address}/oven-1/reading", Says("oven", 111));
        await SayAsync(client, $"zymethos/{own.Address}/oven-1/reading", Says("oven", 150));
        Assert.Equal(150, (await DeviceAsync(own, "oven-1")).LastValue);
        await using (var context = kitchen.Context(other.Kitchen))
            Assert.Empty(await context.Devices.ToListAsync());

        // Whoever asks later hears the last of its own kitchen, and may not listen to another.
        using var later = await ConnectAsync(own);
        var heard = new TaskCompletionSource<string>();
        later.ApplicationMessageReceivedAsync += m =>
        {
            heard.TrySetResult(m.ApplicationMessage.Topic);
            return Task.CompletedTask;
        };
        await later.SubscribeAsync($"zymethos/{own.Address}/+/reading");
        Assert.Equal($"zymethos/{own.Address}/oven-1/reading", await heard.Task.WaitAsync(Patience));
        foreach (var topic in new[] { $"zymethos/{other.Address}/#", "zymethos/+/oven-1/reading", "#" })
        {
            var answer = await later.SubscribeAsync(topic);
            Assert.All(answer.Items, i => Assert.Equal(MqttClientSubscribeResultCode.NotAuthorized, i.ResultCode));
        }
    }

    [Fact]
    public async Task A_wrong_password_does_not_come_in_over_MQTT()
    {
        var own = await WithDevicesAsync();
        var client = new MqttClientFactory().CreateMqttClient();
        var answer = await client.ConnectAsync(
            new MqttClientOptionsBuilder()
                .WithTcpServer("127.0.0.1", kitchen.Port)
                .WithCredentials(own.Address, "guessed")
                .WithProtocolVersion(MQTTnet.Formatter.MqttProtocolVersion.V500)
                .Build()
        );
        Assert.Equal(MqttClientConnectResultCode.BadUserNameOrPassword, answer.ResultCode);
        client.Dispose();
    }

    private static async Task TellAsync(HttpClient baker, string session, object touch)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/bench/{session}/events")
        {
            Content = new StringContent(JsonSerializer.Serialize(new { events = new[] { touch } }), Encoding.UTF8, "application/json"),
        };
        request.Headers.Add("X-Bench", "1");
        (await baker.SendAsync(request)).EnsureSuccessStatusCode();
    }

    private static object Touch(string kind, string? step = null, string? text = null, int? number = null, double? value = null) =>
        new Dictionary<string, object?>
        {
            ["id"] = Guid.NewGuid().ToString(),
            ["kind"] = kind,
            ["at"] = DateTimeOffset.UtcNow.ToString("O"),
            ["step"] = step,
            ["text"] = text,
            ["number"] = number,
            ["value"] = value,
        }
            .Where(p => p.Value is not null)
            .ToDictionary();

    private static async Task<List<JsonElement>> EventsAsync(HttpClient baker, string session)
    {
        var news = await (await baker.GetAsync($"/bench/{session}/news?after=0")).Content.ReadFromJsonAsync<JsonElement>();
        return [.. news.GetProperty("events").EnumerateArray()];
    }

    private Task<JsonElement?> EventAsync(Own own, string session, string kind) =>
        UntilAsync<JsonElement?>(
            async () =>
                (await EventsAsync(own.Baker, session)) is var all
                && all.FindIndex(e => e.GetProperty("kind").GetString() == kind) is >= 0 and var i
                    ? all[i]
                    : null,
            $"“{kind}” is told"
        );

    [Fact]
    public async Task A_probe_at_the_recipes_71_degrees_ends_the_step_within_two_seconds()
    {
        var own = await WithDevicesAsync();
        var session = await TestKitchen.BeginAsync(own.Baker, "parade-cake");
        var sheet = await (await own.Baker.GetAsync($"/bench/{session}/sheet")).Content.ReadFromJsonAsync<JsonElement>();
        var whites = sheet.GetProperty("steps").EnumerateArray().First(s => s.GetProperty("title").GetString()!.StartsWith("Whites"));
        Assert.Equal(71, whites.GetProperty("target").GetDouble());
        var step = whites.GetProperty("id").GetString()!;
        await TellAsync(own.Baker, session, Touch("started", step));
        using var client = await ConnectAsync(own);
        var topic = new DeviceTopic(own.Address, "probe").ToString();
        // Before the probe is in it, what it says ends nothing.
        await SayAsync(client, topic, Says("core", 30));
        await DeviceAsync(own, "probe");
        await TellAsync(own.Baker, session, Touch("probeIn", step, "probe"));
        await Task.Delay(1000);
        foreach (var celsius in new[] { 60.0, 64, 68, 70, 71.4 })
        {
            await SayAsync(client, topic, Says("core", celsius));
            await Task.Delay(150);
        }

        Assert.DoesNotContain(await EventsAsync(own.Baker, session), e => e.GetProperty("kind").GetString() == "done");
        var at = DateTime.UtcNow;
        await SayAsync(client, topic, Says("core", 71.8));
        var done = await EventAsync(own, session, "done");
        Assert.InRange((DateTime.UtcNow - at).TotalSeconds, 0, 2);
        Assert.Equal(step, done!.Value.GetProperty("step").GetString());
        Assert.Equal("probe", done.Value.GetProperty("device").GetString());
    }

    [Fact]
    public async Task A_probe_that_was_never_below_ends_nothing_and_says_that_somebody_must_look()
    {
        var own = await WithDevicesAsync();
        var session = await TestKitchen.BeginAsync(own.Baker, "parade-cake");
        var sheet = await (await own.Baker.GetAsync($"/bench/{session}/sheet")).Content.ReadFromJsonAsync<JsonElement>();
        var step = sheet
            .GetProperty("steps")
            .EnumerateArray()
            .First(s => s.GetProperty("title").GetString()!.StartsWith("Whites"))
            .GetProperty("id")
            .GetString()!;
        await TellAsync(own.Baker, session, Touch("started", step));
        await TellAsync(own.Baker, session, Touch("probeIn", step, "probe"));
        // 22 °C, said in Fahrenheit and called Celsius.
        for (var i = 0; i < 4; i++)
        {
            await PostAsync(own.Address, own.Secret, "probe", Says("core", 71.6 + (i * 0.1)));
            await Task.Delay(300);
        }

        var row = await DeviceAsync(own, "probe", d => d.Trouble.Length > 0);
        Assert.Contains("look for yourself", row.Trouble, StringComparison.Ordinal);
        Assert.DoesNotContain(await EventsAsync(own.Baker, session), e => e.GetProperty("kind").GetString() == "done");
    }

    [Fact]
    public async Task An_ovens_dial_its_heat_and_the_room_are_told_on_the_Bench()
    {
        var own = await WithDevicesAsync();
        var session = await TestKitchen.BeginAsync(own.Baker, "market-squash-loaf");
        using var client = await ConnectAsync(own);
        var heard = new TaskCompletionSource<BenchWord>();
        client.ApplicationMessageReceivedAsync += m =>
        {
            if (BenchWord.Read(System.Buffers.BuffersExtensions.ToArray(m.ApplicationMessage.Payload)) is { } word)
                heard.TrySetResult(word);
            return Task.CompletedTask;
        };
        await client.SubscribeAsync(DeviceTopic.Bench(own.Address));
        await TellAsync(own.Baker, session, Touch("dial", number: 0, value: 180));
        Assert.Equal(new BenchWord("dial", 1, 180), await heard.Task.WaitAsync(Patience));

        await SayAsync(client, $"zymethos/{own.Address}/room/reading", Says("room", 17));
        Assert.Equal(17, (await EventAsync(own, session, "room"))!.Value.GetProperty("value").GetDouble());
        await Task.Delay(1000);
        await SayAsync(client, $"zymethos/{own.Address}/oven-1/reading", Says("oven", 178));
        var heat = await EventAsync(own, session, "heat");
        Assert.Equal(178, heat!.Value.GetProperty("value").GetDouble());
        Assert.Equal(0, heat.Value.GetProperty("number").GetInt32());

        // Somebody turns the dial of the oven itself.
        for (var i = 0; i < 4; i++)
        {
            await SayAsync(client, $"zymethos/{own.Address}/dial-1/reading", Says("dial", 210));
            await Task.Delay(1100);
        }

        var dials = (await EventsAsync(own.Baker, session)).Where(e => e.GetProperty("kind").GetString() == "dial").ToList();
        Assert.Equal(210, dials[^1].GetProperty("value").GetDouble());
        Assert.Equal("dial-1", dials[^1].GetProperty("device").GetString());
        Assert.Equal(2, dials.Count);
    }

    [Fact]
    public async Task What_devices_say_is_on_every_open_Bench_within_a_second_or_two()
    {
        var own = await WithDevicesAsync();
        var session = await TestKitchen.BeginAsync(own.Baker, "market-squash-loaf");
        using var stop = new CancellationTokenSource(Patience);
        using var stream = await own.Baker.GetAsync($"/bench/{session}/stream", HttpCompletionOption.ResponseHeadersRead, stop.Token);
        using var lines = new StreamReader(await stream.Content.ReadAsStreamAsync(stop.Token));
        await PostAsync(own.Address, own.Secret, "scale", Says("scale", 512, "g"));
        string? line;
        do line = await lines.ReadLineAsync(stop.Token);
        while (line is not null && !line.Contains("\"scale\"", StringComparison.Ordinal));
        var reading = JsonDocument.Parse(line!["data: ".Length..]).RootElement.GetProperty("readings")[0];
        Assert.Equal(512, reading.GetProperty("value").GetDouble());
    }

    [Fact]
    public async Task What_an_oven_said_is_drawn_beside_its_plan()
    {
        var own = await WithDevicesAsync();
        var session = await TestKitchen.BeginAsync(own.Baker, "market-squash-loaf");
        await PostAsync(own.Address, own.Secret, "oven-1", Says("oven", 60));
        await DeviceAsync(own, "oven-1");
        var traces = await UntilAsync<JsonElement?>(
            async () =>
            {
                var all = await (await own.Baker.GetAsync($"/bench/{session}/traces")).Content.ReadFromJsonAsync<JsonElement>();
                return all[0].GetProperty("real").GetArrayLength() > 0 ? all[0] : null;
            },
            "the reading is kept"
        );
        Assert.Equal(60, traces!.Value.GetProperty("real")[0][1].GetDouble());
        Assert.Contains(traces.Value.GetProperty("planned").EnumerateArray(), p => p[1].GetDouble() > 150);
    }

    [Fact]
    public async Task A_device_that_chatters_is_heard_no_more_often_than_others()
    {
        var own = await WithDevicesAsync();
        var answers = new List<HttpStatusCode>();
        for (var i = 0; i < DeviceIntake.MostInTenSeconds + 5; i++)
            answers.Add((await PostAsync(own.Address, own.Secret, "scale", Says("scale", i, "g"))).StatusCode);
        Assert.Contains(HttpStatusCode.TooManyRequests, answers);
        Assert.Equal(HttpStatusCode.NoContent, (await PostAsync(own.Address, own.Secret, "room", Says("room", 20))).StatusCode);
    }

    [Fact]
    public async Task A_kitchen_hears_no_more_devices_than_it_can_show()
    {
        var own = await WithDevicesAsync();
        for (var i = 0; i < DeviceHearing.MostDevices + 4; i++)
            await PostAsync(own.Address, own.Secret, $"room-{i}", Says("room", 20));
        await DeviceAsync(own, $"room-{DeviceHearing.MostDevices - 1}");
        await Task.Delay(300);
        await using var context = kitchen.Context(own.Kitchen);
        Assert.Equal(DeviceHearing.MostDevices, await context.Devices.CountAsync());
    }
}
