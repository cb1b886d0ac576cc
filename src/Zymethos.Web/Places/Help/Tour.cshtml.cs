using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Zymethos.Web.Places.Help;

/// <summary>The way round the demo kitchen: begins, goes on, ends.</summary>
public sealed class TourModel : PageModel
{
    /// <summary>There is nothing to see here but the stops themselves.</summary>
    public IActionResult OnGet() => Redirect("/help");

    /// <summary>Goes to a stop; 0 leaves.</summary>
    public IActionResult OnPost(int stop) => Redirect(Setup.Tour.Go(HttpContext, stop));
}
