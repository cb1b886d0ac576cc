using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Interchange;
using Zymethos.Core.Planning;
using Zymethos.Core.Recipes;
using Zymethos.Store;
using Zymethos.Store.Books;
using Zymethos.Store.Days;
using Zymethos.Web.LongSearches;
using Zymethos.Web.OvenDays;
using Zymethos.Web.Setup;

namespace Zymethos.Web.Pages.OvenDay;

/// <summary>The Oven Day: what goes in when, and why?</summary>
public sealed class IndexModel(ZymethosContext context, OpenDay days, DayByHand byHand, LongSearchDesk desk, AppSettings settings, KitchenClock kitchenClock, IClock clock) : PageModel
{
    /// <summary>The form as it stands or was typed.</summary>
    [BindProperty]
    public DaySetup Setup { get; set; } = new();

    /// <summary>Recipes of the Book that cannot be planned yet, each with the first thing it lacks.</summary>
    public IReadOnlyList<(string Key, string Name, string Lacks)> NotOffered { get; private set; } = [];

    /// <summary>What was asked for of the planned day; null when none is planned.</summary>
    public OvenDayDocument? Document { get; private set; }

    /// <summary>The planned day; null when none is planned for the date.</summary>
    public PlannedDay? Day { get; private set; }

    /// <summary>What clashes, when the day just asked for has no plan.</summary>
    public ClashReport? Clash { get; private set; }

    /// <summary>The step whose reasons are shown; null when none is chosen.</summary>
    public PlanTask? Chosen { get; private set; }

    /// <summary>Other planned dates, soonest first.</summary>
    public IReadOnlyList<LocalDate> PlannedDates { get; private set; } = [];

    /// <summary>A sentence about what the last planning changed; may be empty.</summary>
    public string Note { get; private set; } = "";

    /// <summary>Whether the plan of this date was made by another version and must be made again.</summary>
    public bool IsStale { get; private set; }

    /// <summary>What undoing would take back and doing again would bring, in words; null where there is nothing.</summary>
    public (string? Undo, string? Redo) Steps { get; private set; }

    /// <summary>Alternatives kept beside the plan.</summary>
    public IReadOnlyList<OvenDayStateRow> Alternatives { get; private set; } = [];

    /// <summary>The search that is under way for the day; null when there is none.</summary>
    public LongSearchRow? Search { get; private set; }

    /// <summary>Where that search stands, in words.</summary>
    public string SearchWords => Search is null ? "" : LongSearchEvents.Of(Search, clock.GetCurrentInstant()).Words;

    /// <summary>What is wrong with the last move of the hand; empty when nothing is.</summary>
    public string MoveWrong { get; private set; } = "";

    /// <summary>What was just done; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The minute of the shown day that it is now; null when it is not going on.</summary>
    public int? Now { get; private set; }

    /// <summary>The date of a day that was taken off and can be brought back; null when there is none.</summary>
    public string? TakenOff { get; private set; }

    /// <summary>The page for a date, or for the next planned day.</summary>
    public async Task OnGetAsync(string? date, string? step, bool off, CancellationToken cancel)
    {
        var row = await FindAsync(date, cancel);
        await FillAsync(row, date, cancel);
        if (row is null)
        {
            if (off) TakenOff = date;
            return;
        }

        Day = OpenDay.Restore(row);
        await ReadNowAsync(cancel);
        IsStale = Day is null;
        Note = Said ?? row.Plan.Note;
        await ReadStepsAsync(row, cancel);
        Chosen = Day?.Network.Tasks.FirstOrDefault(t => t.Id == step);
    }

    /// <summary>The reasons of one step, for the panel.</summary>
    public async Task<IActionResult> OnGetWhyAsync(string? date, string? step, CancellationToken cancel)
    {
        if (await FindAsync(date, cancel) is not { } row || OpenDay.Restore(row) is not { } day) return NotFound();
        if (day.Network.Tasks.FirstOrDefault(t => t.Id == step) is not { } task) return NotFound();
        Day = day;
        await ReadNowAsync(cancel);
        return Partial("_Why", new WhyView(day, task, row.Document, LocalDatePattern.Iso.Format(row.Date)) { Now = Now });
    }

