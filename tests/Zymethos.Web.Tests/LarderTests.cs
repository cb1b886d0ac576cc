using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace Zymethos.Web.Tests;

/// <summary>What is in the house, and what is to be bought.</summary>
public sealed class LarderTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private Task<HttpClient> BakerAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    private static Task<HttpResponseMessage> PutAsync(
        HttpClient baker,
        string name,
        string much,
        params (string Field, string Value)[] more
    )
    {
        var typed = new Dictionary<string, string> { ["Form.Name"] = name, ["Form.Much"] = much };
        foreach (var (field, value) in more)
            typed[field] = value;
        return TestKitchen.PostAsync(baker, "/larder", ".stock-form", typed);
    }

    /// <summary>A day that is planned, so that something is wanted.</summary>
    private static async Task PlannedAsync(HttpClient baker, string recipe)
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/larder"));
        Assert.NotNull(page.QuerySelector("h1"));
        var date = DateTime.UtcNow.Date.AddDays(6).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);
        var answer = await TestKitchen.PostAsync(
            baker,
            $"/oven-day?date={date}&add={recipe}",
            "#setup",
            new() { ["Setup.From"] = "08:00", ["Setup.Until"] = "20:00" }
        );
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
    }

    [Fact]
    public async Task A_planned_day_is_shopped_for_in_what_a_shop_sells()
    {
        var baker = await BakerAsync();
        Assert.Contains("Nothing is missing", await baker.GetStringAsync("/larder/shopping"), StringComparison.Ordinal);
        await PlannedAsync(baker, "plum-street-butters");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/larder/shopping"));
        var lines = page.QuerySelectorAll(".basket li")
            .ToDictionary(l => l.QuerySelector("strong")!.TextContent, l => l.QuerySelector(".much")!.TextContent);
        Assert.Contains("dozen", lines["eggs"], StringComparison.Ordinal);
        Assert.DoesNotContain(lines.Keys, k => k.Contains("zest", StringComparison.Ordinal) || k is "water" or "egg yolk");
        Assert.Contains("lemons", lines.Keys);
        // With butter in the house there is none to buy.
        Assert.Contains("butter", lines.Keys);
        await PutAsync(baker, "butter", "2 kg");
        var text = await baker.GetStringAsync("/larder/shopping.txt");
        Assert.DoesNotContain("butter", text, StringComparison.Ordinal);
        Assert.Contains("- eggs: half a dozen", text, StringComparison.Ordinal);
        var calendar = await baker.GetStringAsync("/larder/shopping.ics");
        Assert.Contains("BEGIN:VTODO", calendar, StringComparison.Ordinal);
        Assert.Contains("eggs", await baker.GetStringAsync("/larder/shopping.csv"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_phones_tick_and_of_two_ticks_the_later_counts_whenever_it_is_told()
    {
        var baker = await BakerAsync();
        await PutAsync(baker, "paper", "", ("Form.Kind", "wish"));
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/larder/shopping"));
        var line = page.QuerySelector("input[data-line]")!.GetAttribute("data-line")!;
        var token = page.QuerySelector("main input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        var now = DateTimeOffset.UtcNow.ToUnixTimeMilliseconds();
        Assert.Equal([line], await TickAsync(baker, token, (line, true, now - 60_000)));
        // The other phone put it back after that, and was told of later.
        Assert.Empty(await TickAsync(baker, token, (line, false, now - 30_000)));
        // What the first phone said before, told again, changes nothing.
        Assert.Empty(await TickAsync(baker, token, (line, true, now - 60_000)));
        // A clock that runs ahead does not win for ever.
        Assert.Equal([line], await TickAsync(baker, token, (line, true, now + 86_400_000)));
        await Task.Delay(20);
        Assert.Empty(await TickAsync(baker, token, (line, false, DateTimeOffset.UtcNow.ToUnixTimeMilliseconds() + 1000)));
        using var bad = new HttpRequestMessage(HttpMethod.Post, "/larder/shopping?handler=Ticks")
        {
            Content = JsonContent.Create(new[] { 1 }),
        };
        bad.Headers.Add("X-Form-Token", token);
        Assert.Equal(HttpStatusCode.BadRequest, (await baker.SendAsync(bad)).StatusCode);
    }

    private static async Task<string[]> TickAsync(HttpClient baker, string token, (string Line, bool In, long At) tick)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/larder/shopping?handler=Ticks")
        {
            Content = JsonContent.Create(
                new[]
                {
                    new
                    {
                        line = tick.Line,
                        @in = tick.In,
                        at = tick.At,
                    },
                }
            ),
        };
        request.Headers.Add("X-Form-Token", token);
        var answer = await baker.SendAsync(request);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return JsonSerializer.Deserialize<string[]>(await answer.Content.ReadAsStringAsync())!;
    }

    [Fact]
    public async Task A_package_is_known_by_its_number_once_somebody_said_what_it_is()
    {
        var baker = await BakerAsync();
        var wrong = await PutAsync(baker, "butter", "250 g", ("Form.Code", "6291041500214"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
        Assert.Contains("6291041500214", await wrong.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        // Nobody has seen it yet.
        var fresh = await PutAsync(baker, "", "", ("Form.Code", "6291041500213"));
        Assert.Contains("This package is new here", await fresh.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await baker.GetAsync("/larder?handler=Code&code=6291041500213")).StatusCode);
        await PutAsync(baker, "butter", "250 g", ("Form.Code", "6291041500213"));
        Assert.Equal("""{"name":"butter","much":"250 g"}""", await baker.GetStringAsync("/larder?handler=Code&code=6291041500213"));
        // The next one needs its number alone, and prices and shops leave it alone.
        await TestKitchen.PostAsync(baker, "/larder/goods", "main form", new() { ["Rows[0].Shop"] = "the mill" });
        var shelf = await PutAsync(baker, "", "", ("Form.Code", "6291041500213"));
        Assert.Contains("butter is on the shelf", await shelf.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        // It goes along in the file; another kitchen does not see it.
        Assert.Contains("06291041500213", await baker.GetStringAsync("/larder.json"), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await (await BakerAsync()).GetAsync("/larder?handler=Code&code=6291041500213")).StatusCode);
    }

    [Fact]
    public async Task What_a_batch_costs_follows_from_prices()
    {
        var baker = await BakerAsync();
        Assert.Contains("No price is known yet", await baker.GetStringAsync("/larder/costs"), StringComparison.Ordinal);
        var goods = await TestKitchen.ParseAsync(await baker.GetAsync("/larder/goods"));
        var at = goods.QuerySelectorAll("input[name$='.Name']").ToList().FindIndex(i => i.GetAttribute("value") == "eggs");
        await TestKitchen.PostAsync(
            baker,
            "/larder/goods",
            "main form",
            new() { [$"Rows[{at}].Price"] = "1.80", [$"Rows[{at}].Packages"] = "6" }
        );
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/larder/costs"));
        // Six eggs cost 1.80; the loaf takes three.
        var row = page.QuerySelectorAll(".costs tr").Single(r => r.QuerySelector("th")?.TextContent == "Allotment loaf");
        Assert.Equal("0.90", row.QuerySelectorAll("td")[0].TextContent);
        Assert.Equal("0.45", row.QuerySelectorAll("td")[1].TextContent);
        Assert.Contains("without", row.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("eggs", row.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_season_begins_from_what_is_in_the_freezer()
    {
        var demo = await kitchen.DemoBakerAsync();
        await PutAsync(demo, "Pocket muffins", "4", ("Form.Kind", "bake"));
        var page = await TestKitchen.ParseAsync(await demo.GetAsync("/season"));
        var season = page.QuerySelector("a[href$='/calendar']")!.GetAttribute("href")!.Replace("/calendar", "", StringComparison.Ordinal);
        async Task<int> WantedAsync() =>
            JsonDocument
                .Parse(await demo.GetStringAsync($"{season}/season.json"))
                .RootElement.GetProperty("needs")
                .EnumerateArray()
                .Where(n => n.GetProperty("recipe").GetString() == "pocket-muffins")
                .Sum(n => n.GetProperty("pieces").GetInt32());
        var before = await WantedAsync();
        var taken = await TestKitchen.PostAsync(demo, season, "form[action*='handler=Stock']", []);
        Assert.Equal(HttpStatusCode.OK, taken.StatusCode);
        Assert.Equal(before - 4, await WantedAsync());
        // It is spoken for: nobody is offered it twice.
        Assert.Contains("put aside for", await demo.GetStringAsync("/larder.json"), StringComparison.Ordinal);
        Assert.Empty((await TestKitchen.ParseAsync(await demo.GetAsync(season))).QuerySelectorAll("form[action*='handler=Stock']"));
        // What would be past its date by then is not offered.
        await PutAsync(demo, "Harbour tea loaf", "1", ("Form.Kind", "bake"), ("Form.BestBy", "2026-01-01"));
        Assert.Empty((await TestKitchen.ParseAsync(await demo.GetAsync(season))).QuerySelectorAll("form[action*='handler=Stock']"));
    }

    [Theory]
    [InlineData("dough", "Coal-cellar buttons", "buttons")]
    [InlineData("dough", "Signal house", "house")]
    public async Task A_season_begins_from_dough_that_is_there(string kind, string name, string need)
    {
        var demo = await kitchen.DemoBakerAsync();
        var page = await TestKitchen.ParseAsync(await demo.GetAsync("/season"));
        var season = page.QuerySelector("a[href$='/calendar']")!.GetAttribute("href")!.Replace("/calendar", "", StringComparison.Ordinal);
        async Task<List<int>> DoneAsync() =>
            [
                .. JsonDocument
                    .Parse(await demo.GetStringAsync($"{season}/season.json"))
                    .RootElement.GetProperty("done")
                    .EnumerateArray()
                    .Where(d => d.GetProperty("need").GetString() == need)
                    .Select(d => d.GetProperty("stretch").GetInt32()),
            ];
        Assert.Empty(await DoneAsync());
        await PutAsync(demo, name, "1", ("Form.Kind", kind));
        var offers = (await TestKitchen.ParseAsync(await demo.GetAsync(season))).QuerySelectorAll("form[action*='handler=Stock']").ToList();
        var offer = Assert.Single(offers, o => o.QuerySelector("input[name=need]")!.GetAttribute("value") == need);
        Assert.Contains("as done", offer.TextContent, StringComparison.Ordinal);
        var fields = offer.QuerySelectorAll("input[type=hidden]").ToDictionary(i => i.GetAttribute("name")!, i => i.GetAttribute("value")!);
        using var form = new FormUrlEncodedContent(fields);
        var taken = await demo.PostAsync($"{season}?handler=Stock", form);
        Assert.Equal(HttpStatusCode.OK, taken.StatusCode);
        // The work before the oven is done; the bake is still to come, and the dough is spoken for.
        Assert.Equal([0], await DoneAsync());
        var left = (await TestKitchen.ParseAsync(await demo.GetAsync(season))).QuerySelectorAll(
            "form[action*='handler=Stock'] input[name=need]"
        );
        Assert.DoesNotContain(left, i => i.GetAttribute("value") == need);
    }

    [Fact]
    public async Task What_is_ticked_comes_home_onto_the_shelf()
    {
        var baker = await BakerAsync();
        await PlannedAsync(baker, "plum-street-butters");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/larder/shopping"));
        var eggs = page.QuerySelectorAll("input[data-line]")
            .Select(i => i.GetAttribute("data-line")!)
            .Single(l => l.EndsWith("eggs", StringComparison.Ordinal));
        var token = page.QuerySelector("main input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        await TickAsync(baker, token, (eggs, true, DateTimeOffset.UtcNow.ToUnixTimeMilliseconds()));
        // Both bakers say so in the same moment: the eggs come home once.
        var homes = await Task.WhenAll(
            Enumerable.Range(0, 4).Select(_ => TestKitchen.PostAsync(baker, "/larder/shopping", "main form", []))
        );
        Assert.All(homes, h => Assert.Equal(HttpStatusCode.OK, h.StatusCode));
        var shelf = await TestKitchen.ParseAsync(await baker.GetAsync("/larder"));
        Assert.Equal(
            ["egg", "6"],
            shelf
                .QuerySelectorAll(".stock tbody tr")
                .SelectMany(r => new[] { r.QuerySelector("th a")!.TextContent, r.QuerySelector("td")!.TextContent.Trim() })
        );
        Assert.DoesNotContain("eggs:", await baker.GetStringAsync("/larder/shopping.txt"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_missing_names_the_bakes_it_touches_and_what_the_Book_knows_instead()
    {
        var baker = await BakerAsync();
        await PlannedAsync(baker, "copper-ring");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/larder/missing?of=buttermilk"));
        var first = page.QuerySelector(".touched li")!.TextContent;
        Assert.Contains("Copper ring", first, StringComparison.Ordinal);
        Assert.Contains("planned for", first, StringComparison.Ordinal);
        Assert.Contains("milk", first, StringComparison.Ordinal);
        Assert.Contains("No recipe", await baker.GetStringAsync("/larder/missing?of=dragonfruit"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("butter", "a lump", "is no amount")]
    [InlineData("", "250 g", "Say what it is")]
    public async Task What_cannot_be_read_is_said_and_kept_as_typed(string name, string much, string words)
    {
        var baker = await BakerAsync();
        var answer = await PutAsync(baker, name, much, ("Form.Place", "cellar"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        var page = await TestKitchen.ParseAsync(answer);
        Assert.Contains(words, page.QuerySelector(".stock-form .said-wrong")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("cellar", page.QuerySelector("#s-place")!.GetAttribute("value"));
        Assert.Equal(much, page.QuerySelector("#s-much")!.GetAttribute("value"));
    }

    [Fact]
    public async Task A_glut_names_the_bakes_that_use_it_and_what_is_past_its_date_is_said()
    {
        var baker = await BakerAsync();
        var soon = DateTime.UtcNow.Date.AddDays(2).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);
        await PutAsync(baker, "pumpkin", "425 g", ("Form.BestBy", soon), ("Form.Opened", "true"));
        await PutAsync(baker, "heavy cream", "240 g", ("Form.BestBy", "2020-01-01"));
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/larder"));
        var list = page.QuerySelector(".soon")!;
        Assert.Contains("Market squash loaf", list.TextContent, StringComparison.Ordinal);
        Assert.Contains("when in doubt throw it out", list.TextContent, StringComparison.Ordinal);
        var csv = await baker.GetStringAsync("/larder/stock.csv");
        Assert.Contains("pumpkin,ingredient,425", csv, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_price_in_words_is_no_price_and_own_packages_count()
    {
        var baker = await BakerAsync();
        await PlannedAsync(baker, "plum-street-butters");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/larder/goods"));
        var at = page.QuerySelectorAll("input[name$='.Name']").Select(i => i.GetAttribute("value")).ToList().IndexOf("butter");
        var wrong = await TestKitchen.PostAsync(baker, "/larder/goods", "main form", new() { [$"Rows[{at}].Price"] = "two fifty" });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
        Assert.Contains("is no price", await wrong.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        await TestKitchen.PostAsync(
            baker,
            "/larder/goods",
            "main form",
            new()
            {
                [$"Rows[{at}].Price"] = "2.50",
                [$"Rows[{at}].Packages"] = "200 g",
                [$"Rows[{at}].Shop"] = "Dairy",
            }
        );
        var list = await TestKitchen.ParseAsync(await baker.GetAsync("/larder/shopping"));
        var butter = list.QuerySelectorAll(".basket li").Single(l => l.QuerySelector("strong")!.TextContent == "butter");
        Assert.Contains("200 g", butter.QuerySelector(".much")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("5.00", butter.TextContent, StringComparison.Ordinal);
        Assert.Contains(list.QuerySelectorAll(".trip h3"), h => h.TextContent.StartsWith("Dairy", StringComparison.Ordinal));
    }
}
