using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using AngleSharp.Html.Dom;
using Zymethos.Workshop.Calculators;

namespace Zymethos.Web.Tests;

/// <summary>The calculators: open to everybody, one address each, on paper, as drawings, as data, and handed over to the Book.</summary>
public sealed class CalculatorPageTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    public static TheoryData<string> Addresses => [.. CalculatorShelf.All.Select(c => c.Address)];

    [Fact]
    public async Task Every_calculator_stands_on_the_first_page_of_the_Workshop()
    {
        var page = await TestKitchen.ParseAsync(await kitchen.Visitor().GetAsync("/workshop"));
        var links = page.QuerySelectorAll("main a").OfType<IHtmlAnchorElement>().Select(a => a.PathName).ToHashSet();
        Assert.All(CalculatorShelf.All, c => Assert.Contains($"/workshop/{c.Address}", links));
    }

    [Theory]
    [MemberData(nameof(Addresses))]
    public async Task A_visitor_gets_the_answer_drawn_with_its_source_and_takes_it_away(string address)
    {
        var visitor = kitchen.Visitor();
        var page = await TestKitchen.ParseAsync(await visitor.GetAsync($"/workshop/{address}"));
        Assert.NotEmpty(page.QuerySelector(".answer")!.TextContent.Trim());
        Assert.NotNull(page.QuerySelector("svg.sketch[aria-label]"));
        var says = page.QuerySelector(".says-who")!.TextContent;
        var calculator = CalculatorShelf.At(address)!;
        Assert.All(
            new[] { calculator.Formula, calculator.Source, calculator.Limits },
            w => Assert.Contains(w, says, StringComparison.Ordinal)
        );
        // Every field has a label that points at it.
        Assert.All(calculator.Fields, f => Assert.NotNull(page.QuerySelector($"label[for='r-{f.Name}']")));
        // No kitchen, no Book to hand it to.
        Assert.Null(page.QuerySelector("form[action='/book/import']"));

        var pdf = await visitor.GetByteArrayAsync($"/workshop/{address}/pdf");
        Assert.Equal("%PDF-", Encoding.ASCII.GetString(pdf, 0, 5));
        var svg = await visitor.GetStringAsync($"/workshop/{address}/svg");
        Assert.StartsWith("<svg xmlns=\"http://www.w3.org/2000/svg\"", svg, StringComparison.Ordinal);
        Assert.Equal("svg", System.Xml.Linq.XDocument.Parse(svg).Root!.Name.LocalName);
        var data = JsonNode.Parse(await visitor.GetStringAsync($"/workshop/{address}/json"))!;
        Assert.Equal(address, (string)data["calculator"]!);
        Assert.NotEmpty(data["values"]!.AsArray());
    }

    [Fact]
    public async Task What_cannot_be_is_said_and_what_was_typed_stays()
    {
        var answer = await kitchen.Visitor().GetAsync("/workshop/division?dough=lots&count=2");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        var page = await TestKitchen.ParseAsync(answer);
        Assert.Contains("A weight, like 500 g", page.QuerySelector("#w-dough")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("lots", page.QuerySelector("#r-dough")!.GetAttribute("value"));
        Assert.Null(page.QuerySelector(".answer"));
    }

    [Fact]
    public async Task An_address_holds_the_whole_question()
    {
        var page = await TestKitchen.ParseAsync(await kitchen.Visitor().GetAsync("/workshop/division?dough=2+lb&into=4&count=1&aside=0"));
        Assert.Contains("4 ropes of 227 g", page.QuerySelector(".answer")!.TextContent.Replace('\u00a0', ' '), StringComparison.Ordinal);
        Assert.Equal("4", ((IHtmlSelectElement)page.QuerySelector("#r-into")!).Value);
    }

    [Theory]
    [InlineData("/workshop/nothing")]
    [InlineData("/workshop/nothing/pdf")]
    [InlineData("/workshop/eggs/exe")]
    public async Task What_there_is_not_is_not_found(string path) =>
        Assert.Equal(HttpStatusCode.NotFound, (await kitchen.Visitor(follow: false).GetAsync(path)).StatusCode);

    [Fact]
    public async Task Words_of_a_stranger_are_shown_and_never_run()
    {
        var html = await kitchen.Visitor().GetStringAsync("/workshop/division?aside=50&why=%3Cscript%3Ealert(1)%3C%2Fscript%3E");
        Assert.DoesNotContain("<script>alert", html, StringComparison.Ordinal);
        Assert.Contains("&lt;script&gt;alert", html, StringComparison.Ordinal);
        var svg = await kitchen
            .Visitor()
            .GetStringAsync("/workshop/cups-to-grams/svg?lines=1+cup+%3Cscript%3Ealert(1)%3C%2Fscript%3E+flour");
        Assert.DoesNotContain("<script", svg, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("creams?kind=whites&weight=900", "egg whites", "butter")]
    [InlineData("layers?filling=curd&coat=sugar", "icing sugar", "lemon juice")]
    [InlineData("ganache?use=truffle&weight=600", "dark chocolate", "cream")]
    [InlineData("glaze?with=juice", "icing sugar", "lemon juice")]
    public async Task An_answer_that_is_a_recipe_is_read_into_the_Book_whole(string address, string one, string other)
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/workshop/{address}"));
        var form = (IHtmlFormElement)page.QuerySelector("form[action='/book/import']")!;
        var answer = await baker.PostAsync("/book/import", new FormUrlEncodedContent(TestKitchen.FieldsOf(form)));
        Assert.StartsWith("/book/read", answer.RequestMessage!.RequestUri!.AbsolutePath, StringComparison.Ordinal);
        var sheet = await TestKitchen.ParseAsync(answer);
        var text = sheet.QuerySelector("main")!.TextContent;
        Assert.Contains(one, text, StringComparison.Ordinal);
        Assert.Contains(other, text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_multiple_is_taken_to_a_recipe()
    {
        var baker = await kitchen.DemoBakerAsync();
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/workshop/pan-for-pan?bcount=2"));
        var form = (IHtmlFormElement)page.QuerySelector("form[action='/workshop/pan-for-pan/take']")!;
        var times = form.QuerySelector("[name=times]")!.GetAttribute("value")!;
        var answer = await baker.GetAsync($"/workshop/pan-for-pan/take?times={times}&recipe=market-squash-loaf");
        Assert.Equal("/book/market-squash-loaf/scale", answer.RequestMessage!.RequestUri!.AbsolutePath);
        var sheet = await TestKitchen.ParseAsync(answer);
        Assert.Equal(times, sheet.QuerySelector("#times")!.GetAttribute("value"));
    }

    [Fact]
    public async Task A_house_comes_on_paper_with_templates_true_to_size()
    {
        var pdf = Encoding.Latin1.GetString(await kitchen.Visitor().GetByteArrayAsync("/workshop/house/pdf"));
        Assert.Contains("/Type/Page", pdf.Replace(" ", "", StringComparison.Ordinal), StringComparison.Ordinal);
        var data = JsonNode.Parse(await kitchen.Visitor().GetStringAsync("/workshop/house/json"))!;
        Assert.NotEmpty(data["pieces"]!.AsArray());
        var cut = JsonNode.Parse(await kitchen.Visitor().GetStringAsync("/workshop/cutting/json?Dough=400&Shape=round&Size=50&Wanted=10"))!;
        Assert.Equal(10, (int)cut["counts"]![0]!);
        Assert.Contains(
            "<svg xmlns",
            await kitchen.Visitor().GetStringAsync("/workshop/cutting/svg?Dough=400&Shape=round&Size=50&Wanted=10"),
            StringComparison.Ordinal
        );
    }
}
