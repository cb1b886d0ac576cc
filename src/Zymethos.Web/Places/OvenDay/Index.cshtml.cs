using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.WaysOut;
using Zymethos.Store;
using Zymethos.Store.Books;
using Zymethos.Store.Days;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.LongSearches;
using Zymethos.Work.OvenDays;
using Zymethos.Work.Parcels;

namespace Zymethos.Web.Places.OvenDay;

/// <summary>The Oven Day: what goes in when, and why?</summary>
public sealed class IndexModel(
    ZymethosContext context,
    OpenDay days,
    DayByHand byHand,
    LongSearchDesk desk,
    KitchenBook book,
    Surer surer,
    ParcelPeople people,
    WorkedOut worked,
    SolverGate gate,
    AppSettings settings,
    IClock clock
) : PageModel
{
    private Task<BookShelf>? _shelf;
    private int _ahead;

    /// <summary>The form as it stands or was typed.</summary>
    [BindProperty]
    public DaySetup Setup { get; set; } = new();

    /// <summary>What is looked for in the Book, to be added to the day.</summary>
    public string Query { get; private set; } = "";

    /// <summary>What the day is about to hold; null while nothing is chosen, or something typed cannot be read.</summary>
    public DayAhead? Ahead { get; private set; }

    /// <summary>What cannot be read of what was typed so far; empty for nothing.</summary>
    public string AheadWrong { get; private set; } = "";

    /// <summary>How many recipes are shown to choose from.</summary>
    private const int MostFinds = 8;

    private IReadOnlyList<ShelvedRecipe> _plannable = [];

    /// <summary>Recipes that were looked for and can be planned, and how many there are altogether.</summary>
    public (IReadOnlyList<Recipe> Shown, int All) Finds
    {
        get
        {
            var filter = new BookFilter { Q = Query };
            var found = _plannable.Where(r => filter.FindsWords(r.Recipe)).ToList();
            return ([.. found.Take(MostFinds).Select(r => ChosenRecipe.Of(r.Recipe))], found.Count);
        }
    }

    /// <summary>Recipes of the Book that cannot be planned yet, each with the first thing it lacks.</summary>
    public IReadOnlyList<(string Key, string Name, string Lacks)> NotOffered { get; private set; } = [];

    /// <summary>What was asked for of the planned day; null when none is planned.</summary>
    public OvenDayDocument? Document { get; private set; }

    /// <summary>The planned day; null when none is planned for the date.</summary>
    public PlannedDay? Day { get; private set; }

    /// <summary>The kitchen and the state of the kept day that is shown; empty where what is shown is not kept, or not yet.</summary>
    public string Stamp { get; private set; } = "";

    /// <summary>What clashes, when the day just asked for has no plan.</summary>
    public ClashReport? Clash { get; private set; }

    /// <summary>The step whose reasons are shown; null when none is chosen.</summary>
    public PlanTask? Chosen { get; private set; }

    /// <summary>Other planned dates, soonest first.</summary>
    public IReadOnlyList<LocalDate> PlannedDates { get; private set; } = [];

    /// <summary>A sentence about what the last planning changed; may be empty.</summary>
    public string Note { get; private set; } = "";

    /// <summary>Whether that sentence says that a change was not kept.</summary>
    public bool IsRefused { get; private set; }

    /// <summary>Whether the plan of this date was made by another version and must be made again.</summary>
    public bool IsStale { get; private set; }

    /// <summary>What undoing would take back and doing again would bring, in words; null where there is nothing.</summary>
    public (string? Undo, string? Redo) Steps { get; private set; }

    /// <summary>Alternatives kept beside the plan.</summary>
    public IReadOnlyList<OvenDayStateRow> Alternatives { get; private set; } = [];

    /// <summary>The search that is under way for the day; null when there is none.</summary>
    public LongSearchRow? Search { get; private set; }

    /// <summary>Where that search stands, in words.</summary>
    public string SearchWords => Search is null ? "" : LongSearchEvents.Of(Search, clock.GetCurrentInstant(), _ahead).Words;

    /// <summary>What is wrong with the last move of the hand; empty when nothing is.</summary>
    public string MoveWrong { get; private set; } = "";

    /// <summary>What is known of allergens and cautions now and was not when the day was planned, a sentence for each.</summary>
    public IReadOnlyList<string> NewlyKnown { get; private set; } = [];

    /// <summary>Allergens that somebody on the parcels' list avoids, where some bakes of the day are free of them and others not: what is
    /// said of them, and whether the free ones come first already.</summary>
    public IReadOnlyList<(Allergen Of, string Words, bool IsSet)> Clear { get; private set; } = [];

    /// <summary>What was just done; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The minute of the shown day that it is now; null when it is not going on.</summary>
    public int? Now { get; private set; }

    /// <summary>The date of a day that was taken off and can be brought back; null when there is none.</summary>
    public string? TakenOff { get; private set; }

    /// <summary>The page for a date, or for the next planned day; another place may have put a recipe on its list.</summary>
    public async Task OnGetAsync(string? date, string? step, bool off, string? add, CancellationToken cancel)
    {
        var standing = await FindAsync(date, cancel);
        await FillAsync(standing?.Row, date, cancel);
        if (add is not null && (await PlannableAsync(cancel)).Find(r => r.Key == add) is { } wanted)
        {
            Setup.Add(add);
            Setup.Complete(await PlannableAsync(cancel), (await ShelfAsync(cancel)).Known.Kitchen);
            Said ??= $"{wanted.Name} is on the list. Plan the day when the list is right.";
            if (standing is null)
                Note = Said;
        }

        if (standing is not { Row: var row })
        {
            if (off)
                TakenOff = date;
            return;
        }

        Day = standing.Day;
        Stamp = $"{row.KitchenId:N} {row.Id:N}.{row.Version}{context.Own.Key}";
        ReadNow();
        IsStale = Day is null;
        Note = Said ?? row.Plan.Note;
        await ReadStepsAsync(row, cancel);
        Chosen = Day?.Network.Tasks.FirstOrDefault(t => t.Id.Value == step);
    }

    /// <summary>The reasons of one step, for the panel.</summary>
    public async Task<IActionResult> OnGetWhyAsync(string? date, string? step, CancellationToken cancel)
    {
        if (await FindAsync(date, cancel) is not { Row: var row, Day: { } day })
            return NotFound();
        if (day.Network.Tasks.FirstOrDefault(t => t.Id.Value == step) is not { } task)
            return NotFound();
        Day = day;
        ViewData[Seen.Field] = Seen.Of(row.Date, row);
        ReadNow();
        return Partial("_Why", new WhyView(day, task, row.Document, LocalDatePattern.Iso.Format(row.Date)) { Now = Now });
    }

    /// <summary>Plans the day that was asked for.</summary>
    public async Task<IActionResult> OnPostAsync(string? apply, CancellationToken cancel)
    {
        var recipes = await PlannableAsync(cancel);
        var kitchen = (await ShelfAsync(cancel)).KitchenRow;
        if (SetupChangeText.Read(apply) is { } change)
            Setup.Apply(change);
        Setup.Complete(recipes, (await ShelfAsync(cancel)).Known.Kitchen);
        // The fields must show what was applied, not what was typed before.
        if (apply is not null)
            ModelState.Clear();
        var document = Setup.AsDocument(recipes, kitchen.Document, ModelState);
        if (document is not null)
        {
            var date = LocalDatePattern.Iso.Parse(Setup.Date!).Value;
            (document, var let) = await CarryOverAsync(document, date, cancel);
            var answer = await days.PlanAndKeepAsync(
                document,
                date,
                "Planned from the list",
                cancel,
                seen: SeenThen,
                atOnce: settings.SearchesOn
            );
            if (answer.Conflict.Length > 0)
                return await QuickerAsync(date, answer.Conflict, cancel);
            foreach (var fault in answer.Faults)
                ModelState.AddModelError(Setup.FieldOf(fault.Path), fault.Message);
            if (answer.Day is not null)
            {
                if (settings.SearchesOn && IsOpen(answer.Day))
                    await desk.BeginAsync(date, cancel, settings.OnTime);
                if (!Request.Headers.ContainsKey("HX-Request"))
                    return RedirectToPage(new { date = Setup.Date });
                Day = answer.Day.Said(context.Own);
                ReadNow();
                Response.Headers["HX-Push-Url"] = $"/oven-day?date={Setup.Date}";
                Note = let;
                await ReadStepsAsync(await context.OvenDays.AsNoTracking().SingleAsync(d => d.Date == date, cancel), cancel);
            }

            Clash = answer.Clash;
        }

        await ListDatesAsync(cancel);
        if (Day is null)
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Planning", this) : Page();
    }

    /// <summary>The form with a recipe more or less, and what the day is about to hold. Nothing is planned or kept.</summary>
    public async Task<IActionResult> OnPostSetupAsync(string? add, string? drop, string? q, CancellationToken cancel)
    {
        var recipes = await PlannableAsync(cancel);
        var shelf = await ShelfAsync(cancel);
        Query = q ?? "";
        if (add is not null && recipes.Exists(r => r.Key == add))
        {
            Setup.Add(add);
            Query = "";
        }

        if (drop is not null)
            Setup.Drop(drop);
        Setup.Complete(recipes, shelf.Known.Kitchen);
        // The fields must show what was added, not what was typed before.
        ModelState.Clear();
        await LookAheadAsync(recipes, shelf.KitchenRow.Document, cancel);
        ViewData[Seen.Field] = SeenThen;
        if (IsHtmx)
            return Partial("_Setup", this);
        await ListDatesAsync(cancel);
        return Page();
    }

    /// <summary>What the day is about to hold, as typed so far.</summary>
    public async Task<IActionResult> OnPostAheadAsync(CancellationToken cancel)
    {
        var recipes = await PlannableAsync(cancel);
        var shelf = await ShelfAsync(cancel);
        Setup.Complete(recipes, shelf.Known.Kitchen);
        ModelState.Clear();
        await LookAheadAsync(recipes, shelf.KitchenRow.Document, cancel);
        return Partial("_Ahead", this);
    }

    /// <summary>Recipes of the Book to choose from.</summary>
    public async Task<IActionResult> OnGetFindAsync(string? q, CancellationToken cancel)
    {
        await PlannableAsync(cancel);
        Query = q ?? "";
        return Partial("_Finds", this);
    }

    private async Task LookAheadAsync(List<RecipeRow> recipes, KitchenDocument kitchen, CancellationToken cancel)
    {
        Ahead = null;
        var quiet = new Microsoft.AspNetCore.Mvc.ModelBinding.ModelStateDictionary();
        if (Setup.Chosen.Count > 0 && Setup.AsDocument(recipes, kitchen, quiet) is { } document)
            Ahead = await gate.RunAsync(() => DayAhead.Of(document), cancel);
        AheadWrong = quiet.Values.SelectMany(v => v.Errors).Select(e => e.ErrorMessage).FirstOrDefault() ?? "";
    }

    /// <summary>A move of the baker's hand.</summary>
    public async Task<IActionResult> OnPostHandAsync(string? date, HandForm move, CancellationToken cancel)
    {
        if (await FindAsync(date, cancel) is not { Row: var row, Day: { } day })
            return NotFound();
        Day = day;
        ReadNow();
        var moved = move.Read(out var wrong) is { } meant
            ? await byHand.MoveAsync(row, day, meant, Now, cancel, SeenThen)
            : new MoveAnswer(await days.ConflictAsync(row.Date, SeenThen, "", cancel), wrong, null);
        if (moved.Answer is { Conflict.Length: > 0 } quicker)
            return await QuickerAsync(row.Date, quicker.Conflict, cancel);
        if (moved.Answer?.Day is not null)
            return await ShowAsync(row.Date, moved.Said, move.Step, cancel);
        await FillAsync(row, null, cancel);
        await ReadStepsAsync(row, cancel);
        (Day, Clash) = (day, moved.Answer?.Clash);
        Chosen = day.Network.Tasks.FirstOrDefault(t => t.Id.Value == move.Step);
        MoveWrong =
            moved.Answer is null ? moved.Said
            : moved.Answer.Faults.Count > 0 ? string.Join(" ", moved.Answer.Faults.Select(f => f.Message))
            : "That cannot be kept together with the rest of the day. The plan stays as it was.";
        // What is about no step, or about one that is gone, is said above the day.
        if (Chosen is null)
            (Note, IsRefused) = (MoveWrong, true);
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
        if (LocalDatePattern.Iso.Parse(date) is not { Success: true } d)
            return NotFound();
        if (await days.ConflictAsync(d.Value, SeenThen, "Delete the day", cancel) is { } quicker)
            return await QuickerAsync(d.Value, quicker.Conflict, cancel);
        return await days.TakeOffAsync(d.Value, cancel) ? RedirectToPage(new { date, off = true }) : NotFound();
    }

    /// <summary>Brings a day back that was taken off.</summary>
    public async Task<IActionResult> OnPostBringBackAsync(string date, CancellationToken cancel)
    {
        if (LocalDatePattern.Iso.Parse(date) is not { Success: true } d || !await days.BringBackAsync(d.Value, cancel))
            return NotFound();
        Said = "Back as it was.";
        return RedirectToPage(new { date });
    }

    /// <summary>Keeps the plan as an alternative.</summary>
    public async Task<IActionResult> OnPostKeepAsync(string date, CancellationToken cancel) =>
        LocalDatePattern.Iso.Parse(date) is { Success: true } d && await byHand.KeepAsync(d.Value, cancel)
            ? await ShowAsync(d.Value, "A copy is kept. Change the day as you like, and compare.", null, cancel)
            : NotFound();

    /// <summary>Takes an alternative, or throws it away.</summary>
    public async Task<IActionResult> OnPostAlternativeAsync(string date, Guid id, string what, CancellationToken cancel)
    {
        if (LocalDatePattern.Iso.Parse(date) is not { Success: true } d)
            return NotFound();
        if (what != "drop" && await days.ConflictAsync(d.Value, SeenThen, "Take the other plan", cancel) is { } quicker)
            return await QuickerAsync(d.Value, quicker.Conflict, cancel);
        if (what == "drop")
            await byHand.DropAsync(d.Value, id, cancel);
        else if (!await byHand.TakeAsync(d.Value, id, cancel))
            return NotFound();
        return await ShowAsync(d.Value, what == "drop" ? "Thrown away." : "Taken as the plan.", null, cancel);
    }

    /// <summary>What would change if a step moved by so many minutes.</summary>
    public async Task<IActionResult> OnGetWhatIfAsync(string? date, string? step, int minutes, CancellationToken cancel)
    {
        if (await FindAsync(date, cancel) is not { Row: var row, Day: { } day })
            return NotFound();
        if (day.Network.Tasks.FirstOrDefault(t => t.Id.Value == step) is not { } task || minutes is < -600 or > 600 or 0)
            return NotFound();
        var words = await byHand.WhatIfAsync(row, day, task, minutes, cancel);
        return Partial("_WhatIf", $"{Math.Abs(minutes)} min {(minutes > 0 ? "later" : "earlier")}: {words}");
    }

    /// <summary>What would make the day surer, with what each brings.</summary>
    public async Task<IActionResult> OnGetSurerAsync(string? date, CancellationToken cancel)
    {
        if (await FindAsync(date, cancel) is not { Row: var row, Day: { } day })
            return NotFound();
        return Partial("_Surer", (await surer.FindAsync(day, row.Document, cancel), day, DaySetup.Of(row)));
    }

    /// <summary>The day lived a thousand times.</summary>
    public async Task<IActionResult> OnGetRehearseAsync(string? date, CancellationToken cancel)
    {
        if (await FindAsync(date, cancel) is not { Row: var row, Day: { } day })
            return NotFound();
        ViewData[Seen.Field] = Seen.Of(row.Date, row);
        return Partial("_Rehearsal", new RehearsalView(day, Rehearsal.Run(day.Network, day.Plan), LocalDatePattern.Iso.Format(row.Date)));
    }

    /// <summary>An alternative beside the plan, line by line.</summary>
    public async Task<IActionResult> OnGetCompareAsync(string? date, Guid id, CancellationToken cancel)
    {
        if (await FindAsync(date, cancel) is not { Row: var row, Day: { } day })
            return NotFound();
        var kept = (await byHand.AlternativesAsync(row.Date, cancel)).FirstOrDefault(a => a.Id == id);
        if (kept is null || SavedPlans.Restore(kept.Document, kept.Plan) is not { } other)
            return NotFound();
        ViewData[Seen.Field] = Seen.Of(row.Date, row);
        return Partial("_Compare", new CompareView(day, other.Said(context.Own), kept, LocalDatePattern.Iso.Format(row.Date)));
    }

    /// <summary>Looks longer for a better order, in the background.</summary>
    public async Task<IActionResult> OnPostLookAsync(string date, CancellationToken cancel) =>
        LocalDatePattern.Iso.Parse(date) is { Success: true } d && await desk.BeginAsync(d.Value, cancel) is not null
            ? await ShowAsync(d.Value, "", null, cancel)
            : NotFound();

    /// <summary>Asks the search to stop; what it found is kept.</summary>
    public async Task<IActionResult> OnPostStopAsync(string date, Guid id, CancellationToken cancel)
    {
        if (LocalDatePattern.Iso.Parse(date) is not { Success: true } d || await desk.FindAsync(id, cancel) is null)
            return NotFound();
        await desk.StopAsync(id, cancel);
        return IsHtmx ? new NoContentResult() : RedirectToPage(new { date });
    }

    /// <summary>The best plan of a search so far, drawn.</summary>
    public async Task<IActionResult> OnGetBestAsync(Guid id, CancellationToken cancel)
    {
        if (await desk.FindAsync(id, cancel) is not { Plan: { } plan } row || SavedPlans.Restore(row.Document, plan) is not { } day)
            return NotFound();
        return Partial("_Trace", new TraceView(day.Said(context.Own), LocalDatePattern.Iso.Format(row.Date), null));
    }

    /// <summary>The day as it stands, when a search has ended.</summary>
    public async Task<IActionResult> OnGetAgainAsync(string date, Guid id, CancellationToken cancel)
    {
        await OnGetAsync(date, null, false, null, cancel);
        if (await desk.FindAsync(id, cancel) is { EndedAt: not null } row)
            Note = row.Said;
        return Partial("_Planning", this);
    }

    /// <summary>Whether a search may find something sooner, or surer than the kitchen asks for.</summary>
    private static bool IsOpen(PlannedDay day) =>
        day.Figures.FinishMinute > day.BoundFinish || day.Chance?.Missing(day.Network.Kitchen.Certainty) > 0;

    private bool IsHtmx => Request.Headers.ContainsKey("HX-Request");

    private async Task<IActionResult> StepAsync(string date, bool back, CancellationToken cancel)
    {
        if (LocalDatePattern.Iso.Parse(date) is not { Success: true } d)
            return NotFound();
        if (await days.ConflictAsync(d.Value, SeenThen, back ? "Undo" : "Redo", cancel) is { } quicker)
            return await QuickerAsync(d.Value, quicker.Conflict, cancel);
        return await byHand.StepAsync(d.Value, back, cancel)
            ? await ShowAsync(d.Value, back ? "Undone." : "Redone.", null, cancel)
            : NotFound();
    }

    /// <summary>The day as it was shown to whoever sent the form; null when it does not say.</summary>
    private string? SeenThen => Request.HasFormContentType ? Request.Form[Seen.Field].FirstOrDefault() : null;

    /// <summary>Shows the day as somebody else left it, and says what became of this change.</summary>
    private async Task<IActionResult> QuickerAsync(LocalDate date, string words, CancellationToken cancel)
    {
        ModelState.Clear();
        await OnGetAsync(LocalDatePattern.Iso.Format(date), null, false, null, cancel);
        (Note, IsRefused) = (words, true);
        Response.StatusCode = StatusCodes.Status409Conflict;
        return IsHtmx ? Partial("_Planning", this) : Page();
    }

    private async Task<IActionResult> ShowAsync(LocalDate date, string said, string? step, CancellationToken cancel)
    {
        var address = LocalDatePattern.Iso.Format(date);
        if (!IsHtmx)
        {
            Said = said;
            return RedirectToPage(new { date = address, step });
        }

        await OnGetAsync(address, step, false, null, cancel);
        Note = said;
        return Partial("_Planning", this);
    }

    private async Task ReadStepsAsync(OvenDayRow row, CancellationToken cancel)
    {
        NewlyKnown = await days.NewlyKnownAsync(row, await ShelfAsync(cancel), cancel);
        Document = row.Document;
        ViewData[Seen.Field] = Seen.Of(row.Date, row);
        Steps = await byHand.StepsAsync(row, cancel);
        Alternatives = await byHand.AlternativesAsync(row.Date, cancel);
        Search = await desk.CurrentAsync(row.Date, cancel);
        await ReadClearAsync(row, cancel);
        if (Search is { State: LongSearchState.Waiting } waiting)
            _ahead = await desk.AheadAsync(waiting, cancel);
    }

    private async Task ReadClearAsync(OvenDayRow row, CancellationToken cancel)
    {
        var document = row.Document;
        if (Day is not { } day || (await people.AllAsync(cancel)).Where(p => !p.Avoids.IsEmpty).ToList() is not { Count: > 0 } careful)
            return;
        var shelf = await ShelfAsync(cancel);
        if (
            await worked.GetAsync(
                row.KitchenId,
                $"free from {row.Id:N}",
                $"{row.Version} {shelf.Stamp}",
                _ => 1,
                () => Task.FromResult<FreeOfDay?>(new FreeOfDay(ClearFirst.FreeFrom(document, shelf.Known.Knowledge))),
                cancel
            )
            is not { Bakes: var freeFrom }
        )
            return;
        Clear =
        [
            .. careful
                .SelectMany(p => p.Avoids.Select(a => (Of: a, p.Name)))
                .GroupBy(p => p.Of)
                .OrderBy(g => g.Key)
                .Select(g => (Of: g.Key, Names: g.Select(p => p.Name).Take(3), Sides: ClearFirst.Sides(freeFrom, g.Key)))
                .Where(g => g.Sides.HaveBoth)
                .Select(g =>
                    (
                        g.Of,
                        $"{string.Join(", ", g.Names)}: no {AllergenNames.Of(g.Of)}. Free of it by its ingredients: "
                            + $"{string.Join(", ", g.Sides.Free.Select(b => day.Network.Bakes[b].Name).Distinct())}.",
                        ClearFirst.IsSet(document, day, g.Of, freeFrom)
                    )
                ),
        ];
    }

    /// <summary>What was decided by hand goes along while the day holds the same bakes; else it is let go, and said.</summary>
    private async Task<(OvenDayDocument Document, string Let)> CarryOverAsync(
        OvenDayDocument document,
        LocalDate date,
        CancellationToken cancel
    )
    {
        if (await context.OvenDays.AsNoTracking().SingleOrDefaultAsync(d => d.Date == date, cancel) is not { Document: { } before })
            return (document, "");
        document = document with { Lean = before.Lean, Bakes = [.. document.Bakes.SelectMany(b => Stretches(before, b))] };
        var same = before
            .Bakes.Select(b => (b.Recipe?.Key, b.Batches))
            .SequenceEqual(document.Bakes.Select(b => (b.Recipe?.Key, b.Batches)));
        if (!same)
            return (document, before.ByHand is null ? "" : "What you had held and tied is let go: the day holds other bakes now.");
        return (
            document with
            {
                ByHand = before.ByHand,
                Bakes = [.. document.Bakes.Select((b, i) => b with { Modes = WithOwnMix(before.Bakes[i].Modes, b.Modes) })],
            },
            ""
        );
    }

    /// <summary>The ways that were named before, but for the mix, of which the form says what is wanted now.</summary>
    private static Dictionary<string, int>? WithOwnMix(IReadOnlyDictionary<string, int>? before, IReadOnlyDictionary<string, int>? now)
    {
        var modes = (before ?? new Dictionary<string, int>())
            .Where(m => m.Key is not (BakeWish.MixTogether or BakeWish.Mixing))
            .Concat(now ?? new Dictionary<string, int>())
            .ToDictionary();
        return modes.Count == 0 ? null : modes;
    }

    /// <summary>A day that came from a season holds stretches of recipes, and halves; planned again from the list it still does.</summary>
    private static IEnumerable<BakeDocument> Stretches(OvenDayDocument before, BakeDocument bake)
    {
        var parts = before
            .Bakes.Where(b =>
                b.Recipe is { } own
                && bake.Recipe is { } whole
                && own.Key == whole.Key
                && (own.Steps?.Count < whole.Steps?.Count || own.Yield?.Pieces < whole.Yield?.Pieces)
            )
            .ToList();
        return parts.Count == 0 ? [bake] : [bake with { Recipe = parts[0].Recipe }, .. parts.Skip(1)];
    }

    private Task<BookShelf> ShelfAsync(CancellationToken cancel) => _shelf ??= book.ShelfAsync(cancel);

    private async Task<LocalDate> TodayAsync(CancellationToken cancel) =>
        KitchenClock.At((await ShelfAsync(cancel)).Known.Kitchen.Zone, clock.GetCurrentInstant()).Date;

    /// <summary>The day of a date, or the next one; null when there is none.</summary>
    private async Task<StandingDay?> FindAsync(string? date, CancellationToken cancel)
    {
        if (date is null)
            return await days.StandingAsync(null, await TodayAsync(cancel), cancel);
        return LocalDatePattern.Iso.Parse(date) is { Success: true } parsed
            ? await days.StandingAsync(parsed.Value, parsed.Value, cancel)
            : null;
    }

    private async Task FillAsync(OvenDayRow? row, string? date, CancellationToken cancel)
    {
        var recipes = await PlannableAsync(cancel);
        if (row is null && date is not null && LocalDatePattern.Iso.Parse(date) is { Success: true } free)
            ViewData[Seen.Field] = Seen.Of(free.Value, null);
        var wanted =
            date is not null && LocalDatePattern.Iso.Parse(date) is { Success: true } parsed
                ? parsed.Value
                : (await TodayAsync(cancel)).Next(IsoDayOfWeek.Saturday);
        Setup = row is null ? DaySetup.Empty(wanted) : DaySetup.Of(row);
        Setup.Complete(recipes, (await ShelfAsync(cancel)).Known.Kitchen);
        await ListDatesAsync(cancel);
    }

    private void ReadNow()
    {
        if (Day is not { } day)
            return;
        var minute = day.Network.Kitchen.MinutesUntil(day.Network.Origin, clock.GetCurrentInstant());
        Now = minute >= 0 && minute <= day.Network.SpanEnd ? minute : null;
    }

    private async Task ListDatesAsync(CancellationToken cancel) =>
        PlannedDates = await context.OvenDays.AsNoTracking().OrderBy(d => d.Date).Select(d => d.Date).Take(40).ToListAsync(cancel);

    /// <summary>Recipes a day can be planned with, by name; what is half written is named with what it lacks.</summary>
    private async Task<List<RecipeRow>> PlannableAsync(CancellationToken cancel)
    {
        var all = (await ShelfAsync(cancel)).Recipes;
        NotOffered = [.. all.Where(r => !r.IsPlannable).Select(r => (r.Row.Key, r.Row.Name, r.Missing[0]))];
        _plannable = [.. all.Where(r => r.IsPlannable)];
        return [.. _plannable.Select(r => r.Row)];
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
    public Recipe? Recipe =>
        Document.Bakes.ElementAtOrDefault(Task.Bake)?.Recipe is { } recipe
            ? ChosenRecipe.Of(new DocumentReader().Read(recipe, "recipe"))
            : null;
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
