using System.Text;
using System.Text.RegularExpressions;
using OpenQA.Selenium;

namespace Zymethos.Browser.Tests;

/// <summary>A season from nothing to a printed week, in the browser.</summary>
[Collection(nameof(Site))]
public sealed partial class SeasonTests(Site site)
{
    [Fact]
    public void Free_hours_are_painted_on_the_week_and_set_by_keys()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Go("/season/new");
        string Of(int day, string end) =>
            (string)baker.Window.ExecuteScript($"return document.querySelector(\"[name='Form.Weekly[{day}].{end}']\").value")!;
        var track = baker.Find(".week-day:nth-child(6) .week-track");
        baker.Window.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", track);
        var width = track.Size.Width;
        // From the middle of the strip (noon) to three quarters of it (six in the evening).
        new OpenQA.Selenium.Interactions.Actions(baker.Window)
            .MoveToElement(track)
            .ClickAndHold()
            .MoveByOffset(width / 8, 0)
            .MoveByOffset(width / 8, 0)
            .Release()
            .Perform();
        Assert.Equal(("12:00", "18:00"), (Of(4, "From"), Of(4, "Until")));
        track.SendKeys(Keys.ArrowRight);
        Assert.Equal("18:30", Of(4, "Until"));
        track.SendKeys(Keys.Shift + Keys.ArrowLeft);
        Assert.Equal("11:30", Of(4, "From"));
        Assert.Contains("from 11:30 until 18:30", track.GetAttribute("aria-valuetext"), StringComparison.Ordinal);
        track.SendKeys(Keys.Delete);
        Assert.Equal(("", ""), (Of(4, "From"), Of(4, "Until")));
        Assert.Empty(baker.Violations());
    }

    [Fact]
    public void A_season_from_nothing_to_a_printed_week()
    {
        using var baker = new Baker(site);
        baker.Go("/account/register");
        baker.Type("[name=KitchenName]", "Attic");
        baker.Type("[name=Email]", $"{Guid.NewGuid():N}@home.invalid");
        baker.Type("[name=Password]", "a long enough one");
        baker.Press("form.card-paper button");
        baker.Until(() => baker.All(".places").Count == 1, "the kitchen opens");

        baker.Go("/season");
        baker.Press("a[href='/season/new']");
        baker.Until(() => baker.All("#season-form").Count == 1, "the form opens");
        var today = DateTime.Today;
        var supper = today.AddDays(20);
        baker.Type("#season-name", "Harvest");
        baker.Type("[name='Form.Occasions[0].Name']", "Supper");
        baker.Set("[name='Form.Occasions[0].Date']", supper.ToString("yyyy-MM-dd"));
        baker.Set("[name='Form.Occasions[0].Time']", "18:00");
        Choose(baker, "[name='Form.Needs[0].Recipe']", "orchard-almond-slices");
        baker.Type("[name='Form.Needs[0].Pieces']", "36");
        Choose(baker, "[name='Form.Needs[1].Recipe']", "copper-ring");
        // A list from a spreadsheet beside what was chosen.
        baker.Press(".paste summary");
        baker.Find("#paste").SendKeys("Wren;squash loaf;2");
        foreach (var day in Enumerable.Range(0, 7))
        {
            baker.Set($"[name='Form.Weekly[{day}].From']", "17:00");
            baker.Set($"[name='Form.Weekly[{day}].Until']", "22:00");
        }

        // Without pieces the ring cannot be meant; the rest stands as it was typed.
        baker.Press("#season-keep");
        baker.Until(() => baker.All(".said-wrong[role=alert]").Count == 1, "the form comes back");
        Assert.Contains("How many pieces", baker.Text(".row-wrong"), StringComparison.Ordinal);
        Assert.Equal("36", baker.Attribute("[name='Form.Needs[0].Pieces']", "value"));
        baker.Type("[name='Form.Needs[1].Pieces']", "1");
        baker.Press("#season-keep");
        baker.Until(() => baker.All(".strands .strand").Count == 3, "three strands are drawn", 30);
        Assert.Contains("3 of 3", baker.Text(".stands"), StringComparison.Ordinal);

        // By keyboard along a strand to its lot.
        var knot = baker.Find(".strands .strand a .knot").FindElement(By.XPath(".."));
        baker.Window.ExecuteScript("arguments[0].focus()", knot);
        baker.Window.SwitchTo().ActiveElement().SendKeys(Keys.Enter);
        baker.Until(() => baker.All(".lot-work li").Count > 0, "the lot opens");
        baker.Window.Navigate().Back();

        baker.Press("a[href$='/calendar']");
        baker.Until(() => baker.All(".calendar-occasion").Count == 1, "the calendar opens");
        var printed =
            (Dictionary<string, object>)
                baker.Window.ExecuteCdpCommand("Page.printToPDF", new() { ["preferCSSPageSize"] = true, ["printBackground"] = true })!;
        var paper = Encoding.Latin1.GetString(Convert.FromBase64String((string)printed["data"]));
        Assert.InRange(Page().Count(paper), 1, 2);
        // Landscape: wider than high.
        var box = MediaBox().Match(paper);
        Assert.True(
            double.Parse(box.Groups["w"].Value, System.Globalization.CultureInfo.InvariantCulture)
                > double.Parse(box.Groups["h"].Value, System.Globalization.CultureInfo.InvariantCulture),
            box.Value
        );
        Assert.DoesNotContain(baker.ConsoleErrors(), e => !e.Contains("status of 422", StringComparison.Ordinal));
    }

    private static void Choose(Baker baker, string css, string value) =>
        baker.Window.ExecuteScript(
            "arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event('change', { bubbles: true }));",
            baker.Find(css),
            value
        );

    [GeneratedRegex(@"/Type\s*/Page\b", RegexOptions.None, matchTimeoutMilliseconds: 5000)]
    private static partial Regex Page();

    [GeneratedRegex(@"/MediaBox\s*\[\s*0\s+0\s+(?<w>[\d.]+)\s+(?<h>[\d.]+)", RegexOptions.ExplicitCapture, matchTimeoutMilliseconds: 5000)]
    private static partial Regex MediaBox();
}
