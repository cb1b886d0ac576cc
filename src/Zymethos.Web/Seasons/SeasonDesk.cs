using System.Text.Json;
using Hangfire;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Interchange;
using Zymethos.Core.Recipes;
using Zymethos.Core.Seasons;
using Zymethos.Store;
using Zymethos.Store.Seasons;
using Zymethos.Web.OvenDays;
using Zymethos.Web.Setup;

namespace Zymethos.Web.Seasons;

/// <summary>Seasons of the current kitchen: opened, changed, planned again with whatever was changed.</summary>
public sealed class SeasonDesk(ZymethosContext context, SolverGate gate, AppSettings settings, IBackgroundJobClient jobs, IClock clock)
{
    /// <summary>How long the search in the background looks for a better plan.</summary>
    public static readonly TimeSpan LongLook = TimeSpan.FromSeconds(15);

    /// <summary>All seasons, the newest first.</summary>
    public async Task<IReadOnlyList<(Guid Id, string Name)>> ListAsync(CancellationToken cancel) =>
        [.. (await context.Seasons.AsNoTracking().OrderByDescending(s => s.MadeAt).Select(s => new { s.Id, s.Name }).ToListAsync(cancel)).Select(s => (s.Id, s.Name))];

    /// <summary>A season, or the newest one; null when there is none.</summary>
    public async Task<SeasonView?> OpenAsync(Guid? id, CancellationToken cancel) =>
        await RowAsync(id, cancel) is { } row ? await ViewAsync(await PlannedAsync(row, cancel), cancel) : null;

    /// <summary>Puts a season down without planning it: that is done in the background, or when it is first looked at.</summary>
    public async Task PutDownAsync(SeasonSheet sheet, CancellationToken cancel)
    {
        var row = new SeasonRow { Id = Guid.CreateVersion7(), Name = sheet.Name, MadeAt = clock.GetCurrentInstant(), Sheet = Numbered(sheet), IsSearching = settings.SearchesOn };
        context.Seasons.Add(row);
        await context.SaveChangesAsync(cancel);
        if (row.IsSearching) jobs.Enqueue<SeasonWorker>(w => w.RunAsync(row.Id, row.KitchenId, CancellationToken.None));
    }

    /// <summary>Makes a season.</summary>
    /// <returns>Its id, or what is wrong with the sheet.</returns>
    public async Task<(Guid? Id, IReadOnlyList<Fault> Faults)> MakeAsync(SeasonSheet sheet, CancellationToken cancel)
    {
        var row = new SeasonRow { Id = Guid.CreateVersion7(), MadeAt = clock.GetCurrentInstant(), Sheet = sheet };
        var faults = await PutAsync(row, sheet, "", cancel);
        if (faults.Count > 0) return (null, faults);
        context.Seasons.Add(row);
        await context.SaveChangesAsync(cancel);
        Settle(row);
        await context.SaveChangesAsync(cancel);
        return (row.Id, []);
    }

    /// <summary>Changes a season and plans it again around what is done; what is different is said.</summary>
    /// <returns>What is wrong; then nothing was changed. Empty when it was.</returns>
    public async Task<IReadOnlyList<Fault>> ChangeAsync(Guid id, Func<SeasonSheet, SeasonSheet> change, string said, CancellationToken cancel)
    {
        if (await context.Seasons.SingleOrDefaultAsync(s => s.Id == id, cancel) is not { } row) return [new Fault("", "There is no such season any more.")];
        var before = row.Sheet;
        var faults = await PutAsync(row, change(row.Sheet), said, cancel);
        if (faults.Count > 0) return faults;
        // What was only planned again has nothing to go back to.
        if (Text(before) != Text(row.Sheet)) row.SheetBefore = before;
        Settle(row);
        await context.SaveChangesAsync(cancel);
        return [];
    }

    /// <summary>Goes back to what was said before the last change. False when there is nothing to go back to.</summary>
    public async Task<bool> UndoAsync(Guid id, CancellationToken cancel)
    {
        if (await context.Seasons.SingleOrDefaultAsync(s => s.Id == id, cancel) is not { SheetBefore: { } before }) return false;
        return (await ChangeAsync(id, _ => before, "Taken back.", cancel)).Count == 0;
    }

    /// <summary>Takes a season away.</summary>
    public async Task<bool> RemoveAsync(Guid id, CancellationToken cancel) => await context.Seasons.Where(s => s.Id == id).ExecuteDeleteAsync(cancel) > 0;

