using NodaTime;
using Zymethos.Interchange.Devices;
using Zymethos.Interchange.Documents;
using Zymethos.Web.Api;
using Zymethos.Work.Benches;
using Zymethos.Work.Books;
using Zymethos.Work.Devices;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;
using Zymethos.Work.Workshop;

namespace Zymethos.Web.Places.Bench;

/// <summary>How sure the rest of the day is, and another order that is offered.</summary>
/// <param name="Plan">The plan it was weighed for.</param>
/// <param name="Together">Share of rehearsed days on which the rest goes well, 0 to 1.</param>
/// <param name="ReadyBy">By when all is ready on nine of ten days, in milliseconds of the Unix clock.</param>
/// <param name="Likely">The same on half of them.</param>
/// <param name="Words">What another order would change; null where none is offered.</param>
/// <param name="Starts">The minute of each step in it, to send back when it is taken; null where none is offered.</param>
public sealed record BenchOffer(int Plan, double Together, long ReadyBy, long Likely, string? Words, IReadOnlyList<int>? Starts);

/// <summary>An order that is taken.</summary>
/// <param name="Plan">The plan it was found for.</param>
/// <param name="Starts">As it was offered.</param>
public sealed record BenchTaken(int Plan, IReadOnlyList<int> Starts);

/// <summary>Something that is to be weighed, for a scale that shows what is wanted.</summary>
/// <param name="Device">Name of the scale.</param>
/// <param name="Grams">How much.</param>
public sealed record BenchWeighing(string Device, double Grams);

/// <summary>
/// What the Bench's scripts call. Calls that change something carry JSON and a header of their own, which no page of another site can send;
/// a form's token would be too old after a day without the server.
/// </summary>
public static class BenchApi
{
    /// <summary>The header that calls which change something carry.</summary>
    public const string Header = "X-Bench";

    /// <summary>Maps the calls.</summary>
    public static void MapBenchApi(this IEndpointRouteBuilder app)
    {
        var bench = app.MapGroup("/bench/{id:guid}")
            .RequireAuthorization(HelperDoor.Policy)
            .ExcludeFromDescription()
            .AddEndpointFilter(
                async (call, next) =>
                    call.HttpContext.Request.RouteValues["id"] is string id
                    && HelperDoor.MaySee(call.HttpContext.User, Guid.Parse(id))
                    && (HttpMethods.IsGet(call.HttpContext.Request.Method) || call.HttpContext.Request.Headers.ContainsKey(Header))
                        ? await next(call)
                        : TypedResults.NotFound()
            );
        bench.MapGet("/sheet", SheetAsync);
        bench.MapGet("/news", NewsAsync);
        bench.MapPost("/events", TellAsync).DisableAntiforgery();
        bench.MapGet("/offer", OfferAsync);
        bench.MapPost("/order", TakeAsync).DisableAntiforgery();
        bench.MapPost("/away", AwayAsync).DisableAntiforgery();
        bench.MapGet("/stream", StreamAsync);
        bench.MapGet("/traces", TracesAsync);
        bench.MapPost("/weigh", WeighAsync).DisableAntiforgery();
        bench.MapPut("/photos/{photo:guid}", KeepPhotoAsync).DisableAntiforgery();
        bench.MapGet("/photos/{photo:guid}", PhotoAsync);
    }

    private static async Task<IResult> SheetAsync(Guid id, BenchDesk desk, KitchenBook book, SheetShelf sheets, CancellationToken cancel)
    {
        if (await desk.OpenAsync(id, cancel) is not { } work)
            return TypedResults.NotFound();
        var shelf = await book.ShelfAsync(cancel);
        var guides = (await sheets.AllAsync(cancel)).ToLookup(s => s.Recipe, s => new SheetGuide(s.Title, s.Says, s.Address));
        var knowledge = shelf.Known.Knowledge.With(work.Day.Network.Kitchen.FlourHabit);
        return Results.Json(BenchSheet.Of(work, knowledge, guides, shelf.Known.Kitchen.Says), OpenJson.Options);
    }

    private static async Task<IResult> NewsAsync(Guid id, long? after, BenchDesk desk, IClock clock, CancellationToken cancel)
    {
        BenchLook? look;
        try
        {
            look = await desk.LookAsync(id, cancel);
        }
        catch (LookWaitsException)
        {
            return await WaitingNewsAsync(id, after ?? 0, desk, clock, cancel);
        }

        if (look is null)
            return TypedResults.NotFound();
        var rows = await desk.EventsAfterAsync(id, after ?? 0, cancel);
        return Results.Json(BenchNews.Of(look, rows, clock.GetCurrentInstant(), SpeedOf(clock)), OpenJson.Options);
    }

    // What others touched is told at once; how the day goes on from it waits its turn.
    private static async Task<IResult> WaitingNewsAsync(Guid id, long after, BenchDesk desk, IClock clock, CancellationToken cancel)
    {
        if (await desk.OpenAsync(id, cancel) is not { } work)
            return TypedResults.NotFound();
        var rows = await desk.EventsAfterAsync(id, after, cancel);
        return Results.Json(BenchNews.Waiting(work, rows, after, clock.GetCurrentInstant(), SpeedOf(clock)), OpenJson.Options);
    }

    private static double SpeedOf(IClock clock) => (clock as FastClock)?.Speed ?? 1;

