using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;
using Zymethos.Planning.WaysOut;
using Zymethos.Store;
using Zymethos.Store.Days;
using Zymethos.Work.Books;
using Zymethos.Work.House;

namespace Zymethos.Work.OvenDays;

/// <summary>What came of planning: a day, or what is wrong with the wish, or what clashes, or who was quicker. At most one is not null or
/// empty.</summary>
/// <param name="Day">The planned day; null when there is none.</param>
/// <param name="Faults">What is wrong with what was asked for.</param>
/// <param name="Clash">Which wishes clash and what would help; null unless the day has no plan.</param>
public sealed record PlanAnswer(PlannedDay? Day, IReadOnlyList<Fault> Faults, ClashReport? Clash)
{
    /// <summary>Who changed the day meanwhile, and what became of this change, in words; empty unless the plan was not kept because of
    /// that.</summary>
    public string Conflict { get; init; } = "";
}

/// <summary>Plans a day from a document, for pages and for the API.</summary>
public sealed class PlanDay(SolverGate gate)
{
    // Days that a plan is lived through which was not searched for by its chance.
    private const int DaysToSay = 300;

    /// <summary>A first plan at once, for a search that goes on in the background to better; null where none is found so quickly and only a
    /// search can say more.</summary>
    public async Task<PlanAnswer?> FirstAsync(OvenDayDocument document, CancellationToken cancel)
    {
        var reader = new DocumentReader();
        var (kitchen, wish) = reader.Read(document);
        if (reader.Faults.Count > 0)
            return new PlanAnswer(null, reader.Faults, null);
        var first = await gate.RunAsync(() => SurePlanner.First(kitchen, wish), cancel);
        return first switch
        {
            { Network: null } => new PlanAnswer(null, first.Faults, null),
            { Network: { } network, Outcome: { Plan: not null } outcome } => new PlanAnswer(PlannedDay.Of(network, outcome), [], null),
            _ => null,
        };
    }

    /// <summary>Plans without saving anything. Without a plan it says what clashes, or, where that is not wanted, nothing at all.</summary>
    public async Task<PlanAnswer> PlanAsync(
        OvenDayDocument document,
        TimeSpan limit,
        int seed,
        CancellationToken cancel,
        IReadOnlyDictionary<TaskId, int>? keep = null,
        bool withClash = true,
        bool isStranger = false,
        bool withCertainty = true,
        IReadOnlyList<Plan>? also = null
    )
    {
        var reader = new DocumentReader();
        var (kitchen, wish) = reader.Read(document);
        if (reader.Faults.Count > 0)
            return new PlanAnswer(null, reader.Faults, null);
        return await (isStranger ? gate.RunForStrangerAsync(Search, cancel) : gate.RunAsync(Search, cancel));

        PlanAnswer Search()
        {
            var moded = SurePlanner.Plan(
                kitchen,
                wish,
                new SolveSettings(limit, seed)
                {
                    Keep = keep ?? new Dictionary<TaskId, int>(),
                    Certainty = withCertainty ? kitchen.Certainty : null,
                    Also = also ?? [],
                },
                cancel
            );
            if (moded.Network is not { } network)
                return new PlanAnswer(null, moded.Faults, null);
            var outcome = moded.Outcome!;
            // Whoever replans in the midst of a day wants to know how sure the rest is, without a search for surer.
            if (outcome is { Plan: { } plan, Chance: null })
                outcome = outcome with { Chance = Rehearsal.Run(network, plan, DaysToSay).Chance };
            return outcome.Plan is not null
                ? new PlanAnswer(PlannedDay.Of(network, outcome), [], null)
                : new PlanAnswer(
                    null,
                    [],
                    !withClash
                        ? null
                        : ClashFinder.Report(
                            network,
                            outcome.Status == PlanStatus.Impossible,
                            limit,
                            seed,
                            ModeChooser.With(wish, network.Modes)
                        )
                );
        }
    }
}

/// <summary>Keeps planned days and brings them back.</summary>
public sealed class OpenDay(ZymethosContext context, PlanDay planner, AppSettings settings, WorkedOut worked, IClock clock)
{
    private const int MostStates = 50;

    // Whoever stands there with a loaf that needs five minutes more does not wait for a better order.
    internal static readonly TimeSpan LiveTime = TimeSpan.FromMilliseconds(800);

