using System.Net;
using System.Text.RegularExpressions;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;

namespace Zymethos.Web.Tests;

/// <summary>A kitchen of cups, Fahrenheit and a clock of twelve hours reads and types everything in its own measures.</summary>
public sealed class CupsAndFahrenheitTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private const string Date = "2031-09-06";

    private async Task<HttpClient> NewAsync()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var saved = await TestKitchen.PostAsync(
            baker,
            "/kitchen",
            "#kitchen-form",
            new() { ["Form.Habit"] = "usCustomary", ["Form.Clock"] = "hours12" }
        );
        Assert.Equal(HttpStatusCode.OK, saved.StatusCode);
        return baker;
    }

    private static async Task<IDocument> PlannedAsync(HttpClient baker)
    {
        var typed = new Dictionary<string, string>
        {
            ["Setup.Date"] = Date,
            ["Setup.From"] = "8 am",
            ["Setup.Until"] = "6:30 pm",
            ["Setup.Rows[lantern-plait].Batches"] = "1",
            ["Setup.Rows[market-squash-loaf].Batches"] = "1",
            ["Setup.Rows[market-squash-loaf].ReadyBy"] = "5.30 pm",
        };
        var planned = await TestKitchen.PostAsync(baker, "/oven-day", "#setup", typed);
        Assert.Equal(HttpStatusCode.OK, planned.StatusCode);
        return await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Date}"));
    }

    [Fact]
    public async Task The_day_is_read_in_its_own_hours_and_heats()
    {
        var page = await PlannedAsync(await NewAsync());
        var text = page.QuerySelector("#planning")!.TextContent;
        Assert.DoesNotContain("°C", text, StringComparison.Ordinal);
        Assert.Contains("°F", page.QuerySelector(".sheet")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("°F", page.QuerySelector(".trace")!.TextContent, StringComparison.Ordinal);
        // An hour is never said in the other clock.
        Assert.All(
            page.QuerySelectorAll(".sheet .when").Select(w => w.TextContent.Trim()),
            w => Assert.Matches(@"^\d{1,2}:\d\d (am|pm)$", w)
        );
        Assert.DoesNotMatch(new Regex(@"\b(?:1[3-9]|2[0-3]):\d\d\b", RegexOptions.None, TimeSpan.FromSeconds(1)), text);
        string Value(string name) => ((IHtmlInputElement)page.QuerySelector($"[name='{name}']")!).Value;
        Assert.Equal("8:00 am", Value("Setup.From"));
        Assert.Equal("6:30 pm", Value("Setup.Until"));
        Assert.Equal("5:30 pm", Value("Setup.Rows[market-squash-loaf].ReadyBy"));
    }

    [Fact]
    public async Task No_field_for_an_hour_is_left_to_the_browser()
    {
        var baker = await NewAsync();
        await PlannedAsync(baker);
        foreach (var address in new[] { $"/oven-day?date={Date}", "/kitchen", "/season/new" })
        {
            var page = await TestKitchen.ParseAsync(await baker.GetAsync(address));
            Assert.Empty(page.QuerySelectorAll("input[type=time], input[type=datetime-local]"));
            Assert.NotEmpty(page.QuerySelectorAll("input[data-clock='12']"));
        }
    }

    [Fact]
    public async Task The_kitchen_is_shown_and_typed_in_inches_and_quarts()
    {
        var baker = await NewAsync();
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"));
        Assert.All(page.QuerySelectorAll("#kitchen-form .unit"), u => Assert.DoesNotMatch("°C|cm|^L$", u.TextContent.Trim()));
        Assert.All(
            page.QuerySelectorAll("#kitchen-form label, #kitchen-form .transitions"),
            l => Assert.DoesNotContain("°C", l.TextContent, StringComparison.Ordinal)
        );
        Assert.DoesNotContain(
            " cm",
            page.QuerySelector("[name='Form.Pans']")!.TextContent.Split('\n')[0].Split(';')[^1],
            StringComparison.Ordinal
        );
        string Value(IDocument of, string name) => ((IHtmlInputElement)of.QuerySelector($"[name='{name}']")!).Value;
        var (hottest, width) = (Value(page, "Form.HottestC"), Value(page, "Form.ShelfWidthCm"));

        // Saved untouched, nothing of it moves.
        await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", []);
        var again = await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"));
        Assert.Equal((hottest, width), (Value(again, "Form.HottestC"), Value(again, "Form.ShelfWidthCm")));

        // What is typed is in inches and Fahrenheit, and comes back as it was typed; in Celsius it is what it should be.
        await TestKitchen.PostAsync(
            baker,
            "/kitchen",
            "#kitchen-form",
            new()
            {
                ["Form.ShelfWidthCm"] = "20",
                ["Form.RoomC"] = "70",
                ["Form.MixerLitres"] = "5",
                ["Form.RoomByHour"] = "7:00 am 70, 10 pm 62",
            }
        );
        var typed = await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"));
        Assert.Equal("20", Value(typed, "Form.ShelfWidthCm"));
        Assert.Equal("70", Value(typed, "Form.RoomC"));
        Assert.Equal("5", Value(typed, "Form.MixerLitres"));
        Assert.Equal("7:00 am 70, 10:00 pm 62", Value(typed, "Form.RoomByHour"));
        await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", new() { ["Form.Habit"] = "metric", ["Form.Clock"] = "hours24" });
        var metric = await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"));
        Assert.Equal("50.8", Value(metric, "Form.ShelfWidthCm"));
        Assert.Equal("21.1", Value(metric, "Form.RoomC"));
        Assert.Equal("4.7", Value(metric, "Form.MixerLitres"));
        Assert.Equal("07:00 21.1, 22:00 16.7", Value(metric, "Form.RoomByHour"));
    }
}
