using System.Collections.Immutable;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.Text;
using Zymethos.Interchange.Parcels;
using Zymethos.Paper;
using Zymethos.Store;
using Zymethos.Work.Parcels;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Paper;

/// <summary>Everything that can be printed.</summary>
public sealed class IndexModel(PaperDesk desk, SeasonDesk seasons, GiftDesk gifts, GiftLabels labels, ZymethosContext context) : PageModel
{
    /// <summary>What is printed, and on what.</summary>
    [BindProperty(SupportsGet = true, Name = "")]
    public PaperChoice Choice { get; set; } = new();

    /// <summary>The seasons.</summary>
    public IReadOnlyList<(Guid Id, string Name)> Seasons { get; private set; } = [];

    /// <summary>The boards of parcels.</summary>
    public IReadOnlyList<(Guid Id, string Name)> Boards { get; private set; } = [];

    /// <summary>The days that are planned, the next first.</summary>
    public IReadOnlyList<LocalDate> Days { get; private set; } = [];

    /// <summary>Languages of labels.</summary>
    public ImmutableArray<LabelWords> Languages { get; private set; } = [];

    /// <summary>The paper.</summary>
    public PaperSize Paper { get; private set; } = PaperSize.A4;

    /// <summary>Keys of parts with something on them.</summary>
    public IReadOnlySet<string> There { get; private set; } = new HashSet<string>();

    /// <summary>The page.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        Seasons = await seasons.ListAsync(cancel);
        Boards = await gifts.ListAsync(cancel);
        Days = await context.OvenDays.AsNoTracking().OrderByDescending(d => d.Date).Select(d => d.Date).Take(60).ToListAsync(cancel);
        Languages = await labels.LanguagesAsync(cancel);
        Paper = await desk.SizeAsync(Choice, cancel);
        var all = new PaperChoice
        {
            Season = Choice.Season,
            Board = Choice.Board,
            Day = Choice.Day,
            Paper = Choice.Paper,
            Words = Choice.Words,
        };
        There = (await desk.PartsAsync(all, cancel)).Select(p => p.Key).ToHashSet();
    }

    /// <summary>A date as addresses write it.</summary>
    public static string Iso(LocalDate date) => LocalDatePattern.Iso.Format(date);
}
