using System.Runtime.CompilerServices;
using Microsoft.AspNetCore.Http.HttpResults;
using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Days;
using Zymethos.Work.House;
using Zymethos.Work.LongSearches;

namespace Zymethos.Web.Places.OvenDay;

/// <summary>What is told of a search while it goes on.</summary>
/// <param name="State">waiting, running, done, stopped or failed.</param>
/// <param name="Words">Where it stands, in a sentence.</param>
/// <param name="Share">How much of its time is over, 0 to 1.</param>
/// <param name="Found">How many better plans it found; a change means a new drawing.</param>
public sealed record SearchNews(string State, string Words, double Share, int Found);

/// <summary>Tells browsers how a search goes by server-sent events, read from the database, so that it does not matter which instance
/// searches.</summary>
public static class LongSearchEvents
{
    // Better plans are told of at once; how far its time has gone, by the clock.
    private static readonly TimeSpan Look = TimeSpan.FromSeconds(1);

    /// <summary>Maps the stream of events.</summary>
    public static void MapLongSearchEvents(this IEndpointRouteBuilder app) =>
        app.MapGet("/oven-day/search/{id:guid}/events", StreamAsync).RequireAuthorization().ExcludeFromDescription();

    /// <summary>Where a search stands.</summary>
    /// <param name="row">The search.</param>
    /// <param name="now">The moment that it is.</param>
    /// <param name="ahead">How many others come first while it waits.</param>
    public static SearchNews Of(LongSearchRow row, Instant now, int ahead = 0)
    {
        var share = row.StartedAt is { } started ? Math.Clamp((now - started).TotalSeconds / Math.Max(1, row.Seconds), 0, 1) : 0;
        return new SearchNews(row.State.ToString().ToLowerInvariant(), Words(row, ahead), row.EndedAt is null ? share : 1, row.Found);
    }

    private static string Words(LongSearchRow row, int ahead)
    {
        if (row.EndedAt is not null)
            return row.Said;
        if (row.State == LongSearchState.Waiting)
            return ahead == 0
                ? "This is a first order. The search for a better one begins in a moment."
                : $"This is a first order. The search for a better one waits: {ahead} before it.";
        if (row.Finish is not { } finish || row.Document.Day.Start is not { } start)
            return "Looking for a better order …";
        var gap = finish - row.Bound;
        var says = new DocumentReader().Read(row.Document.Kitchen, "kitchen").Says;
        return $"Best so far: done {says.Hour(start.PlusMinutes(finish))}. "
            + $"{(gap <= 0 ? "No order can finish sooner." : $"No order can finish more than {SpokenTime.Of(gap)} sooner.")}";
    }

    private static async Task<Results<ServerSentEventsResult<SearchNews>, NotFound>> StreamAsync(
        Guid id,
        LongSearchDesk desk,
        Notices notices,
        IClock clock,
        IHostApplicationLifetime lifetime,
        CancellationToken cancel
    )
    {
        if (await desk.FindAsync(id, cancel) is null)
            return TypedResults.NotFound();
        return TypedResults.ServerSentEvents(NewsAsync(id, desk, notices, clock, lifetime.ApplicationStopping, cancel));
    }

    /// <summary>News of a search, each when it is one, until it ends, the browser leaves (which asks again by itself) or the server
    /// stops.</summary>
    private static async IAsyncEnumerable<SearchNews> NewsAsync(
        Guid id,
        LongSearchDesk desk,
        Notices notices,
        IClock clock,
        CancellationToken stopping,
        [EnumeratorCancellation] CancellationToken cancel
    )
    {
        using var gone = CancellationTokenSource.CreateLinkedTokenSource(cancel, stopping);
        SearchNews? last = null;
        while (!stopping.IsCancellationRequested)
        {
            var heard = notices.Heard(Notices.OfSearch(id));
            if (await desk.FindAsync(id, cancel) is not { } row)
                yield break;
            var ahead = row.State == LongSearchState.Waiting ? await desk.AheadAsync(row, cancel) : 0;
            var news = Of(row, clock.GetCurrentInstant(), ahead);
            if (news != last)
                yield return last = news;
            if (row.EndedAt is not null)
                yield break;
            await notices.WaitAsync(Notices.OfSearch(id), heard, Look, gone.Token);
            cancel.ThrowIfCancellationRequested();
        }
    }
}
