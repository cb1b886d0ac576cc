using System.Text.RegularExpressions;
using OpenQA.Selenium;

namespace Zymethos.Browser.Tests;

/// <summary>Putting a day together by keyboard and by touch, in either clock and either measure, and choosing how sure it is to
/// be.</summary>
[Collection(nameof(Site))]
public sealed class SetUpTests(Site site)
{
    [Fact]
    public void By_keyboard_alone_a_day_is_put_together_and_planned()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Go("/oven-day?date=2032-06-05");
        baker.Find("#setup-find").SendKeys("ginger round");
        baker.Until(() => baker.All(".setup-find").Count == 1, "one recipe is found");
        baker.Find("#setup-find").SendKeys(Keys.ArrowDown);
        Assert.Equal("setup-find", baker.Window.SwitchTo().ActiveElement().GetAttribute("class"));
        baker.Window.SwitchTo().ActiveElement().SendKeys(Keys.Enter);
        baker.Until(() => baker.All("[data-pieces]").Count == 1, "it is added");
        // The typing goes on at the pieces; more of them make more batches, and the day ahead follows.
        baker.Until(
            () => baker.Window.SwitchTo().ActiveElement().GetAttribute("data-pieces") is not null,
            "the cursor stands at the pieces"
        );
        var pieces = baker.Window.SwitchTo().ActiveElement();
        var many = int.Parse(pieces.GetAttribute("value")!, System.Globalization.CultureInfo.InvariantCulture) + 1;
        pieces.Clear();
        pieces.SendKeys($"{many}{Keys.Tab}");
        Assert.Equal("2", baker.Attribute("[data-batches]", "value"));
        baker.Until(() => baker.Text("#day-ahead").Contains("Hands", StringComparison.Ordinal), "the day ahead is shown");
        baker.Find("[data-batches]").SendKeys(Keys.Enter);
        baker.Until(() => baker.All(".trace").Count == 1, "the day is planned");
        Assert.Contains("2 batches", baker.Text(".legend"), StringComparison.Ordinal);
        Assert.Empty(baker.ConsoleErrors());
    }

    [Fact]
    public void Hours_are_typed_any_way_moved_by_keys_and_touched()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Go("/oven-day?date=2032-06-12");
        string From() => (string)baker.Window.ExecuteScript("return document.querySelector('#setup-from').value")!;
        baker.Type("#setup-from", "7.30am");
        baker.Find("#setup-from").SendKeys(Keys.Tab);
        Assert.Equal("07:30", From());
        baker.Find("#setup-from").SendKeys(Keys.ArrowUp);
        Assert.Equal("07:35", From());
        baker.Find("#setup-from").SendKeys(Keys.PageDown);
        Assert.Equal("06:35", From());
        // The choices lie below the field while it is at work, and go with it.
        var nine = baker.All(".clock-hours button").First(b => b.Text == "09");
        nine.Click();
        baker.All(".clock-minutes button").First(b => b.Text == ":15").Click();
        Assert.Equal("09:15", From());
        Assert.Empty(baker.All(".clock-choices"));
        Assert.Empty(baker.Violations());
    }

    [Fact]
    public void In_cups_Fahrenheit_and_twelve_hours_nothing_is_said_otherwise()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Go("/kitchen");
        baker.Find("#k-Habit").SendKeys("cups");
        baker.Find("#k-Clock").SendKeys("5:30");
        baker.Press("#save-kitchen");
        baker.Until(() => baker.All(".note").Count == 1, "the kitchen is saved");
        baker.Go("/oven-day?date=2032-06-19");
        Assert.Equal("8:00 am", baker.Attribute("#setup-from", "value"));
        baker.PutTogether("Market squash loaf", "Lantern plait");
        baker.Press("#plan-button");
        baker.Until(() => baker.All(".trace").Count == 1, "the day is planned");
        var text = baker.Text("#planning");
        var errors = baker.ConsoleErrors();
        // Others bake in this kitchen too.
        baker.Go("/kitchen");
        baker.Find("#k-Habit").SendKeys("grams");
        baker.Find("#k-Clock").SendKeys("17");
        baker.Press("#save-kitchen");
        baker.Until(() => baker.All(".note").Count == 1, "the kitchen is as it was");
        Assert.DoesNotContain("°C", text, StringComparison.Ordinal);
        Assert.Contains("°F", text, StringComparison.Ordinal);
        Assert.DoesNotMatch(new Regex(@"\b(?:1[3-9]|2[0-3]):\d\d\b", RegexOptions.None, TimeSpan.FromSeconds(1)), text);
        Assert.Empty(errors);
    }

    [Fact]
    public void Another_plan_is_picked_beside_the_curve()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        // The first plan is there at once; the others are found behind it.
        baker.Until(
            () =>
            {
                if (baker.All(".certainty summary").Count > 0)
                    return true;
                Thread.Sleep(2000);
                baker.Go("/oven-day");
                return false;
            },
            "other plans are found",
            90
        );
        baker.Press(".certainty summary");
        var buttons = baker.All(".choices button");
        Assert.NotEmpty(buttons);
        Assert.Single(baker.All(".choices tr.is-taken"));
        var wanted = buttons[0].GetAttribute("aria-label");
        buttons[0].Click();
        baker.Until(
            () =>
                baker.Window.ExecuteScript(
                    "return [...document.querySelectorAll('.choices button')].every(b => b.getAttribute('aria-label') !== arguments[0])",
                    wanted
                )
                    is true,
            "the other plan is taken, and no longer offered"
        );
        baker.Press("form[action*=Undo] button");
        baker.Until(() => baker.All("form[action*=Redo] button").Count == 1, "it is undone for whoever bakes here next");
        Assert.Empty(baker.ConsoleErrors());
    }
}
