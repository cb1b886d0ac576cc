using System.Globalization;
using OpenQA.Selenium;

namespace Zymethos.Browser.Tests;

/// <summary>The thread from end to end, as a baker would walk it.</summary>
[Collection(nameof(Site))]
public sealed class DayTests(Site site)
{
    [Fact]
    public void Sign_in_plan_a_day_read_it_change_the_kitchen_and_see_the_plan_change()
    {
        using var baker = new Baker(site);
        baker.SignIn();

        // Plan: another date, two recipes.
        baker.Press(".change summary");
        baker.Set("#setup-date", "2032-03-06");
        baker.Set("#setup-from", "09:00");
        baker.PutTogether("Market squash loaf", "Orchard almond slices");

        baker.Press("#plan-button");
        baker.Until(() => baker.Window.Url.Contains("2032-03-06", StringComparison.Ordinal), "the address follows the new day");
        baker.Until(() => baker.All(".legend li").Count == 2, "the new day is drawn");
        Assert.Equal("Saturday 6 March", baker.Text("h1"));
        var done = baker.Text(".figure-main:nth-of-type(2) dd");

        // Read: a load in the drawing shows its reasons, and the list marks the same step.
        var load = baker.All(".loads a")[0];
        var task = load.GetAttribute("data-task");
        baker.Window.ExecuteScript("arguments[0].dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }))", load);
        baker.Until(() => baker.All("#why [data-step]").Count == 1, "the reasons come");
        Assert.Equal(task, baker.Attribute("#why [data-step]", "data-step"));
        Assert.Contains("Why not earlier", baker.Text("#why"), StringComparison.Ordinal);
        Assert.NotEmpty(baker.All($"tr.is-chosen[data-task='{task}']"));

        // Change the kitchen: a slower oven.
        baker.Go("/kitchen");
        baker.Type("#k-HeatUpMinutes", "26");
        baker.Type("#k-FallAjarMinutes", "30");
        baker.Press("#save-kitchen");
        baker.Until(() => baker.All(".note").Count == 1, "the kitchen is saved");
        Assert.Contains("Saturday 6 March is planned again: done by", baker.Text(".note"), StringComparison.Ordinal);
        baker.Go("/oven-day?date=2032-03-06");
        var later = baker.Text(".figure-main:nth-of-type(2) dd");
        Assert.True(string.CompareOrdinal(later, done) > 0, $"{done} {later}");

        Assert.Empty(baker.ConsoleErrors());
        Assert.Empty(baker.ForeignRequests());
    }

