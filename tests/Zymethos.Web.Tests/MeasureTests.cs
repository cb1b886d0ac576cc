using System.Net;
using System.Text.Json.Nodes;
using Zymethos.Core.Measures;

namespace Zymethos.Web.Tests;

/// <summary>Weighing a list, on its page and over the API.</summary>
public sealed class MeasureTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private async Task<(HttpStatusCode Status, JsonNode Body)> SendAsync(string call, string json)
    {
        var response = await kitchen.Visitor().PostAsync($"/api/v1/measures/{call}", TestKitchen.Json(json));
        return (response.StatusCode, JsonNode.Parse(await response.Content.ReadAsStringAsync())!);
    }

    [Fact]
    public async Task Lines_come_back_read_weighed_and_with_their_doubts()
    {
        var (status, body) = await SendAsync("parse", """{ "text": "2 cups flour\n1 cup (200 g) bread flour\na pinch of moon dust" }""");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(450, (double)body["grams"]!);
        Assert.Equal("plain flour", (string)body["lines"]![0]!["ingredient"]!);
        Assert.Equal(["wheat", "gluten"], body["lines"]![0]!["allergens"]!.AsArray().Select(a => (string)a!));
        Assert.Contains("By weight", (string)body["lines"]![1]!["doubts"]![0]!, StringComparison.Ordinal);
        Assert.Null(body["lines"]![2]!["grams"]);
        Assert.Null(body["lines"]![2]!["ingredient"]);
    }

    [Theory]
    [InlineData("""{ "ingredient": "butter", "amount": 1, "unit": "cup", "to": "g" }""", 227)]
    [InlineData("""{ "ingredient": "brown sugar", "amount": 220, "unit": "g", "to": "cup", "form": "packed" }""", 1)]
    [InlineData("""{ "ingredient": "egg", "amount": 4, "unit": "piece", "to": "g" }""", 200)]
    [InlineData("""{ "ingredient": "water", "amount": 1, "unit": "lb", "to": "kg" }""", 0.454)]
    public async Task Amounts_are_converted(string json, double expected)
    {
        var (status, body) = await SendAsync("convert", json);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(expected, (double)body["amount"]!, 3);
        Assert.NotEmpty((string)body["source"]!);
    }

    [Theory]
    [InlineData("""{ "ingredient": "moon dust", "amount": 1, "unit": "cup", "to": "g" }""", "ingredient")]
    [InlineData("""{ "ingredient": "butter", "amount": -1, "unit": "cup", "to": "g" }""", "amount")]
    [InlineData("""{ "ingredient": "butter", "amount": 1, "unit": "bushel", "to": "g" }""", "unit")]
    [InlineData("""{ "ingredient": "butter", "amount": 1, "unit": "cup", "to": "furlong" }""", "to")]
    [InlineData("""{ "ingredient": "butter", "amount": 1, "unit": "jar", "to": "g" }""", "unit")]
    public async Task What_cannot_be_converted_is_said_at_its_field(string json, string path)
    {
        var (status, body) = await SendAsync("convert", json);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal(path, (string)body["errors"]![0]!["path"]!);
    }

    [Fact]
    public async Task Too_much_at_once_is_refused_in_steps()
    {
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await SendAsync("parse", $"{{ \"text\": \"{new string('x', 30_000)}\" }}")).Status
        );
        Assert.Equal(
            HttpStatusCode.RequestEntityTooLarge,
            (await SendAsync("parse", $"{{ \"text\": \"{new string('x', 2_000_000)}\" }}")).Status
        );
        Assert.Equal(HttpStatusCode.BadRequest, (await SendAsync("parse", """{ "txt": "2 cups flour" }""")).Status);
    }

    [Fact]
    public async Task The_page_reads_without_scripts_and_keeps_what_was_typed()
    {
        var baker = await kitchen.DemoBakerAsync();
        var page = await TestKitchen.ParseAsync(
            await TestKitchen.PostAsync(baker, "/book/weigh", "#weigh", new() { ["Lines"] = "Glaze:\n1 cup <b>sugar</b>\n2 eggs" })
        );
        Assert.Equal("Glaze:\n1 cup <b>sugar</b>\n2 eggs", page.QuerySelector("#lines")!.TextContent);
        Assert.Equal(3, page.QuerySelectorAll(".readings tbody tr").Length);
        Assert.Empty(page.QuerySelectorAll(".readings b"));
        Assert.Contains("egg", page.QuerySelector(".readings .caution")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_paste_too_long_is_kept_and_explained()
    {
        var baker = await kitchen.DemoBakerAsync();
        var text = new string('y', 25_000);
        var page = await TestKitchen.ParseAsync(await TestKitchen.PostAsync(baker, "/book/weigh", "#weigh", new() { ["Lines"] = text }));
        Assert.Contains("25000 characters", page.QuerySelector("#wrong-lines")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(text, page.QuerySelector("#lines")!.TextContent);
    }
}
