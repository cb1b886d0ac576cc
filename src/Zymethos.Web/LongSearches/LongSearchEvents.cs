using System.Text.Json;
using NodaTime;
using Zymethos.Core.Planning;
using Zymethos.Store.Days;
using Zymethos.Web.OvenDays;

namespace Zymethos.Web.LongSearches;

/// <summary>What is told of a search while it goes on.</summary>
/// <param name="State">waiting, running, done, stopped or failed.</param>
/// <param name="Words">Where it stands, in a sentence.</param>
/// <param name="Share">How much of its time is over, 0 to 1.</param>
/// <param name="Found">How many better plans it found; a change means a new drawing.</param>
public sealed record SearchNews(string State, string Words, double Share, int Found);

/// <summary>Tells browsers how a search goes by server-sent events, read from the database, so that it does not matter which instance searches.</summary>
public static class LongSearchEvents
{
    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(400);

    /// <summary>Maps the stream of events.</summary>
    public static void MapLongSearchEvents(this IEndpointRouteBuilder app) =>
        app.MapGet("/oven-day/search/{id:guid}/events", StreamAsync).RequireAuthorization().ExcludeFromDescription();

    /// <summary>Where a search stands.</summary>
    public static SearchNews Of(LongSearchRow row, Instant now)
    {
        var share = row.StartedAt is { } started ? Math.Clamp((now - started).TotalSeconds / Math.Max(1, row.Seconds), 0, 1) : 0;
        return new SearchNews(row.State.ToString().ToLowerInvariant(), Words(row), row.EndedAt is null ? share : 1, row.Found);
    }

    private static string Words(LongSearchRow row)
    {
        if (row.EndedAt is not null) return row.Said;
        if (row.State == LongSearchState.Waiting) return "Waiting for its turn.";
        if (row.Finish is not { } finish || row.Plan is null || SavedPlans.Restore(row.Document, row.Plan) is not { } day) return "Looking …";
        var gap = finish - row.Bound;
        return $"Best so far: done {day.Network.TimeOf(finish):HH:mm}. {(gap <= 0 ? "No order can finish sooner." : $"No order can finish more than {Explainer.Spoken(gap)} sooner.")}";
    }

    private static async Task StreamAsync(HttpContext http, Guid id, LongSearchDesk desk, IClock clock, IHostApplicationLifetime lifetime)
    {
        using var gone = CancellationTokenSource.CreateLinkedTokenSource(http.RequestAborted, lifetime.ApplicationStopping);
        if (await desk.FindAsync(id, gone.Token) is null)
        {
            http.Response.StatusCode = StatusCodes.Status404NotFound;
            return;
        }

        http.Response.ContentType = "text/event-stream";
        http.Response.Headers.CacheControl = "no-store";
        var last = "";
        try
        {
            while (!gone.IsCancellationRequested && await desk.FindAsync(id, gone.Token) is { } row)
            {
                var news = JsonSerializer.Serialize(Of(row, clock.GetCurrentInstant()), JsonSerializerOptions.Web);
                if (news != last)
                {
                    await http.Response.WriteAsync($"data: {news}\n\n", gone.Token);
                    await http.Response.Body.FlushAsync(gone.Token);
                    last = news;
                }

                if (row.EndedAt is not null) return;
                await Task.Delay(Look, gone.Token);
            }
        }
        catch (OperationCanceledException)
        {
            // The browser left or the server stops; the browser asks again by itself.
        }
    }
}