    [Fact]
    public void A_rejected_day_opens_its_form_at_the_wrong_field_and_keeps_what_was_typed()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Press(".change summary");
        baker.Set("#setup-until", "07:15");
        baker.Press("#plan-button");
        baker.Until(() => baker.All("#wrong-until:not(:empty)").Count == 1, "the message stands at the field");
        Assert.Equal("07:15", baker.Attribute("#setup-until", "value"));
        Assert.Equal("setup-until", baker.Window.SwitchTo().ActiveElement().GetAttribute("id"));
    }

    [Fact]
    public void By_keyboard_alone_the_drawing_tells_its_reasons()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        var load = baker.Find(".loads a");
        baker.Window.ExecuteScript("arguments[0].focus()", load);
        baker.Window.SwitchTo().ActiveElement().SendKeys(Keys.Enter);
        baker.Until(() => baker.All("#why [data-step]").Count == 1, "the reasons come");
        Assert.Contains("Why not later", baker.Text("#why"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_load_is_dragged_to_another_hour_held_there_and_taken_back()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        var before = baker.Text(".figure-main dd");
        var load = baker
            .All(".loads a")
            .Where(a => !a.GetAttribute("class")!.Contains("load-proof", StringComparison.Ordinal))
            .MaxBy(a => a.GetAttribute("data-start"), StringComparer.Ordinal)!;
        var (task, start) = (
            load.GetAttribute("data-task"),
            DateTime.Parse(load.GetAttribute("data-start")!, CultureInfo.InvariantCulture)
        );
        new OpenQA.Selenium.Interactions.Actions(baker.Window)
            .ScrollToElement(load)
            .MoveToElement(load)
            .ClickAndHold()
            .MoveByOffset(12, 0)
            .MoveByOffset(12, 0)
            .Release()
            .Perform();
        baker.Until(() => baker.All($".loads .is-pinned[data-task='{task}']").Count == 1, "the load is held");
        var held = DateTime.Parse(baker.Attribute($".loads [data-task='{task}']", "data-start")!, CultureInfo.InvariantCulture);
        Assert.True(held > start && held < start + TimeSpan.FromHours(1.5), $"{start} {held}");
        Assert.Contains("held at", baker.Text(".note"), StringComparison.Ordinal);
        baker.Press("form[action*=Undo] button");
        baker.Until(() => baker.All(".is-pinned").Count == 0, "it is taken back");
        Assert.Equal(before, baker.Text(".figure-main dd"));
        Assert.Empty(baker.ConsoleErrors());
    }

    [Fact]
    public void A_finger_that_hurries_looks_along_the_day_and_one_that_waits_moves_a_step()
    {
        using var baker = new Baker(site, 360, 780);
        baker.SignIn();
        baker.Find(".loads a");
        var (x, y) = BarInView(baker);
        Touch(baker, "touchStart", (x, y));
        for (var by = 12; by <= 60; by += 12)
            Touch(baker, "touchMove", (x - by, y));
        Touch(baker, "touchEnd");
        Assert.True((long)baker.Window.ExecuteScript("return Math.round(document.querySelector('.trace-scroll').scrollLeft)")! > 20);
        Assert.Empty(baker.All(".is-dragged"));

        // The last bar, whose drawing can be pushed the way that the finger goes: a finger that has waited moves the step all the same.
        (x, y) = BarInView(baker, 1);
        Touch(baker, "touchStart", (x, y));
        baker.Until(() => baker.All(".is-dragged").Count == 1, "the finger has waited long enough");
        for (var by = 10; by <= 40; by += 10)
            Touch(baker, "touchMove", (x + by, y));
        Touch(baker, "touchEnd");
        // The day may have no room for it, which is said as well; either way the finger's move has come through.
        baker.Until(
            () =>
                (bool)
                    baker.Window.ExecuteScript(
                        "return [...document.querySelectorAll('.note')].some((n) => n.textContent.includes('held at'))"
                            + " || document.querySelectorAll('.clash').length > 0"
                    )!,
            "the step is held, or what stands in its way is said",
            40
        );
        if (baker.All(".is-pinned").Count > 0)
        {
            baker.Press("form[action*=Undo] button");
            baker.Until(() => baker.All(".is-pinned").Count == 0, "it is taken back");
        }

        Assert.Empty(baker.ConsoleErrors());
    }

    private static (int X, int Y) BarInView(Baker baker, double share = 0)
    {
        var place =
            (IReadOnlyCollection<object>)
                baker.Window.ExecuteScript(
                    """
                    const bars = [...document.querySelectorAll("svg[data-drag] .loads a:not(.load-proof)")];
                    bars.sort((a, b) => a.dataset.start.localeCompare(b.dataset.start));
                    const bar = bars[Math.floor((bars.length - 1) * arguments[0])];
                    bar.scrollIntoView({ block: "center", inline: "center" });
                    const box = bar.getBoundingClientRect();
                    return [Math.round(box.x + Math.min(box.width, 40) / 2), Math.round(box.y + box.height / 2)];
                    """,
                    share
                )!;
        return (Convert.ToInt32(place.First(), null), Convert.ToInt32(place.Last(), null));
    }

    private static void Touch(Baker baker, string kind, (int X, int Y)? at = null)
    {
        object[] points = at is { } p ? [new Dictionary<string, object?> { ["x"] = p.X, ["y"] = p.Y }] : [];
        baker.Window.ExecuteCdpCommand(
            "Input.dispatchTouchEvent",
            new Dictionary<string, object?> { ["type"] = kind, ["touchPoints"] = points }
        );
    }

    [Fact]
    public void By_keyboard_a_step_is_held_and_a_day_rehearsed()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        var load = baker.Find(".loads a");
        baker.Window.ExecuteScript("arguments[0].focus()", load);
        baker.Window.SwitchTo().ActiveElement().SendKeys(Keys.Enter);
        baker.Until(() => baker.All("#why [data-step]").Count == 1, "the reasons come");
        baker.Find(".why-hand summary").SendKeys(Keys.Enter);
        baker.Find("#why button[hx-get*='minutes=30']").SendKeys(Keys.Enter);
        baker.Until(() => baker.Text("#what-if").StartsWith("30 min later:", StringComparison.Ordinal), "what would change is worked out");
        baker.Find(".hand-steps a[href*=Rehearse]").SendKeys(Keys.Enter);
        baker.Until(() => baker.All(".rehearsal .spread rect").Count > 1, "the day is rehearsed");
        Assert.Empty(baker.Violations());
    }

    [Fact]
    public void A_long_search_shows_how_it_goes_and_ends_in_the_day()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Press(".change summary");
        baker.Set("#setup-date", "2032-05-08");
        baker.Set("#setup-from", "06:00");
        baker.Set("#setup-until", "22:00");
        // Many steps and few trays: nothing that is proven in two seconds.
        string[] many =
        [
            "Lantern plait",
            "Market squash loaf",
            "Lamplight ginger rounds",
            "Window shapes",
            "Orchard almond slices",
            "Allotment loaf",
            "Copper ring",
            "Coal-cellar buttons",
        ];
        baker.PutTogether(many);

        baker.Press("#plan-button");
        baker.Until(() => baker.Window.Url.Contains("2032-05-08", StringComparison.Ordinal), "the day is planned", 40);
        baker.Press("form[action*=Look] button");
        baker.Until(() => baker.All("[data-search]").Count == 1, "the search is shown");
        baker.Until(() => baker.Text("[data-words]").StartsWith("Best so far", StringComparison.Ordinal), "the best so far is told");
        baker.Until(() => baker.All("[data-search]").Count == 0, "the search ends", 40);
        Assert.NotEmpty(baker.Text(".note"));
    }

    [Fact]
    public void Lines_are_weighed_while_they_are_typed()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Go("/book/weigh");
        baker.Type("#lines", "2 cups flour\n1 cup (200 g) bread flour");
        baker.Until(() => baker.All(".readings tbody tr").Count == 2, "both lines are read");
        Assert.Contains("240 g", baker.Text(".readings tbody tr"), StringComparison.Ordinal);
        Assert.Contains("By weight this is 200 g", baker.Text(".doubt"), StringComparison.Ordinal);
        Assert.Contains("440 g", baker.Text(".readings tfoot"), StringComparison.Ordinal);
        Assert.Empty(baker.ConsoleErrors());
    }

    [Fact]
    public void The_first_tab_stop_skips_to_the_page()
    {
        using var baker = new Baker(site);
        baker.SignIn();
        baker.Find("body").SendKeys(Keys.Tab);
        var skip = baker.Window.SwitchTo().ActiveElement();
        Assert.Equal("Skip to the page", skip.Text);
        skip.SendKeys(Keys.Enter);
        Assert.Equal("main", baker.Window.SwitchTo().ActiveElement().GetAttribute("id"));
    }
}
