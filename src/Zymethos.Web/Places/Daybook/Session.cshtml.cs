using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Kitchens;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Day;
using Zymethos.Work.Daybooks;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Daybook;

/// <summary>A session as it was: what was planned beside what was, and what came of it.</summary>
public sealed class SessionModel(DaybookDesk desk, KitchenClock kitchenClock) : PageModel
{
    /// <summary>The session.</summary>
    public DaybookSession Session { get; private set; } = null!;

    /// <summary>Its day and hour.</summary>
    public string When { get; private set; } = "";

    /// <summary>How the kitchen says hours and heats.</summary>
    public KitchenSays Says { get; private set; }

    /// <summary>The day as it was planned and as it was.</summary>
    public TwoTraces Traces { get; private set; } = null!;

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, CancellationToken cancel)
    {
        if (await desk.SessionAsync(id, cancel) is not { } session)
            return NotFound();
        Session = session;
        Says = await kitchenClock.SaysAsync(cancel);
        When = Says.FullDayAndHour(session.Row.StartedAt.InZone(await kitchenClock.ZoneAsync(cancel)).LocalDateTime);
        Traces = new TwoTraces(session);
        return Page();
    }

    /// <summary>What came of a bake; null when nobody said anything.</summary>
    public BakeStand? CameOf(int bake) => Session.State.Bakes.GetValueOrDefault(bake);

    /// <summary>An hour of the day's plan.</summary>
    public string Hour(int minute) => Says.Hour(Session.Planned.Network.TimeOf(minute));

    /// <summary>"4 min later", "as planned".</summary>
    public static string Off(int minutes) =>
        minutes == 0 ? "as planned"
        : minutes > 0 ? $"{minutes} min later"
        : $"{-minutes} min sooner";

    /// <summary>The network of the day.</summary>
    public TaskNetwork Network => Session.Planned.Network;
}
