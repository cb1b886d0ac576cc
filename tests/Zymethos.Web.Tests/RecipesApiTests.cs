using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;

namespace Zymethos.Web.Tests;

/// <summary>Scaling, fitting pans and reading recipes over HTTP.</summary>
public sealed class RecipesApiTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private async Task<(HttpStatusCode Status, JsonNode Body)> SendAsync(string call, JsonNode body)
    {
        var response = await kitchen.Visitor().PostAsync($"/api/v1/{call}", TestKitchen.Json(body.ToJsonString()));
        if ((int)response.StatusCode >= 400)
            Assert.Equal("application/problem+json", response.Content.Headers.ContentType!.MediaType);
        return (response.StatusCode, JsonNode.Parse(await response.Content.ReadAsStringAsync())!);
    }

    private static JsonNode Recipe(string key) =>
        JsonSerializer.SerializeToNode(DemoKitchen.Recipes().Single(r => r.Key == key), OpenJson.Options)!;

    [Fact]
    public async Task A_recipe_is_scaled_to_dough_weight()
    {
        var (status, body) = await SendAsync(
            "recipes/scale",
            new JsonObject
            {
                ["recipe"] = Recipe("lantern-plait"),
                ["by"] = "dough",
                ["value"] = 3492,
            }
        );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(2, (double)body["factor"]!, 0.001);
        Assert.Equal(2000, (double)body["flourGrams"]!, 1.0);
        Assert.Equal(2000, (double)body["parts"]![0]!["lines"]![0]!["grams"]!, 1.0);
        Assert.Equal(100, (double)body["bakersPercent"]![0]!["percent"]!);
        Assert.Equal(12, (int)body["division"]!["count"]!);
        Assert.Contains("egg", body["allergens"]!.AsArray().Select(a => (string)a!));
    }

    [Fact]
    public async Task Batter_is_fitted_and_a_known_bake_carried_over()
    {
        var (status, body) = await SendAsync(
            "pans/fit",
            JsonNode.Parse(
                """
                { "batterGrams": 1000, "kind": "quickLoaf", "count": 4,
                  "pan": { "name": "mini", "lengthCm": 14.5, "widthCm": 8, "depthCm": 5.5, "shape": "loaf" },
                  "from": { "pan": { "name": "loaf", "lengthCm": 23, "widthCm": 13, "depthCm": 7.5, "shape": "loaf" }, "batterGrams": 1100, "minutes": 55, "setTemperatureC": 175 } }
                """
            )!
        );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(250, (double)body["gramsEach"]!);
        // From a loaf of 55 min a mini loaf takes about 28 (common practice, no source).
        Assert.InRange((int)body["bake"]!["likely"]!, 23, 33);
        Assert.Equal((int)Math.Round(0.85 * (int)body["bake"]!["likely"]!), (int)body["bake"]!["firstLook"]!, 1.0);
    }

    [Fact]
    public async Task Text_comes_back_as_recipes_with_questions()
    {
        var (status, body) = await SendAsync(
            "recipes/import",
            new JsonObject
            {
                ["text"] = "Buns\n\n500 g flour\n7 g yeast\n\nMix. Let rise until doubled, about 1 hour. Bake at 200 C for 15 minutes.",
            }
        );
        Assert.Equal(HttpStatusCode.OK, status);
        var recipe = body["recipes"]![0]!;
        Assert.Contains("bulkRise", recipe["recipe"]!["steps"]!.AsArray().Select(s => (string)s!["kind"]!));
        Assert.NotEmpty(recipe["questions"]!.AsArray());
    }

    public static TheoryData<string, string, string> Bad() =>
        new()
        {
            { "recipes/scale", """{ "recipe": RECIPE, "by": "moons", "value": 2 }""", "by" },
            { "recipes/scale", """{ "recipe": RECIPE, "by": "multiple", "value": -2 }""", "value" },
            { "recipes/scale", """{ "recipe": RECIPE, "by": "multiple", "value": 5000 }""", "value" },
            { "recipes/scale", """{ "recipe": RECIPE, "by": "pans", "value": 2 }""", "by" },
            {
                "pans/fit",
                """{ "batterGrams": 0, "kind": "quickLoaf", "pan": { "name": "x", "lengthCm": 20, "widthCm": 20, "depthCm": 5, "shape": "rectangle" } }""",
                "batterGrams"
            },
            {
                "pans/fit",
                """{ "batterGrams": 100, "kind": "soup", "pan": { "name": "x", "lengthCm": 20, "widthCm": 20, "depthCm": 5, "shape": "rectangle" } }""",
                "kind"
            },
            {
                "pans/fit",
                """{ "batterGrams": 100, "kind": "quickLoaf", "pan": { "name": "tray", "lengthCm": 20, "widthCm": 20 } }""",
                "pan"
            },
            { "recipes/import", """{ "text": "{ \"@type\": " }""", "text" },
            { "recipes/import", """{ "text": "" }""", "text" },
        };

    [Theory]
    [MemberData(nameof(Bad))]
    public async Task What_cannot_be_meant_is_said_at_its_path(string call, string json, string path)
    {
        var (status, body) = await SendAsync(
            call,
            JsonNode.Parse(json.Replace("RECIPE", Recipe("window-shapes").ToJsonString(), StringComparison.Ordinal))!
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal(path, (string)body["errors"]![0]!["path"]!);
    }

    [Fact]
    public async Task The_calls_are_described()
    {
        var api = JsonNode.Parse(await kitchen.Visitor().GetStringAsync("/openapi/v1.json"))!;
        foreach (var call in new[] { "measures/parse", "measures/convert", "recipes/scale", "recipes/import", "pans/fit" })
            Assert.NotEmpty((string)api["paths"]![$"/api/v1/{call}"]!["post"]!["description"]!);
    }
}