    /// <summary>Plans the day that was asked for.</summary>
    public async Task<IActionResult> OnPostAsync(string? apply, CancellationToken cancel)
    {
        var recipes = await PlannableAsync(cancel);
        var kitchen = await context.Kitchens.AsNoTracking().SingleAsync(cancel);
        Setup.Apply(apply);
        Setup.Complete(recipes, kitchen.ToKitchen());
        // The fields must show what was applied, not what was typed before.
        if (apply is not null) ModelState.Clear();
        var document = Setup.AsDocument(recipes, kitchen.Document, ModelState);
        if (document is not null)
        {
            var date = LocalDatePattern.Iso.Parse(Setup.Date!).Value;
            (document, var let) = await CarryOverAsync(document, date, cancel);
            var answer = await days.PlanAndKeepAsync(document, date, "Planned from the list", cancel);
            foreach (var fault in answer.Faults) ModelState.AddModelError(Setup.FieldOf(fault.Path), fault.Message);
            if (answer.Day is not null)
            {
                if (settings.SearchesOn && answer.Day.Figures.FinishMinute > answer.Day.BoundFinish) await desk.BeginAsync(date, cancel, AppSettings.OnTime);
                if (!Request.Headers.ContainsKey("HX-Request")) return RedirectToPage(new { date = Setup.Date });
                Day = answer.Day;
                await ReadNowAsync(cancel);
                Response.Headers["HX-Push-Url"] = $"/oven-day?date={Setup.Date}";
                Note = let;
                await ReadStepsAsync(await context.OvenDays.AsNoTracking().SingleAsync(d => d.Date == date, cancel), cancel);
            }

            Clash = answer.Clash;
        }

        await ListDatesAsync(cancel);
        if (Day is null) Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Planning", this) : Page();
    }

    /// <summary>A move of the baker's hand.</summary>
    public async Task<IActionResult> OnPostHandAsync(string? date, HandMove move, CancellationToken cancel)
    {
        if (await FindAsync(date, cancel) is not { } row || OpenDay.Restore(row) is not { } day) return NotFound();
        Day = day;
        await ReadNowAsync(cancel);
        var moved = await byHand.MoveAsync(row, day, move, Now, cancel);
        if (moved.Answer?.Day is not null) return await ShowAsync(row.Date, moved.Said, move.Step, cancel);
        await FillAsync(row, null, cancel);
        await ReadStepsAsync(row, cancel);
        (Day, Clash) = (day, moved.Answer?.Clash);
        Chosen = day.Network.Tasks.FirstOrDefault(t => t.Id == move.Step);
        MoveWrong = moved.Answer is null ? moved.Said
            : moved.Answer.Faults.Count > 0 ? string.Join(" ", moved.Answer.Faults.Select(f => f.Message))
            : "That cannot be kept together with the rest of the day. The plan stays as it was.";
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return IsHtmx ? Partial("_Planning", this) : Page();
    }

    /// <summary>Takes the last change back.</summary>
    public Task<IActionResult> OnPostUndoAsync(string date, CancellationToken cancel) => StepAsync(date, true, cancel);

    /// <summary>Brings back what was taken back.</summary>
    public Task<IActionResult> OnPostRedoAsync(string date, CancellationToken cancel) => StepAsync(date, false, cancel);

    /// <summary>Takes the day off.</summary>
    public async Task<IActionResult> OnPostTakeOffAsync(string date, CancellationToken cancel)
    {
        if (LocalDatePattern.Iso.Parse(date) is not { Success: true } d || !await days.TakeOffAsync(d.Value, cancel)) return NotFound();
        return RedirectToPage(new { date, off = true });
    }

    /// <summary>Brings a day back that was taken off.</summary>
    public async Task<IActionResult> OnPostBringBackAsync(string date, CancellationToken cancel)
    {
        if (LocalDatePattern.Iso.Parse(date) is not { Success: true } d || !await days.BringBackAsync(d.Value, cancel)) return NotFound();
        Said = "Back as it was.";
        return RedirectToPage(new { date });
    }

