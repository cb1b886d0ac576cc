using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.LongSearches;
using Zymethos.Work.OvenDays;
using Zymethos.Work.Today;

namespace Zymethos.Web.Places.Today;

/// <summary>"What can I make by five?", and the first plan of a new kitchen, which is the same question.</summary>
public sealed class MakeModel(
    ZymethosContext context,
    KitchenBook book,
    MakeNow make,
    OpenDay days,
    LongSearchDesk searches,
    AppSettings settings,
    IClock clock
) : PageModel
{
    /// <summary>Where a recipe that was read from words comes back to.</summary>
    public const string Back = "/today/make?first=true";

    private const int MostTogether = 12;
    private static readonly HashSet<string> Shipped = [.. DemoKitchen.Recipes().Select(r => r.Key)];
    private readonly Dictionary<string, string> _wrong = new(StringComparer.Ordinal);

    /// <summary>The date, "2026-12-05"; empty for today.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Date { get; set; }

    /// <summary>When one can begin; empty for now.</summary>
    [BindProperty(SupportsGet = true)]
    public string? From { get; set; }

    /// <summary>By when it shall be done; empty for no hour.</summary>
    [BindProperty(SupportsGet = true)]
    public string? By { get; set; }

    /// <summary>Most minutes of work; empty for any.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Hands { get; set; }

    /// <summary>Whether no mixer may be used.</summary>
    [BindProperty(SupportsGet = true)]
    public bool NoMixer { get; set; }

    /// <summary>Whether everything has to be in the house.</summary>
    [BindProperty(SupportsGet = true)]
    public bool InHouse { get; set; }

    /// <summary>Whether this is a new kitchen's first plan.</summary>
    [BindProperty(SupportsGet = true)]
    public bool First { get; set; }

    /// <summary>Recipes that are ticked.</summary>
    [BindProperty(SupportsGet = true)]
    public List<string> Make { get; set; } = [];

    /// <summary>The answer; null where the question cannot be read.</summary>
    public MakeAnswer? Answer { get; private set; }

    /// <summary>What is asked.</summary>
    public MakeAsked Asked { get; private set; } = null!;

    /// <summary>How hours and heats are said here.</summary>
    public KitchenSays Says { get; private set; }

    /// <summary>What keeps the ticked ones from being planned, in sentences.</summary>
    public IReadOnlyList<string> Clashes { get; private set; } = [];

    /// <summary>What is wrong with a field; empty where nothing is.</summary>
    public string WrongOf(string field) => _wrong.GetValueOrDefault(field, "");

    /// <summary>The date in words.</summary>
    public string Day => Asked.From.Date.ToString("dddd d MMMM", CultureInfo.InvariantCulture);

    /// <summary>Whether a recipe is the baker's own, and not one that every kitchen is given.</summary>
    public static bool IsOwn(Recipe recipe) => !Shipped.Contains(recipe.Key);

    /// <summary>When something is done: the hour, with its day where that is another.</summary>
    public string Ready(LocalDateTime at) => at.Date == Asked.From.Date ? Says.Hour(at) : Says.WeekdayAndHour(at);

    /// <summary>The page.</summary>
    public async Task OnGetAsync(CancellationToken cancel) => await ReadAsync(cancel);

    /// <summary>Plans what is ticked.</summary>
    public async Task<IActionResult> OnPostAsync(CancellationToken cancel)
    {
        var shelf = await ReadAsync(cancel);
        var wanted = shelf.Recipes.Where(r => r.IsPlannable && Make.Contains(r.Recipe.Key)).ToList();
        if (wanted.Count == 0)
            _wrong["make"] = "Tick what you would like to bake.";
        if (wanted.Count > MostTogether)
            _wrong["make"] = $"At most {MostTogether} at once; the Oven Day takes more.";
        if (_wrong.Count > 0)
            return Refused();
        var date = Asked.From.Date;
        var iso = LocalDatePattern.Iso.Format(date);
        // What is planned for that day already stays in it.
        var standing = await context.OvenDays.AsNoTracking().SingleOrDefaultAsync(d => d.Date == date, cancel);
        var bakes = wanted.Select(r => new BakeDocument(r.Row.Document)).ToList();
        var until = Asked.By ?? Asked.From.PlusHours(12);
        var document = standing is null
            ? new OvenDayDocument(
                shelf.KitchenRow.Document,
                new DayDocument(iso, Asked.From.ToString("HH:mm", null), until.Date == date ? until.ToString("HH:mm", null) : "23:59"),
                bakes
            )
            : standing.Document with
            {
                Bakes = [.. standing.Document.Bakes, .. bakes],
            };
        // A first plan at once would say how it fares before anybody has looked for a surer one; who is new would take that for the last
        // word.
        var answer = await days.PlanAndKeepAsync(document, date, "Planned from what can be made", cancel);
        if (answer.Day is { } day)
        {
            if (
                settings.SearchesOn
                && (day.Figures.FinishMinute > day.BoundFinish || day.Chance?.Missing(day.Network.Kitchen.Certainty) > 0)
            )
                await searches.BeginAsync(date, cancel, settings.OnTime);
            return Redirect($"/oven-day?date={iso}");
        }

        Clashes =
            answer.Faults.Count > 0 ? [.. answer.Faults.Take(4).Select(f => f.Message)]
            : standing is null
                ? [$"All of it does not fit between {Says.Hour(Asked.From)} and {Says.Hour(until)}. Take one less, or more time."]
            : ["It does not fit beside what that day holds already."];
        return Refused();
    }

    private async Task<BookShelf> ReadAsync(CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        var kitchen = shelf.Known.Kitchen;
        Says = kitchen.Says;
        var now = KitchenClock.At(kitchen.Zone, clock.GetCurrentInstant());
        var date = now.Date;
        if (!string.IsNullOrWhiteSpace(Date))
        {
            if (LocalDatePattern.Iso.Parse(Date) is { Success: true } parsed)
                date = parsed.Value;
            else
                _wrong["date"] = "Choose a date.";
        }

        // The next five minutes that are round.
        var soon = now.PlusMinutes(5 - (now.Minute % 5)).With(t => new LocalTime(t.Hour, t.Minute));
        var from = string.IsNullOrWhiteSpace(From) && date == now.Date ? soon : date.At(Hour("from", From) ?? new LocalTime(9, 0));
        var by =
            string.IsNullOrWhiteSpace(By) ? (LocalDateTime?)null
            : Hour("by", By) is { } hour ? date.At(hour)
            : null;
        if (by <= from)
            _wrong["by"] = $"That is not after {Says.Hour(from)}.";
        int? hands = null;
        if (!string.IsNullOrWhiteSpace(Hands))
        {
            if (WholeNumber.Read(Hands) is { } most and >= 1 and <= 1440)
                hands = most;
            else
                _wrong["hands"] = "Minutes, as a number.";
        }

        Asked = new MakeAsked(from, by, hands, NoMixer, InHouse);
        if (_wrong.Count == 0)
            Answer = await make.AskAsync(Asked, context.KitchenId!.Value, cancel);
        return shelf;
    }

    private LocalTime? Hour(string field, string? text)
    {
        if (string.IsNullOrWhiteSpace(text))
            return null;
        if (ClockText.Read(text) is { } hour)
            return hour;
        _wrong[field] = $"An hour, as {Says.Hour(new LocalTime(17, 30))}.";
        return null;
    }

    private PageResult Refused()
    {
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
