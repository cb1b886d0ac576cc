using System.Net;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.TestHost;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Store.Days;

namespace Zymethos.Web.Tests;

/// <summary>A server on which it is a quarter past nine in the morning of a Saturday, in a kitchen two hours east of Greenwich.</summary>
public sealed class MorningKitchen : TestKitchen
{
    public static readonly Instant Now = Instant.FromUtc(2031, 8, 2, 7, 15);

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        base.ConfigureWebHost(builder);
        builder.UseSetting("ZYMETHOS_SEARCH_ON", "1");
        builder.UseSetting("ZYMETHOS_SEARCH_ON_SECONDS", "40");
        builder.ConfigureTestServices(s => s.AddSingleton<IClock>(new Still()));
    }

    private sealed class Still : IClock
    {
        public Instant GetCurrentInstant() => Now;
    }
}

public sealed class DayGoingOnTests(MorningKitchen kitchen) : IClassFixture<MorningKitchen>
{
    private const string Today = "2031-08-02";

    private async Task<HttpClient> PlannedAsync(params string[] recipes)
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        Assert.True(
            (
                await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", new() { ["Form.Zone"] = "Europe/Helsinki" })
            ).IsSuccessStatusCode
        );
        var rows = recipes.ToDictionary(k => $"Setup.Rows[{TestKitchen.RowOf(k)}].Batches", _ => "1");
        rows["Setup.Date"] = Today;
        rows["Setup.From"] = "08:00";
        rows["Setup.Until"] = "20:00";
        Assert.Equal(HttpStatusCode.OK, (await TestKitchen.PostAsync(baker, "/oven-day", "#setup", rows)).StatusCode);
        return baker;
    }

    private static async Task<HttpResponseMessage> SendAsync(HttpClient baker, string handler, Dictionary<string, string> typed)
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={typed["date"]}"));
        var token = page.QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        return await baker.PostAsync(
            $"/oven-day?handler={handler}",
            new FormUrlEncodedContent(typed.Append(new("__RequestVerificationToken", token)))
        );
    }

    private static bool Before(AngleSharp.Dom.IElement row, string hour) =>
        string.CompareOrdinal(row.QuerySelector(".when")!.TextContent.Trim(), hour) < 0;

    [Fact]
    public async Task Now_is_drawn_by_the_kitchens_own_clock()
    {
        // Helsinki keeps summer time in August: three hours east of Greenwich.
        var page = await TestKitchen.ParseAsync(await (await PlannedAsync("market-squash-loaf")).GetAsync("/oven-day"));
        Assert.Equal("now 10:15", page.QuerySelector(".trace .now-word")!.TextContent);
        Assert.Equal(Today, page.QuerySelector("[name='Setup.Date']")!.GetAttribute("value"));
    }

    [Fact]
    public async Task A_step_that_runs_over_moves_the_rest_and_keeps_what_has_begun()
    {
        var baker = await PlannedAsync("market-squash-loaf", "allotment-loaf", "window-shapes", "orchard-almond-slices");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Today}"));
        var before = page.QuerySelectorAll(".sheet tr[data-task]")
            .Select(r => (Task: r.GetAttribute("data-task")!, When: r.QuerySelector(".when")!.TextContent.Trim()))
            .Distinct()
            .ToList();
        var late = page.QuerySelectorAll(".sheet tr.line-in")
            .Last(r => string.CompareOrdinal(r.QuerySelector(".when")!.TextContent.Trim(), "10:15") < 0)
            .GetAttribute("data-task")!;
        var response = await SendAsync(
            baker,
            "Hand",
            new()
            {
                ["date"] = Today,
                ["Step"] = late,
                ["Do"] = "over",
                ["Value"] = "9",
            }
        );
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        var after = await TestKitchen.ParseAsync(response);
        Assert.Contains(
            "needs 9 min more; the rest planned again from 10:15",
            after.QuerySelector(".note")!.TextContent,
            StringComparison.Ordinal
        );
        // Words that are no minutes change nothing.
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (
                await SendAsync(
                    baker,
                    "Hand",
                    new()
                    {
                        ["date"] = Today,
                        ["Step"] = late,
                        ["Do"] = "over",
                        ["Value"] = "soon",
                    }
                )
            ).StatusCode
        );
        var hours = after
            .QuerySelectorAll(".sheet tr[data-task]")
            .Select(r => (r.GetAttribute("data-task")!, r.QuerySelector(".when")!.TextContent.Trim()))
            .ToHashSet();
        Assert.Contains(before, b => string.CompareOrdinal(b.When, "09:30") < 0 && hours.Contains(b));
    }

    [Fact]
    public async Task A_step_that_is_done_sooner_ends_now_and_the_rest_is_planned_again()
    {
        var baker = await PlannedAsync("market-squash-loaf", "allotment-loaf", "window-shapes", "orchard-almond-slices");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Today}"));
        string? going = null;
        foreach (var task in page.QuerySelectorAll(".sheet tr[data-task]").Select(r => r.GetAttribute("data-task")!).Distinct())
        {
            var why = await TestKitchen.ParseAsync(
                await baker.GetAsync($"/oven-day?handler=Why&date={Today}&step={Uri.EscapeDataString(task)}")
            );
            if (why.QuerySelector("button[value=done]") is not null)
                going = task;
        }

        Assert.NotNull(going);
        var move = new Dictionary<string, string>
        {
            ["date"] = Today,
            ["Step"] = going,
            ["Do"] = "done",
        };
        var response = await SendAsync(baker, "Hand", move);
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        Assert.Contains(
            "is done; the rest planned again from 10:15",
            (await TestKitchen.ParseAsync(response)).QuerySelector(".note")!.TextContent,
            StringComparison.Ordinal
        );
        // Said twice, it is not going on any more.
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await SendAsync(baker, "Hand", move)).StatusCode);
    }

    [Fact]
    public async Task A_window_that_closes_meanwhile_is_missed_and_said()
    {
        var baker = await PlannedAsync("lantern-plait", "market-squash-loaf", "window-shapes");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Today}"));
        // Whichever plan was found: the plait takes longest, so its dough is begun by now, and what somebody is at now is something else.
        Assert.Contains(
            page.QuerySelectorAll(".sheet tr[data-task]"),
            r => r.QuerySelector(".letter")?.GetAttribute("title") == "Lantern plait" && Before(r, "10:15")
        );
        var late = page.QuerySelectorAll(".sheet tr.line-work[data-task]")
            .Last(r => Before(r, "10:15") && r.QuerySelector(".letter")?.GetAttribute("title") != "Lantern plait")
            .GetAttribute("data-task")!;
        // Hours at the board: dough that has begun to rise cannot be seen to in time by anybody.
        var response = await SendAsync(
            baker,
            "Hand",
            new()
            {
                ["date"] = Today,
                ["Step"] = late,
                ["Do"] = "over",
                ["Value"] = "170",
            }
        );
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        var after = await TestKitchen.ParseAsync(response);
        Assert.Matches("comes \\d+ min too late.*: look at it meanwhile", after.QuerySelector(".note")!.TextContent);
        // What was missed stands in the set-up, where it can be taken back, and the day comes back as it was kept.
        Assert.NotEmpty(after.QuerySelectorAll("[name$='.Wider']"));
        Assert.NotNull((await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Today}"))).QuerySelector(".trace"));
    }

    [Fact]
    public async Task A_day_that_is_not_proven_is_looked_at_further_in_the_background()
    {
        var baker = await PlannedAsync(
            "lantern-plait",
            "market-squash-loaf",
            "lamplight-ginger-rounds",
            "window-shapes",
            "orchard-almond-slices",
            "allotment-loaf",
            "copper-ring",
            "ferry-oat-loaf"
        );
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Today}"));
        Assert.NotNull(page.QuerySelector("[data-search]"));
        // Planning again ends the search for the day as it was.
        await using var context = kitchen.Context(null);
        var id = Guid.Parse(page.QuerySelector(".long-search input[name=id]")!.GetAttribute("value")!);
        await SendAsync(
            baker,
            "Hand",
            new()
            {
                ["date"] = Today,
                ["Do"] = "lean",
                ["Value"] = "calmer",
            }
        );
        for (var i = 0; i < 200; i++)
        {
            var row = await context.LongSearches.IgnoreQueryFilters().AsNoTracking().SingleAsync(s => s.Id == id);
            if (row.EndedAt is not null)
            {
                Assert.Equal(LongSearchState.Stopped, row.State);
                return;
            }

            await Task.Delay(150);
        }

        Assert.Fail("The search went on.");
    }

    [Fact]
    public async Task A_day_taken_off_can_be_brought_back()
    {
        var baker = await PlannedAsync("market-squash-loaf");
        var off = await TestKitchen.ParseAsync(await SendAsync(baker, "TakeOff", new() { ["date"] = Today }));
        Assert.Contains("deleted", off.QuerySelector(".note")!.TextContent, StringComparison.Ordinal);
        Assert.Null(off.QuerySelector(".trace"));
        Assert.Equal(HttpStatusCode.NotFound, (await SendAsync(baker, "TakeOff", new() { ["date"] = Today })).StatusCode);
        var back = await TestKitchen.ParseAsync(await SendAsync(baker, "BringBack", new() { ["date"] = Today }));
        Assert.NotNull(back.QuerySelector(".trace"));
        Assert.Contains("Back as it was", back.QuerySelector(".note")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await SendAsync(baker, "BringBack", new() { ["date"] = Today })).StatusCode);
    }

    [Fact]
    public async Task A_helper_for_the_day_and_a_second_rest_are_part_of_it()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var response = await TestKitchen.PostAsync(
            baker,
            "/oven-day",
            "#setup",
            new()
            {
                [$"Setup.Rows[{TestKitchen.RowOf("market-squash-loaf")}].Batches"] = "1",
                ["Setup.Date"] = "2031-08-09",
                ["Setup.ExtraHands"] = "1",
                ["Setup.RestFrom"] = "09:00",
                ["Setup.RestUntil"] = "09:20",
                ["Setup.MoreRests[0].From"] = "11:00",
                ["Setup.MoreRests[0].Until"] = "11:30",
            }
        );
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2031-08-09"));
        Assert.Equal(2, page.QuerySelectorAll(".trace .rest").Length);
        Assert.Contains("Helper", page.QuerySelector(".trace")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(
            ("1", "11:00"),
            (
                page.QuerySelector("[name='Setup.ExtraHands']")!.GetAttribute("value"),
                page.QuerySelector("[name='Setup.MoreRests[0].From']")!.GetAttribute("value")
            )
        );
        var many = await TestKitchen.ParseAsync(
            await TestKitchen.PostAsync(baker, "/oven-day", "#setup", new() { ["Setup.Date"] = "2031-08-10", ["Setup.ExtraHands"] = "7" })
        );
        Assert.Contains("at most four", many.QuerySelector("#wrong-hands")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_second_oven_and_what_there_is_room_for_are_kept()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var saved = await TestKitchen.PostAsync(
            baker,
            "/kitchen",
            "#kitchen-form",
            new()
            {
                ["Form.Second.HeatUpMinutes"] = "9",
                ["Form.Second.FallShutMinutes"] = "30",
                ["Form.Second.FallAjarMinutes"] = "12",
                ["Form.Second.DoorDropC"] = "40",
                ["Form.Second.HottestC"] = "230",
                ["Form.Second.Shelves"] = "1",
                ["Form.Second.ShelfWidthCm"] = "34",
                ["Form.Second.ShelfDepthCm"] = "30",
                ["Form.RackShelves"] = "3",
                ["Form.FridgeLitres"] = "25,5",
                ["Form.FreezerLitres"] = "",
                ["Form.RoomByHour"] = "07:00 21; 22:30 17",
            }
        );
        Assert.Equal(HttpStatusCode.OK, saved.StatusCode);
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"));
        string? Value(string name) => page.QuerySelector($"[name='Form.{name}']")!.GetAttribute("value");
        Assert.Equal(
            ("9", "30", "3", "25.5", "07:00 21, 22:30 17"),
            (
                Value("Second.HeatUpMinutes"),
                Value("Second.FallShutMinutes"),
                Value("RackShelves"),
                Value("FridgeLitres"),
                Value("RoomByHour")
            )
        );
        foreach (
            var (field, typed, words) in new[]
            {
                ("Second.Shelves", "0", "1 to 6 shelves"),
                ("Zone", "Home/Kitchen", "not a time zone"),
                ("RoomByHour", "warm", "hours and degrees"),
                ("FridgeLitres", "-4", "0 to 1000 litres"),
            }
        )
        {
            var wrong = await TestKitchen.ParseAsync(
                await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", new() { [$"Form.{field}"] = typed })
            );
            Assert.Contains(words, wrong.QuerySelector($"#wrong-{field.Replace('.', '-')}")!.TextContent, StringComparison.Ordinal);
            Assert.Equal(typed, wrong.QuerySelector($"[name='Form.{field}']")!.GetAttribute("value"));
        }

        await TestKitchen.PostAsync(
            baker,
            "/oven-day",
            "#setup",
            new()
            {
                [$"Setup.Rows[{TestKitchen.RowOf("market-squash-loaf")}].Batches"] = "1",
                [$"Setup.Rows[{TestKitchen.RowOf("pocket-muffins")}].Batches"] = "1",
                ["Setup.Date"] = "2031-08-16",
            }
        );
        var day = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2031-08-16"));
        Assert.Equal(2, day.QuerySelectorAll(".trace .heat-line").Length);
        Assert.Contains("Second oven", day.QuerySelector(".trace")!.TextContent, StringComparison.Ordinal);
    }
}
