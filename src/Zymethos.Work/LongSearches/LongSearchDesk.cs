using Hangfire;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Store;
using Zymethos.Store.Days;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;

namespace Zymethos.Work.LongSearches;

/// <summary>Long searches as the pages see them: begun, looked after, stopped.</summary>
public sealed class LongSearchDesk(ZymethosContext context, IBackgroundJobClient jobs, AppSettings settings, IClock clock)
{
    /// <summary>Begins a search for a date, unless one is under way; null when no day is planned there. One that was asked to stop is none:
    /// whoever asks again gets another.</summary>
    public async Task<LongSearchRow?> BeginAsync(LocalDate date, CancellationToken cancel, TimeSpan? time = null)
    {
        if (await context.OvenDays.AsNoTracking().SingleOrDefaultAsync(d => d.Date == date, cancel) is not { } day)
            return null;
        if (await CurrentAsync(date, cancel) is { StopAsked: false } running)
            return running;
        var row = new LongSearchRow
        {
            Id = Guid.CreateVersion7(),
            Date = date,
            Document = day.Document,
            Seconds = await ShareAsync(time ?? settings.LongSearch, cancel),
            AskedAt = clock.GetCurrentInstant(),
        };
        context.LongSearches.Add(row);
        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (WriteConflict.Is(e))
        {
            // Somebody asked in the same moment; theirs is the search for both.
            context.Entry(row).State = EntityState.Detached;
            return await CurrentAsync(date, cancel);
        }

        jobs.Enqueue<LongSearchWorker>(w => w.RunAsync(row.Id, row.KitchenId, CancellationToken.None));
        return row;
    }

    /// <summary>Seconds of search in a house where others wait too: everybody gets some soon rather than one of them all.</summary>
    private async Task<double> ShareAsync(TimeSpan time, CancellationToken cancel)
    {
        var others = await UnderWay().CountAsync(s => s.KitchenId != context.KitchenId, cancel);
        return Math.Max(Math.Min(time.TotalSeconds, LeastShare), time.TotalSeconds / (1 + (others / 2.0)));
    }

    /// <summary>How many searches of the whole house began or were asked for before one that waits.</summary>
    public async Task<int> AheadAsync(LongSearchRow row, CancellationToken cancel) =>
        await UnderWay().CountAsync(s => s.AskedAt < row.AskedAt && s.Id != row.Id, cancel);

    /// <summary>Searches of all kitchens that wait or go on; only ever counted.</summary>
    private IQueryable<LongSearchRow> UnderWay()
    {
        var lately = clock.GetCurrentInstant() - Lately;
        return context
            .LongSearches.IgnoreQueryFilters()
            .Where(s => (s.State == LongSearchState.Waiting || s.State == LongSearchState.Running) && s.AskedAt > lately);
    }

    // Less than this brings little.
    private const double LeastShare = 6;

    // What was asked for longer ago and never ended belongs to an instance that is gone.
    private static readonly Duration Lately = Duration.FromMinutes(3);

    /// <summary>The search that is waiting or under way for a date; null when there is none.</summary>
    public async Task<LongSearchRow?> CurrentAsync(LocalDate date, CancellationToken cancel) =>
        await context
            .LongSearches.AsNoTracking()
            .Where(s => s.Date == date && (s.State == LongSearchState.Waiting || s.State == LongSearchState.Running))
            .OrderByDescending(s => s.AskedAt)
            .FirstOrDefaultAsync(cancel);

    /// <summary>A search; null when there is none of this id.</summary>
    public async Task<LongSearchRow?> FindAsync(Guid id, CancellationToken cancel) =>
        await context.LongSearches.AsNoTracking().SingleOrDefaultAsync(s => s.Id == id, cancel);

    /// <summary>Asks a search to stop.</summary>
    public Task StopAsync(Guid id, CancellationToken cancel) =>
        EndedSearches.EndAsync(context.LongSearches.Where(s => s.Id == id), clock.GetCurrentInstant(), cancel);
}