    /// <summary>Keeps the plan as an alternative.</summary>
    public async Task<IActionResult> OnPostKeepAsync(string date, CancellationToken cancel) =>
        LocalDatePattern.Iso.Parse(date) is { Success: true } d && await byHand.KeepAsync(d.Value, cancel) ? await ShowAsync(d.Value, "Kept beside. Change the day as you like and compare.", null, cancel) : NotFound();

    /// <summary>Takes an alternative, or throws it away.</summary>
    public async Task<IActionResult> OnPostAlternativeAsync(string date, Guid id, string what, CancellationToken cancel)
    {
        if (LocalDatePattern.Iso.Parse(date) is not { Success: true } d) return NotFound();
        if (what == "drop") await byHand.DropAsync(d.Value, id, cancel);
        else if (!await byHand.TakeAsync(d.Value, id, cancel)) return NotFound();
        return await ShowAsync(d.Value, what == "drop" ? "Thrown away." : "Taken as the plan.", null, cancel);
    }

    /// <summary>What would change if a step moved by so many minutes.</summary>
    public async Task<IActionResult> OnGetWhatIfAsync(string? date, string? step, int minutes, CancellationToken cancel)
    {
        if (await FindAsync(date, cancel) is not { } row || OpenDay.Restore(row) is not { } day) return NotFound();
        if (day.Network.Tasks.FirstOrDefault(t => t.Id == step) is not { } task || minutes is < -600 or > 600 or 0) return NotFound();
        var words = await byHand.WhatIfAsync(row, day, task, minutes, cancel);
        return Content($"{Math.Abs(minutes)} min {(minutes > 0 ? "later" : "earlier")}: {words}", "text/plain");
    }

    /// <summary>The day lived a thousand times.</summary>
    public async Task<IActionResult> OnGetRehearseAsync(string? date, CancellationToken cancel)
    {
        if (await FindAsync(date, cancel) is not { } row || OpenDay.Restore(row) is not { } day) return NotFound();
        return Partial("_Rehearsal", new RehearsalView(day, Rehearsal.Run(day.Network, day.Plan), LocalDatePattern.Iso.Format(row.Date)));
    }

    /// <summary>An alternative beside the plan, line by line.</summary>
    public async Task<IActionResult> OnGetCompareAsync(string? date, Guid id, CancellationToken cancel)
    {
        if (await FindAsync(date, cancel) is not { } row || OpenDay.Restore(row) is not { } day) return NotFound();
        var kept = (await byHand.AlternativesAsync(row.Date, cancel)).FirstOrDefault(a => a.Id == id);
        if (kept is null || SavedPlans.Restore(kept.Document, kept.Plan) is not { } other) return NotFound();
        return Partial("_Compare", new CompareView(day, other, kept, LocalDatePattern.Iso.Format(row.Date)));
    }

    /// <summary>Looks longer for a better order, in the background.</summary>
    public async Task<IActionResult> OnPostLookAsync(string date, CancellationToken cancel) =>
        LocalDatePattern.Iso.Parse(date) is { Success: true } d && await desk.BeginAsync(d.Value, cancel) is not null ? await ShowAsync(d.Value, "", null, cancel) : NotFound();

    /// <summary>Asks the search to stop; what it found is kept.</summary>
    public async Task<IActionResult> OnPostStopAsync(string date, Guid id, CancellationToken cancel)
    {
        if (LocalDatePattern.Iso.Parse(date) is not { Success: true } d || await desk.FindAsync(id, cancel) is null) return NotFound();
        await desk.StopAsync(id, cancel);
        return IsHtmx ? new NoContentResult() : RedirectToPage(new { date });
    }

    /// <summary>The best plan of a search so far, drawn.</summary>
    public async Task<IActionResult> OnGetBestAsync(Guid id, CancellationToken cancel)
    {
        if (await desk.FindAsync(id, cancel) is not { Plan: { } plan } row || SavedPlans.Restore(row.Document, plan) is not { } day) return NotFound();
        return Partial("_Trace", new TraceView(day, LocalDatePattern.Iso.Format(row.Date), null));
    }

