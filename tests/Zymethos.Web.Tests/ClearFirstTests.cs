using System.Globalization;
using System.Net;

namespace Zymethos.Web.Tests;

/// <summary>A day on which what is free of an allergen is made first, because somebody on the parcels' list avoids it.</summary>
public sealed class ClearFirstTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private static async Task BringAsync(HttpClient baker, string people)
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/parcels/people/bring"));
        using var form = new FormUrlEncodedContent(
            new Dictionary<string, string>
            {
                ["__RequestVerificationToken"] = page.QuerySelector("main form input[name=__RequestVerificationToken]")!
                    .GetAttribute("value")!,
                ["Text"] = people,
                ["keep"] = "true",
            }
        );
        Assert.Equal(HttpStatusCode.OK, (await baker.PostAsync("/parcels/people/bring", form)).StatusCode);
    }

    [Fact]
    public async Task What_holds_no_nuts_is_mixed_and_shaped_before_the_nuts_come_out()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var date = DateTime.UtcNow.Date.AddDays(9).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        foreach (var recipe in new[] { "orchard-almond-slices", "plum-street-butters" })
            Assert.Equal(
                HttpStatusCode.OK,
                (
                    await TestKitchen.PostAsync(
                        baker,
                        $"/oven-day?date={date}&add={recipe}",
                        "#setup",
                        new() { ["Setup.From"] = "08:00", ["Setup.Until"] = "20:00" }
                    )
                ).StatusCode
            );
        Assert.DoesNotContain("clear-first", await baker.GetStringAsync($"/oven-day?date={date}"), StringComparison.Ordinal);
        await BringAsync(baker, "Wren: no tree nuts");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={date}"));
        Assert.Contains("Plum Street butters", page.QuerySelector(".clear-first")!.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("Orchard", page.QuerySelector(".clear-first")!.TextContent, StringComparison.Ordinal);
        var button = page.QuerySelector(".clear-first button")!;
        var answer = await TestKitchen.PostAsync(
            baker,
            $"/oven-day?date={date}",
            ".clear-first form",
            new() { [button.GetAttribute("name")!] = button.GetAttribute("value")! }
        );
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        var after = await TestKitchen.ParseAsync(answer);
        Assert.Contains("Ice and pack it on clean boards", after.QuerySelector(".clear-first")!.TextContent, StringComparison.Ordinal);

        // As the plan itself says it: handwork of the butters before their oven starts before anything of the slices.
        var sheet = after.QuerySelectorAll(".sheet tr").Where(r => r.QuerySelector("a") is not null).ToList();
        int At(string title) => sheet.FindIndex(r => r.QuerySelector("a")!.TextContent.Trim().StartsWith(title, StringComparison.Ordinal));
        Assert.True(At("Cream and mix the butter dough") >= 0);
        var nuts = sheet.FindIndex(r => r.TextContent.Contains("Toast the almonds", StringComparison.Ordinal));
        Assert.True(nuts > At("Cream and mix the butter dough"), after.QuerySelector(".sheet")!.TextContent);
    }

    [Fact]
    public async Task Where_nobody_avoids_anything_that_the_day_holds_nothing_is_asked()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var date = DateTime.UtcNow.Date.AddDays(9).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        await TestKitchen.PostAsync(
            baker,
            $"/oven-day?date={date}&add=plum-street-butters",
            "#setup",
            new() { ["Setup.From"] = "08:00", ["Setup.Until"] = "20:00" }
        );
        await BringAsync(baker, "Wren: no tree nuts");
        Assert.DoesNotContain("clear-first", await baker.GetStringAsync($"/oven-day?date={date}"), StringComparison.Ordinal);
    }
}
