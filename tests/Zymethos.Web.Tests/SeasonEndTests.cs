using System.Net;
using Zymethos.Interchange.Documents;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Tests;

/// <summary>The end of a season, and the next one begun from it.</summary>
public sealed class SeasonEndTests(SeasonKitchen kitchen) : IClassFixture<SeasonKitchen>
{
    private static readonly SeasonSheet Sheet = new(
        "Lanterns",
        "2025-11-01",
        [new OccasionDocument("Night", "2025-12-13T18:00")],
        [
            new NeedDocument("Night", "market-squash-loaf", 4, Id: "squash"),
            new NeedDocument("Night", "window-shapes", 42, Id: "shapes", Boxes: 14),
            new NeedDocument("Night", "lantern-plait", 2, Id: "plait"),
        ],
        new HoursDocument([], null, [new ExceptionDocument("2025-12-06", "08:00", "18:00", 1)], [new BusyDocument("a", "b")]),
        [new DoneDocument("squash", 0, "2025-12-06T10:00")]
    );

    private static PastBakeDocument Bake(string date, string recipe, double pieces, double minutes = 60, string? change = null) =>
        new(
            Guid.NewGuid().ToString(),
            date,
            recipe,
            recipe,
            Loads: [new PastLoadDocument("Bake", minutes, 60, 60)],
            Hands: [new PastHandDocument("Mix", "mixing", 10, 12)],
            Pieces: pieces,
            ToChange: change
        );

    private static readonly Dictionary<string, string> Names = new() { ["market-squash-loaf"] = "Market squash loaf" };

    [Fact]
    public void What_was_baked_in_its_weeks_is_counted_and_nothing_else()
    {
        var end = SeasonEnd.Of(
            Sheet,
            Names,
            [
                Bake("2025-12-06", "market-squash-loaf", 2, 80, "Fruit a week earlier"),
                Bake("2025-12-12", "market-squash-loaf", 2),
                Bake("2025-10-12", "market-squash-loaf", 9),
                Bake("2026-01-12", "market-squash-loaf", 9),
            ]
        );
        var squash = end.Needs[0];
        Assert.Equal(("Market squash loaf", 4, 4), (squash.Name, squash.Baked, squash.Eaten));
        Assert.Equal("Fruit a week earlier", squash.ToChange);
        Assert.Null(end.Needs[1].Baked);
        Assert.Equal((2, 24.0, 140.0), (end.Bakes, end.HandsMinutes, end.OvenMinutes));
        Assert.Contains("80 min instead of 60", Assert.Single(end.Late), StringComparison.Ordinal);
    }

    [Fact]
    public void Next_year_has_the_same_weekdays_what_was_eaten_and_wanted_and_the_advice()
    {
        var told = Sheet with
        {
            Outcomes =
            [
                new OutcomeDocument("squash", 4, 1, Advice: "Fruit a week earlier"),
                new OutcomeDocument("shapes", 42, 0, 5, "The children"),
                new OutcomeDocument("plait", 2, 2),
            ],
        };
        var next = SeasonEnd.Of(told, Names, []).NextYear(told);
        Assert.Equal("2026-12-12T18:00", next.Occasions[0].At);
        Assert.Equal(DayOfWeek.Saturday, new DateOnly(2026, 12, 12).DayOfWeek);
        Assert.Equal("2026-12-05", next.Hours.Exceptions![0].Date);
        Assert.Null(next.Hours.Busy);
        Assert.Empty(next.Done);
        // What nobody ate is not made again; what goes into boxes evenly still does.
        Assert.Equal([("squash", 3), ("shapes", 56)], next.Needs.Select(n => (n.Id, n.Pieces)));
        Assert.Equal("Fruit a week earlier; 1 was left over", next.Needs[0].Advice);
        Assert.Equal("The children wanted 5 more", next.Needs[1].Advice);
    }

    [Fact]
    public async Task A_season_is_ended_on_its_page_and_the_next_one_shows_the_advice_where_it_matters()
    {
        var (baker, season, _) = await kitchen.BegunAsync(("market-squash-loaf", 4));
        var id = season.Split('/')[^1];
        var wrong = await TestKitchen.PostAsync(
            baker,
            $"/season/{id}/end",
            "main form",
            new()
            {
                ["Form[0].Made"] = "3",
                ["Form[0].Left"] = "4",
                ["next"] = "false",
            }
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
        Assert.Contains("More is left than was made", await wrong.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var next = await TestKitchen.PostAsync(
            baker,
            $"/season/{id}/end",
            "main form",
            new()
            {
                ["Form[0].Made"] = "4",
                ["Form[0].Left"] = "2",
                ["Form[0].Advice"] = "Bake it two days before",
                ["next"] = "true",
            }
        );
        var page = await TestKitchen.ParseAsync(next);
        Assert.True(next.IsSuccessStatusCode, string.Join(" ", page.QuerySelectorAll(".said-wrong").Select(w => w.TextContent)));
        var anew = next.RequestMessage!.RequestUri!.AbsolutePath;
        Assert.NotEqual($"/season/{id}", anew);
        Assert.Contains("Next year", page.Body!.TextContent, StringComparison.Ordinal);
        var lot = await baker.GetStringAsync($"{anew}/lot/n1");
        Assert.Contains("Bake it two days before", lot, StringComparison.Ordinal);
        Assert.Contains("2 loaves", lot, StringComparison.Ordinal);
    }
}