    /// <summary>The day as it stands, when a search has ended.</summary>
    public async Task<IActionResult> OnGetAgainAsync(string date, Guid id, CancellationToken cancel)
    {
        await OnGetAsync(date, null, false, cancel);
        if (await desk.FindAsync(id, cancel) is { EndedAt: not null } row) Note = row.Said;
        return Partial("_Planning", this);
    }

    private bool IsHtmx => Request.Headers.ContainsKey("HX-Request");

    private async Task<IActionResult> StepAsync(string date, bool back, CancellationToken cancel) =>
        LocalDatePattern.Iso.Parse(date) is { Success: true } d && await byHand.StepAsync(d.Value, back, cancel) ? await ShowAsync(d.Value, back ? "Taken back." : "Done again.", null, cancel) : NotFound();

    private async Task<IActionResult> ShowAsync(LocalDate date, string said, string? step, CancellationToken cancel)
    {
        var address = LocalDatePattern.Iso.Format(date);
        if (!IsHtmx)
        {
            Said = said;
            return RedirectToPage(new { date = address, step });
        }

        await OnGetAsync(address, step, false, cancel);
        Note = said;
        return Partial("_Planning", this);
    }

    private async Task ReadStepsAsync(OvenDayRow row, CancellationToken cancel)
    {
        Document = row.Document;
        Steps = await byHand.StepsAsync(row, cancel);
        Alternatives = await byHand.AlternativesAsync(row.Date, cancel);
        Search = await desk.CurrentAsync(row.Date, cancel);
    }

    /// <summary>What was decided by hand goes along while the day holds the same bakes; else it is let go, and said.</summary>
    private async Task<(OvenDayDocument Document, string Let)> CarryOverAsync(OvenDayDocument document, LocalDate date, CancellationToken cancel)
    {
        if (await context.OvenDays.AsNoTracking().SingleOrDefaultAsync(d => d.Date == date, cancel) is not { Document: { } before }) return (document, "");
        document = document with { Lean = before.Lean, Bakes = [.. document.Bakes.SelectMany(b => Stretches(before, b))] };
        var same = before.Bakes.Select(b => (b.Recipe?.Key, b.Batches)).SequenceEqual(document.Bakes.Select(b => (b.Recipe?.Key, b.Batches)));
        if (!same) return (document, before.ByHand is null ? "" : "What you had held and tied is let go: the day holds other bakes now.");
        return (document with { ByHand = before.ByHand, Bakes = [.. document.Bakes.Select((b, i) => b with { Modes = WithOwnMix(before.Bakes[i].Modes, b.Modes) })] }, "");
    }

    /// <summary>The ways that were named before, but for the mix, of which the form says what is wanted now.</summary>
    private static Dictionary<string, int>? WithOwnMix(IReadOnlyDictionary<string, int>? before, IReadOnlyDictionary<string, int>? now)
    {
        var modes = (before ?? new Dictionary<string, int>()).Where(m => m.Key is not (BakeWish.MixTogether or BakeWish.Mixing)).Concat(now ?? new Dictionary<string, int>()).ToDictionary();
        return modes.Count == 0 ? null : modes;
    }

    /// <summary>A day that came from a season holds stretches of recipes, and halves; planned again from the list it still does.</summary>
    private static IEnumerable<BakeDocument> Stretches(OvenDayDocument before, BakeDocument bake)
    {
        var parts = before.Bakes.Where(b => b.Recipe is { } own && bake.Recipe is { } whole && own.Key == whole.Key && (own.Steps?.Count < whole.Steps?.Count || own.Yield?.Pieces < whole.Yield?.Pieces)).ToList();
        return parts.Count == 0 ? [bake] : [bake with { Recipe = parts[0].Recipe }, .. parts.Skip(1)];
    }

