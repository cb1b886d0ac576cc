using System.Net;
using AngleSharp.Dom;

namespace Zymethos.Web.Tests;

/// <summary>Putting a day together: finding, adding, pieces and batches, and what the day is about to hold.</summary>
public sealed class DaySetupTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private const string Rounds = "lamplight-ginger-rounds";

    private Task<HttpClient> NewAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    private static string Field(string key, string name) => $"Setup.Rows[{key}].{name}";

    private static string Value(IDocument page, string name) => page.QuerySelector($"[name='{name}']")!.GetAttribute("value")!;

    private static async Task<IDocument> SetUpAsync(HttpClient baker, Dictionary<string, string> typed, string handler = "Setup")
    {
        var answer = await TestKitchen.SetUpAsync(baker, typed, handler);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return await TestKitchen.ParseAsync(answer);
    }

    private static Dictionary<string, string> Day(params (string Field, string Value)[] more)
    {
        var typed = new Dictionary<string, string>
        {
            ["Setup.Date"] = "2031-08-02",
            ["Setup.From"] = "08:00",
            ["Setup.Until"] = "18:00",
        };
        foreach (var (field, value) in more)
            typed[field] = value;
        return typed;
    }

    [Fact]
    public async Task A_fresh_day_lists_no_recipes_and_offers_a_few_of_the_Book()
    {
        var page = await TestKitchen.ParseAsync(await (await NewAsync()).GetAsync("/oven-day"));
        Assert.Empty(page.QuerySelectorAll("[name^='Setup.Rows']"));
        Assert.InRange(page.QuerySelectorAll("button[name=add]").Length, 1, 8);
        Assert.Contains("more: type a few letters", page.QuerySelector("#setup-finds")!.TextContent, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("plait", "lantern-plait")]
    [InlineData("ginger round", Rounds)]
    [InlineData("SQUASH", "market-squash-loaf")]
    public async Task A_recipe_is_found_by_what_it_is_called_or_made_of(string q, string key)
    {
        var finds = await TestKitchen.ParseAsync(await (await NewAsync()).GetAsync($"/oven-day?handler=Find&q={Uri.EscapeDataString(q)}"));
        Assert.Contains(finds.QuerySelectorAll("button[name=add]"), b => b.GetAttribute("value") == key);
    }

    [Fact]
    public async Task What_is_not_in_the_Book_is_said()
    {
        var finds = await TestKitchen.ParseAsync(await (await NewAsync()).GetAsync("/oven-day?handler=Find&q=moon+rock"));
        Assert.Contains(
            "Nothing in the Book is called “moon rock”",
            finds.QuerySelector("#setup-finds")!.TextContent,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Adding_keeps_what_was_typed_and_taking_out_takes_out()
    {
        var baker = await NewAsync();
        var page = await SetUpAsync(
            baker,
            Day(("Setup.Until", "16:45"), (Field(Rounds, "Batches"), "2"), (Field(Rounds, "ReadyBy"), "3:30 pm"), ("add", "lantern-plait"))
        );
        Assert.Equal("16:45", Value(page, "Setup.Until"));
        Assert.Equal("2", Value(page, Field(Rounds, "Batches")));
        Assert.Equal("15:30", Value(page, Field(Rounds, "ReadyBy")));
        Assert.Equal("1", Value(page, Field("lantern-plait", "Batches")));
        // The one just added is where the typing goes on.
        Assert.NotNull(page.QuerySelector($"[name='{Field("lantern-plait", "Pieces")}'][autofocus]"));
        var less = await SetUpAsync(
            baker,
            Day((Field(Rounds, "Batches"), "2"), (Field("lantern-plait", "Batches"), "1"), ("drop", Rounds))
        );
        Assert.Empty(less.QuerySelectorAll($"[name='{Field(Rounds, "Batches")}']"));
        Assert.NotEmpty(less.QuerySelectorAll($"[name='{Field("lantern-plait", "Batches")}']"));
    }

    [Fact]
    public async Task Pieces_wanted_make_batches_and_batches_make_pieces()
    {
        var baker = await NewAsync();
        var one = await SetUpAsync(baker, Day(("add", Rounds)));
        var yield = int.Parse(Value(one, Field(Rounds, "Pieces")), System.Globalization.CultureInfo.InvariantCulture);
        Assert.True(yield > 1);
        // One piece more than a batch has takes two batches.
        var pieces = await SetUpAsync(
            baker,
            Day((Field(Rounds, "Pieces"), $"{yield + 1}"), (Field(Rounds, "Batches"), "1"), (Field(Rounds, "Was"), "1"))
        );
        Assert.Equal("2", Value(pieces, Field(Rounds, "Batches")));
        Assert.Equal($"{yield + 1}", Value(pieces, Field(Rounds, "Pieces")));
        // Whoever changes the batches means them.
        var batches = await SetUpAsync(
            baker,
            Day((Field(Rounds, "Pieces"), $"{yield}"), (Field(Rounds, "Batches"), "3"), (Field(Rounds, "Was"), "1"))
        );
        Assert.Equal($"{3 * yield}", Value(batches, Field(Rounds, "Pieces")));
    }

    [Fact]
    public async Task The_day_ahead_says_hands_oven_and_pans_before_anything_is_planned()
    {
        var page = await SetUpAsync(
            await NewAsync(),
            Day((Field(Rounds, "Batches"), "4"), (Field("lantern-plait", "Batches"), "1")),
            "Ahead"
        );
        var ahead = page.QuerySelector("#day-ahead")!.TextContent;
        Assert.Matches(@"Hands\s*\d+ h", ahead);
        Assert.Matches(@"Oven on\s*about \d", ahead);
        Assert.Matches(@"not before \d\d:\d\d", ahead);
        Assert.Contains("They take turns", ahead, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("Setup.Until", "07:00", "must end after it starts")]
    [InlineData("Setup.From", "dawn", "Give the hour as 08:00")]
    [InlineData("Setup.Rows[lamplight-ginger-rounds].Pieces", "many", "How many pieces?")]
    public async Task What_cannot_be_is_said_ahead(string field, string typed, string words)
    {
        var day = Day((Field(Rounds, "Batches"), "1"), (Field(Rounds, "Was"), "1"), (field, typed));
        var page = await SetUpAsync(await NewAsync(), day, "Ahead");
        Assert.Contains(words, page.QuerySelector("#day-ahead .said-wrong")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_meal_slides_within_its_hours_and_comes_back()
    {
        var baker = await NewAsync();
        var answer = await TestKitchen.PostAsync(
            baker,
            "/oven-day",
            "#setup",
            Day(
                (Field(Rounds, "Batches"), "3"),
                (Field("market-squash-loaf", "Batches"), "2"),
                ("Setup.MealMinutes", "35"),
                ("Setup.MealFrom", "9 am"),
                ("Setup.MealUntil", "11:00")
            )
        );
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2031-08-02"));
        Assert.Equal("35", Value(page, "Setup.MealMinutes"));
        Assert.Equal("09:00", Value(page, "Setup.MealFrom"));
        Assert.Contains(page.QuerySelectorAll(".sheet tr"), r => r.TextContent.Contains("Time to eat", StringComparison.Ordinal));
        var wrong = await TestKitchen.PostAsync(
            baker,
            "/oven-day",
            "#setup",
            Day((Field(Rounds, "Batches"), "1"), ("Setup.MealMinutes", "90"), ("Setup.MealFrom", "12:00"), ("Setup.MealUntil", "13:00"))
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
        Assert.Contains(
            "do not fit between those hours",
            (await TestKitchen.ParseAsync(wrong)).QuerySelector("#wrong-meal")!.TextContent,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Putting_a_day_together_keeps_nothing()
    {
        var baker = await NewAsync();
        await SetUpAsync(baker, Day(("add", Rounds)));
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2031-08-02"));
        Assert.Empty(page.QuerySelectorAll("[name^='Setup.Rows']"));
        Assert.Null(page.QuerySelector(".trace"));
    }
}
