using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.Text;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Reading;
using Zymethos.Store;
using Zymethos.Store.Benches;
using Zymethos.Work.Benches;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;

namespace Zymethos.Web.Places.Bench;

/// <summary>A planned day that could be worked through.</summary>
/// <param name="Date">Its date as addresses write it.</param>
/// <param name="Name">The date in words.</param>
/// <param name="Bakes">What is baked.</param>
/// <param name="IsToday">Whether it is today.</param>
public sealed record DayToWork(string Date, string Name, string Bakes, bool IsToday);

/// <summary>The door of the Bench: what is at work, and what could be.</summary>
public sealed class IndexModel(
    ZymethosContext context,
    BenchDesk desk,
    OpenDay days,
    PlanDay planner,
    KitchenBook book,
    KitchenClock kitchenClock
) : PageModel
{
    private const int MostDays = 5;
    private const int MostFinds = 8;
    private const int LongestDay = 16;
    private const int MostBatches = 12;
    private static readonly TimeSpan PlanTime = TimeSpan.FromSeconds(2);

    /// <summary>The session at work; null when none is.</summary>
    public BenchSessionRow? Current { get; private set; }

    /// <summary>Planned days, today's first.</summary>
    public IReadOnlyList<DayToWork> Days { get; private set; } = [];

    /// <summary>Recipes to bake straight from the Book.</summary>
    public IReadOnlyList<ShelvedRecipe> Finds { get; private set; } = [];

    /// <summary>What is looked for in the Book.</summary>
    public string Query { get; private set; } = "";

    /// <summary>Sessions that were put away, with the hour they were at.</summary>
    public IReadOnlyList<(BenchSessionRow Row, string When)> Before { get; private set; } = [];

    /// <summary>What went wrong; empty when nothing did.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>The door; straight through to what is at work.</summary>
    public async Task<IActionResult> OnGetAsync(string? q, bool stay, CancellationToken cancel)
    {
        Query = q ?? "";
        await FillAsync(cancel);
        return Current is { } at && !stay && q is null ? Redirect($"/bench/{at.Id}") : Page();
    }

    /// <summary>Puts a planned day on the Bench, by its own hours or from now on.</summary>
    public async Task<IActionResult> OnPostDayAsync(string date, bool now, CancellationToken cancel)
    {
        if (
            LocalDatePattern.Iso.Parse(date) is not { Success: true } parsed
            || await days.StandingAsync(parsed.Value, parsed.Value, cancel) is not { Day: { } day } standing
        )
            return await WrongAsync("That day is not planned any more.", cancel);
        var session = now
            ? await desk.StartAsync(standing.Row.Document, FromNow(day, await kitchenClock.NowAsync(cancel)), cancel)
            : await desk.StartAsync(standing, cancel);
        return session is null ? await TakenAsync(cancel) : Redirect($"/bench/{session.Id}");
    }

    /// <summary>Puts one recipe on the Bench, from now on.</summary>
    public async Task<IActionResult> OnPostRecipeAsync(string key, int batches, CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        if (shelf.Recipes.FirstOrDefault(r => r.Row.Key == key) is not { } recipe)
            return await WrongAsync("That recipe is not in the Book any more.", cancel);
        if (!recipe.IsPlannable)
            return await WrongAsync($"“{recipe.Row.Name}” cannot be worked through yet: {recipe.Missing[0]}", cancel);
        if (batches is < 1 or > MostBatches)
            return await WrongAsync($"Between 1 and {MostBatches} batches at a time.", cancel);
        var start = await kitchenClock.NowAsync(cancel);
        start = start.Date.At(new LocalTime(start.Hour, start.Minute));
        var end = start.PlusHours(LongestDay);
        var document = new OvenDayDocument(
            shelf.KitchenRow.Document,
            new DayDocument(LocalDatePattern.Iso.Format(start.Date), start.ToString("HH:mm", null), LocalMoment.Pattern.Format(end)),
            [new BakeDocument(recipe.Row.Document, Batches: batches)]
        );
        var answer = await planner.FirstAsync(document, cancel) ?? await planner.PlanAsync(document, PlanTime, 1, cancel, withClash: false);
        if (answer.Faults.Count > 0)
            return await WrongAsync(string.Join(" ", answer.Faults.Select(f => f.Message)), cancel);
        if (answer.Day is not { } day)
            return await WrongAsync(
                $"“{recipe.Row.Name}” does not fit between now and "
                    + $"{(await kitchenClock.SaysAsync(cancel)).Hour(end)}. Plan it in Oven Day.",
                cancel
            );
        return await desk.StartAsync(document, day, cancel) is { } session ? Redirect($"/bench/{session.Id}") : await TakenAsync(cancel);
    }

    /// <summary>Puts the session at work away.</summary>
    public async Task<IActionResult> OnPostAwayAsync(Guid session, CancellationToken cancel)
    {
        await desk.PutAwayAsync(session, away: true, cancel);
        return Redirect("/bench");
    }

    /// <summary>Takes a session up again.</summary>
    public async Task<IActionResult> OnPostAgainAsync(Guid session, CancellationToken cancel) =>
        await desk.PutAwayAsync(session, away: false, cancel) ? Redirect($"/bench/{session}") : await TakenAsync(cancel);

    /// <summary>The same plan, begun now.</summary>
    private static PlannedDay FromNow(PlannedDay day, LocalDateTime now)
    {
        var first = day.Plan.Tasks.Min(t => t.Start);
        foreach (var segment in day.Programmes.SelectMany(p => p.Segments))
            first = Math.Min(first, (int)Math.Floor(segment.From));
        var origin = now.Date.At(new LocalTime(now.Hour, now.Minute)).PlusMinutes(-first);
        return PlannedDay.Kept(day.Network with { Origin = origin, Since = 0 }, day.Plan, day.BoundFinish, day.Chance);
    }

    private async Task<IActionResult> TakenAsync(CancellationToken cancel) =>
        await WrongAsync(
            (await desk.CurrentAsync(cancel)) is { } at
                ? $"“{at.Title}” is at work on the Bench already, with the same oven. Put it away first."
                : "Somebody has just put something on the Bench, or taken it off. Look again.",
            cancel
        );

    private async Task<IActionResult> WrongAsync(string wrong, CancellationToken cancel)
    {
        Wrong = wrong;
        await FillAsync(cancel);
        Response.StatusCode = StatusCodes.Status409Conflict;
        return Page();
    }

    private async Task FillAsync(CancellationToken cancel)
    {
        Current = await desk.CurrentAsync(cancel);
        var today = (await kitchenClock.NowAsync(cancel)).Date;
        var rows = await context
            .OvenDays.AsNoTracking()
            .Where(d => d.Date >= today.PlusDays(-1))
            .OrderBy(d => d.Date)
            .Take(MostDays)
            .ToListAsync(cancel);
        Days =
        [
            .. rows.Select(r => new DayToWork(
                    LocalDatePattern.Iso.Format(r.Date),
                    r.Date.ToString("dddd d MMMM", System.Globalization.CultureInfo.InvariantCulture),
                    string.Join(", ", r.Document.Bakes.Select(b => b.Recipe?.Name ?? "").Where(n => n.Length > 0).Distinct()),
                    r.Date == today
                ))
                .OrderByDescending(d => d.IsToday),
        ];
        var filter = new BookFilter { Q = Query };
        Finds = [.. (await book.ShelfAsync(cancel)).Recipes.Where(r => r.IsPlannable && filter.FindsWords(r.Recipe)).Take(MostFinds)];
        var (zone, says) = (await kitchenClock.ZoneAsync(cancel), await kitchenClock.SaysAsync(cancel));
        Before = [.. (await desk.LastAsync(6, cancel)).Select(s => (s, says.DayAndHour(s.StartedAt.InZone(zone).LocalDateTime)))];
    }
}
