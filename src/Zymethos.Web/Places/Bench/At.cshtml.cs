using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Work.Benches;

namespace Zymethos.Web.Places.Bench;

/// <summary>The Bench at work. The page is a shell: its scripts draw the day from the sheet, the events and the clock, so that it goes on
/// without the server.</summary>
public sealed class AtModel(BenchDesk desk) : PageModel
{
    /// <summary>The session.</summary>
    public Guid Session { get; private set; }

    /// <summary>What it is called.</summary>
    public string SessionTitle { get; private set; } = "";

    /// <summary>Whether whoever looks is a helper with a pass.</summary>
    public bool IsHelper { get; private set; }

    /// <summary>What a helper is called; empty for a baker.</summary>
    public string HelperName { get; private set; } = "";

    /// <summary>The Bench.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, CancellationToken cancel)
    {
        if (!HelperDoor.MaySee(User, id) || await desk.OpenAsync(id, cancel) is not { } work)
            return NotFound();
        (Session, SessionTitle, IsHelper, HelperName) = (id, work.Row.Title, HelperDoor.IsHelper(User), HelperDoor.NameOf(User));
        return Page();
    }
}
