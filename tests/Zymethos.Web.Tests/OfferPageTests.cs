using System.Net;
using AngleSharp.Dom;
using Zymethos.Store.Accounts;

namespace Zymethos.Web.Tests;

/// <summary>What a recipe only offers, on the reading sheet and in the Book; folds of a rise and tins on a sheet, as the pages say
/// them.</summary>
public sealed class OfferPageTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private const string Rolls =
        "Star rolls\nMakes 6 rolls\n\n500 g bread flour\n320 g water\n7 g instant yeast\n10 g salt\n30 almonds, chopped "
        + "(optional)\n\nMix and knead for 10 minutes. Leave to rise for 2 hours, folding every 30 minutes. Divide into 6 and put "
        + "into 6 ramekins. Stand the ramekins on a baking tray. Prove for 40 minutes. Sprinkle with the almonds if you like. "
        + "Bake at 220 C for 18 minutes. Cool on a rack for 1 hour. Keeps for 2 days.";

    private async Task<(HttpClient Baker, HttpResponseMessage Response, IDocument Sheet)> ReadAsync()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var response = await ImportTests.SendAsync(baker, Rolls);
        return (baker, response, await TestKitchen.ParseAsync(response));
    }

    [Fact]
    public async Task What_is_offered_is_left_out_with_one_touch_and_its_allergen_with_it()
    {
        var (baker, response, sheet) = await ReadAsync();
        var choice = Assert.Single(sheet.QuerySelectorAll("#choices form.choice"));
        Assert.Equal("true", choice.QuerySelector("button[value=yes]")!.GetAttribute("aria-pressed"));
        Assert.Contains("tree nuts", sheet.QuerySelector(".contains")!.TextContent, StringComparison.Ordinal);
        Assert.Single(sheet.QuerySelectorAll(".may-leave"), p => p.TextContent.Contains("may leave this out", StringComparison.Ordinal));

        var without = await TestKitchen.ParseAsync(await ImportTests.PressAsync(baker, response, choice, "option", "no"));
        Assert.Equal("true", without.QuerySelector("#choices button[value=no]")!.GetAttribute("aria-pressed"));
        Assert.DoesNotContain("Contains tree nuts", without.QuerySelector(".contains")!.TextContent, StringComparison.Ordinal);
        Assert.Single(without.QuerySelectorAll(".may-leave"), p => p.TextContent.Contains("Left out", StringComparison.Ordinal));

        // The page that was open before the touch is an old one, and changes nothing.
        var late = await TestKitchen.ParseAsync(await ImportTests.PressAsync(baker, response, choice, "option", "yes"));
        Assert.Contains("changed on another device", late.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal("true", late.QuerySelector("#choices button[value=no]")!.GetAttribute("aria-pressed"));
    }

    [Fact]
    public async Task A_choice_that_is_not_there_is_not_found()
    {
        var (baker, response, sheet) = await ReadAsync();
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await ImportTests.PressAsync(baker, response, sheet.QuerySelector("#choices form.choice")!, "option", "perhaps")).StatusCode
        );
    }

    [Fact]
    public async Task Folds_and_the_sheet_stand_beside_their_steps_and_go_into_the_book()
    {
        var (baker, response, sheet) = await ReadAsync();
        Assert.Equal(3, sheet.QuerySelectorAll(".part-way").Count(p => p.TextContent.Contains("fold the dough", StringComparison.Ordinal)));
        Assert.Contains(sheet.QuerySelectorAll(".method-facts"), p => p.TextContent.Contains("ramekin 9 cm on", StringComparison.Ordinal));
        var editor = await TestKitchen.ParseAsync(
            await baker.GetAsync(sheet.QuerySelector("a[href^='/book/edit/']")!.GetAttribute("href"))
        );
        Assert.Single(
            editor.QuerySelectorAll("input[name$='.Sheet']"),
            i => i.GetAttribute("value")!.Contains("tray", StringComparison.Ordinal)
        );
        var kept = await TestKitchen.ParseAsync(
            await ImportTests.PressAsync(
                baker,
                response,
                sheet.QuerySelectorAll("form").First(f => f.GetAttribute("action")!.Contains("handler=Keep", StringComparison.Ordinal))
            )
        );
        Assert.Equal(3, kept.QuerySelectorAll(".part-way").Count(p => p.TextContent.Contains("fold the dough", StringComparison.Ordinal)));
        Assert.Single(kept.QuerySelectorAll("form.choice"));
    }
}
