using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;

namespace Zymethos.Web.Tests;

public sealed class KitchenPageTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private Task<HttpClient> NewAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    private static Task<HttpResponseMessage> SaveAsync(HttpClient baker, Dictionary<string, string> typed) =>
        TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", typed);

    private static string Batches(string recipe) => $"Setup.Rows[{TestKitchen.RowOf(recipe)}].Batches";

    private static string Done(IDocument page) => page.QuerySelectorAll(".figure-main dd")[1].TextContent.Trim()[..5];

    [Fact]
    public async Task The_plan_obeys_a_changed_oven_at_once()
    {
        var baker = await NewAsync();
        await TestKitchen.PostAsync(
            baker,
            "/oven-day",
            "#setup",
            new() { [Batches("market-squash-loaf")] = "1", [Batches("orchard-almond-slices")] = "1" }
        );
        var before = Done(await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day")));
        var saved = await TestKitchen.ParseAsync(
            await SaveAsync(baker, new() { ["Form.HeatUpMinutes"] = "28", ["Form.FallAjarMinutes"] = "29" })
        );
        var after = Done(await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day")));
        Assert.True(string.CompareOrdinal(after, before) > 0, $"{before} {after}");
        Assert.Matches("done by \\d\\d:\\d\\d", saved.QuerySelector(".note")!.TextContent);
    }

    [Fact]
    public async Task An_oven_too_slow_for_a_window_leaves_the_old_plan_and_says_so()
    {
        // The plait bakes at 180; a dial that ends at 170 has no such mark.
        var baker = await NewAsync();
        await TestKitchen.PostAsync(baker, "/oven-day", "#setup", new() { [Batches("lantern-plait")] = "1" });
        var before = Done(await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day")));
        var response = await SaveAsync(baker, new() { ["Form.HottestC"] = "170" });
        Assert.True(response.IsSuccessStatusCode, await response.Content.ReadAsStringAsync());
        var saved = await TestKitchen.ParseAsync(response);
        Assert.Contains(
            "no longer works in this kitchen; its old plan stays",
            saved.QuerySelector(".note")!.TextContent,
            StringComparison.Ordinal
        );
        Assert.Equal(before, Done(await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day"))));
    }

    [Fact]
    public async Task A_day_planned_again_for_a_changed_kitchen_keeps_its_helper_and_its_borrowed_oven()
    {
        var baker = await NewAsync();
        await TestKitchen.PostAsync(
            baker,
            "/oven-day",
            "#setup",
            new()
            {
                [Batches("market-squash-loaf")] = "1",
                ["Setup.ExtraHands"] = "1",
                ["Setup.SecondOven"] = "true",
            }
        );
        await SaveAsync(baker, new() { ["Form.HeatUpMinutes"] = "28" });
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day"));
        Assert.Equal("1", page.QuerySelector("[name='Setup.ExtraHands']")!.GetAttribute("value"));
        Assert.True(((IHtmlInputElement)page.QuerySelector("[name='Setup.SecondOven']")!).IsChecked);
    }

    [Fact]
    public async Task A_second_pair_of_hands_gets_a_row_of_its_own()
    {
        var baker = await NewAsync();
        await TestKitchen.PostAsync(
            baker,
            "/oven-day",
            "#setup",
            new() { [Batches("lamplight-ginger-rounds")] = "1", [Batches("window-shapes")] = "1" }
        );
        await SaveAsync(baker, new() { ["Form.People[1].Name"] = "Odile", ["Form.People[1].From"] = "09:00" });
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day"));
        Assert.Contains("Odile", page.QuerySelector(".trace")!.TextContent, StringComparison.Ordinal);
        Assert.Contains(page.QuerySelectorAll(".sheet tr"), r => r.TextContent.Contains("Odile", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_hand_mixer_is_typed_as_a_line_and_a_day_may_ask_for_it_or_for_hands()
    {
        var baker = await NewAsync();
        var wrong = await SaveAsync(baker, new() { ["Form.OtherMixers"] = "hand mixer, 3 L, no bread dough\nthe old one" });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
        Assert.Contains(
            "the old one",
            (await TestKitchen.ParseAsync(wrong)).QuerySelector("#wrong-OtherMixers")!.TextContent,
            StringComparison.Ordinal
        );
        await SaveAsync(baker, new() { ["Form.OtherMixers"] = "hand mixer, 3 L, no bread dough" });
        Assert.Equal(
            "hand mixer, 3 L, no bread dough",
            (await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"))).QuerySelector("[name='Form.OtherMixers']")!.TextContent.Trim()
        );
        var row = TestKitchen.RowOf("coal-cellar-buttons");
        var day = await TestKitchen.ParseAsync(await TestKitchen.SetUpAsync(baker, new() { ["add"] = row }));
        var ways = day.QuerySelectorAll($"[name='Setup.Rows[{row}].Mixing'] option").Select(o => o.TextContent).ToList();
        Assert.Contains("with the hand mixer", ways);
        Assert.Contains("by hand", ways);
        // What is asked for stands on the sheet and is chosen still.
        var planned = await TestKitchen.ParseAsync(
            await TestKitchen.PostAsync(
                baker,
                "/oven-day",
                "#setup",
                new() { [Batches("coal-cellar-buttons")] = "1", [$"Setup.Rows[{row}].Mixing"] = "9" }
            )
        );
        Assert.Contains(planned.QuerySelectorAll(".sheet tr"), r => r.TextContent.Contains("by hand", StringComparison.Ordinal));
        Assert.Equal("9", planned.QuerySelector($"[name='Setup.Rows[{row}].Mixing'] option[selected]")!.GetAttribute("value"));
    }

    [Theory]
    [InlineData("Form.HeatUpMinutes", "soon", "#wrong-HeatUpMinutes", "whole number")]
    [InlineData("Form.HeatUpMinutes", "-5", "#wrong-HeatUpMinutes", "3 to 60 minutes")]
    [InlineData("Form.HottestC", "9999", "#wrong-HottestC", "between 150 and 350")]
    [InlineData("Form.ColdLoadMinutes", "21", "#wrong-ColdLoadMinutes", "0 to 20 minutes")]
    [InlineData("Form.RoomC", "60", "#wrong-RoomC", "between 5 and 40")]
    [InlineData("Form.Shelves", "0", "#wrong-Shelves", "1 to 6 shelves")]
    [InlineData("Form.ShelfWidthCm", "NaN", "#wrong-ShelfWidthCm", "should be a number")]
    [InlineData("Form.FallAjarMinutes", "300", "#wrong-FallAjarMinutes", "5 to 180 minutes")]
    [InlineData("Form.Name", "", "#wrong-Name", "name")]
    [InlineData("Form.People[0].Name", "", "#wrong-person-0", "At least one person")]
    [InlineData("Form.People[0].Until", "late", "#wrong-until-0", "as 10:00")]
    public async Task Bad_input_is_answered_at_its_field_and_kept(string field, string typed, string at, string words)
    {
        var response = await SaveAsync(await NewAsync(), new() { [field] = typed, ["Form.Mixers"] = "2" });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        var page = await TestKitchen.ParseAsync(response);
        Assert.Contains(words, page.QuerySelector(at)!.TextContent, StringComparison.Ordinal);
        Assert.Equal(typed, page.QuerySelector($"[name='{field}']")!.GetAttribute("value") ?? "");
        Assert.Equal("2", page.QuerySelector("[name='Form.Mixers']")!.GetAttribute("value"));
    }

    [Fact]
    public async Task A_decimal_comma_is_as_good_as_a_point()
    {
        var baker = await NewAsync();
        await SaveAsync(baker, new() { ["Form.ShelfWidthCm"] = "42,5" });
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"));
        Assert.Equal("42.5", page.QuerySelector("[name='Form.ShelfWidthCm']")!.GetAttribute("value"));
    }

    [Fact]
    public async Task Saving_without_a_change_changes_nothing()
    {
        var baker = await NewAsync();
        var before = await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"));
        for (var i = 0; i < 3; i++)
            await SaveAsync(baker, []);
        var after = await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"));
        static IEnumerable<string?> Values(IHtmlDocument page) =>
            page.QuerySelectorAll("#kitchen-form input[name^='Form.']")
                .Where(i => i.GetAttribute("name") != "Form.Version")
                .Select(i => i.GetAttribute("value"));
        Assert.Equal(Values(before), Values(after));
        Assert.Equal(before.QuerySelector(".transitions")!.TextContent, after.QuerySelector(".transitions")!.TextContent);
    }

    [Fact]
    public async Task Two_people_changing_it_at_once_is_noticed_and_nothing_typed_is_lost()
    {
        var baker = await NewAsync();
        var stale = await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"));
        await SaveAsync(baker, new() { ["Form.RoomC"] = "19" });
        var response = await SaveAsync(
            baker,
            new() { ["Form.Version"] = stale.QuerySelector("[name='Form.Version']")!.GetAttribute("value")!, ["Form.RoomC"] = "23" }
        );
        Assert.Equal(HttpStatusCode.Conflict, response.StatusCode);
        var page = await TestKitchen.ParseAsync(response);
        Assert.Contains("Somebody else changed the kitchen", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal("23", page.QuerySelector("[name='Form.RoomC']")!.GetAttribute("value"));
        Assert.NotEqual(
            stale.QuerySelector("[name='Form.Version']")!.GetAttribute("value"),
            page.QuerySelector("[name='Form.Version']")!.GetAttribute("value")
        );
    }

    [Fact]
    public async Task Cups_first_changes_the_books_columns()
    {
        var baker = await NewAsync();
        await SaveAsync(baker, new() { ["Form.Habit"] = "usCustomary" });
        var book = await TestKitchen.ParseAsync(await baker.GetAsync("/book"));
        Assert.Contains("350 °F / 175 °C", book.Body!.TextContent, StringComparison.Ordinal);
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/book/market-squash-loaf"));
        Assert.Equal(
            "3 ½ cups",
            page.QuerySelectorAll(".lines tr")
                .First(r => r.TextContent.Contains("plain flour", StringComparison.Ordinal))
                .QuerySelector(".amount")!
                .TextContent
        );
    }
}