    /// <summary>
    /// Plans a day of the current kitchen and keeps the plan when there is one, as a new state that can be undone. A day without a plan
    /// leaves what was kept before.
    /// </summary>
    /// <param name="document">What is asked for.</param>
    /// <param name="date">Its date.</param>
    /// <param name="said">What is done, in a few words.</param>
    /// <param name="cancel">Stops the search.</param>
    /// <param name="seen">The day as it was shown to whoever asked (<see cref="Seen"/>); null when nobody was shown one. A day that was
    /// changed since is left as it is, and the answer says so.</param>
    /// <param name="live">The plan that goes on while the rest of it is planned again, quickly and with as few steps moved as can be, and
    /// without an answer to what clashes; null for a day that lies ahead.</param>
    /// <param name="atOnce">Whether a first plan is enough where there is one, because a search goes on from it in the background.</param>
    /// <param name="standing">The plan that stands and is changed; null for a day that is planned from nothing. What was found for it is
    /// not forgotten, and a search that finds nothing by itself begins from where its steps stood.</param>
    public async Task<PlanAnswer> PlanAndKeepAsync(
        OvenDayDocument document,
        LocalDate date,
        string said,
        CancellationToken cancel,
        PlannedDay? live = null,
        string? seen = null,
        bool atOnce = false,
        PlannedDay? standing = null
    )
    {
        if (await ConflictAsync(date, seen, said, cancel) is { } before)
            return before;
        if (atOnce && await planner.FirstAsync(document, cancel) is { } first)
            return await KeepAsync(first, document, date, said, seen, cancel);
        var answer = live is null
            ? await planner.PlanAsync(document, settings.PlanTime, 1, cancel, Hints(standing, document), also: Known(standing))
            : await planner.PlanAsync(document, LiveTime, 1, cancel, Stood(live), withClash: false, withCertainty: false);
        return await KeepAsync(answer, document, date, said, seen, cancel);
    }

    /// <summary>Where steps stood, for a move that holds or ties them; a day that leans another way is free to stand elsewhere.</summary>
    private static IReadOnlyDictionary<TaskId, int>? Hints(PlannedDay? standing, OvenDayDocument document) =>
        standing is null || DocumentWords.Of(standing.Network.Lean) != document.Lean ? null : Stood(standing);

    private static IReadOnlyList<Plan> Known(PlannedDay? standing) =>
        standing is null ? [] : [standing.Plan, .. standing.Choices.Select(c => c.Plan)];

    /// <summary>Keeps a plan that was found, as a new state that can be undone; an answer without one is given back as it is.</summary>
    /// <param name="answer">The plan.</param>
    /// <param name="document">What was asked for.</param>
    /// <param name="date">Its date.</param>
    /// <param name="said">What is done, in a few words.</param>
    /// <param name="seen">The day as it was shown to whoever asked; null when nobody was shown one.</param>
    /// <param name="cancel">Stops.</param>
    internal async Task<PlanAnswer> KeepAsync(
        PlanAnswer answer,
        OvenDayDocument document,
        LocalDate date,
        string said,
        string? seen,
        CancellationToken cancel
    )
    {
        if (answer.Day is not { } day)
            return answer;
        var row = await context.OvenDays.SingleOrDefaultAsync(d => d.Date == date, cancel);
        // Planning takes seconds, and somebody may have been quicker.
        if (Seen.IsStale(seen, Seen.Of(date, row)))
            return await ConflictAsync(date, seen, said, cancel) ?? answer;
        if (row is null)
        {
            context.OvenDays.Add(row = new OvenDayRow { Id = Guid.CreateVersion7(), Date = date });
            // States of a day that was there before under this date are no way back from this one.
            context.OvenDayStates.RemoveRange(context.OvenDayStates.Where(s => s.Date == date && s.Number > 0));
        }
        else
        {
            context.OvenDayStates.RemoveRange(
                context.OvenDayStates.Where(s =>
                    s.Date == date && (s.Number > row.Number || (s.Number > 0 && s.Number <= row.Number - MostStates))
                )
            );
            if (row.Number == 0)
                context.OvenDayStates.Add(StateOf(row, ++row.Number, "Planned"));
        }

        row.Document = document;
        row.Plan = SavedPlans.Save(day, document, await KitchenBook.KnowledgeAsync(context, day.Network.Kitchen.FlourHabit, cancel));
        row.PlannedAt = clock.GetCurrentInstant();
        context.OvenDayStates.Add(StateOf(row, ++row.Number, said));
        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (WriteConflict.Is(e))
        {
            // In this very moment; what was read is no longer there.
            context.ChangeTracker.Clear();
            return await ConflictAsync(date, $"day {NodaTime.Text.LocalDatePattern.Iso.Format(date)} gone", said, cancel)
                ?? answer with
                {
                    Day = null,
                };
        }

        // A search for the day as it was has nothing to look for any more.
        await EndedSearches.EndAsync(context.LongSearches.Where(s => s.Date == date), clock.GetCurrentInstant(), cancel);
        return answer;
    }

