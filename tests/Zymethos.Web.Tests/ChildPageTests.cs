using System.Globalization;
using System.Net;
using Microsoft.EntityFrameworkCore;

namespace Zymethos.Web.Tests;

/// <summary>A child in the kitchen: no pair of hands for the plan, and given what fits beside a grown-up.</summary>
public sealed class ChildPageTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    [Fact]
    public async Task A_child_is_offered_what_fits_on_the_run_sheet_and_the_plan_counts_on_none()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var date = DateTime.UtcNow.Date.AddDays(8).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        async Task<AngleSharp.Dom.IElement> SheetAsync() =>
            (
                await TestKitchen.ParseAsync(
                    await TestKitchen.PostAsync(
                        baker,
                        $"/oven-day?date={date}&add=plum-street-butters",
                        "#setup",
                        new() { ["Setup.From"] = "08:00", ["Setup.Until"] = "20:00" }
                    )
                )
            ).QuerySelector(".sheet")!;
        var alone = await SheetAsync();
        Assert.DoesNotContain("beside you", alone.TextContent, StringComparison.Ordinal);
        var saved = await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", new() { ["Form.Children"] = "Mia, Jo" });
        Assert.Equal(HttpStatusCode.OK, saved.StatusCode);
        var with = await SheetAsync();
        var shape = with.QuerySelectorAll("tr").First(r => r.TextContent.Contains("Shape a tray of butters", StringComparison.Ordinal));
        Assert.Contains("Mia or Jo can do this beside you", shape.TextContent, StringComparison.Ordinal);
        Assert.Contains("no tasting", shape.TextContent, StringComparison.Ordinal);
        var bake = with.QuerySelectorAll("tr.line-in").First();
        Assert.DoesNotContain("Mia", bake.TextContent, StringComparison.Ordinal);
        // One grown-up has all the hands: with a second pair the sheet would say whose.
        Assert.DoesNotContain(with.QuerySelectorAll("thead th"), h => h.TextContent.Trim() == "Who");
        Assert.Equal(alone.QuerySelectorAll("tr").Length, with.QuerySelectorAll("tr").Length);
    }

    [Theory]
    [InlineData("A, B, C, D, E", "Up to four children")]
    [InlineData("Baker", "not one of the grown-ups")]
    public async Task What_cannot_be_is_said_at_the_field_and_stays(string typed, string words)
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var answer = await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", new() { ["Form.Children"] = typed });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        var page = await TestKitchen.ParseAsync(answer);
        Assert.Contains(words, page.QuerySelector("#wrong-Children")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(typed, page.QuerySelector("#k-Children")!.GetAttribute("value"));
    }

    [Fact]
    public async Task Children_go_along_in_the_kitchens_own_format()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", new() { ["Form.Children"] = "Mia" });
        await using var context = kitchen.Context(null);
        var kept = await context.Kitchens.IgnoreQueryFilters().AsNoTracking().Where(k => !k.IsDemo).ToListAsync();
        Assert.Single(kept, k => k.Document.Children is ["Mia"]);
        Assert.Equal("Mia", Assert.Single(kept.Single(k => k.Document.Children is ["Mia"]).ToKitchen().Children));
    }
}
