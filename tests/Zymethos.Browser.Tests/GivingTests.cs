using System.Text.RegularExpressions;

namespace Zymethos.Browser.Tests;

/// <summary>The board of who gets what, and the shopping list of two phones.</summary>
[Collection(nameof(Site))]
public sealed partial class GivingTests(Site site)
{
    [Fact]
    public void A_number_typed_on_the_board_is_pinned_at_once_and_filling_leaves_it()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Go("/parcels");
        baker.PressForNew("#board", "form[action*=Fill] button");
        var cell = baker.All(".board tbody tr")[9].FindElements(OpenQA.Selenium.By.CssSelector("input"))[0].GetAttribute("name");
        baker.Set($"[name='{cell}']", "1");
        baker.Until(() => baker.All($".is-pinned [name='{cell}']").Count == 1, "the cell is pinned");
        baker.PressForNew("#board", "form[action*=Fill] button");
        baker.Until(() => baker.Text(".note").Contains("boxes are full", StringComparison.Ordinal), "filled again", 40);
        Assert.Equal("1", baker.Attribute($".is-pinned [name='{cell}']", "value"));
        // Letters are no number: it is said, and what was typed stands.
        baker.Set($"[name='{cell}']", "some");
        baker.Until(() => baker.All("ul.said-wrong li").Count == 1, "it is said");
        Assert.Equal("some", baker.Attribute($"[name='{cell}']", "value"));
        baker.Set($"[name='{cell}']", "");
        baker.Until(() => baker.All($".is-pinned [name='{cell}']").Count == 0, "the cell is open again");
    }

    [Fact]
    public void Ticks_without_a_net_are_kept_and_told_when_it_comes_back()
    {
        using var baker = new Baker(site);
        using var other = new Baker(site);
        baker.SignIn();
        other.SignIn();
        baker.Go("/larder/shopping");
        other.Go("/larder/shopping");
        var lines = baker.All("input[data-line]").Select(b => b.GetAttribute("data-line")!).ToList();
        string Box(int i) => $"input[data-line='{lines[i]}']";
        bool IsIn(Baker who, int i) => who.Find(Box(i)).Selected;

        baker.Press(Box(0));
        other.Until(() => IsIn(other, 0), "the other phone sees it");
        baker.Until(
            () =>
                baker.Window.ExecuteAsyncScript(
                    "const done = arguments[arguments.length - 1];"
                        + "caches.open('bench-1').then(c => c.keys())"
                        + ".then(k => done(k.some(r => r.url.endsWith('/larder/shopping')) && k.length > 6));"
                )
                    is true,
            "the page is kept"
        );
        Offline(baker, true);
        baker.Press(Box(1));
        baker.Press(Box(0));
        baker.Until(() => baker.Text("#tick-state").Contains("2 ticks are kept", StringComparison.Ordinal), "it says that there is no net");
        // The list opens anew without a net, with what was ticked.
        baker.Window.Navigate().Refresh();
        baker.Until(() => IsIn(baker, 1) && !IsIn(baker, 0), "the list is there after a reload as well");
        other.Press(Box(2));
        Assert.False(IsIn(other, 1));
        Offline(baker, false);
        baker.Until(() => IsIn(baker, 2) && baker.Text("#tick-state").Length == 0, "told, and the other's tick is here", 30);
        other.Until(() => IsIn(other, 1) && !IsIn(other, 0), "the other phone has all of it", 30);
        // Put back for those who come after.
        baker.Press(Box(1));
        baker.Press(Box(2));
        other.Until(() => !IsIn(other, 1) && !IsIn(other, 2), "all are put back", 30);
    }

    [Theory]
    // ISO 216: A4 is 210 by 297 mm. ANSI/ASME Y14.1: US Letter is 8.5 by 11 in. In points of 1/72 in.
    [InlineData("a4", "boxes", 595.28, 841.89)]
    [InlineData("letter", "boxes", 612, 792)]
    [InlineData("a4", "bakes", 595.28, 841.89)]
    [InlineData("letter", "bakes", 612, 792)]
    public void Labels_are_printed_on_their_paper_and_nothing_is_cut_off(string paper, string what, double width, double height)
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Go("/parcels");
        baker.PressForNew("#board", "form[action*=Fill] button");
        var labels = baker.PathOf("a[href$='/labels']");
        baker.Go($"{labels}?paper={paper}&what={what}");
        Assert.True(baker.All(".gift-label").Count > 8);
        Assert.Equal(
            0L,
            baker.Window.ExecuteScript(
                "return [...document.querySelectorAll('.gift-label')].filter(l => l.scrollHeight > l.clientHeight + 1).length"
            )
        );
        var sheets = baker.All(".label-sheet").Count;
        var printed =
            (Dictionary<string, object?>)
                baker.Window.ExecuteCdpCommand("Page.printToPDF", new() { ["preferCSSPageSize"] = true, ["printBackground"] = true })!;
        var pdf = System.Text.Encoding.Latin1.GetString(Convert.FromBase64String((string)printed["data"]!));
        var pages = MediaBox().Matches(pdf);
        Assert.Equal(sheets, pages.Count);
        Assert.All(
            pages,
            p =>
            {
                Assert.Equal(width, double.Parse(p.Groups["w"].Value, System.Globalization.CultureInfo.InvariantCulture), 0.5);
                Assert.Equal(height, double.Parse(p.Groups["h"].Value, System.Globalization.CultureInfo.InvariantCulture), 0.5);
            }
        );
    }

    private static void Offline(Baker baker, bool isOff)
    {
        baker.Window.ExecuteCdpCommand("Network.enable", []);
        baker.Window.ExecuteCdpCommand(
            "Network.emulateNetworkConditions",
            new()
            {
                ["offline"] = isOff,
                ["latency"] = 0,
                ["downloadThroughput"] = -1,
                ["uploadThroughput"] = -1,
            }
        );
    }

    [GeneratedRegex(@"/MediaBox\s*\[0 0 (?<w>[\d.]+) (?<h>[\d.]+)\]", RegexOptions.None, 1000)]
    private static partial Regex MediaBox();
}
