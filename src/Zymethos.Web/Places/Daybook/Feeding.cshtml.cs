using System.Globalization;
using System.Text;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Interchange.Calendars;
using Zymethos.Interchange.Documents;
using Zymethos.Web.Setup;
using Zymethos.Work.Books;
using Zymethos.Work.Daybooks;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Daybook;

/// <summary>A feed of a cake as it is typed.</summary>
public sealed class CakeFeedForm
{
    /// <summary>Which cake.</summary>
    public Guid Bake { get; set; }

    /// <summary>Date.</summary>
    public string? Date { get; set; }

    /// <summary>Hour.</summary>
    public string? Hour { get; set; }

    /// <summary>Millilitres.</summary>
    public string? Amount { get; set; }

    /// <summary>Of what.</summary>
    public string? Spirit { get; set; }

    /// <summary>How it was.</summary>
    public string? Note { get; set; }
}

/// <summary>Cakes that are fed with spirit while they keep: what each was given and when the next feed is due.</summary>
public sealed class FeedingModel(CakeDiary diary, KitchenBook book, IClock clock) : PageModel
{
    /// <summary>The hour at which a reminder comes.</summary>
    private static readonly LocalTime Evening = new(20, 30);

    /// <summary>The feed that is written down.</summary>
    [BindProperty]
    public CakeFeedForm Form { get; set; } = new();

    /// <summary>What became of the last touch; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The cakes, the last baked first.</summary>
    public IReadOnlyList<FedCake> Cakes { get; private set; } = [];

    /// <summary>The kitchen.</summary>
    public Core.Kitchens.Kitchen Kitchen { get; private set; } = null!;

    /// <summary>The cake whose form was refused; null where none was.</summary>
    public Guid? WrongCake { get; private set; }

    /// <summary>Cakes with a feed to come, the most urgent first.</summary>
    public IReadOnlyList<FedCake> Due => [.. Cakes.Where(c => c.NextFeed is not null).OrderBy(c => c.NextFeed)];

    /// <summary>What is to be done, in a sentence.</summary>
    public string Answer =>
        Due is [var first, ..]
            ? $"{first.Bake.Document.Name} {DueWords(first.NextFeed!.Value)}."
                + (Due.Count > 1 ? $" {Due.Count - 1} more {(Due.Count == 2 ? "has" : "have")} feeds to come." : "")
            : "No cake is waiting for a feed.";

    /// <summary>Today, as a field takes it.</summary>
    public string Today => LocalDatePattern.Iso.Format(Now.Date);

    /// <summary>The hour it is.</summary>
    public string Hour => Kitchen.Says.Hour(Now);

    /// <summary>The page.</summary>
    public Task OnGetAsync(CancellationToken cancel) => FillAsync(cancel);

