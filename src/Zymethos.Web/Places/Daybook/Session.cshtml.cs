using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Zymethos.Core.Kitchens;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Daybooks;
using Zymethos.Work.Daybooks;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Daybook;

/// <summary>A session as it was: what was planned beside what was, and what came of it.</summary>
public sealed class SessionModel(DaybookDesk desk, ZymethosContext context, KitchenClock kitchenClock) : PageModel
{
    /// <summary>The session.</summary>
    public DaybookSession Session { get; private set; } = null!;

    /// <summary>Its bakes, in the order of the day; those of which nothing was said are none.</summary>
    public IReadOnlyList<PastBakeRow> Bakes { get; private set; } = [];

    /// <summary>Its loads, in the order in which they went in.</summary>
    public IReadOnlyList<(PastBakeRow Row, PastLoadDocument Load)> Loads { get; private set; } = [];

    /// <summary>Its day and hour.</summary>
    public string When { get; private set; } = "";

    /// <summary>How the kitchen says hours and heats.</summary>
    public KitchenSays Says { get; private set; }

    /// <summary>The day as it was planned and as it was.</summary>
    public TwoTraces Traces { get; private set; } = null!;

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, CancellationToken cancel)
    {
        await desk.RecordAsync(cancel);
        if (await desk.SessionAsync(id, cancel) is not { } session)
            return NotFound();
        Session = session;
        Bakes = await context.PastBakes.AsNoTracking().Where(b => b.SessionId == id).OrderBy(b => b.Place).ToListAsync(cancel);
        Loads =
        [
            .. Bakes
                .SelectMany(b => (b.Document.Loads ?? []).Select(l => (Row: b, Load: l)))
                .OrderBy(l => l.Load.At, StringComparer.Ordinal),
        ];
        Says = await kitchenClock.SaysAsync(cancel);
        When = Says.FullDayAndHour(session.Row.StartedAt.InZone(await kitchenClock.ZoneAsync(cancel)).LocalDateTime);
        Traces = new TwoTraces(session);
        return Page();
    }
}
