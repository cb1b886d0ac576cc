using System.Net;
using System.Runtime.CompilerServices;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using Zymethos.Core.Measures;
using Zymethos.Web.Drawing;
using Zymethos.Work.Books;
using Zymethos.Work.House;

namespace Zymethos.Web.Tests;

/// <summary>
/// Whatever a baker, a file or a page writes is read and never run: an active element is put into every field that takes words, and every
/// page, fragment, drawing and file is looked through for it.
/// </summary>
public sealed partial class StoredTextTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private const string Active = "<i data-foreign hx-get=/x>";

    // Fields of the open format that people write; keys, kinds and units are words of the format's own.
    private static readonly HashSet<string> Written =
    [
        "name",
        "summary",
        "title",
        "instruction",
        "text",
        "note",
        "ingredient",
        "written",
        "place",
        "pieceName",
        "why",
        "form",
        "insteadOf",
    ];

    private static void Poison(JsonNode? node, string field)
    {
        switch (node)
        {
            case JsonObject item:
                foreach (var (name, value) in item.ToList())
                {
                    if (
                        Written.Contains(name)
                        && value is JsonValue words
                        && words.TryGetValue<string>(out var text)
                        && text.Length is > 0 and < 60
                    )
                        item[name] = text + Active;
                    else
                        Poison(value, name);
                }

                break;
            case JsonArray items:
                foreach (var item in items)
                    Poison(item, field);
                break;
        }
    }

    private static Dictionary<string, string> Typed(IHtmlDocument page, string form) =>
        TestKitchen
            .FieldsOf((IHtmlFormElement)page.QuerySelector(form)!)
            .Where(f => f.Key.EndsWith("Name", StringComparison.Ordinal) && f.Value.Any(char.IsLetter))
            .ToDictionary(f => f.Key, f => f.Value + Active);

    [Fact]
    public async Task What_people_write_is_in_no_page_as_an_element()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var book = JsonNode.Parse(await baker.GetStringAsync("/book/export"))!;
        foreach (var recipe in book["recipes"]!.AsArray())
            Poison(recipe, "");
        var brought = await ImportTests.SendAsync(baker, book.ToJsonString());
        Assert.True(brought.StatusCode == HttpStatusCode.OK, SeasonKitchen.Text(await TestKitchen.ParseAsync(brought), "#wrong-import"));
        var own = await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"));
        Assert.Equal(
            HttpStatusCode.OK,
            (await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", Typed(own, "#kitchen-form"))).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await TestKitchen.PostAsync(
                    baker,
                    "/book/ingredients",
                    "#own",
                    new() { ["Form.Name"] = $"grits {Active}", ["Form.GramsPerCup"] = "150" }
                )
            ).StatusCode
        );
        await ImportTests.SendAsync(
            baker,
            $"Odd cake {Active}\n\n200 g flour {Active}\n100 g sugar\n\nMix {Active}. Bake in a 20 cm round tin at 180 C for 30 "
                + $"minutes {Active}. Keeps 3 days {Active}."
        );

        var finds = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?handler=Find&q=data-foreign"));
        var keys = finds.QuerySelectorAll("button[name=add]").Select(b => b.GetAttribute("value")!).Take(2).ToList();
        Assert.Equal(2, keys.Count);
        var wish = keys.ToDictionary(k => $"Setup.Rows[{k}].Batches", _ => "1");
        (wish["Setup.Date"], wish["Setup.From"], wish["Setup.Until"]) = ("2031-06-07", "06:00", "20:00");
        Assert.Equal(HttpStatusCode.OK, (await TestKitchen.PostAsync(baker, "/oven-day", "#setup", wish)).StatusCode);

        var key = (await baker.GetStringAsync("/book/export")) is var all
            ? JsonNode.Parse(all)!["recipes"]!
                .AsArray()
                .Last(r => r!["name"]!.GetValue<string>().EndsWith(Active, StringComparison.Ordinal))!["key"]!.GetValue<string>()
            : "";
        var season = SeasonKitchen.Typed((key, 12));
        (season["Form.Name"], season["Form.Occasions[0].Name"], season["Form.Needs[0].For"]) = (
            $"Harvest {Active}",
            $"Supper {Active}",
            $"Wren {Active}"
        );
        season["Form.Occasions[0].Date"] = DateTime.UtcNow.AddDays(30).ToString("yyyy-MM-dd");
        var made = await TestKitchen.PostAsync(baker, "/season/new", "#season-form", season);

        var (pages, seen) = await WalkAsync(
            baker,
            [
                "/",
                "/book",
                "/oven-day?date=2031-06-07",
                made.RequestMessage!.RequestUri!.PathAndQuery,
                "/season",
                "/kitchen",
                "/book/ingredients",
                "/book/import",
                "/letter-box",
                "/oven-day?handler=Rehearse&date=2031-06-07",
            ]
        );
        Assert.True(pages >= 60, $"Only {pages} pages were found.");
        Assert.True(seen >= 30, $"Only {seen} of {pages} pages showed what was written: nothing was tested.");
    }

    /// <summary>Goes to every address that the pages name, as a browser or htmx would, and looks each answer through.</summary>
    private static async Task<(int Pages, int Seen)> WalkAsync(HttpClient baker, string[] from)
    {
        var waiting = new Queue<string>(from);
        var known = from.ToHashSet(StringComparer.Ordinal);
        var (pages, seen) = (0, 0);
        while (waiting.Count > 0 && pages < 260)
        {
            var address = waiting.Dequeue();
            using var request = new HttpRequestMessage(HttpMethod.Get, address);
            if (address.Contains("handler=", StringComparison.Ordinal))
                request.Headers.Add("HX-Request", "true");
            var answer = await baker.SendAsync(request);
            Assert.True((int)answer.StatusCode < 500, $"{address} was answered with {(int)answer.StatusCode}.");
            var type = answer.Content.Headers.ContentType?.MediaType ?? "";
            var text = await answer.Content.ReadAsStringAsync();
            pages++;
            if (text.Contains("data-foreign", StringComparison.Ordinal))
                seen++;
            // Files that are taken along keep what was written; only Markdown may hold elements, and must not.
            if (type is "application/json" or "text/csv" or "text/calendar")
                continue;
            var page = await TestKitchen.ParseAsync(answer);
            Assert.True(page.QuerySelector("[data-foreign]") is null, $"{address} holds an element that somebody wrote.");
            foreach (
                var next in page.QuerySelectorAll("[href], [hx-get], [data-best], form[method=get][action]")
                    .SelectMany(e =>
                        new[]
                        {
                            e.GetAttribute("href"),
                            e.GetAttribute("hx-get"),
                            e.GetAttribute("data-best"),
                            e is IHtmlFormElement ? e.GetAttribute("action") : null,
                        }
                    )
                    .OfType<string>()
            )
            {
                var plain = next.Split('#')[0];
                if (plain.StartsWith('/') && !Elsewhere().IsMatch(plain) && known.Add(plain))
                    waiting.Enqueue(plain);
            }
        }

        return (pages, seen);
    }

    [GeneratedRegex("^/(?:lib|css|js|fonts|account|theme|calendar|favicon|oven-day/events|//)", RegexOptions.IgnoreCase, 500)]
    private static partial Regex Elsewhere();

    [Fact]
    public void Raw_markup_in_pages_comes_only_from_drawings_that_encode()
    {
        var raw = Directory
            .GetFiles(Path.Combine(Root(), "src", "Zymethos.Web", "Places"), "*.cshtml", SearchOption.AllDirectories)
            .SelectMany(f => File.ReadAllLines(f).Where(l => l.Contains("Html.Raw(", StringComparison.Ordinal)).Select(l => (f, l)))
            .Where(p => !DrawingCall().IsMatch(p.l))
            .Select(p => $"{Path.GetFileName(p.f)}: {p.l.Trim()}");
        Assert.Empty(raw);
    }

    [GeneratedRegex(
        @"Html\.Raw\((?:FinishSpread|CertaintyCurve|WaitCurve|ShelfPlan|PanDrawing|MethodDrawing|QrDrawing|KitchenDrawing)\.Svg\("
            + @"|Html\.Raw\((?:curve|shelves)\)",
        RegexOptions.None,
        500
    )]
    private static partial Regex DrawingCall();

    private static string Root([CallerFilePath] string here = "") =>
        Path.GetFullPath(Path.Combine(Path.GetDirectoryName(here)!, "..", ".."));

    [Theory]
    [InlineData("=1+1", "'=1+1")]
    [InlineData("  =1+1", "'  =1+1")]
    [InlineData("\n@SUM(A1)", "'\n@SUM(A1)")]
    [InlineData("＝1", "'＝1")]
    [InlineData("\tplain", "'\tplain")]
    [InlineData("-3", "'-3")]
    [InlineData("egg, beaten", "egg, beaten")]
    [InlineData("", "")]
    public void A_cell_is_never_a_formula(string text, string cell) => Assert.Equal(cell, CsvCell.Of(text));

    [Theory]
    [InlineData("<script>x</script>", "&lt;script&gt;x&lt;/script&gt;")]
    [InlineData("a *b* _c_ [d](e)", "a \\*b\\* \\_c\\_ \\[d\\](e)")]
    [InlineData("# Big", "\\# Big")]
    [InlineData("1. First", "1\\. First")]
    [InlineData("two\nlines", "two lines")]
    [InlineData("eggs (2)", "eggs (2)")]
    public void Words_on_a_card_stay_words(string text, string markdown) => Assert.Equal(markdown, MarkdownText.Of(text));

    [Fact]
    public void Words_in_a_drawing_are_encoded()
    {
        using var writer = new StringWriter();
        SvgText.At(1.5, 2, Active, "middle", "oven-name", true).WriteTo(writer, System.Text.Encodings.Web.HtmlEncoder.Default);
        Assert.Equal(
            "<text x=\"1.5\" y=\"2\" class=\"oven-name\" text-anchor=\"middle\" aria-hidden=\"true\">&lt;i data-foreign "
                + "hx-get=/x&gt;</text>",
            writer.ToString()
        );
    }
}