    /// <summary>All feeds to come as a calendar file.</summary>
    public async Task<IActionResult> OnGetCalendarAsync(CancellationToken cancel)
    {
        await FillAsync(cancel);
        var entries =
            from cake in Due
            from feed in Enumerable.Range(0, cake.Plan.Feeds - cake.Feeds.Count)
            select new CalendarEntry(
                $"cake-{cake.Bake.Id:N}-{cake.Feeds.Count + feed}",
                cake.NextFeed!.Value.PlusDays(feed * (int)Math.Round(cake.Plan.Between.TotalDays)).At(Evening),
                $"Feed {cake.Bake.Document.Name}",
                Usual(cake) is { Length: > 0 } amount ? $"{amount} ml of {cake.Plan.Spirit}".TrimEnd() : cake.Plan.Spirit,
                5
            );
        return File(
            Encoding.UTF8.GetBytes(
                CalendarWriter.Write("Cakes", entries, DateTimeZoneProviders.Tzdb[Kitchen.Zone], clock.GetCurrentInstant(), "cakes")
            ),
            "text/calendar",
            "cakes-to-feed.ics"
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
        double? amount = null;
        if (!string.IsNullOrWhiteSpace(Form.Amount))
        {
            if (
                double.TryParse(Form.Amount.Trim(), NumberStyles.Float, CultureInfo.InvariantCulture, out var read)
                && read is >= 0 and <= 10_000
            )
                amount = read;
            else
                ModelState.AddModelError("Form.Amount", "Millilitres, like 25.");
        }

        if (Cakes.FirstOrDefault(c => c.Bake.Id == Form.Bake) is { } cake && date.Success && date.Value < cake.Bake.Date)
            ModelState.AddModelError("Form.Date", "It was not baked yet then.");
        if (date.Success && hour is { } at && date.Value.At(at) > Now.PlusHours(1))
            ModelState.AddModelError("Form.Date", "That is still to come.");
        if (!ModelState.IsValid)
        {
            WrongCake = Form.Bake;
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        Said = await diary.KeepAsync(
            new CakeFeedDocument(
                Guid.CreateVersion7().ToString(),
                Form.Bake.ToString(),
                LocalMoment.Pattern.Format(date.Value.At(hour!.Value)),
                Short(Form.Spirit, 120),
                amount,
                Short(Form.Note, PastBakeCheck.LongestText)
            ),
            cancel
        )
            ? "Written down."
            : "That cake is no longer in the Daybook.";
        return Redirect("/daybook/feeding");
    }

    /// <summary>Deletes a feed.</summary>
    public async Task<IActionResult> OnPostDeleteAsync(Guid id, CancellationToken cancel)
    {
        Said = await diary.DeleteAsync(id, cancel) ? "The feed is deleted." : "That feed is gone already.";
        return Redirect("/daybook/feeding");
    }

    /// <summary>How a cake stands, in a sentence.</summary>
    public string Stands(FedCake cake) =>
        cake.NextFeed is { } next
            ? $"It has had {cake.Feeds.Count} of {cake.Plan.Feeds} feeds. It {DueWords(next)}."
            : $"It has had its {cake.Plan.Feeds} feeds"
                + (
                    cake.BestFrom is { } best
                        ? best > Now.Date
                            ? $" and is at its best from {Date(best)}."
                            : $" and has been at its best since {Date(best)}."
                        : "."
                );

    /// <summary>A date in words.</summary>
    public string Date(LocalDate date) =>
        date.ToString(date.Year == Now.Year ? "dddd d MMMM" : "d MMMM uuuu", CultureInfo.InvariantCulture);

    /// <summary>When a feed was, in words.</summary>
    public string When(CakeFeedDocument feed) => Kitchen.Says.DayAndHour(LocalMoment.Pattern.Parse(feed.At).Value);

    /// <summary>What was given, in words.</summary>
    public string WordsOf(CakeFeedDocument feed)
    {
        var what = feed.Millilitres is { } ml
            ? string.Create(CultureInfo.InvariantCulture, $"{ml:0.#} ml of {feed.Spirit ?? "spirit"}")
            : feed.Spirit ?? "fed";
        return feed.Note is { } note ? $"{what}. {note}" : what;
    }

    /// <summary>What its recipe gives at a time, in millilitres; empty where it does not say.</summary>
    public static string Usual(FedCake cake) => cake.Plan.Millilitres?.ToString("0.#", CultureInfo.InvariantCulture) ?? "";

    /// <summary>What is wrong with a field; empty where nothing is.</summary>
    public string WrongAt(string field) => ModelState.At($"Form.{field}");

    private string DueWords(LocalDate next)
    {
        var days = Period.DaysBetween(next, Now.Date);
        return days switch
        {
            0 => "is due a feed today",
            1 => "has been due a feed since yesterday",
            > 1 => $"has been due a feed since {Date(next)}, {days} days ago",
            -1 => "is fed next tomorrow",
            _ => $"is fed next on {Date(next)}, in {-days} days",
        };
    }

    private LocalDateTime Now => KitchenClock.At(Kitchen.Zone, clock.GetCurrentInstant());

    private async Task FillAsync(CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        Kitchen = shelf.Known.Kitchen;
        Cakes = await diary.CakesAsync(shelf.All, Now.Date - CakeDiary.LookedAfter, cancel);
    }

    private static string? Short(string? text, int most) =>
        string.IsNullOrWhiteSpace(text) ? null : text.Trim()[..Math.Min(text.Trim().Length, most)];
}
