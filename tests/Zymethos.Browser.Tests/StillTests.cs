using System.Globalization;

namespace Zymethos.Browser.Tests;

/// <summary>Nothing jumps under the eye while a page comes in, on a phone's screen and with a phone's slow processor.</summary>
[Collection(nameof(Site))]
public sealed class StillTests(Site site)
{
    // The sum of shifts by the measure of the browser's own (Layout Instability): 0.1 is called good, and half of it is asked here.
    private const double Most = 0.05;

    private static readonly string[] Pages =
    [
        "/today",
        "/season",
        "/oven-day",
        "/bench?stay=true",
        "/book",
        "/book/lantern-plait",
        "/kitchen",
        "/parcels",
        "/larder/shopping",
        "/daybook",
        "/workshop",
        "/help",
        "/season/new",
        "/today/make",
    ];

    [Fact]
    public void No_page_shifts_while_it_loads()
    {
        using var baker = new Baker(site, 500, 800);
        baker.SignIn();
        baker.Window.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new()
            {
                ["width"] = 360,
                ["height"] = 740,
                ["deviceScaleFactor"] = 2,
                ["mobile"] = true,
            }
        );
        baker.Window.ExecuteCdpCommand("Emulation.setCPUThrottlingRate", new() { ["rate"] = 4 });
        var jumped = new List<string>();
        foreach (var page in Pages)
        {
            baker.Go(page);
            var shift = Convert.ToDouble(
                baker.Window.ExecuteAsyncScript(
                    """
                    const done = arguments[arguments.length - 1];
                    let sum = 0;
                    new PerformanceObserver((list) => {
                      for (const shift of list.getEntries()) if (!shift.hadRecentInput) sum += shift.value;
                    }).observe({ type: "layout-shift", buffered: true });
                    setTimeout(() => done(sum), 900);
                    """
                ),
                CultureInfo.InvariantCulture
            );
            if (shift > Most)
                jumped.Add(string.Create(CultureInfo.InvariantCulture, $"{page}: {shift:0.###}"));
        }

        Assert.True(jumped.Count == 0, string.Join(", ", jumped));
    }
}
