using System.Collections.Immutable;
using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Learning;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Seasons;
using Zymethos.Store.Daybooks;
using Zymethos.Web.Setup;
using Zymethos.Work.Books;
using Zymethos.Work.Daybooks;
using Zymethos.Work.House;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Daybook;

/// <summary>A feed as it is typed.</summary>
public sealed class RefreshForm
{
    /// <summary>Date.</summary>
    public string? Date { get; set; }

    /// <summary>Hour.</summary>
    public string? Hour { get; set; }

    /// <summary>Grams kept.</summary>
    public string? Kept { get; set; }

    /// <summary>Grams of flour.</summary>
    public string? Flour { get; set; }

    /// <summary>Grams of water.</summary>
    public string? Water { get; set; }

    /// <summary>Grams taken off.</summary>
    public string? Discard { get; set; }

    /// <summary>Hours until its peak.</summary>
    public string? Peak { get; set; }

    /// <summary>How high it rose.</summary>
    public string? Height { get; set; }

    /// <summary>How warm it stood, in the kitchen's own degrees.</summary>
    public string? Room { get; set; }

    /// <summary>Anything else.</summary>
    public string? Note { get; set; }
}

/// <summary>The starter: what was done to it, how lively it is, and how to bring it to a wanted amount by a wanted hour.</summary>
public sealed class StarterModel(StarterDiary diary, DaybookDesk desk, KitchenBook book, SeasonDesk seasons, IClock clock) : PageModel
{
    private static readonly LocalDateTimePattern Time = LocalMoment.Pattern;

    /// <summary>A feed that is written down.</summary>
    [BindProperty]
    public RefreshForm Form { get; set; } = new();

    /// <summary>Grams that are wanted, ripe.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Want { get; set; }

    /// <summary>The date on which they are wanted.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Day { get; set; }

    /// <summary>The hour.</summary>
    [BindProperty(SupportsGet = true)]
    public string? At { get; set; }

    /// <summary>Grams there are now.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Have { get; set; }

    /// <summary>What became of the last touch; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>Refreshes, the last first.</summary>
    public IReadOnlyList<StarterRefreshRow> Refreshes { get; private set; } = [];

    /// <summary>How lively it is.</summary>
    public LearnedFactor Vigour { get; private set; }

    /// <summary>The feeds toward what is wanted; empty where nothing is asked, or nothing gets it there.</summary>
    public ImmutableArray<StarterBuildStep> Plan { get; private set; } = [];

    /// <summary>What is wrong with what is asked; empty where nothing is.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>What uses what is taken off.</summary>
    public IReadOnlyList<DiscardUse> Uses { get; private set; } = [];

    /// <summary>What the season that stands still wants of the starter, by time.</summary>
    public IReadOnlyList<SeasonTouch> ForSeason { get; private set; } = [];

    /// <summary>The day after the last feed, on which what was taken off is all there.</summary>
    public LocalDate DiscardDate => (Plan.IsEmpty ? Now : Plan[^1].At).Date.PlusDays(1);

    /// <summary>The same as it is said.</summary>
    public string DiscardWeekday => DiscardDate.ToString("dddd", CultureInfo.InvariantCulture);

    /// <summary>The same as addresses write it.</summary>
    public string DiscardDay => LocalDatePattern.Iso.Format(DiscardDate);

    /// <summary>The kitchen.</summary>
    public Zymethos.Core.Kitchens.Kitchen Kitchen { get; private set; } = null!;

    /// <summary>Grams kept to go on with, beside what is wanted (common practice, no source).</summary>
    public const int KeepOn = 20;

