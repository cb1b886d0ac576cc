using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Calendars;
using Zymethos.Interchange.Documents;
using Zymethos.Work.House;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Season;

/// <summary>Who gets what, and when is there time? Makes a season and changes one.</summary>
public sealed class EditModel(SeasonDesk desk, KitchenClock clock) : PageModel
{
    private const long LargestCalendar = 25_000_000;

    /// <summary>The form as it stands or was typed.</summary>
    [BindProperty]
    public SeasonForm Form { get; set; } = new();

    /// <summary>A calendar file with times that are taken.</summary>
    [BindProperty]
    public IFormFile? Calendar { get; set; }

    /// <summary>Id of the season; null for a new one.</summary>
    public Guid? Id { get; private set; }

    /// <summary>How the kitchen says hours.</summary>
    public KitchenSays Says { get; private set; }

    /// <summary>The Book.</summary>
    public IReadOnlyList<Recipe> Book { get; private set; } = [];

    /// <summary>How many times are taken from a calendar.</summary>
    public int BusyCount { get; private set; }

    /// <summary>What was just done; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The form.</summary>
    public async Task<IActionResult> OnGetAsync(Guid? id, CancellationToken cancel)
    {
        if (!await ReadAsync(id, cancel))
            return NotFound();
        var row = id is null ? null : await desk.RowAsync(id, cancel);
        if (row is not null)
            ViewData[Seen.Field] = Seen.Of(row);
        Form = row is null ? SeasonForm.Empty((await clock.NowAsync(cancel)).Date) : SeasonForm.Of(row.Sheet);
        return Page();
    }

    /// <summary>Keeps it and plans.</summary>
    public async Task<IActionResult> OnPostAsync(Guid? id, CancellationToken cancel)
    {
        if (!await ReadAsync(id, cancel))
            return NotFound();
        var row = id is null ? null : await desk.RowAsync(id, cancel);
        var (busy, said) = await CalendarAsync(cancel);
        if (Form.AsSheet(row?.Sheet, busy, Book, ModelState) is not { } sheet)
            return Again();
        if (row is null)
        {
            var (made, faults) = await desk.MakeAsync(sheet, cancel);
            if (made is null)
                return Again(faults);
            Said = said;
            return RedirectToPage("/Season/Index", new { id = made });
        }

        var wrong = await desk.ChangeAsync(
            row.Id,
            now => sheet with { Done = now.Done },
            "Changed and planned again.",
            cancel,
            Request.Form[Seen.Field].FirstOrDefault()
        );
        if (wrong.Count > 0)
            return Again(wrong);
        Said = said;
        return RedirectToPage("/Season/Index", new { id = row.Id });
    }

    private PageResult Again(IReadOnlyList<Fault>? faults = null)
    {
        // What was typed is kept, and so is what it was typed over.
        ViewData[Seen.Field] = Request.Form[Seen.Field].FirstOrDefault();
        foreach (var fault in faults ?? [])
            ModelState.AddModelError(Form.FieldOf(fault.Path), fault.Message);
        Form.WithSpare();
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private async Task<bool> ReadAsync(Guid? id, CancellationToken cancel)
    {
        Id = id;
        Says = await clock.SaysAsync(cancel);
        Book = [.. (await desk.BookAsync(cancel)).Where(r => RecipeCheck.Missing(r).Count == 0)];
        if (id is null)
            return true;
        if (await desk.RowAsync(id, cancel) is not { } row)
            return false;
        BusyCount = row.Sheet.Hours.Busy?.Count ?? 0;
        return true;
    }

    /// <summary>Times from the calendar file that came along, within the season's dates.</summary>
    private async Task<(IReadOnlyList<BusyDocument>? Busy, string? Said)> CalendarAsync(CancellationToken cancel)
    {
        if (Calendar is not { Length: > 0 } file)
            return (null, null);
        if (file.Length > LargestCalendar)
        {
            ModelState.AddModelError("Calendar", "The file is too large: at most 25 MB.");
            return (null, null);
        }

        var dates = Form
            .Occasions.Select(o => LocalDatePattern.Iso.Parse(o.Date ?? ""))
            .Where(d => d.Success)
            .Select(d => d.Value)
            .ToList();
        if (LocalDatePattern.Iso.Parse(Form.Start ?? "") is not { Success: true } start || dates.Count == 0)
        {
            ModelState.AddModelError("Calendar", "Say first from which date to which the season goes.");
            return (null, null);
        }

        using var text = new StreamReader(file.OpenReadStream());
        var zone = await clock.ZoneAsync(cancel);
        var content = await text.ReadToEndAsync(cancel);
        var reading = await Task.Run(() => CalendarReader.Read(content, start.Value, dates.Max(), zone), cancel);
        if (reading.Trouble.Length > 0)
        {
            ModelState.AddModelError("Calendar", reading.Trouble);
            return (null, null);
        }

        var left =
            reading.WholeDays > 0
                ? $" {reading.WholeDays} whole-day entries were left out; take such days off by hand where nobody bakes."
                : "";
        return (
            [.. reading.Busy.Select(b => new BusyDocument(SeasonWriter.At(b.From), SeasonWriter.At(b.Until), b.Title))],
            $"{reading.Busy.Count} times were taken from the calendar.{left}"
        );
    }
}
