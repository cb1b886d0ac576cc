using System.Collections.Immutable;
using Hangfire;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Seasons;
using Zymethos.Store;
using Zymethos.Store.Seasons;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;
using Zymethos.Work.Stock;

namespace Zymethos.Work.Seasons;

/// <summary>Seasons of the current kitchen: opened, changed, planned again with whatever was changed.</summary>
public sealed class SeasonDesk(
    ZymethosContext context,
    WorkedOut worked,
    SolverGate gate,
    AppSettings settings,
    IBackgroundJobClient jobs,
    IClock clock
)
{
    // Of the same kitchen as the context, whoever is signed in: reminders and calendars are read for nobody who is.
    private readonly KitchenBook _book = new(context, worked, clock);

    /// <summary>How long the search in the background looks for a better plan.</summary>
    public static readonly TimeSpan LongLook = TimeSpan.FromSeconds(15);

    /// <summary>All seasons, the newest first.</summary>
    public async Task<IReadOnlyList<(Guid Id, string Name)>> ListAsync(CancellationToken cancel) =>
        [
            .. (
                await context.Seasons.AsNoTracking().OrderByDescending(s => s.MadeAt).Select(s => new { s.Id, s.Name }).ToListAsync(cancel)
            ).Select(s => (s.Id, s.Name)),
        ];

    /// <summary>A season, or the newest one; null when there is none. Shared between those who look at it, and never changed.</summary>
    public async Task<SeasonView?> OpenAsync(Guid? id, CancellationToken cancel)
    {
        var all = context.Seasons.AsNoTracking().Where(s => id == null || s.Id == id).OrderByDescending(s => s.MadeAt);
        var found = await all.Select(s => new
            {
                s.Id,
                s.KitchenId,
                s.Version,
            })
            .FirstOrDefaultAsync(cancel);
        if (found is null)
            return null;
        var shelf = await _book.ShelfAsync(cancel);
        // What is still to be done depends on the time too, and nobody looks at it more closely than to the minute.
        var minute = clock.GetCurrentInstant().ToUnixTimeSeconds() / 60;
        var beside = await context
            .Stock.AsNoTracking()
            .Select(s => s.Version)
            .Concat(context.GiftBoards.Select(b => b.Version))
            .ToListAsync(cancel);
        var stamp = $"{found.Version} {minute} {shelf.Stamp} {beside.Count} {beside.Sum(v => (long)v)}";
        return await worked.GetAsync<SeasonView>(
            found.KitchenId,
            $"season {found.Id:N}{context.Own.Key}",
            stamp,
            v => 10 + (v.Row.Sheet.Needs.Count * 2),
            async () =>
                await RowAsync(found.Id, cancel) is { } row
                    ? await ViewAsync(await PlannedAsync(row, cancel), cancel) with
                    {
                        Stamp = $"{found.KitchenId:N} {found.Id:N} {stamp}",
                    }
                    : null,
            cancel
        );
    }

    /// <summary>Puts a season down without planning it: that is done in the background, or when it is first looked at.</summary>
    public async Task PutDownAsync(SeasonSheet sheet, CancellationToken cancel)
    {
        var row = new SeasonRow
        {
            Id = Guid.CreateVersion7(),
            Name = sheet.Name,
            MadeAt = clock.GetCurrentInstant(),
            Sheet = Numbered(sheet),
            IsSearching = settings.SearchesOn,
        };
        context.Seasons.Add(row);
        await context.SaveChangesAsync(cancel);
        BeginLook(row);
    }

    /// <summary>Makes a season.</summary>
    /// <returns>Its id, or what is wrong with the sheet.</returns>
    public async Task<(Guid? Id, IReadOnlyList<Fault> Faults)> MakeAsync(SeasonSheet sheet, CancellationToken cancel)
    {
        var row = new SeasonRow
        {
            Id = Guid.CreateVersion7(),
            MadeAt = clock.GetCurrentInstant(),
            Sheet = sheet,
        };
        var faults = await PutAsync(row, sheet, "", cancel);
        if (faults.Count > 0)
            return (null, faults);
        Settle(row);
        context.Seasons.Add(row);
        await context.SaveChangesAsync(cancel);
        BeginLook(row);
        return (row.Id, []);
    }

    /// <summary>Changes a season and plans it again around what is done; what is different is said.</summary>
    /// <param name="id">The season.</param>
    /// <param name="change">What is changed of what was said.</param>
    /// <param name="said">What is done, in a sentence; may be empty.</param>
    /// <param name="cancel">Stops the search.</param>
    /// <param name="seen">The season as it was shown to whoever asked (<see cref="Seen"/>); null when nobody was shown one.</param>
    /// <returns>What is wrong, or who was quicker; then nothing was changed. Empty when it was.</returns>
    public async Task<IReadOnlyList<Fault>> ChangeAsync(
        Guid id,
        Func<SeasonSheet, SeasonSheet> change,
        string said,
        CancellationToken cancel,
        string? seen = null
    )
    {
        // Planned beside the row that is kept: the search in the background writes better plans into it meanwhile, and that is no conflict.
        if (await context.Seasons.AsNoTracking().SingleOrDefaultAsync(s => s.Id == id, cancel) is not { } now)
            return [Gone];
        if (Seen.IsStale(seen, Seen.Of(now)))
            return [Quicker(said)];
        var before = now.Sheet;
        var faults = await PutAsync(now, change(before), said, cancel);
        if (faults.Count > 0)
            return faults;
        for (var attempt = 0; attempt < 4; attempt++)
        {
            context.ChangeTracker.Clear();
            if (await context.Seasons.SingleOrDefaultAsync(s => s.Id == id, cancel) is not { } row)
                return [Gone];
            if (StoredJson.Text(row.Sheet) != StoredJson.Text(before))
                return [Quicker(said)];
            (row.Sheet, row.Name, row.Plan, row.PlannedAt, row.Said) = (now.Sheet, now.Name, now.Plan, now.PlannedAt, now.Said);
            // What was only planned again has nothing to go back to.
            if (StoredJson.Text(before) != StoredJson.Text(row.Sheet))
                row.SheetBefore = before;
            Settle(row);
            try
            {
                await context.SaveChangesAsync(cancel);
                BeginLook(row);
                return [];
            }
            catch (DbUpdateConcurrencyException)
            {
                // Written between reading and writing: looked at once more.
            }
        }

        return [Quicker(said)];
    }

    private static Fault Gone => new("", "There is no such season any more.");

    private static Fault Quicker(string said) =>
        new(
            "",
            "this season was changed a moment ago from another page, and theirs "
                + $"stands.{(said.Length > 0 ? $" Yours (“{said.TrimEnd('.')}”) was not kept;" : "")} Look at it, and do yours again if "
                + "it still fits."
        );

    /// <summary>Goes back to what was said before the last change; what is wrong when there is nothing to go back to, or somebody was
    /// quicker.</summary>
    public async Task<IReadOnlyList<Fault>> UndoAsync(Guid id, CancellationToken cancel, string? seen = null) =>
        await context.Seasons.AsNoTracking().SingleOrDefaultAsync(s => s.Id == id, cancel) is { SheetBefore: { } before }
            ? await ChangeAsync(id, _ => before, "Undone.", cancel, seen)
            : [new Fault("", "There is nothing to take back any more.")];

    /// <summary>Takes a season away.</summary>
    public async Task<bool> RemoveAsync(Guid id, CancellationToken cancel) =>
        await context.Seasons.Where(s => s.Id == id).ExecuteDeleteAsync(cancel) > 0;

    /// <summary>Changes what is no matter of planning: its calendar's address, where reminders go.</summary>
    public async Task<bool> SetAsync(Guid id, Action<SeasonRow> set, CancellationToken cancel)
    {
        if (await context.Seasons.SingleOrDefaultAsync(s => s.Id == id, cancel) is not { } row)
            return false;
        set(row);
        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            // A better plan was written in this very moment; what is set here is none of its matter.
            context.ChangeTracker.Clear();
            if (await context.Seasons.SingleOrDefaultAsync(s => s.Id == id, cancel) is not { } again)
                return false;
            set(again);
            await context.SaveChangesAsync(cancel);
        }

        return true;
    }

    /// <summary>The row of a season, or of the newest one; null when there is none.</summary>
    public async Task<SeasonRow?> RowAsync(Guid? id, CancellationToken cancel) =>
        id is { } own
            ? await context.Seasons.AsNoTracking().SingleOrDefaultAsync(s => s.Id == own, cancel)
            : await context.Seasons.AsNoTracking().OrderByDescending(s => s.MadeAt).FirstOrDefaultAsync(cancel);

    /// <summary>A season that nobody has planned yet, and that is not being planned, is planned now.</summary>
    private async Task<SeasonRow> PlannedAsync(SeasonRow row, CancellationToken cancel)
    {
        if (row.PlannedAt is not null || row.IsSearching || row.Sheet.Needs.Count == 0)
            return row;
        await ChangeAsync(row.Id, s => s, "", cancel);
        return await RowAsync(row.Id, cancel) ?? row;
    }

    /// <summary>A row as the pages show it.</summary>
    public async Task<SeasonView> ViewAsync(SeasonRow row, CancellationToken cancel)
    {
        var (wish, faults) = await ReadAsync(row.Sheet, cancel);
        var plan = faults.Count == 0 && row.Plan is { } saved ? SeasonPlanReader.Read(wish, saved) : null;
        if (plan is null)
            return new SeasonView(row, wish, null, [], [], faults);
        wish = wish with
        {
            Shop = await new StockShelf(context).KnownAsync(await _book.ShelfAsync(cancel), cancel),
            HandOvers = await HandOversAsync(row, wish, cancel),
        };
        var touches = SeasonTouches.Of(wish, plan);
        return new SeasonView(row, wish, plan, touches, SeasonWarning.Of(wish, plan, touches), faults);
    }

    /// <summary>Boxes of the season's boards that are not given yet, as soon as anybody said something of handing them over; those without
    /// a day of their own go at the date.</summary>
    private async Task<ImmutableArray<HandOver>> HandOversAsync(SeasonRow row, SeasonWish wish, CancellationToken cancel)
    {
        var boards = (await context.GiftBoards.AsNoTracking().Select(b => b.Document).ToListAsync(cancel)).Where(b =>
            b.Season == row.Id.ToString() && b.Handing is { Count: > 0 }
        );
        var names = await context.People.AsNoTracking().ToDictionaryAsync(p => p.Id.ToString(), p => p.Name, cancel);
        var occasions = wish.Occasions.Select(o => o.Name).ToList();
        return
        [
            .. from board in boards
            let occasion = occasions.IndexOf(board.Occasion ?? "")
            where occasion >= 0
            from person in board.People.Where(names.ContainsKey)
            let box = board.Handing!.FirstOrDefault(h => h.Person == person)
            where box?.Given is null
            select new HandOver(
                occasion,
                box?.At is { } at ? LocalMoment.Pattern.Parse(at).Value : wish.Occasions[occasion].ReadyBy,
                box?.Route ?? "",
                names[person],
                box?.Wrapped == true
            ),
        ];
    }

    /// <summary>The recipes of the Book that can be planned.</summary>
    public async Task<IReadOnlyList<Recipe>> BookAsync(CancellationToken cancel) => (await _book.ShelfAsync(cancel)).All;

    /// <summary>Searches with the whole machine's leave, one at a time.</summary>
    public Task<T> SearchAsync<T>(Func<T> search, CancellationToken cancel) => gate.RunAsync(search, cancel);

    /// <summary>What is wanted, as it is now.</summary>
    public async Task<(SeasonWish Wish, IReadOnlyList<Fault> Faults)> ReadAsync(SeasonSheet sheet, CancellationToken cancel)
    {
        var shelf = await _book.ShelfAsync(cancel);
        var kitchen = shelf.Known.Kitchen;
        var reader = new SeasonReader(shelf.Known.For);
        var wish = reader.Read(sheet, kitchen, shelf.All, KitchenClock.At(kitchen.Zone, clock.GetCurrentInstant()));
        return (wish, reader.Faults);
    }

    private async Task<IReadOnlyList<Fault>> PutAsync(SeasonRow row, SeasonSheet sheet, string said, CancellationToken cancel)
    {
        sheet = Numbered(sheet);
        // A season without needs yet is no fault; it only has nothing to plan.
        if (sheet.Needs.Count == 0 || sheet.Occasions.Count == 0)
        {
            (row.Sheet, row.Name, row.Plan, row.Said) = (sheet, sheet.Name, null, said);
            return [];
        }

        var (wish, faults) = await ReadAsync(sheet, cancel);
        if (faults.Count > 0)
            return faults;
        var stood = row.Plan is { } before ? SeasonPlanReader.Stood(before) : new Dictionary<(string, int), LocalDateTime>();
        var unmet = row.Plan?.Unmet.Select(u => u.Need).ToHashSet(StringComparer.Ordinal) ?? [];
        var plan = await gate.RunAsync(
            () => SeasonPlanner.Plan(wish, new SeasonSettings(settings.PlanTime * 1.5) { Stood = stood }, cancel),
            cancel
        );
        var difference = row.Plan is null ? [] : SeasonDifference.Of(wish, stood, unmet, plan);
        (row.Sheet, row.Name, row.Plan, row.PlannedAt) = (sheet, sheet.Name, SeasonWriter.Write(wish, plan), clock.GetCurrentInstant());
        row.Said = string.Join(
            '\n',
            new[] { said }
                .Concat(
                    difference.Count == 0 && row.PlannedAt is not null && said.Length > 0
                        ? ["Everything else stays where it was."]
                        : difference.Take(12)
                )
                .Where(w => w.Length > 0)
        );
        return [];
    }

    /// <summary>Every need has a name of its own, so that what is done of it stays its own when others come and go.</summary>
    private static SeasonSheet Numbered(SeasonSheet sheet)
    {
        var taken = sheet.Needs.Select(n => n.Id).Where(i => i.Length > 0).ToHashSet(StringComparer.Ordinal);
        var next = 1;
        string Free()
        {
            while (!taken.Add($"n{next}"))
                next++;
            return $"n{next}";
        }

        return sheet with
        {
            Needs = [.. sheet.Needs.Select(n => n.Id.Length > 0 ? n : n with { Id = Free() })],
        };
    }

    /// <summary>What is not proven is to be looked at longer; whoever calls this saves the row and then begins the look.</summary>
    private void Settle(SeasonRow row)
    {
        row.StopAsked = false;
        row.IsSearching = settings.SearchesOn && row.Plan is { } plan && plan.Bound < plan.Cost;
    }

    /// <summary>Begins the search of a row that is saved: a worker that came first would find nothing to do.</summary>
    private void BeginLook(SeasonRow row)
    {
        if (row.IsSearching)
            jobs.Enqueue<SeasonWorker>(w => w.RunAsync(row.Id, row.KitchenId, CancellationToken.None));
    }
}
