using System.Globalization;
using System.Net.Http.Headers;
using System.Text;
using OpenQA.Selenium;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;
using Zymethos.Planning.Bench;

namespace Zymethos.Browser.Tests;

/// <summary>The Bench with a scale, a probe and a thermometer beside it, and without any.</summary>
[Collection(nameof(Site))]
public sealed class BenchDeviceTests(Site site) : BenchAtWork(site)
{
    private readonly Site _site = site;

    private void Say(string device, string kind, double value, string unit = "C")
    {
        using var client = new HttpClient();
        using var request = new HttpRequestMessage(HttpMethod.Post, $"{_site.Address}/api/v1/devices/{device}/reading")
        {
            Content = new StringContent(
                string.Create(CultureInfo.InvariantCulture, $$"""{"kind":"{{kind}}","value":{{value}},"unit":"{{unit}}"}"""),
                Encoding.UTF8,
                "application/json"
            ),
        };
        request.Headers.Authorization = new AuthenticationHeaderValue("Bearer", $"democorner:{Site.DevicePassword}");
        client.Send(request).EnsureSuccessStatusCode();
    }

    private static void Weigh(Baker baker)
    {
        Clear(baker);
        baker.Until(() => baker.All("[data-key^=weigh-]").Count > 0, "there is something to weigh");
        Press(baker, "[data-key^=weigh-]");
        baker.Until(() => baker.All(".bench-weigh").Count == 1, "the weighing stands there");
    }

    [Fact]
    public void What_the_scale_says_fills_the_amounts_one_after_another()
    {
        // It stood there before, with a bowl on it.
        Say("scale", "scale", 400, "g");
        var baker = AtWork("Lantern plait");
        Say("scale", "scale", 401, "g");
        Weigh(baker);
        baker.Until(() => baker.All(".bench-weight").Count == 1, "the scale is heard");
        var (what, wanted) = (Words(baker, ".bench-weigh-what strong"), Grams(Words(baker, ".bench-weigh-what")));
        Say("scale", "scale", 401 + Math.Round(wanted / 2), "g");
        baker.Until(() => Words(baker, ".bench-weight").Contains("to go", StringComparison.Ordinal), "half of it is in");
        Say("scale", "scale", 401 + Math.Round(wanted * 1.3), "g");
        baker.Until(() => Words(baker, ".bench-weight").Contains("Take it out again", StringComparison.Ordinal), "too much is said");
        Say("scale", "scale", 401 + wanted, "g");
        baker.Until(() => baker.All(".bench-weight.is-right").Count == 1, "it is right");
        Press(baker, "[data-key=weigh-next]");
        baker.Until(() => Words(baker, ".bench-weigh-what strong") != what, "the next stands there, and counts from here");
        Assert.StartsWith("0 g", Words(baker, ".bench-weight"), StringComparison.Ordinal);
        baker.Until(() => Events(baker).Any(e => e.Kind == BenchKind.Used), "it is told");
        var used = Assert.Single(Events(baker), e => e.Kind == BenchKind.Used);
        Assert.StartsWith(what, used.Text!, StringComparison.Ordinal);
        // The bowl stood there with 400 or 401 g, whichever was heard last.
        Assert.InRange(used.Value!.Value, wanted - 2, wanted + 2);
        Assert.Empty(baker.ConsoleErrors());
        Assert.Empty(baker.Violations());
    }

    [Theory]
    [InlineData(500, 500, "right")]
    [InlineData(512, 500, "right")]
    [InlineData(530, 500, "over")]
    [InlineData(700, 500, "over")]
    [InlineData(300, 500, "short")]
    [InlineData(5.2, 5, "right")]
    [InlineData(7, 5, "over")]
    [InlineData(5, 7, "short")]
    public void A_little_over_is_fine_and_much_is_not(double grams, double wanted, string kind)
    {
        using var baker = new Baker(_site);
        baker.Go("/account/sign-in");
        var said = Json<string>(
            baker,
            string.Create(
                CultureInfo.InvariantCulture,
                $$"""const { poured } = await import("/places/Bench/weigh.js"); return poured({{grams}}, {{wanted}}).kind;"""
            )
        );
        Assert.Equal(kind, said);
    }

