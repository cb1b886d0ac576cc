using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;

namespace Zymethos.Web.Tests;

/// <summary>The method editor: drafts keep themselves, faults stand at their fields, what is saved is a version.</summary>
public sealed class EditorTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private Task<HttpClient> NewAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    private static async Task<string> EditAsync(HttpClient baker, string key)
    {
        var response = await TestKitchen.PostAsync(baker, $"/book/{key}", "form[action*=Edit], form[action*='handler=Edit']", []);
        return response.RequestMessage!.RequestUri!.AbsolutePath;
    }

    private static async Task<string> NewDraftAsync(HttpClient baker)
    {
        var response = await TestKitchen.PostAsync(baker, "/book", "form[action='/book/new']", []);
        return response.RequestMessage!.RequestUri!.AbsolutePath;
    }

    private static Task<HttpResponseMessage> DoAsync(
        HttpClient baker,
        string page,
        string what,
        Dictionary<string, string>? typed = null
    ) => TestKitchen.PostAsync(baker, page, "#editor", typed ?? [], what, buttonName: "do");

    [Fact]
    public async Task A_recipe_is_edited_and_saved_as_a_version()
    {
        var baker = await NewAsync();
        var page = await EditAsync(baker, "market-squash-loaf");
        var response = await DoAsync(
            baker,
            page,
            "save",
            new() { ["Draft.Name"] = "Market loaf of ours", ["Draft.Steps[0].Takes"] = "10-20 min" }
        );
        Assert.Equal("/book/market-squash-loaf", response.RequestMessage!.RequestUri!.AbsolutePath);
        var recipe = await TestKitchen.ParseAsync(response);
        Assert.Equal("Market loaf of ours", recipe.QuerySelector("h1")!.TextContent);
        Assert.Contains("10 to 20 min", recipe.QuerySelector(".method li")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await baker.GetAsync(page)).StatusCode);
        var versions = await TestKitchen.ParseAsync(await baker.GetAsync("/book/market-squash-loaf/versions?old=1"));
        Assert.Contains("Market loaf of ours", versions.QuerySelector(".differences")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Typing_keeps_the_draft_shows_the_readings_and_survives_leaving()
    {
        var baker = await NewAsync();
        var page = await NewDraftAsync(baker);
        var document = await TestKitchen.ParseAsync(await baker.GetAsync(page));
        var fields = TestKitchen.FieldsOf((IHtmlFormElement)document.QuerySelector("#editor")!).ToDictionary(f => f.Key, f => f.Value);
        fields["Draft.Name"] = "Half a thought";
        fields["Draft.Parts[0].Lines"] = "2 cups flour\nsome moon dust";
        using var keep = new HttpRequestMessage(HttpMethod.Post, $"{page}?handler=Keep") { Content = new FormUrlEncodedContent(fields) };
        keep.Headers.Add("HX-Request", "true");
        var aside = await (await baker.SendAsync(keep)).Content.ReadAsStringAsync();
        Assert.Contains("Kept at", aside, StringComparison.Ordinal);
        Assert.Contains("250 g", aside, StringComparison.Ordinal);

        var book = await TestKitchen.ParseAsync(await baker.GetAsync("/book"));
        Assert.Contains("Half a thought", book.QuerySelector(".drafts")!.TextContent, StringComparison.Ordinal);
        var again = await TestKitchen.ParseAsync(await baker.GetAsync(page));
        Assert.Equal("2 cups flour\nsome moon dust", ((IHtmlTextAreaElement)again.QuerySelector("[name='Draft.Parts[0].Lines']")!).Value);
    }

    [Fact]
    public async Task An_unfinished_method_is_kept_as_a_draft_put_into_the_book_and_is_not_plannable()
    {
        var baker = await NewAsync();
        var page = await NewDraftAsync(baker);
        var saved = await DoAsync(
            baker,
            page,
            "save",
            new()
            {
                ["Draft.Name"] = "Only dough",
                ["Draft.Pieces"] = "4",
                ["Draft.PieceName"] = "buns",
                ["Draft.Parts[0].Lines"] = "",
                ["Draft.Steps[0].Title"] = "Stir",
                ["Draft.Steps[0].Takes"] = "5",
            }
        );
        Assert.Equal("/book/only-dough", saved.RequestMessage!.RequestUri!.AbsolutePath);
        var finds = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?handler=Find&q=Only+dough"));
        Assert.Empty(finds.QuerySelectorAll("button[name=add]"));
        var day = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day"));
        Assert.Contains("Only dough", day.QuerySelector(".setup .setup-more")!.TextContent, StringComparison.Ordinal);
        Assert.Contains(
            "Not plannable yet",
            (await TestKitchen.ParseAsync(saved)).QuerySelector(".clash")!.TextContent,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData("Draft.Name", "", "#w-name", "name")]
    [InlineData("Draft.Pieces", "many", "#w-pieces", "whole number")]
    [InlineData("Draft.Steps[0].Takes", "soon", "#w-s0-takes", "time")]
    [InlineData("Draft.Steps[4].Oven", "hot", "#w-s4-oven", "not a heat")]
    [InlineData("Draft.Steps[4].Pan", "grandmother's tin", "#w-s4-oven", "not among the pans")]
    public async Task What_cannot_be_is_said_at_its_field_and_kept(string field, string typed, string at, string words)
    {
        var baker = await NewAsync();
        var page = await EditAsync(baker, "market-squash-loaf");
        var response = await DoAsync(baker, page, "save", new() { [field] = typed });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        var document = await TestKitchen.ParseAsync(response);
        Assert.Contains(words, document.QuerySelector(at)!.TextContent, StringComparison.OrdinalIgnoreCase);
        Assert.Equal(typed, document.QuerySelector($"[name='{field}']")!.GetAttribute("value") ?? "");
        Assert.Equal(
            "Market squash loaf",
            (await TestKitchen.ParseAsync(await baker.GetAsync("/book/market-squash-loaf"))).QuerySelector("h1")!.TextContent
        );
    }

    [Fact]
    public async Task Steps_move_and_go_and_their_links_are_mended()
    {
        var baker = await NewAsync();
        var page = await EditAsync(baker, "market-squash-loaf");
        static string[] Titles(IDocument d) =>
            [.. d.QuerySelectorAll(".edit-step-row input[name$='.Title']").Select(i => i.GetAttribute("value")!)];
        var before = Titles(await TestKitchen.ParseAsync(await baker.GetAsync(page)));
        var moved = Titles(await TestKitchen.ParseAsync(await DoAsync(baker, page, "step-down:0")));
        Assert.Equal([before[1], before[0], .. before[2..]], moved);
        var gone = await TestKitchen.ParseAsync(await DoAsync(baker, page, "step-remove:0"));
        Assert.Equal(moved[1..], Titles(gone));
        Assert.Empty(gone.QuerySelectorAll(".clash"));
        Assert.Contains("It can be planned as it stands", gone.Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_devices_on_one_draft_are_noticed()
    {
        var baker = await NewAsync();
        var page = await EditAsync(baker, "market-squash-loaf");
        var stale = TestKitchen
            .FieldsOf((IHtmlFormElement)(await TestKitchen.ParseAsync(await baker.GetAsync(page))).QuerySelector("#editor")!)
            .ToDictionary(f => f.Key, f => f.Value);
        await DoAsync(baker, page, "", new() { ["Draft.Name"] = "From the phone" });
        stale["Draft.Name"] = "From the tablet";
        using var late = new HttpRequestMessage(HttpMethod.Post, $"{page}?handler=Keep") { Content = new FormUrlEncodedContent(stale) };
        var aside = await TestKitchen.ParseAsync(await baker.SendAsync(late));
        Assert.Contains("changed on another device", aside.QuerySelector("[role=alert]")!.TextContent, StringComparison.Ordinal);
        Assert.Contains(
            "From the phone",
            (await TestKitchen.ParseAsync(await baker.GetAsync(page))).QuerySelector("[name='Draft.Name']")!.GetAttribute("value"),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_draft_is_thrown_away_and_the_recipe_stays()
    {
        var baker = await NewAsync();
        var page = await EditAsync(baker, "copper-ring");
        await DoAsync(baker, page, "discard");
        Assert.Equal(HttpStatusCode.NotFound, (await baker.GetAsync(page)).StatusCode);
        Assert.True((await baker.GetAsync("/book/copper-ring")).IsSuccessStatusCode);
    }
}
