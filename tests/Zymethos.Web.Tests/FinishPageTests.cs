using System.Net;
using System.Text.Json.Nodes;
using AngleSharp.Dom;
using Zymethos.Core.Recipes;
using Zymethos.Store.Accounts;

namespace Zymethos.Web.Tests;

/// <summary>Part of a batch finished another way, from the pasted text to the lot of a season; and what is still open, wherever the recipe
/// is used.</summary>
public sealed class FinishPageTests(SeasonKitchen kitchen) : IClassFixture<SeasonKitchen>
{
    private const string Fingers =
        "Two-way fingers\nMakes 24 fingers\n\n300 g plain flour\n200 g butter\n100 g caster sugar\n100 g dark chocolate\n50 g flaked "
        + "almonds\n\nRub butter into flour and sugar. Press into a 23 cm square tin. Bake at 160 C for 40 minutes. Cool in the tin. "
        + "Cut into 24 fingers. Dip half of them in the melted chocolate and top the rest with the almonds. Keeps 10 days in a tin.";

    private async Task<(HttpClient Baker, string Recipe)> BroughtInAsync(string text = Fingers)
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var read = await ImportTests.SendAsync(baker, text);
        var sheet = await TestKitchen.ParseAsync(read);
        Assert.Contains("12 dipped in dark chocolate", sheet.QuerySelector(".finishes")!.TextContent, StringComparison.Ordinal);
        var stored = await ImportTests.PressAsync(baker, read, sheet.QuerySelector("form[action*='Keep']")!);
        return (baker, stored.RequestMessage!.RequestUri!.AbsolutePath);
    }

    [Fact]
    public async Task Each_finish_stands_with_its_pieces_on_page_scale_card_and_files()
    {
        var (baker, recipe) = await BroughtInAsync();
        foreach (
            var (address, pieces) in new[]
            {
                (recipe, 12),
                ($"{recipe}/scale?By=Pieces&Form.By=Pieces&Form.Pieces=40", 0),
                ($"{recipe}/card?Times=2", 24),
                ($"{recipe}/card.md", 12),
            }
        )
        {
            var text = await (await baker.GetAsync(address)).Content.ReadAsStringAsync();
            Assert.Contains(
                pieces == 0 ? "dipped in dark chocolate." : $"{pieces} dipped in dark chocolate.",
                text,
                StringComparison.Ordinal
            );
        }

        var page = await TestKitchen.ParseAsync(await baker.GetAsync(recipe));
        var told = page.QuerySelectorAll(".finishes li").Select(l => l.TextContent).ToList();
        // The dipped fingers hold no almonds, and nobody says they are free of them.
        Assert.Contains(
            told,
            t =>
                t.StartsWith("12 dipped", StringComparison.Ordinal)
                && !t.Split("May contain")[0].Contains("tree nuts", StringComparison.Ordinal)
                && t.Contains("tree nuts", StringComparison.Ordinal)
        );
        Assert.Contains(
            told,
            t =>
                t.StartsWith("12 with almonds", StringComparison.Ordinal)
                && t.Split("May contain")[0].Contains("tree nuts", StringComparison.Ordinal)
        );
        var file = JsonNode.Parse(await (await baker.GetAsync($"{recipe}/recipe.json")).Content.ReadAsStringAsync());
        Assert.Contains("dipped in dark chocolate", file!.ToJsonString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_season_wants_so_many_of_a_finish_and_says_what_is_open_in_a_recipe()
    {
        var (baker, recipe) = await BroughtInAsync();
        var key = recipe.Split('/')[^1];
        var typed = SeasonKitchen.Typed((key, 12));
        typed["Form.Needs[0].Pieces"] = "10 dipped";
        var made = await TestKitchen.PostAsync(baker, "/season/new", "#season-form", typed);
        var season = await TestKitchen.ParseAsync(made);
        Assert.Equal(HttpStatusCode.OK, made.StatusCode);
        Assert.Contains("Two-way fingers", season.QuerySelector(".season-guessed")!.TextContent, StringComparison.Ordinal);
        var lot = await TestKitchen.ParseAsync(await baker.GetAsync(season.QuerySelector("a[href*='/lot/']")!.GetAttribute("href")));
        Assert.Contains("10 fingers, dipped in dark chocolate", lot.QuerySelector(".lede")!.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("tree nuts", lot.QuerySelector(".statement .caution")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("tree nuts", lot.QuerySelector(".statement .is-open")!.TextContent, StringComparison.Ordinal);
        // The form shows it as it was typed, and an unknown finish is told at its place.
        var edit = await TestKitchen.ParseAsync(await baker.GetAsync($"{made.RequestMessage!.RequestUri!.AbsolutePath}/edit"));
        Assert.Equal("10 dipped in dark chocolate", edit.QuerySelector("input[name='Form.Needs[0].Pieces']")!.GetAttribute("value"));
        var wrong = await TestKitchen.PostAsync(
            baker,
            $"{made.RequestMessage.RequestUri.AbsolutePath}/edit",
            "#season-form",
            new() { ["Form.Needs[0].Pieces"] = "10 gilded" }
        );
        var text = await wrong.Content.ReadAsStringAsync();
        Assert.Contains(
            "is finished in these ways: dipped in dark chocolate; with almonds",
            WebUtility.HtmlDecode(text),
            StringComparison.Ordinal
        );
        Assert.Contains("10 gilded", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_recipe_that_says_nothing_of_keeping_is_named_on_the_seasons_page()
    {
        var (baker, recipe) = await BroughtInAsync(Fingers.Replace(" Keeps 10 days in a tin.", "", StringComparison.Ordinal));
        var season = await TestKitchen.ParseAsync(
            await TestKitchen.PostAsync(baker, "/season/new", "#season-form", SeasonKitchen.Typed((recipe.Split('/')[^1], 12)))
        );
        Assert.Contains("Nothing says how long it keeps", season.QuerySelector(".season-guessed")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_editor_says_what_is_wrong_with_a_finish_and_keeps_it()
    {
        var (baker, recipe) = await BroughtInAsync();
        var page = await TestKitchen.ParseAsync(await baker.GetAsync(recipe));
        var edit = page.QuerySelectorAll("form").First(f => f.TextContent.Trim() == "Edit");
        var opened = await baker.PostAsync(
            new Uri(new Uri("http://localhost"), edit.GetAttribute("action")!),
            new FormUrlEncodedContent(
                edit.QuerySelectorAll("input[type=hidden]").ToDictionary(i => i.GetAttribute("name")!, i => i.GetAttribute("value") ?? "")
            )
        );
        var editor = await TestKitchen.ParseAsync(opened);
        Assert.StartsWith(
            "12 dipped in dark chocolate: dark chocolate",
            editor.QuerySelector("#finishes")!.TextContent.Trim(),
            StringComparison.Ordinal
        );
        var address = opened.RequestMessage!.RequestUri!.PathAndQuery;
        var saved = await TestKitchen.PostAsync(
            baker,
            address,
            "#editor",
            new() { ["Draft.Finishes"] = "some of them gilded", ["do"] = "save" }
        );
        var text = WebUtility.HtmlDecode(await saved.Content.ReadAsStringAsync());
        Assert.Contains("write how many, how, and what only these hold", text, StringComparison.Ordinal);
        Assert.Contains("some of them gilded", text, StringComparison.Ordinal);
    }
}
