using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Documents;

namespace Zymethos.Web.Tests;

/// <summary>Planning a day on the page, with good and bad input. Each test has a kitchen of its own.</summary>
public sealed class OvenDayPageTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private static readonly string Plait = TestKitchen.RowOf("lantern-plait");
    private static readonly string Loaf = TestKitchen.RowOf("market-squash-loaf");

    private static string Batches(string row) => $"Setup.Rows[{row}].Batches";

    private Task<HttpClient> NewAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    private static Task<HttpResponseMessage> PlanAsync(
        HttpClient baker,
        Dictionary<string, string> typed,
        string? button = null,
        bool htmx = false
    ) => TestKitchen.PostAsync(baker, "/oven-day", "#setup", typed, button, htmx);

    private static string Value(IDocument page, string name) => ((IHtmlInputElement)page.QuerySelector($"[name='{name}']")!).Value;

    [Fact]
    public async Task A_planned_day_is_kept_and_comes_back()
    {
        var baker = await NewAsync();
        var response = await PlanAsync(
            baker,
            new()
            {
                ["Setup.Date"] = "2031-05-03",
                ["Setup.From"] = "07:00",
                ["Setup.Until"] = "15:00",
                [Batches(Plait)] = "1",
                [Batches(Loaf)] = "2",
            }
        );
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2031-05-03"));
        Assert.Equal("Saturday 3 May", page.QuerySelector("h1")!.TextContent);
        Assert.Contains("Market squash loaf, 2 batches", page.QuerySelector(".legend")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("07:00", Value(page, "Setup.From"));
        Assert.Equal("2", Value(page, Batches(Loaf)));
        Assert.Contains("(batch 2)", page.QuerySelector(".sheet")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task With_htmx_only_the_planning_comes_back_and_the_address_follows()
    {
        var response = await PlanAsync(await NewAsync(), new() { ["Setup.Date"] = "2031-05-04", [Batches(Loaf)] = "1" }, htmx: true);
        var text = await response.Content.ReadAsStringAsync();
        Assert.StartsWith("<div id=\"planning\"", text.TrimStart(), StringComparison.Ordinal);
        Assert.Equal("/oven-day?date=2031-05-04", response.Headers.GetValues("HX-Push-Url").Single());
    }

    [Theory]
    [InlineData("Setup.Until", "06:00", "#wrong-until", "must end after it starts")]
    [InlineData("Setup.From", "half past", "#wrong-from", "as 08:00")]
    [InlineData("Setup.Date", "someday", "#wrong-date", "Choose a date")]
    [InlineData("Setup.Rows[loaf].Batches", "-3", "#wrong-batches-loaf", "whole number from 0 to 12")]
    [InlineData("Setup.Rows[loaf].Batches", "1e9", "#wrong-batches-loaf", "whole number from 0 to 12")]
    [InlineData("Setup.Rows[loaf].Batches", "13", "#wrong-batches-loaf", "whole number from 0 to 12")]
    [InlineData("Setup.Rows[loaf].ReadyBy", "tea time", "#wrong-ready-loaf", "as 17:00")]
    [InlineData("Setup.Rows[loaf].ReadyBy", "07:00", "#wrong-ready-loaf", "before the day starts")]
    public async Task Bad_input_is_answered_at_its_field_and_kept(string field, string typed, string at, string words)
    {
        var baker = await NewAsync();
        (field, at) = (field.Replace("loaf", $"{Loaf}", StringComparison.Ordinal), at.Replace("loaf", $"{Loaf}", StringComparison.Ordinal));
        var form = new Dictionary<string, string>
        {
            [Batches(Loaf)] = "2",
            [Batches(Plait)] = "1",
            [$"Setup.Rows[{Plait}].ReadyBy"] = "17:45",
            [field] = typed,
        };
        var response = await PlanAsync(baker, form);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        var page = await TestKitchen.ParseAsync(response);
        Assert.Contains(words, page.QuerySelector(at)!.TextContent, StringComparison.Ordinal);
        // Dates and hours that a browser's own field cannot hold are kept in the markup all the same.
        foreach (var (name, value) in form)
            Assert.Equal(value, page.QuerySelector($"[name='{name}']")!.GetAttribute("value"));
    }

    [Fact]
    public async Task No_recipe_chosen_says_so()
    {
        var page = await TestKitchen.ParseAsync(await PlanAsync(await NewAsync(), []));
        Assert.Contains("Choose at least one recipe", page.QuerySelector(".setup")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_day_too_short_says_what_clashes_and_its_ways_out_work_at_one_touch()
    {
        var baker = await NewAsync();
        var form = new Dictionary<string, string>
        {
            ["Setup.Date"] = "2031-05-05",
            ["Setup.From"] = "08:00",
            ["Setup.Until"] = "11:00",
            [Batches(Plait)] = "1",
            [Batches(Loaf)] = "1",
        };
        var page = await TestKitchen.ParseAsync(await PlanAsync(baker, form));
        var clash = page.QuerySelector(".clash")!;
        Assert.Contains("cannot work as it stands", clash.TextContent, StringComparison.Ordinal);
        Assert.Contains("Lantern plait", clash.TextContent, StringComparison.Ordinal);
        Assert.Contains("a day from 08:00 to 11:00", clash.TextContent, StringComparison.Ordinal);
        var ways = page.QuerySelectorAll(".ways li");
        Assert.True(ways.Length >= 3, clash.TextContent);
        Assert.Equal("11:00", Value(page, "Setup.Until"));

        foreach (var button in page.QuerySelectorAll(".ways button").Select(b => b.GetAttribute("value")!))
        {
            var mended = await PlanAsync(baker, form, button);
            Assert.True(mended.StatusCode == HttpStatusCode.OK, button);
        }
    }

    [Fact]
    public async Task Yeast_mixing_and_a_borrowed_oven_are_taken_and_come_back()
    {
        const string Date = "2031-05-07";
        var baker = await NewAsync();
        var buttons = TestKitchen.RowOf("coal-cellar-buttons");
        var form = new Dictionary<string, string>
        {
            ["Setup.Date"] = Date,
            ["Setup.From"] = "06:00",
            ["Setup.Until"] = "22:00",
            [Batches(Plait)] = "1",
            [$"Setup.Rows[{Plait}].Yeast"] = "0,5",
            [Batches(buttons)] = "2",
            [$"Setup.Rows[{buttons}].Mix"] = "1",
            ["Setup.SecondOven"] = "true",
        };
        Assert.Equal(HttpStatusCode.OK, (await PlanAsync(baker, form)).StatusCode);
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Date}"));
        Assert.Equal("0.5", Value(page, $"Setup.Rows[{Plait}].Yeast"));
        Assert.Equal("1", ((IHtmlSelectElement)page.QuerySelector($"[name='Setup.Rows[{buttons}].Mix']")!).Value);
        Assert.True(((IHtmlInputElement)page.QuerySelector("[name='Setup.SecondOven']")!).IsChecked);
        Assert.Contains("(batches 1 and 2)", page.QuerySelector(".sheet")!.TextContent, StringComparison.Ordinal);
        var mix = page.QuerySelectorAll(".sheet tr")
            .First(r => r.TextContent.Contains("nead", StringComparison.Ordinal))
            .GetAttribute("data-task");
        var why = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?handler=Why&date={Date}&step={mix}"));
        Assert.Contains("instant yeast instead of", why.Body!.TextContent, StringComparison.Ordinal);

        // What was chosen is let go again when the form says so.
        form["Setup.SecondOven"] = "false";
        form[$"Setup.Rows[{buttons}].Mix"] = "0";
        await PlanAsync(baker, form);
        page = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Date}"));
        Assert.DoesNotContain("(batches 1 and 2)", page.QuerySelector(".sheet")!.TextContent, StringComparison.Ordinal);
        Assert.False(((IHtmlInputElement)page.QuerySelector("[name='Setup.SecondOven']")!).IsChecked);
    }

    [Theory]
    [InlineData("lots")]
    [InlineData("9")]
    public async Task Yeast_that_cannot_be_is_told_at_its_field(string typed)
    {
        var response = await PlanAsync(await NewAsync(), new() { [Batches(Plait)] = "1", [$"Setup.Rows[{Plait}].Yeast"] = typed });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        var page = await TestKitchen.ParseAsync(response);
        Assert.Contains("from 0.25 to 3", page.QuerySelector($"#wrong-yeast-{Plait}")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(typed, Value(page, $"Setup.Rows[{Plait}].Yeast"));
        Assert.True(page.QuerySelector($"#wrong-yeast-{Plait}")!.Closest("details")!.HasAttribute("open"));
    }

    [Fact]
    public async Task A_window_that_the_oven_cannot_keep_is_widened_or_served_by_a_second_oven_at_one_touch()
    {
        const string Date = "2031-05-08";
        var baker = await NewAsync();
        await PlanAsync(baker, new() { ["Setup.Date"] = Date, [Batches(Loaf)] = "1" });
        Guid own;
        await using (var context = kitchen.Context(null))
            own = (await context.OvenDays.IgnoreQueryFilters().SingleAsync(d => d.Date == new LocalDate(2031, 5, 8))).KitchenId;
        await using (var context = kitchen.Context(own))
        {
            var loaf = await context.Recipes.SingleAsync(r => r.Key == "market-squash-loaf");
            var tray = new PanDocument("tray", 40, 30);
            loaf.Document = loaf.Document with
            {
                Steps =
                [
                    new StepDocument("hot", "Bake hot", "bake", [20, 20, 22], Oven: new OvenUseDocument(240, tray)),
                    new StepDocument("dry", "Dry", "bake", [20, 20, 22], Oven: new OvenUseDocument(100, tray)),
                ],
                Links = [new LinkDocument("hot", "dry", 0, 5)],
            };
            await context.SaveChangesAsync();
        }

        var form = new Dictionary<string, string> { ["Setup.Date"] = "2031-05-09", [Batches(Loaf)] = "1" };
        var page = await TestKitchen.ParseAsync(await PlanAsync(baker, form));
        var ways = page.QuerySelectorAll(".ways li").ToList();
        Assert.Equal(2, ways.Count);
        Assert.Contains("“Dry” of Market squash loaf wait", ways[0].TextContent, StringComparison.Ordinal);
        string ValueOf(int way) => ways[way].QuerySelector("button")!.GetAttribute("value")!;

        Assert.Equal(HttpStatusCode.OK, (await PlanAsync(baker, form, ValueOf(0))).StatusCode);
        page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2031-05-09"));
        var widened = (IHtmlInputElement)page.QuerySelector($"[name='Setup.Rows[{Loaf}].Wider']")!;
        Assert.True(widened.IsChecked);
        Assert.Matches("“Dry” may wait \\d+ min longer on this day", widened.ParentElement!.TextContent);

        form["Setup.Date"] = "2031-05-10";
        Assert.Equal(HttpStatusCode.OK, (await PlanAsync(baker, form, ValueOf(1))).StatusCode);
        page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2031-05-10"));
        Assert.True(((IHtmlInputElement)page.QuerySelector("[name='Setup.SecondOven']")!).IsChecked);
    }

    [Fact]
    public async Task A_rise_in_the_oven_goes_to_the_counter_at_one_touch()
    {
        var baker = await NewAsync();
        await PlanAsync(baker, new() { ["Setup.Date"] = "2031-05-18", [Batches(Loaf)] = "1" });
        Guid own;
        await using (var context = kitchen.Context(null))
            own = (await context.OvenDays.IgnoreQueryFilters().SingleAsync(d => d.Date == new LocalDate(2031, 5, 18))).KitchenId;
        await using (var context = kitchen.Context(own))
        {
            var loaf = await context.Recipes.SingleAsync(r => r.Key == "market-squash-loaf");
            var tray = new PanDocument("tray", 40, 30);
            loaf.Document = loaf.Document with
            {
                Steps =
                [
                    new StepDocument("shape", "Shape", "work", [10, 10, 10]),
                    new StepDocument("proof", "Last rise", "proof", [30, 40, 50], Oven: new OvenUseDocument(30, tray, State: "proof")),
                    new StepDocument("hot", "Bake hot", "bake", [20, 20, 22], Oven: new OvenUseDocument(240, tray)),
                ],
                Links = [new LinkDocument("shape", "proof", 0, 5), new LinkDocument("proof", "hot", 0, 5)],
            };
            await context.SaveChangesAsync();
        }

        var form = new Dictionary<string, string> { ["Setup.Date"] = "2031-05-19", [Batches(Loaf)] = "1" };
        var page = await TestKitchen.ParseAsync(await PlanAsync(baker, form));
        var ways = page.QuerySelectorAll(".ways li").ToList();
        Assert.Equal(3, ways.Count);
        Assert.Contains(
            "Let Market squash loaf rise on the counter and not in the oven (“Last rise”)",
            ways[0].TextContent,
            StringComparison.Ordinal
        );
        // Before it is taken the choice is there to tick, and it is not.
        Assert.False(((IHtmlInputElement)page.QuerySelector($"[name='Setup.Rows[{Loaf}].OnCounter']")!).IsChecked);

        Assert.Equal(HttpStatusCode.OK, (await PlanAsync(baker, form, ways[0].QuerySelector("button")!.GetAttribute("value")!)).StatusCode);
        page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2031-05-19"));
        Assert.True(((IHtmlInputElement)page.QuerySelector($"[name='Setup.Rows[{Loaf}].OnCounter']")!).IsChecked);
        Assert.DoesNotContain("spell", page.QuerySelector(".sheet")!.TextContent, StringComparison.Ordinal);
        Assert.Single(
            page.QuerySelectorAll(".sheet tr[data-task]").Select(r => r.GetAttribute("data-task")).Distinct(),
            id => id!.Contains("proof", StringComparison.Ordinal)
        );
    }

    [Fact]
    public async Task A_day_that_fails_leaves_the_plan_before_it_alone()
    {
        var baker = await NewAsync();
        await PlanAsync(baker, new() { ["Setup.Date"] = "2031-05-06", [Batches(Loaf)] = "1" });
        await PlanAsync(
            baker,
            new()
            {
                ["Setup.Date"] = "2031-05-06",
                ["Setup.Until"] = "08:30",
                [Batches(Loaf)] = "1",
            }
        );
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2031-05-06"));
        Assert.Equal("18:00", Value(page, "Setup.Until"));
        Assert.NotNull(page.QuerySelector(".trace"));
    }

    private static async Task<IDocument> MoveAsync(HttpClient baker, string date, HttpStatusCode status, Dictionary<string, string> move)
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={date}"));
        var token = page.QuerySelector("#setup input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        var handler = move.Remove("handler", out var named) ? named : "Hand";
        var response = await baker.PostAsync(
            $"/oven-day?handler={handler}",
            new FormUrlEncodedContent(move.Append(new("date", date)).Append(new("__RequestVerificationToken", token)))
        );
        Assert.Equal(status, response.StatusCode);
        return await TestKitchen.ParseAsync(response);
    }

    private static string When(IDocument page, string task) => page.QuerySelector($".sheet tr[data-task='{task}'] .when")!.TextContent;

    [Fact]
    public async Task A_step_is_held_let_go_taken_back_and_done_again()
    {
        const string Date = "2031-06-02";
        var baker = await NewAsync();
        await PlanAsync(
            baker,
            new()
            {
                ["Setup.Date"] = Date,
                [Batches(Loaf)] = "1",
                [Batches(Plait)] = "1",
            }
        );
        var before = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Date}"));
        var task = before
            .QuerySelectorAll(".sheet tr.line-in")
            .First(r => r.TextContent.Contains("loaves", StringComparison.Ordinal))
            .GetAttribute("data-task")!;
        Assert.NotEqual("13:40", When(before, task));

        var held = await MoveAsync(
            baker,
            Date,
            HttpStatusCode.OK,
            new()
            {
                ["Do"] = "pin",
                ["Step"] = task,
                ["Value"] = "13:40",
            }
        );
        Assert.Equal("13:40", When(held, task));
        Assert.Contains("held at 13:40", held.QuerySelector(".note")!.TextContent, StringComparison.Ordinal);
        Assert.NotEmpty(held.QuerySelectorAll($".loads .is-pinned[data-task='{task}']"));
        Assert.Contains("You pinned it here.", held.QuerySelector("#why")!.TextContent, StringComparison.Ordinal);

        // Planning the same list again keeps it; another list lets it go and says so.
        await PlanAsync(
            baker,
            new()
            {
                ["Setup.Date"] = Date,
                [Batches(Loaf)] = "1",
                [Batches(Plait)] = "1",
                ["Setup.Until"] = "19:00",
            }
        );
        Assert.Equal("13:40", When(await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Date}")), task));
        await MoveAsync(baker, Date, HttpStatusCode.OK, new() { ["handler"] = "Undo" });
        var undone = await MoveAsync(baker, Date, HttpStatusCode.OK, new() { ["handler"] = "Undo" });
        Assert.Equal(When(before, task), When(undone, task));
        Assert.Equal("13:40", When(await MoveAsync(baker, Date, HttpStatusCode.OK, new() { ["handler"] = "Redo" }), task));
        var free = await MoveAsync(baker, Date, HttpStatusCode.OK, new() { ["Do"] = "free", ["Step"] = task });
        Assert.Empty(free.QuerySelectorAll(".is-pinned"));
    }

    [Fact]
    public async Task Several_changes_are_taken_back_one_by_one_and_done_again_until_another_is_made()
    {
        const string Date = "2031-06-12";
        var baker = await NewAsync();
        await PlanAsync(
            baker,
            new()
            {
                ["Setup.Date"] = Date,
                [Batches(Loaf)] = "1",
                [Batches(Plait)] = "1",
            }
        );
        string Sheet(IDocument page) =>
            string.Join(
                "\n",
                page.QuerySelectorAll(".sheet tr[data-task]")
                    .Select(r => $"{r.GetAttribute("data-task")} {r.QuerySelector(".when")!.TextContent.Trim()}")
            );
        async Task<IDocument> LookAsync() => await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Date}"));

        var states = new List<string> { Sheet(await LookAsync()) };
        var task = (await LookAsync())
            .QuerySelectorAll(".sheet tr.line-in")
            .First(r => r.TextContent.Contains("loaves", StringComparison.Ordinal))
            .GetAttribute("data-task")!;
        foreach (var hour in new[] { "12:30", "13:10", "13:40" })
        {
            await MoveAsync(
                baker,
                Date,
                HttpStatusCode.OK,
                new()
                {
                    ["Do"] = "pin",
                    ["Step"] = task,
                    ["Value"] = hour,
                }
            );
            states.Add(Sheet(await LookAsync()));
        }

        Assert.Equal(states.Count, states.Distinct().Count());
        for (var i = 2; i >= 0; i--)
        {
            await MoveAsync(baker, Date, HttpStatusCode.OK, new() { ["handler"] = "Undo" });
            Assert.Equal(states[i], Sheet(await LookAsync()));
        }

        // There is nothing before the beginning; asked again, the day stays.
        await MoveAsync(baker, Date, HttpStatusCode.NotFound, new() { ["handler"] = "Undo" });
        Assert.Equal(states[0], Sheet(await LookAsync()));
        for (var i = 1; i <= 2; i++)
        {
            await MoveAsync(baker, Date, HttpStatusCode.OK, new() { ["handler"] = "Redo" });
            Assert.Equal(states[i], Sheet(await LookAsync()));
        }

        // A change made here leaves nothing to do again, and can be taken back itself.
        await MoveAsync(baker, Date, HttpStatusCode.OK, new() { ["Do"] = "lean", ["Value"] = "lessOven" });
        await MoveAsync(baker, Date, HttpStatusCode.NotFound, new() { ["handler"] = "Redo" });
        await MoveAsync(baker, Date, HttpStatusCode.OK, new() { ["handler"] = "Undo" });
        Assert.Equal(states[2], Sheet(await LookAsync()));
    }

    [Theory]
    [InlineData("pin", "half past", "as 14:10")]
    [InlineData("pin", "07:10", "before the day starts")]
    [InlineData("pin", "17:59", "so late")]
    [InlineData("more", "lots", "whole number")]
    [InlineData("more", "1", "at least")]
    [InlineData("together", "", "Choose the other step")]
    [InlineData("dance", "", "cannot be done")]
    public async Task A_move_that_cannot_be_is_said_at_the_step_and_the_plan_stays(string what, string value, string words)
    {
        const string Date = "2031-06-03";
        var baker = await NewAsync();
        await PlanAsync(baker, new() { ["Setup.Date"] = Date, [Batches(Loaf)] = "1" });
        var before = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Date}"));
        var task = before.QuerySelector(".sheet tr.line-in")!.GetAttribute("data-task")!;
        var page = await MoveAsync(
            baker,
            Date,
            HttpStatusCode.UnprocessableEntity,
            new()
            {
                ["Do"] = what,
                ["Step"] = task,
                ["Value"] = value,
            }
        );
        Assert.Contains(words, page.QuerySelector("#why .said-wrong")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(When(before, task), When(page, task));
    }

    [Fact]
    public async Task Pins_that_contradict_say_so_and_offer_to_let_one_go()
    {
        const string Date = "2031-06-04";
        var baker = await NewAsync();
        await PlanAsync(
            baker,
            new()
            {
                ["Setup.Date"] = Date,
                [Batches(Loaf)] = "1",
                [Batches(Plait)] = "1",
            }
        );
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Date}"));
        var hands = page.QuerySelectorAll(".sheet tr.line-work").Select(r => r.GetAttribute("data-task")!).ToList();
        await MoveAsync(
            baker,
            Date,
            HttpStatusCode.OK,
            new()
            {
                ["Do"] = "pin",
                ["Step"] = hands.First(h => h.StartsWith("1.", StringComparison.Ordinal)),
                ["Value"] = "10:00",
            }
        );
        var clash = await MoveAsync(
            baker,
            Date,
            HttpStatusCode.UnprocessableEntity,
            new()
            {
                ["Do"] = "pin",
                ["Step"] = hands.First(h => h.StartsWith("2.", StringComparison.Ordinal)),
                ["Value"] = "10:02",
            }
        );
        Assert.Contains("pinned to 10:00", clash.QuerySelector(".clash")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("move: it would start at", clash.QuerySelector(".ways")!.TextContent, StringComparison.Ordinal);
        Assert.NotNull(clash.QuerySelector(".trace"));
    }

    [Fact]
    public async Task A_day_is_rehearsed_leant_kept_beside_and_compared()
    {
        const string Date = "2031-06-05";
        var baker = await NewAsync();
        await PlanAsync(
            baker,
            new()
            {
                ["Setup.Date"] = Date,
                [Batches(Loaf)] = "1",
                [Batches(Plait)] = "1",
                [$"Setup.Rows[{Loaf}].ReadyBy"] = "16:00",
            }
        );
        var rehearsal = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?handler=Rehearse&date={Date}"));
        Assert.Contains("ready by 16:00 on", rehearsal.QuerySelector(".chances")!.TextContent, StringComparison.Ordinal);
        Assert.NotEmpty(rehearsal.QuerySelectorAll(".spread rect"));
        await MoveAsync(baker, Date, HttpStatusCode.OK, new() { ["handler"] = "Keep" });
        var leant = await MoveAsync(baker, Date, HttpStatusCode.OK, new() { ["Do"] = "lean", ["Value"] = "LessOven" });
        Assert.Equal("less oven", leant.QuerySelector(".leans .is-taken")!.TextContent);
        var address = leant.QuerySelector(".alternatives a")!.GetAttribute("href")!;
        var compare = await TestKitchen.ParseAsync(await baker.GetAsync(address));
        Assert.Equal(
            ["Done by", "Goes well on", "Done at usual times", "In the kitchen", "Oven on", "Heat changes"],
            compare.QuerySelectorAll(".compare tbody th").Take(6).Select(t => t.TextContent)
        );
        var id = address[(address.LastIndexOf("id=", StringComparison.Ordinal) + 3)..];
        var taken = await MoveAsync(
            baker,
            Date,
            HttpStatusCode.OK,
            new()
            {
                ["handler"] = "Alternative",
                ["id"] = id,
                ["what"] = "take",
            }
        );
        Assert.Equal("done early", taken.QuerySelector(".leans .is-taken")!.TextContent);
    }

    [Fact]
    public async Task What_if_is_worked_out_and_keeps_nothing()
    {
        const string Date = "2031-06-06";
        var baker = await NewAsync();
        await PlanAsync(baker, new() { ["Setup.Date"] = Date, [Batches(Loaf)] = "1" });
        var before = await baker.GetStringAsync($"/oven-day?date={Date}");
        var task = (await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Date}")))
            .QuerySelector(".sheet tr.line-in")!
            .GetAttribute("data-task")!;
        var words = await baker.GetStringAsync($"/oven-day?handler=WhatIf&date={Date}&step={task}&minutes=30");
        Assert.StartsWith("30 min later: Done by", words, StringComparison.Ordinal);
        Assert.Equal(before.Length, (await baker.GetStringAsync($"/oven-day?date={Date}")).Length);
    }

    [Fact]
    public async Task A_night_in_between_lets_dough_rise_in_the_cold()
    {
        const string Date = "2031-06-07";
        var baker = await NewAsync();
        var response = await PlanAsync(
            baker,
            new()
            {
                ["Setup.Date"] = Date,
                ["Setup.From"] = "18:00",
                ["Setup.RestFrom"] = "21:30",
                ["Setup.RestUntil"] = "07:00",
                ["Setup.Until"] = "12:00",
                [Batches(Plait)] = "1",
            }
        );
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={Date}"));
        Assert.Equal(
            ("21:30", "07:00", "12:00"),
            (Value(page, "Setup.RestFrom"), Value(page, "Setup.RestUntil"), Value(page, "Setup.Until"))
        );
        Assert.Single(page.QuerySelectorAll(".trace .rest"));
        Assert.All(
            page.QuerySelectorAll(".sheet tr.line-work .when, .sheet tr.line-in .when"),
            w =>
                Assert.False(
                    string.CompareOrdinal(w.TextContent, "21:30") >= 0 || string.CompareOrdinal(w.TextContent, "07:00") < 0,
                    w.TextContent
                )
        );
    }

    [Fact]
    public async Task A_rest_half_given_is_said_at_its_field()
    {
        var page = await TestKitchen.ParseAsync(
            await PlanAsync(await NewAsync(), new() { [Batches(Loaf)] = "1", ["Setup.RestFrom"] = "22:00" })
        );
        Assert.Contains("Until when", page.QuerySelector("#wrong-rest")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("22:00", page.QuerySelector("[name='Setup.RestFrom']")!.GetAttribute("value"));
    }

    [Fact]
    public async Task A_wish_for_an_hour_is_met()
    {
        var baker = await NewAsync();
        await PlanAsync(
            baker,
            new()
            {
                ["Setup.Date"] = "2031-05-07",
                [Batches(Plait)] = "1",
                [Batches(Loaf)] = "1",
                [$"Setup.Rows[{Loaf}].ReadyBy"] = "11:45",
            }
        );
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2031-05-07"));
        var cool = page.QuerySelectorAll(".sheet tr").Single(r => r.TextContent.Contains("Cool the loaves", StringComparison.Ordinal));
        var start = TimeSpan.Parse(cool.QuerySelector(".when")!.TextContent);
        Assert.True(start + TimeSpan.FromMinutes(100) <= new TimeSpan(11, 45, 0));
    }
}
