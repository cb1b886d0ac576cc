using System.Net;
using AngleSharp.Dom;

namespace Zymethos.Web.Tests;

/// <summary>The scaling page: five ways of asking, what follows, and the flour tally.</summary>
public sealed class ScalePageTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private async Task<IDocument> OpenAsync(string address) =>
        await TestKitchen.ParseAsync(await (await kitchen.DemoBakerAsync()).GetAsync(address));

    private static string Flour(IDocument page) =>
        page.QuerySelectorAll(".bowl li")
            .First(l => l.TextContent.Contains("flour", StringComparison.Ordinal))
            .QuerySelector(".bowl-amount")!
            .TextContent;

    // One squash loaf recipe: 430 g flour, 1799 g batter, two loaves in two pans.
    [Theory]
    [InlineData("Multiple", "Times", "2", "860 g")]
    [InlineData("Multiple", "Times", "0,5", "215 g")]
    [InlineData("Pieces", "Pieces", "6", "1290 g")]
    [InlineData("Dough", "Dough", "3598", "860 g")]
    [InlineData("Flour", "Flour", "645", "645 g")]
    [InlineData("Pans", "Pans", "4", "860 g")]
    public async Task Each_of_the_five_ways_scales_and_the_others_follow(string by, string field, string typed, string flour)
    {
        var page = await OpenAsync($"/book/market-squash-loaf/scale?Form.By={by}&Form.{field}={typed}");
        Assert.Equal(flour, Flour(page));
        Assert.Equal(typed, page.QuerySelector($"[name='Form.{field}']")!.GetAttribute("value"));
        var grams = double.Parse(
            page.QuerySelector("[name='Form.Flour']")!.GetAttribute("value")!,
            System.Globalization.CultureInfo.InvariantCulture
        );
        var times = double.Parse(
            page.QuerySelector("[name='Form.Times']")!.GetAttribute("value")!.Replace(',', '.'),
            System.Globalization.CultureInfo.InvariantCulture
        );
        Assert.Equal(430 * times, grams, 0.6);
    }

    [Theory]
    [InlineData("Form.By=Multiple&Form.Times=0", "above zero")]
    [InlineData("Form.By=Multiple&Form.Times=many", "above zero")]
    [InlineData("Form.By=Pieces&Form.Pieces=-4", "above zero")]
    [InlineData("Form.By=Multiple&Form.Times=1e9", "above zero")]
    [InlineData("Form.By=Pieces&Form.Pieces=99999999", "0.05 to 100 times")]
    [InlineData("Form.By=Dough&Form.Dough=1", "0.05 to 100 times")]
    public async Task A_senseless_scale_says_so_keeps_what_was_typed_and_shows_the_recipe_once(string query, string words)
    {
        var page = await OpenAsync($"/book/market-squash-loaf/scale?{query}");
        Assert.Contains(words, page.QuerySelector("#wrong-scale")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("430 g", Flour(page));
        var typed = query.Split('&')[1].Split('=');
        Assert.Equal(typed[1], page.QuerySelector($"[name='{typed[0]}']")!.GetAttribute("value"));
    }

    [Fact]
    public async Task What_bakes_on_trays_cannot_be_asked_for_by_pans()
    {
        var page = await OpenAsync("/book/window-shapes/scale?Form.By=Pans&Form.Pans=2");
        Assert.Contains("trays", page.QuerySelector("#wrong-scale")!.TextContent, StringComparison.Ordinal);
        Assert.Null(page.QuerySelector("[name='Form.Pans']"));
    }

    [Fact]
    public async Task Another_pan_changes_fill_time_and_first_look_with_the_reason()
    {
        var own = await OpenAsync("/book/market-squash-loaf/scale");
        var mini = await OpenAsync($"/book/market-squash-loaf/scale?Form.Pan={Uri.EscapeDataString("loaf pan 14.5 × 8 cm")}");
        static int Minutes(IDocument page) =>
            int.Parse(
                page.QuerySelector(".bake-time .figure")!.TextContent.Split(' ')[0],
                System.Globalization.CultureInfo.InvariantCulture
            );
        Assert.True(Minutes(mini) < Minutes(own) * 0.75, $"{Minutes(mini)} {Minutes(own)}");
        Assert.Contains("carried over from", mini.QuerySelector(".sheet-oven")!.TextContent, StringComparison.OrdinalIgnoreCase);
        Assert.Contains("first look after", mini.QuerySelector(".bake-time")!.TextContent, StringComparison.Ordinal);
        Assert.NotNull(mini.QuerySelector(".pan-scroll svg"));
    }

    [Fact]
    public async Task A_large_batch_is_mixed_in_several_and_says_what_does_not_scale()
    {
        var page = await OpenAsync("/book/lantern-plait/scale?Form.By=Multiple&Form.Times=3");
        Assert.Contains("mixes", page.QuerySelector(".sheet-oven")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Rising takes as long as ever", page.QuerySelector(".sheet-oven")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("18 strands of", page.QuerySelector(".sheet-said")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("written 1000 g", page.QuerySelector(".bowl li")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Dough_set_aside_is_taken_off_before_it_is_divided()
    {
        var page = await OpenAsync("/book/lantern-plait/scale?Form.By=Multiple&Form.Times=1&Form.SetAside=60");
        Assert.Contains("6 strands of 281 g", page.QuerySelector(".sheet-said")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task With_htmx_only_the_sheet_comes_back_and_carries_what_the_fields_must_follow()
    {
        var baker = await kitchen.DemoBakerAsync();
        using var request = new HttpRequestMessage(HttpMethod.Get, "/book/market-squash-loaf/scale?Form.By=Pieces&Form.Pieces=4");
        request.Headers.Add("HX-Request", "true");
        var text = await (await baker.SendAsync(request)).Content.ReadAsStringAsync();
        Assert.StartsWith("<div id=\"sheet\"", text.TrimStart(), StringComparison.Ordinal);
        Assert.Contains("data-times=\"2\"", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_flour_tally_counts_what_went_in_and_is_remembered()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        const string Page = "/book/lantern-plait/scale";
        await TestKitchen.PostAsync(baker, Page, "#tally form", [], "start", buttonName: "what");
        await TestKitchen.PostAsync(baker, Page, "#tally form", new() { ["grams"] = "35" }, "add", buttonName: "what");
        var wrong = await TestKitchen.ParseAsync(
            await TestKitchen.PostAsync(
                baker,
                Page,
                "#tally form",
                new() { ["grams"] = "a handful" },
                "add",
                htmx: true,
                buttonName: "what"
            )
        );
        Assert.Contains("How many grams", wrong.QuerySelector("#wrong-tally")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("1035 g", wrong.QuerySelector(".tally-in")!.TextContent, StringComparison.Ordinal);
        await TestKitchen.PostAsync(baker, Page, "#tally form", [], "right", buttonName: "what");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync(Page));
        Assert.Contains("1035 g against 1000 g (+4 %)", page.QuerySelector("#tally")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_kitchen_up_high_is_told_what_to_change()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", new() { ["Form.ElevationMetres"] = "1800" });
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/book/market-squash-loaf/scale"));
        Assert.Contains("Up at 1800 m", page.QuerySelector(".sheet-oven")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("baking soda: 7.2 g instead of 9.2 g", page.QuerySelector(".sheet-oven")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_card_is_scaled_and_a_bad_scale_is_said()
    {
        var card = await OpenAsync("/book/market-squash-loaf/card?times=2");
        Assert.Contains("860 g", card.QuerySelector(".recipe-card")!.TextContent, StringComparison.Ordinal);
        var bad = await kitchen.DemoBakerAsync();
        var response = await bad.GetAsync("/book/market-squash-loaf/card?times=lots");
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        Assert.Contains(
            "this card stands for one",
            (await TestKitchen.ParseAsync(response)).QuerySelector("#wrong-times")!.TextContent,
            StringComparison.Ordinal
        );
    }
}
