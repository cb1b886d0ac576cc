using System.Globalization;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Work.Books;
using Zymethos.Work.Daybooks;
using Zymethos.Work.House;
using Zymethos.Work.Seasons;
using Zymethos.Work.Stock;

namespace Zymethos.Work.Today;

/// <summary>Gathers the front page from every place.</summary>
public sealed class TodayDesk(
    ZymethosContext context,
    KitchenBook book,
    SeasonDesk seasons,
    StockShelf stock,
    CakeDiary diary,
    WorkedOut worked,
    IClock clock
)
{
    private const int Days = 7;

    // What has its date within so many days is told here; the larder tells it earlier.
    private const int SoonDays = 2;
    private static readonly HashSet<string> Shipped = [.. DemoKitchen.Recipes().Select(r => r.Key)];

    /// <summary>The front page as it is now: worked out anew when anything of the kitchen was changed, and every minute.</summary>
    public async Task<TodayView> ViewAsync(CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        var kitchen = shelf.KitchenRow.Id;
        var stamp = await StampAsync(kitchen, cancel);
        return await worked.GetAsync<TodayView>(
                kitchen,
                $"today{context.Own.Key}",
                $"{shelf.Stamp} {stamp} {clock.GetCurrentInstant().ToUnixTimeSeconds() / 60}",
                _ => 2,
                async () => await ReadAsync(shelf, cancel),
                cancel
            ) ?? throw new InvalidOperationException("There is no kitchen here.");
    }

    /// <summary>The state of everything beside the Book that stands on the front page: every write changes a row's xmin and so their sum,
    /// every removal their number.</summary>
    private Task<string> StampAsync(Guid kitchen, CancellationToken cancel) =>
        context
            .Database.SqlQuery<string>(
                $"""
                SELECT concat_ws('.',
                  (SELECT concat_ws('-', count(*), sum(xmin::text::numeric)) FROM seasons WHERE "KitchenId" = {kitchen}),
                  (SELECT concat_ws('-', count(*), sum(xmin::text::numeric)) FROM stock WHERE "KitchenId" = {kitchen}),
                  (SELECT concat_ws('-', count(*), sum(xmin::text::numeric)) FROM gift_boards WHERE "KitchenId" = {kitchen}),
                  (SELECT concat_ws('-', count(*), sum(xmin::text::numeric)) FROM oven_days WHERE "KitchenId" = {kitchen}),
                  (SELECT concat_ws('-', count(*), sum(xmin::text::numeric)) FROM past_bakes WHERE "KitchenId" = {kitchen}),
                  (SELECT concat_ws('-', count(*), sum(xmin::text::numeric)) FROM cake_feeds WHERE "KitchenId" = {kitchen}),
                  (SELECT concat_ws('-', count(*), sum(xmin::text::numeric)) FROM bench_sessions WHERE "KitchenId" = {kitchen}),
                  (SELECT count(*) FROM recipe_versions WHERE "KitchenId" = {kitchen})) AS "Value"
                """
            )
            .SingleAsync(cancel);

    private async Task<TodayView> ReadAsync(BookShelf shelf, CancellationToken cancel)
    {
        var kitchen = shelf.Known.Kitchen;
        var now = KitchenClock.At(kitchen.Zone, clock.GetCurrentInstant());
        var season = await seasons.OpenAsync(null, cancel);
        var days = await context
            .OvenDays.AsNoTracking()
            .Where(d => d.Date >= now.Date && d.Date <= now.Date.PlusDays(Days))
            .OrderBy(d => d.Date)
            .Select(d => new { d.Date, d.Document })
            .ToListAsync(cancel);
        var cakes = await diary.CakesAsync(shelf.Recipes.Select(r => r.Recipe), now.Date - CakeDiary.LookedAfter, cancel);
        var lines = Touches(season, kitchen.Says)
            .Concat(
                days.Select(d =>
                    (
                        d.Date,
                        Hour: ClockText.Read(d.Document.Day.From) ?? LocalTime.Midnight,
                        Line: new TodayLine(
                            Hour(d.Document.Day.From, kitchen.Says),
                            $"Oven Day: {string.Join(", ", d.Document.Bakes.Where(b => b.Recipe is not null).Select(b => b.Recipe!.Name))}",
                            $"/oven-day?date={d.Date:uuuu-MM-dd}"
                        )
                    )
                )
            )
            .Concat(
                cakes
                    .Where(c => c.NextFeed is { } feed && feed <= now.Date.PlusDays(Days))
                    .Select(c =>
                        (
                            Date: LocalDate.Max(c.NextFeed!.Value, now.Date),
                            Hour: LocalTime.Midnight,
                            Line: new TodayLine("", $"Feed {c.Bake.Document.Name}", "/daybook/feeding")
                        )
                    )
            )
            .OrderBy(l => l.Date)
            .ThenBy(l => l.Hour)
            .ToList();
        var current = await context
            .BenchSessions.AsNoTracking()
            .Where(s => s.EndedAt == null)
            .OrderByDescending(s => s.StartedAt)
            .Select(s => new { s.Id, s.Title })
            .FirstOrDefaultAsync(cancel);
        return new TodayView(
            now.Date.ToString("dddd d MMMM", CultureInfo.InvariantCulture),
            [
                .. current is null ? [] : new[] { new TodayLine("now", $"At work on the Bench: {current.Title}", $"/bench/{current.Id}") },
                .. lines.Where(l => l.Date == now.Date).Select(l => l.Line),
            ],
            [.. Wrong(season, await stock.AllAsync(shelf, cancel), cakes, now.Date)],
            [
                .. lines
                    .Where(l => l.Date > now.Date)
                    .GroupBy(l => l.Date)
                    .Select(g =>
                        (g.Key.ToString("dddd d MMMM", CultureInfo.InvariantCulture), (IReadOnlyList<TodayLine>)[.. g.Select(l => l.Line)])
                    ),
            ],
            await FirstAsync(shelf, season is not null, cancel)
        )
        {
            Says = kitchen.Says,
        };
    }

    private static IEnumerable<(LocalDate Date, LocalTime Hour, TodayLine Line)> Touches(SeasonView? season, KitchenSays says) =>
        season is null
            ? []
            : season.ThisWeek.Select(t =>
                (
                    LocalDate.Max(t.At.Date, season.Now.Date),
                    t.At.TimeOfDay,
                    new TodayLine(says.Hour(t.At), t.Detail.Length is > 0 and <= 60 ? $"{t.Title}: {t.Detail}" : t.Title, "/season")
                )
            );

    private static IEnumerable<TodayLine> Wrong(
        SeasonView? season,
        IReadOnlyList<StockLeft> stock,
        IReadOnlyList<FedCake> cakes,
        LocalDate today
    )
    {
        foreach (var fault in (season?.Faults ?? []).Take(3))
            yield return new TodayLine("", fault.Message, "/season");
        foreach (var slipped in (season?.Slipped ?? []).Take(4))
            yield return new TodayLine("", $"Slipped: {slipped.Title}", "/season");
        foreach (var warning in season is null || season.Warnings.IsDefault ? [] : season.Warnings.Where(w => w.IsUrgent).Take(5))
            yield return new TodayLine("", warning.Words, "/season");
        foreach (var unmet in season?.Plan is { } plan ? plan.Unmet.Take(4) : [])
            yield return new TodayLine("", $"{season!.Wish.Needs[unmet.Need].Recipe.Name} is not met: {unmet.Why}", "/season");
        foreach (var cake in cakes.Where(c => c.NextFeed < today.PlusDays(-1)))
            yield return new TodayLine("", $"{cake.Bake.Document.Name} should have been fed by now", "/daybook/feeding");
        foreach (
            var thing in stock
                .Where(s => s.BestBy is { } by && by <= today.PlusDays(SoonDays) && s.Left is not <= 0)
                .OrderBy(s => s.BestBy)
                .Take(5)
        )
            yield return new TodayLine(
                "",
                thing.BestBy < today
                    ? $"{thing.Row.Name} is past its date"
                    : $"{thing.Row.Name} has its date {Day(thing.BestBy!.Value, today)}",
                "/larder"
            );
    }

    private static string Hour(string from, KitchenSays says) => ClockText.Read(from) is { } hour ? says.Hour(hour) : from;

    private static string Day(LocalDate date, LocalDate today) =>
        Period.Between(today, date, PeriodUnits.Days).Days switch
        {
            0 => "today",
            1 => "tomorrow",
            var n => $"in {n} days",
        };

    /// <summary>What somebody does in the first hour, with what is done of it; empty once all of it is.</summary>
    private async Task<IReadOnlyList<FirstStep>> FirstAsync(BookShelf shelf, bool hasSeason, CancellationToken cancel)
    {
        var hasOwn =
            shelf.Recipes.Any(r => !Shipped.Contains(r.Recipe.Key)) || await context.RecipeVersions.AsNoTracking().AnyAsync(cancel);
        // A kitchen as it is given to everybody has not been described.
        var described =
            JsonSerializer.Serialize(shelf.KitchenRow.Document, OpenJson.Options)
            != JsonSerializer.Serialize(DocumentWriter.Write(Kitchen.Ordinary(shelf.Known.Kitchen.Name)), OpenJson.Options);
        var hasDay = await context.OvenDays.AsNoTracking().AnyAsync(cancel);
        var atWork = await context.BenchSessions.AsNoTracking().AnyAsync(cancel) || await context.PastBakes.AsNoTracking().AnyAsync(cancel);
        FirstStep[] steps =
        [
            new("Say what your oven and your kitchen are like", "four questions; all else can wait", "/today/first", described),
            new("Paste a recipe of your own", "as it stands, from a letter, a packet or a page", "/book/import", hasOwn),
            new("Plan a day from two or three recipes", "what goes in when, at what heat, and why there", "/today/make?first=true", hasDay),
            new("Work through it on the Bench", "one step at a time, with every clock; it learns your oven", "/bench", atWork),
            new("Begin a season", "who gets what and when; the work falls into your free hours", "/season/new", hasSeason),
        ];
        return steps.All(s => s.IsDone) ? [] : steps;
    }
}
