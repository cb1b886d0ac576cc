using System.Net;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Seasons;

namespace Zymethos.Web.Tests;

/// <summary>Recipes brought in and taken along.</summary>
public sealed class ImportTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private const string Loaf =
        """{ "@context": "https://schema.org", "@type": "Recipe", "name": "Attic loaf", "recipeYield": "1 loaf", "recipeIngredient": ["2 cups flour", "1 tsp salt"], "recipeInstructions": [{ "@type": "HowToStep", "text": "Stir everything together." }, { "@type": "HowToStep", "text": "Bake at 350 F for 40 to 45 minutes." }] }""";

    private Task<HttpClient> NewAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    internal static async Task<HttpResponseMessage> SendAsync(
        HttpClient baker,
        string pasted,
        byte[]? file = null,
        string name = "page.html",
        params string[] chosen
    )
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/book/import"));
        using var form = new MultipartFormDataContent
        {
            { new StringContent(pasted), "Pasted" },
            {
                new StringContent(page.QuerySelector("form.import input[name=__RequestVerificationToken]")!.GetAttribute("value")!),
                "__RequestVerificationToken"
            },
        };
        foreach (var place in chosen)
            form.Add(new StringContent(place), "Chosen");
        if (file is not null)
            form.Add(new ByteArrayContent(file), "Upload", name);
        return await baker.PostAsync("/book/import", form);
    }

    private static async Task<IDocument> SheetAsync(HttpResponseMessage response)
    {
        Assert.StartsWith("/book/read/", response.RequestMessage!.RequestUri!.AbsolutePath, StringComparison.Ordinal);
        return await TestKitchen.ParseAsync(response);
    }

    private static async Task<IDocument> EditorAsync(HttpClient baker, HttpResponseMessage response)
    {
        var sheet = await SheetAsync(response);
        return await TestKitchen.ParseAsync(await baker.GetAsync(sheet.QuerySelector("a[href^='/book/edit/']")!.GetAttribute("href")));
    }

    internal static async Task<HttpResponseMessage> PressAsync(
        HttpClient baker,
        HttpResponseMessage on,
        IElement form,
        string name = "",
        string value = "",
        string typed = ""
    )
    {
        var fields = form.QuerySelectorAll("input[type=hidden]")
            .ToDictionary(i => i.GetAttribute("name")!, i => i.GetAttribute("value") ?? "");
        if (name.Length > 0)
            fields[name] = value;
        if (typed.Length > 0)
            fields["typed"] = typed;
        return await baker.PostAsync(
            new Uri(on.RequestMessage!.RequestUri!, form.GetAttribute("action")!),
            new FormUrlEncodedContent(fields)
        );
    }

    private const string Buns =
        "Plain buns\n\nMakes 12 buns\n\nIngredients\n500 g flour\n7 g yeast\n30 g zorbat butter\n\nMethod\nMix. Let rise until "
        + "doubled, about 1 hour. Bake at 200 C for 15 minutes. They keep 2 days in a tin.";

    [Fact]
    public async Task A_pasted_text_stands_beside_what_became_of_it()
    {
        var sheet = await SheetAsync(await SendAsync(await NewAsync(), Buns));
        Assert.Equal("Plain buns", sheet.QuerySelector("h1")!.TextContent.Trim());
        Assert.Contains(
            sheet.QuerySelectorAll(".read-words li"),
            l => l.TextContent.Contains("Bake at 200 C", StringComparison.Ordinal) && l.QuerySelector("a[href^='#']") is not null
        );
        Assert.Contains(
            sheet.QuerySelectorAll(".read-words li"),
            l =>
                l.TextContent.Contains("They keep 2 days", StringComparison.Ordinal)
                && l.TextContent.Contains("how it keeps", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(
            sheet.QuerySelectorAll(".read-steps strong"),
            s => s.TextContent.Contains("keep", StringComparison.OrdinalIgnoreCase)
        );
        Assert.Contains("zorbat", sheet.QuerySelector(".read-ask")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("zorbat", sheet.QuerySelector(".statement .is-open")!.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("free from", sheet.QuerySelector(".statement")!.TextContent, StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task A_question_is_answered_by_typing_and_a_dismissed_one_stays_not_known()
    {
        var baker = await NewAsync();
        var response = await SendAsync(baker, Buns);
        var sheet = await SheetAsync(response);
        var ask = sheet.QuerySelectorAll(".read-ask").First(a => a.TextContent.Contains("zorbat", StringComparison.Ordinal));
        var dismissed = await TestKitchen.ParseAsync(await PressAsync(baker, response, ask.QuerySelector("form")!, "value", ""));
        Assert.DoesNotContain(dismissed.QuerySelectorAll(".read-ask"), a => a.TextContent.Contains("zorbat", StringComparison.Ordinal));
        Assert.Contains("zorbat", dismissed.QuerySelector(".statement .is-open")!.TextContent, StringComparison.Ordinal);

        var again = await SendAsync(baker, Buns.Replace("Plain buns", "Other buns", StringComparison.Ordinal));
        var other = await SheetAsync(again);
        var form = other
            .QuerySelectorAll(".read-ask")
            .First(a => a.TextContent.Contains("zorbat", StringComparison.Ordinal))
            .QuerySelector("form")!;
        var answered = await TestKitchen.ParseAsync(await PressAsync(baker, again, form, typed: "30 g butter"));
        Assert.DoesNotContain("zorbat", answered.QuerySelector(".statement")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("milk", answered.QuerySelector(".statement")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_sheet_goes_into_the_book_with_what_is_open_and_the_same_words_are_known_again()
    {
        var baker = await NewAsync();
        var response = await SendAsync(baker, Buns);
        var sheet = await SheetAsync(response);
        var same = await TestKitchen.ParseAsync(await SendAsync(baker, Buns));
        Assert.StartsWith("/book/read/", same.QuerySelector(".note a")!.GetAttribute("href")!, StringComparison.Ordinal);
        var saved = await PressAsync(baker, response, sheet.QuerySelector("form[action*='Keep']")!);
        Assert.Equal("/book/plain-buns", saved.RequestMessage!.RequestUri!.AbsolutePath);
        var page = await TestKitchen.ParseAsync(saved);
        Assert.Contains("zorbat", page.QuerySelector(".open-questions")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("without nuts", page.QuerySelector(".contains")!.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain(
            page.QuerySelectorAll(".contains p"),
            p =>
                p.TextContent.StartsWith("As it stands", StringComparison.Ordinal)
                && p.TextContent.Contains("without nuts", StringComparison.Ordinal)
        );
        var third = await TestKitchen.ParseAsync(await SendAsync(baker, Buns));
        Assert.Equal("/book/plain-buns", third.QuerySelector(".note a")!.GetAttribute("href"));
        // The day offers it or says what it lacks, and either way what was guessed is not forgotten.
        var day = await TestKitchen.ParseAsync(await TestKitchen.SetUpAsync(baker, new() { ["add"] = "plain-buns" }));
        var row = day.QuerySelectorAll(".setup-bakes tbody th")
            .FirstOrDefault(t => t.TextContent.Contains("Plain buns", StringComparison.Ordinal));
        Assert.NotNull(row);
        Assert.Contains("not looked at yet", row.TextContent, StringComparison.Ordinal);
        Assert.Contains("zorbat", row.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Pasted_words_open_in_the_editor_with_what_was_proposed_to_confirm()
    {
        var baker = await NewAsync();
        var editor = await EditorAsync(
            baker,
            await SendAsync(
                baker,
                "Plain buns\n\nMakes 12 buns\n\nIngredients\n500 g flour\n7 g yeast\n\nMethod\nMix. Let rise until doubled, about 1 "
                    + "hour. Bake at 200 C for 15 minutes."
            )
        );
        Assert.Equal("Plain buns", editor.QuerySelector("#d-name")!.GetAttribute("value"));
        Assert.Contains(editor.QuerySelectorAll("select[name$='.Kind']").OfType<IHtmlSelectElement>(), s => s.Value == "bulkRise");
        Assert.NotEmpty(editor.QuerySelectorAll(".questions li"));
    }

    [Fact]
    public async Task A_saved_page_as_a_file_is_read_and_its_script_stays_text()
    {
        var loaf = Loaf.Replace("Attic loaf", "Attic <script>alert(1)</script>loaf", StringComparison.Ordinal)
            .Replace("</script>", "<\\/script>", StringComparison.Ordinal);
        var html = $"<html><body><script>window.hurt = 1</script><script type=\"application/ld+json\">{loaf}</script></body></html>";
        var baker = await NewAsync();
        var editor = await EditorAsync(baker, await SendAsync(baker, "", Encoding.UTF8.GetBytes(html)));
        Assert.DoesNotContain("<script>alert", editor.QuerySelector("#editor")!.InnerHtml, StringComparison.Ordinal);
        Assert.Contains(
            "Bake",
            editor.QuerySelectorAll("input[name$='.Title']").Last().GetAttribute("value"),
            StringComparison.OrdinalIgnoreCase
        );
    }

    [Fact]
    public async Task Of_several_recipes_the_baker_chooses()
    {
        var baker = await NewAsync();
        var loaves = Enumerable.Range(1, 10).Select(i => Loaf.Replace("Attic loaf", $"Loaf number {i}", StringComparison.Ordinal));
        var ten = $"[{string.Join(',', loaves)}]";
        var offered = await TestKitchen.ParseAsync(await SendAsync(baker, ten));
        Assert.Equal(10, offered.QuerySelectorAll("input[name=Chosen]").Length);
        await SendAsync(baker, ten, null, "", "2", "6");
        var drafts = (await TestKitchen.ParseAsync(await baker.GetAsync("/book"))).QuerySelector(".drafts")!.TextContent;
        Assert.Contains("Loaf number 3", drafts, StringComparison.Ordinal);
        Assert.Contains("Loaf number 7", drafts, StringComparison.Ordinal);
        Assert.DoesNotContain("Loaf number 1 ", drafts, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("{ \"@type\": \"Recipe\", ", "not whole")]
    [InlineData("<html><body><p>Hello</p></body></html>", "does not say in a readable way")]
    [InlineData("{ \"@type\": \"Article\" }", "no recipe in it")]
    [InlineData("   ", "nothing to read")]
    [InlineData("<!DOCTYPE lolz [<!ENTITY a \"aaaa\"><!ENTITY b \"&a;&a;&a;&a;\">]><html><body>&b;</body></html>", "recipe")]
    public async Task What_has_no_recipe_says_so_and_keeps_the_text(string text, string words)
    {
        var response = await SendAsync(await NewAsync(), text);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        var page = await TestKitchen.ParseAsync(response);
        Assert.Contains(words, page.QuerySelector("#wrong-import")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(text.Trim(), ((IHtmlTextAreaElement)page.QuerySelector("#pasted")!).Value.Trim());
    }

    [Fact]
    public async Task Two_megabytes_of_paste_a_picture_and_a_latin_file_are_survived()
    {
        var baker = await NewAsync();
        var long_ = await SendAsync(baker, string.Concat(Enumerable.Repeat("flour and water ", 130_000)));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, long_.StatusCode);
        Assert.Contains("kB", (await TestKitchen.ParseAsync(long_)).QuerySelector("#wrong-import")!.TextContent, StringComparison.Ordinal);
        var picture = await SendAsync(baker, "", [0x89, 0x50, 0x4E, 0x47, 0, 0, 0, 1, 2, 3]);
        Assert.Contains(
            "That is no text",
            (await TestKitchen.ParseAsync(picture)).QuerySelector("#wrong-import")!.TextContent,
            StringComparison.Ordinal
        );
        var latin = await EditorAsync(
            baker,
            await SendAsync(
                baker,
                "",
                Encoding.Latin1.GetBytes(Loaf.Replace("Attic loaf", "Café loaf", StringComparison.Ordinal)),
                "loaf.json"
            )
        );
        Assert.Equal("Café loaf", latin.QuerySelector("#d-name")!.GetAttribute("value"));
    }

    [Fact]
    public async Task The_whole_book_goes_out_and_comes_in_without_loss()
    {
        var from = await NewAsync();
        await TestKitchen.PostAsync(
            from,
            "/book/ingredients",
            "#own",
            new() { ["Form.Name"] = "spelt grits", ["Form.GramsPerCup"] = "150" }
        );
        var book = await from.GetStringAsync("/book/export");
        var to = await NewAsync();
        // Into a Book that has all of it nothing is doubled.
        Assert.Contains("0 recipes put into the Book, 19 there already just so", Said(await SendAsync(to, book)), StringComparison.Ordinal);
        Assert.True(JsonNode.DeepEquals(JsonNode.Parse(book), JsonNode.Parse(await to.GetStringAsync("/book/export"))));

        var changed = JsonNode.Parse(book)!;
        changed["recipes"]![0]!["summary"] = "Another wording.";
        Assert.Contains("1 recipe put into the Book", Said(await SendAsync(to, changed.ToJsonString())), StringComparison.Ordinal);
        var both = JsonNode.Parse(await to.GetStringAsync("/book/export"))!;
        Assert.Equal(20, both["recipes"]!.AsArray().Count);

        static string Said(HttpResponseMessage response) => TestKitchen.ParseAsync(response).Result.QuerySelector(".note")!.TextContent;
    }

    [Fact]
    public async Task A_book_with_a_fault_changes_nothing_and_names_the_place()
    {
        var baker = await NewAsync();
        var book = JsonNode.Parse(await baker.GetStringAsync("/book/export"))!;
        book["recipes"]![3]!["steps"]![0]!["kind"] = "dance";
        var response = await SendAsync(baker, book.ToJsonString());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        Assert.Contains(
            "recipes[3].steps[0]",
            (await TestKitchen.ParseAsync(response)).QuerySelector("#wrong-import")!.TextContent,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Cards_and_ingredients_go_out_as_markdown_and_csv()
    {
        var baker = await kitchen.DemoBakerAsync();
        var card = await baker.GetStringAsync("/book/lantern-plait/card.md");
        Assert.StartsWith("# Lantern plait", card, StringComparison.Ordinal);
        Assert.Contains("180 °C / 350 °F", card, StringComparison.Ordinal);
        Assert.Contains("**Caution:**", card, StringComparison.Ordinal);
        Assert.Contains("## For whom", card, StringComparison.Ordinal);
        Assert.Contains("Contains egg, wheat, sesame and gluten.", card, StringComparison.Ordinal);
        var csv = (await baker.GetStringAsync("/book/ingredients.csv")).Split("\r\n");
        Assert.Equal("recipe,part,ingredient,amount,unit,grams,form,note,optional,known_as,allergens,may_contain,not_known", csv[0]);
        Assert.True(csv.Length > 150);
        Assert.Contains(csv, l => l.StartsWith("Lantern plait,Dough,bread flour,1000,g,1000,", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_Book_of_hundreds_of_recipes_is_taken_along_and_comes_back()
    {
        var loaf = DemoKitchen.Recipes().First(r => r.Key == "allotment-loaf");
        var many = new BookDocument([.. Enumerable.Range(0, 400).Select(i => loaf with { Key = $"loaf-{i}", Name = $"Loaf number {i}" })]);
        var baker = await NewAsync();
        var came = await TestKitchen.ParseAsync(
            await SendAsync(baker, "", JsonSerializer.SerializeToUtf8Bytes(many, OpenJson.Options), "book.json")
        );
        Assert.Contains("400 recipes put into the Book", came.Body!.TextContent, StringComparison.Ordinal);
        var along = await baker.GetByteArrayAsync("/book/export");
        Assert.True(along.Length > 1_500_000, $"The Book has only {along.Length} bytes.");
        var back = await TestKitchen.ParseAsync(await SendAsync(await NewAsync(), "", along, "book.json"));
        Assert.Matches("4\\d\\d recipes put into the Book", back.QuerySelector(".note, .said-wrong")!.TextContent);
        Assert.Contains(
            "there already just so",
            (await TestKitchen.ParseAsync(await SendAsync(baker, "", along, "book.json"))).Body!.TextContent,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData("a/b", "a-b")]
    [InlineData("..", "recipe")]
    [InlineData("new", "new-recipe")]
    [InlineData("Größe & Maß", "gr-e-ma")]
    public async Task Whatever_key_a_file_gives_the_recipe_can_be_opened_edited_and_removed(string key, string address)
    {
        var loaf = DemoKitchen.Recipes().First(r => r.Key == "allotment-loaf");
        var baker = await NewAsync();
        var came = await SendAsync(
            baker,
            "",
            JsonSerializer.SerializeToUtf8Bytes(new BookDocument([loaf with { Key = key, Name = "Odd loaf" }]), OpenJson.Options),
            "book.json"
        );
        Assert.Equal(HttpStatusCode.OK, came.StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await baker.GetAsync($"/book/{address}")).StatusCode);
        foreach (var page in new[] { "card", "scale", "versions" })
            Assert.Equal(HttpStatusCode.OK, (await baker.GetAsync($"/book/{address}/{page}")).StatusCode);
        var edit = await TestKitchen.PostAsync(
            baker,
            $"/book/{address}",
            $"form[action$='/{address}?handler=Edit'], form[action*='edit']",
            []
        );
        Assert.StartsWith("/book/edit/", edit.RequestMessage!.RequestUri!.AbsolutePath, StringComparison.Ordinal);
        await TestKitchen.PostAsync(baker, $"/book/{address}", "form[action*='Remove']", []);
        Assert.Equal(HttpStatusCode.NotFound, (await baker.GetAsync($"/book/{address}")).StatusCode);
    }

    [Fact]
    public async Task A_recipe_that_cannot_be_planned_comes_in_and_is_said_to_be_unready()
    {
        var loaf = DemoKitchen.Recipes().First(r => r.Key == "allotment-loaf");
        var round = loaf with
        {
            Key = "round",
            Name = "Round and round",
            Links = [.. loaf.Links!, new(loaf.Links![0].To, loaf.Links![0].From)],
        };
        var baker = await NewAsync();
        var came = await TestKitchen.ParseAsync(
            await SendAsync(baker, "", JsonSerializer.SerializeToUtf8Bytes(new BookDocument([round]), OpenJson.Options), "book.json")
        );
        Assert.Contains("“Round and round” cannot be planned yet", came.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, (await baker.GetAsync("/book/round")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await baker.GetAsync("/oven-day")).StatusCode);
    }
}
