using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using MimeKit;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Seasons;
using Zymethos.Store;
using Zymethos.Web.Drawing;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Season;

/// <summary>The Season: what must be started this week?</summary>
public sealed class IndexModel(SeasonDesk desk, SeasonStock stock, ZymethosContext context, OpenDay days, Notices notices) : PageModel
{
    private static readonly TimeSpan StateWait = TimeSpan.FromSeconds(2);
    private static readonly TimeSpan EachWay = TimeSpan.FromSeconds(1.2);

    /// <summary>The season; null when there is none yet.</summary>
    public SeasonView? Season { get; private set; }

    /// <summary>Recipes of the season in which something is open, with what, the gravest first.</summary>
    public IReadOnlyList<(Recipe Recipe, string Words)> Guessed =>
        Season is null
            ? []
            :
            [
                .. Season
                    .Wish.Needs.Select(n => n.Recipe)
                    .DistinctBy(r => r.Key)
                    .Select(r =>
                        (Recipe: r, Words: $"{Spoken.Guessed(r)} {(r.Keeping.IsEmpty ? "Nothing says how long it keeps." : "")}".Trim())
                    )
                    .Where(g => g.Words.Length > 0)
                    .OrderBy(g => Spoken.Open(g.Recipe).Select(q => q.About).DefaultIfEmpty(QuestionAbout.Keeping).Min()),
            ];

    /// <summary>All seasons, the newest first.</summary>
    public IReadOnlyList<(Guid Id, string Name)> All { get; private set; } = [];

    /// <summary>What is in the larder from which it can begin.</summary>
    public IReadOnlyList<StockOffer> Offers { get; private set; } = [];

    /// <summary>Dates that have an Oven Day.</summary>
    public IReadOnlySet<LocalDate> OvenDays { get; private set; } = new HashSet<LocalDate>();

    /// <summary>Ways out that were asked for; null when none were.</summary>
    public WaysView? Ways { get; private set; }

    /// <summary>The address for reminders as it was typed; null when it stands as it is kept.</summary>
    public string? TypedAddress { get; private set; }

    /// <summary>What is wrong with it; empty when nothing is.</summary>
    public string AddressWrong { get; private set; } = "";

    /// <summary>What was just done; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The page of a season, or of the newest.</summary>
    public async Task<IActionResult> OnGetAsync(Guid? id, CancellationToken cancel)
    {
        await ReadAsync(id, cancel);
        return id is not null && Season is null ? NotFound() : Page();
    }

    /// <summary>Where the search for a better plan stands; while it goes on the page asks again.</summary>
    public async Task<IActionResult> OnGetStateAsync(Guid id, CancellationToken cancel)
    {
        // The question is kept until there is something to tell, a few seconds at most: news come at once, and little is asked in vain.
        await notices.WaitAsync(Notices.OfSeason(id), notices.Heard(Notices.OfSeason(id)), StateWait, cancel);
        await ReadAsync(id, cancel);
        if (Season is null)
            return NotFound();
        // When it has ended, the page is shown as it is now.
        if (!Season.Row.IsSearching || (Season.Plan is not null && Request.Query.ContainsKey("first")))
            Response.Headers["HX-Refresh"] = "true";
        return Partial("_Search", Season);
    }

    /// <summary>A piece of work is done.</summary>
    public Task<IActionResult> OnPostDoneAsync(Guid id, string need, int stretch, string? when, CancellationToken cancel) =>
        ChangeAsync(
            id,
            view =>
                s =>
                    SeasonMoves.Done(
                        s,
                        need,
                        stretch,
                        when == "planned"
                        && view.Touches.FirstOrDefault(t =>
                            t.Kind == SeasonTouchKind.Work && view.Wish.Needs[t.Lot].Id == need && t.Stretch == stretch
                        )
                            is { } touch
                        && touch.At < view.Now
                            ? touch.At
                            : view.Now
                    ),
            view => $"“{TitleOf(view, need, stretch)}” is done.",
            cancel
        );

