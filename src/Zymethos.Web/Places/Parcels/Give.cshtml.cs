using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Parcels;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Parcels;
using Zymethos.Planning.Seasons;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.Parcels;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Parcels;

/// <summary>A box on its way, as it is typed.</summary>
public sealed class GiveRow
{
    /// <summary>Id of the person.</summary>
    public string Person { get; set; } = "";

    /// <summary>Their name.</summary>
    public string? Name { get; set; }

    /// <summary>What is in the box, in a few words.</summary>
    public string Box { get; set; } = "";

    /// <summary>On which day.</summary>
    public string? Day { get; set; }

    /// <summary>At which hour.</summary>
    public string? Hour { get; set; }

    /// <summary>Which way it goes.</summary>
    public string? Route { get; set; }

    /// <summary>Days in the post; empty for what is given from hand to hand.</summary>
    public string? Post { get; set; }

    /// <summary>What is against sending it, in sentences; empty for nothing.</summary>
    public string Against { get; set; } = "";

    /// <summary>Whether it is wrapped.</summary>
    public bool Wrapped { get; set; }

    /// <summary>Whether it is given.</summary>
    public bool Given { get; set; }

    /// <summary>When it was given, in words.</summary>
    public string GivenAt { get; set; } = "";

    /// <summary>Thanks and wishes.</summary>
    public string? Wish { get; set; }

    /// <summary>What is wrong with the line; empty where nothing is.</summary>
    public string Wrong { get; set; } = "";
}

/// <summary>Handing over: by day and way, wrapped, given, thanked.</summary>
public sealed class GiveModel(GiftDesk desk, ParcelPeople people, KitchenBook book, SeasonDesk seasons, IClock clock) : PageModel
{
    /// <summary>The board.</summary>
    public BoardView? View { get; private set; }

    /// <summary>The boxes, by day and way.</summary>
    [BindProperty]
    public List<GiveRow> Rows { get; set; } = [];

    /// <summary>What is wrong; empty where nothing is.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>How many are given, in a sentence.</summary>
    public string Answer { get; private set; } = "";

    /// <summary>What became of the last touch; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, CancellationToken cancel)
    {
        if (!await FillAsync(id, cancel))
            return NotFound();
        var says = (await book.ShelfAsync(cancel)).Known.Kitchen.Says;
        var known = (View!.Row.Document.Handing ?? []).ToDictionary(h => h.Person);
        var usual = await OccasionAsync(cancel);
        Rows =
        [
            .. View
                .Board.People.Select(
                    (person, p) =>
                    {
                        var own = known.GetValueOrDefault(person.Id.ToString());
                        // Where nobody said anything yet, the date of the season stands there to be kept or changed.
                        var at =
                            own?.At is { } text ? LocalMoment.Pattern.Parse(text).Value
                            : own is null ? usual?.ReadyBy
                            : null;
                        var post = own is null && usual is { TransitDays: > 0 } posted ? posted.TransitDays : own?.PostDays;
                        return (
                            At: at,
                            Row: new GiveRow
                            {
                                Person = person.Id.ToString(),
                                Name = person.Name,
                                Box = BoxOf(p),
                                Day = at is { } day ? LocalDatePattern.Iso.Format(day.Date) : "",
                                Hour = at is { } hour ? says.Hour(hour) : "",
                                Route = own?.Route,
                                Post = post?.ToString(CultureInfo.InvariantCulture),
                                Against = string.Join(" ", View.Post(p, post ?? 0)),
                                Wrapped = own?.Wrapped == true,
                                Given = own?.Given is not null,
                                GivenAt = own?.Given is { } given ? says.DayAndHour(LocalMoment.Pattern.Parse(given).Value) : "",
                                Wish = own?.Wish,
                            }
                        );
                    }
                )
                .OrderBy(r => r.At ?? LocalDateTime.MaxIsoValue)
                .ThenBy(r => r.Row.Route ?? "", StringComparer.OrdinalIgnoreCase)
                .Select(r => r.Row),
        ];
        return Page();
    }

