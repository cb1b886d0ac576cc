using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Reading;
using Zymethos.Store;
using Zymethos.Store.Benches;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;

namespace Zymethos.Work.Benches;

/// <summary>Opens, looks at and puts away sessions of the current kitchen.</summary>
public sealed class BenchDesk(ZymethosContext context, WorkedOut worked, SolverGate gate, LookGate looks, IClock clock)
{
    private static readonly TimeSpan OfferTime = TimeSpan.FromMilliseconds(600);

    /// <summary>The session that is at work; null when none is.</summary>
    public Task<BenchSessionRow?> CurrentAsync(CancellationToken cancel) =>
        context.BenchSessions.AsNoTracking().SingleOrDefaultAsync(s => s.EndedAt == null, cancel);

    /// <summary>Sessions that were put away, the last first.</summary>
    public Task<List<BenchSessionRow>> LastAsync(int most, CancellationToken cancel) =>
        context
            .BenchSessions.AsNoTracking()
            .Where(s => s.EndedAt != null)
            .OrderByDescending(s => s.StartedAt)
            .Take(most)
            .ToListAsync(cancel);

    /// <summary>A session brought to life; null when there is none of this id, or its plan cannot be read any more.</summary>
    public async Task<BenchWork?> OpenAsync(Guid session, CancellationToken cancel)
    {
        var found = await context
            .BenchSessions.AsNoTracking()
            .Where(s => s.Id == session)
            .Select(s => new { s.KitchenId, s.Version })
            .SingleOrDefaultAsync(cancel);
        if (found is null)
            return null;
        return await worked.GetAsync<BenchWork>(
            found.KitchenId,
            $"bench {session:N}",
            $"{found.Version}",
            w => 20 + (w.Row.Document.Bakes.Count * 10),
            async () =>
            {
                var row = await context.BenchSessions.AsNoTracking().SingleOrDefaultAsync(s => s.Id == session, cancel);
                return row is not null && SavedPlans.Restore(row.Document, row.Plan) is { } day
                    ? new BenchWork(row, day, new BenchDay(day.Network, day.Plan))
                    : null;
            },
            cancel
        );
    }

    /// <summary>Puts a planned day on the Bench.</summary>
    /// <param name="day">The Oven Day.</param>
    /// <param name="cancel">Stops.</param>
    /// <returns>The new session; null when another is at work, which is the answer of whoever asks twice as well.</returns>
    public Task<BenchSessionRow?> StartAsync(StandingDay day, CancellationToken cancel) =>
        StartAsync(day.Row.Document, day.Row.Plan, TitleOf(day.Row.Document), day.Row.Date, cancel);

    /// <summary>Puts a plan that was made for it on the Bench: recipes straight from the Book.</summary>
    public async Task<BenchSessionRow?> StartAsync(OvenDayDocument document, PlannedDay day, CancellationToken cancel) =>
        await StartAsync(
            document,
            SavedPlans.Save(day, document, await Books.KitchenBook.KnowledgeAsync(context, day.Network.Kitchen.FlourHabit, cancel)),
            TitleOf(document),
            null,
            cancel
        );

    private async Task<BenchSessionRow?> StartAsync(
        OvenDayDocument document,
        Store.Days.SavedPlan plan,
        string title,
        LocalDate? date,
        CancellationToken cancel
    )
    {
        var row = new BenchSessionRow
        {
            Id = Guid.CreateVersion7(),
            Title = title.Length <= 120 ? title : title[..119] + "…",
            DayDate = date,
            StartedAt = clock.GetCurrentInstant(),
            Document = document,
            Plan = plan,
            Planned = plan,
            PlanNumber = 1,
        };
        if (await CurrentAsync(cancel) is not null)
            return null;
        context.BenchSessions.Add(row);
        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (WriteConflict.Is(e))
        {
            // Somebody else in this very moment.
            context.ChangeTracker.Clear();
            return null;
        }

        return row;
    }

    private static string TitleOf(OvenDayDocument document)
    {
        var names = document.Bakes.Select(b => b.Recipe?.Name ?? "").Where(n => n.Length > 0).Distinct(StringComparer.Ordinal).ToList();
        return names.Count switch
        {
            0 => "Baking",
            1 => names[0],
            2 => $"{names[0]} and {names[1]}",
            _ => $"{names[0]}, {names[1]} and {names.Count - 2} more",
        };
    }

    /// <summary>Whether there is a session of this id.</summary>
    public Task<bool> ExistsAsync(Guid session, CancellationToken cancel) => context.BenchSessions.AnyAsync(s => s.Id == session, cancel);

    /// <summary>Up to which event a session has come, and by which plan it goes; null when there is none.</summary>
    public async Task<(long Seq, int Plan)?> StirAsync(Guid session, CancellationToken cancel)
    {
        var found = await context
            .BenchSessions.AsNoTracking()
            .Where(s => s.Id == session)
            .Select(s => new { s.PlanNumber, Seq = context.BenchEvents.Where(e => e.SessionId == session).Max(e => (long?)e.Seq) })
            .SingleOrDefaultAsync(cancel);
        return found is null ? null : (found.Seq ?? 0, found.PlanNumber);
    }

