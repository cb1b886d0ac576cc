using System.Net;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using AngleSharp.Dom;

namespace Zymethos.Web.Tests;

/// <summary>Bakes that are written by hand, changed recipes, what is left out, and the Daybook as a file.</summary>
public sealed class PastBakeTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    // The heat of an oven that no kitchen has.
    private const string Ovens =
        "{\"format\":\"zymethos-daybook\",\"version\":1,\"bakes\":[{\"id\":\"0b0b0b0b-0000-4000-8000-000000000001\","
        + "\"date\":\"2026-01-01\",\"name\":\"Loaf\",\"heats\":[{\"oven\":0,\"minutes\":12,\"modelMinutes\":11}]}]}";

    private const string Loaf = "market-squash-loaf";

    private Task<HttpClient> BakerAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    private static async Task<string> WrittenAsync(HttpClient baker, string minutes, params (string Field, string Value)[] more)
    {
        var typed = new Dictionary<string, string>
        {
            ["Form.Date"] = "2026-01-10",
            ["Form.Recipe"] = Loaf,
            ["Form.Loads[0].Minutes"] = minutes,
        };
        foreach (var (field, value) in more)
            typed[field] = value;
        var answer = await TestKitchen.PostAsync(baker, "/daybook/write", "form.write-form", typed);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return answer.RequestMessage!.RequestUri!.AbsolutePath;
    }

    private static async Task<JsonNode> FileAsync(HttpClient baker) => JsonNode.Parse(await baker.GetStringAsync("/daybook.json"))!;

    private static async Task<HttpResponseMessage> BringAsync(HttpClient baker, string json)
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/daybook/file"));
        var token = page.QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        using var form = new MultipartFormDataContent
        {
            { new StringContent(token), "__RequestVerificationToken" },
            { new ByteArrayContent(Encoding.UTF8.GetBytes(json)), "daybook", "daybook.json" },
        };
        return await baker.PostAsync("/daybook/file", form);
    }

    [Fact]
    public async Task A_bake_from_before_is_written_down_looked_at_changed_and_deleted()
    {
        var baker = await BakerAsync();
        var path = await WrittenAsync(baker, "", ("Form.Loads[0].In", "17:20"), ("Form.Loads[0].Out", "18:15"), ("Form.Darker", "base"));
        var page = await baker.GetStringAsync(path);
        Assert.Contains("55 min", page, StringComparison.Ordinal);
        Assert.Contains("written down by hand", page, StringComparison.Ordinal);
        Assert.Contains("base", page, StringComparison.Ordinal);
        var id = path.Split('/')[^1];
        var changed = await TestKitchen.PostAsync(
            baker,
            $"/daybook/write/{id}",
            "form.write-form",
            new() { ["Form.Loads[0].Minutes"] = "57", ["Form.Note"] = "In the rain" }
        );
        var text = await changed.Content.ReadAsStringAsync();
        Assert.Contains("57 min", text, StringComparison.Ordinal);
        Assert.Contains("In the rain", text, StringComparison.Ordinal);
        Assert.Contains("17:20", text, StringComparison.Ordinal);
        var gone = await TestKitchen.PostAsync(baker, path, "form[action*=Delete]", []);
        Assert.Contains("is deleted from the Daybook", await gone.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await baker.GetAsync(path)).StatusCode);
    }

    [Theory]
    [InlineData("Form.Date", "the other day", "A date like")]
    [InlineData("Form.Date", "2999-01-01", "has not come yet")]
    [InlineData("Form.Loads[0].In", "half past", "An hour like")]
    [InlineData("Form.Loads[0].Minutes", "long", "Minutes, like 45")]
    [InlineData("Form.Batches", "0", "1 to 99 batches")]
    [InlineData("Form.Pieces", "-3", "0 to 5000 pieces")]
    public async Task What_cannot_be_read_is_said_at_its_field_and_nothing_typed_is_lost(string field, string typed, string said)
    {
        var baker = await BakerAsync();
        var answer = await TestKitchen.PostAsync(
            baker,
            "/daybook/write",
            "form.write-form",
            new()
            {
                ["Form.Date"] = "2026-01-10",
                ["Form.Recipe"] = Loaf,
                ["Form.Loads[0].Minutes"] = "50",
                ["Form.Note"] = "The whole story",
                [field] = typed,
            }
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        var page = await TestKitchen.ParseAsync(answer);
        Assert.Contains(page.QuerySelectorAll(".said-wrong"), w => w.TextContent.Contains(said, StringComparison.Ordinal));
        Assert.Equal("The whole story", page.QuerySelector("#note")!.TextContent);
        Assert.Contains(page.QuerySelectorAll("input"), i => i.GetAttribute("value") == typed);
    }

    [Theory]
    [InlineData("2400", "", "", "40 hours")]
    [InlineData("", "18:00", "11:30", "came out before it went in")]
    [InlineData("300", "", "", "slip of the pen")]
    public async Task What_cannot_have_been_is_named_kept_and_not_learned_from(string minutes, string went, string came, string said)
    {
        var baker = await BakerAsync();
        for (var i = 0; i < 3; i++)
            await WrittenAsync(baker, "54");
        var before = await baker.GetStringAsync("/daybook/learned");
        var path = await WrittenAsync(baker, minutes, ("Form.Loads[0].In", went), ("Form.Loads[0].Out", came));
        Assert.Contains(said, WebUtility.HtmlDecode(await baker.GetStringAsync(path)), StringComparison.Ordinal);
        Assert.Contains("Nothing is learned from it", await baker.GetStringAsync("/daybook"), StringComparison.Ordinal);
        Assert.Contains("3 bakes show", before, StringComparison.Ordinal);
        Assert.Contains("3 bakes show", await baker.GetStringAsync("/daybook/learned"), StringComparison.Ordinal);
        Assert.Contains(minutes.Length > 0 ? minutes : "-390", (await FileAsync(baker)).ToJsonString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_bake_over_midnight_is_as_long_as_it_was()
    {
        var baker = await BakerAsync();
        var path = await WrittenAsync(baker, "", ("Form.Loads[0].In", "23:30"), ("Form.Loads[0].Out", "00:25"));
        Assert.Contains("55 min", await baker.GetStringAsync(path), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_bake_left_out_teaches_nothing_until_it_is_counted_again()
    {
        var baker = await BakerAsync();
        await WrittenAsync(baker, "54");
        await WrittenAsync(baker, "54");
        var path = await WrittenAsync(baker, "54");
        Assert.Contains("3 bakes show", await baker.GetStringAsync("/daybook/learned"), StringComparison.Ordinal);
        await TestKitchen.PostAsync(baker, path, "form[action*=LeaveOut]", []);
        Assert.Contains("2 bakes show", await baker.GetStringAsync("/daybook/learned"), StringComparison.Ordinal);
        await TestKitchen.PostAsync(baker, path, "form[action*=LeaveOut]", []);
        Assert.Contains("3 bakes show", await baker.GetStringAsync("/daybook/learned"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_bake_that_was_forgotten_is_set_aside_and_counted_when_the_baker_says_so()
    {
        var baker = await BakerAsync();
        for (var i = 0; i < 8; i++)
            await WrittenAsync(baker, i % 2 == 0 ? "59" : "61");
        await WrittenAsync(baker, "110");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/daybook/learned"));
        var odd = Assert.Single(page.QuerySelectorAll("ul.odd li"));
        Assert.Contains("110 min", odd.TextContent, StringComparison.Ordinal);
        Assert.Contains("8 bakes show", page.Body!.TextContent, StringComparison.Ordinal);
        await TestKitchen.PostAsync(baker, "/daybook/learned", "ul.odd form", []);
        Assert.Contains("9 bakes show", await baker.GetStringAsync("/daybook/learned"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_value_that_is_switched_off_stays_off_when_more_is_learned()
    {
        var baker = await BakerAsync();
        await WrittenAsync(baker, "54");
        await WrittenAsync(baker, "54");
        async Task<IElement> FirstAsync() =>
            (await TestKitchen.ParseAsync(await baker.GetAsync("/daybook/learned"))).QuerySelector("table.learned tbody tr")!;
        Assert.Contains("Used", (await FirstAsync()).TextContent, StringComparison.Ordinal);
        await TestKitchen.PostAsync(baker, "/daybook/learned", "table.learned tbody tr form", []);
        Assert.Contains("Left out", (await FirstAsync()).TextContent, StringComparison.Ordinal);
        await WrittenAsync(baker, "53");
        var row = await FirstAsync();
        Assert.Contains("3 bakes show", row.TextContent, StringComparison.Ordinal);
        Assert.Contains("Left out", row.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Another_oven_begins_anew()
    {
        var baker = await BakerAsync();
        for (var i = 0; i < 4; i++)
            await WrittenAsync(baker, "52");
        Assert.Contains("4 bakes", (await TestKitchen.ParseAsync(await baker.GetAsync("/daybook"))).QuerySelector(".answer")!.TextContent);
        await TestKitchen.PostAsync(baker, "/daybook/learned", "form[action*=NewOven]", []);
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/daybook"));
        Assert.Contains("no bake has been timed yet", page.QuerySelector(".answer")!.TextContent, StringComparison.Ordinal);
        // The one before is still known.
        Assert.Contains("The oven before", page.QuerySelector(".bias")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_to_change_becomes_a_version_of_the_recipe_with_its_reason_and_is_not_learned_twice()
    {
        var baker = await BakerAsync();
        string path = "";
        for (var i = 0; i < 5; i++)
            path = await WrittenAsync(baker, "54", ("Form.ToChange", "Dry at the edges"));
        var page = await TestKitchen.ParseAsync(await baker.GetAsync(path));
        Assert.Equal("54", page.QuerySelector("#minutes")!.GetAttribute("value"));
        Assert.Equal("Dry at the edges", page.QuerySelector("#reason")!.GetAttribute("value"));
        var answer = await TestKitchen.PostAsync(
            baker,
            path,
            "form[action*=Change]",
            new() { ["Form.Line"] = "0.0", ["Form.Grams"] = "301" }
        );
        var text = await answer.Content.ReadAsStringAsync();
        Assert.Contains("54 min instead of 60", text, StringComparison.Ordinal);
        Assert.Contains("301 g of", text, StringComparison.Ordinal);
        var versions = await baker.GetStringAsync($"/book/{Loaf}/versions");
        Assert.Contains("Because: Dry at the edges", versions, StringComparison.Ordinal);
        // Beside the recipe as it is now, the same bakes took as long as it says.
        var learned = await TestKitchen.ParseAsync(await baker.GetAsync("/daybook"));
        Assert.Contains("bakes as the recipes say", learned.QuerySelector(".answer")!.TextContent, StringComparison.Ordinal);
        // What was done about it is no longer to do.
        Assert.Contains("Changed since", await baker.GetStringAsync(path), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("Form.Minutes", "soon", "Whole minutes")]
    [InlineData("Form.Minutes", "0", "1 minute to 24 hours")]
    [InlineData("Form.Heat", "hot", "A heat in")]
    [InlineData("Form.Heat", "900", "An oven is set to")]
    [InlineData("Form.Grams", "lots", "Grams, like")]
    [InlineData("Form.Minutes", "60", "Nothing of it is another")]
    public async Task A_change_that_cannot_be_is_said_and_changes_nothing(string field, string typed, string said)
    {
        var baker = await BakerAsync();
        var path = await WrittenAsync(baker, "60");
        var answer = await TestKitchen.PostAsync(baker, path, "form[action*=Change]", new() { [field] = typed });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(said, await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.DoesNotContain("From the Daybook", await baker.GetStringAsync($"/book/{Loaf}/versions"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_recipe_that_somebody_changed_meanwhile_is_not_changed_over_their_head()
    {
        var baker = await BakerAsync();
        var (one, two) = (await WrittenAsync(baker, "52"), await WrittenAsync(baker, "56"));
        var page = await TestKitchen.ParseAsync(await baker.GetAsync(two));
        var form = page.QuerySelector("form[action*=Change]")!;
        var fields = form.QuerySelectorAll("input, select")
            .Where(i => i.GetAttribute("name") is not null)
            .ToDictionary(
                i => i.GetAttribute("name")!,
                i => i is AngleSharp.Html.Dom.IHtmlSelectElement s ? s.Value : i.GetAttribute("value") ?? ""
            );
        await TestKitchen.PostAsync(baker, one, "form[action*=Change]", []);
        var answer = await baker.PostAsync(form.GetAttribute("action"), new FormUrlEncodedContent(fields));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains("This recipe was changed from another page", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Bakes_of_a_recipe_stand_side_by_side_with_what_differed()
    {
        var baker = await BakerAsync();
        await WrittenAsync(baker, "54", ("Form.Looks", "golden"), ("Form.Date", "2026-01-03"));
        await WrittenAsync(baker, "60", ("Form.Looks", "dark"));
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/daybook/recipes/{Loaf}"));
        var rows = page.QuerySelectorAll("table.compare tbody tr").ToDictionary(r => r.QuerySelector("th")!.TextContent);
        Assert.Equal(["54 min", "60 min"], rows["In the oven"].QuerySelectorAll("td").Select(c => c.TextContent));
        Assert.Equal(["golden", "dark"], rows["Looked"].QuerySelectorAll("td").Select(c => c.TextContent));
        Assert.Contains("differs", rows["Looked"].ClassList);
        Assert.DoesNotContain("differs", rows["Batches"].ClassList);
        Assert.Equal(HttpStatusCode.NotFound, (await baker.GetAsync("/daybook/recipes/nothing-of-the-kind")).StatusCode);
    }

    [Fact]
    public async Task A_Daybook_taken_along_and_brought_in_is_the_same_and_twice_is_as_once()
    {
        var (baker, other) = (await BakerAsync(), await BakerAsync());
        await WrittenAsync(baker, "54", ("Form.Note", "=1+1"), ("Form.Darker", "base"), ("Form.Loads[0].Look", "50"));
        await WrittenAsync(baker, "2400");
        await BenchDayAsync(baker);
        await TestKitchen.PostAsync(
            baker,
            "/daybook/starter",
            "form.feed-form",
            new()
            {
                ["Form.Kept"] = "30",
                ["Form.Flour"] = "60",
                ["Form.Water"] = "60",
                ["Form.Peak"] = "7",
            }
        );
        var file = (await FileAsync(baker)).ToJsonString();
        var came = await BringAsync(other, file);
        Assert.Equal(HttpStatusCode.OK, came.StatusCode);
        var words = await came.Content.ReadAsStringAsync();
        Assert.Contains("3 bakes, 1 day at the Bench and 1 feed came in", words, StringComparison.Ordinal);
        Assert.Contains("cannot have been as written", words, StringComparison.Ordinal);
        var twice = await BringAsync(other, file);
        Assert.Contains("0 bakes, 0 days", await twice.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        // Nothing but the ids is another: those of the first kitchen stay there.
        Assert.Equal(Plain(file), Plain((await FileAsync(other)).ToJsonString()));
        // Into its own kitchen it changes nothing.
        Assert.Contains("0 bakes, 0 days", await (await BringAsync(baker, file)).Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(file, (await FileAsync(baker)).ToJsonString());
    }

    private static async Task BenchDayAsync(HttpClient baker)
    {
        var session = await TestKitchen.BeginAsync(baker, Loaf);
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/bench/{session}/events")
        {
            Content = new StringContent(
                JsonSerializer.Serialize(
                    new
                    {
                        events = new[]
                        {
                            new
                            {
                                id = Guid.NewGuid(),
                                kind = "toChange",
                                at = DateTimeOffset.UtcNow.ToString("O"),
                                number = 0,
                                text = "More salt",
                            },
                        },
                    }
                ),
                Encoding.UTF8,
                "application/json"
            ),
        };
        request.Headers.Add("X-Bench", "1");
        (await baker.SendAsync(request)).EnsureSuccessStatusCode();
        await TestKitchen.BenchFormAsync(baker, "Away", new() { ["session"] = session });
    }

    private static string Plain(string json)
    {
        var root = JsonNode.Parse(json)!;
        foreach (var list in new[] { "bakes", "sessions", "starter" })
        {
            foreach (var item in root[list]!.AsArray())
            {
                item!["id"] = "";
                if (item["session"] is not null)
                    item["session"] = "";
            }
        }

        // Of the same day they come in either order.
        root["bakes"] = new JsonArray([.. root["bakes"]!.AsArray().Select(b => b!.DeepClone()).OrderBy(b => b.ToJsonString())]);
        return root.ToJsonString();
    }

    [Fact]
    public async Task A_bake_that_was_changed_from_another_page_is_not_overwritten_unseen()
    {
        var baker = await BakerAsync();
        var id = (await WrittenAsync(baker, "54")).Split('/')[^1];
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/daybook/write/{id}"));
        var fields = new Dictionary<string, string>();
        foreach (var input in page.QuerySelectorAll("form.write-form input, form.write-form select"))
        {
            if (input.GetAttribute("name") is { } name && input.GetAttribute("type") != "checkbox")
                fields[name] = input is AngleSharp.Html.Dom.IHtmlSelectElement s ? s.Value ?? "" : input.GetAttribute("value") ?? "";
        }

        await TestKitchen.PostAsync(baker, $"/daybook/write/{id}", "form.write-form", new() { ["Form.Note"] = "Theirs" });
        fields["Form.Note"] = "Yours";
        var answer = await baker.PostAsync($"/daybook/write/{id}", new FormUrlEncodedContent(fields));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        var said = await answer.Content.ReadAsStringAsync();
        Assert.Contains("changed from another page meanwhile", said, StringComparison.Ordinal);
        Assert.Contains("Yours", said, StringComparison.Ordinal);
        Assert.Contains("Theirs", await baker.GetStringAsync($"/daybook/bakes/{id}"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("not json", "not valid JSON")]
    [InlineData("{\"format\":\"zymethos-book\",\"version\":1,\"bakes\":[]}", "zymethos-daybook")]
    [InlineData("{\"format\":\"zymethos-daybook\",\"version\":9,\"bakes\":[]}", "later version")]
    [InlineData(
        "{\"format\":\"zymethos-daybook\",\"version\":1,\"bakes\":[{\"id\":\"1\",\"date\":\"x\",\"name\":\"\"}]}",
        "An id is a UUID"
    )]
    [InlineData("{\"format\":\"zymethos-daybook\",\"version\":1,\"bakes\":[],\"more\":1}", "no field of this name")]
    [InlineData(Ovens, "An oven is 1 or 2")]
    public async Task A_file_that_is_no_Daybook_is_refused_whole_and_said(string json, string said)
    {
        var baker = await BakerAsync();
        var answer = await BringAsync(baker, json);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(said, WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync()), StringComparison.Ordinal);
        Assert.Contains("Nothing is written here yet", await baker.GetStringAsync("/daybook"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_table_has_a_line_for_every_load_and_no_formula_in_it()
    {
        var baker = await BakerAsync();
        await WrittenAsync(baker, "54", ("Form.Note", "=cmd()"), ("Form.Who", "+Ada"));
        var csv = await baker.GetStringAsync("/daybook.csv");
        var lines = csv.Split('\n', StringSplitOptions.RemoveEmptyEntries);
        Assert.Equal(2, lines.Length);
        Assert.StartsWith("date,name,recipe", lines[0], StringComparison.Ordinal);
        Assert.Contains("'=cmd()", lines[1], StringComparison.Ordinal);
        Assert.Contains("'+Ada", lines[1], StringComparison.Ordinal);
        Assert.StartsWith("at,device,value", await baker.GetStringAsync("/daybook/readings.csv"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Nobody_sees_another_kitchens_bakes_and_a_visitor_sees_none()
    {
        var (baker, other) = (await BakerAsync(), await BakerAsync());
        var path = await WrittenAsync(baker, "54");
        Assert.Equal(HttpStatusCode.NotFound, (await other.GetAsync(path)).StatusCode);
        Assert.DoesNotContain("54", (await FileAsync(other)).ToJsonString(), StringComparison.Ordinal);
        var visitor = kitchen.Visitor(follow: false);
        foreach (var address in new[] { "/daybook", "/daybook.json", "/daybook.csv", "/daybook/readings.csv", path })
            Assert.Equal(HttpStatusCode.Redirect, (await visitor.GetAsync(address)).StatusCode);
    }

    [Fact]
    public async Task The_starters_feeds_say_how_lively_it_is_and_when_to_feed_it()
    {
        var baker = await BakerAsync();
        for (var i = 0; i < 4; i++)
            await TestKitchen.PostAsync(
                baker,
                "/daybook/starter",
                "form.feed-form",
                new()
                {
                    ["Form.Kept"] = "50",
                    ["Form.Flour"] = "50",
                    ["Form.Water"] = "50",
                    ["Form.Peak"] = "7.5",
                    ["Form.Room"] = "25",
                }
            );
        // Five hours are usual.
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/daybook/starter?want=300&day=2999-01-02&at=17:00&have=100"));
        Assert.Contains("slower than others", page.QuerySelector(".answer")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("5 h is usual", page.QuerySelector("table")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("300 g to bake with, 20 g to go on with", page.QuerySelector(".feeds")!.TextContent, StringComparison.Ordinal);
        var calendar = await baker.GetStringAsync("/daybook/starter?handler=Calendar&want=300&day=2999-01-02&at=17:00&have=100");
        Assert.Contains("BEGIN:VALARM", calendar, StringComparison.Ordinal);
        Assert.Contains("Feed the starter", calendar, StringComparison.Ordinal);
        var late = await baker.GetStringAsync("/daybook/starter?want=300&day=2000-01-02&at=17:00&have=100");
        Assert.Contains("That hour is over", late, StringComparison.Ordinal);
        var wrong = await TestKitchen.PostAsync(baker, "/daybook/starter", "form.feed-form", new() { ["Form.Kept"] = "much" });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
        Assert.Contains("Grams, like 50", await wrong.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }
}