    /// <summary>What to say where a day is no longer the one that was seen; null where it is.</summary>
    public async Task<PlanAnswer?> ConflictAsync(LocalDate date, string? seen, string said, CancellationToken cancel)
    {
        if (string.IsNullOrEmpty(seen))
            return null;
        var row = await context.OvenDays.AsNoTracking().SingleOrDefaultAsync(d => d.Date == date, cancel);
        if (!Seen.IsStale(seen, Seen.Of(date, row)))
            return null;
        var yours =
            said.Length > 0
                ? $"Yours (“{said.TrimEnd('.')}”) was not kept: look at theirs, and do it again if it still fits."
                : "Yours was not kept: look at theirs first.";
        if (row is null)
            return new PlanAnswer(null, [], null) { Conflict = $"This day was deleted from another page. {yours}" };
        var theirs = await context
            .OvenDayStates.AsNoTracking()
            .Where(s => s.Date == date && s.Number == row.Number)
            .Select(s => s.Said)
            .FirstOrDefaultAsync(cancel);
        return new PlanAnswer(null, [], null)
        {
            Conflict =
                "This day was changed from another page "
                + $"{Ago(clock.GetCurrentInstant() - row.PlannedAt)}"
                + $"{(string.IsNullOrEmpty(theirs) ? "" : $": “{theirs.TrimEnd('.')}”")}. {yours}",
        };
    }

    private static string Ago(Duration time) =>
        time.TotalMinutes switch
        {
            < 1.5 => "a moment ago",
            < 60 => $"{time.TotalMinutes:0} minutes ago",
            < 120 => "an hour ago",
            < 48 * 60 => $"{time.TotalHours:0} hours ago",
            _ => $"{time.TotalDays:0} days ago",
        };

    /// <summary>Where the steps of a day stand.</summary>
    internal static Dictionary<TaskId, int> Stood(PlannedDay day) =>
        day.Network.Tasks.ToDictionary(t => t.Id, t => day.Plan.Tasks[t.Index].Start);

    /// <summary>Takes a planned day off; what it was stays among its states, so that it can be brought back. False when there is
    /// none.</summary>
    public async Task<bool> TakeOffAsync(LocalDate date, CancellationToken cancel)
    {
        if (await context.OvenDays.SingleOrDefaultAsync(d => d.Date == date, cancel) is not { } row)
            return false;
        context.OvenDayStates.RemoveRange(context.OvenDayStates.Where(s => s.Date == date && s.Number > row.Number));
        if (row.Number == 0)
            context.OvenDayStates.Add(StateOf(row, 1, "Planned"));
        context.OvenDays.Remove(row);
        await context.SaveChangesAsync(cancel);
        await EndedSearches.EndAsync(context.LongSearches.Where(s => s.Date == date), clock.GetCurrentInstant(), cancel);
        return true;
    }

