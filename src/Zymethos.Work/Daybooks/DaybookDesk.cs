using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Reading;
using Zymethos.Store;
using Zymethos.Store.Benches;
using Zymethos.Store.Daybooks;
using Zymethos.Work.Benches;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;

namespace Zymethos.Work.Daybooks;

/// <summary>A session as it was beside as it was planned.</summary>
/// <param name="Row">Its row.</param>
/// <param name="Planned">The plan with which it began.</param>
/// <param name="Really">The same steps at the times at which they were, told or inferred; what never began is left where the rest of the
/// day expected it.</param>
/// <param name="Begun">By step, whether it began; what never began is no part of what was.</param>
/// <param name="State">What was said.</param>
public sealed record DaybookSession(
    BenchSessionRow Row,
    PlannedDay Planned,
    PlannedDay Really,
    IReadOnlyList<bool> Begun,
    BenchState State
);

/// <summary>Keeps the Daybook: draws bakes from what was said at the Bench, takes down those that are written by hand, and has the kitchen
/// learn from them.</summary>
public sealed class DaybookDesk(ZymethosContext context, BenchDesk desk, KitchenBook book, WorkedOut worked)
{
    /// <summary>Most bakes that are listed and learned from: many years of a busy kitchen.</summary>
    public const int MostBakes = 5000;

    /// <summary>One session; null when there is none of this id, or its plan cannot be read any more.</summary>
    public async Task<DaybookSession?> SessionAsync(Guid id, CancellationToken cancel)
    {
        if (await desk.OpenAsync(id, cancel) is not { } work)
            return null;
        var seq = await context.BenchEvents.Where(e => e.SessionId == id).MaxAsync(e => (long?)e.Seq, cancel) ?? 0;
        return await worked.GetAsync<DaybookSession>(
            work.Row.KitchenId,
            $"daybook {id:N}",
            $"{work.Row.Version} {seq}",
            _ => 30,
            async () => Of(work, BenchState.From(await desk.EventsAsync(id, cancel))),
            cancel
        );
    }

    /// <summary>Writes down what was said at the Bench since it was read last, and has the kitchen learn from it.</summary>
    public async Task RecordAsync(CancellationToken cancel)
    {
        var sessions = await context
            .BenchSessions.AsNoTracking()
            .OrderBy(s => s.StartedAt)
            .Select(s => new
            {
                s.Id,
                s.PlanNumber,
                s.Recorded,
                Seq = context.BenchEvents.Where(e => e.SessionId == s.Id).Max(e => (long?)e.Seq),
            })
            .ToListAsync(cancel);
        var isNew = false;
        foreach (var s in sessions.Where(s => s.Recorded != StampOf(s.PlanNumber, s.Seq)))
            isNew |= await RecordAsync(s.Id, StampOf(s.PlanNumber, s.Seq), cancel);
        if (isNew)
            await LearnAsync(cancel);
    }

    /// <summary>Bakes, the last first.</summary>
    public async Task<List<PastBakeRow>> BakesAsync(CancellationToken cancel) =>
        await context
            .PastBakes.AsNoTracking()
            .OrderByDescending(b => b.Date)
            .ThenByDescending(b => b.Id)
            .Take(MostBakes)
            .ToListAsync(cancel);

    /// <summary>One bake; null when there is none of this id.</summary>
    public Task<PastBakeRow?> BakeAsync(Guid id, CancellationToken cancel) =>
        context.PastBakes.AsNoTracking().SingleOrDefaultAsync(b => b.Id == id, cancel);

    /// <summary>What all bakes teach, worked out once for whoever asks.</summary>
    public async Task<Lessons> LessonsAsync(CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        var stamp = await context
            .Database.SqlQuery<string>(
                $"""
                SELECT concat_ws('.',
                  (SELECT concat_ws('-', count(*), sum(xmin::text::numeric)) FROM past_bakes WHERE "KitchenId" = {shelf.KitchenRow.Id}),
                  (SELECT concat_ws('-', count(*), sum(xmin::text::numeric)) FROM starter_refreshes WHERE "KitchenId" = {shelf.KitchenRow.Id}))
                  AS "Value"
                """
            )
            .SingleAsync(cancel);
        return await worked.GetAsync<Lessons>(
                shelf.KitchenRow.Id,
                "lessons",
                $"{shelf.Stamp} {stamp}",
                l => 1 + (l.All.Length / 4),
                async () =>
                    Lessons.Of(
                        shelf.Known.Kitchen,
                        shelf.All,
                        (await BakesAsync(cancel)).Select(b => b.Document),
                        await context.StarterRefreshes.AsNoTracking().Select(f => f.Document).ToListAsync(cancel)
                    ),
                cancel
            ) ?? throw new InvalidOperationException("There is no kitchen here.");
    }

