using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Demo;

namespace Zymethos.Web.Tests;

/// <summary>The Season's pages: made from nothing, changed, lived through, taken along.</summary>
public sealed class SeasonPageTests(SeasonKitchen kitchen) : IClassFixture<SeasonKitchen>, IDisposable
{
    public void Dispose() => kitchen.Clock.Now = SeasonKitchen.Saturday;

    [Fact]
    public async Task Hours_and_needs_are_typed_as_they_are_said()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var typed = SeasonKitchen.Typed();
        foreach (var key in typed.Keys.Where(k => k.StartsWith("Form.Weekly", StringComparison.Ordinal)).ToList())
            typed.Remove(key);
        typed["Form.Week"] = "Wed 18-22, Sat 9 to 5 pm with 2";
        typed["Form.Paste"] = "3 dozen ginger rounds for the street";
        var made = await TestKitchen.PostAsync(baker, "/season/new", "#season-form", typed);
        Assert.Equal(HttpStatusCode.OK, made.StatusCode);
        var season = made.RequestMessage!.RequestUri!.AbsolutePath;
        var file = System.Text.Json.Nodes.JsonNode.Parse(await baker.GetStringAsync($"{season}/season.json"))!;
        Assert.Equal(
            ["wednesday 18:00 22:00 1", "saturday 09:00 17:00 2"],
            file["hours"]!["weekly"]!.AsArray().Select(h => $"{h!["day"]} {h["from"]} {h["until"]} {h["people"] ?? 1}".ToLowerInvariant())
        );
        Assert.Equal(36, (int)file["needs"]![0]!["pieces"]!);
        Assert.Equal("the street", (string)file["needs"]![0]!["for"]!);

        typed["Form.Week"] = "Wed whenever";
        var wrong = await TestKitchen.PostAsync(baker, "/season/new", "#season-form", typed);
        var page = await TestKitchen.ParseAsync(wrong);
        Assert.Contains("could not be read", page.QuerySelector("#week-wrong")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("Wed whenever", page.QuerySelector("#week-said")!.GetAttribute("value"));
    }

    [Fact]
    public async Task A_season_is_made_from_nothing_and_says_what_this_week_asks_for()
    {
        var (baker, season, page) = await kitchen.BegunAsync(("orchard-almond-slices", 36), ("harbour-tea-loaf", 2), ("copper-ring", 1));
        Assert.Equal("Harvest", page.QuerySelector("h1")!.TextContent);
        Assert.Contains("3 of 3", SeasonKitchen.Text(page, ".stands dd"), StringComparison.Ordinal);
        Assert.Equal(3, page.QuerySelectorAll(".strands .strand").Length);
        Assert.All(page.QuerySelectorAll(".strands .strand"), s => Assert.NotEmpty(s.QuerySelectorAll(".knot")));
        Assert.Equal("today", page.QuerySelector(".strand-today-word")!.TextContent);
        Assert.Contains(
            "36 slices, 2 for what breaks and 1 to taste: 1 batch of 40 makes 40, 1 left over for your own tin.",
            SeasonKitchen.Text(page, ".season-needs td"),
            StringComparison.Ordinal
        );
        var calendar = await TestKitchen.ParseAsync(await baker.GetAsync($"{season}/calendar"));
        Assert.Contains("Supper", SeasonKitchen.Text(calendar, ".calendar-occasion"), StringComparison.Ordinal);
        Assert.True(calendar.QuerySelectorAll(".calendar-work").Length >= 3);
    }

