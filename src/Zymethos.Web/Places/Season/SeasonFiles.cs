using System.Text;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Interchange.Calendars;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Tenancy;
using Zymethos.Work.Daybooks;
using Zymethos.Work.Parcels;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Season;

/// <summary>A season as files to take along, and its calendar under a secret address.</summary>
public static class SeasonFiles
{
    private static readonly JsonSerializerOptions Readable = new(OpenJson.Options) { WriteIndented = true };

    /// <summary>Maps the addresses.</summary>
    public static void MapSeasonFiles(this IEndpointRouteBuilder app)
    {
        var files = app.MapGroup("/season").RequireAuthorization().ExcludeFromDescription();
        files.MapGet(
            "/{id:guid}/season.json",
            async (Guid id, SeasonDesk desk, DaybookDesk daybook, ParcelFile parcels, ZymethosContext context, CancellationToken cancel) =>
            {
                if (await desk.OpenAsync(id, cancel) is not { } view)
                    return Results.NotFound();
                var kitchen = (await context.Kitchens.AsNoTracking().SingleAsync(cancel)).Document;
                var book = (await context.Recipes.AsNoTracking().OrderBy(r => r.Key).ToListAsync(cancel)).ConvertAll(r => r.Document);
                await daybook.RecordAsync(cancel);
                var (from, until) = SeasonEnd.Weeks(view.Row.Sheet);
                var bakes = (await daybook.BakesAsync(cancel)).Where(b => b.Date >= from && b.Date <= until).Reverse();
                return Results.File(
                    JsonSerializer.SerializeToUtf8Bytes(
                        Document(view, kitchen, book, [.. bakes.Select(b => b.Document)]) with
                        {
                            Parcels = await parcels.WriteAsync(id, cancel) is { } own
                                ? JsonSerializer.SerializeToElement(own, OpenJson.Options)
                                : null,
                        },
                        Readable
                    ),
                    "application/json",
                    "season.json"
                );
            }
        );
        files.MapGet(
            "/{id:guid}/season.ics",
            async (Guid id, SeasonDesk desk, CancellationToken cancel) =>
                await desk.OpenAsync(id, cancel) is { } view ? Calendar(view, "season.ics") : Results.NotFound()
        );
        // Whoever knows the address may read it: a calendar program cannot sign in. Revoking it makes another one.
        app.MapGet("/calendar/{key:length(32,64)}.ics", ByAddressAsync).AllowAnonymous().ExcludeFromDescription();
    }

    /// <summary>The whole season in one document.</summary>
    public static SeasonDocument Document(
        SeasonView view,
        KitchenDocument kitchen,
        IReadOnlyList<RecipeDocument> book,
        IReadOnlyList<PastBakeDocument>? bakes = null
    ) =>
        new(
            kitchen,
            book,
            SeasonWriter.At(view.Now),
            view.Row.Sheet.Occasions,
            view.Row.Sheet.Needs,
            Name: view.Row.Sheet.Name,
            Start: view.Row.Sheet.Start,
            Hours: view.Row.Sheet.Hours,
            Done: view.Row.Sheet.Done,
            Plan: view.Row.Plan,
            Outcomes: view.Row.Sheet.Outcomes,
            Bakes: bakes is { Count: > 0 } ? bakes : null,
            ClearFirst: view.Row.Sheet.ClearFirst
        );

    private static async Task<IResult> ByAddressAsync(
        string key,
        DbContextOptions<ZymethosContext> options,
        IServiceProvider services,
        CancellationToken cancel
    )
    {
        await using var all = new ZymethosContext(options, new FixedKitchen(null));
        if (
            await all
                .Seasons.IgnoreQueryFilters()
                .AsNoTracking()
                .Where(s => s.CalendarKey == key)
                .Select(s => new { s.Id, s.KitchenId })
                .SingleOrDefaultAsync(cancel)
            is not { } found
        )
            return Results.NotFound();
        await using var own = new ZymethosContext(options, new FixedKitchen(found.KitchenId));
        var desk = ActivatorUtilities.CreateInstance<SeasonDesk>(services, own);
        return await desk.OpenAsync(found.Id, cancel) is { } view ? Calendar(view, null) : Results.NotFound();
    }

    private static IResult Calendar(SeasonView view, string? name)
    {
        var zone = DateTimeZoneProviders.Tzdb.GetZoneOrNull(view.Wish.Kitchen.Zone) ?? DateTimeZone.Utc;
        var text = CalendarWriter.Write(
            view.Row.Name,
            view.Touches,
            zone,
            view.Row.PlannedAt ?? view.Row.MadeAt,
            view.Row.Id.ToString("N")
        );
        return Results.File(Encoding.UTF8.GetBytes(text), "text/calendar; charset=utf-8", name);
    }
}
