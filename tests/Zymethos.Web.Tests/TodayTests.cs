using NodaTime;
using Zymethos.Interchange.Larder;
using Zymethos.Store.Larder;

namespace Zymethos.Web.Tests;

/// <summary>The front page.</summary>
public sealed class TodayTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    [Fact]
    public async Task Somebody_new_is_led_from_the_first_step_to_the_next()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/"));
        Assert.Equal(5, page.QuerySelectorAll(".first-steps li").Length);
        Assert.Empty(page.QuerySelectorAll(".first-steps .is-done"));
        Assert.Contains("Nothing is planned for today", page.QuerySelector("main")!.TextContent, StringComparison.Ordinal);
        foreach (var step in page.QuerySelectorAll(".first-steps a"))
            Assert.True((await baker.GetAsync(step.GetAttribute("href"))).IsSuccessStatusCode);
        // Something is at work: that step is done, the others are not, and it stands first.
        var session = await TestKitchen.BeginAsync(baker, "market-squash-loaf");
        page = await TestKitchen.ParseAsync(await baker.GetAsync("/today"));
        Assert.Single(page.QuerySelectorAll(".first-steps .is-done"));
        Assert.Equal($"/bench/{session}", page.QuerySelector(".today-lines a")!.GetAttribute("href"));
    }

    [Fact]
    public async Task The_demo_s_day_season_and_cakes_stand_on_it()
    {
        var baker = await kitchen.DemoBakerAsync();
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/today"));
        var text = page.QuerySelector("main")!.TextContent;
        Assert.Contains("Oven Day:", text, StringComparison.Ordinal);
        // Which touches the week holds depends on the plan that the first start found; that some lead to the season does not.
        Assert.NotEmpty(page.QuerySelectorAll(".today-lines a[href='/season']"));
        Assert.True(page.QuerySelectorAll(".today-lines li").Length > 4);
        // What the season calls urgent is told here, too.
        var season = await TestKitchen.ParseAsync(await baker.GetAsync("/season"));
        foreach (var warning in season.QuerySelectorAll("section[aria-labelledby=urgent-head] li"))
            Assert.Contains(warning.TextContent.Trim(), text, StringComparison.Ordinal);
        // Each line leads somewhere.
        foreach (var address in page.QuerySelectorAll("main a").Select(a => a.GetAttribute("href")).Distinct())
            Assert.True((await baker.GetAsync(address)).IsSuccessStatusCode, address);
    }

    [Fact]
    public async Task What_is_past_its_date_is_told_and_what_keeps_is_not()
    {
        var email = $"{Guid.NewGuid():N}@home.invalid";
        var baker = await kitchen.NewBakerAsync(email);
        await using (var all = kitchen.Context(null))
        {
            var own = all.Users.Single(u => u.Email == email).KitchenId;
            await using var mine = kitchen.Context(own);
            void Put(string name, string bestBy) =>
                mine.Add(
                    new StockRow
                    {
                        Id = Guid.NewGuid(),
                        Name = name,
                        Document = new StockDocument(Guid.NewGuid().ToString(), name, Grams: 250, BestBy: bestBy),
                    }
                );
            var today = SystemClock.Instance.GetCurrentInstant().InUtc().Date;
            Put("buttermilk", $"{today.PlusDays(-3):uuuu-MM-dd}");
            Put("raisins", $"{today.PlusDays(200):uuuu-MM-dd}");
            await mine.SaveChangesAsync();
        }

        var text = (await TestKitchen.ParseAsync(await baker.GetAsync("/today"))).QuerySelector("main")!.TextContent;
        Assert.Contains("buttermilk is past its date", text, StringComparison.Ordinal);
        Assert.DoesNotContain("raisins", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Words_are_explained_to_everybody() =>
        Assert.Contains(
            "treated as if it were",
            await (await kitchen.Visitor().GetAsync("/words")).Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
}
