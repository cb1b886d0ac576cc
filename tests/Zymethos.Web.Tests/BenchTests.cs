using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Zymethos.Store;
using Zymethos.Work.Benches;

namespace Zymethos.Web.Tests;

/// <summary>A day at work: what is told is kept once and in its right time, and nobody else sees it.</summary>
public sealed class BenchTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private async Task<(HttpClient Baker, string Session)> AtWorkAsync(string recipe = "market-squash-loaf")
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        return (baker, await TestKitchen.BeginAsync(baker, recipe));
    }

    private static async Task<HttpResponseMessage> TellAsync(HttpClient baker, string session, object told, bool withHeader = true)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/bench/{session}/events")
        {
            Content = new StringContent(JsonSerializer.Serialize(told), Encoding.UTF8, "application/json"),
        };
        if (withHeader)
            request.Headers.Add("X-Bench", "1");
        return await baker.SendAsync(request);
    }

    private static object Touch(string kind, DateTimeOffset at, string? step = null, string? id = null) =>
        new
        {
            id = id ?? Guid.NewGuid().ToString(),
            kind,
            at = at.ToString("O"),
            step = step ?? "1.1.mix.1",
        };

    private static async Task<JsonElement> NewsAsync(HttpClient baker, string session) =>
        await (await baker.GetAsync($"/bench/{session}/news?after=0")).Content.ReadFromJsonAsync<JsonElement>();

    private static async Task<JsonElement> SheetAsync(HttpClient baker, string session) =>
        await (await baker.GetAsync($"/bench/{session}/sheet")).Content.ReadFromJsonAsync<JsonElement>();

    [Fact]
    public async Task A_recipe_straight_from_the_Book_lies_on_the_Bench_with_amounts_done_tests_and_cautions()
    {
        var (baker, session) = await AtWorkAsync();
        var sheet = await SheetAsync(baker, session);
        var steps = sheet.GetProperty("steps").EnumerateArray().ToList();
        Assert.Contains(steps, s => s.GetProperty("amounts").GetArrayLength() >= 3);
        Assert.Contains(steps, s => s.GetProperty("doneTests").GetArrayLength() > 0);
        Assert.Contains(steps, s => s.GetProperty("cautions").GetArrayLength() > 0);
        Assert.Contains("wheat", sheet.GetProperty("bakes")[0].GetProperty("allergens").ToString(), StringComparison.OrdinalIgnoreCase);
        var news = await NewsAsync(baker, session);
        Assert.NotEmpty(news.GetProperty("rest").GetProperty("acts").EnumerateArray());
        Assert.Contains(news.GetProperty("rest").GetProperty("dials").EnumerateArray(), d => d.GetProperty("celsius").GetDouble() > 100);
    }

    [Fact]
    public async Task What_goes_in_is_named_by_the_step_and_not_by_another_part_of_the_recipe()
    {
        var (baker, session) = await AtWorkAsync("window-shapes");
        var mix = (await SheetAsync(baker, session))
            .GetProperty("steps")
            .EnumerateArray()
            .First(s => s.GetProperty("title").GetString()!.StartsWith("Mix the butter dough", StringComparison.Ordinal));
        var amounts = mix.GetProperty("amounts").EnumerateArray().Select(a => a.GetProperty("ingredient").GetString()!).ToList();
        Assert.Contains(amounts, a => a.Contains("butter", StringComparison.Ordinal));
        Assert.Contains(amounts, a => a.Contains("flour", StringComparison.Ordinal));
        Assert.Contains(amounts, a => a.Contains("egg", StringComparison.Ordinal));
        // The icing has its sugar as well; its own step says so.
        Assert.Single(amounts, a => a.Contains("sugar", StringComparison.Ordinal));
    }

    [Fact]
    public async Task Dry_things_that_no_step_names_are_not_left_out()
    {
        var (baker, session) = await AtWorkAsync("lamplight-ginger-rounds");
        var sheet = await SheetAsync(baker, session);
        var shown = sheet
            .GetProperty("steps")
            .EnumerateArray()
            .SelectMany(s => s.GetProperty("amounts").EnumerateArray())
            .Select(a => a.GetProperty("ingredient").GetString())
            .ToHashSet();
        var all = sheet.GetProperty("bakes")[0].GetProperty("lines").EnumerateArray().Select(l => l.GetProperty("ingredient").GetString());
        Assert.Contains(shown, i => i!.Contains("flour", StringComparison.Ordinal));
        Assert.Empty(all.Except(shown));
    }

    [Fact]
    public async Task A_touch_told_twice_is_there_once_and_one_that_cannot_be_read_does_not_keep_the_others_back()
    {
        var (baker, session) = await AtWorkAsync();
        var now = DateTimeOffset.UtcNow;
        var id = Guid.NewGuid().ToString();
        var told = new
        {
            sentAt = now.ToString("O"),
            events = new[] { Touch("started", now, id: id), Touch("flew away", now), Touch("done", now) },
        };
        for (var i = 0; i < 3; i++)
        {
            var answer = await (await TellAsync(baker, session, told)).Content.ReadFromJsonAsync<JsonElement>();
            Assert.Equal(2, answer.GetProperty("kept").GetArrayLength());
            Assert.Equal(1, answer.GetProperty("refused").GetArrayLength());
        }

        var events = (await NewsAsync(baker, session)).GetProperty("events").EnumerateArray().ToList();
        Assert.Equal(2, events.Count);
        Assert.Equal(id, events[0].GetProperty("id").GetString());
    }

    [Fact]
    public async Task A_device_seven_minutes_fast_is_put_right_and_nothing_happens_in_the_future()
    {
        var (baker, session) = await AtWorkAsync();
        var theirs = DateTimeOffset.UtcNow.AddMinutes(7);
        var answer = await TellAsync(
            baker,
            session,
            new
            {
                sentAt = theirs.ToString("O"),
                events = new[] { Touch("started", theirs.AddMinutes(-3)), Touch("done", theirs.AddHours(5)) },
            }
        );
        Assert.InRange((await answer.Content.ReadFromJsonAsync<JsonElement>()).GetProperty("clockOff").GetDouble(), 410, 430);
        var events = (await NewsAsync(baker, session)).GetProperty("events").EnumerateArray().ToList();
        var (began, ended) = (events[0].GetProperty("at").GetDateTimeOffset(), events[1].GetProperty("at").GetDateTimeOffset());
        Assert.InRange((DateTimeOffset.UtcNow - began).TotalMinutes, 2.9, 3.5);
        Assert.InRange((DateTimeOffset.UtcNow - ended).TotalMinutes, 0, 0.5);
    }

    [Fact]
    public async Task What_is_told_moves_what_is_expected()
    {
        var (baker, session) = await AtWorkAsync();
        var news = await NewsAsync(baker, session);
        var first = news.GetProperty("rest").GetProperty("acts")[0].GetProperty("step").GetString()!;
        Assert.False(news.GetProperty("rest").GetProperty("steps").GetProperty(first).GetProperty("begun").GetBoolean());
        await TellAsync(baker, session, new { events = new[] { Touch("started", DateTimeOffset.UtcNow, first) } });
        news = await NewsAsync(baker, session);
        Assert.True(news.GetProperty("rest").GetProperty("steps").GetProperty(first).GetProperty("begun").GetBoolean());
        await TellAsync(baker, session, new { events = new[] { Touch("done", DateTimeOffset.UtcNow, first) } });
        news = await NewsAsync(baker, session);
        Assert.True(news.GetProperty("rest").GetProperty("steps").GetProperty(first).GetProperty("over").GetBoolean());
        Assert.NotEqual(first, news.GetProperty("rest").GetProperty("acts")[0].GetProperty("step").GetString());
    }

    [Fact]
    public async Task One_oven_works_through_one_session_at_a_time_and_says_which()
    {
        var (baker, _) = await AtWorkAsync();
        var second = await TestKitchen.BenchFormAsync(baker, "Recipe", new() { ["key"] = "allotment-loaf", ["batches"] = "1" });
        Assert.Equal(HttpStatusCode.Conflict, second.StatusCode);
        Assert.Contains("at work on the Bench already", await second.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var wrong = await TestKitchen.BenchFormAsync(baker, "Recipe", new() { ["key"] = "allotment-loaf", ["batches"] = "99" });
        Assert.Contains("Between 1 and 12 batches", await wrong.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_session_that_is_put_away_makes_room_and_can_be_taken_up_again()
    {
        var (baker, session) = await AtWorkAsync();
        await TestKitchen.BenchFormAsync(baker, "Away", new() { ["session"] = session });
        Assert.True((await NewsAsync(baker, session)).GetProperty("isAway").GetBoolean());
        var other = await TestKitchen.BeginAsync(baker, "allotment-loaf");
        var refused = await TestKitchen.BenchFormAsync(baker, "Again", new() { ["session"] = session });
        Assert.Equal(HttpStatusCode.Conflict, refused.StatusCode);
        await TestKitchen.BenchFormAsync(baker, "Away", new() { ["session"] = other });
        var again = await TestKitchen.BenchFormAsync(baker, "Again", new() { ["session"] = session });
        Assert.EndsWith(session, again.RequestMessage!.RequestUri!.AbsolutePath, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Another_kitchen_finds_nothing_there()
    {
        var (_, session) = await AtWorkAsync();
        var stranger = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        foreach (var what in new[] { "", "/sheet", "/news", "/offer", "/stream", "/helpers" })
            Assert.Equal(HttpStatusCode.NotFound, (await stranger.GetAsync($"/bench/{session}{what}")).StatusCode);
        var told = await TellAsync(stranger, session, new { events = new[] { Touch("started", DateTimeOffset.UtcNow) } });
        Assert.Equal(HttpStatusCode.NotFound, told.StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await PostAsync(stranger, session, "away")).StatusCode);
    }

    [Fact]
    public async Task A_page_of_another_site_cannot_tell_anything()
    {
        var (baker, session) = await AtWorkAsync();
        var told = await TellAsync(baker, session, new { events = new[] { Touch("started", DateTimeOffset.UtcNow) } }, withHeader: false);
        Assert.Equal(HttpStatusCode.NotFound, told.StatusCode);
        Assert.Empty((await NewsAsync(baker, session)).GetProperty("events").EnumerateArray());
    }

    [Fact]
    public async Task A_helper_with_a_pass_sees_this_day_and_nothing_else_and_can_be_shut_out()
    {
        var (baker, session) = await AtWorkAsync();
        var address = await PassAsync(baker, session);
        var helper = kitchen.Visitor();
        var came = await JoinAsync(helper, address, "Robin");
        Assert.EndsWith($"/bench/{session}", came.RequestMessage!.RequestUri!.AbsolutePath, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, (await helper.GetAsync($"/bench/{session}/news")).StatusCode);
        var told = await TellAsync(helper, session, new { events = new[] { Touch("started", DateTimeOffset.UtcNow) } });
        Assert.Equal(HttpStatusCode.OK, told.StatusCode);
        // Nothing else: not the Book, not other days, not who helps, not putting it away.
        foreach (var place in new[] { "/book", "/kitchen", "/oven-day", "/season" })
            Assert.Contains(
                "/account/sign-in",
                (await helper.GetAsync(place)).RequestMessage!.RequestUri!.AbsolutePath,
                StringComparison.Ordinal
            );
        foreach (var place in new[] { "/bench", $"/bench/{session}/helpers" })
            Assert.Equal(HttpStatusCode.Unauthorized, (await helper.GetAsync(place)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await PostAsync(helper, session, "away")).StatusCode);
        await TestKitchen.BenchFormAsync(baker, "Away", new() { ["session"] = session });
        var other = await TestKitchen.BeginAsync(baker, "allotment-loaf");
        Assert.Equal(HttpStatusCode.Unauthorized, (await helper.GetAsync($"/bench/{other}/news")).StatusCode);
    }

    [Fact]
    public async Task A_helper_who_is_shut_out_is_out_at_once_and_yesterdays_pass_does_not_let_in()
    {
        var (baker, session) = await AtWorkAsync();
        var address = await PassAsync(baker, session);
        var helper = kitchen.Visitor(follow: false);
        await JoinAsync(kitchen.Visitor(), address, "Robin");
        await JoinAsync(helper, address, "Robin");
        Assert.Equal(HttpStatusCode.OK, (await helper.GetAsync($"/bench/{session}/news")).StatusCode);
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/bench/{session}/helpers"));
        var form = page.QuerySelector("form[action*=ShutOut]")!;
        await baker.PostAsync(
            $"/bench/{session}/helpers?handler=ShutOut",
            new FormUrlEncodedContent(
                form.QuerySelectorAll("input")
                    .Select(i => new KeyValuePair<string, string>(i.GetAttribute("name")!, i.GetAttribute("value")!))
            )
        );
        Assert.NotEqual(HttpStatusCode.OK, (await helper.GetAsync($"/bench/{session}/news")).StatusCode);
        Assert.Contains(
            "does not let in any more",
            await (await kitchen.Visitor().GetAsync(address)).Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );

        var yesterday = await PassAsync(baker, session);
        await using (var context = kitchen.Context(await KitchenOfAsync(session)))
            await context.BenchPasses.ExecuteUpdateAsync(p =>
                p.SetProperty(r => r.Until, NodaTime.SystemClock.Instance.GetCurrentInstant())
            );
        Assert.Contains(
            "does not let in any more",
            await (await kitchen.Visitor().GetAsync(yesterday)).Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_helper_says_a_name_and_a_wrong_one_is_said_at_the_field()
    {
        var (baker, session) = await AtWorkAsync();
        var answer = await JoinAsync(kitchen.Visitor(), await PassAsync(baker, session), " ");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        var page = await TestKitchen.ParseAsync(answer);
        Assert.Equal("What shall we call you?", page.QuerySelector("#name-wrong")!.TextContent.Trim());
        Assert.Equal("true", page.QuerySelector("#name")!.GetAttribute("aria-invalid"));
    }

    [Fact]
    public async Task Another_order_is_taken_once_and_not_when_the_day_has_another_by_then()
    {
        var (baker, session) = await AtWorkAsync();
        await using var context = kitchen.Context(await KitchenOfAsync(session));
        var starts = (await context.BenchSessions.AsNoTracking().SingleAsync()).Plan.Tasks.Select(t => t.Start + 5).ToArray();
        Assert.Equal(HttpStatusCode.NoContent, (await PostAsync(baker, session, "order", new { plan = 1, starts })).StatusCode);
        Assert.Equal(HttpStatusCode.Conflict, (await PostAsync(baker, session, "order", new { plan = 1, starts })).StatusCode);
        Assert.Equal(
            HttpStatusCode.Conflict,
            (await PostAsync(baker, session, "order", new { plan = 2, starts = new[] { 1 } })).StatusCode
        );
        var row = await context.BenchSessions.AsNoTracking().SingleAsync();
        Assert.Equal(2, row.PlanNumber);
        Assert.NotEqual(row.Planned.Tasks.Select(t => t.Start), row.Plan.Tasks.Select(t => t.Start));
        Assert.Equal(2, (await SheetAsync(baker, session)).GetProperty("plan").GetInt32());
    }

    [Fact]
    public async Task Word_of_a_touch_reaches_whoever_listens_within_a_second()
    {
        var (baker, session) = await AtWorkAsync();
        using var stream = await baker.GetAsync($"/bench/{session}/stream", HttpCompletionOption.ResponseHeadersRead);
        using var reader = new StreamReader(await stream.Content.ReadAsStreamAsync());
        Assert.Contains("\"seq\":0", await DataAsync(reader), StringComparison.Ordinal);
        await Task.Delay(300);
        var clock = System.Diagnostics.Stopwatch.StartNew();
        await TellAsync(baker, session, new { events = new[] { Touch("started", DateTimeOffset.UtcNow) } });
        var heard = await DataAsync(reader);
        Assert.DoesNotContain("\"seq\":0", heard, StringComparison.Ordinal);
        Assert.True(clock.Elapsed < TimeSpan.FromSeconds(3), $"{clock.Elapsed}");
    }

    [Fact]
    public async Task Touches_told_from_many_hands_at_once_are_all_there_and_in_one_order()
    {
        var (baker, session) = await AtWorkAsync();
        var ids = Enumerable.Range(0, 60).Select(_ => Guid.NewGuid().ToString()).ToList();
        await Parallel.ForEachAsync(
            ids.Concat(ids),
            new ParallelOptions { MaxDegreeOfParallelism = 8 },
            async (id, _) => await TellAsync(baker, session, new { events = new[] { Touch("started", DateTimeOffset.UtcNow, id: id) } })
        );
        await using var context = kitchen.Context(await KitchenOfAsync(session));
        var rows = await context.BenchEvents.AsNoTracking().OrderBy(e => e.Seq).ToListAsync();
        Assert.Equal(ids.Order(), rows.Select(r => r.Id.ToString()).Order());
        Assert.Equal(rows.Count, rows.Select(r => r.Seq).Distinct().Count());
    }

    [Fact]
    public async Task Too_much_at_once_and_nonsense_are_refused_in_words()
    {
        var (baker, session) = await AtWorkAsync();
        var many = Enumerable.Range(0, BenchTelling.MostAtOnce + 1).Select(_ => Touch("started", DateTimeOffset.UtcNow)).ToArray();
        Assert.Equal(HttpStatusCode.BadRequest, (await TellAsync(baker, session, new { events = many })).StatusCode);
        var answer = await TellAsync(baker, session, new { events = "all of it" });
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("cannot be read", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    private static async Task<string> DataAsync(StreamReader reader)
    {
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(20));
        while (await reader.ReadLineAsync(patience.Token) is { } line)
        {
            if (line.StartsWith("data:", StringComparison.Ordinal))
                return line;
        }

        throw new InvalidOperationException("The stream has ended.");
    }

    private async Task<Guid> KitchenOfAsync(string session)
    {
        var id = Guid.Parse(session);
        await using var context = kitchen.Context(null);
        return await context.BenchSessions.IgnoreQueryFilters().Where(s => s.Id == id).Select(s => s.KitchenId).SingleAsync();
    }

    private static async Task<HttpResponseMessage> PostAsync(HttpClient client, string session, string what, object? body = null)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/bench/{session}/{what}")
        {
            Content = new StringContent(JsonSerializer.Serialize(body ?? new { }), Encoding.UTF8, "application/json"),
        };
        request.Headers.Add("X-Bench", "1");
        return await client.SendAsync(request);
    }

    private static async Task<string> PassAsync(HttpClient baker, string session)
    {
        var made = await TestKitchen.PostAsync(baker, $"/bench/{session}/helpers", "form[action*=Make]", []);
        var page = await TestKitchen.ParseAsync(made);
        Assert.NotNull(page.QuerySelector(".bench-code svg"));
        return new Uri(page.QuerySelector("#pass-address")!.GetAttribute("href")!).AbsolutePath;
    }

    private static Task<HttpResponseMessage> JoinAsync(HttpClient helper, string address, string name) =>
        TestKitchen.PostAsync(helper, address, "form.bench-join", new() { ["HelperName"] = name });
}