    /// <summary>How a session stands now. Whoever asks in the same minute about the same events gets the same answer, worked out
    /// once.</summary>
    /// <exception cref="LookWaitsException">Many are at work, and its turn has not come yet.</exception>
    public async Task<BenchLook?> LookAsync(Guid session, CancellationToken cancel)
    {
        if (await OpenAsync(session, cancel) is not { } work)
            return null;
        var seq = await context.BenchEvents.Where(e => e.SessionId == session).MaxAsync(e => (long?)e.Seq, cancel) ?? 0;
        var now = clock.GetCurrentInstant();
        return await worked.GetAsync<BenchLook>(
            work.Row.KitchenId,
            $"look {session:N}",
            $"{work.Row.Version} {seq} {work.Bench.Clock.Of(now)}",
            _ => 20,
            async () =>
            {
                var state = BenchState.From(await EventsAsync(session, cancel));
                return new BenchLook(work, seq, state, await looks.RunAsync(() => work.Bench.Look(state, now, withChance: false), cancel));
            },
            cancel
        );
    }

    /// <summary>All events of a session.</summary>
    public async Task<List<BenchEvent>> EventsAsync(Guid session, CancellationToken cancel) =>
        [
            .. (await context.BenchEvents.AsNoTracking().Where(e => e.SessionId == session).Select(e => e.Document).ToListAsync(cancel))
                .Select(d => BenchEventText.Read(d, out _))
                .OfType<BenchEvent>(),
        ];

    /// <summary>Events of a session after one of them, in the order in which they came in.</summary>
    public Task<List<BenchEventRow>> EventsAfterAsync(Guid session, long seq, CancellationToken cancel) =>
        context.BenchEvents.AsNoTracking().Where(e => e.SessionId == session && e.Seq > seq).OrderBy(e => e.Seq).ToListAsync(cancel);

    /// <summary>How sure the rest is, and a better order for it, when its turn has come. Asked again in the same minute about the same
    /// events, the answer is the same.</summary>
    /// <exception cref="QueueFullException">Too many wait already.</exception>
    public async Task<BenchWeighed> WeighAsync(BenchLook look, CancellationToken cancel)
    {
        var (work, now) = (look.Work, clock.GetCurrentInstant());
        return await worked.GetAsync<BenchWeighed>(
                work.Row.KitchenId,
                $"weighed {work.Row.Id:N}",
                $"{work.Row.Version} {look.Seq} {work.Bench.Clock.Of(now)}",
                _ => 10,
                async () =>
                {
                    var (stands, other) = await gate.RunAsync(() => work.Bench.Weigh(look.State, now, OfferTime, cancel), cancel);
                    return new BenchWeighed(stands.Chance, other);
                },
                cancel
            ) ?? throw new InvalidOperationException("Nothing was weighed.");
    }

    /// <summary>Goes on in another order: what has happened stays, the rest is laid in the order of the hours given.</summary>
    /// <param name="session">The session.</param>
    /// <param name="starts">The minute of each step, in the order of the network.</param>
    /// <param name="planNumber">The plan that was seen; another one meanwhile is left alone.</param>
    /// <param name="cancel">Stops.</param>
    /// <returns>Whether it was taken.</returns>
    public async Task<bool> TakeAsync(Guid session, IReadOnlyList<int> starts, int planNumber, CancellationToken cancel)
    {
        if (
            await context.BenchSessions.SingleOrDefaultAsync(s => s.Id == session && s.EndedAt == null, cancel) is not { } row
            || row.PlanNumber != planNumber
            || SavedPlans.Restore(row.Document, row.Plan) is not { } day
            || starts.Count != day.Network.Tasks.Length
        )
            return false;
        var state = BenchState.From(await EventsAsync(session, cancel));
        // Any order is safe: it is lived by the baker who keeps the rules of the kitchen.
        var order = day.Plan with
        {
            Tasks = [.. day.Plan.Tasks.Select((t, i) => t with { Start = Math.Clamp(starts[i], 0, day.Network.Horizon) })],
        };
        var rest = new BenchDay(day.Network, order).Look(state, clock.GetCurrentInstant());
        if (!rest.IsComplete)
            return false;
        var taken = PlannedDay.Kept(day.Network, rest.Plan, day.BoundFinish, rest.Chance);
        row.Plan = SavedPlans.Save(
            taken,
            row.Document,
            await Books.KitchenBook.KnowledgeAsync(context, day.Network.Kitchen.FlourHabit, cancel)
        );
        row.PlanNumber++;
        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            context.ChangeTracker.Clear();
            return false;
        }

        await Notices.SayAsync(context, BenchTelling.Topic(session), cancel);
        return true;
    }

    /// <summary>Puts a session away, or takes it up again where no other is at work; false where that cannot be.</summary>
    public async Task<bool> PutAwayAsync(Guid session, bool away, CancellationToken cancel)
    {
        if (await context.BenchSessions.SingleOrDefaultAsync(s => s.Id == session, cancel) is not { } row)
            return false;
        if (!away && row.EndedAt is not null && await CurrentAsync(cancel) is not null)
            return false;
        row.EndedAt = away ? row.EndedAt ?? clock.GetCurrentInstant() : null;
        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (WriteConflict.Is(e))
        {
            context.ChangeTracker.Clear();
            return false;
        }

        await Notices.SayAsync(context, BenchTelling.Topic(session), cancel);
        return true;
    }
}