    /// <summary>Has the kitchen go by what its bakes teach. Nothing is written where nothing has changed.</summary>
    public async Task LearnAsync(CancellationToken cancel)
    {
        var values = (await LessonsAsync(cancel)).Values();
        var row = await context.Kitchens.SingleAsync(cancel);
        var kitchen = row.ToKitchen();
        if (kitchen.Learned.SequenceEqual(values))
            return;
        row.Take(kitchen with { Learned = values });
        await SaveAsync(cancel);
    }

    /// <summary>Has plans go by a learned value or not.</summary>
    /// <param name="kind">Of what it was learned.</param>
    /// <param name="of">Which.</param>
    /// <param name="isOff">Whether plans leave it out.</param>
    /// <param name="cancel">Stops.</param>
    /// <returns>The kitchen as it is then; null when nothing of the kind was learned, or somebody changed the kitchen meanwhile.</returns>
    public async Task<Kitchen?> SwitchAsync(LearnedKind kind, string of, bool isOff, CancellationToken cancel)
    {
        var row = await context.Kitchens.SingleAsync(cancel);
        var kitchen = row.ToKitchen();
        if (!kitchen.Learned.Any(l => l.Kind == kind && l.Of == of))
            return null;
        kitchen = kitchen with { Learned = [.. kitchen.Learned.Select(l => l.Kind == kind && l.Of == of ? l with { IsOff = isOff } : l)] };
        row.Take(kitchen);
        return await SaveAsync(cancel) ? kitchen : null;
    }

    /// <summary>Takes into the kitchen what thermometers showed of an oven.</summary>
    /// <param name="oven">Which, 0 the first.</param>
    /// <param name="heatUp">Minutes from cold to 180 degrees; null leaves it.</param>
    /// <param name="doorDrop">Degrees by which it falls when its door is opened; null leaves it.</param>
    /// <param name="coolShut">Its time constant of cooling, shut, in minutes; null leaves it.</param>
    /// <param name="coolAjar">The same with the door ajar. Shut it never cools faster than ajar: then both are left.</param>
    /// <param name="cancel">Stops.</param>
    /// <returns>Whether it was taken; false when somebody changed the kitchen meanwhile.</returns>
    public async Task<bool> TakeMeasuredAsync(
        int oven,
        int? heatUp,
        double? doorDrop,
        int? coolShut,
        int? coolAjar,
        CancellationToken cancel
    )
    {
        var row = await context.Kitchens.SingleAsync(cancel);
        var kitchen = row.ToKitchen();
        Oven Measured(Oven was)
        {
            var (shut, ajar) = (Minutes(coolShut) ?? was.CoolShut, Minutes(coolAjar) ?? was.CoolAjar);
            return was with
            {
                HeatUp = Minutes(heatUp) ?? was.HeatUp,
                DoorDrop = doorDrop ?? was.DoorDrop,
                CoolShut = shut > ajar ? shut : was.CoolShut,
                CoolAjar = shut > ajar ? ajar : was.CoolAjar,
            };
        }
        static NodaTime.Duration? Minutes(int? count) => count is { } minutes ? NodaTime.Duration.FromMinutes(minutes) : null;
        row.Take(oven == 0 ? kitchen with { Oven = Measured(kitchen.Oven) } : kitchen with { SecondOven = Measured(kitchen.SecondOven!) });
        return await SaveAsync(cancel);
    }

    /// <summary>Another oven stands there from a day on: what was baked before says nothing of it.</summary>
    /// <param name="oven">Which, 0 the first.</param>
    /// <param name="since">From when on.</param>
    /// <param name="cancel">Stops.</param>
    /// <returns>Whether it was taken; false when somebody changed the kitchen meanwhile.</returns>
    public async Task<bool> BeginAnewAsync(int oven, LocalDate since, CancellationToken cancel)
    {
        var row = await context.Kitchens.SingleAsync(cancel);
        var kitchen = row.ToKitchen();
        kitchen =
            oven == 0
                ? kitchen with
                {
                    Oven = kitchen.Oven with { Since = since },
                }
                : kitchen with
                {
                    SecondOven = kitchen.SecondOven! with { Since = since },
                };
        row.Take(kitchen);
        if (!await SaveAsync(cancel))
            return false;
        await LearnAsync(cancel);
        return true;
    }

