using System.Data.Common;
using System.Net;
using System.Text.Json.Nodes;
using AngleSharp.Dom;
using Hangfire;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.TestHost;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.DependencyInjection;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Day;
using Zymethos.Store;
using Zymethos.Store.Accounts;
using Zymethos.Store.Days;
using Zymethos.Store.Kitchens;
using Zymethos.Work.LongSearches;

namespace Zymethos.Web.Tests;

/// <summary>Searches in the background: told while they go on, stopped, shared by two instances, and taken up again.</summary>
public sealed class LongSearchTests(PatientKitchen kitchen) : IClassFixture<PatientKitchen>
{
    private static readonly string[] Many =
    [
        "lantern-plait",
        "market-squash-loaf",
        "lamplight-ginger-rounds",
        "window-shapes",
        "orchard-almond-slices",
        "allotment-loaf",
        "copper-ring",
    ];

    private static async Task<T> UntilAsync<T>(Func<Task<T?>> look, string what, int seconds = 40)
        where T : class
    {
        var end = DateTime.UtcNow.AddSeconds(seconds);
        while (DateTime.UtcNow < end)
        {
            if (await look() is { } found)
                return found;
            await Task.Delay(150);
        }

        throw new TimeoutException($"Waited {seconds} s in vain: {what}");
    }