    [Fact]
    public void The_scripts_know_the_yeast_as_the_server_does_and_see_a_cold_room_in_a_slow_rise()
    {
        using var baker = new Baker(_site);
        baker.Go("/account/sign-in");
        double[] warm = [0, 3, 8, 14, 18, 21, 24, 28, 33, 38, 44, 46];
        var rates = Json<double[]>(
            baker,
            $"const {{ yeastRate }} = await import('/places/Bench/rise.js'); return [{string.Join(",", warm)}].map(yeastRate);"
        );
        Assert.All(warm.Zip(rates), p => Assert.Equal(YeastRate.At(Temperature.FromCelsius(p.First)), p.Second, 9));
        // A rise of an hour that has come half way after 45 minutes, three looks alike: slower than in the room of the plan.
        var room = Json<double>(
            baker,
            """
            const { roomBySight } = await import("/places/Bench/rise.js");
            const looks = [43, 45, 47].map((m) => ({ at: m * 60000, height: 1.5 }));
            return roomBySight({ likely: 60, rise: null }, 0, looks, 22);
            """
        );
        Assert.InRange(room, 14, 21);
    }

    [Theory]
    [InlineData("0, 50, 100", 2.0)]
    [InlineData("400, 300, 250", 1.5)]
    [InlineData("100, 100, 50", null)]
    [InlineData("400, 300, 500", null)]
    [InlineData("0, 1, 50", null)]
    public void Three_marks_say_how_high_it_stands(string marks, double? times)
    {
        using var baker = new Baker(_site);
        baker.Go("/account/sign-in");
        var said = Json<double?>(baker, $"const {{ timesHigher }} = await import('/places/Bench/height.js'); return timesHigher({marks});");
        Assert.Equal(times, said);
    }

    [Fact]
    public void The_ovens_thermometer_the_room_and_what_is_wrong_stand_beside_the_oven()
    {
        var baker = AtWork();
        Say("oven-1", "oven", 64);
        Say("room", "room", 18);
        baker.Until(() => baker.All(".bench-oven-one .bench-reading strong").Count >= 1, "the thermometer is heard");
        Assert.Contains("64 °C", Words(baker, ".bench-oven-one .bench-reading"), StringComparison.Ordinal);
        baker.Until(() => Words(baker, ".bench-oven").Contains("The kitchen: 18 °C", StringComparison.Ordinal), "the room is heard");
        Say("oven-1", "oven", 900);
        baker.Until(
            () => Words(baker, ".bench-oven").Contains("900 °C, which an oven cannot be", StringComparison.Ordinal),
            "what is wrong is said"
        );
        Assert.Empty(baker.ConsoleErrors());
    }

    [Fact]
    public void A_probe_ends_the_whites_at_71_degrees_and_says_so()
    {
        var baker = AtWork("Parade cake");
        var step = (string)
            Json<string>(
                baker,
                $"const s = await (await fetch('/bench/{Session(baker)}/sheet')).json(); return s.steps.find((x) => x.target === 71).id;"
            );
        Say("probe", "core", 30);
        Tell(baker, step, "started", 0);
        baker.Until(() => baker.All($"[data-key='probe-{step}']").Count == 1, "the probe is offered", 30);
        Press(baker, $"[data-key='probe-{step}']");
        baker.Until(() => Events(baker).Any(e => e.Kind == BenchKind.ProbeIn), "it is told that the probe is in it");
        Thread.Sleep(1000);
        foreach (var celsius in new[] { 64.0, 67, 70, 71.5, 72 })
            Say("probe", "core", celsius);
        baker.Until(() => Events(baker).Any(e => e.Kind == BenchKind.Done && e.Device == "probe"), "the step is ended");
        baker.Until(() => baker.All(".note").Any(n => n.Text.Contains("72 °C in the middle", StringComparison.Ordinal)), "and it is said");
    }

