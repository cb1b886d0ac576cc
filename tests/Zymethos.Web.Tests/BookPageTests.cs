using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using Zymethos.Core.Measures;

namespace Zymethos.Web.Tests;

/// <summary>Reading, choosing, swapping, versions, own ingredients and finding.</summary>
public sealed class BookPageTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private Task<HttpClient> NewAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    private static async Task<IDocument> OpenAsync(HttpClient baker, string address) =>
        await TestKitchen.ParseAsync(await baker.GetAsync(address));

    private static async Task<IDocument> SendAsync(HttpClient baker, string page, string handler, Dictionary<string, string> typed)
    {
        var document = await OpenAsync(baker, page);
        var token = document.QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        var response = await baker.PostAsync(
            $"{page}?handler={handler}",
            new FormUrlEncodedContent(typed.Append(new("__RequestVerificationToken", token)))
        );
        Assert.True(response.IsSuccessStatusCode, $"{handler}: {response.StatusCode}");
        return await TestKitchen.ParseAsync(response);
    }

    [Theory]
    [InlineData("Q=squash", 1)]
    [InlineData("Kind=Bread", 2)]
    [InlineData("Q=nothing+of+the+sort", 0)]
    public async Task The_book_is_searched(string query, int found)
    {
        var page = await OpenAsync(await kitchen.DemoBakerAsync(), $"/book?{query}");
        Assert.Equal(found, page.QuerySelectorAll(".book article").Length);
        if (found == 0)
            Assert.Contains("Ask for less", page.QuerySelector("#found")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Filters_by_heat_keeping_and_diet_leave_only_what_fits()
    {
        var baker = await kitchen.DemoBakerAsync();
        var egg = (await OpenAsync(baker, "/book?Diet=NoEgg")).QuerySelectorAll(".book h2").Select(h => h.TextContent).ToList();
        Assert.Contains("Doorstep fruit loaf", egg);
        Assert.DoesNotContain("Lantern plait", egg);
        var low = (await OpenAsync(baker, "/book?Heat=low")).QuerySelectorAll(".book h2").Select(h => h.TextContent).ToList();
        Assert.Contains("Cellar fruit cake", low);
        Assert.DoesNotContain("Market squash loaf", low);
        var keeps = (await OpenAsync(baker, "/book?Keeps=30")).QuerySelectorAll(".book h2").Select(h => h.TextContent).ToList();
        Assert.Contains("Cellar fruit cake", keeps);
        Assert.DoesNotContain("Doorstep fruit loaf", keeps);
    }

    [Fact]
    public async Task A_choice_made_another_way_changes_lines_and_steps_and_can_be_brought_back()
    {
        var baker = await NewAsync();
        var before = await OpenAsync(baker, "/book/cellar-fruit-cake");
        Assert.Contains("brandy", before.QuerySelector(".lines")!.TextContent, StringComparison.Ordinal);
        var after = await SendAsync(baker, "/book/cellar-fruit-cake", "Choose", new() { ["choice"] = "soak", ["option"] = "juice" });
        Assert.DoesNotContain(
            "brandy",
            string.Join(' ', after.QuerySelectorAll(".lines").Select(l => l.TextContent)),
            StringComparison.Ordinal
        );
        Assert.Contains("Overnight in orange juice", after.QuerySelector(".note")!.TextContent, StringComparison.Ordinal);

        var versions = await OpenAsync(baker, "/book/cellar-fruit-cake/versions?old=1");
        Assert.Equal(2, versions.QuerySelectorAll(".versions tbody tr").Length);
        Assert.Contains("How is the fruit soaked?", versions.QuerySelector(".differences")!.TextContent, StringComparison.Ordinal);
        var back = await TestKitchen.ParseAsync(
            await TestKitchen.PostAsync(baker, "/book/cellar-fruit-cake/versions", ".versions form", new() { ["number"] = "1" })
        );
        Assert.Contains("brandy", string.Join(' ', back.QuerySelectorAll(".lines").Select(l => l.TextContent)), StringComparison.Ordinal);
        Assert.Equal(3, (await OpenAsync(baker, "/book/cellar-fruit-cake/versions")).QuerySelectorAll(".versions tbody tr").Length);
    }

    [Fact]
    public async Task A_swap_is_seen_on_every_page_after_and_can_be_taken_back()
    {
        var baker = await NewAsync();
        var page = await OpenAsync(baker, "/book/market-squash-loaf");
        var oil = page.QuerySelectorAll(".lines tr").First(r => r.TextContent.Contains("sunflower oil", StringComparison.Ordinal));
        var rule = oil.QuerySelector(".swap button")!.GetAttribute("value")!;
        await SendAsync(baker, "/book/market-squash-loaf", "Swap", new() { ["ingredient"] = "sunflower oil", ["rule"] = rule });
        foreach (var address in new[] { "/book/market-squash-loaf", "/book/market-squash-loaf/scale", "/book/market-squash-loaf/card" })
            Assert.Contains("instead of sunflower oil", (await OpenAsync(baker, address)).Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains(
            "instead of sunflower oil",
            await baker.GetStringAsync("/book/market-squash-loaf/card.md"),
            StringComparison.Ordinal
        );
        var back = await SendAsync(baker, "/book/market-squash-loaf", "Swap", new() { ["ingredient"] = "sunflower oil" });
        Assert.Contains("back to the recipe", back.QuerySelector(".note")!.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain(
            "instead of sunflower oil",
            string.Join(' ', back.QuerySelectorAll(".lines").Select(l => l.TextContent)),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_version_without_alcohol_is_made_and_one_that_cannot_be_says_why()
    {
        var baker = await NewAsync();
        var dry = await SendAsync(baker, "/book/cellar-fruit-cake", "Diet", new() { ["diet"] = "NoAlcohol" });
        Assert.Contains("Now without alcohol", dry.QuerySelector(".note")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("without alcohol", dry.QuerySelector(".contains")!.TextContent, StringComparison.Ordinal);
        var parade = await SendAsync(baker, "/book/parade-cake", "Diet", new() { ["diet"] = "NoEgg" });
        Assert.Contains("cannot be made without egg", parade.QuerySelector(".note")!.TextContent, StringComparison.Ordinal);
        Assert.Empty((await OpenAsync(baker, "/book/parade-cake/versions")).QuerySelectorAll(".versions tbody tr"));
    }

    [Fact]
    public async Task A_recipe_taken_out_can_be_brought_back()
    {
        var baker = await NewAsync();
        await SendAsync(baker, "/book/copper-ring", "Remove", []);
        Assert.Equal(HttpStatusCode.NotFound, (await baker.GetAsync("/book/copper-ring")).StatusCode);
        await TestKitchen.PostAsync(baker, "/book/copper-ring/versions", ".versions form", []);
        Assert.Equal("Copper ring", (await OpenAsync(baker, "/book/copper-ring")).QuerySelector("h1")!.TextContent);
    }

    [Fact]
    public async Task An_own_ingredient_is_weighed_by_from_then_on_and_can_be_forgotten()
    {
        var baker = await NewAsync();
        await TestKitchen.PostAsync(
            baker,
            "/book/ingredients",
            "#own",
            new()
            {
                ["Form.Name"] = "spelt grits",
                ["Form.GramsPerCup"] = "150",
                ["Form.Allergens"] = "wheat",
            }
        );
        async Task<string> WeighedAsync() =>
            (
                await TestKitchen.ParseAsync(
                    await TestKitchen.PostAsync(baker, "/book/weigh", "#weigh", new() { ["Lines"] = "2 cups spelt grits" })
                )
            )
                .QuerySelector(".readings tbody .amount")!
                .TextContent;
        Assert.Equal("300 g", await WeighedAsync());
        await SendAsync(baker, "/book/ingredients", "Forget", new() { ["name"] = "spelt grits" });
        Assert.NotEqual("300 g", await WeighedAsync());
    }

    [Theory]
    [InlineData("Form.GramsPerCup", "heavy", "#w-GramsPerCup", "should be a number")]
    [InlineData("Form.GramsPerCup", "9000", "#w-GramsPerCup", "between 5 and 1000")]
    [InlineData("Form.Name", "", "#w-Name", "name")]
    [InlineData("Form.Fat", "140", "#w-Fat", "between 0 and 100")]
    public async Task A_senseless_ingredient_is_refused_at_its_field_and_kept(string field, string typed, string at, string words)
    {
        var form = new Dictionary<string, string>
        {
            ["Form.Name"] = "moon flour",
            ["Form.GramsPerCup"] = "100",
            [field] = typed,
        };
        var response = await TestKitchen.PostAsync(await NewAsync(), "/book/ingredients", "#own", form);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        var page = await TestKitchen.ParseAsync(response);
        Assert.Contains(words, page.QuerySelector(at)!.TextContent, StringComparison.Ordinal);
        foreach (var (name, value) in form)
            Assert.Equal(value, page.QuerySelector($"[name='{name}']")!.GetAttribute("value") ?? "");
    }

    [Fact]
    public async Task The_kitchens_flour_habit_weighs_pasted_lines()
    {
        var baker = await NewAsync();
        await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", new() { ["Form.FlourHabit"] = "dipped" });
        var page = await TestKitchen.ParseAsync(
            await TestKitchen.PostAsync(baker, "/book/weigh", "#weigh", new() { ["Lines"] = "1 cup flour" })
        );
        Assert.Equal("140 g", page.QuerySelector(".readings tbody .amount")!.TextContent);
    }

    [Fact]
    public async Task Pans_of_the_kitchen_are_kept_and_a_line_that_is_none_is_said_at_its_field()
    {
        var baker = await NewAsync();
        var refused = await TestKitchen.PostAsync(
            baker,
            "/kitchen",
            "#kitchen-form",
            new() { ["Form.Pans"] = "3 × tall round; round; 18 × 9\nsomething round" }
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        var page = await TestKitchen.ParseAsync(refused);
        Assert.Contains("something round", page.QuerySelector("#wrong-Pans")!.TextContent, StringComparison.Ordinal);
        Assert.Contains(
            "something round",
            ((IHtmlTextAreaElement)page.QuerySelector("[name='Form.Pans']")!).Value,
            StringComparison.Ordinal
        );
        await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", new() { ["Form.Pans"] = "3 × tall round; round; 18 × 9" });
        var scale = await OpenAsync(baker, "/book/market-squash-loaf/scale");
        Assert.Contains("tall round (3)", scale.QuerySelector("#pan")!.TextContent, StringComparison.Ordinal);
    }
}
