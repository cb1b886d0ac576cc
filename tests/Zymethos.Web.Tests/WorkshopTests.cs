using System.Net;
using AngleSharp.Html.Dom;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Work.Workshop;
using Zymethos.Workshop.Cutting;

namespace Zymethos.Web.Tests;

/// <summary>The Workshop: open to everybody, answers in the address, cutters of the kitchen, and sheets taken into a recipe.</summary>
public sealed class WorkshopTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private Task<HttpClient> BakerAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    [Fact]
    public async Task Anybody_lays_cutters_without_an_account_and_sees_all_pieces_drawn()
    {
        var visitor = kitchen.Visitor(follow: false);
        Assert.Equal(HttpStatusCode.OK, (await visitor.GetAsync("/workshop")).StatusCode);
        var page = await TestKitchen.ParseAsync(
            await visitor.GetAsync("/workshop/cutting?Dough=500&Thick=4&Shape=round&Size=50&Wanted=20&Shape=square&Size=40&Wanted=6")
        );
        Assert.Contains("26 pieces", page.QuerySelector(".answer")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(26, page.QuerySelectorAll(".nest.is-dough .piece").Length);
        Assert.Equal(26, page.QuerySelectorAll(".nest.is-tray .piece").Length);
        Assert.Empty(page.QuerySelectorAll("#take"));
        // Cutters are kept in a kitchen: there is none.
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.GetAsync("/workshop/cutters")).StatusCode);
    }

    [Theory]
    [InlineData("Dough=0", "20 g to 20 kg of dough")]
    [InlineData("Dough=lots", "20 g to 20 kg of dough")]
    [InlineData("Thick=0", "1 to 40 mm thick")]
    [InlineData("Thick=NaN", "1 to 40 mm thick")]
    [InlineData("Wide=6&Long=6&Shape=round&Size=90", "larger than the board")]
    [InlineData("Shape=heart&Size=50", "There is no outline “heart”")]
    [InlineData("Shape=round&Size=50&Wanted=-3", "1 to 2,000 pieces")]
    [InlineData("Ask=needs&Shape=round&Size=50&Wanted=", "Say how many, and you learn how much dough")]
    [InlineData("Dough=20000&Thick=1&Wide=5&Long=5&Shape=round&Size=40", "more than 12 boards")]
    [InlineData("Dough=20000&Thick=3&Wide=200&Long=200&Shape=round&Size=5&Wanted=", "up to 600 pieces")]
    [InlineData("Ask=needs&Shape=round&Size=50&Wanted=900", "up to 300 pieces")]
    [InlineData("Shape=", "Choose at least one shape")]
    [InlineData("Shape=00000000-0000-0000-0000-000000000009&Size=50", "This cutter is put away")]
    public async Task What_cannot_be_is_said_and_what_was_typed_stays(string query, string said)
    {
        var answer = await kitchen.Visitor().GetAsync($"/workshop/cutting?{query}");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        var page = await TestKitchen.ParseAsync(answer);
        Assert.Contains(said, page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Empty(page.QuerySelectorAll(".nest"));
        if (query.StartsWith("Dough=lots", StringComparison.Ordinal))
            Assert.Equal("lots", page.QuerySelector("#Dough")!.GetAttribute("value"));
    }

    private static async Task<(HttpStatusCode Status, IHtmlDocument Page)> KeepAsync(
        HttpClient baker,
        string name,
        string size = "",
        string svg = "",
        string traced = ""
    )
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/workshop/cutters"));
        using var form = new MultipartFormDataContent
        {
            {
                new StringContent(page.QuerySelector("main input[name=__RequestVerificationToken]")!.GetAttribute("value")!),
                "__RequestVerificationToken"
            },
            { new StringContent(name), "Name" },
            { new StringContent(size), "Size" },
            { new StringContent(traced), "Traced" },
        };
        if (svg.Length > 0)
            form.Add(new StringContent(svg), "file", "moon.svg");
        var answer = await baker.PostAsync("/workshop/cutters", form);
        return (answer.StatusCode, await TestKitchen.ParseAsync(answer));
    }

    [Fact]
    public async Task A_cutter_from_a_drawing_is_kept_laid_and_given_back()
    {
        var baker = await BakerAsync();
        const string svg =
            "<svg width='60mm' height='40mm' viewBox='0 0 60 40'><script>alert(1)</script>"
            + "<path d='M0 0H60V40H0Z' onclick='alert(1)'/></svg>";
        var (status, page) = await KeepAsync(baker, "brick", svg: svg);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("“brick” is kept: 6 by 4 cm", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("already", (await KeepAsync(baker, "brick", svg: svg)).Page.Body!.TextContent, StringComparison.Ordinal);
        var address = page.QuerySelector("a[href$='.svg']")!.GetAttribute("href")!;
        var back = await baker.GetStringAsync(address);
        Assert.Contains("width=\"60mm\"", back, StringComparison.Ordinal);
        Assert.DoesNotContain("alert", back, StringComparison.Ordinal);
        var id = address.Split('/')[^1].Replace(".svg", "", StringComparison.Ordinal);
        var sheet = await TestKitchen.ParseAsync(await baker.GetAsync($"/workshop/cutting?Dough=400&Thick=5&Shape={id}&Size=999&Wanted=8"));
        Assert.Contains("8 pieces", sheet.QuerySelector(".answer")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("6 by 4 cm", sheet.QuerySelector(".cut-table")!.TextContent, StringComparison.Ordinal);
        // True to size on the screen, above a ruler: 2 mm of edge, 12 with the ruler.
        Assert.Equal("62mm", page.QuerySelector(".true-size")!.GetAttribute("width"));
        Assert.Contains("24 cm², 7.2 cm at its longest", page.QuerySelector(".cutters")!.TextContent, StringComparison.Ordinal);
        // Another kitchen has no such cutter.
        var other = await BakerAsync();
        Assert.Equal(HttpStatusCode.NotFound, (await other.GetAsync(address)).StatusCode);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await other.GetAsync($"/workshop/cutting?Shape={id}&Size=50")).StatusCode);
        // Traced by hand it has the size that the ruler says.
        Assert.Contains(
            "lay it on a ruler",
            (await KeepAsync(baker, "hand", traced: "M0 0L90 10L40 80Z")).Page.Body!.TextContent,
            StringComparison.Ordinal
        );
        var traced = await KeepAsync(baker, "hand", "72", traced: "M0 0L90 10L40 80Z");
        Assert.Contains("7.2 by 6.4 cm", traced.Page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains(
            "crosses itself",
            (await KeepAsync(baker, "bow", svg: "<svg><path d='M0 0L90 90L90 0L0 90Z'/></svg>")).Page.Body!.TextContent,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_recipe_begins_its_sheet_and_takes_its_trays_over()
    {
        var baker = await BakerAsync();
        var recipe = await TestKitchen.ParseAsync(await baker.GetAsync("/book/window-shapes"));
        var address = recipe.QuerySelector("a[href^='/workshop/cutting']")!.GetAttribute("href")!;
        Assert.Contains("Thick=3", address, StringComparison.Ordinal);
        var query = $"{address}&Shape=star&Size=70&Wanted=24&Shape=round&Size=45&Wanted=12";
        var sheet = await TestKitchen.ParseAsync(await baker.GetAsync(query));
        var trays = sheet.QuerySelectorAll(".nest.is-tray").Length;
        var pieces = sheet.QuerySelectorAll(".nest.is-tray .piece").Length;
        Assert.Equal(36, pieces);
        Assert.Equal("window-shapes", sheet.QuerySelector("#take option[selected]")!.GetAttribute("value"));
        var answer = await TestKitchen.PostAsync(baker, query, "form[action*='handler=Take']", []);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Contains("It is a new version", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var file = System.Text.Json.Nodes.JsonNode.Parse(await baker.GetStringAsync("/book/window-shapes/recipe.json"))!;
        var written = file["recipes"]?[0] ?? file;
        Assert.Equal(36, (int)written["yield"]!["pieces"]!);
        var times = written["steps"]!.AsArray().Select(s => (int?)s!["times"] ?? 1).Where(t => t > 1).Distinct().ToList();
        Assert.Equal(trays > 1 ? [trays] : [], times);
    }

    [Fact]
    public async Task A_house_is_drawn_weighed_laid_on_trays_and_printed_true_to_size()
    {
        var visitor = kitchen.Visitor(follow: false);
        // 12 by 18, 8 high, 45 degrees, 1.5 over, 5 mm thick, with nothing cut out: 116,146 mm2 and so 726 g, with scraps 910.
        const string query = "Wide=12&Deep=18&High=8&Pitch=45&Over=1.5&Thick=5&Door=0&Windows=0&Chimney=0";
        var page = await TestKitchen.ParseAsync(await visitor.GetAsync($"/workshop/house?{query}"));
        var area = (2 * 13_200) + (2 * 13_600) + (2 * 210 * 75 * Math.Sqrt(2));
        var grams = Math.Ceiling(area * 5 / 1000 * 1.25 / 0.8 / 10) * 10;
        Assert.Contains($"{grams} g of dough", page.QuerySelector(".answer")!.TextContent, StringComparison.Ordinal);
        // Six pieces, each with its inner and its outer face, on four drawings; on the trays each once.
        Assert.Equal(4, page.QuerySelectorAll("svg.house").Length);
        Assert.All(page.QuerySelectorAll("svg.house"), d => Assert.Equal(12, d.QuerySelectorAll("g path").Length));
        Assert.Equal(6, page.QuerySelectorAll(".nest.is-tray .piece").Length);
        Assert.Equal(["2", "2", "2"], page.QuerySelectorAll(".cut-table tbody tr").Select(r => r.QuerySelector("td")!.TextContent));
        Assert.Contains("raw egg", page.Body!.TextContent, StringComparison.Ordinal);

        var templates = await TestKitchen.ParseAsync(await visitor.GetAsync($"/workshop/house/templates?{query}"));
        var sheets = templates.QuerySelectorAll(".template svg").ToList();
        // The roof is 210 wide and a sheet 180: two sheets; gable and wall have one each.
        Assert.Equal(4, sheets.Count);
        foreach (var sheet in sheets)
        {
            // A millimetre of the drawing is a millimetre of the paper.
            var box = sheet.GetAttribute("viewBox")!.Split(' ');
            Assert.Equal((sheet.GetAttribute("width"), sheet.GetAttribute("height")), ($"{box[2]}mm", $"{box[3]}mm"));
        }

        // What is on the second sheet begins a centimetre before the end of the first.
        Assert.Equal("170", sheets[^1].GetAttribute("viewBox")!.Split(' ')[0]);
    }

    [Theory]
    [InlineData("Pitch=2", "slopes 10 to 75 degrees")]
    [InlineData("Thick=0", "2 to 20 mm thick")]
    [InlineData("Wide=much", "A number, like 12 or 2.5")]
    [InlineData("Windows=6&Window=4", "leave no wall between them")]
    [InlineData("Houses=0", "1 to 40 houses")]
    [InlineData("Pitch=11&Thick=14&Wide=12", "it would lie flat")]
    public async Task A_house_that_cannot_be_built_says_why(string query, string said)
    {
        var visitor = kitchen.Visitor(follow: false);
        var answer = await visitor.GetAsync($"/workshop/house?{query}");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(said, (await TestKitchen.ParseAsync(answer)).Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.GetAsync($"/workshop/house/templates?{query}")).StatusCode);
    }

    [Fact]
    public async Task A_piece_that_no_tray_holds_is_named()
    {
        var page = await TestKitchen.ParseAsync(await kitchen.Visitor().GetAsync("/workshop/house?Wide=30&Deep=40&High=20"));
        Assert.Contains("is larger than the tray", page.Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public void What_a_sheet_changes_in_a_recipe_is_its_trays_and_nothing_else()
    {
        var recipe = new Interchange.Documents.DocumentReader().Read(DemoKitchen.Recipes().Single(r => r.Key == "window-shapes"), "recipe");
        var cut = CuttingPlan.Of(
            new RolledDough(700, 3, 400, 600),
            [new CutWish(OwnShapes.Of("star", 70).Outline!, 40)],
            TimeSpan.FromSeconds(0.5)
        );
        var trays = TrayPlan.Of([new NestWish(OwnShapes.Of("star", 70).Outline!, 40)], 240, 330, 12, 2, _ => 11, TimeSpan.FromSeconds(0.5));
        var (changed, words) = CutRecipe.On(recipe, cut, trays);
        Assert.Contains($"40 cookies on {trays.Trays.Length} trays", words, StringComparison.Ordinal);
        Assert.Equal(40, changed!.Yield.Pieces);
        var bake = changed.Steps.Single(s => s.Kind == StepKind.Bake);
        Assert.Equal((Duration.FromMinutes(11), trays.Trays.Length), (bake.Takes.Likely, bake.Times));
        Assert.True(bake.Takes.Low < bake.Takes.Likely && bake.Takes.High > bake.Takes.Likely);
        foreach (var step in recipe.Steps)
            Assert.Equal(step.Times > 1 ? trays.Trays.Length : 1, changed.Steps.Single(s => s.Key == step.Key).Times);
        var roll = changed.Steps.Single(s => s.Key == "roll");
        Assert.Equal(cut.HandsMinutes, roll.Takes.Likely.TotalMinutes * roll.Times, roll.Times / 2.0 + 0.01);
        Assert.Equal(recipe.Parts.AsEnumerable(), changed.Parts);
        Assert.Equal(3, CutRecipe.ThicknessOf(recipe));
        // A recipe that was planned on one tray.
        var one = recipe with
        {
            Steps = [.. recipe.Steps.Select(s => s with { Times = 1 })],
        };
        var more = CutRecipe.On(one, cut, trays).Recipe!;
        Assert.Equal(["roll", "firm", "bake", "lift", "cool"], more.Steps.Where(s => s.Times == trays.Trays.Length).Select(s => s.Key));
    }
}
