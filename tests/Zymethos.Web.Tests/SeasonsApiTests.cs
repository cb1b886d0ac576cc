using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using Zymethos.Core.Kitchens;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;

namespace Zymethos.Web.Tests;

/// <summary>A season planned over HTTP, and what is said of one that is not as it should be.</summary>
public sealed class SeasonsApiTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private static JsonNode Season() =>
        JsonSerializer.SerializeToNode(
            new SeasonDocument(
                DemoKitchen.Kitchen(),
                [.. DemoKitchen.Recipes().Where(r => r.Key is "market-squash-loaf" or "orchard-almond-slices" or "lantern-plait")],
                "2026-12-01T08:00",
                [
                    new OccasionDocument("Lantern Night", "2026-12-12T18:00"),
                    new OccasionDocument("Parcels", "2026-12-20T12:00", "posted", 3),
                ],
                [
                    new NeedDocument("Lantern Night", "lantern-plait", 2),
                    new NeedDocument("Lantern Night", "market-squash-loaf", 2, "the street"),
                    new NeedDocument("Parcels", "orchard-almond-slices", 36),
                ],
                [
                    new SessionDocument("2026-12-05T08:00", "2026-12-05T18:00", 2),
                    new SessionDocument("2026-12-08T18:00", "2026-12-08T22:00", 1),
                    new SessionDocument("2026-12-12T08:00", "2026-12-12T17:00", 2),
                ],
                Solve: new SolveDocument(8)
            ),
            OpenJson.Options
        )!;

    private async Task<(HttpStatusCode Status, JsonNode Body)> SendAsync(JsonNode season)
    {
        var response = await kitchen.Visitor().PostAsync("/api/v1/seasons/plan", TestKitchen.Json(season.ToJsonString()));
        return (response.StatusCode, JsonNode.Parse(await response.Content.ReadAsStringAsync())!);
    }

    [Fact]
    public async Task Every_need_has_its_work_in_a_session_and_a_way_to_wait()
    {
        var (status, body) = await SendAsync(Season());
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal("zymethos.season-plan", (string)body["format"]!);
        Assert.Empty(body["unmet"]!.AsArray());
        Assert.Equal(3, body["lots"]!.AsArray().Count);
        Assert.All(
            body["lots"]!.AsArray(),
            lot =>
            {
                Assert.NotEmpty(lot!["work"]!.AsArray());
                Assert.NotEmpty((string)lot["kept"]!);
                Assert.NotEmpty((string)lot["reckoning"]!);
            }
        );
        // What is posted is done before it travels.
        var slices = body["lots"]![2]!["work"]!.AsArray();
        Assert.True(string.CompareOrdinal((string)slices[^1]!["start"]!, "2026-12-17T12:00") < 0);
        Assert.All(body["sessions"]!.AsArray(), s => Assert.NotEmpty(s!["tasks"]!.AsArray()));
        Assert.True((long)body["bound"]! <= (long)body["cost"]!);
    }

    [Theory]
    [InlineData("needs[0].recipe", "recipe", "no-such-cake")]
    [InlineData("needs[0].occasion", "occasion", "Yesterday")]
    [InlineData("needs[0].pieces", "pieces", 0)]
    public async Task A_need_that_cannot_be_meant_is_said_at_its_place(string path, string field, object value)
    {
        var season = Season();
        season["needs"]![0]![field] = value is int number ? number : (string)value;
        var (status, body) = await SendAsync(season);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(path, body["errors"]!.AsArray().Select(e => (string)e!["path"]!));
    }

    [Fact]
    public async Task Times_and_sessions_that_cannot_be_are_all_said_at_once()
    {
        var season = Season();
        season["now"] = "tomorrow";
        season["sessions"]![1]!["from"] = "2026-12-05T12:00";
        season["sessions"]![1]!["until"] = "2026-12-05T20:00";
        season["sessions"]![2]!["until"] = "2026-12-12T07:00";
        season["occasions"]![1]!["handing"] = "thrown";
        var (status, body) = await SendAsync(season);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal(
            ["now", "occasions[1].handing", "sessions[1].from", "sessions[2].until"],
            body["errors"]!.AsArray().Select(e => (string)e!["path"]!).Order(StringComparer.Ordinal)
        );
    }

    [Fact]
    public async Task Without_sessions_every_need_is_unmet_with_a_reason()
    {
        var season = Season();
        season["sessions"] = new JsonArray();
        var (status, body) = await SendAsync(season);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(3, body["unmet"]!.AsArray().Count);
        Assert.All(body["unmet"]!.AsArray(), u => Assert.NotEmpty((string)u!["why"]!));
    }

    [Fact]
    public async Task OpenApi_describes_the_call()
    {
        var api = JsonNode.Parse(await kitchen.Visitor().GetStringAsync("/openapi/v1.json"))!;
        Assert.NotNull(api["paths"]!["/api/v1/seasons/plan"]!["post"]!["requestBody"]!["content"]!["application/json"]!["schema"]);
    }
}