    private async Task<OvenDayRow?> FindAsync(string? date, CancellationToken cancel)
    {
        var all = context.OvenDays.AsNoTracking();
        if (date is not null)
            return LocalDatePattern.Iso.Parse(date) is { Success: true } parsed ? await all.SingleOrDefaultAsync(d => d.Date == parsed.Value, cancel) : null;
        var today = (await kitchenClock.NowAsync(cancel)).Date;
        return await all.Where(d => d.Date >= today).OrderBy(d => d.Date).FirstOrDefaultAsync(cancel)
            ?? await all.OrderByDescending(d => d.Date).FirstOrDefaultAsync(cancel);
    }

    private async Task FillAsync(OvenDayRow? row, string? date, CancellationToken cancel)
    {
        var recipes = await PlannableAsync(cancel);
        var wanted = date is not null && LocalDatePattern.Iso.Parse(date) is { Success: true } parsed ? parsed.Value : (await kitchenClock.NowAsync(cancel)).Date.Next(IsoDayOfWeek.Saturday);
        Setup = row is null ? DaySetup.Empty(wanted, recipes) : DaySetup.Of(row, recipes);
        Setup.Complete(recipes, (await context.Kitchens.AsNoTracking().SingleAsync(cancel)).ToKitchen());
        await ListDatesAsync(cancel);
    }

    private async Task ReadNowAsync(CancellationToken cancel)
    {
        if (Day is not { } day) return;
        var minute = Period.Between(day.Network.Origin, await kitchenClock.NowAsync(cancel), PeriodUnits.Minutes).Minutes;
        Now = minute >= 0 && minute <= day.Network.SpanEnd ? (int)minute : null;
    }

    private async Task ListDatesAsync(CancellationToken cancel) =>
        PlannedDates = await context.OvenDays.AsNoTracking().OrderBy(d => d.Date).Select(d => d.Date).Take(40).ToListAsync(cancel);

    /// <summary>Recipes a day can be planned with, by name; what is half written is named with what it lacks.</summary>
    private async Task<List<RecipeRow>> PlannableAsync(CancellationToken cancel)
    {
        var rows = await context.Recipes.AsNoTracking().OrderBy(r => r.Name).ToListAsync(cancel);
        var lacks = rows.ConvertAll(r => RecipeCheck.Missing(r.ToRecipe()));
        NotOffered = [.. rows.Zip(lacks).Where(p => p.Second.Count > 0).Select(p => (p.First.Key, p.First.Name, p.Second[0]))];
        return [.. rows.Zip(lacks).Where(p => p.Second.Count == 0).Select(p => p.First)];
    }
}

/// <summary>A step with its day, for the panel of reasons.</summary>
/// <param name="Day">The day.</param>
/// <param name="Task">The step.</param>
/// <param name="Document">What was asked for, with what was decided by hand.</param>
/// <param name="Date">The date as addresses write it.</param>
/// <param name="Wrong">What is wrong with the last move; empty when nothing is.</param>
public sealed record WhyView(PlannedDay Day, PlanTask Task, OvenDayDocument Document, string Date, string Wrong = "")
{
    /// <summary>The minute of the day that it is now; null when it is not going on.</summary>
    public int? Now { get; init; }

    /// <summary>The recipe of the step as it is baked on the day; null when it cannot be read.</summary>
    public Recipe? Recipe => Document.Bakes.ElementAtOrDefault(Task.Bake)?.Recipe is { } recipe ? ChosenRecipe.Of(new DocumentReader().Read(recipe, "recipe")) : null;
}

/// <summary>A rehearsed day.</summary>
/// <param name="Day">The day.</param>
/// <param name="Result">How it went.</param>
/// <param name="Date">The date as addresses write it.</param>
public sealed record RehearsalView(PlannedDay Day, RehearsalResult Result, string Date);

/// <summary>A plan and an alternative.</summary>
/// <param name="Day">The plan.</param>
/// <param name="Other">The alternative.</param>
/// <param name="Kept">Its row.</param>
/// <param name="Date">The date as addresses write it.</param>
public sealed record CompareView(PlannedDay Day, PlannedDay Other, OvenDayStateRow Kept, string Date);