    [Fact]
    public async Task A_cream_cake_for_a_long_table_is_not_planned_and_says_why()
    {
        var (baker, season, page) = await kitchen.BegunAsync(("parade-cake", 1), ("orchard-almond-slices", 36));
        Assert.Contains("2 of 2", SeasonKitchen.Text(page, ".stands dd"), StringComparison.Ordinal);
        var changed = await TestKitchen.ParseAsync(
            await TestKitchen.PostAsync(baker, $"{season}/edit", "#season-form", new() { ["Form.Occasions[0].HoursOut"] = "5" })
        );
        Assert.Contains("out of it for more than 2 hours", changed.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("1 of 2", SeasonKitchen.Text(changed, ".stands dd"), StringComparison.Ordinal);
        // The hours stand in the form as they were typed, and two hours are none too many.
        var form = await TestKitchen.ParseAsync(await baker.GetAsync($"{season}/edit"));
        Assert.Equal("5", form.QuerySelector("[name='Form.Occasions[0].HoursOut']")!.GetAttribute("value"));
        var again = await TestKitchen.ParseAsync(
            await TestKitchen.PostAsync(baker, $"{season}/edit", "#season-form", new() { ["Form.Occasions[0].HoursOut"] = "2" })
        );
        Assert.Contains("2 of 2", SeasonKitchen.Text(again, ".stands dd"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_changed_head_count_changes_everything_after_it_and_is_said()
    {
        var (baker, season, page) = await kitchen.BegunAsync(("orchard-almond-slices", 36));
        Assert.Contains("1 batch of 40", SeasonKitchen.Text(page, ".season-needs td"), StringComparison.Ordinal);
        var changed = await TestKitchen.ParseAsync(
            await TestKitchen.PostAsync(baker, $"{season}/edit", "#season-form", new() { ["Form.Needs[0].Pieces"] = "90" })
        );
        Assert.Contains("2 batches of 40 and half a one", SeasonKitchen.Text(changed, ".season-needs td"), StringComparison.Ordinal);
        Assert.Contains("Changed and planned again.", SeasonKitchen.Text(changed, ".season-said"), StringComparison.Ordinal);
        // And back.
        var undone = await TestKitchen.ParseAsync(await SeasonKitchen.PressAsync(baker, season, "Undo", []));
        Assert.Contains("1 batch of 40", SeasonKitchen.Text(undone, ".season-needs td"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("Form.Name", "", "name of up to 80")]
    [InlineData("Form.Start", "soon", "From which date")]
    [InlineData("Form.Occasions[0].Date", "2031-13-40", "Choose its date")]
    [InlineData("Form.Occasions[0].Time", "late", "hour as 18:00")]
    [InlineData("Form.Occasions[0].Transit", "99", "0 to 30 days")]
    [InlineData("Form.Occasions[0].HoursOut", "all day", "0 to 72 hours")]
    [InlineData("Form.Occasions[0].HoursOut", "NaN", "0 to 72 hours")]
    [InlineData("Form.Occasions[0].HoursOut", "80", "0 to 72 hours")]
    [InlineData("Form.Needs[0].Pieces", "a dozen", "whole number")]
    [InlineData("Form.Needs[0].Pieces", "99999", "1 to 10000")]
    [InlineData("Form.Needs[0].Recipe", "no-such-cake", "no recipe")]
    [InlineData("Form.Needs[0].Occasion", "7", "For which date")]
    [InlineData("Form.Weekly[2].Until", "", "From when until when")]
    [InlineData("Form.Weekly[2].People", "9", "One to four")]
    [InlineData("Form.Weekly[2].Until", "18:00", "ends when it begins")]
    [InlineData("Form.Exceptions[0].From", "09:00", "On which date")]
    [InlineData("Form.Exceptions[0].Day", "some day", "Choose its date")]
    [InlineData("Form.Spell", "evening", "hour as 20:30")]
    [InlineData("Form.Paste", "Wren\tsea biscuits\t3", "nothing like")]
    public async Task What_cannot_be_meant_is_said_at_its_place_and_nothing_typed_is_lost(string field, string value, string message)
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var typed = SeasonKitchen.Typed(("market-squash-loaf", 2));
        typed["Form.Needs[0].For"] = "the choir";
        typed[field] = value;
        var response = await TestKitchen.PostAsync(baker, "/season/new", "#season-form", typed);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        var page = await TestKitchen.ParseAsync(response);
        Assert.Contains(message, SeasonKitchen.Text(page, ".said-wrong"), StringComparison.Ordinal);
        Assert.Equal("the choir", page.QuerySelector("[name='Form.Needs[0].For']")!.GetAttribute("value"));
        Assert.NotNull(page.QuerySelector("[aria-invalid=true]"));
        if (page.QuerySelector($"input[name='{field}']") is { } kept)
            Assert.Equal(value, kept.GetAttribute("value") ?? "");
    }

    [Fact]
    public async Task A_need_in_the_past_and_a_season_without_sessions_stay_usable()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var typed = SeasonKitchen.Typed(("market-squash-loaf", 2), ("copper-ring", 1));
        typed["Form.Start"] = "2031-07-01";
        typed["Form.Occasions[1].Name"] = "Yesterday's";
        typed["Form.Occasions[1].Date"] = "2031-08-01";
        typed["Form.Needs[1].Occasion"] = "1";
        var page = await TestKitchen.ParseAsync(await TestKitchen.PostAsync(baker, "/season/new", "#season-form", typed));
        Assert.Contains("Yesterday's is over", SeasonKitchen.Text(page, ".clash"), StringComparison.Ordinal);
        Assert.Contains("1 of 2", SeasonKitchen.Text(page, ".stands dd"), StringComparison.Ordinal);

        typed = SeasonKitchen.Typed(("market-squash-loaf", 2));
        foreach (var key in typed.Keys.Where(k => k.Contains("Weekly", StringComparison.Ordinal)).ToList())
            typed.Remove(key);
        page = await TestKitchen.ParseAsync(await TestKitchen.PostAsync(baker, "/season/new", "#season-form", typed));
        Assert.Contains("no session left", SeasonKitchen.Text(page, ".clash"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_way_out_is_offered_with_its_price_and_taken_with_one_touch()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        // Buns keep a day; the date is a Tuesday, and on the days before nobody has time. Snipped or piped, they may be frozen: so the
        // freezer is taken away.
        await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", new() { ["Form.FreezerLitres"] = "0" });
        var typed = SeasonKitchen.Typed(("lamplighter-buns", 14));
        typed["Form.Occasions[0].Date"] = "2031-08-26";
        var made = await TestKitchen.PostAsync(baker, "/season/new", "#season-form", typed);
        var season = made.RequestMessage!.RequestUri!.AbsolutePath;
        var page = await TestKitchen.ParseAsync(made);
        Assert.Contains("not met", SeasonKitchen.Text(page, ".clash h2"), StringComparison.Ordinal);
        var ways = await TestKitchen.ParseAsync(await baker.GetAsync(page.QuerySelector(".clash a.btn")!.GetAttribute("href")!));
        Assert.True(ways.QuerySelectorAll(".ways li").Length >= 3, SeasonKitchen.Text(ways, ".ways"));
        Assert.Contains("of your time", SeasonKitchen.Text(ways, ".ways"), StringComparison.Ordinal);
        Assert.Contains("Buy the 14 buns", SeasonKitchen.Text(ways, ".ways"), StringComparison.Ordinal);
        var session = ways.QuerySelectorAll(".ways button")
            .Select(b => b.GetAttribute("value")!)
            .First(v => v.StartsWith("session|", StringComparison.Ordinal));
        var taken = await TestKitchen.ParseAsync(
            await SeasonKitchen.PressAsync(baker, season, "Way", new() { ["need"] = "n1", ["change"] = session })
        );
        Assert.Contains("1 of 1", SeasonKitchen.Text(taken, ".stands dd"), StringComparison.Ordinal);
        Assert.Contains("is met now", SeasonKitchen.Text(taken, ".season-said"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_slips_is_shown_and_the_rest_is_planned_around_what_is_done()
    {
        var (baker, season, page) = await kitchen.BegunAsync(("lamplight-ginger-rounds", 33), ("signal-house", 1));
        var first = page.QuerySelectorAll(".strands .knot-open, .strands .knot-tight").Length;
        var lot = await TestKitchen.ParseAsync(await baker.GetAsync($"{season}/lot/n2"));
        Assert.Contains("°C", SeasonKitchen.Text(lot, ".lot-work"), StringComparison.Ordinal);
        Assert.Contains("Contains milk, egg, wheat", SeasonKitchen.Text(lot, ".statement"), StringComparison.Ordinal);
        // The first piece of work of the house is done.
        var done = await TestKitchen.ParseAsync(
            await SeasonKitchen.PressAsync(baker, season, "Done", new() { ["need"] = "n2", ["stretch"] = "0" })
        );
        Assert.Single(done.QuerySelectorAll(".strands .knot-done"));
        Assert.Equal(first - 1, done.QuerySelectorAll(".strands .knot-open, .strands .knot-tight").Length);
        // The day before the supper nothing more has happened.
        kitchen.Clock.Now = Instant.FromUtc(2031, 8, 22, 12, 0);
        var late = await TestKitchen.ParseAsync(await baker.GetAsync(season));
        if (late.QuerySelector("#slipped-head") is not null)
        {
            late = await TestKitchen.ParseAsync(await SeasonKitchen.PressAsync(baker, season, "Again", []));
            Assert.Null(late.QuerySelector("#slipped-head"));
            Assert.Contains("Planned again from today on", SeasonKitchen.Text(late, ".season-said"), StringComparison.Ordinal);
        }

        Assert.Single(late.QuerySelectorAll(".strands .knot-done"));
        // Not done after all: everything is open again.
        kitchen.Clock.Now = SeasonKitchen.Saturday;
        var open = await TestKitchen.ParseAsync(
            await SeasonKitchen.PressAsync(baker, season, "Undone", new() { ["need"] = "n2", ["stretch"] = "0" })
        );
        Assert.Empty(open.QuerySelectorAll(".strands .knot-done"));
    }

    [Fact]
    public async Task A_session_becomes_an_oven_day()
    {
        var (baker, season, page) = await kitchen.BegunAsync(("market-squash-loaf", 2), ("pocket-muffins", 17));
        kitchen.Clock.Now = Instant.FromUtc(2031, 8, 20, 7, 0);
        page = await TestKitchen.ParseAsync(await baker.GetAsync(season));
        var button = page.QuerySelector("button[name=session]")!;
        var day = await SeasonKitchen.PressAsync(baker, season, "Day", new() { ["session"] = button.GetAttribute("value")! });
        Assert.Equal("/oven-day", day.RequestMessage!.RequestUri!.AbsolutePath);
        var planned = await TestKitchen.ParseAsync(day);
        Assert.NotNull(planned.QuerySelector(".trace"));
        // And the season leads there from now on.
        page = await TestKitchen.ParseAsync(await baker.GetAsync(season));
        Assert.Contains("Open its Oven Day", SeasonKitchen.Text(page, ".touch-session"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_day_from_a_season_stays_the_part_of_it_that_it_is_when_it_is_planned_again()
    {
        var (baker, season, _) = await kitchen.BegunAsync(("signal-house", 1));
        await SeasonKitchen.PressAsync(baker, season, "Done", new() { ["need"] = "n1", ["stretch"] = "0" });
        kitchen.Clock.Now = SeasonKitchen.Saturday;
        var lot = await TestKitchen.ParseAsync(await baker.GetAsync($"{season}/lot/n1"));
        var session = lot.QuerySelectorAll("button[name=session]").Select(b => b.GetAttribute("value")!).First();
        var day = await SeasonKitchen.PressAsync(baker, season, "Day", new() { ["session"] = session });
        Assert.Equal("/oven-day", day.RequestMessage!.RequestUri!.AbsolutePath);
        var page = await TestKitchen.ParseAsync(day);
        Assert.DoesNotContain("Mix the house dough", SeasonKitchen.Text(page, ".sheet"), StringComparison.Ordinal);
        var again = await TestKitchen.PostAsync(
            baker,
            day.RequestMessage.RequestUri.PathAndQuery,
            "#setup",
            new() { ["Setup.Until"] = "21:00" }
        );
        Assert.Equal(HttpStatusCode.OK, again.StatusCode);
        Assert.DoesNotContain(
            "Mix the house dough",
            SeasonKitchen.Text(await TestKitchen.ParseAsync(again), ".sheet"),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task The_calendar_has_a_secret_address_that_can_be_taken_away()
    {
        var (baker, season, _) = await kitchen.BegunAsync(("market-squash-loaf", 2));
        async Task<string> AddressAsync() =>
            new Uri(
                (await TestKitchen.ParseAsync(await SeasonKitchen.PressAsync(baker, season, "Calendar", new() { ["what"] = "new" })))
                    .QuerySelector(".calendar-address")!
                    .TextContent
            ).AbsolutePath;
        var address = await AddressAsync();
        // Whoever knows it needs no account.
        var feed = await kitchen.Visitor().GetAsync(address);
        Assert.Equal((HttpStatusCode.OK, "text/calendar"), (feed.StatusCode, feed.Content.Headers.ContentType!.MediaType));
        Assert.Contains("Bake the squash loaves", await feed.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(await feed.Content.ReadAsStringAsync(), await baker.GetStringAsync($"{season}/season.ics"));
        var other = await AddressAsync();
        Assert.NotEqual(address, other);
        Assert.Equal(HttpStatusCode.NotFound, (await kitchen.Visitor().GetAsync(address)).StatusCode);
        await SeasonKitchen.PressAsync(baker, season, "Calendar", new() { ["what"] = "off" });
        Assert.Equal(HttpStatusCode.NotFound, (await kitchen.Visitor().GetAsync(other)).StatusCode);
        // Nobody else's season.
        var stranger = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.GetAsync(season)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.GetAsync($"{season}/season.ics")).StatusCode);
    }

    [Fact]
    public async Task A_season_goes_out_and_comes_in_without_loss()
    {
        var (baker, season, _) = await kitchen.BegunAsync(("orchard-almond-slices", 36), ("cellar-fruit-cake", 28));
        await SeasonKitchen.PressAsync(baker, season, "Done", new() { ["need"] = "n1", ["stretch"] = "0" });
        var file = await baker.GetByteArrayAsync($"{season}/season.json");
        var other = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var brought = await BringAsync(other, file);
        Assert.Equal(HttpStatusCode.OK, brought.StatusCode);
        var back = await other.GetByteArrayAsync($"{brought.RequestMessage!.RequestUri!.AbsolutePath}/season.json");
        var (one, two) = (JsonNode.Parse(file)!.AsObject(), JsonNode.Parse(back)!.AsObject());
        // The kitchen stays the baker's own.
        one.Remove("kitchen");
        two.Remove("kitchen");
        Assert.Equal(one.ToJsonString(), two.ToJsonString());
        // Twice brought is two seasons, and the second says so.
        var twice = await TestKitchen.ParseAsync(await BringAsync(other, file));
        Assert.Equal("Harvest (2)", twice.QuerySelector("h1")!.TextContent);
    }

    [Theory]
    [InlineData("{", "not valid JSON")]
    [InlineData("{\"format\":\"zymethos.season\"}", "missing")]
    [InlineData("", "Choose a file")]
    public async Task A_file_that_is_no_season_is_said(string text, string message)
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var response = await BringAsync(baker, Encoding.UTF8.GetBytes(text));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        Assert.Contains(message, SeasonKitchen.Text(await TestKitchen.ParseAsync(response), ".clash"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_calendar_file_takes_its_times_once()
    {
        var (baker, season, _) = await kitchen.BegunAsync(("market-squash-loaf", 2));
        const string Choir =
            "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20310101T000000Z\r\n"
            + "DTSTART:20310806T180000Z\r\nDTEND:20310806T200000Z\r\nRRULE:FREQ=WEEKLY\r\nSUMMARY:Choir\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
        foreach (var _ in new[] { 1, 2 })
        {
            var kept = await UploadAsync(baker, $"{season}/edit", "#season-form", "Calendar", "choir.ics", Encoding.UTF8.GetBytes(Choir));
            Assert.Contains(
                "3 times were taken",
                SeasonKitchen.Text(await TestKitchen.ParseAsync(kept), ".note"),
                StringComparison.Ordinal
            );
        }

        var document = JsonNode.Parse(await baker.GetByteArrayAsync($"{season}/season.json"))!;
        Assert.Equal(3, document["hours"]!["busy"]!.AsArray().Count);
        var wrong = await UploadAsync(baker, $"{season}/edit", "#season-form", "Calendar", "x.ics", Encoding.UTF8.GetBytes("hello"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
        Assert.Contains(
            "not a calendar file",
            SeasonKitchen.Text(await TestKitchen.ParseAsync(wrong), ".said-wrong"),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_recipe_that_leaves_the_book_leaves_the_season_readable()
    {
        var (baker, season, _) = await kitchen.BegunAsync(("market-squash-loaf", 2), ("copper-ring", 1));
        await using (var context = kitchen.Context(await KitchenOfAsync(season)))
            await context.Recipes.Where(r => r.Key == "copper-ring").ExecuteDeleteAsync();
        var page = await TestKitchen.ParseAsync(await baker.GetAsync(season));
        Assert.Contains("copper-ring", SeasonKitchen.Text(page, ".clash"), StringComparison.Ordinal);
        var edit = await TestKitchen.ParseAsync(await baker.GetAsync($"{season}/edit"));
        Assert.NotNull(edit.QuerySelector("#season-form"));
        var mended = await TestKitchen.PostAsync(baker, $"{season}/edit", "#season-form", new() { ["Form.Needs[1].Pieces"] = "0" });
        Assert.Contains("1 of 1", SeasonKitchen.Text(await TestKitchen.ParseAsync(mended), ".stands dd"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_kitchen_that_moves_to_another_zone_moves_its_calendar_and_nothing_else()
    {
        var (baker, season, _) = await kitchen.BegunAsync(("market-squash-loaf", 2));
        var before = await baker.GetStringAsync($"{season}/season.ics");
        Assert.True(
            (await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", new() { ["Form.Zone"] = "Asia/Tokyo" })).IsSuccessStatusCode
        );
        var page = await TestKitchen.ParseAsync(await baker.GetAsync(season));
        Assert.Contains("1 of 1", SeasonKitchen.Text(page, ".stands dd"), StringComparison.Ordinal);
        Assert.NotEqual(before, await baker.GetStringAsync($"{season}/season.ics"));
    }

    [Fact]
    public async Task The_demo_kitchen_stands_in_the_middle_of_its_programme()
    {
        var page = await TestKitchen.ParseAsync(await (await kitchen.DemoBakerAsync()).GetAsync("/season"));
        Assert.Equal("Lantern Night and the parcels", page.QuerySelector("h1")!.TextContent);
        Assert.Equal(DemoKitchen.Recipes().Count, page.QuerySelectorAll(".strands .strand").Length);
        Assert.Equal(4, page.QuerySelectorAll(".strands .knot-done").Length);
    }

    private async Task<Guid> KitchenOfAsync(string season)
    {
        var id = Guid.Parse(season.Split('/')[^1]);
        await using var context = kitchen.Context(null);
        return await context.Seasons.IgnoreQueryFilters().Where(s => s.Id == id).Select(s => s.KitchenId).SingleAsync();
    }

    private static Task<HttpResponseMessage> BringAsync(HttpClient baker, byte[] file) =>
        UploadAsync(baker, "/season/bring", "form[enctype]", "Upload", "season.json", file);

    private static async Task<HttpResponseMessage> UploadAsync(
        HttpClient baker,
        string page,
        string form,
        string field,
        string name,
        byte[] file
    )
    {
        var element = (AngleSharp.Html.Dom.IHtmlFormElement)(await TestKitchen.ParseAsync(await baker.GetAsync(page))).QuerySelector(form)!;
        using var content = new MultipartFormDataContent();
        foreach (var (key, value) in TestKitchen.FieldsOf(element))
            content.Add(new StringContent(value), key);
        content.Add(new ByteArrayContent(file), field, name);
        return await baker.PostAsync(page, content);
    }
}
