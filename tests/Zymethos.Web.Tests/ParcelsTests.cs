using System.Net;
using AngleSharp.Dom;

namespace Zymethos.Web.Tests;

/// <summary>People, boards, boxes, labels and handing over, as a baker meets them.</summary>
public sealed class ParcelsTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private Task<HttpClient> BakerAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    private static async Task BringAsync(HttpClient baker, string text)
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/parcels/people/bring"));
        var token = page.QuerySelector("main form input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        using var form = new FormUrlEncodedContent(
            new Dictionary<string, string>
            {
                ["__RequestVerificationToken"] = token,
                ["Text"] = text,
                ["keep"] = "true",
            }
        );
        Assert.Equal(HttpStatusCode.OK, (await baker.PostAsync("/parcels/people/bring", form)).StatusCode);
    }

    private static async Task<string> BoardAsync(HttpClient baker, params string[] recipes)
    {
        var made = await TestKitchen.PostAsync(baker, "/parcels/new", "main form", new() { ["Name"] = "Office parcels" });
        var path = made.RequestMessage!.RequestUri!.AbsolutePath;
        foreach (var recipe in recipes)
        {
            var answer = await TestKitchen.PostAsync(
                baker,
                path,
                "form[action*=Rules]",
                new()
                {
                    ["Rules.Add"] = $"{recipe}|",
                    ["Rules.Kinds"] = "2",
                    ["Rules.Pieces"] = "6",
                }
            );
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        }

        return path;
    }

    private static Task<HttpResponseMessage> FillAsync(HttpClient baker, string path) =>
        TestKitchen.PostAsync(baker, path, "form[action*=Fill]", []);

    private static IElement Row(IParentNode page, string name) =>
        page.QuerySelectorAll(".board tbody tr").Single(r => r.QuerySelector("th a")!.TextContent == name);

    [Fact]
    public async Task Boxes_are_filled_and_nobody_gets_what_is_not_for_them()
    {
        var baker = await BakerAsync();
        await BringAsync(baker, "Wren: no nuts\nBram: no egg\nFen");
        var path = await BoardAsync(baker, "plum-street-butters", "orchard-almond-slices", "window-shapes");
        var page = await TestKitchen.ParseAsync(await FillAsync(baker, path));
        Assert.Contains("2 of 3 boxes are full", page.QuerySelector(".note")!.TextContent, StringComparison.Ordinal);
        // No egg: nothing on this board.
        Assert.Equal(3, Row(page, "Bram").QuerySelectorAll(".is-never").Length);
        Assert.Empty(Row(page, "Bram").QuerySelectorAll("input"));
        Assert.Contains("no: tree nuts", Row(page, "Wren").TextContent, StringComparison.Ordinal);
        Assert.Equal(2, Row(page, "Wren").QuerySelectorAll("input[value='3']").Length);
        Assert.Contains("Doorstep fruit loaf is fine for Bram", page.QuerySelector(".needy")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Wren avoids tree nuts", page.QuerySelector(".caution")!.TextContent, StringComparison.Ordinal);
        // What would help is put on the board with one touch.
        var helped = await TestKitchen.ParseAsync(await TestKitchen.PostAsync(baker, path, ".needy form[action*=Add]", []));
        Assert.Contains("Doorstep fruit loaf is on the board", helped.QuerySelector(".note")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_number_typed_is_pinned_and_one_that_must_not_be_is_refused_where_it_was_typed()
    {
        var baker = await BakerAsync();
        await BringAsync(baker, "Wren: no nuts\nFen: no kiwi");
        var path = await BoardAsync(baker, "plum-street-butters", "orchard-almond-slices");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync(path));
        var cell = Row(page, "Wren").QuerySelectorAll("input").Select(i => i.GetAttribute("name")!).Single();
        var put = await TestKitchen.ParseAsync(await TestKitchen.PostAsync(baker, path, "form[action*=Put]", new() { [cell] = "5" }));
        Assert.Contains("5 of Plum Street butters, pinned", put.QuerySelector(".note")!.TextContent, StringComparison.Ordinal);
        var filled = await TestKitchen.ParseAsync(await FillAsync(baker, path));
        Assert.Single(Row(filled, "Wren").QuerySelectorAll(".is-pinned input[value='5']"));

        // By hand into a field that is not offered: nuts for whoever must not have them.
        var person = cell.Split('.')[1];
        foreach (var (bake, typed, words) in new[] { ("b2", "2", "not for Wren"), ("b1", "lots", "is no number of pieces") })
        {
            var answer = await PutAsync(baker, path, $"c.{person}.{bake}", typed);
            Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
            Assert.Contains(words, WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync()), StringComparison.Ordinal);
        }

        // What no recipe names is asked for: no field before somebody has looked.
        Assert.Contains("look first", Row(filled, "Fen").TextContent, StringComparison.Ordinal);
        var looked = await TestKitchen.PostAsync(baker, path, ".needy form[action*=Looked]", []);
        Assert.Contains("counts as fine for Fen", await looked.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var after = await TestKitchen.ParseAsync(await baker.GetAsync(path));
        Assert.Single(Row(after, "Fen").QuerySelectorAll("input"));
    }

    private static async Task<HttpResponseMessage> PutAsync(HttpClient baker, string path, string field, string value)
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync(path));
        var form = page.QuerySelector("form[action*=Put]")!;
        using var content = new FormUrlEncodedContent(
            new Dictionary<string, string>
            {
                ["__RequestVerificationToken"] = form.QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!,
                [field] = value,
            }
        );
        return await baker.PostAsync($"{path}?handler=Put", content);
    }

    [Fact]
    public async Task Somebody_who_learns_of_an_allergy_later_takes_the_label_and_the_ticks_away()
    {
        var baker = await BakerAsync();
        await BringAsync(baker, "Fen");
        var path = await BoardAsync(baker, "orchard-almond-slices", "plum-street-butters");
        await FillAsync(baker, path);
        var labels = await baker.GetStringAsync($"{path}/labels?made=2026-12-20");
        Assert.Contains("For Fen", labels, StringComparison.Ordinal);
        Assert.Contains("<b>almonds (tree nuts)</b>", labels, StringComparison.Ordinal);
        Assert.Contains("Made 20 Dec 2026", labels, StringComparison.Ordinal);
        var people = await TestKitchen.ParseAsync(await baker.GetAsync("/parcels/people"));
        var fen = people.QuerySelector(".people a")!.GetAttribute("href")!;
        await TestKitchen.PostAsync(baker, fen, ".person-form", new() { ["Form.Avoids"] = "TreeNut" });
        var board = await TestKitchen.ParseAsync(await baker.GetAsync(path));
        Assert.StartsWith("Stop:", board.QuerySelector(".answer")!.TextContent, StringComparison.Ordinal);
        Assert.Single(board.QuerySelectorAll(".is-never.is-in"));
        var without = await baker.GetStringAsync($"{path}/labels");
        Assert.DoesNotContain("For Fen", without, StringComparison.Ordinal);
        Assert.Contains("There is no label for Fen", without, StringComparison.Ordinal);
        var give = await TestKitchen.PostAsync(baker, $"{path}/give", "main form", new() { ["Rows[0].Given"] = "true" });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, give.StatusCode);
        Assert.Contains("Mend it first", await give.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Days_in_the_post_are_set_against_keeping()
    {
        var baker = await BakerAsync();
        await BringAsync(baker, "Fen");
        // The loaf keeps three days on the counter.
        var path = await BoardAsync(baker, "allotment-loaf");
        await FillAsync(baker, path);
        var refused = await TestKitchen.PostAsync(baker, $"{path}/give", "main form", new() { ["Rows[0].Post"] = "a week" });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Contains("value=\"a week\"", await refused.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var sent = await TestKitchen.PostAsync(baker, $"{path}/give", "main form", new() { ["Rows[0].Post"] = "4" });
        Assert.Contains("keeps 3 days and would be 4 days on the way", await sent.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Contains("would be 4 days on the way", await baker.GetStringAsync($"{path}/pack"), StringComparison.Ordinal);
        Assert.Contains("would be 4 days on the way", await baker.GetStringAsync("/paper/delivery"), StringComparison.Ordinal);
        var fast = await TestKitchen.PostAsync(baker, $"{path}/give", "main form", new() { ["Rows[0].Post"] = "1" });
        Assert.DoesNotContain("on the way", await fast.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_box_is_packed_given_and_thanked_for()
    {
        var baker = await BakerAsync();
        await BringAsync(baker, "Fen");
        var path = await BoardAsync(baker, "plum-street-butters", "window-shapes");
        await FillAsync(baker, path);
        Assert.Contains("nobody has measured a piece", await baker.GetStringAsync($"{path}/pack"), StringComparison.Ordinal);
        var form = await TestKitchen.ParseAsync(await baker.GetAsync("/parcels/boxes"));
        var at = form.QuerySelectorAll("input[name$='.Key']").Select(i => i.GetAttribute("value")).ToList();
        var sizes = new Dictionary<string, string>
        {
            ["Form.Boxes[0].Name"] = "flat box",
            ["Form.Boxes[0].Length"] = "24",
            ["Form.Boxes[0].Width"] = "16",
            ["Form.Boxes[0].Height"] = "6",
            ["Form.Boxes[0].Count"] = "2",
        };
        foreach (var key in new[] { "plum-street-butters", "window-shapes" })
        {
            sizes[$"Form.Sizes[{at.IndexOf(key)}].Length"] = "5";
            sizes[$"Form.Sizes[{at.IndexOf(key)}].Width"] = "5";
            sizes[$"Form.Sizes[{at.IndexOf(key)}].Height"] = "1";
        }

        var wrong = await TestKitchen.PostAsync(baker, "/parcels/boxes", "main form", new(sizes) { ["Form.Boxes[0].Height"] = "tall" });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
        Assert.Contains("value=\"tall\"", await wrong.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, (await TestKitchen.PostAsync(baker, "/parcels/boxes", "main form", sizes)).StatusCode);
        var pack = await TestKitchen.ParseAsync(await baker.GetAsync($"{path}/pack"));
        Assert.Equal(6, pack.QuerySelectorAll(".box-plan .piece").Length);
        Assert.Contains("Into the flat box", pack.QuerySelector(".packing")!.TextContent, StringComparison.Ordinal);

        await TestKitchen.PostAsync(
            baker,
            $"{path}/give",
            "main form",
            new()
            {
                ["Rows[0].Day"] = "2026-12-19",
                ["Rows[0].Hour"] = "17:30",
                ["Rows[0].Given"] = "true",
                ["Rows[0].Wish"] = "more ginger",
            }
        );
        var given = await TestKitchen.ParseAsync(await baker.GetAsync($"{path}/give"));
        Assert.Contains("All of them are given", given.QuerySelector(".answer")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("more ginger", await baker.GetStringAsync("/parcels/people"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_pages_do_not_overwrite_each_other()
    {
        var baker = await BakerAsync();
        await BringAsync(baker, "Fen");
        var path = await BoardAsync(baker, "plum-street-butters");
        var old = await TestKitchen.ParseAsync(await baker.GetAsync(path));
        await FillAsync(baker, path);
        var form = old.QuerySelector("form[action*=Rules]")!;
        var fields = form.QuerySelectorAll("input[name], select[name]")
            .Where(i => i.GetAttribute("type") is not "checkbox" || i.HasAttribute("checked"))
            .GroupBy(i => i.GetAttribute("name")!)
            .ToDictionary(g => g.Key, g => g.First().GetAttribute("value") ?? "");
        fields["Rules.Name"] = "Stale";
        using var content = new FormUrlEncodedContent(fields);
        var answer = await baker.PostAsync($"{path}?handler=Rules", content);
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        Assert.Contains("theirs stands", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.DoesNotContain("Stale", await baker.GetStringAsync("/parcels"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("Rules.Kinds", "none", "Kinds in a box")]
    [InlineData("Rules.Pieces", "1", "at least as many as kinds")]
    [InlineData("Rules.Bakes[0].Made", "a few", "no number of pieces")]
    public async Task Rules_that_cannot_be_are_said_and_kept_as_typed(string field, string typed, string words)
    {
        var baker = await BakerAsync();
        var path = await BoardAsync(baker, "plum-street-butters");
        var answer = await TestKitchen.PostAsync(baker, path, "form[action*=Rules]", new() { [field] = typed });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        var page = await TestKitchen.ParseAsync(answer);
        Assert.Contains(words, page.QuerySelector("details .said-wrong")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(typed, page.QuerySelector($"input[name='{field}']")!.GetAttribute("value"));
    }

    [Fact]
    public async Task The_season_wants_what_the_boxes_hold_and_strangers_see_nothing()
    {
        var (baker, other) = (await BakerAsync(), await BakerAsync());
        await BringAsync(baker, "Fen\nWren");
        var path = await BoardAsync(baker, "plum-street-butters");
        var refused = await TestKitchen.PostAsync(baker, path, "form[action*=Fill]", []);
        Assert.DoesNotContain("Have the season bake", await refused.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        foreach (var address in new[] { path, $"{path}/labels", $"{path}/give", $"{path}/pack" })
            Assert.Equal(HttpStatusCode.NotFound, (await other.GetAsync(address)).StatusCode);
        Assert.DoesNotContain("Wren", await other.GetStringAsync("/parcels/people"), StringComparison.Ordinal);
        var visitor = kitchen.Visitor(follow: false);
        foreach (
            var address in new[]
            {
                "/parcels",
                "/parcels/people",
                "/larder",
                "/larder/shopping",
                "/larder/shopping.txt",
                "/larder/stock.csv",
            }
        )
            Assert.Equal(HttpStatusCode.Redirect, (await visitor.GetAsync(address)).StatusCode);
    }
}
