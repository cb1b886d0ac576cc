using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;

namespace Zymethos.Web.Tests;

/// <summary>Two pages open on one recipe, one ingredient, one kitchen: whoever is slower is told, and overwrites nothing.</summary>
public sealed class TwoBakersTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private Task<HttpClient> NewAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    /// <summary>A form as it was shown; sending it sends what it was shown, whatever has happened since.</summary>
    private static async Task<Func<Dictionary<string, string>, Task<IDocument>>> OpenAsync(HttpClient baker, string page, string form)
    {
        var shown = await TestKitchen.ParseAsync(await baker.GetAsync(page));
        var element = Assert.IsAssignableFrom<IHtmlFormElement>(shown.QuerySelector(form));
        var fields = TestKitchen.FieldsOf(element).ToList();
        return async typed =>
            await TestKitchen.ParseAsync(
                await baker.PostAsync(
                    element.GetAttribute("action") ?? page,
                    new FormUrlEncodedContent(fields.Where(f => !typed.ContainsKey(f.Key)).Concat(typed))
                )
            );
    }

    /// <summary>Somebody takes a stand-in for an ingredient, and then the recipe's own again, by turns: each is a change of the
    /// recipe.</summary>
    private static async Task ChangedAsync(HttpClient baker, string key, bool back = false)
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/book/{key}"));
        var forms = page.QuerySelectorAll("form[action*='handler=Swap']");
        var button = forms.SelectMany(f => f.QuerySelectorAll("button[name=rule]")).First();
        var form = (IHtmlFormElement)button.Closest("form")!;
        var fields = TestKitchen.FieldsOf(form).Append(new("rule", back ? "" : button.GetAttribute("value")!));
        var answer = await baker.PostAsync(form.GetAttribute("action"), new FormUrlEncodedContent(fields));
        Assert.True(answer.IsSuccessStatusCode, $"{answer.StatusCode}");
    }

    [Theory]
    [InlineData("Diet", "diet", "NoEgg")]
    [InlineData("Remove", "", "")]
    [InlineData("Swap", "rule", "")]
    public async Task A_button_of_a_stale_recipe_does_nothing(string handler, string field, string value)
    {
        const string Key = "market-squash-loaf";
        var baker = await NewAsync();
        var press = await OpenAsync(baker, $"/book/{Key}", $"form[action*='handler={handler}']");
        await ChangedAsync(baker, Key);
        var answer = await press(field.Length > 0 ? new() { [field] = value } : []);
        Assert.Contains("was changed from another page", answer.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, (await baker.GetAsync($"/book/{Key}")).StatusCode);
        // As it came, and theirs.
        Assert.Equal(
            2,
            (await TestKitchen.ParseAsync(await baker.GetAsync($"/book/{Key}/versions"))).QuerySelectorAll(".versions tbody tr").Length
        );
    }

    [Fact]
    public async Task An_edit_of_a_recipe_that_was_changed_meanwhile_says_so_once_and_then_stands()
    {
        const string Key = "market-squash-loaf";
        var baker = await NewAsync();
        var editor = await TestKitchen.PostAsync(baker, $"/book/{Key}", "form[action*='handler=Edit']", []);
        var address = editor.RequestMessage!.RequestUri!.AbsolutePath;
        await ChangedAsync(baker, Key);
        var first = await TestKitchen.PostAsync(
            baker,
            address,
            "#editor",
            new() { ["Draft.Name"] = "My squash loaf" },
            "save",
            buttonName: "do"
        );
        Assert.Equal(HttpStatusCode.Conflict, first.StatusCode);
        var page = await TestKitchen.ParseAsync(first);
        Assert.Contains("theirs stays among its versions", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal("My squash loaf", page.QuerySelector("[name='Draft.Name']")!.GetAttribute("value"));
        var second = await TestKitchen.PostAsync(baker, address, "#editor", [], "save", buttonName: "do");
        Assert.Equal($"/book/{Key}", second.RequestMessage!.RequestUri!.AbsolutePath);
        Assert.Contains(
            "My squash loaf",
            (await TestKitchen.ParseAsync(second)).QuerySelector("h1")!.TextContent,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_version_is_not_brought_back_over_what_was_never_seen()
    {
        const string Key = "market-squash-loaf";
        var baker = await NewAsync();
        await ChangedAsync(baker, "market-squash-loaf");
        var bring = await OpenAsync(baker, $"/book/{Key}/versions", ".versions form");
        await ChangedAsync(baker, Key);
        Assert.Contains("was changed from another page", (await bring([])).Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_stale_kitchen_form_keeps_what_was_typed_and_overwrites_nothing()
    {
        var baker = await NewAsync();
        var slower = await OpenAsync(baker, "/kitchen", "#kitchen-form");
        Assert.True(
            (await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", new() { ["Form.HeatUpMinutes"] = "17" })).IsSuccessStatusCode
        );
        var answer = await slower(new() { ["Form.HeatUpMinutes"] = "23" });
        Assert.Contains("Somebody else changed the kitchen meanwhile", answer.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal("23", answer.QuerySelector("[name='Form.HeatUpMinutes']")!.GetAttribute("value"));
        Assert.Equal(
            "17",
            (await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen")))
                .QuerySelector("[name='Form.HeatUpMinutes']")!
                .GetAttribute("value")
        );
    }

    [Fact]
    public async Task An_ingredient_changed_meanwhile_is_not_overwritten_unasked()
    {
        var baker = await NewAsync();
        var typed = new Dictionary<string, string> { ["Form.GramsPerCup"] = "140" };
        Assert.True((await TestKitchen.PostAsync(baker, "/book/ingredients?overrule=rye%20flour", "#own", typed)).IsSuccessStatusCode);
        var slower = await OpenAsync(baker, "/book/ingredients?overrule=rye%20flour", "#own");
        typed["Form.GramsPerCup"] = "111";
        Assert.True((await TestKitchen.PostAsync(baker, "/book/ingredients?overrule=rye%20flour", "#own", typed)).IsSuccessStatusCode);
        var answer = await slower(new() { ["Form.GramsPerCup"] = "155" });
        Assert.Contains("was changed from another page meanwhile", answer.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal("155", answer.QuerySelector("[name='Form.GramsPerCup']")!.GetAttribute("value"));
        Assert.Equal(
            "111",
            (await TestKitchen.ParseAsync(await baker.GetAsync("/book/ingredients?overrule=rye%20flour")))
                .QuerySelector("[name='Form.GramsPerCup']")!
                .GetAttribute("value")
        );
    }

    [Fact]
    public async Task Every_form_of_a_recipe_says_what_it_was_shown()
    {
        var baker = await NewAsync();
        await ChangedAsync(baker, "market-squash-loaf");
        foreach (var address in new[] { "/book/market-squash-loaf", "/book/market-squash-loaf/versions" })
        {
            var forms = (await TestKitchen.ParseAsync(await baker.GetAsync(address))).QuerySelectorAll("main form[method=post]");
            Assert.NotEmpty(forms);
            Assert.All(forms, f => Assert.NotNull(f.QuerySelector("input[name=seen]")));
        }
    }
}
