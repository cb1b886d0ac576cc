using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Store.Benches;
using Zymethos.Work.Benches;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Bench;

/// <summary>Who helps today: passes by QR code, and shutting out.</summary>
public sealed class HelpersModel(BenchDesk desk, BenchPasses passes, KitchenClock kitchenClock) : PageModel
{
    /// <summary>The session.</summary>
    public BenchSessionRow Session { get; private set; } = null!;

    /// <summary>Passes that let in, and until what hour.</summary>
    public IReadOnlyList<(BenchPassRow Pass, string Until)> Passes { get; private set; } = [];

    /// <summary>The address of a pass that was just made; empty when none was.</summary>
    public string Address { get; private set; } = "";

    /// <summary>Whether only this machine can reach the address.</summary>
    public bool IsLocalOnly => Request.Host.Host is "localhost" or "127.0.0.1" or "::1";

    /// <summary>Who helps.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, CancellationToken cancel) => await FillAsync(id, cancel) ? Page() : NotFound();

    /// <summary>Makes a pass.</summary>
    public async Task<IActionResult> OnPostMakeAsync(Guid id, CancellationToken cancel)
    {
        if (!await FillAsync(id, cancel))
            return NotFound();
        if (await passes.MakeAsync(id, cancel) is { } secret)
            Address = $"{Request.Scheme}://{Request.Host}/bench/join/{secret}";
        await FillAsync(id, cancel);
        return Page();
    }

    /// <summary>Takes a pass away.</summary>
    public async Task<IActionResult> OnPostShutOutAsync(Guid id, Guid pass, CancellationToken cancel)
    {
        await passes.ShutOutAsync(pass, cancel);
        return Redirect($"/bench/{id}/helpers");
    }

    private async Task<bool> FillAsync(Guid id, CancellationToken cancel)
    {
        if (HelperDoor.IsHelper(User) || await desk.OpenAsync(id, cancel) is not { } work)
            return false;
        Session = work.Row;
        var (zone, says) = (await kitchenClock.ZoneAsync(cancel), await kitchenClock.SaysAsync(cancel));
        Passes = [.. (await passes.OfAsync(id, cancel)).Select(p => (p, says.DayAndHour(p.Until.InZone(zone).LocalDateTime)))];
        return true;
    }
}
