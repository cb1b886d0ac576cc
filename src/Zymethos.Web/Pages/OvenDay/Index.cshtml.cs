using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Planning;
using Zymethos.Core.Recipes;
using Zymethos.Store;
using Zymethos.Store.Books;
using Zymethos.Store.Days;
using Zymethos.Web.OvenDays;

namespace Zymethos.Web.Pages.OvenDay;

/// <summary>The Oven Day: what goes in when, and why?</summary>
public sealed class IndexModel(ZymethosContext context, OpenDay days, IClock clock) : PageModel
{
    /// <summary>The form as it stands or was typed.</summary>
    [BindProperty]
    public DaySetup Setup { get; set; } = new();

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

    private LocalDate Today => clock.GetCurrentInstant().InUtc().Date;

    /// <summary>The page for a date, or for the next planned day.</summary>
    public async Task OnGetAsync(string? date, string? step, CancellationToken cancel)
    {
        var row = await FindAsync(date, cancel);
        await FillAsync(row, date, cancel);
        if (row is null) return;
        Day = OpenDay.Restore(row);
        IsStale = Day is null;
        Note = row.Plan.Note;
        Chosen = Day?.Network.Tasks.FirstOrDefault(t => t.Id == step);
    }

    /// <summary>The reasons of one step, for the panel.</summary>
    public async Task<IActionResult> OnGetWhyAsync(string? date, string? step, CancellationToken cancel)
    {
        if (await FindAsync(date, cancel) is not { } row || OpenDay.Restore(row) is not { } day) return NotFound();
        if (day.Network.Tasks.FirstOrDefault(t => t.Id == step) is not { } task) return NotFound();
        return Partial("_Why", new WhyView(day, task));
    }

    /// <summary>Plans the day that was asked for.</summary>
    public async Task<IActionResult> OnPostAsync(string? apply, CancellationToken cancel)
    {
        var recipes = await PlannableAsync(cancel);
        Setup.Complete(recipes);
        Setup.Apply(apply);
        // The fields must show what was applied, not what was typed before.
        if (apply is not null) ModelState.Clear();
        var document = Setup.AsDocument(recipes, (await context.Kitchens.AsNoTracking().SingleAsync(cancel)).Document, ModelState);
        if (document is not null)
        {
            var date = LocalDatePattern.Iso.Parse(Setup.Date!).Value;
            var answer = await days.PlanAndKeepAsync(document, date, "", cancel);
            foreach (var fault in answer.Faults) ModelState.AddModelError(Setup.FieldOf(fault.Path), fault.Message);
            if (answer.Day is not null)
            {
                if (!Request.Headers.ContainsKey("HX-Request")) return RedirectToPage(new { date = Setup.Date });
                Day = answer.Day;
                Response.Headers["HX-Push-Url"] = $"/oven-day?date={Setup.Date}";
            }

            Clash = answer.Clash;
        }

        await ListDatesAsync(cancel);
        if (Day is null) Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Planning", this) : Page();
    }

    private async Task<OvenDayRow?> FindAsync(string? date, CancellationToken cancel)
    {
        var all = context.OvenDays.AsNoTracking();
        if (date is not null)
            return LocalDatePattern.Iso.Parse(date) is { Success: true } parsed ? await all.SingleOrDefaultAsync(d => d.Date == parsed.Value, cancel) : null;
        var today = Today;
        return await all.Where(d => d.Date >= today).OrderBy(d => d.Date).FirstOrDefaultAsync(cancel)
            ?? await all.OrderByDescending(d => d.Date).FirstOrDefaultAsync(cancel);
    }

    private async Task FillAsync(OvenDayRow? row, string? date, CancellationToken cancel)
    {
        var recipes = await PlannableAsync(cancel);
        var wanted = date is not null && LocalDatePattern.Iso.Parse(date) is { Success: true } parsed ? parsed.Value : Today.Next(IsoDayOfWeek.Saturday);
        Setup = row is null ? DaySetup.Empty(wanted, recipes) : DaySetup.Of(row, recipes);
        await ListDatesAsync(cancel);
    }

    private async Task ListDatesAsync(CancellationToken cancel) =>
        PlannedDates = await context.OvenDays.AsNoTracking().OrderBy(d => d.Date).Select(d => d.Date).Take(40).ToListAsync(cancel);

    /// <summary>Recipes a day can be planned with, by name; what is half written waits in the Book.</summary>
    private async Task<List<RecipeRow>> PlannableAsync(CancellationToken cancel) =>
        [.. (await context.Recipes.AsNoTracking().OrderBy(r => r.Name).ToListAsync(cancel)).Where(r => RecipeCheck.Missing(r.ToRecipe()).Count == 0)];
}

/// <summary>A step with its day, for the panel of reasons.</summary>
/// <param name="Day">The day.</param>
/// <param name="Task">The step.</param>
public sealed record WhyView(PlannedDay Day, PlanTask Task);
