using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using NodaTime.Text;
using Zymethos.Planning.Day;

namespace Zymethos.Web.Tests;

public sealed class ApiTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private const string Plan = "/api/v1/oven-days/plan";

    private static string Root
    {
        get
        {
            var folder = AppContext.BaseDirectory;
            while (!File.Exists(Path.Combine(folder, "Zymethos.slnx")))
                folder = Path.GetDirectoryName(folder)!;
            return folder;
        }
    }

    private static JsonNode Example() => JsonNode.Parse(File.ReadAllText(Path.Combine(Root, "docs/formats/oven-day-example.json")))!;

    private async Task<(HttpStatusCode Status, JsonNode Body)> SendAsync(string json)
    {
        var response = await kitchen.Visitor().PostAsync(Plan, TestKitchen.Json(json));
        if ((int)response.StatusCode >= 400)
            Assert.Equal("application/problem+json", response.Content.Headers.ContentType!.MediaType);
        return (response.StatusCode, JsonNode.Parse(await response.Content.ReadAsStringAsync())!);
    }

    private static IEnumerable<string> Paths(JsonNode body) => body["errors"]!.AsArray().Select(e => (string)e!["path"]!);

    [Fact]
    public async Task The_documented_example_is_planned_with_figures_bound_and_reasons()
    {
        var (status, body) = await SendAsync(Example().ToJsonString());
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal("zymethos.oven-plan", (string)body["format"]!);
        Assert.Contains((string)body["status"]!, new[] { "proven", "found" });
        Assert.True(string.CompareOrdinal((string)body["finish"]!, (string)body["boundFinish"]!) >= 0);
        var chance = body["chance"]!;
        Assert.InRange((double)chance["certainty"]!, 0.8, 1);
        Assert.True(string.CompareOrdinal((string)chance["doneBy"]!, (string)chance["likelyDone"]!) >= 0);
        Assert.Equal(Example()["bakes"]!.AsArray().Count, chance["bakes"]!.AsArray().Count);
        Assert.True((int)body["figures"]!["ovenOnMinutes"]! > 0);
        Assert.All(body["tasks"]!.AsArray(), t => Assert.False(string.IsNullOrEmpty((string?)t!["notEarlier"])));
        Assert.Contains(body["runSheet"]!.AsArray(), l => ((string)l!["text"]!).StartsWith("Oven on, dial to", StringComparison.Ordinal));
        Assert.Contains(body["tasks"]!.AsArray(), t => (string)t!["bake"]! == "Flatbreads");
    }

    [Fact]
    public async Task No_way_by_hand_beats_what_is_said_to_be_unbeatable()
    {
        var (_, body) = await SendAsync(Example().ToJsonString());
        foreach (var hand in new[] { "listOrder", "byTemperature" })
            Assert.True(Minutes(body, (string)body["boundFinish"]!) <= (int)body["byHand"]![hand]!["finishMinute"]!);
        return;

        // Minutes from the start of the span, by way of the finish, which is given in both.
        static int Minutes(JsonNode plan, string at) =>
            (int)plan["figures"]!["finishMinute"]!
            - (int)
                (
                    LocalDateTimePattern.GeneralIso.Parse($"{(string)plan["finish"]!}:00").Value
                    - LocalDateTimePattern.GeneralIso.Parse($"{at}:00").Value
                )
                    .ToDuration()
                    .TotalMinutes;
    }

    [Theory]
    [InlineData("", 400)]
    [InlineData("{", 400)]
    [InlineData("null", 400)]
    [InlineData("[1,2,3]", 400)]
    [InlineData("{}", 400)]
    [InlineData("not json at all", 400)]
    public async Task Unreadable_documents_are_a_400(string json, int status)
    {
        var (code, body) = await SendAsync(json);
        Assert.Equal(status, (int)code);
        Assert.Equal("/problems/unreadable-document", (string)body["type"]!);
    }

    [Fact]
    public async Task An_unknown_field_is_named_with_its_path()
    {
        var document = Example();
        document["kitchen"]!["oven"]!["colour"] = "red";
        var (status, body) = await SendAsync(document.ToJsonString());
        Assert.Equal(HttpStatusCode.BadRequest, status);
        Assert.Equal("kitchen.oven.colour", Paths(body).Single());
    }

    [Fact]
    public async Task Everything_wrong_with_the_values_comes_back_at_once()
    {
        var document = Example();
        document["day"]!["until"] = "noon";
        document["kitchen"]!["roomC"] = 2e9;
        document["bakes"]![0]!["readyBy"] = "never";
        var (status, body) = await SendAsync(document.ToJsonString());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal(new[] { "bakes[0].readyBy", "day.until", "kitchen.roomC" }, Paths(body).Order());
    }

    [Theory]
    [InlineData("day", "until", "\"06:00\"", "day.until")]
    [InlineData("kitchen", "people", "[]", "kitchen.people")]
    [InlineData("kitchen", "mixers", "-1", "kitchen.mixers")]
    public async Task Senseless_values_are_a_422(string part, string field, string value, string path)
    {
        var document = Example();
        document[part]![field] = JsonNode.Parse(value);
        var (status, body) = await SendAsync(document.ToJsonString());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(path, Paths(body));
    }

    [Fact]
    public async Task No_bakes_at_all_is_said()
    {
        var document = Example();
        document["bakes"] = new JsonArray();
        Assert.Equal("bakes", Paths((await SendAsync(document.ToJsonString())).Body).Single());
    }

    [Fact]
    public async Task A_temperature_no_oven_has_is_named_at_the_bare_step_that_asks_for_it()
    {
        var document = Example();
        document["bakes"]![1]!["steps"]![1]!["oven"]!["setTemperatureC"] = 900;
        var (status, body) = await SendAsync(document.ToJsonString());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal("bakes[1].steps[1].oven.setTemperatureC", Paths(body).Single());
    }

    [Fact]
    public async Task Links_that_contradict_each_other_are_named()
    {
        var document = Example();
        document["bakes"]![1]!["links"]!.AsArray().Add(JsonNode.Parse("""{ "from": "bake", "to": "roll", "minLagMinutes": 5 }"""));
        var (status, body) = await SendAsync(document.ToJsonString());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.StartsWith("bakes[1].links[", Paths(body).Single(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Five_megabytes_are_refused_and_the_server_stays_up()
    {
        var (status, _) = await SendAsync($"{{\"format\":\"{new string('x', 5_000_000)}\"}}");
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, status);
        Assert.Equal(HttpStatusCode.OK, (await SendAsync(Example().ToJsonString())).Status);
    }

    [Fact]
    public async Task An_impossible_day_is_a_409_with_clash_and_ways_out()
    {
        var document = Example();
        document["day"]!["until"] = "08:50";
        var (status, body) = await SendAsync(document.ToJsonString());
        Assert.Equal(HttpStatusCode.Conflict, status);
        Assert.Equal("/problems/impossible-day", (string)body["type"]!);
        Assert.True((bool)body["proven"]!);
        Assert.NotEmpty(body["clash"]!.AsArray());
        Assert.True(body["waysOut"]!.AsArray().Count >= 2);
    }

    [Theory]
    [InlineData(1e300)]
    [InlineData(-5)]
    public async Task The_search_time_is_bounded(double seconds)
    {
        var document = Example();
        document["solve"] = new JsonObject { ["seconds"] = seconds };
        Assert.Contains("solve.seconds", Paths((await SendAsync(document.ToJsonString())).Body));
    }

    [Fact]
    public async Task OpenApi_describes_the_call()
    {
        var api = JsonNode.Parse(await kitchen.Visitor().GetStringAsync("/openapi/v1.json"))!;
        var call = api["paths"]![Plan]!["post"]!;
        Assert.NotNull(call["requestBody"]!["content"]!["application/json"]!["schema"]);
        Assert.All(["200", "400", "409", "413", "422", "429"], status => Assert.NotNull(call["responses"]![status]));
        Assert.NotNull(api["components"]!["schemas"]!["OvenDayDocument"]);
    }

    [Fact]
    public void The_committed_schemas_are_those_of_the_types()
    {
        foreach (var (name, schema) in Formats.Schemas())
        {
            var file = Path.Combine(Root, "docs/formats", name);
            var text = schema.ToJsonString(new JsonSerializerOptions { WriteIndented = true }) + "\n";
            if (Environment.GetEnvironmentVariable("ZYMETHOS_WRITE_SCHEMAS") == "1")
                File.WriteAllText(file, text);
            Assert.True(
                File.Exists(file) && File.ReadAllText(file) == text,
                $"docs/formats/{name} is not what the types say. Run the tests once with ZYMETHOS_WRITE_SCHEMAS=1 and look at the "
                    + "difference."
            );
        }
    }
}