    private async Task<(HttpClient Baker, string Token)> PlannedAsync(string date)
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var rows = Many.ToDictionary(k => $"Setup.Rows[{TestKitchen.RowOf(k)}].Batches", _ => "1");
        rows["Setup.Date"] = date;
        rows["Setup.From"] = "06:00";
        rows["Setup.Until"] = "22:00";
        Assert.Equal(HttpStatusCode.OK, (await TestKitchen.PostAsync(baker, "/oven-day", "#setup", rows)).StatusCode);
        var page = await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={date}"));
        return (baker, page.QuerySelector("#setup input[name=__RequestVerificationToken]")!.GetAttribute("value")!);
    }

    private static async Task<IDocument> SendAsync(HttpClient baker, string token, string handler, Dictionary<string, string> typed) =>
        await TestKitchen.ParseAsync(
            await baker.PostAsync(
                $"/oven-day?handler={handler}",
                new FormUrlEncodedContent(typed.Append(new("__RequestVerificationToken", token)))
            )
        );

    [Fact]
    public async Task A_search_is_told_while_it_goes_on_and_ends_in_the_day()
    {
        const string Date = "2031-07-01";
        var (baker, token) = await PlannedAsync(Date);
        var page = await SendAsync(baker, token, "Look", new() { ["date"] = Date });
        var events = page.QuerySelector("[data-search]")!.GetAttribute("data-search")!;
        using var stream = new StreamReader(await baker.GetStreamAsync(events));
        var states = new List<string>();
        while (await stream.ReadLineAsync() is { } line)
        {
            if (!line.StartsWith("data: ", StringComparison.Ordinal))
                continue;
            var news = JsonNode.Parse(line[6..])!;
            states.Add((string)news["state"]!);
            Assert.InRange((double)news["share"]!, 0, 1);
        }

        Assert.Contains("running", states);
        Assert.Equal("done", states[^1]);
        var again = await TestKitchen.ParseAsync(await baker.GetAsync(page.QuerySelector("[data-again]")!.GetAttribute("data-again")));
        Assert.NotEmpty(again.QuerySelector(".note")!.TextContent);
        Assert.Null(again.QuerySelector("[data-search]"));
        Assert.NotNull(again.QuerySelector(".trace"));
        Assert.Equal(HttpStatusCode.NotFound, (await baker.GetAsync($"/oven-day/search/{Guid.NewGuid()}/events")).StatusCode);
    }

    [Fact]
    public async Task Stopping_keeps_the_best_and_two_who_stop_at_once_do_no_harm()
    {
        const string Date = "2031-07-02";
        var (baker, token) = await PlannedAsync(Date);
        var page = await SendAsync(baker, token, "Look", new() { ["date"] = Date });
        var id = Guid.Parse(page.QuerySelector(".long-search input[name=id]")!.GetAttribute("value")!);
        await using var context = kitchen.Context(null);
        Task<LongSearchRow?> FindAsync() => context.LongSearches.IgnoreQueryFilters().AsNoTracking().SingleOrDefaultAsync(s => s.Id == id);
        await UntilAsync(async () => await FindAsync() is { Found: > 0 } row ? row : null, "it finds something");
        await Task.WhenAll(
            Enumerable.Range(0, 2).Select(_ => SendAsync(baker, token, "Stop", new() { ["date"] = Date, ["id"] = $"{id}" }))
        );
        var ended = await UntilAsync(async () => await FindAsync() is { EndedAt: not null } row ? row : null, "it stops");
        Assert.Equal(LongSearchState.Stopped, ended.State);
        Assert.NotNull(ended.Plan);
        Assert.NotEmpty(ended.Said);
    }

    [Fact]
    public async Task A_day_changed_meanwhile_keeps_its_plan_and_gets_the_other_beside_it()
    {
        const string Date = "2031-07-03";
        var (baker, token) = await PlannedAsync(Date);
        var page = await SendAsync(baker, token, "Look", new() { ["date"] = Date });
        var id = Guid.Parse(page.QuerySelector(".long-search input[name=id]")!.GetAttribute("value")!);
        await using var context = kitchen.Context(null);
        var row = await UntilAsync(
            async () =>
                await context
                    .LongSearches.IgnoreQueryFilters()
                    .AsNoTracking()
                    .SingleOrDefaultAsync(s => s.Id == id && s.State == LongSearchState.Running),
            "it runs"
        );
        var day = await context.OvenDays.IgnoreQueryFilters().SingleAsync(d => d.KitchenId == row.KitchenId);
        day.Document = day.Document with { Lean = "calmer" };
        await using (var own = kitchen.Context(row.KitchenId))
        {
            (await own.OvenDays.SingleAsync()).Document = day.Document;
            await own.SaveChangesAsync();
        }

        var ended = await UntilAsync(
            async () =>
                await context.LongSearches.IgnoreQueryFilters().AsNoTracking().SingleOrDefaultAsync(s => s.Id == id && s.EndedAt != null),
            "it ends"
        );
        Assert.Contains("kept as a copy", ended.Said, StringComparison.Ordinal);
        await using var look = kitchen.Context(row.KitchenId);
        Assert.Equal("calmer", (await look.OvenDays.SingleAsync()).Document.Lean);
        Assert.Single(await look.OvenDayStates.Where(s => s.Number == 0).ToListAsync());
    }

    [Fact]
    public async Task Two_instances_on_one_database_share_the_work_and_each_can_stop_the_others()
    {
        kitchen.Visitor();
        await using var second = new SecondInstance(kitchen.Connection);
        second.CreateClient();
        var own = Guid.NewGuid();
        await using (var context = kitchen.Context(own))
        {
            context.Kitchens.Add(
                new KitchenRow
                {
                    Id = own,
                    Name = "Shared",
                    Document = DemoKitchen.Kitchen(),
                }
            );
            await context.SaveChangesAsync();
            for (var i = 0; i < 4; i++)
                context.LongSearches.Add(Row(i));
            await context.SaveChangesAsync();
            var jobs = kitchen.Services.GetRequiredService<IBackgroundJobClient>();
            foreach (var id in await context.LongSearches.Select(s => s.Id).ToListAsync())
                jobs.Enqueue<LongSearchWorker>(w => w.RunAsync(id, own, CancellationToken.None));
        }

        await using var look = kitchen.Context(own);
        var running = await UntilAsync(
            async () =>
                await look.LongSearches.AsNoTracking().Where(s => s.State == LongSearchState.Running).ToListAsync()
                    is { Count: >= 2 } several
                    ? several
                    : null,
            "two run at once"
        );
        // Whoever asks, through whichever instance, writes to the same row.
        await look.LongSearches.Where(s => s.Id == running[0].Id).ExecuteUpdateAsync(u => u.SetProperty(s => s.StopAsked, true));
        var all = await UntilAsync(
            async () =>
                await look.LongSearches.AsNoTracking().ToListAsync() is var rows && rows.TrueForAll(r => r.EndedAt is not null)
                    ? rows
                    : null,
            "all end",
            60
        );
        Assert.All(all, r => Assert.Equal(r.Id == running[0].Id ? LongSearchState.Stopped : LongSearchState.Done, r.State));
        Assert.All(all, r => Assert.Equal(1, r.Attempts));
    }

    [Fact]
    public async Task A_search_whose_instance_ended_is_taken_up_again()
    {
        var own = Guid.NewGuid();
        kitchen.Visitor();
        await using (var context = kitchen.Context(own))
        {
            context.Kitchens.Add(
                new KitchenRow
                {
                    Id = own,
                    Name = "Broken off",
                    Document = DemoKitchen.Kitchen(),
                }
            );
            context.LongSearches.Add(Row(0));
            await context.SaveChangesAsync();
        }

        await using var look = kitchen.Context(own);
        var id = (await look.LongSearches.AsNoTracking().SingleAsync()).Id;
        var worker = new LongSearchWorker(
            Zymethos.Store.StoreSetup.Options(kitchen.Connection),
            PatientSearch.Plan,
            SystemClock.Instance,
            Microsoft.Extensions.Logging.Abstractions.NullLogger<LongSearchWorker>.Instance
        );
        using var down = new CancellationTokenSource();
        var first = worker.RunAsync(id, own, down.Token);
        await UntilAsync(
            async () => await look.LongSearches.AsNoTracking().SingleAsync() is { Found: > 0 } row ? row : null,
            "it finds something"
        );
        await down.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => first);
        var broken = await look.LongSearches.AsNoTracking().SingleAsync();
        Assert.Equal((LongSearchState.Running, true), (broken.State, broken.Plan is not null));
        await worker.RunAsync(id, own, CancellationToken.None);
        var done = await look.LongSearches.AsNoTracking().SingleAsync();
        Assert.Equal((LongSearchState.Done, 2), (done.State, done.Attempts));
        // Work that is done is not done twice.
        await worker.RunAsync(id, own, CancellationToken.None);
        Assert.Equal(2, (await look.LongSearches.AsNoTracking().SingleAsync()).Attempts);
    }

    [Fact]
    public async Task A_database_that_is_gone_for_a_while_costs_the_search_nothing()
    {
        var own = Guid.NewGuid();
        kitchen.Visitor();
        await using (var context = kitchen.Context(own))
        {
            context.Kitchens.Add(
                new KitchenRow
                {
                    Id = own,
                    Name = "Cut off",
                    Document = DemoKitchen.Kitchen(),
                }
            );
            context.LongSearches.Add(Row(0, seconds: 2));
            await context.SaveChangesAsync();
        }

        await using var look = kitchen.Context(own);
        var id = (await look.LongSearches.AsNoTracking().SingleAsync()).Id;
        var outage = new Outage();
        var options = new DbContextOptionsBuilder<ZymethosContext>(Zymethos.Store.StoreSetup.Options(kitchen.Connection))
            .AddInterceptors(outage)
            .Options;
        var worker = new LongSearchWorker(
            options,
            PatientSearch.Plan,
            SystemClock.Instance,
            Microsoft.Extensions.Logging.Abstractions.NullLogger<LongSearchWorker>.Instance
        );
        var search = worker.RunAsync(id, own, CancellationToken.None);
        await UntilAsync(
            async () => await look.LongSearches.AsNoTracking().SingleAsync() is { Found: > 0 } row ? row : null,
            "it finds something"
        );
        // Gone while it searches, and still gone when it has ended and wants to write.
        outage.IsOn = true;
        await UntilAsync(() => Task.FromResult(outage.Refused >= 3 && search.IsCompleted is false ? outage : null), "it is refused");
        // Two seconds of search report at most eight times; what is refused after that is the end, which wants to be written.
        await UntilAsync(() => Task.FromResult(outage.Refused >= 12 ? outage : null), "the end is refused too");
        Assert.False(search.IsCompleted);
        outage.IsOn = false;
        await search;
        var done = await look.LongSearches.AsNoTracking().SingleAsync();
        Assert.Equal((LongSearchState.Done, 1), (done.State, done.Attempts));
        Assert.NotNull(done.Plan);
    }

    /// <summary>Refuses every command while it is on.</summary>
    private sealed class Outage : DbCommandInterceptor
    {
        private int _refused;

        public bool IsOn { get; set; }

        public int Refused => _refused;

        public override ValueTask<InterceptionResult<DbDataReader>> ReaderExecutingAsync(
            DbCommand command,
            CommandEventData eventData,
            InterceptionResult<DbDataReader> result,
            CancellationToken cancellationToken = default
        )
        {
            if (!IsOn)
                return ValueTask.FromResult(result);
            Interlocked.Increment(ref _refused);
            throw new IOException("The database is away.");
        }
    }

    private static LongSearchRow Row(int day, int seconds = 8) =>
        new()
        {
            Id = Guid.CreateVersion7(),
            Date = new LocalDate(2031, 8, 1).PlusDays(day),
            Seconds = seconds,
            AskedAt = SystemClock.Instance.GetCurrentInstant(),
            Document = new OvenDayDocument(
                DemoKitchen.Kitchen(),
                new DayDocument("2031-08-01", "06:00", "22:00"),
                [.. DemoKitchen.Recipes().Where(r => Many.Contains(r.Key)).Select(r => new BakeDocument(r))]
            ),
        };

    /// <summary>Another instance of the application on the same database.</summary>
    private sealed class SecondInstance(string connection) : Microsoft.AspNetCore.Mvc.Testing.WebApplicationFactory<Program>
    {
        protected override void ConfigureWebHost(IWebHostBuilder builder)
        {
            builder.UseSetting("ZYMETHOS_DB", connection);
            builder.UseEnvironment("Production");
            builder.ConfigureTestServices(s => s.AddSingleton<DaySearch>(PatientSearch.Plan));
        }
    }
}

/// <summary>A server whose searches wait for their time to be over.</summary>
public sealed class PatientKitchen : TestKitchen
{
    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        base.ConfigureWebHost(builder);
        builder.ConfigureTestServices(s => s.AddSingleton<DaySearch>(PatientSearch.Plan));
    }
}
