using System.Globalization;
using System.Net;
using AngleSharp.Dom;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Search;
using Zymethos.Work.OvenDays;
using Zymethos.Work.Today;

namespace Zymethos.Web.Tests;

/// <summary>"What can I make by five?", the four questions of a new kitchen, and its first plan.</summary>
public sealed class MakeNowTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private static readonly string Date = DateTime.UtcNow.Date.AddDays(6).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    private static RecipeDocument Recipe(string key) => DemoKitchen.Recipes().Single(r => r.Key == key);

    private Task<HttpClient> BakerAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    private static async Task<List<string>> KeysAsync(HttpClient baker, string query, string where = "section ")
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/today/make?Date={Date}&From=09:00{query}"));
        return [.. page.QuerySelectorAll($"{where}.make-list input").Select(i => i.GetAttribute("value")!)];
    }

    // The planner is another way to the same figure: it searches, where this lays one first order.
    [Fact]
    public async Task A_time_is_what_the_planner_needs_for_that_bake_alone_or_a_little_more()
    {
        foreach (var key in new[] { "plum-street-butters", "market-squash-loaf", "orchard-almond-slices", "pocket-muffins" })
        {
            var time = MakeNow.TimeOf(DemoKitchen.Kitchen(), Recipe(key))!;
            var document = new OvenDayDocument(
                DemoKitchen.Kitchen(),
                new DayDocument("2031-05-05", "08:00", "22:00"),
                [new BakeDocument(Recipe(key))]
            );
            using var gate = new SolverGate();
            var day = (await new PlanDay(gate).PlanAsync(document, TimeSpan.FromSeconds(2), 1, default)).Day!;
            var planned = day.Plan.Finish(day.Network) - day.Plan.Tasks.Min(t => t.Start);
            Assert.InRange(time.Minutes, planned * 0.8, planned * 1.3 + 10);
            Assert.Equal(day.Network.Tasks.Sum(t => t.Hands.Sum(h => h.Length * h.People)), time.Hands);
        }
    }

    [Fact]
    public async Task What_is_done_by_an_hour_comes_first_and_the_rest_stands_apart()
    {
        var baker = await BakerAsync();
        var all = await KeysAsync(baker, "");
        var soon = await KeysAsync(baker, "&By=11:30");
        var later = await KeysAsync(baker, "&By=11:30", "details ");
        Assert.NotEmpty(soon);
        Assert.NotEmpty(later);
        Assert.Empty(soon.Intersect(later));
        Assert.Equal(all.Order(), soon.Concat(later).Order());
        foreach (var key in soon)
            Assert.True(MakeNow.TimeOf(DemoKitchen.Kitchen(), Recipe(key))!.Minutes <= 180, key);
    }

    [Fact]
    public async Task Hands_mixer_and_house_narrow_it()
    {
        var baker = await BakerAsync();
        var all = await KeysAsync(baker, "");
        var little = await KeysAsync(baker, "&Hands=30");
        Assert.Equal(all.Where(k => MakeNow.TimeOf(Kitchen(), Recipe(k))!.Hands <= 30).Order(), little.Order());
        var dry = await KeysAsync(baker, "&NoMixer=true");
        Assert.NotEmpty(dry);
        Assert.True(dry.Count < all.Count);
        Assert.DoesNotContain("plum-street-butters", dry);
        // Nothing has been counted in this larder.
        Assert.Empty(await KeysAsync(baker, "&InHouse=true"));
        static KitchenDocument Kitchen() => DocumentWriter.Write(Zymethos.Core.Kitchens.Kitchen.Ordinary("Own"));
    }

    [Theory]
    [InlineData("&By=half past", "An hour, as 17:30")]
    [InlineData("&By=08:00", "That is not after 09:00")]
    [InlineData("&Hands=some", "Minutes, as a number")]
    public async Task What_cannot_be_read_is_said_at_its_field_and_stays(string query, string words)
    {
        var baker = await BakerAsync();
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/today/make?Date={Date}&From=09:00{query}"));
        Assert.Contains(words, page.QuerySelector(".make-ask")!.TextContent, StringComparison.Ordinal);
        Assert.Contains(page.QuerySelectorAll(".make-ask input"), i => i.GetAttribute("value") == query.Split('=')[1]);
    }

    [Fact]
    public async Task The_first_hour_from_a_new_account_to_a_plan_with_a_recipe_of_its_own()
    {
        var baker = kitchen.Visitor();
        var first = await TestKitchen.PostAsync(
            baker,
            "/account/register",
            "form.card-paper",
            new()
            {
                ["KitchenName"] = "Quay Cottage",
                ["Email"] = $"{Guid.NewGuid():N}@home.invalid",
                ["Password"] = "a long enough one",
            }
        );
        Assert.Equal("/today/first", first.RequestMessage!.RequestUri!.AbsolutePath);
        var page = await TestKitchen.ParseAsync(first);
        Assert.Equal(4, page.QuerySelectorAll(".first-four fieldset").Length);

        var wrong = await TestKitchen.PostAsync(
            baker,
            "/today/first",
            ".first-four",
            new()
            {
                ["Zone"] = "The moon",
                ["Who"] = "Ola and Per",
                ["HeatUp"] = "soon",
                ["From"] = "17:00",
                ["Until"] = "9:00",
            }
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
        page = await TestKitchen.ParseAsync(wrong);
        Assert.Contains("not known", page.QuerySelector("#f-zone-wrong")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("3 and 60", page.QuerySelector("#f-heat-wrong")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("has to come after", page.QuerySelector(".first-four")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("Ola and Per", page.QuerySelector("#f-who")!.GetAttribute("value"));

        var answered = await TestKitchen.PostAsync(
            baker,
            "/today/first",
            ".first-four",
            new()
            {
                ["Measures"] = "g12",
                ["Zone"] = "Europe/Lisbon",
                ["Who"] = "Ola and Per",
                ["HeatUp"] = "20",
                ["Shelves"] = "2",
                ["Date"] = Date,
                ["From"] = "9 am",
                ["Until"] = "5 pm",
            }
        );
        Assert.Equal("/today/make", answered.RequestMessage!.RequestUri!.AbsolutePath);
        var kept = await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"));
        Assert.Equal("20", kept.QuerySelector("input[name='Form.HeatUpMinutes']")!.GetAttribute("value"));
        Assert.Equal("Per", kept.QuerySelector("input[name='Form.People[1].Name']")!.GetAttribute("value"));

        // A recipe as somebody has it on a slip of paper; once it is in the Book the way leads back, and it is ticked.
        var make = answered.RequestMessage!.RequestUri!.PathAndQuery;
        var read = await TestKitchen.PostAsync(
            baker,
            make,
            ".make-paste",
            new()
            {
                ["Pasted"] = """
                Oat crisps
                Makes 24
                120 g butter
                100 g brown sugar
                1 egg
                150 g plain flour
                80 g rolled oats
                1/2 tsp baking powder
                Heat the oven to 180 C. Beat the butter and sugar until pale. Beat in the egg. Stir in flour, oats and baking powder.
                Put spoonfuls on a lined tray and bake for 12 minutes until golden at the edges. Leave to cool on the tray for 5 minutes.
                """,
            }
        );
        Assert.StartsWith("/book/read/", read.RequestMessage!.RequestUri!.AbsolutePath, StringComparison.Ordinal);
        var back = await TestKitchen.PostAsync(baker, read.RequestMessage.RequestUri.AbsolutePath, ".doors form[action*='Keep']", []);
        Assert.Equal("/today/make", back.RequestMessage!.RequestUri!.AbsolutePath);
        page = await TestKitchen.ParseAsync(back);
        var own = page.QuerySelector("#make-oat-crisps")!;
        Assert.True(own.HasAttribute("checked"));
        Assert.Equal("yours", own.ParentElement!.QuerySelector(".make-own")!.TextContent);

        using var form = new FormUrlEncodedContent(
            [
                .. TestKitchen.FieldsOf((AngleSharp.Html.Dom.IHtmlFormElement)page.QuerySelector("#plan")!),
                new("Make", "oat-crisps"),
                new("Make", "plum-street-butters"),
                new("Make", "market-squash-loaf"),
            ]
        );
        var planned = await baker.PostAsync("/today/make", form);
        Assert.Equal($"/oven-day?date={Date}", planned.RequestMessage!.RequestUri!.PathAndQuery);
        var sheet = (await TestKitchen.ParseAsync(planned)).QuerySelector(".sheet")!.TextContent;
        Assert.Contains("am", sheet, StringComparison.Ordinal);
        Assert.Contains("Per", sheet, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Nothing_ticked_and_too_little_time_are_said_and_what_was_ticked_stays()
    {
        var baker = await BakerAsync();
        var address = $"/today/make?Date={Date}&From=09:00&By=10:00";
        var none = await TestKitchen.PostAsync(baker, address, "#plan", []);
        Assert.Contains("Tick what you would like to bake", await none.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var tight = await TestKitchen.PostAsync(baker, address, "#plan", new() { ["Make"] = "market-squash-loaf" });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, tight.StatusCode);
        var page = await TestKitchen.ParseAsync(tight);
        Assert.Contains("That cannot be planned", page.QuerySelector(".clash")!.TextContent, StringComparison.Ordinal);
        Assert.True(page.QuerySelector("#make-market-squash-loaf")!.HasAttribute("checked"));
    }

    [Fact]
    public async Task What_is_planned_for_the_day_already_stays_in_it()
    {
        var baker = await BakerAsync();
        var address = $"/today/make?Date={Date}&From=09:00&By=20:00";
        await TestKitchen.PostAsync(baker, address, "#plan", new() { ["Make"] = "plum-street-butters" });
        var both = await TestKitchen.PostAsync(baker, address, "#plan", new() { ["Make"] = "pocket-muffins" });
        var sheet = (await TestKitchen.ParseAsync(both)).QuerySelector(".sheet")!.TextContent;
        Assert.Contains("butter", sheet, StringComparison.Ordinal);
        Assert.Contains("muffin", sheet, StringComparison.OrdinalIgnoreCase);
    }
}