    /// <summary>Brings a day back that was taken off; false when there is nothing to bring back, or a day is planned there again.</summary>
    public async Task<bool> BringBackAsync(LocalDate date, CancellationToken cancel)
    {
        if (await context.OvenDays.AnyAsync(d => d.Date == date, cancel))
            return false;
        if (
            await context
                .OvenDayStates.Where(s => s.Date == date && s.Number > 0)
                .OrderByDescending(s => s.Number)
                .FirstOrDefaultAsync(cancel)
            is not { } state
        )
            return false;
        context.OvenDays.Add(
            new OvenDayRow
            {
                Id = Guid.CreateVersion7(),
                Date = date,
                Document = state.Document,
                Plan = state.Plan,
                PlannedAt = state.PlannedAt,
                Number = state.Number,
            }
        );
        await context.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>A state of a day as a row.</summary>
    internal static OvenDayStateRow StateOf(OvenDayRow row, int number, string said) =>
        new()
        {
            Id = Guid.CreateVersion7(),
            Date = row.Date,
            Number = number,
            Said = said.Length <= 200 ? said : said[..200],
            Document = row.Document,
            Plan = row.Plan,
            PlannedAt = row.PlannedAt,
        };

    /// <summary>A day as it stands, brought to life; null when none is planned. Shared between those who look at it, and never
    /// changed.</summary>
    /// <param name="date">Its date; null for the next one from <paramref name="today"/> on, or else the last.</param>
    /// <param name="today">The date in the kitchen.</param>
    /// <param name="cancel">Stops.</param>
    public async Task<StandingDay?> StandingAsync(LocalDate? date, LocalDate today, CancellationToken cancel)
    {
        var all = context
            .OvenDays.AsNoTracking()
            .Select(d => new
            {
                d.Date,
                d.Id,
                d.Version,
                d.KitchenId,
            });
        var found = date is { } own
            ? await all.SingleOrDefaultAsync(d => d.Date == own, cancel)
            : await all.Where(d => d.Date >= today).OrderBy(d => d.Date).FirstOrDefaultAsync(cancel)
                ?? await all.OrderByDescending(d => d.Date).FirstOrDefaultAsync(cancel);
        if (found is null)
            return null;
        return await worked.GetAsync<StandingDay>(
            found.KitchenId,
            $"day {found.Date.ToString("uuuuMMdd", null)}{context.Own.Key}",
            $"{found.Id:N}.{found.Version}",
            d => 20 + (d.Row.Document.Bakes.Count * 10),
            async () =>
            {
                var row = await context.OvenDays.AsNoTracking().SingleOrDefaultAsync(d => d.Id == found.Id, cancel);
                return row is null ? null : new StandingDay(row, Restore(row)?.Said(context.Own));
            },
            cancel
        );
    }

    /// <summary>The planned day of a row; null when the plan was made by another version and must be made again.</summary>
    public static PlannedDay? Restore(OvenDayRow row) => SavedPlans.Restore(row.Document, row.Plan);

    /// <summary>What is known of a day's allergens and cautions now and was not when it was planned, a sentence for each. Worked out anew
    /// whenever the day, the kitchen or its ingredients have changed.</summary>
    /// <param name="row">The day.</param>
    /// <param name="shelf">The kitchen and its Book as they are now.</param>
    /// <param name="cancel">Stops.</param>
    public async Task<IReadOnlyList<string>> NewlyKnownAsync(OvenDayRow row, BookShelf shelf, CancellationToken cancel) =>
        await worked.GetAsync<IReadOnlyList<string>>(
            row.KitchenId,
            $"known {row.Date.ToString("uuuuMMdd", null)}",
            $"{row.Id:N}.{row.Version} {shelf.Stamp}",
            _ => 1,
            () =>
                Task.FromResult<IReadOnlyList<string>?>(
                    DayStatements.New(row.Plan.Statements, DayStatements.Of(row.Document, shelf.Known.Knowledge.With(FlourHabit.Table)))
                ),
            cancel
        ) ?? throw new InvalidOperationException("What is known was not worked out.");

    /// <summary>
    /// Plans the coming days again for a changed kitchen. What cannot be planned any more keeps its old plan and says so.
    /// </summary>
    /// <param name="kitchen">The kitchen as it is now.</param>
    /// <param name="today">Days from here on are planned again.</param>
    /// <param name="cancel">Stops between days.</param>
    /// <returns>A sentence for each day.</returns>
    public async Task<IReadOnlyList<string>> ReplanAsync(Kitchen kitchen, LocalDate today, CancellationToken cancel)
    {
        var words = new List<string>();
        foreach (var row in await context.OvenDays.Where(d => d.Date >= today).OrderBy(d => d.Date).Take(3).ToListAsync(cancel))
        {
            var before = Restore(row);
            var answer = await PlanAndKeepAsync(
                row.Document with
                {
                    Kitchen = DayKitchen.Again(DocumentWriter.Write(kitchen), row.Document.Kitchen),
                },
                row.Date,
                "Planned again for the changed kitchen",
                cancel
            );
            var name = row.Date.ToString("dddd d MMMM", null);
            if (answer.Day is not { } after)
            {
                words.Add($"{name} no longer works in this kitchen; its old plan stays. Open it to see what clashes.");
                continue;
            }

            var finish = Clock(after, after.PromisedMinute);
            words.Add(
                before is null || before.PromisedMinute == after.PromisedMinute
                    ? $"{name} is planned again: still done by {finish}."
                    : $"{name} is planned again: done by {finish} instead of {Clock(before, before.PromisedMinute)}."
            );
        }

        return words;
    }

    private static string Clock(PlannedDay day, int minute) => day.Network.HourOf(minute);
}