    /// <summary>A piece of work is not done after all.</summary>
    public Task<IActionResult> OnPostUndoneAsync(Guid id, string need, int stretch, CancellationToken cancel) =>
        ChangeAsync(
            id,
            _ => s => SeasonMoves.NotDone(s, need, stretch),
            view => $"“{TitleOf(view, need, stretch)}” is not done after all.",
            cancel
        );

    /// <summary>Plans again, around what is done.</summary>
    public Task<IActionResult> OnPostAgainAsync(Guid id, CancellationToken cancel) =>
        ChangeAsync(id, _ => s => s, _ => "Planned again from today on.", cancel);

    /// <summary>Takes the last change back.</summary>
    public async Task<IActionResult> OnPostUndoAsync(Guid id, CancellationToken cancel)
    {
        if (await desk.RowAsync(id, cancel) is null)
            return NotFound();
        Said = (await desk.UndoAsync(id, cancel, Request.Form[Seen.Field].FirstOrDefault())) is [var fault, ..]
            ? $"That did not work, and nothing was changed: {fault.Message}"
            : null;
        return Back(id);
    }

    /// <summary>Takes a way out.</summary>
    public Task<IActionResult> OnPostWayAsync(Guid id, string need, string change, CancellationToken cancel) =>
        ChangeAsync(
            id,
            _ => s => SeasonMoves.Read(change, SeasonMoves.IndexOf(s, need)) is { } meant ? SeasonMoves.Apply(s, meant) : s,
            _ => "Taken.",
            cancel
        );

    /// <summary>Begins from something that is there.</summary>
    public async Task<IActionResult> OnPostStockAsync(Guid id, Guid thing, string need, CancellationToken cancel)
    {
        if (await desk.OpenAsync(id, cancel) is not { } view)
            return NotFound();
        var faults = await stock.TakeAsync(view, thing, need, Request.Form[Seen.Field].FirstOrDefault(), cancel);
        Said = faults.Count == 0 ? null : $"That did not work, and nothing was changed: {faults[0].Message}";
        return Back(id);
    }

    /// <summary>What would help a need that is not met, each way planned before it is offered.</summary>
    public async Task<IActionResult> OnGetWaysAsync(Guid id, string need, CancellationToken cancel)
    {
        await ReadAsync(id, cancel);
        if (Season?.Plan is not { } plan)
            return NotFound();
        var index = Array.FindIndex([.. Season.Wish.Needs], n => n.Id == need);
        if (index < 0 || !plan.Unmet.Any(u => u.Need == index))
            return NotFound();
        var book = await desk.BookAsync(cancel);
        var ways = await desk.SearchAsync(() => SeasonWaysOut.Find(Season.Wish, plan, index, book, EachWay, cancel), cancel);
        Ways = new WaysView(id, need, ways);
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Ways", Ways) : Page();
    }

    /// <summary>Puts a session into the Oven Day, planned to the minute there.</summary>
    public async Task<IActionResult> OnPostDayAsync(Guid id, int session, CancellationToken cancel)
    {
        await ReadAsync(id, cancel);
        if (Season is null || session < 0 || session >= Season.Wish.Sessions.Length || SeasonOvenDay.Of(Season, session) is not { } day)
            return NotFound();
        // What is kept has the kitchen's measures, whoever opens the day.
        var kitchen = (await context.Kitchens.AsNoTracking().SingleAsync(cancel)).Document;
        var kept = day.Document with { Kitchen = day.Document.Kitchen with { Habit = kitchen.Habit, Clock = kitchen.Clock } };
        var answer = await days.PlanAndKeepAsync(kept, day.Date, $"From the season {Season.Row.Name}", cancel);
        if (answer.Day is not null)
            return RedirectToPage("/OvenDay/Index", new { date = NodaTime.Text.LocalDatePattern.Iso.Format(day.Date) });
        Said =
            answer.Faults.Count > 0
                ? $"The Oven Day cannot take this session: {answer.Faults[0].Message}"
                : "The Oven Day found no order for this session in the time there was. Try again, or make the session longer.";
        return Back(id);
    }

