using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Work.Today;

namespace Zymethos.Web.Places.Today;

/// <summary>The front page: what now, what is about to go wrong, what this week.</summary>
public sealed class IndexModel(TodayDesk desk) : PageModel
{
    /// <summary>All of it.</summary>
    public TodayView View { get; private set; } = null!;

    /// <summary>The page.</summary>
    public async Task OnGetAsync(CancellationToken cancel) => View = await desk.ViewAsync(cancel);
}
