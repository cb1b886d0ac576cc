using OpenQA.Selenium;

namespace Zymethos.Browser.Tests;

/// <summary>Every page in both lights and two widths: no fault that axe-core knows, no error in the console, nothing fetched from
/// elsewhere.</summary>
[Collection(nameof(Site))]
public sealed class ReachTests(Site site)
{
    private static readonly string[] Pages =
    [
        "/today",
        "/today/first",
        "/today/make?Date=2033-01-01&From=09:00&By=12:00",
        "/help",
        "/words",
        "/account",
        "/account/household",
        "/account/safety",
        "/oven-day",
        "/oven-day?date=2033-01-01",
        "/book",
        "/book/lantern-plait",
        "/book/lantern-plait/scale?Form.By=Pieces&Form.Pieces=5",
        "/book/midnight-ring/scale",
        "/book/lantern-plait/card",
        "/book/lantern-plait/versions",
        "/book/weigh",
        "/book/import",
        "/book/ingredients?Q=flour",
        "/kitchen",
        "/season",
        "/season/new",
        "/season/bring",
        "/daybook",
        "/bench?stay=true",
        "/daybook?q=squash",
        "/daybook/learned",
        "/daybook/recipes/market-squash-loaf",
        "/daybook/write",
        "/daybook/feeding",
        "/daybook/starter?want=300&day=2099-01-02&at=17:00&have=100",
        "/daybook/file",
        "/kitchen/devices",
        "/kitchen/archive",
        "/workshop",
        "/workshop/cutting",
        "/workshop/cutters",
        "/workshop/house",
        "/workshop/house/templates",
        "/workshop/division?into=6",
        "/workshop/layers?second=14&drip=yes",
        "/workshop/rise",
        "/workshop/sugar-syrup?metres=1600",
        "/workshop/cups-to-grams",
        "/workshop/decoration",
        "/parcels",
        "/parcels/new",
        "/parcels/people",
        "/parcels/people/new",
        "/parcels/people/bring",
        "/parcels/boxes",
        "/larder",
        "/larder/shopping",
        "/larder/goods",
        "/larder/missing?of=egg",
        "/larder/file",
        "/larder/costs",
        "/paper",
        "/paper/season",
        "/paper/week",
        "/paper/sheet",
        "/paper/cards",
        "/paper/labels",
        "/paper/boxes",
        "/paper/cupboard",
        "/parcels/file",
        "/letter-box",
        "/no/such/page",
        "/error",
    ];

    [Theory]
    [InlineData("light")]
    [InlineData("low")]
    public void No_page_has_a_fault(string theme)
    {
        using var baker = new Baker(site);
        baker.Go("/account/sign-in");
        baker.Window.Manage().Cookies.AddCookie(new Cookie("theme", theme));
        var found = new List<string>();
        foreach (
            var page in new[]
            {
                "/account/sign-in",
                "/account/register",
                "/account/forgotten",
                "/account/reset",
                "/workshop/eggs",
                "/words",
                "/help",
                "/account/come/none",
            }
        )
            Look(baker, page, found);
        baker.SignIn();
        foreach (var page in Pages.Concat(InSeason(baker)).Concat(InDaybook(baker)).Concat(InParcels(baker)))
            Look(baker, page, found);

        // The editor, with a step unfolded.
        baker.Go("/book/market-squash-loaf");
        baker.Press("form[action*=Edit] button");
        baker.Press(".edit-step details summary");
        found.AddRange(baker.Violations().Select(v => $"editor: {v}"));

        // The page as it stands with reasons shown, and with a clash.
        baker.Go("/oven-day");
        baker.Press(".sheet tr.line-in a");
        baker.Until(() => baker.All("#why [data-step]").Count == 1, "the reasons come");
        baker.Press(".change summary");
        found.AddRange(baker.Violations().Select(v => $"reasons: {v}"));
        baker.Set("#setup-until", "09:30");
        baker.Press("#plan-button");
        baker.Until(() => baker.All(".clash").Count == 1, "the clash is shown");
        found.AddRange(baker.Violations().Select(v => $"clash: {v}"));

        Assert.True(found.Count == 0, string.Join('\n', found));
        Assert.Empty(baker.ForeignRequests());
        // A missing page and a rejected day are answered with 404 and 422, which the browser logs as failed loads; nothing else may stand
        // there.
        Assert.DoesNotContain(
            baker.ConsoleErrors(),
            e => !e.Contains("status of 404", StringComparison.Ordinal) && !e.Contains("status of 422", StringComparison.Ordinal)
        );
    }

