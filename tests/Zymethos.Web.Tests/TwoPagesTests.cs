using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Store.Days;
using Zymethos.Work.LongSearches;

namespace Zymethos.Web.Tests;

/// <summary>
/// Two bakers of one kitchen, or two tabs of one baker: what is pressed on a page that shows yesterday's state changes nothing, says who
/// was quicker and what stands, and keeps theirs.
/// Each test presses a button of a page that was opened before somebody else changed what it shows.
/// </summary>
public sealed class TwoPagesTests(SeasonKitchen kitchen) : IClassFixture<SeasonKitchen>
{
    private static readonly string Loaf = TestKitchen.RowOf("market-squash-loaf");
    private static readonly string Slices = TestKitchen.RowOf("orchard-almond-slices");

    private static string Batches(string row) => $"Setup.Rows[{row}].Batches";

    private async Task<HttpClient> PlannedAsync(string date)
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        await PlanAsync(baker, date, "1");
        return baker;
    }

    private static async Task PlanAsync(HttpClient baker, string date, string batches) =>
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await TestKitchen.PostAsync(
                    baker,
                    $"/oven-day?date={date}",
                    "#setup",
                    new()
                    {
                        ["Setup.Date"] = date,
                        ["Setup.From"] = "07:00",
                        ["Setup.Until"] = "19:00",
                        [Batches(Loaf)] = batches,
                    }
                )
            ).StatusCode
        );

    /// <summary>A form of a page as it was opened, to be sent later.</summary>
    private static async Task<Func<Dictionary<string, string>, Task<HttpResponseMessage>>> OpenAsync(
        HttpClient baker,
        string page,
        string form
    )
    {
        var document = await TestKitchen.ParseAsync(await baker.GetAsync(page));
        var element = (IHtmlFormElement?)document.QuerySelector(form) ?? throw new InvalidOperationException($"No {form} on {page}.");
        var fields = TestKitchen.FieldsOf(element).ToList();
        var action = element.GetAttribute("action") ?? page;
        return typed => baker.PostAsync(action, new FormUrlEncodedContent(fields.Where(f => !typed.ContainsKey(f.Key)).Concat(typed)));
    }

    private static async Task QuickerAsync(HttpResponseMessage answer, string theirs)
    {
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        var page = await TestKitchen.ParseAsync(answer);
        Assert.Contains("from another page", SeasonKitchen.Text(page, ".note"), StringComparison.Ordinal);
        Assert.Contains("not kept", SeasonKitchen.Text(page, ".note.is-refused"), StringComparison.Ordinal);
        Assert.Contains(theirs, SeasonKitchen.Text(page, ".legend"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_day_planned_from_a_stale_list_is_not_kept()
    {
        var baker = await PlannedAsync("2031-09-06");
        var mine = await OpenAsync(baker, "/oven-day?date=2031-09-06", "#setup");
        await PlanAsync(baker, "2031-09-06", "2");
        await QuickerAsync(await mine(new() { [Batches(Slices)] = "1" }), "2 batches");
        // Their plan is what was shown, so the same button works now.
        Assert.Equal(
            HttpStatusCode.OK,
            (await (await OpenAsync(baker, "/oven-day?date=2031-09-06", "#setup"))(new() { [Batches(Slices)] = "1" })).StatusCode
        );
    }

    [Fact]
    public async Task A_day_that_somebody_planned_while_the_form_stood_empty_is_not_overwritten()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var mine = await OpenAsync(baker, "/oven-day?date=2031-09-07", "#setup");
        await PlanAsync(baker, "2031-09-07", "2");
        await QuickerAsync(
            await mine(
                new()
                {
                    ["Setup.Date"] = "2031-09-07",
                    ["Setup.From"] = "07:00",
                    ["Setup.Until"] = "19:00",
                    [Batches(Slices)] = "1",
                }
            ),
            "2 batches"
        );
    }

    [Theory]
    [InlineData("form[action*='handler=Hand']")]
    [InlineData("form[action*='handler=Undo']")]
    [InlineData("form[action*='handler=TakeOff']")]
    public async Task A_button_of_a_stale_day_does_nothing(string form)
    {
        var date = $"2031-10-{10 + (form.Length % 17):00}";
        var baker = await PlannedAsync(date);
        await PlanAsync(baker, date, "1");
        var mine = await OpenAsync(baker, $"/oven-day?date={date}", form);
        await PlanAsync(baker, date, "2");
        await QuickerAsync(await mine(new() { ["Do"] = "lean", ["Value"] = "calm" }), "2 batches");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={date}"));
        Assert.Contains("2 batches", SeasonKitchen.Text(page, ".legend"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_day_that_was_taken_off_is_not_changed()
    {
        var baker = await PlannedAsync("2031-09-13");
        var mine = await OpenAsync(baker, "/oven-day?date=2031-09-13", "#setup");
        await (await OpenAsync(baker, "/oven-day?date=2031-09-13", "form[action*='handler=TakeOff']"))([]);
        var answer = await mine(new() { [Batches(Loaf)] = "3" });
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        Assert.Contains("deleted", SeasonKitchen.Text(await TestKitchen.ParseAsync(answer), "main"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_plans_at_the_same_moment_keep_one_and_say_so_to_the_other()
    {
        var baker = await PlannedAsync("2031-09-20");
        var one = await OpenAsync(baker, "/oven-day?date=2031-09-20", "#setup");
        var other = await OpenAsync(baker, "/oven-day?date=2031-09-20", "#setup");
        var answers = await Task.WhenAll(one(new() { [Batches(Loaf)] = "2" }), other(new() { [Batches(Loaf)] = "3" }));
        Assert.Equal([HttpStatusCode.OK, HttpStatusCode.Conflict], answers.Select(a => a.StatusCode).Order());
    }

    [Fact]
    public async Task A_search_asked_for_many_times_at_once_is_one_and_one_that_was_stopped_is_begun_again()
    {
        var baker = await PlannedAsync("2031-11-08");
        var date = new LocalDate(2031, 11, 8);
        await using var all = kitchen.Context(null);
        var owner = await all.OvenDays.IgnoreQueryFilters().Where(d => d.Date == date).Select(d => d.KitchenId).SingleAsync();
        async Task<Guid?> BeginAsync()
        {
            await using var own = kitchen.Context(owner);
            return (
                await ActivatorUtilities.CreateInstance<LongSearchDesk>(kitchen.Services, own).BeginAsync(date, CancellationToken.None)
            )?.Id;
        }

        var first = (await Task.WhenAll(Enumerable.Range(0, 5).Select(_ => BeginAsync()))).Distinct().ToList();
        Assert.Single(first);
        // Taken up, and asked to stop: it has not ended yet, and whoever asks again wants another.
        await using (var own = kitchen.Context(owner))
            await own
                .LongSearches.Where(s => s.Id == first[0])
                .ExecuteUpdateAsync(u => u.SetProperty(s => s.State, LongSearchState.Running).SetProperty(s => s.StopAsked, true));
        Assert.NotEqual(first[0], await BeginAsync());
        Assert.NotNull(baker);
    }

    [Fact]
    public async Task A_step_is_held_at_its_moment_also_after_midnight()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await TestKitchen.PostAsync(
                    baker,
                    "/oven-day?date=2031-11-15",
                    "#setup",
                    new()
                    {
                        ["Setup.Date"] = "2031-11-15",
                        ["Setup.From"] = "18:00",
                        ["Setup.RestFrom"] = "22:00",
                        ["Setup.RestUntil"] = "06:00",
                        ["Setup.Until"] = "15:00",
                        [Batches(Loaf)] = "1",
                    }
                )
            ).StatusCode
        );
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2031-11-15"));
        var hand = page.QuerySelectorAll(".trace .hands a").Last();
        Assert.Matches(@"^2031-11-1[56]T\d\d:\d\d$", hand.GetAttribute("data-start"));
        var mine = await OpenAsync(baker, "/oven-day?date=2031-11-15", "form[action*='handler=Hand']");
        var answer = await mine(
            new()
            {
                ["Do"] = "pin",
                ["Step"] = hand.GetAttribute("data-task")!,
                ["Value"] = "2031-11-16T11:30",
            }
        );
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        var after = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day?date=2031-11-15"));
        Assert.Contains(
            after.QuerySelectorAll($"[data-task='{hand.GetAttribute("data-task")}']"),
            a => a.GetAttribute("data-start") == "2031-11-16T11:30"
        );
    }

    [Fact]
    public async Task A_stale_season_form_overwrites_nothing()
    {
        var (baker, season, _) = await kitchen.BegunAsync(("market-squash-loaf", 2));
        var mine = await OpenAsync(baker, $"{season}/edit", "#season-form");
        var theirs = await OpenAsync(baker, $"{season}/edit", "#season-form");
        Assert.Equal(HttpStatusCode.OK, (await theirs(new() { ["Form.Name"] = "Theirs" })).StatusCode);
        var answer = await mine(new() { ["Form.Name"] = "Mine" });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        var page = await TestKitchen.ParseAsync(answer);
        Assert.Contains("from another page", SeasonKitchen.Text(page, "main"), StringComparison.Ordinal);
        Assert.Equal("Mine", ((IHtmlInputElement)page.QuerySelector("[name='Form.Name']")!).Value);
        Assert.Contains(
            "Theirs",
            SeasonKitchen.Text(await TestKitchen.ParseAsync(await baker.GetAsync(season)), "h1, .page-head"),
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData("Again")]
    [InlineData("Done")]
    [InlineData("Undo")]
    public async Task A_button_of_a_stale_season_does_nothing(string handler)
    {
        var (baker, season, _) = await kitchen.BegunAsync(("market-squash-loaf", 2), ("orchard-almond-slices", 36));
        // Something to take back.
        await (await OpenAsync(baker, $"{season}/edit", "#season-form"))(new() { ["Form.Name"] = "First" });
        var seen = (await TestKitchen.ParseAsync(await baker.GetAsync(season))).QuerySelector("input[name=seen]")!.GetAttribute("value")!;
        await (await OpenAsync(baker, $"{season}/edit", "#season-form"))(new() { ["Form.Name"] = "Theirs" });
        var answer = await SeasonKitchen.PressAsync(
            baker,
            season,
            handler,
            new()
            {
                ["seen"] = seen,
                ["need"] = "n1",
                ["stretch"] = "0",
            }
        );
        var page = await TestKitchen.ParseAsync(answer);
        Assert.Contains("from another page", SeasonKitchen.Text(page, "main"), StringComparison.Ordinal);
        Assert.Contains("Theirs", SeasonKitchen.Text(page, "h1, .page-head"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Every_form_that_changes_a_day_or_a_season_says_what_it_was_shown()
    {
        var baker = await PlannedAsync("2031-09-27");
        var (other, season, _) = await kitchen.BegunAsync(("market-squash-loaf", 2));
        foreach (var (client, address) in new[] { (baker, "/oven-day?date=2031-09-27"), (other, season), (other, $"{season}/edit") })
        {
            var page = await TestKitchen.ParseAsync(await client.GetAsync(address));
            var forms = page.QuerySelectorAll("main form[method=post]");
            Assert.NotEmpty(forms);
            Assert.All(forms, f => Assert.NotNull(f.QuerySelector("input[name=seen]")));
        }
    }
}
