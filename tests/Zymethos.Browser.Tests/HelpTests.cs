using OpenQA.Selenium;

namespace Zymethos.Browser.Tests;

/// <summary>Keys under "?", the way round the demo kitchen, and help.</summary>
[Collection(nameof(Site))]
public sealed class HelpTests(Site site)
{
    private static void Send(Baker baker, string keys) => baker.Find("body").SendKeys(keys);

    [Fact]
    public void A_question_mark_lists_the_keys_and_a_letter_goes_to_a_place()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Go("/today");
        Send(baker, "?");
        Assert.Contains("Daybook", baker.Text("dialog.keys"), StringComparison.Ordinal);
        Assert.Empty(baker.Violations());
        Send(baker, Keys.Escape);
        baker.Until(() => baker.All("dialog.keys").Count == 0, "the list goes");
        Send(baker, "d");
        baker.Until(() => new Uri(baker.Window.Url).AbsolutePath == "/daybook", "the letter leads to the Daybook");

        // Letters that are typed into a field stay letters.
        baker.Go("/book");
        var field = baker.Find("main input[type=search], main input[type=text]");
        field.SendKeys("sd?");
        Assert.Equal("/book", new Uri(baker.Window.Url).AbsolutePath);
        Assert.Empty(baker.All("dialog.keys"));
    }

    [Fact]
    public void The_letters_can_be_turned_off_and_on_again()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Go("/today");
        Send(baker, "?");
        baker.Press("dialog.keys button[type=button]");
        baker.Until(() => baker.All("dialog.keys").Count == 0, "the list goes");
        Send(baker, "d");
        Thread.Sleep(400);
        Assert.Equal("/today", new Uri(baker.Window.Url).AbsolutePath);
        Send(baker, "?");
        Assert.Contains("Use the letters again", baker.Text("dialog.keys button[type=button]"), StringComparison.Ordinal);
        baker.Press("dialog.keys button[type=button]");
        baker.Until(() => baker.All("dialog.keys").Count == 0, "the list goes again");
        Send(baker, "d");
        baker.Until(() => new Uri(baker.Window.Url).AbsolutePath == "/daybook", "the letters work again");
    }

    [Fact]
    public void The_demo_kitchen_is_shown_in_six_stops_that_can_be_left()
    {
        using var baker = new Baker(site);
        baker.Go("/account/sign-in");
        baker.Press("button[name=tour]");
        var seen = new List<string>();
        for (var stop = 1; stop <= 6; stop++)
        {
            baker.Until(() => baker.Text(".tour p").Contains($"stop {stop} of 6", StringComparison.Ordinal), $"stop {stop} is reached");
            seen.Add(new Uri(baker.Window.Url).AbsolutePath);
            Assert.Empty(baker.Violations());
            if (stop < 6)
                baker.Press(".tour .btn-crust");
        }

        Assert.Equal(6, seen.Distinct().Count());
        baker.Press(".tour button[value='0']");
        baker.Until(() => baker.All(".tour").Count == 0, "the tour is over");
        baker.Go("/help");
        Assert.Empty(baker.All(".tour"));
        baker.Press("button[name=stop][value='1']");
        baker.Until(() => baker.All(".tour").Count == 1, "it begins again");
    }
}
