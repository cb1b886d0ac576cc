using System.Net;
using System.Text.Json.Nodes;
using Zymethos.Workshop.Calculators;

namespace Zymethos.Web.Tests;

/// <summary>The Workshop's calls: what they answer, and what they say where something cannot be.</summary>
public sealed class WorkshopApiTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private async Task<(HttpStatusCode Status, JsonNode Body)> SendAsync(string call, string json)
    {
        var answer = await kitchen.Visitor().PostAsync($"/api/v1/workshop/{call}", TestKitchen.Json(json));
        return (answer.StatusCode, JsonNode.Parse(await answer.Content.ReadAsStringAsync())!);
    }

    [Fact]
    public async Task Calculators_are_listed_with_what_they_ask()
    {
        var list = JsonNode.Parse(await kitchen.Visitor().GetStringAsync("/api/v1/workshop/calculators"))!.AsArray();
        Assert.Equal(CalculatorShelf.All.Select(c => c.Address), list.Select(c => (string)c!["address"]!));
        var dough = list.Single(c => (string)c!["address"]! == "division")!["fields"]!
            .AsArray()
            .Single(f => (string)f!["name"]! == "dough")!;
        Assert.Equal("weight", (string)dough["kind"]!);
        Assert.Equal(20, (double)dough["least"]!);
    }

    [Fact]
    public async Task A_calculator_answers_in_figures_and_words()
    {
        var (status, body) = await SendAsync("calculators/division", """{ "values": { "dough": "1 kg", "into": "5", "count": "1" } }""");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("5 ropes of 200 g", (string)body["says"]!, StringComparison.Ordinal);
        Assert.Equal(200, (double)body["values"]!.AsArray().Single(v => (string)v!["name"]! == "each")!["value"]!);
    }

    [Theory]
    [InlineData("calculators/division", """{ "values": { "dough": "lots" } }""", "values.dough")]
    [InlineData("calculators/division", """{ "values": { "flour": "1 kg" } }""", "values.flour")]
    [InlineData("cutting", """{ "shapes": [] }""", "shapes")]
    [InlineData("cutting", """{ "shapes": [{ "name": "heart", "millimetres": 60, "wanted": 3 }] }""", "shapes[0]")]
    [InlineData("cutting", """{ "shapes": [{ "name": "round", "millimetres": 60 }] }""", "shapes[0].wanted")]
    [InlineData("cutting", """{ "doughGrams": 500, "thickness": 0, "shapes": [{ "name": "round", "millimetres": 60 }] }""", "thickness")]
    [InlineData(
        "cutting",
        """{ "doughGrams": 500, "shapes": [{ "name": "bow", "millimetres": 60, "path": "M0 0L9 9L9 0L0 9Z" }] }""",
        "shapes[0]"
    )]
    [InlineData("house", """{ "width": -4 }""", "width")]
    [InlineData("house", """{ "pitch": 2 }""", "Pitch")]
    public async Task What_cannot_be_is_said_at_its_path(string call, string json, string path)
    {
        var (status, body) = await SendAsync(call, json);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal(path, (string)body["errors"]![0]!["path"]!, ignoreCase: true);
    }

    [Fact]
    public async Task An_unknown_calculator_is_not_found() =>
        Assert.Equal(HttpStatusCode.NotFound, (await SendAsync("calculators/nothing", "{}")).Status);

    [Fact]
    public async Task Every_piece_lies_on_its_sheet()
    {
        var (status, body) = await SendAsync(
            "cutting",
            """
            { "doughGrams": 600, "thickness": 5, "boardWidth": 300, "boardLength": 400,
              "shapes": [{ "name": "brick", "millimetres": 60, "wanted": 6, "path": "M0 0H6V4H0Z" }, { "name": "star", "millimetres": 70, "wanted": 4, "path": null }] }
            """
        );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(6, (int)body["counts"]![0]!);
        Assert.Equal(4, (int)body["counts"]![1]!);
        foreach (var sheet in body["rolls"]!.AsArray().SelectMany(r => r!["sheets"]!.AsArray()))
        foreach (var piece in sheet!["pieces"]!.AsArray())
        {
            Assert.InRange((double)piece!["x"]!, -0.01, (double)sheet["width"]!);
            Assert.InRange((double)piece["y"]!, -0.01, (double)sheet["height"]!);
        }

        // Dough in is dough out: pieces, loss and what is left.
        var rolls = body["rolls"]!.AsArray();
        Assert.Equal(600, rolls.Sum(r => (double)r!["pieceGrams"]! + (double)r["lostGrams"]!) + (double)body["leftGrams"]!, 0.5);
        Assert.Equal(6, body["trays"]!.AsArray().SelectMany(t => t!["sheet"]!["pieces"]!.AsArray()).Count(p => (int)p!["shape"]! == 0));
    }

    [Fact]
    public async Task How_much_dough_so_many_pieces_need()
    {
        var (status, body) = await SendAsync("cutting", """{ "shapes": [{ "name": "square", "millimetres": 50, "wanted": 20 }] }""");
        Assert.Equal(HttpStatusCode.OK, status);
        // Twenty squares of 5 cm, 4 mm thick, 1.25 g a cubic centimetre, weigh 250 g.
        Assert.InRange((double)body["doughGrams"]!, 250, 400);
    }

    [Fact]
    public async Task A_house_by_its_measures()
    {
        var (status, body) = await SendAsync("house", """{ "width": 140, "depth": 180, "wallHeight": 90, "pitch": 45, "houses": 2 }""");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.All(body["pieces"]!.AsArray(), p => Assert.True((int)p!["count"]! >= 2));
        Assert.True((double)body["icingGrams"]! > 50);
        Assert.NotEmpty(body["trays"]!.AsArray());
    }

    [Fact]
    public async Task The_calls_are_described()
    {
        var api = JsonNode.Parse(await kitchen.Visitor().GetStringAsync("/openapi/v1.json"))!;
        foreach (var call in new[] { "calculators/{address}", "cutting", "house" })
            Assert.NotEmpty((string)api["paths"]![$"/api/v1/workshop/{call}"]!["post"]!["description"]!);
    }
}