    private static async Task<IResult> TellAsync(
        Guid id,
        HttpRequest request,
        BenchDesk desk,
        BenchTelling telling,
        BenchWords words,
        CancellationToken cancel
    )
    {
        if (!await desk.ExistsAsync(id, cancel))
            return TypedResults.NotFound();
        var (read, problem) = await ApiBody.ReadAsync<BenchEventsDocument>(request, cancel);
        if (read is not { } told)
            return problem!;
        if (told.Events.Count > BenchTelling.MostAtOnce)
            return Problems.Make(
                StatusCodes.Status400BadRequest,
                "too-many",
                "Too many touches at once.",
                $"At most {BenchTelling.MostAtOnce} are taken at once; send them in parts."
            );
        // What was begun to be kept is kept, also when the phone loses its line meanwhile.
        var kept = await telling.TellAsync(id, told, CancellationToken.None);
        await words.SayAsync(
            id,
            told.Events.Where(e => kept.Kept.Contains(e.Id, StringComparer.OrdinalIgnoreCase)),
            CancellationToken.None
        );
        return Results.Json(kept, OpenJson.Options);
    }

    private static async Task<IResult> OfferAsync(Guid id, BenchDesk desk, CancellationToken cancel)
    {
        try
        {
            if (await desk.LookAsync(id, cancel) is not { } look)
                return TypedResults.NotFound();
            var (chance, other) = await desk.WeighAsync(look, cancel);
            var clock = look.Work.Bench.Clock;
            return Results.Json(
                new BenchOffer(
                    look.Work.Row.PlanNumber,
                    chance.Together,
                    clock.At(chance.ReadyBy ?? chance.DoneBy).ToUnixTimeMilliseconds(),
                    clock.At(chance.LikelyReady ?? chance.LikelyDone).ToUnixTimeMilliseconds(),
                    other is null ? null : OfferWords.Of(look, chance, other),
                    other is null ? null : [.. other.Plan.Tasks.Select(t => t.Start)]
                ),
                OpenJson.Options
            );
        }
        catch (Exception e) when (e is QueueFullException or LookWaitsException)
        {
            return TypedResults.StatusCode(StatusCodes.Status503ServiceUnavailable);
        }
    }

    private static async Task<IResult> TakeAsync(Guid id, HttpRequest request, BenchDesk desk, CancellationToken cancel)
    {
        var (read, problem) = await ApiBody.ReadAsync<BenchTaken>(request, cancel);
        if (read is not { } taken)
            return problem!;
        return await desk.TakeAsync(id, taken.Starts, taken.Plan, cancel)
            ? TypedResults.NoContent()
            : Problems.Make(
                StatusCodes.Status409Conflict,
                "not-any-more",
                "That order does not fit any more.",
                "The day has gone on meanwhile; it stays in the order it is in."
            );
    }

    private static async Task<IResult> AwayAsync(Guid id, HttpContext http, BenchDesk desk, CancellationToken cancel) =>
        !HelperDoor.IsHelper(http.User) && await desk.PutAwayAsync(id, away: true, cancel)
            ? TypedResults.NoContent()
            : TypedResults.NotFound();

    private static async Task<IResult> StreamAsync(
        Guid id,
        HttpContext http,
        BenchDesk desk,
        BenchStream stream,
        CancellationToken cancel
    ) =>
        await desk.ExistsAsync(id, cancel)
            ? TypedResults.ServerSentEvents(stream.ListenAsync(id, HelperDoor.PassOf(http.User), cancel))
            : TypedResults.NotFound();

    private static async Task<IResult> TracesAsync(Guid id, BenchTraces traces, CancellationToken cancel) =>
        await traces.OfAsync(id, cancel) is { } found ? Results.Json(found, OpenJson.Options) : TypedResults.NotFound();

    private static async Task<IResult> WeighAsync(Guid id, HttpRequest request, BenchDesk desk, BenchWords words, CancellationToken cancel)
    {
        if (!await desk.ExistsAsync(id, cancel))
            return TypedResults.NotFound();
        var (read, problem) = await ApiBody.ReadAsync<BenchWeighing>(request, cancel);
        if (read is not { } wish)
            return problem!;
        if (DeviceTopic.IsName(wish.Device) && wish.Grams is > 0 and < 100_000)
            await words.SayAsync(new BenchWord("weigh", Grams: Math.Round(wish.Grams, 1), Device: wish.Device), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<IResult> KeepPhotoAsync(
        Guid id,
        Guid photo,
        HttpRequest request,
        BenchDesk desk,
        BenchPhotos photos,
        CancellationToken cancel
    )
    {
        if (!await desk.ExistsAsync(id, cancel))
            return TypedResults.NotFound();
        var bytes = await ApiBody.BytesAsync(request, BenchPhotos.MostBytes, cancel);
        var wrong = bytes is null ? BenchPhotos.TooLarge : await photos.KeepAsync(id, photo, bytes, cancel);
        return wrong is not null
            ? Problems.Make(StatusCodes.Status400BadRequest, "no-picture", "The picture is not kept.", wrong)
            : TypedResults.NoContent();
    }

    private static async Task<IResult> PhotoAsync(Guid id, Guid photo, HttpResponse response, BenchPhotos photos, CancellationToken cancel)
    {
        if (await photos.FindAsync(id, photo, cancel) is not { } row)
            return TypedResults.NotFound();
        response.Headers.CacheControl = "private, max-age=31536000, immutable";
        return TypedResults.Bytes(row.Bytes, row.Type);
    }
}