    /// <summary>Changes what is no matter of planning: its calendar's address, where reminders go.</summary>
    public async Task<bool> SetAsync(Guid id, Action<SeasonRow> set, CancellationToken cancel)
    {
        if (await context.Seasons.SingleOrDefaultAsync(s => s.Id == id, cancel) is not { } row) return false;
        set(row);
        await context.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>The row of a season, or of the newest one; null when there is none.</summary>
    public async Task<SeasonRow?> RowAsync(Guid? id, CancellationToken cancel) => id is { } own
        ? await context.Seasons.AsNoTracking().SingleOrDefaultAsync(s => s.Id == own, cancel)
        : await context.Seasons.AsNoTracking().OrderByDescending(s => s.MadeAt).FirstOrDefaultAsync(cancel);

    /// <summary>A season that nobody has planned yet, and that is not being planned, is planned now.</summary>
    private async Task<SeasonRow> PlannedAsync(SeasonRow row, CancellationToken cancel)
    {
        if (row.PlannedAt is not null || row.IsSearching || row.Sheet.Needs.Count == 0) return row;
        await ChangeAsync(row.Id, s => s, "", cancel);
        return await RowAsync(row.Id, cancel) ?? row;
    }

    /// <summary>A row as the pages show it.</summary>
    public async Task<SeasonView> ViewAsync(SeasonRow row, CancellationToken cancel)
    {
        var (wish, faults) = await ReadAsync(row.Sheet, cancel);
        var plan = faults.Count == 0 && row.Plan is { } saved ? SeasonPlanReader.Read(wish, saved) : null;
        if (plan is null) return new SeasonView(row, wish, null, [], [], faults);
        var touches = SeasonTouches.Of(wish, plan);
        return new SeasonView(row, wish, plan, touches, SeasonWarning.Of(wish, plan, touches), faults);
    }

    /// <summary>The recipes of the Book that can be planned.</summary>
    public async Task<IReadOnlyList<Recipe>> BookAsync(CancellationToken cancel) =>
        [.. (await context.Recipes.AsNoTracking().OrderBy(r => r.Name).ToListAsync(cancel)).Select(r => r.ToRecipe())];

    /// <summary>Searches with the whole machine's leave, one at a time.</summary>
    public Task<T> SearchAsync<T>(Func<T> search, CancellationToken cancel) => gate.RunAsync(search, cancel);

    /// <summary>What is wanted, as it is now.</summary>
    public async Task<(SeasonWish Wish, IReadOnlyList<Fault> Faults)> ReadAsync(SeasonSheet sheet, CancellationToken cancel)
    {
        var kitchen = (await context.Kitchens.AsNoTracking().SingleAsync(cancel)).ToKitchen();
        var reader = new SeasonReader();
        var wish = reader.Read(sheet, kitchen, await BookAsync(cancel), KitchenClock.At(kitchen.Zone, clock.GetCurrentInstant()));
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
        if (faults.Count > 0) return faults;
        var stood = row.Plan is { } before ? SeasonPlanReader.Stood(before) : new Dictionary<(string, int), LocalDateTime>();
        var unmet = row.Plan?.Unmet.Select(u => u.Need).ToHashSet(StringComparer.Ordinal) ?? [];
        var plan = await gate.RunAsync(() => SeasonPlanner.Plan(wish, new SeasonSettings(settings.PlanTime * 1.5) { Stood = stood }, cancel), cancel);
        var difference = row.Plan is null ? [] : SeasonDifference.Of(wish, stood, unmet, plan);
        (row.Sheet, row.Name, row.Plan, row.PlannedAt) = (sheet, sheet.Name, SeasonWriter.Write(wish, plan), clock.GetCurrentInstant());
        row.Said = string.Join('\n', new[] { said }.Concat(difference.Count == 0 && row.PlannedAt is not null && said.Length > 0 ? ["Everything else stays where it was."] : difference.Take(12)).Where(w => w.Length > 0));
        return [];
    }

    /// <summary>A sheet as text, to tell two apart.</summary>
    internal static string Text(SeasonSheet sheet) => JsonSerializer.Serialize(sheet, OpenJson.Options);

    /// <summary>Every need has a name of its own, so that what is done of it stays its own when others come and go.</summary>
    private static SeasonSheet Numbered(SeasonSheet sheet)
    {
        var taken = sheet.Needs.Select(n => n.Id).Where(i => i.Length > 0).ToHashSet(StringComparer.Ordinal);
        var next = 1;
        string Free()
        {
            while (!taken.Add($"n{next}")) next++;
            return $"n{next}";
        }

        return sheet with { Needs = [.. sheet.Needs.Select(n => n.Id.Length > 0 ? n : n with { Id = Free() })] };
    }

    /// <summary>What is not proven is looked at longer in the background.</summary>
    private void Settle(SeasonRow row)
    {
        row.StopAsked = false;
        row.IsSearching = settings.SearchesOn && row.Plan is { } plan && plan.Bound < plan.Cost;
        if (row.IsSearching) jobs.Enqueue<SeasonWorker>(w => w.RunAsync(row.Id, row.KitchenId, CancellationToken.None));
    }
}