    [Theory]
    [InlineData(360)]
    [InlineData(768)]
    public void No_page_is_wider_than_its_screen(int width)
    {
        // Chromium does not make windows narrower than 500 px; its device metrics do.
        using var baker = new Baker(site, Math.Max(500, width), 800);
        baker.Window.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new()
            {
                ["width"] = width,
                ["height"] = 780,
                ["deviceScaleFactor"] = 1,
                ["mobile"] = true,
            }
        );
        baker.SignIn();
        foreach (var page in Pages.Concat(InSeason(baker)).Concat(InDaybook(baker)).Concat(InParcels(baker)))
        {
            baker.Go(page);
            Assert.True(baker.SidewaysOverflow() == 0, $"{page} at {width} px is {baker.SidewaysOverflow()} px too wide");
        }

        baker.Go("/book/market-squash-loaf");
        baker.Press("form[action*=Edit] button");
        Assert.True(baker.SidewaysOverflow() == 0, $"the editor at {width} px is {baker.SidewaysOverflow()} px too wide");
    }

    /// <summary>Pages of the demo kitchen's season, whose addresses only it knows.</summary>
    private static List<string> InSeason(Baker baker)
    {
        baker.Go("/season");
        var season = baker.PathOf("a[href$='/calendar']").Replace("/calendar", "", StringComparison.Ordinal);
        return [$"{season}/edit", $"{season}/calendar", $"{season}/lot/fruit-cake", $"{season}/lot/copper", $"{season}/end"];
    }

    /// <summary>A bake of the demo kitchen's Daybook, whose address only it knows.</summary>
    private static List<string> InDaybook(Baker baker)
    {
        baker.Go("/daybook?recipe=lantern-plait");
        return [new Uri(baker.All(".days a")[^1].GetAttribute("href")!).AbsolutePath];
    }

    /// <summary>The demo's parcels, filled: packing, labels, handing over, and one person.</summary>
    private static List<string> InParcels(Baker baker)
    {
        baker.Go("/parcels");
        baker.PressForNew("#board", "form[action*=Fill] button");
        var pack = baker.PathOf("a[href$='/pack']");
        baker.Go("/parcels/people");
        var person = baker.PathOf(".people a");
        return
        [
            pack,
            pack.Replace("/pack", "/labels", StringComparison.Ordinal),
            pack.Replace("/pack", "/give", StringComparison.Ordinal),
            pack.Replace("/pack", "", StringComparison.Ordinal),
            person,
        ];
    }

    [Fact]
    public void Without_scripts_the_day_can_be_read_and_asked()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Window.ExecuteCdpCommand("Emulation.setScriptExecutionDisabled", new() { ["value"] = true });
        baker.Go("/oven-day");
        baker.Press(".sheet tr.line-in a");
        baker.Until(() => baker.Window.Url.Contains("step=", StringComparison.Ordinal), "the link is followed");
        Assert.Contains("Why not earlier", baker.Text("#why"), StringComparison.Ordinal);
    }

    [Fact]
    public void Targets_are_large_enough_for_floury_hands()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        foreach (var page in new[] { "/oven-day?date=2033-01-01", "/book", "/book/market-squash-loaf/scale", "/book/weigh", "/kitchen" })
        {
            baker.Go(page);
            Assert.All(
                baker.All(".btn, .form-control, .quiet, .places a").Where(e => e.Displayed),
                e => Assert.True(e.Size.Height >= 47, $"{page}: {e.TagName} {e.Text} {e.GetAttribute("name")} is {e.Size.Height} px high")
            );
        }
    }

    private static void Look(Baker baker, string page, List<string> found)
    {
        baker.Go(page);
        found.AddRange(baker.Violations().Select(v => $"{page}: {v}"));
    }
}