    /// <summary>The page.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        await FillAsync(cancel);
        var now = Now;
        Form = new RefreshForm
        {
            Date = LocalDatePattern.Iso.Format(now.Date),
            Hour = Kitchen.Says.Hour(now),
            Room = Kitchen.Says.DegreesNumber(Kitchen.Room.Celsius).ToString("0", CultureInfo.InvariantCulture),
        };
    }

    /// <summary>The feeds as a calendar file, with reminders.</summary>
    public async Task<IActionResult> OnGetCalendarAsync(CancellationToken cancel)
    {
        await FillAsync(cancel);
        if (Plan.IsEmpty)
            return NotFound();
        var zone = DateTimeZoneProviders.Tzdb[Kitchen.Zone];
        return File(
            System.Text.Encoding.UTF8.GetBytes(
                Interchange.Calendars.CalendarWriter.Write(
                    "Starter",
                    Plan.Select(
                        (f, i) => new Interchange.Calendars.CalendarEntry($"starter-{i}", f.At, "Feed the starter", WordsOf(f), 10)
                    ),
                    zone,
                    clock.GetCurrentInstant(),
                    "starter"
                )
            ),
            "text/calendar",
            "starter.ics"
        );
    }

    /// <summary>Writes a feed down.</summary>
    public async Task<IActionResult> OnPostAsync(CancellationToken cancel)
    {
        await FillAsync(cancel);
        var date = LocalDatePattern.Iso.Parse((Form.Date ?? "").Trim());
        if (!date.Success)
            ModelState.AddModelError("Form.Date", "A date like 2026-11-29.");
        var hour = ClockText.Read(Form.Hour ?? "");
        if (hour is null)
            ModelState.AddModelError("Form.Hour", "An hour like 21:00 or 9 pm.");
        var kept = Grams(Form.Kept, "Kept", isNeeded: true);
        var flour = Grams(Form.Flour, "Flour", isNeeded: true);
        var water = Grams(Form.Water, "Water", isNeeded: true);
        var discard = Grams(Form.Discard, "Discard", isNeeded: false) ?? 0;
        var peak = Number(Form.Peak, "Peak", 0.5, 72, "Half an hour to 72 hours, like 6.5.");
        var height = Number(Form.Height, "Height", 1, 6, "1 to 6 times, like 2.5.");
        var room = Number(Form.Room, "Room", -20, 150, "Degrees, like the thermometer says.");
        if (room is { } own && Kitchen.Says.ToCelsius(own) is < 1 or > 44)
            ModelState.AddModelError("Form.Room", "No starter rises at that.");
        if (!ModelState.IsValid)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        await diary.KeepAsync(
            new StarterRefreshDocument(
                Guid.CreateVersion7().ToString(),
                Time.Format(date.Value.At(hour!.Value)),
                kept!.Value,
                flour!.Value,
                water!.Value,
                discard,
                height,
                peak * 60,
                room is { } warm ? Math.Round(Kitchen.Says.ToCelsius(warm), 1) : null,
                string.IsNullOrWhiteSpace(Form.Note)
                    ? null
                    : Form.Note.Trim()[..Math.Min(Form.Note.Trim().Length, PastBakeCheck.LongestText)]
            ),
            cancel
        );
        Said = "Written down.";
        return Redirect("/daybook/starter");
    }

    /// <summary>Deletes a feed.</summary>
    public async Task<IActionResult> OnPostDeleteAsync(Guid id, CancellationToken cancel)
    {
        Said = await diary.DeleteAsync(id, cancel) ? "The feed is deleted." : "That feed is gone already.";
        return Redirect("/daybook/starter");
    }

    /// <summary>A feed of the plan in words.</summary>
    public static string WordsOf(StarterBuildStep feed) =>
        $"Keep {feed.Kept.Grams:0} g, give {feed.Flour.Grams:0} g of flour and {feed.Water.Grams:0} g of water"
        + (feed.Discard.Grams >= 1 ? $"; {feed.Discard.Grams:0} g are taken off before." : ".");

    /// <summary>How lively it is, in a sentence.</summary>
    public string VigourWords =>
        Vigour.Bakes == 0 ? "Nothing is known of its vigour yet: write down when it peaks after a feed."
        : !Vigour.IsSure
            ? $"Your starter is as lively as others, as far as {(Vigour.Bakes == 1 ? "one rise shows" : $"{Vigour.Bakes} rises show")}."
        : $"Your starter is {Math.Round(Math.Abs(Vigour.Factor - 1) * 100):0} % {(Vigour.Factor > 1 ? "slower" : "quicker")} than others "
            + $"(between {LearnedWords.Off(Vigour.Low)} and {LearnedWords.Off(Vigour.High)}, {Vigour.Bakes} rises).";

    /// <summary>Where the feeds are as a calendar file.</summary>
    public string CalendarLink =>
        $"/daybook/starter?handler=Calendar&want={Uri.EscapeDataString(Want ?? "")}&day={Uri.EscapeDataString(Day ?? "")}"
        + $"&at={Uri.EscapeDataString(At ?? "")}&have={Uri.EscapeDataString(Have ?? "")}";

    /// <summary>The numbers of a feed: name, label, what is typed, unit.</summary>
    public IReadOnlyList<(string Id, string Label, string? Value, string Unit)> Fields =>
        [
            ("Kept", "Kept", Form.Kept, "g"),
            ("Flour", "Flour", Form.Flour, "g"),
            ("Water", "Water", Form.Water, "g"),
            ("Discard", "Taken off before", Form.Discard, "g"),
            ("Peak", "Peaked after", Form.Peak, "h"),
            ("Height", "Rose to", Form.Height, "times"),
            ("Room", "Room", Form.Room, Kitchen.Says.Unit),
        ];

    /// <summary>What was kept and given.</summary>
    public static string Weights(StarterRefreshDocument feed) =>
        string.Create(CultureInfo.InvariantCulture, $"{feed.Kept:0.#}, {feed.Flour:0.#}, {feed.Water:0.#} g");

    /// <summary>How long others would take; empty where nobody looked.</summary>
    public static string Usual(StarterRefreshDocument feed) =>
        StarterDiary.UsualPeak(feed) is { } minutes ? string.Create(CultureInfo.InvariantCulture, $"{minutes / 60:0.#} h is usual") : "";

    /// <summary>What is wrong with a field; empty where nothing is.</summary>
    public string WrongAt(string field) => ModelState.At($"Form.{field}");

    /// <summary>When a feed was, in words.</summary>
    public string When(StarterRefreshRow row) => Kitchen.Says.DayAndHour(row.At);

    private LocalDateTime Now => KitchenClock.At(Kitchen.Zone, clock.GetCurrentInstant());

    private async Task FillAsync(CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        Kitchen = shelf.Known.Kitchen;
        Refreshes = await diary.RefreshesAsync(cancel);
        Vigour = (await desk.LessonsAsync(cancel)).Rises.Doer(LearnedTime.Starter);
        Uses = [.. StarterDiary.UsesOf(shelf.All)];
        if (await seasons.OpenAsync(null, cancel) is { } season)
            ForSeason = [.. season.Touches.Where(t => t.Kind == SeasonTouchKind.Feed)];
        Have ??= Refreshes is [{ Document: var last }, ..]
            ? (last.Kept + last.Flour + last.Water).ToString("0", CultureInfo.InvariantCulture)
            : null;
        if (string.IsNullOrWhiteSpace(Want))
            return;
        var hour = ClockText.Read(At ?? "");
        var day = LocalDatePattern.Iso.Parse((Day ?? "").Trim());
        if (
            !double.TryParse(Want, NumberStyles.Float, CultureInfo.InvariantCulture, out var want)
            || want is not (> 0 and <= 20_000)
            || !double.TryParse(Have, NumberStyles.Float, CultureInfo.InvariantCulture, out var have)
            || have is not (> 0 and <= 20_000)
        )
            Wrong = "Say how many grams are wanted and how many there are, above 0 and up to 20,000.";
        else if (hour is null || !day.Success)
            Wrong = "Say the day and the hour, like 17:30.";
        else if (day.Value.At(hour.Value) <= Now)
            Wrong = "That hour is over.";
        else
        {
            Plan = StarterBuild.Toward(
                Mass.FromGrams(have),
                Mass.FromGrams(want + KeepOn),
                day.Value.At(hour.Value),
                Now,
                Kitchen.Room,
                Kitchen.Knows(LearnedKind.Leaven, LearnedTime.Starter)?.Factor ?? 1
            );
            if (Plan.IsEmpty)
                Wrong = "No feeds bring it there by then in this room: ask for less, for a later hour, or give it a warmer place.";
        }
    }

    private double? Grams(string? text, string field, bool isNeeded)
    {
        if (string.IsNullOrWhiteSpace(text) && !isNeeded)
            return null;
        return Number(string.IsNullOrWhiteSpace(text) ? "no" : text, field, 0, 100_000, "Grams, like 50.");
    }

    private double? Number(string? text, string field, double least, double most, string wrong)
    {
        if (string.IsNullOrWhiteSpace(text))
            return null;
        if (
            double.TryParse(text.Trim(), NumberStyles.Float, CultureInfo.InvariantCulture, out var value)
            && value >= least
            && value <= most
        )
            return value;
        ModelState.AddModelError($"Form.{field}", wrong);
        return null;
    }
}
