using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime;
using Zymethos.Planning.Seasons;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Season;

/// <summary>The season as a calendar to hang on the wall.</summary>
public sealed class CalendarModel(SeasonDesk desk) : PageModel
{
    /// <summary>The season.</summary>
    public SeasonView Season { get; private set; } = null!;

    /// <summary>Mondays of the weeks shown.</summary>
    public IReadOnlyList<LocalDate> Weeks { get; private set; } = [];

    /// <summary>The page: this week and all that follow.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, CancellationToken cancel)
    {
        if (await desk.OpenAsync(id, cancel) is not { } season)
            return NotFound();
        Season = season;
        var last = season.Wish.Occasions.Select(o => o.At.Date).Append(season.Now.Date).Max();
        var monday = season.Now.DayOfWeek == IsoDayOfWeek.Monday ? season.Now.Date : season.Now.Date.Previous(IsoDayOfWeek.Monday);
        var weeks = new List<LocalDate>();
        for (; monday <= last; monday = monday.PlusDays(7))
            weeks.Add(monday);
        Weeks = weeks;
        return Page();
    }

    /// <summary>What a date holds, by time; work of one session stands together.</summary>
    public IReadOnlyList<SeasonTouch> On(LocalDate date) => [.. Season.Touches.Where(t => t.At.Date == date)];

    /// <summary>Work done on a date.</summary>
    public IReadOnlyList<string> DoneOn(LocalDate date) =>
        Season.Plan is { } plan
            ? [.. plan.Placed.Where(p => p.IsDone && p.Start.Date == date).Select(p => plan.Lots[p.Lot].Method.Stretches[p.Stretch].Title)]
            : [];
}
