using OpenQA.Selenium;

namespace Zymethos.Browser.Tests;

/// <summary>The Book in a browser: what is dragged and typed is answered at once, and what is half written is kept.</summary>
[Collection(nameof(Site))]
public sealed class BookTests(Site site)
{
    [Fact]
    public void Typing_and_dragging_scale_and_everything_follows()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Go("/book/market-squash-loaf/scale");
        baker.Type("#pieces", "6");
        baker.Until(() => baker.Attribute("#times", "value") == "3", "the multiple follows");
        Assert.Contains("1290 g", baker.Text(".bowl"), StringComparison.Ordinal);
        Assert.True(baker.Find("input[name='Form.By'][value='Pieces']").Selected);
        Assert.Equal("6", baker.Attribute("#pieces", "value"));

        // The slider by keyboard.
        baker.Find("#slide").SendKeys(Keys.Home);
        baker.Until(() => baker.Attribute("#times", "value") == "0.25", "the slider decides");
        baker.Until(() => baker.Text(".bowl").Contains("108 g", StringComparison.Ordinal), "the bowl follows");
        Assert.Contains("Form.By=Multiple", baker.Window.Url, StringComparison.Ordinal);

        // Nonsense is answered where it stands and stays.
        baker.Type("#flour", "lots");
        baker.Until(() => baker.Text("#wrong-scale").Contains("above zero", StringComparison.Ordinal), "it is said");
        Assert.Equal("lots", baker.Attribute("#flour", "value"));
        Assert.Empty(baker.ConsoleErrors());
        Assert.Empty(baker.ForeignRequests());
    }

    [Fact]
    public void A_half_written_recipe_keeps_itself_and_its_lines_are_weighed_beside()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Go("/book");
        baker.Press("form[action='/book/new'] button");
        baker.Type("#d-name", "Cellar door buns");
        baker.Type("textarea[name='Draft.Parts[0].Lines']", "3 cups bread flour\n1 cup moon dust");
        baker.Until(() => baker.All(".part-readings tbody tr").Count == 2, "both lines are read beside");
        Assert.Contains("375 g", baker.Text(".part-readings"), StringComparison.Ordinal);
        Assert.NotEmpty(baker.All(".part-readings .doubt"));
        baker.Until(() => baker.Text(".draft-kept").StartsWith("Kept at", StringComparison.Ordinal), "it says that it is kept");
        var draft = baker.Window.Url;

        // The browser is closed without a word; the draft is in the Book.
        baker.Go("/book");
        Assert.Contains("Cellar door buns", baker.Text(".drafts"), StringComparison.Ordinal);
        baker.Window.Navigate().GoToUrl(draft);
        baker.Press("button[value='step-add']");
        baker.Until(() => baker.All(".edit-step").Count == 2, "a step is added");
        Assert.Equal("Cellar door buns", baker.Attribute("#d-name", "value"));
        baker.Press("button[value='discard']");
        baker.Until(() => baker.Window.Url.EndsWith("/book", StringComparison.Ordinal), "the draft is thrown away");
        Assert.Empty(baker.ConsoleErrors());
    }

    [Fact]
    public void A_pasted_recipe_is_read_confirmed_put_into_the_book_and_scaled()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Go("/book/import");
        baker.Type(
            "#pasted",
            "Gatehouse buns\nMakes 12 buns\n\nIngredients\n500 g bread flour\n7 g instant yeast\n10 g salt\n300 g milk\n\nMethod\nMix "
                + "the dough for 10 minutes.\nLet rise until doubled, about 1 hour.\nShape into buns, 15 minutes.\nBake at 200 C for 15 "
                + "minutes on a tray 40 x 30 cm."
        );
        baker.Press("form.import button.mt-3");
        baker.Until(() => baker.Window.Url.Contains("/book/read/", StringComparison.Ordinal), "the reading sheet opens");
        while (baker.All(".read-ask").Count > 0)
        {
            var left = baker.All(".read-ask").Count;
            baker.All(".read-ask button.quiet")[0].Click();
            baker.Until(() => baker.All(".read-ask").Count < left, "a question is looked at");
        }

        baker.Until(() => baker.Text("#questions").Contains("can be planned", StringComparison.Ordinal), "nothing is missing");
        baker.Press("form[action*='Keep'] button");
        baker.Until(() => baker.Window.Url.EndsWith("/book/gatehouse-buns", StringComparison.Ordinal), "it is in the Book");
        baker.Go("/book/gatehouse-buns/scale?Form.By=Pieces&Form.Pieces=24");
        Assert.Contains("1000 g", baker.Text(".bowl"), StringComparison.Ordinal);
    }
}
