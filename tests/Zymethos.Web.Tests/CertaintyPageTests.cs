using System.Net;
using System.Text.Json.Nodes;
using AngleSharp.Dom;

namespace Zymethos.Web.Tests;

/// <summary>How sure a day is, on the page: said, chosen, asked for.</summary>
public sealed class CertaintyPageTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private const string Date = "2031-07-05";
    private static readonly string[] Day = ["lantern-plait", "market-squash-loaf", "orchard-almond-slices"];

    private Task<HttpClient> NewAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    private static string Batches(string recipe) => $"Setup.Rows[{TestKitchen.RowOf(recipe)}].Batches";

    private static async Task<IDocument> LookAsync(HttpClient baker) =>
        await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Date}"));

    private static async Task PlanAsync(HttpClient baker)
    {
        var typed = Day.ToDictionary(Batches, _ => "1");
        typed["Setup.Date"] = Date;
        typed["Setup.From"] = "08:00";
        typed["Setup.Until"] = "20:00";
        await TestKitchen.PostAsync(baker, "/oven-day", "#setup", typed);
    }

    private static async Task<HttpResponseMessage> ChooseAsync(HttpClient baker, string choice)
    {
        var page = await LookAsync(baker);
        var token = page.QuerySelector("#setup input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        return await baker.PostAsync(
            "/oven-day?handler=Hand",
            new FormUrlEncodedContent(
                new Dictionary<string, string>
                {
                    ["date"] = Date,
                    ["Do"] = "choose",
                    ["Value"] = choice,
                    ["__RequestVerificationToken"] = token,
                }
            )
        );
    }

    private static string Sheet(IDocument page) =>
        string.Join(' ', page.QuerySelectorAll(".sheet tr .when").Select(w => w.TextContent.Trim()));

    [Fact]
    public async Task A_plan_says_what_may_be_promised_and_how_sure_it_is()
    {
        var baker = await NewAsync();
        await PlanAsync(baker);
        var page = await LookAsync(baker);
        var main = page.QuerySelectorAll(".figure-main").Select(m => m.TextContent).ToList();
        Assert.Matches(@"Done by\s*\d\d:\d\d\s*likely \d\d:\d\d", main[0]);
        Assert.Matches(@"Hands free by\s*\d\d:\d\d\s*likely \d\d:\d\d", main[1]);
        Assert.Matches(@"Goes well on\s*(more than )?\d+ of 100 days", main[2]);
        var hours = System.Text.RegularExpressions.Regex.Matches(main[0], @"\d\d:\d\d", default, TimeSpan.FromSeconds(1));
        Assert.True(string.CompareOrdinal(hours[0].Value, hours[1].Value) >= 0);
        Assert.Contains("By usual times it is done at", page.QuerySelector(".proof")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Another_plan_is_taken_with_one_touch_and_taken_back_with_another()
    {
        var baker = await NewAsync();
        await PlanAsync(baker);
        var before = await LookAsync(baker);
        var buttons = before.QuerySelectorAll(".choices button");
        if (buttons.Length == 0)
        {
            // The tightest plan is the surest on this machine's few tries: then there is nothing to choose, and nothing is offered.
            Assert.Null(before.QuerySelector(".certainty"));
            return;
        }

        // What the row says is what stands afterwards.
        var row = buttons[0].Closest("tr")!;
        var promised = row.QuerySelector("td.done-by")!.TextContent.Trim();
        var response = await ChooseAsync(baker, buttons[0].GetAttribute("value")!);
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        var after = await LookAsync(baker);
        Assert.StartsWith(promised, after.QuerySelector(".figure-main dd")!.TextContent.Trim(), StringComparison.Ordinal);
        Assert.Equal(before.QuerySelectorAll(".choices tbody tr").Length, after.QuerySelectorAll(".choices tbody tr").Length);
        Assert.Single(after.QuerySelectorAll(".choices tr.is-taken"));
        await TestKitchen.PostAsync(baker, $"/oven-day?date={Date}", "form[action='/oven-day?handler=Undo']", []);
        Assert.Equal(Sheet(before), Sheet(await LookAsync(baker)));
    }

    [Theory]
    [InlineData("99")]
    [InlineData("-1")]
    [InlineData("the best")]
    public async Task A_plan_that_is_not_there_is_said_and_nothing_changes(string choice)
    {
        var baker = await NewAsync();
        await PlanAsync(baker);
        var before = Sheet(await LookAsync(baker));
        var response = await ChooseAsync(baker, choice);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        Assert.Contains("That plan is not there any more.", await response.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(before, Sheet(await LookAsync(baker)));
    }

    [Fact]
    public async Task A_kitchen_says_how_sure_its_days_should_be()
    {
        var baker = await NewAsync();
        await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", new() { ["Form.CertaintyPercent"] = "80" });
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"));
        Assert.Equal("80", page.QuerySelector("#k-CertaintyPercent option[selected]")!.GetAttribute("value"));
        var refused = await TestKitchen.ParseAsync(
            await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", new() { ["Form.CertaintyPercent"] = "93" })
        );
        Assert.Contains("80, 90, 95 or 99", refused.QuerySelector("#wrong-CertaintyPercent")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_open_format_names_a_certainty_that_cannot_be_asked_for()
    {
        var folder = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(folder, "Zymethos.slnx")))
            folder = Path.GetDirectoryName(folder)!;
        var document = JsonNode.Parse(await File.ReadAllTextAsync(Path.Combine(folder, "docs", "formats", "oven-day-example.json")))!;
        document["kitchen"]!["certaintyPercent"] = 93;
        var response = await kitchen
            .Visitor()
            .PostAsync("/api/v1/oven-days/plan", new StringContent(document.ToJsonString(), System.Text.Encoding.UTF8, "application/json"));
        var body = JsonNode.Parse(await response.Content.ReadAsStringAsync())!;
        Assert.Equal("kitchen.certaintyPercent", (string)body["errors"]!.AsArray().Single()!["path"]!);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
    }
}
