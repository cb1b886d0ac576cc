using Hangfire;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;
using Zymethos.Store;
using Zymethos.Store.Days;
using Zymethos.Store.Tenancy;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;

namespace Zymethos.Work.LongSearches;

/// <summary>
/// Does a long search in the background. The row in the database is all that is known of it, so any instance can take it up, and take it up
/// again when another ended in the middle: the best plan so far stands in the row.
/// </summary>
public sealed class LongSearchWorker(DbContextOptions<ZymethosContext> options, DaySearch look, IClock clock, ILogger<LongSearchWorker> log)
{
    // How often, a second apart, the end is written before the job is given back to the queue.
    private const int Patience = 20;

    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(250);

    /// <summary>Name of this instance.</summary>
    public static string Instance { get; } = $"{Environment.MachineName}-{Environment.ProcessId}-{Guid.NewGuid().ToString("N")[..6]}";

    /// <summary>Searches. Ends with an exception only when the instance is going down, so that another takes it up.</summary>
    /// <param name="id">The search.</param>
    /// <param name="kitchen">Whose it is.</param>
    /// <param name="goingDown">Set when this instance stops.</param>
    [AutomaticRetry(Attempts = 3, DelaysInSeconds = [1, 5, 15])]
    public async Task RunAsync(Guid id, Guid kitchen, CancellationToken goingDown)
    {
        var row = await TakeUpAsync(id, kitchen, goingDown);
        if (row is null)
            return;
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(goingDown);
        var best = new Best();
        var reader = new DocumentReader();
        var (asked, wish) = reader.Read(row.Document);
        var settings = new SolveSettings(TimeSpan.FromSeconds(row.Seconds)) { OnBetter = best.Take, Certainty = asked.Certainty };
        var search = Task.Run(() => look(asked, wish, settings, stop.Token), CancellationToken.None);
        var stopped = false;
        while (await Task.WhenAny(search, Task.Delay(Look, CancellationToken.None)) != search)
        {
            // A database that is gone for a moment must not end the search; the next look writes again.
            try
            {
                stopped |= await ReportAsync(id, kitchen, best, goingDown);
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                log.LogWarning(e, "The search {Search} could not report; it goes on.", id);
            }

            if (stopped || goingDown.IsCancellationRequested)
                await stop.CancelAsync();
        }

        var outcome = await search;
        goingDown.ThrowIfCancellationRequested();
        // A minute's work must not be lost because the database is away when it ends.
        for (var patience = Patience; ; patience--)
        {
            try
            {
                await EndAsync(id, kitchen, outcome, best, stopped);
                return;
            }
            catch (Exception e) when (patience > 0 && e is not OperationCanceledException)
            {
                log.LogWarning(e, "The search {Search} could not be written down; it is tried again.", id);
                await Task.Delay(TimeSpan.FromSeconds(1), goingDown);
            }
        }
    }

    private ZymethosContext Open(Guid kitchen) => new(options, new FixedKitchen(kitchen));

    private async Task<LongSearchRow?> TakeUpAsync(Guid id, Guid kitchen, CancellationToken cancel)
    {
        await using var context = Open(kitchen);
        var row = await context.LongSearches.SingleOrDefaultAsync(s => s.Id == id, cancel);
        if (row is null or { State: LongSearchState.Done or LongSearchState.Stopped or LongSearchState.Failed })
            return null;
        (row.State, row.Worker, row.StartedAt, row.Attempts) = (
            LongSearchState.Running,
            Instance,
            clock.GetCurrentInstant(),
            row.Attempts + 1
        );
        await context.SaveChangesAsync(cancel);
        return row;
    }

    /// <summary>Writes what is best so far, and says whether somebody asked to stop.</summary>
    private async Task<bool> ReportAsync(Guid id, Guid kitchen, Best best, CancellationToken cancel)
    {
        await using var context = Open(kitchen);
        if (best.News() is { } news)
        {
            var (better, found) = news;
            var row = await context.LongSearches.SingleAsync(s => s.Id == id, cancel);
            (row.Finish, row.Found) = (better.Finish, found);
            row.Bound = Math.Max(row.Bound, better.Bound);
            row.Plan = await SaveAsync(context, row, PlannedDay.Of(better.Network, better.Plan, Math.Min(better.Bound, better.Finish)));
            await context.SaveChangesAsync(cancel);
            await Notices.SayAsync(context, Notices.OfSearch(id), cancel);
        }

        return await context.LongSearches.Where(s => s.Id == id).Select(s => s.StopAsked).SingleAsync(cancel);
    }

