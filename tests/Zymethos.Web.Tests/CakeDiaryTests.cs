using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;

namespace Zymethos.Web.Tests;

/// <summary>The diary of cakes that are fed while they keep.</summary>
public sealed class CakeDiaryTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private Task<HttpClient> BakerAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    private static string Day(int ago) => DateTime.UtcNow.Date.AddDays(-ago).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    private static async Task BakedAsync(HttpClient baker, string recipe, int ago) =>
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await TestKitchen.PostAsync(
                    baker,
                    "/daybook/write",
                    "form.write-form",
                    new()
                    {
                        ["Form.Date"] = Day(ago),
                        ["Form.Recipe"] = recipe,
                        ["Form.Loads[0].Minutes"] = "200",
                    }
                )
            ).StatusCode
        );

    private static Task<HttpResponseMessage> FeedAsync(HttpClient baker, int ago, string amount = "25") =>
        TestKitchen.PostAsync(
            baker,
            "/daybook/feeding",
            "form.cake-form",
            new()
            {
                ["Form.Date"] = Day(ago),
                ["Form.Hour"] = "08:00",
                ["Form.Amount"] = amount,
                ["Form.Note"] = "Drank it",
            }
        );

    [Fact]
    public async Task A_cake_stands_with_its_feeds_and_with_the_next_one()
    {
        var baker = await BakerAsync();
        await BakedAsync(baker, "cellar-fruit-cake", 30);
        await BakedAsync(baker, "market-squash-loaf", 20);
        var before = await TestKitchen.ParseAsync(await baker.GetAsync("/daybook/feeding"));
        Assert.Single(before.QuerySelectorAll(".fed-cake"));
        Assert.Contains("0 of 3 feeds", before.QuerySelector(".fed-cake")!.TextContent, StringComparison.Ordinal);
        await FeedAsync(baker, 30);
        await FeedAsync(baker, 23);
        var due = await TestKitchen.ParseAsync(await baker.GetAsync("/daybook/feeding"));
        Assert.Contains("2 of 3 feeds", due.QuerySelector(".fed-cake")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("days ago", due.QuerySelector(".answer")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("25 ml of brandy. Drank it", due.QuerySelector(".feeds")!.TextContent, StringComparison.Ordinal);
        var calendar = await baker.GetStringAsync("/daybook/feeding?handler=Calendar");
        Assert.Equal(2, calendar.Split("BEGIN:VEVENT").Length);
        Assert.Contains("BEGIN:VALARM", calendar, StringComparison.Ordinal);
        await FeedAsync(baker, 16);
        var over = await TestKitchen.ParseAsync(await baker.GetAsync("/daybook/feeding"));
        Assert.Contains("at its best since", over.QuerySelector(".fed-cake")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("No cake is waiting", over.QuerySelector(".answer")!.TextContent, StringComparison.Ordinal);
        var gone = await TestKitchen.PostAsync(baker, "/daybook/feeding", ".feeds form", []);
        Assert.Contains("2 of 3 feeds", await gone.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(40, "25", "It was not baked yet then.")]
    [InlineData(-3, "25", "That is still to come.")]
    [InlineData(2, "a splash", "Millilitres, like 25.")]
    public async Task What_cannot_have_been_is_said_at_its_field_and_kept_as_typed(int ago, string amount, string words)
    {
        var baker = await BakerAsync();
        await BakedAsync(baker, "cellar-fruit-cake", 30);
        var answer = await FeedAsync(baker, ago, amount);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        var page = await TestKitchen.ParseAsync(answer);
        Assert.Contains(words, page.QuerySelector(".cake-form")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("Drank it", page.QuerySelector("input[name='Form.Note']")!.GetAttribute("value"));
    }

    [Fact]
    public async Task Feeds_go_along_in_the_Daybooks_file_and_in_again()
    {
        var (baker, other) = (await BakerAsync(), await BakerAsync());
        await BakedAsync(baker, "cellar-fruit-cake", 10);
        await FeedAsync(baker, 10);
        var file = await baker.GetStringAsync("/daybook.json");
        Assert.Equal(25, (double)JsonNode.Parse(file)!["cakeFeeds"]![0]!["millilitres"]!);
        Assert.Contains("1 feed came in", await BringAsync(other, file), StringComparison.Ordinal);
        Assert.Contains("0 feeds came in", await BringAsync(other, file), StringComparison.Ordinal);
        var page = await TestKitchen.ParseAsync(await other.GetAsync("/daybook/feeding"));
        Assert.Contains("1 of 3 feeds", page.QuerySelector(".fed-cake")!.TextContent, StringComparison.Ordinal);
        var odd = JsonNode.Parse(file)!;
        odd["cakeFeeds"]![0]!["millilitres"] = -1;
        Assert.Contains("A feed is 0 to 10,000 ml", await BringAsync(other, odd.ToJsonString()), StringComparison.Ordinal);
    }

    private static async Task<string> BringAsync(HttpClient baker, string json)
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/daybook/file"));
        using var form = new MultipartFormDataContent
        {
            {
                new StringContent(page.QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!),
                "__RequestVerificationToken"
            },
            { new StringContent(json), "daybook", "daybook.json" },
        };
        return await (await baker.PostAsync("/daybook/file", form)).Content.ReadAsStringAsync();
    }

    [Fact]
    public async Task A_recipe_comes_from_another_page_onto_the_days_list()
    {
        var baker = await BakerAsync();
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2099-03-07&add=lodger-cake"));
        Assert.Contains("is on the list", page.QuerySelector(".note")!.TextContent, StringComparison.Ordinal);
        Assert.Single(page.QuerySelectorAll("input[name='Setup.Rows[lodger-cake].Pieces']"));
        var none = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2099-03-07&add=no-such-recipe"));
        Assert.Empty(none.QuerySelectorAll("input[name='Setup.Rows[no-such-recipe].Pieces']"));
        Assert.Empty(none.QuerySelectorAll(".note"));
    }
}
