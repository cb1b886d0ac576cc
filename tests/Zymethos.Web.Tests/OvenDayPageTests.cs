using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;

namespace Zymethos.Web.Tests;

/// <summary>Planning a day on the page, with good and bad input. Each test has a kitchen of its own.</summary>
public sealed class OvenDayPageTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private static readonly int Plait = TestKitchen.RowOf("lantern-plait");
    private static readonly int Loaf = TestKitchen.RowOf("market-squash-loaf");

    private static string Batches(int row) => $"Setup.Rows[{row}].Batches";

    private Task<HttpClient> NewAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    private static Task<HttpResponseMessage> PlanAsync(HttpClient baker, Dictionary<string, string> typed, string? button = null, bool htmx = false) =>
        TestKitchen.PostAsync(baker, "/oven-day", "#setup", typed, button, htmx);

    private static string Value(IDocument page, string name) => ((IHtmlInputElement)page.QuerySelector($"[name='{name}']")!).Value;

    [Fact]
    public async Task A_planned_day_is_kept_and_comes_back()
    {
        var baker = await NewAsync();
        var response = await PlanAsync(baker, new() { ["Setup.Date"] = "2031-05-03", ["Setup.From"] = "07:00", ["Setup.Until"] = "15:00", [Batches(Plait)] = "1", [Batches(Loaf)] = "2" });
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2031-05-03"));
        Assert.Equal("Saturday 3 May", page.QuerySelector("h1")!.TextContent);
        Assert.Contains("Market squash loaf, 2 batches", page.QuerySelector(".legend")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("07:00", Value(page, "Setup.From"));
        Assert.Equal("2", Value(page, Batches(Loaf)));
        Assert.Contains("(batch 2)", page.QuerySelector(".sheet")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task With_htmx_only_the_planning_comes_back_and_the_address_follows()
    {
        var response = await PlanAsync(await NewAsync(), new() { ["Setup.Date"] = "2031-05-04", [Batches(Loaf)] = "1" }, htmx: true);
        var text = await response.Content.ReadAsStringAsync();
        Assert.StartsWith("<div id=\"planning\"", text.TrimStart(), StringComparison.Ordinal);
        Assert.Equal("/oven-day?date=2031-05-04", response.Headers.GetValues("HX-Push-Url").Single());
    }

    [Theory]
    [InlineData("Setup.Until", "06:00", "#wrong-until", "must end after it starts")]
    [InlineData("Setup.From", "half past", "#wrong-from", "as 08:00")]
    [InlineData("Setup.Date", "someday", "#wrong-date", "Choose a date")]
    [InlineData("Setup.Rows[loaf].Batches", "-3", "#wrong-batches-loaf", "whole number from 0 to 12")]
    [InlineData("Setup.Rows[loaf].Batches", "1e9", "#wrong-batches-loaf", "whole number from 0 to 12")]
    [InlineData("Setup.Rows[loaf].Batches", "13", "#wrong-batches-loaf", "whole number from 0 to 12")]
    [InlineData("Setup.Rows[loaf].ReadyBy", "tea time", "#wrong-ready-loaf", "as 17:00")]
    [InlineData("Setup.Rows[loaf].ReadyBy", "07:00", "#wrong-ready-loaf", "before the day starts")]
    public async Task Bad_input_is_answered_at_its_field_and_kept(string field, string typed, string at, string words)
    {
        var baker = await NewAsync();
        (field, at) = (field.Replace("loaf", $"{Loaf}", StringComparison.Ordinal), at.Replace("loaf", $"{Loaf}", StringComparison.Ordinal));
        var form = new Dictionary<string, string> { [Batches(Loaf)] = "2", ["Setup.Rows[0].ReadyBy"] = "17:45", [field] = typed };
        var response = await PlanAsync(baker, form);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        var page = await TestKitchen.ParseAsync(response);
        Assert.Contains(words, page.QuerySelector(at)!.TextContent, StringComparison.Ordinal);
        // Dates and hours that a browser's own field cannot hold are kept in the markup all the same.
        foreach (var (name, value) in form) Assert.Equal(value, page.QuerySelector($"[name='{name}']")!.GetAttribute("value"));
    }

    [Fact]
    public async Task No_recipe_chosen_says_so()
    {
        var page = await TestKitchen.ParseAsync(await PlanAsync(await NewAsync(), []));
        Assert.Contains("Choose at least one recipe", page.QuerySelector(".setup")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_day_too_short_says_what_clashes_and_its_ways_out_work_at_one_touch()
    {
        var baker = await NewAsync();
        var form = new Dictionary<string, string> { ["Setup.Date"] = "2031-05-05", ["Setup.From"] = "08:00", ["Setup.Until"] = "11:00", [Batches(Plait)] = "1", [Batches(Loaf)] = "1" };
        var page = await TestKitchen.ParseAsync(await PlanAsync(baker, form));
        var clash = page.QuerySelector(".clash")!;
        Assert.Contains("cannot work as it stands", clash.TextContent, StringComparison.Ordinal);
        Assert.Contains("Lantern plait", clash.TextContent, StringComparison.Ordinal);
        Assert.Contains("a day from 08:00 to 11:00", clash.TextContent, StringComparison.Ordinal);
        var ways = page.QuerySelectorAll(".ways li");
        Assert.True(ways.Length >= 2, clash.TextContent);
        Assert.Equal("11:00", Value(page, "Setup.Until"));

        foreach (var button in page.QuerySelectorAll(".ways button").Select(b => b.GetAttribute("value")!))
        {
            var mended = await PlanAsync(baker, form, button);
            Assert.True(mended.StatusCode == HttpStatusCode.OK, button);
        }
    }

    [Fact]
    public async Task A_day_that_fails_leaves_the_plan_before_it_alone()
    {
        var baker = await NewAsync();
        await PlanAsync(baker, new() { ["Setup.Date"] = "2031-05-06", [Batches(Loaf)] = "1" });
        await PlanAsync(baker, new() { ["Setup.Date"] = "2031-05-06", ["Setup.Until"] = "08:30", [Batches(Loaf)] = "1" });
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2031-05-06"));
        Assert.Equal("18:00", Value(page, "Setup.Until"));
        Assert.NotNull(page.QuerySelector(".trace"));
    }

    [Fact]
    public async Task A_wish_for_an_hour_is_met()
    {
        var baker = await NewAsync();
        await PlanAsync(baker, new() { ["Setup.Date"] = "2031-05-07", [Batches(Plait)] = "1", [Batches(Loaf)] = "1", [$"Setup.Rows[{Loaf}].ReadyBy"] = "11:45" });
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2031-05-07"));
        var cool = page.QuerySelectorAll(".sheet tr").Single(r => r.TextContent.Contains("Cool the loaves", StringComparison.Ordinal));
        var start = TimeSpan.Parse(cool.QuerySelector(".when")!.TextContent);
        Assert.True(start + TimeSpan.FromMinutes(100) <= new TimeSpan(11, 45, 0));
    }
}
