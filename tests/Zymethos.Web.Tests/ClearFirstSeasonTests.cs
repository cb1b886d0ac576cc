using System.Net;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Zymethos.Web.Tests;

/// <summary>A season that asks for what is free of an allergen to come first, and the day that one of its sessions becomes.</summary>
public sealed class ClearFirstSeasonTests(SeasonKitchen kitchen) : IClassFixture<SeasonKitchen>
{
    [Fact]
    public async Task A_season_that_asks_for_it_opens_its_session_as_a_day_in_that_order()
    {
        // One free stretch before a Sunday's coffee: both kinds are baked in it, however the plan turns out.
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var made = await TestKitchen.PostAsync(
            baker,
            "/season/new",
            "#season-form",
            new()
            {
                ["Form.Name"] = "Coffee",
                ["Form.Occasions[0].Name"] = "Sunday",
                ["Form.Occasions[0].Date"] = "2031-08-03",
                ["Form.Occasions[0].Time"] = "15:00",
                ["Form.Weekly[5].From"] = "09:00",
                ["Form.Weekly[5].Until"] = "18:00",
                ["Form.ClearFirst"] = "treeNut",
                ["Form.Needs[0].Recipe"] = "orchard-almond-slices",
                ["Form.Needs[0].Pieces"] = "12",
                ["Form.Needs[1].Recipe"] = "plum-street-butters",
                ["Form.Needs[1].Pieces"] = "24",
            }
        );
        Assert.Equal(HttpStatusCode.OK, made.StatusCode);
        var season = made.RequestMessage!.RequestUri!.AbsolutePath;
        var file = JsonNode.Parse(await baker.GetStringAsync($"{season}/season.json"))!;
        Assert.Equal("treeNut", (string)file["clearFirst"]!);
        var page = await TestKitchen.ParseAsync(await baker.GetAsync(season));
        Assert.Contains("is free of tree nuts", page.QuerySelector("main")!.TextContent, StringComparison.Ordinal);

        var session = Assert.Single(page.QuerySelectorAll("button[name=session]").Select(b => b.GetAttribute("value")!).Distinct());
        var answer = await TestKitchen.PostAsync(baker, season, "form[action*='handler=Day']", new() { ["session"] = session });
        Assert.StartsWith("/oven-day", answer.RequestMessage!.RequestUri!.PathAndQuery, StringComparison.Ordinal);
        await using var context = kitchen.Context(null);
        var day = await context.OvenDays.IgnoreQueryFilters().AsNoTracking().SingleAsync(d => d.Date == new LocalDate(2031, 8, 2));
        Assert.NotEmpty(day.Document.ByHand?.After ?? []);
    }
}
