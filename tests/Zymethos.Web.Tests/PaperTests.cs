using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using PdfSharp.Pdf.IO;
using Zymethos.Interchange.Parcels;
using Zymethos.Web.Places.Paper;

namespace Zymethos.Web.Tests;

/// <summary>Everything on paper: each part alone, as a page and as PDF, and all as one.</summary>
public sealed class PaperTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private static async Task<(int Pages, double Width, double Height)> PdfAsync(HttpClient baker, string address)
    {
        var answer = await baker.GetAsync(address);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Equal("application/pdf", answer.Content.Headers.ContentType!.MediaType);
        using var stream = new MemoryStream(await answer.Content.ReadAsByteArrayAsync());
        using var document = PdfReader.Open(stream, PdfDocumentOpenMode.Import);
        return (document.PageCount, document.Pages[^1].MediaBox.Width, document.Pages[^1].MediaBox.Height);
    }

    /// <summary>The demo kitchen with its boxes filled; the address of its board.</summary>
    private async Task<(HttpClient Baker, string Board)> DemoAsync()
    {
        var baker = await kitchen.DemoBakerAsync();
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/parcels"));
        var path = page.QuerySelector("a[href$='/labels']")!.GetAttribute("href")!.Replace("/labels", "", StringComparison.Ordinal);
        await TestKitchen.PostAsync(baker, path, "form[action*=Fill]", []);
        return (baker, path);
    }

    [Fact]
    public async Task Every_part_of_the_demo_is_a_page_and_a_file_and_all_of_them_are_one()
    {
        var (baker, _) = await DemoAsync();
        var there = (await TestKitchen.ParseAsync(await baker.GetAsync("/paper")))
            .QuerySelectorAll("input[name=parts]:not([disabled])")
            .Select(i => i.GetAttribute("value")!)
            .ToList();
        Assert.Equal(PaperDesk.Kinds.Select(k => k.Key), there);
        var pages = 0;
        foreach (var key in there)
        {
            var screen = await TestKitchen.ParseAsync(await baker.GetAsync($"/paper/{key}"));
            Assert.True(screen.QuerySelector(".paper-sheet, .sheets") is not null, key);
            var (count, width, height) = await PdfAsync(baker, $"/paper/{key}.pdf?paper=letter");
            pages += count;
            Assert.Equal(key == "season" ? 11 * 72 : 8.5 * 72, width, 0.01);
            Assert.Equal(key == "season" ? 8.5 * 72 : 11 * 72, height, 0.01);
        }

        Assert.Equal(pages, (await PdfAsync(baker, "/paper/pack.pdf?paper=letter")).Pages);
        var two = (await PdfAsync(baker, "/paper/tags.pdf")).Pages + (await PdfAsync(baker, "/paper/delivery.pdf")).Pages;
        Assert.Equal(two, (await PdfAsync(baker, "/paper/pack.pdf?parts=tags&parts=delivery")).Pages);
        Assert.Equal(HttpStatusCode.NotFound, (await baker.GetAsync("/paper/nothing.pdf")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await baker.GetAsync("/paper/nothing")).StatusCode);
    }

    [Fact]
    public async Task A_kitchen_with_nothing_planned_is_told_so()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/paper"));
        Assert.Empty(page.QuerySelectorAll("input[name=parts]:not([disabled])"));
        Assert.Contains("There is nothing to print of it yet", await baker.GetStringAsync("/paper/week"), StringComparison.Ordinal);
        Assert.Equal(1, (await PdfAsync(baker, "/paper/pack.pdf")).Pages);
        var stranger = kitchen.Visitor();
        var turned = await stranger.GetAsync("/paper/pack.pdf");
        Assert.NotEqual("application/pdf", turned.Content.Headers.ContentType?.MediaType);
    }

    [Fact]
    public async Task Labels_come_in_another_language_shipped_or_brought()
    {
        var (baker, board) = await DemoAsync();
        var german = await baker.GetStringAsync($"{board}/labels?words=de");
        Assert.Contains("Enthält ", WebUtility.HtmlDecode(german), StringComparison.Ordinal);
        Assert.Contains("(Weizen)", german, StringComparison.Ordinal);
        Assert.DoesNotContain("Made in a kitchen", german, StringComparison.Ordinal);
        // One of the kitchen's own, made from the English file.
        var english = await baker.GetStringAsync("/parcels/label-words.json");
        Assert.Equal(LabelWords.English.Write(), english);
        var own = english
            .Replace("\"code\": \"en\"", "\"code\": \"xx\"", StringComparison.Ordinal)
            .Replace("\"language\": \"English\"", "\"language\": \"Village tongue\"", StringComparison.Ordinal)
            .Replace("\"For {0}\"", "\"To dear {0}\"", StringComparison.Ordinal);
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await BringAsync(baker, board, own.Replace("sesame", "sesam", StringComparison.Ordinal))).StatusCode
        );
        var brought = await BringAsync(baker, board, own);
        var page = await brought.Content.ReadAsStringAsync();
        Assert.Contains("Labels can be in Village tongue now.", page, StringComparison.Ordinal);
        Assert.Contains("To dear ", page, StringComparison.Ordinal);
        // What is typed about boxes leaves the words alone.
        await TestKitchen.PostAsync(baker, "/parcels/boxes", "main form", new() { ["Form.From"] = "the two of us" });
        Assert.Contains("To dear ", await baker.GetStringAsync($"{board}/labels?words=xx"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Recipe_cards_say_what_is_really_baked()
    {
        var demo = await kitchen.DemoBakerAsync();
        var page = await TestKitchen.ParseAsync(await demo.GetAsync("/season"));
        var season = page.QuerySelector("a[href$='/calendar']")!.GetAttribute("href")!.Replace("/calendar", "", StringComparison.Ordinal);
        var file = JsonNode.Parse(await demo.GetStringAsync($"{season}/season.json"))!.AsObject();
        foreach (var name in new[] { "plan", "parcels", "bakes", "outcomes" })
            file.Remove(name);
        file["done"] = new JsonArray();
        // The Book soaks its cake in brandy and puts almonds in; this season's goes to somebody who has neither.
        var need = file["needs"]!.AsArray().Single(n => (string)n!["recipe"]! == "cellar-fruit-cake")!.DeepClone();
        need["choices"] = new JsonObject { ["soak"] = "juice", ["nuts"] = "out" };
        file["needs"] = new JsonArray(need);
        var own = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var brought = await UploadAsync(own, "/season/bring", "", "Upload", file.ToJsonString());
        Assert.Equal(HttpStatusCode.OK, brought.StatusCode);
        var cards = await TestKitchen.ParseAsync(await own.GetAsync("/paper/cards"));
        var card = cards.QuerySelector("section.keep")?.TextContent ?? "";
        Assert.Contains("Cellar fruit cake", card, StringComparison.Ordinal);
        Assert.Contains("orange juice", card, StringComparison.Ordinal);
        Assert.DoesNotContain("brandy", card, StringComparison.Ordinal);
        Assert.DoesNotContain("almond flour", card, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_box_that_is_not_safe_is_neither_packed_nor_given_without_a_word()
    {
        var (baker, board) = await DemoAsync();
        var people = await TestKitchen.ParseAsync(await baker.GetAsync("/parcels/people"));
        var pell = people.QuerySelectorAll(".people a").First(a => a.TextContent == "Pell").GetAttribute("href")!;
        Assert.Contains("For Pell", await baker.GetStringAsync("/paper/labels"), StringComparison.Ordinal);
        await TestKitchen.PostAsync(baker, pell, ".person-form", new() { ["Form.Avoids"] = "Wheat" });
        Assert.Contains("Do not pack Pell", WebUtility.HtmlDecode(await baker.GetStringAsync("/paper/boxes")), StringComparison.Ordinal);
        Assert.Contains("Do not pack Pell", WebUtility.HtmlDecode(await baker.GetStringAsync($"{board}/pack")), StringComparison.Ordinal);
        Assert.Contains("Do not give this box", await baker.GetStringAsync("/paper/delivery"), StringComparison.Ordinal);
        Assert.DoesNotContain("For Pell", await baker.GetStringAsync("/paper/labels"), StringComparison.Ordinal);
        Assert.DoesNotContain("For Pell", await baker.GetStringAsync("/paper/tags"), StringComparison.Ordinal);
    }

    private static Task<HttpResponseMessage> BringAsync(HttpClient baker, string board, string text) =>
        UploadAsync(baker, $"{board}/labels", "?handler=Words", "file", text);

    private static async Task<HttpResponseMessage> UploadAsync(HttpClient baker, string path, string handler, string field, string text)
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync(path));
        using var content = new MultipartFormDataContent
        {
            {
                new StringContent(page.QuerySelector("form[enctype] input[name=__RequestVerificationToken]")!.GetAttribute("value")!),
                "__RequestVerificationToken"
            },
        };
        var file = new ByteArrayContent(Encoding.UTF8.GetBytes(text));
        file.Headers.ContentType = new MediaTypeHeaderValue("application/json");
        content.Add(file, field, "file.json");
        return await baker.PostAsync($"{path}{handler}", content);
    }
}
