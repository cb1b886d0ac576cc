using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Scaling;
using Zymethos.Planning.Seasons;
using Zymethos.Store;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Season;

/// <summary>One lot of a season: its work, why there, and how it waits.</summary>
public sealed class LotModel(SeasonDesk desk, KitchenBook book, ZymethosContext context) : PageModel
{
    /// <summary>The season.</summary>
    public SeasonView Season { get; private set; } = null!;

    /// <summary>Index of the need.</summary>
    public int Index { get; private set; }

    /// <summary>Dates that have an Oven Day.</summary>
    public IReadOnlySet<LocalDate> OvenDays { get; private set; } = new HashSet<LocalDate>();

    /// <summary>The need.</summary>
    public Need Need => Season.Wish.Needs[Index];

    /// <summary>The lot; null when the season has no plan.</summary>
    public Lot? Lot => Season.Plan?.Lots[Index];

    /// <summary>How it keeps on the way to its date; null when it is not met.</summary>
    public Kept? Kept => Season.Plan?.Kept.GetValueOrDefault(Index);

    /// <summary>Its freshness drawn as a band; null when there is nothing to draw.</summary>
    public FreshnessBand? Band { get; private set; }

    /// <summary>What it contains, may contain and is free from, made the way this need goes.</summary>
    public AllergenStatement Statement { get; private set; } = null!;

    /// <summary>What is said of each finish of the batch; empty when all pieces are alike, or one finish is wanted.</summary>
    public IReadOnlyList<string> Finishes { get; private set; } = [];

    /// <summary>Its work, in the order of time.</summary>
    public IReadOnlyList<PlacedStretch> Work =>
        Season.Plan is { } plan ? [.. plan.Of(Index).OrderBy(p => p.Start).ThenBy(p => p.Stretch)] : [];

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, string need, CancellationToken cancel)
    {
        if (await desk.OpenAsync(id, cancel) is not { } season)
            return NotFound();
        Season = season;
        ViewData[Seen.Field] = Seen.Of(season.Row);
        Index = Array.FindIndex([.. season.Wish.Needs], n => n.Id == need);
        if (Index < 0)
            return NotFound();
        OvenDays = (await context.OvenDays.AsNoTracking().Select(d => d.Date).ToListAsync(cancel)).ToHashSet();
        var knowledge = (await book.KitchenAsync(cancel)).For(Need.Recipe);
        var finish = Need.Recipe.Finishes.FirstOrDefault(f => f.Name == Need.Finish);
        Statement = finish is null
            ? AllergenStatement.Of(Need.Recipe, knowledge)
            : AllergenStatement.OfFinish(Need.Recipe, finish, knowledge);
        Finishes = finish is null ? FinishSplit.Told(Need.Recipe, Need.Pieces, knowledge) : [];
        Band = Draw();
        return Page();
    }

    /// <summary>The way it goes where bakers differ, for this need alone.</summary>
    public async Task<IActionResult> OnPostWayAsync(Guid id, string need, string choice, string option, CancellationToken cancel)
    {
        var faults = await desk.ChangeAsync(
            id,
            s => SeasonMoves.Apply(s, new SeasonChange.Way(SeasonMoves.IndexOf(s, need), choice, option)),
            "The way is changed for this need.",
            cancel,
            Request.Form[Seen.Field].FirstOrDefault()
        );
        return faults.Count > 0 ? NotFound() : RedirectToPage(new { id, need });
    }

    /// <summary>How long work could wait, in words.</summary>
    public string Slack(PlacedStretch placed)
    {
        if (placed.IsDone || Season.Plan is not { } plan || SeasonSlack.Latest(Season.Wish, plan, placed) is not { } latest)
            return "";
        var session = Season.Wish.Sessions[latest];
        return latest <= placed.Session
            ? "It cannot wait for a later session."
            : $"It could wait until {session.From.ToString("dddd d MMMM", System.Globalization.CultureInfo.InvariantCulture)}, if "
                + "that day has room.";
    }

    /// <summary>Why work does not come sooner, in words.</summary>
    public string Reason(PlacedStretch placed)
    {
        if (Season.Plan is not { } plan)
            return "";
        var waits = Lot!
            .Method.Waits.Where(w => w.To == placed.Stretch && w.Least >= SeasonMethod.LongWait)
            .Select(w => (w, From: plan.Of(Index).FirstOrDefault(p => p.Stretch == w.From)))
            .Where(p => p.From is not null)
            .ToList();
        if (waits.Count > 0)
        {
            var (wait, from) = waits.MaxBy(p => p.From!.End.PlusMinutes((long)p.w.Least.TotalMinutes));
            var soonest = from!.End.PlusMinutes((long)wait.Least.TotalMinutes);
            return $"{wait.Says}: at least {Days(wait.Least)}, so not before "
                + $"{soonest.ToString("ddd d MMM", System.Globalization.CultureInfo.InvariantCulture)}.";
        }

        return placed.Stretch == Lot.Method.Finish && Kept is { ThawAt: null, Place: { } place }
            ? $"It keeps {place.Days} days {place.Place}; sooner, it would be staler on its day."
            : "";
    }

    /// <summary>Days and hours as a baker says them.</summary>
    public static string Days(Duration length) =>
        length.TotalDays >= 1.5 ? $"{length.TotalDays:0} days"
        : length.TotalHours >= 1 ? $"{length.TotalHours:0} h"
        : $"{length.TotalMinutes:0} min";

    private FreshnessBand? Draw()
    {
        if (Season.Plan is not { } plan || Kept?.Place is not { } place || Kept.IsFrozenLast)
            return null;
        var own = plan.Of(Index);
        var from =
            Kept.Between is not null || Lot!.Method.Bake < 0 ? own.Max(p => p.End) : own.First(p => p.Stretch == Lot.Method.Bake).End;
        // What waited unfinished is at its best when it is finished.
        return FreshnessBand.Of(
            from,
            Kept.Between is null ? place : place with { BestFromDays = 0 },
            Season.Wish.Occasions[Need.Occasion].At
        );
    }
}