    /// <summary>Keeps what was typed and ticked.</summary>
    public async Task<IActionResult> OnPostAsync(Guid id, [FromForm(Name = Seen.Field)] string? seen, CancellationToken cancel)
    {
        if (!await FillAsync(id, cancel))
            return NotFound();
        var kitchen = (await book.ShelfAsync(cancel)).Known.Kitchen;
        var now = KitchenClock.At(kitchen.Zone, clock.GetCurrentInstant());
        var before = (View!.Row.Document.Handing ?? []).ToDictionary(h => h.Person);
        var rows = new List<HandingDocument>();
        foreach (var row in Rows)
        {
            var p = View.Board.People.Select(x => x.Id.ToString()).ToList().IndexOf(row.Person);
            if (p < 0)
                continue;
            row.Box = BoxOf(p);
            row.Against = string.Join(" ", View.Post(p, WholeNumber.Read(row.Post ?? "") ?? 0));
            if (Read(row, before.GetValueOrDefault(row.Person), View.Faults.Any(f => f.Person == p), now) is { } handing)
                rows.Add(handing);
        }

        if (Rows.Exists(r => r.Wrong.Length > 0))
        {
            Wrong = "Something was not kept; it stands beside its line.";
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        var answer = await desk.ChangeAsync(id, seen, d => d with { Handing = rows }, "Kept.", cancel);
        if (!answer.IsDone)
        {
            Wrong = answer.Words;
            Response.StatusCode = StatusCodes.Status409Conflict;
            return Page();
        }

        await WishesAsync(rows, before, now, cancel);
        Said = answer.Words;
        return Redirect($"/parcels/{id}/give");
    }

    private static HandingDocument? Read(GiveRow row, HandingDocument? before, bool isUnsafe, LocalDateTime now)
    {
        LocalDateTime? at = null;
        if (!string.IsNullOrWhiteSpace(row.Day))
        {
            var day = LocalDatePattern.Iso.Parse(row.Day.Trim());
            var hour = string.IsNullOrWhiteSpace(row.Hour) ? new LocalTime(17, 0) : ClockText.Read(row.Hour);
            if (!day.Success || hour is null)
            {
                row.Wrong = "A day like 2026-12-19 and an hour like 17:00.";
                return null;
            }

            at = day.Value.At(hour.Value);
        }

        int? post = null;
        if (!string.IsNullOrWhiteSpace(row.Post))
        {
            post = WholeNumber.Read(row.Post);
            if (post is null or > PostCheck.MostDays)
            {
                row.Wrong = $"Days in the post: a number up to {PostCheck.MostDays}, or nothing.";
                return null;
            }
        }

        // A box with something in it that is not for them is never ticked as given.
        if (isUnsafe && row.Given)
        {
            row.Wrong = $"{row.Name}'s box holds something that is not for them, or that nobody has looked at. Mend it first.";
            return null;
        }

        return new HandingDocument(
            row.Person,
            at is { } moment ? LocalMoment.Pattern.Format(moment) : null,
            Short(row.Route, 80),
            row.Wrapped,
            row.Given ? before?.Given ?? LocalMoment.Pattern.Format(now) : null,
            Short(row.Wish, 300),
            post is > 0 ? post : null
        );
    }

    /// <summary>The date of the season to which the board belongs; null for none.</summary>
    private async Task<Occasion?> OccasionAsync(CancellationToken cancel) =>
        Guid.TryParse(View!.Row.Document.Season, out var id) && await seasons.OpenAsync(id, cancel) is { } season
            ? season.Wish.Occasions.FirstOrDefault(o => o.Name == View.Row.Document.Occasion)
            : null;

    /// <summary>What was wished goes to the person, once, with its year.</summary>
    private async Task WishesAsync(
        List<HandingDocument> rows,
        Dictionary<string, HandingDocument> before,
        LocalDateTime now,
        CancellationToken cancel
    )
    {
        foreach (var row in rows.Where(r => r.Wish is not null && before.GetValueOrDefault(r.Person)?.Wish != r.Wish))
        {
            if (await people.FindAsync(Guid.Parse(row.Person), cancel) is not { } found)
                continue;
            var person = ParcelPeople.Read(found);
            var note = $"{person.Note} {now.Year}: {row.Wish}".Trim();
            if (note.Length <= RecipientText.LongestText)
                await people.KeepAsync(person with { Note = note }, null, cancel);
        }
    }

    private async Task<bool> FillAsync(Guid id, CancellationToken cancel)
    {
        View = await desk.OpenAsync(id, cancel);
        if (View is null)
            return false;
        ViewData[Seen.Field] = Seen.Of(View.Row);
        var handing = View.Row.Document.Handing ?? [];
        var (all, given, wrapped) = (View.Board.People.Length, handing.Count(h => h.Given is not null), handing.Count(h => h.Wrapped));
        Answer =
            given == all && all > 0
                ? "All of them are given."
                : $"{given} of {all} are given, {wrapped} {(wrapped == 1 ? "is" : "are")} wrapped.";
        return true;
    }

    private string BoxOf(int person) =>
        string.Join(
            ", ",
            View!.Board.Cells.Where(c => c.Person == person && c.Pieces > 0).Select(c => $"{c.Pieces} {View.Board.Bakes[c.Bake].Bake.Name}")
        );

    private static string? Short(string? text, int most) =>
        string.IsNullOrWhiteSpace(text) ? null : text.Trim()[..Math.Min(text.Trim().Length, most)];
}
