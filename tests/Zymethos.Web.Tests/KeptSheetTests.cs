using System.Net;
using System.Text.Json.Nodes;
using AngleSharp.Html.Dom;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Work.Workshop;

namespace Zymethos.Web.Tests;

/// <summary>Pages of the Workshop kept with recipes, numbers taken over into recipes, and what the demo kitchen keeps.</summary>
public sealed class KeptSheetTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private static Recipe Demo(string key) => new DocumentReader().Read(DemoKitchen.Recipes().Single(r => r.Key == key), "recipe");

    private async Task<HttpClient> BakerWithAsync(Recipe recipe)
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        using var form = new MultipartFormDataContent();
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/book/import"));
        form.Add(
            new StringContent(page.QuerySelector("main input[name=__RequestVerificationToken]")!.GetAttribute("value")!),
            "__RequestVerificationToken"
        );
        form.Add(new StringContent(BookWriterText(recipe)), "Pasted");
        Assert.Equal(HttpStatusCode.OK, (await baker.PostAsync("/book/import", form)).StatusCode);
        return baker;
    }

    private static string BookWriterText(Recipe recipe) =>
        System.Text.Json.JsonSerializer.Serialize(new BookDocument([DocumentWriter.Write(recipe)]), OpenJson.Options);

    private static async Task<HttpResponseMessage> PostFormAsync(
        HttpClient baker,
        string page,
        string selector,
        params (string, string)[] typed
    )
    {
        var parsed = await TestKitchen.ParseAsync(await baker.GetAsync(page));
        var form = (IHtmlFormElement)parsed.QuerySelector(selector)!;
        var fields = TestKitchen.FieldsOf(form).Where(f => typed.All(t => t.Item1 != f.Key)).ToList();
        fields.AddRange(typed.Select(t => KeyValuePair.Create(t.Item1, t.Item2)));
        return await baker.PostAsync(form.GetAttribute("action"), new FormUrlEncodedContent(fields));
    }

    [Fact]
    public async Task A_page_is_kept_with_a_recipe_shown_there_and_on_the_Bench_and_taken_off()
    {
        var baker = await kitchen.DemoBakerAsync();
        var answer = await PostFormAsync(
            baker,
            "/workshop/division?dough=900+g&into=3&count=1",
            ".keep-form",
            ("Recipe", "market-squash-loaf")
        );
        Assert.Equal("/book/market-squash-loaf", answer.RequestMessage!.RequestUri!.AbsolutePath);
        var page = await TestKitchen.ParseAsync(answer);
        var kept = (IHtmlAnchorElement)page.QuerySelector(".kept-sheets a")!;
        Assert.Equal("/workshop/division?dough=900+g&into=3&count=1", kept.PathName + kept.Search);
        Assert.Contains(
            "3 ropes of 300 g",
            page.QuerySelector(".kept-sheets")!.TextContent.Replace('\u00a0', ' '),
            StringComparison.Ordinal
        );
        // The same page again is kept once.
        await PostFormAsync(baker, "/workshop/division?dough=900+g&into=3&count=1", ".keep-form", ("Recipe", "market-squash-loaf"));
        page = await TestKitchen.ParseAsync(await baker.GetAsync("/book/market-squash-loaf"));
        Assert.Single(page.QuerySelectorAll(".kept-sheets li"));
        await PostFormAsync(baker, "/book/market-squash-loaf", ".kept-sheets form");
        page = await TestKitchen.ParseAsync(await baker.GetAsync("/book/market-squash-loaf"));
        Assert.Empty(page.QuerySelectorAll(".kept-sheets li"));
    }

    [Theory]
    [InlineData("https://elsewhere.invalid/workshop/", "Only pages of the Workshop")]
    [InlineData("/account/sign-out", "Only pages of the Workshop")]
    [InlineData("/workshop/../account", "Only pages of the Workshop")]
    [InlineData("/workshop/\"><script>", "Only pages of the Workshop")]
    public async Task Nothing_but_our_own_pages_is_kept(string address, string said)
    {
        var baker = await kitchen.DemoBakerAsync();
        var answer = await PostFormAsync(baker, "/workshop/eggs", ".keep-form", ("Address", address));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(said, (await TestKitchen.ParseAsync(answer)).Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Filling_and_coat_of_a_cake_come_to_what_was_reckoned()
    {
        var baker = await BakerWithAsync(Demo("parade-cake"));
        var data = JsonNode.Parse(await baker.GetStringAsync("/workshop/layers/json?layers=3&wide=24"))!["values"]!.AsArray();
        double Of(string name) => (double)data.Single(v => (string)v!["name"]! == name)!["value"]!;
        var answer = await PostFormAsync(baker, "/workshop/layers?layers=3&wide=24", "form[action*='/parts']", ("recipe", "parade-cake"));
        Assert.Contains("It is a new version", (await TestKitchen.ParseAsync(answer)).Body!.TextContent, StringComparison.Ordinal);
        var file = JsonNode.Parse(await baker.GetStringAsync("/book/parade-cake/recipe.json"))!;
        double Weighs(string kind) =>
            file["parts"]!
                .AsArray()
                .Where(p => (string)p!["kind"]! == kind)
                .SelectMany(p => p!["lines"]!.AsArray())
                .Sum(l => (double)l!["grams"]!);
        Assert.Equal(Of("filling"), Weighs("filling"), 2.0);
        Assert.Equal(Of("dams") + Of("firstCoat") + Of("lastCoat"), Weighs("icing"), 3.0);
        // The batter is as it was.
        Assert.Equal(Demo("parade-cake").Parts[0].Lines.Sum(l => l.Weight!.Value.Grams), Weighs("batter"), 0.5);
    }

    [Fact]
    public async Task A_house_goes_into_its_recipe_with_dough_and_trays()
    {
        var baker = await BakerWithAsync(Demo("signal-house"));
        const string house = "/workshop/house?Wide=16&Deep=20&High=11&Houses=2&Minutes=17";
        var data = JsonNode.Parse(await baker.GetStringAsync(house.Replace("house?", "house/json?", StringComparison.Ordinal)))!;
        var answer = await PostFormAsync(baker, house, "form[action*='/take']", ("recipe", "signal-house"));
        var said = (await TestKitchen.ParseAsync(answer)).QuerySelector(".note")!.TextContent;
        Assert.Contains("It is a new version", said, StringComparison.Ordinal);
        // Each page lays the trays anew, within a second: what was taken over stands in what was said.
        var words = said.Split(' ');
        var laid = int.Parse(
            words[Array.FindIndex(words, w => w.StartsWith("tray", StringComparison.Ordinal)) - 1],
            System.Globalization.CultureInfo.InvariantCulture
        );
        var file = JsonNode.Parse(await baker.GetStringAsync("/book/signal-house/recipe.json"))!;
        Assert.Equal(2, (int)file["yield"]!["pieces"]!);
        var dough = file["parts"]!.AsArray().Single(p => (string)p!["kind"]! == "dough")!["lines"]!
            .AsArray()
            .Sum(l => (double)l!["grams"]!);
        Assert.Equal((double)data["doughGrams"]!, dough, 5.0);
        // As many trays go into the oven as were laid.
        var bakes = file["steps"]!.AsArray().Where(s => (string)s!["kind"]! == "bake").ToList();
        var trays = bakes.Sum(s => (int)(s!["times"] ?? 1) * (int)(s["oven"]!["pans"] ?? 1));
        Assert.InRange(trays, laid, laid + bakes.Count);
        Assert.DoesNotContain("Not plannable", await baker.GetStringAsync("/book/signal-house"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_the_demo_keeps_agrees_with_its_recipes()
    {
        var visitor = kitchen.Visitor();
        async Task<JsonNode> DataAsync(string recipe)
        {
            var address = DemoSheets.All.Single(s => s.Recipe == recipe).Address;
            var at = address.IndexOf('?', StringComparison.Ordinal);
            return JsonNode.Parse(await visitor.GetStringAsync($"{address[..at]}/json{address[at..]}"))!;
        }

        // The shapes: as many cookies on as many trays as the recipe has, of its own dough.
        var shapes = Demo("window-shapes");
        var bake = shapes.Steps.Single(s => s.Kind == StepKind.Bake);
        var cut = await DataAsync("window-shapes");
        Assert.Equal(shapes.Yield.Pieces, cut["counts"]!.AsArray().Sum(c => (int)c!));
        Assert.Equal(bake.Times * bake.Oven!.Pans, cut["trays"]!.AsArray().Count);
        Assert.Equal((double)cut["doughGrams"]!, PartAmounts.Grams(shapes.Parts[0]), 1.0);
        Assert.All(
            cut["trays"]!.AsArray(),
            t => Assert.InRange((int)t!["minutes"]!, bake.Takes.Low.TotalMinutes, bake.Takes.High.TotalMinutes)
        );
        // The house: its dough and its mortar are there, its trays as many as the recipe bakes.
        var signal = Demo("signal-house");
        var house = await DataAsync("signal-house");
        Assert.InRange((double)house["doughGrams"]!, 0.7 * PartAmounts.Grams(signal.Parts[0]), PartAmounts.Grams(signal.Parts[0]));
        Assert.True((double)house["icingGrams"]! < PartAmounts.Grams(signal.Parts[1]));
        Assert.Equal(signal.Steps.Where(s => s.Kind == StepKind.Bake).Sum(s => s.Oven!.Pans), house["trays"]!.AsArray().Count);
        // The cake: curd and buttercream are enough, and not a third too much.
        var cake = Demo("parade-cake");
        var coats = (await DataAsync("parade-cake"))["values"]!.AsArray().ToDictionary(v => (string)v!["name"]!, v => (double)v!["value"]!);
        var curd = PartAmounts.Grams(cake.Parts.Single(p => p.Kind == PartKind.Filling));
        var cream = PartAmounts.Grams(cake.Parts.Single(p => p.Kind == PartKind.Icing));
        Assert.InRange(coats["filling"], curd * 0.7, curd);
        Assert.InRange(coats["dams"] + coats["firstCoat"] + coats["lastCoat"], cream * 0.7, cream * 1.001);
    }

    [Fact]
    public void A_recipe_without_filling_or_icing_says_so()
    {
        var (changed, words) = PartAmounts.On(Demo("market-squash-loaf"), 300, 0);
        Assert.Null(changed);
        Assert.Contains("no filling or icing", words, StringComparison.Ordinal);
    }

    [Fact]
    public void Minutes_of_a_piece_are_the_middle_of_what_the_Daybook_has()
    {
        PastBakeDocument Bake(string name, double minutes, double? pieces, bool leftOut = false) =>
            new(
                Guid.NewGuid().ToString(),
                "2026-11-01",
                name,
                Pieces: pieces,
                LeftOut: leftOut,
                Hands: [new("Ice the shapes", "icing and filling", 30, minutes), new("Roll", "rolling and cutting", 10, 99)]
            );
        var found = DecorationMinutes.Of(
            [
                Bake("Shapes", 30, 60),
                Bake("Shapes", 60, 60),
                Bake("Shapes", 600, 60),
                Bake("Shapes", 5, 60, leftOut: true),
                Bake("Stars", 20, null),
            ]
        );
        Assert.Equal(new DecorationMinutes("Shapes", 1, 3), Assert.Single(found));
    }

    [Fact]
    public async Task The_shopping_list_names_baking_paper_and_the_cutters_of_kept_sheets()
    {
        var baker = await kitchen.DemoBakerAsync();
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/larder/shopping"));
        var text = page.QuerySelector("main")!.TextContent;
        Assert.Matches("Baking paper for [0-9]+ trays", text);
        Assert.Contains("Cutters for Window shapes: star 70 mm, bell 66 mm, round 50 mm.", text, StringComparison.Ordinal);
        Assert.Contains("- Baking paper for", await baker.GetStringAsync("/larder/shopping.txt"), StringComparison.Ordinal);
    }

    [Fact]
    public void Every_line_of_a_part_grows_alike()
    {
        var cake = Demo("parade-cake");
        var (changed, _) = PartAmounts.On(cake, 2 * PartAmounts.Grams(cake.Parts[1]), 0);
        foreach (var (was, now) in cake.Parts[1].Lines.Zip(changed!.Parts[1].Lines))
        {
            Assert.Equal(2 * was.Weight!.Value.Grams, now.Weight!.Value.Grams, 1e-6);
            Assert.Equal(2 * was.Amount!.Low, now.Amount!.Low, 1e-6);
        }

        Assert.Equal(cake.Parts[2], changed.Parts[2]);
    }
}
