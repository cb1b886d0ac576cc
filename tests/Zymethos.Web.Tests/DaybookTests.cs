using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;

namespace Zymethos.Web.Tests;

/// <summary>The Daybook reads what was touched at the Bench, and says what it shows of the oven.</summary>
public sealed class DaybookTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private Task<HttpClient> BakerAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    /// <summary>A session in which every load was in for a share of what was planned for it.</summary>
    private static async Task<string> BakedAsync(HttpClient baker, double share, string toChange = "")
    {
        var session = await TestKitchen.BeginAsync(baker, "market-squash-loaf");
        var sheet = await (await baker.GetAsync($"/bench/{session}/sheet")).Content.ReadFromJsonAsync<JsonElement>();
        var now = DateTimeOffset.UtcNow;
        var events = new List<Dictionary<string, object>>();
        void Add(string kind, DateTimeOffset at, params (string Name, object Value)[] more)
        {
            var e = new Dictionary<string, object>
            {
                ["id"] = Guid.NewGuid(),
                ["kind"] = kind,
                ["at"] = at.ToString("O"),
                ["who"] = "Ada",
            };
            foreach (var (name, value) in more)
                e[name] = value;
            events.Add(e);
        }

        foreach (var step in sheet.GetProperty("steps").EnumerateArray())
        {
            if (
                !step.TryGetProperty("load", out var load)
                || load.ValueKind != JsonValueKind.Object
                || load.GetProperty("isProof").GetBoolean()
            )
                continue;
            var minutes = step.GetProperty("likely").GetInt32() * share;
            Add("started", now.AddMinutes(-200), ("step", step.GetProperty("id").GetString()!));
            Add("done", now.AddMinutes(-200 + minutes), ("step", step.GetProperty("id").GetString()!));
        }

        if (toChange.Length > 0)
            Add("toChange", now, ("number", 0), ("text", toChange));
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/bench/{session}/events")
        {
            Content = new StringContent(JsonSerializer.Serialize(new { events }), Encoding.UTF8, "application/json"),
        };
        request.Headers.Add("X-Bench", "1");
        (await baker.SendAsync(request)).EnsureSuccessStatusCode();
        await TestKitchen.BenchFormAsync(baker, "Away", new() { ["session"] = session });
        return session;
    }

    [Fact]
    public async Task An_empty_Daybook_says_how_it_is_filled()
    {
        var baker = await BakerAsync();
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/daybook"));
        Assert.Contains("Nothing is written here yet", page.Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task An_oven_that_bakes_faster_than_planned_is_found_out_bake_by_bake()
    {
        var baker = await BakerAsync();
        await BakedAsync(baker, 0.9);
        var one = await TestKitchen.ParseAsync(await baker.GetAsync("/daybook"));
        // One bake says little, and no plan goes by it.
        Assert.Contains("one bake can show", one.QuerySelector(".answer")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Nothing has been seen twice yet", await baker.GetStringAsync("/daybook/learned"), StringComparison.Ordinal);
        Assert.Equal(await FirstLoadAsync(baker), await FirstLoadAsync(baker));
        var before = await FirstLoadAsync(baker);
        for (var i = 0; i < 5; i++)
            await BakedAsync(baker, 0.9);
        var six = await TestKitchen.ParseAsync(await baker.GetAsync("/daybook/learned"));
        Assert.Contains("6 bakes show", six.QuerySelector("table.learned")!.TextContent, StringComparison.Ordinal);
        // Plans go by it and say so.
        var after = await FirstLoadAsync(baker);
        Assert.True(after.Minutes < before.Minutes, $"{after} {before}");
        Assert.Contains("this oven bakes", after.Said, StringComparison.Ordinal);
        // And learning does not go round in a circle: it sees the recipe's own time, not the shortened one.
        await BakedAsync(baker, 1);
        var load = await LastLoadAsync(baker);
        Assert.Equal(load.GetProperty("minutes").GetDouble(), load.GetProperty("plannedMinutes").GetDouble(), 1.0);
        Assert.True(load.GetProperty("recipeMinutes").GetDouble() > load.GetProperty("plannedMinutes").GetDouble());
    }

    /// <summary>How long a loaf would be planned to bake now, and why.</summary>
    private static async Task<(int Minutes, string Said)> FirstLoadAsync(HttpClient baker)
    {
        var session = await TestKitchen.BeginAsync(baker, "market-squash-loaf");
        var sheet = await (await baker.GetAsync($"/bench/{session}/sheet")).Content.ReadFromJsonAsync<JsonElement>();
        await TestKitchen.BenchFormAsync(baker, "Away", new() { ["session"] = session });
        var step = sheet
            .GetProperty("steps")
            .EnumerateArray()
            .First(s => s.TryGetProperty("load", out var load) && load.ValueKind == JsonValueKind.Object);
        return (step.GetProperty("likely").GetInt32(), step.ToString());
    }

    private static async Task<JsonElement> LastLoadAsync(HttpClient baker) =>
        JsonDocument
            .Parse(await baker.GetStringAsync("/daybook.json"))
            .RootElement.GetProperty("bakes")
            .EnumerateArray()
            .Last(b => b.TryGetProperty("loads", out _))
            .GetProperty("loads")[0];

    [Fact]
    public async Task A_day_is_shown_as_it_was_beside_as_it_was_planned_with_what_is_to_change()
    {
        var baker = await BakerAsync();
        var session = await BakedAsync(baker, 1.2, "Less sugar <b>next</b> time");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/daybook/{session}"));
        var load = page.QuerySelector("table.loads tbody tr")!.TextContent;
        Assert.Contains("planned", load, StringComparison.Ordinal);
        Assert.Contains("Ada", load, StringComparison.Ordinal);
        Assert.Contains("Less sugar <b>next</b> time", page.QuerySelector(".to-change")!.TextContent, StringComparison.Ordinal);
        Assert.NotEmpty(page.QuerySelectorAll(".two-traces rect.real"));
        // What never began is no part of what was.
        Assert.True(page.QuerySelectorAll(".two-traces rect.real").Length <= page.QuerySelectorAll(".two-traces rect.planned").Length);
    }

    [Fact]
    public async Task Days_are_found_by_recipe_by_person_and_by_what_is_to_change_and_by_nobody_else()
    {
        var baker = await BakerAsync();
        var session = await BakedAsync(baker, 1, "Bake it darker");
        foreach (var words in new[] { "squash", "ada", "darker" })
        {
            var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/daybook?q={words}"));
            Assert.Single(page.QuerySelectorAll(".days li"));
        }

        var none = await TestKitchen.ParseAsync(await baker.GetAsync("/daybook?q=plait"));
        Assert.Empty(none.QuerySelectorAll(".days li"));
        var other = await BakerAsync();
        Assert.Equal(HttpStatusCode.NotFound, (await other.GetAsync($"/daybook/{session}")).StatusCode);
        Assert.Contains("Nothing is written here yet", await other.GetStringAsync("/daybook"), StringComparison.Ordinal);
    }
}