    private async Task EndAsync(Guid id, Guid kitchen, ModedOutcome outcome, Best best, bool stopped)
    {
        await using var context = Open(kitchen);
        var row = await context.LongSearches.SingleAsync(s => s.Id == id);
        row.State = stopped ? LongSearchState.Stopped : LongSearchState.Done;
        row.EndedAt = clock.GetCurrentInstant();
        var found =
            outcome is { Network: { } network, Outcome: { Plan: not null } planned } ? PlannedDay.Of(network, planned)
            : best.Last is { } last ? PlannedDay.Of(last.Network, last.Plan, Math.Min(last.Bound, last.Finish))
            : null;
        if (found is null)
        {
            row.Said = "No plan was found; the one from before stays.";
        }
        else
        {
            // What ended before it was first reported on is news all the same.
            row.Found = Math.Max(row.Found, best.Found);
            (row.Finish, row.Bound, row.Plan) = (found.Figures.FinishMinute, found.BoundFinish, await SaveAsync(context, row, found));
            row.Said = await PutAsync(context, row, found);
        }

        await context.SaveChangesAsync();
        await Notices.SayAsync(context, Notices.OfSearch(id), CancellationToken.None);
    }

    private static async Task<SavedPlan> SaveAsync(ZymethosContext context, LongSearchRow row, PlannedDay day) =>
        SavedPlans.Save(
            day,
            row.Document,
            await KitchenBook.KnowledgeAsync(context, day.Network.Kitchen.FlourHabit, CancellationToken.None)
        );

    /// <summary>Puts what was found into the day when it is better and the day is still the one that was asked for; else beside it, or
    /// nowhere.</summary>
    private async Task<string> PutAsync(ZymethosContext context, LongSearchRow row, PlannedDay found)
    {
        if (await context.OvenDays.SingleOrDefaultAsync(d => d.Date == row.Date) is not { } day)
            return "The day is not planned any more.";
        if (!Same(day.Document, row.Document))
        {
            if (row.StopAsked)
                return "The day was changed; the search for the old one has ended.";

            context.OvenDayStates.Add(
                OpenDay.StateOf(
                    new OvenDayRow
                    {
                        Date = row.Date,
                        Document = row.Document,
                        Plan = row.Plan!,
                        PlannedAt = clock.GetCurrentInstant(),
                    },
                    0,
                    $"Found by looking longer, done {Clock(found)}"
                )
            );
            return "The day was changed meanwhile; what was found is kept as a copy.";
        }

        if (OpenDay.Restore(day) is { } now && !IsBetter(found, now))
        {
            // The same plan with a better proof is worth keeping too.
            if (found.BoundFinish > now.BoundFinish)
                day.Plan = day.Plan with { BoundFinish = Math.Min(found.BoundFinish, now.Figures.FinishMinute) };
            return "Nothing better was found. "
                + $"{(found.BoundFinish >= now.Figures.FinishMinute ? "No order can finish sooner: proven." : found.BoundWords)}";
        }

        var before = OpenDay.Restore(day);
        if (day.Number == 0)
            context.OvenDayStates.Add(OpenDay.StateOf(day, ++day.Number, "Planned"));
        context.OvenDayStates.RemoveRange(context.OvenDayStates.Where(s => s.Date == row.Date && s.Number > day.Number));
        (day.Plan, day.PlannedAt) = (row.Plan!, clock.GetCurrentInstant());
        context.OvenDayStates.Add(OpenDay.StateOf(day, ++day.Number, "Looked longer"));
        return before is null ? $"Done at {Clock(found)}." : DayByHand.Difference(before, found);
    }

    private static bool IsBetter(PlannedDay found, PlannedDay now) => Rank(found).CompareTo(Rank(now)) < 0;

    /// <summary>What the day lacks of the certainty that the kitchen asks for, then the hour that may be promised, then the rest.</summary>
    private static (int, int, int, int) Rank(PlannedDay day) =>
        (
            day.Chance?.Missing(day.Network.Kitchen.Certainty) ?? int.MaxValue,
            day.Chance?.DoneBy ?? day.Figures.FinishMinute,
            day.Figures.KitchenMinutes,
            day.Figures.OvenOnMinutes
        );

    private static bool Same(OvenDayDocument one, OvenDayDocument other) =>
        System.Text.Json.JsonSerializer.Serialize(one, OpenJson.Options)
        == System.Text.Json.JsonSerializer.Serialize(other, OpenJson.Options);

    private static string Clock(PlannedDay day) => day.Network.HourOf(day.PromisedMinute);

    /// <summary>The best plan so far, handed from the solver's threads to the one that writes.</summary>
    private sealed class Best
    {
        private readonly Lock _lock = new();
        private BetterPlan? _last;
        private int _found;
        private int _told;

        public BetterPlan? Last
        {
            get
            {
                lock (_lock)
                    return _last;
            }
        }

        public int Found
        {
            get
            {
                lock (_lock)
                    return _found;
            }
        }

        public void Take(BetterPlan better)
        {
            lock (_lock)
                (_last, _found) = (better, _found + 1);
        }

        public (BetterPlan Plan, int Found)? News()
        {
            lock (_lock)
            {
                if (_last is null || _told == _found)
                    return null;
                _told = _found;
                return (_last, _found);
            }
        }
    }
}