    [Fact]
    public void Without_a_scale_what_it_shows_is_typed_and_eggs_are_told_by_their_size()
    {
        // A scale that says what cannot be is as good as none.
        Say("scale", "scale", 400, "kg");
        var baker = AtWork("Lantern plait");
        Say("scale", "scale", 401, "kg");
        baker.Until(
            () => Words(baker, ".bench-oven").Contains("no kitchen scale weighs", StringComparison.Ordinal),
            "what is wrong is said"
        );
        Weigh(baker);
        baker.Set("[data-key=typed-weight]", "123");
        baker.Find("[data-key=typed-weight]").SendKeys(Keys.Tab);
        baker.Until(() => baker.All(".bench-weight").Count == 1, "it is weighed against what is wanted");
        Press(baker, "[data-key=weigh-stop]");
        Press(baker, "[data-key=recipes-sum]");
        var eggs = (string)
            baker.Window.ExecuteScript(
                """
                const li = [...document.querySelectorAll(".bench-fold .bench-amounts li")].find((l) => /\begg/i.test(l.textContent));
                return li.querySelector("button").dataset.key;
                """
            )!;
        Press(baker, $"[data-key='{eggs}']");
        baker.Set("#bench-count", "3");
        baker.Press(".bench-ask button.touch[type=button]:nth-of-type(4)");
        Assert.Equal("56", baker.Attribute("#bench-each", "value"));
        baker.Press(".bench-ask .main-touch");
        baker.Until(() => Events(baker).Any(e => e.Kind == BenchKind.Used && e.Value == 168), "three of 56 g are told");
    }

    [Fact]
    public void A_picture_is_taken_shown_and_what_is_none_is_refused_in_words()
    {
        var baker = AtWork();
        Press(baker, "[data-key=closing-sum]");
        var field = baker.Find("[data-key='photo-0']");
        var (picture, none) = (Path.GetTempFileName() + ".png", Path.GetTempFileName() + ".png");
        File.WriteAllBytes(picture, ((ITakesScreenshot)baker.Window).GetScreenshot().AsByteArray);
        File.WriteAllText(none, "this is no picture");
        try
        {
            field.SendKeys(none);
            baker.Until(
                () => Words(baker, ".bench-photos").Contains("no picture that can be read", StringComparison.Ordinal),
                "what is none is refused"
            );
            baker.Find("[data-key='photo-0']").SendKeys(picture);
            baker.Until(() => baker.All(".bench-photos img").Count == 1, "the picture is shown");
            baker.Until(
                () => (bool)baker.Window.ExecuteScript("return document.querySelector('.bench-photos img').naturalWidth > 100")!,
                "and can be seen"
            );
            Assert.Contains(Events(baker), e => e.Kind == BenchKind.Photo);
        }
        finally
        {
            File.Delete(picture);
            File.Delete(none);
        }
    }

    [Fact]
    public void The_Kitchen_shows_what_is_heard_and_a_device_is_named()
    {
        Say("room", "room", 21.4);
        using var baker = new Baker(_site);
        baker.SignIn();
        baker.Go("/kitchen/devices");
        baker.Until(
            () => baker.All("#devices th[scope=row]").Any(t => t.Text.StartsWith("room", StringComparison.Ordinal)),
            "it is heard",
            15
        );
        baker.Press(".device-names summary");
        baker.Set("#title-room", "Wall by the door");
        baker.Find("#title-room").SendKeys(Keys.Enter);
        baker.Until(
            () => baker.All("#devices th[scope=row]").Any(t => t.Text.StartsWith("Wall by the door", StringComparison.Ordinal)),
            "it is named"
        );
        Assert.Empty(baker.Violations());
        baker.Press(".device-names summary");
        baker.Set("#title-room", "");
        baker.Find("#title-room").SendKeys(Keys.Enter);
    }

    private static double Grams(string words) =>
        double.Parse(
            System.Text.RegularExpressions.Regex.Match(words, @"(?<g>[\d.]+) g", default, TimeSpan.FromSeconds(1)).Groups["g"].Value,
            CultureInfo.InvariantCulture
        );
}