    /// <summary>Where reminders go.</summary>
    public async Task<IActionResult> OnPostRemindAsync(Guid id, string? address, CancellationToken cancel)
    {
        var typed = (address ?? "").Trim();
        if (
            typed.Length > 254
            || (
                typed.Length > 0
                && (!MailboxAddress.TryParse(typed, out var parsed) || !parsed.Address.Contains('@', StringComparison.Ordinal))
            )
        )
        {
            (TypedAddress, AddressWrong) = (typed, $"“{typed}” is not a mail address.");
            await ReadAsync(id, cancel);
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Season is null ? NotFound() : Page();
        }

        if (!await desk.SetAsync(id, s => s.RemindTo = typed, cancel))
            return NotFound();
        Said = typed.Length > 0 ? $"Reminders go to {typed}, and into the letter box here." : "No more reminders.";
        return Back(id);
    }

    /// <summary>A secret address for the calendar: made, changed or taken away.</summary>
    public async Task<IActionResult> OnPostCalendarAsync(Guid id, string what, CancellationToken cancel)
    {
        var key = what == "off" ? null : Convert.ToHexStringLower(System.Security.Cryptography.RandomNumberGenerator.GetBytes(20));
        if (!await desk.SetAsync(id, s => s.CalendarKey = key, cancel))
            return NotFound();
        Said = key is null
            ? "The calendar's address no longer works."
            : "The calendar has an address of its own now. Whoever knows it can read it; an address from before no longer works.";
        return Back(id);
    }

    /// <summary>Stops the search for a better plan; the best so far stays.</summary>
    public async Task<IActionResult> OnPostStopAsync(Guid id, CancellationToken cancel) =>
        await desk.SetAsync(id, s => (s.StopAsked, s.IsSearching) = (true, false), cancel) ? Back(id) : NotFound();

    /// <summary>Takes the season away.</summary>
    public async Task<IActionResult> OnPostRemoveAsync(Guid id, CancellationToken cancel)
    {
        if (!await desk.RemoveAsync(id, cancel))
            return NotFound();
        Said = "The season is gone. If you took it along as a file, it can be brought back from that.";
        return RedirectToPage("/Season/Index", new { id = (Guid?)null });
    }

    private async Task ReadAsync(Guid? id, CancellationToken cancel)
    {
        Season = await desk.OpenAsync(id, cancel);
        if (Season is not null)
            ViewData[Seen.Field] = Seen.Of(Season.Row);
        Offers = Season is null ? [] : await stock.OffersAsync(Season, cancel);
        All = await desk.ListAsync(cancel);
        OvenDays = (await context.OvenDays.AsNoTracking().Select(d => d.Date).ToListAsync(cancel)).ToHashSet();
    }

    private async Task<IActionResult> ChangeAsync(
        Guid id,
        Func<SeasonView, Func<SeasonSheet, SeasonSheet>> change,
        Func<SeasonView, string> said,
        CancellationToken cancel
    )
    {
        if (await desk.OpenAsync(id, cancel) is not { } view)
            return NotFound();
        var faults = await desk.ChangeAsync(id, change(view), said(view), cancel, Request.Form[Seen.Field].FirstOrDefault());
        Said = faults.Count == 0 ? null : $"That did not work, and nothing was changed: {faults[0].Message}";
        return Back(id);
    }

    private static string TitleOf(SeasonView view, string need, int stretch)
    {
        var index = Array.FindIndex([.. view.Wish.Needs], n => n.Id == need);
        return index >= 0 && view.Plan is { } plan && stretch >= 0 && stretch < plan.Lots[index].Method.Stretches.Length
            ? $"{plan.Lots[index].Method.Stretches[stretch].Title} ({view.Wish.Needs[index].Recipe.Name})"
            : "That";
    }

    private RedirectToPageResult Back(Guid id) => RedirectToPage("/Season/Index", new { id });
}

/// <summary>Ways out for a need.</summary>
/// <param name="Season">Id of the season.</param>
/// <param name="Need">Id of the need.</param>
/// <param name="Ways">The ways.</param>
public sealed record WaysView(Guid Season, string Need, IReadOnlyList<SeasonWayOut> Ways);