    /// <summary>Writes a bake down, or writes it anew, and has the kitchen learn from it.</summary>
    /// <param name="bake">The bake; its id says which one it replaces.</param>
    /// <param name="cancel">Stops.</param>
    public async Task KeepAsync(PastBakeDocument bake, CancellationToken cancel)
    {
        var id = Guid.Parse(bake.Id);
        var row = await context.PastBakes.SingleOrDefaultAsync(b => b.Id == id, cancel);
        if (row is null)
            context.PastBakes.Add(row = new PastBakeRow { Id = id });
        (row.Document, row.Date) = (bake, LocalDatePattern.Iso.Parse(bake.Date).Value);
        if (!await SaveAsync(cancel))
        {
            // Somebody wrote to it in this very moment; this was said last.
            row = await context.PastBakes.SingleOrDefaultAsync(b => b.Id == id, cancel);
            if (row is null)
                return;
            (row.Document, row.Date) = (bake, LocalDatePattern.Iso.Parse(bake.Date).Value);
            await SaveAsync(cancel);
        }

        await LearnAsync(cancel);
    }

    /// <summary>Deletes a bake that was written by hand or brought in; what was said at the Bench stays.</summary>
    public async Task<bool> DeleteAsync(Guid id, CancellationToken cancel)
    {
        if (await context.PastBakes.SingleOrDefaultAsync(b => b.Id == id && b.SessionId == null, cancel) is not { } row)
            return false;
        context.PastBakes.Remove(row);
        context.CakeFeeds.RemoveRange(await context.CakeFeeds.Where(f => f.BakeId == id).ToListAsync(cancel));
        await context.SaveChangesAsync(cancel);
        await LearnAsync(cancel);
        return true;
    }

    private async Task<bool> RecordAsync(Guid session, string stamp, CancellationToken cancel)
    {
        var bakes = new List<PastBakeDocument>();
        if (
            await desk.OpenAsync(session, cancel) is { } work
            && (SavedPlans.Restore(work.Row.Document, work.Row.Planned) ?? work.Day) is { } planned
        )
        {
            var wish = new DocumentReader().Read(work.Row.Document).Wish;
            var state = BenchState.From(await desk.EventsAsync(session, cancel));
            bakes.AddRange(SessionBakes.Of(session, planned, work.Day, wish.Bakes, state));
        }

        var rows = await context.PastBakes.Where(b => b.SessionId == session).ToDictionaryAsync(b => b.Place, cancel);
        for (var i = 0; i < bakes.Count; i++)
        {
            if (rows.TryGetValue(i, out var row))
                row.Document = Kept(bakes[i], row.Document);
            else if (SessionBakes.HasAnything(bakes[i]))
                context.PastBakes.Add(
                    row = new PastBakeRow
                    {
                        Id = Guid.Parse(bakes[i].Id),
                        SessionId = session,
                        Place = i,
                        Document = bakes[i],
                    }
                );
            if (row is not null)
                row.Date = LocalDatePattern.Iso.Parse(bakes[i].Date).Value;
        }

        (await context.BenchSessions.SingleAsync(s => s.Id == session, cancel)).Recorded = stamp;
        // Somebody else who looks into the Daybook at the same moment writes the same.
        return await SaveAsync(cancel);
    }

    /// <summary>A bake drawn anew keeps what was written to it in the Daybook itself.</summary>
    private static PastBakeDocument Kept(PastBakeDocument anew, PastBakeDocument before) =>
        anew with
        {
            Id = before.Id,
            LeftOut = before.LeftOut,
            Counted = before.Counted,
            Changed = before.Changed,
            Note = before.Note,
            Weight = before.Weight,
        };

    private async Task<bool> SaveAsync(CancellationToken cancel)
    {
        try
        {
            await context.SaveChangesAsync(cancel);
            return true;
        }
        catch (DbUpdateException e) when (WriteConflict.Is(e))
        {
            context.ChangeTracker.Clear();
            return false;
        }
    }

    private static string StampOf(int plan, long? seq) => $"1 {plan} {seq ?? 0}";

    private static DaybookSession Of(BenchWork work, BenchState state)
    {
        var planned = SavedPlans.Restore(work.Row.Document, work.Row.Planned) ?? work.Day;
        var last = state
            .Steps.Values.SelectMany(s => new[] { s.Started?.At, s.Done?.At })
            .OfType<Instant>()
            .DefaultIfEmpty(work.Row.StartedAt)
            .Max();
        var rest = work.Bench.Look(state, last + Duration.FromMinutes(1), withChance: false);
        return new DaybookSession(
            work.Row,
            planned,
            PlannedDay.Kept(work.Day.Network, rest.Plan, work.Day.BoundFinish),
            [.. rest.Begun.Select(b => b >= 0)],
            state
        );
    }
}
